"""Media files, named by the SHA-256 of their bytes. Written beside and renamed; never changed
afterwards."""

import hashlib
import os
import shutil
import time
import uuid
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from datetime import timedelta
from pathlib import Path
from typing import Any

import fsspec
from fsspec.implementations.local import LocalFileSystem

from cutreel.core.errors import NotFound

# fmt: off
TYPES = {
    "png": "image/png", "jpg": "image/jpeg", "flac": "audio/flac", "mp4": "video/mp4",
    "m4a": "audio/mp4", "mid": "audio/midi", "srt": "application/x-subrip", "vtt": "text/vtt", "ttml":
    "application/ttml+xml", "ass": "text/x-ssa", "json": "application/json", "wav": "audio/wav", "mp3": "audio/mpeg",
    "csv": "text/csv", "cube": "text/plain", "svgz": "image/svg+xml", "pdf": "application/pdf",
    "zip": "application/zip", "otioz": "application/zip", "otio": "application/json", "edl": "text/plain",
    "ttf": "font/ttf", "otf": "font/otf",
    "webm": "video/webm", "mkv": "video/x-matroska", "gif": "image/gif", "webp": "image/webp", }
# fmt: on


DAMAGED = "damaged"
"""The folder of files that are not what their names say."""


class MediaStore:
    """A folder (or any place that fsspec knows) of media. Names look like `ab12….png`."""

    def __init__(self, address: str) -> None:
        self.fs: Any
        self.fs, root = fsspec.core.url_to_fs(address)
        self.root = str(root)

    def put(self, data: bytes, ending: str) -> str:
        """Keep `data`; returns its name. Keeping the same bytes twice is keeping them once."""
        name = f"{hashlib.sha256(data).hexdigest()}.{ending}"
        path = self.path(name)
        if not self._is_there(path, len(data)):
            self.fs.makedirs(path.rsplit("/", 1)[0], exist_ok=True)
            part = f"{path}.{uuid.uuid4().hex[:8]}.part"
            with self._given_up_on_error(part), self.fs.open(part, "wb") as file:
                file.write(data)
            self._settle(part, path)
        return name

    def put_file(self, path: Path, ending: str) -> str:
        """Keep a file of any size; returns its name. It is read twice and never held whole."""
        digest = hashlib.sha256()
        with path.open("rb") as file:
            while block := file.read(1 << 20):
                digest.update(block)
        name = f"{digest.hexdigest()}.{ending}"
        target = self.path(name)
        if not self._is_there(target, path.stat().st_size):
            self.fs.makedirs(target.rsplit("/", 1)[0], exist_ok=True)
            part = f"{target}.{uuid.uuid4().hex[:8]}.part"
            with self._given_up_on_error(part):
                self.fs.put_file(str(path), part)
            self._settle(part, target)
        return name

    def _is_there(self, path: str, size: int) -> bool:
        """Whether a file is there, and as long as it should be: one that is cut short is written again."""
        try:
            return int(self.fs.size(path)) == size
        except FileNotFoundError:
            return False

    @contextmanager
    def _given_up_on_error(self, part: str) -> Iterator[None]:
        """Leaves nothing half-written, as when the disk is full."""
        try:
            yield
        except BaseException:
            with suppress(OSError):
                self.fs.rm_file(part)
            raise

    def _settle(self, part: str, path: str) -> None:
        """Give a written file its name, once its bytes are on the disk."""
        if isinstance(self.fs, LocalFileSystem):
            with Path(part).open("rb") as file:
                os.fsync(file.fileno())
            Path(part).replace(path)
        else:
            self.fs.mv(part, path)

    def get(self, name: str) -> bytes:
        """The bytes of `name`, which are what it says. Raises NotFound."""
        try:
            with self.fs.open(self.path(name), "rb") as file:
                data: bytes = file.read()
        except FileNotFoundError:
            raise NotFound("That media file is gone.", "Make it again.") from None
        if hashlib.sha256(data).hexdigest() != name.split(".", maxsplit=1)[0]:
            self.set_aside(name)
            raise NotFound("That media file is damaged.", "Make it again.")
        return data

    def fault(self, name: str) -> str:
        """What is wrong with a file: "gone", "damaged", or nothing. It is read whole, and never held whole."""
        digest = hashlib.sha256()
        try:
            with self.fs.open(self.path(name), "rb") as file:
                while block := file.read(1 << 20):
                    digest.update(block)
        except FileNotFoundError:
            return "gone"
        return "" if digest.hexdigest() == name.split(".", maxsplit=1)[0] else "damaged"

    def set_aside(self, name: str) -> None:
        """Put a damaged file where nothing takes it for what it is not, and somebody may still look at it."""
        aside = f"{self.root}/{DAMAGED}"
        self.fs.makedirs(aside, exist_ok=True)
        with suppress(FileNotFoundError):
            self.fs.mv(self.path(name), f"{aside}/{name}")

    def free(self) -> int | None:
        """Bytes that are free where the media are; None where nobody knows."""
        if not isinstance(self.fs, LocalFileSystem):
            return None
        try:
            return shutil.disk_usage(self.root).free
        except FileNotFoundError:
            return None

    def sweep(self, older_than: timedelta = timedelta(days=1)) -> int:
        """Remove what was begun and never finished; returns how many files that were. Only where files have an age."""
        if not isinstance(self.fs, LocalFileSystem):
            return 0
        before = time.time() - older_than.total_seconds()
        old = [p for p in Path(self.root).glob("??/*.part") if p.stat().st_mtime < before]
        for path in old:
            path.unlink(missing_ok=True)
        return len(old)

    def copy(self, name: str, path: Path) -> None:
        """Put the bytes of `name` into a file; they are never held whole. Raises NotFound."""
        try:
            self.fs.get_file(self.path(name), str(path))
        except FileNotFoundError:
            raise NotFound("That media file is gone.", "Make it again.") from None

    def part(self, name: str, start: int, end: int) -> bytes:
        """Bytes `start` up to `end` of `name`; no others are fetched. Raises NotFound."""
        try:
            data: bytes = self.fs.cat_file(self.path(name), start=start, end=end)
        except FileNotFoundError:
            raise NotFound("That media file is gone.", "Make it again.") from None
        return data

    def size(self, name: str) -> int:
        """Its length in bytes. Raises NotFound."""
        try:
            return int(self.fs.size(self.path(name)))
        except FileNotFoundError:
            raise NotFound("That media file is gone.", "Make it again.") from None

    def has(self, name: str) -> bool:
        return bool(self.fs.exists(self.path(name)))

    def path(self, name: str) -> str:
        """Where `name` lies; for local media a path of the file system."""
        return f"{self.root}/{name[:2]}/{name}"


def media_from_environment() -> MediaStore:
    """The media store that `CUTREEL_MEDIA` names: a folder, or an address such as `s3://…`."""
    return MediaStore(os.environ.get("CUTREEL_MEDIA", "data/media"))
