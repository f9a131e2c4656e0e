"""A film made by four kinds of makers that are plugged in at once: a program, a described HTTP interface, a service of the
kit, and somebody's hand. One fails half-way, one runs out, a worker is killed; nothing is lost, nothing is paid twice, and
no key is found anywhere.

What was paid is read from the makers' own books, not from ours.
"""

import base64
import io
import os
import signal
import sys
import threading
import zipfile
from collections import Counter
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from dataclasses import replace
from decimal import Decimal
from pathlib import Path
from typing import Any

import pytest
from PIL import Image
from sqlalchemy import text

from cutreel.bridge import Plugged, Said
from cutreel.core.errors import CutReelError
from cutreel.core.film import Settings, apply_command, new_film
from cutreel.core.film.commands import CutAgain
from cutreel.making import bring_files, for_today, plug_in, start_run, take_out
from cutreel.making.paying import Order, fitted, ordered
from cutreel.protocol import Caps, PictureInput, Result
from cutreel.running.commands import answers, wait_for
from cutreel.running.ports import free_port
from cutreel.running.temporary import Temporary
from cutreel.services import Delivered, ServiceRefused
from cutreel.store import OverLimit, UsedUp
from tests.bridge.serving import Asked, Server, serving, told
from tests.conftest import ROOT, STORY
from tests.making.nobody import read_and_added
from tests.waiting import until

KEY = "sk-4711-nobody-may-read-this"
EXAMPLE = ROOT / "docs/examples/lantern.py"
DRAW = """
import pathlib, sys
from PIL import Image
out, seed, book = sys.argv[1:]
book = pathlib.Path(book)
made = book.read_text().splitlines() if book.exists() else []
if len(made) >= 4:
    sys.exit("the pen is empty")
Image.new("RGB", (320, 320), (int(seed) % 200, 90, len(made) * 40)).save(out)
with book.open("a") as file:  # at once: a worker that is killed must not empty it
    file.write(seed + "\\n")
"""
INTERFACE = """
[offer]
kind = "picture"
price = 0.05
per = "picture"
daily = 5
parallel = 2
[send]
address = "{address}/draw"
headers = {{ Authorization = "Bearer {{key}}" }}
json = {{ text = "{{prompt}}", seed = "{{seed}}" }}
[result]
at = "$.picture"
as = "base64"
"""


def picture(shade: int) -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (400, 400), (shade % 256, 120, 60)).save(out, "JPEG", quality=90)
    return out.getvalue()


def draws(asked: Asked, n: int) -> Any:
    if asked.headers.get("Authorization") != f"Bearer {KEY}":
        return told(401, message="who are you?")
    return told(picture=base64.b64encode(picture(n * 30)).decode())


@pytest.fixture(scope="module")
def interface() -> Iterator[Server]:
    with serving(draws) as server:
        yield server


def plugged(name: str, reached: dict[str, Any]) -> Plugged:
    settings = {"id": name, "title": name.title(), "own_network": True, "reached": reached}
    return Plugged.model_validate(settings)


@pytest.fixture(scope="module")
def four(
    stack: Temporary, interface: Server, tmp_path_factory: pytest.TempPathFactory
) -> Iterator[Path]:
    """The four makers, plugged in; gives the program's own book."""
    book = tmp_path_factory.mktemp("pen") / "book"
    port = free_port()
    data = tmp_path_factory.mktemp("lantern")
    command = [sys.executable, "-m", "cutreel.cli", "service", "run", str(EXAMPLE)]
    stack.start("lantern", [*command, "--port", str(port), "--data", str(data), "--key", KEY])
    said = {"kind": "picture", "price": "0.02", "per": "picture"}
    pen = [sys.executable, "-c", DRAW, "{output}", "{seed}", str(book)]
    shop = stack.shop
    plug_in(
        shop,
        plugged("pen", {"how": "program", "command": pen, "offer": said, "ending": "png"}),
        None,
        anew=True,
    )
    plug_in(
        shop,
        plugged("ink", {"how": "interface", "toml": INTERFACE.format(address=interface.address)}),
        KEY,
        anew=True,
    )
    address = f"http://127.0.0.1:{port}"
    wait_for(lambda: listens(port), 60, "The example service")
    plug_in(shop, plugged("lamp", {"how": "protocol", "address": address}), KEY, anew=True)
    hand = {**said, "price": "0", "daily": 4}
    plug_in(shop, plugged("brush", {"how": "hand", "offer": hand}), None, anew=True)
    shop.plugged.set_choices({"picture": {"then": "lamp/picture"}})
    until(lambda: {"pen", "ink", "brush", "lamp/picture"} <= {o.name for o in shop.offers()}, 20)
    yield book
    shop.plugged.set_choices({})
    for name in ("pen", "ink", "lamp", "brush"):
        take_out(shop, name)
    os.killpg(stack.processes["lantern"].pid, signal.SIGKILL)


