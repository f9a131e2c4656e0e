"""A pass for who gave a link's password: signed, for one link, for a day."""

import hashlib
import hmac
import time


def signed(secret: bytes, link: str, until: int) -> str:
    """A pass that opens a link until a moment (seconds since 1970)."""
    return f"{until}.{_mark(secret, link, until)}"


def opens(secret: bytes, link: str, given: str, now: float | None = None) -> bool:
    """Whether a pass opens a link now."""
    until, _, mark = given.partition(".")
    if not until.isascii() or not until.isdigit() or len(until) > 12:
        return False
    if int(until) < (time.time() if now is None else now):
        return False
    return hmac.compare_digest(mark.encode(), _mark(secret, link, int(until)).encode())


def _mark(secret: bytes, link: str, until: int) -> str:
    return hmac.new(secret, f"{link} {until}".encode(), hashlib.sha256).hexdigest()
