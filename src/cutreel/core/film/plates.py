"""The plates of a film: which shot shows one, and when its steps come with the words."""

from bisect import bisect_right
from collections.abc import Sequence

from cutreel.core.continuity import look_named
from cutreel.core.manuscript import Said, numbers_in
from cutreel.core.plates import (
    EDITIONS,
    WORDED,
    Plate,
    PlateRow,
    Proposed,
    ShownPlate,
    doubts,
    propose,
)
from cutreel.core.timeline import Timing

from .document import FilmDocument, Shot
from .reading import ReadFilm, ReadShot

FIRST = 0.3
"""Seconds after the first word at which a plate begins to come, where its words do not say when."""
BY = 0.75
"""The share of a shot by which all of a plate is there."""
MOST_AROUND = 4_000
"""Characters of a scene that a time line is taken from."""
ALL_THERE, LEAST = 0.85, 0.8
"""The share of a shot within which the last of a plate has come, and the seconds that it has at least."""
STEP = 0.5
"""Seconds that the last steps have at least."""
AHEAD = 0.15
"""Seconds before its word at which a step begins to come."""


def plates_of(film: FilmDocument) -> dict[int, Plate]:
    """The plates of shots, by the shots' numbers. A shot that shows another's picture shows its plate."""
    own = {s.id: s.own.plate for s in film.shots if s.own.plate is not None}
    for shot in film.shots:
        if shot.id not in own and shot.same_as in own:
            own[shot.id] = own[shot.same_as]
    return own


def has_plate(shot: Shot) -> bool:
    """Whether a shot shows a plate of its own, and needs no picture."""
    return shot.own.plate is not None


def shown_plate(
    plate: Plate, read: ReadFilm, shot: ReadShot, timing: Timing, seconds: float
) -> ShownPlate:
    """A plate as a shot of so many `seconds` shows it: each step comes when it is said."""
    film = read.document
    medium = look_named(film.settings.look, film.looks).medium
    begins = _in_turn(_steps_said(plate, read, shot, timing), seconds)
    within = round(max(LEAST, seconds * ALL_THERE), 2)
    if film.translation is not None:
        plate = _in_language(plate, film)
    edition = EDITIONS.get(plate.sort, 0)
    return ShownPlate(
        plate=plate, medium=medium, begins=tuple(begins), within=within, edition=edition
    )


def _in_language(plate: Plate, film: FilmDocument) -> Plate:
    """A plate with its words as they are in the film's language."""
    words = {k: film.shown(getattr(plate, k)) for k in ("title", "words", "by", "unit", "source")}
    rows = tuple(
        row.model_copy(update={"label": film.shown(row.label), "more": film.shown(row.more)})
        for row in plate.rows
    )
    return plate.model_copy(update={**words, "rows": rows})


def _in_turn(said: Sequence[float | None], seconds: float) -> list[float]:
    """When steps begin: ahead of their words; those that are not said come evenly between their neighbours."""
    out: list[float] = []
    for n, at in enumerate(said):
        if at is not None:
            out.append(round(max(0.0, at - AHEAD), 2))
            continue
        left = out[-1] if out else 0.0
        ahead = next(((k, t) for k, t in enumerate(said[n:], n) if t is not None), None)
        to, end = ahead if ahead is not None else (len(said), max(left + STEP, seconds * BY))
        first = FIRST if not out else left + (end - left) / (to - n + 1)
        out.append(round(min(first, end), 2))
    return out


def words_of(read: ReadFilm, shot: ReadShot) -> str:
    """The words of a shot as they are written."""
    words = read.script.words
    if shot.end <= shot.first:
        return ""
    return read.script.text[words[shot.first].start : words[shot.end - 1].end]


def doubts_of(plate: Plate, read: ReadFilm, shot: ReadShot) -> list[str]:
    """What of a plate is not in the words that it is shown with."""
    return doubts(plate, words_of(read, shot), read.script.text)


def proposed_for(read: ReadFilm, shot: ReadShot) -> list[Proposed]:
    """Plates that the words of a shot give a reason for."""
    names = [call for p in read.document.cast for call in (p.name, *p.aliases)]
    scene = read.script.scenes[shot.scene]
    words = read.script.words[scene.first : scene.end]
    around = read.script.text[words[0].start : words[-1].end] if words else ""
    return propose(words_of(read, shot), names, around if len(around) < MOST_AROUND else "")


def _steps_said(plate: Plate, read: ReadFilm, shot: ReadShot, timing: Timing) -> list[float | None]:
    """When each step is said, in seconds after the shot's first word; None where it is not."""
    text = words_of(read, shot)
    if not text:
        return [None] * plate.steps
    words = read.script.words[shot.first : shot.end]
    starts = [w.start - words[0].start for w in words]
    times = [float(timing.words[i][0]) for i in range(shot.first, shot.end)]

    def second(at: int | None) -> float | None:
        return None if at is None else times[max(0, bisect_right(starts, at) - 1)] - times[0]

    if plate.sort in WORDED:
        opening = " ".join(plate.words.split()[:3])
        found = text.find(opening) if opening else -1
        return [second(found if found >= 0 else None)]
    numbers = numbers_in(text)
    return [second(_said_at(row, text, numbers)) for row in plate.rows] or [None]


def _said_at(row: PlateRow, text: str, numbers: Sequence[Said]) -> int | None:
    """The character at which a row is said: its number, else its name, else the longest word of its name."""
    if row.value is not None:
        found = next((s.start for s in numbers if abs(s.value - row.value) < 1e-9), None)
        if found is not None:
            return found
    low = text.lower()
    parts = sorted((p for p in row.label.lower().split() if len(p) > 3), key=len, reverse=True)
    places = [at for part in (row.label.lower(), *parts) if part and (at := low.find(part)) >= 0]
    return places[0] if places else None
