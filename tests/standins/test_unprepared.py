"""What a newcomer's story needs of the illustrator: groups, animals beside one another, places that stay the same.

Source: contact sheets of stories that nobody prepared, looked at as a viewer would; each of these was wrong there."""

import io

import numpy as np
import pytest
from PIL import Image

from cutreel.core.colour import colour_in
from standins.illustrator import cast
from standins.illustrator.bodies import body_of
from standins.illustrator.compose import draw
from standins.illustrator.raster import paint
from standins.illustrator.reading import Figure, read_prompt


def boxes(prompt: str, seed: int = 5) -> dict[str, list[float]]:
    return {str(r["name"]): list(r["box"]) for r in draw(prompt, seed, 16 / 9).regions}  # type: ignore[call-overload]


def test_the_illustrator_leaves_room_to_look_into() -> None:
    for side, left in (("right", True), ("left", False)):
        for framing in ("close-up", "medium shot", "wide shot"):
            prompt = f"{framing}, Ada (woman, red hair, navy coat) speaks, a kitchen, day, looking {side}"
            for seed in range(4):
                (region,) = draw(prompt, seed, 16 / 9).regions
                box, way = region["box"], region["way"]
                assert ((box[0] + box[2]) / 2 < 0.5) == left and way == (1 if left else -1)


def test_two_animals_of_one_kind_are_two_and_stand_apart() -> None:
    for seed in range(4):
        found = boxes(
            "Medium shot. the mole (mole, black fur). the water rat (rat, brown fur). they stand. a river. day",
            seed,
        )
        mole, rat = found["mole"], found["water rat"]
        assert mole[2] <= rat[0] or rat[2] <= mole[0]
    fox, crow = (
        boxes("Wide shot. the fox (fox). the crow (crow). the fox looks up. a forest. day")[n]
        for n in ("fox", "crow")
    )
    assert fox[3] - fox[1] > crow[3] - crow[1], "at their sizes"


@pytest.mark.parametrize("kind", ["mouse", "fox", "horse", "sparrow", "whale", "dragon"])
def test_an_animal_near_fills_the_frame(kind: str) -> None:
    left, top, right, low = boxes(f"Close-up. the {kind} ({kind}). a forest. day")[kind]
    assert (right - left) * (low - top) > 0.3


@pytest.mark.parametrize(
    ("said", "props"),
    [
        ("the mole (mole). the mole steps down and rolls in the grass", []),
        ("Ada (woman, red hair). Ada walks and saws in the shed", []),
        ("a staircase, steps and a roll", ["stairs", "bread"]),
    ],
)
def test_a_deed_brings_no_thing(said: str, props: list[str]) -> None:
    assert (
        set(props)
        <= set(read_prompt(f"{said}. a meadow. day").props)
        <= {*props, "saw"} - ({"saw"} if "saws" in said else set())
    )


def test_groups_are_several_people_behind_those_who_are_named() -> None:
    alone = read_prompt("Wide shot. the children play in a man's garden. a garden. day")
    assert len(alone.figures) == 3 and {f.age for f in alone.figures} == {"child"}
    two = read_prompt("Wide shot. two men carry the machine away. a street. day")
    assert [f.pronoun for f in two.figures] == ["he", "he"]
    led = read_prompt(
        "Wide shot. Ernest (man, black hair). Ernest plays with his men. an ice floe. day"
    )
    assert len(led.figures) == 1 and len(led.crowd) == 3 and led.place == "ice"
    found = draw(
        "Wide shot. Ernest (man, black hair). Ernest plays with his men. an ice floe. day",
        3,
        16 / 9,
    ).regions
    assert [r["name"] for r in found].count("crowd") == 3
    assert not read_prompt("Wide shot. no children, not a soul. a street. day").figures


def test_a_giant_is_tall_and_a_queen_is_crowned() -> None:
    giant, man = (
        read_prompt(f"Wide shot. Bo ({who}, black hair). a hall").figures[0]
        for who in ("giant", "man")
    )
    assert body_of(giant, 500).total > 1.4 * body_of(man, 500).total
    assert body_of(Figure(size=0.62), 500).total < 350
    assert read_prompt("Wide shot. Bo (queen, black hair). a hall").figures[0].hat == (
        "crown",
        None,
    )


