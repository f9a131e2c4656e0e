"""Where and when it is, and how words change that: hour, weather, season, year and place go on until something says
otherwise."""

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace

from cutreel.core.ideas import Told
from cutreel.core.manuscript import TIMES, WEATHERS, Manuscript, Word
from cutreel.core.reading import (
    AT_THE_OVEN,
    ENTERED,
    FREEZES,
    LIFTS,
    RIDDEN,
    SEASONS,
    STAIRS,
    UPSTAIRS,
    VEHICLES,
    WITHIN,
    Arrival,
    Story,
)

from .hinted import ENOUGH, hinted_place
from .hour import (
    DAYTIME,
    RAINS,
    WEATHER_SAID,
    begins_at_night,
    clears,
    hour_in_words,
    hour_of_clock,
    hour_of_sun,
    in_small_hours,
    is_at_night,
    is_dark,
    melts,
    season_called,
    snow_lies,
    time_called,
    weather_called,
)
from .model import Person, Place, Season, TimeOfDay, Weather
from .places import (
    AEROPLANE,
    ON_THE_GROUND,
    PLACE_NOUNS,
    driven_in,
    has_rooms,
    inside_of,
    is_aboard_plane,
    is_indoors,
    no_places,
    place_called,
    place_words,
    scene_place,
    somewhere,
    text_place,
)
from .years import leap

NOTHING_SAID = "nothing says otherwise"
AT_FIRST = 400
"""Words at the beginning in which an hour is looked for that holds from the first on."""
_YEAR = re.compile(r"\b(?:1[0-9]{3}|20[0-9]{2})\b")
_HAS_AN_OVEN = re.compile(r"\b(?:kitchen|bakery|inn|hut|café|restaurant)\b")
_HAS_BUNKS = re.compile(r"\b(?:cabin|tent|caravan|van|spaceship|cave)\b")
_OF_A_HOME = re.compile(
    r"\b(?:kitchen|house|home|cottage|parlour|hall|cellar|dining|living|room)\b"
)
_BY_HEADING = "the scene's heading"


_LATER = re.compile(
    r"(?:^|[.!?”\n])\s*(?:That|The next|The following|In|By|Next|Last) (?:the )?"
    r"(?:winter|spring|summer|autumn|year|month|week)\b|"
    r"\b(?:days|weeks|months|years) later\b|\b[Yy]ears afterwards\b"
)
"""Where a text leaps: what is told behind it is no place of before."""


@dataclass(frozen=True)
class Setting:
    """Where and when it is, and why it is so."""

    time: TimeOfDay = "day"
    weather: Weather = "clear"
    place: str = ""
    season: Season = ""
    year: str = ""
    why_time: str = NOTHING_SAID
    why_weather: str = NOTHING_SAID
    why_place: str = NOTHING_SAID
    why_season: str = NOTHING_SAID
    ridden: str = ""
    """What was driven or ridden in last."""
    house: str = ""
    """The room that it was in last, wherever it is now."""
    ahead: str = ""
    """The house that was seen last from outside."""


