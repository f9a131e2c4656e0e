"""Looks of one's own: measured from pictures, said as strongly as asked; and what no picture may show."""

import numpy as np
import pytest
from skimage.color import rgb2lab

from cutreel.core.continuity import (
    LOOKS,
    Reference,
    compose_negative,
    look_from,
    look_named,
    style_between,
    style_of,
)
from cutreel.core.errors import BadInput
from cutreel.core.film import Offered, Settings, apply_command, new_film, read_film
from cutreel.core.film.commands import RemoveLook, SetLook, SetScene, SetSettings
from tests.conftest import STORY

REF = Reference(media="a" * 64 + ".png", thumb="a" * 64 + ".jpg")


def stripes(*colours: tuple[int, int, int]) -> np.ndarray:
    out = np.zeros((240, 320, 3), np.uint8)
    for i, colour in enumerate(colours):
        out[:, i * 320 // len(colours) : (i + 1) * 320 // len(colours)] = colour
    return out


def test_style_is_what_scikit_image_says_of_the_same_pixels() -> None:
    pixels = stripes((190, 52, 42), (44, 118, 118), (242, 238, 228))
    lab, style = rgb2lab(pixels), style_of(pixels)
    assert style.lightness == pytest.approx(lab[..., 0].mean(), abs=1)
    assert style.contrast == pytest.approx(lab[..., 0].std(), abs=1)
    assert style.saturation == pytest.approx(np.hypot(lab[..., 1], lab[..., 2]).mean(), abs=1)
    assert {s.name for s in style.palette} == {"red", "teal", "white"}
    assert sum(s.share for s in style.palette) == pytest.approx(1, abs=0.02)
    assert (
        style.line < style_of(np.tile(stripes((0, 0, 0), (255, 255, 255)), (1, 8, 1))[:, ::8]).line
    )


def test_a_look_from_pictures_says_its_palette_as_strongly_as_asked() -> None:
    style = style_between(
        [
            style_of(stripes((190, 52, 42), (44, 118, 118))),
            style_of(stripes((190, 52, 42), (40, 56, 92))),
        ]
    )
    assert style.palette[0].name == "red"
    look = look_from("own-gouache", "Gouache", "gouache painting", [REF], style, 50)
    assert look.own and look.measured == style and look.palette_words.startswith("palette of red")
    weak, strong = (
        look.model_copy(update={"strength": 10}),
        look.model_copy(update={"strength": 100}),
    )
    assert weak.palette_words == "" and len(strong.palette_words) > len(
        look.palette_words.split(",")[0]
    )
    film, used = new_film("t", STORY, Settings())
    film, used, _ = apply_command(film, SetLook(look=look, use=True), used)
    read = read_film(film, Offered(900, (), understands={"references", "negative"}))
    assert all(
        "gouache painting" in s.prompt.text and "palette of" in s.prompt.text for s in read.shots
    )
    assert all(
        any(r.media == REF.media and r.strength == 50 for r in s.references) for s in read.shots
    )
    assert not any(s.references for s in read_film(film, Offered(900)).shots), (
        "not sent where it is not understood"
    )
    with pytest.raises(BadInput, match="another look first"):
        apply_command(film, RemoveLook(name="own-gouache"), used)
    with pytest.raises(BadInput, match="one of ours"):
        apply_command(film, SetLook(look=LOOKS[0]), used)
    other, used, _ = apply_command(film, SetSettings(values={"look": "clay"}), used)
    assert apply_command(other, RemoveLook(name="own-gouache"), used)[0].looks == []
    assert look_named("Gouache", film.looks).name == "own-gouache"


def test_there_are_eight_looks_with_palettes_and_things_to_avoid() -> None:
    assert len(LOOKS) >= 8 and len({k.medium for k in LOOKS}) == len(LOOKS)
    assert all(k.palette and k.avoid and k.about and k.line for k in LOOKS)


def test_what_the_film_must_not_show_goes_into_every_negative_that_is_understood() -> None:
    film, used = new_film("t", STORY, Settings())
    film, used, _ = apply_command(film, SetSettings(values={"negative": "cars"}), used)
    assert all(
        "cars" in s.sent_negative == s.negative
        for s in read_film(film, Offered(400, (), understands={"negative"})).shots
    )
    assert not any(
        s.sent_negative for s in read_film(film, Offered(400, (), understands={"seed"})).shots
    )
    assert compose_negative(LOOKS[0], "cars, ").count("cars") == 1


def test_a_scenes_own_words_stand_for_its_place_hour_and_weather() -> None:
    film, used = new_film("t", STORY, Settings())
    scene = read_film(film, Offered(400)).script.scenes[1]
    word = film.word_ids[scene.first]
    before = read_film(film, Offered(400)).shots
    changed, used, _ = apply_command(
        film, SetScene(word=word, values={"prompt": "inside a paper lantern"}), used
    )
    after = read_film(changed, Offered(400)).shots
    for a, b in zip(before, after, strict=True):
        assert (
            ("inside a paper lantern" in b.prompt.text)
            == (b.scene == 1)
            == (a.prompt.text != b.prompt.text)
        )
    lifted, _, _ = apply_command(changed, SetScene(word=word, values={"prompt": None}), used)
    assert [s.prompt.text for s in read_film(lifted, Offered(400)).shots] == [
        s.prompt.text for s in before
    ]
