"""A part of a film as a cut of its own: a teaser, a short of a scene. What is outside is taken out of the manuscript,
so that cast, places, voices and pictures of what stays are as they were."""

from typing import NamedTuple

from cutreel.core.errors import BadInput
from cutreel.core.manuscript import Manuscript

from .assembled import Assembled
from .wording import Edit


class Excerpt(NamedTuple):
    """What is taken out of the manuscript, and the shots that stay, by their numbers."""

    edits: list[Edit]
    shots: list[int]


def excerpt_of(film: Assembled, start: int, end: int) -> Excerpt:
    """The part of a film between two frames, in whole sentences: what is said is never broken off. Raises BadInput
    where nothing is said there, or where that is the whole film."""
    inside = [
        shot
        for shot, span in zip(film.read.shots, film.spans, strict=True)
        if span.start < end and span.end > start and shot.end > shot.first
    ]
    if not inside:
        raise BadInput("Nothing is said in that part.", "Choose one in which somebody speaks.")
    script = film.read.script
    sentences = [
        s for s in script.sentences if s.first < inside[-1].end and s.end > inside[0].first
    ]
    first, last = sentences[0].first, sentences[-1].end
    if (first, last) == (0, len(script.words)):
        raise BadInput("That is the whole film.", "Keep it as a cut instead.")
    kept = [
        s.shot.id for s in film.read.shots if s.end > s.first and s.first < last and s.end > first
    ]
    return Excerpt(_edits(script, first, last), kept)


def _edits(script: Manuscript, first: int, last: int) -> list[Edit]:
    """What is before words `first` up to `last` but the heading of their scene, and what is behind them."""
    text, words = script.text, script.words
    begin = words[first].start
    if not first or words[first].paragraph != words[first - 1].paragraph:
        # With what stands before the first word of a paragraph: who speaks, how.
        begin = text.rfind("\n\n", 0, begin) + 2 if "\n\n" in text[:begin] else 0
    scene = script.scenes[words[first].scene]
    edits = []
    if scene.end_offset and scene.end_offset <= begin:
        edits.append(Edit(start=0, end=scene.start_offset, insert=""))
        edits.append(Edit(start=scene.end_offset, end=begin, insert="\n\n"))
    else:
        edits.append(Edit(start=0, end=min(begin, scene.start_offset or begin), insert=""))
    behind = words[last - 1].end
    edits.append(Edit(start=behind, end=len(text), insert="\n"))
    return [e for e in edits if e.end > e.start]
