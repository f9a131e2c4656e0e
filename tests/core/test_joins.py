"""Joins: planned by what turns, drawn as a formula in NumPy draws them, and patterns that are over by half at half time."""

from itertools import pairwise

import numpy as np
import pytest
from PIL import Image

from cutreel.core.film import Offered, Settings, assemble, new_film, read_film
from cutreel.core.film.changes import apply_command
from cutreel.core.film.commands import SetShots
from cutreel.core.joins import edge_map, plan_joins
from cutreel.core.joins.planned import APART, Around
from cutreel.core.render import PlannedShot, Scene, SegmentPlan, frames_of, planes_of
from cutreel.core.render.plan import shaping
from cutreel.core.timeline import JOIN_KINDS, PATTERNS, WAYS, JoinHow, eased

pytestmark = pytest.mark.thorough

W, H, FRAMES = 160, 90, 11
CHANCE = np.random.default_rng(8)


def picture(seed: int) -> np.ndarray:
    small = np.random.default_rng(seed).integers(0, 256, (6, 10, 3), np.uint8)
    return np.asarray(Image.fromarray(small).resize((W, H), Image.Resampling.BICUBIC))


PICTURES = {"a": planes_of(picture(1)), "b": planes_of(picture(2))}


def drawn(how: JoinHow | None) -> list[tuple[np.ndarray, ...]]:
    """The frames of a join between two pictures under a camera that stands still."""

    def scene(name: str) -> Scene:
        return Scene(
            shot=PlannedShot(layers=[(name, 0.0)], move="still"), at=0, life=24, seconds=1.0
        )

    plan = SegmentPlan(
        width=W, height=H, fps="24", quality="preview", frames=FRAMES, one=scene("a"), other=scene("b"),
        join=how,
    )  # fmt: skip
    return [tuple(p.copy() for p in f) for f in frames_of(plan, lambda name, depth: PICTURES[name])]


def alone(name: str) -> tuple[np.ndarray, ...]:
    scene = Scene(shot=PlannedShot(layers=[(name, 0.0)], move="still"), at=0, life=24, seconds=1.0)
    plan = SegmentPlan(width=W, height=H, fps="24", quality="preview", frames=1, one=scene)
    (frame,) = frames_of(plan, lambda n, depth: PICTURES[n])
    return tuple(p.copy() for p in frame)


A, B = alone("a"), alone("b")
TIMES = [(n + 1) / (FRAMES + 1) for n in range(FRAMES)]


@pytest.mark.parametrize("ease", ["even", "gentle", "sudden"])
def test_a_dissolve_is_a_weighted_mean(ease) -> None:
    for frame, t in zip(drawn(JoinHow(ease=ease)), TIMES, strict=True):
        share = round(eased(t, ease) * 256) / 256
        for plane, a, b in zip(frame, A, B, strict=True):
            expected = a.astype(float) * (1 - share) + b.astype(float) * share
            assert np.abs(plane - expected).max() <= 0.51


def test_without_a_join_of_its_own_it_is_the_even_dissolve_that_it_was() -> None:
    assert all(
        p.tobytes() == q.tobytes()
        for f, g in zip(drawn(None), drawn(JoinHow()), strict=True)
        for p, q in zip(f, g, strict=True)
    )
    assert shaping(JoinHow(seconds=2)) is None and shaping(None) is None
    assert shaping(JoinHow(kind="push", way="up", sound=1.0)) == JoinHow(kind="push", way="up")


