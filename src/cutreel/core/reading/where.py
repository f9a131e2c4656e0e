"""Where it happens: who comes to a place and who is there, against a place that is only named.

"She came from the market" does not move the scene to the market.
"""

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from cutreel.core.manuscript import KIN
from cutreel.core.nouns import sort_of

from .clauses import (
    SUBJECT,
    VERBAL,
    Called,
    ancestors,
    clause_of,
    compared,
    nobody,
    subjects,
    unreal,
)
from .coming import FROM_AFAR, HOUSES, LIVES, TO, comes_to
from .parsed import Parsed, Token
from .places import MOVES, STANDS_IN_ONE, VEHICLES, goes_along, is_crossed, is_numbered, is_place
from .when import not_now, tells_when

_DRIVEN = frozenset(
    "truck lorry plough plow snowplough snowplow tractor bus van taxi cab ambulance".split()
)
LIFTS = frozenset({"lift", "elevator"})
_WAYS = frozenset({"path", "track", "lane"})
"""What is said of one that is walked is said by whoever is on it."""
_PUTS = frozenset("put lock shut crowd squeeze pack tuck cram".split())
"""Done to somebody, it says where they are from then on."""
STAIRS = "stairs"
"""The noun of an arrival up a flight of stairs, in a house that is not named."""
RIDDEN = "ridden"
"""Stands for what somebody drove or rode in last."""
_ON_THE_WAY = frozenset("on along through across over down up".split())
_IS_IN = frozenset("be sit ride stand sleep lie".split())
_FULL = frozenset("full crowded busy packed".split())
"""How a place is that is looked at from within."""


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
    elsewhere: bool = False
    """Whether it is where others are, while who tells it is not."""
    lives: bool = False
    """Whether it is said that somebody lives there: that is home."""


def arrivals(
    parsed: Parsed, spoken: frozenset[int], called: Called = nobody, teller: int | None = None
) -> tuple[Arrival, ...]:
    """The places of a paragraph that somebody comes to or is at, in order; tokens `spoken` are words of a quotation.

    Where somebody tells it (`teller`), where others are meanwhile is seen for a moment only.
    """
    out = []
    for i, token in enumerate(parsed.tokens):
        if i in spoken:
            continue
        otherwise = _told_otherwise(parsed, i, called)
        if otherwise is not None:
            out.append(otherwise)
            continue
        if token.pos not in {"NOUN", "PROPN"} or token.lemma in LIFTS or not is_place(parsed, i):
            continue
        if _is_boarded_at(parsed, i):
            continue
        if _has_its_door_opened(parsed, i):
            out.append(Arrival(token.start, token.lemma, _phrase(parsed, i), False))
            continue
        if _is_all_there_is(parsed, i) or _is_behind_the_door(parsed, i):
            comes = not _is_all_there_is(parsed, i)
            out.append(Arrival(token.start, token.lemma, _phrase(parsed, i), comes))
            continue
        named = token.pos == "PROPN" and token.text[:1].isupper()
        aside = token.dep != "pobj" and not is_numbered(parsed, i)
        if named and aside and not is_crossed(parsed, i):
            continue  # "France had seven hundred names" is nowhere to be seen
        if _is_had(parsed, i) or _stands_ahead(parsed, i):
            out.append(Arrival(token.start, token.lemma, _phrase(parsed, i), False, False))
            continue
        found = comes_to(parsed, i)
        if found and (
            _are_beasts(parsed, i, called)
            or _takes_there(parsed, clause_of(parsed, i), called, teller)
        ):
            continue
        if found is not None:
            out.append(_arrival(parsed, i, found, called, teller))
    return (*_was_there_before(parsed, out), *out)


_POSTURES = frozenset("sit stand lie kneel lean crouch squat perch".split())
_SOON = 2
"""Sentences within which it is told where somebody was at the time that a paragraph leaps to."""


