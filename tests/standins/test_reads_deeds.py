"""The illustrator keeps its word: deeds in the present, things by their kin, several of them, a thing that fills the frame."""

import random

import pytest

from standins.illustrator import cast
from standins.illustrator.bodies import decide
from standins.illustrator.compose import draw
from standins.illustrator.kin import PERSON, bases, kin_of, known
from standins.illustrator.reading import read_prompt
from standins.illustrator.vocabulary import ANIMALS, POSES, PROPS

WHO = "Ada (woman, red hair, green coat)"


def posed(deed: str) -> str:
    return read_prompt(f"Medium shot. {WHO}. Ada {deed}. a meadow. day").figures[0].pose


@pytest.mark.parametrize(
    ("deed", "pose"),
    [
        ("walks to the harbour", "walk"), ("carries a bucket", "hold"), ("kneels beside a ladder", "kneel"),
        ("points at her boots", "point"), ("climbs the mast", "climb"), ("opens the door", "hold"),
        ("throws a stone", "throw"), ("hides behind a rock", "crouch"), ("sleeps in the hay", "lie"),
        ("rows the boat", "row"), ("hangs up her hat", "raise"), ("waits", "stand"), ("dances", "dance"),
        ("drags a sack", "pull"), ("shoves the cart", "push"), ("ponders", "think"), ("runs", "run"),
    ],
)  # fmt: skip
def test_a_deed_in_the_present_is_a_pose(deed: str, pose: str) -> None:
    assert posed(deed) == pose


def test_what_is_sold_in_a_market_is_not_in_the_picture() -> None:
    read = read_prompt(
        "Wide shot. the tram climbs past the fish market and the horse dealers. a road. day"
    )
    assert read.animals == []
    assert [a.kind for a in read_prompt("Wide shot. a fish in the market. day").animals] == ["fish"]


def test_sixty_verbs_have_poses() -> None:
    """Counted by their base: a form in -s for each."""
    assert len({w for w in POSES if w.endswith("s") and not w.endswith("ss")}) >= 60


@pytest.mark.parametrize(
    ("noun", "drawn"),
    [
        ("skiff", "boat"), ("tankard", "cup"), ("terrier", "dog"), ("tanker", "ship"), ("diary", "book"),
        ("envelope", "letter"), ("goblet", "cup"), ("daisies", "flower"), ("loaves", "bread"),
    ],
)  # fmt: skip
def test_a_noun_without_a_drawing_is_drawn_as_its_nearest_kin(noun: str, drawn: str) -> None:
    word = known(noun, PROPS) or known(noun, ANIMALS) or kin_of(noun)
    assert word is not None
    assert (PROPS.get(word) or ANIMALS.get(word)) == (PROPS.get(drawn) or ANIMALS[drawn])


def test_all_kin_can_be_drawn() -> None:
    from standins.illustrator.kin import _kin

    assert len(_kin()) > 2000
    assert {w for w in _kin().values() if w not in PROPS and w not in ANIMALS} == {PERSON}


def test_forms_of_a_word_are_found_by_their_base() -> None:
    assert "knife" in set(bases("knives")) and "berry" in set(bases("berries"))
    assert known("lanterns", PROPS) == "lantern" and known("glass", {"glas"}) is None


def test_somebody_called_fell_does_not_fall() -> None:
    said = "Medium shot. Josiah Fell (old man, grey hair). Josiah Fell stands in the street. a town street. day"
    assert read_prompt(said).figures[0].pose == "stand"


def test_what_is_carried_is_in_the_hand() -> None:
    said = f"Medium shot. {WHO}. Ada walks down with a lantern in her hand. a street. night"
    figure = read_prompt(said).figures[0]
    assert (figure.pose, figure.holds) == ("walk", "lantern")


def test_several_of_a_thing_are_several() -> None:
    one, many = (
        read_prompt(f"Wide shot. {w}. a town street. day") for w in ("a lamp", "forty lamps")
    )
    assert one.many == set() and many.many == {"lamp"}
    few, lots = (
        sum(len(svg) for svg, _ in draw(f"Wide shot. {w}. a meadow. day, clear", 5, 16 / 9).layers)
        for w in ("a barrel", "three barrels")
    )
    assert lots > few


def test_a_thing_that_is_the_idea_fills_the_frame(monkeypatch: pytest.MonkeyPatch) -> None:
    sizes: list[float] = []

    def draw_prop(pen: object, kind: str, x: float, y: float, size: float, **how: object) -> None:
        if kind == "key":
            sizes.append(size)

    monkeypatch.setattr(cast, "draw_prop", draw_prop)
    for said in ("Wide shot. the key", "Extreme close-up. the key, near"):
        draw(f"{said}. a meadow. day, clear", 5, 16 / 9)
    far, near = sizes
    assert near > 2 * far and near > 400, "of a page that is 1000 high"
    assert read_prompt("Close-up. the key, near. a meadow. day").near
    assert not read_prompt(f"Close-up. {WHO}. Ada, near. a meadow. day").near


def test_what_is_denied_is_not_drawn_by_kin_either() -> None:
    assert read_prompt("Wide shot. no skiff. a meadow. day").props == []


