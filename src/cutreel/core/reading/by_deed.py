"""Where somebody is by what they do or have there: in bed, at the oven, in what they drive, at home."""

from collections.abc import Iterator

from cutreel.core.nouns import sort_of

from .arrival import POSTURES, Arrival, are_beasts, phrase_of
from .by_ride import place_by_ride
from .clauses import SUBJECT, VERBAL, Called, clause_of, compared, subjects, unreal
from .coming import HOUSES, TO
from .parsed import Parsed
from .places import MOVES, STANDS_IN_ONE, VEHICLES, goes_along, is_place

_PUTS = frozenset("put lock shut crowd squeeze pack tuck cram".split())
"""Done to somebody, it says where they are from then on."""
STAIRS = "stairs"
"""The noun of an arrival up a flight of stairs, in a house that is not named."""
ENTERED = "entered"
"""The noun of an arrival in the house that was seen last from outside."""
_ENTERS = frozenset(
    "be feel smell step go walk come slip run creep hurry look sit take bring carry lead pull invite".split()
)


def place_by_deed(parsed: Parsed, i: int, called: Called) -> Arrival | None:
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
    if _is_of_a_hospital(parsed, i):
        return Arrival(token.start, "hospital", token.lemma, False)
    if token.text.lower() in {"inside", "indoors"} and _is_inside(parsed, i):
        return Arrival(token.start, ENTERED, token.text.lower(), True)
    if token.lemma == "home" and _goes_home(parsed, i):
        return Arrival(token.start, "home", "home", True)
    if token.lemma in {"stair", "stairs", "staircase"} and _goes_up(parsed, i):
        return Arrival(token.start, STAIRS, token.text, True)
    if token.text.lower() == "upstairs" and _goes_to_bed_floor(parsed, i):
        return Arrival(token.start, "bedroom", UPSTAIRS, True)
    if token.lemma == "it" and (place := _walked_into(parsed, i)) is not None:
        noun = parsed.tokens[place].lemma
        return Arrival(token.start, noun, phrase_of(parsed, place), True)
    if token.lemma in _OVER_THE_DEEP and _is_under_water(parsed, i):
        return Arrival(token.start, "depths", "below the surface", False)
    if _is_in_the_yard(parsed, i):
        return Arrival(token.start, "garden", token.lemma, False)
    if _sits_outside(parsed, i):
        return Arrival(token.start, "street", "street", False)
    ride = place_by_ride(parsed, i, called)
    if ride is not None:
        return ride
    if _is_rented(parsed, i):
        return Arrival(token.start, token.lemma.lower(), phrase_of(parsed, i), True)
    if _is_owned(parsed, i):
        return Arrival(token.start, token.lemma.lower(), phrase_of(parsed, i), False)
    if token.pos == "PROPN" and _is_taken_by(parsed, i):
        return Arrival(token.start, token.lemma.lower(), phrase_of(parsed, i), True, town=True)
    if _are_put_in(parsed, i, called):
        return Arrival(token.start, token.lemma.lower(), phrase_of(parsed, i), False)
    if _goes_among_trees(parsed, i) and not are_beasts(parsed, i, called):
        return Arrival(token.start, "forest", f"the {token.text}", True)
    if token.text.lower() == "there" and (place := _done_there(parsed, i)) is not None:
        noun = parsed.tokens[place].lemma
        return Arrival(token.start, noun, phrase_of(parsed, place), False)
    if _is_set_in(parsed, i):
        return Arrival(token.start, "town", token.lemma, False)
    return None


_PLANTED = frozenset("tree seed seedling bush bean rose shrub sapling".split())


def _is_in_the_yard(parsed: Parsed, i: int) -> bool:
    """ "He planted a mango tree behind the house", "she was sitting in the shade"."""
    token = parsed.tokens[i]
    verb = clause_of(parsed, i)
    if unreal(parsed, verb) or compared(parsed, i) or not subjects(parsed, verb):
        return False
    before = parsed.tokens[token.head].text.lower() if token.dep == "pobj" else ""
    if token.lemma in {"house", "cottage", "hut"} and before == "behind":
        return True
    if token.lemma == "shade" and before == "in":
        of = any(parsed.tokens[c].text.lower() == "of" for c in parsed.children[i])
        return parsed.tokens[verb].lemma in POSTURES and not of
    return token.lemma in _PLANTED and token.dep == "dobj" and parsed.tokens[verb].lemma == "plant"


_OVER_THE_DEEP = frozenset("surface water sea ocean floor seabed".split())


