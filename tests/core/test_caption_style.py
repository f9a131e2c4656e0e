"""How captions look: by pixels, against the text as Pillow measures it, and against WCAG's contrast."""

import numpy as np
import pytest

from cutreel.core.captions import READY, Caption, CaptionStyle, captions_of, said_in
from cutreel.core.film import Offered, Settings, assemble, new_film, read_film
from cutreel.core.lettering import face
from cutreel.core.manuscript import read
from cutreel.core.render import CaptionSpan, PlannedShot, Scene, SegmentPlan, frames_of, planes_of
from cutreel.core.render.captioned import caption_planes
from cutreel.making.planning import planned_segments

W, H = 640, 360
LINES = ("So when Maren lifted", "her lantern, she knew.")


def contrast(one: str, other: str) -> float:
    """WCAG 2.2, relative luminance and contrast ratio, by their formulas."""

    def luminance(colour: str) -> float:
        parts = [int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)]
        r, g, b = (c / 12.92 if c <= 0.04045 else ((c + 0.055) / 1.055) ** 2.4 for c in parts)
        return 0.2126 * r + 0.7152 * g + 0.0722 * b

    dark, light = sorted((luminance(one), luminance(other)))
    return (light + 0.05) / (dark + 0.05)


def drawn(style: CaptionStyle, said=()) -> tuple[np.ndarray, int, int]:
    """The brightness of a caption laid on middle grey, and where its rows with letters begin and end."""
    words, top, left = caption_planes(LINES, W, H, style, tuple(said))
    frame = np.full((H, W), 126, np.int32)
    rows, columns = words.y.shape
    alpha = words.alpha.astype(np.int32)
    here = frame[top : top + rows, left : left + columns]
    here[:] = words.y + here * (255 - alpha) // 255
    changed = np.flatnonzero((frame != 126).any(axis=1))
    return frame, int(changed[0]), int(changed[-1])


@pytest.mark.parametrize("name", READY)
def test_every_style_is_inside_the_frame_and_read(name: str) -> None:
    style = READY[name]
    frame, first, last = drawn(style, [(0, 0, 2)])
    assert first >= 0 and last < H - 1
    ink = 16 + 219 * np.mean([int(style.colour[i : i + 2], 16) for i in (1, 3, 5)]) / 255
    assert (np.abs(frame - ink) < 25).sum() > 300
    ground = style.box or style.edge or "#0c0a09"
    assert contrast(style.colour, ground) >= 4.5, "WCAG 2.2, text of any size"


def test_another_language_stands_smaller_beneath_and_moves_nothing_else() -> None:
    """The caption's own rows are as without; below them, rows of letters that are smaller, inside the frame."""

    def rows(**more) -> tuple[np.ndarray, int]:
        planes, top, _ = caption_planes(("HHHHHH",), W, H, CaptionStyle(edge=None), **more)
        seen = np.flatnonzero((planes.alpha > 128).any(axis=1))
        return seen, top

    alone, there = rows()
    both, above = rows(beneath=("HHHHHH", "HHHHHH"))
    first, *under = np.split(both, np.flatnonzero(np.diff(both) > 1) + 1)
    assert len(first) == len(alone) and above < there, "it makes room by itself"
    assert [len(u) / len(first) for u in under] == pytest.approx([0.74, 0.74], abs=0.08)
    assert above + both[-1] < H
    boxed = caption_planes(LINES, W, H, CaptionStyle(box="#101010"), beneath=LINES)[0]
    assert (boxed.alpha > 200).any(axis=1).mean() > 0.8, "each language has its box"


def test_larger_is_larger_and_places_are_apart() -> None:
    def height(**more) -> int:
        _, first, last = drawn(CaptionStyle(**more))
        return last - first

    assert height(size=1.5) > 1.35 * height()
    low, middle, high = (drawn(CaptionStyle(place=p))[1] for p in ("low", "middle", "high"))
    assert high < H * 0.15 < H * 0.4 < middle < H * 0.6 < low


def test_a_long_line_is_made_smaller_not_cut() -> None:
    words, _, left = caption_planes(("W" * 60,), W, H, CaptionStyle(size=2.0))
    assert left > 0 and words.y.shape[1] <= W


@pytest.mark.parametrize("said", ["colour", "box"])
def test_the_word_that_is_said_is_marked_where_it_stands(said: str) -> None:
    style = CaptionStyle(said=said, said_colour="#ff0000", edge=None)
    plain, marked = drawn(style)[0], drawn(style, [(1, 4, 12)])[0]
    columns = np.flatnonzero((plain != marked).any(axis=0))
    font = face("plain", max(9, round(min(H * 0.062, W * 0.055))))
    start = W / 2 - font.getlength(LINES[1]) / 2 + font.getlength(LINES[1][:4])
    assert columns[0] == pytest.approx(start, abs=8)
    assert columns[-1] == pytest.approx(start + font.getlength("lantern,"), abs=8)
    rows = np.flatnonzero((plain != marked).any(axis=1))
    assert rows[0] > H * 0.8


def test_words_of_a_caption_are_found_in_its_lines() -> None:
    script = read("“Row,” said Ada, “row, row — or we are lost.” A well-known ferry came.\n")
    times = np.array([[0.4 * i, 0.4 * i + 0.3] for i in range(len(script.words))])
    for caption in captions_of(script.words, times, 20):
        said = said_in(caption, script.words, times)
        assert [caption.lines[n][a:b] for n, a, b, _ in said] == [
            w.text for w in script.words[caption.first : caption.last]
        ]
        assert [at for *_, at in said] == [
            float(times[i, 0]) for i in range(caption.first, caption.last)
        ]
    cut = Caption(0, 1, ("incomprehensi", "bilities"), 0, 1)
    assert said_in(cut, read("incomprehensibilities").words, np.array([[0, 1.0]])) == ()


def test_the_mark_goes_from_word_to_word_with_the_frames() -> None:
    grey = planes_of(np.full((H, W, 3), 128, np.uint8))
    scene = Scene(shot=PlannedShot(layers=[("g", 0.0)], move="still"), at=0, life=30, seconds=1.2)
    span = CaptionSpan(
        lines=["one two"], start=0, end=30, said=[(0, 0, 3, 2), (0, 4, 7, 14)]
    )  # fmt: skip
    style = CaptionStyle(said="so far", said_colour="#000000", edge=None)
    plan = SegmentPlan(
        width=W, height=H, fps="24", quality="preview", frames=30, one=scene, captions=[span], style=style,
    )  # fmt: skip
    dark = [int((f[0][H * 3 // 4 :] < 40).sum()) for f in frames_of(plan, lambda name, depth: grey)]
    assert dark[0] == dark[1] == 0
    assert dark[2] == dark[13] > 30
    assert dark[14] == dark[29] > 1.5 * dark[13]


def test_a_film_in_the_plain_style_is_what_it_was() -> None:
    """Its segments keep their keys; another style is another key, where there are captions."""
    text = "Ada waited on the quay for the last boat of the year.\n"

    def keys(**settings) -> list[str]:
        document, _ = new_film("t", text, Settings(**settings))
        film = assemble("f", read_film(document, Offered(600)), {}, lambda keys: {})
        return [plan.key for _, plan in planned_segments(film, "film")]

    plain = keys()
    assert plain == keys(caption_style=CaptionStyle())
    assert plain != keys(caption_style=READY["lantern"])
    assert keys(captions="off") == keys(captions="off", caption_style=READY["lantern"])
    assert plain != keys(caption_length=16)
