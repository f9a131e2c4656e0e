"""Files by the SHA-256 of their bytes, in a folder."""

import hashlib
import os
import re
from pathlib import Path

_NAME = re.compile(r"[0-9a-f]{64}")


class Files:
    """Keeps files."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        folder.mkdir(parents=True, exist_ok=True)

    def put(self, data: bytes) -> str:
        name = hashlib.sha256(data).hexdigest()
        if not (self.folder / name).exists():
            part = self.folder / f".{name}.{os.getpid()}"
            part.write_bytes(data)
            part.replace(self.folder / name)
        return name

    def has(self, name: str) -> bool:
        return bool(_NAME.fullmatch(name)) and (self.folder / name).is_file()

    def get(self, name: str) -> bytes:
        """Raises KeyError for a file that is not here."""
        if not self.has(name):
            raise KeyError(name)
        return (self.folder / name).read_bytes()
