"""When it is: hour, season, year, another day, and scenes that are remembered.

Expected values are what a reader of the sentences would say; the months' seasons are those of the north (meteorological
reckoning: spring from March, summer from June, autumn from September, winter from December)."""

import pytest

from cutreel.core.continuity import ShotFacts
from cutreel.core.continuity.years import leap
from cutreel.core.film import Offered, Settings, new_film, read_film
from tests.labelled import by_sentence, parses_of


def facts(text: str) -> list[ShotFacts]:
    return [s.facts for s in by_sentence(text).shots]


@pytest.mark.parametrize(
    ("text", "season"),
    [
        ("One autumn Ada came to the mill.", "autumn"),
        ("All winter they lived on the island.", "winter"),
        ("On the third of February Ada sold the boat.", "winter"),
        ("In October Ada went to the harbour.", "autumn"),
        ("Ada learned it the summer she turned ten.", "summer"),
        ("Winter came to the valley.", "winter"),
        ("It was spring, and Ada walked to the river.", "spring"),
        # of another time, of nothing that is there, or no season at all
        ("Ada waited until spring.", ""),
        ("It was as cold as winter in the hall.", ""),
        ("May opened the door of the shop.", ""),
        ("They marched to the river.", ""),
        ("Ada put on her winter coat.", ""),
        ("The spring in the clock broke.", ""),
    ],
)
def test_the_season_that_words_say(text: str, season: str) -> None:
    assert facts(text)[0].season == season


def test_a_season_lasts_until_another_and_is_said_in_prompts() -> None:
    film = by_sentence("In October Ada rowed to the island. She slept. In December she rowed home.")
    assert [s.facts.season for s in film.shots] == ["autumn", "autumn", "winter"]
    assert ", autumn" in film.shots[1].prompt.text and ", winter" in film.shots[2].prompt.text
    assert film.shots[0].facts.why["season"] == "“October”"


def test_a_year_is_known_and_makes_the_season_open_again() -> None:
    found = facts(
        "In the winter of 1962 Ada counted the lamps. She wrote it down. In 1974 a parcel came. "
        "Nobody had written since 1950."
    )
    assert [f.year for f in found] == ["1962", "1962", "1974", "1974"]
    assert [f.season for f in found] == ["winter", "winter", "", ""]


def test_a_heading_says_the_year() -> None:
    found = facts("## Berlin, 1943\n\nGreta took the tram.\n\n## The bridge\n\nGreta met Josef.")
    assert [f.year for f in found] == ["1943", "1943"]


@pytest.mark.parametrize(
    ("text", "time"),
    [
        ("Ada stood on the platform a little before midnight.", "night"),
        ("Long before dawn Ada walked to the harbour.", "dawn"),
        ("Ada had to be there before midnight.", "day"),
        ("They rode all night. When they came home the next day, the kitchen was warm.", "day"),
        # by the clock: hours of the day as they are half a year from the shortest one
        ("By 7:30 p.m. the water stood at the door.", "dusk"),
        ("Ada came home at 11:45 pm.", "night"),
        ("Ada got up at 5.30 a.m. and walked to the harbour.", "dawn"),
        ("At 23:10 Ada closed the door.", "night"),
        ("Ada had paid 7.30 for cream.", "day"),
        ("Ada slept. At 7:30 nobody knew.", "day"),
        # by the sun, and by what lasts from an hour on
        ("Ada read all night. When the sun came up she was still reading.", "dawn"),
        ("Ada waited until the sun went down.", "dusk"),
        # by the dark, where nothing else says the hour; a cellar is dark at noon
        ("It was dark when Ada reached the harbour.", "night"),
        ("Ada stood on the road and pointed into the dark.", "night"),
        ("At noon Ada pointed into the dark.", "day"),
        ("Ada sat in the cellar in the dark.", "day"),
        (
            "I work nights at the harbour. It was a Tuesday in November. I sat down and I read.",
            "night",
        ),
        ("At midnight Ada stopped. She had been driving since noon.", "night"),
    ],
)
def test_the_hour_that_words_say(text: str, time: str) -> None:
    assert facts(text)[-1].time == time


