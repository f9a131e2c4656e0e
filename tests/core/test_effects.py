"""Effects: drawn as formulas in NumPy draw them, the same film twice the same frames; planned where the story gives a
reason."""

import numpy as np
import pytest

from cutreel.core.effects import EFFECT_KINDS, Effect, Finish, Grade, plan_effects
from cutreel.core.effects.planned import APART, ShotTold
from cutreel.core.film import Offered, Settings, assemble, new_film, read_film
from cutreel.core.film.changes import apply_command
from cutreel.core.film.commands import SetScene, SetSettings, SetShots
from cutreel.core.render import PlannedShot, Scene, SegmentPlan, frames_of, planes_of
from cutreel.core.render.finishing import MOST_TILT, SHAKES

pytestmark = pytest.mark.thorough

W, H, RATE = 320, 180, 24
rng = np.random.default_rng(3)
small = rng.integers(60, 200, (9, 16, 3), np.uint8)
PICTURE = np.kron(small, np.ones((40, 40, 1), np.uint8)).astype(np.uint8)
"""Squares of colour of twenty pixels, twice as large as the frame."""


def frames(finish: Finish, count: int = 4, at: int = 0, picture=PICTURE, move: str = "still"):
    planes = planes_of(picture)
    scene = Scene(
        shot=PlannedShot(layers=[("a", 0.0)], move=move, finish=finish), at=at, life=96, seconds=4.0
    )
    plan = SegmentPlan(width=W, height=H, fps="24", quality="preview", frames=count, one=scene)
    return [tuple(p.astype(int) for p in f) for f in frames_of(plan, lambda name, depth: planes)]


def one(kind: str, amount: float = 1.0, begin: float = 0.0) -> Finish:
    return Finish(effects=(Effect(kind=kind, amount=amount, begin=begin),))


PLAIN = frames(Finish(), 1)[0]
GREY = np.full((H * 2, W * 2, 3), 128, np.uint8)


@pytest.mark.parametrize("kind", EFFECT_KINDS)
def test_every_effect_is_seen_and_is_the_same_twice(kind) -> None:
    finish, move = one(kind, 0.8), "pan left" if kind in ("freeze", "echo") else "still"
    first, again, plain = (frames(f, 30, move=move) for f in (finish, finish, Finish()))
    assert any(np.abs(a[0] - b[0]).max() > 3 for a, b in zip(first, plain, strict=True))
    for a, b in zip(first, again, strict=True):
        assert all(np.array_equal(p, q) for p, q in zip(a, b, strict=True))


def test_more_of_an_effect_is_more() -> None:
    for kind in set(EFFECT_KINDS) - {"freeze", "echo", "shake", "dust", "flicker"}:
        little, much = (
            np.mean([np.abs(a[0] - PLAIN[0]).mean() for a in frames(one(kind, n), 3)])
            for n in (0.2, 1.0)
        )
        assert much > little > 0, kind


def test_grain_keeps_brightness_and_is_another_in_every_frame() -> None:
    grained = frames(one("grain"), 6, picture=GREY)
    base = frames(Finish(), 1, picture=GREY)[0][0]
    for frame in grained:
        assert abs((frame[0] - base).mean()) < 0.4 and 3 < (frame[0] - base).std() < 25
    a, b = (f[0] - base for f in grained[:2])
    assert abs(np.corrcoef(a.ravel(), b.ravel())[0, 1]) < 0.1


