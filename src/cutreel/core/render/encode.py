"""Encoder settings, segments, the sound track, and joining it all without encoding again.

Every segment of a film has the same parameters and closed groups of pictures (H.264 High as fragmented MP4, others in
Matroska), so that a film is its segments one after another. Colour is tagged ITU-R BT.709; the index of a joined MP4
comes first.
"""

import io
from collections import deque
from collections.abc import Callable, Iterable, Iterator, Sequence
from fractions import Fraction
from typing import Any, NamedTuple

import av
import numpy as np
from numpy.typing import NDArray

from .forms import FILE_FORMS, Form, Quality, SoundCodec, encoding_of
from .frame import Frame
from .scheduling import sharing_the_machine

Draw = Callable[[int, Frame], None]
"""Draws the frame of a number into planes."""
ENCODER_VERSION = 1


def open_encoder(
    width: int,
    height: int,
    rate: Fraction,
    quality: Quality,
    container: av.container.OutputContainer,
) -> av.VideoStream:
    """A video stream with the parameters that all segments of a film share."""
    encoding = encoding_of(quality, max(2, round(rate) * 2))
    stream: Any = container.add_stream(encoding.codec, rate=rate)
    stream.width, stream.height, stream.pix_fmt = width, height, "yuv420p"
    stream.time_base = 1 / rate
    context = stream.codec_context
    context.time_base = 1 / rate
    context.thread_count = 1
    context.color_range, context.color_primaries, context.color_trc, context.colorspace = 1, 1, 1, 1
    context.options = dict(encoding.options)
    with sharing_the_machine():
        context.open()
    made: av.VideoStream = stream
    return made


def encode_segment(
    draw: Draw,
    count: int,
    width: int,
    height: int,
    rate: Fraction,
    quality: Quality,
    progress: Callable[[int], None] = lambda done: None,
) -> bytes:
    """`count` frames, as fragmented MP4 or in Matroska. `draw` draws a frame into planes that the encoder owns, so
    none is copied."""
    out = io.BytesIO()
    kind = encoding_of(quality, 2).container
    flags = "frag_keyframe+empty_moov+default_base_moof+skip_trailer"
    options = {"movflags": flags} if kind == "mp4" else {}
    with av.open(out, "w", format=kind, options=options) as container:
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


