"""Subtitles (SubRip, WebVTT, SubStation Alpha, TTML) as a script with times: each subtitle is a shot."""

import re
from collections.abc import Iterator, Mapping
from html import unescape
from typing import NamedTuple
from xml.etree.ElementTree import ParseError, tostring

import defusedxml
import defusedxml.ElementTree as safe
import pysubs2

from cutreel.core.errors import BadInput

from .story import Block, ReadStory, story_from

TIMED: Mapping[str, str] = {
    "srt": "SubRip", "vtt": "WebVTT", "ass": "SubStation Alpha", "ttml": "TTML",
}  # fmt: skip
"""Formats of subtitles, by their endings."""
_TAG = re.compile(r"<[^<>\n]*>|\{[^{}\n]*\}")
_VOICE = re.compile(r"<v(?:\.[\w.]{1,40})?[ \t]+([^<>]{1,80})>")
_STRAY = str.maketrans({"<": "\ue000", "{": "\ue001"})
"""Brackets that open nothing are set aside, since every one of them would be followed to the
end."""
_BACK = str.maketrans({"\ue000": "<", "\ue001": "{"})
_SPEAKER = re.compile(r"^(?:-\s*)?([A-Z][A-Z .'-]{1,30}):\s+(\S.*)$", re.DOTALL)
_TIME = re.compile(
    r"^\s*(?:\d+:)?\d\d?:\d\d[.,]\d{1,3}\s+-->\s+(?:\d+:)?\d\d?:\d\d[.,]\d{1,3}", re.M
)
_TT = "http://www.w3.org/ns/ttml"
_PARAMETER = f"{{{_TT}#parameter}}"


class _Cue(NamedTuple):
    """A subtitle: its words, how many seconds it is seen, and who speaks, where that is marked."""

    words: str
    seconds: float
    voice: str | None


def timed_format(text: str, ending: str = "") -> str | None:
    """Which of the formats of subtitles a text is in; None if in none of them."""
    head = text[:4000].removeprefix("\ufeff").lstrip()
    if head.startswith("[Script Info]"):
        return "ass"
    if head.startswith("<") and _TT in head:
        return "ttml"
    if not _TIME.search(text):
        return None
    return "vtt" if ending == "vtt" or head.startswith("WEBVTT") else "srt"


def read_timed(text: str, format: str) -> ReadStory:
    """Read subtitles. `<v Name>`, a name in its field, and `NAME:` say who speaks; sounds in [brackets] become
    notes."""
    try:
        cues = list(_CUES[format](text))
    except (ValueError, NotImplementedError, ParseError, defusedxml.DefusedXmlException,
            pysubs2.exceptions.Pysubs2Error) as error:  # fmt: skip
        raise BadInput(
            "Those subtitles cannot be read.",
            "Give SubRip (.srt), WebVTT (.vtt), SubStation Alpha (.ass) or TTML (.ttml).",
        ) from error
    blocks: list[Block] = []
    bad: list[str] = []
    joins = False
    for number, (words, seconds, voice) in enumerate(cues, 1):
        if seconds <= 0:
            bad.append(
                f"Subtitle {number} ends before it starts; its words are kept without a time."
            )
        if not re.search(r"\w", words):
            continue
        if re.fullmatch(r"[\[(][^\])]*[\])]", words):
            blocks.append(Block("note", words.strip("[]()")))
            joins = False
            continue
        said = _SPEAKER.match(words)
        speaker = voice or (said.group(1).title() if said else None)
        blocks.append(
            Block(
                "dialogue" if speaker else "narration",
                said.group(2) if said and not voice else words,
                speaker,
                opens=True,
                seconds=seconds if seconds > 0 else None,
                joins=joins,
            )
        )
        joins = not re.search(r"[.!?…][\"'”’)]*$", words)
    return story_from(blocks, format, bad=bad)


def _plain(text: str, format: str) -> Iterator[_Cue]:
    """Of SubRip and WebVTT."""
    voices = [
        m.group(1) if (m := _VOICE.search(cue)) else None
        for cue in re.split(r"\n\s*\n", text)
        if "-->" in cue
    ]
    cues = pysubs2.SSAFile.from_string(_TAG.sub("", text).translate(_STRAY), format_=format)
    named = voices if len(voices) == len(cues) else [None] * len(cues)
    for cue, voice in zip(cues, named, strict=True):
        words = cue.text.replace("\\N", " ").replace("\\h", " ").translate(_BACK)
        words = " ".join(words.split())
        words = unescape(words) if format == "vtt" else words
        yield _Cue(words, (cue.end - cue.start) / 1000, voice)


def _styled(text: str, format: str) -> Iterator[_Cue]:
    """Of SubStation Alpha and TTML, in the order of time; comments and drawings are no words."""
    found = pysubs2.SSAFile.from_string(text, format_=format)
    for cue in sorted((e for e in found if not e.is_comment and not e.is_drawing), key=_begins):
        words = " ".join(cue.plaintext.replace("\\h", " ").split())
        yield _Cue(words, (cue.end - cue.start) / 1000, cue.name.strip() or None)


def _begins(cue: pysubs2.SSAEvent) -> int:
    return int(cue.start)


def _in_seconds(text: str) -> str:
    """A TTML document with times in seconds where it has them in frames or ticks (TTML2, 12.3.1 and 7.2)."""
    root = safe.fromstring(text.removeprefix("\ufeff").strip(), forbid_dtd=True)
    rate = float(root.get(f"{_PARAMETER}frameRate", 30))
    times = root.get(f"{_PARAMETER}frameRateMultiplier", "1 1").split()
    rate *= float(times[0]) / float(times[-1])
    ticks = float(root.get(f"{_PARAMETER}tickRate", rate))
    for element in root.iter():
        for name in ("begin", "end", "dur"):
            told = element.get(name, "")
            if clock := re.fullmatch(r"(\d+):(\d\d):(\d\d):(\d+)(?:\.\d+)?", told):
                hours, minutes, seconds, frames = (int(part) for part in clock.groups())
                at = hours * 3600 + minutes * 60 + seconds + frames / rate
            elif counted := re.fullmatch(r"(\d+(?:\.\d+)?)([ft])", told):
                at = float(counted[1]) / (rate if counted[2] == "f" else ticks)
            else:
                continue
            element.set(name, f"{at:.4f}s")
    return tostring(root, encoding="unicode")


_CUES = {
    "srt": lambda text: _plain(text, "srt"),
    "vtt": lambda text: _plain(text, "vtt"),
    "ass": lambda text: _styled(text, "ass"),
    "ttml": lambda text: _styled(_in_seconds(text), "ttml"),
}
