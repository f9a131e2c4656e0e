"""Boxes of fragmented MP4 (ISO/IEC 14496-12): what a player needs first, and fragments moved to
their time."""

import struct
from collections.abc import Iterator
from mmap import mmap

Buffer = bytes | bytearray | mmap
"""A file's bytes, in memory or mapped."""


def boxes(data: Buffer, start: int = 0, end: int | None = None) -> Iterator[tuple[bytes, int, int]]:
    """(type, start, end) of the boxes between `start` and `end`."""
    end = len(data) if end is None else end
    while start + 8 <= end:
        size, kind = struct.unpack_from(">I4s", data, start)
        if size == 1:
            size = struct.unpack_from(">Q", data, start + 8)[0]
        elif size == 0:
            size = end - start
        if size < 8:
            return
        yield kind, start, start + size
        start += size


def split_init(data: Buffer) -> tuple[bytes, list[tuple[int, int]]]:
    """The initialisation part (ftyp and moov), and the (start, end) of every fragment (moof with
    its mdat)."""
    init = b""
    fragments: list[tuple[int, int]] = []
    open_at: int | None = None
    for kind, start, end in boxes(data):
        if kind in (b"ftyp", b"moov"):
            init += data[start:end]
        elif kind == b"moof":
            open_at = start
        elif kind == b"mdat" and open_at is not None:
            fragments.append((open_at, end))
            open_at = None
    return init, fragments


def media_of(data: bytes, offset: int) -> bytes:
    """All fragments of a segment, their decode times moved by `offset` ticks of the track's own
    time scale."""
    out = bytearray()
    _, fragments = split_init(data)
    for start, end in fragments:
        piece = bytearray(data[start:end])
        _move(piece, offset)
        out += piece
    return bytes(out)


def timescale(data: bytes) -> int:
    """Ticks a second of the first track."""

    def inside(kind: bytes, start: int, end: int) -> tuple[int, int]:
        for name, a, b in boxes(data, start, end):
            if name == kind:
                return a + 8, b
        raise ValueError(f"no {kind!r} box")

    at = inside(b"moov", 0, len(data))
    for kind in (b"trak", b"mdia", b"mdhd"):
        at = inside(kind, *at)
    version = data[at[0]]
    return int(struct.unpack_from(">I", data, at[0] + (20 if version else 12))[0])


def _move(piece: bytearray, offset: int) -> None:
    for kind, start, end in boxes(piece):
        if kind != b"moof":
            continue
        for inner, a, b in boxes(piece, start + 8, end):
            if inner != b"traf":
                continue
            for leaf, c, _ in boxes(piece, a + 8, b):
                if leaf == b"tfdt":
                    long = piece[c + 8] == 1
                    layout = ">Q" if long else ">I"
                    value = struct.unpack_from(layout, piece, c + 12)[0]
                    struct.pack_into(layout, piece, c + 12, value + offset)