def _was_there_before(parsed: Parsed, told: Sequence[Arrival]) -> Iterator[Arrival]:
    """ "One evening she was filing letters. … She sat down on the floor of the office": there she was all the time."""
    first = next(iter(told), None)
    if first is None or first.comes or not first.stays or first.elsewhere:
        return
    tokens = parsed.tokens
    at = next(i for i, t in enumerate(tokens) if t.start == first.start)
    verb = clause_of(parsed, at)
    if tokens[verb].lemma not in _POSTURES or not 0 < tokens[at].sentence <= _SOON:
        return
    for i, token in enumerate(tokens[:at]):
        opens = i == 0 or tokens[i - 1].sentence != token.sentence
        soon = tokens[i : i + 3]
        if (
            opens
            and token.sentence < tokens[at].sentence
            and any(t.lemma != "time" and sort_of(t.lemma) == "time" for t in soon)
        ):
            moved = any(t.lemma in MOVES and t.pos == "VERB" for t in tokens[i:verb])
            if not moved:
                yield first._replace(start=token.start)
            return


def _told_otherwise(parsed: Parsed, i: int, called: Called) -> Arrival | None:
    """Where somebody is by what is done or had there: in bed, at the oars, in what they drive, aboard, at home."""
    token = parsed.tokens[i]
    if token.lemma in {"bed", "bunk"} and _is_in_bed(parsed, i):
        return Arrival(token.start, "bedroom", "bed", False)
    if (token.lemma, token.pos) in _DONE_IN_KITCHENS and _is_at_the_oven(parsed, i):
        return Arrival(token.start, "kitchen", AT_THE_OVEN, False)
    if token.lemma in _STANDS_INSIDE and _is_beside(parsed, i):
        noun = "bedroom" if token.lemma == "wardrobe" else "room"
        return Arrival(token.start, noun, WITHIN, False)
    if token.lemma == "wake" and _wakes(parsed, i):
        return Arrival(token.start, "bedroom", "woke", False)
    if token.lemma in {"row", "sail"} and _wakes(parsed, i):
        return Arrival(token.start, "sea", "rowed", False)
    if token.lemma in LIFTS and token.pos == "NOUN":
        found = _in_lift(parsed, i)
        if found is not None:
            # Of one whose doors open it is told how they come to it.
            comes = found or token.dep == "compound"
            return Arrival(token.start, token.lemma, token.lemma, comes)
    if _is_of_a_hospital(parsed, i):
        return Arrival(token.start, "hospital", token.lemma, False)
    if token.lemma in _DRIVEN and _drives(parsed, i):
        inside = token.lemma if token.lemma in VEHICLES else "truck"
        return Arrival(token.start, inside, token.lemma, False)
    if token.lemma in {"drive", "ride"} and _drives_on(parsed, i, called):
        return Arrival(token.start, RIDDEN, token.text, False)
    if token.lemma == "home" and _goes_home(parsed, i):
        return Arrival(token.start, "home", "home", True)
    if token.lemma in {"stair", "stairs", "staircase"} and _goes_up(parsed, i):
        return Arrival(token.start, STAIRS, token.text, True)
    if token.lemma == "it" and (place := _walked_into(parsed, i)) is not None:
        noun = parsed.tokens[place].lemma
        return Arrival(token.start, noun, _phrase(parsed, place), True)
    if _sits_outside(parsed, i):
        return Arrival(token.start, "street", "street", False)
    if _is_rented(parsed, i):
        return Arrival(token.start, token.lemma.lower(), _phrase(parsed, i), True)
    ridden = _ridden(parsed, i) if token.lemma == "it" else ""
    if ridden:
        return Arrival(token.start, ridden, ridden, False)
    if token.lemma in VEHICLES and _is_within(parsed, i):
        return Arrival(token.start, token.lemma, token.lemma, False)
    if token.pos == "PROPN" and _is_taken_by(parsed, i):
        return Arrival(token.start, token.lemma.lower(), _phrase(parsed, i), True, town=True)
    if _are_put_in(parsed, i, called):
        return Arrival(token.start, token.lemma.lower(), _phrase(parsed, i), False)
    if _goes_among_trees(parsed, i) and not _are_beasts(parsed, i, called):
        return Arrival(token.start, "forest", f"the {token.text}", True)
    if _is_set_in(parsed, i):
        return Arrival(token.start, "town", token.lemma, False)
    return None