def test_the_same_words_make_the_same_place_whatever_the_seed() -> None:
    def walls(prompt: str, seed: int) -> np.ndarray:
        picture = draw(f"Cut paper. {prompt}", seed, 16 / 9)
        return np.array(
            [hash(part) for part in picture.layers[0][0].split("<") if "fill" in part][:40]
        )

    kitchen = "Wide shot. a kitchen, ochre walls, navy curtains. day"
    assert (walls(kitchen, 1) == walls(kitchen, 99)).mean() > 0.6
    assert (walls(kitchen, 1) == walls(kitchen.replace("ochre", "plum"), 1)).mean() < 0.6
    unknown = {
        draw(f"Wide shot. a catacomb. day, {seed}", seed, 16 / 9).horizon for seed in range(3)
    }
    assert len(unknown) == 1


def test_a_thing_that_speaks_has_a_face() -> None:
    def whites(prompt: str) -> int:
        pixels = np.asarray(_rgb(paint(prompt, 7, 480, 270).flat)).astype(int)
        return int(((pixels > 225).all(axis=2)).sum())

    still, speaks = (
        whites(
            f"Close shot. the kettle {does}. a kitchen, brick red walls, navy curtains. day, near"
        )
        for does in ("stands, near", "speaks, near")
    )
    assert speaks > still + 60
    assert read_prompt("the kettle (kettle). the kettle speaks. a kitchen").speaking == {"kettle"}


def _rgb(png: bytes) -> object:
    import io

    from PIL import Image

    return Image.open(io.BytesIO(png)).convert("RGB")


def test_a_season_is_seen_out_of_doors_and_not_within() -> None:
    def ground(prompt: str) -> np.ndarray:
        picture = np.asarray(
            Image.open(io.BytesIO(paint(prompt, 5, 480, 270).flat)).convert("RGB"), float
        )
        return picture[190:265].mean(axis=(0, 1))

    by_season = {
        s: ground(f"Cut paper. Wide shot. a meadow. day, clear sky, {s}")
        for s in ("winter", "autumn", "spring")
    }
    winter, autumn, spring = by_season["winter"], by_season["autumn"], by_season["spring"]
    assert winter.min() > spring.min() + 25, "snow is light"
    assert autumn[0] - autumn[1] > spring[0] - spring[1] + 15, "leaves are red where grass is green"
    inside = [ground(f"Cut paper. Wide shot. a kitchen. day, clear sky, {s}") for s in by_season]
    assert all(np.abs(i - inside[0]).max() < 1 for i in inside)
    assert read_prompt("Wide shot. Ada (woman, winter coat). a meadow. day").season == ""


def test_a_remembered_scene_is_faded_at_its_edges_only() -> None:
    def picture(more: str) -> np.ndarray:
        prompt = f"Cut paper. Wide shot. Ada (woman, red coat). a forest. night, clear sky{more}"
        return np.asarray(
            Image.open(io.BytesIO(paint(prompt, 5, 480, 270).flat)).convert("L"), float
        )

    plain, faded = picture(""), picture(". a memory of earlier years")
    assert (faded - plain)[:12, :12].mean() > 60
    assert np.abs(faded - plain)[90:180, 160:320].mean() < 4, "colours of who is in it stay"


def test_who_drives_sits_in_what_they_drive() -> None:
    driver = "Dad (man, fair hair, teal coat)."
    prompt = f"Wide shot. {driver} Dad drives a snowplough. a country road. day"
    reading = read_prompt(prompt)
    assert reading.figures[0].drives and reading.vehicle == "plough"
    walks = boxes(prompt.replace("drives a snowplough", "walks"))["dad"]
    sits = boxes(prompt)["dad"]
    assert sits[3] - sits[1] < 0.8 * (walks[3] - walks[1]), "his legs are hidden"


@pytest.mark.parametrize(
    ("said", "kind"),
    [
        ("a hospital ward, cream walls", "ward"),
        ("the inside of a lift", "lift"),
        ("a train compartment", "carriage"),
        ("the cab of a truck", "cab"),
        ("a museum hall with pictures", "gallery"),
        ("a prison cell", "cell"),
        ("a mill", "mill"),
        # the sentence that only says where it is, not what is done
        ("a cellar. Ada sings of the house", "cave"),
    ],
)
def test_a_place_is_drawn_as_what_it_is(said: str, kind: str) -> None:
    assert read_prompt(f"Wide shot. Ada (woman). {said}. day").place == kind


def test_several_animals_of_one_kind_are_several() -> None:
    assert len(read_prompt("Wide shot. nine dogs. a kitchen. day").animals) == 3
    assert len(read_prompt("Wide shot. two swans. a lake. day").animals) > 1
    assert len(read_prompt("Wide shot. a dog. a kitchen. day").animals) == 1


