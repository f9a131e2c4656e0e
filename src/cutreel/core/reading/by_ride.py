"""Where somebody is by what they ride or drive, and how far: in a car, a lift, a bus, above the clouds, on a road."""

from cutreel.core.nouns import sort_of

from .arrival import LIFTS, Arrival, are_beasts
from .clauses import SUBJECT, VERBAL, Called, clause_of, compared, subjects, unreal
from .coming import FROM_AFAR, TO
from .parsed import Parsed
from .places import VEHICLES

_DRIVEN = frozenset(
    "truck lorry plough plow snowplough snowplow bus van taxi cab ambulance".split()
)
_FIELD_MACHINES = frozenset({"tractor", "combine", "harvester"})
"""Whoever drives one is in a field."""
OUTSIDE = "outside"
RIDDEN = "ridden"
"""Stands for what somebody drove or rode in last."""
_ON_THE_WAY = frozenset("on along through across over down up".split())
_IS_IN = frozenset("be sit ride stand sleep lie".split())
_BROKEN = frozenset({"broken", "out", "dead", "broke"})
_OPEN_WATER = frozenset("sea ocean lake water wave bay river".split())
_OVER_LAND = frozenset("over above across through past".split())
_STOPS = frozenset("stop pull draw wait arrive park halt come stand".split())
_ON_ROADS = frozenset("walk drive run ride march cycle hike trudge limp hitchhike".split())


def place_by_ride(parsed: Parsed, i: int, called: Called) -> Arrival | None:
    """Where somebody is by what token `i` says of a ride."""
    token = parsed.tokens[i]
    if token.lemma in LIFTS and token.pos == "NOUN":
        found = _in_lift(parsed, i)
        if found is not None:
            # Of one whose doors open it is told how they come to it.
            comes = found or token.dep == "compound"
            return Arrival(token.start, token.lemma, token.lemma, comes)
    if token.lemma in _DRIVEN and _drives(parsed, i):
        inside = token.lemma if token.lemma in VEHICLES else "truck"
        return Arrival(token.start, inside, token.lemma, False)
    if token.lemma in _FIELD_MACHINES and _drives(parsed, i):
        return Arrival(token.start, "field", token.lemma, False)
    if token.lemma in {"drive", "ride"} and _drives_on(parsed, i, called):
        return Arrival(token.start, RIDDEN, token.text, False)
    if flies_there(parsed, i, called):
        return Arrival(token.start, "sky", "flew", True)
    if token.lemma in {"mile", "kilometre", "kilometer"} and _is_walked(parsed, i):
        return Arrival(token.start, "road", "road", False, False)
    if token.lemma == "seat" and _is_in_a_car(parsed, i):
        return Arrival(token.start, "car", "car", False, False)
    ridden = _ridden(parsed, i) if token.lemma == "it" else ""
    if ridden:
        return Arrival(token.start, ridden, ridden, False)
    if token.lemma in VEHICLES and _stops_outside(parsed, i):
        return Arrival(token.start, "street", OUTSIDE, False, False)
    if token.lemma in VEHICLES and _is_within(parsed, i):
        return Arrival(token.start, token.lemma, token.lemma, False)
    return None


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


def _stops_outside(parsed: Parsed, i: int) -> bool:
    """ "A taxi stopped outside": who gets out of it does so there."""
    verb = parsed.tokens[i].head
    stops = parsed.tokens[i].dep in SUBJECT and parsed.tokens[verb].lemma in _STOPS
    outside = any(
        parsed.tokens[c].text.lower() == "outside" and not parsed.children[c]
        for c in parsed.children[verb]
    )
    return stops and outside and not unreal(parsed, verb)


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


def _is_in_a_car(parsed: Parsed, i: int) -> bool:
    """ "On the back seat sits a boy": what has a back seat is a car."""
    which = {parsed.tokens[c].text.lower() for c in parsed.children[i]}
    on = parsed.tokens[i].dep == "pobj" and parsed.tokens[parsed.tokens[i].head].text.lower() in {
        "on",
        "in",
    }
    return (
        on
        and bool(which & {"back", "front", "passenger"})
        and not unreal(parsed, clause_of(parsed, i))
    )


def flies_there(parsed: Parsed, i: int, called: Called) -> bool:
    """ "They flew over the pine forests and over the cities": whoever is told of is in the air."""
    token = parsed.tokens[i]
    if (
        token.lemma not in {"fly", "soar"}
        or token.pos != "VERB"
        or unreal(parsed, i)
        or compared(parsed, i)
    ):
        return False
    who = subjects(parsed, i)
    somebody = any(called(s) or parsed.tokens[s].text.lower() in {"they", "we", "i"} for s in who)
    if any(sort_of(parsed.tokens[s].lemma) == "animal" for s in who):
        return False  # a moth that flies out over the garden is seen from there
    below = [c for c in parsed.children[i] if parsed.tokens[c].text.lower() in _OVER_LAND]
    what = {parsed.tokens[k].lemma for c in below for k in parsed.children[c]}
    over = bool(below) and not what & _OPEN_WATER  # over the sea one sees the sea
    return somebody and over and not are_beasts(parsed, i, called)


def _is_walked(parsed: Parsed, i: int) -> bool:
    """ "He walked two miles in the dark": on a road."""
    verb = parsed.tokens[i].head
    way = parsed.tokens[i].dep in {"dobj", "npadvmod"} and parsed.tokens[verb].lemma in _ON_ROADS
    return way and not unreal(parsed, verb) and bool(subjects(parsed, verb))
