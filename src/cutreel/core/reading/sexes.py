"""Who is called she and who he, where no word for them tells: by the pronouns that can only go on from them."""

from collections import Counter, defaultdict
from collections.abc import Sequence
from typing import Literal

from cutreel.core.manuscript import Manuscript, Pronoun

from .focus import SURE
from .known import Known
from .parsed import Parses
from .story import read_story

_OWN: dict[str, Pronoun] = {"his": "he", "her": "she"}
_TELLS: dict[str, Pronoun | Literal["it"]] = {
    "itself": "it",
    "its": "it",
    "he": "he",
    "him": "he",
    "himself": "he",
    "she": "she",
    "herself": "she",
}

NEARLY_SURE = 0.8
"""How sure it must be whose "his" is, that it tells how they are called where nothing else does."""
SELF = 3
"""What "himself" weighs against "he": it can mean nobody else."""


def pronouns_told(
    script: Manuscript, parses: Parses, cast: Sequence[Known], own: bool
) -> dict[int, Pronoun]:
    """For those of the cast whose pronoun is open, the one that the text uses of them, by number. `own`: only by words
    that go back to the subject of their own clause ("Hanne lit the stove with her diary"), which are the surest."""
    # What an animal that neither has a name nor speaks is called is told by its own tail alone, where there are people:
    # "she" near a whale may be anybody.
    people = any(p.kind == "person" for p in cast)
    persons = {p.id for p in cast if p.kind == "person"}
    speak = {s.lower() for s in script.speakers}
    open_ = {
        p.id
        for p in cast
        if p.pronoun is None
        and (
            p.kind == "person"
            or own
            or p.has_name
            or (p.kind == "animal" and not people)
            or (p.kind == "animal" and speak & {c.lower() for c in p.calls})
        )
    }
    if not open_ or not parses:
        return {}
    told: dict[int, Counter[str]] = defaultdict(Counter)
    faint: dict[int, Counter[str]] = defaultdict(Counter)
    """What only their things tell, which counts where nothing else does."""
    story = read_story(script, parses, cast)
    texts = {number: text for number, _, text in script.paragraphs}
    for number, read in story.paragraphs.items():
        for m in read.mentions:
            said = texts[number][m.start : m.end].lower()
            word = (None if own else _TELLS.get(said)) or (
                _OWN.get(said) if m.why.startswith("“") and m.own else None
            )
            who = m.people[0] if len(m.people) == 1 else 0
            if not own and said in _OWN and m.sure >= NEARLY_SURE and who in open_ & persons:
                # "A plumber came down, and opened it with his own key".
                faint[who][_OWN[said]] += 1
            sure = own or m.sure >= SURE
            if word and sure and len(m.people) == 1 and m.people[0] in open_:
                told[m.people[0]][word] += SELF if said.endswith("self") else 1
    for person, votes in faint.items():
        if not told[person]:
            told[person] = votes
    sexes: tuple[Pronoun, Pronoun] = ("she", "he")
    return {
        person: max(sexes, key=lambda sex: votes[sex])
        for person, votes in told.items()
        if votes["she"] != votes["he"] and votes["it"] <= max(votes["she"], votes["he"])
    }
