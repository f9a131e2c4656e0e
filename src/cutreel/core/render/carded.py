"""Words on the screen as pictures: set once, then let in and out."""

from collections.abc import Sequence
from dataclasses import replace
from functools import lru_cache
from typing import Literal, NamedTuple

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw, ImageFilter, ImageFont

from cutreel.core.lettering import face_for, runs_leftwards
from cutreel.core.titles import LEFT, PLACES, CardSort, TitleLook

from . import kernel_mix
from .planes import Planes, planes_of
from .words import CardSpan

U8 = NDArray[np.uint8]
SIZES: dict[CardSort, float] = {
    "title": 0.115,
    "chapter": 0.085,
    "place": 0.06,
    "name": 0.062,
    "emphasis": 0.15,
    "words": 0.085,
    "mark": 0.03,
    "end": 0.085,
}
"""How high letters are, in heights of the frame (of an upright one: of its width)."""
MARGIN = 0.07
"""Of the frame that nothing comes into: the safe margin for titles is a tenth less on each side (EBU R 95: 5 %)."""
SMALLER = 0.58
"""How high lines behind the first are beside it, where the first is a heading."""
EVEN = frozenset(("words", "emphasis"))
"""Sorts whose lines are all of one height."""
IN, OUT, RISE, LETTERS = 0.6, 0.5, 0.035, 18.0
"""Seconds in which words come and go; by how many heights of the frame they rise; letters a second."""
QUICK, STROKE = 0.14, 22.0
"""Seconds in which words come that come with the voice; letters a second that a hand draws."""
LIGHT = "#fbf6e9"
THERE = 0.7
"""How much of a maker's mark is there."""


class Part(NamedTuple):
    """How much of words is there: all of them, so many letters, so many words, or so many hundredths of letters, as
    they are drawn."""

    of: Literal["all", "letters", "words", "drawn"] = "all"
    much: int = 0


ALL = Part()


class Laid(NamedTuple):
    """Words as they are laid over a frame: planes, their top and left."""

    planes: Planes
    top: int
    left: int


