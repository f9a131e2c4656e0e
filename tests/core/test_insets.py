"""Pictures laid over a shot: where they are and how large, by pixels against the formula; borders; ways to come and go;
the camera; arrangements; the film's mark in its corner."""

import io

import numpy as np
import pytest
from PIL import Image

from cutreel.core.insets import ARRANGED, BORDERS, COMES, Inset, arranged
from cutreel.core.motion import Window, layer_zoom, path_for
from cutreel.core.render import PlannedShot, Scene, SegmentPlan, frames_of, planes_of
from cutreel.core.render.insetting import KEEPS_AT, Insets
from cutreel.core.render.plan import PlannedMark

pytestmark = pytest.mark.thorough

W, H = 320, 180
GREY = planes_of(np.full((H * 2, W * 2, 3), 120, np.uint8))
MEDIA = "a" * 64 + ".png"


def png(wide: int = 120, high: int = 80, clear: bool = False) -> bytes:
    """Red all over; with `clear` only a disc of it."""
    pixels = np.zeros((high, wide, 4), np.uint8)
    pixels[...] = (220, 30, 30, 255)
    if clear:
        y, x = np.ogrid[-1 : 1 : high * 1j, -1 : 1 : wide * 1j]
        pixels[x * x + y * y > 1] = 0
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG")
    return out.getvalue()


def inset(**told) -> Inset:
    plain = {"shape": 1.5, "border": "none", "comes": "cut", "begin": 0.0}
    return Inset(media=MEDIA, **{**plain, **told})


def frames(*insets: Inset, clear: bool = False, move: str = "still", **plan) -> list[np.ndarray]:
    """Where each frame of four seconds is red (half planes)."""
    shot = PlannedShot(layers=[("a", 0.0)], move=move, insets=list(insets))
    scene = Scene(shot=shot, at=0, life=96, seconds=4.0)
    film = SegmentPlan(width=W, height=H, fps="24", quality="preview", frames=96, one=scene, **plan)
    drawn = frames_of(film, lambda name, depth: GREY, files=lambda name: png(clear=clear))
    return [frame[2].copy() > 165 for frame in drawn]


def box(there: np.ndarray) -> tuple[float, float, float, float]:
    """Middle, width and height in shares of the frame."""
    ys, xs = np.nonzero(there)
    high, wide = there.shape
    left, right, top, low = xs.min(), xs.max() + 1, ys.min(), ys.max() + 1
    return (
        (left + right) / 2 / wide,
        (top + low) / 2 / high,
        (right - left) / wide,
        (low - top) / high,
    )


def test_an_inset_is_where_it_was_put_and_as_large_as_it_says() -> None:
    """Its height is its size of the frame's, its width by its shape: 0.4 · 180 high, 1.5 times as wide."""
    seen = frames(inset(x=0.3, y=0.6, size=0.4))[50]
    assert box(seen) == pytest.approx((0.3, 0.6, 0.4 * 1.5 * H / W, 0.4), abs=0.02)
    assert seen.sum() == pytest.approx(0.4 * H / 2 * 0.6 * H / 2, rel=0.05), "all of it is filled"


def test_what_is_cut_out_is_no_box() -> None:
    """A disc has π/4 of its box."""
    seen = frames(inset(size=0.5), clear=True)[10]
    assert seen.sum() == pytest.approx(np.pi / 4 * (0.5 * H / 2) * (0.75 * H / 2), rel=0.06)


def test_it_is_there_in_its_time_alone() -> None:
    counts = [f.sum() for f in frames(inset(begin=1.0, seconds=1.5))]
    assert not any(counts[:24]) and all(counts[25:48]) and not any(counts[61:])
    assert frames(inset(begin=1.0))[95].any(), "without a length it stays until the shot ends"


@pytest.mark.parametrize("comes", COMES)
def test_it_comes_as_it_is_asked_to(comes) -> None:
    film = frames(inset(comes=comes, x=0.5, y=0.5, size=0.4))
    rest = box(film[40])
    assert rest == pytest.approx((0.5, 0.5, 0.6 * H / W, 0.4), abs=0.02)
    early = film[5]
    if comes == "cut":
        assert (film[0] == film[40]).all()
    elif comes == "fade":
        assert early.sum() < film[40].sum()
    elif comes == "grow":
        assert box(film[8])[2] < 0.95 * rest[2]
    else:
        assert early.sum() < film[40].sum() or box(early)[:2] != pytest.approx(rest[:2], abs=0.01)
    assert comes == "cut" or not film[0].any() or (film[0] != film[40]).any()