def _arrival(parsed: Parsed, i: int, comes: bool, called: Called, teller: int | None) -> Arrival:
    """Where somebody `comes` to a place that token `i` names, or is."""
    token, verb = parsed.tokens[i], clause_of(parsed, i)
    elsewhere = not comes and (
        (teller is not None and _others_are(parsed, verb, called, teller))
        or _is_kept_elsewhere(parsed, i, verb, called)
    )
    stays = (
        token.dep not in SUBJECT
        or _is_somebodys(parsed, i, called)
        or _is_seen_from_within(parsed, i)
        or (token.lemma in _WAYS and parsed.tokens[verb].lemma == "be")
    )
    before = parsed.tokens[token.head].text.lower() if token.dep == "pobj" else ""
    noun, phrase = token.lemma.lower(), _phrase(parsed, i)
    if noun == "light":
        noun, phrase = "lighthouse", "lighthouse"
    if _is_far_out(parsed, i, called):
        elsewhere, stays = True, False
    if _moves_away(parsed, verb):
        stays = False
    if before == "outside" and noun in HOUSES:
        noun, phrase = "street", f"outside the {phrase}"
    return Arrival(
        token.start,
        noun,
        phrase,
        comes,
        stays and not elsewhere,
        token.name == "GPE" or _is_a_town(token),
        elsewhere,
        parsed.tokens[verb].lemma in LIVES and before != "off",
    )


def _moves_away(parsed: Parsed, verb: int) -> bool:
    """ "Her son moved to Canada": nobody else goes along, and we stay where she is."""
    of = subjects(parsed, verb)
    kin = any(
        parsed.tokens[s].lemma in KIN
        and any(parsed.tokens[c].dep == "poss" for c in parsed.children[s])
        for s in of
    )
    return kin and parsed.tokens[verb].lemma in {"move", "emigrate"}


def _takes_there(parsed: Parsed, verb: int, called: Called, teller: int | None) -> bool:
    """ "A girl takes the rolls to the school": who tells it stays."""
    of = subjects(parsed, verb)
    things = any(
        parsed.tokens[c].dep == "dobj" and sort_of(parsed.tokens[c].lemma) in ("thing", "food")
        for c in parsed.children[verb]
    )
    away = (
        parsed.tokens[verb].lemma in {"take", "carry", "bring"} and parsed.tokens[verb].tag == "VBZ"
    )
    return (
        teller is not None
        and away
        and things
        and bool(of)
        and not any(teller in called(s) for s in of)
    )


def _others_are(parsed: Parsed, verb: int, called: Called, teller: int) -> bool:
    """ "My mother was in hospital": who tells it is elsewhere."""
    if parsed.tokens[verb].lemma != "be":
        return False
    of = subjects(parsed, verb)
    somebody = any(sort_of(parsed.tokens[s].lemma) == "person" or called(s) for s in of)
    return somebody and not any(teller in called(s) for s in of)


_KEPT_IN = frozenset(
    "infirmary hospital prison jail gaol asylum workhouse army war churchyard cemetery".split()
)


def _is_kept_elsewhere(parsed: Parsed, i: int, verb: int, called: Called) -> bool:
    """ "Her mother was ill in the infirmary": said of somebody who is not with them."""
    if parsed.tokens[verb].lemma not in {"be", "lie"} or parsed.tokens[i].lemma not in _KEPT_IN:
        return False
    return any(
        sort_of(parsed.tokens[s].lemma) == "person"
        and not called(s)
        and any(parsed.tokens[c].dep == "poss" for c in parsed.children[s])
        for s in subjects(parsed, verb)
    )


def _is_somebodys(parsed: Parsed, i: int, called: Called) -> bool:
    """ "Her room was small": it is she who is there, and sees it."""
    verb = parsed.tokens[parsed.tokens[i].head]
    return verb.lemma == "be" and any(
        parsed.tokens[c].dep == "poss" and called(c) for c in parsed.children[i]
    )


def _is_seen_from_within(parsed: Parsed, i: int) -> bool:
    """ "In the morning the bakery was full": whoever can say so is in it."""
    verb = parsed.tokens[i].head
    below = [parsed.tokens[c] for c in parsed.children[verb]]
    if parsed.tokens[verb].lemma == "close" and any(t.dep == "auxpass" for t in below):
        # "The museum was closed to the public": whoever is told of is in it.
        return any(t.dep == "prep" and t.text.lower() == "to" for t in below)
    if parsed.tokens[verb].lemma == "smell":
        return True  # "the whole tent smelled of rain"
    return parsed.tokens[verb].lemma == "be" and any(
        t.dep == "acomp" and t.lemma in _FULL for t in below
    )


