"""Where it happens, in stories that nobody prepared. Expected values are what a reader of the sentences would say."""

import pytest

from cutreel.core.continuity import propose_cast, propose_places
from cutreel.core.manuscript import read
from tests.core.test_when import facts
from tests.labelled import by_sentence, parses_of


def places(text: str) -> list[str]:
    return [f.place.split(",")[0] for f in facts(text)]


@pytest.mark.parametrize(
    ("text", "where"),
    [
        # home is where they live
        (
            "Once there were three sisters who lived in a mill. Ada walked to the sea. Then Ada went home.",
            ["a mill", "the open sea", "a mill"],
        ),
        # coming home into a room of it
        ("When Ada came home, the whole kitchen smelled of bread.", ["a kitchen"]),
        # where others are, while who tells it is not
        (
            "I walked down the road. My mother was in hospital. I whistled. I sat down.",
            ["a country road", "a hospital ward", "a country road", "a country road"],
        ),
        # where somebody lies ill who is not with them
        (
            "Ada stood in the kitchen. Her uncle was ill in the infirmary. Ada slept.",
            ["a kitchen", "an infirmary", "a kitchen"],
        ),
        # left long before
        ("Ada stood in the kitchen. She had not smiled since her uncle left on the coach.", ["a kitchen"] * 2),
        # before it is said where: where it goes on
        ("Nobody remembered Ada. Her shop was small. Ada walked to the tower.", ["a shop", "a shop", "a tower"]),
        # her own room is where she is
        ("Tom took Ada to the inn. Ada’s room was small. Ada slept.", ["an inn", "a room", "a room"]),
        # a place that is full is seen from within; one that does something is seen for a moment
        (
            "Ada stood on the bridge.\n\nIn the morning the bakery was full. Ada bought two rolls.",
            ["a bridge over a river", "a bakery", "a bakery"],
        ),
        # what left is where its passenger is
        (
            "The last tram left the square at midnight, and Ada was the only person in it. Ada slept.",
            ["the inside of a tram"] * 2,
        ),
        # the ninth room of the museum is the museum
        (
            "Ada worked at the Corvane Museum. In the ninth room hung a picture. Ada slept.",
            ["a museum hall with pictures"] * 3,
        ),
        # who drives is in the cab, whatever the day is called
        ("Dad drove a snowplough. Dad hummed.", ["the cab of a truck"] * 2),
        ("Ada sat on the train. Ada slept.", ["a train compartment"] * 2),
        ("Ada waited for the train at the station.", ["a station"]),
        ("The lift stopped between two floors. Ada sat down on the floor.", ["the inside of a lift"] * 2),
        # what is worn is no place
        ("Ada stood in the kitchen. A man in a black jersey climbed in.", ["a kitchen"] * 2),
        # a bar of gold is no inn
        ("Ada stood in the kitchen. A bar of gold lay in a box.", ["a kitchen"] * 2),
        # by what somebody came is left when they are there; the dark is no place; a ship is seen from the shore
        ("Ada stood in the kitchen. A dentist arrived in a yellow van. Ada slept.", ["a kitchen"] * 3),
        ("Ada stood in the kitchen. Ada looked into the dark. Ada slept.", ["a kitchen"] * 3),
        ("Ada ran to the tower. Far out a ship turned round. Ada slept.", ["a tower"] * 3),
        ("Ada rode along the dyke. Ada sang.", ["a dyke"] * 2),
        # a wood by its trees; where in a town; a name with parts; no house, and no place in the south
        ("Ada stood in the shop. Ada and Tom walked into the trees. Ada called.", ["a shop", "a forest", "a forest"]),
        ("Between two trees stood Ada in the garden.", ["a garden"]),
        ("Ada worked at the Harlow Road petrol station.", ["Harlow Road petrol station"]),
        ("Ada and Tom were sitting in a coffee house.", ["a café"]),
        ("Ada stood in the garden. Ada moved the dish to the south.", ["a garden"] * 2),
        # before a house, and not in it; who lives in a village stands where they are told to
        ("Ada waited outside the library. Ada slept.", ["a town street"] * 2),
        ("By noon the whole village was standing on the beach.", ["a beach"]),
        # they lead somewhere that is not told to
        ("The road up to the pass was gone. Ada stopped.", ["a country road"] * 2),
    ],
)  # fmt: skip
def test_where_it_happens(text: str, where: list[str]) -> None:
    assert places(text) == where


