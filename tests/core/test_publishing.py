"""Texts, chapters and thumbnails. Limits and rules of chapters are common practice of places where films are published;
contrast is that of WCAG 2.2, whose own examples are used; pictures are measured by Pillow and NumPy alone."""

import io
from dataclasses import replace
from types import SimpleNamespace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import (
    Offered,
    Settings,
    apply_command,
    assemble,
    chapters_of,
    credits_of,
    drafted_texts,
    near_shot,
    new_film,
    pictured_thumbnails,
    read_film,
    titles_for,
    words_for,
)
from cutreel.core.film.commands import (
    AddThumbnailPicture,
    DropThumbnail,
    DropThumbnailPicture,
    KeepThumbnail,
    SetTexts,
)
from cutreel.core.publishing import (
    Chapter,
    OwnTexts,
    Texts,
    Thumbnail,
    ThumbnailPicture,
    chapters_told,
    draw_thumbnail,
    hashtag_of,
    measured,
    plan_chapters,
    text_faults,
)
from cutreel.core.publishing.measured import luminance
from tests.labelled import parses_of

STORY = (
    "# The quay — night, clear\n\nMirel the lamplighter counted the boats twice. One of them was missing, and nobody had "
    "seen it go. Who would row out in such a storm? She took the long ladder and went along the wall.\n\n"
    "# The tower — night, storm\n\nThe tower had no door that night. She climbed up on the outside, rung by rung, with the "
    "lamp between her teeth. Nobody called her. The wind did not let go of the ladder once.\n\n"
    "# The harbour — day, clear\n\nIn the morning there were seven boats again. Mirel slept on the quay with the lamp in "
    "her arms, and the harbour master let her sleep until noon.\n"
)


def film(text: str = STORY, **settings):
    parses = parses_of(text)
    document, _ = new_film("The Seventh Boat", text, Settings(pace=6, **settings), parses=parses)
    return assemble("f", read_film(document, Offered(), None, parses), {}, lambda keys: {})


times = st.lists(st.floats(0, 4000), max_size=30).map(sorted)


@given(times, st.floats(1, 5000))
def test_chapters_keep_the_rules_whatever_the_scenes_are(starts, seconds) -> None:
    found = plan_chapters([Chapter(s, f"scene {i}") for i, s in enumerate(starts)], seconds)
    if not found:
        return
    assert found[0].start == 0 and len(found) >= 3
    ends = [c.start for c in found[1:]] + [seconds]
    assert all(b - a >= 10 for a, b in zip([c.start for c in found], ends, strict=True))


def test_chapters_are_told_as_descriptions_have_them() -> None:
    told = chapters_told([Chapter(0, "One"), Chapter(65.9, "Two"), Chapter(3725, "Three")])
    assert told == "0:00 One\n1:05 Two\n1:02:05 Three"


def test_a_film_of_three_scenes_has_chapters_named_by_their_places() -> None:
    chapters = chapters_of(film())
    assert [c.title for c in chapters] == ["The quay", "The tower", "The harbour"]
    short = film("# One\n\nA dog ran.\n\n# Two\n\nA cat sat.\n\n# Three\n\nThey met.")
    assert chapters_of(short) == [], "scenes of two seconds are no chapters"


def test_texts_are_drafted_from_the_film_alone() -> None:
    told = drafted_texts(film())
    assert told.title == "The Seventh Boat"
    first = told.description.split("\n")[0]
    assert first.startswith("Mirel the lamplighter counted the boats twice.") and len(first) <= 150
    assert "0:00 The quay" in told.description and "made by machine" in told.description
    assert {"The Seventh Boat", "Mirel", "animated story"} <= set(told.tags) and "boat" in told.tags
    assert len(", ".join(told.tags)) <= 500 and len({t.lower() for t in told.tags}) == len(
        told.tags
    )
    assert all(h.startswith("#") and h[1:].isalnum() for h in told.hashtags)
    assert text_faults(told, chapters_of(film()), film().seconds, 0) == []
    titles = titles_for(film())
    assert titles[0] == "The Seventh Boat" and any("Mirel" in t for t in titles)
    assert any(t.startswith("Who would row out in such a storm?") for t in titles)


def test_words_for_a_thumbnail_are_few_and_are_said() -> None:
    words = words_for(film())
    assert "Nobody called her" in words and words[-1] == "Seventh Boat"
    assert all(len(w.split()) <= 4 for w in words)


def test_words_that_point_at_nothing_come_behind_those_that_say_something() -> None:
    words = words_for(film("“Open the tower!” said Mirel. Boats steered by it. The lamp went out."))
    assert words.index("The lamp went out") < words.index("Boats steered by it")
    assert not any(w.startswith("said") for w in words), words


def _picture(letter: str, **more) -> ThumbnailPicture:
    told = {"media": letter * 64 + ".png", "thumb": "small.webp", "shot": 1, **more}
    return ThumbnailPicture(**told)


