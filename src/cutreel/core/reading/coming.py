"""Whether somebody comes to a place that is named, or is there, or neither: "she came from the market"."""

from collections.abc import Sequence

from cutreel.core.nouns import sort_of

from .arrival import POSTURES
from .clauses import SPEECH, SUBJECT, ancestors, clause_of, compared, subjects, unreal
from .parsed import Parsed, Token
from .places import DONE_THERE, MOVES, STANDS_IN_ONE, goes_along, is_place

TO = frozenset(
    "to into onto in inside at up down across through along over toward towards on aboard off under beneath".split()
)
_THERE = frozenset(
    "in inside at on off aboard along through across by beside near under beneath outside behind over up down "
    "above around within round upon".split()
)
_TILLS = frozenset("dig mow weed rake plough plow sow water".split())
_TILLED = frozenset("lawn garden field yard meadow orchard".split())
_IN_THE_AIR = frozenset("rise soar float fly hang drift hover climb sail drive glide".split())
LIVES = frozenset({"live", "dwell", "reside"})
_VESSELS = frozenset("ship steamship warship sailboat sailing-ship liner trawler schooner".split())
"""What is seen from outside when it does something itself."""
_BECOMES = frozenset(
    "be go become grow fall lie stand sleep wake turn freeze burn shake wait smell smelled breathe glitter roar shine "
    "shimmer murmur stretch spread gleam".split()
)
"""What a place itself does: the town went dark, and there we are."""
HOUSES = frozenset(
    "library museum school church shop inn hospital station theatre cinema hotel bank bakery prison office "
    "house cottage palace castle café restaurant pub".split()
)
"""Who is outside of one is in the street before it."""
_IS_SHUT = frozenset({"close", "shut", "lock"})
_OF_PEOPLE = frozenset("village town city hamlet school street house".split())
"""Places that stand for those who live there."""
FROM_AFAR = frozenset("look point stare gaze wave shout call think talk speak see watch".split())
_WITHIN = frozenset(
    "middle centre center heart corner edge midst depth shade light dark bottom top foot end back bank part".split()
)
_WATERS = frozenset("river lake sea bay harbour harbor pond sound water valley canal fjord".split())
_TAKEN = frozenset("send take bring lead carry drive call invite summon march move".split())
"""What somebody comes along by to whom it is done."""
_LOOKED_INTO = frozenset("well pit pond pool fountain grave".split())
_GOES_OR_SOUNDS = frozenset("go hum tick drip buzz whirr chime rattle".split())
"""What a thing does in a place without anybody there: a refrigerator that hums in the kitchen is heard from bed."""
_COMES_BY_ITSELF = frozenset(
    "ice flood tide fog mist smoke fire wind rain snow dust smell sound noise light".split()
)
_IN_THE_SKY = frozenset("sun moon star cloud dawn night rainbow thunder lightning".split())
_AWAY = frozenset(
    "from of about toward towards until till before for like than since against beyond without".split()
)
_ASIDE = frozenset({"above", "behind", "outside"})
_OVER = frozenset({"after", "before", "since", "until"})
_EACH = frozenset("every each many most several both".split())
"""Beside a place: all of them, and so none that one could be at."""
_PARTS_CLIMBED = frozenset("step stair top ladder roof".split())


