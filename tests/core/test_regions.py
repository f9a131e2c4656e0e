"""Parts of a picture that move by themselves: by pixels, beside scikit-image's registration and its inpainting."""

import io

import numpy as np
import pytest
from PIL import Image
from skimage.registration import phase_cross_correlation
from skimage.restoration import inpaint_biharmonic

from cutreel.core.motion import LOOSE, WAYS, Ground, RegionMove, jaw_at
from cutreel.core.pictures import filled
from cutreel.core.render import PlannedShot, painter, plan_segments, planes_of
from cutreel.core.render.compositor import Compositor
from cutreel.core.timeline import FrameRate, Region, Span

pytestmark = pytest.mark.thorough

W, H = 480, 270
RNG = np.random.default_rng(11)
FRAMES = 48
RATE = FrameRate.parse("24")
BENT = [w for w in WAYS if w not in LOOSE]


def noise(fine: int = 6) -> np.ndarray:
    """A picture with something to hold on to everywhere: soft noise."""
    small = Image.fromarray(RNG.integers(40, 210, (H // fine, W // fine, 3), np.uint8))
    return np.asarray(small.resize((W, H), Image.Resampling.BICUBIC))


PICTURE = noise()


def mask(left: int, top: int, right: int, bottom: int) -> bytes:
    marked = np.zeros((H, W), np.uint8)
    marked[top:bottom, left:right] = 255
    out = io.BytesIO()
    Image.fromarray(marked).save(out, "PNG")
    return out.getvalue()


BOX = (160, 80, 320, 200)


def film(*moves: RegionMove, picture: np.ndarray = PICTURE, box=BOX, move="still", **more):
    """What draws frames of a shot of two seconds by their number: brightness, as numbers with a sign."""
    regions = [Region(mask="m", move=m, **more.pop("region", {})) for m in moves]
    shot = PlannedShot(layers=[("p", 0.0)], regions=regions, move=move, **more)
    ((_, plan),) = plan_segments([shot], [Span(0, FRAMES)], [], (), RATE, W, H, "preview")
    draw = painter(plan, lambda m, d: planes_of(picture, d), files=lambda name: mask(*box))
    out = Compositor(W, H).new_frame()

    def frame(number: int) -> np.ndarray:
        draw(number, out)
        return np.dstack((out[0], *(p.repeat(2, 0).repeat(2, 1) for p in out[1:]))).astype(int)

    return frame


def outside(by: int = 0) -> np.ndarray:
    left, top, right, bottom = BOX
    out = np.ones((H, W), bool)
    out[top - by : bottom + by, left - by : right + by] = False
    return out


@pytest.mark.parametrize("way", BENT)
def test_outside_what_is_bent_nothing_moves_by_a_pixel(way) -> None:
    still = film()(0)
    mouth = {"region": {"mouth": [(0.0, "gape")]}}
    frame = film(RegionMove(way=way, amount="high"), **mouth)
    moved = [np.abs(frame(n) - still).max(2) for n in (5, 17, 40)]
    assert all(m[outside()].max() == 0 for m in moved)
    assert max(m[~outside()].max() for m in moved) > 8, "inside it does"


@pytest.mark.parametrize("way", [w for w in WAYS if w not in ("stand nearer", "speak", "flicker")])
def test_what_repeats_ends_as_it_began(way) -> None:
    frame = film(RegionMove(way=way, repeats=True))
    first, half = frame(0), frame(FRAMES // 3)
    seam = np.abs(frame(FRAMES) - first).mean()
    assert seam < 0.05 < np.abs(half - first).mean()


@pytest.mark.parametrize("way", ["drift", "bob", "swing", "turn"])
def test_what_goes_uncovers_what_is_behind_it(way) -> None:
    """A dark square before a sky: whatever it uncovers looks like the sky there, and nothing of it stays behind."""
    sky = np.zeros((H, W, 3), np.uint8)
    sky[...] = np.linspace(120, 220, H)[:, None, None]
    picture = sky.copy()
    picture[100:150, 200:260] = 20
    frame = film(RegionMove(way=way, amount="high"), picture=picture, box=(200, 100, 260, 150))
    plain = film(picture=sky)(0)[..., 0]
    for n in (0, 11, 30):
        seen = frame(n)[..., 0]
        dark = seen < 70
        assert 0.85 < dark.sum() / 3000 < 1.15, "it is as large as it was"
        light = seen[~dark & (np.abs(seen - plain) > 12)]
        assert light.size < 700, "its soft edge alone is neither it nor the sky"


def test_a_fill_is_smooth_and_leaves_everything_else_as_it_was() -> None:
    rows, columns = np.mgrid[0:90, 0:120]
    ramp = np.dstack((rows * 2, columns * 2, 255 - rows - columns)).astype(np.uint8)
    hole = np.zeros((90, 120), bool)
    hole[30:60, 40:80] = True
    spoilt = ramp.copy()
    spoilt[hole] = 0
    made = filled(spoilt, hole)
    assert np.array_equal(made[~hole], ramp[~hole])
    off = np.abs(made[hole].astype(int) - ramp[hole]).mean()
    # Biharmonic inpainting (scikit-image) makes a ramp anew exactly; ours is much quicker and nearly does.
    best = inpaint_biharmonic(spoilt, hole, channel_axis=-1) * 255
    assert np.abs(best[hole] - ramp[hole]).mean() < 2
    assert off < 8
    nothing = np.zeros((90, 120), bool)
    assert filled(ramp, nothing) is ramp


@pytest.mark.parametrize(("towards", "down", "right"), [(0, 0, 1), (90, 1, 0), (180, 0, -1)])
def test_water_flows_where_it_is_told_to(towards, down, right) -> None:
    """Between neighbouring frames, in the middle of the water, by cross-correlation. While one picture of the water
    fades into the other they seem slower than either is."""
    frame = film(RegionMove(way="flow", towards=towards, pace="quick"))
    left, top, r, b = (BOX[0] + 45, BOX[1] + 35, BOX[2] - 45, BOX[3] - 35)
    moved = []
    for n in range(4, 28):
        one, two = (frame(n + i)[top:b, left:r, 0].astype(float) for i in (0, 1))
        shift, _, _ = phase_cross_correlation(
            two - two.mean(), one - one.mean(), upsample_factor=20, normalization=None
        )
        moved.append(shift)
    y, x = np.mean(moved, axis=0)
    most = 0.06 * H * 1.8 / 24
    along, across = (y * down + x * right, x * down + y * right)
    assert 0.25 * most < along < 1.1 * most
    assert abs(across) < 0.1 * most


def test_a_mouth_opens_with_the_shapes_of_the_voice() -> None:
    """A drawn mouth, a dark line: how much of it is dark follows the jaw, within two frames."""
    face = np.full((H, W, 3), 190, np.uint8)
    face[138:142, 215:265] = 60
    shapes = [(0.0, "rest"), (0.5, "gape"), (1.0, "pressed"), (1.4, "open"), (1.8, "rest")]
    frame = film(
        RegionMove(way="speak"), picture=face, box=(190, 100, 290, 180), region={"mouth": shapes}
    )
    dark = np.array([(frame(n)[..., 0] < 110).sum() for n in range(FRAMES)])
    at = lambda seconds: round(seconds * 24)  # noqa: E731
    assert dark[at(0.75)] > dark[at(1.6)] > 1.3 * dark[at(0.2)]
    for begins, ends in ((0.5, 1.0), (1.4, 1.8)):
        opened = np.flatnonzero(dark > dark[0] * 1.25) / 24
        here = opened[(opened > begins - 0.2) & (opened < ends + 0.2)]
        assert here.min() == pytest.approx(begins, abs=2.1 / 24)
        assert here.max() == pytest.approx(ends, abs=2.1 / 24)
    assert jaw_at([], 1.0) == (0.0, 0.0)


def test_what_stands_nearer_grows_more_as_the_camera_comes_nearer() -> None:
    picture = np.full((H, W, 3), 200, np.uint8)
    picture[100:160, 200:280] = 30
    box = (196, 96, 284, 164)

    def grown(*moves: RegionMove) -> float:
        frame = film(*moves, picture=picture, box=box, move="push")
        sizes = [np.clip(187 - frame(n)[..., 0], 0, None).sum() for n in (0, FRAMES - 1)]
        return float(sizes[1] / sizes[0])

    flat = grown()
    little, much = (grown(RegionMove(way="stand nearer", amount=a)) for a in ("low", "high"))
    assert flat * 1.005 < little < much


def test_ground_comes_nearer_below_the_horizon_and_stays_as_it_is_above() -> None:
    lines = np.full((H, W, 3), 120, np.uint8)
    for y in (60, 120, 180, 240):
        lines[y : y + 4] = 230
    plain = film(picture=lines, move="push")(FRAMES - 1)[..., 0]
    ground = film(picture=lines, move="push", ground=Ground(horizon=0.5))(FRAMES - 1)[..., 0]
    assert np.array_equal(plain[:130], ground[:130])
    middle = lambda f: f[140:, W // 2].astype(float)  # noqa: E731
    where = lambda f: (middle(f) - 120) @ np.arange(130) / (middle(f) - 120).sum()  # noqa: E731
    assert where(ground) > where(plain) + 1
    # At rest there is nothing to be seen of it.
    assert np.array_equal(
        film(picture=lines)(0), film(picture=lines, ground=Ground(horizon=0.5))(0)
    )


def test_a_region_is_in_the_foremost_layer_that_has_most_of_it() -> None:
    """A board with a hole, before a wall: what is marked on the board moves in the board, the wall stands still."""
    wall = np.full((H, W, 3), 60, np.uint8)
    board = np.zeros((H, W, 4), np.uint8)
    board[60:220, 100:380] = (*([210] * 3), 255)
    board[120:150, 220:250, :3] = 120
    shot = PlannedShot(
        layers=[("wall", 0.0), ("board", 0.5)],
        regions=[Region(mask="m", move=RegionMove(way="drift", amount="high"))],
        move="still",
    )
    ((_, plan),) = plan_segments([shot], [Span(0, FRAMES)], [], (), RATE, W, H, "preview")
    pictures = {"wall": wall, "board": board}
    draw = painter(
        plan, lambda m, d: planes_of(pictures[m], d), files=lambda n: mask(220, 120, 250, 150)
    )
    out = Compositor(W, H).new_frame()
    seen = []
    for n in (0, FRAMES - 1):
        draw(n, out)
        seen.append(out[0].astype(int))
    knot = [np.argwhere((s > 105) & (s < 135)).mean(0) for s in seen]
    assert knot[1][1] - knot[0][1] > 5, "the knot drifts"
    assert all(s[75:205, 115:365].min() > 90 for s in seen), "and the board goes on behind it"
