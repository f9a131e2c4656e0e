"""What a function that makes things is given beside the job, and what it may answer."""

from collections.abc import Callable
from dataclasses import dataclass, field
from datetime import datetime
from typing import Any

from cutreel.protocol import RefusalCode

from .files import Files


@dataclass(frozen=True)
class Made:
    """One file that was made; `data` says what is known of it (a voice: the words with their times)."""

    data: bytes
    media_type: str
    name: str = ""
    about: dict[str, Any] = field(default_factory=dict)


class Refuses(Exception):
    """Raise it to refuse a job."""

    def __init__(self, code: RefusalCode, message: str, renews_at: datetime | None = None) -> None:
        super().__init__(message)
        self.code: RefusalCode = code
        self.message, self.renews_at = message, renews_at


@dataclass
class Given:
    """Files, and how to tell how far it is."""

    files: Files
    progress: Callable[[float], None]
    cancelled: Callable[[], bool]
    unused: list[str] = field(default_factory=list)
    """Words of the job that were of no use: add to it."""

    def file(self, sha256: str) -> bytes:
        """A picture that the job refers to."""
        return self.files.get(sha256)
