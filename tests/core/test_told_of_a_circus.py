"""What ten stories showed that nothing had been mended for: who, what, where; with nothing set by hand. Source: labels
by hand."""

import pytest

from cutreel.core.film import Settings, new_film
from tests.labelled import all_stories, by_sentence, film_of, parses_of, shot_with


def cast_of(text: str):
    document, _ = new_film("t", text, Settings(), parses=parses_of(text))
    return {p.name: p for p in document.cast}


def who_of(text: str) -> list[set[str]]:
    film = by_sentence(text)
    names = {p.id: p.name for p in film.document.cast}
    return [{names[p] for p in s.facts.there} for s in film.shots]


def test_who_is_told_to_be_a_tortoise_is_one() -> None:
    cast = cast_of("Old Marl was a tortoise. Marl walked to the pond. She slept. Marl woke.")
    assert cast["Marl"].kind == "animal" and "the tortoise" in cast["Marl"].aliases
    brave = cast_of("Marl was a lion in battle. Marl walked home. She slept. Marl woke.")
    assert brave["Marl"].kind == "person"


def test_who_says_i_am_winter_is_winter() -> None:
    coat = next(s for s in all_stories() if s.name == "coat")
    cast = cast_of(coat.text)
    assert set(cast) == {"Anselm", "Winter"} and "the stranger" in cast["Winter"].aliases


def test_a_hospital_and_a_street_are_nobody() -> None:
    cast = cast_of(
        "Ada came to the General Hospital. The General Hospital was old. Ada lived in Queen Street. Ada slept."
    )
    assert set(cast) == {"Ada"}


def test_what_is_somebodys_says_nothing() -> None:
    cast = cast_of(
        "Robin laughed. Robin's bed was empty. “Come down,” he called. Robin waved. Robin sang."
    )
    assert set(cast) == {"Robin"}


def test_a_clerk_of_somebodys_who_acts_is_there() -> None:
    text = "Scrooge kept an eye on his clerk. The clerk warmed his hands. Scrooge frowned. Scrooge sat."
    assert "the clerk" in cast_of(text)


def test_her_father_of_whom_a_sentence_tells_is_there() -> None:
    text = "Odile opened the drawer. Her father had drawn maps, and he had never left. Odile sat down. Odile read."
    assert "the father" in cast_of(text)
    hummed = (
        "Bo played the song his grandmother used to hum. Ada smiled. She sang. Ada sat. Bo sat."
    )
    assert "the grandmother" not in cast_of(hummed)


def test_the_girl_is_the_one_who_is_not_told_to_be_grown() -> None:
    text = (
        "Inspector Vera Lind arrived. A small acrobat named Tilly was on the wire. Vera climbed up. “Go away,” said the "
        "girl. Vera sat down. Tilly laughed."
    )
    assert set(cast_of(text)) == {"Inspector Vera Lind", "Tilly"}
    both = "Ada laughed. Tilly laughed. “Go away,” said the girl. Ada sat down. Tilly slept."
    assert "the girl" in cast_of(both)


def test_two_of_whom_a_paragraph_tells_take_turns() -> None:
    text = (
        "Every August Ada ate Bento’s figs, and every August he shouted.\n\n“Thief!”\n\n“The wind brought them.”\n\n"
        "“There was no wind!”\n\nAda laughed. Bento went in. Pia slept. Pia woke."
    )
    film = by_sentence(text)
    spoken = [line.speaker for line in film.script.lines if line.speaker]
    assert spoken == ["Bento", "Ada", "Bento"]


def test_a_husband_who_is_dead_is_not_found_in_bed() -> None:
    text = "Bento slept. Bento dreamt. Ada put on her late husband’s boots. She found him in bed. Ada lit the stove. Bento woke."
    assert who_of(text)[3] == {"Ada", "Bento"}


