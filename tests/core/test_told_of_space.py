"""Stories that nobody prepared: a ship in space, a serum carried by dogs, a telephone in a closet. What stands here was
read wrongly at first, and is as a reader would have it."""

import pytest

from tests.labelled import film_of, shot_with

SHIP = """Captain Ines Valdez had been awake for nine minutes when the ship told her that everyone was dead.

“I am so sorry,” said the ship. Its name was Lantern, and it had a kind voice.

Ines climbed out. She was a small woman of sixty with a shaved head. She walked between the dark pods.

Inside the last pod lay a boy of about ten, in a yellow raincoat. Nobody brings a raincoat to space.

“Are we there?” he asked.

“What's your name?” said Ines.

“Teo. My mother hid me,” said the boy.

She broke the seal with a wrench and lifted him out. On the bridge she strapped him into a chair. Through the window a planet hung in the dark.
"""


@pytest.fixture(scope="module")
def ship():
    return film_of(SHIP)


def traits_of(film, name: str) -> str:
    (person,) = [p for p in film.document.cast if p.name == name]
    return ", ".join(t.text for t in person.traits)


def test_a_ship_that_is_told_its_name_is_a_thing_of_that_name(ship) -> None:
    cast = {p.name: p for p in ship.document.cast}
    assert cast["Lantern"].kind == "thing" and "the ship" in cast["Lantern"].aliases
    assert cast["Lantern"].pronoun is None and "the ship" not in cast


def test_who_is_asked_for_a_name_has_it_from_the_first(ship) -> None:
    cast = {p.name: p for p in ship.document.cast}
    assert "the boy" in cast["Teo"].aliases and "the boy" not in cast
    assert "yellow raincoat" in traits_of(ship, "Teo")
    assert "Teo" in [p.name for p in shot_with(ship, "Inside the last pod").people]


def test_an_age_and_a_shaved_head_are_read(ship) -> None:
    told = traits_of(ship, "Captain Ines Valdez")
    assert "old" in told and "bald head" in told and "boy" in traits_of(ship, "Teo")


def test_a_bridge_in_space_crosses_no_river(ship) -> None:
    assert {s.facts.place.split(",")[0] for s in ship.shots} == {"the inside of a spaceship"}
    at_sea = film_of(
        "The ship left the harbour. The captain stood on the bridge and looked at the sea."
    )
    assert not any("space" in s.facts.place for s in at_sea.shots)


SHOW = """Then the Patels moved in next door. Mr. Patel had never grown anything. So he dug up the lawn, and his neighbour Mrs. Haverstock watched.

In the evenings his daughter Leela, who was six, wrote the number on the kitchen wall.

On the morning of the show the whole tent smelled of rain. The judges walked up and down.

“You're planting them too deep,” said a voice over the hedge. It was Mrs. Haverstock.

She carried the cup straight to Mr. Patel. Then she sat down next to Leela.
"""


def test_whoever_has_a_title_or_is_a_daughter_is_no_place() -> None:
    film = film_of(SHOW)
    assert {"Mr. Patel", "Leela", "Mrs. Haverstock"} <= {p.name for p in film.document.cast}
    words = ("dug up", "kitchen wall", "smelled", "next to Leela")
    places = [shot_with(film, w).facts.place for w in words]
    assert places[0] == "a garden" and "kitchen" in places[1]
    assert "tent" in places[2] and "tent" in places[3], "whoever smells it is in it"
    assert "Mrs. Haverstock" in film.script.speakers, "said a voice: it was she"


def test_a_hum_from_the_kitchen_is_heard_in_bed_and_four_in_the_morning_is_night() -> None:
    film = film_of(
        "You wake up at 4:12 in the morning, and somebody stands at the foot of your bed. You listen.\n\n"
        "There is the refrigerator, humming in the kitchen. You lie still, and you do not open your eyes. You wait."
    )
    assert {s.facts.place for s in film.shots} == {"a bedroom"}
    assert {s.facts.time for s in film.shots} == {"night"}


SERUM = """In the winter of 1925, the children of Nome, Alaska, began to die.

Dr. Curtis Welch had a few bottles of serum in the cupboard. The nearest serum was in Anchorage. The only two airplanes in the territory had open cockpits.

Twenty men stood waiting along the mail trail. Leonhard Seppala drove his team across the ice. His lead dog was a husky called Togo.

The last man was Gunnar Kaasen.

He let go of the reins in the snow.

In the morning he stumbled up Front Street. Witnesses said that Kaasen fell down beside the sled and muttered, “Damn fine dog.”
"""


