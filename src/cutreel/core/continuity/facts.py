"""What each shot shows, proposed from its words by rule; every proposal says by which rule.

Time, weather and place carry over from the shot before until the text or a heading says otherwise.
"""

import re
from collections.abc import Mapping, Sequence, Set
from dataclasses import dataclass, field, replace
from typing import Any, cast, get_args

from cutreel.core.manuscript import Manuscript, words_text
from cutreel.core.manuscript.read import TIMES, WEATHERS

from .cast import PLACE_NOUNS
from .model import Angle, Framing, Mood, Overrides, Person, Place, TimeOfDay, Weather

MOST_PEOPLE = 3
"""People in one picture: more do not fit a prompt's cap, nor read well in a small frame."""

_MOOD_WORDS: dict[Mood, tuple[str, ...]] = {
    "uneasy": (
        "dark",
        "wrong",
        "fear",
        "afraid",
        "storm",
        "lost",
        "danger",
        "shadow",
        "cold",
        "strange",
        "worry",
        "guttered",
        "broken",
        "trouble",
        "war",
        "prison",
        "arrested",
        "suspicion",
    ),
    "playful": (
        "laugh",
        "laughed",
        "joke",
        "grin",
        "grinned",
        "funny",
        "silly",
        "ladder",
        "wobbled",
        "oops",
    ),
    "warm": (
        "home",
        "warm",
        "smile",
        "smiled",
        "friend",
        "light",
        "lit",
        "together",
        "supper",
        "glad",
    ),
    "sad": ("cried", "tears", "grave", "died", "alone", "goodbye", "grief", "wept"),
    "grand": (
        "king",
        "mountain",
        "mountains",
        "sky",
        "world",
        "great",
        "earth",
        "nation",
        "meridian",
    ),
}
_CLOSE_WORDS = {
    "eyes",
    "face",
    "smile",
    "smiled",
    "whispered",
    "tear",
    "tears",
    "hand",
    "hands",
    "breath",
    "lips",
}
# fmt: off
_ANGLE_WORDS: dict[Angle, set[str]] = {
    "low": {"towered", "loomed", "towering", "looming", "overhead"},
    "from above": {"beneath", "below", "map", "rooftops"},
    "high": {"small", "tiny", "alone"},
}
_WIDE_WORDS = {
    "across", "horizon", "sky", "sea", "valley", "mountains", "city", "country", "hills",
    "distance", "landscape", "everywhere", "miles", "shore", "water",
}
# fmt: on


_NOTHING = "nothing says otherwise"
_OFTEN_NO_PLACE = {"crossing", "gate", "wood", "study", "square", "landing", "hall"}


@dataclass(frozen=True, slots=True)
class ShotFacts:
    """What one shot shows. `why` maps each fact's name to the rule that proposed it."""

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


