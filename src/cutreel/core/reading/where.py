"""Where it happens: who comes to a place and who is there, against a place that is only named.

"She came from the market" does not move the scene to the market.
"""

from collections.abc import Iterator, Sequence

from cutreel.core.manuscript import KIN
from cutreel.core.nouns import sort_of

from .arrival import LIFTS, POSTURES, Arrival, are_beasts, phrase_of, room_of
from .by_deed import place_by_deed
from .by_ride import flies_there
from .clauses import SUBJECT, Called, ancestors, clause_of, nobody, subjects, unreal
from .coming import HOUSES, LIVES, comes_to, is_of_the_sky
from .parsed import Parsed, Token
from .places import MOVES, is_crossed, is_numbered, is_place
from .when import not_now, tells_when

_WAYS = frozenset({"path", "track", "lane"})
"""What is said of one that is walked is said by whoever is on it."""
_FULL = frozenset("full crowded busy packed".split())
"""How a place is that is looked at from within."""


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
        otherwise = place_by_deed(parsed, i, called)
        if otherwise is not None:
            out.append(otherwise)
            continue
        if token.pos not in {"NOUN", "PROPN"} or token.lemma in LIFTS or not is_place(parsed, i):
            continue
        if _is_boarded_at(parsed, i) or flies_there(parsed, clause_of(parsed, i), called):
            continue
        if _has_its_door_opened(parsed, i):
            out.append(Arrival(token.start, token.lemma, phrase_of(parsed, i), False))
            continue
        if _is_all_there_is(parsed, i) or _is_behind_the_door(parsed, i):
            comes = not _is_all_there_is(parsed, i)
            out.append(Arrival(token.start, token.lemma, phrase_of(parsed, i), comes))
            continue
        named = token.pos == "PROPN" and token.text[:1].isupper()
        aside = token.dep != "pobj" and not is_numbered(parsed, i)
        if named and aside and not is_crossed(parsed, i):
            continue  # "France had seven hundred names" is nowhere to be seen
        if _is_had(parsed, i) or _stands_ahead(parsed, i):
            out.append(Arrival(token.start, token.lemma, phrase_of(parsed, i), False, False))
            continue
        found = comes_to(parsed, i)
        if found and (
            are_beasts(parsed, i, called)
            or _takes_there(parsed, clause_of(parsed, i), called, teller)
        ):
            continue
        if found is not None:
            out.append(_arrival(parsed, i, found, called, teller))
    return (*_was_there_before(parsed, out), *out)


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
    if tokens[verb].lemma not in POSTURES or not 0 < tokens[at].sentence <= _SOON:
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
    noun, phrase = room_of(parsed, i), phrase_of(parsed, i)
    if noun == "light":
        noun, phrase = "lighthouse", "lighthouse"
    if token.dep == "compound" and _is_of_a_thing(parsed, verb):
        stays = False  # "your phone lights up on the kitchen table"
    if _is_far_out(parsed, i, called):
        elsewhere, stays = True, False
    if _moves_away(parsed, verb) or is_of_the_sky(parsed, verb):
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


def _is_of_a_thing(parsed: Parsed, verb: int) -> bool:
    of = subjects(parsed, verb)
    if parsed.tokens[verb].pos == "NOUN":
        return (
            sort_of(parsed.tokens[verb].lemma) == "thing"
        )  # "your phone lights up", taken for a noun
    goes = parsed.tokens[verb].lemma in MOVES
    return bool(of) and not goes and all(sort_of(parsed.tokens[s].lemma) == "thing" for s in of)


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
        tokens[t.head].lemma == "open"
        and ((t.lemma == "door" and t.dep in SUBJECT) or (t.lemma in _OPENED and t.dep == "dobj"))
        for t in tokens[:i]
        if tokens[i].sentence - t.sentence <= OPENED
    )


_OPENED = frozenset("door wardrobe cupboard gate hatch trapdoor curtain".split())
OPENED = 2
"""Sentences after which nobody tells any more of what an open door shows."""


def _is_a_town(token: Token) -> bool:
    """Whether a name that is no place of ours by its word is that of a town, or a part of one: "in Soho"."""
    return token.pos == "PROPN" and token.name == "LOC" and token.lemma.lower() not in _NATURE


_NATURE = frozenset(
    "alps andes sahara atlantic pacific himalayas arctic antarctic caribbean".split()
)


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
