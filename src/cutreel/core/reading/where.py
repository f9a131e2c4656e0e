"""Where it happens and when: who comes to a place and who is there, against a place that is only named.

"She came from the market" does not move the scene to the market, "like a night at sea" neither makes it night nor wet.
"""

from typing import NamedTuple

from cutreel.core.manuscript import TIMES, WEATHERS
from cutreel.core.nouns import sort_of

from .clauses import SUBJECT, ancestors, clause_of, compared, subjects, unreal
from .parsed import Parsed, Token

# fmt: off
_TO = frozenset(
    "to into onto in inside at up down across through along over toward towards on aboard off under beneath".split()
)
_THERE = frozenset(
    "in inside at on aboard along through across by beside near under beneath outside behind over up down "
    "above around within round upon".split()
)
_MOVES = frozenset(
    "admit usher go come walk run arrive reach enter return climb step row sail drive ride follow cross hurry march "
    "wander creep carry bring lead take stumble rush travel fly swim land descend ascend head stride "
    "trudge slip push pull race drag get move reach visit flutter bolt dash dart scurry scramble tiptoe "
    "hobble limp skip dance hop gallop trot paddle float glide roll tumble steal sneak slink crawl swing "
    "jump leap plunge dive hike tramp plod shuffle stagger cycle pedal skate ski retreat flee escape "
    "burst whirl gather".split()
)
_BECOMES = frozenset("be go become grow fall lie stand sleep wake turn freeze burn shake wait".split())
"""What a place itself does: the town went dark, and there we are."""
_FROM_AFAR = frozenset("look point stare gaze wave shout call think talk speak see watch".split())
_WITHIN = frozenset(
    "middle centre center heart corner edge midst depth shade light dark bottom top foot end back bank part".split()
)
_WATERS = frozenset("river lake sea bay harbour harbor pond sound water valley canal fjord".split())
_STANDS_IN_ONE = frozenset(
    "gate door doorway corner cage ladder fence bench bank edge end side spot point top bottom middle front "
    "back wall floor ceiling stairs step hole nest trap pen tract area region part place way world distance "
    "horizon surface opening passage line stage position space level country land nation state".split()
)
"""Nouns of place that say where in a place somebody is, not in which."""
_AWAY = frozenset(
    "from of about toward towards until till before for like than since against beyond without".split()
)
_OTHER_DAYS = frozenset(["last", "yesterday", "tomorrow", "previous", "other", "another", "next"])
# fmt: on


class Arrival(NamedTuple):
    """At character `start` of a paragraph the scene is at the place that a noun names; `comes`: somebody arrives there
    now, else they are there already."""

    start: int
    noun: str
    phrase: str
    comes: bool
    stays: bool = True
    """Whether the scene is there from now on; a place that only does something itself is seen for a moment."""
    town: bool = False
    """Whether it is the name of a town or a country."""


def arrivals(parsed: Parsed, spoken: frozenset[int]) -> tuple[Arrival, ...]:
    """The places of a paragraph that somebody comes to or is at, in order; tokens `spoken` are words of a quotation."""
    out = []
    for i, token in enumerate(parsed.tokens):
        if i not in spoken and token.lemma == "bed" and _is_in_bed(parsed, i):
            out.append(Arrival(token.start, "bedroom", "bed", False))
            continue
        if i not in spoken and token.lemma == "wake" and _wakes(parsed, i):
            out.append(Arrival(token.start, "bedroom", "woke", False))
            continue
        if i not in spoken and token.lemma == "home" and _goes_home(parsed, i):
            out.append(Arrival(token.start, "home", "home", True))
            continue
        if i in spoken or token.pos not in {"NOUN", "PROPN"} or not _is_place(parsed, i):
            continue
        if token.pos == "PROPN" and token.dep != "pobj" and token.text[:1].isupper():
            continue  # "France had seven hundred names" is nowhere to be seen
        found = _there(parsed, i)
        if found is not None:
            stays = token.dep not in {"nsubj", "nsubjpass"}
            town = token.name == "GPE"
            out.append(Arrival(token.start, token.lemma, _phrase(parsed, i), found, stays, town))
    return tuple(out)


def _is_in_bed(parsed: Parsed, i: int) -> bool:
    """ "Lying awake in bed", "jumped out of bed", "the other side of the bed": whoever reads it sees a bedroom."""
    token = parsed.tokens[i]
    if token.pos != "NOUN" or compared(parsed, i) or unreal(parsed, clause_of(parsed, i)):
        return False
    before = parsed.tokens[token.head].text.lower()
    return token.dep == "pobj" and before in {
        "in",
        "into",
        "of",
        "from",
        "on",
        "to",
        "beside",
        "by",
        "under",
    }


