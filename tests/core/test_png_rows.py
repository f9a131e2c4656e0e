"""PNG with all rows, and with fewer. What a whole one is, Pillow says; interlaced ones are laid out here by the
specification (W3C, PNG Third Edition, 8.2: Adam7)."""

import io
import struct
import zlib

import numpy as np
import pytest
from PIL import Image

from cutreel.core.pictures.png_rows import lacks_rows

ADAM7 = (
    (0, 0, 8, 8),
    (4, 0, 8, 8),
    (0, 4, 4, 8),
    (2, 0, 4, 4),
    (0, 2, 2, 4),
    (1, 0, 2, 2),
    (0, 1, 1, 2),
)
SIZES = [(1, 1), (2, 3), (7, 5), (8, 8), (13, 21), (64, 33)]


def chunk(kind: bytes, data: bytes) -> bytes:
    return struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))


def png(
    width: int, height: int, rows: bytes, colour: int = 2, interlaced: int = 0, cut: int = 0
) -> bytes:
    """A PNG of eight bits a sample; its data in parts of `cut` bytes, if not 0."""
    packed = zlib.compress(rows)
    parts = [packed[i : i + cut] for i in range(0, len(packed), cut)] if cut else [packed]
    header = struct.pack(">IIBBBBB", width, height, 8, colour, 0, 0, interlaced)
    return b"".join(
        [
            b"\x89PNG\r\n\x1a\n",
            chunk(b"IHDR", header),
            chunk(b"tEXt", b"Comment\0made for a test"),
            *(chunk(b"IDAT", part) for part in parts),
            chunk(b"IEND", b""),
        ]
    )


def straight(pixels: np.ndarray) -> bytes:
    return b"".join(b"\0" + row.tobytes() for row in pixels)


def woven(pixels: np.ndarray) -> bytes:
    out = []
    for left, top, across, down in ADAM7:
        part = pixels[top::down, left::across]
        if part.size:
            out.append(straight(part))
    return b"".join(out)


@pytest.fixture
def pixels(request: pytest.FixtureRequest) -> np.ndarray:
    width, height = request.param
    chance = np.random.default_rng(width * 100 + height)
    return chance.integers(0, 256, (height, width, 3), dtype=np.uint8)


@pytest.mark.parametrize("pixels", SIZES, indirect=True)
@pytest.mark.parametrize("laid", [straight, woven])
def test_a_whole_one_lacks_nothing_and_one_byte_less_is_seen(pixels: np.ndarray, laid) -> None:
    height, width, _ = pixels.shape
    rows, how = laid(pixels), int(laid is woven)
    whole = png(width, height, rows, interlaced=how, cut=5)
    assert (np.asarray(Image.open(io.BytesIO(whole))) == pixels).all(), "as Pillow reads it"
    assert not lacks_rows(whole)
    for left in (len(rows) - 1, len(rows) // 2, 0):
        assert lacks_rows(png(width, height, rows[:left], interlaced=how))


@pytest.mark.parametrize("mode", ["1", "L", "LA", "P", "RGB", "RGBA", "I;16"])
@pytest.mark.parametrize("size", SIZES)
def test_what_pillow_writes_is_whole(mode: str, size: tuple[int, int]) -> None:
    out = io.BytesIO()
    Image.new(mode, size).save(out, "PNG")
    assert not lacks_rows(out.getvalue())


def test_pillow_takes_half_of_one_for_whole() -> None:
    """Why this is here at all."""
    half = png(16, 16, b"".join(b"\0" + bytes([200]) * 48 for _ in range(8)))
    with Image.open(io.BytesIO(half)) as picture:
        assert picture.convert("RGB").getpixel((0, 15)) == (0, 0, 0)
    assert lacks_rows(half)


@pytest.mark.parametrize(
    "data", [b"", b"\x89PNG\r\n\x1a\n", b"\xff\xd8\xff", b"GIF89a", b"\0" * 60]
)
def test_what_is_no_png_is_not_judged(data: bytes) -> None:
    assert not lacks_rows(data)


def test_damaged_data_lacks_rows() -> None:
    whole = bytearray(png(64, 64, straight(np.zeros((64, 64, 3), np.uint8))))
    at = whole.index(b"IDAT") + 10
    whole[at : at + 4] = b"\xff" * 4
    assert lacks_rows(bytes(whole))