def facts_of_shots(
    script: Manuscript,
    opens: Sequence[int],
    cast: Sequence[Person],
    places: Sequence[Place],
    overrides: Sequence[Overrides],
    for_scenes: Mapping[int, Overrides] | None = None,
    numbers: Sequence[int] | None = None,
) -> list[ShotFacts]:
    """Facts for the shots that open at word indices `opens`, with what the maker set by hand laid
    over them: for a scene (`for_scenes`, by index), and over that for the shot itself.

    Where a rule takes turns it goes by the shots' own `numbers` (else their indices), so that a new
    shot changes no other. A shot without words (it opens where the next one does) shows what the
    shot before it shows, seen wider.
    """
    who = _Who(cast)
    named = place_words(places)
    usual = {p.description or p.name: p.weather for p in reversed(places) if p.weather}
    out: list[ShotFacts] = []
    time: TimeOfDay = "day"
    weather: Weather = "clear"
    place = ""
    why_time = why_weather = why_place = _NOTHING
    scene = -1
    here: set[int] = set()
    last: tuple[int, ...] = ()
    before: Mood = "calm"
    bounds = [*opens, len(script.words)]
    turns = numbers or range(len(opens))
    for i, first in enumerate(opens):
        words = script.words[first : bounds[i + 1]]
        if not words:
            out.append(_overridden(_silent(out[-1] if out else None), overrides[i], None))
            continue
        bare = [w.bare.lower() for w in words]
        new_scene = words[0].scene != scene
        if new_scene:
            scene = words[0].scene
            heading = script.scenes[scene]
            last = ()
            here = set()
            if heading.time:
                time, why_time = _time(heading.time), "the scene's heading"
            if heading.weather:
                weather, why_weather = _weather(heading.weather), "the scene's heading"
            place, why_place = _scene_place(heading.title, places, place)
        for word in bare:
            if word in TIMES and TIMES[word] != "day" and not script.scenes[scene].time:
                time, why_time = _time(TIMES[word]), f"“{word}”"
            elif word in ("morning", "noon", "afternoon") and not script.scenes[scene].time:
                time, why_time = "day", f"“{word}”"
            if (
                word in ("rain", "snow", "fog", "mist", "storm", "wind", "gale")
                and not script.scenes[scene].weather
            ):
                weather, why_weather = _weather(WEATHERS[word]), f"“{word}”"
        found = text_place(bare, named)
        if found and (not script.scenes[scene].title or not place):
            place, why_place = found
        speakers = [who.number(script.lines[w.line].speaker) for w in words]
        speaks = next((s for s in speakers if s), None)
        people, why_people = who.present(words_text(words), bare, speakers, last, here)
        last = people or last
        here |= set(people)
        framing, why_framing = _framing(
            new_scene, i == 0, bare, len(people), speaks is not None, turns[i]
        )
        angle, why_angle = _angle(bare)
        mood, why_mood = _mood(bare, before if not new_scene else "calm")
        before = mood
        said = why_weather != _NOTHING
        facts = ShotFacts(
            framing,
            angle,
            place,
            time,
            weather if said else usual.get(place, weather),
            mood,
            people,
            speaks,
            action_of(script, first, bounds[i + 1]),
            {
                "framing": why_framing,
                "angle": why_angle,
                "place": why_place,
                "time": why_time,
                "weather": why_weather if said or place not in usual else "as it is at this place",
                "mood": why_mood,
                "people": why_people,
                "action": "the narration of the shot",
            },
        )
        out.append(_overridden(facts, overrides[i], (for_scenes or {}).get(scene)))
    return out


_SETTABLE = ("framing", "angle", "place", "time", "weather", "mood", "people", "action")


def _overridden(facts: ShotFacts, hand: Overrides, scene: Overrides | None) -> ShotFacts:
    why = dict(facts.why)
    values: dict[str, Any] = {}
    for own, says in ((scene, "set for the scene"), (hand, "set by hand")):
        for name in _SETTABLE:
            value = getattr(own, name) if own else None
            if value is not None:
                values[name] = tuple(value) if name == "people" else value
                why[name] = says
    return replace(facts, why=why, **values)


def _silent(before: ShotFacts | None) -> ShotFacts:
    """What a shot without words shows: the place of the shot before, from further off."""
    if before is None:
        return ShotFacts("extreme wide", "level", "", "day", "clear", "calm", (), None, "", {})
    why = dict.fromkeys(before.why, "as in the shot before") | {
        "framing": "a hold is seen wide",
        "people": "a hold",
    }
    return replace(
        before, framing="wide", angle="level", people=(), speaks=None, action="", why=why
    )


class _Who:
    """Looks people up by what the text calls them."""

    def __init__(self, cast: Sequence[Person]) -> None:
        self.calls = {
            call.lower(): p.id for p in reversed(cast) for call in (p.name, *p.aliases) if call
        }
        ordered = sorted(self.calls, key=len, reverse=True)
        self.pattern = (
            re.compile(r"\b(" + "|".join(map(re.escape, ordered)) + r")\b", re.I)
            if ordered
            else None
        )
        self.pronouns = {p.id: p.pronoun for p in cast}

    def number(self, speaker: str | None) -> int | None:
        return self.calls.get(speaker.lower()) if speaker else None

    def present(
        self,
        text: str,
        bare: Sequence[str],
        speakers: Sequence[int | None],
        last: tuple[int, ...],
        here: Set[int],
    ) -> tuple[tuple[int, ...], str]:
        """Who is in a shot, and why: `last` were in the shot before it, `here` were in its scene so
        far."""
        named = (
            [self.calls[m.group(1).lower()] for m in self.pattern.finditer(text)]
            if self.pattern
            else []
        )
        people = list(dict.fromkeys([s for s in speakers if s] + named))
        why = "named or speaking here"
        for pronoun, forms in (("she", {"she", "her", "hers"}), ("he", {"he", "him", "his"})):
            if forms & set(bare) and not any(self.pronouns.get(p) == pronoun for p in people):
                earlier = [p for p in last if self.pronouns.get(p) == pronoun]
                earlier = earlier or [p for p in here if self.pronouns.get(p) == pronoun]
                if len(earlier) == 1:
                    people.append(earlier[0])
                    why = f"“{pronoun}” can only be one"
        if not people and ("they" in bare or "them" in bare) and last:
            people, why = list(last), "“they”: as in the shot before"
        return tuple(people[:MOST_PEOPLE]), why if people else "nobody is named"


