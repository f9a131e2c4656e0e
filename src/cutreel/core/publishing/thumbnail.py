"""A thumbnail drawn: a picture, near to what it is about, and a few large words, beside its figure or behind it."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal, NamedTuple, get_args

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw
from pydantic import BaseModel, Field

from cutreel.core.lettering import Face, face, width_of, wrapped

Side = Literal["left", "right", "top", "bottom"]
SIDES: tuple[Side, ...] = get_args(Side)
MARGIN = 0.045
"""Of the picture's height, around the words."""
ACROSS = 0.5
"""How much of the width words take at a side."""
MOST_LINES = 3
LINE = 1.02
"""From a line to the next, in sizes of the letters."""
EDGE = 0.09
"""How wide the dark edge of letters is, in their sizes."""
SHADE = 0.55
"""How dark the picture is under words at their side, at most."""
_COLOUR = r"^#[0-9a-f]{6}$"
_PNG = r"^[0-9a-f]{64}\.png$"
MOST_PROMPT = 8_000


class ThumbnailPicture(BaseModel):
    """A picture made for thumbnails alone, by an `offer` after a `prompt` that began with what a `shot` shows.

    Its media file and its small one; its layers from back to front, with depths (0 far, 1 near); its heads, each as how
    far to the right it is and from where down to where (shares of the picture); whom its service asks to be named
    (`rights`).
    """

    media: str = Field(pattern=_PNG)
    thumb: str
    shot: int
    prompt: str = Field("", max_length=MOST_PROMPT)
    seed: int = 0
    offer: str = ""
    layers: list[tuple[str, float]] = Field([], max_length=16)
    heads: list[tuple[float, float, float]] = Field([], max_length=40)
    rights: dict[str, str] = {}


class Thumbnail(BaseModel):
    """A thumbnail: the picture of a `shot`, or one made for it (`picture`, its media file), `zoom` times as near around
    (`x`, `y`) in shares of it, and `words` at a `side`, whose letters are at most `size` of its height; `behind` the
    figures, where they are known apart. A `figure` (the media file of one that was cut out) stands before the picture
    on the edge below, `tall` times as high as the thumbnail, its middle `across` it."""

    shot: int
    picture: str | None = Field(None, pattern=_PNG)
    words: str = Field("", max_length=60)
    side: Side = "left"
    colour: str = Field("#fff3c4", pattern=_COLOUR)
    edge: str = Field("#191613", pattern=_COLOUR)
    face: Face = "plain"
    size: float = Field(0.24, ge=0.06, le=0.5)
    behind: bool = False
    shade: bool = True
    zoom: float = Field(1, ge=1, le=4)
    x: float = Field(0.5, ge=0, le=1)
    y: float = Field(0.5, ge=0, le=1)
    figure: str | None = Field(None, pattern=_PNG)
    tall: float = Field(0.9, ge=0.2, le=2)
    across: float = Field(0.72, ge=0, le=1)


@dataclass(frozen=True)
class Drawn:
    """A thumbnail as it was drawn: its picture; where letters are seen (0 … 255), what share of them a figure hides,
    how high a capital is in pixels."""

    picture: Image.Image
    letters: NDArray[np.uint8]
    hidden: float
    capital: float


