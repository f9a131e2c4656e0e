"""Reading a rough sketch: its dark masses by size, and its ground."""

import io

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image, ImageDraw
from scipy.ndimage import find_objects, label

from standins.illustrator import draw, masses_of
from standins.illustrator.cast import Wish

DARK, HALF = (28, 27, 30), (168, 162, 154)


def sketch(
    *shapes: tuple[str, tuple[int, int, int], tuple[float, float, float, float]], mode: str = "RGB"
) -> bytes:
    """A sketch of 960 by 540 with ovals and boxes, their corners as shares."""
    image = Image.new(mode, (960, 540), (255, 255, 255) if mode == "RGB" else (0, 0, 0, 0))
    pen = ImageDraw.Draw(image)
    for kind, tone, (left, top, right, bottom) in shapes:
        box = (left * 960, top * 540, right * 960, bottom * 540)
        colour = tone if mode == "RGB" else (*tone, 255)
        (pen.ellipse if kind == "oval" else pen.rectangle)(box, fill=colour)
    out = io.BytesIO()
    image.save(out, "PNG")
    return out.getvalue()


@settings(max_examples=40)
@given(
    x=st.floats(0.15, 0.85),
    top=st.floats(0.05, 0.5),
    high=st.floats(0.2, 0.45),
    wide=st.floats(0.08, 0.25),
)
def test_a_mass_is_found_where_it_was_drawn(x: float, top: float, high: float, wide: float) -> None:
    found = masses_of(sketch(("oval", DARK, (x - wide / 2, top, x + wide / 2, top + high))), 0.8)
    (mass,) = found.dark
    assert (mass.x, mass.top, mass.foot) == pytest.approx((x, top, top + high), abs=0.02)
    assert found.ground is None and found.strength == 0.8


def test_the_largest_comes_first_and_a_slip_of_the_pen_is_none() -> None:
    found = masses_of(
        sketch(
            ("oval", DARK, (0.1, 0.5, 0.2, 0.8)),
            ("box", DARK, (0.6, 0.2, 0.9, 0.9)),
            ("oval", DARK, (0.4, 0.4, 0.42, 0.43)),
        ),
        1.0,
    )
    assert [round(m.x, 1) for m in found.dark] == [0.8, 0.1]


def test_the_ground_is_what_is_half_dark_and_reaches_the_bottom() -> None:
    assert masses_of(sketch(("box", HALF, (0, 0.7, 1, 1))), 1).ground == pytest.approx(
        0.7, abs=0.02
    )
    assert masses_of(sketch(("box", HALF, (0, 0.2, 1, 0.4))), 1).ground is None, (
        "a band in the sky is no ground"
    )
    assert masses_of(sketch(), 1) == masses_of(sketch(mode="RGBA"), 1), "what is clear is paper"


def test_masses_are_those_of_an_independent_labelling() -> None:
    """Source: scipy.ndimage's labelling of the same sketch at full size."""
    rng = np.random.default_rng(5)
    for _ in range(6):
        boxes = [
            (a, 0.3, a + rng.uniform(0.06, 0.14), rng.uniform(0.6, 0.95))
            for a in (0.08, 0.36, 0.64)
        ]
        data = sketch(*(("box", DARK, b) for b in boxes))
        grey = np.asarray(Image.open(io.BytesIO(data)).convert("L"))
        found, _ = label(grey < 96)
        spots = sorted(
            find_objects(found), key=lambda s: -(s[0].stop - s[0].start) * (s[1].stop - s[1].start)
        )
        wanted = [
            ((s[1].start + s[1].stop) / 2 / 960, s[0].start / 540, s[0].stop / 540) for s in spots
        ]
        told = [(m.x, m.top, m.foot) for m in masses_of(data, 1).dark]
        assert len(told) == 3 and np.allclose(sorted(told), sorted(wanted), atol=0.015)


@pytest.mark.parametrize("strength", [0.0, 0.5, 1.0])
def test_the_picture_follows_by_the_strength(strength: float) -> None:
    prompt = "Wide shot. Maren (old woman, grey braid, yellow oilskin coat). a meadow. day. layered cut paper."
    free = draw(prompt, 4, 16 / 9).regions[0]["box"]
    guide = masses_of(sketch(("oval", DARK, (0.1, 0.4, 0.2, 0.9))), strength)
    led = draw(prompt, 4, 16 / 9, wish=Wish(guide=guide)).regions[0]["box"]
    middle = [(b[0] + b[2]) / 2 for b in (free, led)]
    assert middle[1] == pytest.approx(middle[0] + (0.15 - middle[0]) * strength, abs=0.04)
    tall = [b[3] - b[1] for b in (free, led)]
    assert tall[1] == pytest.approx(tall[0] + (0.5 - tall[0]) * strength, abs=0.06)