def test_it_goes_from_place_to_place_and_comes_nearer() -> None:
    film = frames(inset(x=0.2, y=0.5, to=(0.8, 0.5), size=0.2))
    ways = [box(f)[0] for f in film]
    assert ways == sorted(ways) and ways[0] == pytest.approx(0.2, abs=0.02)
    assert ways[-1] == pytest.approx(0.8, abs=0.02) and ways[48] == pytest.approx(0.5, abs=0.03)
    near = frames(inset(size=0.4, nearer=0.3))
    assert box(near[95])[3] / box(near[0])[3] == pytest.approx(1.3, abs=0.05)


def test_it_keeps_to_the_frame_or_to_the_picture() -> None:
    """By the camera's formula: a place p is seen at (p - window) zoom + 1/2."""
    kept = frames(inset(x=0.7, y=0.5, size=0.2), move="push")
    assert (kept[0] == kept[95]).all()
    moved = frames(inset(x=0.7, y=0.5, size=0.2, keeps="picture"), move="push")
    window = layer_zoom(path_for("push", 4.0).at(1.0), KEEPS_AT)
    x = (0.7 - window.x) * window.zoom + 0.5
    assert box(moved[95])[0] == pytest.approx(x, abs=0.015)
    assert box(moved[95])[2] / box(moved[0])[2] == pytest.approx(
        window.zoom / layer_zoom(path_for("push", 4.0).at(0.0), KEEPS_AT).zoom, abs=0.05
    )


def test_a_still_inset_is_sharp() -> None:
    """Lines one pixel wide of a picture that is as large as it is shown stay as they are."""
    pixels = np.zeros((90, 120, 3), np.uint8)
    pixels[:, ::2] = 255
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG")
    still = inset(x=0.431, y=0.377, size=0.5, shape=120 / 90)
    [(planes, window)] = Insets([still], 4.0, W, H, lambda n: out.getvalue()).laid(
        1.0, Window(0.5, 0.5, 1.0), "frame"
    )
    from cutreel.core.render.compositor import Compositor

    desk = Compositor(W, H)
    frame = desk.new_frame()
    for plane in frame:
        plane[:] = 128
    desk._lay(planes, window, frame)
    row = frame[0][round(0.377 * H)]
    assert set(np.unique(row[90:180])) == {16, 235}


@pytest.mark.parametrize("border", BORDERS)
def test_a_border_is_around_the_picture_and_takes_nothing_of_its_place(border) -> None:
    bare, framed = (frames(inset(size=0.5, border=b))[40] for b in ("none", border))
    if border == "round":
        side = 0.5 * H / 2
        assert framed.sum() == pytest.approx(np.pi / 4 * side * side, rel=0.12)
    else:
        assert framed.sum() == pytest.approx(bare.sum(), rel=0.08)
    assert box(framed)[:2] == pytest.approx((0.5, 0.42), abs=0.04)


def test_a_turned_inset_is_as_large_as_before() -> None:
    upright, turned = (frames(inset(size=0.4, turn=t))[10] for t in (0, 20))
    assert turned.sum() == pytest.approx(upright.sum(), rel=0.05)
    assert box(turned)[2] > box(upright)[2]


@pytest.mark.parametrize("how", ARRANGED)
@pytest.mark.parametrize("frame", [16 / 9, 9 / 16, 1.0])
@pytest.mark.parametrize("count", [1, 2, 3, 4])
def test_arranged_ones_lie_apart_in_the_frame_and_off_the_captions(how, frame, count) -> None:
    shapes = [1.5, 0.7, 1.0, 2.2][:count]
    laid = arranged([inset(shape=s, size=0.9) for s in shapes], how, frame)
    boxes = [(i.x, i.y, i.size * i.shape / frame, i.size) for i in laid]
    for x, y, wide, high in boxes:
        assert (
            x - wide / 2 > 0.03
            and x + wide / 2 < 0.97
            and y - high / 2 > 0.03
            and y + high / 2 < 0.8
        )
    for n, (x, y, wide, high) in enumerate(boxes):
        for x2, y2, wide2, high2 in boxes[n + 1 :]:
            assert abs(x - x2) >= (wide + wide2) / 2 or abs(y - y2) >= (high + high2) / 2


@pytest.mark.parametrize("corner,at", [("top right", (0.91, 0.07)), ("low left", (0.09, 0.93))])
def test_the_mark_of_the_film_stands_in_its_corner_all_the_time(corner, at) -> None:
    film = frames(mark=PlannedMark(media=MEDIA, at=at))
    assert (film[0] == film[95]).all()
    x, y, wide, high = box(film[0])
    assert (x > 0.5) == ("right" in corner) and (y > 0.5) == ("low" in corner)
    assert high == pytest.approx(0.1, abs=0.02) and min(x - wide / 2, 1 - x - wide / 2) > 0.02


def test_nothing_laid_over_changes_no_key() -> None:
    plain = PlannedShot(layers=[("a", 0.0)])
    assert plain.model_dump(exclude_defaults=True) == {"layers": [("a", 0.0)]}
