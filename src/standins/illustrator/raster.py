"""From SVG layers to PNG bytes, with the grain of the paper."""

import io
import re
from collections.abc import Sequence
from concurrent.futures import ThreadPoolExecutor
from dataclasses import asdict, dataclass, field
from functools import lru_cache

import numpy as np
import resvg_py
from numpy.typing import NDArray
from PIL import Image, PngImagePlugin
from scipy.ndimage import gaussian_filter

from .cast import NO_WISH, Wish
from .compose import Drawing, draw
from .jointing import Part, extent, on_a_sheet
from .references import Reference, note_of
from .renderings import PAPER, SLATE

_GRAIN = {"cut-paper": 0.055, "ink-wash": 0.05, "stick-figures": 0.012, "shadow-theatre": 0.05, "screen-print": 0.03,
          "chalk-slate": 0.06, "clay": 0.03, "toned-pencil": 0.06}

_CORNERS = {"cut-paper": 0.34, "ink-wash": 0.10, "shadow-theatre": 0.62, "chalk-slate": 0.30, "clay": 0.26, "toned-pencil": 0.14}
"""How much darker corners are, in the looks that have any."""
_NIGHT = np.array((18, 10, 20), np.float32)
SHEET = 1024
"""Pixels of paper whose tooth is laid side by side under sheets of any size."""
_WHOLE = ("screen-print", "chalk-slate")
"""Looks whose texture is the whole page's."""


@dataclass(frozen=True)
class Picture:
    """A painted picture: the flat PNG, its layers from back to front as (PNG, depth), and the SVG
    of each."""

    flat: bytes
    layers: list[tuple[bytes, float]]
    regions: list[dict[str, object]]
    unused: list[str]
    drawings: list[bytes]
    strips: list["Strip"] = field(default_factory=list)
    flames: list[tuple[float, float, float]] = field(default_factory=list)
    place: list[dict[str, object]] = field(default_factory=list)


@dataclass(frozen=True)
class Strip:
    """A part of the layer with the index `layer`: what stands still in it, what moves by itself and how, or the sheet
    of a figure in pieces, with where they lie."""

    layer: int
    png: bytes
    figure: dict[str, object] | None = None
    moves: dict[str, object] | None = None


def paint(
    prompt: str, seed: int, width: int, height: int, references: Sequence[Reference] = (), negative: str = "",
    lighter: Sequence[str] = (), bare: bool = False, wish: Wish = NO_WISH,
) -> Picture:
    """Draw `prompt` at `width` by `height` pixels, without what `negative` names; phrases that
    weigh less (`lighter`) are left out where figures are small; `bare` leaves the place alone;
    `wish` is what is asked for besides the words. The same arguments give the same bytes."""
    drawing = draw(prompt, seed, width / height, references, negative, lighter, bare, wish)
    grain = 1 + _grain(width, height, drawing.look == "cut-paper")[..., None] * _GRAIN[drawing.look]
    flat: NDArray[np.float32] | None = None
    layers: list[tuple[bytes, float]] = []
    drawings: list[bytes] = []
    for svg, depth in drawing.layers:
        pixels = _rendered(svg, width, height)
        if flat is None:
            flat = _backdrop(pixels, drawing.look)[..., :3].astype(np.float32)
            layers.append((_png(flat.astype(np.uint8)), depth))
            drawings.append(svg.encode())
            continue
        # Only where the layer has anything: figures and what stands in front seldom fill the page.
        box = Image.fromarray(pixels[..., 3]).getbbox()
        if box is None:
            continue
        part = (slice(box[1], box[3]), slice(box[0], box[2]))
        colour = _textured(pixels[..., :3].astype(np.float32), drawing.look) if drawing.look in _WHOLE else pixels[part][..., :3].astype(np.float32)
        colour = np.clip((colour[part] if drawing.look in _WHOLE else colour) * grain[part], 0, 255)
        share = pixels[part][..., 3:].astype(np.float32) / 255
        flat[part] += (colour - flat[part]) * share
        pixels[part][..., :3] = colour
        layers.append((_png(pixels), depth))
        drawings.append(svg.encode())
    assert flat is not None
    with ThreadPoolExecutor(2) as beside:
        strips = list(beside.map(lambda part: _strip(part, drawing, width, height), drawing.parts))
    return Picture(_png(flat.round().astype(np.uint8), note_of(drawing.figures, prompt, seed, drawing.horizon)), layers, drawing.regions, drawing.unused,
                   drawings, [s for s in strips if s is not None], drawing.flames, drawing.place)


