"""What one shot shows; every proposal says by which rule."""

import re
from dataclasses import dataclass, field, replace
from typing import Any

from cutreel.core.ideas import Idea, IdeaSort
from cutreel.core.manuscript import Manuscript, words_text

from .model import Angle, Framing, Mood, Overrides, Season, TimeOfDay, Weather
from .sides import Looks


@dataclass(frozen=True, slots=True)
class ShotFacts:
    """What one shot shows. `why` maps each fact's name to the rule that proposed it. `idea` is the sort of picture idea
    that was chosen among `ideas`; `people` are seen in it, `there` are all who are there while its words are told;
    `things` are what is held, used or named."""

    framing: Framing
    angle: Angle
    place: str
    time: TimeOfDay
    weather: Weather
    mood: Mood
    people: tuple[int, ...]
    speaks: int | None
    action: str
    why: dict[str, str] = field(default_factory=dict)
    idea: IdeaSort | None = None
    ideas: tuple[Idea, ...] = ()
    there: tuple[int, ...] = ()
    things: tuple[str, ...] = ()
    looks: Looks = ""
    """Where somebody who is alone in the picture looks, so that partners look at one another."""
    season: Season = ""
    year: str = ""
    """The year in which it happens, where the text says it."""
    remembered: bool = False
    """Whether it is a remembered scene."""


_SETTABLE = (
    "framing",
    "angle",
    "place",
    "time",
    "weather",
    "season",
    "remembered",
    "mood",
    "people",
    "action",
)


def overridden(facts: ShotFacts, hand: Overrides, scene: Overrides | None) -> ShotFacts:
    why = dict(facts.why)
    values: dict[str, Any] = {}
    for own, says in ((scene, "set for the scene"), (hand, "set by hand")):
        for name in _SETTABLE:
            value = getattr(own, name) if own else None
            if value is not None:
                values[name] = tuple(value) if name == "people" else value
                why[name] = says
    return replace(facts, why=why, **values)


def silent(before: ShotFacts | None) -> ShotFacts:
    """What a shot without words shows: the place of the shot before, from further off."""
    if before is None:
        return ShotFacts("extreme wide", "level", "", "day", "clear", "calm", (), None, "", {})
    why = dict.fromkeys(before.why, "as in the shot before") | {
        "framing": "a hold is seen wide",
        "people": "a hold",
    }
    return replace(
        before,
        framing="wide",
        angle="level",
        people=(),
        speaks=None,
        action="",
        why=why,
        idea=None,
        ideas=(),
        there=(),
    )


_TAG = re.compile(r"\b(said|says|asked|replied|answered|told|added|called|cried)\b")


def action_of(script: Manuscript, first: int, end: int) -> str:
    """The shot's words without what is spoken aloud in it, unless nothing else is left."""
    narrated = [w for w in script.words[first:end] if script.lines[w.line].speaker is None]
    text = words_text(narrated) if narrated else ""
    text = re.sub(r"[“”\"«»]", "", text).strip(" ,;:—–-")
    if len(_TAG.sub("", text).split()) < 3:
        text = re.sub(r"[“”\"«»]", "", words_text(script.words[first:end])).strip(" ,;:—–-")
    return text