def test_the_police_are_people_and_a_surname_is_no_thing() -> None:
    reading = read_prompt(
        "Wide shot. Ada Quill (woman, red coat). the police lead Ada Quill down. Ada Quill works. a street. day"
    )
    assert reading.crowd and not reading.props


def test_a_beard_has_its_own_colour() -> None:
    (figure,) = read_prompt("Medium shot. Tom (man, brown hair, grey beard). a street. day").figures
    assert figure.whiskers and figure.hair and figure.whiskers != figure.hair


@pytest.mark.parametrize(
    ("prompt", "place", "props"),
    [
        ("Wide shot. Ada (woman, red coat). Ada waits on Cable Street. a town street. night", "street", []),
        ("Wide shot. Ada (woman, red coat). Ada comes down on two thin legs. a stream. day", "river", []),
        ("Wide shot. Ada (woman, red coat). Ada sits down. an airport. day", "hall", []),
        ("Wide shot. Ada (woman, red coat). Ada stands. a bridge over a river. day", "bridge", []),
        ("Wide shot. Ada (woman, red coat). Ada sleeps. a tower. night", "tower", []),
        ("Wide shot. Ada (woman, red coat). Ada builds a tower clock. a town street. day", "street", ["clocktower"]),
        ("Wide shot. a tower stands on the hill. a meadow. day", "meadow", ["turret"]),
        ("Wide shot. the lighthouse is dark. a shore. night", "shore", ["tower"]),
        ("Medium shot. Ada (woman, green coat). Ada wears a green coat with brass buttons and a lace collar. a meadow. day", "meadow", []),
    ],
)  # fmt: skip
def test_bridges_towers_and_what_garments_are_made_of(prompt, place, props) -> None:
    reading = read_prompt(prompt)
    assert (reading.place or "lighthouse") in (place, "lighthouse")
    assert reading.props == props


def test_what_somebody_has_with_them_is_in_their_hand() -> None:
    for deed in ("runs up the steps of the tower with a lantern", "waves the lantern"):
        reading = read_prompt(f"Medium shot. Wim (boy, yellow jumper). Wim {deed}. a tower. dusk")
        assert reading.figures[0].holds == "lantern" and "lantern" not in reading.props
    other = read_prompt(
        "Medium shot. Wim (boy, red jumper). Wim runs. a lantern stands there. a tower. dusk"
    )
    assert other.figures[0].holds is None and "lantern" in other.props


def test_a_bridge_is_seen_as_one_and_a_tower_is_of_stone() -> None:
    """Whoever stands on a bridge has its parapet behind them, and water is seen beyond and below."""
    pictures = {}
    for place in ("a river", "a bridge over a river", "a tower"):
        pic = paint(f"Wide shot. {place}. day, clear", 5, 480, 270)
        pictures[place] = np.asarray(Image.open(io.BytesIO(pic.flat)).convert("RGB"), float)
    apart = np.abs(pictures["a bridge over a river"] - pictures["a river"]).mean()
    assert apart > 12 and np.abs(pictures["a tower"] - pictures["a river"]).mean() > 12
    row = pictures["a bridge over a river"][int(270 * 0.72)]
    assert row.std(axis=0).max() < 30, "the way runs from one side to the other"


def test_a_straw_hat_is_of_straw_unless_a_colour_is_said() -> None:
    hat = (
        read_prompt(
            "Medium shot. Posy (girl, navy cardigan and straw hat). Posy sits. a meadow. day"
        )
        .figures[0]
        .hat
    )
    assert hat is not None and hat[1] is not None and hat[1][0] > 180 > hat[1][2]
    red = (
        read_prompt("Medium shot. Posy (girl, red straw hat). Posy sits. a meadow. day")
        .figures[0]
        .hat
    )
    assert red is not None and red[1] is not None and red[1][1] < 100


def test_a_girl_called_wren_brings_no_bird_and_what_falls_silent_does_not_fall() -> None:
    text = "Medium shot. Wren Hale (girl, red hair, navy coat). Wren Hale speaks. a kitchen. day"
    assert set(boxes(text)) == {"wren hale"} and not read_prompt(text).animals
    bird = read_prompt("Medium shot. Ada (girl, red hair). Ada looks at a wren. a kitchen. day")
    assert [a.kind for a in bird.animals]
    silent = "Medium shot. Ada (girl, red hair). the bell falls silent, Ada runs. a street. day"
    assert read_prompt(silent).figures[0].pose == "run"