def comes_to(parsed: Parsed, i: int) -> bool | None:
    """True: comes there; False: is there; None: neither."""
    tokens = parsed.tokens
    if tokens[i].dep == "compound":
        return _is_where_its_thing_is(parsed, i)
    token = tokens[i]
    verb = clause_of(parsed, i)
    if _goes_to_work_there(parsed, i, verb):
        return True
    if not _is_told(parsed, i, verb):
        return None
    if token.dep == "dobj":
        # "Stumbled up Front Street": "up" may be taken for a part of the verb.
        along = tokens[verb].lemma in MOVES and goes_along(parsed, verb)
        tilled = tokens[verb].lemma in _TILLS and token.lemma in _TILLED
        if (
            token.lemma in HOUSES
            and tokens[verb].lemma in _IS_SHUT | {"open"}
            and subjects(parsed, verb)
        ):
            return False  # "every evening she closed the library"
        return True if along or tilled or tokens[verb].lemma in DONE_THERE else None
    if token.dep in {"nsubj", "nsubjpass"} and token.lemma in _VESSELS:
        return None  # "far out a ship turned round" is seen from the shore
    if token.dep in {"nsubj", "nsubjpass"} and token.lemma in _OF_PEOPLE:
        below = [p for p in parsed.children[verb] if tokens[p].dep == "prep"]
        if any(is_place(parsed, k) for p in below for k in parsed.children[p]):
            return None  # "the whole village was standing on the beach"
    if token.dep == "nsubjpass" and token.lemma in HOUSES and tokens[verb].lemma in _IS_SHUT:
        return False  # "the museum was closed to the public"
    if token.dep in {"nsubj", "nsubjpass"}:
        # A place that does something itself is looked at for a moment.
        return False if tokens[verb].lemma in _BECOMES or token.sentence == 0 else None
    if token.dep != "pobj":
        return None
    if _is_its_corner(parsed, i):
        return False  # "it was the farthest corner of the garden"
    if _is_measure(parsed, i) or _water_comes(parsed, i, verb) or _is_laid_on(parsed, i, verb):
        return None
    if [tokens[s].text.lower() for s in subjects(parsed, verb)] == ["which"]:
        return None  # "at six, which was beside the fish stall"
    if tokens[token.head].text.lower() == "across" and i < verb and _is_of_things(parsed, verb):
        return None  # "across the road a lamp was burning"
    if _opens_clause(parsed, i, verb):
        return False  # "At the whaling station two boys saw him", "from the dunes they watched"
    chain = []
    at = i
    while tokens[at].dep in {"pobj", "prep", "pcomp"} and tokens[at].head != at:
        at = tokens[at].head
        chain.append(tokens[at].text.lower())
    preps = [w for w in chain if w.isalpha()] or [""]
    first = preps[0]
    if _is_of_another(preps, verb < i):
        return None
    if first == "of" and len(preps) > 2 and _says_where_in(tokens[tokens[tokens[i].head].head]):
        first = preps[2]  # "in the warm grass of a great meadow"
    part = tokens[tokens[token.head].head].lemma if first == "of" else ""
    if part in _PARTS_CLIMBED and tokens[verb].lemma in MOVES:
        return True  # "ran up the steps of the tower"
    if first in _AWAY or (first == "above" and _is_of_things(parsed, at)):
        return None  # "the light came on above room 7" is seen from below
    if tokens[at].lemma == "have" and _has_somebody(parsed, at):
        return None
    if _is_only_beside(first, tokens[at].lemma):
        return None
    if _only_goes_by(parsed, at, token):
        return None
    if (
        tokens[at].dep in {"dobj", "nsubj"}
        and tokens[tokens[at].head].lemma in MOVES
        and first in TO
    ):
        # "drove the boy to the station": whoever is driven comes there too.
        at = tokens[at].head
    while tokens[at].pos in {"ADV", "ADP"} and tokens[at].head != at:
        at = tokens[
            at
        ].head  # "went back to her hangar", "out of the door and down the stairs to the street"
    if _only_goes_by(parsed, at, token):
        return None
    if tokens[at].pos not in {"VERB", "AUX"}:
        # "the lamp in the kitchen": where the thing is, if it is what the clause is about.
        return (
            False
            if first in {"in", "at", "on"} and tokens[at].dep in {"nsubj", "attr", "dobj", "ROOT"}
            else None
        )
    going = tokens[at].dep in {"ROOT", "conj", "advcl"} or tokens[at].tag == "VBG"
    if not subjects(parsed, at) and not going:
        return None
    if first in {"over", "above"} and _goes_up_there(parsed, at):
        return None  # "it rose over the steeple" is seen from where one stands
    if _is_gone_by(first, tokens[at], token):
        return None
    if first == "into" and tokens[at].lemma in _TAKEN and _takes_somebody(parsed, at):
        return True  # "she called us into her kitchen"
    return _goes_or_is_there(parsed, first, at, token)


def _goes_or_is_there(parsed: Parsed, first: str, at: int, token: Token) -> bool | None:
    """The same of a place behind the preposition `first`, by the verb `at`."""
    tokens = parsed.tokens
    if first == "at" and tokens[at].lemma == "knock" and token.lemma in HOUSES | _ROOMS:
        return True
    if is_of_the_sky(parsed, at):
        return False  # "the sun came up over the wet road": it is looked at
    if first in TO and (tokens[at].lemma in MOVES or _is_taken(parsed, at)):
        return first not in {"in", "at", "on"} or tokens[at].lemma in {
            "arrive",
            "land",
            "step",
            "come",
        }
    if tokens[at].lemma in FROM_AFAR and first in {
        "at", "to", "over", "across", "on", "up", "down", "toward", "towards", "through", "into",
    }:  # fmt: skip
        return False if _is_looked_at_from_beside(first, token) else None
    return False if first in _THERE else None


def _goes_to_work_there(parsed: Parsed, i: int, verb: int) -> bool:
    """ "At fourteen she went to work in a spinning mill": that is a way of coming there."""
    token, above = parsed.tokens[verb], parsed.tokens[parsed.tokens[verb].head]
    for_it = token.lemma in {"work", "live", "study", "serve"} and token.dep in {"xcomp", "advcl"}
    went = above.lemma in {"go", "come", "move", "begin", "start"} and not unreal(
        parsed, token.head
    )
    in_it = parsed.tokens[i].dep == "pobj" and parsed.tokens[parsed.tokens[i].head].text in {
        "in",
        "at",
    }
    return for_it and went and in_it and parsed.tokens[parsed.tokens[i].head].head == verb


