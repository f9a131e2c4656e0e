"""The animator: moves a picture for some seconds by the words of a motion prompt.

Of a picture of the illustrator's it knows the pieces: it draws it once more, and turns arms and heads about their pins,
on twos. Of any other picture it moves the camera, water and light. It says which words it had no use for.
"""

import io
import math
import random
import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from fractions import Fraction

import av
import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageOps

from cutreel.protocol import CARRIED_BY, Bone, JointedFigure

from .illustrator import drawn_from, pieces
from .sounds import kind_of, make_sound

RATE, ON_TWOS = 24, 2
_CAMERA: tuple[tuple[str, str], ...] = (
    (r"pull|zoom(?:s|ing)? out|back", "out"),
    (r"push|zoom|closer|dolly|nearer", "in"),
    (r"(?:pan|drift)\w*(?: to the)? left", "left"),
    (r"pan|drift", "right"),
    (r"tilt\w* down", "down"),
    (r"tilt\w*|rise", "up"),
)
_WATER = r"water|waves?|sea|river|ripples?"
_LIGHT = r"flames?|flickers?|trembles?|lantern|lamp|candle|fire"
_ARM = (
    r"waves? (?:to|at|her|his|a hand)|lifts?|raises?|points?|holds?|throws?|pulls?|pushes?|gives?|rows?|digs?|knocks?|"
    r"reaches|writes?"
)
_HEAD = r"nods?|looks?|turns?|laughs?|listens?|wonders?|weeps?|bows?|reads?"
_MOUTH = r"speaks?|says?|laughs?|calls?|sings?|shouts?|whispers?"
_LIFE = r"breath\w*|small movements?|moves a little|unhurried|cloth|hair"
_OTHER = r"slow(?:ly)?|camera|still|stands?"
_KNOWN = "|".join([_WATER, _LIGHT, _ARM, _HEAD, _MOUTH, _LIFE, _OTHER, *(w for w, _ in _CAMERA)])
U8 = NDArray[np.uint8]


@dataclass(frozen=True)
class Animated:
    """A clip as MP4, and the words that were of no use."""

    mp4: bytes
    unused: list[str]


@dataclass(frozen=True)
class Motion:
    """How a picture is to move. `strength` is 0 … 1; with `sound` there is what is heard where the words tell of
    anything; what `negative` names does not move; a `fine` one has a drawing for each frame."""

    prompt: str
    seconds: float
    seed: int = 1
    strength: float = 0.5
    sound: bool = False
    negative: str = ""
    fine: bool = False


def animate(
    picture: bytes, wish: Motion, width: int, height: int, last: bytes | None = None
) -> Animated:
    """Animate a picture, until it has become the `last` one. The same arguments give the same clip."""
    prompt, seconds, seed, strength = wish.prompt, wish.seconds, wish.seed, wish.strength
    avoided = set(re.findall(r"[a-z]+", wish.negative.lower()))
    words = " ".join(w for w in re.split(r"\s+", prompt.lower()) if w.strip(".,;") not in avoided)
    rng = random.Random(seed)
    phase = rng.uniform(0, 2 * math.pi)
    stage = _Stage.of(picture, words, width, height, strength, phase)
    way = next((to for said, to in _CAMERA if re.search(said, words)), "")
    light = bool(re.search(rf"\b(?:{_LIGHT})\b", words))
    count = round(seconds * RATE)
    twos = 1 if wish.fine else ON_TWOS
    end = None if last is None else _opened(last, width, height)

    def frames() -> Iterator[U8]:
        drawn: U8 | None = None
        for n in range(count):
            t = n / RATE
            if drawn is None or n % twos == 0:
                drawn = _as_yuv(stage.drawing(t))
            frame = _framed(drawn, way, n / max(1, count - 1), 0.18 * strength + 0.06)
            frame = _lit(frame, t, phase) if light else frame
            yield frame if end is None else _becoming(frame, end, n / max(1, count - 1))

    unused = [w for w in re.findall(r"[a-z]{4,}", words) if not re.search(rf"\b(?:{_KNOWN})\b", w)]
    heard = wish.sound and any(kind_of(part) for part in prompt.split(","))
    flac = make_sound(prompt, seconds, seed)[0] if heard else None
    return Animated(_encoded(frames(), width, height, flac, wish.fine), list(dict.fromkeys(unused)))


