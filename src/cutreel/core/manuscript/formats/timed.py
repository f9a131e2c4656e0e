"""Subtitles (SubRip and WebVTT) as a script with times: each subtitle is a shot."""

import re
from html import unescape

import pysubs2

from cutreel.core.errors import BadInput

from .story import Block, ReadStory, story_from

_TAG = re.compile(r"<[^<>\n]*>|\{[^{}\n]*\}")
_VOICE = re.compile(r"<v(?:\.[\w.]{1,40})?[ \t]+([^<>]{1,80})>")
_STRAY = str.maketrans({"<": "\ue000", "{": "\ue001"})
"""Brackets that open nothing are set aside, since every one of them would be followed to the
end."""
_BACK = str.maketrans({"\ue000": "<", "\ue001": "{"})
_SPEAKER = re.compile(r"^(?:-\s*)?([A-Z][A-Z .'-]{1,30}):\s+(\S.*)$", re.DOTALL)


def looks_timed(text: str) -> bool:
    """Whether a text is SubRip or WebVTT: lines of `time --> time`."""
    return bool(
        re.search(
            r"^\s*(?:\d+:)?\d\d?:\d\d[.,]\d{1,3}\s+-->\s+(?:\d+:)?\d\d?:\d\d[.,]\d{1,3}", text, re.M
        )
    )


def read_timed(text: str, format: str) -> ReadStory:
    """Read subtitles. `<v Name>` and `NAME:` say who speaks; sounds in [brackets] become notes."""
    voices = [
        m.group(1) if (m := _VOICE.search(cue)) else None
        for cue in re.split(r"\n\s*\n", text)
        if "-->" in cue
    ]
    try:
        cues = pysubs2.SSAFile.from_string(
            _TAG.sub("", text).translate(_STRAY), format_="vtt" if format == "vtt" else "srt"
        )
    except (ValueError, pysubs2.exceptions.Pysubs2Error) as error:
        raise BadInput(
            "Those subtitles cannot be read.", "Give SubRip (.srt) or WebVTT (.vtt)."
        ) from error
    blocks: list[Block] = []
    bad: list[str] = []
    joins = False
    named = voices if len(voices) == len(cues) else [None] * len(cues)
    for number, (cue, voice) in enumerate(zip(cues, named, strict=True), 1):
        words = cue.text.replace("\\N", " ").replace("\\h", " ").translate(_BACK)
        words = " ".join(words.split())
        words = unescape(words) if format == "vtt" else words
        seconds = (cue.end - cue.start) / 1000
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
