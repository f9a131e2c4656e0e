"""Caption files: SubStation Alpha, with the style of the captions and the word that is said."""

from collections.abc import Sequence

import pysubs2

from cutreel.core.lettering import BOLD, FAMILIES

from .caption import Caption
from .said import SaidWord
from .shown import AS_OTHERS, CaptionShown
from .style import CaptionStyle

HIGH = 1080
"""Rows that sizes in the file are told in."""
_ALIGNED = {
    "low": pysubs2.Alignment.BOTTOM_CENTER,
    "middle": pysubs2.Alignment.MIDDLE_CENTER,
    "high": pysubs2.Alignment.TOP_CENTER,
}


def to_ass(
    captions: Sequence[Caption],
    style: CaptionStyle,
    said: Sequence[Sequence[SaidWord]] = (),
    shown: Sequence[CaptionShown] = (),
) -> str:
    """The captions as a SubStation Alpha file; the words of each that are marked as they are `said` are timed in it."""
    file = pysubs2.SSAFile()
    file.info.update({"PlayResX": str(HIGH * 16 // 9), "PlayResY": str(HIGH)})
    marked = style.said != "none" and bool(said)
    file.styles = {
        "Captions": pysubs2.SSAStyle(
            fontname=FAMILIES.get(style.face, FAMILIES["plain"]),
            fontsize=round(HIGH * 0.062 * style.size),
            bold=style.face in BOLD,
            primarycolor=_colour(style.said_colour if marked else style.colour),
            secondarycolor=_colour(style.colour),
            outlinecolor=_colour(style.box or style.edge or "#000000"),
            backcolor=_colour("#000000"),
            borderstyle=3 if style.box else 1,
            outline=4.0 if style.edge or style.box else 0.0,
            shadow=3.0 if style.shadow else 0.0,
            alignment=_ALIGNED[style.place],
            marginv=round(HIGH * 0.055),
        )
    }
    told = shown or [AS_OTHERS] * len(captions)
    for n, caption in enumerate(captions):
        words = said[n] if marked else ()
        event = pysubs2.SSAEvent(
            start=round(caption.start * 1000),
            end=round(caption.end * 1000),
            text=_own(told[n], marked)
            + (_timed(caption, words) if words else r"\N".join(map(_plain, caption.lines))),
            style="Captions",
            name=told[n].who,
        )
        file.append(event)
    return file.to_string("ass")


def _own(one: CaptionShown, marked: bool) -> str:
    r"""Orders for a place and a colour of its own (`\an`, `\c`; blue stands first there)."""
    orders = {"high": r"\an8", "middle": r"\an5", "low": r"\an2"}[one.place] if one.place else ""
    if one.colour:
        r, g, b = (one.colour[i : i + 2] for i in (1, 3, 5))
        orders += rf"\{'2c' if marked else 'c'}&H{b}{g}{r}&"
    return f"{{{orders}}}" if orders else ""


def _timed(caption: Caption, words: Sequence[SaidWord]) -> str:
    r"""The lines with the time of each word (`\k`, hundredths of a second) in front of it."""
    out, line, at = "", 0, 0
    begins = [w[3] for w in words[1:]] + [caption.end]
    wait = round((words[0][3] - caption.start) * 100)
    if wait > 0:
        out += rf"{{\k{wait}}}"
    for (n, a, b, start), until in zip(words, begins, strict=True):
        while line < n:
            out += _plain(caption.lines[line][at:]) + r"\N"
            line, at = line + 1, 0
        out += _plain(caption.lines[n][at:a])
        out += rf"{{\k{max(0, round((until - start) * 100))}}}" + _plain(caption.lines[n][a:b])
        at = b
    rest = [caption.lines[line][at:], *caption.lines[line + 1 :]]
    return out + r"\N".join(map(_plain, rest))


def _plain(text: str) -> str:
    """Braces begin orders there; a caption has none."""
    return text.replace("{", "(").replace("}", ")").replace("\\", "/")


def _colour(colour: str) -> pysubs2.Color:
    return pysubs2.Color(*(int(colour[i : i + 2], 16) for i in (1, 3, 5)))
