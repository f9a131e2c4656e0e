"""What changes about how somebody looks, and from where on: a coat put on or taken off, hair cut, a beard grown."""

from collections.abc import Iterator, Sequence
from typing import Literal, NamedTuple

from cutreel.core.nouns import sort_of

from .clauses import Called, clause_of, compared, subjects, unreal
from .parsed import Parsed

# fmt: off
_ON = frozenset("put pull slip throw draw tie wrap button hang buckle".split())
_OFF = frozenset("take pull throw slip strip tear toss peel lay".split())
_LOSES = frozenset("lose shed drop remove discard".split())
_INTO = frozenset({"change", "dress", "slip", "climb", "get"})
_SEEN_IN = frozenset("come go stand sit walk run appear step arrive wait enter return dance wake".split())
_GROWS = frozenset("turn go grow become get".split())
_CUTS = frozenset("cut crop shear trim chop".split())
_HAIR = frozenset({"hair", "braid", "plait", "curl", "ponytail", "lock"})
_BEARDS = frozenset({"beard", "moustache"})
_LOOKS_SO = frozenset(
    "white grey gray silver black long short thin bald red blonde fair brown dark curly".split()
)
_HANDED = frozenset(
    "coat jacket cloak shawl jumper sweater hat cap scarf uniform dress apron cape oilskin raincoat overcoat".split()
)
# fmt: on


class Changed(NamedTuple):
    """From character `start` of a paragraph on, somebody of the cast looks otherwise: `on` and `off` of a garment, `in`
    one for the time being, how their `hair` is now, a `beard` that they have or, with no text, have no more, their
    `age`: `young`, `old` or `grown`. `text` says it as a trait does."""

    start: int
    person: int
    what: Literal["on", "off", "in", "hair", "beard", "age"]
    text: str


def changes_in(parsed: Parsed, spoken: frozenset[int], called: Called) -> tuple[Changed, ...]:
    """The changes of a paragraph, in order; tokens `spoken` are words of a quotation. What is wished or denied changes
    nothing; what had been done has."""
    out: list[Changed] = []
    for i, token in enumerate(parsed.tokens):
        if i not in spoken and token.lemma in {"be", "grow"}:
            out += _aged(parsed, i, called)
        if i in spoken or token.pos != "VERB" or unreal(parsed, i) not in {"", "remembered"}:
            continue
        who = [p for s in subjects(parsed, i) for p in called(s)]
        if len(who) == 1:
            out += (Changed(token.start, who[0], *c) for c in _dressed(parsed, i))
            out += (Changed(token.start, who[0], *c) for c in _cut(parsed, i))
        out += _handed(parsed, i, called)
        out += _grown(parsed, i, called)
    return tuple(out)


Told = tuple[Literal["on", "off", "in", "hair", "beard"], str]


def _dressed(parsed: Parsed, i: int) -> Iterator[Told]:
    """Put on, take off, change into."""
    lemma = parsed.tokens[i].lemma
    garments = [c for c in _objects(parsed, i) if _is_garment(parsed, c)]
    with_ = {parsed.tokens[c].text.lower(): c for c in _particles(parsed, i)}
    behind = [
        k
        for word in ("on", "off", "into", "in")
        if word in with_
        for k in parsed.children[with_[word]]
        if _is_garment(parsed, k)
    ]
    laid = any(parsed.children[c] for w, c in with_.items() if w == "on") and not behind
    if lemma in _ON and "on" in with_ and not laid:
        for c in garments or behind:
            yield "on", _phrase(parsed, c)
    elif lemma in _OFF and "off" in with_:
        for c in garments or behind:
            yield "off", parsed.tokens[c].lemma
    elif lemma in _LOSES:
        for c in garments:
            yield "off", parsed.tokens[c].lemma
    elif lemma in _INTO and {"into", "in"} & with_.keys():
        for c in behind:
            yield "on", _phrase(parsed, c)
    elif lemma in _SEEN_IN:
        # "She came down in a red dress", "he walked into the hall in his nightshirt".
        for c in _behind_in(parsed, i):
            if _is_garment(parsed, c) and parsed.tokens[c].tag == "NN":
                yield "in", _phrase(parsed, c)


def _cut(parsed: Parsed, i: int) -> Iterator[Told]:
    """Hair cut short or dyed, a beard shaved off or grown."""
    token = parsed.tokens[i]
    for c in _objects(parsed, i):
        noun = parsed.tokens[c].lemma
        if noun in _HAIR and token.lemma in _CUTS:
            yield "hair", "short"
        elif noun in _HAIR and token.lemma == "dye":
            said = [parsed.tokens[k].text.lower() for k in parsed.children[i] if k > c]
            yield from (("hair", word) for word in said if word in _LOOKS_SO)
        elif noun in _BEARDS and token.lemma == "shave":
            yield "beard", ""
        elif noun in _BEARDS and token.lemma == "grow":
            yield "beard", _phrase(parsed, c)


def _handed(parsed: Parsed, i: int, called: Called) -> Iterator[Changed]:
    """ "He gave me his old orange jacket": who is given something to wear wears it."""
    token = parsed.tokens[i]
    if token.lemma not in {"give", "hand", "lend"}:
        return
    to = [c for c in parsed.children[i] if parsed.tokens[c].dep == "dative"]
    to += [k for c in to for k in parsed.children[c] if parsed.tokens[k].dep == "pobj"]
    people = [p for c in to for p in called(c)]
    for c in _objects(parsed, i):
        if len(people) == 1 and parsed.tokens[c].lemma in _HANDED:
            yield Changed(token.start, people[0], "on", _phrase(parsed, c))


