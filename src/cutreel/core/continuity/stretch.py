"""The facts of a stretch of shots, one after the other: a scene, or so much of it as is read as one."""

from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass, field, replace

from cutreel.core.ideas import Called, Moment, Told, choose, ideas_for, things_in, told_in
from cutreel.core.manuscript import Manuscript, Word, words_text
from cutreel.core.reading import Story

from .facts import ShotFacts, action_of, silent
from .framing import angle_of, framing_of
from .model import Mood, Overrides, Person, Place, Weather
from .mood import mood_of
from .parts import coat_of
from .present import MOST_PEOPLE, Calls
from .scenery import NOTHING_SAID, Scenery, Setting
from .sides import in_order, joined_sides, looks_of


@dataclass(frozen=True)
class Carried:
    """What a stretch of shots takes over from the one before it."""

    setting: Setting = field(default_factory=Setting)
    back: Setting | None = None
    """Where and when it was before a remembered scene began, while that lasts."""
    last: tuple[int, ...] = ()
    here: frozenset[int] = frozenset()
    mood: Mood = "calm"
    mood_ago: int = 0
    asked: bool = False
    begins: bool = True
    sides: tuple[int, ...] = ()
    """Who was in the shot before and in the scene so far, its mood and for how many shots nothing was said for that,
    whether it ended with a question; whether the scene begins; its people by when they came into it. Not the ideas: a
    change of one would choose anew to the film's end."""

    def new_scene(self) -> "Carried":
        """The same at the head of another scene: its hour, weather and place go on, the rest begins anew."""
        return Carried(self.back or self.setting)


@dataclass(frozen=True)
class Shots:
    """The shots of a scene: their bounds as word indices, what the maker set for each, their numbers."""

    bounds: Sequence[tuple[int, int]]
    own: Sequence[Overrides]
    numbers: Sequence[int]


def _paragraphs(words: Sequence[Word]) -> Sequence[int]:
    return range(words[0].paragraph, words[-1].paragraph + 1) if words else range(0)


