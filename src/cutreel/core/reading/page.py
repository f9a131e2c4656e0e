"""A paragraph while it is read: its words, whom they were found to mean so far, and what grammar says of them."""

from collections.abc import Mapping, Sequence
from types import MappingProxyType
from typing import NamedTuple

from cutreel.core.manuscript import Pronoun
from cutreel.core.nouns import sort_of

from .clauses import OBJECT, SUBJECT, clause_of, noun_behind, subjects
from .focus import SURE, Carried, Mention, Now
from .known import Cast
from .parsed import Parsed
from .there import there

SOMEBODY: dict[Pronoun | None, int] = {"he": -1, "she": -2, None: -3}
"""In place of a number: somebody who is not in the cast, by their sex. A pronoun behind "a man" means him."""
SINGULAR: dict[str, Pronoun] = {
    "he": "he", "him": "he", "his": "he", "himself": "he",
    "she": "she", "her": "she", "hers": "she", "herself": "she",
}  # fmt: skip
_NEW = frozenset({"a", "an", "another", "no", "every", "any", "some"})
_NUMBERS = {"two": 2, "three": 3, "four": 4}


class Spoken(NamedTuple):
    """Characters `start` up to `end` of a paragraph that somebody of the cast speaks (None: somebody else)."""

    start: int
    end: int
    speaker: int | None


class Paragraph(NamedTuple):
    """A paragraph to be read: its text, its parse, what is spoken in it, and whom the maker said that words at some
    characters mean."""

    text: str
    parsed: Parsed
    spoken: Sequence[Spoken] = ()
    answers: Mapping[int, tuple[int, ...]] = MappingProxyType({})


class Meaning(NamedTuple):
    """Whom a word means, why, and how sure that is (0 … 1)."""

    people: tuple[int, ...]
    why: str
    sure: float


