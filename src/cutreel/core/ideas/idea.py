"""Picture ideas: what a shot's picture may show while its words are told, each with its reason.

Five sorts: the *deed* (who does what), the *face* (how somebody takes it), the *thing* (an object, near), the *place*
(where we are), the *sign* (for what cannot be seen: a date, a number, a map, an empty page).
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal, NamedTuple, get_args

from cutreel.core.manuscript import numbers_in
from cutreel.core.reading import SPEECH, Deed

from .told import Names, Told, joined

IdeaSort = Literal["deed", "face", "thing", "place", "sign"]
IDEA_SORTS: tuple[IdeaSort, ...] = get_args(IdeaSort)
Size = Literal["extreme wide", "wide", "medium", "close", "extreme close"]
MOST_DEEDS = 2
"""Deeds in one picture: it shows one moment."""

# fmt: off
_MOVING = frozenset(
    "go come walk run arrive reach enter return climb row sail drive ride cross hurry march wander travel fly swim "
    "flee follow rush step leave chase descend".split()
)
_HANDLED = frozenset(
    "hold take lift carry open close read write give hand light find pick drop break throw pull push cut pour "
    "drink eat put lay hang fold show raise count mend draw point bring hide unlock ring wind "
    "tear burn touch grip".split()
)
_FEELING = {
    "laugh": "laughing", "smile": "smiling", "grin": "smiling", "weep": "weeping", "cry": "weeping", "sob": "weeping",
    "frown": "frowning", "sigh": "sad", "tremble": "afraid", "shiver": "cold", "blush": "shy", "nod": "nodding",
    "stare": "staring", "gasp": "surprised", "scream": "frightened", "shout": "shouting", "whisper": "whispering",
    "listen": "listening", "wait": "waiting", "watch": "watching", "look": "looking", "ponder": "thinking",
    "think": "thinking", "wonder": "thinking", "fear": "afraid", "hesitate": "unsure", "sneeze": "sneezing",
}
_ONLY_LOOKS = ("looking", "watching", "staring", "waiting", "listening")
_MADE_OF_WORDS = re.compile(r"\b(1[0-9]{3}|20[0-9]{2})\b")
_NUMBER = (
    "two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen "
    "nineteen twenty thirty forty fifty sixty seventy eighty ninety hundred thousand million"
).split()
_COUNTED = re.compile(rf"\b\d[\d,.]*\b|\b(?:(?:{'|'.join(_NUMBER)})\b[ -]?)+", re.I)
_GENERATIONS = re.compile(r"\b(?:centur(?:y|ies)|hundred years|thousand years|generations?|decades)\b")
"""After such a time nobody who was there before still is."""
# fmt: on


@dataclass(frozen=True)
class Idea:
    """What a picture may show. `strength` is how well it tells the words (about 0 … 3); `people` are seen
    in it."""

    sort: IdeaSort
    size: Size
    people: tuple[int, ...]
    action: str
    why: str
    strength: float


class Moment(NamedTuple):
    """What ideas for a shot are made from: what was read, who is there, who speaks; whether it is a new place, whether
    the shot before ended with a question, and the words themselves."""

    told: Told
    present: tuple[int, ...]
    speaks: tuple[int, ...]
    new_place: bool
    opens_film: bool
    asked: bool
    text: str
    before: tuple[int, ...] = ()
    placed: bool = False
    """Who was there in the shot before: still there when the words name nobody and nothing; and whether it is known
    where it is."""


def ideas_for(moment: Moment, names: Names) -> tuple[Idea, ...]:
    """The ideas for a shot, the strongest first; never none."""
    found = [
        *_deed(moment, names),
        *_face(moment, names),
        *_thing(moment, names),
        *_place(moment, names),
    ]
    if not moment.present and not any(i.strength >= 1.5 for i in found):
        found += _sign(moment)
    return tuple(sorted(found, key=lambda i: (-i.strength, IDEA_SORTS.index(i.sort))))


def _shown_deeds(moment: Moment) -> list[Deed]:
    present = set(moment.present)
    # "The four of us stood in the corn": as many as are shown of those who did.
    return [
        d
        for d in moment.told.deeds
        if present.issuperset(d.who) or (len(present) > 2 and present.issubset(d.who))
    ]


def _best(deeds: Sequence[Deed]) -> list[Deed]:
    best = sorted(deeds, key=lambda d: -d.weight)[:MOST_DEEDS]
    return [d for d in deeds if d in best]


def _deed(moment: Moment, names: Names) -> list[Idea]:
    deeds = [d for d in _shown_deeds(moment) if d.verb not in SPEECH or len(moment.present) > 1]
    best = _best(deeds)
    if not best or max(d.weight for d in best) < 1:
        return []
    people = moment.present
    action = joined(best, people, names)
    strength = float(max(d.weight for d in best))
    moves = any(d.verb in _MOVING for d in best)
    why = "what is done here" if any(d.who for d in best) else "what happens here"
    sizes: tuple[Size, ...] = ("wide", "medium") if moves or not people else ("medium", "wide")
    # The lesser size is there so that neighbours need not be alike.
    return [
        Idea("deed", sizes[0], people, action, why, strength),
        Idea("deed", sizes[1], people, action, why, strength - 0.4),
    ]


def _face(moment: Moment, names: Names) -> list[Idea]:
    present = moment.present or _still_there(moment)
    if not present:
        return []
    told = _felt(moment)
    felt = next((p for p in told if p in present), None)
    acts = [p for d in _best(_shown_deeds(moment)) for p in d.who]
    person = felt or next(iter(moment.speaks), None) or next(iter(acts), present[0])
    if person not in names:
        return []
    name = names[person].name
    if felt is not None:
        action, why, strength = f"{name}, {told[felt]}", f"how {name} takes it", 2.2
    elif person in moment.speaks:
        action, why, strength = f"{name} speaks", f"{name} speaks", 1.7
    else:
        action, why, strength = name, f"{name}, near", 0.9
    if moment.asked:
        strength += 0.5
        why += ", after a question"
    near = Idea("face", "close", (person,), action, why, strength)
    if felt is None and len(both := tuple(p for p in moment.speaks if p in names)[:2]) == 2:
        # Two who speak in one shot are both seen in it.
        one, other = (names[p].name for p in both)
        told_by = f"{one} and {other} speak"
        return [
            Idea("face", "medium", both, f"{one} speaks to {other}", told_by, strength + 0.8),
            near,
        ]
    return [near]


def _felt(moment: Moment) -> dict[int, str]:
    """How each takes it: of "looked and smiled" the smile, of "laughed until he cried" the laughter."""
    out: dict[int, str] = {}
    for deed in moment.told.deeds:
        feels = len(deed.who) == 1 and deed.verb in _FEELING
        # "He cried in a gruff voice" beside a quotation is speech, not tears.
        if not feels or (deed.verb == "cry" and deed.who[0] in moment.speaks):
            continue
        if out.get(deed.who[0]) in (None, *_ONLY_LOOKS):
            out[deed.who[0]] = _FEELING[deed.verb]
    return out


def _thing(moment: Moment, names: Names) -> list[Idea]:
    for deed in moment.told.deeds:
        if deed.verb in _HANDLED and deed.things:
            return [
                Idea(
                    "thing",
                    "extreme close",
                    (),
                    f"{deed.things[0]}, near",
                    f"{deed.things[0]}, held or used",
                    1.5,
                )
            ]
    done = moment.told.deeds
    own = next((s for s in moment.told.sights if s.sort in ("thing", "garment", "food")), None)
    if own is not None and done and done[0].weight > 1 and not done[0].who:
        # "His shoes stood beside the fire": it is they that are told of.
        told = done[0].subject == own.phrase and all(not d.who for d in done)
        if told:
            return [
                Idea(
                    "thing",
                    "close",
                    (),
                    f"{_alone(own.phrase)}, near",
                    f"“{_alone(own.phrase)}” is told of",
                    1.4,
                )
            ]
    # An animal is looked at sooner than a thing beside it.
    # What is new ("a telephone") is what the words are about, sooner than what was there ("the paint"); it comes last.
    sights = [s._replace(phrase=_alone(s.phrase)) for s in moment.told.sights]
    new = [s for s in reversed(sights) if s.phrase.startswith(("a ", "an "))]
    there = [s for s in sights if s not in new]
    seen = sorted([*new, *there], key=lambda s: s.sort != "animal")
    for sight in seen:
        if sight.sort in ("thing", "animal", "food") and not moment.present:
            return [
                Idea(
                    "thing", "close", (), f"{sight.phrase}, near", f"“{sight.phrase}” is named", 1.3
                )
            ]
    return []


def _alone(phrase: str) -> str:
    """What is seen where its owner is not: "the open book", not "June’s"."""
    return re.sub(r"\{\d+\}’s ", "the ", phrase)


def _place(moment: Moment, names: Names) -> list[Idea]:
    quiet = [d for d in moment.told.deeds if not d.who]
    common = [s for s in moment.told.sights if not s.phrase[:1].isupper()]
    # What is in a place tells more than its name, which is said anyway.
    inside = [s for s in common if s.sort != "place"] if moment.new_place else common
    seen = ", ".join(dict.fromkeys(_alone(s.phrase) for s in inside[:2]))
    action = joined(_best(quiet), (), names) or seen
    if moment.new_place:
        size: Size = "extreme wide" if moment.opens_film else "wide"
        why = "a new place is shown wide first"
        done = _doing(moment, names) if moment.present else ""
        # Where nobody and nothing is told of, an empty place tells nothing either.
        known = moment.placed or bool(moment.present) or bool(done or action)
        strength = 2.6 if known else 1.0
        return [Idea("place", size, moment.present, done or action, why, strength)]
    if moment.present:
        # One face tells little of three who are there together.
        strength = 1.2 if len(moment.present) > 2 else 0.9
        action = _doing(moment, names)
        return [Idea("place", "wide", moment.present, action, "where they are", strength)]
    still = _still_there(moment)
    why = "where they are still" if still else "where we are"
    return [Idea("place", "wide", still, action, why, 1.6 if action or still else 1.0)]


def _still_there(moment: Moment) -> tuple[int, ...]:
    """Those of the shot before, where the words name nobody and nothing else to look at."""
    told = moment.told
    elsewhere = moment.new_place or _GENERATIONS.search(moment.text) is not None
    return () if told.deeds or told.sights or elsewhere else moment.before


def _doing(moment: Moment, names: Names) -> str:
    return joined(_best(_shown_deeds(moment)), moment.present, names)


def _sign(moment: Moment) -> list[Idea]:
    """For words that name nothing to be seen: a year, a map, a number, a thing that stands for it."""
    country = next((s.phrase for s in moment.told.sights if s.phrase[:1].isupper()), "")
    year = _MADE_OF_WORDS.search(moment.text)
    if year:
        action, why = f"a page with the year {year.group()}", f"“{year.group()}”"
    elif country:
        action, why = f"a map of {country}", f"“{country}”"
    elif counted := _COUNTED.search(moment.text):
        said = counted.group().strip(" -")
        # "Four hundred" is written in figures, as on a page.
        value = next((n.value for n in numbers_in(said)), None)
        figures = f"{value:,.0f}" if value is not None and not said[:1].isdigit() else said
        action, why = f"a page with the number {figures}", f"“{said}”"
    elif not moment.told.sights:
        return []
    else:
        phrase = _alone(moment.told.sights[0].phrase)
        action, why = f"{phrase}, alone", f"“{phrase}” stands for it"
    return [Idea("sign", "close", (), action, f"nothing else is to be seen: {why}", 1.3)]
