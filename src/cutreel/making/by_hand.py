"""What is made by hand comes back: dropped on the page, in a zip, or put into a folder that is watched. Each file finds
its place by the number that its name begins with."""

import logging
import os
import time
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path

from cutreel.bridge import ByHand, Plugged, checked, number_of
from cutreel.core.errors import BadInput, CutReelError, NotFound
from cutreel.store import DAY, ByHandJob, begin_of

from .apart import CLIP, OWN, PICTURE, reader
from .pictures.bringing import unpacked
from .pictures.clips import clip_opens
from .received import as_flac, as_png
from .workshop import Workshop

log = logging.getLogger("cutreel.worker")
USUAL_FOLDER = Path("data/by-hand")
SETTLED = 2.0
"""Seconds for which a file in the folder was not written to any more."""
TAKEN, LEFT = "taken", "not taken"


@dataclass(frozen=True)
class ForToday:
    """A list for today: the jobs that fit into today's number, how many wait for later days, how many came today."""

    jobs: list[ByHandJob]
    later: int
    made: int
    daily: int | None


@dataclass(frozen=True)
class Placed:
    """What became of a file: the number and label of its place, or why it has none."""

    name: str
    number: int | None
    says: str


def for_today(shop: Workshop, service: str) -> ForToday:
    """The list of a maker's hand. Raises NotFound."""
    reached = hand_of(shop, service).reached
    assert isinstance(reached, ByHand)
    day = begin_of(DAY, datetime.now(UTC))
    assert day is not None
    jobs, made = shop.hand.open(service), shop.hand.made(service, day)
    daily = reached.offer.daily
    room = len(jobs) if daily is None else max(0, daily - made)
    return ForToday(jobs[:room], len(jobs[room:]), made, daily)


def hand_of(shop: Workshop, service: str) -> Plugged:
    """A service that is somebody's hand. Raises NotFound."""
    for kept in shop.plugged.all():
        plugged = Plugged.model_validate(kept.settings)
        if plugged.id == service and isinstance(plugged.reached, ByHand):
            return plugged
    raise NotFound("There is no such list.", "Load the page again.")


def bring_files(shop: Workshop, service: str, files: Sequence[tuple[str, bytes]]) -> list[Placed]:
    """Put files to their numbers; zips among them are opened. One that cannot be used says why and stops no other."""
    hand_of(shop, service)
    return [_placed(shop, service, name, data) for name, data in unpacked(files)]


def _placed(shop: Workshop, service: str, name: str, data: bytes) -> Placed:
    number = number_of(name)
    if number is None:
        return Placed(name, None, "Its name does not begin with a number of the list.")
    wanted = next((j for j in shop.hand.open(service) if j.number == number), None)
    if wanted is None:
        return Placed(name, None, f"Nothing on the list has the number {number}.")
    try:
        media = _kept(shop, str(wanted.input["kind"]), data, name)
        job = shop.hand.bring(service, number, media)
    except CutReelError as error:
        return Placed(name, None, str(error))
    _go_on(shop, job)
    return Placed(name, number, job.label)


def take_off(shop: Workshop, service: str, number: int) -> None:
    """Take a job off a list: it fails in its run, in words, and the run goes on. Raises NotFound."""
    hand_of(shop, service)
    _go_on(shop, shop.hand.drop(service, number))


def _go_on(shop: Workshop, job: ByHandJob) -> None:
    """Let the item that waits for a job be taken up."""
    if job.item is not None:
        with shop.database.transaction() as session:
            shop.queue.hurry(session, [job.item])


def _kept(shop: Workshop, kind: str, data: bytes, name: str) -> str:
    """A file that was brought, looked at and kept; returns its media name. Raises CutReelError."""
    found = checked(kind, data, name)
    if kind in ("picture", "enlarge"):
        return shop.media.put(reader.read(as_png, data, what=PICTURE), "png")
    if kind == "clip":
        reader.read(clip_opens, data, what=CLIP)
        return shop.media.put(data, {"video/webm": "webm", "image/gif": "gif"}.get(found, "mp4"))
    return shop.media.put(reader.read(as_flac, data, what=OWN), "flac")


def folder_of(service: str) -> Path:
    """The folder in which files for a list may be put."""
    return Path(os.environ.get("CUTREEL_BY_HAND", USUAL_FOLDER)) / service


def look_in_folders(shop: Workshop) -> int:
    """Take what lies in the watched folders; returns how many files found their place. What has none is put aside with
    a sentence, so that it is not looked at for ever."""
    count = 0
    for kept in shop.plugged.all():
        if kept.settings.get("reached", {}).get("how") == "hand":
            count += _look_in(shop, str(kept.settings["id"]))
    return count


def _look_in(shop: Workshop, service: str) -> int:
    folder = folder_of(service)
    count = 0
    folder.mkdir(parents=True, exist_ok=True)
    for path in sorted(folder.iterdir()):
        if not path.is_file() or path.is_symlink() or path.name.startswith("."):
            continue
        if time.time() - path.stat().st_mtime < SETTLED:
            continue
        try:
            found = bring_files(shop, service, [(path.name, path.read_bytes())])
        except BadInput as error:
            found = [Placed(path.name, None, str(error))]
        good = [p for p in found if p.number is not None]
        aside = folder / (TAKEN if len(good) == len(found) else LEFT)
        aside.mkdir(exist_ok=True)
        path.replace(aside / path.name)
        if len(good) < len(found):
            why = "\n".join(f"{p.name}: {p.says}" for p in found if p.number is None)
            (aside / f"{path.name}.txt").write_text(why + "\n")
            log.warning("%s: not every file of %s found its place", service, path.name)
        count += len(good)
    return count