class Page:
    """What is known of a paragraph at the word that is read; all that finds out whom words mean asks it."""

    def __init__(self, paragraph: Paragraph, cast: Cast, before: Carried) -> None:
        self.text, self.parsed, spoken, self.answers = paragraph
        self.cast, self.tokens = cast, self.parsed.tokens
        self.now = Now(
            list(before.focus), before.group, list(before.spoke), before.kin, before.others
        )
        self.spoken = sorted(spoken)
        self.says: list[Spoken | None] = [self._said(t.start) for t in self.tokens]
        self.calls = self._calls()
        self.taken: dict[int, tuple[int, ...]] = {}
        """Whom the token at an index means, as far as it was read."""
        self.others: dict[int, str] = {}
        """Plural words that mean people who are not in the cast, by the words for those."""

    def _said(self, at: int) -> Spoken | None:
        return next((s for s in self.spoken if s.start <= at < s.end), None)

    def _calls(self) -> dict[int, tuple[int, int, int, bool]]:
        """The names in the text by the token that heads each."""
        out: dict[int, tuple[int, int, int, bool]] = {}
        beside: dict[int, int] = {}
        for call in self.cast.names_in(self.text):
            inside = [i for i, t in enumerate(self.tokens) if call[0] <= t.start < call[1]]
            if inside:
                heads = [i for i in inside if self.tokens[i].head not in inside]
                head = heads[-1] if heads else inside[-1]
                out[head] = call
                noun = noun_behind(self.parsed, head, inside[-1])
                if noun is not None:
                    beside[head] = noun
        for head, noun in beside.items():
            start, _, person, role = out.pop(head)
            out[noun] = (start, self.tokens[noun].end, person, role)
        return out

    # What was found

    def note(
        self, i: int, people: Sequence[int], why: str, sure: float, span: tuple[int, int]
    ) -> None:
        """The token at `i`, with the characters of `span`, means some of the cast."""
        if not people:
            return
        seen, weak = (False, False) if self.says[i] is not None else there(self.parsed, i)
        self.taken[i] = tuple(people)
        own = (
            self.tokens[i].dep == "poss"
            and self.is_on_body(i)
            and self._own_named_subject(i) == people[0]
        )
        self.now.out.append(Mention(*span, tuple(people), seen, weak, why, round(sure, 2), own))
        if self.says[i] is None:
            dep = self.tokens[i].dep
            # "There was once a moth": what it is about.
            subject = dep in SUBJECT or (dep in {"attr", "dobj"} and self.there_was(i))
            subject = subject or (dep == "conj" and self.tokens[self.tokens[i].head].dep in SUBJECT)
            called = SINGULAR.get(self.tokens[i].text.lower()) if sure >= SURE else None
            for id in reversed(people):
                self.now.touch(id, subject, sure, called)
        if len(people) > 1:
            self.now.group = tuple(people)
        else:
            self._joined_with(i, people[0])

    def note_meaning(self, i: int, meaning: Meaning, span: tuple[int, int]) -> None:
        self.note(i, meaning.people, meaning.why, meaning.sure, span)

    def _joined_with(self, i: int, person: int) -> None:
        """ "Ada and Tom" are a group from there on."""
        token = self.tokens[i]
        if (
            token.dep == "conj"
            and token.head in self.taken
            and token.pos in {"PROPN", "NOUN", "PRON"}
        ):
            together = dict.fromkeys((*self.taken[token.head], person))
            self.now.group = tuple(together)
            self.taken[token.head] = self.taken[i] = tuple(together)

    # What grammar says

    def there_was(self, i: int) -> bool:
        """ "There was a woman", and "one of them was a woman": she comes in."""
        verb = clause_of(self.parsed, i)
        of = subjects(self.parsed, verb)
        return (
            not of
            or any(self.tokens[c].dep == "expl" for c in self.parsed.children[verb])
            or any(self.tokens[s].lemma.lower() in {"one", "other", "another"} for s in of)
        )

    def definite(self, i: int) -> bool:
        below = [self.tokens[c] for c in self.parsed.children[i]]
        return not any(t.dep == "det" and t.text.lower() in _NEW for t in below)

    def is_the(self, i: int) -> bool:
        """Whether it is "the brothers" or "his friends", not "four friends"."""
        below = [self.tokens[c] for c in self.parsed.children[i]]
        return any(
            t.dep == "poss" or t.text.lower() in {"the", "these", "those", "both", "all"}
            for t in below
        )

    def number(self, i: int) -> int:
        words = {self.tokens[c].text.lower() for c in self.parsed.children[i]}
        return next((n for word, n in _NUMBERS.items() if word in words), 0)

    def counted(self, i: int) -> int:
        """How many "the three of them" are; or "we", with "the four of us" beside it."""
        token = self.tokens[i]
        for c in self.parsed.children[i]:
            of_us = {self.tokens[k].text.lower() for k in self.parsed.children[c]} & {"of"}
            if self.tokens[c].dep == "appos" and of_us:
                return _NUMBERS.get(self.tokens[c].text.lower(), 0)
        prep = self.tokens[token.head]
        if token.dep != "pobj" or prep.text.lower() != "of":
            return 0
        return _NUMBERS.get(self.tokens[prep.head].text.lower(), 0)

    def phrase(self, i: int) -> str:
        start, end = self.span(i)
        return self.text[start:end]

    def span(self, i: int) -> tuple[int, int]:
        left = [
            c
            for c in self.parsed.children[i]
            if self.tokens[c].dep in {"det", "amod", "compound", "poss"} and c < i
        ]
        return self.tokens[min([i, *left])].start, self.tokens[i].end

    def is_kind(self, id: int, kind: str) -> bool:
        return id in self.cast.people and self.cast.people[id].kind == kind

    def is_on_body(self, i: int) -> bool:
        """Whether what a word says "his" of can only be his who does it: a hand, a coat, "his own key"."""
        thing = self.tokens[i].head
        own = (self.tokens[c].text.lower() == "own" for c in self.parsed.children[thing])
        return sort_of(self.tokens[thing].lemma) in {"body", "garment"} or any(own)

    def is_person(self, id: int) -> bool:
        return self.is_kind(id, "person")

    def owner(self, noun: int) -> int | None:
        """Whose the noun at an index is, where that is one of the cast."""
        for c in self.parsed.children[noun]:
            if self.tokens[c].dep == "poss" and len(self.taken.get(c, ())) == 1:
                return self.taken[c][0]
        return None

    def own_subject(self, i: int) -> int | None:
        """Who does what the clause of a word tells, where that is one of the cast."""
        verb = clause_of(self.parsed, i)
        for s in subjects(self.parsed, verb):
            if s != i and len(self.taken.get(s, ())) == 1:
                return self.taken[s][0]
        return None

    def _own_named_subject(self, i: int) -> int | None:
        """The same, where it is no pronoun, which may be a guess itself."""
        of = subjects(self.parsed, clause_of(self.parsed, i))
        named = any(s != i and self.tokens[s].pos != "PRON" for s in of)
        return self.own_subject(i) if named else None

    def barred(self, i: int) -> set[int]:
        """Whom an object cannot mean: its own clause's subject."""
        token = self.tokens[i]
        if token.dep not in OBJECT or token.text.lower().endswith("self"):
            return set()
        if token.dep == "pobj" and self.tokens[token.head].text.lower() in {
            "behind", "beside", "around", "above", "under", "before", "after", "with", "over",
        }:  # fmt: skip
            # "She pulled the door shut behind her" is the same she; "he stole up behind him" is not.
            verb = clause_of(self.parsed, i)
            moved = any(self.tokens[c].dep == "dobj" for c in self.parsed.children[verb])
            if moved or self.tokens[verb].lemma in {"look", "glance", "close", "shut"}:
                return set()
        verb = clause_of(self.parsed, i)
        return {p for s in subjects(self.parsed, verb) for p in self.taken.get(s, ())}