def test_places_are_those_that_the_story_comes_to() -> None:
    text = (
        "Ada lived in a mill. She dreamed of the sea, and she talked about the sea. One day she went to the harbour. "
        "At the harbour she found a boat. Then she went home."
    )
    parses, script = parses_of(text), read(text)
    found = propose_places(script, parses, propose_cast(script, parses))
    assert [p.name for p in found] == ["the harbour", "the mill"], "the sea is only spoken of"
    assert all(p.guess and p.why for p in found)
    stood = {f.place for f in facts(text)}
    assert stood <= {p.description for p in found}, "every place where a scene stands is listed"


def test_places_without_walls_have_none_and_halls_have_no_curtains() -> None:
    text = "Ada went into the cellar. Ada went into the museum. Ada went into the kitchen."
    parses, script = parses_of(text), read(text)
    looks = {p.name: p.description for p in propose_places(script, parses)}
    assert looks["the cellar"] == "a cellar"
    assert "walls" in looks["the museum"] and "curtains" not in looks["the museum"]
    assert "walls" in looks["the kitchen"] and "curtains" in looks["the kitchen"]


def test_a_heading_that_names_a_place_holds_for_its_scene() -> None:
    text = "# The jetty\n\nAda looked down one long road. Ada walked to the mill.\n\n# Later\n\nAda went to the harbour."
    parses, script = parses_of(text), read(text)
    assert [p.name for p in propose_places(script, parses)] == ["The jetty", "the harbour"]


def test_whoever_rows_is_on_the_water_where_nothing_else_is_said() -> None:
    shots = by_sentence("Every morning old Benno rowed out. His cat watched him.").shots
    assert {s.facts.place for s in shots} == {"the open sea"}
    said = by_sentence("Ada walked to the lake. She rowed to the island.").shots
    assert said[0].facts.place == "a lake" and said[1].facts.place != "the open sea"


def test_the_town_that_a_story_is_set_in_is_no_bridge_though_it_is_called_so() -> None:
    assert (
        places("Ada built a clock for the town of Harrow Bridge. Ada was proud.")
        == ["a town street"] * 2
    )


def test_who_runs_up_the_steps_of_a_tower_is_in_it() -> None:
    text = "Ada lived in a village. Ada ran up the steps of the tower with a lantern. Ada slept."
    assert places(text) == ["a village street", "a tower", "a tower"]


def test_an_animals_home_is_no_house_and_whoever_swims_arrives() -> None:
    text = "The otter swam down the stream to the mill. The otter went home."
    assert places(text) == ["a mill", "a mill"]


def test_what_is_in_the_air_over_a_place_takes_nobody_there() -> None:
    text = (
        "Ada stood on the hill. She let the kite go. It rose over the steeple. Ada laughed.\n\n"
        "Then she ran over the bridge."
    )
    found = [f.place for f in facts(text)]
    assert not any("steeple" in p for p in found) and "bridge" in found[-1]


def test_whoever_drives_is_in_what_they_drive_until_they_are_elsewhere() -> None:
    text = (
        "I drove the night bus for eleven years. At the old cinema a girl was waiting. We drove past the supermarket and "
        "the hospital. The girl smiled. At the end of the line there is nothing but a field."
    )
    bus = "the inside of a bus"
    assert places(text) == [bus, "an old cinema", bus, bus, "a field"]
    assert "the ridden" not in [p.name for p in propose_places(read(text), parses_of(text))]
    # In what they drive nobody said; and whoever drives to a place comes there.
    assert places("Ada stood in the kitchen. Tom drove fast. Ada slept.") == ["a kitchen"] * 3
    assert places("Ada drove the bus. She drove to the harbour.")[1] == "a harbour with boats"
