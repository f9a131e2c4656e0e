"""Film-making speed against the bare encoder fed the same frames, in one run.

    .venv/bin/python bench/film.py [--size 1080] [--seconds 8] [--slices 5]

Composes and encodes the segments of a short film of layered pictures as two workers do (two
processes, one thread each), and encodes the same frames, composed beforehand and held in memory,
with the same encoder in the same two processes. Both are done in turn, slice by slice, so that what
else the machine does falls on both alike. Prints the ratio of the medians: 1.00 would mean that composing
costs nothing. Three films: one in which the camera moves over layers under captions; the same graded, with the word
that is said marked in captions of two lines, and a picture laid over; and one with an acting figure that speaks, two
parts that move by themselves, water, a flame and snow besides. Absolute times are noise on shared machines.
"""

import argparse
import io
import json
import multiprocessing
import re
import statistics
import time
from pathlib import Path

import numpy as np
from PIL import Image

from cutreel.core.captions import CaptionStyle
from cutreel.core.effects import Finish, Grade
from cutreel.core.insets import Inset
from cutreel.core.motion import Act, Acting, Air, Flame, RegionMove, Water
from cutreel.core.render import (
    Planes,
    PlannedShot,
    SegmentPlan,
    encode_segment,
    frames_of,
    painter,
    plan_segments,
    planes_of,
)
from cutreel.core.timeline import CaptionClip, FrameRate, Join, Region, Span, Strip
from cutreel.protocol import JointedFigure
from standins.illustrator import Wish, paint

STYLE = "layered cut paper. soft shadows, paper fibre"
PROMPTS = (
    "Medium shot. Maren (old woman, grey braid, tanned skin, yellow oilskin coat) lifts her lantern. "
    f"a jetty. night. {STYLE}",
    f"Wide shot. Pip (boy of ten, cropped brown hair, red scarf, teal coat) waves. a shore. dusk, wind. {STYLE}",
)
RATE = FrameRate.parse("24")
WIDTH, HEIGHT = 1280, 720
LAID = "0" * 64 + ".png"


class Pictures:
    """The pictures with all that they are made of, by name."""

    def __init__(self) -> None:
        self.planes: dict[str, Planes] = {}
        self.figures: dict[str, JointedFigure] = {}
        self.still: list[PlannedShot] = []
        self.moving: list[PlannedShot] = []
        self.dressed: list[PlannedShot] = []
        for i, prompt in enumerate(PROMPTS):
            self._add(i, prompt)

    def _add(self, i: int, prompt: str) -> None:
        picture = paint(prompt, 7, WIDTH, HEIGHT, wish=Wish(jointed=True))
        layers, strips = [], []
        for n, (png, depth) in enumerate(picture.layers):
            layers.append((self._kept(f"{i}-{n}", png, depth), depth))
            parts = [s for s in picture.strips if s.layer == n]
            strips += [] if parts else [Strip(media=f"{i}-{n}", depth=depth)]
            for k, part in enumerate(parts):
                name = self._kept(f"{i}-{n}-{k}", part.png, depth)
                strip = Strip(media=name, depth=depth)
                moves = part.moves or {}
                if moves.get("kind") == "water":
                    strip.water = Water(top=moves["top"], bottom=moves["bottom"])
                if part.figure:
                    self.figures[name] = JointedFigure.model_validate(part.figure)
                    strip.figure, strip.acting = name, _acting()
                strips.append(strip)
        self.still.append(PlannedShot(layers=layers))
        laid = Inset(media=LAID, shape=1.5, x=0.74, y=0.3, size=0.36, comes="rise", nearer=0.1)
        grade = Grade(warmth=0.3, contrast=0.2, saturation=0.9, exposure=-0.1)
        self.dressed.append(PlannedShot(layers=layers, finish=Finish(grade=grade), insets=[laid]))
        flames = [Flame(x=x, y=y, reach=r) for x, y, r in picture.flames][:1]
        self.moving.append(
            PlannedShot(
                layers=layers,
                strips=strips,
                flames=flames or [Flame(x=0.7, y=0.5, reach=0.3)],
                air=[Air(kind="snow", seed=i)],
                regions=[
                    Region(mask="left", move=RegionMove(way="ripple")),
                    Region(mask="right", move=RegionMove(way="swing")),
                ],
            )
        )

    def _kept(self, name: str, png: bytes, depth: float) -> str:
        self.planes[name] = planes_of(np.asarray(Image.open(io.BytesIO(png))), depth)
        return name


