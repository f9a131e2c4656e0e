"""Film-making speed against the bare encoder fed the same frames, in one run.

    .venv/bin/python bench/film.py [--size 1080] [--seconds 8]

Composes and encodes the segments of a short film of layered pictures as two workers do (two
processes, one thread each), and encodes the same frames, composed beforehand and held in memory,
with the same encoder in the same two processes. Prints the ratio: 1.00 would mean that composing
costs nothing. Absolute times are noise on shared machines.
"""

import argparse
import io
import json
import multiprocessing
import time
from pathlib import Path

import numpy as np
from PIL import Image

from cutreel.core.captions import Caption
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
from cutreel.core.timeline import FrameRate, Span
from standins.illustrator import paint

STYLE = "layered cut paper. soft shadows, paper fibre"
PROMPTS = (
    "Medium shot. Maren (old woman, grey braid, tanned skin, yellow oilskin coat). Maren lifted her lantern. "
    f"a jetty. night. {STYLE}",
    f"Wide shot. Pip (boy of ten, cropped brown hair, red scarf, teal coat). a heron. a shore. dusk, wind. {STYLE}",
)
RATE = FrameRate.parse("24")


def pictures() -> dict[str, Planes]:
    """The layers of all pictures by name."""
    out = {}
    for i, prompt in enumerate(PROMPTS):
        for n, (data, depth) in enumerate(paint(prompt, 7, 1280, 720).layers):
            out[f"{i}-{n}"] = planes_of(np.asarray(Image.open(io.BytesIO(data))), depth)
    return out


def plans(media: dict[str, Planes], short: int, seconds: float) -> list[SegmentPlan]:
    frames = RATE.frames(seconds)
    shots = [
        PlannedShot(layers=[(k, p.depth) for k, p in media.items() if k.startswith(f"{i}-")])
        for i in range(2)
    ]
    spans = [Span(0, frames // 2), Span(frames // 2, frames)]
    captions = [
        Caption(
            0.4, seconds - 0.4, ("The Saltmere ferry had not", "missed a crossing in years."), 0, 9
        )
    ]
    return [
        p
        for _, p in plan_segments(
            shots, spans, [0, 0], captions, RATE, round(short * 16 / 9 / 2) * 2, short, "film"
        )
    ]


def worker(plan: SegmentPlan, ready, done) -> None:  # type: ignore[no-untyped-def]
    """Time composing with encoding, encoding alone, and composing alone."""
    media = pictures()
    fetch = lambda name, depth: media[name]  # noqa: E731
    size = (plan.frames, plan.width, plan.height, RATE.fraction, plan.quality)
    held = [tuple(p.copy() for p in frame) for frame in frames_of(plan, fetch)]

    def bare(number, out) -> None:  # type: ignore[no-untyped-def]
        for plane, ready_made in zip(out, held[number], strict=True):
            plane[:] = ready_made

    times = {}
    for name, work in (
        ("made", lambda: encode_segment(painter(plan, fetch), *size)),
        ("bare", lambda: encode_segment(bare, *size)),
        ("composed", lambda: sum(1 for _ in frames_of(plan, fetch))),
        ("made again", lambda: encode_segment(painter(plan, fetch), *size)),
        ("bare again", lambda: encode_segment(bare, *size)),
    ):
        ready.wait()
        begin = time.perf_counter()
        work()
        times[name] = time.perf_counter() - begin
    done.put(times)


def main() -> None:
    options = argparse.ArgumentParser(description=__doc__)
    options.add_argument("--size", type=int, default=1080)
    options.add_argument("--seconds", type=float, default=8.0)
    options.add_argument("--out", type=Path)
    given = options.parse_args()
    media = pictures()
    segments = plans(media, given.size, given.seconds)
    context = multiprocessing.get_context("spawn")
    barrier, done = context.Barrier(len(segments)), context.Queue()
    running = [context.Process(target=worker, args=(p, barrier, done)) for p in segments]
    for process in running:
        process.start()
    times = [done.get() for _ in running]
    for process in running:
        process.join()
    frames = sum(p.frames for p in segments)
    took = {name: max(t[name] for t in times) for name in times[0]}
    bare, made = min(took["bare"], took["bare again"]), min(took["made"], took["made again"])
    report = {
        "size": given.size,
        "frames": frames,
        "ratio to the bare encoder": round(bare / made, 3),
        "bare encoder, frames a second": round(frames / bare, 1),
        "film, frames a second": round(frames / made, 1),
        "composing alone, frames a second": round(frames / took["composed"], 1),
    }
    print(json.dumps(report, indent=1))
    if given.out:
        given.out.write_text(json.dumps(report, indent=1) + "\n")


if __name__ == "__main__":
    main()