@dataclass
class _Stage:
    """What is animated: the layers of a drawing with the figures in pieces, or one flat picture."""

    parts: list[tuple[Image.Image, JointedFigure | None]]
    moves: dict[Bone, Callable[[float], float]]
    speaks: bool
    water: float | None
    """Where the waves are when it begins; None where no word tells of water."""

    @classmethod
    def of(
        cls, picture: bytes, words: str, width: int, height: int, strength: float, phase: float
    ) -> "_Stage":
        note = drawn_from(picture)
        moves = _moves(words, strength, phase)
        water = phase if re.search(rf"\b(?:{_WATER})\b", words) else None
        if note is None:
            flat = Image.open(io.BytesIO(picture)).convert("RGBA").resize((width, height))
            return cls([(flat, None)], {}, False, water)
        prompt, seed, _ = note
        parts = [
            (
                Image.fromarray(pixels).convert("RGBA"),
                JointedFigure.model_validate(told) if told else None,
            )
            for pixels, told in pieces(prompt, seed, width, height)
        ]
        return cls(parts, moves, bool(re.search(rf"\b(?:{_MOUTH})\b", words)), water)

    def drawing(self, seconds: float) -> U8:
        """The picture at a moment."""
        out = self.parts[0][0].copy()
        if self.water is not None:
            out = Image.fromarray(_rippled(np.asarray(out), seconds, self.water))
        for image, figure in self.parts[1:]:
            if figure is None:
                out.alpha_composite(image)
            else:
                self._act(out, image, figure, seconds)
        return np.asarray(out.convert("RGB"))

    def _act(
        self, out: Image.Image, sheet: Image.Image, figure: JointedFigure, seconds: float
    ) -> None:
        mouth = ("rest", "open", "parted", "gape")[int(seconds * 8) % 4] if self.speaks else "rest"
        for piece in figure.pieces:
            if piece.variant not in ("", "eyes open", f"mouth {mouth}"):
                continue
            cut = sheet.crop((piece.x, piece.y, piece.x + piece.width, piece.y + piece.height))
            at = (piece.left, piece.top)
            for bone in _chain(piece.bone):
                turn = self.moves.get(bone)
                joint = CARRIED_BY[bone][0]
                if turn is None or joint is None or joint not in figure.pins:
                    continue
                cut, at = _turned(cut, at, figure.pins[joint], turn(seconds) * figure.way)
            _laid(out, cut, at)


def _chain(bone: Bone) -> list[Bone]:
    """A bone and those that carry it, itself first."""
    out: list[Bone] = []
    at: Bone | None = bone
    while at is not None:
        out.append(at)
        at = CARRIED_BY[at][1]
    return out


def _moves(words: str, strength: float, phase: float) -> dict[Bone, Callable[[float], float]]:
    """How far bones are turned at a moment, by the words."""
    k = 0.4 + 0.8 * strength
    out: dict[Bone, Callable[[float], float]] = {}
    if re.search(rf"\b(?:{_ARM})\b", words):
        out["near_arm"] = lambda t: (
            -14 * k * (0.5 - 0.5 * math.cos(min(1.0, t / 1.4) * math.pi)) + 3 * math.sin(3 * t)
        )
        out["near_forearm"] = lambda t: -8 * k * math.sin(3.2 * t + phase)
    if re.search(rf"\b(?:{_LIFE})\b", words):
        # Somebody who only breathes sways a little, head and arms not at once.
        out["head"] = lambda t: 1.6 * k * math.sin(1.7 * t + phase)
        out.setdefault("near_arm", lambda t: 1.8 * k * math.sin(1.7 * t + phase - 0.6))
    if re.search(rf"\b(?:{_HEAD}|{_MOUTH})\b", words):
        out["head"] = lambda t: 5 * k * math.sin(2.6 * t + phase)
    return out


def _turned(
    image: Image.Image, at: tuple[int, int], pin: tuple[float, float], degrees: float
) -> tuple[Image.Image, tuple[int, int]]:
    """A piece turned with the clock about a pin, and where its corner comes to be."""
    if abs(degrees) < 0.05:
        return image, at
    wide, high = image.size
    turned = image.rotate(-degrees, Image.Resampling.BILINEAR, expand=True)
    a = math.radians(degrees)
    dx, dy = at[0] + wide / 2 - pin[0], at[1] + high / 2 - pin[1]
    x, y = (
        pin[0] + dx * math.cos(a) - dy * math.sin(a),
        pin[1] + dx * math.sin(a) + dy * math.cos(a),
    )
    return turned, (round(x - turned.width / 2), round(y - turned.height / 2))


def _laid(out: Image.Image, piece: Image.Image, at: tuple[int, int]) -> None:
    """Lay a piece where it is to be, as far as it is in the picture."""
    left, top = max(0, -at[0]), max(0, -at[1])
    right, bottom = min(piece.width, out.width - at[0]), min(piece.height, out.height - at[1])
    if right > left and bottom > top:
        out.alpha_composite(piece, (at[0] + left, at[1] + top), (left, top, right, bottom))


