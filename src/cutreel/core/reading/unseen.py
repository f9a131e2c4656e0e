"""Nouns that name nothing to be seen, or not what they say: denied, likened, made of wood, a case of the police."""

from cutreel.core.nouns import sort_of

from .clauses import subjects
from .parsed import Parsed

BE = frozenset({"be", "'s", "’s"})
FAR = frozenset({"sun", "moon", "star"})
"""Seen, but not from near."""
STUFFS = frozenset(
    "wax paper stone wood wooden glass toy china porcelain chocolate bronze brass iron tin clay snow plush plastic "
    "rubber cardboard metal gold golden silver marble stuffed".split()
)


def is_unseen(parsed: Parsed, i: int) -> bool:
    """ "No sign of life", "a list of reasons not to": a word for a thing that is none here."""
    token = parsed.tokens[i]
    before = parsed.tokens[token.head]
    if (
        token.dep == "pobj"
        and before.text.lower() == "of"
        and parsed.tokens[before.head].lemma in _TELLS_OF
    ):
        return True
    if token.lemma == "case" and parsed.tokens[token.head].lemma in _OF_A_CASE:
        return token.dep == "nsubjpass" or parsed.tokens[token.head].lemma != "close"
    of = (c for c in parsed.children[i] if parsed.tokens[c].text.lower() in {"of", "from", "that"})
    return token.lemma == "sign" and (next(of, None) is not None or token.dep == "attr")


_TELLS_OF = frozenset("smell taste reek stink sound think dream speak talk tell sing hear".split())
""""The tea smelled of smoke": there is tea."""
_OF_A_CASE = frozenset("close solve reopen investigate drop win lose crack".split())
"""Done to one it is a matter, and no box."""


def made_of_it(parsed: Parsed, i: int) -> str:
    """ "A brass screw", where the parser takes "screw" for what is done: the word, behind a space; else empty."""
    behind = parsed.tokens[i + 1] if i + 1 < len(parsed.tokens) else None
    stuff = parsed.tokens[i].lemma in STUFFS and parsed.tokens[i].tag == "NN"
    if not stuff or behind is None or behind.tag not in {"VBN", "VB", "VBP"}:
        return ""
    return f" {behind.text}" if sort_of(behind.text) == "thing" else ""


def proper(parsed: Parsed, i: int) -> str:
    """A name of several words, whole."""
    first = [c for c in parsed.children[i] if c < i and parsed.tokens[c].dep == "compound"]
    return " ".join(parsed.tokens[k].text for k in [*first, i])


def is_likened(parsed: Parsed, i: int) -> bool:
    """ "The sea is a machine", "it is a machine": no machine is there."""
    verb = parsed.tokens[i].head
    if parsed.tokens[i].dep != "attr" or parsed.tokens[verb].lemma not in BE:
        return False
    of = subjects(parsed, verb)
    if any(t.lemma == parsed.tokens[i].lemma and t.pos == "NOUN" for t in parsed.tokens[:verb]):
        return False  # "bought a clock; it was the largest clock": that one
    return bool(of) and all(
        parsed.tokens[s].text.lower() in {"it", "this", "that"}
        or (sort_of(parsed.tokens[s].lemma) in {"place", None} and parsed.tokens[s].pos == "NOUN")
        for s in of
    )


def is_metaphor(parsed: Parsed, i: int) -> bool:
    """Whether a place is called a thing: neither is what the other is."""
    thing = sort_of(parsed.tokens[i].lemma) in {"thing", "food", "garment", "plant"}
    of = subjects(parsed, parsed.tokens[i].head)
    a_place = bool(of) and all(sort_of(parsed.tokens[s].lemma) == "place" for s in of)
    return thing and a_place and is_likened(parsed, i)


def none_of(parsed: Parsed, i: int) -> bool:
    return any(parsed.tokens[c].text.lower() in {"no", "neither"} for c in parsed.children[i])
