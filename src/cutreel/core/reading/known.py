"""The cast as the reading of a story knows it, and looks it up by the words of a text."""

import re
from collections.abc import Collection, Sequence
from typing import Literal, NamedTuple

from cutreel.core.manuscript import Pronoun

TELLER = "I"
"""The call by which the teller of a story stands in its cast."""
LISTENER = "you"
"""The call of whoever a story is told to and about: "You are standing on a platform"."""


class Known(NamedTuple):
    """Somebody of the cast, as far as reading needs to know them."""

    id: int
    calls: tuple[str, ...]
    pronoun: Pronoun | None
    kind: Literal["person", "animal", "thing"]
    age: Literal["child", "old", ""] = ""

    @property
    def has_name(self) -> bool:
        """Whether a call is a name, or a word used like one ("the Swallow")."""
        return any(call[:1].isupper() for call in self.calls)


class Cast:
    """The cast, as it is looked up by the words of a text."""

    def __init__(self, people: Sequence[Known], speaking: Collection[int] = ()) -> None:
        self.people = {p.id: p for p in people}
        self.teller = next((p.id for p in people if TELLER in p.calls), None)
        self.listener = next((p.id for p in people if LISTENER in p.calls), None)
        calls = [
            (call, p.id)
            for p in reversed(people)
            for call in p.calls
            if call not in (TELLER, LISTENER)
        ]
        self.named = {call: id for call, id in calls if call[:1].isupper()}
        self.roles = {
            call.lower().removeprefix("the "): id for call, id in calls if not call[:1].isupper()
        }
        self._name = _any_of(self.named, 0)
        self._role = _any_of(self.roles, re.IGNORECASE)
        self.speaking = frozenset(speaking)
        self.key = (*people, self.speaking)

    def is_somebody(self, person: Known) -> bool:
        """Whether an animal is told of like a person: by a name, or as one who speaks."""
        return person.has_name or person.id in self.speaking

    def names_in(self, text: str) -> list[tuple[int, int, int, bool]]:
        """Where names and roles of the cast stand: start, end, whose, whether it is a role. Names win over roles."""
        found = [
            (m.start(), m.end(), self.named[m.group()], False) for m in self._name.finditer(text)
        ]
        taken = [(a, b) for a, b, _, _ in found]
        for m in self._role.finditer(text):
            if not any(a < m.end() and m.start() < b for a, b in taken):
                found.append((m.start(), m.end(), self.roles[m.group().lower()], True))
        return sorted(found)


def _any_of(calls: "dict[str, int]", flags: int) -> re.Pattern[str]:
    ordered = sorted(calls, key=len, reverse=True)
    return re.compile(
        r"\b(?:" + "|".join(map(re.escape, ordered)) + r")\b" if ordered else r"(?!)", flags
    )
