"""People: a posed body, dressed as described, with hands that hold things. Heads are `heads.py`'s,
bodies `bodies.py`'s."""

import math
from dataclasses import dataclass
from typing import Literal

from cutreel.protocol import Bone, Joint

from .bodies import SKIN, Body, Posed, standing_at
from .colour import NAMED, RGB, darker, lighter, mix
from .faces import NEUTRAL_DARK
from .heads import hair_behind, neck_and_head
from .pen import Pen, Point
from .props import draw_prop
from .reading import Figure

Side = Literal["near", "far"]
_ARMS: dict[Side, tuple[Bone, Bone]] = {"near": ("near_arm", "near_forearm"), "far": ("far_arm", "far_forearm")}
GRIPS = {"lantern": 0.115, "bucket": 0.13, "basket": 0.1, "umbrella": -0.1, "flag": -0.12, "oar": 0.0, "kite": -0.2, "balloon": -0.3,
         "bag": 0.14, "kettle": 0.1, "birdcage": 0.18}
SIZES = {"lantern": 0.17, "book": 0.13, "letter": 0.13, "rod": 0.5, "umbrella": 0.42, "flag": 0.4, "oar": 0.9, "telescope": 0.26, "key": 0.1,
         "cup": 0.08, "bottle": 0.12, "broom": 0.4, "spade": 0.38, "axe": 0.26, "sword": 0.36, "staff": 0.5, "apple": 0.06, "fiddle": 0.2,
         "balloon": 0.3, "kite": 0.3, "birdcage": 0.2, "crown": 0.12}
"""How far below the hand a held thing's hold is, and how large it is, in shares of a grown person's
height."""


@dataclass(frozen=True)
class Seen:
    """What was drawn of a person: its box (left, top, right, bottom), its joints on the page, and
    which way it looks."""

    box: tuple[float, float, float, float]
    joints: dict[Joint, Point]
    way: int


def draw_person(pen: Pen, figure: Figure, x: float, y: float, height: float, way: int, turn: str, seated: bool = False) -> Seen:
    """Draw a decided `figure` in its pose with its feet at (x, y), `height` being a grown person's.

    `way` is 1 when it looks right, -1 left; `turn` is front, three-quarter or side. `seated` hides
    the legs, as in a boat.
    """
    return draw_posed(pen, figure, standing_at(figure, height, x, y, way, seated), turn, seated)


def draw_posed(pen: Pen, figure: Figure, at: Posed, turn: str, seated: bool = False) -> Seen:
    """Draw a decided figure whose joints are known."""
    b = at.body
    pen.scale = max(0.4, min(3.2, b.total / 620))
    main = figure.garments[-1][1] or NAMED["teal"]
    over = next((g for g in figure.garments if g[0] in ("coat", "cloak", "jacket", "dress")), figure.garments[-1])
    garment, colour = over[0], over[1] or main
    lower = next((c for k, c in figure.extras if k == "trousers" and c), None) or mix(NAMED["dark grey"], NAMED["brown"], 0.35)
    with pen.marking(""), pen.piece("head"):
        hair_behind(pen, figure, b, at)
    if garment == "cloak":
        with pen.piece("torso"):
            pen.shape([at(-b.shoulders * 1.05, b.shoulder), at(-b.shoulders * 1.9, b.hip * 0.35), at(b.shoulders * 0.9, b.hip * 0.3),
                       at(b.shoulders * 0.9, b.shoulder)], darker(colour, 0.22), spot=True)
    sleeve = colour if garment != "waistcoat" else NAMED["cream"]
    with pen.marking(""):
        _arm(pen, at, figure, darker(sleeve, 0.14), "far")
    if not seated:
        _legs(pen, figure, at, lower)
    with pen.marking(""):
        with pen.piece("torso"):
            _torso(pen, figure, b, at, garment, colour, lower)
            _layer(pen, figure, b, at, garment)
        neck_and_head(pen, figure, b, at, turn)
    if figure.holds:
        hand = at.page(at.joints["near_hand"])
        with pen.marking(""), pen.piece("near_hung" if GRIPS.get(figure.holds, 0.0) > 0 else "near_held"):
            draw_prop(pen, figure.holds, hand[0] + at.way * b.limb * 0.1, hand[1] + GRIPS.get(figure.holds, 0.0) * b.total,
                      b.total * SIZES.get(figure.holds, 0.15), in_hand=True)
    with pen.marking(""):
        _arm(pen, at, figure, sleeve, "near")
    pen.scale = 1.0
    return Seen(_box(b, at, seated), at.on_page(), at.way)


def _box(b: Body, at: Posed, seated: bool) -> tuple[float, float, float, float]:
    wide = b.shoulders * 1.9
    joints = at.on_page()
    top = min(at.head(0, b.total)[1], joints["head"][1] - b.head * 1.06)
    low = at.hips[1] + b.hip * 0.38 if seated else max(joints[n][1] for n in ("near_foot", "far_foot", "hips", "head")) + b.limb * 0.5
    spread = [joints[n][0] for n in ("hips", "neck", "head", "near_foot", "far_foot") if not seated or not n.endswith("foot")]
    half = b.shoulders * 1.45
    left, right = min(at.hips[0] - wide, min(spread) - half), max(at.hips[0] + wide, max(spread) + half)
    return (left, top, right, low)


