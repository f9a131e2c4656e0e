"""The text followed through the maker's narration: what of it was said, what twice, what not; every line cut out."""

from bisect import bisect_left
from collections.abc import Mapping, Sequence
from itertools import pairwise
from typing import Any, ClassVar

from cutreel.core.errors import BadInput
from cutreel.core.film import recordable
from cutreel.core.keys import key
from cutreel.core.manuscript import Sentence, words_text
from cutreel.core.speech import (
    Kept,
    Tokens,
    followed,
    in_runs,
    kept,
    left_out,
    stretches_said,
    tokens_of,
)
from cutreel.store import Assembled

from ..beside import beside
from ..pieces import Pieces, brought_for
from ..recording import flac_of, keep_recording, line_recorded
from ..registry import COMPUTING, Kind, Made, Spec
from ..work import Work

ENOUGH = 0.6
"""So much of a line's words must be there, for it to be taken: what lacks more is said anew sooner than mended."""


class FollowSpec(Spec):
    """A narration, by its key, heard for a text, followed by the film's own (both by their keys), as it is paused by
    holds."""

    kind: ClassVar[str] = "following"
    version: ClassVar[int] = 5
    film: str
    text: str
    narration: str
    heard_for: str = ""
    paused: tuple[int, ...] = ()


def follow_spec(film: Assembled, narration: str) -> FollowSpec:
    """What is asked for a film as it stands."""
    text = key("text", 1, text=film.document.text)
    return FollowSpec(
        film=film.film,
        text=text,
        narration=narration,
        heard_for=brought_for(film.document, narration),
        paused=tuple(sorted(film.read.pauses)),
    )


class FollowingKind(Kind[FollowSpec]):
    spec = FollowSpec
    queue = COMPUTING

    def make(self, spec: FollowSpec, work: Work) -> Made | None:
        film = work.shop.assembled(spec.film)
        script = film.read.script
        pieces = Pieces.of(work.shop, spec.film, spec.narration)
        tokens = tokens_of(script.words)
        parts = recordable(script, spec.paused)
        units = _units(script.sentences, parts)
        spans = [_tokens(tokens, first, end) for first, end in units]
        found = followed(tokens.texts, pieces.heard)
        mine = kept(found, spans)
        lines = [_line(film, pieces, tokens, mine, first, end) for first, end in parts]
        for line, (first, end) in zip(lines, parts, strict=True):
            said = [mine.sayings[n] for n, u in enumerate(units) if first <= u[0] < end]
            line["said"] = max(said, default=0)
        if not _cut_out(work, film, pieces, lines, parts):
            return None
        cut_out = [p for p in found.put_in if not _heard_in(lines, pieces.heard[p].start)]
        for line in lines:
            del line["stretches"], line["unsure"]
        return Made(None, {"lines": lines, "put_in": _put_in(cut_out, pieces)})


def _line(
    film: Assembled, pieces: Pieces, tokens: Tokens, mine: Kept, first: int, end: int
) -> dict[str, Any]:
    """What was found of a line; where enough of it was said, the stretches in which it was, and which of its words are
    unsure."""
    script, ids = film.read.script, film.read.ids
    one, other = _tokens(tokens, first, end)
    places = mine.words[one:other]
    missing = sorted({tokens.of[one + i] for i, p in enumerate(places) if p is None})
    left = left_out(tokens, mine.words, pieces.heard, missing, pieces.voiced)
    others = {w - one: places[w - one] for w in mine.others if one <= w < other}
    there = sum(p is not None for p in places)
    words = script.words[first:end]
    told: dict[str, Any] = {
        "word": ids[first],
        "left": [ids[w] for w in left],
        "others": [
            {"word": ids[tokens.of[one + i]], **pieces.at(place)}
            for i, place in others.items()
            if place is not None and not _may_be_read(tokens, one + i)
        ],
        "media": None,
        "text": words_text(words),
        "stretches": [],
        "unsure": [],
    }
    if not there or there < ENOUGH * len(places):
        return told
    told["stretches"] = stretches_said(places, pieces.heard)
    told["unsure"] = sorted(
        {tokens.of[one + i] - first for i in others}
        | {w - first for w in missing if first <= w < end}
    )
    return told


def _cut_out(
    work: Work,
    film: Assembled,
    pieces: Pieces,
    lines: Sequence[dict[str, Any]],
    parts: Sequence[tuple[int, int]],
) -> bool:
    """Cut out and keep each line that was said, its words put where they are said; False when nobody wants it any
    more."""
    said = [(line, parts[i]) for i, line in enumerate(lines) if line["stretches"]]
    words = [film.read.script.words[first:end] for _, (first, end) in said]
    calls = (
        (its, flac_of([pieces.sound(a, b) for a, b in line["stretches"]]), line["unsure"])
        for its, (line, _) in zip(words, said, strict=True)
    )
    done = beside(line_recorded, calls)
    for n, (its, (line, _)) in enumerate(zip(words, said, strict=True)):
        found = next(done)
        if isinstance(found, BadInput):  # silence, where a recogniser heard words in noise
            line["stretches"] = []
        elif isinstance(found, BaseException):
            raise found
        else:
            line["media"] = keep_recording(work.shop, its, *found)
        if work.dropped():
            done.close()
            return False
        work.progress((n + 1) / len(said))
    return True


def _heard_in(lines: Sequence[Mapping[str, Any]], moment: float) -> bool:
    """Whether a moment is a part of what was cut out for a line: what was put in there was misheard."""
    return any(a <= moment < b for line in lines for a, b in line["stretches"])


def _units(
    sentences: Sequence[Sentence], parts: Sequence[tuple[int, int]]
) -> list[tuple[int, int]]:
    """Sentences cut where another speaks: what is said again is said again by one."""
    edges = sorted({s.first for s in sentences} | {edge for part in parts for edge in part})
    return list(pairwise(edges))


def _tokens(tokens: Tokens, first: int, end: int) -> tuple[int, int]:
    """The plain words of some words of the manuscript."""
    return bisect_left(tokens.of, first), bisect_left(tokens.of, end)


def _may_be_read(tokens: Tokens, place: int) -> bool:
    """Whether a plain word is one of several that a figure or a short form is read as: others may be as right."""
    word = tokens.of[place]
    return tokens.of[place - 1 : place] == [word] or tokens.of[place + 1 : place + 2] == [word]


MOST_PUT_IN = 200


def _put_in(places: Sequence[int], pieces: Pieces) -> list[dict[str, Any]]:
    """What was said that is no part of the text: words that follow each other as one."""
    return [
        {**pieces.at(run[0]), "heard": " ".join(pieces.heard[p].text for p in run)}
        for run in in_runs(places)[:MOST_PUT_IN]
    ]