def test_red_hair_is_copper_and_a_red_coat_is_red() -> None:
    """As the core takes the words of a trait, so that no picture of red hair counts as drifted."""
    (ada,) = read_prompt(
        "Close-up. Ada (woman, cropped red hair, red coat). a kitchen. day"
    ).figures
    assert ada.hair == colour_in("cropped red hair")
    assert ada.garments[0][1] == colour_in("red coat") != ada.hair


def test_all_of_a_group_do_what_it_does_and_as_many_are_drawn_as_are_said() -> None:
    asleep = read_prompt("Wide shot. the children are asleep. a train compartment. night")
    assert [f.pose for f in asleep.figures] == ["lie"] * 3
    four = read_prompt("Medium shot. four children. a train compartment. night")
    assert len(four.figures) == 4 and {f.age for f in four.figures} == {"child"}
    named = read_prompt(
        "Medium shot. Ada (woman, navy coat). Bram (man, rust coat). Ada sits. a room"
    )
    assert [f.pose for f in named.figures] == ["sit", "stand"]
    rained_on = read_prompt("Wide shot. Ada (woman, navy coat). rain runs down her veil. a road")
    assert [f.pose for f in rained_on.figures] == ["stand"]


def test_a_dining_car_is_no_motor_car_and_a_reef_is_at_sea() -> None:
    assert (
        "car"
        not in read_prompt("Wide shot. the cook sits in the dining car. a train compartment").props
    )
    assert "car" in read_prompt("Wide shot. a red car stands. a village street. day").props
    assert (
        read_prompt("Wide shot. a fishing boat turns out on the reef. a reef. dusk").place == "sea"
    )


SIT_AND_EAT = (
    "Wide shot. Ada (woman, long black hair, mustard dress). Bram Tull (man, red hair, navy coat). "
    "Ada and Bram Tull sit in the dining room at a table and eat the soup. a dining room. day"
)


def test_what_several_do_by_name_all_of_them_do() -> None:
    told = read_prompt(SIT_AND_EAT)
    assert [f.pose for f in told.figures] == ["sit", "sit"] and "sit" not in told.unused
    row = read_prompt("Wide shot. Ada (woman). Bram (man). Ada looks at a row of boats. a harbour")
    assert [f.pose for f in row.figures] != ["row", "row"]


def test_soup_stands_on_the_table_that_they_sit_at(monkeypatch: pytest.MonkeyPatch) -> None:
    put: dict[str, tuple[float, float, float]] = {}

    def noted(
        pen: object, kind: str, x: float, y: float, size: float, *args: object, **how: object
    ) -> None:
        put[kind] = (x, y, size)

    monkeypatch.setattr(cast, "draw_prop", noted)
    found = boxes(SIT_AND_EAT)
    (tx, ty, table), (bx, by, bowl) = put["table"], put["bowl"]
    assert abs(tx - bx) < table and by < ty - 0.6 * table and bowl < 0.5 * table
    left, right = sorted((box[0] + box[2]) / 2 * 1000 * 16 / 9 for box in found.values())
    assert left < tx < right, "it stands between them"


def test_whose_brother_is_told_of_has_one_beside_him() -> None:
    told = read_prompt(
        "Medium shot. Tobias (old man, grey hair). Tobias sits with his brother. a beach. day"
    )
    assert [(f.pronoun, f.of) for f in told.figures] == [("he", ""), ("he", "brother")]
    near = read_prompt(
        "Close-up. Tobias (old man, grey hair). Tobias sits with his brother. a beach. day"
    )
    coat = read_prompt(
        "Medium shot. Tobias (old man). Tobias wears his brother’s coat. a beach. day"
    )
    assert len(near.figures) == len(coat.figures) == 1


def test_a_lighthouse_that_stands_on_a_beach_is_one() -> None:
    told = read_prompt("Wide shot. the lighthouse stands, its lamp burns. a beach. day")
    assert (told.place, told.props) == ("shore", ["tower"])
    assert read_prompt("Wide shot. Ada (woman). a lighthouse. day").props == []


def test_who_has_a_title_is_meant_by_the_name_behind_it() -> None:
    told = read_prompt(
        "Wide shot. Nell (girl). Inspector Hale (heavy man). Hale sits down. a beach. day"
    )
    assert [f.pose for f in told.figures] == ["stand", "sit"]


