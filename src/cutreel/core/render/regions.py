"""Parts of a picture that move by themselves, in frames: cut out of the layer that they are in, or bent within it."""

import io
from collections.abc import Callable, Sequence
from dataclasses import replace

import numpy as np
from numpy.typing import NDArray
from PIL import Image
from scipy.ndimage import binary_dilation

from cutreel.core.motion import BY_AMOUNT, NEARER, Extent, bend_at, jaw_at, loose_at, pin_of
from cutreel.core.pictures import feathered, filled
from cutreel.core.timeline import Region
from cutreel.protocol import FigurePiece

from . import kernel_bend, kernel_over
from .canvas import EDGE, Canvas, box_of
from .planes import Planes
from .puppet import Puppet

Mask = NDArray[np.uint8]
"""Where a region is in a layer: from 128 on."""
SOFT_BEND = 0.16
"""The share of a region's smaller side over which what bends comes to rest toward its edge."""
SOFT_CUT = 3 / 1080
"""The soft edge of what is cut out, in picture heights."""
BEYOND = 3 / 1080
"""How far about something that is cut out the picture behind it is made anew, in picture heights: what of it is mixed
into the pixels about it would stay behind as its outline."""
STANDS_FREE = 0.4
"""What is cut out of a layer uncovers what is behind the layer where less than this share of its rim is in the layer;
else the layer itself goes on behind it."""


def with_regions(
    layers: Sequence[Planes | Puppet],
    regions: Sequence[Region],
    life: float,
    files: Callable[[str], bytes],
) -> "list[Planes | Puppet | BentLayer | LooseLayer]":
    """The layers of a picture, from back to front, with what moves by itself in them; `life` is the shot's length in
    seconds. A region is in the foremost layer that has most of it."""
    found = [(r, *_placed(layers, _mask(files(r.mask)))) for r in regions]
    out: list[Planes | Puppet | BentLayer | LooseLayer] = []
    for n, layer in enumerate(layers):
        mine = [(region, mask) for region, mask, at in found if at == n]
        if not mine or isinstance(layer, Puppet):
            out.append(layer)
            continue
        held = layer
        for region, mask in mine:
            if region.move.loose:
                held = _without(held, mask)
        bent = [(r, m) for r, m in mine if not r.move.loose]
        out.append(BentLayer(held, bent, life) if bent else held)
        for region, mask in mine:
            if region.move.way == "stand nearer":
                out.append(_nearer(layer, mask, region))
            elif region.move.loose:
                out.append(LooseLayer(layer, region, mask, life))
    return out


def _mask(data: bytes) -> Image.Image:
    with Image.open(io.BytesIO(data)) as image:
        return image.convert("L")


def _placed(layers: Sequence[Planes | Puppet], image: Image.Image) -> tuple[Mask, int]:
    """A region's mask at the size of its layer, and which that is."""
    size: tuple[int, int] | None = None
    mask = np.zeros((1, 1), np.uint8)
    for n in range(len(layers) - 1, -1, -1):
        layer = layers[n]
        if isinstance(layer, Puppet):
            continue
        if size != layer.y.shape:
            size = layer.y.shape
            mask = np.asarray(image.resize(size[::-1], Image.Resampling.BILINEAR))
        inside = mask >= 128
        if layer.alpha is None or float(layer.alpha[inside].sum()) > 0.5 * 255 * inside.sum():
            return mask, n
    return mask, 0


