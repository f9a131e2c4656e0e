"""What is measured of a picture: colours of parts in white light, what is covered, and drift found from it."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image, ImageDraw
from skimage.color import deltaE_ciede2000, rgb2lab

from cutreel.core.colour import Light, lab_of, light_between, middle_light
from cutreel.core.continuity import (
    Person,
    Reference,
    SeenPicture,
    ShownPicture,
    Trait,
    drift_in_pictures,
    measure_picture,
    place_colours,
)
from cutreel.core.kept import Kept

pytestmark = pytest.mark.thorough

HAIR, SKIN, COAT, SCARF = (112, 78, 52), (234, 194, 162), (44, 118, 118), (190, 52, 42)
PIP = Person(
    id=1,
    name="Pip",
    traits=[
        Trait(about="hair", text="brown hair"),
        Trait(about="skin", text="fair skin"),
        Trait(about="clothes", text="teal coat"),
        Trait(about="neck", text="red scarf"),
    ],
)
BOXES = {
    "hair": (300, 40, 500, 110),
    "skin": (300, 110, 500, 220),
    "neck": (300, 220, 500, 260),
    "top": (260, 260, 540, 420),
}
NIGHT = Light((0.55, 0.55, 0.55), (14, 20, 46))


def outline(
    box: tuple[int, int, int, int], size: tuple[int, int] = (800, 450)
) -> list[tuple[float, float]]:
    left, top, right, bottom = (v / s for v, s in zip(box, (*size, *size), strict=True))
    return [(left, top), (right, top), (right, bottom), (left, bottom)]


def drawn(
    light: Light = Light(),
    *,
    neutral: bool = True,
    boat: bool = False,
    **colours: tuple[int, int, int],
) -> tuple[np.ndarray, list[dict]]:
    """A picture of Pip in flat colours under a light, and the regions that a service would tell of it."""
    image = Image.new("RGB", (800, 450), (150, 170, 190))
    pen = ImageDraw.Draw(image)
    fills = {"hair": HAIR, "skin": SKIN, "neck": SCARF, "top": COAT, **colours}
    parts = []
    for order, (slot, box) in enumerate(BOXES.items()):
        pen.rectangle(box, fill=fills[slot])
        parts.append({"order": order, "slot": slot, "outline": outline(box)})
    if neutral:
        pen.rectangle((300, 262, 360, 300), fill=(236, 236, 236))
        pen.rectangle((440, 262, 500, 300), fill=(44, 44, 44))
        parts.append(
            {"order": 10, "slot": "", "grey": 236, "outline": outline((300, 262, 360, 300))}
        )
        parts.append(
            {"order": 11, "slot": "", "grey": 44, "outline": outline((440, 262, 500, 300))}
        )
    if boat:
        pen.rectangle((200, 300, 600, 449), fill=(123, 71, 45))
        parts.append({"order": 20, "slot": "", "outline": outline((200, 300, 600, 449))})
    pixels = np.asarray(image, float) * np.array(light.gain) + np.array(light.veil)
    region = {
        "name": "pip",
        "box": (0.3, 0.05, 0.7, 0.95),
        "height": 0.9,
        "facing": "front",
        "parts": parts,
    }
    return np.clip(pixels, 0, 255).astype(np.uint8), [region]


def shown(seen: SeenPicture, shot: int = 1, said: bool = True, **more) -> ShownPicture:
    prompt = "Pip (brown hair, fair skin, teal coat, red scarf). night." if said else "Pip. night."
    values = {"hour": "night", "framing": "medium", "speaks": None, **more}
    return ShownPicture(shot, f"t{shot}", (PIP,), prompt, seen, **values)


def apart(one: tuple[int, int, int], other) -> float:
    """CIEDE2000 by scikit-image."""
    return float(
        deltaE_ciede2000(rgb2lab(np.array(one)[None, None] / 255), np.array(other)[None, None])[
            0, 0
        ]
    )


@pytest.mark.parametrize(
    "light", [Light(), NIGHT, Light((0.9, 0.7, 0.5)), Light((0.7, 0.75, 0.8), (40, 30, 20))]
)
def test_colours_are_those_of_white_light(light: Light) -> None:
    seen = measure_picture(*drawn(light))
    assert seen.lit and seen.figures[0].lit == "own"
    for slot, true in (("hair", HAIR), ("skin", SKIN), ("top", COAT), ("neck", SCARF)):
        assert apart(true, seen.figures[0].colours[slot]) < 2


def test_what_is_painted_over_a_part_is_left_out_of_it() -> None:
    seen = measure_picture(*drawn(boat=True))
    assert apart(COAT, seen.figures[0].colours["top"]) < 2
    hidden, regions = drawn(boat=True)
    regions[0]["parts"][3]["outline"] = outline((260, 310, 540, 420))
    assert "top" not in measure_picture(hidden, regions).figures[0].colours


def test_a_changed_garment_is_found_at_night_and_nothing_else() -> None:
    pictures = [
        shown(measure_picture(*drawn(NIGHT, top=(190, 52, 42) if i == 3 else COAT)), i)
        for i in range(1, 5)
    ]
    found = drift_in_pictures(pictures, "cut-paper", True)
    marked = [(f.shot, f.trait) for f in found if f.marked]
    assert marked == [(3, "teal coat")]
    finding = next(f for f in found if f.marked)
    assert finding.apart is not None and finding.by == "as in the film's other pictures"
    truth = apart(COAT, lab_of((190, 52, 42)))
    assert finding.apart == pytest.approx(truth, abs=3)


def test_without_a_neutral_the_light_is_what_most_colours_agree_on() -> None:
    told = [shown(measure_picture(*drawn()), i, hour="day") for i in range(1, 4)]
    dark = measure_picture(*drawn(NIGHT, neutral=False, neck=(84, 128, 74)))
    assert dark.figures[0].lit == "guess"
    found = drift_in_pictures([*told, shown(dark, 9)], "cut-paper", True)
    assert [(f.shot, f.trait) for f in found if f.marked] == [(9, "red scarf")]


def test_light_by_agreement_is_not_bent_by_one_other_colour() -> None:
    true = np.array([HAIR, SKIN, COAT, SCARF, (228, 182, 52)], float)
    seen = true * 0.55 + np.array([14, 20, 46])
    seen[1] = (200, 40, 200)
    light = light_between(true, seen)
    assert light is not None
    np.testing.assert_allclose(light.without(seen)[[0, 2, 3, 4]], true[[0, 2, 3, 4]], atol=4)
    assert light_between(true[:2], seen[:2]) is None
    between = middle_light([Light((0.5, 0.5, 0.5)), Light((0.7, 0.7, 0.7)), Light((0.6, 0.6, 0.6))])
    assert between.gain == (0.6, 0.6, 0.6)


def test_the_wanted_colour_is_the_makers_then_the_references_then_the_films() -> None:
    seen = measure_picture(*drawn())
    own = PIP.model_copy(deep=True)
    own.traits[2].colour = "#be342a"
    ref = Reference(media="0" * 64 + ".png", thumb="0" * 64 + ".jpg", look="cut-paper", title="model sheet",
                    colours={"brown hair": (20.0, 0.0, 0.0)})  # fmt: skip
    own.references = [ref]
    picture = ShownPicture(1, "t", (own,), "Pip", seen, "day", "medium", None)
    by = {f.trait: f.by for f in drift_in_pictures([picture], "cut-paper", True)}
    assert by["teal coat"] == "as you set it" and by["brown hair"] == "as in model sheet"
    assert by["fair skin"] == "as the words say"
    other = {f.trait: f.by for f in drift_in_pictures([picture], "ink-wash", False)}
    assert "brown hair" not in other and "fair skin" not in other, (
        "no reference in that look, and words mean little"
    )


def test_small_figures_turned_faces_and_missing_scarves() -> None:
    pixels, regions = drawn()
    regions[0]["height"], regions[0]["facing"] = 0.2, "side"
    regions[0]["parts"] = [p for p in regions[0]["parts"] if p["slot"] != "neck"]
    seen = measure_picture(pixels, regions)
    found = drift_in_pictures([shown(seen, framing="wide", speaks=1)], "cut-paper", True)
    assert {(f.kind, f.trait) for f in found if f.marked} == {
        ("size", ""),
        ("facing", ""),
        ("missing", "red scarf"),
    }
    regions[0]["parts"] = [p for p in regions[0]["parts"] if p["slot"] != "top"]
    close = measure_picture(pixels, regions)
    assert not [
        f for f in drift_in_pictures([shown(close)], "cut-paper", True) if f.kind == "missing"
    ]


def test_a_box_alone_is_enough_to_look_for_a_colour() -> None:
    pixels, _ = drawn()
    box = [{"name": "Pip", "box": (0.32, 0.08, 0.68, 0.94)}]
    seen = measure_picture(pixels, box)
    assert not seen.figures[0].told and seen.figures[0].palette
    assert not [
        f
        for f in drift_in_pictures([shown(seen)], "cut-paper", True)
        if f.kind == "colour" and f.marked
    ]
    green = measure_picture(drawn(top=(84, 128, 74), neck=(84, 128, 74))[0], box)
    assert {"teal coat", "red scarf"} <= {
        f.trait for f in drift_in_pictures([shown(green)], "cut-paper", True) if f.marked
    }


def test_a_picture_unlike_the_others_of_its_hour_is_told() -> None:
    usual = [shown(measure_picture(*drawn(NIGHT)), i) for i in range(1, 6)]
    bright = measure_picture(np.full((450, 800, 3), 235, np.uint8), [])
    found = drift_in_pictures([*usual, shown(bright, 9)], "cut-paper", True)
    whole = [f for f in found if f.kind == "look"]
    assert {f.shot for f in whole} == {9} and any("lighter" in f.text for f in whole)


def test_a_picture_is_held_against_others_of_its_place() -> None:
    """A bright kitchen in a film of a dark cellar is no fault; a bright cellar among four is one."""
    cellar = [shown(measure_picture(*drawn(NIGHT)), i, place="the cellar") for i in range(1, 6)]
    bright = measure_picture(np.full((450, 800, 3), 235, np.uint8), [])

    def found(*more: ShownPicture) -> list[tuple[int, str]]:
        every = drift_in_pictures([*cellar, *more], "cut-paper", True)
        return [(f.shot, f.text) for f in every if f.kind == "look" and "contrast" not in f.text]

    assert found(shown(bright, 9, place="the kitchen")) == []
    assert found(*(shown(bright, i, place="the kitchen") for i in (9, 10, 11))) == []
    (_, text), *_ = told = found(
        shown(bright, 9, place="the kitchen"), shown(bright, 10, place="the cellar")
    )
    assert {shot for shot, _ in told} == {10} and "than the other pictures of the cellar" in text


@settings(max_examples=40)
@given(
    st.lists(st.floats(0.45, 0.8), min_size=3, max_size=3),
    st.lists(st.floats(0, 50), min_size=3, max_size=3),
)
def test_in_any_light_with_neutrals_the_colours_are_the_same(
    gain: list[float], veil: list[float]
) -> None:
    """Against the true colours, by scikit-image, in lights in which nothing is brighter than eight bits can say; what a
    dark one leaves of them allows no more than this."""
    light = Light((gain[0], gain[1], gain[2]), (veil[0], veil[1], veil[2]))
    seen = measure_picture(*drawn(light))
    for slot, true in (("hair", HAIR), ("skin", SKIN), ("top", COAT), ("neck", SCARF)):
        assert apart(true, seen.figures[0].colours[slot]) < 3.5


@settings(max_examples=40)
@given(st.integers(0, 1000), st.integers(0, 4))
def test_a_light_is_told_from_known_colours_though_one_is_another(seed: int, wrong: int) -> None:
    rng = np.random.default_rng(seed)
    true = np.array([HAIR, SKIN, COAT, SCARF, (228, 182, 52)], float)
    gain, veil = rng.uniform(0.5, 1), rng.uniform(5, 45, 3)
    seen = true * gain + veil
    seen[wrong] = 255 - seen[wrong]
    light = light_between(true, seen)
    assert light is not None
    rest = [i for i in range(5) if i != wrong]
    np.testing.assert_allclose(light.without(seen)[rest], true[rest], atol=3)


def test_a_picture_that_is_measured_anew_is_held_against_its_sheet_anew() -> None:
    """Whoever outlines a figure by hand has the same take measured again."""
    kept = Kept()
    fits, off = (measure_picture(*drawn(**more)) for more in ({}, {"top": (84, 128, 74)}))
    before, after = (drift_in_pictures([shown(s)], "cut-paper", True, kept) for s in (fits, off))
    assert not [f for f in before if f.marked] and [f for f in after if f.marked]
    assert after == drift_in_pictures([shown(off)], "cut-paper", True)


OCHRE, NAVY = (196, 146, 66), (40, 56, 92)
KITCHEN = "a kitchen, ochre walls, navy curtains"


def in_the_kitchen(light: Light = Light(), walls: tuple[int, int, int] = OCHRE) -> SeenPicture:
    """Pip before the walls of a kitchen, whose middle he and a cupboard cover, under a light."""
    image = Image.new("RGB", (800, 450), (90, 70, 50))
    pen = ImageDraw.Draw(image)
    place = []
    for slot, box, colour in (
        ("walls", (0, 0, 800, 380), walls),
        ("curtains", (60, 40, 140, 300), NAVY),
        ("", (200, 20, 620, 380), (112, 80, 60)),
    ):
        pen.rectangle(box, fill=colour)
        place.append({"order": len(place), "slot": slot, "outline": outline(box)})
    room = np.asarray(image, float) * np.array(light.gain) + np.array(light.veil)
    pixels, regions = drawn(light)
    inside = slice(40, 420), slice(260, 541)
    room[inside] = pixels[inside]
    return measure_picture(np.clip(room, 0, 255).astype(np.uint8), regions, place)


@pytest.mark.parametrize("light", [Light(), NIGHT, Light((0.7, 0.75, 0.8), (40, 30, 20))])
def test_walls_and_curtains_are_measured_behind_what_covers_them(light: Light) -> None:
    seen = in_the_kitchen(light)
    assert seen.place is not None and seen.place.lit == "picture"
    assert apart(OCHRE, seen.place.colours["walls"]) < 2
    assert apart(NAVY, seen.place.colours["curtains"]) < 2


def test_a_kitchen_whose_walls_change_is_found_and_nobody_in_it() -> None:
    blue = (104, 126, 148)
    pictures = [
        ShownPicture(
            i,
            f"t{i}",
            (PIP,),
            f"Pip (brown hair). {KITCHEN}. night.",
            in_the_kitchen(NIGHT, blue if i == 2 else OCHRE),
            "night",
            "medium",
            None,
            KITCHEN,
        )
        for i in range(1, 5)
    ]
    found = drift_in_pictures(pictures, "cut-paper", True)
    marked = [f for f in found if f.marked and f.kind == "colour"]
    assert [(f.shot, f.person, f.trait) for f in marked] == [(2, None, "ochre walls")]
    assert marked[0].by == "as in the film's other pictures"
    assert marked[0].apart == pytest.approx(in_lightness_half(OCHRE, blue), abs=2)


def in_lightness_half(one: tuple[int, int, int], other: tuple[int, int, int]) -> float:
    """CIEDE2000 by scikit-image, with kL = 2."""
    labs = [rgb2lab(np.array(c)[None, None] / 255) for c in (one, other)]
    return float(deltaE_ciede2000(*labs, kL=2)[0, 0])


def test_a_view_that_was_circled_says_which_colour_walls_have() -> None:
    lab = lab_of((150, 180, 200))
    view = Reference(
        media="0" * 64 + ".png",
        thumb="0" * 64 + ".jpg",
        title="view",
        look="cut-paper",
        colours={"ochre walls": tuple(float(v) for v in lab)},
    )
    one = ShownPicture(
        1, "t1", (), KITCHEN, in_the_kitchen(), "day", "wide", None, KITCHEN, (view,)
    )
    found = {f.trait: f for f in drift_in_pictures([one], "cut-paper", True)}
    assert found["ochre walls"].marked and found["ochre walls"].by == "as in view"
    assert not found["navy curtains"].marked


@pytest.mark.parametrize(
    ("place", "colours"),
    [
        (KITCHEN, [("walls", "ochre walls"), ("curtains", "navy curtains")]),
        ("a hall with grey blue walls and tall windows", [("walls", "grey blue walls")]),
        ("a garden wall", []),
        ("a room with damp walls", []),
    ],
)
def test_what_the_words_of_a_place_say_of_its_colours(
    place: str, colours: list[tuple[str, str]]
) -> None:
    assert list(place_colours(place)) == colours
