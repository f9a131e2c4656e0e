"""Places: their light by the hour and their weather change exactly the prompts of the shots that are there."""

from cutreel.core.continuity import Place
from cutreel.core.film import FilmDocument, Offered, Settings, apply_command, new_film, read_film
from cutreel.core.film.commands import SetPlace, SetScene
from tests.conftest import STORY


def prompts(film: FilmDocument) -> list[str]:
    return [s.prompt.text for s in read_film(film, Offered(900)).shots]


def changed(before: list[str], after: list[str]) -> set[int]:
    return {i for i, (a, b) in enumerate(zip(before, after, strict=True)) if a != b}


def jetty(film: FilmDocument) -> Place:
    return next(p for p in film.places if "jetty" in p.description).model_copy(deep=True)


def test_light_at_an_hour_is_said_in_that_places_shots_of_that_hour_alone() -> None:
    film, used = new_film("t", STORY, Settings())
    place, shots = jetty(film), read_film(film, Offered(900)).shots
    place.light = {"dusk": "long red light"}
    lit, used, _ = apply_command(film, SetPlace(place=place), used)
    there = {
        i
        for i, s in enumerate(shots)
        if s.facts.place == place.description and s.facts.time == "dusk"
    }
    assert there and changed(prompts(film), prompts(lit)) == there
    assert all("long red light" in prompts(lit)[i] for i in there)


def test_a_description_and_a_scenes_weather_and_hour_change_what_is_there() -> None:
    film, used = new_film("t", STORY, Settings())
    place, shots = jetty(film), read_film(film, Offered(900)).shots
    there = {i for i, s in enumerate(shots) if s.facts.place == place.description}
    place.description = "a stone quay"
    moved, used, _ = apply_command(film, SetPlace(place=place), used)
    assert changed(prompts(film), prompts(moved)) == there
    scene = read_film(film, Offered(900)).script.scenes[1]
    word = film.word_ids[scene.first]
    of_scene = {i for i, s in enumerate(shots) if s.scene == 1}
    for values, said in (({"weather": "snow"}, "snow"), ({"time": "night"}, "night")):
        other, used, _ = apply_command(film, SetScene(word=word, values=values), used)
        differ = changed(prompts(film), prompts(other))
        assert differ and differ <= of_scene and all(said in prompts(other)[i] for i in differ)


def test_a_places_weather_holds_while_the_text_says_nothing() -> None:
    film, used = new_film(
        "t",
        "Ada walked the shore. Ada sang. Rain fell on the shore. Ada ran.\n",
        Settings(pace=1.5),
    )
    shore = film.places[0].model_copy(update={"weather": "fog"})
    foggy, used, _ = apply_command(film, SetPlace(place=shore), used)
    weather = [s.facts.weather for s in read_film(foggy, Offered(900)).shots]
    assert weather[0] == "fog" and "rain" in weather
