"""Grades: what their parts do to brightness and colour, and look-up tables beside ffmpeg's own reading of them
(the filter lut3d, through PyAV)."""

from fractions import Fraction

import av
import numpy as np
import pytest

from cutreel.core.effects import (
    GRADES,
    SAME,
    Finish,
    Grade,
    cube_of,
    cube_text,
    less,
    one_after_another,
    read_cube,
    tables_of,
)
from cutreel.core.errors import BadInput
from cutreel.core.render import planes_of
from cutreel.core.render.finishing import Finishing

pytestmark = pytest.mark.thorough

W, H = 160, 90
COLOURS = np.random.default_rng(4).integers(0, 256, (H, W, 3), np.uint8)


def by_ffmpeg(text: str, rgb: np.ndarray, folder, how: str = "trilinear") -> np.ndarray:
    """What ffmpeg's lut3d makes of a picture."""
    path = folder / "table.cube"
    path.write_text(text)
    graph = av.filter.Graph()
    start = graph.add_buffer(
        width=rgb.shape[1], height=rgb.shape[0], format="rgb24", time_base=Fraction(1, 24)
    )
    table = graph.add("lut3d", f"file={path}:interp={how}")
    end = graph.add("buffersink")
    start.link_to(table)
    table.link_to(end)
    graph.configure()
    frame = av.VideoFrame.from_ndarray(rgb, "rgb24")
    frame.pts = 0
    graph.push(frame)
    return graph.pull().to_ndarray(format="rgb24")


def rgb_of(frame) -> np.ndarray:
    """BT.709 in studio range, back to colours."""
    y, u, v = (p.astype(float) for p in frame)
    u, v = (np.kron(p, np.ones((2, 2))) for p in (u, v))
    luma = (y - 16) / 219
    blue, red = luma + (u - 128) * 1.8556 / 224, luma + (v - 128) * 1.5748 / 224
    green = (luma - 0.2126 * red - 0.0722 * blue) / 0.7152
    return np.clip(np.stack([red, green, blue], -1) * 255, 0, 255)


def finished(rgb: np.ndarray, finish: Finish, lut: str = "") -> np.ndarray:
    planes = planes_of(rgb)
    frame = (planes.y.copy(), planes.u.copy(), planes.v.copy())
    Finishing(finish, rgb.shape[1], rgb.shape[0], 24.0, lut).apply(frame, 3, 0)
    return rgb_of(frame)


def flat(*colours: tuple[int, int, int]) -> np.ndarray:
    """Large squares of colour, whose colour planes lose nothing."""
    row = np.repeat(np.array(colours, np.uint8)[None], 16, axis=1).repeat(1, axis=0)
    return (
        np.repeat(np.repeat(np.array(colours, np.uint8), 16, axis=0)[None], 16, axis=0)
        + 0 * row[:1, :1]
    )


def test_without_a_grade_all_stays_as_it_is() -> None:
    assert np.allclose(tables_of(Grade()).y[16:236], np.arange(16, 236), atol=1e-3)
    assert Finish().plain and not Finish(grade=Grade(warmth=0.1)).plain
    assert np.allclose(tables_of(Grade()).scale[17:236], 1, atol=0.02)


@pytest.mark.parametrize("name", GRADES)
def test_no_grade_turns_brightness_around(name) -> None:
    y = tables_of(GRADES[name]).y
    assert (np.diff(y[16:236]) >= -1e-3).all()
    assert y[16:236].min() >= 15.9 and y.max() <= 236


def test_light_goes_by_stops() -> None:
    """A stop is twice the light. Down, what was held by gamma 2.2 is a factor of 2^(1/2.2); up, small values rise by
    it, and white stays."""
    down = tables_of(Grade(exposure=-1)).y
    assert np.allclose((down[60:200] - 16) / (np.arange(60, 200) - 16), 2 ** (-1 / 2.2), atol=1e-3)
    up = tables_of(Grade(exposure=1)).y
    assert (up[20] - 16) / 4 == pytest.approx(2 ** (1 / 2.2), rel=0.03)
    assert up[235] == pytest.approx(235)


def test_a_curve_goes_through_its_points_and_never_back() -> None:
    points = ((0.25, 0.1), (0.5, 0.62), (0.75, 0.7))
    y = tables_of(Grade(curve=points)).y
    for before, after in points:
        at = 16 + before * 219
        assert np.interp(at, np.arange(256), y) == pytest.approx(16 + after * 219, abs=0.6)
    assert (np.diff(y[16:236]) >= 0).all()


def test_warmth_moves_grey_towards_a_lamp_and_grey_colour_is_grey() -> None:
    grey = flat((128, 128, 128))
    warm, cold = (finished(grey, Finish(grade=Grade(warmth=w)))[8, 8] for w in (0.8, -0.8))
    assert warm[0] > 132 and warm[2] < 124 and cold[0] < 124 and cold[2] > 132
    colours = finished(flat((200, 40, 60), (20, 90, 190)), Finish(grade=Grade(saturation=0)))
    assert np.ptp(colours, axis=-1).max() < 3


def test_tints_colour_dark_and_light_parts_apart() -> None:
    tinted = finished(
        flat((30, 30, 30), (225, 225, 225)),
        Finish(grade=Grade(shadows="#0000ff", lights="#ffff00")),
    )
    dark, light = tinted[8, 8], tinted[8, 24]
    assert dark[2] - dark[0] > 20 and light[0] - light[2] > 20