def test_a_vignette_darkens_corners_evenly_and_leaves_the_middle() -> None:
    y, u, v = frames(one("vignette"), 1, picture=GREY)[0]
    light = (y - 16) / (frames(Finish(), 1, picture=GREY)[0][0] - 16)
    assert light[H // 2, W // 2] > 0.97
    corners = [light[0, 0], light[0, -1], light[-1, 0], light[-1, -1]]
    assert max(corners) < 0.5 and np.ptp(corners) < 0.02
    assert (np.diff(light[H // 2, W // 2 :]) <= 0.011).all()
    assert abs(u - 128).max() <= 1 and abs(v - 128).max() <= 1


def test_a_blur_is_a_mean_of_what_is_around() -> None:
    """Beside SciPy's Gaussian of about that width: nothing in common with it but the purpose."""
    from scipy.ndimage import gaussian_filter

    y = frames(one("blur", 1.0), 1)[0][0]
    errors = {
        s: np.abs(y - gaussian_filter(PLAIN[0].astype(float), s)).mean()
        for s in (1, 3, 5, 7, 10, 16)
    }
    best = min(errors, key=errors.get)
    assert best in (5, 7) and errors[best] < 1.5
    assert abs(y.mean() - PLAIN[0].mean()) < 1


def test_soft_edges_leave_the_middle_sharp() -> None:
    y = frames(one("soft edges", 0.6), 1)[0][0]
    middle = np.abs(y - PLAIN[0])[H // 2 - 20 : H // 2 + 20, W // 2 - 30 : W // 2 + 30]
    assert middle.max() <= 1
    assert np.abs(y - PLAIN[0])[:, :20].mean() > 1


def test_a_tilt_turns_by_its_angle() -> None:
    """A straight edge through the middle has the slope of the angle afterwards."""
    picture = np.full((H * 2, W * 2, 3), 60, np.uint8)
    picture[H:] = 200
    y = frames(one("tilt", 1.0), 1, picture=picture)[0][0]
    edge = np.array([np.flatnonzero(y[:, x] > 120)[0] for x in range(40, W - 40)])
    slope = np.polyfit(np.arange(len(edge)), edge, 1)[0]
    assert abs(abs(slope) - np.tan(MOST_TILT)) < 0.01
    assert (y[:2] > 30).all() and (y[-2:] > 30).all()


def test_a_shake_dies_down_and_begins_at_its_moment() -> None:
    shaken = frames(one("shake", 1.0, begin=0.5), 48)
    off = [np.abs(f[0] - PLAIN[0]).mean() for f in shaken]
    begins, ends = round(0.5 * RATE), round((0.5 + SHAKES) * RATE)
    assert max(off[:begins]) == 0 and max(off[ends + 1 :]) == 0
    assert max(off[begins : begins + 8]) > 4 * max(off[ends - 6 : ends - 2])


def test_a_flash_is_white_and_gone_in_half_a_second() -> None:
    light = [f[0].mean() for f in frames(one("flash", 1.0), 20)]
    assert light[0] > PLAIN[0].mean() + 80
    assert light[13:] == pytest.approx([PLAIN[0].mean()] * 7, abs=0.1)
    dips = np.diff(light[:12])
    assert (dips > 0).any() and (dips < 0).any(), "lightning comes twice"


def test_a_freeze_holds_the_frame_it_came_to() -> None:
    moving = frames(Finish(), 40, move="pan left")
    frozen = frames(one("freeze", begin=0.75), 40, move="pan left")
    at = round(0.75 * RATE)
    assert all(np.array_equal(a[0], b[0]) for a, b in zip(moving[: at + 1], frozen, strict=False))
    assert all(np.array_equal(f[0], moving[at][0]) for f in frozen[at:])


def test_an_echo_is_the_frames_before() -> None:
    moving = frames(Finish(), 12, move="pan left")
    (effect,) = one("echo", 0.7).effects
    echoed = frames(Finish(effects=(effect,)), 12, move="pan left")
    wanted = moving[9][0].astype(float)
    for ago, share in ((3, 0.34), (6, 0.22)):
        part = round(share * 0.7 * 1.4 * 256) / 256
        wanted = wanted * (1 - part) + moving[9 - ago][0] * part
    assert np.abs(echoed[9][0] - wanted).max() <= 1.5


def test_flicker_is_light_alone_and_in_measure() -> None:
    means = [f[0].mean() for f in frames(one("flicker", 1.0), 48, picture=GREY)]
    assert 1 < np.ptp(means) < 12
    colours = frames(one("flicker", 1.0), 1)[0][1:]
    assert all(np.array_equal(a, b) for a, b in zip(colours, PLAIN[1:], strict=True))


def test_light_glows_around_what_is_bright_and_never_darkens() -> None:
    picture = np.full((H * 2, W * 2, 3), 40, np.uint8)
    picture[160:200, 300:340] = 250
    glow, plain = (frames(f, 1, picture=picture)[0][0] for f in (one("glow"), Finish()))
    more = glow - plain
    assert more.min() >= 0
    beside, far = more[90, 174], more[10, 10]
    assert beside > 8 and far < 2


def test_effects_of_a_segment_are_where_they_are_in_the_whole() -> None:
    """A shot cut into segments by its joins looks as it does in one piece."""
    finish = Finish(grade=Grade(warmth=0.4), effects=one("old film").effects)
    whole, rest = frames(finish, 12), frames(finish, 4, at=8)
    assert all(np.array_equal(a[0], b[0]) for a, b in zip(whole[8:], rest, strict=True))


# ---- planned


def test_memories_are_soft_and_other_years_are_old() -> None:
    shots = [ShotTold(0), ShotTold(6, remembered=True), ShotTold(12, year="1893")]
    none, memory, old = plan_effects(shots, "low", "pencil drawing")
    assert not none.effects and none.grade == Grade()
    assert [e.kind for e in memory.effects] == ["soft edges"] and memory.grade.fade > 0
    assert [e.kind for e in old.effects] == ["old film"]
    assert ("soft edges", "it is remembered") in memory.whys
    assert all(not p.effects and p.grade == Grade() for p in plan_effects(shots, "off", "pencil"))


def test_a_blow_shakes_lightning_flashes_and_not_twice_at_once() -> None:
    heard = (("a crash of wood", 1.5),)
    shots = [
        ShotTold(0, heard=heard),
        ShotTold(6, heard=heard),
        ShotTold(20, heard=(("thunder", 0.5),)),
    ]
    first, soon, later = plan_effects(shots, "middle", "cut paper")
    assert [(e.kind, e.begin) for e in first.effects] == [("shake", 1.5)]
    assert soon.effects == () and 1.5 + APART > 6 + 1.5
    assert [(e.kind, e.begin) for e in later.effects] == [("flash", 0.5)]
    assert all(not p.effects for p in plan_effects(shots, "low", "cut paper"))


def test_amounts_are_more_and_the_looks_own_texture_comes_last() -> None:
    tense = [ShotTold(0, mood="tense")]
    middle, high = (plan_effects(tense, amount, "ink and wash")[0] for amount in ("middle", "high"))
    assert [e.kind for e in middle.effects] == ["vignette"]
    assert [e.kind for e in high.effects] == ["vignette", "grain"]
    assert high.effects[0].amount > middle.effects[0].amount


STORY = (
    "# The yard — day\n\nIda swept the yard in the sun. She sang a little.\n\n"
    "# The yard — day\n\nA ladder crashed onto the stones. Years earlier Ida had fallen from that same ladder, and she "
    "remembered the sky above her.\n"
)


def film_of(**settings):
    return new_film("The Ladder", STORY, Settings(**settings))[0]


def changed(film, command):
    return apply_command(film, command, [])[0]


def assembled(film):
    read = read_film(film, Offered())
    return assemble("f", read, {}, lambda keys: {})


def test_a_film_has_what_was_planned_for_it_until_its_maker_says_otherwise() -> None:
    film = film_of(effects="middle")
    found = assembled(film)
    kinds = [{e.kind for e in f.finish.effects} for f in found.finishes]
    assert any("shake" in k for k in kinds)
    number = next(i for i, k in enumerate(kinds) if "shake" in k)
    shake = next(e for e in found.finishes[number].finish.effects if e.kind == "shake")
    assert 0 < shake.begin < 4, "it sets in with the word"
    film = changed(film, SetSettings(values={"no_effects": ["shake"]}))
    assert all(e.kind != "shake" for f in assembled(film).finishes for e in f.finish.effects)
    film = changed(film, SetSettings(values={"film_effects": [{"kind": "grain", "amount": 0.3}]}))
    assert all(any(e.kind == "grain" for e in f.finish.effects) for f in assembled(film).finishes)
    shot = film.shots[0].id
    film = changed(film, SetShots(shots=[shot], values={"effects": [], "grade": {"warmth": 0.5}}))
    first = assembled(film).finishes[0].finish
    assert first.effects == () and first.grade.warmth == 0.5 and first.mood == Grade()
    film = changed(film, SetShots(shots=[shot], values={"effects": None, "grade": None}))
    assert assembled(film).finishes[0].finish.effects != ()


def test_a_scene_is_graded_as_one_and_a_shot_of_it_otherwise() -> None:
    film = film_of(effects="off", grade={"contrast": 0.4})
    assert all(f.finish.grade.contrast == 0.4 for f in assembled(film).finishes)
    found = assembled(film).read
    word = found.ids[found.script.scenes[1].first]
    film = changed(film, SetScene(word=word, values={"grade": {"fade": 0.5}}))
    finishes = assembled(film).finishes
    scenes = [s.scene for s in assembled(film).read.shots]
    assert {f.finish.grade.fade for f, s in zip(finishes, scenes, strict=True) if s == 1} == {0.5}
    assert {f.finish.grade.fade for f, s in zip(finishes, scenes, strict=True) if s == 0} == {0}
