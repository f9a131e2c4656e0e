"""Answers that are held to a length and a time: a service may be broken, or lie."""

import time
import zlib
from collections.abc import Callable
from datetime import datetime

import httpx

from cutreel.core.errors import CutReelError

MOST_BYTES = 200_000_000
MOST_SECONDS = 120.0


class ServiceRefused(CutReelError):
    """A service says no, or something that makes no sense, for a `reason` (a RefusalCode, where it gave one) that
    asking again does not change; where a quota is used up, not before `renews_at`."""

    code = "service-refused"
    status = 502
    reason: str = ""
    renews_at: datetime | None = None


def read_bounded(
    answer: httpx.Response, most: int = MOST_BYTES, seconds: float = MOST_SECONDS
) -> bytes:
    """The body of a streamed answer, unpacked, up to so many bytes and for so long. Raises ServiceRefused beyond."""
    unpacked = _unpacking(answer.headers.get("content-encoding", ""))
    parts: list[bytes] = []
    length, end = 0, time.monotonic() + seconds
    for packed in answer.iter_raw():
        # One byte more than there may be is enough to know; a small part may unpack to a thousand times its length.
        part = unpacked(packed, most - length + 1)
        length += len(part)
        if length > most:
            raise ServiceRefused(
                f"The answer is longer than {most // 1_000_000} megabytes.",
                "Ask for something smaller.",
            )
        if time.monotonic() > end:
            raise ServiceRefused(
                f"The answer was not all there within {seconds:.0f} seconds.", "Try again later."
            )
        parts.append(part)
    return b"".join(parts)


def _unpacking(encoding: str) -> Callable[[bytes, int], bytes]:
    """What unpacks parts of a body to at most so many bytes (RFC 9110: 8.4.1). What is left over when there would be
    more is of no interest: the answer is refused then. Raises ServiceRefused."""
    name = encoding.strip().lower()
    if name in ("", "identity"):
        return lambda part, most: part
    if name not in ("gzip", "x-gzip", "deflate"):
        raise ServiceRefused(f"The answer is packed as “{name[:20]}”.", "Have it sent as it is.")
    inflating = zlib.decompressobj(wbits=32 + zlib.MAX_WBITS)

    def unpack(part: bytes, most: int) -> bytes:
        try:
            return inflating.decompress(part, most)
        except zlib.error as error:
            raise ServiceRefused("The answer cannot be unpacked.", "Try again later.") from error

    return unpack
