"""Which shots some words choose: "wide shots without movement", "close-ups with Ada at night longer than six seconds".

Conditions of one sort are alternatives ("wide or medium"), those of several sorts hold together, and what is denied
holds for none. What is not understood is told.
"""

import re
from collections.abc import Callable, Iterator, Sequence
from typing import NamedTuple

from cutreel.core.manuscript import numbers_in

from .assembled import Assembled
from .made import is_fresh
from .wishes.where import where_of

Holds = Callable[[int], bool]
"""Whether something holds of the shot with an index."""


class Condition(NamedTuple):
    """A condition that words name: of which sort, in what words it is told, whether it is denied, and what it is."""

    sort: str
    told: str
    denied: bool
    holds: Holds


class ChosenShots(NamedTuple):
    """The shots, by their numbers, in the order of the film; how they were told; and words that were not understood."""

    shots: tuple[int, ...]
    told: tuple[str, ...]
    unknown: tuple[str, ...]


_NOT = r"(?P<not>\b(?:without(?: an?| any)?|no|not|never|except)\s+)?"
_FRAMINGS = re.compile(rf"{_NOT}\b(extreme wide|extreme close|wide|medium|close)(?:[- ]?ups?)?\b")
_STILL = re.compile(
    r"\b(?:without (?:any )?(?:movement|moving|a move)|no movement|standing still|still|"
    r"(?:that |which )?(?:do|does) not move)\b"
)
_MOVES = re.compile(
    rf"{_NOT}\b(push|pull|pan left|pan right|pan|tilt up|tilt down|tilt)(?:s|es|ed|ing|ning)?\b"
)
_WEATHER = re.compile(rf"{_NOT}\b(rain|snow|fog|wind|clear)(?:y|s|ing)?\b(?: sky)?")
_SEASON = re.compile(rf"{_NOT}\b(spring|summer|autumn|winter)\b")
_LENGTH = re.compile(
    r"\b(?P<way>longer|shorter|more|less|over|under|above|below)(?: than)? (?P<many>[\w. -]+?) ?(?:s|seconds?)\b"
)
_NOBODY = re.compile(
    r"\b(?:without (?:any )?(?:people|persons|figures|anybody|anyone)|nobody|no one|empty|no people)\b"
)
_STATES: tuple[tuple[re.Pattern[str], str], ...] = (
    (re.compile(rf"{_NOT}\b(?:stale|out of date)\b"), "stale"),
    (re.compile(r"(?P<not>)\bwith (?:a )?(?:pictures?|takes?)\b"), "with a picture"),
    (
        re.compile(
            r"(?P<not>)\b(?:missing|not made|unmade|(?:without|no)(?: an?)? (?:pictures?|takes?))\b"
        ),
        "without a picture",
    ),
    (re.compile(rf"{_NOT}\b(?:brought)\b"), "brought"),
    (re.compile(rf"{_NOT}\b(?:plates?)\b"), "a plate"),
    (re.compile(rf"{_NOT}\b(?:clips?)\b"), "a clip"),
    (re.compile(rf"{_NOT}\b(?:effects?)\b"), "effects"),
    (re.compile(rf"{_NOT}\b(?:voices?|spoken)\b"), "spoken"),
    (re.compile(rf"{_NOT}\b(?:words on (?:the )?screen|titles?)\b"), "words on the screen"),
    (re.compile(rf"{_NOT}\b(?:by hand)\b"), "cut by hand"),
    (re.compile(rf"{_NOT}\b(?:holds?)\b"), "held"),
)
_JOINS = re.compile(
    rf"{_NOT}\b(dissolve|dip|wipe|pattern|slide|push|page|whip|flood|match|cut)s?\b(?= before| in front| join|$)"
)
_FILLER = frozenset(
    "all the a an every each any only just shot shots picture pictures that which who are is was have has with and or "
    "in of at on by from to where those these them it than scenes scene there their its both but seen show "
    "shows".split()
)


def chosen_by(words: str, film: Assembled) -> ChosenShots:
    """The shots that words choose; all where they name no condition."""
    left = " ".join(words.lower().replace("’", "'").split())
    found: list[Condition] = []
    for reader in (_length, _lengths_of_time, _people, _places, _plain):
        for condition, start, end in reader(left, film):
            found.append(condition)
            left = left[:start] + "\x00" * (end - start) + left[end:]
    unknown = [w for w in re.findall(r"[\w'-]+", left.replace("\x00", " ")) if w not in _FILLER]
    shots = film.read.shots
    sorts = {c.sort for c in found if not c.denied}
    picked = [
        s.shot.id
        for i, s in enumerate(shots)
        if all(any(c.holds(i) for c in found if c.sort == sort and not c.denied) for sort in sorts)
        and not any(c.denied and c.holds(i) for c in found)
    ]
    told = tuple(dict.fromkeys(("not " if c.denied else "") + c.told for c in found))
    if not found and unknown:
        picked = []
    return ChosenShots(tuple(picked), told, tuple(dict.fromkeys(unknown)))


Found = Iterator[tuple[Condition, int, int]]
"""Conditions with where in the words they stand."""


