"""How fast joins, captions, grades and effects are made, beside the bare encoder on the very same frames, taken in turn
so that noise cancels. Aims: captions with the word said marked, a grade and an effect 0.80, patterned joins 0.70.
Run: python -m bench.joins [SHORT SIDE]
"""

import io
import statistics
import sys
import time

import numpy as np
from PIL import Image

from cutreel.core.captions import READY, CaptionStyle
from cutreel.core.effects import EFFECT_KINDS, GRADES, Effect, Finish
from cutreel.core.render import (
    CaptionSpan,
    Planes,
    PlannedShot,
    Scene,
    SegmentPlan,
    encode_segment,
    frames_of,
    painter,
    planes_of,
)
from cutreel.core.timeline import FrameRate, JoinHow
from standins.illustrator import paint

RATE = FrameRate.parse("24")
FRAMES, TURNS = 48, 5
PROMPTS = (
    "Medium shot. Maren (old woman, yellow oilskin coat). a kitchen. day",
    "Wide shot. a shore. dusk",
)
HOWS = (
    None,
    JoinHow(),
    JoinHow(kind="dip"),
    JoinHow(kind="pattern", pattern="torn paper"),
    JoinHow(kind="pattern", pattern="clouds"),
    JoinHow(kind="push"),
    JoinHow(kind="page"),
    JoinHow(kind="whip"),
    JoinHow(kind="flood"),
)


def main(short: int = 1080) -> None:
    wide, named = pictures(short)
    print(f"{wide}x{short}, {FRAMES} frames, the median of {TURNS} turns")
    for how in HOWS:
        report(
            f"{how.kind} {how.pattern if how.kind == 'pattern' else ''}" if how else "one shot",
            plan(wide, short, how),
            named,
        )
    for name in ("plain", "marker"):
        style = READY[name]
        report(f"captions, {name}", plan(wide, short, None, style), named)
    graded = GRADES["lamplight"]
    report("graded", plan(wide, short, None, finish=Finish(grade=graded)), named)
    whole = Finish(grade=graded, effects=(Effect(kind="vignette"),))
    report("marked, graded, vignette", plan(wide, short, None, READY["marker"], whole), named)
    for kind in EFFECT_KINDS:
        one = Finish(effects=(Effect(kind=kind),))
        report(kind, plan(wide, short, None, finish=one), named)


def pictures(short: int) -> tuple[int, dict[str, Planes]]:
    """How wide the frame is, and two pictures for it."""
    wide = short * 16 // 9 // 2 * 2
    painted = [paint(f"{p}. layered cut paper.", 3, wide, short).flat for p in PROMPTS]
    flat = [np.asarray(Image.open(io.BytesIO(p)).convert("RGB")) for p in painted]
    return wide, {"a": planes_of(flat[0]), "b": planes_of(flat[1])}


def plan(
    wide: int,
    short: int,
    how: JoinHow | None,
    style: CaptionStyle | None = None,
    finish: Finish = Finish(),
) -> SegmentPlan:
    def scene(picture: str) -> Scene:
        shot = PlannedShot(layers=[(picture, 0.0)], finish=finish)
        return Scene(shot=shot, at=0, life=FRAMES, seconds=2.0)

    lines = ["So when Maren lifted her", "lantern, she knew at once."]
    words = [(0, 0, 2), (0, 3, 7), (0, 8, 13), (0, 14, 20), (1, 0, 8), (1, 9, 12), (1, 13, 17)]
    said = [(*w, 6 * n) for n, w in enumerate(words)] if style and style.said != "none" else []
    return SegmentPlan(
        width=wide,
        height=short,
        fps="24",
        quality="film",
        frames=FRAMES,
        one=scene("a"),
        other=scene("b") if how else None,
        join=how,
        captions=[CaptionSpan(lines=lines, start=0, end=FRAMES, said=said)] if style else [],
        style=style,
    )


def report(name: str, planned: SegmentPlan, named: dict[str, Planes]) -> None:
    held = [tuple(p.copy() for p in f) for f in frames_of(planned, lambda n, depth: named[n])]

    def bare(number, out) -> None:  # type: ignore[no-untyped-def]
        for plane, kept in zip(out, held[number], strict=True):
            plane[:] = kept

    drawn = painter(planned, lambda n, depth: named[n])
    size = (planned.frames, planned.width, planned.height, RATE.fraction, planned.quality)
    took: dict[str, list[float]] = {"drawn": [], "bare": []}
    for _ in range(TURNS):
        for which, draw in (("drawn", drawn), ("bare", bare)):
            start = time.perf_counter()
            encode_segment(draw, *size, lambda done: None)
            took[which].append(time.perf_counter() - start)
    one, other = (statistics.median(took[w]) for w in ("drawn", "bare"))
    print(f"{name:24} {FRAMES / one:6.1f} frames a second, {other / one:.2f} of the bare encoder")


if __name__ == "__main__":
    main(*map(int, sys.argv[1:]))
