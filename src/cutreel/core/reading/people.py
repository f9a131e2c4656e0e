"""Who is meant by every name, pronoun and "the old woman", and whether they are there to be seen.

Read paragraph by paragraph; what one paragraph hands on to the next is small (who was spoken of last), so that an edit
is read again only as far as it changes that. Each link says why, and how sure it is (0 … 1).

The order of preference for a pronoun is that of centring theory (Grosz, Joshi and Weinstein 1995): who was last spoken
of, the subject before others, with agreement of sex and number; an object is never its own clause's subject (binding).
"""

from collections.abc import Mapping, Sequence
from types import MappingProxyType
from typing import NamedTuple

from cutreel.core.manuscript import KIN, SPECIES, Pronoun, pronoun_of
from cutreel.core.nouns import sort_of

from .clauses import OBJECT, SUBJECT, clause_of, compared, subjects
from .focus import MOST_AGE, SURE, Carried, Kin, Mention, Now
from .known import Cast
from .parsed import Parsed
from .there import there

GONE = 4
"""Sentences after which a pronoun does not mean somebody any more without a name between."""
SOMEBODY: dict[Pronoun | None, int] = {"he": -1, "she": -2, None: -3}
"""In place of a number: somebody who is not in the cast, by their sex. A pronoun behind "a man" means him."""

# fmt: off
_SINGULAR: dict[str, Pronoun] = {
    "he": "he", "him": "he", "his": "he", "himself": "he",
    "she": "she", "her": "she", "hers": "she", "herself": "she",
}
OPEN_SEX = 1.2
"""What it weighs against somebody that it is not known whether they are called so."""
_NUMBERS = {"two": 2, "three": 3, "four": 4}
_CHILDREN = frozenset({"daughter", "son", "child"})
_BACK: dict[str, tuple[frozenset[str], Pronoun | None]] = {
    "father": (_CHILDREN, "he"), "mother": (_CHILDREN, "she"),
    "brother": (frozenset({"brother", "sister", "twin"}), "he"),
    "sister": (frozenset({"brother", "sister", "twin"}), "she"), "husband": (frozenset({"wife"}), "he"),
    "wife": (frozenset({"husband"}), "she"), "uncle": (frozenset({"niece", "nephew"}), "he"),
    "aunt": (frozenset({"niece", "nephew"}), "she"), "niece": (frozenset({"uncle", "aunt"}), "she"),
    "nephew": (frozenset({"uncle", "aunt"}), "he"), "grandmother": (frozenset({"granddaughter", "grandson"}), "she"),
    "grandfather": (frozenset({"granddaughter", "grandson"}), "he"), "friend": (frozenset({"friend"}), None),
}
"""What somebody is to whom one is a daughter, a niece, ..., and how they are called."""
_NEW = frozenset({"a", "an", "another", "no", "every", "any", "some"})
_THEM = frozenset({"they", "them", "their", "theirs", "themselves", "both"})
_US = frozenset({"we", "us", "our", "ours", "ourselves"})
_ME = frozenset({"i", "me", "my", "mine", "myself"})
_CHILD = frozenset({"boy", "girl", "child", "kid", "lad", "lass", "baby", "maiden", "youngster"})
_ANY_ONE = frozenset({"animal", "bird", "creature", "beast", "stranger", "figure", "fellow"})
_GROWN = frozenset({"man", "woman", "lady", "gentleman", "widow"})
# fmt: on


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


def people_in(
    paragraph: Paragraph, cast: Cast, before: Carried
) -> tuple[tuple[Mention, ...], Carried]:
    """The mentions of a paragraph, in order, and what it hands on."""
    reader = _Reader(paragraph, cast, before)
    reader.read()
    now = reader.now
    return tuple(now.out), Carried(tuple(now.focus), now.group, tuple(now.spoke[:2]), now.kin)