def _length(words: str, film: Assembled) -> Found:
    for m in _LENGTH.finditer(words):
        numbers = numbers_in(m["many"])
        if not numbers:
            continue
        seconds, longer = numbers[-1].value, m["way"] in ("longer", "more", "over", "above")

        def holds(i: int, seconds: float = seconds, longer: bool = longer) -> bool:
            lasts = film.rate.seconds(film.spans[i].frames)
            return lasts > seconds if longer else lasts < seconds

        way = "longer" if longer else "shorter"
        yield Condition(way, f"{way} than {seconds:g} s", False, holds), m.start(), m.end()


def _lengths_of_time(words: str, film: Assembled) -> Found:
    """Parts of the film, hours, moods and memories, as wishes name them."""
    left = words
    for _ in range(4):
        there, told, rest = where_of(left, film)
        if there is None:
            return
        start = left.find(told)
        within = frozenset(there)
        denied = bool(re.search(r"\b(?:not|except)(?: in| at)?\s*$", left[:start]))
        at = words.find(told)
        yield Condition(_part(told), told, denied, within.__contains__), at, at + len(told)
        left = rest


def _part(told: str) -> str:
    """Of which sort a part of a film is: two hours are alternatives, an hour and a scene hold together."""
    for sort, pattern in (("hour", r"night|day|dusk|dawn"), ("scene", r"scene \d")):
        if re.search(pattern, told):
            return sort
    return told


def _people(words: str, film: Assembled) -> Found:
    if m := _NOBODY.search(words):
        yield (
            Condition(
                "people", "nobody in it", False, lambda i: not film.read.shots[i].facts.people
            ),
            m.start(),
            m.end(),
        )
    for person in film.document.cast:
        calls = sorted((person.name, *person.aliases), key=len, reverse=True)
        names = dict.fromkeys(
            [*calls, *(person.name.split()[:1] if person.kind == "person" else ())]
        )
        pattern = "|".join(re.escape(c.lower()) for c in names if len(c) > 1)
        if pattern and (m := re.search(rf"{_NOT}\b(?:{pattern})(?:'s)?\b", words)):
            number = person.id

            def seen(i: int, number: int = number) -> bool:
                return number in film.read.shots[i].facts.people

            yield (
                Condition(f"with {person.name}", person.name, bool(m["not"]), seen),
                m.start(),
                m.end(),
            )


def _places(words: str, film: Assembled) -> Found:
    for place in film.document.places:
        bare = place.name.lower().removeprefix("the ")
        if m := re.search(rf"{_NOT}(?:\bthe )?\b{re.escape(bare)}\b", words):
            names = {place.name, place.description}

            def there(i: int, names: set[str] = names) -> bool:
                return film.read.shots[i].facts.place in names

            yield Condition("place", place.name, bool(m["not"]), there), m.start(), m.end()


def _plain(words: str, film: Assembled) -> Found:
    shots, left = film.read.shots, words

    def taken(m: re.Match[str]) -> None:
        nonlocal left
        left = left[: m.start()] + "\x00" * (m.end() - m.start()) + left[m.end() :]

    for m in list(_STILL.finditer(left)):
        taken(m)
        yield Condition("move", "without movement", False, lambda i: _is_still(film, i)), *m.span()
    for m in list(_JOINS.finditer(left)):
        taken(m)
        kind = m[2]

        def joined(i: int, kind: str = kind) -> bool:
            return i > 0 and film.joins[i - 1].how.kind == kind

        yield Condition("join", f"come to by a {kind}", bool(m["not"]), joined), *m.span()
    facts: Sequence[tuple[str, re.Pattern[str], Callable[[int], str]]] = (
        ("framing", _FRAMINGS, lambda i: shots[i].facts.framing),
        ("move", _MOVES, lambda i: shots[i].move),
        ("weather", _WEATHER, lambda i: shots[i].facts.weather),
        ("season", _SEASON, lambda i: shots[i].facts.season),
    )
    for sort, pattern, fact in facts:
        for m in list(pattern.finditer(left)):
            taken(m)
            value = m[2]

            def same(i: int, value: str = value, fact: Callable[[int], str] = fact) -> bool:
                return fact(i) == value or (value in ("pan", "tilt") and value in fact(i))

            yield Condition(sort, value, bool(m["not"]), same), *m.span()
    for pattern, state in _STATES:
        for m in list(pattern.finditer(left)):
            taken(m)

            def is_so(i: int, state: str = state) -> bool:
                return _is_so(film, i, state)

            yield Condition(state, state, bool(m["not"]), is_so), *m.span()


def _is_still(film: Assembled, i: int) -> bool:
    own = film.read.shots[i].shot.own
    return film.read.shots[i].move == "still" and own.path is None


def _is_so(film: Assembled, i: int, state: str) -> bool:
    shot, used = film.read.shots[i], film.used[i]
    plated = shot.shot.own.plate is not None
    answers: dict[str, bool] = {
        "stale": used is not None and not is_fresh(shot, used),
        "with a picture": used is not None or plated,
        "without a picture": used is None and not plated,
        "brought": used is not None and used.brought,
        "a plate": plated,
        "a clip": used is not None and "clip" in used.about,
        "effects": bool(film.finishes[i].finish.effects),
        "spoken": film.voiced[i],
        "words on the screen": any(c.shot == i and c.sort != "mark" for c in film.cards),
        "cut by hand": shot.shot.by_hand,
        "held": shot.shot.hold > 0,
    }
    return answers[state]