REMEMBERED = (
    "Ferrin stood in the cellar at night. Twenty years earlier, before the war, Ferrin had taught the boy to swim "
    "in the river. He had held him under the arms. Ferrin closed the door."
)


def test_a_remembered_scene_is_seen_where_it_was_and_is_over_when_it_is_over() -> None:
    now, begins, goes_on, again = facts(REMEMBERED)
    assert [f.remembered for f in (now, begins, goes_on, again)] == [False, True, True, False]
    assert begins.place == goes_on.place == "a river"
    assert (again.place, again.time) == (now.place, now.time)
    assert now.place.startswith("a cellar") and now.time == "night"
    said = by_sentence(REMEMBERED).shots
    assert "a memory" in said[1].prompt.text and "a memory" not in said[3].prompt.text


@pytest.mark.parametrize(
    "text",
    [
        "Ada had shut the door a moment before.",
        "Long ago there lived a king in a castle.",
        "Ada had never seen the sea.",
        "Ada remembers nothing of it.",
    ],
)
def test_what_was_a_moment_ago_or_never_is_no_remembered_scene(text: str) -> None:
    assert not facts(text)[0].remembered


def test_what_the_maker_says_of_season_and_memory_holds() -> None:
    parses = parses_of(REMEMBERED)
    document, _ = new_film("x", REMEMBERED, Settings(), parses=parses)
    own = document.shots[0].own.model_copy(update={"season": "summer", "remembered": True})
    shots = [document.shots[0].model_copy(update={"own": own}), *document.shots[1:]]
    film = read_film(document.model_copy(update={"shots": shots}), Offered(900), parses=parses)
    first = film.shots[0]
    assert (first.facts.season, first.facts.remembered) == ("summer", True)
    assert first.facts.why["season"] == "set by hand" and "summer" in first.prompt.text


@pytest.mark.parametrize(
    ("text", "weathers"),
    [
        ("Snow fell on the road. In the morning the sky was clear.", ["snow", "lying snow"]),
        ("She walked through the deep snow. In May the snow melted.", ["lying snow", "clear"]),
        ("It snows all night. They walk into the snow.", ["snow", "snow"]),
        ("It rained all day. At last the rain had stopped.", ["rain", "clear"]),
        ("Fog lay on the lake. Then the sun came out.", ["fog", "clear"]),
        ("It rained all day. The rain did not stop.", ["rain", "rain"]),
        ("A storm came over the hill. The storm has passed.", ["rain", "clear"]),
    ],
)
def test_weather_lasts_until_it_is_said_to_be_over(text, weathers) -> None:
    film, _ = new_film("t", text, Settings(pace=1))
    shots = read_film(film, Offered(600)).shots
    assert [s.facts.weather for s in shots][:: len(shots) - 1 or 1] == weathers


def test_an_hour_that_was_never_seen_is_not_the_hour_it_is() -> None:
    text = (
        "At two in the morning Ada lit the oven. She had not seen a sunrise from her bed in years. "
        "Ada watched the dough.\n"
    )
    assert {f.time for f in facts(text)} == {"night"}


def test_years_later_it_is_another_year_and_nothing_is_known_of_its_weather() -> None:
    text = (
        "In 1786 an officer stood in the rain. It was spring. The bottle drifted away.\n\n"
        "A hundred and fifty-three years later Nora Keane found it on the beach. She laughed.\n\n"
        "Today it lies in a museum. Nobody opens it."
    )
    found = facts(text)
    assert [f.year for f in found] == ["1786"] * 3 + ["1939"] * 2 + [""] * 2
    assert [f.season for f in found] == ["", "spring", "spring", "", "", "", ""]
    assert [f.weather for f in found] == ["rain"] * 3 + ["clear"] * 4


@pytest.mark.parametrize(
    ("text", "before", "then"),
    [
        ("Nine years later it was found.", "1900", "1909"),
        ("A year later he came back.", "1900", "1901"),
        ("Some years later he came back.", "1900", ""),
        ("Nine years later it was found.", "", ""),
        ("Nowadays there are four thousand.", "1900", ""),
        ("Today I went to school.", "", None),
        ("He was nine years old.", "1900", None),
    ],
)
def test_leaps_in_time(text, before, then) -> None:
    assert leap(text, before) == then