def listens(port: int) -> bool:
    import socket

    with socket.socket() as s:
        return s.connect_ex(("127.0.0.1", port)) == 0


@pytest.mark.long
@pytest.mark.timeout(1800)
def test_a_film_by_four_kinds_of_makers_at_once(
    stack: Temporary, four: Path, interface: Server
) -> None:
    shop = stack.shop
    settings = Settings(look="stick-figures", aspect="1:1", music="none", seed=25_025)
    uncut, used = new_film("Twenty-five", STORY, settings)
    document, _, _ = apply_command(uncut, CutAgain(by="exactly", count=25), used)
    film = read_and_added(shop, document, [s.edge for s in document.shots])
    shots = [s.id for s in document.shots]
    parts = {
        "pen": shots[:7],
        "ink": shots[7:14],
        "brush": shots[14:20],
        "lamp/picture": shots[20:],
    }
    runs = {
        offer: start_run(shop, film, "pictures", {"takes": 1, "shots": part, "offer": offer})
        for offer, part in parts.items()
    }
    until(lambda: shop.runs.view(runs["pen"]).done >= 2, 60)
    os.killpg(stack.processes["worker-1"].pid, signal.SIGKILL)
    stack.start_worker("worker-1")
    listed = until(lambda: (j := for_today(shop, "brush")).later + len(j.jobs) == 6 and j, 60)
    # Four fit into today; all are numbered, and two more wait for tomorrow.
    assert len(listed.jobs) == 4 and listed.later == 2 and listed.daily == 4
    assert all(
        job.input["prompt"] and job.label.startswith("picture of shot") for job in listed.jobs
    )
    packed = io.BytesIO()
    with zipfile.ZipFile(packed, "w") as archive:
        for job in listed.jobs[:3]:
            archive.writestr(f"brush/{job.number:04} done.jpg", picture(job.number))
    loose = listed.jobs[3].number
    placed = bring_files(
        shop,
        "brush",
        [
            ("all.zip", packed.getvalue()),
            (f"{loose}.txt", b"I could not do this one"),
            ("holiday.png", picture(1)),
            ("999999.png", picture(1)),
        ],
    )
    assert [p.number is not None for p in placed] == [True, True, True, False, False, False]
    assert [
        "text where a picture" in placed[3].says,
        "not begin with a number" in placed[4].says,
    ] == [True, True]
    assert bring_files(shop, "brush", [(f"{loose}.jpg", picture(9))])[0].number == loose
    # Tomorrow's come tomorrow: until then they are on nobody's list, and their run waits.
    assert (for_today(shop, "brush").jobs, for_today(shop, "brush").later) == ([], 2)
    for number in [j.number for j in shop.hand.open("brush")]:
        assert bring_files(shop, "brush", [(f"{number}.jpg", picture(number))])[0].number == number
    ended = {
        offer: until(lambda r=run: (v := shop.runs.view(r)).state != "going" and v, 120)
        for offer, run in runs.items()
    }
    assert [(v.state, v.failures) for v in ended.values()] == [("done", [])] * 4
    takes = shop.takes.of_film(film)
    assert sorted(takes) == sorted(shots) and {len(t) for t in takes.values()} == {1}
    by = Counter(t.offer for made in takes.values() for t in made)
    # The pen was empty after four, the interface after its five of a day: the second choice made the rest.
    # One that it drew may have been lost with the worker that was killed, before it was kept.
    assert by["pen"] in (3, 4) and (by["ink"], by["brush"]) == (5, 6)
    assert by["lamp/picture"] == 25 - 6 - 5 - by["pen"]
    assert all(stack.shop.media.get(t.media)[:4] == b"\x89PNG" for m in takes.values() for t in m)
    # Their own books: what the pen wrote down, what the interface was asked (by its keys), what the kit made.
    keys = {a.headers["Idempotency-Key"] for a in interface.asked}
    assert len(four.read_text().splitlines()) == 4 and len(keys) == 5 <= len(interface.asked)
    prices = {"pen": "0.02", "ink": "0.05", "brush": "0", "lamp/picture": "0.002"}
    paid = sum((Decimal(prices[offer]) * count for offer, count in by.items()), Decimal(0))
    assert shop.spending.total(film) == paid
    lately = shop.jobs.lately()
    # At least: what a killed worker had in hand is tried once more.
    assert lately["pen"].failed >= 3 and lately["ink"].failed >= 2 and lately["ink"].jobs >= 7
    assert any("the pen is empty" in job.message for job in shop.jobs.last("pen"))

    archive = start_run(shop, film, "archive", {})
    until(lambda: shop.runs.view(archive).state == "done", 60)
    for where, data in _everything(stack, shop.runs.view(archive).outcome["files"][0]["media"]):
        assert KEY.encode() not in data, where