def _ridden(parsed: Parsed, i: int) -> str:
    """What somebody rides in, where it is told after it: "The last tram left, and Ada was the only person in it", "and
    Ada drove it"."""
    token = parsed.tokens[i]
    prep, verb = parsed.tokens[token.head], parsed.tokens[clause_of(parsed, i)]
    inside = token.dep == "pobj" and prep.text.lower() in {"in", "on", "aboard", "inside"}
    inside = inside and verb.lemma in _IS_IN
    if not (inside or _drives(parsed, i)) or unreal(parsed, clause_of(parsed, i)):
        return ""
    told = (t for t in reversed(parsed.tokens[:i]) if t.dep in SUBJECT and t.pos == "NOUN")
    for subject in told:
        if subject.lemma in VEHICLES:
            return subject.lemma
        if sort_of(subject.lemma) != "person":
            return ""  # "it" is that, not what drove by before
    return ""


def _is_had(parsed: Parsed, i: int) -> bool:
    """ "Calloway had one great thing: a new steel bridge": for a moment that is what we see."""
    token = parsed.tokens[i]
    verb = clause_of(parsed, i)
    top = token
    while top.dep == "appos" and parsed.tokens[top.head].pos == "NOUN":
        top = parsed.tokens[top.head]
    new = any(parsed.tokens[c].text.lower() in {"a", "an", "one"} for c in parsed.children[i])
    has = parsed.tokens[verb].lemma == "have" and top.dep == "dobj" and top.head == verb
    of = [parsed.tokens[s] for s in subjects(parsed, verb)]
    town = bool(of) and all(
        (t.pos == "PROPN" and t.name in {"GPE", "ORG", "LOC", "FAC"})
        or sort_of(t.lemma.lower()) == "place"
        for t in of
    )
    return new and has and town and not unreal(parsed, verb)


def _stands_ahead(parsed: Parsed, i: int) -> bool:
    """ "Ahead of you stands a lighthouse": for a moment it is what we see."""
    token = parsed.tokens[i]
    new = any(parsed.tokens[c].text.lower() in {"a", "an"} for c in parsed.children[i])
    verb = token.head
    behind = (
        token.dep in {"dobj", "nsubj", "attr"} and verb < i and parsed.tokens[verb].pos == "VERB"
    )
    stands = parsed.tokens[verb].lemma in {"stand", "lie", "rise", "loom", "lay"}
    return new and behind and stands and not unreal(parsed, verb)


def _walked_into(parsed: Parsed, i: int) -> int | None:
    """ "She wanted to see the bridge. They walked out to the middle of it": the place that was named last."""
    prep, verb = parsed.tokens[i].head, clause_of(parsed, i)
    way = prep
    if parsed.tokens[prep].text.lower() == "of":
        way = parsed.tokens[parsed.tokens[prep].head].head
    goes = parsed.tokens[verb].lemma in MOVES and parsed.tokens[way].text.lower() in TO - {"at"}
    if parsed.tokens[i].dep != "pobj" or not goes or unreal(parsed, verb):
        return None
    if not any(parsed.tokens[s].pos in {"PRON", "PROPN"} for s in subjects(parsed, verb)):
        return None  # "the wind came into it"
    before = range(i - 1, -1, -1)
    noun = next(
        (k for k in before if parsed.tokens[k].pos == "NOUN" and _can_be_it(parsed, k)), None
    )
    far = noun is None or parsed.tokens[i].sentence - parsed.tokens[noun].sentence > 1
    return None if far or noun is None or not is_place(parsed, noun) else noun


def _can_be_it(parsed: Parsed, k: int) -> bool:
    token = parsed.tokens[k]
    if token.lemma in STANDS_IN_ONE or token.tag == "NNS":
        return False
    return sort_of(token.lemma) in {"place", "thing", "animal"}


_BEFORE_THE_HOUSE = frozenset("kerb curb pavement sidewalk".split())


def _sits_outside(parsed: Parsed, i: int) -> bool:
    """ "Found me sitting on the kerb": in the street."""
    token, verb = parsed.tokens[i], clause_of(parsed, i)
    on = token.dep == "pobj" and parsed.tokens[token.head].text.lower() == "on"
    rests = parsed.tokens[verb].lemma in _POSTURES | {"wait"}
    return token.lemma in _BEFORE_THE_HOUSE and on and rests and not unreal(parsed, verb)


