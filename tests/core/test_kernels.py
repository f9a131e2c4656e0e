"""The compiled loops against SciPy's and NumPy's: sampling with `map_coordinates`, laying over by Porter and Duff's
formula (*Compositing Digital Images*, 1984)."""

import numpy as np
import pytest
from numpy.typing import NDArray
from scipy.ndimage import map_coordinates

from cutreel.core.render.kernel import MOST_ASIDE, sample, sample_moved
from cutreel.core.render.kernel_finish import in_pairs, lighten, tint
from cutreel.core.render.kernel_mix import lessened, stamp
from cutreel.core.render.kernel_over import sample_over, spans_of
from cutreel.core.render.kernel_turn import lay_turned

U8 = NDArray[np.uint8]
LEVELS = 1.6
"""Places are whole numbers of 1/256 of a pixel and values are rounded twice: so far a value may be off."""


def noise(high: int, wide: int, seed: int = 1) -> U8:
    """Blotches, so that neighbours differ by some levels and not by all."""
    rng = np.random.default_rng(seed)
    small = rng.integers(0, 255, (high // 6 + 2, wide // 6 + 2)).astype(np.float64)
    rows, columns = np.mgrid[0:high, 0:wide] / 6.0
    return np.rint(map_coordinates(small, [rows, columns], order=1)).astype(np.uint8)


def expected(src: U8, places: tuple[NDArray[np.float64], NDArray[np.float64]]) -> NDArray:
    rows, columns = np.broadcast_arrays(*places)
    return map_coordinates(src.astype(np.float64), [rows, columns], order=1, mode="nearest")


def holed(high: int, wide: int) -> tuple[U8, U8]:
    """A premultiplied plane with its alpha: two islands, soft at their edges, rows with nothing between."""
    rows, columns = np.mgrid[0:high, 0:wide]
    alpha = np.zeros((high, wide))
    for cy, cx, size in (
        (high * 0.25, wide * 0.3, high * 0.17),
        (high * 0.8, wide * 0.75, high * 0.13),
    ):
        alpha = np.maximum(alpha, np.clip(size - np.hypot(rows - cy, columns - cx), 0, 3) / 3)
    return (
        np.rint(noise(high, wide) * alpha).astype(np.uint8),
        np.rint(alpha * 255).astype(np.uint8),
    )


@pytest.mark.parametrize("size", [(37, 61), (64, 90), (6, 5), (2, 2)])
@pytest.mark.parametrize("step", [0.31, 1.0, 1.7, 5.3])
def test_sampling_agrees_with_scipy(size: tuple[int, int], step: float) -> None:
    src, out = noise(*size), np.empty((40, 66), np.uint8)
    x0, y0 = -1.3, 0.6
    sample(src, out, x0, y0, step, step)
    places = (
        y0 + (np.arange(40)[:, None] + 0.5) * step - 0.5,
        x0 + (np.arange(66)[None, :] + 0.5) * step - 0.5,
    )
    assert np.abs(out - expected(src, places)).max() < LEVELS


@pytest.mark.parametrize("step", [0.37, 1.0, 2.4])
@pytest.mark.parametrize("middle", [0, 128])
def test_laying_over_agrees_with_the_formula(step: float, middle: int) -> None:
    src, alpha = holed(60, 80)
    held = (src.astype(np.int16) + np.rint(middle * (1 - alpha / 255.0))).astype(np.uint8)
    before = noise(70, 96, 5)
    out = before.copy()
    sample_over(held, alpha, spans_of(alpha), out, 2.2, -3.4, step, step, middle)
    places = (
        -3.4 + (np.arange(70)[:, None] + 0.5) * step - 0.5,
        2.2 + (np.arange(96)[None, :] + 0.5) * step - 0.5,
    )
    value, cover = expected(held, places), expected(alpha, places) / 255
    assert np.abs(out - (value + (before.astype(float) - middle) * (1 - cover))).max() < LEVELS
    nothing = cover == 0
    assert nothing.mean() > 0.3
    assert (out[nothing] == before[nothing]).all()


def test_rows_moved_agree_with_scipy() -> None:
    src, out = noise(50, 70), np.empty((45, 60), np.uint8)
    aside, down = (np.sin(np.arange(45) / k).astype(np.float32) * 2 for k in (5, 7))
    sample_moved(src, out, 1.0, 2.0, 0.9, 0.8, aside, down)
    places = (
        2.0 + (np.arange(45)[:, None] + 0.5) * 0.8 - 0.5 + down[:, None],
        1.0 + (np.arange(60)[None, :] + 0.5) * 0.9 - 0.5 + aside[:, None],
    )
    # A row is moved within a row that was sampled already: twice between pixels.
    inside = np.s_[:, MOST_ASIDE // 6 : -MOST_ASIDE // 6]
    assert np.abs(out - expected(src, places))[inside].mean() < LEVELS


@pytest.mark.parametrize("angle", [0.0, 0.7, 2.2, 3.9, 5.5])
@pytest.mark.parametrize("scale", [0.6, 1.4])
def test_a_piece_is_turned_as_scipy_turns_it(angle: float, scale: float) -> None:
    src, alpha = holed(90, 120)
    piece = (10, 20, 90, 66)
    x, y, wide, high = piece
    c, s = np.cos(angle) / scale, np.sin(angle) / scale
    # The middle of the piece is laid on the middle of the canvas.
    matrix = np.array([c, -s, s, c, wide / 2 - 50 * (c + s), high / 2 - 50 * (c - s)], np.float32)
    before = noise(100, 100, 9)
    out, cover = before.copy(), np.zeros_like(before)
    lay_turned(src, alpha, out, cover, piece, matrix, (0, 0, 100, 100), 0, True)
    rows, columns = np.mgrid[0:100, 0:100] + 0.5
    a, b, cc, d, e, f = matrix.astype(np.float64)
    at = (b * columns + d * rows + f - 0.5, a * columns + cc * rows + e - 0.5)
    part = np.s_[y : y + high, x : x + wide]
    within = (at[0] >= 0) & (at[0] < high - 1.02) & (at[1] >= 0) & (at[1] < wide - 1.02)
    value, share = (np.where(within, expected(p[part], at), 0) for p in (src, alpha))
    laid = value + before * (1 - share / 255)
    assert (share > 0).mean() > 0.02
    assert np.abs(out - laid)[within].max() < 2 * LEVELS
    assert np.abs(cover - share)[within].max() < 2 * LEVELS
    far = (at[0] < -1) | (at[0] > high) | (at[1] < -1) | (at[1] > wide)
    assert (out[far] == before[far]).all()


def test_a_grade_looks_up_what_its_tables_say() -> None:
    rng = np.random.default_rng(3)
    y, u, v = noise(20, 30), noise(10, 15, 2), noise(10, 15, 4)
    light, table_u, table_v = (
        rng.integers(0, 255, n).astype(np.uint8) for n in (256, 65536, 65536)
    )
    at = (y[0::2, 0::2].astype(int) + y[1::2, 1::2] + 1) >> 1
    wanted = light[y], table_u[at * 256 + u], table_v[at * 256 + v]
    tint(y, u, v, table_u, table_v)
    lighten(y, in_pairs(light))
    for got, want in zip((y, u, v), wanted, strict=True):
        assert (got == want).all()


def test_stamping_and_lessening_agree_with_the_formula() -> None:
    src, alpha = holed(40, 50)
    before = noise(60, 70, 6)
    out = before.copy()
    stamp(out, src, alpha, 10, 12, 0)
    wanted = before.astype(np.float64)
    wanted[10:50, 12:62] = src + wanted[10:50, 12:62] * (1 - alpha / 255)
    assert np.abs(out - wanted).max() <= 1
    less = np.empty_like(src)
    lessened(src, 0.3, 128, less)
    assert np.abs(less - ((src.astype(np.float64) - 128) * 0.3 + 128)).max() <= 0.5
