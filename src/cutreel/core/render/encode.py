"""Encoder settings, segments, the sound track, and joining it all without encoding again.

Every segment is H.264 High with the same parameters and closed groups of pictures, as fragmented
MP4, so that a film is its segments one after another. Colour is tagged ITU-R BT.709; the index of a
joined film comes first.
"""

import io
from collections.abc import Callable, Iterable, Iterator
from fractions import Fraction
from typing import Any, Literal

import av
import numpy as np
from numpy.typing import NDArray

from .compositor import Frame

Quality = Literal["preview", "film"]
Draw = Callable[[int, Frame], None]
"""Draws the frame of a number into planes."""
ENCODER_VERSION = 1
REORDER = 1
"""Frames by which decoding runs ahead of showing, at most: B-frames are used, pyramids of them are
not."""
_PRESET: dict[Quality, tuple[str, str]] = {
    "preview": ("ultrafast", "25"),
    "film": ("veryfast", "20"),
}


def open_encoder(
    width: int,
    height: int,
    rate: Fraction,
    quality: Quality,
    container: av.container.OutputContainer,
) -> av.VideoStream:
    """A video stream with the parameters that all segments of a film share."""
    preset, crf = _PRESET[quality]
    stream = container.add_stream("libx264", rate=rate)
    stream.width, stream.height, stream.pix_fmt = width, height, "yuv420p"
    stream.time_base = 1 / rate
    context = stream.codec_context
    context.time_base = 1 / rate
    context.thread_count = 1
    context.color_range, context.color_primaries, context.color_trc, context.colorspace = 1, 1, 1, 1
    gop = max(2, round(rate) * 2)
    context.options = {
        "preset": preset,
        "crf": crf,
        "profile": "high",
        "x264-params": ":".join(
            [
                f"keyint={gop}:min-keyint=1:scenecut=0:open-gop=0",
                "bframes=2:b-pyramid=none:b-adapt=0:ref=2:stitchable=1",
                "colorprim=bt709:transfer=bt709:colormatrix=bt709:range=tv",
                "sliced-threads=0:threads=1",
            ]
        ),
    }
    return stream


def encode_segment(
    draw: Draw,
    count: int,
    width: int,
    height: int,
    rate: Fraction,
    quality: Quality,
    progress: Callable[[int], None] = lambda done: None,
) -> bytes:
    """Fragmented MP4 of `count` frames. `draw` draws a frame into planes that the encoder owns, so
    none is copied."""
    out = io.BytesIO()
    flags = "frag_keyframe+empty_moov+default_base_moof+skip_trailer"
    with av.open(out, "w", format="mp4", options={"movflags": flags}) as container:
        stream = open_encoder(width, height, rate, quality, container)
        for i in range(count):
            for packet in stream.encode(_drawn(draw, i, width, height, rate)):
                container.mux(packet)
            progress(i + 1)
        for packet in stream.encode():
            container.mux(packet)
    return out.getvalue()