def pieces(prompt: str, seed: int, width: int, height: int) -> list[tuple[NDArray[np.uint8], dict[str, object] | None]]:
    """All that a drawing comes apart into, from back to front, as pixels: a sheet of pieces with its figure, or what
    stands as it is. For whoever moves it at once: nothing is flattened or packed."""
    drawing = draw(prompt, seed, width / height, wish=Wish(jointed=True))
    apart = {part.layer for part in drawing.parts}

    def painted(what: int | Part) -> tuple[NDArray[np.uint8], dict[str, object] | None] | None:
        if isinstance(what, Part):
            found = _painted(what, drawing, width, height)
            return None if found is None else (found[0], found[1])
        pixels = _rendered(drawing.layers[what][0], width, height)
        return (_grained if what else _backdrop)(pixels, drawing.look), None

    asked = [what for n in range(len(drawing.layers)) for what in ([p for p in drawing.parts if p.layer == n] if n in apart else [n])]
    with ThreadPoolExecutor(2) as beside:
        return [found for found in beside.map(painted, asked) if found is not None]


def _strip(whole: Part, drawing: Drawing, width: int, height: int) -> Strip | None:
    """A part of a layer, painted as the layer is; None where there is nothing in it."""
    found = _painted(whole, drawing, width, height)
    return None if found is None else Strip(whole.layer, _png(found[0]), found[1], None if found[1] else whole.moves or None)


def _painted(whole: Part, drawing: Drawing, width: int, height: int) -> tuple[NDArray[np.uint8], dict[str, object] | None] | None:
    """The pixels of a part, and the figure that it is the sheet of."""
    layer, part = whole.layer, whole.drawn
    if isinstance(part, str):
        pixels = _filled(part, drawing.width, width, height)
        if not pixels[..., 3].any():
            return None
        first = whole.moves.get("kind") == "water"
        painted = _backdrop(pixels, drawing.look) if layer == 0 else _grained(pixels, drawing.look)
        return np.ascontiguousarray(painted[..., :3]) if first else painted, None
    scale = height / 1000
    svg, wide, high, placed = on_a_sheet(part, drawing.width, 1000.0, scale)
    if not placed:
        return None
    told: dict[str, object] = {
        "name": part.name, "kind": part.kind, "way": part.way,
        "pins": {joint: (round(x * scale, 2), round(y * scale, 2)) for joint, (x, y) in part.pins.items()},
        "pieces": [asdict(piece) for piece in placed],
    }
    return _grained(_rendered(svg, wide, high), drawing.look), told


def _backdrop(pixels: NDArray[np.uint8], look: str) -> NDArray[np.uint8]:
    """Pixels of the hindmost layer, with what the look does to a whole page."""
    high, wide = pixels.shape[:2]
    colour = _textured(pixels[..., :3].astype(np.float32), look)
    if look in _CORNERS:
        colour += (_NIGHT - colour) * _vignette(wide, high)[..., None] * _CORNERS[look]
    grain = 1 + _grain(wide, high, look == "cut-paper")[..., None] * _GRAIN[look]
    pixels[..., :3] = np.clip(colour * grain, 0, 255)
    return pixels


