"""Where it happens: who comes to a place and who is there, against a place that is only named.

"She came from the market" does not move the scene to the market.
"""

from typing import NamedTuple

from cutreel.core.nouns import sort_of

from .clauses import (
    SPEECH,
    SUBJECT,
    Called,
    ancestors,
    clause_of,
    compared,
    nobody,
    subjects,
    unreal,
)
from .parsed import Parsed, Token
from .when import not_now, tells_when

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
    "burst whirl gather swam".split()
)
_DONE_THERE = frozenset(
    "reach enter cross climb visit clean sweep search explore mount".split()
)
"""Done to a place, it is done by somebody there."""
_TILLS = frozenset("dig mow weed rake plough plow sow water".split())
_TILLED = frozenset("lawn garden field yard meadow orchard".split())
_DRIVEN = frozenset("truck lorry plough plow snowplough snowplow tractor bus van taxi cab ambulance".split())
_IN_THE_AIR = frozenset("rise soar float fly hang drift hover climb sail drive glide".split())
_LIVES = frozenset({"live", "dwell", "reside"})
LIFTS = frozenset({"lift", "elevator"})
_WAYS = frozenset({"path", "track", "lane"})
"""What is said of one that is walked is said by whoever is on it."""
_PUTS = frozenset("put lock shut crowd squeeze pack tuck cram".split())
"""Done to somebody, it says where they are from then on."""
VEHICLES = frozenset(
    "train tram bus carriage compartment plane aeroplane airplane submarine car truck lorry van taxi cab coach".split()
)
"""Where somebody rides is a place for as long as they are in it."""
RIDDEN = "ridden"
"""Stands for what somebody drove or rode in last."""
_ON_THE_WAY = frozenset("on along through across over down up".split())
_COMES_BY = frozenset("arrive come appear turn draw roll".split())
"""What is done by what one rides in, and is over when it is done."""
_VESSELS = frozenset("ship steamship warship sailboat sailing-ship liner trawler schooner".split())
"""What is seen from outside when it does something itself."""
_BECOMES = frozenset("be go become grow fall lie stand sleep wake turn freeze burn shake wait smell smelled".split())
"""What a place itself does: the town went dark, and there we are."""
_HOUSES = frozenset(
    "library museum school church shop inn hospital station theatre cinema hotel bank bakery prison office "
    "house cottage palace castle café restaurant pub".split()
)
"""Who is outside of one is in the street before it."""
_IS_SHUT = frozenset({"close", "shut", "lock"})
_OF_PEOPLE = frozenset("village town city hamlet school street house".split())
"""Places that stand for those who live there."""
_FROM_AFAR = frozenset("look point stare gaze wave shout call think talk speak see watch".split())
_WITHIN = frozenset(
    "middle centre center heart corner edge midst depth shade light dark bottom top foot end back bank part".split()
)
_WATERS = frozenset("river lake sea bay harbour harbor pond sound water valley canal fjord".split())
_GOES_OR_SOUNDS = frozenset("go hum tick drip buzz whirr chime rattle".split())
"""What a thing does in a place without anybody there: a refrigerator that hums in the kitchen is heard from bed."""
_COMES_BY_ITSELF = frozenset("ice flood tide fog mist smoke fire wind rain snow dust smell sound noise light".split())
_STANDS_IN_ONE = frozenset(
    "gate door doorway corner cage ladder fence bench bank edge end side spot point top bottom middle front "
    "dark darkness "
    "back wall floor ceiling stairs step hole nest trap pen tract area region part place way world distance "
    "horizon surface opening passage line stage position space level country land nation state territory "
    "north south east west".split()
)
"""Nouns of place that say where in a place somebody is, not in which."""
_AWAY = frozenset(
    "from of about toward towards until till before for like than since against beyond without".split()
)
# fmt: on


_EACH = frozenset("every each many most several both".split())
"""Beside a place: all of them, and so none that one could be at."""
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
        if token.pos not in {"NOUN", "PROPN"} or token.lemma in LIFTS or not _is_place(parsed, i):
            continue
        if _is_all_there_is(parsed, i) or _is_behind_the_door(parsed, i):
            comes = not _is_all_there_is(parsed, i)
            out.append(Arrival(token.start, token.lemma, _phrase(parsed, i), comes))
            continue
        named = token.pos == "PROPN" and token.text[:1].isupper()
        aside = token.dep != "pobj" and not _is_numbered(parsed, i)
        if named and aside and not _is_crossed(parsed, i):
            continue  # "France had seven hundred names" is nowhere to be seen
        found = _there(parsed, i)
        if found and _are_beasts(parsed, i, called):
            continue
        if found is not None:
            out.append(_arrival(parsed, i, found, called, teller))
    return tuple(out)