def _is_of_another(preps: Sequence[str], behind: bool) -> bool:
    """ "People came from every village on the coast", "the man from across the road"; where a place stands `behind` its
    verb, "every night after his shift at the shipyard"."""
    if preps[0] in {"on", "in", "by", "along", "across"} and "from" in preps[1:3]:
        return True
    return behind and preps[0] in {"in", "at", "on"} and bool(_OVER & {*preps[2:3]})


def _is_laid_on(parsed: Parsed, i: int, verb: int) -> bool:
    """ "She laid a stone on the roof" of a hive: nobody climbed up there."""
    thing = any(parsed.tokens[c].dep == "dobj" for c in parsed.children[verb])
    return parsed.tokens[i].lemma == "roof" and thing and parsed.tokens[verb].lemma in _LAYS


_LAYS = frozenset("lay put place set throw drop leave toss".split())


def _is_told(parsed: Parsed, i: int, verb: int) -> bool:
    """Whether it is said of a place that something happens there; not of each of many ("in every second house")."""
    why = "" if _is_set_there(parsed, i, verb) else unreal(parsed, verb)
    if why == "remembered" and i < verb and _is_of_things(parsed, verb):
        why = ""  # "In the cabin the lamp had burned low": so it is now
    if compared(parsed, i) or why:
        return False
    if any(parsed.tokens[c].lemma in _EACH for c in parsed.children[i]) or _is_seen_from(parsed, i):
        return False
    return not any(
        t.dep == "relcl" and not _of_who_there_was(parsed, t) and not _is_main(parsed, t)
        for t in [parsed.tokens[i], *ancestors(parsed, i)]
    )


def _is_seen_from(parsed: Parsed, i: int) -> bool:
    """ "She stood in her doorway and saw every stone in the road": there she stays."""
    return any(
        t.lemma in {"see", "notice", "spot"}
        and t.dep == "conj"
        and parsed.tokens[t.head].lemma in POSTURES
        for t in ancestors(parsed, i)
    )


def _is_set_there(parsed: Parsed, i: int, verb: int) -> bool:
    """ "In Rome, only the emperor could wear one": there we are, whoever does it."""
    token = parsed.tokens[i]
    opens = token.head == 0 or parsed.tokens[token.head - 1].sentence != token.sentence
    could = any(parsed.tokens[c].text.lower() in {"could", "would"} for c in parsed.children[verb])
    return token.name == "GPE" and token.dep == "pobj" and opens and could


def _only_goes_by(parsed: Parsed, verb: int, place: Token) -> bool:
    """ "The serum was in Anchorage", "the ice went out to sea", "the smell went down the lane"."""
    lemma = parsed.tokens[verb].lemma
    return _is_of_things(parsed, verb) and (
        lemma in _GOES_OR_SOUNDS or (lemma == "be" and place.name == "GPE")
    )


def _is_only_beside(prep: str, verb: str) -> bool:
    """ "Pointing at the sign above the roof", "I asked our neighbour across the hall"."""
    return (prep in _ASIDE and verb in FROM_AFAR) or (prep == "across" and verb in SPEECH)


def _is_taken(parsed: Parsed, verb: int) -> bool:
    """ "I was sent to the garden"."""
    if parsed.tokens[verb].lemma not in _TAKEN:
        return False
    below = [parsed.tokens[c] for c in parsed.children[verb]]
    things = [t for t in below if t.dep == "nsubjpass" and sort_of(t.lemma) in ("thing", "food")]
    return any(t.dep == "auxpass" for t in below) and not things


def _takes_somebody(parsed: Parsed, verb: int) -> bool:
    whom = [parsed.tokens[c] for c in parsed.children[verb] if parsed.tokens[c].dep == "dobj"]
    return any(t.pos in {"PRON", "PROPN"} or sort_of(t.lemma) == "person" for t in whom)


def _is_looked_at_from_beside(first: str, place: Token) -> bool:
    """Who looks across water, or down into a well, stands beside it."""
    if first in {"across", "over"}:
        return place.lemma in _WATERS
    return first in {"down", "into"} and place.lemma in _LOOKED_INTO


def _is_where_its_thing_is(parsed: Parsed, i: int) -> bool | None:
    """Of a place before a noun, "at the kitchen table": False, or None where that stands for no place, as in "on a
    kitchen table" in the street, "by the green ladder"."""
    head = parsed.tokens[i].head
    one = any(parsed.tokens[c].text in {"a", "an"} for c in parsed.children[head])
    if one or parsed.tokens[i].lemma == "green" or comes_to(parsed, head) is None:
        return None
    return False


