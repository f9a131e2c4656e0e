"""A stretch as a picture that moves, and a still of each shot. A GIF is read by ffprobe, a WebP by libwebp's own
`webpinfo`; what is seen is compared with the film's own frames."""

import io
import json
import re
import subprocess
import zipfile

import numpy as np
import pytest
from PIL import Image

from cutreel.making.moving import frame_of_film
from tests.api.test_retouch import start


def taken(client, film, finished, **wish) -> tuple[str, bytes]:
    run = start(client, film, **wish)
    done = finished(film["id"], run["id"])
    assert done["state"] == "done", done
    (file,) = done["outcome"]["files"]
    return file["name"], client.get(f"/api/runs/{run['id']}/files/{file['name']}").content


def difference(a: Image.Image, b: Image.Image) -> float:
    """The mean difference of two pictures, in levels of 255."""
    both = (np.asarray(p.convert("RGB"), dtype=np.float64) for p in (a, b))
    return float(abs(next(both) - next(both)).mean())


@pytest.mark.parametrize("form", ["gif", "webp"])
def test_a_stretch_moves_over_and_over(client, film, finished, tmp_path, stack, form) -> None:
    name, data = taken(
        client, film, finished, kind="moving picture", first=24, end=72, form=form, size="240p"
    )
    path = tmp_path / name
    path.write_bytes(data)
    if form == "gif":
        # Frames that are the same as the one before are kept once, for as long as they stand.
        asked = ["-show_entries", "stream=width,height:packet=duration_time"]
        told = subprocess.run(
            ["ffprobe", "-v", "error", "-of", "json", *asked, str(path)],
            capture_output=True, check=True, text=True,
        )  # fmt: skip
        read = json.loads(told.stdout)
        assert read["streams"] == [{"width": 426, "height": 240}]
        waits = [float(p["duration_time"]) for p in read["packets"]]
        assert sum(waits) == pytest.approx(2.0, abs=0.08)
    else:
        told = subprocess.run(["webpinfo", str(path)], capture_output=True, check=True, text=True)
        assert re.findall(r"Loop count *: 0", told.stdout)
        waits = [int(n) for n in re.findall(r"Duration: (\d+)", told.stdout)]
        assert sum(waits) == 2000 and "Canvas size 426 x 240" in told.stdout
    # Without a picture yet every shot is its page: the same words at the same place as in the film.
    seen = frame_of_film(stack.shop, stack.shop.assembled(film["id"]), 24, 240)
    with Image.open(path) as moving:
        assert difference(moving, seen) < 4
        assert moving.info["loop"] == 0


def test_what_is_too_long_or_behind_the_end_is_refused_in_words(client, film) -> None:
    ask = f"/api/films/{film['id']}/runs"
    wish = {"kind": "moving picture", "form": "gif"}
    behind = client.post(ask, json={**wish, "first": 90_000, "end": 90_010})
    turned = client.post(ask, json={**wish, "first": 20, "end": 10})
    assert (behind.status_code, turned.status_code) == (422, 422)
    assert "ends before that stretch" in behind.text


def test_each_shot_is_a_still(client, film, finished) -> None:
    _, data = taken(client, film, finished, kind="stills", size="720p")
    shots = client.get(f"/api/films/{film['id']}").json()["shots"]
    with zipfile.ZipFile(io.BytesIO(data)) as packed:
        names = packed.namelist()
        assert len(names) == len(shots) and names == sorted(names)
        assert all(f"_{s['edge']}." in n for s, n in zip(shots, names, strict=True)), names
        sizes = {Image.open(io.BytesIO(packed.read(n))).size for n in names}
    assert sizes == {(1280, 720)}