def _wakes(parsed: Parsed, i: int) -> bool:
    """ "She woke before the alarm": where nothing else is said, in bed."""
    return parsed.tokens[i].pos == "VERB" and bool(subjects(parsed, i)) and not unreal(parsed, i)


def other_days(parsed: Parsed, spoken: frozenset[int]) -> tuple[int, ...]:
    """Where (characters) it is said that it is another day now: "in October", "on the fifteenth day". What was said of
    the hour before does not hold there."""
    out = []
    for i, token in enumerate(parsed.tokens):
        if i in spoken or token.name != "DATE" or unreal(parsed, clause_of(parsed, i)):
            continue
        if i and parsed.tokens[i - 1].name == "DATE":
            continue
        at = i
        while parsed.tokens[at].name == "DATE" and parsed.tokens[at].head != at:
            at = parsed.tokens[at].head
        before = parsed.tokens[at].text.lower()
        opens = i == 0 or parsed.tokens[i - 1].sentence != token.sentence
        if opens or before in {"in", "on", "by", "after", "during"}:
            out.append(token.start)
    return tuple(out)


def _goes_home(parsed: Parsed, i: int) -> bool:
    token = parsed.tokens[i]
    verb = clause_of(parsed, i)
    goes = parsed.tokens[verb].lemma in _MOVES and token.dep in {"advmod", "npadvmod", "dobj"}
    return goes and not unreal(parsed, verb)


def _is_place(parsed: Parsed, i: int) -> bool:
    token = parsed.tokens[i]
    on_ice = token.lemma == "ice" and parsed.tokens[token.head].text.lower() in {
        "on",
        "across",
        "over",
        "in",
    }
    if on_ice and any(parsed.tokens[c].text.lower() == "the" for c in parsed.children[i]):
        return True
    if sort_of(token.lemma) != "place" or token.lemma in _STANDS_IN_ONE:
        return False
    if token.dep != "compound":
        return True
    # "at the kitchen table" is in the kitchen; "the church clock" may hang anywhere.
    above = parsed.tokens[token.head]
    at_it = sort_of(above.lemma) == "thing" or above.lemma in _STANDS_IN_ONE
    return above.dep == "pobj" and at_it and token.head == i + 1


def _there(parsed: Parsed, i: int) -> bool | None:
    """True: comes there; False: is there; None: neither."""
    tokens = parsed.tokens
    if tokens[i].dep == "compound":
        found = _there(parsed, tokens[i].head)
        return False if found is not None else None
    token = tokens[i]
    verb = clause_of(parsed, i)
    if unreal(parsed, verb) or compared(parsed, i):
        return None
    if any(t.dep == "relcl" for t in [token, *ancestors(parsed, i)]):
        return None
    if token.dep == "dobj":
        return (
            True
            if tokens[verb].lemma
            in {
                "reach",
                "enter",
                "cross",
                "climb",
                "visit",
                "clean",
                "sweep",
                "search",
                "explore",
                "mount",
            }
            else None
        )
    if token.dep in {"nsubj", "nsubjpass"}:
        # A place that does something itself is looked at for a moment.
        return False if tokens[verb].lemma in _BECOMES or token.sentence == 0 else None
    if token.dep != "pobj":
        return None
    if _is_its_corner(parsed, i):
        return False  # "it was the farthest corner of the garden"
    if _opens_clause(parsed, i, verb):
        return False  # "At the whaling station two boys saw him", "from the dunes they watched"
    chain = []
    at = i
    while tokens[at].dep in {"pobj", "prep", "pcomp"} and tokens[at].head != at:
        at = tokens[at].head
        chain.append(tokens[at].text.lower())
    preps = [w for w in chain if w.isalpha()]
    first = preps[0] if preps else ""
    if first == "of" and len(preps) > 2 and _says_where_in(tokens[tokens[tokens[i].head].head]):
        first = preps[2]  # "in the warm grass of a great meadow"
    if first in _AWAY:
        return None
    if (
        tokens[at].dep in {"dobj", "nsubj"}
        and tokens[tokens[at].head].lemma in _MOVES
        and first in _TO
    ):
        # "drove the boy to the station": whoever is driven comes there too.
        at = tokens[at].head
    while tokens[at].pos in {"ADV", "ADP"} and tokens[at].head != at:
        at = tokens[
            at
        ].head  # "went back to her hangar", "out of the door and down the stairs to the street"
    if tokens[at].pos not in {"VERB", "AUX"}:
        # "the lamp in the kitchen": where the thing is, if it is what the clause is about.
        return (
            False
            if first in {"in", "at", "on"} and tokens[at].dep in {"nsubj", "attr", "dobj"}
            else None
        )
    going = tokens[at].dep in {"ROOT", "conj", "advcl"} or tokens[at].tag == "VBG"
    if not subjects(parsed, at) and not going:
        return None
    if tokens[at].lemma in _MOVES and first in _TO:
        return first not in {"in", "at", "on"} or tokens[at].lemma in {
            "arrive",
            "land",
            "step",
            "come",
        }
    if tokens[at].lemma in _FROM_AFAR and first in {
        "at", "to", "over", "across", "on", "up", "down", "toward", "towards", "through", "into",
    }:  # fmt: skip
        # Who looks across water stands beside it.
        return False if first in {"across", "over"} and token.lemma in _WATERS else None
    return False if first in _THERE else None