def _is_rented(parsed: Parsed, i: int) -> bool:
    """ "He rented an office above a bank, hung a map on the wall": there he is from then on."""
    token = parsed.tokens[i]
    taken = token.dep == "dobj" and parsed.tokens[token.head].lemma in {"rent", "lease"}
    within = sort_of(token.lemma) == "place" and token.lemma in HOUSES | _ROOMS
    return taken and within and not unreal(parsed, token.head)


_ROOMS = frozenset("room flat apartment attic cellar studio workshop shed barn hall".split())


AT_THE_OVEN, WITHIN = "baked", "inside"
"""The phrases of arrivals that only say so where nothing else is known: somebody bakes, or is beside a wardrobe."""
_DONE_IN_KITCHENS = frozenset({("bake", "VERB"), ("oven", "NOUN")})
_STANDS_INSIDE = frozenset({"wardrobe", "window", "windowsill", "fireplace", "hearth"})
_SEES = frozenset("hold stand sit wait look lean kneel put write read keep".split())


def _is_at_the_oven(parsed: Parsed, i: int) -> bool:
    """ "So I baked", "the loaf came out of the oven"."""
    verb = clause_of(parsed, i)
    if unreal(parsed, verb) or compared(parsed, i):
        return False
    if parsed.tokens[i].lemma == "bake":
        return any(parsed.tokens[s].pos in {"PRON", "PROPN"} for s in subjects(parsed, i))
    return parsed.tokens[i].dep == "pobj"


def _is_beside(parsed: Parsed, i: int) -> bool:
    """ "Held it up to the window", "put it on top of my wardrobe": in a room; who looks in at a window is not."""
    token, verb = parsed.tokens[i], clause_of(parsed, i)
    if token.dep != "pobj" or token.tag == "NNS" or unreal(parsed, verb) or compared(parsed, i):
        return False
    below = [*parsed.children[verb], *_preps_above(parsed, i)]
    words = {parsed.tokens[c].text.lower() for c in below}
    somebody = any(parsed.tokens[s].pos in {"PRON", "PROPN"} for s in subjects(parsed, verb))
    outside = words & {"in", "into", "outside", "under", "below", "through"}
    return somebody and parsed.tokens[verb].lemma in _SEES and not outside


def _preps_above(parsed: Parsed, i: int) -> Iterator[int]:
    """The prepositions that a noun hangs on, up to its verb."""
    at = parsed.tokens[i].head
    while parsed.tokens[at].pos not in VERBAL and parsed.tokens[at].head != at:
        yield at
        at = parsed.tokens[at].head


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


_ANYBODY = frozenset("anybody anyone everybody everyone nobody somebody".split())


def _wakes(parsed: Parsed, i: int) -> bool:
    """ "She woke before the alarm": where nothing else is said, in bed. "He rowed out": likewise on the water."""
    wakes_another = parsed.tokens[i].lemma == "wake" and any(
        parsed.tokens[c].dep == "dobj" for c in parsed.children[i]
    )
    who = subjects(parsed, i)
    done = parsed.tokens[i].pos == "VERB" and bool(who) and not wakes_another
    if any(parsed.tokens[s].text.lower() in _ANYBODY for s in who):
        return False  # "before anybody woke"
    others = [s for s in who if sort_of(parsed.tokens[s].lemma) in {"animal", "thing"}]
    return done and len(others) < len(who) and not unreal(parsed, i)


def _goes_up(parsed: Parsed, i: int) -> bool:
    """ "He came up the stairs with two cups"; "up the stairs from the beach" may be anywhere."""
    verb = clause_of(parsed, i)
    if parsed.tokens[verb].lemma not in MOVES | {"climb"} or unreal(parsed, verb):
        return False
    up = goes_along(parsed, verb) or parsed.tokens[parsed.tokens[i].head].text.lower() == "up"
    told = [*parsed.children[i], *parsed.children[verb]]
    words = {
        parsed.tokens[c].text.lower()
        for c in told
        if parsed.tokens[c].dep in {"prep", "amod", "compound"}
    }
    return up and not words & {"from", "to", "of", "out", "stone", "iron", "steep"}


_BROKEN = frozenset({"broken", "out", "dead", "broke"})


