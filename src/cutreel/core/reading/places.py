"""Whether a noun names a place that somebody can be at, and no part of one."""

from cutreel.core.nouns import sort_of

from .clauses import SUBJECT, clause_of, is_number, subjects
from .parsed import Parsed

MOVES = frozenset(
    "admit usher go come walk run arrive reach enter return climb step row sail drive ride follow cross hurry march "
    "wander creep carry bring lead take stumble rush travel fly swim land descend ascend head stride "
    "trudge slip push pull race drag get move reach visit flutter bolt dash dart scurry scramble tiptoe "
    "hobble limp skip dance hop gallop trot paddle float glide roll tumble steal sneak slink crawl swing "
    "jump leap plunge dive hike tramp plod shuffle stagger cycle pedal skate ski retreat flee escape "
    "burst whirl gather swam drop duck".split()
)
DONE_THERE = frozenset("reach enter cross climb visit clean sweep search explore mount".split())
"""Done to a place, it is done by somebody there."""
VEHICLES = frozenset(
    "train tram bus carriage compartment plane aeroplane airplane submarine car truck lorry van taxi cab coach".split()
)
"""Where somebody rides is a place for as long as they are in it."""
_COMES_BY = frozenset("arrive come appear turn draw roll".split())
"""What is done by what one rides in, and is over when it is done."""
STANDS_IN_ONE = frozenset(
    "gate door doorway corner cage ladder fence bench bank edge end side spot point top bottom middle front "
    "dark darkness forecourt drainpipe "
    "back wall floor ceiling stairs step hole nest trap pen tract area region part place way world distance "
    "horizon surface opening passage line stage position space level country land nation state territory "
    "north south east west left right".split()
)
"""Nouns of place that say where in a place somebody is, not in which."""
_AGAINST = frozenset({"on", "onto", "against", "of", "with"})
"""Before what things are made of."""


def is_crossed(parsed: Parsed, i: int) -> bool:
    """ "He climbed the Hill of Bones", "stumbled up Front Street": a name that says what it is the name of."""
    token = parsed.tokens[i]
    if token.dep != "dobj":
        return False
    verb = parsed.tokens[token.head]
    if verb.lemma in MOVES and goes_along(parsed, token.head):
        return True
    the = any(parsed.tokens[c].text.lower() == "the" for c in parsed.children[i])
    return verb.lemma in DONE_THERE and the


def is_numbered(parsed: Parsed, i: int) -> bool:
    """ "On Deck Nine", "in Room 12": a place that has a number."""
    token = parsed.tokens[i]
    above = parsed.tokens[token.head]
    return token.dep in {"compound", "nmod"} and token.head == i + 1 and is_number(above.text)


def goes_along(parsed: Parsed, verb: int) -> bool:
    """Whether a verb is told with "up", "down" or "along", which may be taken for a part of it."""
    below = [parsed.tokens[c] for c in parsed.children[verb]]
    return any(t.dep == "prt" and t.text.lower() in {"up", "down", "along"} for t in below)


def is_place(parsed: Parsed, i: int) -> bool:
    """Whether a noun is a place to be at: no corner of one, no bank of a river, nothing that only waits outside."""
    token = parsed.tokens[i]
    on_ice = token.lemma == "ice" and parsed.tokens[token.head].text.lower() in {
        "on",
        "across",
        "over",
        "in",
    }
    if on_ice and any(parsed.tokens[c].text.lower() == "the" for c in parsed.children[i]):
        return True
    if token.lemma in VEHICLES and _rides_in(parsed, i):
        return True
    if token.lemma == "light" and token.dep == "pobj":
        # "The steps of the Cape Sorrow light": one with a name is a tower.
        return any(
            parsed.tokens[c].dep == "compound" and parsed.tokens[c].pos == "PROPN"
            for c in parsed.children[i]
        )
    if token.lemma == "bank" and _is_of_money(parsed, i):
        return True
    if sort_of(token.lemma.lower()) != "place" or token.lemma in STANDS_IN_ONE:
        return False
    if is_numbered(parsed, i):
        return True
    if token.lemma in {"outside", "inside"}:
        return False  # "frost on the outside of the door"
    if token.pos == "PROPN" and token.lemma.lower() != token.lemma and token.dep != "pobj":
        return is_crossed(parsed, i)
    if token.lemma == "bar" and any(parsed.tokens[c].text == "of" for c in parsed.children[i]):
        return False  # "a bar of platinum"
    if token.lemma == "temple" and any(parsed.tokens[c].tag == "PRP$" for c in parsed.children[i]):
        return False  # "grey hair at his temples"
    if token.lemma == "wood" and parsed.tokens[token.head].text.lower() in _AGAINST:
        return False  # "knocked twice on the wood" of a box
    if token.dep != "compound":
        return True
    # "at the kitchen table" is in the kitchen; "the church clock" may hang anywhere; "the roof window" is in a room.
    above = parsed.tokens[token.head]
    if token.lemma == "roof":
        return False
    at_it = sort_of(above.lemma) == "thing" or above.lemma in STANDS_IN_ONE
    return above.dep == "pobj" and at_it and token.head == i + 1


def _is_of_money(parsed: Parsed, i: int) -> bool:
    """ "In the middle of the bank": a bank with water beside it is one to be on."""
    token = parsed.tokens[i]
    prep = parsed.tokens[token.head]
    if prep.text.lower() == "of" and parsed.tokens[prep.head].lemma == "middle":
        return True
    return token.dep == "pobj" and prep.text.lower() in {"in", "into", "inside", "outside"}


def _rides_in(parsed: Parsed, i: int) -> bool:
    """Whether somebody is in it, or gets in: "on the train", not "waited for the train"."""
    token = parsed.tokens[i]
    within = {"on", "in", "aboard", "inside", "into", "onto"}
    if token.dep != "pobj" or parsed.tokens[token.head].text.lower() not in within:
        return False
    if parsed.tokens[clause_of(parsed, i)].lemma in _COMES_BY:
        return False  # "she arrived in a yellow van": and got out of it
    above = parsed.tokens[parsed.tokens[token.head].head]
    if above.pos == "NOUN" and above.dep in SUBJECT:
        return False  # "children in the cars pressed their faces to the glass"
    of = subjects(parsed, clause_of(parsed, i))
    return any(
        parsed.tokens[s].pos in {"PRON", "PROPN"} or sort_of(parsed.tokens[s].lemma) == "person"
        for s in of
    )
