"""Voices by description: "a young man, warm, low, steady" makes some that are so, each a little otherwise."""

import random
import re
from dataclasses import dataclass, replace

from .speakers import Speaker
from .timbre import Timbre

WOMAN, MAN = Timbre("slt", 182, 1.1), Timbre("slt", 116, 1.1, 1.16)
GIRL, BOY = Timbre("slt", 258, 1.4, 0.85), Timbre("slt", 246, 1.3, 0.86)
NORTHERN = Timbre("awb", 116, 1.0, 1.03)
# fmt: off
_WHO = {
    "she": "woman female lady mother aunt grandmother queen witch her she sister daughter heroine".split(),
    "he": "man male gentleman father uncle grandfather king wizard him he brother son hero sailor boyish".split(),
}
_AGES = {
    "child": "child girl boy kid little toddler schoolgirl schoolboy".split(),
    "old": "old elderly aged ancient grandmother grandfather crone".split(),
}
_LIKE: dict[str, dict[str, float]] = {
    "low deep dark bass": {"pitch": 0.84, "bright": -0.25, "tract": 1.04},
    "high thin light squeaky": {"pitch": 1.15, "tract": 0.97},
    "warm soft gentle mellow smooth": {"breath": 0.16, "bright": -0.35, "span": 0.95},
    "bright clear crisp sharp": {"bright": 0.5},
    "breathy airy whispering whispery intimate near close": {"breath": 0.45, "pace": 0.95},
    "hoarse rough gravelly gruff husky raspy weathered": {"rough": 0.6, "pitch": 0.95},
    "steady calm even measured": {"span": 0.7, "pace": 0.95},
    "flat dry monotone cold robotic": {"span": 0.35},
    "lively animated eager playful cheerful singing": {"span": 1.7, "pace": 1.05, "bright": 0.15},
    "slow unhurried sleepy tired": {"pace": 0.84},
    "quick fast brisk nervous": {"pace": 1.14},
    "big huge large giant broad heavy": {"tract": 1.1, "pitch": 0.88},
    "small tiny slight little": {"tract": 0.93, "pitch": 1.08},
    "young": {"tract": 0.97, "pitch": 1.04, "pace": 1.02},
}
# fmt: on
_BY_WORD = {word: effect for words, effect in _LIKE.items() for word in words.split()}
_NORTH = frozenset(("northern", "north", "scottish", "scots", "highland"))
_IDLE = frozenset(
    "a an the and or but with in of as if who is very voice room speaks speaking adult person somebody narrator "
    "storyteller teller not too from kind".split()
)
_TRACTS = {(False, "she"): 0.87, (False, "he"): 1.0, (True, "she"): 0.8, (True, "he"): 0.82}
"""Throats of the engine for other languages, whose own is a man's, for a child or not, she or he."""
AGED = {"rough": 0.22, "breath": 0.12, "pace": 0.9}
APART = 0.07
"""By how much candidates differ, as a share of what is left open."""


@dataclass(frozen=True)
class Asked:
    """What a description asks for, and the words of it that could not be used."""

    timbre: Timbre
    pronoun: str
    age: str
    unused: tuple[str, ...]


def asked_for(description: str, language: str = "en") -> Asked:
    """The voice in a language that a description asks for; who is neither said to be she nor he is she where the pitch
    is high."""
    words = re.findall(r"[a-z]+", description.lower())
    known = set(words)
    age = next((a for a, calls in _AGES.items() if known & set(calls)), "adult")
    if {"boy", "girl", "schoolboy", "schoolgirl"} & known:
        age = "child"
    male = known & {*_WHO["he"], "boy", "schoolboy"}
    pronoun = "he" if male and not known & {*_WHO["she"], "girl", "schoolgirl"} else "she"
    timbre = {("child", "she"): GIRL, ("child", "he"): BOY}.get(
        (age, pronoun), WOMAN if pronoun == "she" else MAN
    )
    if language != "en":
        timbre = replace(timbre, base=language, tract=_TRACTS[age == "child", pronoun])
    elif known & _NORTH and pronoun == "he" and age != "child":
        timbre = NORTHERN
    effects = [_BY_WORD[w] for w in words if w in _BY_WORD]
    for effect in [*effects, *([AGED] if age == "old" else [])]:
        timbre = _with(timbre, effect)
    used = {
        *_BY_WORD,
        *_NORTH,
        *_IDLE,
        *(w for calls in (*_WHO.values(), *_AGES.values()) for w in calls),
    }
    unused = tuple(w for w in dict.fromkeys(words) if w not in used)
    return Asked(timbre.within(), pronoun, age, unused)


def _with(timbre: Timbre, effect: dict[str, float]) -> Timbre:
    times = {
        n: getattr(timbre, n) * v
        for n, v in effect.items()
        if n in ("pitch", "span", "tract", "pace")
    }
    more = {
        n: getattr(timbre, n) + v for n, v in effect.items() if n in ("breath", "rough", "bright")
    }
    return replace(timbre, **times, **more)


def candidates(
    description: str, count: int, seed: int, language: str = "en"
) -> tuple[list[Speaker], list[str]]:
    """Voices in a language that are as described, each its own, and the words that could not be used."""
    asked = asked_for(description, language)
    rng = random.Random(f"{seed} {description}")
    out = []
    for n in range(count):
        # The first is what was asked for; others lie about it, on both sides.
        by = 0.0 if n == 0 and seed == 0 else APART * (1 + n // 2)
        t = asked.timbre
        timbre = replace(
            t,
            pitch=t.pitch * (1 + by * rng.choice((-1, 1)) * rng.uniform(0.6, 1.2)),
            span=t.span * (1 + 2 * by * rng.uniform(-1, 1)),
            tract=t.tract * (1 + 0.5 * by * rng.uniform(-1, 1)),
            pace=t.pace * (1 + 0.6 * by * rng.uniform(-1, 1)),
            bright=t.bright + 1.5 * by * rng.uniform(-1, 1),
        ).within()
        title = description.strip().rstrip(".")[:60] or "a voice"
        out.append(
            Speaker(timbre.name, title, timbre, asked.pronoun, asked.age, timbre.length, title)
        )
    return out, list(asked.unused)
