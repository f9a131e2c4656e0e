"""Who is in a shot by its words alone, where it was not parsed."""

import re
from collections.abc import Sequence, Set

from .model import Person

MOST_PEOPLE = 3
"""People in one picture: more do not fit a prompt's cap, nor read well in a small frame."""


class Calls:
    """Looks people up by what the text calls them."""

    def __init__(self, cast: Sequence[Person]) -> None:
        self.calls = {
            call.lower(): p.id for p in reversed(cast) for call in (p.name, *p.aliases) if call
        }
        ordered = sorted(self.calls, key=len, reverse=True)
        self.pattern = (
            re.compile(r"\b(" + "|".join(map(re.escape, ordered)) + r")\b", re.I)
            if ordered
            else None
        )
        self.pronouns = {p.id: p.pronoun for p in cast}

    def number(self, speaker: str | None) -> int | None:
        return self.calls.get(speaker.lower()) if speaker else None

    def present(
        self,
        text: str,
        bare: Sequence[str],
        speakers: Sequence[int | None],
        last: tuple[int, ...],
        here: Set[int],
    ) -> tuple[tuple[int, ...], str]:
        """Who is in a shot, and why: `last` were in the shot before it, `here` were in its scene so
        far."""
        named = (
            [self.calls[m.group(1).lower()] for m in self.pattern.finditer(text)]
            if self.pattern
            else []
        )
        people = list(dict.fromkeys([s for s in speakers if s] + named))
        why = "named or speaking here"
        for pronoun, forms in (("she", {"she", "her", "hers"}), ("he", {"he", "him", "his"})):
            if forms & set(bare) and not any(self.pronouns.get(p) == pronoun for p in people):
                earlier = [p for p in last if self.pronouns.get(p) == pronoun]
                earlier = earlier or [p for p in here if self.pronouns.get(p) == pronoun]
                if len(earlier) == 1:
                    people.append(earlier[0])
                    why = f"“{pronoun}” can only be one"
        if not people and ("they" in bare or "them" in bare) and last:
            people, why = list(last), "“they”: as in the shot before"
        return tuple(people[:MOST_PEOPLE]), why if people else "nobody is named"
