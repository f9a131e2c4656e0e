"""How well the words on the screen can be read against what is behind them, by the frames that a viewer sees."""

from bisect import bisect_right
from collections.abc import Sequence

import numpy as np

from cutreel.core import render
from cutreel.core.publishing import ReportFigure, ReportPlace, counted
from cutreel.core.timeline import CardClip
from cutreel.core.titles import TitleLook
from cutreel.store import Assembled

from .moving import painted
from .planning import planned_at
from .workshop import Workshop

HIGH = 360
"""The shorter side in pixels of the frames that are looked at."""
MOMENTS = (0.3, 0.55, 0.8)
"""When in their time words are looked at."""
Plans = Sequence[tuple[int, render.SegmentPlan]]


def contrasts(shop: Workshop, film: Assembled, shot: int) -> list[float | None]:
    """The least contrast of each of the words on the screen of a shot (by its index), in their order; None where none
    of their letters are seen, as behind a figure."""
    plans = planned_at(film, "preview", HIGH, "off")
    cards = [c for c in film.timeline.cards if c.shot == shot and c.sort != "mark"]
    return [_contrast(shop, film, plans, card, MOMENTS) for card in cards]


def words_figures(shop: Workshop, film: Assembled) -> list[ReportFigure]:
    """Of a report: in which shots words on the screen are hard to read, each looked at in the middle of its time."""
    plans = planned_at(film, "preview", HIGH, "off")
    cards = [c for c in film.timeline.cards if c.sort != "mark"]
    if not cards:
        return []
    hard = []
    for card in cards:
        found = _contrast(shop, film, plans, card, MOMENTS[1:2])
        if found is not None and found < render.LEAST_CONTRAST:
            hard.append(film.read.shots[card.shot].shot)
    what = f"words on the screen whose contrast is under {render.LEAST_CONTRAST:g} (WCAG 2.2)"
    where = ReportPlace(view="sheet", shot=hard[0].id) if hard else None
    return [counted("captions", what, [s.edge for s in hard], where)]


def _contrast(
    shop: Workshop, film: Assembled, plans: Plans, card: CardClip, moments: Sequence[float]
) -> float | None:
    """The least contrast of words at some moments of their time."""
    starts = [first for first, _ in plans]
    found = []
    for share in moments:
        at = film.rate.frames(card.start + (card.end - card.start) * share)
        first, plan = plans[max(0, bisect_right(starts, at) - 1)]
        if 0 <= at - first < plan.frames:
            measure = _in_frame if card.keeps == "frame" else _in_picture
            found.append(measure(shop, film, plan, card, at - first))
    seen = [c for c in found if c is not None]
    return min(seen) if seen else None


def _in_frame(
    shop: Workshop, film: Assembled, plan: render.SegmentPlan, card: CardClip, number: int
) -> float | None:
    """Of words that keep to the frame: where their letters are is known."""
    span = next((c for c in plan.cards if _same(c.lines, c.sort, card)), None)
    if span is None:
        return None
    look = span.title_look or plan.title_look or TitleLook()
    words = render.card_at(span, look, number, float(film.rate.fraction), plan.width, plan.height)
    return None if words is None else render.contrast_of(_bright(shop, plan, number), words, look)


def _in_picture(
    shop: Workshop, film: Assembled, plan: render.SegmentPlan, card: CardClip, number: int
) -> float | None:
    """Of words that keep to the picture: their letters are what changes where they are of another colour."""
    scenes = [plan.one, *([plan.other] if plan.other else [])]
    span = next((w for s in scenes for w in s.words if _same(w.lines, w.sort, card)), None)
    if span is None:
        return None
    look = span.title_look or plan.title_look or TitleLook()
    dark, light = (
        _bright(shop, _coloured(plan, card, look.model_copy(update={"colour": colour})), number)
        for colour in ("#000000", "#ffffff")
    )
    return render.contrast_between(_bright(shop, plan, number), dark, light)


def _coloured(plan: render.SegmentPlan, card: CardClip, look: TitleLook) -> render.SegmentPlan:
    """A segment with some words of its picture in another look."""

    def scene(one: render.Scene) -> render.Scene:
        words = [
            w.model_copy(update={"title_look": look}) if _same(w.lines, w.sort, card) else w
            for w in one.words
        ]
        return one.model_copy(update={"words": words})

    other = scene(plan.other) if plan.other is not None else None
    return plan.model_copy(update={"one": scene(plan.one), "other": other})


def _bright(shop: Workshop, plan: render.SegmentPlan, number: int) -> np.ndarray:
    """The brightness of a frame of a segment."""
    return render.planes_of(np.asarray(painted(shop, plan)(number))).y


def _same(lines: list[str], sort: str, card: CardClip) -> bool:
    return sort == card.sort and tuple(lines) == card.lines