def _as_yuv(pixels: U8) -> U8:
    """A picture as the encoder wants it, planes one under the other (4:2:0): half as much to move about as RGB."""
    frame = av.VideoFrame.from_ndarray(np.ascontiguousarray(pixels), "rgb24")
    planes: U8 = frame.reformat(format="yuv420p").to_ndarray().astype(np.uint8)
    return planes


def _planes_of(frame: U8) -> tuple[U8, U8, U8]:
    """The planes of a frame, as views."""
    high, wide = frame.shape[0] * 2 // 3, frame.shape[1]
    u, v = frame[high:].reshape(2, high // 2, wide // 2)
    return frame[:high], u, v


def _opened(picture: bytes, width: int, height: int) -> U8:
    """A picture as a frame, filled."""
    with Image.open(io.BytesIO(picture)) as image:
        return _as_yuv(np.asarray(ImageOps.fit(image.convert("RGB"), (width, height))))


def _becoming(frame: U8, end: U8, share: float) -> U8:
    """A frame on its way to the last picture, which it becomes in the last third, and is at the end."""
    t = max(0.0, (share - 2 / 3) * 3)
    mixed = frame + (end.astype(np.float32) - frame) * np.float32(t * t * (3 - 2 * t))
    return np.rint(mixed).astype(np.uint8)


def _framed(frame: U8, way: str, share: float, reach: float) -> U8:
    """The frame through a camera that has gone a share of its way."""
    near = 1 + reach * {"in": share, "out": 1 - share}.get(way, 1.0 if way else 0.0)
    if near == 1:
        return frame
    from .planes import seen  # here, since the compiler takes a while to load

    aside = {"left": 1 - share, "right": share}.get(way, 0.5)
    down = {"up": 1 - share, "down": share}.get(way, 0.5)
    out = np.empty_like(frame)
    for plane, to in zip(_planes_of(frame), _planes_of(out), strict=True):
        high, wide = plane.shape
        w, h = wide / near, high / near
        left, top = (wide - w) * aside, (high - h) * down
        seen(plane, left, top, w, h, to)
    return out


def _rippled(frame: U8, t: float, phase: float) -> U8:
    """The lower half moved aside, row by row, a little more the nearer it is."""
    high, wide = frame.shape[:2]
    out = frame.copy()
    for y in range(high * 11 // 20, high):
        near = (y / high - 0.55) / 0.45
        by = round(4 * near * math.sin(y * (0.5 - 0.38 * near) - 3 * t + phase))
        if by > 0:
            out[y, by:], out[y, :by] = frame[y, : wide - by], frame[y, 0]
        elif by < 0:
            out[y, : wide + by], out[y, wide + by :] = frame[y, -by:], frame[y, -1]
    return out


def _lit(frame: U8, t: float, phase: float) -> U8:
    by = 1 + 0.035 * math.sin(8.1 * t + phase) + 0.025 * math.sin(19.7 * t)
    table = np.clip(16 + (np.arange(256) - 16) * by, 16, 235).astype(np.uint8)
    lit = frame.copy()
    bright = _planes_of(lit)[0]
    bright[:] = table[bright]
    return lit


def _encoded(
    frames: Iterator[U8], width: int, height: int, sound: bytes | None, fine: bool
) -> bytes:
    out = io.BytesIO()
    with av.open(out, "w", format="mp4") as target:
        stream = target.add_stream("libx264", rate=RATE)
        stream.width, stream.height, stream.pix_fmt = width, height, "yuv420p"
        # A quick one is coded in half the time: 48.5 dB of what was drawn instead of 49.6, in as many bytes.
        quick = {"preset": "superfast"} if fine else {"preset": "ultrafast", "tune": "animation"}
        stream.codec_context.options = {**quick, "crf": "19"}
        stream.codec_context.thread_count = 1
        heard = target.add_stream("aac", rate=48_000) if sound is not None else None
        for n, pixels in enumerate(frames):
            frame = av.VideoFrame.from_ndarray(pixels, "yuv420p")
            frame.pts, frame.time_base = n, Fraction(1, RATE)
            for packet in stream.encode(frame):
                target.mux(packet)
        for packet in stream.encode():
            target.mux(packet)
        if sound is not None and heard is not None:
            _heard(target, heard, sound)
    return out.getvalue()


def _heard(target: av.container.OutputContainer, track: av.AudioStream, flac: bytes) -> None:
    with av.open(io.BytesIO(flac), "r") as source:
        for frame in source.decode(audio=0):
            for packet in track.encode(frame):
                target.mux(packet)
        for packet in track.encode(None):
            target.mux(packet)
