"""Clips in frames: the frame of a clip that is seen at a moment, decoded as the film goes on."""

import io
from collections.abc import Iterator

import av
import numpy as np

from cutreel.core.motion import Fit

from .planes import Planes


class FootageLayer:
    """A clip of `frames` frames at `rate` a second, as it fills its shot. Frames are decoded one after another; going
    back opens the clip again from the group of pictures that the frame is in."""

    def __init__(self, data: bytes, frames: int, rate: float, fit: Fit) -> None:
        self.data, self.frames, self.rate, self.fit = data, frames, rate, fit
        self.depth = 0.0
        self._container: av.container.InputContainer | None = None
        self._decoded: Iterator[av.VideoFrame] = iter(())
        self._at, self._planes = -1, None  # type: tuple[int, Planes | None]

    def drawing(self, seconds: float) -> Planes:
        """What is seen of the clip at a second of its shot."""
        wanted = min(self.frames - 1, int(self.fit.at(seconds) * self.rate + 1e-6))
        if self._planes is None or wanted != self._at:
            self._planes, self._at = self._read(wanted), wanted
        return self._planes

    def _read(self, wanted: int) -> Planes:
        if self._container is None or not self._at < wanted <= self._at + 24:
            self._seek(wanted)
        last: av.VideoFrame | None = None
        for frame in self._decoded:
            last = frame
            if round(float(frame.time or 0.0) * self.rate) >= wanted:
                break
        if last is None:
            assert self._planes is not None
            return self._planes
        return _planes(last)

    def _seek(self, wanted: int) -> None:
        if self._container is None:
            self._container = av.open(io.BytesIO(self.data), "r")
        clip = self._container
        stream = clip.streams.video[0]
        clip.seek(int(wanted / self.rate / (stream.time_base or 1)), stream=stream, backward=True)
        self._decoded = iter(clip.decode(stream))


def _planes(frame: av.VideoFrame) -> Planes:
    high, wide = frame.height, frame.width
    sizes = ((high, wide), (high // 2, wide // 2), (high // 2, wide // 2))
    y, u, v = (
        np.ascontiguousarray(
            np.frombuffer(memoryview(plane), np.uint8).reshape(-1, plane.line_size)[:h, :w]
        )
        for plane, (h, w) in zip(frame.planes, sizes, strict=True)
    )
    return Planes(y, u, v)
