"""The prompt pack: all prompts of a film for outside tools, numbered so that results find their
shots again."""

import json
import re
from collections.abc import Sequence
from dataclasses import dataclass

from cutreel.core.errors import NotFound
from cutreel.core.manuscript.formats import write_table

from .prompts import prompts_of
from .reading import ReadFilm

PACK_TYPES = {"md": "text/markdown", "csv": "text/csv", "json": "application/json"}
_COLUMNS = (
    "number",
    "edge",
    "words",
    "picture",
    "negative",
    "seed",
    "motion",
    "direction",
    "sound",
)


def pack_of(film: ReadFilm, format: str) -> str:
    """All prompts as numbered Markdown, CSV or JSON. A shot that shows another's picture has none
    of its own."""
    if format not in PACK_TYPES:
        raise NotFound(
            f"A prompt pack is not written as “{format}”.", "Choose " + ", ".join(PACK_TYPES) + "."
        )
    rows = _rows(film)
    if format == "json":
        return json.dumps(
            [dict(zip(_COLUMNS, row, strict=True)) for row in rows], indent=1, ensure_ascii=False
        )
    if format == "csv":
        return write_table(_COLUMNS, [[str(cell) for cell in row] for row in rows], ",")
    parts = [f"# Prompts of {film.document.title}\n"]
    for number, edge, words, picture, negative, seed, motion, direction, sound in rows:
        parts.append(
            f"## {number:03d}, shot {edge}\n\n> {words or '(no words)'}\n\n- **Picture:** {picture}\n"
            f"- **Not:** {negative}\n- **Seed:** {seed}\n- **Motion:** {motion}\n- **Direction:** {direction}\n"
            f"- **Sound:** {sound}\n"
        )
    return "\n".join(parts)


def _rows(film: ReadFilm) -> list[tuple[int, str, str, str, str, int, str, str, str]]:
    out = []
    for number, shot in enumerate(film.shots, 1):
        found = prompts_of(shot, film)
        own = shot.picture_of == shot.shot.id
        out.append(
            (
                number,
                shot.shot.edge,
                shot.text,
                found.picture.text if own else "",
                shot.negative if own else "",
                shot.seed,
                found.motion.text,
                found.direction.text,
                found.sound.text,
            )
        )
    return out


@dataclass(frozen=True, slots=True)
class Match:
    """A file that was brought back and the shot it is for; `shot` is None where nothing tells."""

    name: str
    shot: int | None
    why: str


def match_files(names: Sequence[str], film: ReadFilm) -> list[Match]:
    """Which shot each file is for: by the shot's edge number in its name (`shot 12A`), else by the
    number of its place in the pack (`012.png`), else, when no name has a number, by order. No shot
    gets two files by order."""
    edges = {s.shot.edge.upper(): s for s in film.shots}
    out: list[Match] = []
    numbered = [_number(n) for n in names]
    if not any(numbered):
        free = [s for s in film.shots if s.picture_of == s.shot.id]
        for i, name in enumerate(names):
            shot = free[i] if i < len(free) else None
            out.append(
                Match(
                    name,
                    shot.shot.id if shot else None,
                    "by order" if shot else "more files than shots",
                )
            )
        return out
    for name, found in zip(names, numbered, strict=True):
        if not found:
            out.append(Match(name, None, "its name has no number"))
            continue
        edge, number = found
        by_edge = edges.get(edge)
        place = int(number)
        by_place = film.shots[place - 1] if 0 < place <= len(film.shots) else None
        if (edge != number and by_edge) or (re.search(r"shot", name, re.I) and by_edge):
            out.append(Match(name, by_edge.shot.id, f"shot {by_edge.shot.edge} in its name"))
        elif by_place:
            out.append(Match(name, by_place.shot.id, f"number {place} in its name"))
        else:
            out.append(Match(name, None, f"there is no shot {place}"))
    return out


def _number(name: str) -> tuple[str, str] | None:
    """The number in a file's name with and without its letters: (`12A`, `12`)."""
    stem = re.split(r"[/\\]", name)[-1].rsplit(".", 1)[0]
    told = re.search(r"(?:shot|scene|no)[ _.-]*0*(\d+)([A-Za-z]{0,2})(?![A-Za-z])", stem, re.I)
    found = told or re.search(r"(?<![\d.])0*(\d+)([A-Z]{0,2})(?![A-Za-z\d])", stem)
    return (found[1] + found[2].upper(), found[1]) if found else None