def _told_otherwise(parsed: Parsed, i: int, called: Called) -> Arrival | None:
    """Where somebody is by what is done or had there: in bed, at the oars, in what they drive, aboard, at home."""
    token = parsed.tokens[i]
    if token.lemma in {"bed", "bunk"} and _is_in_bed(parsed, i):
        return Arrival(token.start, "bedroom", "bed", False)
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
    ridden = _ridden(parsed, i) if token.lemma == "it" else ""
    if ridden:
        return Arrival(token.start, ridden, ridden, False)
    if token.lemma in VEHICLES and _is_within(parsed, i):
        return Arrival(token.start, token.lemma, token.lemma, False)
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
    if before == "outside" and noun in _HOUSES:
        noun, phrase = "street", f"outside the {phrase}"
    return Arrival(
        token.start,
        noun,
        phrase,
        comes,
        stays and not elsewhere,
        token.name == "GPE" or _is_a_town(token),
        elsewhere,
        parsed.tokens[verb].lemma in _LIVES,
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
    """What somebody rides in, where it is told after it: "The last tram left, and Ada was the only person in it"."""
    token = parsed.tokens[i]
    prep, verb = parsed.tokens[token.head], parsed.tokens[clause_of(parsed, i)]
    inside = token.dep == "pobj" and prep.text.lower() in {"in", "on", "aboard", "inside"}
    if not inside or verb.lemma not in _IS_IN or unreal(parsed, clause_of(parsed, i)):
        return ""
    told = (t for t in reversed(parsed.tokens[:i]) if t.dep in SUBJECT and t.pos == "NOUN")
    for subject in told:
        if subject.lemma in VEHICLES:
            return subject.lemma
        if sort_of(subject.lemma) != "person":
            return ""  # "it" is that, not what drove by before
    return ""


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
    """ "She woke before the alarm": where nothing else is said, in bed. "He rowed out": likewise on the water."""
    wakes_another = parsed.tokens[i].lemma == "wake" and any(
        parsed.tokens[c].dep == "dobj" for c in parsed.children[i]
    )
    who = subjects(parsed, i)
    done = parsed.tokens[i].pos == "VERB" and bool(who) and not wakes_another
    beasts = [s for s in who if sort_of(parsed.tokens[s].lemma) == "animal"]
    return done and len(beasts) < len(who) and not unreal(parsed, i)


def _in_lift(parsed: Parsed, i: int) -> bool | None:
    """Whether the scene comes into a lift (True) or is in it (False): it has no other side to be told of."""
    token = parsed.tokens[i]
    if unreal(parsed, clause_of(parsed, i)) or compared(parsed, i):
        return None
    if token.dep in SUBJECT:
        return False
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
    preps = [t.text.lower() for t in below if t.dep == "prep"]
    somebody = any(
        called(s) or parsed.tokens[s].text.lower() in {"we", "i", "they"}
        for s in subjects(parsed, i)
    )
    return somebody and not _TO.difference(_ON_THE_WAY).intersection(preps)


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
        and parsed.tokens[verb].lemma in _FROM_AFAR
    )
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
    goes = parsed.tokens[verb].lemma in _MOVES and token.dep in {"advmod", "npadvmod", "dobj"}
    if any(sort_of(parsed.tokens[s].lemma) == "animal" for s in subjects(parsed, verb)):
        return False  # the otter's home is no house
    return goes and not unreal(parsed, verb)


def _goes_among_trees(parsed: Parsed, i: int) -> bool:
    """ "They walked into the trees": that is a wood."""
    token, before = parsed.tokens[i], parsed.tokens[parsed.tokens[i].head]
    if token.lemma not in {"tree", "pine"} or token.tag != "NNS" or token.dep != "pobj":
        return False
    verb = clause_of(parsed, i)
    goes = parsed.tokens[verb].lemma in _MOVES and bool(subjects(parsed, verb))
    into = before.text.lower() in {"into", "through", "among"}
    return goes and into and not unreal(parsed, verb) and not compared(parsed, i)


def _is_all_there_is(parsed: Parsed, i: int) -> bool:
    """ "At the end of the line there is nothing but a field": there they are."""
    tokens = parsed.tokens
    but = tokens[i].head
    if tokens[i].dep != "pobj" or tokens[but].text.lower() != "but":
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
_PARTS_CLIMBED = frozenset("step stair top ladder roof".split())


def _is_crossed(parsed: Parsed, i: int) -> bool:
    """ "He climbed the Hill of Bones", "stumbled up Front Street": a name that says what it is the name of."""
    token = parsed.tokens[i]
    if token.dep != "dobj":
        return False
    verb = parsed.tokens[token.head]
    if verb.lemma in _MOVES and _goes_along(parsed, token.head):
        return True
    the = any(parsed.tokens[c].text.lower() == "the" for c in parsed.children[i])
    return verb.lemma in _DONE_THERE and the


_ORDER = frozenset(
    "one two three four five six seven eight nine ten eleven twelve thirteen".split()
)


def _is_numbered(parsed: Parsed, i: int) -> bool:
    """ "On Deck Nine", "in Room 12": a place that has a number."""
    token = parsed.tokens[i]
    above = parsed.tokens[token.head]
    number = above.text.isdigit() or above.text.lower() in _ORDER
    return token.dep in {"compound", "nmod"} and token.head == i + 1 and number


