"""Figures in pieces, as a jointed paper figure is made: drawn once more, bone by bone, with their light and shadow."""

import random
import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field
from typing import Literal

from cutreel.protocol import Bone, Joint

from .colour import RGB
from .lighting import rim_of, shadow_of
from .pen import Pen, Piece, Point

Box = tuple[float, float, float, float]
_REACHING: tuple[Bone, ...] = ("near_arm", "near_forearm", "far_arm", "far_forearm", "near_held", "near_hung")
MARGIN = 14.0
"""Page units about a path: half a stroke, a shadow, a line drawn twice."""
_NUMBER = r"-?\d+(?:\.\d+)?"
_TAG = re.compile(r"<(path|circle|ellipse|rect)\b([^>]*)>")
_ATTRIBUTE = re.compile(r'([\w-]+)="([^"]*)"')


@dataclass
class Jointed:
    """A figure in pieces, from back to front; pins in page units."""

    name: str
    kind: Literal["person", "animal"]
    way: Literal[1, -1]
    pins: dict[Joint, Point]
    pieces: list[Piece]
    defs: list[str] = field(default_factory=list)


@dataclass(frozen=True)
class Cut:
    """Where in a pen's output a figure stands that there are pieces of."""

    begin: int
    end: int
    figure: Jointed


@dataclass(frozen=True)
class Lit:
    """How light falls on a figure: from where (page units), in which colour, how strongly; and where the ground is."""

    light: Point | None
    colour: RGB
    strength: float
    ground: float


def pieces_drawn(pen: Pen, draw: Callable[[Pen], object], lit: Lit, under: str = "") -> tuple[list[Piece], list[str]]:
    """The pieces that `draw` draws, with what `pen` is for, and the definitions they use; `under` is the SVG of a shadow
    straight below."""
    twin = Pen(pen.look, random.Random(len(pen.out)), pen.ambient, pen.share, pen.glow, pen.fine)
    twin.jointed = True
    draw(twin)
    whole = [m for p in twin.pieces if not p.variant for m in p.marks]
    shadow = under + shadow_of(twin, whole, lit.light, lit.ground, lit.strength * 0.42)
    behind = [Piece("ground", "", shadow, ())] if shadow else []
    for bone in dict.fromkeys(p.bone for p in twin.pieces):
        marks = [m for p in twin.pieces if p.bone == bone and not p.variant for m in p.marks]
        shines = rim_of(twin, marks, whole, lit.light, lit.colour, lit.strength * 0.8)
        if shines:
            behind.append(Piece(bone, "", shines, ()))
    return [p for p in _joined([*behind, *twin.pieces]) if p.svg], twin.defs


def _joined(pieces: Sequence[Piece]) -> list[Piece]:
    """Neighbours that the same bone carries as one piece."""
    out: list[Piece] = []
    for piece in pieces:
        if out and not piece.variant and not out[-1].variant and out[-1].bone == piece.bone:
            last = out.pop()
            out.append(Piece(piece.bone, "", last.svg + piece.svg, (*last.marks, *piece.marks)))
        else:
            out.append(piece)
    return out


def extent(svg: str, page: Box) -> Box | None:
    """The box that some SVG of ours takes (left, top, right, bottom), within `page`; None when it is outside. Paths here
    have whole coordinates, in pairs, behind M, L and C."""
    xs: list[float] = []
    ys: list[float] = []
    for tag, told in _TAG.findall(svg):
        a: dict[str, str] = dict(_ATTRIBUTE.findall(told))
        if tag == "path":
            numbers = [float(n) for n in re.findall(_NUMBER, a["d"])]
            px, py = numbers[0::2], numbers[1::2]
        elif tag == "rect":
            x, y = float(a["x"]), float(a["y"])
            px, py = [x, x + float(a["width"])], [y, y + float(a["height"])]
        else:
            x, y = float(a["cx"]), float(a["cy"])
            r = a.get("r", "0")
            rx, ry = float(a.get("rx", r)), float(a.get("ry", r))
            px, py = [x - rx, x + rx], [y - ry, y + ry]
        px, py = _moved(a.get("transform", ""), px, py)
        half = float(a.get("stroke-width", 0)) / 2
        xs += [min(px) - half, max(px) + half]
        ys += [min(py) - half, max(py) + half]
    if not xs:
        return None
    box = (max(page[0], min(xs) - MARGIN), max(page[1], min(ys) - MARGIN), min(page[2], max(xs) + MARGIN), min(page[3], max(ys) + MARGIN))
    return box if box[2] - box[0] > 1 and box[3] - box[1] > 1 else None


