"""Many pictures and clips brought at once, as files or in a zip: read in a process of their own, kept, and
not placed yet."""

import io
import zipfile
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from cutreel.core.errors import BadInput
from cutreel.core.pictures import is_openraster

from ..apart import CLIP, reader
from ..workshop import Workshop
from ..zips import NOT_TO_BE_READ
from .clips import is_clip, keep_clip, opened_clip
from .keeping import keep_brought
from .measuring import brought

MOST_FILES, MOST_BYTES, MOST_IN_ALL = 500, 60_000_000, 1_500_000_000
MOST_CLIP = 200_000_000


@dataclass(frozen=True)
class BroughtPicture:
    """A picture or a `clip` that was brought: its media files, or in `problem` why it cannot be used."""

    name: str
    media: str = ""
    thumb: str = ""
    width: int = 0
    height: int = 0
    problem: str = ""
    clip: str = ""


def unpacked(files: Sequence[tuple[str, bytes]]) -> Iterator[tuple[str, bytes]]:
    """The files with every zip among them opened, in order of their names. Raises BadInput beyond
    the bounds."""
    count = total = 0
    for name, data in files:
        for inner, content in (
            _zipped(name, data)
            if data[:4] == b"PK\x03\x04" and not is_openraster(data)
            else [(name, data)]
        ):
            count += 1
            total += len(content)
            if count > MOST_FILES or total > MOST_IN_ALL:
                raise BadInput(
                    "That is too much at once.",
                    f"Bring at most {MOST_FILES} pictures, 1.5 gigabytes in all.",
                )
            yield inner, content


def _zipped(name: str, data: bytes) -> Iterator[tuple[str, bytes]]:
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as packed:
            for entry in sorted(packed.infolist(), key=lambda e: e.filename):
                plain = entry.filename.rsplit("/", 1)[-1]
                if not plain or plain.startswith(".") or "__MACOSX" in entry.filename:
                    continue
                # The size that an archive states may be a lie: no more is read than a clip may
                # have.
                with packed.open(entry) as source:
                    yield plain, source.read(MOST_CLIP + 1)
    except NOT_TO_BE_READ as error:
        raise BadInput(f"{name} cannot be opened.", "Bring a zip without a password.") from error


def bring_many(
    shop: Workshop, files: Sequence[tuple[str, bytes]], clips: bool = False
) -> list[BroughtPicture]:
    """Read and keep the pictures, and the `clips` where they are wanted; one that cannot be used says why and stops no
    other."""
    out: list[BroughtPicture] = []
    for name, data in unpacked(files):
        moving = clips and is_clip(data)
        most = MOST_CLIP if moving else MOST_BYTES
        if len(data) > most:
            large = f"It is larger than {most // 1_000_000} megabytes."
            out.append(BroughtPicture(name, problem=large))
            continue
        try:
            out.append(_kept_clip(shop, name, data) if moving else _kept(shop, name, data))
        except BadInput as error:
            out.append(BroughtPicture(name, problem=f"{error.message} {error.advice}"))
    return out


def _kept(shop: Workshop, name: str, data: bytes) -> BroughtPicture:
    picture = reader.read(brought, data)
    kept = keep_brought(shop, picture)
    return BroughtPicture(name, kept.media, kept.thumb, picture.width, picture.height)


def _kept_clip(shop: Workshop, name: str, data: bytes) -> BroughtPicture:
    clip = reader.read(opened_clip, data, what=CLIP)
    kept = keep_clip(shop, clip)
    told = kept.about["clip"]["media"]
    return BroughtPicture(name, kept.media, kept.thumb, clip.width, clip.height, clip=told)