@pytest.fixture(scope="module")
def serum():
    return film_of(SERUM)


def test_states_and_witnesses_are_nobody(serum) -> None:
    names = {p.name for p in serum.document.cast}
    assert names >= {"Dr. Curtis Welch", "Leonhard Seppala", "Gunnar Kaasen", "Togo"}
    assert not names & {"Alaska", "Witnesses", "Nome"}


def test_neither_a_cupboard_nor_where_the_serum_is_is_where_they_are(serum) -> None:
    places = " ".join(s.facts.place for s in serum.shots)
    assert not any(word in places for word in ("cupboard", "Anchorage", "territory"))
    assert "trail" in places and "town street" in shot_with(serum, "stumbled").facts.place


def test_the_last_man_is_he_who_is_named_so_and_what_witnesses_say_is_seen(serum) -> None:
    assert [p.name for p in shot_with(serum, "let go of").people] == ["Gunnar Kaasen"]
    shot = shot_with(serum, "Witnesses said")
    assert "Gunnar Kaasen" in [p.name for p in shot.people] and "falls down" in shot.prompt.text


CLOSET = """My roommate Kevin talked in his sleep. I was lying on the top bunk with a textbook, and I heard him.

In the morning I asked our neighbor across the hall, a woman named Priya. She had heard it too.

The paint cracked. The door swung open. Inside, on a folding chair, sat a telephone.

It was an old one, black, with a dial.

It rang. Kevin picked it up, and I heard a voice.
"""


def test_a_bunk_is_in_a_bedroom_and_what_is_new_is_what_is_seen_and_rings() -> None:
    film = film_of(CLOSET)
    assert "bedroom" in shot_with(film, "top bunk").facts.place
    assert not any("hall" in s.facts.place for s in film.shots)
    assert "a telephone, near" in shot_with(film, "sat a telephone").prompt.text
    assert "telephone" in shot_with(film, "It rang").prompt.text


def test_what_stands_before_a_name_is_said_of_them_and_a_deputy_may_be_a_boy() -> None:
    film = film_of(
        "A woman named Opal Reyes stood before the bank. The gray horse turned the corner, and on it, with a patch over his left eye, "
        "sat Jack Tolliver.\n\nThe deputy, a boy of nineteen called Sam Pickett, came running out of the jail.\n\n"
        "“Sheriff,” said the boy. Opal looked at Tolliver for a long time.\n\n"
        "Far off the owls flew into the trees. Across the road a lamp was burning."
    )
    names = {p.name for p in film.document.cast}
    assert names == {"Opal Reyes", "Jack Tolliver", "Sam Pickett"}
    assert "eye patch" in traits_of(film, "Jack Tolliver")
    assert "Sam Pickett" in film.script.speakers or "Sam Pickett" in [
        p.name for p in shot_with(film, "said the boy").people
    ]
    assert not any(w in s.facts.place for s in film.shots for w in ("forest", "road"))


def test_several_places_have_no_article() -> None:
    film = film_of("The people lived in the valleys. They walked through the valleys every day.")
    assert {s.facts.place for s in film.shots} == {"valleys"}


DIARY = """3 March. The ice took hold of us today. Captain Lindqvist says it is nothing.

19 March. Still held. We have all fallen in love with her, the governess in the novel.

22 June. The captain put on his dress uniform and danced. The mayor would have called the National Guard.

23 June. We have cut a hole. Trooper Angela Wirth sat in the lane with a lamp, and children in the cars looked at her. I watched. “Go,” said the trooper. I went. I am writing this by the stove.
"""


def test_entries_of_a_diary_are_not_cut_into_one_another() -> None:
    film = film_of(DIARY)
    for date in ("3 March", "19 March", "22 June", "23 June"):
        assert shot_with(film, date + ".").text.startswith(date)


def test_his_own_uniform_tells_more_than_a_her_before() -> None:
    cast = {p.name: p for p in film_of(DIARY).document.cast}
    assert cast["Captain Lindqvist"].pronoun == "he"
    assert "the trooper" in cast["Angela Wirth"].aliases
    assert not any("Guard" in name for name in cast)


def test_a_place_with_a_number_is_a_place_and_nobody() -> None:
    film = film_of(
        "The lights were out on Deck Nine. Mara walked along Deck Nine with a torch. In Ward Seven somebody hummed.\n\n"
        "“Who is there?” said Mara."
    )
    assert [p.name for p in film.document.cast] == ["Mara"]
    assert "deck" in shot_with(film, "torch").facts.place
    assert "ward" in shot_with(film, "hummed").facts.place