def _is_under_water(parsed: Parsed, i: int) -> bool:
    """ "Three hundred metres below the surface", "at the bottom of the sea", "on the sea floor"."""
    token = parsed.tokens[i]
    if token.dep != "pobj" or unreal(parsed, clause_of(parsed, i)) or compared(parsed, i):
        return False
    before = parsed.tokens[token.head]
    made_of = {parsed.tokens[c].lemma for c in parsed.children[i]}
    if token.lemma == "floor":
        return bool(made_of & {"sea", "ocean"})
    if token.lemma == "seabed":
        return True
    if before.text.lower() == "of":
        return parsed.tokens[before.head].lemma == "bottom" and token.lemma in {"sea", "ocean"}
    # "Under the surface of the table" is under none.
    of = any(parsed.tokens[c].text.lower() == "of" for c in parsed.children[i])
    return before.text.lower() in {"below", "beneath", "under"} and (
        token.lemma != "surface" or not of
    )


def _done_there(parsed: Parsed, i: int) -> int | None:
    """ "When the lake sank, the children who swam there saw it": the place that is named before in the sentence."""
    verb = parsed.tokens[i].head
    if (
        parsed.tokens[verb].dep != "relcl"
        or parsed.tokens[i].dep != "advmod"
        or unreal(parsed, verb)
    ):
        return None
    before = (
        k for k in range(i - 1, -1, -1) if parsed.tokens[k].sentence == parsed.tokens[i].sentence
    )
    return next((k for k in before if parsed.tokens[k].pos == "NOUN" and is_place(parsed, k)), None)


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
    rests = parsed.tokens[verb].lemma in POSTURES | {"wait"}
    return token.lemma in _BEFORE_THE_HOUSE and on and rests and not unreal(parsed, verb)


def _is_rented(parsed: Parsed, i: int) -> bool:
    """ "He rented an office above a bank, hung a map on the wall": there he is from then on."""
    token = parsed.tokens[i]
    taken = token.dep == "dobj" and parsed.tokens[token.head].lemma in {"rent", "lease"}
    within = sort_of(token.lemma) == "place" and token.lemma in HOUSES | _ROOMS
    return taken and within and not unreal(parsed, token.head)


_BUYS = frozenset("buy inherit open found own run keep have".split())
_OWNED = frozenset(
    "farm orchard shop inn hotel pub café restaurant bakery mill bookshop cottage smithy ranch vineyard "
    "cinema theatre boatyard garage workshop studio".split()
)
"""What somebody who has one is at, where a story tells of it."""


def _is_owned(parsed: Parsed, i: int) -> bool:
    """ "A man bought a hotel that nobody wanted", "we had a farm then": there it is told of."""
    token, verb = parsed.tokens[i], parsed.tokens[i].head
    had = token.dep == "dobj" and token.lemma in _OWNED and parsed.tokens[verb].lemma in _BUYS
    below = {parsed.tokens[c].text.lower() for c in parsed.children[i]}
    who = [parsed.tokens[s] for s in subjects(parsed, verb)]
    somebody = any(t.pos in {"PRON", "PROPN"} or sort_of(t.lemma.lower()) == "person" for t in who)
    new = bool(below & {"a", "an", "his", "her", "their", "our", "my"})
    told = parsed.tokens[verb].tag in {"VBD", "VBN", "VBZ", "VBP"}
    return had and new and somebody and told and not unreal(parsed, verb)


_ROOMS = frozenset("room flat apartment attic cellar studio workshop shed barn hall".split())
UPSTAIRS = "upstairs"
"""The phrase of an arrival on the floor where people sleep, if it is a house where people live."""
AT_THE_OVEN, WITHIN = "baked", "inside"
"""The phrases of arrivals that only say so where nothing else is known: somebody bakes, or is beside a wardrobe."""
_DONE_IN_KITCHENS = frozenset(
    {("bake", "VERB"), *((w, "NOUN") for w in ("oven", "marmalade", "jam", "pancake", "soup"))}
)
_STANDS_INSIDE = frozenset({"wardrobe", "window", "windowsill", "fireplace", "hearth"})
_SEES = frozenset("hold stand sit wait look lean kneel put write read keep find sleep".split())


