"""What each shot shows, proposed from its words by rule; every proposal says by which rule.

Time, weather and place carry over from the shot before until the text or a heading says otherwise.
"""

import re
from collections.abc import Callable, Hashable, Iterator, Mapping, Sequence, Set
from dataclasses import dataclass, field, replace
from functools import partial
from itertools import pairwise
from typing import Any, cast, get_args

from cutreel.core.ideas import (
    Called,
    Idea,
    IdeaSort,
    Moment,
    Told,
    choose,
    ideas_for,
    things_in,
    told_in,
)
from cutreel.core.manuscript import TIMES, WEATHERS, Manuscript, Word, words_text
from cutreel.core.reading import NOTHING, Story

from .cast import PLACE_NOUNS
from .faces import INDOORS
from .model import Angle, Framing, Mood, Overrides, Person, Place, TimeOfDay, Weather
from .sides import Looks, in_order, joined_sides, looks_of

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
    "playful": ("laugh", "laughed", "joke", "grin", "grinned", "funny", "silly", "wobbled", "oops"),
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


@dataclass(frozen=True)
class _Carried:
    """What a stretch of shots takes over from the one before it, and why it is so."""

    time: TimeOfDay = "day"
    weather: Weather = "clear"
    place: str = ""
    why_time: str = _NOTHING
    why_weather: str = _NOTHING
    why_place: str = _NOTHING
    glimpse: bool = False
    """Whether the place is seen for a moment only: the scene stays where it was."""
    last: tuple[int, ...] = ()
    here: frozenset[int] = frozenset()
    mood: Mood = "calm"
    asked: bool = False
    begins: bool = True
    sides: tuple[int, ...] = ()
    """Who was in the shot before and in the scene so far, its mood, whether it ended with a question; whether the scene
    begins; its people by when they came into it. Not the ideas: a change of one would choose anew to the film's end."""

    def new_scene(self) -> "_Carried":
        """The same at the head of another scene: its hour, weather and place go on, the rest begins anew."""
        return _Carried(
            self.time, self.weather, self.place, self.why_time, self.why_weather, self.why_place
        )


class SceneMemory:
    """The stretches that were read last, by what they were read from: one that did not change is not read again.
    What is read is the same with it as without."""

    def __init__(self) -> None:
        self._last: dict[Hashable, tuple[list[ShotFacts], _Carried]] = {}
        self._now: dict[Hashable, tuple[list[ShotFacts], _Carried]] = {}
        self._set: dict[int, tuple[Overrides, str]] = {}

    def written(self, own: Overrides, number: int) -> str:
        """What the maker set for a shot of a number, in a form that can be looked up; mostly nothing."""
        known = self._set.get(number)
        if known is None or known[0] is not own:
            known = self._set[number] = (own, _written(own))
        return known[1]

    def turn(self) -> None:
        """Begin another reading: what it does not come upon again is forgotten with the next."""
        self._last, self._now = self._now, {}

    def facts(
        self, key: Hashable, read: Callable[[], tuple[list[ShotFacts], _Carried]]
    ) -> tuple[list[ShotFacts], _Carried]:
        found = self._now.get(key) or self._last.get(key) or read()
        self._now[key] = found
        return found


@dataclass(frozen=True)
class _Shots:
    """The shots of a scene: their bounds as word indices, what the maker set for each, their numbers."""

    bounds: Sequence[tuple[int, int]]
    own: Sequence[Overrides]
    numbers: Sequence[int]


def facts_of_shots(
    script: Manuscript,
    opens: Sequence[int],
    cast: Sequence[Person],
    places: Sequence[Place],
    overrides: Sequence[Overrides],
    for_scenes: Mapping[int, Overrides] | None = None,
    numbers: Sequence[int] | None = None,
    memory: SceneMemory | None = None,
    story: Story = NOTHING,
    verbatim: bool = False,
) -> list[ShotFacts]:
    """Facts for the shots that open at word indices `opens`, with what the maker set by hand laid
    over them: for a scene (`for_scenes`, by index), and over that for the shot itself.

    Where a rule takes turns it goes by the shots' own `numbers` (else their indices), so that a new
    shot changes no other. A shot without words (it opens where the next one does) shows what the
    shot before it shows, seen wider. Of a paragraph that `story` has read, it says who is there, what
    happens, and where; of the others simpler rules of words do. `verbatim`: it happens in the words themselves.
    """
    memory = memory or SceneMemory()
    memory.turn()
    reader = _SceneReader(script, cast, places, story, verbatim)
    turns = numbers or range(len(opens))
    bounds = list(pairwise([*opens, len(script.words)]))
    out: list[ShotFacts] = []
    carried = _Carried()
    scene = -1
    for first, stop in _stretches(script, bounds):
        shots = _Shots(bounds[first:stop], overrides[first:stop], turns[first:stop])
        if reader.scene_of(shots) != scene:
            scene, carried = reader.scene_of(shots), carried.new_scene()
        hand = (for_scenes or {}).get(scene)
        key = reader.key(shots, hand, carried, first == 0, memory)
        facts, carried = memory.facts(key, partial(reader.read, shots, hand, carried, first == 0))
        out += facts
    return out


