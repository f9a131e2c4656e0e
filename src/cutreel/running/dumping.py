"""The database as one file, and back, by PostgreSQL's own programs."""

import os
import subprocess
from pathlib import Path
from urllib.parse import urlsplit

from cutreel.core.errors import CutReelError

from .cluster import binary


def dump(address: str, path: Path) -> None:
    """Write the database at an address to a file (pg_dump's custom format), as it is at one moment. The file is there
    whole or not at all. Raises CutReelError."""
    part = path.with_name(f".{path.name}.part")
    try:
        _call(["pg_dump", "--format=custom", "--no-owner", f"--file={part}"], address)
        part.chmod(0o600)
        with part.open("rb") as file:
            os.fsync(file.fileno())
        part.replace(path)
    finally:
        part.unlink(missing_ok=True)


def bring_back(address: str, path: Path) -> None:
    """Fill the empty database at an address from a file. Raises CutReelError."""
    command = ["pg_restore", "--no-owner", "--single-transaction", "--exit-on-error"]
    # With the name of a database in its address, pg_restore wants it as an option of its own.
    _call([*command, f"--dbname={urlsplit(address).path[1:]}", str(path)], address)


def _call(command: list[str], address: str) -> None:
    parts = urlsplit(address)
    told = {
        "PGHOST": parts.hostname or "",
        "PGPORT": str(parts.port or 5432),
        "PGUSER": parts.username or "",
        "PGPASSWORD": parts.password
        or "",  # in the environment, which is ours alone, not in the list of processes
        "PGDATABASE": parts.path[1:],
    }
    done = subprocess.run(
        [str(binary(command[0])), *command[1:]],
        env={**os.environ, **told},
        capture_output=True,
        text=True,
        check=False,
    )
    if done.returncode:
        last = done.stderr.strip().splitlines()[-1:] or ["it wrote nothing"]
        raise CutReelError(
            f"{command[0]} failed: “{last[0][:300]}”.",
            "See that the disk has room, then try again.",
        )
