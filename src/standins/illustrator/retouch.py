"""Retouching: inside a mask, what lies around grows in; then what the words ask for is drawn there,
in the picture's look.

The picture comes back whole. Outside the mask it is not the picture that was given either, as with
real services: whoever asks has to lay the inside into the old picture.
"""

import hashlib
import io
import random

import numpy as np
import resvg_py
from numpy.typing import NDArray
from PIL import Image

from .animals import draw_animal
from .bodies import decide
from .cast import Wish
from .compose import H
from .pen import Pen
from .people import draw_person
from .props import draw_prop
from .raster import paint
from .reading import Reading, read_prompt
from .references import drawn_from
from .stage import hour_of, light_in

ROOM = 0.94


def retouch(base: bytes, mask: bytes, prompt: str, seed: int) -> tuple[bytes, list[str]]:
    """A PNG of the picture `base` with what `prompt` asks for inside `mask` (white), and the words
    of no use. Without any such words, what is there goes."""
    picture = np.asarray(Image.open(io.BytesIO(base)).convert("RGB")).astype(np.float32)
    high, wide = picture.shape[:2]
    inside = np.asarray(Image.open(io.BytesIO(mask)).convert("L").resize((wide, high))) >= 128
    reading = read_prompt(prompt)
    rng = random.Random(int.from_bytes(hashlib.sha256(f"retouch {seed}".encode()).digest()[:8], "big"))
    if not (reading.figures or reading.animals or reading.props) and reading.place:
        other = paint(prompt, seed, wide, high).flat
        changed = np.asarray(Image.open(io.BytesIO(other)).convert("RGB")).astype(np.float32)
    else:
        asked = bool(reading.figures or reading.animals or reading.props)
        changed = picture.copy() if asked else _cleared(base, picture, inside, rng)
        _put_in(changed, inside, reading, rng)
    out = np.where(inside[..., None], changed, picture * 0.98 + 2)
    png = io.BytesIO()
    Image.fromarray(np.clip(out, 0, 255).round().astype(np.uint8)).save(png, "PNG", compress_level=1)
    return png.getvalue(), reading.unused


def _cleared(
    base: bytes, picture: NDArray[np.float32], inside: NDArray[np.bool_], rng: random.Random
) -> NDArray[np.float32]:
    """The picture with nobody and nothing inside: of a drawing of our own the place as it was
    drawn, else what lies around grown in."""
    known = drawn_from(base)
    if known is None:
        return _grown(picture, inside, rng)
    prompt, seed, horizon = known
    bare = paint(prompt, seed, picture.shape[1], picture.shape[0], bare=True, wish=Wish(horizon=horizon)).flat
    return np.asarray(Image.open(io.BytesIO(bare)).convert("RGB")).astype(np.float32)


def _grown(picture: NDArray[np.float32], inside: NDArray[np.bool_], rng: random.Random) -> NDArray[np.float32]:
    """What lies around grown into the mask: known pixels gathered on ever coarser grids, then
    spread back (push and pull), with the tooth of the paper around laid over it."""
    levels = [(picture * ~inside[..., None], (~inside).astype(np.float32))]
    while min(levels[-1][0].shape[:2]) > 2:
        colour, weight = levels[-1]
        h, w = (weight.shape[0] + 1) // 2 * 2, (weight.shape[1] + 1) // 2 * 2
        colour = np.pad(colour, ((0, h - colour.shape[0]), (0, w - colour.shape[1]), (0, 0)))
        weight = np.pad(weight, ((0, h - weight.shape[0]), (0, w - weight.shape[1])))
        levels.append((colour.reshape(h // 2, 2, w // 2, 2, 3).sum((1, 3)), weight.reshape(h // 2, 2, w // 2, 2).sum((1, 3))))
    colour, weight = levels.pop()
    guess = colour.sum((0, 1)) / max(1e-6, weight.sum()) + np.zeros_like(colour)
    for colour, weight in reversed(levels):
        large = Image.fromarray(np.clip(guess, 0, 255).astype(np.uint8)).resize(weight.shape[::-1], Image.Resampling.BILINEAR)
        known = np.clip(weight, 0, 1)[..., None]
        guess = colour / np.maximum(weight, 1e-6)[..., None] * known + np.asarray(large, np.float32) * (1 - known)
    tooth = np.random.default_rng(rng.randrange(1 << 30)).normal(0, 2.2, picture.shape[:2]).astype(np.float32)
    out: NDArray[np.float32] = guess + tooth[..., None]
    return out


def _put_in(changed: NDArray[np.float32], inside: NDArray[np.bool_], reading: Reading, rng: random.Random) -> None:
    """Draw what was read, as large as the mask lets it be, standing on the mask's ground."""
    high, wide = changed.shape[:2]
    rows, columns = np.flatnonzero(inside.any(1)), np.flatnonzero(inside.any(0))
    if not len(rows) or not (reading.figures or reading.animals or reading.props):
        return
    hour = hour_of(reading.time or "day", reading.weather or "clear", random.Random(rng.random()))
    pen = Pen(reading.look, random.Random(rng.random()), *light_in(hour, reading.place or ""), hour.glow)
    width = H * 1.6
    if reading.figures:
        figure = decide(reading.figures[0], rng)
        draw_person(pen, figure, width / 2, H * 0.95, H * 0.8, rng.choice([-1, 1]), "three-quarter")
    elif reading.animals:
        kind, colour = reading.animals[0][:2]
        draw_animal(pen, kind, colour, width / 2, H * 0.9, H * 0.7, rng.choice([-1, 1]))
    else:
        draw_prop(pen, reading.props[0], width / 2, H * 0.8, H * 0.35, lit=not reading.dark_lamp)
    svg = bytes(resvg_py.svg_to_bytes(svg_string=pen.svg(width, H), width=round(width), height=int(H)))
    drawn = Image.open(io.BytesIO(svg)).convert("RGBA")
    solid = drawn.getchannel("A").point(lambda a: 255 if a > 110 else 0).getbbox()
    if solid is None:
        return
    room_w, room_h = (columns[-1] - columns[0] + 1) * ROOM, (rows[-1] - rows[0] + 1) * ROOM
    scale = min(room_w / (solid[2] - solid[0]), room_h / (solid[3] - solid[1])) * rng.uniform(0.82, 1)
    spare = room_w - scale * (solid[2] - solid[0])
    middle, ground = (columns[0] + columns[-1] + 1) / 2 + spare * rng.uniform(-0.4, 0.4), rows[-1] + 1 - room_h * 0.02
    # Where the drawing's pixels lie for each of the picture's: its ground on the mask's, its middle
    # on the mask's.
    back = (1 / scale, 0, (solid[0] + solid[2]) / 2 - middle / scale, 0, 1 / scale, solid[3] - ground / scale)
    laid = drawn.transform((wide, high), Image.Transform.AFFINE, back, Image.Resampling.BICUBIC)
    pixels = np.asarray(laid).astype(np.float32)
    alpha = pixels[..., 3:] / 255
    changed[:] = changed * (1 - alpha) + pixels[..., :3] * alpha