def mask(name: str) -> bytes:
    """Where the two parts are: each a seventh of the width and a quarter of the height."""
    marked = np.zeros((HEIGHT, WIDTH), np.uint8)
    left = WIDTH // 12 if name == "left" else WIDTH * 9 // 12
    marked[HEIGHT // 2 : HEIGHT * 3 // 4, left : left + WIDTH // 7] = 255
    out = io.BytesIO()
    Image.fromarray(marked).save(out, "PNG")
    return out.getvalue()


def file(name: str) -> bytes:
    """The picture that is laid over, else where a part is."""
    if name != LAID:
        return mask(name)
    out = io.BytesIO()
    Image.new("RGB", (600, 400), (120, 80, 60)).save(out, "PNG")
    return out.getvalue()


def _acting() -> Acting:
    """Something is done all the time, and lips move."""
    acts = [Act(action="wave", start=n * 2.4, seconds=2.4) for n in range(8)]
    shapes = ("open", "pressed", "gape", "parted")
    return Acting(acts=acts, mouth=[(n / 8, shapes[n % 4]) for n in range(150)])


def plans(shots: list[PlannedShot], short: int, seconds: float, marked: bool) -> list[SegmentPlan]:
    frames = RATE.frames(seconds)
    spans = [Span(0, frames // 2), Span(frames // 2, frames)]
    lines = ("The Saltmere ferry had not", "missed a crossing in years.")
    starts = [
        (n, m.start(), m.end()) for n, line in enumerate(lines) for m in re.finditer(r"\S+", line)
    ]
    said = tuple((n, a, b, 0.4 + k * 0.3) for k, (n, a, b) in enumerate(starts)) if marked else ()
    captions = [CaptionClip(0.4, seconds - 0.4, lines, said)]
    style = CaptionStyle(said="box") if marked else CaptionStyle()
    wide = round(short * 16 / 9 / 2) * 2
    return [
        p
        for _, p in plan_segments(
            shots, spans, [Join(0)] * 2, captions, RATE, wide, short, "film", style
        )
    ]


def worker(which: int, short: int, seconds: float, slices: int, ready, done) -> None:  # type: ignore[no-untyped-def]
    """Time making beside encoding alone, of both films, in turn."""
    pictures = Pictures()
    fetch = lambda name, depth: pictures.planes[name]  # noqa: E731
    figure = lambda name: pictures.figures[name]  # noqa: E731
    jobs = {}
    films = {"camera": pictures.still, "dressed": pictures.dressed, "everything": pictures.moving}
    for film, shots in films.items():
        plan = plans(shots, short, seconds, film == "dressed")[which]
        size = (plan.frames, plan.width, plan.height, RATE.fraction, plan.quality)
        held = [tuple(p.copy() for p in frame) for frame in frames_of(plan, fetch, figure, file)]

        def bare(number, out, held=held) -> None:  # type: ignore[no-untyped-def]
            for plane, ready_made in zip(out, held[number], strict=True):
                plane[:] = ready_made

        jobs[film, "made"] = lambda plan=plan, size=size: encode_segment(
            painter(plan, fetch, figure, file), *size
        )
        jobs[film, "bare"] = lambda bare=bare, size=size: encode_segment(bare, *size)
        jobs[film, "composed"] = lambda plan=plan: sum(
            1 for _ in frames_of(plan, fetch, figure, file)
        )
    times: dict[tuple[str, str], list[float]] = {name: [] for name in jobs}
    for _ in range(slices):
        for name, work in jobs.items():
            ready.wait()
            begin = time.perf_counter()
            work()
            times[name].append(time.perf_counter() - begin)
    done.put(times)


def main() -> None:
    options = argparse.ArgumentParser(description=__doc__)
    options.add_argument("--size", type=int, default=1080)
    options.add_argument("--seconds", type=float, default=4.0)
    options.add_argument("--slices", type=int, default=5)
    options.add_argument("--out", type=Path)
    given = options.parse_args()
    context = multiprocessing.get_context("spawn")
    barrier, done = context.Barrier(2), context.Queue()
    running = [
        context.Process(
            target=worker, args=(n, given.size, given.seconds, given.slices, barrier, done)
        )
        for n in range(2)
    ]
    for process in running:
        process.start()
    times = [done.get() for _ in running]
    for process in running:
        process.join()
    frames = RATE.frames(given.seconds)
    # The slower of the two workers ends a slice.
    took = {
        name: [max(pair) for pair in zip(*(t[name] for t in times), strict=True)]
        for name in times[0]
    }
    report: dict[str, object] = {"size": given.size, "frames": frames, "slices": given.slices}
    for film in ("camera", "dressed", "everything"):
        ratios = sorted(b / m for b, m in zip(took[film, "bare"], took[film, "made"], strict=True))
        middle = {k: statistics.median(took[film, k]) for k in ("made", "bare", "composed")}
        report[film] = {
            "ratio to the bare encoder": round(statistics.median(ratios), 3),
            "least and largest": [round(ratios[0], 3), round(ratios[-1], 3)],
            "bare encoder, frames a second": round(frames / middle["bare"], 1),
            "film, frames a second": round(frames / middle["made"], 1),
            "composing alone, frames a second": round(frames / middle["composed"], 1),
        }
    print(json.dumps(report, indent=1))
    if given.out:
        given.out.write_text(json.dumps(report, indent=1) + "\n")


if __name__ == "__main__":
    main()
