"""A recording aligned with its words, by the same words as a voice spoke them: the two are warped onto each other, and
every word goes where its sound does.

Dynamic time warping over spectra in mel bands (Sakoe and Chiba, 1978); as an aligner it knows no language, and needs a
voice that says the same.
"""

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

F32 = NDArray[np.float32]
F64 = NDArray[np.float64]
Times = Sequence[tuple[float, float]]
HOP = 0.01
"""Seconds between two frames."""
BANDS, LOW, HIGH = 26, 80.0, 7600.0
WINDOW = 0.025
ROOM, QUIET = 0.3, 0.004
"""Seconds of quiet that are laid at both ends, and how loud that is beside the loudest."""
STEP = 0.35
"""What a step costs that goes on in one of the two alone, in mean differences of frames: pauses are stretched, sounds
less gladly."""
UNSURE = 1.7
"""A word is unsure that fits so many times worse than most do."""


class Aligned(NamedTuple):
    """When each word (or phone) is said in the recording, in seconds; and which words are unsure."""

    words: list[tuple[float, float]]
    phones: list[tuple[float, float]]
    unsure: list[int]


def aligned(spoken: F32, words: Times, phones: Times, recording: F32, rate: int) -> Aligned:
    """Align a recording with `spoken`, in which the times of words and phones are known; both mono, at `rate`."""
    one, other = (_frames(_with_room(sound, rate), rate) for sound in (spoken, recording))
    cost = _apart(one, other)
    path = _warped(cost)
    first, last = _mapping(path, len(one))
    local = [
        float(np.mean([cost[i, j] for i, j in path if a <= i * HOP - ROOM < b] or [0.0]))
        for a, b in words
    ]
    usual = float(np.median(local)) or 1.0
    end = len(recording) / rate

    def at(seconds: float, where: F64) -> float:
        found = np.interp((seconds + ROOM) / HOP, np.arange(len(where)), where) * HOP - ROOM
        return float(min(end, max(0.0, found)))

    # Behind a pause a word begins at the last of what lies with its beginning, before one it ends at the first.
    moved = [(at(a, last), max(at(a, last) + HOP, at(b, first))) for a, b in words]
    return Aligned(
        moved,
        [(at(a, last), max(at(a, last), at(b, first))) for a, b in phones],
        [i for i, value in enumerate(local) if value > UNSURE * usual],
    )


def _with_room(sound: F32, rate: int) -> F32:
    """A sound with the quiet of a room before and behind it, so that breath and noise at its ends have something that
    is like them, and no word is stretched over them."""
    quiet = np.random.default_rng(0).normal(0, 1, round(ROOM * rate)).astype(np.float32)
    quiet *= np.float32(QUIET * float(np.abs(sound).max(initial=1e-6)))
    return np.concatenate((quiet, sound, quiet[::-1]))


def _frames(sound: F32, rate: int) -> F64:
    """Levels in mel bands, and how they change; shape (frames, 2 x bands). Level and colour of the whole, which are the
    speaker's and the microphone's, are taken out."""
    size, hop = int(WINDOW * rate), int(HOP * rate)
    padded = np.pad(sound.astype(np.float64), (size // 2, size))
    count = max(2, len(sound) // hop)
    parts = np.lib.stride_tricks.sliding_window_view(padded, size)[: count * hop : hop]
    power = np.abs(np.fft.rfft(parts * np.hanning(size), 2048)) ** 2
    mel = np.log(power @ _bands(rate).T + 1e-8 * power.max())
    mel = (mel - mel.mean(0)) / (mel.std(0) + 1e-6)
    change = np.gradient(mel, axis=0)
    out: F64 = np.hstack((mel, 1.5 * change))
    return out


def _bands(rate: int) -> F64:
    """Triangular filters, evenly apart in mel (O'Shaughnessy, 1987)."""
    low, high = (2595 * np.log10(1 + f / 700) for f in (LOW, HIGH))
    edges = np.linspace(low, high, BANDS + 2)
    hertz = 700 * (10 ** (edges / 2595) - 1)
    at = np.fft.rfftfreq(2048, 1 / rate)
    rise = (at - hertz[:-2, None]) / (hertz[1:-1] - hertz[:-2])[:, None]
    fall = (hertz[2:, None] - at) / (hertz[2:] - hertz[1:-1])[:, None]
    out: F64 = np.clip(np.minimum(rise, fall), 0, None)
    return out


def _apart(one: F64, other: F64) -> F64:
    """How far every frame of one is from every frame of the other, in mean differences."""
    squares = (one**2).sum(1)[:, None] + (other**2).sum(1)[None] - 2 * one @ other.T
    apart = np.sqrt(np.maximum(0.0, squares))
    out: F64 = apart / (apart.mean() or 1.0)
    return out


def _warped(cost: F64) -> list[tuple[int, int]]:
    """The cheapest way through, worked out diagonal by diagonal; pairs of frames from first to last."""
    rows, columns = cost.shape
    total = np.full((rows + 1, columns + 1), np.inf)
    total[0, 0] = 0.0
    for diagonal in range(rows + columns - 1):
        i = np.arange(max(0, diagonal - columns + 1), min(rows, diagonal + 1))
        j = diagonal - i
        here = cost[i, j]
        total[i + 1, j + 1] = here + np.minimum(
            total[i, j], np.minimum(total[i, j + 1], total[i + 1, j]) + STEP
        )
    out = []
    i, j = rows, columns
    while i > 0 and j > 0:
        out.append((i - 1, j - 1))
        steps = (total[i - 1, j - 1], total[i - 1, j] + STEP, total[i, j - 1] + STEP)
        best = int(np.argmin(steps))
        i, j = (i - 1, j - 1) if best == 0 else (i - 1, j) if best == 1 else (i, j - 1)
    return out[::-1]


def _mapping(path: Sequence[tuple[int, int]], count: int) -> tuple[F64, F64]:
    """For each frame of the one the first and the last of those of the other that it lies with."""
    first, last = np.full(count, np.inf), np.zeros(count)
    for i, j in path:
        first[i], last[i] = min(first[i], j), max(last[i], j)
    return np.maximum.accumulate(first), np.maximum.accumulate(last)
