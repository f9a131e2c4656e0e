"""A small disk of its own for a folder, which can be filled up and emptied again. It takes root to have one."""

import os
import subprocess
import time
from contextlib import suppress
from pathlib import Path

CHUNK = b"\0" * 4_000_000


class SmallDisk:
    """The disk that a folder lies on."""

    def __init__(self, folder: Path) -> None:
        self.folder, self._filler = folder, folder / "filler"

    @classmethod
    def at(cls, folder: Path, megabytes: int) -> "SmallDisk | None":
        """A disk of so many megabytes for a folder, which is made; None where nobody may make one."""
        folder.mkdir(parents=True, exist_ok=True, mode=0o700)
        size = f"size={megabytes}m,mode=0700"
        made = (
            os.geteuid() == 0
            and not subprocess.run(
                ["mount", "-t", "tmpfs", "-o", size, "tmpfs", str(folder)],
                capture_output=True,
                check=False,
            ).returncode
        )
        return cls(folder) if made else None

    def fill(self, seconds: float) -> None:
        """Leave no room for so long."""
        try:
            with suppress(OSError), self._filler.open("wb", buffering=0) as filler:
                while True:
                    filler.write(CHUNK)
            time.sleep(seconds)
        finally:
            self._filler.unlink(missing_ok=True)

    def close(self) -> None:
        """Take the disk away, with all that is on it."""
        subprocess.run(["umount", "-l", str(self.folder)], capture_output=True, check=False)
