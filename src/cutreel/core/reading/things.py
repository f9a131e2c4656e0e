"""Which thing "it" means, where that is no one of the cast: "A gull stood on it" is a gull on the bottle.

The thing spoken of last, the subject before others, and sooner what the story keeps coming back to. Only what a
sentence before named is put in place of "it": within a sentence the word stands beside its thing anyhow.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import NamedTuple

from cutreel.core.nouns import sort_of

from .clauses import SPEECH, SUBJECT, Called, clause_of, compared, denied_with, subjects, unreal
from .parsed import Parsed, Token

DRAWN = frozenset({"thing", "plant", "food", "garment"})
PARTS = frozenset(
    "water air wind light dark darkness side top end part edge sun moon sky rain snow sand grass ground floor".split()
)
"""What is everywhere, or a part of something: "it" means it no sooner than a place."""
ROLES = {"nsubj": 3.0, "nsubjpass": 3.0, "dobj": 2.0, "attr": 1.0, "pobj": 1.0}
MENTIONED, MOST_MENTIONED = 0.5, 1.4
"""What each time that a thing was named or meant counts, and all together at most: a letter that the sentence before
was about is nearer than the kite of the whole story."""
RETURNS, MOST_RETURNS = 0.25, 2.0
"""What each time counts beyond that, and all together at most, where a paragraph begins: it goes back to what the story
is about."""
ANIMAL = 0.3
"""What an animal loses against a thing that is as near: it is "it" too, and sooner "he" or "she"."""
SENTENCE = 1.0
"""What a sentence in between costs."""
MOST_CARRIED = 3
_COMES_OFF = frozenset({"hair", "beard", "tooth", "tail", "braid", "plait"})
"""Of a body; "it" means one when something was done to it: "she cut off her hair and wove it"."""
_IDLE = frozenset(
    "rain snow seem appear happen take turn get become grow matter cost last follow strike say mean help make".split()
)
"""Verbs whose "it" often means nothing."""


BUILDINGS = frozenset(
    "lighthouse tower house castle church bridge windmill mill hut cottage palace temple clocktower fortress factory "
    "ship".split()
)
"""What is "it" where it stands somewhere: "and there it stood"."""
FORGOTTEN = 80
"""Sentences after which nobody means a building by "it" that was not told of since."""
_STANDS = frozenset("stand rise tower lean loom collapse fall burn sink".split())


class ThingTold(NamedTuple):
    """A thing that was spoken of, or a building: its noun, the words for it, how `often`, and how many sentences ago (a
    paragraph's end counts as one)."""

    noun: str
    phrase: str
    often: int
    age: int
    built: bool = False


@dataclass
class _Candidate:
    phrase: str
    drawn: bool
    role: float
    sentence: int
    count: int
    verb: int = -1
    at: int = -1
    built: bool = False

    def worth(self, sentence: int) -> float:
        often = min(MOST_MENTIONED, MENTIONED * self.count)
        return self.role + often - SENTENCE * (sentence - self.sentence)


def things_meant(
    parsed: Parsed, spoken: frozenset[int], called: Called, before: Sequence[ThingTold]
) -> tuple[Mapping[int, str], tuple[ThingTold, ...]]:
    """The words for what "it" means, by token; and the things that the next paragraph may still mean by it."""
    known = {
        t.noun: _Candidate(
            t.phrase,
            not t.built,
            1.0 + min(MOST_RETURNS, RETURNS * t.often),
            -1 - t.age,
            t.often,
            built=t.built,
        )
        for t in before
    }
    meant: dict[int, str] = {}
    sentence = 0
    for i, token in enumerate(parsed.tokens):
        sentence = token.sentence
        if i in spoken or called(i):
            continue
        if _is_a_thing(token):
            _note(parsed, i, known)
        elif token.text.lower() == "it" and token.pos == "PRON":
            idle = _idle(parsed, i)
            found = None if idle and not _is_one(parsed, i) else _meant(parsed, i, known)
            built = _stands(parsed, i, known)
            if built is not None and (found is None or not found.drawn):
                meant[i] = f"the {built.phrase}"
                continue
            if found is None:
                if not idle and token.dep in SUBJECT:
                    # What a paragraph before was about: nothing that is only named here is meant sooner.
                    known["it"] = _Candidate("", False, ROLES[token.dep], sentence, 1)
                continue
            if idle:  # "it was an old one": of what it is told goes on, though its words stay
                found.sentence, found.count = sentence, found.count + 1
                continue
            if found.drawn and found.sentence != sentence:
                meant[i] = f"the {found.phrase}"
            found.sentence, found.count = sentence, found.count + 1
            found.role = ROLES.get(token.dep, 0.5)
            found.verb = clause_of(parsed, i)
    told = [(n, c) for n, c in known.items() if c.drawn]
    # Of those that are as near, what was spoken of is first, then what something was done to.
    told.sort(key=lambda t: (-t[1].count + sentence - t[1].sentence, -t[1].role, t[0]))
    carried = [ThingTold(n, c.phrase, c.count, sentence - c.sentence) for n, c in told]
    # Of buildings the one that is told of most.
    standing = sorted(
        (n for n, c in known.items() if c.built and sentence - c.sentence < FORGOTTEN),
        key=lambda n: (-known[n].count, -known[n].sentence),
    )
    ones = [
        ThingTold(n, known[n].phrase, known[n].count, sentence - known[n].sentence, True)
        for n in standing[:1]
    ]
    return meant, (*carried[:MOST_CARRIED], *ones)


def _stands(parsed: Parsed, i: int, known: Mapping[str, _Candidate]) -> _Candidate | None:
    """ "And there it stood": the building that is told of most; None where it is another thing that stands."""
    verb = parsed.tokens[clause_of(parsed, i)]
    if parsed.tokens[i].dep not in SUBJECT or verb.lemma not in _STANDS:
        return None
    built = [c for c in known.values() if c.built and c.sentence != parsed.tokens[i].sentence]
    return max(built, key=lambda c: (c.count, c.sentence), default=None)


def _is_a_thing(token: Token) -> bool:
    """Whether a word names one thing; what is written small is no name, whatever a parser takes it for."""
    noun = (token.pos, token.tag) in {("NOUN", "NN"), ("PROPN", "NNP")}
    return noun and token.text[:1].islower() and token.dep != "compound"


def _note(parsed: Parsed, i: int, known: dict[str, _Candidate]) -> None:
    """A noun that "it" may mean from there on, or that stands in the way of others."""
    token = parsed.tokens[i]
    sort = sort_of(token.lemma)
    drawn = sort in DRAWN and token.lemma not in PARTS and not compared(parsed, i)
    role = ROLES.get(token.dep, 0.5) - (ANIMAL if sort == "animal" else 0)
    if token.dep == "dobj" and not subjects(parsed, token.head):
        role = ROLES["nsubj"]  # "on a chair sat a telephone"
    if token.dep == "attr" and any(
        parsed.tokens[c].dep == "expl" for c in parsed.children[token.head]
    ):
        role = ROLES["nsubj"]  # "in the morning there was a cloud"
    if denied_with(parsed, clause_of(parsed, i)):
        return
    lost = token.lemma in _COMES_OFF and token.dep == "dobj"
    if (sort in {"person", "people", "time", "body"} and not lost) or (
        sort is None and role < ROLES["dobj"]
    ):
        return
    was = known.get(token.lemma)
    phrase = _phrase(parsed, i)
    if was is not None and len(was.phrase) >= len(phrase):
        phrase = was.phrase
    count = (was.count if was else 0) + 1
    verb = clause_of(parsed, i)
    built = token.lemma in BUILDINGS and not drawn
    known[token.lemma] = _Candidate(phrase, drawn, role, token.sentence, count, verb, i, built)


def _meant(parsed: Parsed, i: int, known: Mapping[str, _Candidate]) -> _Candidate | None:
    token = parsed.tokens[i]
    verb = clause_of(parsed, i)
    # Nothing does something to itself by "it".
    others = [c for c in known.values() if c.verb != verb or token.dep in SUBJECT]
    found = max(others, key=lambda c: (c.worth(token.sentence), c.at), default=None)
    return found if found is not None and found.worth(token.sentence) > 0 else None


def _idle(parsed: Parsed, i: int) -> bool:
    """Whether "it" may mean nothing: "it was cold", "it rained", "it took a week", "it said"."""
    verb = clause_of(parsed, i)
    token = parsed.tokens[verb]
    is_subject = i in subjects(parsed, verb)
    if unreal(parsed, verb) == "compared":
        return True
    below = {parsed.tokens[c].text.lower() for c in parsed.children[verb]}
    if is_subject and token.lemma in {"begin", "start", "end"} and "with" in below:
        return True  # "it began with a cake"
    passive = any(parsed.tokens[c].dep == "auxpass" for c in parsed.children[verb])
    return (
        is_subject
        and not passive
        and (token.lemma in _IDLE | SPEECH | {"be"} or token.pos == "AUX")
    )


def _is_one(parsed: Parsed, i: int) -> bool:
    """ "It was an old one": a thing."""
    verb = clause_of(parsed, i)
    return parsed.tokens[verb].lemma == "be" and any(
        parsed.tokens[c].dep == "attr" and parsed.tokens[c].lemma == "one"
        for c in parsed.children[verb]
    )


def _phrase(parsed: Parsed, i: int) -> str:
    """ "The wine bottle": the noun with what it is made up of."""
    left = [c for c in parsed.children[i] if c < i and parsed.tokens[c].dep == "compound"]
    return " ".join(parsed.tokens[k].text.lower() for k in [*left, i])