def draw_thumbnail(
    told: Thumbnail,
    layers: Sequence[Image.Image],
    figures: int | None,
    size: tuple[int, int],
    figure: Image.Image | None = None,
) -> Drawn:
    """Draw a thumbnail of a `size` in pixels from the layers of a picture, from back to front; from the one with the
    index `figures` on they lie over words that are `behind` (None: no figure is known apart). A `figure` that was cut
    out is laid before all of them, and is what words are behind then."""
    box = _window(told, layers[0].size, size)
    near = [
        layer.convert("RGBA").resize(size, Image.Resampling.LANCZOS, box=box) for layer in layers
    ]
    if figure is not None:
        near.append(_standing(told, figure, size))
        figures = len(near) - 1
    front = figures if told.behind and figures is not None else len(near)
    picture = Image.new("RGBA", size, "black")
    for layer in near[:front]:
        picture.alpha_composite(layer)
    lettering = _lettered(told, size)
    letters = lettering.fill
    if told.words.strip():
        if told.shade and front == len(near):
            picture = _shaded(picture, told.side)
        picture.alpha_composite(_words(told, lettering))
    for layer in near[front:]:
        picture.alpha_composite(layer)
        # Words behind a figure are read where it leaves them.
        over = np.asarray(layer.getchannel("A"), dtype=np.uint16)
        letters = Image.fromarray((np.asarray(letters) * (255 - over) // 255).astype(np.uint8))
    capital = face(told.face, max(8, round(lettering.high))).getbbox("H")
    seen = np.asarray(letters)
    whole = int(np.asarray(lettering.fill, dtype=np.uint32).sum())
    hidden = 1 - int(seen.sum(dtype=np.uint32)) / whole if whole else 0.0
    return Drawn(picture.convert("RGB"), seen, hidden, float(capital[3] - capital[1]))


def _standing(told: Thumbnail, figure: Image.Image, size: tuple[int, int]) -> Image.Image:
    """A figure that was cut out, where it stands, on nothing; without the empty margin of its picture."""
    cut = figure.convert("RGBA")
    cut = cut.crop(cut.getchannel("A").getbbox())
    high = max(1, round(told.tall * size[1]))
    wide = max(1, round(cut.width * high / cut.height))
    out = Image.new("RGBA", size)
    # One that is taller than the thumbnail shows its head.
    top = max(size[1] - high, round(0.04 * size[1]))
    out.paste(
        cut.resize((wide, high), Image.Resampling.LANCZOS),
        (round(told.across * size[0] - wide / 2), top),
    )
    return out


def _window(
    told: Thumbnail, picture: tuple[int, int], size: tuple[int, int]
) -> tuple[float, float, float, float]:
    """What of a picture is seen, in its pixels: of the thumbnail's shape, wholly inside."""
    wide, high = picture
    ratio = size[0] / size[1]
    most_wide, most_high = (wide, wide / ratio) if wide / high < ratio else (high * ratio, high)
    w, h = most_wide / told.zoom, most_high / told.zoom
    left = min(max(0.0, told.x * wide - w / 2), wide - w)
    top = min(max(0.0, told.y * high - h / 2), high - h)
    return left, top, left + w, top + h


def _room(told: Thumbnail, size: tuple[int, int]) -> tuple[float, float]:
    wide, high = size
    edge = MARGIN * high
    across = ACROSS if told.side in ("left", "right") else 1.0
    return wide * across - 2 * edge, (high if across < 1 else high * 0.5) - 2 * edge


def _set(told: Thumbnail, size: tuple[int, int]) -> tuple[list[str], float]:
    """The words in lines, and how large their letters are: as large as was asked, or as finds room."""
    wide, high = _room(told, size)
    letters = told.size * size[1]
    while letters > 10:
        lines = wrapped(told.words.strip(), told.face, letters, wide)
        widest = max((width_of(line, told.face, letters) for line in lines), default=0)
        if len(lines) <= MOST_LINES and widest <= wide and len(lines) * letters * LINE <= high:
            return lines, letters
        letters *= 0.94
    return wrapped(told.words.strip(), told.face, letters, wide), letters


class _Lettering(NamedTuple):
    """Where letters are (white) and where they are with their edge, and how large they are."""

    fill: Image.Image
    edged: Image.Image
    high: float


def _lettered(told: Thumbnail, size: tuple[int, int]) -> _Lettering:
    fill, edged = Image.new("L", size, 0), Image.new("L", size, 0)
    lines, letters = _set(told, size)
    font = face(told.face, max(8, round(letters)))
    margin = MARGIN * size[1]
    block = len(lines) * letters * LINE
    top = {"top": margin, "bottom": size[1] - margin - block}.get(told.side, (size[1] - block) / 2)
    reach = max(1, round(letters * EDGE / 2))
    for n, line in enumerate(lines):
        long = width_of(line, told.face, letters)
        left = {"left": margin, "right": size[0] - margin - long}.get(
            told.side, (size[0] - long) / 2
        )
        at = (left, top + n * letters * LINE)
        ImageDraw.Draw(fill).text(at, line, font=font, fill=255, anchor="la")
        ImageDraw.Draw(edged).text(at, line, font=font, fill=255, anchor="la", stroke_width=reach)
    return _Lettering(fill, edged, letters)


def _words(told: Thumbnail, letters: _Lettering) -> Image.Image:
    """The words with their dark edge, on nothing."""
    out = Image.new("RGBA", letters.fill.size, told.edge)
    out.putalpha(letters.edged)
    fill = Image.new("RGBA", letters.fill.size, told.colour)
    fill.putalpha(letters.fill)
    out.alpha_composite(fill)
    return out


def _shaded(picture: Image.Image, side: Side) -> Image.Image:
    """A picture that is darker toward the side where words stand."""
    wide, high = picture.size
    along = np.linspace(1, 0, wide if side in ("left", "right") else high)
    dark = np.clip(along * 1.7 - 0.55, 0, 1) ** 1.2 * SHADE
    if side in ("right", "bottom"):
        dark = dark[::-1]
    shade = (
        np.broadcast_to(dark, (high, wide))
        if side in ("left", "right")
        else np.repeat(dark[:, None], wide, 1)
    )
    over = Image.new("RGBA", picture.size, "#191613")
    over.putalpha(Image.fromarray((shade * 255).astype(np.uint8)))
    picture = picture.copy()
    picture.alpha_composite(over)
    return picture
