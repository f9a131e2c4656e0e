"""Everything of a data folder in another place, while it is used; and back into a new folder.

The database is written as it is at one moment; media never change and are named by their hash, so that each is copied
once, and looked at as it is. They are copied after the database: what that tells of was there before.
"""

import hashlib
import shutil
from collections.abc import Callable, Iterator
from datetime import UTC, datetime
from pathlib import Path

from pydantic import BaseModel, ValidationError

from cutreel import __version__
from cutreel.core.errors import BadInput, CutReelError

from .cluster import Cluster
from .dumping import bring_back, dump
from .ports import free_port
from .private import FOLDER, make_private, write_private
from .start import MARKER

LIST = "backup-{}.json"
SECRETS = "services"
"""What seals the keys of services, among the folder's keys; the others are made anew."""
PIECE = 1 << 20
LEAST_ROOM = 50_000_000
"""Bytes that a disk keeps free."""


class Backup(BaseModel):
    """A backup as its list tells it: when, by which version, the file of the database, and all media by name. `faults`
    are media that were not as their name says, and so are not in it."""

    at: datetime
    made_by: str
    database: str
    media: list[str]
    faults: list[str] = []


def back_up(data: Path, to: Path, tell: Callable[[str], None] = lambda line: None) -> Backup:
    """Back a data folder up that is in use into the folder `to`, beside what earlier backups left there. Raises
    CutReelError."""
    cluster = Cluster.running(data)
    media = data / "media"
    if to.resolve().is_relative_to(data.resolve()):
        raise BadInput("A backup does not lie in what it is of.", "Name a folder on another disk.")
    to.mkdir(parents=True, exist_ok=True, mode=FOLDER)
    at = datetime.now(UTC)
    stamp = f"{at:%Y-%m-%dT%H-%M-%S}"
    database = to / f"database-{stamp}.dump"
    tell("the database")
    dump(cluster.address, database)
    names, faults = [], []
    found = sorted(_media_of(media))
    for i, path in enumerate(found):
        tell(f"media, {i + 1} of {len(found)}")
        if _copied(path, to / "media" / path.parent.name / path.name):
            names.append(path.name)
        else:
            faults.append(path.name)
    secrets = data / "keys" / SECRETS
    if secrets.exists():
        (to / "keys").mkdir(exist_ok=True, mode=FOLDER)
        write_private(to / "keys" / SECRETS, secrets.read_text())
    backup = Backup(at=at, made_by=__version__, database=database.name, media=names, faults=faults)
    write_private(to / LIST.format(stamp), backup.model_dump_json(indent=1))
    return backup


def backups_in(folder: Path) -> list[Backup]:
    """The backups of a folder, the oldest first. Raises BadInput where there is none."""
    found = []
    for path in sorted(folder.glob(LIST.format("*"))):
        try:
            found.append(Backup.model_validate_json(path.read_bytes()))
        except (ValidationError, OSError):
            continue
    if not found:
        raise BadInput(
            f"There is no backup in {folder}.", "Name the folder that one was made into."
        )
    return found


def restore(source: Path, data: Path, tell: Callable[[str], None] = lambda line: None) -> list[str]:
    """Bring the last backup of a folder into a new data folder; returns a sentence for each file that is not as it was.
    Nothing is left where that cannot be. Raises CutReelError."""
    backup = backups_in(source)[-1]
    if data.exists() and any(data.iterdir()):
        raise BadInput(f"{data} is not empty.", "Name a new folder; nothing is written over.")
    if not (source / backup.database).is_file():
        raise BadInput(f"{backup.database} is missing in {source}.", "Without it there is no film.")
    data.mkdir(parents=True, exist_ok=True)
    try:
        faults = _restored(source, backup, data, tell)
    except BaseException:
        shutil.rmtree(data, ignore_errors=True)
        raise
    return faults


def _restored(source: Path, backup: Backup, data: Path, tell: Callable[[str], None]) -> list[str]:
    make_private(data)
    (data / MARKER).touch()
    tell("the database")
    cluster = Cluster(data, free_port())
    cluster.prepare()
    with cluster.served():
        bring_back(cluster.address, source / backup.database)
    faults = [f"{name} was damaged when it was backed up" for name in backup.faults]
    for i, name in enumerate(backup.media):
        tell(f"media, {i + 1} of {len(backup.media)}")
        path = source / "media" / name[:2] / name
        if not path.is_file():
            faults.append(f"{name} is missing")
        elif not _copied(path, data / "media" / name[:2] / name):
            faults.append(f"{name} is damaged")
    if (source / "keys" / SECRETS).is_file():
        (data / "keys").mkdir(mode=FOLDER)
        write_private(data / "keys" / SECRETS, (source / "keys" / SECRETS).read_text())
    return faults


def folder_faults(
    folder: Path, tell: Callable[[str], None] = lambda line: None
) -> tuple[int, list[str]]:
    """How many media files a data folder, or one of backups, has, and a sentence for each that is not as it was. Raises
    BadInput for any other folder."""
    if not (folder / MARKER).exists():
        backups_in(folder)
    faults: list[str] = []
    names = {path.name: path for path in _media_of(folder / "media")}
    for i, (name, path) in enumerate(sorted(names.items())):
        tell(f"media, {i + 1} of {len(names)}")
        if not _is_right(path):
            faults.append(f"{name} is damaged")
    if not (folder / MARKER).exists():
        for backup in backups_in(folder):
            faults += [f"{n} is missing" for n in backup.media if n not in names]
            if not (folder / backup.database).is_file():
                faults.append(f"{backup.database} is missing")
    return len(names), sorted(set(faults))


def _is_right(path: Path) -> bool:
    digest = hashlib.sha256()
    with path.open("rb") as file:
        while block := file.read(PIECE):
            digest.update(block)
    return digest.hexdigest() == path.name.split(".", maxsplit=1)[0]


def _media_of(folder: Path) -> Iterator[Path]:
    """The media files of a folder; what is being written is none yet."""
    if not folder.is_dir():
        return
    for path in folder.glob("??/*"):
        if path.suffix != ".part" and path.is_file():
            yield path


def _copied(path: Path, target: Path) -> bool:
    """Copy a media file, unless it is there; False where it is not what its name says."""
    if target.exists() and target.stat().st_size == path.stat().st_size:
        return True
    target.parent.mkdir(parents=True, exist_ok=True, mode=FOLDER)
    if shutil.disk_usage(target.parent).free < path.stat().st_size + LEAST_ROOM:
        raise CutReelError(
            f"The disk of {target.parent} is full.", "Make room; what was copied stays."
        )
    part, digest = target.with_name(f"{target.name}.part"), hashlib.sha256()
    try:
        with path.open("rb") as source, part.open("wb") as out:
            while block := source.read(PIECE):
                digest.update(block)
                out.write(block)
        if digest.hexdigest() != path.name.split(".")[0]:
            return False
        part.replace(target)
    finally:
        part.unlink(missing_ok=True)
    return True