@pytest.mark.parametrize(
    ("said", "props", "animals"),
    [
        ("Boats steer. a plank jetty over salt marsh water. night", ["boat"], []),
        ("Herons fish. a marsh. night", [], ["heron"]),
        ("opposite roads. a city street. day. loose ink line, pale washes, cream paper", [], []),
        ("a spoon of honey. a kitchen. day", ["spoon", "jar"], []),
        ("Tom puts his head under his wing. a meadow. day", [], []),
    ],
)
def test_a_deed_a_place_or_a_look_is_no_thing(
    said: str, props: list[str], animals: list[str]
) -> None:
    read = read_prompt(f"Wide shot. {said}")
    assert (read.props, [a.kind for a in read.animals]) == (props, animals)


@pytest.mark.parametrize(
    ("words", "count"),
    [
        ("sixty detectives search the building", 4),
        ("cleaners walk the long halls", 3),
        ("the doors close", 0),
        ("a heap of stones", 0),
    ],
)
def test_any_people_are_drawn_and_nothing_else_is_taken_for_them(words: str, count: int) -> None:
    read = read_prompt(f"Wide shot. {words}. a museum hall with pictures. day. layered cut paper.")
    assert len(read.figures) == count
    assert "car" not in read.props


def test_a_lift_has_doors_of_its_own() -> None:
    read = read_prompt("Close-up. the doors, near. the inside of a lift. night. layered cut paper.")
    assert "door" not in read.props


def test_what_a_coat_is_made_of_brings_no_bird() -> None:
    read = read_prompt(
        "Wide shot. the witch (witch, black coat of crow feathers). the witch wears a coat of crow feathers. a forest. day."
    )
    assert not read.animals and read.figures[0].garments[0][0] == "coat"


def test_what_nobody_says_of_somebody_with_a_name_is_the_same_in_every_picture() -> None:
    def drawn(seed: int) -> tuple:
        read = read_prompt("Close-up. Peruggia (small man). Peruggia speaks. a room. day.")
        own = decide(read.figures[0], random.Random(seed))
        return own.garments, own.hair, own.hair_style, own.skin, own.build

    assert len({str(drawn(seed)) for seed in range(6)}) == 1


def test_a_team_of_dogs_draws_a_sledge_and_no_car_and_no_people() -> None:
    read = read_prompt(
        "Wide shot. Seppala (man, red coat). Seppala drives his team straight across the ice. pack ice. night. winter."
    )
    assert "sledge" in read.props and [a.kind for a in read.animals] == ["dog"]
    assert len(read.figures) == 1 and not read.figures[0].drives and not read.crowd


def test_a_seal_that_is_broken_is_no_beast_and_a_ship_called_lantern_no_lantern() -> None:
    read = read_prompt(
        "Wide shot. Lantern (ship). Ines (woman, navy coat). Ines breaks the seal, Lantern speaks. the inside of a spaceship. night."
    )
    assert not read.animals and read.place == "space"
    assert not {"lantern", "ship", "rocket"} & set(read.props)


def test_whoever_acts_is_drawn_and_whose_a_thing_is_is_not() -> None:
    head, tail = "Wide shot. ", " a room. night. layered cut paper."
    assert (
        len(read_prompt(f"{head}the carpenter puts his ear against the hull.{tail}").figures) == 1
    )
    assert not read_prompt(f"{head}the carpenter's hammer lies on the table.{tail}").figures


def test_a_well_is_dug_and_nobody_sleeps_in_one() -> None:
    well = read_prompt("Wide shot. the children come to the well. a well. dusk, clear sky.")
    assert "well" in well.props and well.place == "meadow"
    assert "well" not in read_prompt("Anna (woman) sleeps well. a kitchen.").props
    near = read_prompt("Close-up. Anna (woman). a well. night, clear sky.")
    assert (near.place, near.place_words) == (well.place, well.place_words)


def test_a_group_is_drawn_alike_in_every_picture() -> None:
    """The sisters of one picture are those of the next; of people who pass by there are others each time."""

    def looks(prompt: str, seed: int) -> list[tuple]:
        figures = draw(prompt, seed, 16 / 9).figures
        return [(f.skin, f.hair, f.hair_style, f.garments) for f in figures]

    one, other = (
        looks(f"Wide shot. the three sisters {do}. a street.", n)
        for n, do in enumerate(("stand", "walk"))
    )
    assert one == other and len(set(map(str, one))) == 3
    assert looks("Wide shot. men walk. a street.", 1) != looks("Wide shot. men walk. a street.", 2)


def test_who_drives_over_pack_ice_has_dogs_and_no_car() -> None:
    over = read_prompt(
        "Wide shot. Ilse (woman, red hair). Ilse drives over the ice. pack ice. night"
    )
    assert (
        not over.figures[0].drives
        and "sledge" in over.props
        and [a.kind for a in over.animals] == ["dog"]
    )
    by_truck = read_prompt(
        "Wide shot. Ilse (woman, red hair). Ilse drives the truck over the ice. pack ice. night"
    )
    assert by_truck.figures[0].drives and "sledge" not in by_truck.props
