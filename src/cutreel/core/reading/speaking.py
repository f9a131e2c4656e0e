"""Who speaks, told once more when it is read whom "she said" means.

Speakers are first told by patterns that know neither the cast nor the sentence; the reading does."""

from collections.abc import Mapping, Sequence

from cutreel.core.manuscript import Figure, Manuscript, people_named, speakers_again

from .known import TELLER, Known
from .story import Story

_WHO = frozenset({"he", "she", "it"})


class SpeakerMemory:
    """The speakers as they were told last."""

    def __init__(self) -> None:
        self.of: tuple[object, ...] = ()
        self.script: Manuscript | None = None
        self.whole: tuple[Manuscript, Story, Sequence[Known], Manuscript] | None = None


def with_speakers(
    script: Manuscript, story: Story, cast: Sequence[Known], memory: SpeakerMemory | None = None
) -> Manuscript:
    """The manuscript with the speakers that the reading finds."""
    if not story.paragraphs or not any(line.speaker for line in script.lines):
        return script
    memory = memory or SpeakerMemory()
    whole = memory.whole
    if whole is not None and whole[0] is script and whole[1] is story and whole[2] == cast:
        return whole[3]
    named = {p.id: p.calls[0] for p in cast if TELLER not in p.calls}
    meant = _meant(script, story, named)
    of = (script.text, tuple(cast), meant)
    if memory.script is None or memory.of != of:
        memory.of = of
        memory.script = speakers_again(script, _figures(script, cast, named), meant)
    memory.whole = (script, story, [*cast], memory.script)
    return memory.script


def _meant(script: Manuscript, story: Story, named: Mapping[int, str]) -> dict[int, str]:
    """Who each "he", "she", "it" and "the old man" is, by its place in the text."""
    meant: dict[int, str] = {}
    for number, read in story.paragraphs.items():
        start = story.starts[number]
        for m in read.mentions:
            if len(m.people) != 1 or m.people[0] not in named:
                continue
            at = start + m.start
            said = script.text[at : start + m.end].lower()
            if said in _WHO or said.startswith("the "):
                meant[at] = named[m.people[0]]
    return meant


def _figures(script: Manuscript, cast: Sequence[Known], named: Mapping[int, str]) -> list[Figure]:
    """The cast as figures of the text, and the text's own where they are in no cast."""
    calls = {call.lower() for p in cast for call in p.calls}
    by_call = {f.name.lower(): f for f in people_named(script.text)}
    out = []
    for p in cast:
        if p.id in named:
            figure = next((by_call[c.lower()] for c in p.calls if c.lower() in by_call), None)
            count = figure.count if figure else 1
            aliases = tuple(c for c in p.calls if c != named[p.id])
            out.append(Figure(named[p.id], aliases, p.kind, p.pronoun, count, ""))
    return out + [
        f for f in by_call.values() if not {f.name.lower(), *map(str.lower, f.aliases)} & calls
    ]
