"""Files that nobody else on the machine may read: made with their final mode, never opened wider before."""

import os
import secrets
from pathlib import Path

FOLDER, FILE = 0o700, 0o600


def write_private(path: Path, text: str) -> None:
    """Write a file that is ours alone. It appears whole or not at all."""
    part = path.with_name(f".{path.name}.{secrets.token_hex(4)}")
    with os.fdopen(os.open(part, os.O_WRONLY | os.O_CREAT | os.O_EXCL, FILE), "w") as file:
        file.write(text)
        file.flush()
        os.fsync(file.fileno())
    part.replace(path)


def secret_in(path: Path) -> str:
    """The secret that a file holds; made where there is none yet."""
    try:
        return path.read_text().strip()
    except FileNotFoundError:
        path.parent.mkdir(parents=True, exist_ok=True, mode=FOLDER)
        write_private(path, secrets.token_urlsafe(24))
        return path.read_text().strip()


def make_private(folder: Path) -> None:
    """Close a data folder to the other accounts of the machine. Root's is walked through by the database's account,
    which may not look at what lies in it."""
    folder.chmod(0o711 if os.geteuid() == 0 else FOLDER)
    for each in folder.iterdir():
        if each.is_dir() and not each.is_symlink() and each.owner() == folder.owner():
            each.chmod(FOLDER)


def keep_to_ourselves() -> None:
    """Have all that this process makes from here on, and whoever it starts, be closed to other accounts."""
    os.umask(0o077)
