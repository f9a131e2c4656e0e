"""Broadcast Wave (EBU Tech 3285 v2; RF64 of Tech 3306 where it is large): 24 bit at 48 kHz in stereo, written piece by
piece."""

import struct
from datetime import datetime

import numpy as np
from numpy.typing import NDArray

from .lanes import RATE

FULL = 1 << 23
"""Full scale of 24 bits."""
_FRAME = 6
_LARGEST = (1 << 32) - 4096
_NO_LOUDNESS = 0x7FFF


def broadcast_header(
    frames: int, description: str, when: datetime, lufs: float | None = None, coding: str = ""
) -> bytes:
    """What stands before the samples of a file of so many `frames`. `description` is cut at 256 characters; `lufs` is
    the programme's loudness; `coding` its history."""
    size = frames * _FRAME
    loudness = _NO_LOUDNESS if lufs is None else round(lufs * 100)
    history = (coding + "\r\n").encode("ascii", "replace") if coding else b""
    bext = struct.pack(
        "<256s32s32s10s8sIIH64s5h180s",
        description.encode("ascii", "replace"),
        b"Cut Reel",
        b"",
        when.strftime("%Y-%m-%d").encode(),
        when.strftime("%H:%M:%S").encode(),
        0,
        0,
        2,
        b"",
        loudness,
        *[_NO_LOUDNESS] * 4,
        b"",
    )
    bext += history + b"\0" * (len(history) % 2)
    form = struct.pack("<HHIIHH", 1, 2, RATE, RATE * _FRAME, _FRAME, 24)
    large = size + len(bext) > _LARGEST
    whole = 4 + 36 + 8 + len(bext) + 8 + len(form) + 8 + size
    sizes = struct.pack("<QQQI", whole, size, frames, 0)
    chunks = [
        _chunk(b"ds64" if large else b"JUNK", sizes),
        _chunk(b"bext", bext),
        _chunk(b"fmt ", form),
        b"data" + struct.pack("<I", 0xFFFFFFFF if large else size),
    ]
    head = b"RF64" if large else b"RIFF"
    return head + struct.pack("<I", 0xFFFFFFFF if large else whole) + b"WAVE" + b"".join(chunks)


def _chunk(name: bytes, data: bytes) -> bytes:
    return name + struct.pack("<I", len(data)) + data


def as_24_bit(samples: NDArray[np.int32]) -> bytes:
    """Whole samples of shape (n, 2), in steps of 24 bits, as they stand in the file."""
    clipped = np.clip(samples, -FULL, FULL - 1).astype("<i4")
    return clipped.view(np.uint8).reshape(-1, 4)[:, :3].tobytes()


def in_steps(sound: NDArray[np.float32], gain: float) -> NDArray[np.int32]:
    """A sound of shape (n, 2) made louder by a factor, in whole steps of 24 bits."""
    steps: NDArray[np.int32] = np.rint(sound.astype(np.float64) * (gain * FULL)).astype(np.int32)
    return steps