def test_a_picture_made_for_thumbnails_is_framed_by_its_face_and_goes_when_nothing_shows_it() -> (
    None
):
    document, edges = new_film("The Seventh Boat", STORY, Settings(pace=6), parses=parses_of(STORY))

    def now(command) -> None:
        nonlocal document
        document = apply_command(document, command, edges)[0]

    for letter in "ab":
        heads = [(0.7, 0.3, 0.5)] if letter == "a" else []
        now(AddThumbnailPicture(picture=_picture(letter, heads=heads, prompt=letter)))
    made = assemble("f", read_film(document, Offered()), {}, lambda keys: {})
    empty, faced = pictured_thumbnails(made)
    assert faced.picture == "a" * 64 + ".png" and empty.side == "bottom"
    assert faced.side == "left" and faced.zoom > 1.5, "the face is large, words beside it"
    assert faced.words != empty.words
    now(KeepThumbnail(thumbnail=faced))
    with pytest.raises(BadInput, match="shows this picture"):
        now(DropThumbnailPicture(media=faced.picture))
    for letter in "cdef0123456789":
        now(AddThumbnailPicture(picture=_picture(letter)))
    left = [p.media[0] for p in document.thumbnail_pictures]
    assert len(left) == 12 and left[0] == "a" and left[-1] == "9", "what is kept stays"
    now(DropThumbnailPicture(media="9" * 64 + ".png"))
    with pytest.raises(NotFound):
        now(DropThumbnailPicture(media="9" * 64 + ".png"))
    with pytest.raises(NotFound):
        now(KeepThumbnail(thumbnail=Thumbnail(shot=1, picture="9" * 64 + ".png")))


def test_a_figure_that_was_cut_out_stands_before_the_picture_and_before_words_behind_it() -> None:
    ground = Image.new("RGB", (640, 360), "#203040")
    figure = Image.new("RGBA", (200, 400))
    figure.paste((220, 30, 30, 255), (50, 100, 150, 400))
    told = Thumbnail(shot=1, tall=0.5, across=0.75)
    drawn = draw_thumbnail(told, [ground], None, (1280, 720), figure)
    red = (np.asarray(drawn.picture)[..., 0] > 180).nonzero()
    assert (red[0].min(), red[0].max()) == (pytest.approx(360, abs=2), 719), "on the edge below"
    middle = (red[1].min() + red[1].max()) / 2
    assert middle == pytest.approx(960, abs=2) and np.ptp(red[1]) == pytest.approx(120, abs=3)
    tall = draw_thumbnail(
        told.model_copy(update={"tall": 2.0}), [ground], None, (1280, 720), figure
    )
    assert (np.asarray(tall.picture)[..., 0] > 180).nonzero()[0].min() < 40, "its head is seen"
    words = told.model_copy(update={"words": "Boats", "side": "right", "tall": 1.0})
    before = draw_thumbnail(words, [ground], None, (1280, 720), figure)
    behind = draw_thumbnail(
        words.model_copy(update={"behind": True}), [ground], None, (1280, 720), figure
    )
    assert before.hidden == 0 and 0.1 < behind.hidden < 0.9


@pytest.mark.parametrize(("shape", "wide"), [("16:9", True), ("9:16", False)])
def test_a_thumbnails_picture_is_asked_for_near_in_its_shape_and_the_film_stays(
    shape, wide
) -> None:
    made = film()
    shot = next(s for s in made.read.shots if s.people and s.facts.framing != "close")
    near = near_shot(made, shot.shot.id, shape)
    assert near.prompt.text.startswith("Close-up") and not shot.prompt.text.startswith("Close-up")
    assert near.people == shot.people and (near.size[0] > near.size[1]) is wide
    assert made.read.shots[0].shot.own.framing is None
    with pytest.raises(NotFound):
        near_shot(made, 999, shape)


@pytest.mark.parametrize(
    ("told", "tag"),
    [("the ferry landing", "#TheFerryLanding"), ("Zürich, 1792", "#Zürich1792"), ("1792", ""), ("—", "")],
)  # fmt: skip
def test_hashtags_hold_letters_and_digits_alone(told, tag) -> None:
    assert hashtag_of(told) == tag


def test_what_is_wrong_with_texts_is_said() -> None:
    bad = Texts(
        title="x" * 101,
        description="<b>" + "y" * 5_000,
        tags=["z" * 120, *(f"tag number {n}" for n in range(60))],
        hashtags=["no", "#a b", *(f"#n{i}x" for i in range(20))],
    )
    faults = text_faults(bad, [], 100, sources=2)
    said = {(f.field, f.beyond) for f in faults}
    assert {("title", True), ("description", True), ("tags", True), ("hashtags", True)} <= said
    assert {("description", False), ("chapters", False)} <= said
    assert [f.says for f in text_faults(Texts(title=" ", description="", tags=[], hashtags=[]), [], 5, 0)] == ["There is no title."]  # fmt: skip
    assert not any(f.field == "chapters" for f in text_faults(bad, [], 20, 0)), "too short for any"


