"""A jointed figure in frames, water that runs, light that trembles: by pixels."""

from dataclasses import replace
from itertools import pairwise

import numpy as np
import pytest

from cutreel.core.motion import Act, Acting, Air, Flame, Water, path_for, swell
from cutreel.core.render import (
    Compositor,
    PlannedShot,
    Puppet,
    Shown,
    frames_of,
    plan_segments,
    planes_of,
    rgb_of,
)
from cutreel.core.render.grains import AirLayer
from cutreel.core.timeline import FrameRate, Span, Strip
from tests.jointed import SIZE, figure_in

pytestmark = pytest.mark.thorough

W, H = SIZE
RNG = np.random.default_rng(4)
BACK = planes_of(RNG.integers(20, 230, (H, W, 3), np.uint8))


def drawn(layers, at: int = 0, frames: int = 96, **more) -> list[np.ndarray]:
    """The planes of one frame at the picture's own size, the camera still."""
    desk = Compositor(W, H)
    out = desk.new_frame()
    desk.draw(Shown(layers, path_for("still", 4.0), frames, **more), at, out)
    return [p.copy() for p in out]


def puppet(*acts: Act, pose: str = "stand") -> Puppet:
    figure, sheet = figure_in(pose)
    return Puppet(figure, planes_of(sheet, 0.5), Acting(acts=list(acts)), SIZE)


def test_a_figure_stands_where_its_pieces_say_and_nothing_else_moves_by_a_pixel() -> None:
    plain = drawn([BACK])
    acting = puppet(Act(action="wave", start=0.2, seconds=2.4))
    figure, _ = figure_in()
    reach = 200  # an arm's length about the figure
    left, right = (int(f(x for x, _ in figure.pins.values())) for f in (min, max))
    top = int(min(y for _, y in figure.pins.values()))
    moved = np.zeros((H, W), bool)
    frames = [drawn([BACK, acting], n * 6)[0] for n in range(12)]
    for frame in frames:
        moved |= frame != plain[0]
    rows, columns = np.nonzero(moved)
    assert (
        left - reach < columns.min() and columns.max() < right + reach and rows.min() > top - reach
    )
    assert any(not np.array_equal(a, b) for a, b in pairwise(frames))


