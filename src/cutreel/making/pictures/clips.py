"""Clips that the maker brings: read in a process apart, bounded, and kept as the renderer wants them, with their sound
beside them."""

import io
from collections.abc import Iterator
from dataclasses import dataclass, replace
from fractions import Fraction

import av
import numpy as np
import soundfile
from numpy.typing import NDArray
from PIL import Image, ImageOps

from cutreel.core.continuity import SeenPicture
from cutreel.core.errors import BadInput
from cutreel.core.keys import key
from cutreel.core.pictures import EVERY, LOOKS, SMALL, ClipChecks, check_clip, lost_in, off_by
from cutreel.core.sound import RATE

from ..workshop import Workshop
from .keeping import Picture, kept_picture

LEAST_SIDE, MOST_SIDE, MOST_SECONDS = 320, 1920, 60.0
RATES = (12, 60)
"""Frames a second between which a clip is kept at its own."""
FAINTEST = 1e-4
ADVICE = "Bring MP4, WebM, MOV or an animated GIF of at most a minute."
STILL = "Bring a picture as a picture file."


@dataclass(frozen=True)
class OwnClip:
    """A clip as it is kept: H.264 without sound, its first frame as PNG, its size, how many frames at which
    rate, what was measured of it, its sound as FLAC, where anything is heard, and some `looks` at it (count, height,
    width, 3)."""

    mp4: bytes
    png: bytes
    width: int
    height: int
    frames: int
    rate: int
    checks: ClipChecks
    sound: bytes | None = None
    looks: NDArray[np.uint8] | None = None

    @property
    def seconds(self) -> float:
        return self.frames / self.rate


def is_clip(data: bytes) -> bool:
    """Whether a file is moving pictures, by how it begins: MP4 and MOV, Matroska and WebM, GIF."""
    if data[4:8] == b"ftyp":
        return data[8:12] not in (b"avif", b"avis", b"heic", b"mif1")
    return (
        data[:4] == b"\x1a\x45\xdf\xa3"
        or data[:4] == b"GIF8"
        or data[4:8] in (b"moov", b"mdat", b"wide")
    )


def clip_opens(data: bytes) -> None:
    """Decode a clip and keep nothing of it. Raises BadInput as `opened_clip` does."""
    try:
        with av.open(io.BytesIO(data), "r") as source:
            if not source.streams.video:
                raise BadInput("There is no picture in that file.", ADVICE)
            if sum(1 for _ in _frames(source)) < 2:
                raise BadInput("Nothing moves in that clip.", STILL)
    except av.FFmpegError as error:
        raise BadInput("That clip cannot be opened.", ADVICE) from error


def opened_clip(data: bytes) -> OwnClip:
    """Open a clip. Raises BadInput in words the maker can act on."""
    try:
        with av.open(io.BytesIO(data), "r") as source:
            if not source.streams.video:
                raise BadInput("There is no picture in that file.", ADVICE)
            kept = _kept(source)
        return replace(kept, sound=_sound(data))
    except av.FFmpegError as error:
        raise BadInput("That clip cannot be opened.", ADVICE) from error


def _sound(data: bytes) -> bytes | None:
    """The sound of a clip; None where nothing is heard."""
    with av.open(io.BytesIO(data), "r") as source:
        if not source.streams.audio:
            return None
        begins = float((source.start_time or 0) / av.time_base)
        resampler = av.AudioResampler(format="flt", layout="stereo", rate=RATE)
        parts: list[np.ndarray] = []
        for frame in source.decode(audio=0):
            if not parts and frame.time is not None and frame.time > begins:
                # It sets in later than the picture.
                late = round((float(frame.time) - begins) * RATE)
                parts.append(np.zeros((min(late, round(MOST_SECONDS * RATE)), 2), np.float32))
            parts += [p.to_ndarray().reshape(-1, 2) for p in resampler.resample(frame)]
    sound = np.concatenate(parts)[: round(MOST_SECONDS * RATE)] if parts else np.zeros((0, 2))
    if float(np.abs(sound).max(initial=0.0)) < FAINTEST:
        return None
    out = io.BytesIO()
    soundfile.write(out, np.clip(sound, -1, 1), RATE, format="FLAC", subtype="PCM_16")
    return out.getvalue()