def _drawn(draw: Draw, number: int, width: int, height: int, rate: Fraction) -> av.VideoFrame:
    frame = av.VideoFrame(width, height, "yuv420p")
    whole = [np.frombuffer(memoryview(p), np.uint8).reshape(-1, p.line_size) for p in frame.planes]
    sizes = [(height, width), (height // 2, width // 2), (height // 2, width // 2)]
    if all(plane.shape == size for plane, size in zip(whole, sizes, strict=True)):
        draw(number, (whole[0], whole[1], whole[2]))
    else:  # lines are padded for this width: compiled loops want them whole
        planes = tuple(np.empty(size, np.uint8) for size in sizes)
        draw(number, (planes[0], planes[1], planes[2]))
        for target, data in zip(whole, planes, strict=True):
            target[: data.shape[0], : data.shape[1]] = data
    frame.pts, frame.time_base = number, 1 / rate
    frame.color_range, frame.colorspace = 1, 1
    return frame


FAST_AAC = {"aac_coder": "fast"}


def encode_sound(
    blocks: Iterable[NDArray[np.float32]],
    rate: int,
    fragment_seconds: float | None = None,
    target: str | None = None,
) -> bytes:
    """AAC at 192 kbit/s of stereo samples (blocks of shape (n, 2)) in MP4; fragmented when
    `fragment_seconds` is given. Written to the file `target` where one is named, else returned."""
    out = io.BytesIO()
    options = (
        {}
        if fragment_seconds is None
        else {
            "movflags": "empty_moov+default_base_moof+skip_trailer",
            "frag_duration": str(int(fragment_seconds * 1_000_000)),
        }
    )
    with av.open(target or out, "w", format="mp4", options=options) as container:
        # The encoder's default search takes three times as long, and at this rate comes no closer to the sound.
        stream = container.add_stream("aac", rate=rate, layout="stereo", options=FAST_AAC)
        stream.bit_rate = 192_000
        at = 0
        for block in blocks:
            for start in range(0, len(block), rate):
                piece = np.ascontiguousarray(block[start : start + rate].T)
                frame = av.AudioFrame.from_ndarray(piece, format="fltp", layout="stereo")
                frame.sample_rate, frame.pts, frame.time_base = rate, at, Fraction(1, rate)
                at += piece.shape[1]
                for packet in stream.encode(frame):
                    container.mux(packet)
        for packet in stream.encode():
            container.mux(packet)
    return out.getvalue()


def join(
    segments: Iterable[bytes],
    sound: str | None,
    rate: Fraction,
    target: str,
    metadata: dict[str, str],
) -> int:
    """Write the film file `target` from encoded segments and the file of an encoded sound track.
    Returns the number of frames.

    Packets are copied. Decoding times are counted anew over the whole film, since each segment
    starts its own at zero.
    """
    options = {"movflags": "+faststart", "brand": "mp42"}
    with av.open(target, "w", format="mp4", options=options) as film:
        film.metadata.update(metadata)
        joined = _Joined(film, rate, sound)
        for data in segments:
            joined.add(data)
        return joined.end()


class _Joined:
    """A film file as it is joined: segment behind segment, the sound laid in as far as the picture is."""

    def __init__(self, film: Any, rate: Fraction, sound: str | None) -> None:
        self.film, self.rate = film, rate
        self.source: Any = av.open(sound) if sound else None
        self.waiting = self._packets()
        self.held: Any = None
        self.video: Any = None
        self.audio: Any = None
        self.shown = self.decoded = 0

    def _packets(self) -> Iterator[Any]:
        if self.source is not None:
            yield from self.source.demux(self.source.streams.audio[0])

    def add(self, data: bytes) -> None:
        """Add an encoded segment, and the sound up to its end."""
        with av.open(io.BytesIO(data), "r") as segment:
            stream = segment.streams.video[0]
            if self.video is None:
                self._open(stream)
            count = 0
            for packet in segment.demux(stream):
                if packet.dts is None or packet.pts is None or packet.time_base is None:
                    continue
                at = self.shown + round(packet.pts * packet.time_base * self.rate)
                packet.time_base = 1 / self.rate
                packet.pts, packet.dts, packet.duration = at, self.decoded - REORDER, 1
                packet.stream = self.video
                self.film.mux(packet)
                self.decoded += 1
                count += 1
            self.shown += count
        self._sound_until(self.shown / self.rate)

    def end(self) -> int:
        """Lay in the rest of the sound; returns the number of frames."""
        self._sound_until(None)
        if self.source is not None:
            self.source.close()
        return self.shown

    def _open(self, stream: Any) -> None:
        self.video = self.film.add_stream_from_template(stream)
        self.video.time_base = 1 / self.rate
        if self.source is not None:
            self.audio = self.film.add_stream_from_template(self.source.streams.audio[0])

    def _sound_until(self, seconds: Fraction | None) -> None:
        while self.audio is not None:
            self.held = self.held or next(self.waiting, None)
            if self.held is None or (seconds is not None and self._is_behind(seconds)):
                return
            if self.held.dts is not None:
                self.held.stream = self.audio
                self.film.mux(self.held)
            self.held = None

    def _is_behind(self, seconds: Fraction) -> bool:
        """Whether the packet in hand is heard after a second of the film."""
        if self.held.pts is None or self.held.time_base is None:
            return False
        return bool(self.held.pts * self.held.time_base > seconds)