def _everything(stack: Temporary, archive: str) -> Iterator[tuple[str, bytes]]:
    """All rows of all tables, an archive unpacked, and every file of the data folder."""
    with stack.shop.database.transaction() as session:
        tables = "SELECT tablename FROM pg_tables WHERE schemaname = 'public'"
        for (table,) in session.execute(text(tables)).all():
            for (row,) in session.execute(text(f'SELECT t::text FROM "{table}" t')):
                yield table, row.encode()
    with zipfile.ZipFile(io.BytesIO(stack.shop.media.get(archive))) as packed:
        for name in packed.namelist():
            yield name, packed.read(name)
    folder = Path(stack.environment["CUTREEL_SECRETS"]).parent
    assert list(folder.iterdir()), "a key was sealed"
    for path in folder.iterdir():
        assert path.stat().st_mode & 0o077 == 0, "only this account reads the key file"
        yield path.name, path.read_bytes()


def test_the_second_choice_is_asked_in_its_own_measure() -> None:
    caps = Caps(prompt_characters=40)
    offer = (
        Said(kind="picture", prompt_characters=40).offer("o", "O").model_copy(update={"caps": caps})
    )
    prompt = "A lamp, an old woman, dusk, rain on the sea, cut paper"
    work = PictureInput(prompt=prompt, lighter=["rain on the sea"], negative="text", jointed=True)
    asked = fitted(work, offer)
    assert isinstance(asked, PictureInput)
    assert asked.prompt == "A lamp, an old woman, dusk, cut paper"
    assert (asked.negative, asked.lighter, asked.jointed) == ("", [], False)
    tight = offer.model_copy(update={"caps": Caps(prompt_characters=21)})
    assert fitted(work, tight).prompt == "A lamp, an old woman"  # type: ignore[union-attr]


def test_a_key_is_sealed_and_another_key_file_opens_nothing(stack: Temporary, four: Path) -> None:
    from cutreel.bridge import Secrets

    kept = next(k for k in stack.shop.plugged.all() if k.settings["id"] == "ink")
    assert kept.sealed and KEY.encode() not in kept.sealed
    assert stack.shop.secrets.open(kept.sealed) == KEY
    other = Secrets(four.parent / "another")
    other.seal("x")
    with pytest.raises(CutReelError, match="another key file"):
        other.open(kept.sealed)


def test_twenty_at_once_do_not_pass_a_limit_together(stack: Temporary) -> None:
    spending = stack.shop.spending
    spending.set_limit("limited", Decimal("0.10"))

    def one(i: int) -> bool:
        try:
            spending.promise(f"limit-{i}", "limited", "pen", Decimal("0.02"))
        except OverLimit as error:
            assert "leaves no room" in error.message
            return False
        if i % 3 == 0:
            spending.let_go(f"limit-{i}")
        else:
            spending.spend(f"limit-{i}", "limited", "pen", Decimal("0.02"))
        return True

    gate = threading.Barrier(20)
    with ThreadPoolExecutor(20) as pool:
        results = list(pool.map(lambda i: (gate.wait(), one(i))[1], range(20)))
    assert spending.total("limited") <= Decimal("0.10") and sum(results) >= 5
    spending.set_limit("limited", None)
    spending.promise("limit-more", "limited", "pen", Decimal("5"))
    spending.let_go("limit-more")


def test_a_days_number_is_shared_by_all_who_ask(stack: Temporary) -> None:
    spending = stack.shop.spending

    def one(i: int) -> bool:
        try:
            spending.promise(f"daily-{i}", "any", "daily-offer", Decimal(0), daily=3)
        except UsedUp:
            return False
        spending.spend(f"daily-{i}", "any", "daily-offer", Decimal(0))
        return True

    with ThreadPoolExecutor(12) as pool:
        assert sum(pool.map(one, range(12))) == 3


@pytest.mark.long
def test_a_limit_that_is_reached_lets_the_run_rest_and_it_goes_on_when_raised(
    stack: Temporary,
) -> None:
    shop = stack.shop
    uncut, used = new_film("Limited", STORY, Settings(look="stick-figures", seed=25_026))
    document, _, _ = apply_command(uncut, CutAgain(by="exactly", count=6), used)
    film = read_and_added(shop, document, [s.edge for s in document.shots])
    shop.spending.set_limit(film, Decimal("0.010"))  # three of six at 0.003
    run = start_run(shop, film, "pictures", {"takes": 1})
    rests = until(lambda: (v := shop.runs.view(run)).state == "paused" and v.done == 3 and v, 60)
    assert "limit for this film" in rests.waits and shop.spending.total(film) == Decimal("0.009")
    shop.spending.set_limit(film, None)
    shop.runs.go_on(run, shop.queue)
    ended = until(lambda: (v := shop.runs.view(run)).state != "going" and v, 60)
    assert (ended.state, ended.done, ended.failures) == ("done", 6, [])
    assert shop.spending.total(film) == Decimal("0.018")