def _moved(transform: str, xs: list[float], ys: list[float]) -> tuple[list[float], list[float]]:
    numbers = [float(n) for n in re.findall(_NUMBER, transform)]
    if transform.startswith("translate"):
        return [x + numbers[0] for x in xs], [y + numbers[1] for y in ys]
    if transform.startswith("matrix"):
        a, b, c, d, e, f = numbers
        pairs = list(zip(xs, ys, strict=True))
        return [a * x + c * y + e for x, y in pairs], [b * x + d * y + f for x, y in pairs]
    return xs, ys


@dataclass(frozen=True)
class Placed:
    """A piece on its sheet: its bone and variant, where it lies there, and where it stands in the picture (pixels)."""

    bone: Bone
    variant: str
    x: int
    y: int
    width: int
    height: int
    left: int
    top: int


def on_a_sheet(figure: Jointed, width: float, high: float, scale: float) -> tuple[str, int, int, list[Placed]]:
    """All pieces side by side as one SVG, its size in pixels, and where each lies; `scale` is pixels for a page unit.
    A quarter of the page about it is kept, and of arms much more: what moves brings them in from far out."""
    page = (-width * 0.25, -high * 0.25, width * 1.25, high * 1.25)
    far = (-width, -high, width * 2, high * 2.5)
    boxes = [(piece, extent(piece.svg, far if piece.bone in _REACHING else page)) for piece in figure.pieces]
    broad = max(512, *(int((b[2] - b[0]) * scale) + 8 for _, b in boxes if b))
    out: list[str] = []
    placed: list[Placed] = []
    x = y = row = 0
    for piece, box in boxes:
        if box is None:
            continue
        left, top = int(box[0] * scale // 2 * 2), int(box[1] * scale // 2 * 2)
        w, h = (int(v // 2 * 2 + 2) for v in (box[2] * scale - left, box[3] * scale - top))
        if x + w > broad:
            x, y, row = 0, y + row, 0
        out.append(f'<svg x="{x}" y="{y}" width="{w}" height="{h}" viewBox="{left / scale:.4f} {top / scale:.4f} {w / scale:.4f} {h / scale:.4f}">{piece.svg}</svg>')
        placed.append(Placed(piece.bone, piece.variant, x, y, w, h, left, top))
        x, row = x + w, max(row, h)
    tall = y + row
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {broad} {tall}"><defs>{"".join(figure.defs)}</defs>{"".join(out)}</svg>'
    return svg, broad, tall, placed


@dataclass(frozen=True)
class Part:
    """A part of the layer with the index `layer`: what stands still, as SVG, or a figure in pieces; `moves` says how it
    moves by itself: water that runs between two heights of the page, or weather that is drawn as it falls."""

    layer: int
    drawn: str | Jointed
    moves: dict[str, object] = field(default_factory=dict)


def between(pen: Pen, cuts: Sequence[Cut]) -> list[list[str] | Jointed]:
    """What a pen drew, from back to front: what stands still, and the figures there are pieces of."""
    out: list[list[str] | Jointed] = []
    at = 0
    for cut in cuts:
        out += [pen.out[at : cut.begin], cut.figure]
        at = cut.end
    return [part for part in [*out, pen.out[at:]] if part]