def _is_at_the_oven(parsed: Parsed, i: int) -> bool:
    """ "So I baked", "the loaf came out of the oven"."""
    verb = clause_of(parsed, i)
    if unreal(parsed, verb) or compared(parsed, i):
        return False
    if parsed.tokens[i].lemma == "bake":
        return any(parsed.tokens[s].pos in {"PRON", "PROPN"} for s in subjects(parsed, i))
    if parsed.tokens[i].lemma != "oven":
        # "She was making marmalade"; whoever eats it may be anywhere.
        return parsed.tokens[i].dep == "dobj" and parsed.tokens[verb].lemma in {
            "make",
            "cook",
            "boil",
            "stir",
            "fry",
        }
    return parsed.tokens[i].dep == "pobj"


def _is_beside(parsed: Parsed, i: int) -> bool:
    """ "Held it up to the window", "put it on top of my wardrobe": in a room; who looks in at a window is not."""
    token, verb = parsed.tokens[i], clause_of(parsed, i)
    if token.dep != "pobj" or token.tag == "NNS" or unreal(parsed, verb) or compared(parsed, i):
        return False
    window = token.lemma in {"window", "windowsill"}
    goes = window and parsed.tokens[verb].lemma in MOVES - {"fly"} and _is_to(parsed, i)
    below = [*parsed.children[verb], *_preps_above(parsed, i)]
    words = {parsed.tokens[c].text.lower() for c in below}
    if any(parsed.tokens[parsed.tokens[p].head].lemma == "front" for p in _preps_above(parsed, i)):
        words -= {"in"}  # "in front of the wardrobe"
    somebody = any(
        parsed.tokens[s].pos in {"PRON", "PROPN"} or sort_of(parsed.tokens[s].lemma) == "person"
        for s in subjects(parsed, verb)
    )
    outside = words & {"in", "into", "outside", "under", "below", "through"}
    return somebody and (goes or parsed.tokens[verb].lemma in _SEES) and not outside


def _is_to(parsed: Parsed, i: int) -> bool:
    """ "I went to the window": from within; who looks in there next is outside."""
    looks_in = any(
        t.text.lower() in {"in", "inside"} and parsed.tokens[t.head].lemma in {"look", "peer"}
        for t in parsed.tokens[i:]
        if t.sentence - parsed.tokens[i].sentence < 2
    )
    return parsed.tokens[parsed.tokens[i].head].text.lower() == "to" and not looks_in


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
    who = [parsed.tokens[s] for s in subjects(parsed, clause_of(parsed, i))]
    if who and all(t.lemma == "people" and t.dep in SUBJECT for t in who):
        return False  # "people went to bed": all over the land
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


def _goes_to_bed_floor(parsed: Parsed, i: int) -> bool:
    """ "I ran upstairs"."""
    verb = clause_of(parsed, i)
    goes = parsed.tokens[verb].lemma in MOVES | {"climb"} and bool(subjects(parsed, verb))
    return goes and parsed.tokens[i].dep in {"advmod", "npadvmod"} and not unreal(parsed, verb)


_TREATS = frozenset("doctor nurse surgeon matron dr dr.".split())


def _is_of_a_hospital(parsed: Parsed, i: int) -> bool:
    """ "She asked Dr. Okafor about the patient": where doctors have patients."""
    token = parsed.tokens[i]
    if token.lemma != "patient" or token.pos != "NOUN":
        return False
    return any(
        t.lemma.lower() in _TREATS and abs(t.sentence - token.sentence) <= 1 for t in parsed.tokens
    )


def _is_inside(parsed: Parsed, i: int) -> bool:
    """ "It is warm inside", "she stepped inside", "inside, a fire was burning": there they are, wherever that is."""
    verb = clause_of(parsed, i)
    alone = not parsed.children[i] and parsed.tokens[i].dep in {"advmod", "prep", "prt", "npadvmod"}
    opens = i == 0 or parsed.tokens[i - 1].sentence != parsed.tokens[i].sentence
    told = parsed.tokens[verb].lemma in _ENTERS or opens
    return alone and told and not unreal(parsed, verb) and not compared(parsed, i)


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


def _is_set_in(parsed: Parsed, i: int) -> bool:
    """ "For the town of Harrow Bridge": where the story is set, whatever its name says."""
    token = parsed.tokens[i]
    if token.lemma not in {"town", "village", "city", "hamlet"} or token.dep != "pobj":
        return False
    if parsed.tokens[token.head].text.lower() not in {"for", "in", "at", "near"}:
        return False
    of = [c for c in parsed.children[i] if parsed.tokens[c].text.lower() == "of"]
    return any(parsed.tokens[n].pos == "PROPN" for c in of for n in parsed.children[c])