def test_one_grade_after_another_is_both() -> None:
    first, then = GRADES["summer"], GRADES["faded print"]
    rgb = flat((200, 120, 60), (40, 90, 140), (128, 128, 128))
    both = finished(rgb, Finish(grade=first, mood=then))
    again = finished(
        np.rint(finished(rgb, Finish(grade=first))).astype(np.uint8), Finish(grade=then)
    )
    assert np.abs(both - again).max() < 4
    same = one_after_another(SAME, tables_of(first))
    assert np.allclose(same.y, tables_of(first).y, atol=1e-3)


def test_a_share_of_a_grade_lies_between() -> None:
    whole, none = tables_of(GRADES["fire"]).y, np.arange(256)
    half = tables_of(less(GRADES["fire"], 0.5)).y
    assert (np.minimum(whole, none)[16:236] - 1 <= half[16:236]).all()
    assert (half[16:236] <= np.maximum(whole, none)[16:236] + 1).all()
    assert less(GRADES["fire"], 1) == GRADES["fire"]


def test_tables_are_read_as_ffmpeg_reads_them(tmp_path) -> None:
    rng = np.random.default_rng(2)
    axis = np.linspace(0, 1, 9)
    b, g, r = np.meshgrid(axis, axis, axis, indexing="ij")
    bent = np.stack([r**0.8, 0.9 * g + 0.1 * r, 1 - (1 - b) ** 1.3], -1)
    bent = np.clip(bent + rng.normal(0, 0.01, bent.shape), 0, 1)
    rows = "\n".join(" ".join(f"{c:.6f}" for c in row) for row in bent.reshape(-1, 3))
    text = f'# ours\nTITLE "bent"\nLUT_3D_SIZE 9\nDOMAIN_MIN 0 0 0\nDOMAIN_MAX 1 1 1\n\n{rows}\n'
    cube = read_cube(text)
    assert cube.title == "bent"
    ours = cube.colours(COLOURS.astype(np.float32) / 255) * 255
    assert np.abs(ours - by_ffmpeg(text, COLOURS, tmp_path)).max() <= 1.01
    assert np.array_equal(read_cube(cube_text(cube)).table, cube.table)


def test_a_film_is_graded_by_a_table_as_ffmpeg_grades_it(tmp_path) -> None:
    """Within what two roundings to planes of eight bits, and a table of planes in between, lose."""
    rng = np.random.default_rng(6)
    squares = flat(*rng.integers(30, 226, (10, 3)).tolist())
    text = cube_text(cube_of(tables_of(GRADES["summer"]), "summer"))
    table = Grade(lut="0" * 64 + ".cube")
    ours = finished(squares, Finish(grade=table), text)
    theirs = by_ffmpeg(text, squares, tmp_path).astype(float)
    assert np.abs(ours - theirs).max() < 6 and np.abs(ours - theirs).mean() < 2
    half = finished(squares, Finish(grade=table.model_copy(update={"lut_amount": 0.5})), text)
    assert np.abs(half - (ours + squares) / 2).max() < 5


@pytest.mark.parametrize("name", ["lamplight", "winter", "storm"])
def test_a_grade_taken_out_is_the_same_elsewhere(name, tmp_path) -> None:
    rng = np.random.default_rng(7)
    squares = flat(*rng.integers(40, 216, (10, 3)).tolist())
    theirs = by_ffmpeg(cube_text(cube_of(tables_of(GRADES[name]), name)), squares, tmp_path)
    ours = finished(squares, Finish(grade=GRADES[name]))
    assert np.abs(ours - theirs).max() < 7 and np.abs(ours - theirs).mean() < 2


def test_tables_of_one_dimension_and_other_ranges() -> None:
    cube = read_cube("LUT_1D_SIZE 2\n0 0 0\n1 0.5 0.25\n")
    assert np.allclose(
        cube.colours(np.float32([[1, 1, 1], [0.5, 0.5, 0.5]])), [[1, 0.5, 0.25], [0.5, 0.25, 0.125]]
    )
    wide = read_cube(
        "LUT_3D_SIZE 2\nDOMAIN_MAX 2 2 2\n"
        + "\n".join(f"{r} {g} {b}" for b in (0, 1) for g in (0, 1) for r in (0, 1))
    )
    assert np.allclose(wide.colours(np.float32([[1, 1, 1]])), 0.5)


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("", "0 points"),
        ("LUT_3D_SIZE 2\n0 0 0\n", "has 1 rows"),
        ("LUT_3D_SIZE 999\n", "Line 1"),
        ("LUT_3D_SIZE 2\n0 0\n", "Line 2"),
        ("LUT_3D_SIZE 2\n0 0 nan\n", "Line 2"),
        ("LUT_3D_SIZE two\n", "Line 1"),
        ("hello there\n", "Line 1"),
        ("LUT_1D_SIZE 2\nDOMAIN_MIN 1 1 1\n0 0 0\n1 1 1\n", "no extent"),
    ],
)
def test_a_table_that_is_none_is_told_so(text, says) -> None:
    with pytest.raises(BadInput, match=says):
        read_cube(text)
