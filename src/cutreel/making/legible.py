"""How well the words on a shot's screen can be read against what is behind them, by the frames that a viewer sees."""

from bisect import bisect_right

import numpy as np

from cutreel.core.render import card_at, contrast_of, planes_of
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


def contrasts(shop: Workshop, film: Assembled, shot: int) -> list[float | None]:
    """The least contrast of each of the words on the screen of a shot (by its index), in their order; None where it is
    not measured: words in the picture are part of that."""
    plans = planned_at(film, "preview", HIGH, "off")
    starts = [first for first, _ in plans]
    out: list[float | None] = []
    for card in film.timeline.cards:
        if card.shot != shot or card.sort == "mark":
            continue
        found = []
        for share in MOMENTS if card.keeps == "frame" else ():
            at = film.rate.frames(card.start + (card.end - card.start) * share)
            first, plan = plans[max(0, bisect_right(starts, at) - 1)]
            span = next((c for c in plan.cards if _same(c.lines, c.sort, card)), None)
            number = at - first
            if span is None or not 0 <= number < plan.frames:
                continue
            look = span.title_look or plan.title_look or TitleLook()
            fps = float(film.rate.fraction)
            words = card_at(span, look, number, fps, plan.width, plan.height)
            if words is not None:
                frame = planes_of(np.asarray(painted(shop, plan)(number)))
                found.append(contrast_of(frame.y, words, look))
        seen = [c for c in found if c is not None]
        out.append(min(seen) if seen else None)
    return out


def _same(lines: list[str], sort: str, card: CardClip) -> bool:
    return sort == card.sort and tuple(lines) == card.lines
