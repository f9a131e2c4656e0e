"""Media that are damaged or gone are found, told of, made again; a full disk lets things wait and nothing fail."""

import errno
import hashlib
import shutil
from datetime import timedelta
from pathlib import Path

import pytest

from cutreel.core.errors import CutReelError, NotFound
from cutreel.core.film import Settings, new_film
from cutreel.making import start_run, work
from cutreel.making.care import Caretaker
from cutreel.making.faulty import faults_of
from cutreel.making.room import no_room, told_of_room
from cutreel.running.temporary import Temporary
from cutreel.store import MediaStore
from tests.conftest import STORY
from tests.making.nobody import NoQueue, read_and_added, run_of_nobody
from tests.waiting import until

SPOIL = {"cut short": lambda data: data[:-9], "one bit": lambda d: d[:-1] + bytes([d[-1] ^ 1])}


@pytest.fixture
def media(tmp_path: Path) -> MediaStore:
    return MediaStore(str(tmp_path / "media"))


@pytest.mark.parametrize("spoil", SPOIL.values(), ids=SPOIL)
def test_what_is_damaged_is_set_aside_and_never_given_out(media: MediaStore, spoil) -> None:
    name = media.put(b"a picture, more or less", "png")
    path = Path(media.path(name))
    path.write_bytes(spoil(path.read_bytes()))
    assert media.fault(name) == "damaged"
    with pytest.raises(NotFound, match="is damaged"):
        media.get(name)
    assert media.fault(name) == "gone" and (Path(media.root) / "damaged" / name).exists()
    assert media.put(b"a picture, more or less", "png") == name and media.fault(name) == ""


def test_one_that_is_cut_short_is_written_again(media: MediaStore, tmp_path: Path) -> None:
    source = tmp_path / "source"
    source.write_bytes(bytes(range(256)) * 9000)
    for put in (
        lambda: media.put(source.read_bytes(), "mp4"),
        lambda: media.put_file(source, "mp4"),
    ):
        path = Path(media.path(put()))
        path.write_bytes(path.read_bytes()[:1000])
        assert media.fault(put()) == ""


def test_a_full_disk_leaves_nothing_half_written(media: MediaStore, monkeypatch) -> None:
    class Full:
        """A file that takes three bytes."""

        def __init__(self, file) -> None:
            self.file = file

        def __enter__(self) -> "Full":
            return self

        def __exit__(self, *_: object) -> None:
            self.file.close()

        def write(self, data: bytes) -> None:
            self.file.write(data[:3])
            raise OSError(errno.ENOSPC, "No space left on device")

    opened = media.fs.open
    monkeypatch.setattr(media.fs, "open", lambda path, mode: Full(opened(path, mode)))
    with pytest.raises(OSError, match="No space"):
        media.put(b"a picture", "png")
    assert not [p for p in Path(media.root).rglob("*") if p.is_file()]


def test_leftovers_are_swept_and_what_is_being_written_is_not(media: MediaStore) -> None:
    name = media.put(b"whole", "png")
    part = Path(media.path(name) + ".12345678.part")
    part.write_bytes(b"half")
    assert media.sweep() == 0 and part.exists()
    assert media.sweep(timedelta(seconds=-1)) == 1 and not part.exists() and media.has(name)


def test_room_is_told_of_before_it_is_used_up(stack: Temporary, monkeypatch) -> None:
    shop = stack.shop
    said = []
    for free in (3e9, 0.9e9, 1e6):
        monkeypatch.setattr(shop.media, "free", lambda free=free: int(free))
        said.append(told_of_room(shop))
    assert said[0] == "" and "0.9 GB are left" in said[1] and "is full" in said[2]


# ------------------------------------------------------------------------------ a film whose files go


@pytest.fixture(scope="module")
def film(stack: Temporary) -> str:
    shop = stack.shop
    film = read_and_added(
        shop, *new_film("Cared for", STORY[:400], Settings(seed=77_000, music="none"))
    )
    for kind in ("speech", "pictures"):
        run = start_run(shop, film, kind, {"takes": 1} if kind == "pictures" else {})
        ended = until(lambda r=run: (v := shop.runs.view(r)).state != "going" and v, 120)
        assert (ended.state, ended.failures) == ("done", [])
    return film