class _Reader:
    def __init__(self, paragraph: Paragraph, cast: Cast, before: Carried) -> None:
        self.text, self.parsed, spoken, self.answers = paragraph
        self.cast, self.tokens = cast, self.parsed.tokens
        self.now = Now(list(before.focus), before.group, list(before.spoke), before.kin)
        self.spoken = sorted(spoken)
        self.says: list[Spoken | None] = [self._said(t.start) for t in self.tokens]
        self.calls = self._calls()
        self.taken: dict[int, tuple[int, ...]] = {}
        """Whom the token at an index means, as far as it was read."""

    def _said(self, at: int) -> Spoken | None:
        return next((s for s in self.spoken if s.start <= at < s.end), None)

    def _calls(self) -> dict[int, tuple[int, int, int, bool]]:
        """The names in the text by the token that heads each."""
        out: dict[int, tuple[int, int, int, bool]] = {}
        for call in self.cast.names_in(self.text):
            inside = [i for i, t in enumerate(self.tokens) if call[0] <= t.start < call[1]]
            if inside:
                heads = [i for i in inside if self.tokens[i].head not in inside]
                out[heads[-1] if heads else inside[-1]] = call
        return out

    def read(self) -> None:
        sentence = 0
        for s in self.spoken:
            if s.speaker is not None and s.start == 0:
                self._hear(s.speaker)
        self.now.next_sentence()
        for i, token in enumerate(self.tokens):
            if token.sentence != sentence:
                sentence = token.sentence
                self.now.next_sentence()
            said = self.says[i]
            if said is not None and said.speaker is not None:
                self._hear(said.speaker)
            if self.answers and self._answered(i):
                continue
            if not self._call(i):
                self._pronoun(i)

    def _answered(self, i: int) -> bool:
        """Whether the maker said whom the word means: then it does, and what follows goes on from it."""
        token = self.tokens[i]
        if token.pos in {"PUNCT", "DET", "ADJ"} and i not in self.calls:
            return False
        at = next(
            (
                a
                for a in self.answers
                if token.start <= a + 1 and a < token.end and a >= token.start - 1
            ),
            None,
        )
        if at is None:
            return False
        people = [p for p in self.answers[at] if p in self.cast.people]
        start = min(token.start, self.calls[i][0]) if i in self.calls else token.start
        self._note(i, people, "as you said", 1.0, (start, token.end))
        return True

    def _hear(self, speaker: int) -> None:
        if self.now.spoke[:1] != [speaker]:
            self.now.spoke = [speaker, *(s for s in self.now.spoke if s != speaker)][:3]

    # What is said of whom

    def _note(
        self, i: int, people: Sequence[int], why: str, sure: float, span: tuple[int, int]
    ) -> None:
        if not people:
            return
        seen, weak = (False, False) if self.says[i] is not None else there(self.parsed, i)
        self.taken[i] = tuple(people)
        own = (
            self.tokens[i].dep == "poss"
            and sort_of(self.tokens[self.tokens[i].head].lemma) in {"body", "garment"}
            and self._own_named_subject(i) == people[0]
        )
        self.now.out.append(Mention(*span, tuple(people), seen, weak, why, round(sure, 2), own))
        if self.says[i] is None:
            dep = self.tokens[i].dep
            # "There was once a moth": what it is about.
            subject = dep in SUBJECT or (dep in {"attr", "dobj"} and self._there_was(i))
            subject = subject or (dep == "conj" and self.tokens[self.tokens[i].head].dep in SUBJECT)
            called = _SINGULAR.get(self.tokens[i].text.lower()) if sure >= SURE else None
            for id in reversed(people):
                self.now.touch(id, subject, sure, called)
        if len(people) > 1:
            self.now.group = tuple(people)
        else:
            self._joined_with(i, people[0])

    def _there_was(self, i: int) -> bool:
        verb = clause_of(self.parsed, i)
        return any(
            self.tokens[c].dep == "expl" for c in self.parsed.children[verb]
        ) or not subjects(self.parsed, verb)

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

    def _call(self, i: int) -> bool:
        """A name or a role of the cast, or a noun that can only mean one of them."""
        call = self.calls.get(i)
        token = self.tokens[i]
        if call is not None:
            start, end, person, role = call
            if role and token.dep == "poss" and not self._definite(i):
                return False  # "a shepherd's hut" is nobody's in particular
            if role and not self._definite(i) and any(f.id == person for f in self.now.focus):
                return False  # "a woman", when the woman is known already, is another
            if role and token.dep in {"attr", "compound"} and not self._there_was(i):
                return False
            if token.dep == "appos" and sort_of(self.tokens[token.head].lemma) in {
                "person",
                "animal",
            }:
                # "My uncle Otto": he stands where the noun before him does.
                head = token.head
                start = min(start, self._span(head)[0])
                self._learn_kin(head, person)
                self._note(head, [person], "by name", 1.0, (start, end))
                return True
            for k in self.parsed.children[i]:
                self._learn_kin(k, person)
            self._note(
                i, [person], "by role" if role else "by name", 0.95 if role else 1.0, (start, end)
            )
            return True
        if token.pos != "NOUN" or token.dep in {"compound", "npadvmod"}:
            return False
        sort = sort_of(token.lemma)
        if token.tag == "NNS":
            return self._group(i, sort)
        if sort not in {"person", "animal"} or token.dep in {"attr", "appos"}:
            return self._named_behind(i)
        if self._named_behind(i):
            return True
        kin = (self._by_kin(i) or self._young_kin(i)) if token.lemma in KIN else None
        if kin is not None:
            self._note(i, [kin], f"“{self._phrase(i)}”: told before", 0.9, self._span(i))
            return True
        found = self._by_noun(i) if self._definite(i) else None
        if found is None:
            if self.says[i] is None and not compared(self.parsed, i):
                self.now.touch(SOMEBODY[pronoun_of(token.lemma)], token.dep in SUBJECT)
            return False
        self._note(
            i, [found], f"“{self._phrase(i)}”: the last who can be meant", 0.7, self._span(i)
        )
        return True

    def _learn_kin(self, noun: int, person: int) -> None:
        """ "His daughter Signe": from now on "her father" is he."""
        word = self.tokens[noun].lemma
        if word not in KIN:
            return
        owner = self._owner(noun) or self._owner(self.tokens[noun].head)
        if owner and owner != person:
            self.now.kin = tuple(dict.fromkeys((*self.now.kin, Kin(owner, word, person))))[-12:]

    def _owner(self, noun: int) -> int | None:
        """Whose the noun at an index is, where that is one of the cast."""
        for c in self.parsed.children[noun]:
            if self.tokens[c].dep == "poss" and len(self.taken.get(c, ())) == 1:
                return self.taken[c][0]
        return None

    def _by_kin(self, i: int) -> int | None:
        """Whom "her father" means, from what was said of their kin."""
        word, owner = self.tokens[i].lemma, self._owner(i)
        if owner is None:
            return None
        for k in self.now.kin:
            if (k.owner, k.noun) == (owner, word):
                return k.person
        if word not in _BACK:
            return None
        nouns, sex = _BACK[word]
        back = (k.owner for k in self.now.kin if k.person == owner and k.noun in nouns)
        return next((o for o in back if self.cast.people[o].pronoun in (sex, None)), None)

    def _young_kin(self, i: int) -> int | None:
        """ "His daughter came ... the girl said": the one girl of the cast, who was not spoken of yet."""
        noun = self.tokens[i].lemma
        if noun not in _CHILDREN or self._owner(i) is None:
            return None
        sex = pronoun_of(noun)
        fits = [
            p
            for p in self.cast.people.values()
            if {"girl", "boy", "child"} & set(p.calls) and p.pronoun in (None, sex)
        ]
        known = {f.id for f in self.now.focus}
        return fits[0].id if len(fits) == 1 and fits[0].id not in known else None

    def _named_behind(self, i: int) -> bool:
        """ "A girl called Wenna": she stands where the noun does."""
        for c in self.parsed.children[i]:
            if self.tokens[c].dep != "acl" or self.tokens[c].lemma not in {"call", "name"}:
                continue
            for k in self.parsed.children[c]:
                if k in self.calls and k not in self.taken:
                    _, end, person, _ = self.calls.pop(k)
                    self._note(i, [person], "by name", 1.0, (self._span(i)[0], end))
                    return True
        return False

    def _definite(self, i: int) -> bool:
        below = [self.tokens[c] for c in self.parsed.children[i]]
        return not any(t.dep == "det" and t.text.lower() in _NEW for t in below)

    def _is_the(self, i: int) -> bool:
        """Whether it is "the brothers" or "his friends", not "four friends"."""
        below = [self.tokens[c] for c in self.parsed.children[i]]
        return any(
            t.dep == "poss" or t.text.lower() in {"the", "these", "those", "both", "all"}
            for t in below
        )

    def _number(self, i: int) -> int:
        words = {self.tokens[c].text.lower() for c in self.parsed.children[i]}
        return next((n for word, n in _NUMBERS.items() if word in words), 0)

    def _by_noun(self, i: int) -> int | None:
        """Somebody whom "the woman", "the animal" can mean."""
        token = self.tokens[i]
        below = [self.tokens[c] for c in self.parsed.children[i]]
        if not any(
            t.dep in {"det", "poss"} and t.text.lower() in {"the", "this", "that"} for t in below
        ):
            return None
        noun = token.lemma
        sex = pronoun_of(noun)
        animal = sort_of(noun) == "animal"
        if animal and (same := self._same_animal(noun)) is not None:
            return same
        if noun not in _CHILD | _GROWN | _ANY_ONE:
            return None
        old = any(t.lemma in {"old", "elderly", "young"} for t in below)
        for f in sorted(self.now.focus, key=lambda f: (f.age, not f.subject)):
            p = self.cast.people.get(f.id)
            if (
                p is None
                or f.age >= MOST_AGE
                or (animal or noun in {"creature", "beast"}) != (p.kind == "animal")
            ):
                continue
            if sex and p.pronoun and p.pronoun != sex:
                continue
            if noun in _CHILD and p.age != "child":
                continue
            if noun in _GROWN and p.age == "child":
                continue
            if old and any(t.lemma in {"old", "elderly"} for t in below) != (p.age == "old"):
                continue
            return f.id
        return None

    def _same_animal(self, noun: str) -> int | None:
        """ "The fox" is the vixen, "the dog" is the terrier."""
        kind = SPECIES.get(noun, noun)
        for f in self.now.focus:
            p = self.cast.people.get(f.id)
            words = {w.lower().removeprefix("the ") for w in p.calls} if p else set()
            if p and p.kind == "animal" and kind in {SPECIES.get(w, w) for w in words}:
                return p.id
        return None

    def _group(self, i: int, sort: str | None) -> bool:
        """The brothers, the two of them, the children: the group that was spoken of, where its people can be meant."""
        if sort not in {"person", "animal"} or not self._is_the(i):
            return False
        noun = self.tokens[i].lemma
        sex = pronoun_of(noun)
        counted = self._number(i)
        group = tuple(
            f.id for f in self.now.focus if f.age < MOST_AGE and self._is_kind(f.id, sort)
        )[:counted]
        group = (
            group
            if counted and len(group) == counted
            else self.now.group
            or tuple(f.id for f in self.now.focus if f.age <= 2 and self._is_kind(f.id, sort))
        )
        people = [self.cast.people[p] for p in group if p in self.cast.people]
        fits = [
            p.id
            for p in people
            if p.kind == sort
            and not (sex and p.pronoun and p.pronoun != sex)
            and not (noun in _CHILD and p.age == "old")
            and not (noun in _GROWN and p.age == "child")
        ]
        known = (
            noun in _CHILD | _GROWN
            or noun in KIN
            or noun in {"friend", "traveller", "companion", "twin", "animal", "bird", "creature"}
        )
        if not known or len(fits) < 2 or (noun not in _CHILD and len(fits) < len(people)):
            return False
        self._note(i, fits, f"“{self._phrase(i)}”: the group spoken of last", 0.6, self._span(i))
        return True

    def _phrase(self, i: int) -> str:
        start, end = self._span(i)
        return self.text[start:end]

    def _span(self, i: int) -> tuple[int, int]:
        left = [
            c
            for c in self.parsed.children[i]
            if self.tokens[c].dep in {"det", "amod", "compound", "poss"} and c < i
        ]
        return self.tokens[min([i, *left])].start, self.tokens[i].end

    # Pronouns

    def _pronoun(self, i: int) -> None:
        token = self.tokens[i]
        word = token.text.lower()
        span = (token.start, token.end)
        said = self.says[i]
        if word in _SINGULAR and token.tag in {"PRP", "PRP$"}:
            found = self._meant(i, _SINGULAR[word], said)
            if found:
                person, why, sure = found
                self._note(i, [person], why, sure, span)
        elif word in _ME:
            if said is not None:
                if said.speaker is not None:
                    self._note(i, [said.speaker], "who speaks", 0.95, span)
            elif self.cast.teller is not None:
                self._note(i, [self.cast.teller], "who tells it", 1.0, span)
        elif word in _US and said is None:
            self._us(i, span)
        elif word in _THEM and said is None:
            self._them(i, word, span)
        elif word == "it" and token.tag == "PRP" and said is None:
            self._it(i, span)
        elif word in {"its", "itself"} and said is None:
            own = self._own_subject(i)
            if own is not None and not self._is_person(own):
                self._note(i, [own], "“it”: who does it", 0.9, span)

    def _is_kind(self, id: int, kind: str) -> bool:
        return id in self.cast.people and self.cast.people[id].kind == kind

    def _is_person(self, id: int) -> bool:
        return self._is_kind(id, "person")

    def _meant(self, i: int, sex: Pronoun, said: Spoken | None) -> tuple[int, str, float] | None:
        """Whom "she" means, why, and how sure that is."""
        barred = self._barred(i)
        if said is not None and said.speaker is not None:
            barred = barred | {said.speaker}
        own = self._own_subject(i)
        scored: list[tuple[float, int]] = []
        for rank, f in enumerate(self.now.focus):
            if f.id in barred or f.age >= MOST_AGE or f.id == self.cast.teller:
                continue
            score = -1.0 * f.age + (0.9 if f.subject else 0) - 0.05 * rank
            p = self.cast.people.get(f.id)
            if p is None:
                if f.id in (SOMEBODY[sex], SOMEBODY[None]) and f.age <= 2:
                    scored.append((score - (1.2 if f.id == SOMEBODY[None] else 0.3), f.id))
                continue
            if p.pronoun not in (None, sex) or p.kind == "thing":
                continue
            if p.pronoun is None and f.called not in (None, sex):
                continue
            if p.pronoun is None and f.called is None:
                # An animal with a name is called so sooner than one without.
                known = self.cast.is_somebody(p)
                named = p.kind == "animal" and p.has_name
                score -= 0.6 if named else OPEN_SEX if p.kind == "person" or known else 2.6
                if p.kind == "animal" and f.age > (GONE if known else 1):
                    continue
            if f.id == own and self.tokens[i].dep == "poss":
                score += 1.5
            scored.append((score, f.id))
        if not scored:
            same = [
                p.id
                for p in self.cast.people.values()
                if p.pronoun == sex and p.id not in barred and p.kind == "person"
            ]
            # Whom a text never names is called by a word for anybody.
            same = [p for p in same if (_CHILD | _GROWN) & set(self.cast.people[p].calls)] or same
            if len(same) != 1:
                return None
            # Somebody else may have been told of; else it is who is named later, or never.
            alone = not any(f.id < 0 for f in self.now.focus)
            return same[0], f"the only “{sex}” there is", SURE if alone else 0.5
        scored.sort(reverse=True)
        best, person = scored[0]
        if person < 0:
            return None
        margin = best - self._rival(scored[1]) if len(scored) > 1 else 2.0
        sure = min(0.95, 0.55 + 0.2 * max(0.0, min(2.0, margin)))
        last = next(f for f in self.now.focus if f.id == person)
        if last.age > GONE:
            sure = min(sure, 0.5)
        if last.sure < SURE <= sure:
            return person, f"“{self.tokens[i].text}”: goes on from a guess", last.sure
        why = "the only one it can be" if len(scored) == 1 else "who was spoken of last"
        return person, f"“{self.tokens[i].text}”: {why}", sure

    def _rival(self, scored: tuple[float, int]) -> float:
        """How near the next one comes: whether somebody is called so may only be unknown as yet."""
        score, person = scored
        p = self.cast.people.get(person)
        return score + (OPEN_SEX if p is not None and p.kind == "person" and not p.pronoun else 0)

    def _own_named_subject(self, i: int) -> int | None:
        """The same, where it is no pronoun, which may be a guess itself."""
        of = subjects(self.parsed, clause_of(self.parsed, i))
        named = any(s != i and self.tokens[s].pos != "PRON" for s in of)
        return self._own_subject(i) if named else None

    def _own_subject(self, i: int) -> int | None:
        verb = clause_of(self.parsed, i)
        for s in subjects(self.parsed, verb):
            if s != i and len(self.taken.get(s, ())) == 1:
                return self.taken[s][0]
        return None

    def _barred(self, i: int) -> set[int]:
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

    def _us(self, i: int, span: tuple[int, int]) -> None:
        teller = self.cast.teller
        if teller is None:
            return
        barred = self._barred(i)
        with_me = [p for p in self.now.group if p != teller and p not in barred] or [
            f.id
            for f in self.now.focus
            if f.age <= GONE and f.id != teller and f.id not in barred and self._is_person(f.id)
        ][:2]
        self._note(
            i, list(dict.fromkeys([teller, *with_me])), "the teller and who was there", 0.6, span
        )

    def _them(self, i: int, word: str, span: tuple[int, int]) -> None:
        """ "They": what is plural and was named last, or the people spoken of."""
        if word == "both" and self.tokens[i].dep in {"preconj", "det"}:
            return
        before = [
            k for k in range(i) if self.tokens[k].tag in {"NNS", "NNPS"}
            and self.tokens[i].sentence - self.tokens[k].sentence <= 1 and self.says[k] is None
        ]  # fmt: skip
        subjects_before = [
            k for k in before if self.tokens[k].dep in SUBJECT and k not in self.taken
        ]
        others = [
            k for k in before if k not in self.taken and sort_of(self.tokens[k].lemma) == "person"
        ]
        if subjects_before or (others and len(self.now.group) < 2):
            return  # "with four friends ... each of them"
        if self.tokens[i].dep in OBJECT and any(
            k not in self.taken and sort_of(self.tokens[k].lemma) not in {"person", "people", None}
            and (len(self.now.group) < 2 or self.tokens[k].sentence == self.tokens[i].sentence) for k in before
        ):  # fmt: skip
            return  # "a line of lights, and he steered between them"
        near = [f for f in self.now.focus if f.age <= 2 and f.id in self.cast.people
                and self.cast.people[f.id].kind != "thing"]  # fmt: skip
        if sum(self._is_person(f.id) for f in near) > 1:
            near = [f for f in near if self._is_person(f.id)]
        counted = self._counted(i)
        if counted:
            people = [f.id for f in self.now.focus if self._is_person(f.id)][:counted]
            if len(people) == counted:
                self._note(
                    i, people, f"“{self.text[span[0] : span[1]]}”: the last {counted}", 0.6, span
                )
                return
        ids = {f.id for f in near}
        group = [p for p in self.now.group if p in self.cast.people]
        if len(group) > 1 and ids & set(group):
            extra = [f.id for f in near if f.age == 0 and f.id not in group]
            self._note(i, [*group, *extra][:4], "“they”: those spoken of together", 0.75, span)
        elif len(near) == 1 and self.tokens[i].dep in SUBJECT:
            # Two people of a scene, one of whom has not been named for a while.
            pair = [f.id for f in self.now.focus if f.age < MOST_AGE and self._is_person(f.id)][:2]
            if len(pair) == 2:
                self._note(i, pair, "“they”: the two who are there", 0.5, span)
        elif len(near) > 1:
            self._note(i, [f.id for f in near][:3], "“they”: those spoken of last", 0.6, span)

    def _counted(self, i: int) -> int:
        """How many "the three of them" are."""
        token = self.tokens[i]
        prep = self.tokens[token.head]
        if token.dep != "pobj" or prep.text.lower() != "of":
            return 0
        return _NUMBERS.get(self.tokens[prep.head].text.lower(), 0)

    def _it(self, i: int, span: tuple[int, int]) -> None:
        """ "It": an animal or a thing of the cast that was the last to do something."""
        for f in self.now.focus:
            p = self.cast.people.get(f.id)
            if p is not None and p.kind != "person" and p.pronoun is None and f.age <= 1:
                if self.tokens[i].dep in SUBJECT or self.tokens[i].dep in OBJECT:
                    other = [
                        k for k in range(i)
                        if self.tokens[k].dep in SUBJECT and self.tokens[k].pos == "NOUN"
                        and k not in self.taken and self.tokens[i].sentence - self.tokens[k].sentence <= 1
                    ]  # fmt: skip
                    if not other:
                        self._note(i, [f.id], "“it”: who acted last", 0.6, span)
                return
