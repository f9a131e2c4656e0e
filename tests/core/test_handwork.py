"""Cut-outs laid elsewhere, frames moved, and whether pixels are enough."""

import numpy as np
import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st
from skimage.color import rgb2lab

from cutreel.core.errors import BadInput
from cutreel.core.pictures import (
    Placing,
    cut_out,
    face_of,
    figure_share,
    frame_keeping,
    placed,
    reach_of,
    reshaped,
)

RNG = np.random.default_rng(3)
NOISE = RNG.integers(0, 255, (90, 160, 3), np.uint8)


def _disc(high: int = 90, wide: int = 160, r: int = 20) -> np.ndarray:
    y, x = np.mgrid[0:high, 0:wide]
    return (((x - 60) ** 2 + (y - 45) ** 2) <= r * r).astype(np.float32)


def test_a_cut_out_is_trimmed_and_keeps_its_pixels() -> None:
    share = _disc()
    figure = cut_out(NOISE, share)
    assert figure.shape == (41, 41, 4)
    inside = share[25:66, 40:81] > 0
    assert (figure[..., 3] > 0).tolist() == inside.tolist()
    assert np.array_equal(figure[inside][:, :3], NOISE[25:66, 40:81][inside])
    with pytest.raises(BadInput, match="nothing to cut out"):
        cut_out(NOISE, np.zeros((90, 160), np.float32))


@settings(max_examples=40)
@given(
    x=st.floats(0, 1),
    y=st.floats(0.1, 1.2),
    height=st.floats(0.1, 1.5),
    flip=st.booleans(),
    light=st.floats(0, 1),
)
def test_nothing_beyond_the_figure_changes(x, y, height, flip, light) -> None:
    figure = cut_out(NOISE, _disc())
    try:
        out = placed(NOISE, figure, Placing(x, y, height, flip, light))
    except BadInput:
        return
    high, wide = NOISE.shape[:2]
    tall = round(height * high)
    rows = np.arange(high)[:, None]
    columns = np.arange(wide)[None]
    left, top = x * wide - tall / 2 - 2, y * high - tall - 2
    outside = (
        (columns < left) | (columns > left + tall + 4) | (rows < top) | (rows > top + tall + 4)
    )
    assert np.array_equal(out[outside], NOISE[outside])
    assert out.shape == NOISE.shape and out.dtype == np.uint8


def test_laid_back_where_it_was_a_cut_out_gives_the_same_picture() -> None:
    share = _disc()
    figure = cut_out(NOISE, share)
    back = placed(NOISE, figure, Placing(60.5 / 160, 66 / 90, 41 / 90, False, 0.0))
    assert np.abs(back.astype(int) - NOISE).max() <= 1


def test_light_is_adapted_toward_the_place_and_not_without() -> None:
    dark = np.full((90, 160, 3), (20, 26, 60), np.uint8)
    bright = np.full((90, 160, 3), (230, 190, 120), np.uint8)
    figure = cut_out(bright, _disc())
    put = [placed(dark, figure, Placing(0.5, 0.8, 0.5, False, light)) for light in (0.0, 0.5, 1.0)]
    lightness = [rgb2lab(p / 255.0)[50, 80, 0] for p in put]
    assert lightness[0] > lightness[1] > lightness[2] > rgb2lab(dark / 255.0)[0, 0, 0]
    assert tuple(put[0][50, 80]) == (230, 190, 120)


def test_a_shadow_is_not_the_figure() -> None:
    layer = np.zeros((40, 40, 4), np.uint8)
    layer[5:20, 5:20, 3] = 255
    layer[20:30, 5:30, 3] = 70
    share = figure_share(layer, (0.0, 0.0, 0.6, 1.0))
    assert share[:20].any() and not share[21:].any() and not share[:, 26:].any()