def _says_where_in(above: Token) -> bool:
    """Whether a noun before "of" only says where in a place: its grass, its middle, its corner."""
    return sort_of(above.lemma) in {"plant", "thing"} or above.lemma in _WITHIN


def _is_its_corner(parsed: Parsed, i: int) -> bool:
    """Whether it is said of where they are that it is a part of a place."""
    tokens = parsed.tokens
    above = tokens[tokens[tokens[i].head].head]
    if above.dep != "attr" or above.lemma not in _WITHIN | _STANDS_IN_ONE:
        return False
    return any(
        tokens[s].text.lower() in {"it", "this", "here"} for s in subjects(parsed, above.head)
    )


def _opens_clause(parsed: Parsed, i: int, verb: int) -> bool:
    """Whether a place stands before whoever acts: that is where the clause is set."""
    tokens = parsed.tokens
    prep = tokens[i].head
    word = tokens[prep].text.lower()
    if tokens[prep].dep == "ROOT":
        # "From the dunes they watched the sea" is taken for "the dunes that they watched".
        below = [c for c in parsed.children[i] if tokens[c].dep == "relcl"]
        return word in {"in", "at", "on", "from"} and any(
            tokens[c].dep in SUBJECT for b in below for c in parsed.children[b]
        )
    acting = [k for k in subjects(parsed, verb) if k > i]
    if tokens[prep].head != verb or not acting:
        return False
    sees = tokens[verb].lemma in {"see", "watch", "look", "hear", "observe"}
    return word in {"in", "at", "on", "inside", "by", "along"} or (word == "from" and sees)


def _phrase(parsed: Parsed, i: int) -> str:
    """ "the old smithy" as words, without what else hangs on it."""
    tokens = parsed.tokens
    left = [
        c for c in parsed.children[i] if c < i and tokens[c].dep in {"amod", "compound", "nummod"}
    ]
    return " ".join(tokens[k].text for k in [*left, i])


def muted(parsed: Parsed, spoken: frozenset[int]) -> frozenset[int]:
    """Where words of time, weather and place stand (characters) that do not say when, how and where it is now."""
    out = set()
    for i, token in enumerate(parsed.tokens):
        word = token.text.lower()
        told = word in TIMES or word in WEATHERS
        if not told and (token.pos not in {"NOUN", "PROPN"} or not _is_place(parsed, i)):
            continue
        if i in spoken or (_not_now(parsed, i) if told else _there(parsed, i) is None):
            out.add(token.start)
    return frozenset(out)


def _not_now(parsed: Parsed, i: int) -> bool:
    """Whether a word of time or weather is of another time, or of nothing that is there."""
    tokens = parsed.tokens
    token = tokens[i]
    above = tokens[token.head]
    word = token.text.lower()
    if (
        token.dep in {"compound", "poss", "amod"}
        and token.head != i
        and above.pos in {"NOUN", "PROPN"}
    ):
        return (
            sort_of(above.lemma) in {"person", "people", "animal", "thing", "garment"}
            or above.lemma == "watch"
        )
    below = {tokens[c].text.lower() for c in parsed.children[i]}
    if word in TIMES and "good" in below:
        return True  # "it said good night to the plants"
    if word in TIMES and token.dep == "pobj" and above.text.lower() == "of":
        hour = tokens[above.head]
        if hour.dep == "pobj" and tokens[hour.head].text.lower() in {"in", "at", "by"}:
            return False  # "in the cold hour of dawn"
    if word in TIMES and below & _OTHER_DAYS and not below & {"next"}:
        return True
    if below & {"no", "every", "any", "each"}:
        return "no" in below or word in WEATHERS
    if token.dep == "pobj" and above.text.lower() in {
        "until",
        "till",
        "before",
        "about",
        "of",
        "like",
        "for",
        "from",
        "than",
    }:
        return above.text.lower() != "for" or word in WEATHERS
    if compared(parsed, i):
        return True
    why = unreal(parsed, clause_of(parsed, i))
    return (bool(why) and why != "denied") or (why == "denied" and word in WEATHERS)