def look_at_all(stack: Temporary) -> int:
    caretaker, lost = Caretaker(stack.shop), 0
    while caretaker.rounds == 0:
        lost += caretaker.look()
    return lost


@pytest.mark.long
def test_all_that_is_told_of_is_looked_at(stack: Temporary, film: str) -> None:
    shop = stack.shop
    takes = [t for made in shop.takes.of_film(film).values() for t in made]
    told = set(shop.lost.told_of("", 100_000))
    for take in takes:
        assert {take.media, take.thumb, *(name for name, _ in take.layers)} <= told
    spoken = shop.assembled(film).spoken
    assert spoken and {r.media for r in spoken.values()} <= told
    assert look_at_all(stack) == 0 and not shop.lost.names()


@pytest.mark.parametrize("how", ["gone", "damaged"])
def test_a_lost_picture_is_told_at_its_take_until_it_is_back(
    stack: Temporary, film: str, how: str
) -> None:
    shop = stack.shop
    (take, *_) = next(iter(shop.takes.of_film(film).values()))
    path = Path(shop.media.path(take.media))
    before = path.read_bytes()
    path.unlink() if how == "gone" else path.write_bytes(before[:-1])
    look_at_all(stack)
    until(lambda: shop.lost.names() == {take.media}, 20)
    found = faults_of(shop.assembled(film))
    told = [f.text for faults in found for f in faults.get(take.id, [])]
    assert told == [f"its file is {how}: make it again, or bring it again"]
    assert shop.media.put(before, "png") == take.media
    until(lambda: (look_at_all(stack), not shop.lost.names())[1], 30)
    assert "lost" not in shop.takes.get(take.id).about


def test_a_lost_line_is_spoken_again_when_it_is_wanted(stack: Temporary, film: str) -> None:
    shop = stack.shop
    before = shop.assembled(film).spoken
    name = before[0].media
    assert name
    spoken = shop.media.get(name)
    Path(shop.media.path(name)).write_bytes(b"fLaC?")
    look_at_all(stack)
    until(lambda: name in shop.lost.names(), 20)
    assert 0 not in shop.assembled(film).spoken, "a line without its file is not spoken"
    run = start_run(shop, film, "speech", {})
    assert until(lambda: (v := shop.runs.view(run)).state != "going" and v, 120).failures == []
    until(lambda: not shop.lost.names(), 30)
    again = shop.assembled(film).spoken[0]
    assert again.media and hashlib.sha256(shop.media.get(again.media)).hexdigest() in again.media
    assert again.media == name and shop.media.get(name) == spoken, "the same seed says the same"


def test_work_waits_while_the_disk_is_full_and_goes_on_by_itself(
    stack: Temporary, film: str, monkeypatch
) -> None:
    shop = stack.shop
    full = True

    def do(item) -> None:
        if full:
            raise OSError(errno.ENOSPC, "No space left on device")

    monkeypatch.setattr(work, "_do", do)
    # This process is the worker.
    monkeypatch.setattr(shop, "queue", NoQueue())
    with run_of_nobody(shop, film, 1) as (run, (number,)):
        work.work_on(shop, number)
        view = shop.runs.view(run)
        assert view.state == "going" and view.failures == [] and view.waits == work.DISK_FULL
        full = False
        work.work_on(shop, number)
        assert shop.runs.view(run).waits == ""


def test_a_program_that_fails_for_want_of_room_waits_as_well(stack: Temporary, monkeypatch) -> None:
    usage = shutil.disk_usage("/")
    assert not no_room(stack.shop, CutReelError("ffmpeg failed")) or usage.free < 20_000_000
    monkeypatch.setattr(stack.shop.media, "free", lambda: 1_000)
    assert no_room(stack.shop, CutReelError("ffmpeg failed"))
    assert no_room(stack.shop, OSError(errno.EDQUOT, "Disk quota exceeded"))