def encode_sound_as(
    blocks: Iterable[NDArray[np.float32]], rate: int, codec: SoundCodec, target: str
) -> None:
    """Encode stereo samples (blocks of shape (n, 2)) into the file `target` in Matroska: Opus at 160 kbit/s, or FLAC of
    24 bits, which loses nothing that is heard."""
    with av.open(target, "w", format="matroska") as container:
        stream: Any = container.add_stream(codec, rate=rate, layout="stereo")
        if codec == "libopus":
            stream.bit_rate = 160_000
        kept = "s32" if codec == "flac" else "flt"
        stream.format = kept
        fifo = av.AudioFifo()
        for block in blocks:
            flat = np.ascontiguousarray(block, dtype=np.float32)
            if kept == "s32":
                # FLAC takes the upper 24 bits of 32.
                flat = np.clip(flat.astype(np.float64) * 2**31, -(2**31), 2**31 - 256)
                flat = (flat.astype(np.int64) // 256 * 256).astype(np.int32)
            frame = av.AudioFrame.from_ndarray(flat.reshape(1, -1), format=kept, layout="stereo")
            frame.sample_rate, frame.time_base = rate, Fraction(1, rate)
            fifo.write(frame)
            size = stream.codec_context.frame_size or 4096
            while (ready := fifo.read(size)) is not None:
                container.mux(stream.encode(ready))
        if (rest := fifo.read(0, partial=True)) is not None:
            container.mux(stream.encode(rest))
        container.mux(stream.encode())


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


class FilmChapter(NamedTuple):
    """A chapter of the file: its seconds, from and to, and its name."""

    start: float
    end: float
    title: str


class FilmLine(NamedTuple):
    """A caption of the file's own track: its seconds, from and to, and its text."""

    start: float
    end: float
    text: str


class CaptionTrack(NamedTuple):
    """A track of captions in a language (ISO 639-2; empty: none is told)."""

    language: str
    lines: Sequence[FilmLine]


def join(
    segments: Iterable[bytes],
    sound: str | None,
    rate: Fraction,
    target: str,
    metadata: dict[str, str],
    form: Form = FILE_FORMS["web"],
    chapters: Sequence[FilmChapter] = (),
    captions: Sequence[CaptionTrack] = (),
) -> int:
    """Write the film file `target` from encoded segments and the file of an encoded sound track, with chapters and
    tracks of captions. Returns the number of frames.
    """
    options = {"movflags": "+faststart", "brand": "mp42"} if form.container == "mp4" else {}
    with av.open(target, "w", format=form.container, options=options) as film:
        film.metadata.update(metadata)
        if chapters:
            film.set_chapters([_chapter(n, c) for n, c in enumerate(chapters)])
        joined = _Joined(film, rate, sound, form, captions)
        for data in segments:
            joined.add(data)
        return joined.end()


def _chapter(number: int, chapter: FilmChapter) -> Any:
    return {
        "id": number + 1,
        "start": round(chapter.start * 1000),
        "end": round(chapter.end * 1000),
        "time_base": MILLI,
        "metadata": {"title": chapter.title},
    }


MILLI = Fraction(1, 1000)
_SUBTITLE_HEAD = """[Script Info]
ScriptType: v4.00+

[V4+ Styles]
Format: Name, Fontname, Fontsize, PrimaryColour, Alignment, Encoding
Style: Default,Sans,16,&Hffffff,2,1

[Events]
Format: Layer, Start, End, Style, Text
"""
"""What an encoder of captions asks for before it is opened (SubStation Alpha); none of it is kept in the track."""


def _written(text: str, form: Form) -> str:
    """A caption as its track has it: in WebVTT what would be a tag or an entity is told by an entity."""
    if form.subtitles != "webvtt":
        return text
    return text.replace("&", "&amp;").replace("<", "&lt;")


class _Joined:
    """A film file as it is joined: segment behind segment, the sound laid in as far as the picture is."""

    def __init__(
        self,
        film: Any,
        rate: Fraction,
        sound: str | None,
        form: Form,
        captions: Sequence[CaptionTrack],
    ) -> None:
        self.film, self.rate, self.form = film, rate, form
        self.captions = [track for track in captions if track.lines]
        self.texts: list[tuple[Any, deque[FilmLine]]] = []
        self.ahead = encoding_of(form.quality, 2).ahead
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
            packets = [
                p
                for p in segment.demux(stream)
                if p.dts is not None and p.pts is not None and p.time_base is not None
            ]
            shown = [round(p.pts * p.time_base * self.rate) for p in packets]  # type: ignore[operator]
            first = min(shown, default=0)
            # Encoders let segments begin a frame late, one of a single frame at once; here each begins at its frame.
            for packet, at in zip(packets, shown, strict=True):
                packet.time_base = 1 / self.rate
                packet.pts = self.shown + at - first
                packet.dts, packet.duration = self.decoded - self.ahead, 1
                packet.stream = self.video
                self.film.mux(packet)
                self.decoded += 1
            count = len(packets)
            self.shown += count
        self._sound_until(self.shown / self.rate)
        self._lines_until(float(self.shown / self.rate))

    def end(self) -> int:
        """Lay in the rest of the sound; returns the number of frames."""
        self._sound_until(None)
        self._lines_until(None)
        if self.source is not None:
            self.source.close()
        return self.shown

    def _open(self, stream: Any) -> None:
        # As it is: some of the codecs are decoded by another library than the one that encodes them.
        self.video = self.film.add_stream_from_template(stream, opaque=True)
        self.video.time_base = 1 / self.rate
        if self.source is not None:
            self.audio = self.film.add_stream_from_template(self.source.streams.audio[0])
        for track in self.captions:
            text = self.film.add_stream(self.form.subtitles)
            text.codec_context.subtitle_header = _SUBTITLE_HEAD.encode()
            text.time_base = MILLI
            if track.language:
                text.metadata["language"] = track.language
            self.texts.append((text, deque(track.lines)))

    def _lines_until(self, seconds: float | None) -> None:
        """Lay in the captions that begin before a second of the film."""
        for stream, lines in self.texts:
            while lines and (seconds is None or lines[0].start <= seconds):
                self._line(stream, lines.popleft())

    def _line(self, stream: Any, line: FilmLine) -> None:
        text = _written(line.text, self.form).encode()
        # A sample of timed text (3GPP TS 26.245) begins with the length of its text.
        sized = len(text).to_bytes(2, "big") if self.form.subtitles == "mov_text" else b""
        packet = av.Packet(sized + text)
        packet.stream, packet.time_base = stream, MILLI
        packet.pts = packet.dts = round(line.start * 1000)
        packet.duration = max(1, round((line.end - line.start) * 1000))
        self.film.mux(packet)

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
