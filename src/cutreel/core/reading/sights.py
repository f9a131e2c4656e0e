"""What a paragraph names that can be seen."""

from typing import NamedTuple

from cutreel.core.nouns import Sort, sort_of

from .clauses import SUBJECT, Called, clause_of, compared, denied_with, unreal
from .parsed import Parsed
from .there import by_nobody
from .unseen import FAR, STUFFS, is_likened, is_unseen, none_of, proper
from .wording import NAMED_PLACES, Wording


class Sight(NamedTuple):
    """At character `start` of a paragraph something is named that can be seen: as a phrase, and of what sort."""

    start: int
    phrase: str
    sort: Sort


_SIGHTS: frozenset[Sort] = frozenset(
    {"thing", "plant", "animal", "food", "garment", "place", "people"}
)


def sights_in(parsed: Parsed, spoken: frozenset[int], called: Called) -> tuple[Sight, ...]:
    """What a paragraph names that is there to be seen, in order; what is denied or only spoken of is not."""
    out = []
    for i, token in enumerate(parsed.tokens):
        if token.pos == "PROPN" and token.name in NAMED_PLACES and i not in spoken:
            if token.dep != "compound" and not called(i):
                out.append(Sight(token.start, proper(parsed, i), "place"))
            continue
        sort = sort_of(token.lemma) if token.pos == "NOUN" else None
        if (
            sort is None
            or sort not in _SIGHTS
            or i in spoken
            or token.dep in {"compound", "npadvmod"}
        ):
            continue
        if called(i) or compared(parsed, i) or none_of(parsed, i) or is_likened(parsed, i):
            continue
        if _is_what_it_is_made_of(parsed, i):
            continue
        verb = clause_of(parsed, i)
        if is_unseen(parsed, i) or not _is_there(parsed, i, verb) or _says_when(parsed, i):
            continue
        if by_nobody(parsed, verb) and token.dep not in SUBJECT:
            continue  # "nobody paid a penny"
        if token.lemma in FAR:
            continue
        if sort == "animal" and _is_made(parsed, i):
            sort = "thing"
        out.append(Sight(token.start, Wording(parsed, verb, spoken, called).phrase(i), sort))
    return tuple(out)


_COMES = frozenset("be come arrive appear exist return".split())


def _is_there(parsed: Parsed, i: int, verb: int) -> bool:
    """Whether what is named can be seen: "the cloth did not fade" tells of a cloth, "the bus did not come" of none."""
    why = unreal(parsed, verb)
    if denied_with(parsed, verb):
        return False
    if why == "denied" and parsed.tokens[i].dep == "nsubj":
        below = {parsed.tokens[c].text.lower() for c in parsed.children[i]}
        return "the" in below and parsed.tokens[verb].lemma not in _COMES
    return why in {"", "remembered"}


def _is_made(parsed: Parsed, i: int) -> bool:
    """ "A red wax seal", "a wooden horse": no animal."""
    return any(
        parsed.tokens[c].dep in {"compound", "amod"} and parsed.tokens[c].lemma in STUFFS
        for c in parsed.children[i]
    )


def _is_what_it_is_made_of(parsed: Parsed, i: int) -> bool:
    """ "A coat of crow feathers": they are seen on whoever wears it."""
    of = parsed.tokens[parsed.tokens[i].head]
    made = parsed.tokens[i].dep == "pobj" and of.text.lower() == "of"
    return made and sort_of(parsed.tokens[of.head].lemma) == "garment"


def _says_when(parsed: Parsed, i: int) -> bool:
    """ "Before breakfast", "after the war"; nor is the dark anything to be looked at."""
    token = parsed.tokens[i]
    before = parsed.tokens[token.head].text.lower() if token.dep == "pobj" else ""
    return before in {"before", "after", "until", "till", "since", "during"} or token.lemma in {
        "dark",
        "darkness",
    }