def _extent(mask: Mask, beyond: int) -> Extent:
    """The box of what is marked, and so many pixels about it; all its sides are even."""
    high, wide = mask.shape
    rows, columns = np.flatnonzero((mask >= 128).any(1)), np.flatnonzero((mask >= 128).any(0))
    if not rows.size:
        return Extent(0, 0, 2, 2, high)
    left, top = (max(0, int(i[0]) - beyond) // 2 * 2 for i in (columns, rows))
    right = min(wide, int(columns[-1]) + 1 + beyond + 1) // 2 * 2
    bottom = min(high, int(rows[-1]) + 1 + beyond + 1) // 2 * 2
    return Extent(left, top, right - left, bottom - top, high)


def _rows(extent: Extent, by: int = 1) -> tuple[slice, slice]:
    return (
        slice(extent.top // by, (extent.top + extent.height) // by),
        slice(extent.left // by, (extent.left + extent.width) // by),
    )


def _halved(plane: NDArray[np.float32]) -> NDArray[np.float32]:
    out: NDArray[np.float32] = plane.reshape(plane.shape[0] // 2, 2, plane.shape[1] // 2, 2).mean(
        (1, 3)
    )
    return out


def _without(layer: Planes, mask: Mask) -> Planes:
    """A layer without what is cut out of it: what goes on behind it is made from what is about it, or it is gone."""
    beyond = max(1, round(BEYOND * mask.shape[0]))
    hole = _grown(mask >= 128, beyond)
    half = _grown(hole[0::2, 0::2] | hole[1::2, 1::2], 1)
    if layer.alpha is not None and layer.alpha_half is not None:
        rim = _grown(hole, beyond) & ~hole
        if rim.any() and float(layer.alpha[rim].mean()) < 255 * STANDS_FREE:
            alpha, small = np.where(hole, 0, layer.alpha), np.where(half, 0, layer.alpha_half)
            return replace(
                layer,
                y=np.where(hole, 0, layer.y).astype(np.uint8),
                u=np.where(half, 128, layer.u).astype(np.uint8),
                v=np.where(half, 128, layer.v).astype(np.uint8),
                alpha=alpha.astype(np.uint8),
                alpha_half=small.astype(np.uint8),
            )
        full = np.dstack((layer.y, layer.alpha))
        fine = np.dstack((layer.u, layer.v, layer.alpha_half))
        made, coarse = filled(full, hole), filled(fine, half)
        parts = (made[..., 0], coarse[..., 0], coarse[..., 1], made[..., 1], coarse[..., 2])
        y, u, v, alpha, small = (np.ascontiguousarray(p) for p in parts)
        return replace(layer, y=y, u=u, v=v, alpha=alpha, alpha_half=small)
    made, coarse = filled(layer.y[..., None], hole), filled(np.dstack((layer.u, layer.v)), half)
    y, u, v = (np.ascontiguousarray(p) for p in (made[..., 0], coarse[..., 0], coarse[..., 1]))
    return replace(layer, y=y, u=u, v=v)


def _grown(marked: NDArray[np.bool_], by: int) -> NDArray[np.bool_]:
    """What is marked and all about it, so many pixels far; only there is anything looked at."""
    rows, columns = np.flatnonzero(marked.any(1)), np.flatnonzero(marked.any(0))
    if not rows.size:
        return marked
    part = tuple(slice(max(0, int(i[0]) - by), int(i[-1]) + by + 1) for i in (rows, columns))
    out = marked.copy()
    out[part] = binary_dilation(marked[part], iterations=by)
    return out


def _cut(layer: Planes, mask: Mask, extent: Extent, depth: float) -> Planes:
    """What is marked in a layer, cut out with a soft edge, as a part of a layer."""
    share = feathered(mask, SOFT_CUT * extent.high)[_rows(extent)]
    if layer.alpha is not None:
        share = share * (layer.alpha[_rows(extent)] > 0)
    half = _halved(share)
    # What is premultiplied already is so a second time by the share alone.
    y = layer.y[_rows(extent)] * share
    u, v = ((p[_rows(extent, 2)].astype(np.float32) - 128) * half + 128 for p in (layer.u, layer.v))
    own = 255.0 if layer.alpha is None else layer.alpha[_rows(extent)].astype(np.float32)
    own_half = (
        255.0 if layer.alpha_half is None else layer.alpha_half[_rows(extent, 2)].astype(np.float32)
    )
    alpha, small = _u8(share * own), _u8(half * own_half)
    return Planes(
        _u8(y), _u8(u), _u8(v), alpha, small, kernel_over.spans_of(alpha), kernel_over.spans_of(small), depth,
        (extent.left, extent.top), (mask.shape[1], mask.shape[0]),
    )  # fmt: skip


def _u8(plane: NDArray[np.floating]) -> NDArray[np.uint8]:
    return np.round(plane).clip(0, 255).astype(np.uint8)


def _nearer(layer: Planes, mask: Mask, region: Region) -> Planes:
    depth = layer.depth + NEARER * BY_AMOUNT[region.move.amount]
    return _cut(layer, mask, _extent(mask, EDGE), depth)


class LooseLayer:
    """Something that is cut out of a layer and goes about."""

    def __init__(self, layer: Planes, region: Region, mask: Mask, life: float) -> None:
        self.depth, self.move, self.life = layer.depth, region.move, life
        self.extent = _extent(mask, EDGE)
        self.size = (mask.shape[1], mask.shape[0])
        self.pin = pin_of(region.move, self.extent, self.size[0])
        self.sheet = _cut(layer, mask, self.extent, layer.depth)
        e = self.extent
        self.piece = FigurePiece(
            bone="torso", x=0, y=0, width=e.width, height=e.height, left=e.left, top=e.top
        )

    def drawing(self, seconds: float) -> Planes | None:
        """What is seen of it at a moment of its shot; None when that is nothing."""
        matrix = loose_at(self.move, self.extent, self.pin, seconds, self.life)
        box = box_of(self.piece, matrix)
        width, height = self.size
        left, top = (max(0, n - EDGE) // 2 * 2 for n in box[:2])
        right = min(width, box[2] + EDGE + 1) // 2 * 2
        bottom = min(height, box[3] + EDGE + 1) // 2 * 2
        if right - left < 4 or bottom - top < 4:
            return None
        out = Canvas(left, top, right, bottom)
        out.lay(self.sheet, self.piece, matrix, box)
        return out.planes(self.depth, self.size)


class BentLayer:
    """A layer of which some parts are bent where they are; all else is the very same in every frame."""

    def __init__(self, layer: Planes, parts: Sequence[tuple[Region, Mask]], life: float) -> None:
        self.depth, self.layer, self.life = layer.depth, layer, life
        self.parts = [_Part(region, mask) for region, mask in parts]
        self._last: tuple[float, Planes] | None = None
        names = ("y", "u", "v", *(("alpha", "alpha_half") if layer.alpha is not None else ()))
        self._drawn = replace(layer, **{n: getattr(layer, n).copy() for n in names})
        if layer.spans is not None and layer.spans_half is not None:
            spans, half = layer.spans.copy(), layer.spans_half.copy()
            for part in self.parts:
                _widened(spans, part.extent, 1)
                _widened(half, part.extent, 2)
            self._drawn = replace(self._drawn, spans=spans, spans_half=half)

    def drawing(self, seconds: float) -> Planes:
        """The layer at a moment of its shot."""
        if self._last is None or self._last[0] != seconds:
            for part in self.parts:
                part.draw(self.layer, self._drawn, seconds, self.life)
            self._last = (seconds, self._drawn)
        return self._drawn


def _widened(spans: NDArray[np.int32], extent: Extent, by: int) -> None:
    """Make rows' spans take in a region, whatever is bent into it."""
    rows, columns = _rows(extent, by)
    part = spans[rows]
    empty = part[:, 1] == 0
    part[:, 0] = np.where(empty, columns.start, np.minimum(part[:, 0], columns.start))
    part[:, 1] = np.maximum(part[:, 1], columns.stop)


class _Part:
    """A region that is bent."""

    def __init__(self, region: Region, mask: Mask) -> None:
        self.region, self.move = region, region.move
        self.extent = _extent(mask, 0)
        self.pin = pin_of(region.move, self.extent, mask.shape[1])
        soft = SOFT_BEND * min(self.extent.width, self.extent.height)
        self.share = np.ascontiguousarray(feathered(mask, soft)[_rows(self.extent)])
        self.half = np.ascontiguousarray(_halved(self.share))

    def draw(self, src: Planes, out: Planes, seconds: float, life: float) -> None:
        jaw = jaw_at(self.region.mouth, seconds)
        bend = bend_at(self.move, self.extent, self.pin, seconds, life, self.region.seed, jaw)
        fields = np.stack((bend.x, bend.y, bend.other_x, bend.other_y, bend.gain))
        fields = fields.astype(np.float32)
        left, top = self.extent.left, self.extent.top
        full = (self.share, left, top, fields, bend.share, bend.cell, 1.0)
        half = (self.half, left // 2, top // 2, fields, bend.share, bend.cell // 2, 0.5)
        kernel_bend.bend(src.y, out.y, *full, 16.0 if src.alpha is None else 0.0)
        kernel_bend.bend(src.u, out.u, *half, -1.0)
        kernel_bend.bend(src.v, out.v, *half, -1.0)
        if src.alpha is not None and out.alpha is not None:
            assert src.alpha_half is not None and out.alpha_half is not None
            kernel_bend.bend(src.alpha, out.alpha, *full, -1.0)
            kernel_bend.bend(src.alpha_half, out.alpha_half, *half, -1.0)