def _along(a: Point, b: Point, share: float) -> Point:
    return (a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share)


def _oval(centre: Point, long: float, short: float, direction: Point, count: int = 12) -> list[Point]:
    """Points round an ellipse that lies along `direction`."""
    d = math.hypot(*direction) or 1.0
    ux, uy = direction[0] / d, direction[1] / d
    turns = (2 * math.pi * i / count for i in range(count))
    return [(centre[0] + ux * long * math.cos(a) - uy * short * math.sin(a), centre[1] + uy * long * math.cos(a) + ux * short * math.sin(a))
            for a in turns]


def _arm(pen: Pen, at: Posed, figure: Figure, colour: RGB, side: Side) -> None:
    b, skin = at.body, figure.skin or SKIN[0]
    shoulder, elbow, hand = (at.page(at.joints[f"{side}_{n}"]) for n in ("shoulder", "elbow", "hand"))  # type: ignore[index]
    thick = b.limb * (1.0 if figure.age != "child" else 0.92)
    if pen.jointed:
        upper, lower = _ARMS[side]
        with pen.piece(upper):
            pen.limb([shoulder, elbow], thick, colour, spot=False)
        with pen.piece(lower):
            _hand(pen, at, figure, elbow, hand, skin, side)
            pen.limb([elbow, _along(elbow, hand, 0.86)], thick, colour, spot=False)
        return
    _hand(pen, at, figure, elbow, hand, skin, side)
    pen.limb([shoulder, elbow, _along(elbow, hand, 0.86)], thick, colour, spot=False)


def _hand(pen: Pen, at: Posed, figure: Figure, elbow: Point, hand: Point, skin: RGB, side: Side) -> None:
    b = at.body
    along = (hand[0] - elbow[0], hand[1] - elbow[1])
    fist = bool(figure.holds) and side == "near"
    pen.shape(_oval(_along(elbow, hand, 1.02), b.limb * (0.46 if fist else 0.56), b.limb * (0.46 if fist else 0.38), along), skin, lift=0.3)
    d = math.hypot(*along) or 1.0
    aside = (along[1] / d * at.way, -along[0] / d * at.way)
    if pen.look != "shadow-theatre":
        thumb = (hand[0] + aside[0] * b.limb * 0.34 - along[0] / d * b.limb * 0.06, hand[1] + aside[1] * b.limb * 0.34 - along[1] / d * b.limb * 0.06)
        pen.shape(_oval(thumb, b.limb * 0.26, b.limb * 0.13, (along[0] / d + aside[0] * 0.7, along[1] / d + aside[1] * 0.7), 8), skin, lift=0.1)


def _legs(pen: Pen, figure: Figure, at: Posed, colour: RGB) -> None:
    b = at.body
    boots = next((c for k, c in figure.extras if k == "boots" and c), None) or NEUTRAL_DARK
    plain_boots = boots == NEUTRAL_DARK
    for side, k, shade in (("far", -1, 0.18), ("near", 1, 0.0)):
        knee, foot = at.joints[f"{side}_knee"], at.joints[f"{side}_foot"]  # type: ignore[index]
        socket = (k * b.hips * 0.42, -b.hip * 0.02)
        bend = at.page((knee[0] + socket[0] * 0.3, knee[1]))
        if pen.jointed:
            with pen.piece("near_thigh" if k > 0 else "far_thigh"):
                pen.limb([at.page(socket), bend], b.limb * 1.02, darker(colour, shade))
        shin = (foot[0] - knee[0], foot[1] - knee[1])
        d = math.hypot(*shin) or 1.0
        toes = (-shin[1] / d, shin[0] / d)
        sole = (foot[0] + toes[0] * b.limb * 0.32 + shin[0] / d * b.limb * 0.22, foot[1] + toes[1] * b.limb * 0.32 + shin[1] / d * b.limb * 0.22)
        if not pen.jointed:
            with pen.marking("legs" if k > 0 else ""):
                pen.limb([at.page(socket), bend, at.page(foot)], b.limb * 1.02, darker(colour, shade))
        with pen.piece("near_shin" if k > 0 else "far_shin"), pen.marking("feet" if k > 0 and not plain_boots else "", "boots", 44 if plain_boots else None):
            if pen.jointed:
                pen.limb([bend, at.page(foot)], b.limb * 1.02, darker(colour, shade))
            pen.shape(_oval(at.page(sole), b.limb * 0.92, b.limb * 0.36, (at.way * toes[0], -toes[1]), 14),
                      boots if plain_boots else darker(boots, shade), lift=0.3)