class StretchReader:
    """Reads the facts of one scene after another."""

    def __init__(
        self,
        script: Manuscript,
        cast: Sequence[Person],
        places: Sequence[Place],
        story: Story,
        verbatim: bool,
    ) -> None:
        self.script, self.story = script, story
        self.verbatim = verbatim
        self.scenery = Scenery(script, cast, places, story)
        self.names = {p.id: Called(p.name, p.kind, p.pronoun, coat_of(p)) for p in cast}
        self.who = Calls(cast)
        self._of_film = (
            tuple(p.model_dump_json() for p in cast),
            tuple(p.model_dump_json() for p in places),
        )

    def scene_of(self, shots: Shots) -> int:
        """The index of the scene that shots are of; -1 where none of them has words."""
        worded = next((first for first, end in shots.bounds if end > first), None)
        return -1 if worded is None else self.script.words[worded].scene

    def key(self, shots: Shots, carried: Carried, opens_film: bool) -> Hashable:
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
            tuple([o.idea for o in shots.own]),
            tuple(shots.numbers),
            (heading.title, heading.time, heading.weather) if heading else None,
            carried,
            opens_film,
            (
                self._of_film,
                self.verbatim,
                self.scenery.somewhere,
                self.scenery.home,
                self.scenery.night,
                self.scenery.no_places,
            ),
            tuple(self.story.paragraphs.get(n) for n in _paragraphs(words)),
        )

    def read(
        self, shots: Shots, carried: Carried, opens_film: bool
    ) -> tuple[list[ShotFacts], Carried]:
        """The facts of a stretch of shots, without what the maker set but ideas, and what the next one takes over."""
        out: list[ShotFacts] = []
        moments: dict[int, Moment] = {}
        lines: list[tuple[int, ...]] = []
        for (first, end), number in zip(shots.bounds, shots.numbers, strict=True):
            if end == first:
                out.append(silent(out[-1] if out else None))
                lines.append(carried.sides)
                continue
            if carried.begins:
                setting = self.scenery.headed(self.scene_of(shots), carried.setting)
                carried = replace(carried, setting=setting)
            facts, moment, carried = self._shot(
                (first, end), number, carried, opens_film and not out
            )
            lines.append(carried.sides)
            if moment is not None:
                moments[len(out)] = moment
            out.append(facts)
        self._with_ideas(moments, out, shots, lines)
        return out, carried

    def _shot(
        self, bounds: tuple[int, int], number: int, carried: Carried, opens_film: bool
    ) -> tuple[ShotFacts, Moment | None, Carried]:
        """The facts of one shot; what ideas are made from, where it was read; and what the next one takes over."""
        first, end = bounds
        words = self.script.words[first:end]
        bare = [w.bare.lower() for w in words]
        told = told_in(self.story, words)
        back = self._back(told, carried)
        # Behind a remembered scene it is again where and when it was before that.
        before = (carried.back if back is None else None) or carried.setting
        at, glimpse = self.scenery.told(words, told, before)
        speakers = [self.who.number(self.script.lines[w.line].speaker) for w in words]
        # Whoever was there in another year is not there by itself.
        last = carried.last if at.year == before.year else ()
        people, why_people = self._people(words, told, speakers, last, carried.here)
        moved = at.place != before.place
        sides = joined_sides(() if moved and not glimpse else carried.sides, people)
        speaks = next((s for s in speakers if s), None)
        mood, why_mood, ago = mood_of(bare, carried.mood, carried.mood_ago)
        framing, why_framing = framing_of(
            carried.begins, opens_film, bare, len(people), speaks is not None, number
        )
        angle, why_angle = angle_of(bare)
        place, why_place = self._where(told, at)
        weather, why_weather = self._weather(at)
        facts = ShotFacts(
            framing,
            angle,
            place,
            at.time,
            weather,
            mood,
            in_order(people, sides),
            speaks,
            action_of(self.script, first, end) if told is None else "",
            {
                "framing": why_framing,
                "angle": why_angle,
                "place": why_place,
                "time": at.why_time,
                "weather": why_weather,
                "season": at.why_season,
                "remembered": "the words go back" if back is not None else NOTHING_SAID,
                "mood": why_mood,
                "people": why_people,
                "action": "the narration of the shot" if told is None else "",
            },
            there=people,
            season=at.season,
            year=at.year,
            remembered=back is not None,
        )
        moment = (
            None
            if told is None
            else Moment(
                told,
                people,
                tuple(dict.fromkeys(s for s in speakers if s)),
                carried.begins or moved,
                opens_film,
                carried.asked,
                words_text(words),
                last,
                bool(at.place),
            )
        )
        if glimpse:
            at = replace(at, place=before.place, why_place=before.why_place)
        return (
            facts,
            moment,
            Carried(
                at,
                back,
                people or last,
                carried.here | set(people),
                mood,
                ago,
                words[-1].text.rstrip("”\"’'»)").endswith("?"),
                False,
                sides,
            ),
        )

    @staticmethod
    def _back(told: Told | None, carried: Carried) -> Setting | None:
        """Where and when it is again once a remembered scene is over; None while none is told."""
        return (carried.back or carried.setting) if told is not None and told.remembered else None

    def _people(
        self,
        words: Sequence[Word],
        told: Told | None,
        speakers: Sequence[int | None],
        last: tuple[int, ...],
        here: frozenset[int],
    ) -> tuple[tuple[int, ...], str]:
        """Who is there while a shot's words are told, and why."""
        if told is None:
            bare = [w.bare.lower() for w in words]
            return self.who.present(words_text(words), bare, speakers, last, here)
        # Who spoke before somebody comes to another place is not there.
        came = told.came_at()
        voices = [s for s, w in zip(speakers, words, strict=True) if came is None or w.start > came]
        return told.present(voices, last, MOST_PEOPLE)

    def _where(self, told: Told | None, at: Setting) -> tuple[str, str]:
        if told is not None and not at.place:
            return self.scenery.somewhere, self.scenery.why_somewhere
        return at.place, at.why_place

    def _weather(self, at: Setting) -> tuple[Weather, str]:
        """The weather that is said, else what the place has."""
        usual = self.scenery.usual.get(at.place)
        if usual is not None and at.why_weather == NOTHING_SAID:
            return usual, "as it is at this place"
        return at.weather, at.why_weather

    def _with_ideas(
        self,
        moments: Mapping[int, Moment],
        facts: list[ShotFacts],
        shots: Shots,
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

    def _words_of(self, shots: Shots, at: int) -> str:
        return action_of(self.script, *shots.bounds[at])