def _in_lift(parsed: Parsed, i: int) -> bool | None:
    """Whether the scene comes into a lift (True) or is in it (False): it has no other side to be told of."""
    token = parsed.tokens[i]
    verb = clause_of(parsed, i)
    if unreal(parsed, verb) or compared(parsed, i):
        return None
    if token.dep in SUBJECT:
        # One that is broken takes nobody along.
        broken = any(parsed.tokens[c].text.lower() in _BROKEN for c in parsed.children[verb])
        return None if broken or parsed.tokens[verb].text.lower() in _BROKEN else False
    if token.dep == "compound" and parsed.tokens[token.head].lemma == "door":
        opens = parsed.tokens[clause_of(parsed, token.head)].lemma in {"open", "close", "slide"}
        return False if opens and parsed.tokens[token.head].dep in SUBJECT else None
    inside = {"in", "into", "inside"}
    return True if token.dep == "pobj" and parsed.tokens[token.head].text in inside else None


_TREATS = frozenset("doctor nurse surgeon matron dr dr.".split())


def _is_of_a_hospital(parsed: Parsed, i: int) -> bool:
    """ "She asked Dr. Okafor about the patient": where doctors have patients."""
    token = parsed.tokens[i]
    if token.lemma != "patient" or token.pos != "NOUN":
        return False
    return any(
        t.lemma.lower() in _TREATS and abs(t.sentence - token.sentence) <= 1 for t in parsed.tokens
    )


def _is_boarded_at(parsed: Parsed, i: int) -> bool:
    """ "Only one passenger got on at the hospital": nobody is in it any more."""
    token = parsed.tokens[i]
    if token.dep != "pobj" or parsed.tokens[token.head].text.lower() != "at":
        return False
    verb = clause_of(parsed, i)
    on = any(parsed.tokens[c].text.lower() in {"on", "aboard"} for c in parsed.children[verb])
    return parsed.tokens[verb].lemma == "board" or (on and parsed.tokens[verb].lemma in _GETS)


def _has_its_door_opened(parsed: Parsed, i: int) -> bool:
    """ "A small girl opened the door of a yellow house": she lives there, or comes."""
    of = parsed.tokens[i].head
    door = parsed.tokens[of].head
    verb = parsed.tokens[door].head
    told = parsed.tokens[of].text.lower() == "of" and parsed.tokens[door].lemma == "door"
    opens = parsed.tokens[door].dep == "dobj" and parsed.tokens[verb].lemma == "open"
    return told and opens and bool(subjects(parsed, verb)) and not unreal(parsed, verb)


_GETS = frozenset("get climb hop jump step come".split())


def _drives(parsed: Parsed, i: int) -> bool:
    """ "My father drove a snowplough": he is in its cab."""
    token = parsed.tokens[i]
    drives = token.dep == "dobj" and parsed.tokens[token.head].lemma == "drive"
    return drives and not unreal(parsed, token.head) and bool(subjects(parsed, token.head))


def _drives_on(parsed: Parsed, i: int, called: Called) -> bool:
    """ "We drove past the hospital": they are in what they drove before, wherever that is by now."""
    below = [parsed.tokens[c] for c in parsed.children[i]]
    if parsed.tokens[i].pos != "VERB" or unreal(parsed, i) or compared(parsed, i):
        return False
    if any(t.dep in {"dobj", "auxpass"} for t in below):
        return False
    # "At four in the morning she drove out": when, before its verb.
    preps = [t.text.lower() for t in below if t.dep == "prep" and t.start > parsed.tokens[i].start]
    who = subjects(parsed, i)
    somebody = any(called(s) or parsed.tokens[s].text.lower() in {"we", "i", "they"} for s in who)
    leaves = any(t.text.lower() in {"away", "off"} for t in below)
    if leaves and not any(parsed.tokens[s].text.lower() in {"we", "i"} for s in who):
        return False  # "he said, and drove away": seen by whoever stays
    return somebody and not TO.difference(_ON_THE_WAY).intersection(preps)


