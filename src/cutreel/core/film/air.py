"""What is in the air of a shot: by its weather, hour, season and place, or as the maker set it."""

import re
from dataclasses import dataclass

from cutreel.core.continuity import ShotFacts, is_indoors
from cutreel.core.motion import AIR_KINDS, Air, AirKind, Amount

from .document import Settings
from .reading import ReadShot

_LESS: dict[Amount, Amount] = {"high": "middle", "middle": "low", "low": "low"}
WIND = 0.22
"""Frame heights a second that a wind blows grains aside; on a still day a little of it."""
_DUSTY = frozenset(
    "attic loft library church barn workshop mill museum hall study cellar archive warehouse".split()
)
_WATERS = frozenset("sea shore harbour beach pier jetty ship lake marsh coast bay cliff".split())
_GREEN = frozenset("garden orchard park meadow field forest wood yard grove".split())
_FIRE = re.compile(r"\b(?:campfire|bonfire|fire|torch|torches|forge|embers|sparks|burning)\b")
_SMOKE = re.compile(r"\b(?:smoke|smoking|chimney|burnt|ruins)\b")


@dataclass(frozen=True)
class PlannedAir:
    """Something in the air of a shot, and why."""

    kind: AirKind
    amount: Amount
    why: str


def air_planned(shot: ReadShot, settings: Settings) -> list[PlannedAir]:
    """What is in the air of a shot: as the maker set it, else as what was read says, at the film's amount."""
    if shot.shot.own.air is not None:
        return [PlannedAir(a.kind, a.amount, "set by hand") for a in shot.shot.own.air]
    if settings.air == "off":
        return []
    proposed = _proposed(shot.facts)
    if settings.air == "middle":
        return proposed
    if settings.air == "low":
        return [PlannedAir(p.kind, _LESS[p.amount], p.why) for p in proposed]
    return [PlannedAir(p.kind, "high", p.why) for p in proposed]


def air_of(shot: ReadShot, settings: Settings) -> tuple[Air, ...]:
    """The same as the film has it: seeded by the shot, blown by its weather. Weather falls alike in neighbouring
    shots."""
    wind = WIND if shot.facts.weather == "wind" else WIND * 0.35
    return tuple(
        Air(
            kind=p.kind,
            amount=p.amount,
            wind=round(wind, 3),
            seed=(settings.seed if p.kind in _WEATHERS else shot.shot.id) % 100_000
            + AIR_KINDS.index(p.kind),
        )
        for p in air_planned(shot, settings)
    )


_WEATHERS = ("rain", "snow", "mist")


def _proposed(facts: ShotFacts) -> list[PlannedAir]:
    told = f"{facts.action} {' '.join(facts.things)}".lower()
    place = set(re.findall(r"[a-z]+", facts.place.lower()))
    fire, smoke = _FIRE.search(told), _SMOKE.search(told)
    out = [PlannedAir("embers", "middle", f"“{fire.group()}”")] if fire else []
    out += [PlannedAir("smoke", "middle", f"“{smoke.group()}”")] if smoke else []
    if is_indoors(facts.place):
        if place & _DUSTY and not out:
            out.append(PlannedAir("dust", "middle", f"light in a {min(place & _DUSTY)}"))
        return out
    out += _weather(facts)
    return (out or _fair(facts, place))[:2]


def _weather(facts: ShotFacts) -> list[PlannedAir]:
    if facts.weather == "rain":
        return [PlannedAir("rain", "middle", "it rains")]
    if facts.weather == "snow":
        return [PlannedAir("snow", "middle", "it snows")]
    if facts.weather == "fog":
        return [PlannedAir("mist", "middle", "fog")]
    if facts.season == "autumn":
        amount: Amount = "middle" if facts.weather == "wind" else "low"
        return [PlannedAir("leaves", amount, "autumn")]
    return []


def _fair(facts: ShotFacts, place: set[str]) -> list[PlannedAir]:
    """What fair weather has, where there is room for it to be seen."""
    far = facts.framing in ("wide", "extreme wide")
    if facts.time == "night":
        if facts.season == "summer" and place & _GREEN:
            return [PlannedAir("fireflies", "low", "a summer night")]
        return [PlannedAir("stars", "middle", "a clear night")] if far else []
    if facts.season == "spring" and place & _GREEN:
        return [PlannedAir("petals", "low", "spring")]
    if facts.time == "dawn" and place & (_WATERS | _GREEN):
        return [PlannedAir("mist", "low", "dawn")]
    if far and place & _WATERS:
        return [PlannedAir("birds", "low", "by the water")]
    return []