def test_a_field_of_corn_is_no_meadow() -> None:
    assert read_prompt("Wide shot. a field of corn. day").place == "crops"
    assert read_prompt("Wide shot. a field. day").place == "meadow"


def test_a_tractor_is_no_truck() -> None:
    driven = "Wide shot. Ada (woman, red hair, rust coat). Ada drives the {}. a field. day"
    told = [
        read_prompt(driven.format(what)).vehicle
        for what in ("tractor", "truck", "snowplough", "car")
    ]
    assert told == ["tractor", "truck", "plough", ""]


def test_snow_that_lies_does_not_fall() -> None:
    lying = read_prompt(
        "Wide shot. Ida (woman, rust coat). Ida walks home. a village street. day, snow on the ground"
    )
    falling = read_prompt(
        "Wide shot. Ida (woman, rust coat). Ida walks home. a village street. day, snow falling"
    )
    assert (lying.weather, falling.weather) == ("lying snow", "snow")


def test_a_fish_in_a_bag_is_one_thing_that_is_held() -> None:
    reading = read_prompt(
        "Medium shot. Tobias (boy, yellow raincoat). Tobias sits on the back seat and holds a goldfish in a plastic bag. the inside of a car. night"
    )
    assert not reading.animals and reading.figures[0].holds == "fishbag"
    assert reading.place == "cab" and reading.back_seat
    named = read_prompt(
        "Wide shot. Admiral (fish). Admiral swims slowly round and round in the coffee pot. a shop. dawn"
    )
    assert not named.animals and "fishbowl" in named.props


def test_whoever_takes_a_picture_holds_a_camera() -> None:
    reading = read_prompt("Medium shot. Tom (man, teal jumper). Tom takes a picture. a hall. day")
    assert reading.figures[0].holds == "camera" and "picture" not in reading.props


def test_oxen_are_two_and_no_dogs_on_a_lake_of_ice() -> None:
    reading = read_prompt(
        "Wide shot. Anton (man, bald head). Anton drives the oxen over the frozen lake on a sledge. a lake. day, winter"
    )
    assert [a.kind for a in reading.animals] == ["ox", "ox"]
    assert reading.place == "frozen" and "sledge" in reading.props


def test_a_dog_on_a_table_is_up_on_it() -> None:
    said = "Wide shot. Biscuit (dog, gold fur). Biscuit {} the table with his head in the cake. a hall. day"
    assert read_prompt(said.format("stands on")).on_table
    assert not read_prompt(said.format("stands beside")).on_table


def test_those_to_whom_something_is_done_are_there() -> None:
    reading = read_prompt(
        "Medium shot. Ludwig (man, mustard jumper). Ludwig questions the priest, the brewer and the widow Hollub. a tower. day"
    )
    assert [f.of for f in reading.figures] == ["", "priest", "brewer"]
    assert reading.figures[1].garments and reading.figures[1].pronoun == "he"
    became = read_prompt(
        "Medium shot. Amara (woman, white coat). Amara becomes a doctor and wears a white coat. a room. day"
    )
    assert len(became.figures) == 1
    nobody = read_prompt(
        "Medium shot. Ludwig (man, mustard jumper). Ludwig opens the door and looks at the clock. a tower. day"
    )
    assert len(nobody.figures) == 1


def test_a_thing_that_moves_by_itself_is_pushed_by_nobody() -> None:
    reading = read_prompt(
        "Wide shot. the teller (man, red waistcoat). a small grey car rolls up, the teller watches the car through the window. a petrol station. night"
    )
    assert reading.figures[0].pose == "stand" and "window" not in reading.props


def test_what_hangs_is_up_on_the_wall() -> None:
    hangs = draw("Wide shot. the clock hangs in the tower. a tower. night", 5, 16 / 9)
    stands = draw("Wide shot. the clock stands in the tower. a tower. night", 5, 16 / 9)
    assert hangs.layers[1][0] != stands.layers[1][0]
    assert read_prompt("Wide shot. the clock hangs in the tower. a tower. night").hung == {"clock"}


def test_fish_swim_above_the_bottom_of_the_sea() -> None:
    deep = boxes("Wide shot. a lanternfish and a crab. the deep sea. night")
    assert deep["fish"][3] < deep["crab"][3] - 0.08
    assert read_prompt("Wide shot. a lanternfish. the deep sea. night").place == "underwater"
    assert read_prompt("Wide shot. a boat. the open sea. night").place == "sea"
