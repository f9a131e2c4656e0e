"""Ninety shots set in motion by one run: its price is said before, a worker is killed, and the service.

What was paid is read from the service's own statement.
"""

import io
import os
import signal
import sys
from collections.abc import Iterator
from datetime import UTC, datetime
from decimal import Decimal
from pathlib import Path

import httpx
import pytest
from PIL import Image

from cutreel.core.film import Settings, apply_command, new_film
from cutreel.core.film.commands import CutAgain
from cutreel.making import estimate, plug_in, start_run, take_out
from cutreel.making.pictures import Origin, add_take, brought, keep_brought
from cutreel.running.commands import wait_for
from cutreel.running.ports import free_port
from cutreel.running.temporary import Temporary
from tests.conftest import STORY
from tests.making.nobody import read_and_added
from tests.making.test_plugged import KEY, listens, plugged
from tests.waiting import until

COUNT, PRICE = 90, Decimal("0.01")
SERVICE = '''
import io
from fractions import Fraction

import av
import numpy as np

from cutreel.kit import Given, Service
from cutreel.protocol import ClipInput

service = Service("Flip book")


@service.makes("clip", price="0.01", per="second", lengths=[2.0, 4.0], longest=4.0, width=640, height=640, parallel=2)
def flip(job: ClipInput, given: Given) -> bytes:
    """Two drawings in turn, whose greys the seed decides."""
    given.file(job.picture)
    out = io.BytesIO()
    with av.open(out, "w", format="mp4") as target:
        stream = target.add_stream("libx264", rate=12)
        stream.width, stream.height, stream.pix_fmt = 320, 320, "yuv420p"
        stream.codec_context.options = {"preset": "ultrafast"}
        for n in range(round(job.seconds * 12)):
            grey = 40 + (job.seed + sum(job.prompt.encode())) % 160 + 20 * (n // 2 % 2)
            frame = av.VideoFrame.from_ndarray(np.full((320, 320, 3), grey, np.uint8), "rgb24")
            frame.pts, frame.time_base = n, Fraction(1, 12)
            for packet in stream.encode(frame):
                target.mux(packet)
        for packet in stream.encode():
            target.mux(packet)
    return out.getvalue()
'''


def kill(stack: Temporary, name: str) -> None:
    """Without a warning, and everything that it started."""
    os.killpg(stack.processes[name].pid, signal.SIGKILL)
    stack.processes[name].wait()


@pytest.fixture
def flip_book(stack: Temporary, tmp_path: Path) -> Iterator[tuple[list[str], int]]:
    """A maker of clips, plugged in: how it is started, and where it answers."""
    file, port = tmp_path / "flip.py", free_port()
    file.write_text(SERVICE)
    command = [sys.executable, "-m", "cutreel.cli", "service", "run", str(file)]
    command += ["--port", str(port), "--data", str(tmp_path / "kept"), "--key", KEY]
    address = f"http://127.0.0.1:{port}"
    stack.start("flip", command)
    wait_for(lambda: listens(port), 60, "The maker of clips")
    plug_in(stack.shop, plugged("flip", {"how": "protocol", "address": address}), KEY, anew=True)
    until(lambda: "flip/clip" in {o.name for o in stack.shop.offers()}, 20)
    yield command, port
    take_out(stack.shop, "flip")
    kill(stack, "flip")


@pytest.mark.long
@pytest.mark.timeout(1800)
def test_ninety_clips_survive_a_killed_worker_and_a_killed_service(
    stack: Temporary, flip_book: tuple[list[str], int]
) -> None:
    command, port = flip_book
    settings = Settings(aspect="1:1", music="none", seed=91_091, made_by={"clip": "flip/clip"})
    uncut, used = new_film("Ninety clips", STORY, settings)
    document, _, _ = apply_command(uncut, CutAgain(by="exactly", count=COUNT), used)
    shop = stack.shop
    film = read_and_added(shop, document, [s.edge for s in document.shots])
    page = io.BytesIO()
    Image.new("RGB", (640, 640), (90, 120, 150)).save(page, "PNG")
    kept = keep_brought(shop, brought(page.getvalue()))
    for shot in document.shots:
        add_take(shop, film, shot.id, kept, Origin())
    begun = datetime.now(UTC)
    wish = {"shots": [s.id for s in document.shots], "takes": 1}
    said = estimate(shop, film, "clips", wish)
    run = start_run(shop, film, "clips", wish)
    until(lambda: shop.runs.view(run).done >= 6, 120)
    kill(stack, "worker-1")
    stack.start_worker("worker-1")
    until(lambda: shop.runs.view(run).done >= 25, 120)
    kill(stack, "flip")
    stack.start("flip", command)
    wait_for(lambda: listens(port), 60, "The maker of clips")
    ended = until(lambda: (v := shop.runs.view(run)).state != "going" and v, 300)
    assert (ended.state, ended.done, ended.failures) == ("done", COUNT, [])
    takes = shop.takes.of_film(film)
    clips = [[t for t in takes[s.id] if "clip" in t.about] for s in document.shots]
    assert {len(made) for made in clips} == {1}, "nothing is lost"
    assert all(shop.media.has(made[0].about["clip"]["media"]) for made in clips)
    told = httpx.get(
        f"http://127.0.0.1:{port}/statement",
        params={"since": begun.isoformat()},
        headers={"Authorization": f"Bearer {KEY}"},
    ).json()
    paid = [Decimal(str(line["cost"])) for line in told["lines"]]
    assert len(paid) == COUNT, "nothing is paid twice"
    assert sum(paid) == shop.spending.total(film) == said.cost