def _is_of_things(parsed: Parsed, verb: int) -> bool:
    who = [parsed.tokens[s] for s in subjects(parsed, verb)]
    head = parsed.tokens[verb].head
    if parsed.tokens[verb].dep in {"acl", "advcl"} and parsed.tokens[verb].tag == "VBG":
        # "There is the refrigerator, humming in the kitchen".
        is_there = (c for c in parsed.children[head] if parsed.tokens[c].dep == "attr")
        above = parsed.tokens[next(is_there, head)]
        who = [above] if above.pos == "NOUN" else who
    return bool(who) and all(
        t.pos == "NOUN" and (sort_of(t.lemma) == "thing" or t.lemma in _COMES_BY_ITSELF)
        for t in who
    )


def _has_somebody(parsed: Parsed, verb: int) -> bool:
    """ "She had a daughter at home": it is not she who is there."""
    below = [parsed.tokens[c] for c in parsed.children[verb]]
    return any(t.dep == "dobj" and sort_of(t.lemma) == "person" for t in below)


def _goes_up_there(parsed: Parsed, verb: int) -> bool:
    """Whether a thing is in the air: a kite, smoke, a balloon."""
    tokens = parsed.tokens
    who = [tokens[k] for k in subjects(parsed, verb)]
    things = all(t.lemma.lower() == "it" or sort_of(t.lemma) in ("thing", "plant") for t in who)
    return bool(who) and things and tokens[verb].lemma in _IN_THE_AIR


def is_of_the_sky(parsed: Parsed, verb: int) -> bool:
    """Whether it is the sun or the moon that goes there."""
    of = [parsed.tokens[s].lemma for s in subjects(parsed, verb)]
    return bool(of) and _IN_THE_SKY.issuperset(of)


_PASSES = frozenset("pass go float glide drift slip sail slide row duck".split())
_ROOMS = frozenset("hut cabin workshop study surgery bakery forge mill room tent".split())
_STREAMS = frozenset("stream torrent sheet river".split())


def _is_gone_by(prep: str, verb: Token, place: Token) -> bool:
    """ "You pass under a bridge", and are on the water still; "the rain poured down in streams"."""
    streams = place.lemma in _STREAMS and place.tag == "NNS" and prep == "in"
    return streams or (prep == "under" and verb.lemma in _PASSES)


def _is_main(parsed: Parsed, verb: Token) -> bool:
    """ "On the morning of the show the tent smelled of rain" is taken for "the show that it smelled"."""
    top = list(ancestors(parsed, verb.head))
    return bool(top) and top[-1].pos == "ADP" and top[-1].dep == "ROOT"


def _of_who_there_was(parsed: Parsed, verb: Token) -> bool:
    """ "There were three sisters who lived in a mill": so they are told of."""
    above = parsed.tokens[verb.head]
    return (
        verb.lemma in LIVES
        and above.dep == "attr"
        and any(parsed.tokens[c].dep == "expl" for c in parsed.children[above.head])
    )


def _says_where_in(above: Token) -> bool:
    """Whether a noun before "of" only says where in a place: its grass, its middle, its corner."""
    return sort_of(above.lemma) in {"plant", "thing"} or above.lemma in _WITHIN


def _is_its_corner(parsed: Parsed, i: int) -> bool:
    """Whether it is said of where they are that it is a part of a place."""
    tokens = parsed.tokens
    above = tokens[tokens[tokens[i].head].head]
    if above.dep != "attr" or above.lemma not in _WITHIN | STANDS_IN_ONE:
        return False
    return any(
        tokens[s].text.lower() in {"it", "this", "here"} for s in subjects(parsed, above.head)
    )


def _is_measure(parsed: Parsed, i: int) -> bool:
    """ "It was the largest clock in the province": that is said of all of it, not where they are."""
    tokens = parsed.tokens
    above = tokens[i].head
    noun = tokens[above].head
    return tokens[above].text.lower() in {"in", "of"} and any(
        tokens[c].tag == "JJS" or tokens[c].text.lower() == "only" for c in parsed.children[noun]
    )


def _water_comes(parsed: Parsed, i: int, verb: int) -> bool:
    """ "The river rose. It came up through the cellars": nobody is there for that."""
    tokens = parsed.tokens
    if tokens[tokens[i].head].text.lower() not in {"through", "into", "under", "up"}:
        return False  # what comes over the flats comes to where they are
    moved = [tokens[s] for s in subjects(parsed, verb)]
    if [t.text.lower() for t in moved] == ["it"]:
        before = [t for t in tokens[:verb] if t.dep in SUBJECT and t.pos == "NOUN"]
        moved = before[-1:]
    return bool(moved) and all(t.lemma in _WATERS | _COMES_BY_ITSELF for t in moved)


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
