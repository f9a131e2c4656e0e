"""Pictures in films of another shape: what is kept is where the faces are.

Expected parts are worked out by hand: of a picture of 16 to 9 a film of 9 to 16 shows (9/16)² of the width."""

from functools import cache

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.film import Offered, Settings, TakeRow, assemble, new_film, read_film
from cutreel.core.film.captioning import captions_shown
from cutreel.core.film.cropping import aim_of, crop_of, heads_of
from cutreel.core.kept import Kept
from cutreel.core.motion import path_for
from cutreel.core.render import Compositor, Planes, Shown, cover, planes_of
from tests.labelled import parses_of

SHARE = (9 / 16) ** 2
STORY = "Pip stood on the jetty. “Row,” said Maren. The heron watched them both."


@cache
def shots(aspect: str = "9:16"):
    parses = parses_of(STORY)
    document, _ = new_film("Crop", STORY, Settings(aspect=aspect, pace=2), parses=parses)
    return read_film(document, Offered(), None, parses).shots


def take(*figures: tuple[str, float], size=(1280, 720)) -> TakeRow:
    """A take with figures by name and how far across their heads are; each head is from 0.2 to 0.4 down."""
    regions = [
        {
            "name": name,
            "box": [x - 0.05, 0.2, x + 0.05, 1.0],
            "joints": {"head": [x, 0.3], "neck": [x, 0.4]},
        }
        for name, x in figures
    ]
    about = {"width": size[0], "height": size[1], "regions": regions}
    return TakeRow("t", 1, 1, "k", 1, "", "", "o", "m.png", "t.png", (), about, False, 0)


def test_a_picture_of_the_films_shape_and_one_without_faces_are_seen_as_before() -> None:
    shot = shots()[0]
    assert crop_of(shot, take(("pip", 0.9), size=(720, 1280))) is None
    assert crop_of(shot, take()) is None
    assert crop_of(shots("16:9")[0], take(("pip", 0.9))) is None


@given(st.floats(0, 1))
def test_a_face_alone_is_kept_wherever_it_is(x: float) -> None:
    crop = crop_of(shots()[0], take(("pip", x)))
    assert crop is not None and crop.wide == pytest.approx(SHARE) and crop.high == 1
    assert crop.left >= 0 and crop.left + crop.wide <= 1 + 1e-4
    assert crop.left <= x <= crop.left + crop.wide
    (head,) = heads_of(shots()[0], take(("pip", x)))
    assert head.x == pytest.approx((x - crop.left) / crop.wide)


def test_two_who_stand_near_are_both_kept_and_of_two_far_apart_it_is_who_speaks() -> None:
    speaking = next(s for s in shots() if s.facts.speaks is not None)
    name = next(p.name.lower() for p in speaking.people if p.id == speaking.facts.speaks)
    near = crop_of(speaking, take(("pip", 0.6), (name, 0.7)))
    assert near.left < 0.6 and near.left + near.wide > 0.7
    for where, other in ((0.1, 0.9), (0.9, 0.1)):
        crop = crop_of(speaking, take(("pip", other), (name, where)))
        assert crop.left <= where <= crop.left + crop.wide
        assert len(heads_of(speaking, take(("pip", other), (name, where)))) == 1


def test_a_film_that_is_wider_keeps_heads_and_what_is_below_them() -> None:
    crop = crop_of(shots("16:9")[0], take(("pip", 0.5), size=(720, 1280)))
    assert (crop.left, crop.wide, crop.high) == (0, 1, pytest.approx(SHARE))
    assert crop.top <= 0.2 and crop.top + crop.high >= 0.4
    assert 0.3 - crop.top < crop.high / 2, "a head is above the middle"


def test_the_camera_aims_inside_what_is_seen() -> None:
    x, y = aim_of(shots()[0], take(("pip", 0.95)))
    assert 0 <= x <= 1 and 0 <= y <= 1 and x > 0.5


def test_what_is_kept_is_what_is_drawn() -> None:
    """A picture that is dark but for a light bar at nine tenths of its width, in an upright frame."""
    pixels = np.zeros((360, 640, 3), np.uint8)
    pixels[:, 560:590] = 250
    layer: Planes = planes_of(pixels)

    def bright(crop) -> float:
        desk = Compositor(180, 320)
        out = desk.new_frame()
        desk.draw(Shown([layer], path_for("still", 2.0, (0.5, 0.5)), 48, crop=crop), 0, out)
        return float((out[0] > 150).mean())

    assert bright(None) == 0
    left, _, wide, _ = cover(640, 360, 180, 320, (0.9, 0.5))
    assert left + wide == pytest.approx(640)
    assert bright((0.9, 0.5)) == pytest.approx(30 / wide, abs=0.03)


def test_captions_know_where_faces_are_in_the_shape_of_the_film() -> None:
    """A face that is below in the picture, at its side: in an upright film it is in the middle, where captions are."""
    parses = parses_of(STORY)
    document, _ = new_film("Crop", STORY, Settings(aspect="9:16", pace=60), parses=parses)
    read = read_film(document, Offered(), None, parses)
    film = assemble("f", read, {}, lambda keys: {})
    low = take(("pip", 0.9))
    low.about["regions"][0]["joints"] = {"head": [0.9, 0.62], "neck": [0.9, 0.72]}
    lines = [film.said.words[c.first].line for c in film.captions]
    used = [low] * len(film.spans)
    shown = captions_shown(film.read, film.captions, lines, film.spans, film.rate, used, Kept())
    assert {s.place for s in shown} == {"high"}
