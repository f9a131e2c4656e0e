"""Which effects and which grade a shot has, planned over the whole film: what the story gives a reason for, and no
more."""

from collections.abc import Sequence
from functools import lru_cache
from typing import Literal, NamedTuple

from .finish import less
from .grade import Grade
from .kinds import GRADES, Effect, EffectKind

EffectAmount = Literal["off", "low", "middle", "high"]
"""Low: what is remembered, and years before the film's own; middle: blows, lightning and moods that are strong too;
high: more of each, and the grain that belongs to the look."""
APART = 12.0
"""Seconds between two blows that are felt: nearer ones are one too many."""
_STRENGTH: dict[EffectAmount, float] = {"off": 0.0, "low": 0.45, "middle": 0.6, "high": 0.85}
_BLOWS = ("a crash of wood", "an explosion", "glass shatters", "a gunshot", "something heavy falls")
_LIGHTNING = "thunder"
_MOODS: dict[str, tuple[EffectKind, str, str]] = {
    "tense": ("vignette", "storm", "it is tense"),
    "eerie": ("soft edges", "winter", "it is eerie"),
    "hopeful": ("glow", "summer", "it is hopeful"),
    "wondering": ("glow", "as painted", "it is full of wonder"),
    "sad": ("vignette", "early mist", "it is sad"),
}
_TEXTURES: tuple[tuple[str, EffectKind], ...] = (
    ("paper", "paper"), ("ink", "grain"), ("pencil", "grain"), ("print", "grain"), ("chalk", "dust"),
)  # fmt: skip


class ShotTold(NamedTuple):
    """What is known of a shot: from when on it is seen, in seconds; whether it is remembered; a year that is not the
    film's own; its mood; and what is heard in it, with how many seconds after its first word."""

    start: float
    remembered: bool = False
    year: str = ""
    mood: str = "calm"
    heard: tuple[tuple[str, float], ...] = ()


class Why(NamedTuple):
    """An effect, or a grade by its name, and why it is there."""

    what: str
    why: str


class PlannedFinish(NamedTuple):
    """The grade and the effects of a shot, with a reason each."""

    grade: Grade
    effects: tuple[Effect, ...]
    whys: tuple[Why, ...]


def plan_effects(
    shots: Sequence[ShotTold], amount: EffectAmount, medium: str
) -> list[PlannedFinish]:
    """The finish of every shot."""
    texture = next((kind for word, kind in _TEXTURES if word in medium.lower()), None)
    felt = -APART
    out: list[PlannedFinish] = []
    for shot in shots:
        blow = _blow(shot, felt) if shot.heard and amount in ("middle", "high") else None
        if blow is not None:
            felt = shot.start + blow[1]
        out.append(_planned(shot.remembered, shot.year, shot.mood, blow, amount, texture))
    return out


def _blow(shot: ShotTold, felt: float) -> tuple[str, float] | None:
    """The first blow of a shot that is felt, with when it is heard in it: none where one was `felt` just before."""
    for sound, at in shot.heard:
        if shot.start + at - felt >= APART and (sound in _BLOWS or sound == _LIGHTNING):
            return sound, at
    return None


@lru_cache(maxsize=2048)
def _planned(
    remembered: bool,
    year: str,
    mood: str,
    blow: tuple[str, float] | None,
    amount: EffectAmount,
    texture: EffectKind | None,
) -> PlannedFinish:
    """The finish of a shot by what it tells; most shots of a film tell no more than others."""
    plan = _Plan(_STRENGTH[amount])
    if amount != "off":
        plan.past(remembered, year)
    if amount in ("middle", "high"):
        if blow is not None:
            plan.blow(*blow)
        plan.mood(mood)
    if amount == "high" and texture is not None:
        plan.add(texture, 0.35, "belongs to the look")
    return PlannedFinish(plan.grade, tuple(plan.effects), tuple(plan.whys))


class _Plan:
    """What is planned for one shot, as strong as is wished."""

    def __init__(self, strength: float) -> None:
        self.strength = strength
        self.grade, self.effects, self.whys = Grade(), list[Effect](), list[Why]()

    def add(self, kind: EffectKind, amount: float, why: str, begin: float = 0.0) -> None:
        self.effects.append(Effect(kind=kind, amount=round(max(0.05, amount), 2), begin=begin))
        self.whys.append(Why(kind, why))

    def graded(self, name: str, share: float, why: str) -> None:
        self.grade = less(GRADES[name], share)
        self.whys.append(Why(name, why))

    def past(self, remembered: bool, year: str) -> None:
        """What is remembered has soft edges and faded colours; another year looks as pictures of then do."""
        if year:
            self.add("old film", self.strength, f"it is {year}")
        elif remembered:
            self.add("soft edges", self.strength, "it is remembered")
            self.graded("faded print", self.strength, "it is remembered")

    def blow(self, sound: str, at: float) -> None:
        kind: EffectKind = "shake" if sound in _BLOWS else "flash"
        self.add(kind, self.strength, f"{sound} is heard", at)

    def mood(self, mood: str) -> None:
        found = _MOODS.get(mood)
        if found is None or self.grade != Grade():
            return
        kind, grade, why = found
        self.add(kind, self.strength * 0.7, why)
        if grade != "as painted":
            self.graded(grade, self.strength * 0.6, why)