class Scenery:
    """Follows where and when a film is, through its words."""

    def __init__(
        self, script: Manuscript, cast: Sequence[Person], places: Sequence[Place], story: Story
    ) -> None:
        self.script, self.places = script, places
        self.named = place_words(places)
        self.named_aboard = {w for w, place in self.named.items() if place == AEROPLANE}
        self.usual = {p.description or p.name: p.weather for p in reversed(places) if p.weather}
        self.surnames = {
            part for p in cast for call in (p.name, *p.aliases) for part in call.split()[1:]
        }
        self.no_places = no_places(script.text)
        self.rides = driven_in(script.text)
        self.home = ""
        self.home = self._home(story)
        self.flies = is_aboard_plane(script.text)
        self.why_somewhere = "nothing says where; the same for the whole film"
        self.somewhere = self._begins(story) if story.paragraphs else ""
        if story.paragraphs and not self.somewhere:
            # Of a film without any place the little that is told of what is there has to do.
            found = "" if places else hinted_place(self.script.text[: AT_FIRST * 6], 2)
            self.somewhere = found or somewhere(places)
        self.night = self._begins_at_night(story)
        """The words by which it is night before any hour is said; empty where nothing says so."""

    def _begins(self, story: Story) -> str:
        """Where the story is before it says so: where it goes on first, unless somebody only comes there."""
        if self.flies:
            return AEROPLANE
        told = (a for _, p in sorted(story.paragraphs.items()) for a in p.arrivals)
        here_or_there = [a for a in told if not a.elsewhere]
        here_or_there = [a for a in here_or_there if a.noun not in self.no_places]
        # "Inside lay a map": in whatever was opened.
        here_or_there = [a for a in here_or_there if a.noun not in (RIDDEN, STAIRS, ENTERED)]
        first = next(iter(here_or_there), None)
        if first is not None and first.noun in LIFTS:
            # Nobody is in one from the first on: it is where they are without coming there.
            others = (a for a in here_or_there if a.noun not in LIFTS)
            first = next((a for a in others if not a.comes and a.stays), None)
        here = first is not None and not first.comes and first.stays and first.noun != "home"
        if first is not None and not here and first.stays:
            # "In 1911 a man stepped off the ferry in the port": nothing is told of where he was before.
            number = next(n for n, p in sorted(story.paragraphs.items()) if first in p.arrivals)
            sentence = self.script.sentences[0]
            end = self.script.words[sentence.end - 1].end
            here = story.starts[number] + first.start < end and first.noun != "home"
        opening = self.script.text[: self._until(first, story)]
        ends = opening.find(".")
        leaps = ends > 0 and _LATER.search(opening, ends) is not None
        if first is not None and here and not leaps:
            return self._place(first)
        # Of an opening that is over before it is said where, the little that it tells has to do.
        hinted = hinted_place(opening[: AT_FIRST * 6], 1 if leaps else ENOUGH)
        if hinted:
            self.why_somewhere = "what is there tells of it; the same until it is said where"
        return hinted

    def _until(self, first: Arrival | None, story: Story) -> int:
        """The character up to which nobody has come anywhere."""
        for number, read in sorted(story.paragraphs.items()):
            if first in read.arrivals:
                assert first is not None
                return story.starts[number] + first.start
        return AT_FIRST * 6

    def _begins_at_night(self, story: Story) -> str:
        bare: list[str] = []
        for word in self.script.words[:AT_FIRST]:
            read = story.paragraphs.get(word.paragraph)
            if read is None or self.script.scenes[word.scene].time:
                return ""
            at, low = word.start - story.starts[word.paragraph], word.bare.lower()
            if low in TIMES and (TIMES[low] != "day" or low in DAYTIME) and at not in read.muted:
                return begins_at_night(bare, low)
            bare.append(low)
        return begins_at_night(bare, "")

    def _home(self, story: Story) -> str:
        """Where somebody comes who goes home: where they are first said to live."""
        if any("home" in place.words for place in self.places):
            return ""
        lives = (a for _, p in sorted(story.paragraphs.items()) for a in p.arrivals if a.lives)
        first = next(lives, None)
        return self._place(first) if first is not None and first.noun != "home" else ""

    def headed(self, scene: int, at: Setting) -> Setting:
        """What the scene's heading says."""
        heading = self.script.scenes[scene]
        if heading.time:
            at = replace(at, time=time_called(heading.time), why_time=_BY_HEADING)
        elif self.night and at.why_time == NOTHING_SAID:
            at = replace(at, time="night", why_time=f"“{self.night}”")
        if heading.weather:
            at = replace(at, weather=weather_called(heading.weather), why_weather=_BY_HEADING)
        if year := _YEAR.search(heading.title):
            at = replace(at, year=year.group(), season="", why_season=NOTHING_SAID)
        place, why = scene_place(heading.title, self.places, at.place)
        return replace(at, place=place, why_place=why)

    def told(self, words: Sequence[Word], told: Told | None, at: Setting) -> tuple[Setting, bool]:
        """What a shot's words say, where the heading does not; and whether the place is seen for a moment only."""
        said = [w for w in words if w.bare not in self.surnames and not (told and told.mutes(w))]
        at, glimpse = self._where_and_when(words, said, told, at)
        at = replace(at, house=at.place) if is_indoors(at.place) and not glimpse else at
        return self._by_night(words, said, at), glimpse

    def _where_and_when(
        self, words: Sequence[Word], said: Sequence[Word], told: Told | None, at: Setting
    ) -> tuple[Setting, bool]:
        before = at
        at = self._hour_and_weather(words, [w.bare.lower() for w in said], told, at)
        heading = self.script.scenes[words[0].scene]
        if told is None:
            found = text_place([w.bare.lower() for w in said], self.named)
            if found and (not heading.title or not at.place):
                at = replace(at, place=found[0], why_place=found[1])
            return at, False
        at = _leapt(_sentences(said), told, at)
        at = _other_season(_season_and_year(said, told, at), before)
        arrival = self._arrival(told, at)
        if arrival is None:
            return at, False
        # A place that is seen for a moment is the place where nothing is known of another.
        glimpse = not arrival.stays and (bool(at.place) or arrival.elsewhere)
        known = {
            RIDDEN: at.ridden or self.rides,
            STAIRS: at.house,
            ENTERED: at.ahead or inside_of(at.place),
        }
        place = known.get(arrival.noun) or self._place(arrival)
        ridden = place if arrival.noun in VEHICLES else at.ridden
        why = f"“{arrival.phrase}”"
        ahead = place if glimpse and is_indoors(place) else at.ahead
        return replace(at, place=place, why_place=why, ridden=ridden, ahead=ahead), glimpse

    def _hour_and_weather(
        self, words: Sequence[Word], bare: Sequence[str], told: Told | None, at: Setting
    ) -> Setting:
        heading = self.script.scenes[words[0].scene]
        nights = "nights" in at.why_time or "night shift" in at.why_time
        if told and told.another_day and not heading.time and not nights:
            at = replace(at, time="day", why_time="another day")
        for i, word in enumerate(bare):
            if not heading.time and word == "morning" and in_small_hours(bare[max(0, i - 4) : i]):
                at = replace(at, time="night", why_time="in the small hours")
            elif not heading.time and word in TIMES and (TIMES[word] != "day" or word in DAYTIME):
                at = replace(at, time=time_called(TIMES[word]), why_time=f"“{word}”")
            elif not heading.time and (spoken := hour_in_words(bare, i, at.time)):
                at = replace(at, time=spoken, why_time=f"“{word}”")
            elif not heading.time and word[:1].isdigit():
                hour = hour_of_clock(word, bare[i + 1] if i + 1 < len(bare) else "")
                at = replace(at, time=hour, why_time=f"“{word}”") if hour else at
            if not heading.weather and word in WEATHER_SAID:
                weather = weather_called(RAINS.get(word) or WEATHERS[word])
                if (
                    word == "snow"
                    and at.weather != "snow"
                    and snow_lies(bare[max(0, i - 4) : i + 3])
                ):
                    weather = "lying snow"
                at = replace(at, weather=weather, why_weather=f"“{word}”")
        sun = None if heading.time else hour_of_sun(bare)
        if sun:
            at = replace(at, time=sun, why_time="the sun")
        if not heading.time and (dark := is_dark(bare)):
            at = replace(at, time="night", why_time=f"“{dark}”")
        over = "" if heading.weather else clears(bare)
        if not over:
            return at
        # What fell lies there until it melts.
        white = at.weather in ("snow", "lying snow") and not melts(over)
        return replace(at, weather="lying snow" if white else "clear", why_weather=f"“{over}”")

    def _by_night(self, words: Sequence[Word], said: Sequence[Word], at: Setting) -> Setting:
        """Where nothing says the hour, words that are said of a night: "he pointed into the dark". Indoors it may be
        dark at noon."""
        told = at.why_time not in (NOTHING_SAID, "another day")
        heading = self.script.scenes[words[0].scene]
        if told or heading.time or is_indoors(at.place):
            return at
        found = is_at_night([w.bare.lower() for w in said])
        return replace(at, time="night", why_time=f"“{found}”") if found else at

    def _arrival(self, told: Told, at: Setting) -> Arrival | None:
        """Where the words come to, if they move the scene."""
        arrival = told.arrival()
        if arrival is None or at.why_place == _BY_HEADING:
            return None  # a heading that names a place holds for its scene
        if arrival.noun in self.no_places:
            return None  # the bank of a river
        if arrival.noun == RIDDEN and not (at.ridden or self.rides):
            return None  # in what they drive nobody said
        if arrival.noun == STAIRS and (not at.house or is_indoors(at.place)):
            return None  # stairs of the house where they are, or of any
        if arrival.noun == ENTERED and (
            not (at.ahead or inside_of(at.place)) or is_indoors(at.place)
        ):
            return None  # nothing is known of a house
        if _says_no_more(arrival, at) or self._is_flown_over(arrival, at):
            return None
        if arrival.noun in ("room", "building") and has_rooms(at.place):
            return None  # the ninth room of the museum is the museum
        return None if arrival.phrase in ("woke", "rowed") and at.place else arrival

    def _is_flown_over(self, arrival: Arrival, at: Setting) -> bool:
        """ "Over the sea, over the roofs of the city": whoever flies there does not get off."""
        aboard = self.flies and at.place in ("", AEROPLANE)
        return (
            aboard and arrival.noun not in ON_THE_GROUND and arrival.noun not in self.named_aboard
        )

    def _place(self, arrival: Arrival) -> str:
        if arrival.noun == "home" and self.home:
            return self.home
        place = self.named.get(arrival.noun) or place_called(arrival.phrase, arrival.noun)
        if arrival.town and place == arrival.phrase:
            place = f"{place}, {PLACE_NOUNS['town']}"
        return place


