"""Files that a run takes out of a film."""

from pathlib import Path
from typing import Any

from cutreel.store import MediaStore


def taken_file(name: str, media: str, size: int, what: str) -> dict[str, Any]:
    """A file as an outcome tells of it: what it is called, its media file, its bytes, and what is in it."""
    return {"name": name, "media": media, "bytes": size, "what": what}


def keep_file(store: MediaStore, path: Path, what: str) -> dict[str, Any]:
    """Keep a file of any size under its own name, as an outcome tells of it."""
    media = store.put_file(path, path.suffix[1:])
    return taken_file(path.name, media, path.stat().st_size, what)
