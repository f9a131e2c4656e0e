"""Figures in pieces, water, weather and flames as the illustrator gives them; a mouth in frames against the phones of
its voice."""

import io
from functools import cache

import numpy as np
import pytest
from PIL import Image
from skimage.metrics import peak_signal_noise_ratio

from cutreel.core.motion import Acting, mouths_of, path_for
from cutreel.core.render import Compositor, Planes, Puppet, Shown, planes_of, rgb_of
from cutreel.protocol import MOUTHS, Flow, JointedFigure
from standins.illustrator import Wish, paint
from standins.voices import speak

W, H = 960, 540
IDA = "medium shot, Ida (woman, forty, grey braid, yellow oilskin coat) lifts a lantern, jetty, dusk, layered cut paper"


def pixels(png: bytes) -> np.ndarray:
    return np.asarray(Image.open(io.BytesIO(png)))


@cache
def painted(prompt: str):
    return paint(prompt, 7, W, H, wish=Wish(jointed=True))


def layers_of(picture, acting: Acting) -> list[Planes | Puppet]:
    out: list[Planes | Puppet] = []
    for n, (png, depth) in enumerate(picture.layers):
        parts = [s for s in picture.strips if s.layer == n]
        if not parts:
            out.append(planes_of(pixels(png), depth))
        for part in parts:
            planes = planes_of(pixels(part.png), depth)
            if part.figure:
                figure = JointedFigure.model_validate(part.figure)
                out.append(Puppet(figure, planes, acting, (W, H)))
            else:
                out.append(planes)
    return out


def frame(layers, at: int = 0) -> np.ndarray:
    desk = Compositor(W, H)
    out = desk.new_frame()
    desk.draw(Shown(layers, path_for("still", 4.0), 240), at, out)
    return rgb_of(out)


@pytest.mark.parametrize(
    "prompt",
    [
        IDA,
        "wide shot, Anna (woman, teal dress) and Karl (stout man, waistcoat) talk, kitchen, day, layered cut paper",
        "close-up, Otto (old man, white beard, navy cap), harbour, day, ink and wash",
    ],
)
def test_pieces_laid_together_are_the_picture(prompt) -> None:
    picture = painted(prompt)
    still = frame([planes_of(pixels(png), depth) for png, depth in picture.layers])
    together = frame(layers_of(picture, Acting()))
    # Elbows and knees are of two pieces, and whoever lives breathes: nearly the same, not the same.
    assert peak_signal_noise_ratio(still, together) > 22
    assert picture.flat == paint(prompt, 7, W, H).flat, "asking for pieces changes no picture"


def test_a_person_has_every_mouth_and_eyes_that_shut() -> None:
    picture = painted(IDA)
    figure = JointedFigure.model_validate(next(s.figure for s in picture.strips if s.figure))
    variants = {p.variant for p in figure.pieces if p.variant}
    assert variants == {f"mouth {m}" for m in MOUTHS} | {"eyes open", "eyes shut"}
    bones = {p.bone for p in figure.pieces}
    assert {
        "torso",
        "head",
        "near_arm",
        "near_forearm",
        "far_arm",
        "near_thigh",
        "near_hung",
    } <= bones
    assert figure.name == "ida" and "neck" in figure.pins
    sheet = pixels(next(s.png for s in picture.strips if s.figure))
    for p in figure.pieces:
        assert p.x + p.width <= sheet.shape[1] and p.y + p.height <= sheet.shape[0]
        assert not any(n % 2 for n in (p.x, p.y, p.width, p.height, p.left, p.top))


def test_an_animal_is_one_piece_with_its_shadow() -> None:
    picture = paint(
        "wide shot, a fox, meadow, day, layered cut paper", 3, W, H, wish=Wish(jointed=True)
    )
    figure = JointedFigure.model_validate(next(s.figure for s in picture.strips if s.figure))
    assert figure.kind == "animal" and set(figure.pins) == {"hips"}
    assert {p.bone for p in figure.pieces} <= {"ground", "torso"}


def test_water_weather_and_flames_are_told() -> None:
    lake = painted(IDA)
    flow = Flow.model_validate(next(s.moves for s in lake.strips if s.moves))
    assert flow.kind == "water" and 0.2 < flow.top < flow.bottom <= 1
    assert lake.flames, "a lantern that is lit"
    rain = paint(
        "wide shot, a street, rain, day, layered cut paper", 5, W, H, wish=Wish(jointed=True)
    )
    assert [s.moves for s in rain.strips if s.layer == len(rain.layers) - 1 and s.moves] == [
        {"kind": "weather"}
    ]
    room = paint("wide shot, a study, day, layered cut paper", 5, W, H, wish=Wish(jointed=True))
    assert not any(s.moves for s in room.strips)


def test_a_backdrop_in_two_is_the_backdrop() -> None:
    picture = painted(IDA)
    whole = pixels(picture.layers[0][0])[..., :3].astype(float)
    back, *over = [pixels(s.png) for s in picture.strips if s.layer == 0]
    out = back[..., :3].astype(float)
    for part in over:
        share = part[..., 3:].astype(float) / 255
        out += (part[..., :3] - out) * share
    assert np.abs(out - whole).mean() < 1.0


def test_lips_in_the_frames_follow_the_phones_of_the_voice() -> None:
    # Source: the phones of the voice itself; lips that shut are known by the dark of an open mouth being gone.
    picture = paint(
        "close-up, Otto (man, grey hair), study, day, face toward the camera, layered cut paper",
        4,
        W,
        H,
        wish=Wish(jointed=True),
    )
    spoken = speak("My mother baked apple pies for Bob.", "alder")
    mouth = mouths_of(spoken.phones)
    figure = JointedFigure.model_validate(next(s.figure for s in picture.strips if s.figure))
    gape = next(p for p in figure.pieces if p.variant == "mouth gape")
    box = (slice(gape.top, gape.top + gape.height), slice(gape.left, gape.left + gape.width))
    rate = 24

    def red(layers, n: int) -> int:
        """How much of the mouth is as dark and red as lips and what is behind them."""
        part = frame(layers, n)[box].astype(int)
        dark = (part[..., 0] < 190) & (part[..., 1] < 90)
        return int((dark & (part[..., 0] - part[..., 1] > 35)).sum())

    shut_lips = red(layers_of(picture, Acting(mouth=[(0.0, "pressed")])), 0)
    layers = layers_of(picture, Acting(mouth=mouth))
    open_at = (
        np.array([red(layers, n) for n in range(round(spoken.seconds * rate))]) > shut_lips * 1.3
    )
    assert open_at.any() and not open_at.all()
    late = []
    for phone, start, end in spoken.phones:
        if phone in ("m", "b", "p"):
            nearest = min(abs(n / rate - (start + end) / 2) for n in np.flatnonzero(~open_at))
            late.append(max(0.0, nearest - (end - start) / 2) * rate)
        elif phone in ("aa", "ay", "ae", "ah") and end - start > 0.09:
            late.append(
                min(abs(n / rate - (start + end) / 2) for n in np.flatnonzero(open_at)) * rate
            )
    assert len(late) >= 6
    assert np.percentile(late, 95) <= 2.0, late
