"""How captions are shown: off faces by pixels, and each who speaks in a colour of their own."""

import numpy as np
import pytest

from cutreel.core.captions import PLAIN, SPEAKERS, CaptionShown
from cutreel.core.film import Offered, Settings, TakeRow, assemble, new_film, read_film
from cutreel.core.film.captioning import BANDS
from cutreel.core.film.changes import apply_command
from cutreel.core.film.commands import MarkWords
from cutreel.core.render import CaptionSpan, PlannedShot, Scene, SegmentPlan, frames_of, planes_of
from cutreel.core.render.captioned import caption_planes
from cutreel.core.speech import WordMark

STORY = "“Come in,” said Ada. “It is cold outside.”\n\n“Thank you,” said Tobias. He sat down by the stove and slept.\n\nThe wind blew."


def film_of(box=None, **settings):
    film, _ = new_film("Ada", STORY, Settings(pace=4, opening=0, movement="camera", **settings))
    read = read_film(film, Offered())
    about = {"regions": [{"name": "Ada", "box": box, "height": 0.9}]} if box else {}
    takes = {
        s.shot.id: [
            TakeRow(
                "t",
                s.shot.id,
                1,
                s.picture_key,
                1,
                "",
                "",
                "o",
                "m.png",
                "m.jpg",
                (("m.png", 0.0),),
                about,
                False,
                0,
            )
        ]
        for s in read.shots
    }
    return assemble("f", read, takes, lambda keys: {})


HIGH_UP, LOW_DOWN, WHOLE = (0.4, 0.1, 0.6, 0.9), (0.4, 0.8, 0.6, 1.4), (0.4, 0.0, 0.6, 3.4)
"""Boxes of somebody; the head is the upper quarter: high in the frame, low in it, and of all of it."""


@pytest.mark.parametrize(("box", "place"), [(HIGH_UP, None), (LOW_DOWN, "high"), (None, None)])
def test_captions_stand_where_no_face_is(box, place) -> None:
    assert {s.place for s in film_of(box).captions_shown} == {place}


def test_where_a_face_is_everywhere_captions_are_as_usual() -> None:
    assert {s.place for s in film_of(WHOLE).captions_shown} == {None}


def test_captions_that_are_set_elsewhere_stay_there() -> None:
    style = PLAIN.model_copy(update={"place": "high"})
    assert {s.place for s in film_of(LOW_DOWN, caption_style=style).captions_shown} == {None}


def test_who_speaks_has_a_colour_and_who_tells_has_none() -> None:
    shown = film_of(speaker_colours=True).captions_shown
    colours = {s.who: s.colour for s in shown}
    assert set(colours) == {"Ada", "Tobias", ""} and colours[""] is None
    assert colours["Ada"] in SPEAKERS and colours["Tobias"] in SPEAKERS
    assert colours["Ada"] != colours["Tobias"]
    assert {s.colour for s in film_of().captions_shown} == {None}


def test_a_caption_of_its_own_place_and_colour_is_drawn_so() -> None:
    grey = planes_of(np.full((180, 320, 3), 90, np.uint8))

    def frame(**own) -> np.ndarray:
        scene = Scene(
            shot=PlannedShot(layers=[("a", 0.0)], move="still"), at=0, life=24, seconds=1.0
        )
        plan = SegmentPlan(
            width=320, height=180, fps="24", quality="preview", frames=1, one=scene,
            captions=[CaptionSpan(lines=["Come in"], start=0, end=1, **own)],
        )  # fmt: skip
        (drawn,) = frames_of(plan, lambda name, depth: grey)
        return [p.astype(int).copy() for p in drawn]

    usual, high, blue = frame(), frame(place="high"), frame(colour="#8fd0e8")
    rows = [np.flatnonzero((np.abs(f[0] - 93) > 30).any(axis=1)) / 180 for f in (usual, high)]
    assert rows[0].min() > BANDS["low"][0] and rows[1].max() < BANDS["high"][1]
    assert blue[1].max() > usual[1].max() + 8, "blue is seen"


def test_a_stressed_word_stands_out_and_no_other() -> None:
    """By pixels: the word that is marked is yellow, those beside it are not; on a box of that colour it is not lost."""
    film, _ = new_film("Ada", "She never came back.", Settings())
    word = film.word_ids[1]
    film, _, _ = apply_command(film, MarkWords(marks=[WordMark(word=word, stress=True)]), [])
    (clip,) = assemble("f", read_film(film, Offered()), {}, lambda keys: {}).timeline.captions
    line, a, b = clip.stressed[0]
    assert clip.lines[line][a:b] == "never" and len(clip.stressed) == 1

    def yellow(style, said=()) -> np.ndarray:
        planes, _, _ = caption_planes(clip.lines, 640, 360, style, said, clip.stressed)
        return np.flatnonzero(((planes.u < 70) & (planes.v > 130)).any(axis=0))

    plain, none = yellow(PLAIN), caption_planes(clip.lines, 640, 360)[0]
    wide = none.u.shape[1]
    assert plain.size > 10 and 0.1 * wide < plain.min() and plain.max() < 0.6 * wide
    assert not ((none.u < 70) & (none.v > 130)).any()
    box = PLAIN.model_copy(update={"said": "box"})
    planes, _, _ = caption_planes(clip.lines, 640, 360, box, ((line, a, b),), clip.stressed)
    assert (planes.y[:, 2 * plain.min() : 2 * plain.max()] > 220).any(), (
        "letters are read on the box"
    )


def test_speakers_colours_are_read_on_dark() -> None:
    """WCAG 2.2, 1.4.6: 7 to 1."""
    for colour in SPEAKERS:
        parts = [int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)]
        r, g, b = (p / 12.92 if p <= 0.04045 else ((p + 0.055) / 1.055) ** 2.4 for p in parts)
        assert (0.2126 * r + 0.7152 * g + 0.0722 * b + 0.05) / 0.05 > 7


def test_styles_are_as_they_were_where_nothing_is_of_its_own() -> None:
    assert CaptionShown().styled(PLAIN) is PLAIN
    assert CaptionShown("high").styled(PLAIN) == PLAIN.model_copy(update={"place": "high"})
