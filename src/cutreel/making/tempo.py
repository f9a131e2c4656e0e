"""Sounds at another tempo, as high as they were."""

from fractions import Fraction

import av
import av.filter
import numpy as np
from numpy.typing import NDArray

from cutreel.core.sound import RATE

BLOCK = 4096


def at_tempo(sound: NDArray[np.float32], tempo: float) -> NDArray[np.float32]:
    """Samples of shape (n, 2) at 48 kHz, so many times as quick (0.5 to 2): stretches of it are laid over each other
    where their waves agree (FFmpeg's `atempo`, by WSOLA: Verhelst and Roelands, 1993)."""
    if tempo == 1 or len(sound) == 0:
        return sound
    graph = av.filter.Graph()
    graph.link_nodes(
        graph.add_abuffer(
            sample_rate=RATE, format="flt", layout="stereo", time_base=Fraction(1, RATE)
        ),
        graph.add("atempo", str(tempo)),
        graph.add("aformat", "sample_fmts=flt:channel_layouts=stereo"),
        graph.add("abuffersink"),
    ).configure()
    parts: list[NDArray[np.float32]] = []

    def taken() -> None:
        while True:
            try:
                out = graph.pull()
            except (av.BlockingIOError, av.EOFError):
                return
            parts.append(out.to_ndarray().reshape(-1, 2).astype(np.float32))

    for begin in range(0, len(sound), BLOCK):
        piece = np.ascontiguousarray(sound[begin : begin + BLOCK], np.float32)
        frame = av.AudioFrame.from_ndarray(piece.reshape(1, -1), format="flt", layout="stereo")
        frame.sample_rate, frame.pts = RATE, begin
        graph.push(frame)
        taken()
    graph.push(None)
    taken()
    return np.concatenate(parts) if parts else np.zeros((0, 2), np.float32)
