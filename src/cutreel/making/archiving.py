"""A film as one archive: everything that it is made of, with its media by hash; read by another Cut Reel to the same
film."""

import hashlib
import json
import tempfile
import zipfile
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any, BinaryIO

from pydantic import BaseModel, ValidationError

from cutreel import __version__
from cutreel.core.errors import BadInput, NotFound
from cutreel.store import Assembled, WholeFilm, media_in

from .mixing import mix_spec
from .taken import keep_file
from .workshop import Workshop
from .zips import NOT_TO_BE_READ

FILM, LIST = "film.json", "files.json"
MOST_TOLD = 200_000_000
"""Bytes of what an archive tells of its film."""
MOST_FILES, MOST_MEDIA = 200_000, 8_000_000_000
PIECE = 1 << 20


class ArchivedFile(BaseModel):
    """A media file of an archive: its name, which is its SHA-256, and its bytes."""

    name: str
    bytes: int


class ArchiveFault(BaseModel):
    """A file of an archive that is not as it was when it was written, and what is wrong with it."""

    name: str
    says: str


class BroughtFilm(BaseModel):
    """A film that was brought from an archive, and the files that could not be."""

    film: str
    title: str
    faults: list[ArchiveFault]


def write_archive(
    shop: Workshop, film: Assembled, progress: Callable[[float], None], dropped: Callable[[], bool]
) -> dict[str, Any] | None:
    """Keep a film as an archive. Returns what the outcome tells, or None when nobody wants it any more."""
    mixed = shop.results.get(mix_spec(film).key)
    made = [*film.spoken.values(), *film.sounds.values(), *([mixed] if mixed else [])]
    whole = shop.whole.taken(film.film, made)
    whole.made_by = __version__
    told = whole.model_dump_json()
    with tempfile.TemporaryDirectory(prefix="cutreel-archive-") as place:
        path = Path(place) / "film.zip"
        with zipfile.ZipFile(path, "w", zipfile.ZIP_DEFLATED) as out:
            files: list[dict[str, Any]] = []
            names = _all_media(shop, media_in(told))
            for done, name in enumerate(names):
                if dropped():
                    return None
                source = Path(place) / name
                try:
                    shop.media.copy(name, source)
                except NotFound:
                    continue  # it is told as missing when the archive is verified
                out.write(source, f"media/{name}", zipfile.ZIP_STORED)
                files.append({"name": name, "bytes": source.stat().st_size})
                source.unlink()
                progress((done + 1) / (len(names) + 1))
            out.writestr(FILM, told)
            out.writestr(LIST, json.dumps({"made_by": __version__, "files": files}, indent=1))
        what = f"{len(files)} media files, {len(whole.takes)} takes, {len(whole.changes)} changes"
        return {"files": [keep_file(shop.media, path, what)]}


def _all_media(shop: Workshop, names: set[str]) -> list[str]:
    """Media files with those that they tell of in turn: a figure in pieces names its drawings."""
    found, fresh = set(names), [n for n in names if n.endswith(".json")]
    while fresh:
        name = fresh.pop()
        try:
            told = shop.media.get(name).decode()
        except NotFound:
            continue
        more = media_in(told) - found
        found |= more
        fresh += [n for n in more if n.endswith(".json")]
    return sorted(found)


def read_archive(file: BinaryIO) -> tuple[WholeFilm, zipfile.ZipFile]:
    """What an archive tells of its film, and the archive. Raises BadInput where it is none."""
    try:
        packed = zipfile.ZipFile(file)
        if packed.getinfo(FILM).file_size > MOST_TOLD or len(packed.infolist()) > MOST_FILES:
            raise BadInput("That archive is too large.", "A film has not so much in it.")
        whole = WholeFilm.model_validate_json(packed.read(FILM))
    except ValidationError as error:
        where = " ".join(str(p) for p in error.errors()[0]["loc"])
        raise BadInput(f"The film in that archive is damaged at {where}.") from error
    except (*NOT_TO_BE_READ, KeyError) as error:
        raise BadInput(
            "That is no archive of a film.", "Choose one that was taken out as “the film whole”."
        ) from error
    if whole.version > WholeFilm.model_fields["version"].default:
        raise BadInput(
            f"That archive was made by a newer Cut Reel ({whole.made_by}).",
            "Use that one or a newer.",
        )
    return whole, packed


def verified(whole: WholeFilm, packed: zipfile.ZipFile) -> Iterator[tuple[str, Path | None, str]]:
    """Each media file of a film: its name, where its bytes lie for now, and what is wrong with it (then there are
    none)."""
    there = {i.filename: i for i in packed.infolist()}
    wanted = media_in(whole.model_dump_json()) | {
        n.removeprefix("media/") for n in there if n.startswith("media/")
    }
    total = 0
    with tempfile.TemporaryDirectory(prefix="cutreel-archive-") as place:
        for name in sorted(wanted):
            info = there.get(f"media/{name}")
            total += info.file_size if info else 0
            if info is None:
                yield name, None, "is missing"
            elif name not in media_in(name):
                yield name, None, "is no media file"
            elif total > MOST_MEDIA:
                yield name, None, "is beyond what an archive may hold"
            else:
                path = Path(place) / name
                try:
                    right = _hash_of(packed, info, path) == name.split(".")[0]
                except NOT_TO_BE_READ:
                    right = False
                yield name, path if right else None, "" if right else "is damaged"
                path.unlink(missing_ok=True)


def _hash_of(packed: zipfile.ZipFile, info: zipfile.ZipInfo, path: Path) -> str:
    """Lay a file out; returns its SHA-256. It is never held whole, and never longer than it says."""
    digest, left = hashlib.sha256(), info.file_size
    with packed.open(info) as source, path.open("wb") as target:
        while block := source.read(PIECE):
            left -= len(block)
            if left < 0:
                raise ValueError("longer than it says")
            digest.update(block)
            target.write(block)
    return digest.hexdigest()


def faults_in(file: BinaryIO) -> tuple[WholeFilm, int, list[ArchiveFault]]:
    """What an archive tells of its film, how many media files it has, and which of them are not as they were."""
    whole, packed = read_archive(file)
    count, faults = 0, []
    with packed:
        for name, _, wrong in verified(whole, packed):
            count += 1
            if wrong:
                faults.append(ArchiveFault(name=name, says=wrong))
    return whole, count, faults


def bring_archive(shop: Workshop, file: BinaryIO) -> BroughtFilm:
    """Bring a film in from its archive; media that are damaged are left out and told."""
    whole, packed = read_archive(file)
    faults: list[ArchiveFault] = []
    with packed:
        for name, path, wrong in verified(whole, packed):
            if path is None:
                faults.append(ArchiveFault(name=name, says=wrong))
            else:
                shop.media.put_file(path, name.rsplit(".", 1)[1])
    lost = {f.name for f in faults}
    whole.results = [r for r in whole.results if not (media_in(json.dumps(r)) & lost)]
    for result in whole.results:
        shop.results.put(result["key"], result["kind"], result["media"], result["data"])
    film = shop.whole.brought(whole)
    return BroughtFilm(film=film, title=whole.title, faults=faults)
