"""How the illustrator composes: thirds, look room, head room, people in relation, light and depth."""

import io

import numpy as np
import pytest
from PIL import Image
from skimage.color import rgb2lab

from cutreel.protocol import BONES
from standins.illustrator import draw, paint
from standins.illustrator.colour import NAMED
from standins.illustrator.reading import read_prompt

MAREN = "Maren (old woman, grey braid, tanned skin, yellow oilskin coat)"
PIP = "Pip (boy of ten, cropped brown hair, fair skin, red scarf, teal coat)"
LOOK = "layered cut paper"
PLACES = ("a meadow", "a street", "a kitchen", "a forest", "a plank jetty over water")


def regions(prompt: str, seed: int = 3) -> list[dict]:
    return draw(f"{prompt}. {LOOK}.", seed, 16 / 9).regions


def shown(prompt: str, seed: int = 3, size: tuple[int, int] = (480, 270)) -> np.ndarray:
    return np.asarray(
        Image.open(io.BytesIO(paint(f"{prompt}. {LOOK}.", seed, *size).flat)).convert("RGB")
    )


@pytest.mark.parametrize("framing", ["Wide shot", "Medium shot"])
@pytest.mark.parametrize("place", PLACES)
def test_one_alone_stands_off_the_middle_and_looks_into_the_room(framing: str, place: str) -> None:
    """Source: the rule of thirds and the rule of look room, as every handbook of framing gives them."""
    inward = 0
    for seed in range(8):
        (figure,) = regions(f"{framing}. {MAREN}. {place}. day", seed)
        x = (figure["box"][0] + figure["box"][2]) / 2
        assert min(abs(x - 1 / 3), abs(x - 2 / 3)) < 0.17 or abs(x - 0.5) < 0.1
        inward += (x < 0.5) == (figure["way"] == 1)
    assert inward >= 6


@pytest.mark.parametrize("framing", ["Medium shot", "Close-up"])
def test_there_is_head_room_and_not_too_much(framing: str) -> None:
    for seed in range(8):
        (figure,) = regions(f"{framing}. {PIP}. a street. day", seed)
        assert 0.0 <= figure["box"][1] < 0.36, "the head is in the upper part"
        assert figure["joints"]["head"][1] < 0.56


def test_nearer_framings_show_larger_people() -> None:
    tall = []
    for framing in (
        "Extreme wide shot",
        "Wide shot",
        "Medium shot",
        "Close-up",
        "Extreme close-up",
    ):
        (figure,) = regions(f"{framing}. {MAREN}. a meadow. day")
        tall.append(figure["height"])
    assert tall == sorted(tall) and tall[0] < 0.35 and tall[-1] > 1.5


@pytest.mark.parametrize("place", PLACES)
def test_two_who_talk_face_one_another_and_stand_clear(place: str) -> None:
    for seed in range(6):
        one, other = sorted(
            regions(f"Wide shot. {MAREN}. {PIP}. {place}. day", seed)[:2], key=lambda r: r["box"][0]
        )
        assert one["way"] == 1 and other["way"] == -1
        shared = max(0.0, one["box"][2] - other["box"][0]) / min(
            r["box"][2] - r["box"][0] for r in (one, other)
        )
        assert shared < 0.35


def test_a_child_is_smaller_than_a_grown_woman_beside_it() -> None:
    people = {r["name"]: r for r in regions(f"Wide shot. {MAREN}. {PIP}. a meadow. day")}
    assert 0.5 < people["pip"]["height"] / people["maren"]["height"] < 0.9


def test_limbs_keep_their_proportions_whatever_is_done() -> None:
    """Source: the skeleton's own bones; a limb foreshortens in no flat picture."""
    lengths = []
    for deed in (
        "stood",
        "ran",
        "sat",
        "knelt",
        "pointed",
        "waved",
        "climbed the ladder",
        "danced",
    ):
        (figure,) = regions(f"Wide shot. {MAREN}. Maren {deed}. a meadow. day")[:1]
        at = {n: np.array([x * 16 / 9, y]) for n, (x, y) in figure["joints"].items()}
        thigh = [np.linalg.norm(at[f"{s}_knee"] - at["hips"]) for s in ("near", "far")]
        arm = [np.linalg.norm(at[f"{s}_elbow"] - at[f"{s}_shoulder"]) for s in ("near", "far")]
        torso = np.linalg.norm(at["neck"] - at["hips"])
        lengths.append([*(t / torso for t in thigh), *(a / torso for a in arm)])
    assert np.ptp(np.array(lengths), axis=0).max() < 0.12 and len(BONES) >= 10