def test_an_arm_stretched_out_of_the_box_is_the_figures_and_a_neighbour_is_not() -> None:
    layer = np.zeros((40, 80, 4), np.uint8)
    layer[5:35, 20:35, 3] = 255
    layer[10:13, 35:50, 3] = 255
    layer[5:35, 60:75, 3] = 255
    share = figure_share(layer, (0.24, 0.1, 0.45, 0.9))
    assert share[11, 49] == 1 and share[30, 25] == 1 and not share[:, 55:].any()


@example(picture=0.3, film=1.0, x=0.0, y=0.22265625, size=0.3)
@given(
    picture=st.floats(0.3, 3),
    film=st.sampled_from([16 / 9, 9 / 16, 1.0]),
    x=st.floats(0, 0.9),
    y=st.floats(0, 0.9),
    size=st.floats(0.02, 0.3),
)
def test_a_frame_has_the_films_shape_lies_inside_and_keeps_the_face(
    picture, film, x, y, size
) -> None:
    face = (x, y, min(1.0, x + size), min(1.0, y + size))
    left, top, right, bottom = frame_keeping(picture, film, [face])
    assert -1e-9 <= left < right <= 1 + 1e-5 and -1e-9 <= top < bottom <= 1 + 1e-5
    assert (right - left) / (bottom - top) * picture == pytest.approx(film, rel=2e-3)
    assert max(right - left, bottom - top) == pytest.approx(1, abs=1e-5)
    if face[2] - face[0] <= right - left:
        assert left <= face[0] + 3e-5 and face[2] <= right + 3e-5
    if face[3] - face[1] <= bottom - top:
        assert top <= face[1] + 3e-5 and face[3] <= bottom + 3e-5
    assert face_of((0.2, 0.1, 0.4, 0.9)) == pytest.approx((0.2, 0.1, 0.4, 0.26))


def test_a_crop_is_just_those_pixels_and_an_extension_keeps_the_picture() -> None:
    assert np.array_equal(reshaped(NOISE, (0.25, 0.0, 0.75, 1.0)), NOISE[:, 40:120])
    y, x = np.mgrid[0:90, 0:160]
    soft = np.stack([x, y * 2, 255 - x], axis=2).clip(0, 255).astype(np.uint8)
    wide = reshaped(soft, (-0.25, 0.0, 1.25, 1.0))
    assert wide.shape == (90, 240, 3)
    # Where the edge was continued nothing is seen but the strip beside it (16 of 160 columns), drawn out and softer.
    assert np.array_equal(wide[:, 40:200], soft)
    told = soft.astype(int)
    for column, strip in ((wide[:, :40], told[:, :17]), (wide[:, 200:], told[:, -17:])):
        assert (column.min((0, 1)) >= strip.min((0, 1)) - 6).all() and (
            column.max((0, 1)) <= strip.max((0, 1)) + 6
        ).all()
    # Somebody in the middle is not repeated. Source: pixels counted by their colour.
    figure = soft.copy()
    figure[20:80, 60:100] = (255, 0, 0)
    red = (
        np.abs(reshaped(figure, (-1.0, -0.2, 2.0, 1.2)).astype(int) - (255, 0, 0)).max(axis=2) < 60
    ).sum()
    assert red == 60 * 40
    assert np.abs(np.diff(wide.astype(int), axis=1)).max() < 12, "no seam"
    for frame in ((0.5, 0.5, 0.52, 0.9), (-3.0, 0.0, 1.0, 1.0)):
        with pytest.raises(BadInput):
            reshaped(soft, frame)


def test_how_close_a_camera_comes_in_numbers() -> None:
    # A push of six seconds ends at 1.30 (core.motion): 1280 / 1.30 = 985 pixels for 1920 of the film.
    reach = reach_of(1280, "push", 6.0, 1920)
    assert (reach.zoom, reach.across, reach.frame, reach.ratio, reach.factor) == (
        1.3,
        985,
        1920,
        0.513,
        2,
    )
    assert reach_of(1280, "push", 6.0, 3840).factor == 4
    assert reach_of(1920, "still", 6.0, 1920).factor == 1
