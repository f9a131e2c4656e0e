"""A film's script written in open formats. `docs/formats.md` says what each of them carries."""

import re
from collections.abc import Sequence

from cutreel.core.captions import stamp
from cutreel.core.errors import NotFound
from cutreel.core.manuscript.formats import blocks_of, write_fountain, write_markdown, write_table
from cutreel.core.timeline import FrameRate, Span

from .reading import ReadFilm, ReadShot

MEDIA_TYPES = {
    "txt": "text/plain",
    "md": "text/markdown",
    "fountain": "text/plain",
    "srt": "application/x-subrip",
    "vtt": "text/vtt",
    "csv": "text/csv",
    "tsv": "text/tab-separated-values",
}
HEADER = (
    "number", "scene", "paragraph", "speaker", "narration", "description", "picture", "motion",
    "sound", "direction",
    "note", "seconds",
)  # fmt: skip


def export_script(film: ReadFilm, format: str, spans: Sequence[Span], rate: FrameRate) -> str:
    """The script in a format, a key of MEDIA_TYPES; `spans` are the frames of its shots. Raises
    NotFound."""
    if format == "txt":
        return film.document.text
    if format == "md":
        return write_markdown(blocks_of(film.script), film.document.title)
    if format == "fountain":
        return write_fountain(blocks_of(film.script), film.document.title)
    if format in ("srt", "vtt"):
        return _timed(film, format, spans, rate)
    if format in ("csv", "tsv"):
        return write_table(HEADER, _rows(film, spans, rate), "," if format == "csv" else "\t")
    raise NotFound(
        f"A script is not written as “{format}”.", "Choose " + ", ".join(MEDIA_TYPES) + "."
    )


def _timed(film: ReadFilm, format: str, spans: Sequence[Span], rate: FrameRate) -> str:
    """One subtitle a shot; who speaks stands before the words, or in a voice tag."""
    parts = ["WEBVTT\n"] if format == "vtt" else []
    point = "." if format == "vtt" else ","
    number = 0
    for shot, span in zip(film.shots, spans, strict=True):
        if shot.end == shot.first:
            continue
        number += 1
        speaker = cue_speaker(film, shot)
        words = shot.text
        if format == "vtt":
            words = words.replace("&", "&amp;").replace("<", "&lt;")
            words = f"<v {speaker}>{words}" if speaker else words
        elif speaker:
            words = f"{speaker.upper()}: {words}"
        times = (
            f"{stamp(rate.seconds(span.start), point)} --> {stamp(rate.seconds(span.end), point)}"
        )
        parts.append(f"{number}\n{times}\n{words}\n")
    return "\n".join(parts)


def cue_speaker(film: ReadFilm, shot: ReadShot) -> str | None:
    """Who speaks all of a shot by a cue (`NAME:`); None for narration and for quoted speech inside
    it."""
    lines = {film.script.words[i].line for i in range(shot.first, shot.end)}
    whole = film.script.lines[lines.pop()] if len(lines) == 1 else None
    return whole.speaker if whole and whole.why.endswith(":”") else None


def _rows(film: ReadFilm, spans: Sequence[Span], rate: FrameRate) -> list[list[str]]:
    script = film.script
    rows: list[list[str]] = []
    scene, at = -1, 0
    for shot, span in zip(film.shots, spans, strict=True):
        if shot.end == shot.first:
            continue
        words = script.words[shot.first : shot.end]
        start = script.scenes[shot.scene].start_offset
        heading = (
            script.text[start : script.scenes[shot.scene].end_offset] if shot.scene != scene else ""
        )
        scene = shot.scene
        own = shot.shot.own
        notes = [
            script.text[n.start : n.end].strip()[1:-1]
            for n in script.notes
            if at <= n.start < words[0].start
        ]
        at = words[0].start
        speaker = cue_speaker(film, shot)
        first, last = words[0].paragraph + 1, words[-1].paragraph + 1
        rows.append(
            [
                shot.shot.edge,
                re.sub(r"^#+\s*", "", heading.strip()),
                str(first) if first == last else f"{first}-{last}",
                speaker or "",
                _cell(script.text[words[0].start : words[-1].end], first != last),
                own.action or "",
                own.prompt or "",
                own.motion or "",
                own.sound or "",
                own.direction or "",
                " / ".join(notes),
                f"{rate.seconds(span.frames):.2f}",
            ]
        )
    return rows


def _cell(text: str, several: bool) -> str:
    """A shot's words: one paragraph on one line; several as the manuscript writes them, without
    notes."""
    if not several:
        return " ".join(text.split())
    blocks = [re.sub(r"\s*\n\s*", "\n", b.strip()) for b in re.split(r"\n[ \t]*\n", text)]
    return "\n\n".join(b for b in blocks if b and not (b.startswith("[") and b.endswith("]")))
