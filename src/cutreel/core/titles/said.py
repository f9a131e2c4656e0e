"""Words on the screen that go with what is seen and said: who somebody is when first seen, what the voice stresses, and
when each word of a card is said."""

import re
from collections.abc import Collection, Sequence
from typing import NamedTuple

from .cards import BEGINS, LASTS, LEAST, Card, ShotTold

AHEAD, LINGERS = 0.08, 0.9
"""Seconds before a stressed word is said at which it stands there, and for which it stays behind the last."""
TOGETHER = 0.35
"""Seconds between two stressed words within which they stand together."""
_BARE = re.compile(r"[^\w']+")


class SaidAt(NamedTuple):
    """A word that is said: its text, from and up to which second, and whether the maker stressed it."""

    text: str
    start: float
    end: float
    stressed: bool = False


class NamedSeen(NamedTuple):
    """Somebody who is seen in a shot: their name, and what they are, if that is told."""

    name: str
    what: str = ""


def plan_names(
    shots: Sequence[ShotTold], seen: Sequence[Sequence[NamedSeen]], taken: Sequence[Card]
) -> list[Card]:
    """Who somebody is, once, in the first shot that they are seen in where it can be read and nothing else stands. Of
    several who are new in a shot it is the first: the others come with the next."""
    known: set[str] = set()
    out: list[Card] = []
    for i, (shot, people) in enumerate(zip(shots, seen, strict=True)):
        new = next((p for p in people if p.name not in known), None)
        if new is None:
            continue
        before = [c.end for c in taken if c.start < shot.end and c.end > shot.start]
        start = max([shot.start + BEGINS, *(end + 0.2 for end in before)])
        end = min(start + LASTS["name"], shot.end - 0.2)
        if end - start < LEAST:
            continue
        known.add(new.name)
        lines = (new.name, new.what) if new.what else (new.name,)
        out.append(Card("name", i, lines, start, end, "first seen here"))
    return out


def plan_emphasis(shots: Sequence[ShotTold], said: Sequence[Sequence[SaidAt]]) -> list[Card]:
    """What the maker stressed, large on the picture while it is said. `said` are the words of each shot."""
    out: list[Card] = []
    for i, (shot, words) in enumerate(zip(shots, said, strict=True)):
        for group in _stressed(words):
            start = max(shot.start, group[0].start - AHEAD)
            end = min(max(group[-1].end + LINGERS, start + LEAST), shot.end)
            if out and start < out[-1].end:
                continue
            text = _plain(" ".join(w.text for w in group))
            if text and end - start >= LEAST / 2:
                times = tuple(w.start for w in group)
                out.append(Card("emphasis", i, (text,), start, end, "stressed", said=times))
    return out


def said_times(lines: Sequence[str], words: Sequence[SaidAt]) -> tuple[float, ...]:
    """When each word of `lines` is said, by the `words` that are: in their order, one that is not said with the one
    before it. Empty where none is."""
    wanted = [w for line in lines for w in line.split()]
    out: list[float | None] = []
    at = 0
    for word in wanted:
        there = next(
            (n for n in range(at, len(words)) if _bare(words[n].text) == _bare(word)), None
        )
        out.append(None if there is None else words[there].start)
        at = at if there is None else there + 1
    if all(time is None for time in out):
        return ()
    last = min(time for time in out if time is not None)
    times: list[float] = []
    for time in out:
        last = last if time is None else time
        times.append(last)
    return tuple(times)


def free_of(cards: Sequence[Card], taken: Collection[Card]) -> list[Card]:
    """Those cards at whose time nothing stands that is taken."""
    return [c for c in cards if all(c.end <= t.start or c.start >= t.end for t in taken)]


def _stressed(words: Sequence[SaidAt]) -> list[list[SaidAt]]:
    groups: list[list[SaidAt]] = []
    last: SaidAt | None = None
    for word in words:
        if word.stressed:
            close = groups and last is not None and last.stressed
            if close and word.start - groups[-1][-1].end < TOGETHER:
                groups[-1].append(word)
            else:
                groups.append([word])
        last = word
    return groups


def _plain(text: str) -> str:
    return text.strip(" ,.;:!?“”\"‘’'—–-…()")


def _bare(text: str) -> str:
    return _BARE.sub("", text.casefold().replace("’", "'"))