def test_every_doctor_washes_his_own_hands() -> None:
    text = (
        "A doctor named Otto Klee put a bowl at the door. Every doctor had to wash his hands in it. Klee waited. "
        "The doctor smiled."
    )
    assert who_of(text)[1] == set()


def test_what_is_handled_is_it() -> None:
    text = (
        "The magpie spoke. Marl was a tortoise. Then she took off the shell and crept out of it. Without it she was small. "
        "The magpie laughed. Marl slept."
    )
    assert who_of(text)[2:4] == [{"Marl"}, {"Marl"}]


def test_them_on_whom_a_hand_is_laid_are_lines() -> None:
    text = (
        "Ada and Bo rowed ashore. They found a hut. There were forty lines on the door. Ada laid her hand upon them. "
        "Bo waited."
    )
    assert who_of(text)[3] == {"Ada"}


def test_who_is_not_pleased_is_seen_and_who_does_not_come_is_not() -> None:
    text = "Bento sang. Bento was not pleased. Bento did not come out of his house. Bento was not there. Bento slept."
    assert who_of(text)[1:4] == [{"Bento"}, set(), set()]


def places_of(text: str) -> list[str]:
    return [s.facts.place for s in by_sentence(text).shots]


def test_an_opening_is_not_where_somebody_is_weeks_later() -> None:
    text = "Odile opened the drawer. She read the letter. Three weeks later she stood on the deck of a ship. Odile waved."
    places = places_of(text)
    assert "room" in places[0] and places[2] == "a ship's deck"


def test_rain_that_pours_in_streams_makes_no_stream() -> None:
    assert "stream" not in str(
        places_of("Ada sat in the garden. The rain poured down in streams. Ada ran.")
    )


def test_who_passes_under_a_bridge_is_on_the_water_still() -> None:
    places = places_of("Ada stood on the deck of a ship. She passed under a bridge. Ada waved.")
    assert places[2] == "a ship's deck"


def test_upstairs_people_sleep_and_whoever_knocks_is_there() -> None:
    up = places_of("Ada sat in the kitchen. Ada ran upstairs. The bed was empty. Ada wept.")
    assert up[1].startswith("a bedroom")
    knocks = places_of(
        "There was a tailor named Anselm. One night a man knocked at his shop. Anselm rose."
    )
    assert knocks[1].startswith("a shop")


def test_in_a_cabin_one_lies_on_its_bunk() -> None:
    places = places_of(
        "Ada sat in the cabin. In the cabin the lamp had burned low. She lay down on the bunk."
    )
    assert "cabin" in places[2]


@pytest.mark.parametrize(
    ("text", "seen"),
    [
        ("Ada met Bo in front of the big tent. Bo laughed. Ada sang.", "in front of the big tent"),
        (
            "Ada read the report by candlelight. Bo slept. Ada sang. Bo sang.",
            "reads the report by candlelight",
        ),
        (
            "Ada measured Bo from the top of a ladder. Bo laughed. Ada sang.",
            "from the top of a ladder",
        ),
    ],
)
def test_where_and_by_what_light_it_is_done_is_said(text: str, seen: str) -> None:
    assert seen in by_sentence(text).shots[0].prompt.text


def test_what_smells_of_smoke_is_no_smoke() -> None:
    text = "Ada sat down. The hot tea smelled of smoke. Ada drank it. Ada slept."
    assert "smoke" not in shot_with(film_of(text, pace=3), "drank it").prompt.text


def test_a_new_place_shows_what_is_in_it() -> None:
    text = "Ada slept on the beach. In the cabin the lamp had burned low. Ada woke. Ada sang."
    shot = by_sentence(text).shots[1]
    assert shot.facts.idea == "place" and "the lamp" in shot.prompt.text


def test_what_is_remembered_by_doing_is_seen() -> None:
    text = (
        "Ada woke. Her father was old, and he slept. She remembered sitting on his knee while he inked a map. Ada rose. "
        "Ada sang."
    )
    assert "ponders" not in by_sentence(text).shots[2].prompt.text
