"""Media files, named by the SHA-256 of their bytes. Written beside and renamed; never changed
afterwards."""

import hashlib
import os
import uuid
from pathlib import Path
from typing import Any

import fsspec

from cutreel.core.errors import NotFound

# fmt: off
TYPES = {
    "png": "image/png", "jpg": "image/jpeg", "flac": "audio/flac", "mp4": "video/mp4",
    "m4a": "audio/mp4", "mid": "audio/midi", "srt": "application/x-subrip", "vtt": "text/vtt", "ttml":
    "application/ttml+xml", "ass": "text/x-ssa", "json": "application/json", "wav": "audio/wav", "mp3": "audio/mpeg",
    "csv": "text/csv", "cube": "text/plain", "svgz": "image/svg+xml", "pdf": "application/pdf",
    "zip": "application/zip", "otio": "application/json", "edl": "text/plain", "webm": "video/webm", "mkv":
    "video/x-matroska", "gif": "image/gif", "webp": "image/webp", }
# fmt: on


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
        if not self.fs.exists(path):
            self.fs.makedirs(path.rsplit("/", 1)[0], exist_ok=True)
            part = f"{path}.{uuid.uuid4().hex[:8]}.part"
            with self.fs.open(part, "wb") as file:
                file.write(data)
            self.fs.mv(part, path)
        return name

    def put_file(self, path: Path, ending: str) -> str:
        """Keep a file of any size; returns its name. It is read twice and never held whole."""
        digest = hashlib.sha256()
        with path.open("rb") as file:
            while block := file.read(1 << 20):
                digest.update(block)
        name = f"{digest.hexdigest()}.{ending}"
        target = self.path(name)
        if not self.fs.exists(target):
            self.fs.makedirs(target.rsplit("/", 1)[0], exist_ok=True)
            part = f"{target}.{uuid.uuid4().hex[:8]}.part"
            self.fs.put_file(str(path), part)
            self.fs.mv(part, target)
        return name

    def get(self, name: str) -> bytes:
        """The bytes of `name`. Raises NotFound."""
        try:
            with self.fs.open(self.path(name), "rb") as file:
                data: bytes = file.read()
                return data
        except FileNotFoundError:
            raise NotFound("That media file is gone.", "Make it again.") from None

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