def _filled(svg: str, page: float, width: int, height: int) -> NDArray[np.uint8]:
    """A page of which little is drawn on: only what is there is rendered."""
    box = None if "<g transform" in svg else extent(svg, (0.0, 0.0, page, 1000.0))
    if box is None:
        return _rendered(svg, width, height)
    k = height / 1000
    left, top, right, bottom = int(box[0] * k), int(box[1] * k), min(width, int(box[2] * k) + 1), min(height, int(box[3] * k) + 1)
    head = re.compile(r'viewBox="[^"]*"')
    part = head.sub(f'viewBox="{left / k:.4f} {top / k:.4f} {(right - left) / k:.4f} {(bottom - top) / k:.4f}"', svg, count=1)
    out = np.zeros((height, width, 4), np.uint8)
    out[top:bottom, left:right] = _rendered(part, right - left, bottom - top)
    return out


def _rendered(svg: str, width: int, height: int) -> NDArray[np.uint8]:
    data = resvg_py.svg_to_bytes(svg_string=svg, width=width, height=height, skip_system_fonts=True)
    image = Image.open(io.BytesIO(bytes(data))).convert("RGBA")
    return np.array(image if image.size == (width, height) else image.resize((width, height)))


def _grained(pixels: NDArray[np.uint8], look: str) -> NDArray[np.uint8]:
    """Pixels with the texture of their look, inside what they cover."""
    high, wide = pixels.shape[:2]
    tile = _grain(SHEET, SHEET, look == "cut-paper")
    grain = 1 + np.tile(tile, (-(-high // SHEET), -(-wide // SHEET)))[:high, :wide, None] * _GRAIN[look]
    colour = pixels[..., :3].astype(np.float32)
    pixels[..., :3] = np.clip((_textured(colour, look) if look in _WHOLE else colour) * grain, 0, 255)
    return pixels


@lru_cache(maxsize=8)
def _vignette(width: int, height: int) -> NDArray[np.float32]:
    """How dark the corners are: nothing inside 0.55 of the way out, all at the edge of an ellipse
    about the middle."""
    y, x = np.mgrid[0:height, 0:width].astype(np.float32)
    out = np.hypot((x + 0.5) / width - 0.5, (y + 0.5) / height - 0.48) / 0.78
    share: NDArray[np.float32] = np.clip((out - 0.55) / 0.45, 0, 1).astype(np.float32)
    return share


def _textured(pixels: NDArray[np.float32], look: str) -> NDArray[np.float32]:
    """What a medium does to a whole layer: inks out of register, chalk that lets the slate
    through."""
    height, width = pixels.shape[:2]
    if look == "screen-print":
        off = max(1, height // 300)
        pixels[..., 0] = np.roll(pixels[..., 0], (off, -off), (0, 1))
        pixels[..., 2] = np.roll(pixels[..., 2], (-off, off), (0, 1))
        worn = _grain(width, height, False) > 1.45
        pixels[worn, :3] = pixels[worn, :3] * 0.45 + np.array(PAPER, np.float32) * 0.55
    elif look == "chalk-slate":
        through = np.clip(_grain(width, height, False) * 0.26 + 0.04, 0, 0.5)[..., None]
        pixels[..., :3] = pixels[..., :3] * (1 - through) + np.array(SLATE, np.float32) * through
    return pixels


@lru_cache(maxsize=8)
def _grain(width: int, height: int, fibres: bool) -> NDArray[np.float32]:
    """The paper's tooth, about -1 … 1, the same for every picture of a size; with fibres for cut
    sheets."""
    rng = np.random.default_rng(7)
    fine = rng.standard_normal((height, width)).astype(np.float32)
    tooth = gaussian_filter(fine, 1.1) * 2.2 + gaussian_filter(rng.standard_normal((height, width)).astype(np.float32), 6) * 5
    if fibres:
        long = gaussian_filter(rng.standard_normal((height, width)).astype(np.float32), (0.7, 9)) * 2.6
        tooth = tooth * 0.6 + long * 0.7
    out: NDArray[np.float32] = np.clip(tooth, -1.6, 1.6).astype(np.float32)
    return out


def _png(pixels: NDArray[np.uint8], note: PngImagePlugin.PngInfo | None = None) -> bytes:
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG", compress_level=1, pnginfo=note)
    return out.getvalue()