def test_what_is_far_is_paler_and_nearer_to_the_sky() -> None:
    """Depth haze. Source: CIE L*a*b* by scikit-image: contrast within a band of the picture falls with distance."""
    for place in ("a meadow", "mountains"):
        lab = rgb2lab(shown(f"Extreme wide shot. {place}. day, clear"))
        high = len(lab)
        far, near = lab[int(high * 0.42) : int(high * 0.56)], lab[int(high * 0.72) :]
        chroma = [np.hypot(b[..., 1], b[..., 2]).mean() for b in (far, near)]
        assert chroma[0] < chroma[1], place


@pytest.mark.parametrize(("hour", "darker"), [("day", False), ("night", True)])
def test_the_hour_is_seen(hour: str, darker: bool) -> None:
    lightness = rgb2lab(shown(f"Wide shot. {MAREN}. a street. {hour}"))[..., 0].mean()
    assert (lightness < 42) == darker


def test_a_lamp_lights_the_side_that_is_turned_to_it() -> None:
    lit = 0
    for seed in range(6):
        prompt = f"Medium shot. {MAREN}. a lamp post. a street. night"
        image = rgb2lab(shown(prompt, seed, (640, 360)))[..., 0]
        lamp = np.unravel_index(np.argmax(image), image.shape)[1] / 640
        (left, top, right, bottom) = regions(prompt, seed)[0]["box"]
        rows = slice(int(top * 360), int(min(0.98, bottom) * 360))
        figure = image[rows, int(left * 640) : int(right * 640)]
        half = figure.shape[1] // 2
        toward, away = (
            (figure[:, :half], figure[:, half:])
            if lamp < (left + right) / 2
            else (figure[:, half:], figure[:, :half])
        )
        lit += toward.mean() > away.mean()
    assert lit >= 4


@pytest.mark.parametrize(
    "framing", ["Extreme wide", "Wide", "Medium", "Close-up", "Extreme close-up"]
)
@pytest.mark.parametrize("seed", range(4))
def test_faces_stand_clear_of_captions(framing: str, seed: int) -> None:
    """Captions of two lines stand in the lower quarter; a child beside a grown woman has her face above it."""
    prompt = (
        f"{framing} shot. Maren (old woman, grey braid, yellow coat) and Pip (small boy, red cap) stand there. "
        "a meadow. day. layered cut paper"
    )
    drawing = draw(prompt, seed, 16 / 9)
    people = [r for r in drawing.regions if r.get("joints")]
    assert len(people) == 2
    for region in people:
        head, neck = region["joints"]["head"], region["joints"]["neck"]
        assert head[1] < 0.74 and neck[1] <= 0.76, (region["name"], head, neck)


def test_a_comparison_brings_nobody_into_the_picture() -> None:
    plain = read_prompt(
        "Medium shot. Pip (small boy, red cap). Pip stood in the boat. the sea. day."
    )
    compared = read_prompt(
        "Medium shot. Pip (small boy, red cap). Pip stood in the boat like a small captain. the sea. day."
    )
    assert len(compared.figures) == len(plain.figures) == 1
    free = read_prompt("Wide shot. The boat lay there like an old man asleep. a shore. dusk.")
    assert not free.figures and "boat" in free.props
    assert "captain" in compared.unused, "what was of no use is said"


def test_a_face_toward_the_camera_draws_no_camera() -> None:
    seen = read_prompt("Close shot. Ada (woman, brown hair). a room. face toward the camera.")
    assert seen.facing and "camera" not in seen.props
    held = read_prompt("Medium shot. Ada (woman). Ada raised the camera. a street.")
    assert "camera" in held.props or held.figures[0].holds == "camera"


@pytest.mark.parametrize(
    ("traits", "colours"),
    [
        ("woman, navy shawl and dress", ["navy", "navy"]),
        ("woman, navy shawl and rust dress", ["navy", "rust"]),
        ("woman, grey braid and dress", [None]),
        ("man, white shirt, waistcoat", ["white", None]),
    ],
)
def test_a_colour_said_for_garments_is_the_colour_of_each(traits: str, colours: list) -> None:
    figure = read_prompt(f"Medium shot. Ada ({traits}). a room. day.").figures[0]
    worn = [colour for _, colour in (*figure.extras, *figure.garments)]
    assert worn == [NAMED[c] if c else None for c in colours]