def card_at(
    card: CardSpan, film_look: TitleLook, number: int, fps: float, width: int, height: int
) -> Laid | None:
    """Words on the screen in frame `number` of their segment: coming, standing or going. None: nothing of them yet."""
    look = card.title_look or film_look
    if card.sort == "mark" and look.sheet:
        # A sheet would be looked at all the time.
        look = look.model_copy(update={"sheet": None, "colour": LIGHT, "shadow": True})
    since, left = (number + 0.5 - card.begin) / fps, (card.end - number - 0.5) / fps
    comes_in = QUICK if look.comes == "said" and card.said else IN
    coming, going = min(1.0, since / comes_in), min(1.0, left / OUT)
    if card.sort == "end" or look.goes == "cut":
        going = 1.0
    there = _there(card, look, since, number)
    if there.of != "all" and there.much == 0:
        return None
    planes, top, at = card_planes(
        tuple(card.lines),
        card.sort,
        look,
        width,
        height,
        there,
        (card.across, card.middle),
        card.size,
    )
    smooth = min(_eased(coming), _eased(going)) * (THERE if card.sort == "mark" else 1.0)
    lower = 0.0
    if look.comes == "rise" and left > OUT:
        lower = (1 - _eased(coming)) * RISE
    elif look.goes == "rise" and left < OUT and card.sort != "end":
        lower = -(1 - _eased(going)) * RISE
    top = max(0, min(top + round(lower * height), height - planes.y.shape[0]))
    return Laid(faded(planes, smooth), top // 2 * 2, at)


def _there(card: CardSpan, look: TitleLook, since: float, number: int) -> Part:
    """How much of words is there, so many seconds after they began."""
    letters = sum(map(len, card.lines))
    if look.comes == "letters":
        count = round(since * LETTERS)
        return ALL if count >= letters else Part("letters", count)
    if look.comes == "drawn":
        drawn = max(1, round(since * STROKE * 100))
        return ALL if drawn >= letters * 100 else Part("drawn", drawn)
    if look.comes == "said" and card.said:
        come = sum(at <= number for at in card.said)
        return ALL if come >= len(card.said) else Part("words", come)
    return ALL


def _eased(share: float) -> float:
    share = max(0.0, share)
    return share * share * (3 - 2 * share)


@lru_cache(maxsize=24)
def card_planes(
    lines: tuple[str, ...],
    sort: CardSort,
    look: TitleLook,
    width: int,
    height: int,
    part: Part = ALL,
    place: tuple[float | None, float | None] = (None, None),
    larger: float = 1.0,
) -> tuple[Planes, int, int]:
    """Words for a frame of that size, or a `part` of them, with their middle so far across and down (`place`), `larger`
    than is usual. Returns planes and their top and left."""
    size = max(9, round(SIZES[sort] * min(height, width * 0.8) * look.size * larger))
    room = width * (1 - 2 * MARGIN)
    while True:
        laid = _laid(lines, sort, look, size, room)
        high = sum(round(font.size * 1.25) for _, font in laid) + 2 * round(size * 0.5)
        fits = len(laid) <= 3 * len(lines) and high < height * (1 - 2 * MARGIN)
        if size <= 10 or (fits and max(_wide(t, f, look) for t, f in laid) <= room):
            break
        size = round(size * 0.85)
    pad = round(size * 0.5)
    step = [round(font.size * 1.25) for _, font in laid]
    w = min(width, (round(max(_wide(t, f, look) for t, f in laid)) + 2 * pad + 8) // 2 * 2)
    h = min(height // 2 * 2, (sum(step) + 2 * pad) // 2 * 2)
    across, middle = place
    left_hand = sort in LEFT and across is None
    tops = np.cumsum([pad, *step[:-1]]).tolist()
    # As much room above the first capital as below the last base line.
    capital, base = laid[0][1].getbbox("H")[1], laid[-1][1].getbbox("H")[3]
    lower = round((h - tops[0] - capital - tops[-1] - base) / 2)
    placed = [
        (text, font, pad if left_hand else (w - _wide(text, font, look)) / 2, top + lower)
        for (text, font), top in zip(laid, tops, strict=True)
    ]
    image = _lettered(placed, look, (w, h), size, part)
    usual = PLACES[sort][0] if middle is None else middle
    top = round(usual * height - h / 2)
    at = round(MARGIN * width) - pad if left_hand else (width - w) // 2
    if across is not None:
        at = round(across * width - w / 2)
    # Letters and sheets stay in the safe area; the room around letters that are on no sheet need not.
    around = 0 if look.sheet else pad
    aside, above = (max(0, round(MARGIN * side * 0.6) - around) for side in (width, height))
    right, low = width - w - aside, height - h - above
    if not left_hand or across is not None:
        at = min(max(at, aside), max(right, 0))
    top = min(max(top, above), low)
    return (planes_of(np.asarray(image)), max(0, top) // 2 * 2, max(0, min(at, width - w)) // 2 * 2)


Placed = tuple[str, ImageFont.FreeTypeFont, float, int]
"""A line, its face, and where it begins."""


def _lettered(
    placed: Sequence[Placed], look: TitleLook, size: tuple[int, int], high: int, part: Part
) -> Image.Image:
    """Lines with what is around and behind them."""
    image = Image.new("RGBA", size, (20, 16, 14, 0))
    if look.sheet:
        ImageDraw.Draw(image).rectangle((0, 0, size[0] - 1, size[1] - 1), fill=_rgb(look.sheet))
    words = Image.new("RGBA", size, (*_rgb(look.edge or look.colour)[:3], 0))
    draw = ImageDraw.Draw(words)
    edge = max(1, round(high * 0.07)) if look.edge else 0
    left = part.much
    for text, font, x, top in placed:
        seen = text
        if part.of == "letters":
            seen, left = text[:left], max(0, left - len(text))
        elif part.of == "words":
            each = text.split(" ")
            seen, left = " ".join(each[:left]), max(0, left - len(each))
        # A line that runs leftwards begins at its right end.
        behind = font.getlength(text) - font.getlength(seen) if runs_leftwards(text) else 0.0
        _spaced(draw, seen, font, look, x + behind, top, edge)
    if part.of == "drawn":
        words.putalpha(_drawn(words.getchannel("A"), placed, look, part.much))
    for colour, soft, times in _behind(look, high):
        shade = Image.new("RGBA", size, (*_rgb(colour)[:3], 0))
        around = words.getchannel("A").filter(ImageFilter.MaxFilter(3))
        shade.putalpha(around.filter(ImageFilter.GaussianBlur(soft)))
        for _ in range(times):
            image = Image.alpha_composite(image, shade)
    return Image.alpha_composite(image, words)


def _behind(look: TitleLook, high: int) -> list[tuple[str, float, int]]:
    """What is behind letters: a colour, how soft (pixels), and how often it is laid."""
    out: list[tuple[str, float, int]] = []
    if look.shadow and not look.sheet:
        out.append(("#0c0a09", max(1.0, high / 9), 2))
    if look.glow:
        out.append((look.glow, max(1.5, high / 5), 2))
        out.append((look.glow, max(1.0, high / 14), 1))
    return out


def _drawn(
    alpha: Image.Image, placed: Sequence[Placed], look: TitleLook, hundredths: int
) -> Image.Image:
    """Letters as far as they are drawn, from where they begin on, with a soft end."""
    seen = np.asarray(alpha).astype(np.float32)
    high, wide = seen.shape
    ends = [top for _, _, _, top in placed[1:]] + [high]
    left = hundredths
    columns = np.arange(wide, dtype=np.float32) + 0.5
    start = 0
    for (text, font, x, _), end in zip(placed, ends, strict=True):
        share = min(1.0, left / max(1, 100 * len(text)))
        far = share * (_wide(text, font, look) + font.size * 0.5)
        backwards = runs_leftwards(text)
        along = x + _wide(text, font, look) - columns if backwards else columns - x
        seen[start:end] *= np.clip((far - along) / max(1.0, font.size * 0.3), 0, 1)
        left = max(0, left - 100 * len(text))
        start = end
    return Image.fromarray(np.rint(seen).astype(np.uint8))


def _laid(
    lines: tuple[str, ...], sort: CardSort, look: TitleLook, size: int, room: float
) -> list[tuple[str, ImageFont.FreeTypeFont]]:
    """Lines that find room, each with its face: what is too long goes on below."""
    out: list[tuple[str, ImageFont.FreeTypeFont]] = []
    for n, line in enumerate(lines):
        smaller = n > 0 and sort not in EVEN
        shown = line.upper() if look.capitals else line
        font = face_for(look.face, max(9, round(size * (SMALLER if smaller else 1))), shown)
        text = ""
        for word in shown.split():
            longer = f"{text} {word}".strip()
            if text and _wide(longer, font, look) > room:
                out.append((text, font))
                longer = word
            text = longer
        out.append((text, font))
    return out


def _wide(text: str, font: ImageFont.FreeTypeFont, look: TitleLook) -> float:
    return float(font.getlength(text)) + _apart(text, look) * font.size * max(0, len(text) - 1)


def _apart(text: str, look: TitleLook) -> float:
    """How far letters stand apart; not at all where they are joined or stand on each other."""
    return look.apart if text.isascii() or max(map(ord, text), default=0) < 0x0590 else 0.0


def _spaced(
    draw: ImageDraw.ImageDraw,
    text: str,
    font: ImageFont.FreeTypeFont,
    look: TitleLook,
    x: float,
    top: int,
    edge: int,
) -> None:
    apart = _apart(text, look)
    parts = [(0.0, text)] if not apart else []
    if apart:
        at = 0.0
        for letter in text:
            parts.append((at, letter))
            at += font.getlength(letter) + apart * font.size
    stroke = _rgb(look.edge) if look.edge else None
    for at, part in parts:
        draw.text(
            (x + at, top),
            part,
            font=font,
            anchor="la",
            fill=_rgb(look.colour),
            stroke_width=edge,
            stroke_fill=stroke,
        )


def faded(planes: Planes, share: float) -> Planes:
    """Words that are there by a share of themselves."""
    if share >= 1:
        return planes
    assert planes.alpha is not None and planes.alpha_half is not None

    def less(plane: U8, middle: int = 0) -> U8:
        out = np.empty_like(plane)
        kernel_mix.lessened(plane, share, middle, out)
        return out

    return replace(
        planes,
        y=less(planes.y),
        u=less(planes.u, 128),
        v=less(planes.v, 128),
        alpha=less(planes.alpha),
        alpha_half=less(planes.alpha_half),
    )


def _rgb(colour: str) -> tuple[int, int, int, int]:
    r, g, b = (int(colour[i : i + 2], 16) for i in (1, 3, 5))
    return r, g, b, 255
