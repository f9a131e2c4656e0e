"""What the reading of a story tells of one shot: who is there, what is done, where they come to."""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from cutreel.core.manuscript import Word
from cutreel.core.reading import Arrival, Deed, Mention, Story

from .model import Person

MOST_DEEDS = 2
"""Deeds in one picture: it shows one moment."""


@dataclass(frozen=True)
class Told:
    """What was read in the words of a shot, in order; `muted` are characters of the manuscript."""

    mentions: tuple[Mention, ...]
    deeds: tuple[Deed, ...]
    arrivals: tuple[Arrival, ...]
    muted: frozenset[int]
    quoted: bool

    def mutes(self, word: Word) -> bool:
        """Whether a word of time, weather or place does not say how it is here and now."""
        return any(at in self.muted for at in range(word.start, word.end))

    def arrival(self, comes_only: bool = False) -> Arrival | None:
        """Where the shot is: where somebody comes to last, else where somebody is first."""
        comes = [a for a in self.arrivals if a.comes]
        if comes:
            return comes[-1]
        return self.arrivals[0] if self.arrivals and not comes_only else None

    def present(
        self, speakers: Sequence[int | None], last: tuple[int, ...], most: int
    ) -> tuple[tuple[int, ...], str]:
        """Who is in the shot, and why; `last` were in the shot before it."""
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
    arrivals: list[Arrival] = []
    muted: set[int] = set()
    first, last = words[0].start, words[-1].end
    for number in range(words[0].paragraph, words[-1].paragraph + 1):
        read = story.paragraphs.get(number)
        if read is None:
            return None
        begin = story.starts[number]
        mentions += [m for m in read.mentions if first <= begin + m.start < last]
        deeds += [d for d in read.deeds if first <= begin + d.start < last]
        arrivals += [a for a in read.arrivals if first <= begin + a.start < last]
        muted.update(begin + at for at in read.muted)
    return Told(tuple(mentions), tuple(deeds), tuple(arrivals), frozenset(muted), False)


def action_told(
    told: Told, people: Sequence[int], cast: Mapping[int, Person], speakers: Sequence[int | None]
) -> tuple[str, str]:
    """What is to be seen in a shot: its deeds with most to see, in their order; who speaks. And why."""
    shown = [d for d in told.deeds if all(p in people for p in d.who)]
    best = sorted(shown, key=lambda d: -d.weight)[:MOST_DEEDS]
    lines: list[str] = []
    last: Deed | None = None
    for deed in (d for d in shown if d in best):
        text = _named(deed.text, people, cast)
        if last is not None and deed.subject and deed.subject == last.subject:
            # "Nell puts on her coat and goes out": who it is was said.
            lines[-1] += " and " + text.removeprefix(_named(deed.subject, people, cast)).strip()
        else:
            lines.append(text)
        last = deed
    voices = list(dict.fromkeys(s for s in speakers if s and s in cast))
    if voices and not any(v in d.who for v in voices for d in best):
        lines.append(
            f"{' and '.join(cast[v].name for v in voices[:2])} speak{'s' if len(voices) == 1 else ''}"
        )
    return ", ".join(dict.fromkeys(lines)), "what is done here" if best else "who speaks here"


def _named(text: str, people: Sequence[int], cast: Mapping[int, Person]) -> str:
    """A deed with names; who is not in the picture is not named in it."""

    def name(match: re.Match[str]) -> str:
        person = cast.get(int(match.group(1)))
        if person is None:
            return "somebody"
        return person.name if person.id in people else _nameless(person)

    return re.sub(r"\{(\d+)\}", name, text)


def _nameless(person: Person) -> str:
    if person.kind != "person":
        return person.name if person.name.startswith("the ") else f"the {person.kind}"
    return {"she": "a woman", "he": "a man"}.get(person.pronoun or "", "somebody")