def _frames(source: av.container.InputContainer) -> Iterator[av.VideoFrame]:
    """The pictures of a clip. Raises BadInput where they are too small, or go on for too long."""
    stream = source.streams.video[0]
    stream.thread_type = "AUTO"
    width, height = stream.codec_context.width, stream.codec_context.height
    if min(width, height) < LEAST_SIDE:
        raise BadInput(
            f"The clip has only {width} by {height} pixels.",
            f"Bring one of at least {LEAST_SIDE} on each side.",
        )
    for frame in source.decode(stream):
        if float(frame.time or 0.0) > MOST_SECONDS:
            raise BadInput(
                f"The clip is longer than {MOST_SECONDS:.0f} seconds.",
                "Cut it, or bring its best part.",
            )
        yield frame


def _kept(source: av.container.InputContainer) -> OwnClip:
    stream = source.streams.video[0]
    width, height = stream.codec_context.width, stream.codec_context.height
    scale = min(1.0, MOST_SIDE / max(width, height))
    wide, high = (round(n * scale / 2) * 2 for n in (width, height))
    rate = round(min(RATES[1], max(RATES[0], float(stream.average_rate or 24))))
    out = io.BytesIO()
    first: bytes | None = None
    frames = 0
    small: list[np.ndarray] = []
    looks: list[np.ndarray] = []
    with av.open(out, "w", format="mp4") as target:
        kept = target.add_stream("libx264", rate=rate)
        kept.width, kept.height, kept.pix_fmt = wide, high, "yuv420p"
        # Short groups of pictures: a segment that begins in the middle has little to decode in vain.
        kept.codec_context.options = {"preset": "veryfast", "crf": "14", "g": "12", "bf": "0"}
        kept.codec_context.color_range, kept.codec_context.colorspace = 1, 1
        for frame in _frames(source):
            until = float(frame.time or 0.0)
            shown = frame.reformat(
                wide, high, "yuv420p", dst_colorspace="ITU709", dst_color_range="MPEG"
            )
            if first is None:
                first = _png(frame.reformat(wide, high, "rgb24").to_ndarray())
            glance = frame.reformat(*SMALL, "rgb24").to_ndarray()
            # A clip without an even rate is laid out at one: each frame stands until the next comes.
            while frames == 0 or frames / rate <= until + 1e-4:
                shown.pts, shown.time_base = frames, Fraction(1, rate)
                for packet in kept.encode(shown):
                    target.mux(packet)
                if frames >= len(looks) * EVERY * rate:
                    looks.append(frame.reformat(*LOOKS, "rgb24").to_ndarray())
                frames += 1
                small.append(glance)
        for packet in kept.encode():
            target.mux(packet)
    if first is None or frames < 2:
        raise BadInput("Nothing moves in that clip.", STILL)
    checks = check_clip(np.stack(small), rate)
    seen = np.stack(looks)
    return OwnClip(out.getvalue(), first, wide, high, frames, rate, checks, looks=seen)


def keep_clip(
    shop: Workshop, clip: OwnClip, begins: bytes | None = None, of: SeenPicture | None = None
) -> Picture:
    """Keep a clip, with its first frame as its picture. It is told how far that is off the picture that the clip
    `begins` with, where it was made of one, and what the figures lose that were seen in that."""
    checks = clip.checks
    if begins is not None:
        off = off_by(_glance(begins), _glance(clip.png))
        checks = checks.model_copy(update={"off": off})
    if of is not None and clip.looks is not None:
        lost = lost_in(clip.looks, [(f.name, f.shown) for f in of.figures])
        checks = checks.model_copy(update={"lost": lost})
    kept = kept_picture(shop, clip.png)
    media = shop.media.put(clip.mp4, "mp4")
    told = {
        "media": media,
        "frames": clip.frames,
        "rate": clip.rate,
        "seconds": round(clip.seconds, 4),
        "checked": checks.model_dump(),
    }
    if clip.sound is not None:
        told["sound"] = shop.media.put(clip.sound, "flac")
    picture = Picture(kept.media, kept.thumb, kept.layers, {**kept.about, "clip": told})
    shop.results.put(_brought(media), "brought", kept.media, picture.as_data())
    return picture


def brought_clip(shop: Workshop, media: str) -> Picture | None:
    """A clip that was brought before, by its media file."""
    found = shop.results.get(_brought(media))
    return Picture.of_result(found) if found is not None and shop.media.has(media) else None


def _brought(media: str) -> str:
    return key("brought clip", 1, media=media)


def _glance(picture: bytes) -> np.ndarray:
    """A picture at the size at which frames are compared, filling it as a frame does."""
    with Image.open(io.BytesIO(picture)) as image:
        return np.asarray(ImageOps.fit(image.convert("RGB"), SMALL, Image.Resampling.BOX))


def _png(pixels: np.ndarray) -> bytes:
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG", compress_level=3)
    return out.getvalue()