def _is_within(parsed: Parsed, i: int) -> bool:
    """ "The bus left with three passengers", "she looked along the bus", "to the front of the bus": inside of it."""
    token = parsed.tokens[i]
    verb = clause_of(parsed, i)
    if unreal(parsed, verb) or compared(parsed, i):
        return False
    if token.dep in SUBJECT:
        with_ = [c for c in parsed.children[verb] if parsed.tokens[c].text.lower() == "with"]
        carried = [parsed.tokens[k] for c in with_ for k in parsed.children[c]]
        return any(t.tag == "NNS" and sort_of(t.lemma) == "person" for t in carried)
    before = parsed.tokens[token.head]
    if token.dep != "pobj" or not any(
        parsed.tokens[s].pos in {"PRON", "PROPN"} or sort_of(parsed.tokens[s].lemma) == "person"
        for s in subjects(parsed, verb)
    ):
        return False
    part = parsed.tokens[before.head].lemma
    along = (
        before.text.lower() in {"along", "down", "through"}
        and parsed.tokens[verb].lemma in FROM_AFAR
        and not (i + 1 < len(parsed.tokens) and parsed.tokens[i + 1].pos in VERBAL)
    )  # "when I looked down the car was gone" lacks its comma
    return along or (before.text.lower() == "of" and part in {"front", "back", "rear", "middle"})


def _is_far_out(parsed: Parsed, i: int, called: Called) -> bool:
    """ "Out on the reef a boat was turning": seen from where they are, unless it is they who are out there."""
    prep = parsed.tokens[i].head
    opens = (
        parsed.tokens[i].dep == "pobj"
        and prep > 0
        and parsed.tokens[prep - 1].text.lower() == "out"
    )
    acting = subjects(parsed, clause_of(parsed, i))
    return opens and all(s > i and not called(s) and parsed.tokens[s].pos != "PRON" for s in acting)


def _are_put_in(parsed: Parsed, i: int, called: Called) -> bool:
    """ "Their aunt had put them all into one compartment": there they are now."""
    token, verb = parsed.tokens[i], clause_of(parsed, i)
    place = token.lemma in VEHICLES or sort_of(token.lemma) == "place"
    if not place or token.dep != "pobj" or parsed.tokens[verb].lemma not in _PUTS:
        return False
    into = parsed.tokens[token.head].text.lower() in {"into", "in", "inside"}
    whom = [c for c in parsed.children[verb] if parsed.tokens[c].dep in {"dobj", "nsubjpass"}]
    somebody = any(
        called(c)
        or parsed.tokens[c].lemma in {"they", "he", "she", "we", "I"}
        or sort_of(parsed.tokens[c].lemma) == "person"
        for c in whom
    )
    return into and somebody and unreal(parsed, verb) in ("", "remembered")


_CONQUERS = frozenset("take capture conquer besiege attack storm occupy bomb invade".split())


def _is_taken_by(parsed: Parsed, i: int) -> bool:
    """ "In 1453 the Turks took Constantinople"."""
    token = parsed.tokens[i]
    verb = token.head
    done = token.dep == "dobj" and parsed.tokens[verb].lemma in _CONQUERS
    of = [parsed.tokens[s] for s in subjects(parsed, verb)]
    # Of a town that the parser does not know, by whom it is taken: a people.
    town = token.name == "GPE" or (
        token.name != "PERSON" and any(t.tag == "NNPS" or t.name == "NORP" for t in of)
    )
    return done and town and bool(of) and not unreal(parsed, verb)


def _are_beasts(parsed: Parsed, i: int, called: Called) -> bool:
    """ "The owls flew into the trees": nobody who is told of goes there."""
    of = subjects(parsed, clause_of(parsed, i))
    if called is nobody:
        return False  # it is not known yet who is told of
    return bool(of) and all(
        sort_of(parsed.tokens[s].lemma) == "animal" and not called(s) for s in of
    )


def _goes_home(parsed: Parsed, i: int) -> bool:
    token = parsed.tokens[i]
    verb = clause_of(parsed, i)
    goes = parsed.tokens[verb].lemma in MOVES | {"be", "stay"}
    at_home = token.dep == "attr" and _is_bare(parsed, i)
    goes = goes and (token.dep in {"advmod", "npadvmod", "dobj"} or at_home)
    if any(sort_of(parsed.tokens[s].lemma) == "animal" for s in subjects(parsed, verb)):
        return False  # the otter's home is no house
    return goes and not unreal(parsed, verb)


def _is_bare(parsed: Parsed, i: int) -> bool:
    """ "He was home for the holidays", not "it was a home"."""
    return not any(parsed.tokens[c].dep in {"det", "poss", "amod"} for c in parsed.children[i])


