"""Notes where they stand in the film as it is now; scenes as they are, so that one can tell what was agreed."""

import csv
import io
from bisect import bisect_right
from collections.abc import Mapping, Sequence
from typing import NamedTuple

from cutreel.core.keys import key
from cutreel.core.screening import Agreed, ScreenNote
from cutreel.core.timeline import timecode

from .assembled import Assembled

HEADER = ("number", "from", "to", "shot", "scene", "words", "note", "by", "on", "answers", "done")


class PlacedNote(NamedTuple):
    """A note with the frames that it is about (`end` is not among them), and the index of the shot they begin in.
    `lost`: neither its word nor its shot is in the film any more."""

    note: ScreenNote
    start: int
    end: int
    shot: int
    lost: bool


class ScreenedScene(NamedTuple):
    """A scene of the film: the number of its first word, its title, its frames, the indices of its shots (`last` is
    among them), the key of all that is seen and heard in it, who agreed, and whether it changed since."""

    word: int
    title: str
    start: int
    end: int
    first: int
    last: int
    key: str
    agreed: Agreed | None
    changed: bool


def placed_notes(film: Assembled) -> list[PlacedNote]:
    """A film's notes in the order of its time."""
    notes = film.document.screen_notes
    if not notes:
        return []
    starts = [s.start for s in film.spans]
    shots = {s.shot.id: i for i, s in enumerate(film.read.shots)}
    placed = (_placed(film, note, starts, shots) for note in notes)
    return sorted(placed, key=lambda p: (p.start, p.note.id))


def _placed(
    film: Assembled, note: ScreenNote, starts: Sequence[int], shots: Mapping[int, int]
) -> PlacedNote:
    at = None if note.word is None else film.document.word_places.get(note.word)
    if at is not None:
        start = film.rate.frames(float(film.timing.words[at, 0])) + note.later
    elif note.shot in shots:
        start = starts[shots[note.shot]] + (note.later if note.word is None else 0)
    else:
        return PlacedNote(note, 0, max(1, note.frames), 0, lost=True)
    start = max(0, min(start, film.frames - 1))
    end = min(film.frames, start + max(1, note.frames))
    return PlacedNote(note, start, end, bisect_right(starts, start) - 1, lost=False)


def screened_scenes(film: Assembled) -> list[ScreenedScene]:
    """A film's scenes. The key of one holds words, pictures in use, times, how pictures are finished and come to."""
    agreed = {a.scene: a for a in film.document.agreed}
    scenes = film.read.script.scenes
    ranges: dict[int, list[int]] = {}
    for i, shot in enumerate(film.read.shots):
        ranges.setdefault(shot.scene, []).append(i)
    out: list[ScreenedScene] = []
    for number, shots in sorted(ranges.items(), key=lambda r: r[1][0]):
        scene = scenes[number]
        word = film.read.ids[scene.first] if scene.end > scene.first else 0
        name = _scene_key(film, shots)
        mark = agreed.get(word)
        first, last = shots[0], shots[-1]
        out.append(
            ScreenedScene(
                word,
                scene.title or f"Scene {len(out) + 1}",
                film.spans[first].start,
                film.spans[last].end,
                first,
                last,
                name,
                mark,
                mark is not None and mark.key != name,
            )
        )
    return out


def _scene_key(film: Assembled, shots: list[int]) -> str:
    return key(
        "scene",
        1,
        shots=[
            [
                film.read.shots[i].text,
                used.media if (used := film.used[i]) else None,
                film.spans[i].frames,
                film.read.shots[i].shot.own.model_dump(mode="json", exclude_defaults=True),
            ]
            for i in shots
        ],
        sounds=[
            [c.kind, c.prompt, c.gain, round(c.start - film.rate.seconds(film.spans[shots[0]].start), 2)]
            for c in film.cues
            if shots[0] <= c.shot <= shots[-1]
        ],
    )  # fmt: skip


def notes_table(film: Assembled) -> str:
    """A film's notes as CSV (RFC 4180), in the order of time; times are timecodes of the film."""
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(HEADER)
    scenes = film.read.script.scenes
    for number, p in enumerate(placed_notes(film), 1):
        shot = film.read.shots[p.shot]
        answers = " / ".join(f"{a.by}: {a.text}" for a in p.note.answers)
        row = [
            number,
            timecode(p.start, film.rate),
            timecode(p.end, film.rate),
            "" if p.lost else shot.shot.edge,
            scenes[shot.scene].title,
            shot.text,
            p.note.text,
            p.note.by,
            p.note.on,
            answers,
            "yes" if p.note.done else "no",
        ]
        writer.writerow([spelled(v) if isinstance(v, str) else v for v in row])
    return out.getvalue()


def spelled(cell: str) -> str:
    """A cell that no spreadsheet takes for a formula: what begins like one gets an apostrophe before it."""
    return f"'{cell}" if cell[:1] in ("=", "+", "-", "@", "\t", "\r") else cell