def test_texts_are_written_and_drafted_again_and_thumbnails_are_kept() -> None:
    document, edges = film().document, ["1"]

    def after(*commands):
        now, said = document, ""
        for command in commands:
            now, _, said = apply_command(now, command, edges)
        return now, said

    own, said = after(SetTexts(values=OwnTexts(title="Seven")), SetTexts(values=OwnTexts(tags=["a"])))  # fmt: skip
    assert (own.texts.title, own.texts.tags, said) == ("Seven", ["a"], "write the tags")
    assert drafted_texts(film()).with_own(own.texts).title == "Seven"
    again, said = after(SetTexts(values=OwnTexts(title="Seven")), SetTexts(values=OwnTexts(title=None)))  # fmt: skip
    assert again.texts == OwnTexts() and said == "draft the title again"
    one, two = Thumbnail(shot=1, words="one"), Thumbnail(shot=2, words="two")
    kept, _ = after(KeepThumbnail(thumbnail=one), KeepThumbnail(thumbnail=two), DropThumbnail(place=1, first=True))  # fmt: skip
    assert [t.words for t in kept.thumbnails] == ["two", "one"]


def picture(colour: str) -> Image.Image:
    return Image.new("RGB", (1280, 720), colour)


def test_luminance_and_contrast_are_those_of_wcag() -> None:
    """Source: WCAG 2.2, definitions of relative luminance and contrast ratio: black on white is 21 to 1."""
    shades = luminance(np.array([[[0, 0, 0], [255, 255, 255], [255, 0, 0]]], dtype=np.uint8))[0]
    assert shades == pytest.approx([0, 1, 0.2126])
    for ground, colour, edge, most in (
        ("#000000", "#ffffff", "#000000", 21.0),
        ("#767676", "#ffffff", "#767676", 4.54),
    ):
        told = Thumbnail(shot=1, words="HIM", colour=colour, edge=edge, size=0.5, shade=False)
        drawn = draw_thumbnail(told, [picture(ground)], None, (1280, 720))
        found = measured(drawn, told.words, None, 1000)
        assert found.contrast == pytest.approx(most, abs=0.15)


@pytest.mark.parametrize("side", ["left", "right", "top", "bottom"])
def test_words_stand_at_their_side_inside_a_margin(side) -> None:
    told = Thumbnail(shot=1, words="The tower had no door", side=side, size=0.5)
    letters = draw_thumbnail(told, [picture("#336699")], None, (1280, 720)).letters > 100
    rows, columns = np.flatnonzero(letters.any(axis=1)), np.flatnonzero(letters.any(axis=0))
    assert rows[0] > 20 and rows[-1] < 700 and columns[0] > 20 and columns[-1] < 1260
    middle = {"left": columns[-1] < 650, "right": columns[0] > 630, "top": rows[-1] < 370, "bottom": rows[0] > 350}  # fmt: skip
    assert middle[side]


def test_words_behind_a_figure_are_hidden_by_it_alone_and_that_is_measured() -> None:
    figure = np.zeros((720, 1280, 4), np.uint8)
    figure[:, :400] = (200, 40, 40, 255)
    layers = [picture("#101820"), Image.fromarray(figure)]
    told = Thumbnail(shot=1, words="Nobody came", side="left", behind=True, size=0.3)
    before = draw_thumbnail(told.model_copy(update={"behind": False}), layers, 1, (1280, 720))
    behind = draw_thumbnail(told, layers, 1, (1280, 720))
    assert not behind.letters[:, :400].any() and behind.letters[:, 401:].any()
    share = before.letters[:, :400].sum() / before.letters.sum()
    assert behind.hidden == pytest.approx(share, abs=0.01) and before.hidden == 0
    seen = np.asarray(behind.picture)[:, :400]
    assert np.abs(seen.astype(int) - (200, 40, 40)).max() == 0, "nothing is laid over the figure"


def test_a_nearer_picture_shows_what_is_around_its_middle() -> None:
    ground = np.zeros((720, 1280, 3), np.uint8)
    ground[:, 640:] = 255
    told = Thumbnail(shot=1, zoom=4, x=0.9, y=0.5)
    drawn = draw_thumbnail(told, [Image.fromarray(ground)], None, (640, 360))
    assert np.asarray(drawn.picture).min() > 250
    upright = draw_thumbnail(Thumbnail(shot=1, x=0.1), [Image.fromarray(ground)], None, (720, 1280))
    assert upright.picture.size == (720, 1280) and np.asarray(upright.picture).max() < 5
    out = io.BytesIO()
    upright.picture.save(out, "JPEG")
    assert Image.open(out).size == (720, 1280)


def test_whom_services_ask_to_be_named_is_among_the_credits() -> None:
    """Of what the film uses alone; each once, with what it may be used for."""
    found = film()
    rights = {
        "by": "Night press",
        "credit": "drawn at Night press",
        "terms": "films with advertising too",
    }
    takes = [
        SimpleNamespace(about={"rights": rights}),
        SimpleNamespace(about={"rights": dict(rights)}),
        SimpleNamespace(about={}),
        None,
    ]
    used = replace(found, used=takes, sounds={"s": SimpleNamespace(data={"rights": {"by": "Hum"}})})
    assert credits_of(used) == [
        "Night press: drawn at Night press (films with advertising too)",
        "Hum: no name asked for",
    ]
    assert credits_of(found) == []