def _goes_among_trees(parsed: Parsed, i: int) -> bool:
    """ "They walked into the trees": that is a wood."""
    token, before = parsed.tokens[i], parsed.tokens[parsed.tokens[i].head]
    if token.lemma not in {"tree", "pine"} or token.tag != "NNS" or token.dep != "pobj":
        return False
    verb = clause_of(parsed, i)
    goes = parsed.tokens[verb].lemma in MOVES and bool(subjects(parsed, verb))
    into = before.text.lower() in {"into", "through", "among"}
    return goes and into and not unreal(parsed, verb) and not compared(parsed, i)


def _is_all_there_is(parsed: Parsed, i: int) -> bool:
    """ "At the end of the line there is nothing but a field": there they are."""
    tokens = parsed.tokens
    but = tokens[i].head
    if tokens[i].dep != "pobj":
        return False
    if any(tokens[c].text.lower() == "but" for c in parsed.children[i]):
        # "There was nothing left on the beach but bones".
        above = [*ancestors(parsed, i)]
        return any(t.lemma == "nothing" for t in above) and any(
            t.dep == "expl" and t.sentence == tokens[i].sentence for t in tokens
        )
    if tokens[but].text.lower() != "but":
        return False
    nothing = tokens[tokens[but].head]
    there = any(tokens[c].dep == "expl" for c in parsed.children[nothing.head])
    return nothing.lemma == "nothing" and there


def _is_behind_the_door(parsed: Parsed, i: int) -> bool:
    """ "The doors opened. There was a garden": there they are, or look into it."""
    tokens = parsed.tokens
    verb = tokens[i].head
    there_is = tokens[i].dep == "attr" and any(
        tokens[c].dep == "expl" for c in parsed.children[verb]
    )
    if (
        not there_is
        or unreal(parsed, verb)
        or any(tokens[c].dep == "neg" for c in parsed.children[i])
    ):
        return False
    return not any(tokens[c].text.lower() == "no" for c in parsed.children[i]) and any(
        t.lemma == "door" and t.dep in SUBJECT and tokens[t.head].lemma == "open"
        for t in tokens[:i]
        if tokens[i].sentence - t.sentence <= OPENED
    )


OPENED = 2
"""Sentences after which nobody tells any more of what an open door shows."""


def _is_a_town(token: Token) -> bool:
    """Whether a name that is no place of ours by its word is that of a town, or a part of one: "in Soho"."""
    return token.pos == "PROPN" and token.name == "LOC" and token.lemma.lower() not in _NATURE


def _is_set_in(parsed: Parsed, i: int) -> bool:
    """ "For the town of Harrow Bridge": where the story is set, whatever its name says."""
    token = parsed.tokens[i]
    if token.lemma not in {"town", "village", "city", "hamlet"} or token.dep != "pobj":
        return False
    if parsed.tokens[token.head].text.lower() not in {"for", "in", "at", "near"}:
        return False
    of = [c for c in parsed.children[i] if parsed.tokens[c].text.lower() == "of"]
    return any(parsed.tokens[n].pos == "PROPN" for c in of for n in parsed.children[c])


_NATURE = frozenset(
    "alps andes sahara atlantic pacific himalayas arctic antarctic caribbean".split()
)


def _phrase(parsed: Parsed, i: int) -> str:
    """ "the old smithy" as words, without what else hangs on it."""
    tokens = parsed.tokens
    left = [
        c for c in parsed.children[i] if c < i and tokens[c].dep in {"amod", "compound", "nummod"}
    ]
    # "The Harlow Road petrol station": a name within has parts of its own.
    left += [k for c in left for k in parsed.children[c] if tokens[k].dep == "compound"]
    return " ".join(tokens[k].text for k in [*sorted(left), i])


def muted(parsed: Parsed, spoken: frozenset[int]) -> frozenset[int]:
    """Where words of time, weather and place stand (characters) that do not say when, how and where it is now."""
    out = set()
    for i, token in enumerate(parsed.tokens):
        told = tells_when(token)
        if not told and (token.pos not in {"NOUN", "PROPN"} or not is_place(parsed, i)):
            continue
        if i in spoken or (not_now(parsed, i) if told else comes_to(parsed, i) is None):
            out.add(token.start)
    return frozenset(out)