def test_at_rest_its_pieces_are_what_the_sheet_has() -> None:
    figure, sheet = figure_in()
    there = drawn([BACK, puppet()], 0)
    torso = next(p for p in figure.pieces if p.bone == "torso")
    x, y = torso.left + torso.width // 2, torso.top + torso.height // 2
    wanted = sheet[torso.height // 2, torso.x + torso.width // 2, :3]
    near = rgb_of(tuple(there))[y - 4 : y + 4, x - 4 : x + 4].reshape(-1, 3).mean(0)
    assert near == pytest.approx(wanted, abs=8)


def test_a_held_drawing_is_the_same_and_a_frame_can_be_drawn_alone() -> None:
    acting = puppet(Act(action="laugh", start=0, seconds=2.4))
    frames = [drawn([BACK, acting], n) for n in range(8)]
    assert np.array_equal(frames[2][0], frames[3][0]) and not np.array_equal(
        frames[3][0], frames[4][0]
    )
    alone = drawn([BACK, puppet(Act(action="laugh", start=0, seconds=2.4))], 5)
    assert all(np.array_equal(a, b) for a, b in zip(alone, frames[5], strict=True))


def test_words_that_begin_later_are_acted_later() -> None:
    early = drawn([BACK, puppet(Act(action="nod", start=0, seconds=1))], 12)
    late = drawn([BACK, puppet(Act(action="nod", start=0, seconds=1))], 20, lead=8)
    assert all(np.array_equal(a, b) for a, b in zip(early, late, strict=True))


def test_a_figure_stands_where_it_stood_when_its_picture_was_enlarged() -> None:
    figure, sheet = figure_in()
    pieces = planes_of(sheet, 0.5)
    small = np.full((H, W, 3), 120, np.uint8)
    backs = {"small": planes_of(small), "large": planes_of(small.repeat(2, 0).repeat(2, 1))}

    def frame(back: str) -> np.ndarray:
        strips = [
            Strip(media=back),
            Strip(media="sheet", depth=0.5, figure="told", acting=Acting(), size=SIZE),
        ]
        shot = PlannedShot(layers=[(back, 0.0)], strips=strips, move="still")
        ((_, plan),) = plan_segments(
            [shot], [Span(0, 24)], [], (), FrameRate.parse("24"), 640, 360, "preview"
        )
        shown = frames_of(plan, lambda media, _: backs.get(media, pieces), lambda _: figure)
        return next(shown)[0].copy()

    assert np.abs(frame("small").astype(int) - frame("large").astype(int)).max() <= 2


def test_who_has_walked_out_is_not_in_the_picture_and_costs_nothing() -> None:
    gone = puppet(Act(action="walk out", start=-3.1, seconds=3.0, travel=3.0))
    assert gone.drawing(2.0) is None
    assert all(
        np.array_equal(a, b) for a, b in zip(drawn([BACK]), drawn([BACK, gone], 48), strict=True)
    )


def with_water(water: Water):
    return replace(BACK, water=water)


def test_water_runs_below_its_far_edge_and_nothing_does_above() -> None:
    still = drawn([BACK])
    frames = [drawn([with_water(Water(top=0.6, bottom=1.0))], n) for n in (0, 7)]
    edge = round(0.6 * H)
    for frame in frames:
        assert np.array_equal(frame[0][: edge - 1], still[0][: edge - 1])
        assert not np.array_equal(frame[0][edge + 60 :], still[0][edge + 60 :])
    assert not np.array_equal(frames[0][0], frames[1][0])


def test_water_near_the_viewer_moves_more_and_never_far() -> None:
    heights = np.linspace(0.5, 1.0, 400)
    water = Water(top=0.5, bottom=1.0)
    aside = np.stack([swell(water, heights, n / 24)[0] for n in range(240)])
    spread = np.abs(aside).max(0)
    assert spread[0] == 0 and spread[300] > 3 * spread[60] > 0
    assert spread.max() * H < 5, "a few pixels"
    assert np.array_equal(*[swell(water, heights, 3.3)[0] for _ in range(2)])
    assert np.all(swell(water, np.array([0.2, 0.49]), 1.0)[0] == 0)


def test_a_flame_lights_only_what_it_reaches_and_trembles() -> None:
    still = drawn([BACK])
    flame = Flame(x=0.5, y=0.5, reach=0.2)
    frames = [drawn([BACK], n, flames=[flame]) for n in range(0, 48, 6)]
    y, x = np.mgrid[0:H, 0:W]
    far = (
        np.hypot(x - W / 2, y - H / 2) > 0.2 * H * 1.1
    )  # what stands nearer is seen a little larger
    for frame in frames:
        assert np.array_equal(frame[0][far], still[0][far])
        assert np.array_equal(frame[1], still[1]), "its colour stays"
    middle = [
        float(f[0][H // 2 - 20 : H // 2 + 20, W // 2 - 20 : W // 2 + 20].mean()) for f in frames
    ]
    assert 2 < max(middle) - min(middle) < 40


def test_air_is_laid_over_a_frame_and_the_same_again() -> None:
    still = drawn([BACK])
    for kind, least in (("snow", 0.004), ("rain", 0.004), ("mist", 0.1)):
        air = [AirLayer(Air(kind=kind, seed=2), W, H)]
        one, again = drawn([BACK], 30, air=air), drawn([BACK], 30, air=air)
        assert np.array_equal(one[0], again[0])
        changed = (one[0] != still[0]).mean()
        assert changed > least, kind


def test_stars_stand_in_the_dark_alone_and_behind_the_figures() -> None:
    dark = planes_of(np.full((H, W, 3), 18, np.uint8))
    bright = planes_of(np.full((H, W, 3), 220, np.uint8))
    stars = [AirLayer(Air(kind="stars", seed=2), W, H)]
    assert (drawn([dark], 0, air=stars)[0] != drawn([dark])[0]).sum() > 50
    assert np.array_equal(drawn([bright], 0, air=stars)[0], drawn([bright])[0])
    wall = np.zeros((H, W, 4), np.uint8)
    wall[..., :3], wall[..., 3] = 18, 255
    hidden = planes_of(wall, 0.5)
    assert np.array_equal(drawn([dark, hidden], 0, air=stars)[0], drawn([dark, hidden])[0])