def _says_no_more(arrival: Arrival, at: Setting) -> bool:
    """Whether what stands in a house only says that they are in the one where they are already."""
    if arrival.phrase in ("bed", WITHIN) and (is_indoors(at.place) or at.place == AEROPLANE):
        return True
    if arrival.phrase == "bed" and _HAS_BUNKS.search(at.place):
        return True
    if arrival.phrase == UPSTAIRS and not _OF_A_HOME.search(at.place):
        return True
    if arrival.phrase == AT_THE_OVEN and _HAS_AN_OVEN.search(at.place):
        return True
    # The window of what they ride in.
    return arrival.phrase in (WITHIN, AT_THE_OVEN) and at.place == at.ridden != ""


def _sentences(said: Sequence[Word]) -> list[str]:
    """What is told, a sentence each, without what is of no account here."""
    out: dict[int, list[str]] = {}
    for word in said:
        out.setdefault(word.sentence, []).append(word.text)
    return [" ".join(words) for words in out.values()]


def _leapt(sentences: Sequence[str], told: Told, at: Setting) -> Setting:
    """Where a text leaps by years, nothing is known of the season and the weather there."""
    if told.remembered:
        return at
    for sentence in sentences:
        year = leap(sentence, at.year)
        if year is None:
            continue
        at = replace(at, year=year, season="", why_season=NOTHING_SAID)
        if not any(w in WEATHER_SAID for w in re.findall(r"[a-z]+", sentence.lower())):
            at = replace(at, weather="clear", why_weather="years later")
    return at


def _other_season(at: Setting, before: Setting) -> Setting:
    """In another season the rain of the last is over, and in any but winter its snow."""
    other = at.season and before.season and at.season != before.season
    said_now = (at.weather, at.why_weather) != (before.weather, before.why_weather)
    goes_on = at.weather in ("snow", "lying snow") and at.season == "winter"
    if not other or said_now or at.why_weather == _BY_HEADING or goes_on:
        return at
    return replace(at, weather="clear", why_weather="another season")


def _season_and_year(said: Sequence[Word], told: Told, at: Setting) -> Setting:
    if told.year and told.year != at.year:
        # Of another year nothing is known yet.
        at = replace(at, year=told.year, season="", why_season=NOTHING_SAID)
    for i, word in enumerate(said):
        behind = said[i + 1].bare.lower() if i + 1 < len(said) else ""
        iced = word.bare.lower() == "frozen" and behind in FREEZES
        season = "winter" if iced else SEASONS.get(word.bare.lower())
        if season:
            at = replace(at, season=season_called(season), why_season=f"“{word.bare}”")
    return at
