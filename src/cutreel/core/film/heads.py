"""Where the heads of a picture are, and where the camera brings them in the frame."""

from collections.abc import Mapping, Sequence
from typing import Any, NamedTuple

from cutreel.core.motion import CameraPath, Walked, layer_zoom

from .made import TakeRow

HEAD, TO_NECK = 0.08, 0.95
"""How far a head reaches from its middle: in heights of its figure, or, where that is known, of the way to its neck."""
DEPTH = 0.6
"""The depth at which figures stand, about."""
LOOKS = 4
"""At how many moments of a stretch it is looked at where heads are."""


class Head(NamedTuple):
    """How far to the right a head is, and from where down to where, in shares of the picture or the frame."""

    x: float
    top: float
    low: float


def heads_in(take: TakeRow) -> list[Head]:
    """The heads in a take."""
    return heads_told(take.about.get("regions", []))


def heads_told(regions: Sequence[Mapping[str, Any]]) -> list[Head]:
    """The heads in the regions told of a picture: those that are told, else the upper quarter of each figure."""
    out: list[Head] = []
    for region in regions:
        box, joints = region["box"], region.get("joints") or {}
        head, neck = joints.get("head"), joints.get("neck")
        tall = region.get("height") or box[3] - box[1]
        if head:
            reach = TO_NECK * abs(neck[1] - head[1]) if neck else HEAD * tall
            out.append(Head(head[0], head[1] - reach, head[1] + reach))
        else:
            out.append(Head((box[0] + box[2]) / 2, box[1], box[1] + (box[3] - box[1]) / 4))
    return out


def heads_seen(
    heads: Sequence[Head], camera: CameraPath | Walked, begin: float, end: float
) -> list[Head]:
    """Where the camera brings heads from `begin` to `end` (shares of its path) in the frame."""
    out: list[Head] = []
    for n in range(LOOKS):
        window = layer_zoom(camera.at(begin + (end - begin) * n / (LOOKS - 1)), DEPTH)
        out += [
            Head(
                (x - window.x) * window.zoom + 0.5,
                (top - window.y) * window.zoom + 0.5,
                (low - window.y) * window.zoom + 0.5,
            )
            for x, top, low in heads
        ]
    return out
