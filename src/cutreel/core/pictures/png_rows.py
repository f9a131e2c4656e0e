"""Whether a PNG has all of its rows. Common readers take one whose data ends early, with a valid end, for whole, and
leave the rest black.

Source: Portable Network Graphics Specification (W3C, Third Edition), 7.2 scanlines, 8 interlacing, 10 compression.
"""

import struct
import zlib
from collections.abc import Iterator

SIGNATURE = b"\x89PNG\r\n\x1a\n"
_SAMPLES = {0: 1, 2: 3, 3: 1, 4: 2, 6: 4}
"""Samples of a pixel, by colour type."""
_ADAM7 = (
    (0, 0, 8, 8),
    (4, 0, 8, 8),
    (0, 4, 4, 8),
    (2, 0, 4, 4),
    (0, 2, 2, 4),
    (1, 0, 2, 2),
    (0, 1, 1, 2),
)
"""Each pass: its first column and row, and its steps."""
_PIECE = 1 << 18


def lacks_rows(data: bytes) -> bool:
    """Whether a PNG's data ends before its last row; False for what is no PNG that can be told. Nothing of it is held:
    only its length is counted."""
    chunks = _chunks(data)
    kind, header = next(chunks, (b"", b""))
    if kind != b"IHDR" or len(header) != 13:
        return False
    width, height, depth, colour, _, _, interlaced = struct.unpack(">IIBBBBB", header)
    bits = depth * _SAMPLES.get(colour, 0)
    if not bits:
        return False
    wanted = _bytes_of(width, height, bits, bool(interlaced))
    inflating, length = zlib.decompressobj(), 0
    for kind, part in chunks:
        left = part if kind == b"IDAT" else b""
        while left:
            try:
                length += len(inflating.decompress(left, _PIECE))
            except zlib.error:
                return True
            if length >= wanted:
                return False
            left = inflating.unconsumed_tail
    return length < wanted


def _bytes_of(width: int, height: int, bits: int, interlaced: bool) -> int:
    """The length of all rows, unpacked, each with the byte that names its filter."""
    passes = _ADAM7 if interlaced else ((0, 0, 1, 1),)
    total = 0
    for left, top, across, down in passes:
        wide, high = -(-(width - left) // across), -(-(height - top) // down)
        if wide > 0 and high > 0:
            total += high * (1 + -(-wide * bits // 8))
    return total


def _chunks(data: bytes) -> Iterator[tuple[bytes, bytes]]:
    """The chunks of a PNG, as far as they are whole."""
    if not data.startswith(SIGNATURE):
        return
    at = len(SIGNATURE)
    while at + 8 <= len(data):
        (length,) = struct.unpack_from(">I", data, at)
        yield data[at + 4 : at + 8], data[at + 8 : at + 8 + length]
        at += 12 + length