def test_who_charges_more_than_the_price_is_told_of_once_and_nothing_is_lost(
    stack: Temporary, four: Path, monkeypatch
) -> None:
    shop = stack.shop
    made: list[str] = []

    def do(offer: str, work: object, key: str, **more: object) -> Delivered:
        made.append(key)
        sha, data = "0" * 64, picture(len(made))
        result = Result(name="p", media_type="image/jpeg", sha256=sha, size=len(data))
        return Delivered([(result, data)], Decimal("0.50"), [])

    monkeypatch.setattr(shop.services, "do", do)
    order = Order("dear", "pen", PictureInput(prompt="a lamp"), "dear-1")
    with pytest.raises(OverLimit, match=r"charged 0\.500 for what its price says is 0\.020"):
        ordered(shop, order)
    assert shop.spending.total("dear") == Decimal("0.50"), "the ledger is as their books are"
    done = ordered(shop, order)
    assert done is not None and made == ["dear-1"], "what was paid is taken, not made again"
    assert shop.spending.total("dear") == Decimal("0.50")


@pytest.mark.long
def test_who_was_plugged_in_is_on_offer_while_others_take_their_time(
    stack: Temporary, monkeypatch: pytest.MonkeyPatch
) -> None:
    """On a machine that has much to do, the stand-ins were seen not to answer within two seconds."""
    shop, gate = stack.shop, threading.Event()
    first = type(shop.first).offers
    monkeypatch.setattr(
        type(shop.first), "offers", lambda services: (gate.wait(60), first(services))[1]
    )
    hand = {"how": "hand", "offer": {"kind": "picture", "price": "0"}}
    try:
        plug_in(shop, plugged("chalk", hand), None, anew=True)
        assert "chalk" in {o.name for o in shop.offers()}
        assert shop.offer_of("picture", "chalk").title == "Chalk"
    finally:
        gate.set()
        take_out(shop, "chalk")


def test_a_folder_that_is_watched(stack: Temporary, four: Path) -> None:
    shop = stack.shop
    uncut, used = new_film("Watched", STORY, Settings(look="stick-figures", seed=25_027))
    document, _, _ = apply_command(uncut, CutAgain(by="exactly", count=6), used)
    film = read_and_added(shop, document, [s.edge for s in document.shots])
    shot = document.shots[0].id
    run = start_run(shop, film, "pictures", {"takes": 1, "shots": [shot], "offer": "brush"})
    (job,) = until(lambda: [j for j in shop.hand.open("brush") if j.film == film], 60)
    folder = Path(stack.environment["CUTREEL_BY_HAND"]) / "brush"
    folder.mkdir(parents=True, exist_ok=True)
    (folder / "no number.png").write_bytes(picture(3))
    (folder / f"{job.number}.jpg").write_bytes(picture(4))
    ended = until(lambda: (v := shop.runs.view(run)).state == "done" and v, 60)
    assert ended.failures == [] and (folder / "taken" / f"{job.number}.jpg").exists()
    why = until(lambda: (folder / "not taken" / "no number.png.txt").exists() and folder, 30)
    assert "does not begin with a number" in (why / "not taken" / "no number.png.txt").read_text()
    assert answers(stack.services + "/offers")


def test_what_came_is_not_made_again_when_a_worker_dies_before_it_is_paid(
    stack: Temporary, four: Path, monkeypatch
) -> None:
    shop, asked = stack.shop, []
    told_of = Result(name="picture", media_type="image/jpeg", sha256="0" * 64, size=1)

    def do(offer: str, *rest: Any, **more: Any) -> Delivered:
        asked.append(offer)
        came = picture(7) if len(asked) == 1 else b"broken"
        return Delivered([(told_of, came)], Decimal("0.02" if offer == "pen" else 0), [])

    def dies(*rest: Any) -> None:
        raise KeyboardInterrupt

    monkeypatch.setattr(shop.services, "do", do)
    order = Order("film-of-none", "pen", PictureInput(prompt="A lamp"), "0" * 36 + "dead")
    with monkeypatch.context() as dying:
        dying.setattr(shop.spending, "spend", dies)
        with pytest.raises(KeyboardInterrupt):
            ordered(shop, order)
    again = ordered(shop, order)
    assert again is not None and again.files[0][1][:4] == b"\x89PNG" and asked == ["pen"]
    assert shop.spending.total("film-of-none") == Decimal("0.02")
    # What is of no use is forgotten: the next try makes another.
    broken = replace(order, key="0" * 36 + "beef", offer="brush")
    for _ in range(2):
        with pytest.raises(ServiceRefused, match="cannot be used"):
            ordered(shop, broken)
    assert asked.count("brush") == 2
