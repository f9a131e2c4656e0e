"""What the reading of a story tells of one shot: who is there, what is done, where they come to."""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import NamedTuple

from cutreel.core.manuscript import Pronoun, Word
from cutreel.core.reading import HOUSES, WITHIN, Arrival, Deed, Mention, Sight, Story

ROOMS = frozenset(
    {"kitchen", "bedroom", "room", "hall", "parlour", "study", "cellar", "attic", "garden"}
)
"""Places of a house, and its garden."""

IN_A_TOWN = 40
"""Characters within which a town behind a house says where that house is."""


class Called(NamedTuple):
    """How somebody of the cast is called in a prompt."""

    name: str
    kind: str
    pronoun: Pronoun | None
    coat: str = ""
    """The colour of an animal's coat."""

    @property
    def nameless(self) -> str:
        """The same for a picture that they are not in."""
        if self.kind != "person":
            of_kind = self.name.removeprefix("the ") if self.name.startswith("the ") else self.kind
            return " ".join(filter(None, ("the", self.coat, of_kind)))
        return {"she": "a woman", "he": "a man"}.get(self.pronoun or "", "somebody")


Names = Mapping[int, Called]


@dataclass(frozen=True)
class Told:
    """What was read in the words of a shot, in order; `muted` are characters of the manuscript."""

    mentions: tuple[Mention, ...]
    deeds: tuple[Deed, ...]
    sights: tuple[Sight, ...]
    arrivals: tuple[Arrival, ...]
    muted: frozenset[int]
    starts: tuple[int, ...] = ()
    """Where the arrivals stand, as characters of the manuscript."""
    deed_starts: tuple[int, ...] = ()
    """Where the deeds stand, likewise."""
    another_day: bool = False
    """Whether it is said that it is another day now."""
    year: str = ""
    """The year in which it is said to happen, the last that is said."""
    remembered: bool = False
    """Whether it tells of a remembered scene."""

    def came_at(self) -> int | None:
        """Where in the manuscript somebody comes to another place, the last time in the shot."""
        came = [at for a, at in zip(self.arrivals, self.starts, strict=True) if a.comes]
        return came[-1] if came else None

    def mutes(self, word: Word) -> bool:
        """Whether a word of time, weather or place does not say how it is here and now."""
        return any(at in self.muted for at in range(word.start, word.end))

    def arrival(self) -> Arrival | None:
        """Where the shot is: where somebody comes to last, else where somebody is first."""
        comes = [a for a in self.arrivals if a.comes]
        if comes:
            inside = [a for a in self.arrivals if a.start > comes[-1].start and a.noun in ROOMS]
            if comes[-1].noun in ("home", "house") and inside:
                return inside[0]._replace(stays=True)  # "came home, the kitchen smelled of bread"
            before = comes[-2] if len(comes) > 1 else None
            if (
                comes[-1].town
                and before
                and not before.town
                and comes[-1].start - before.start < IN_A_TOWN
            ):
                return before  # "to his laboratory in London"
            return self._within(comes[-1])
        # A window says where they are only where nothing else does.
        told = [a for a in self.arrivals if a.phrase != WITHIN] or self.arrivals
        if told and told[0].phrase == "woke" and told[0] != self.arrivals[-1]:
            within = any(a.phrase == WITHIN for a in self.arrivals)
            return told[0]._replace(phrase="bed") if within else told[0]  # "I went to the window"
        lives = [a for a in told if a.lives and a.noun in HOUSES]
        if told and told[0].lives and lives:
            return lives[0]  # "she lived at the end of the lane, in a house with a green door"
        return self._within(told[0]) if told else None

    def _within(self, arrival: Arrival) -> Arrival:
        """ "At Cleveland he got off, and stood on the platform": where in the town it is."""
        if not arrival.town:
            return arrival
        there = (a for a in self.arrivals if a.start > arrival.start and a.stays and not a.town)
        return next(there, arrival)

    def present(
        self, speakers: Sequence[int | None], last: tuple[int, ...], most: int
    ) -> tuple[tuple[int, ...], str]:
        """Who is there, and why; `last` were there in the shot before."""
        seen = dict.fromkeys(s for s in speakers if s)
        why = "speaks here" if seen else ""
        for m in self.mentions:
            if m.seen:
                new = [p for p in m.people if p not in seen]
                seen.update(dict.fromkeys(new))
                if new and m.why not in why:
                    why = ", ".join(filter(None, (why, m.why)))
        if not seen:
            weak = dict.fromkeys(p for m in self.mentions if m.weak for p in m.people if p in last)
            seen.update(weak)
            why = "spoken of, and there before" if weak else ""
        return tuple(seen)[:most], why or "nobody is there"


def told_in(story: Story, words: Sequence[Word]) -> Told | None:
    """What was read in a shot's words; None where some of them were not read."""
    mentions: list[Mention] = []
    deeds: list[Deed] = []
    sights: list[Sight] = []
    arrivals: list[Arrival] = []
    muted: set[int] = set()
    starts: list[int] = []
    deed_starts: list[int] = []
    another_day, year = False, ""
    remembered = False
    first, last = words[0].start, words[-1].end
    for number in range(words[0].paragraph, words[-1].paragraph + 1):
        read = story.paragraphs.get(number)
        if read is None:
            return None
        begin = story.starts[number]
        mentions += [m for m in read.mentions if first <= begin + m.start < last]
        done = [d for d in read.deeds if first <= begin + d.start < last]
        deeds += done
        deed_starts += [begin + d.start for d in done]
        sights += [s for s in read.sights if first <= begin + s.start < last]
        here = [a for a in read.arrivals if first <= begin + a.start < last]
        arrivals += here
        starts += [begin + a.start for a in here]
        muted.update(begin + at for at in read.muted)
        for at, said in read.years:
            year = said if first <= begin + at < last else year
        remembered = remembered or any(begin + a <= first < begin + b for a, b in read.memories)
        another_day = another_day or any(first <= begin + at < last for at in read.days)
    return Told(
        tuple(mentions),
        tuple(deeds),
        tuple(sights),
        tuple(arrivals),
        frozenset(muted),
        tuple(starts),
        tuple(deed_starts),
        another_day,
        year,
        remembered,
    )


def things_in(told: Told) -> tuple[str, ...]:
    """What is held, used or named in a shot, each once."""
    used = [t.removeprefix("the ") for d in told.deeds for t in d.things]
    seen = [s.phrase for s in told.sights if s.sort in ("thing", "food", "garment", "plant")]
    bare = [re.sub(r"^(?:the|an?|his|her|their|its|\{\d+\}’s) ", "", phrase) for phrase in seen]
    return tuple(dict.fromkeys([*used, *bare]))


def named(text: str, shown: Sequence[int], names: Names) -> str:
    """A deed with names; who is not in the picture is not named in it."""

    def name(match: re.Match[str]) -> str:
        called = names.get(int(match.group(1)))
        if called is None:
            return "somebody"
        return called.name if int(match.group(1)) in shown else called.nameless

    return re.sub(r"\{(\d+)\}", name, text)


def joined(deeds: Sequence[Deed], shown: Sequence[int], names: Names) -> str:
    """Deeds as one line; what the same one does goes on by "and"."""
    lines: list[str] = []
    last: Deed | None = None
    for deed in deeds:
        text = named(deed.text, shown, names)
        if last is not None and deed.text == last.text:
            continue
        if last is not None and deed.subject and deed.subject == last.subject:
            lines[-1] += " and " + text.removeprefix(named(deed.subject, shown, names)).strip()
        elif text not in lines:
            lines.append(text)
        last = deed
    return ", ".join(lines)
