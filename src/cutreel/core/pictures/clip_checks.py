"""What is measured of a clip, frame by frame, and its faults in words: a stretch that stands still, flicker, a jump, a
beginning that is not the picture it was made of, colours that drift."""

import numpy as np
from numpy.typing import NDArray
from pydantic import BaseModel

from .clip_traits import Lost
from .faults import Fault

SMALL = (64, 36)
"""The size at which frames are compared: what a viewer sees at a glance, not grain."""
STILL = 0.12
"""The mean difference of brightness (0 … 255) under which two frames are the same to the eye."""
LONGEST_STILL = 0.8
"""Seconds that a clip may stand still within itself: longer looks broken, not calm. Drawn on twos or fours, a clip
stands still for a sixth of a second."""
FLICKERS = 2.5
"""Levels of brightness by which a frame is lighter or darker than both beside it. A share of a hundredth of full
contrast is seen as flicker at these rates (de Lange, 1958, at 8 to 12 hertz)."""
OFTEN = 0.12
"""The share of frames that have to be so before it is flicker and no flash."""
JUMPS, TIMES = 14.0, 7.0
"""The difference between two frames that is a jump: so many levels, and so many times what is usual in the clip."""
OFF = 9.0
"""Levels by which the first frame may be off the picture that it begins with: encoders and grain stay under a third."""
FADES = 14.0
"""Levels by which red, green or blue may drift from the first second to the last."""

Frames = NDArray[np.uint8]
"""Small frames in RGB, shape (frames, height, width, 3)."""


class ClipChecks(BaseModel):
    """What was measured of a clip. Times are in seconds of it: how long it stands still at most, and from when; the
    share of its frames that flicker; when it jumps (None: never); by how many levels its colours drift; by how many its
    first frame is `off` the picture that it was to begin with (None: it was not compared); what its figures lose."""

    still: float
    still_at: float
    flickers: float
    jump_at: float | None
    drift: float
    off: float | None = None
    lost: list[Lost] = []


def check_clip(frames: Frames, rate: float) -> ClipChecks:
    """Measure a clip of at least two frames at `rate` a second."""
    light = frames.astype(np.float32) @ np.array([0.2126, 0.7152, 0.0722], np.float32)
    apart = np.abs(np.diff(light, axis=0)).mean((1, 2))
    length, at = _longest(apart < STILL)
    mean = light.mean((1, 2))
    flicks = np.zeros(0)
    if len(mean) > 2:
        before, after = mean[1:-1] - mean[:-2], mean[1:-1] - mean[2:]
        flicks = (np.sign(before) == np.sign(after)) & (
            np.minimum(np.abs(before), np.abs(after)) > FLICKERS
        )
    moved = apart[apart >= STILL]
    usual = float(np.median(moved)) if moved.size else 0.0
    worst = int(apart.argmax())
    jumps = apart[worst] > max(JUMPS, TIMES * usual)
    part = max(1, round(rate / 2))
    first, last = (f.reshape(-1, 3).mean(0) for f in (frames[:part], frames[-part:]))
    return ClipChecks(
        still=round(length / rate, 3),
        still_at=round(at / rate, 3),
        flickers=round(float(flicks.mean()) if flicks.size else 0.0, 3),
        jump_at=round((worst + 1) / rate, 3) if jumps else None,
        drift=round(float(np.abs(last - first).max()), 2),
    )


def off_by(picture: NDArray[np.uint8], first: NDArray[np.uint8]) -> float:
    """By how many levels two small pictures (height, width, 3) differ in the mean."""
    return round(float(np.abs(picture.astype(np.float32) - first).mean()), 2)


def faults_of_clip(checks: ClipChecks, becomes: bool = False) -> list[Fault]:
    """The faults of a clip in words. One that `becomes` another picture has other colours at its end on purpose."""
    out = []
    if checks.still > LONGEST_STILL:
        out.append(
            Fault(
                "frozen", f"stands still for {checks.still:.1f} s from {checks.still_at:.1f} s on"
            )
        )
    if checks.flickers > OFTEN:
        out.append(Fault("flickers", f"flickers in {checks.flickers * 100:.0f} % of its frames"))
    if checks.jump_at is not None:
        out.append(Fault("jumps", f"jumps at {checks.jump_at:.1f} s"))
    out += [Fault("loses", f"{x.name}’s {x.what} is lost at {x.at:.1f} s") for x in checks.lost]
    if checks.drift > FADES and not becomes:
        out.append(Fault("drifts", "its colours are others at the end than at the beginning"))
    if checks.off is not None and checks.off > OFF:
        out.append(Fault("begins", "does not begin with the picture that it was made of"))
    return out


def _longest(same: NDArray[np.bool_]) -> tuple[int, int]:
    """How long the longest run of True is, and where it begins."""
    edges = np.flatnonzero(np.diff(np.concatenate(([0], same.astype(np.int8), [0]))))
    if not edges.size:
        return 0, 0
    lengths = edges[1::2] - edges[::2]
    best = int(lengths.argmax())
    return int(lengths[best]), int(edges[::2][best])