STRETCH = 8
"""Paragraphs that are read as one: a change makes so much be read again, and no more."""


def _stretches(script: Manuscript, bounds: Sequence[tuple[int, int]]) -> Iterator[tuple[int, int]]:
    """Runs of shots, as indices: of one scene, and parted where another eight paragraphs begin, so that they do not
    depend on where the cut marks are. A shot without words is of the run before it."""
    begin, where = 0, (-1, -1)
    for i, (first, end) in enumerate(bounds):
        if end == first:
            continue
        word = script.words[first]
        here = (word.scene, word.paragraph // STRETCH)
        if here != where:
            if i > begin:
                yield begin, i
            begin, where = i, here
    if bounds:
        yield begin, len(bounds)


class _SceneReader:
    """Reads the facts of one scene after another."""

    def __init__(
        self,
        script: Manuscript,
        cast: Sequence[Person],
        places: Sequence[Place],
        story: Story,
        verbatim: bool,
    ) -> None:
        self.script, self.places, self.story = script, places, story
        self.verbatim = verbatim
        self.somewhere = _somewhere(places) if story.paragraphs else ""
        self.names = {p.id: Called(p.name, p.kind, p.pronoun) for p in cast}
        self.who = _Who(cast)
        self.named = place_words(places)
        self.surnames = {
            part for p in cast for call in (p.name, *p.aliases) for part in call.split()[1:]
        }
        self.usual = {p.description or p.name: p.weather for p in reversed(places) if p.weather}
        self._of_film = (
            tuple(p.model_dump_json() for p in cast),
            tuple(p.model_dump_json() for p in places),
        )

    def scene_of(self, shots: _Shots) -> int:
        """The index of the scene that shots are of; -1 where none of them has words."""
        worded = next((first for first, end in shots.bounds if end > first), None)
        return -1 if worded is None else self.script.words[worded].scene

    def key(
        self,
        shots: _Shots,
        hand: Overrides | None,
        carried: _Carried,
        opens_film: bool,
        memory: SceneMemory,
    ) -> Hashable:
        """All that the facts of a scene depend on."""
        script, (first, end) = self.script, (shots.bounds[0][0], shots.bounds[-1][1])
        words = script.words[first:end]
        text = script.text[words[0].start : words[-1].end] if words else ""
        lines = range(words[0].line, words[-1].line + 1) if words else range(0)
        scene = self.scene_of(shots)
        heading = script.scenes[scene] if scene >= 0 else None
        return (
            text,
            tuple((a - first, b - first) for a, b in shots.bounds),
            tuple((script.lines[n].speaker, script.lines[n].first - first) for n in lines),
            tuple([memory.written(o, n) for o, n in zip(shots.own, shots.numbers, strict=True)]),
            tuple(shots.numbers),
            _written(hand),
            (heading.title, heading.time, heading.weather) if heading else None,
            carried,
            opens_film,
            (self._of_film, self.verbatim, self.somewhere),
            tuple(self.story.paragraphs.get(n) for n in _paragraphs(words)),
        )

    def read(
        self, shots: _Shots, hand: Overrides | None, carried: _Carried, opens_film: bool
    ) -> tuple[list[ShotFacts], _Carried]:
        """The facts of a stretch of shots, and what the next one takes over."""
        out: list[ShotFacts] = []
        here = set(carried.here)
        last, mood, asked, begins = carried.last, carried.mood, carried.asked, carried.begins
        moments: dict[int, Moment] = {}
        sides = carried.sides
        lines: list[tuple[int, ...]] = []
        for (first, end), number in zip(shots.bounds, shots.numbers, strict=True):
            if end == first:
                out.append(_silent(out[-1] if out else None))
                lines.append(sides)
                continue
            if begins:
                carried = self._headed(self.scene_of(shots), carried)
            words = self.script.words[first:end]
            bare = [w.bare.lower() for w in words]
            told = told_in(self.story, words)
            before, place_before = carried, carried.place
            carried = self._told(words, told, carried)
            speakers = [self.who.number(self.script.lines[w.line].speaker) for w in words]
            if told is None:
                people, why_people = self.who.present(words_text(words), bare, speakers, last, here)
                action, why_action = action_of(self.script, first, end), "the narration of the shot"
            else:
                # Who spoke before somebody comes to another place is not there.
                came = told.came_at()
                voices = [
                    s
                    for s, w in zip(speakers, words, strict=True)
                    if came is None or w.start > came
                ]
                people, why_people = told.present(voices, last, MOST_PEOPLE)
                action, why_action = "", ""
            elsewhere = carried.place != place_before and not carried.glimpse
            sides = joined_sides(() if elsewhere else sides, people)
            lines.append(sides)
            nowhere = told is not None and not carried.place
            speaks = next((s for s in speakers if s), None)
            framing, why_framing = _framing(
                begins,
                opens_film and begins and not out,
                bare,
                len(people),
                speaks is not None,
                number,
            )
            angle, why_angle = _angle(bare)
            mood, why_mood = _mood(bare, mood)
            if told is not None:
                moments[len(out)] = Moment(
                    told,
                    people,
                    tuple(dict.fromkeys(s for s in speakers if s)),
                    begins or carried.place != place_before,
                    opens_film and not out,
                    asked,
                    words_text(words),
                    last,
                    bool(carried.place),
                )
            last = people or last
            here |= set(people)
            asked = words[-1].text.rstrip("”\"’'»)").endswith("?")
            begins = False
            said = carried.why_weather != _NOTHING
            usual = carried.weather if said else self.usual.get(carried.place, carried.weather)
            at_home = not said and carried.place in self.usual
            facts = ShotFacts(
                framing,
                angle,
                self.somewhere if nowhere else carried.place,
                carried.time,
                usual,
                mood,
                in_order(people, sides),
                speaks,
                action,
                {
                    "framing": why_framing,
                    "angle": why_angle,
                    "place": "nothing says where; the same for the whole film"
                    if nowhere
                    else carried.why_place,
                    "time": carried.why_time,
                    "weather": "as it is at this place" if at_home else carried.why_weather,
                    "mood": why_mood,
                    "people": why_people,
                    "action": why_action,
                },
                there=people,
            )
            out.append(facts)
            if carried.glimpse:
                carried = replace(
                    carried, place=before.place, why_place=before.why_place, glimpse=False
                )
        self._with_ideas(moments, out, shots, lines)
        carried = replace(
            carried,
            last=last,
            here=frozenset(here),
            mood=mood,
            asked=asked,
            begins=begins,
            sides=sides,
        )
        return [
            _overridden(f, own, hand if end > first else None)
            for f, own, (first, end) in zip(out, shots.own, shots.bounds, strict=True)
        ], carried

    def _with_ideas(
        self,
        moments: Mapping[int, Moment],
        facts: list[ShotFacts],
        shots: _Shots,
        lines: Sequence[tuple[int, ...]],
    ) -> None:
        """Choose an idea for each shot that was read, and lay it into its facts."""
        ideas = [ideas_for(m, self.names) for m in moments.values()]
        chosen = choose(ideas, [shots.own[at].idea for at in moments])
        for at, idea, among in zip(moments, chosen, ideas, strict=True):
            was = facts[at]
            why = was.why | {"framing": idea.why, "action": idea.why}
            if len(idea.people) < len(was.people):
                why["people"] = f"{idea.why}; {was.why['people']}"
            facts[at] = replace(
                was,
                framing=idea.size,
                people=in_order(idea.people, lines[at]),
                looks=looks_of(idea.people, lines[at]),
                action=self._words_of(shots, at) if self.verbatim else idea.action,
                why=why,
                idea=idea.sort,
                ideas=among,
                things=things_in(moments[at].told),
            )

    def _words_of(self, shots: _Shots, at: int) -> str:
        return action_of(self.script, *shots.bounds[at])

    def _headed(self, scene: int, carried: _Carried) -> _Carried:
        """What the scene's heading says."""
        heading = self.script.scenes[scene]
        if heading.time:
            carried = replace(carried, time=_time(heading.time), why_time=_BY_HEADING)
        if heading.weather:
            weather = _weather(heading.weather)
            carried = replace(carried, weather=weather, why_weather=_BY_HEADING)
        place, why = _scene_place(heading.title, self.places, carried.place)
        return replace(carried, place=place, why_place=why)

    def _told(self, words: Sequence[Word], told: Told | None, carried: _Carried) -> _Carried:
        """What a shot's words say of time, weather and place, where the heading does not."""
        heading = self.script.scenes[words[0].scene]
        said = [w for w in words if w.bare not in self.surnames and not (told and told.mutes(w))]
        bare = [w.bare.lower() for w in said]
        if told and told.another_day and not heading.time:
            carried = replace(carried, time="day", why_time="another day")
        for i, word in enumerate(bare):
            if not heading.time and word == "morning" and _in_small_hours(bare[max(0, i - 4) : i]):
                carried = replace(carried, time="night", why_time="in the small hours")
            elif not heading.time and word in TIMES and (TIMES[word] != "day" or word in _DAYTIME):
                carried = replace(carried, time=_time(TIMES[word]), why_time=f"“{word}”")
            if not heading.weather and word in _WEATHER_SAID:
                weather = _weather(_RAINS.get(word) or WEATHERS[word])
                carried = replace(carried, weather=weather, why_weather=f"“{word}”")
        if told is None:
            found = text_place(bare, self.named)
            if found and (not heading.title or not carried.place):
                carried = replace(carried, place=found[0], why_place=found[1])
            return carried
        arrival = told.arrival()
        # A heading that names a place holds for its scene, whoever goes where in the last line.
        if arrival is not None and arrival.phrase == "bed" and _is_indoors(carried.place):
            arrival = None  # a bed stands in the house where they are
        if arrival is not None and arrival.phrase == "woke" and carried.place:
            arrival = None
        if arrival is not None and carried.why_place != _BY_HEADING:
            place = self.named.get(arrival.noun) or place_called(arrival.phrase, arrival.noun)
            if arrival.town and place == arrival.phrase:
                place = f"{place}, {PLACE_NOUNS['town']}"
            why = f"“{arrival.phrase}”"
            carried = replace(carried, place=place, why_place=why, glimpse=not arrival.stays)
        return carried


def _is_indoors(place: str) -> bool:
    return bool(INDOORS & set(re.findall(r"[a-z]+", place.lower())))


_SMALL_HOURS = {"one", "two", "three", "four", "1", "2", "3", "4"}


def _in_small_hours(before: Sequence[str]) -> bool:
    """ "At three in the morning": it is night."""
    told = [w for w in before if w not in ("o'clock", "o’clock")]
    return told[-2:] == ["in", "the"] and bool(_SMALL_HOURS & set(told[-3:-2]))


_BY_HEADING = "the scene's heading"
_DAYTIME = {"morning", "noon", "afternoon"}
_RAINS = {
    "rained": "rain",
    "raining": "rain",
    "snowed": "snow",
    "snowing": "snow",
    "blizzard": "snow",
}
_WEATHER_SAID = {"rain", "snow", "fog", "mist", "storm", "wind", "gale", *_RAINS}
_UNSET = Overrides()


def _written(own: Overrides | None) -> str:
    """What the maker set, in a form that can be looked up; mostly nothing."""
    return "" if own is None or own == _UNSET else own.model_dump_json()


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


OPEN_COUNTRY = "open country with low hills"


def _somewhere(places: Sequence[Place]) -> str:
    """Where shots are of which nothing says where: at the place that the story speaks of most. Not left open, since a
    picture of nowhere is each time another place."""
    return next((p.description or p.name for p in places), OPEN_COUNTRY)


def _paragraphs(words: Sequence[Word]) -> Sequence[int]:
    return range(words[0].paragraph, words[-1].paragraph + 1) if words else range(0)


def place_called(phrase: str, noun: str) -> str:
    """A place that is in no list, by the words for it."""
    described = PLACE_NOUNS.get(noun)
    if described:
        return described
    if phrase[:1].isupper():
        return phrase
    return f"{'an' if phrase[:1].lower() in 'aeiou' else 'a'} {phrase}"


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