def _grown(parsed: Parsed, i: int, called: Called) -> Iterator[Changed]:
    """ "Her hair had gone white"."""
    token = parsed.tokens[i]
    if token.lemma not in _GROWS:
        return
    for s in subjects(parsed, i):
        if parsed.tokens[s].lemma not in _HAIR:
            continue
        whose = [p for c in parsed.children[s] if parsed.tokens[c].dep == "poss" for p in called(c)]
        now = [parsed.tokens[c].text.lower() for c in parsed.children[i] if c > i]
        for word in now:
            if len(whose) == 1 and word in _LOOKS_SO:
                yield Changed(parsed.tokens[s].start, whose[0], "hair", word)


def _aged(parsed: Parsed, i: int, called: Called) -> Iterator[Changed]:
    """ "Who was an old man now", "she was old now", "she was a woman by then"."""
    tokens = parsed.tokens
    said = [c for c in parsed.children[i] if tokens[c].dep in {"attr", "acomp"}]
    near = {tokens[c].text.lower() for k in (i, *said) for c in parsed.children[k]}
    then = "by" in near and any(t.text.lower() in {"then", "now"} for t in tokens[i : i + 8])
    if tokens[i].lemma == "be" and unreal(parsed, i) == "":
        yield from _young_then(parsed, i, said, called)
    if unreal(parsed, i) not in {"", "remembered"} or not (
        "now" in near or then or tokens[i].lemma == "grow"
    ):
        return
    who = [p for s in subjects(parsed, i) for p in called(s)]
    if tokens[i].dep == "relcl":
        who = list(called(tokens[i].head))
    told = {tokens[c].lemma for c in said}
    if len(who) != 1:
        return
    years = _years(parsed, said)
    if years >= _OLD_FROM or "old" in told | {
        tokens[k].lemma for c in said for k in parsed.children[c]
    }:
        yield Changed(tokens[i].start, who[0], "age", "old")
        yield Changed(tokens[i].start, who[0], "hair", "grey")
    elif (told & {"woman", "man"} or years >= _GROWN_FROM) and tokens[i].lemma == "be":
        yield Changed(tokens[i].start, who[0], "age", "grown")


def _young_then(parsed: Parsed, i: int, said: Sequence[int], called: Called) -> Iterator[Changed]:
    """ "She was twenty-three": so whoever is old now looks where that is told."""
    alone = [c for c in said if parsed.tokens[c].pos == "NUM" or parsed.tokens[c].tag == "CD"]
    who = [p for s in subjects(parsed, i) for p in called(s)]
    if len(who) == 1 and alone and _GROWN_FROM <= _years(parsed, alone) < _MIDDLE:
        yield Changed(parsed.tokens[i].start, who[0], "age", "young")
        yield Changed(parsed.tokens[i].start, who[0], "hair", "dark brown")


_MIDDLE = 45
_OLD_FROM, _GROWN_FROM = 60, 18
_YEARS = {
    "eighteen": 18, "nineteen": 19, "twenty": 20, "thirty": 30, "forty": 40, "fifty": 50, "sixty": 60,
    "seventy": 70, "eighty": 80, "ninety": 90,
}  # fmt: skip


def _years(parsed: Parsed, said: Sequence[int]) -> int:
    """The age that is said, in tens from twenty on: "I am sixty-one now"; 0 where none is."""
    words = {parsed.tokens[k].text.lower() for c in said for k in (c, *parsed.children[c])}
    return max((_YEARS.get(w, int(w) if w.isdigit() else 0) for w in words), default=0)


def _objects(parsed: Parsed, i: int) -> list[int]:
    found = [c for c in parsed.children[i] if parsed.tokens[c].dep == "dobj"]
    return [c for c in found if not compared(parsed, c) and clause_of(parsed, c) == i]


def _particles(parsed: Parsed, i: int) -> list[int]:
    return [c for c in parsed.children[i] if parsed.tokens[c].dep in {"prt", "prep", "advmod"}]


def _behind_in(parsed: Parsed, i: int) -> Iterator[int]:
    """What stands behind "in" after a verb, or after the place that it comes to."""
    for c in _particles(parsed, i):
        nouns = [k for k in parsed.children[c] if parsed.tokens[k].dep == "pobj"]
        if parsed.tokens[c].text.lower() == "in":
            yield from nouns
        for k in nouns:
            preps = (p for p in parsed.children[k] if parsed.tokens[p].text.lower() == "in")
            yield from (n for p in preps for n in parsed.children[p])


def _is_garment(parsed: Parsed, c: int) -> bool:
    token = parsed.tokens[c]
    return token.pos == "NOUN" and sort_of(token.lemma) == "garment"


def _phrase(parsed: Parsed, c: int) -> str:
    """ "old orange jacket": a noun with what says how it looks."""
    left = [k for k in parsed.children[c] if k < c and parsed.tokens[k].dep in {"amod", "compound"}]
    return " ".join(parsed.tokens[k].text.lower() for k in [*left, c])