def _time(word: str) -> TimeOfDay:
    return cast(TimeOfDay, word) if word in get_args(TimeOfDay) else "day"


def _weather(word: str) -> Weather:
    return cast(Weather, word) if word in get_args(Weather) else "clear"


def _scene_place(title: str, places: Sequence[Place], before: str) -> tuple[str, str]:
    for place in places:
        if place.name.lower() == title.lower():
            return place.description or place.name, "the scene's heading"
    nouns = [w for w in re.findall(r"[a-z]+", title.lower()) if w in PLACE_NOUNS]
    if nouns:
        return PLACE_NOUNS[nouns[-1]], "the scene's heading"
    return (before if not title else ""), "nothing says otherwise"


def place_words(places: Sequence[Place]) -> dict[str, str]:
    """Every word that names a place, with the place that it names: the film's own before common
    nouns."""
    common = {w: name for w, name in PLACE_NOUNS.items() if w not in _OFTEN_NO_PLACE}
    own = {
        word: place.description or place.name for place in reversed(places) for word in place.words
    }
    return common | own


def text_place(bare: Sequence[str], named: Mapping[str, str]) -> tuple[str, str] | None:
    """The first place that words name, by `place_words`, and the word that says so."""
    return next(((named[word], f"“{word}”") for word in bare if word in named), None)


def _framing(
    new_scene: bool, opens_film: bool, bare: Sequence[str], people: int, speaks: bool, turn: int
) -> tuple[Framing, str]:
    words = set(bare)
    if new_scene:
        return ("extreme wide" if opens_film and not people else "wide"), "a scene opens wide"
    if words & _CLOSE_WORDS and people:
        return "close", f"“{min(words & _CLOSE_WORDS)}”"
    if speaks:
        return (
            ("close", "speech, seen close in turn")
            if turn % 3 == 2
            else ("medium", "somebody speaks")
        )
    if words & _WIDE_WORDS and people < 2:
        return "wide", f"“{min(words & _WIDE_WORDS)}”"
    if people >= 2:
        return "medium", "more than one person"
    if people:
        return ("medium", "one person") if turn % 4 else ("close", "one person, seen close in turn")
    return (
        ("wide", "nobody in it") if turn % 3 else ("medium", "nobody in it, a closer view in turn")
    )


def _angle(bare: Sequence[str]) -> tuple[Angle, str]:
    """The height of the camera, where words of looking say it."""
    for angle, words in _ANGLE_WORDS.items():
        for word in bare:
            if word in words:
                return angle, f"“{word}”"
    return "level", "nothing says otherwise"


def _mood(bare: Sequence[str], before: Mood) -> tuple[Mood, str]:
    for mood, words in _MOOD_WORDS.items():
        for word in bare:
            if word in words:
                return mood, f"“{word}”"
    return before, "as before"


_TAG = re.compile(r"\b(said|says|asked|replied|answered|told|added|called|cried)\b")


def action_of(script: Manuscript, first: int, end: int) -> str:
    """The shot's words without what is spoken aloud in it, unless nothing else is left."""
    narrated = [w for w in script.words[first:end] if script.lines[w.line].speaker is None]
    text = words_text(narrated) if narrated else ""
    text = re.sub(r"[“”\"«»]", "", text).strip(" ,;:—–-")
    if len(_TAG.sub("", text).split()) < 3:
        text = re.sub(r"[“”\"«»]", "", words_text(script.words[first:end])).strip(" ,;:—–-")
    return text
