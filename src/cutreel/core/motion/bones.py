"""The bones of a jointed figure: how far each is turned as drawn, and where all are when some are turned further.

Places are pixels of the picture, y running down. Angles are degrees and mean what they mean in a pose of the protocol:
torso and head lean forward, an upper arm or thigh swings forward, a forearm bends on forward and a shin backward;
forward is where the figure looks.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import cast

from cutreel.protocol import CARRIED_BY, POSES, Bone, Joint, JointedFigure

Matrix = tuple[float, float, float, float, float, float]
"""(a, b, c, d, e, f): (x, y) goes to (a x + c y + e, b x + d y + f), as in SVG 1.1."""
Turns = Mapping[Bone, float]
NOWHERE: Matrix = (1.0, 0.0, 0.0, 1.0, 0.0, 0.0)
_ON_SCREEN: dict[Bone, int] = {"torso": 1, "head": 1, "near_shin": 1, "far_shin": 1}
"""Which way a bone turns on the screen of a figure that looks right: 1 with the clock, else against it."""


@dataclass(frozen=True)
class Whole:
    """How the whole figure is moved: `ahead` and `up` in its heights, `lean` about its feet in degrees, `wide` and
    `tall` in shares of its size; a negative `wide` is the other way round."""

    ahead: float = 0.0
    up: float = 0.0
    lean: float = 0.0
    wide: float = 1.0
    tall: float = 1.0


def height_of(figure: JointedFigure) -> float:
    """How tall the figure is as drawn, in pixels; of an animal, as tall as its pieces are."""
    pins = figure.pins
    feet = [pins[j][1] for j in ("near_foot", "far_foot") if j in pins]
    if feet and "head" in pins:
        # The head's joint is its middle, the foot's the ankle.
        return max(8.0, (max(feet) - pins["head"][1]) * 1.13)
    body = [p for p in figure.pieces if p.bone != "ground"] or figure.pieces
    return max(8.0, float(max(p.top + p.height for p in body) - min(p.top for p in body)))


def drawn_angles(figure: JointedFigure) -> dict[Bone, float]:
    """How far each bone is turned as drawn. Bones whose joints are not known are left out."""
    pins, way = figure.pins, figure.way
    out: dict[Bone, float] = {}

    def hangs(upper: Joint, lower: Joint) -> float:
        (ax, ay), (bx, by) = pins[upper], pins[lower]
        return math.degrees(math.atan2(way * (bx - ax), by - ay))

    if "neck" in pins and "hips" in pins:
        (hx, hy), (nx, ny) = pins["hips"], pins["neck"]
        out["torso"] = math.degrees(math.atan2(way * (nx - hx), hy - ny))
        if "head" in pins:
            x, y = pins["head"]
            out["head"] = math.degrees(math.atan2(way * (x - nx), ny - y)) - out["torso"]
    for side in ("near", "far"):
        for upper, lower, root, middle, end, bends in (
            ("arm", "forearm", f"{side}_shoulder", f"{side}_elbow", f"{side}_hand", 1),
            ("thigh", "shin", "hips", f"{side}_knee", f"{side}_foot", -1),
        ):
            if {root, middle, end} <= set(pins):
                first = hangs(cast(Joint, root), cast(Joint, middle))
                out[cast(Bone, f"{side}_{upper}")] = first
                second = hangs(cast(Joint, middle), cast(Joint, end)) - first
                out[cast(Bone, f"{side}_{lower}")] = bends * _within(second)
    return out


def pose_angles(name: str) -> dict[Bone, float]:
    """How far each bone is turned in a pose that is known by name."""
    pose = POSES[name]
    aside = pose.torso * 0.35  # as the protocol's `posed` carries arms
    return {
        "torso": pose.torso,
        "head": pose.head,
        "near_arm": pose.near_arm[0] - aside,
        "near_forearm": pose.near_arm[1],
        "far_arm": pose.far_arm[0] - aside,
        "far_forearm": pose.far_arm[1],
        "near_thigh": pose.near_leg[0],
        "near_shin": pose.near_leg[1],
        "far_thigh": pose.far_leg[0],
        "far_shin": pose.far_leg[1],
    }


def placed(figure: JointedFigure, turns: Turns, whole: Whole) -> dict[Bone, Matrix]:
    """Where every bone's pieces go when bones are turned by so many degrees from as drawn."""
    height, way = height_of(figure), figure.way
    ground = _ground(figure)
    root = _moved(figure, whole, height, ground)
    shift = (way * whole.ahead * height, 0.0)
    out: dict[Bone, Matrix] = {"ground": (1.0, 0.0, 0.0, 1.0, *shift)}
    for bone, (joint, carrier) in CARRIED_BY.items():
        if bone == "ground":
            continue
        base = out[carrier] if carrier else root
        pin = figure.pins.get(joint) if joint else None
        if pin is None:
            out[bone] = base
        elif bone == "near_hung":
            x, y = applied(base, pin)
            out[bone] = (1.0, 0.0, 0.0, 1.0, x - pin[0], y - pin[1])
        else:
            angle = turns.get(bone, 0.0) * _ON_SCREEN.get(bone, -1) * way
            out[bone] = after(base, turned_about(pin, angle)) if angle else base
    return out


def turned_about(pin: tuple[float, float], degrees: float) -> Matrix:
    """A turn about a pin, with the clock for positive degrees."""
    c, s = math.cos(math.radians(degrees)), math.sin(math.radians(degrees))
    x, y = pin
    return (c, s, -s, c, x - c * x + s * y, y - s * x - c * y)


def after(second: Matrix, first: Matrix) -> Matrix:
    """What `first` and then `second` do."""
    a, b, c, d, e, f = second
    g, h, i, j, k, m = first
    return (
        a * g + c * h,
        b * g + d * h,
        a * i + c * j,
        b * i + d * j,
        a * k + c * m + e,
        b * k + d * m + f,
    )


def applied(matrix: Matrix, at: tuple[float, float]) -> tuple[float, float]:
    """Where a point goes."""
    a, b, c, d, e, f = matrix
    return a * at[0] + c * at[1] + e, b * at[0] + d * at[1] + f


def inverted(matrix: Matrix) -> Matrix:
    """What takes a matrix back. Raises ZeroDivisionError for one that flattens."""
    a, b, c, d, e, f = matrix
    k = 1 / (a * d - b * c)
    return (d * k, -b * k, -c * k, a * k, (c * f - d * e) * k, (b * e - a * f) * k)


def _ground(figure: JointedFigure) -> tuple[float, float]:
    """Where the figure stands: between its feet; an animal under its middle."""
    pins = figure.pins
    feet = [pins[j] for j in ("near_foot", "far_foot") if j in pins]
    if feet:
        return sum(x for x, _ in feet) / len(feet), max(y for _, y in feet)
    return pins.get("hips", (0.0, 0.0))


def _moved(
    figure: JointedFigure, whole: Whole, height: float, ground: tuple[float, float]
) -> Matrix:
    gx, gy = ground
    size: Matrix = (whole.wide, 0.0, 0.0, whole.tall, gx - whole.wide * gx, gy - whole.tall * gy)
    leant = after(turned_about(ground, whole.lean * figure.way), size)
    there: Matrix = (1.0, 0.0, 0.0, 1.0, figure.way * whole.ahead * height, -whole.up * height)
    return after(there, leant)


def _within(degrees: float) -> float:
    """The same angle between -180 and 180."""
    return (degrees + 180) % 360 - 180
