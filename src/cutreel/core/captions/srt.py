"""Caption files: SubRip and W3C WebVTT."""

from collections.abc import Sequence

from .caption import Caption


def to_srt(captions: Sequence[Caption]) -> str:
    """The captions as a SubRip file."""
    return "\n".join(
        f"{i}\n{stamp(c.start, ',')} --> {stamp(c.end, ',')}\n" + "\n".join(c.lines) + "\n"
        for i, c in enumerate(captions, 1)
    )


def to_vtt(captions: Sequence[Caption]) -> str:
    """The captions as a WebVTT file."""
    cues = (
        f"{stamp(c.start, '.')} --> {stamp(c.end, '.')}\n" + "\n".join(map(_escaped, c.lines))
        for c in captions
    )
    return "WEBVTT\n\n" + "\n\n".join(cues) + "\n"


def _escaped(line: str) -> str:
    return line.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;")


def stamp(seconds: float, point: str) -> str:
    """A time as HH:MM:SS and milliseconds behind `point`: a comma in SubRip, a full stop in
    WebVTT."""
    ms = round(seconds * 1000)
    return f"{ms // 3600000:02}:{ms // 60000 % 60:02}:{ms // 1000 % 60:02}{point}{ms % 1000:03}"
