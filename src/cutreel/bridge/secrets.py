"""Keys of services at rest: encrypted with a key file that only this account can read."""

import os
from pathlib import Path

from cryptography.fernet import Fernet, InvalidToken

from cutreel.core.errors import CutReelError


class Secrets:
    """Seals keys, and opens them for the moment of their use."""

    def __init__(self, file: Path) -> None:
        """`file` holds the key that seals; it is made where there is none, readable by this account alone from the
        first byte."""
        self.file = file

    def seal(self, secret: str) -> bytes:
        return self._fernet(make=True).encrypt(secret.encode())

    def open(self, sealed: bytes | None) -> str:
        """A key as it was written in; empty where there is none. Raises CutReelError when the key file is another."""
        if not sealed:
            return ""
        try:
            return self._fernet(make=False).decrypt(sealed).decode()
        except InvalidToken as error:
            raise CutReelError(
                "The key of that service was sealed with another key file.",
                "Write the key in again.",
            ) from error

    def _fernet(self, make: bool) -> Fernet:
        try:
            found = self.file.read_bytes()
        except FileNotFoundError:
            if not make:
                raise CutReelError(
                    f"The key file {self.file} is missing.",
                    "Write the keys of your services in again.",
                ) from None
            found = self._made()
        return Fernet(found)

    def _made(self) -> bytes:
        self.file.parent.mkdir(parents=True, exist_ok=True)
        key = Fernet.generate_key()
        part = self.file.with_name(f".{self.file.name}.{os.getpid()}")
        handle = os.open(part, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600)
        with os.fdopen(handle, "wb") as file:
            file.write(key)
            file.flush()
            os.fsync(file.fileno())
        try:
            os.link(part, self.file)  # whoever comes second takes the first one's key
        except FileExistsError:
            key = self.file.read_bytes()
        finally:
            part.unlink()
        return key