def test_a_dip_goes_through_its_colour() -> None:
    """Half the time toward it, half the time back; BT.709 in studio range says what white is."""
    frames = drawn(JoinHow(kind="dip", colour="#ffffff"))
    middle = frames[FRAMES // 2]
    for plane, value in zip(middle, (235, 128, 128), strict=True):
        assert np.abs(plane.astype(int) - value).max() <= 1
    share = round(2 * TIMES[1] * 256) / 256
    assert np.abs(frames[1][0] - (A[0] * (1 - share) + 235 * share)).max() <= 0.6


@pytest.mark.parametrize("way", WAYS)
@pytest.mark.parametrize("kind", ["slide", "push"])
def test_a_slide_covers_and_a_push_moves_both(kind, way) -> None:
    """Laid so that all go to the left, the new picture comes in from the right by as much as the time that is over."""

    def laid(plane: np.ndarray) -> np.ndarray:
        flat = plane if way in ("left", "right") else plane.T
        return flat if way in ("left", "up") else flat[:, ::-1]

    for frame, t in zip(drawn(JoinHow(kind=kind, way=way)), TIMES, strict=True):
        y, a, b = (laid(x[0]) for x in (frame, A, B))
        size = y.shape[1]
        gone = 2 * round(size // 2 * t)
        np.testing.assert_array_equal(y[:, size - gone :], b[:, :gone])
        expected = a[:, gone:] if kind == "push" else a[:, : size - gone]
        np.testing.assert_array_equal(y[:, : size - gone], expected)


@pytest.mark.parametrize("name", [*PATTERNS, *WAYS])
def test_of_every_pattern_half_is_over_at_half_time(name) -> None:
    when = edge_map(name, W, H)
    assert when.shape == (H, W)
    assert np.mean(when < 128) == pytest.approx(0.5, abs=0.03)
    assert when.min() <= 2 and when.max() >= 253
    large, small = edge_map(name, 640, 360), edge_map(name, 320, 180)
    near = np.asarray(Image.fromarray(large).resize((320, 180), Image.Resampling.BOX)).astype(int)
    assert np.median(np.abs(near - small)) <= 3


def test_patterns_are_told_apart() -> None:
    maps = [edge_map(p, W, H).astype(float).ravel() for p in PATTERNS]
    alike = np.corrcoef(maps)
    assert np.abs(alike - np.eye(len(maps))).max() < 0.99


@pytest.mark.parametrize("pattern", PATTERNS)
def test_along_a_pattern_every_pixel_is_of_one_or_the_other_or_between(pattern) -> None:
    frames = drawn(JoinHow(kind="pattern", pattern=pattern))
    low, high = np.minimum(A[0], B[0]).astype(int) - 1, np.maximum(A[0], B[0]).astype(int) + 1
    over = []
    for frame in frames:
        y = frame[0].astype(int)
        rim = y >= 225 if pattern == "torn paper" else np.zeros_like(y, bool)
        inside = ((y >= low) & (y <= high)) | rim
        assert inside.mean() > (0.97 if pattern == "torn paper" else 0.9999)
        differs = np.abs(A[0].astype(int) - B[0]) > 20
        over.append(np.mean(np.abs(y - B[0])[differs] < np.abs(y - A[0].astype(int))[differs]))
    assert over == sorted(over) and over[0] < 0.2 and over[-1] > 0.8


@pytest.mark.parametrize("kind", sorted(set(JOIN_KINDS) - {"cut", "slide", "push", "whip"}))
def test_every_join_begins_near_the_one_and_ends_near_the_other(kind) -> None:
    frames = drawn(JoinHow(kind=kind))

    def off(frame, to) -> float:
        return float(np.abs(frame[0].astype(int) - to[0]).mean())

    apart = off(A, B)
    assert off(frames[0], A) < 0.6 * apart
    assert off(frames[-1], B) < 0.6 * apart
    assert off(frames[0], A) < off(frames[5], A)


def test_a_flood_is_all_light_in_its_middle() -> None:
    middle = drawn(JoinHow(kind="flood"))[FRAMES // 2]
    assert middle[0].min() > 235


# ---- planned


def around(**more) -> Around:
    plain = Around(0, "the quay", "day", False, "calm", 1)
    return plain._replace(**more)


def planned(
    *shots: Around,
    headed=frozenset({2}),
    amount="middle",
    dissolve=0.5,
    kind="story",
    medium="layered cut paper",
):
    laid = [s._replace(picture=i) for i, s in enumerate(shots)]
    starts = [40.0 * i for i in range(len(shots))]
    return plan_joins(laid, starts, headed, amount, dissolve, kind, medium)


@pytest.mark.parametrize(
    ("change", "turn", "low", "middle", "high"),
    [
        ({}, "within", "cut", "cut", "cut"),
        ({"place": "the inn"}, "place", "dissolve", "dissolve", "dissolve"),
        ({"place": "the inn", "mood": "tense"}, "place", "dissolve", "dissolve", "whip"),
        ({"hour": "night"}, "hour", "dissolve", "dissolve", "dissolve"),
        ({"scene": 1}, "scene", "dissolve", "dissolve", "pattern"),
        ({"remembered": True}, "memory", "dissolve", "flood", "flood"),
        (
            {"scene": 2, "place": "the inn", "hour": "night"},
            "chapter", "dissolve", "dip", "dip",
        ),
    ],
)  # fmt: skip
def test_what_turns_says_which_join(change, turn, low, middle, high) -> None:
    for amount, kind in (("low", low), ("middle", middle), ("high", high)):
        (join,) = planned(around(), around(**change), amount=amount)
        assert (join.turn, join.how.kind) == (turn, kind)
        assert join.why
        assert (join.how.seconds == 0) == (kind == "cut")


def test_a_picture_that_goes_on_is_not_joined_to_itself() -> None:
    shots = [around(), around(place="the inn")._replace(picture=1)]
    (join,) = plan_joins(shots, [0, 40], (), "high", 0.5, "story", "clay")
    assert (join.turn, join.how.kind) == ("picture", "cut")


def test_plain_is_the_dissolve_of_the_film_and_sleep_has_nothing_else() -> None:
    shots = [around(), around(scene=2, place="the inn", hour="night")]
    (plain,) = planned(*shots, amount="plain", dissolve=0.25)
    assert plain.how == JoinHow(seconds=0.25)
    (none,) = planned(*shots, amount="plain", dissolve=0)
    assert none.how.kind == "cut"
    (slow,) = planned(*shots, amount="high", kind="sleep")
    assert slow.how.kind == "dissolve" and slow.how.seconds >= 0.8


def test_one_pattern_a_film_and_never_a_toy_at_every_cut() -> None:
    shots = [around(scene=i)._replace(picture=i) for i in range(20)]
    starts = [8.0 * i for i in range(20)]
    joins = plan_joins(shots, starts, (), "high", 0.5, "story", "chalk on slate drawing")
    seen = [
        (start, j.how)
        for start, j in zip(starts[1:], joins, strict=True)
        if j.how.kind == "pattern"
    ]
    assert {how.pattern for _, how in seen} == {"scribble"}
    assert len(seen) > 3
    starts = [at for at, _ in seen]
    assert all(b - a >= APART for a, b in pairwise(starts))


TEXT = """# The quay — day
Ada stood on the quay. She looked at the boats. Nobody waved to her at all.

# The inn — night
Then it was late, and she sat in the inn. The host brought soup. She ate.
"""


def film(**values):
    document, _ = new_film("t", TEXT, Settings(pace=2.5, opening=0))
    if values:
        shot = document.shots[-1].id
        document, _, _ = apply_command(document, SetShots(shots=[shot], values=values), [])
    return assemble("f", read_film(document, Offered(600)), {}, lambda keys: {})


def test_a_film_has_its_joins_on_its_timeline_and_the_maker_sets_one() -> None:
    plain = film()
    kinds = [j.how.kind for j in plain.joins]
    assert "dip" in kinds and kinds.count("cut") >= 2
    frames = [j.frames for j in plain.timeline.joins]
    assert [n == 0 for n in frames] == [k == "cut" for k in kinds]
    own = film(join={"kind": "page", "seconds": 1.0})
    assert (own.joins[-1].how.kind, own.joins[-1].by_hand) == ("page", True)
    assert own.timeline.joins[-1].frames == 24
    assert [j.how for j in own.joins[:-1]] == [j.how for j in plain.joins[:-1]]


def test_sound_leads_or_trails_the_picture_and_stays_where_it_is() -> None:
    plain = film()
    led = film(join={"kind": "cut", "seconds": 0, "sound": 0.5})
    trails = film(join={"kind": "cut", "seconds": 0, "sound": -0.5})
    assert led.spans[-1].start == plain.spans[-1].start + 12
    assert trails.spans[-1].start == plain.spans[-1].start - 12
    assert led.frames == plain.frames == trails.frames
    np.testing.assert_array_equal(led.timing.words, plain.timing.words)
