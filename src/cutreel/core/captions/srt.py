"""Caption files: SubRip and W3C WebVTT."""

from collections.abc import Sequence

from .caption import Caption
from .shown import AS_OTHERS, CaptionShown


def to_srt(captions: Sequence[Caption]) -> str:
    """The captions as a SubRip file."""
    return "\n".join(
        f"{i}\n{stamp(c.start, ',')} --> {stamp(c.end, ',')}\n" + "\n".join(c.lines) + "\n"
        for i, c in enumerate(captions, 1)
    )


def to_vtt(captions: Sequence[Caption], shown: Sequence[CaptionShown] = ()) -> str:
    """The captions as a WebVTT file: with who says each, and where it stands if that is not below."""
    told = shown or [AS_OTHERS] * len(captions)
    cues = (
        f"{stamp(c.start, '.')} --> {stamp(c.end, '.')}{_LINES.get(s.place or 'low', '')}\n{_voiced(c.lines, s.who)}"
        for c, s in zip(captions, told, strict=True)
    )
    return "WEBVTT\n\n" + "\n\n".join(cues) + "\n"


_LINES = {"high": " line:6%", "middle": " line:45%"}


def _voiced(lines: Sequence[str], who: str) -> str:
    text = "\n".join(map(_escaped, lines))
    return f"<v {_escaped(who)}>{text}" if who else text


def _escaped(line: str) -> str:
    return line.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;")


def stamp(seconds: float, point: str) -> str:
    """A time as HH:MM:SS and milliseconds behind `point`: a comma in SubRip, a full stop in
    WebVTT."""
    ms = round(seconds * 1000)
    return f"{ms // 3600000:02}:{ms // 60000 % 60:02}:{ms // 1000 % 60:02}{point}{ms % 1000:03}"