def _goes_along(parsed: Parsed, verb: int) -> bool:
    below = [parsed.tokens[c] for c in parsed.children[verb]]
    return any(t.dep == "prt" and t.text.lower() in {"up", "down", "along"} for t in below)


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
    if sort_of(token.lemma.lower()) != "place" or token.lemma in _STANDS_IN_ONE:
        return False
    if _is_numbered(parsed, i):
        return True
    if token.pos == "PROPN" and token.lemma.lower() != token.lemma and token.dep != "pobj":
        return _is_crossed(parsed, i)
    if token.lemma == "bar" and any(parsed.tokens[c].text == "of" for c in parsed.children[i]):
        return False  # "a bar of platinum"
    if token.dep != "compound":
        return True
    # "at the kitchen table" is in the kitchen; "the church clock" may hang anywhere.
    above = parsed.tokens[token.head]
    at_it = sort_of(above.lemma) == "thing" or above.lemma in _STANDS_IN_ONE
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
    if any(tokens[c].lemma in _EACH for c in parsed.children[i]):
        return None  # "in every second house"
    if any(
        t.dep == "relcl" and not _of_who_there_was(parsed, t) and not _is_main(parsed, t)
        for t in [token, *ancestors(parsed, i)]
    ):
        return None
    if token.dep == "dobj":
        # "Stumbled up Front Street": "up" may be taken for a part of the verb.
        along = tokens[verb].lemma in _MOVES and _goes_along(parsed, verb)
        tilled = tokens[verb].lemma in _TILLS and token.lemma in _TILLED
        return True if along or tilled or tokens[verb].lemma in _DONE_THERE else None
    if token.dep in {"nsubj", "nsubjpass"} and token.lemma in _VESSELS:
        return None  # "far out a ship turned round" is seen from the shore
    if token.dep in {"nsubj", "nsubjpass"} and token.lemma in _OF_PEOPLE:
        below = [p for p in parsed.children[verb] if tokens[p].dep == "prep"]
        if any(_is_place(parsed, k) for p in below for k in parsed.children[p]):
            return None  # "the whole village was standing on the beach"
    if token.dep == "nsubjpass" and token.lemma in _HOUSES and tokens[verb].lemma in _IS_SHUT:
        return False  # "the museum was closed to the public"
    if token.dep in {"nsubj", "nsubjpass"}:
        # A place that does something itself is looked at for a moment.
        return False if tokens[verb].lemma in _BECOMES or token.sentence == 0 else None
    if token.dep != "pobj":
        return None
    if _is_its_corner(parsed, i):
        return False  # "it was the farthest corner of the garden"
    if _is_measure(parsed, i) or _water_comes(parsed, i, verb):
        return None
    if [tokens[s].text.lower() for s in subjects(parsed, verb)] == ["which"]:
        return None  # "at six, which was beside the fish stall"
    before = tokens[token.head].text.lower()
    if before == "across" and i < verb and _is_of_things(parsed, verb):
        return None  # "across the road a lamp was burning"
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
    part = tokens[tokens[token.head].head].lemma if first == "of" else ""
    if part in _PARTS_CLIMBED and tokens[verb].lemma in _MOVES:
        return True  # "ran up the steps of the tower"
    if first in _AWAY or (first == "above" and _is_of_things(parsed, at)):
        return None  # "the light came on above room 7" is seen from below
    if tokens[at].lemma == "have" and _has_somebody(parsed, at):
        return None
    if first == "across" and tokens[at].lemma in SPEECH:
        return None  # "I asked our neighbour across the hall"
    if _is_of_things(parsed, at) and (
        tokens[at].lemma in _GOES_OR_SOUNDS or (tokens[at].lemma == "be" and token.name == "GPE")
    ):
        return None  # "the serum was in Anchorage", "the ice went out to sea"
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
            if first in {"in", "at", "on"} and tokens[at].dep in {"nsubj", "attr", "dobj", "ROOT"}
            else None
        )
    going = tokens[at].dep in {"ROOT", "conj", "advcl"} or tokens[at].tag == "VBG"
    if not subjects(parsed, at) and not going:
        return None
    if first in {"over", "above"} and _goes_up_there(parsed, at):
        return None  # "it rose over the steeple" is seen from where one stands
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


def _is_main(parsed: Parsed, verb: Token) -> bool:
    """ "On the morning of the show the tent smelled of rain" is taken for "the show that it smelled"."""
    top = list(ancestors(parsed, verb.head))
    return bool(top) and top[-1].pos == "ADP" and top[-1].dep == "ROOT"


def _of_who_there_was(parsed: Parsed, verb: Token) -> bool:
    """ "There were three sisters who lived in a mill": so they are told of."""
    above = parsed.tokens[verb.head]
    return (
        verb.lemma in _LIVES
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
    if above.dep != "attr" or above.lemma not in _WITHIN | _STANDS_IN_ONE:
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
        if not told and (token.pos not in {"NOUN", "PROPN"} or not _is_place(parsed, i)):
            continue
        if i in spoken or (not_now(parsed, i) if told else _there(parsed, i) is None):
            out.add(token.start)
    return frozenset(out)