def _layer(pen: Pen, figure: Figure, b: Body, at: Posed, garment: str) -> None:
    """What is worn under an open coat or jacket shows in front."""
    inner = next((g for g in figure.garments if g[0] != garment), None)
    if garment not in ("coat", "jacket", "cloak") or inner is None or inner[1] is None:
        return
    w, neck = b.shoulders, b.neck
    low = b.hip * (0.9 if inner[0] in ("dress",) else 1.0)
    pen.shape([at(-w * 0.2, neck), at(b.limb * 0.1, b.shoulder - b.limb * 0.4), at(w * 0.34, neck), at(w * 0.5, low), at(-w * 0.08, low)], inner[1],
              smooth=False, lift=0.2, spot=True)


def _torso(pen: Pen, figure: Figure, b: Body, at: Posed, garment: str, colour: RGB, lower: RGB) -> None:
    w, h = b.shoulders, b.hips
    neck = b.shoulder + b.limb * 0.5
    hem = {"coat": b.hip * 0.42, "dress": b.hip * 0.16, "cloak": b.hip * 0.5, "jacket": b.hip * 0.86, "jumper": b.hip * 0.92,
           "waistcoat": b.hip * 0.90, "dungarees": b.hip * 0.9, "shawl": b.hip * 0.9}.get(garment, b.hip * 0.9)
    flare = {"coat": 1.28, "dress": 1.72, "cloak": 1.3, "jacket": 1.12}.get(garment, 1.02)
    side = [(w * 0.36, neck), (w * 0.98, b.shoulder - b.limb * 0.08), (w * 1.0, b.shoulder - b.limb * 0.9), (h * 0.98, b.hip + (b.shoulder - b.hip) * 0.28),
            (h * (1.02 + (flare - 1) * 0.35), (b.hip + hem) / 2 + (b.hip - hem) * 0.2), (h * flare, hem)]
    points = [at(x, u) for x, u in side] + [at(0, hem - b.limb * 0.16)] + [at(-x, u) for x, u in reversed(side)]
    with pen.marking("top", garment):
        pen.shape(points, colour, spot=True)
    front = darker(colour, 0.22)
    if garment in ("coat", "jacket"):
        pen.line([at(b.limb * 0.1, neck - b.limb * 0.5), at(b.limb * 0.2, b.hip), at(b.limb * 0.25, hem)], 2.4 * pen.scale, front, opacity=0.7)
        for i in range(3):
            u = b.shoulder - (b.shoulder - b.hip) * (0.26 + 0.27 * i)
            pen.disc(*at(b.limb * 0.42, u), b.limb * 0.1, None, lighter(colour, 0.4), lift=0.0, line=False, spot=True)
        pen.shape([at(-w * 0.34, neck), at(w * 0.1, b.shoulder - b.limb * 1.25), at(w * 0.4, neck)], darker(colour, 0.12), smooth=False, lift=0.3, spot=True)
    elif garment == "waistcoat":
        pen.shape([at(-w * 0.26, neck), at(b.limb * 0.1, b.shoulder - b.limb * 1.9), at(w * 0.3, neck)], NAMED["cream"], smooth=False, lift=0.2)
    elif garment == "dress":
        waist = b.hip + (b.shoulder - b.hip) * 0.22
        pen.line([at(-h * 0.96, waist), at(0, waist - b.limb * 0.2), at(h * 0.96, waist)], 5 * pen.scale, front, opacity=0.8)
        for k in (-0.45, 0.1, 0.55):
            pen.line([at(h * k * 0.7, waist - b.limb * 0.7), at(h * k * 1.35, hem + b.limb * 0.5)], 2 * pen.scale, front, opacity=0.45)
    elif garment == "jumper":
        for i in (1, 2, 3):
            u = b.shoulder - (b.shoulder - b.hip) * (0.22 * i)
            pen.line([at(-w * 0.8, u), at(0, u - b.limb * 0.12), at(w * 0.8, u)], 2 * pen.scale, lighter(colour, 0.3), opacity=0.4)
    elif garment == "dungarees":
        pen.shape([at(-w * 0.5, b.shoulder - b.limb), at(w * 0.5, b.shoulder - b.limb), at(w * 0.62, b.hip), at(-w * 0.62, b.hip)], darker(lower, 0.1), smooth=False, lift=0.4, spot=True)
    elif garment == "shawl":
        pen.shape([at(-w * 1.06, b.shoulder), at(0, neck), at(w * 1.06, b.shoulder), at(w * 0.7, b.hip + b.limb), at(0, b.hip + b.limb * 0.4), at(-w * 0.8, b.hip + b.limb)], lighter(colour, 0.1), spot=True)
    for kind, shade in figure.extras:
        if kind == "apron":
            with pen.marking("front", "apron"):
                pen.shape([at(-w * 0.46, b.shoulder - b.limb * 1.1), at(w * 0.5, b.shoulder - b.limb * 1.1), at(h * 0.9, hem + b.limb * 0.5), at(-h * 0.8, hem + b.limb * 0.5)], shade or NAMED["cream"], smooth=False, lift=0.4, spot=True)
