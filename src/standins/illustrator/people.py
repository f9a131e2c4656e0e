"""People: a body of proportions by age and build, dressed and combed as described, in a pose, with a face."""

import math
import random
from collections.abc import Callable
from dataclasses import dataclass

from .colour import NAMED, RGB, darker, lighter, mix
from .pen import INK, Pen, Point, ring
from .props import draw_prop
from .reading import Figure

NEUTRAL_LIGHT: RGB = (236, 236, 236)
NEUTRAL_DARK: RGB = (44, 44, 44)
"""Collars, eyes and boots are neutral unless asked otherwise, so that a picture shows its own light."""
_HAIRS = ("black", "dark brown", "chestnut", "rust", "ochre", "grey")
_CLOTHES = ("teal", "brick red", "mustard", "moss green", "navy", "plum", "rust", "grey blue")
_SKIN: tuple[RGB, ...] = ((240, 208, 182), (228, 186, 152), (206, 156, 116), (158, 110, 80), (112, 78, 58))


@dataclass
class Body:
    """Measures of a body in page units; y runs down, feet at 0."""

    total: float
    head: float
    shoulder: float
    shoulders: float
    hip: float
    hips: float
    limb: float


def body_of(figure: Figure, height: float) -> Body:
    """`height` is a grown person's, in page units."""
    k = height / 1000
    if figure.age == "child":
        b = Body(690 * k, 92 * k, 470 * k, 74 * k, 280 * k, 64 * k, 40 * k)
    elif figure.age == "old":
        b = Body(935 * k, 90 * k, 715 * k, 104 * k, 425 * k, 92 * k, 50 * k)
    else:
        b = Body(1000 * k, 90 * k, 775 * k, 102 * k, 455 * k, 86 * k, 50 * k)
    wide = {"stout": 1.28, "slim": 0.86}.get(figure.build or "", 1.0)
    if figure.pronoun == "she" and figure.age != "child":
        b.shoulders *= 0.9
    b.shoulders, b.hips, b.limb = b.shoulders * wide, b.hips * wide, b.limb * (0.6 + 0.4 * wide)
    return b


def decide(figure: Figure, rng: random.Random) -> Figure:
    """Let the seed decide what the prompt left open."""
    figure.pronoun = figure.pronoun or rng.choice(["she", "he"])
    figure.age = figure.age or "adult"
    figure.build = figure.build or rng.choice(["slim", "", "", "stout"])
    figure.skin = figure.skin or rng.choice(_SKIN)
    figure.hair = figure.hair or (NAMED["silver"] if figure.age == "old" else NAMED[rng.choice(_HAIRS)])
    styles = ["long", "bun", "tied", "braid", "bob"] if figure.pronoun == "she" else ["short", "curly", "cropped", "short"]
    figure.hair_style = figure.hair_style or rng.choice(styles)
    colour = NAMED[rng.choice(_CLOTHES)]
    if not figure.garments:
        kinds = ["dress", "coat", "jacket"] if figure.pronoun == "she" else ["coat", "jumper", "jacket", "waistcoat"]
        figure.garments = [(rng.choice(kinds), colour)]
    figure.garments = [(kind, shade or colour) for kind, shade in figure.garments]
    figure.extras = [(kind, shade or NAMED[rng.choice(_CLOTHES)]) for kind, shade in figure.extras]
    if figure.hat:
        figure.hat = (figure.hat[0], figure.hat[1] or NAMED[rng.choice(("dark brown", "navy", "black", "rust"))])
    figure.expression = figure.expression or "calm"
    return figure


class _Poser:
    """Places points of one figure: x forward (the way it looks), y up from the feet, in page units."""

    def __init__(self, x: float, y: float, way: int) -> None:
        self.x, self.y, self.way = x, y, way

    def __call__(self, x: float, up: float) -> Point:
        return (self.x + self.way * x, self.y - up)


def draw_person(pen: Pen, figure: Figure, x: float, y: float, height: float, way: int, turn: str, seated: bool = False,
                ) -> tuple[float, float, float, float]:
    """Draw a decided `figure` with its feet at (x, y). Returns its region (left, top, right, bottom) in page units.

    `way` is 1 when it looks right, -1 left; `turn` is front, three-quarter or side. `seated` hides the legs, as in a boat.
    """
    b = body_of(figure, height)
    at = _Poser(x, y, way)
    pen.scale = max(0.4, min(3.2, height / 620))
    main = figure.garments[-1][1] or NAMED["teal"]
    over = next((g for g in figure.garments if g[0] in ("coat", "cloak", "jacket", "dress")), figure.garments[-1])
    garment, colour = over[0], over[1] or main
    lower = next((c for k, c in figure.extras if k == "trousers" and c), None) or mix(NAMED["dark grey"], NAMED["brown"], 0.35)
    if seated:
        drop = b.hip * 0.62
        at = _Poser(x, y + drop, way)
    with pen.marking(""):
        _hair_back(pen, figure, b, at)
    if garment == "cloak":
        pen.shape([at(-b.shoulders * 1.05, b.shoulder), at(-b.shoulders * 1.9, b.hip * 0.35), at(b.shoulders * 0.9, b.hip * 0.3),
                   at(b.shoulders * 0.9, b.shoulder)], darker(colour, 0.22), spot=True)
    hands = _hands(figure.pose, b)
    sleeve = colour if garment != "waistcoat" else NAMED["cream"]
    with pen.marking(""):
        _arm(pen, b, at, figure, darker(sleeve, 0.14), -1, hands[1])
    if not seated:
        _legs(pen, figure, b, at, garment, lower)
    with pen.marking(""):
        _torso(pen, figure, b, at, garment, colour, lower)
        _neck_and_head(pen, figure, b, at, turn)
    if figure.holds:
        hand = at(*hands[0])
        with pen.marking(""):
            draw_prop(pen, figure.holds, hand[0] + way * b.limb * 0.1, hand[1] + _grip(figure.holds) * height, height * _size(figure.holds), in_hand=True)
    with pen.marking(""):
        _arm(pen, b, at, figure, sleeve, 1, hands[0])
    pen.scale = 1.0
    wide = b.shoulders * 1.9
    top = at(0, b.total)[1]
    return (x - wide, top, x + wide, y)


def _grip(prop: str) -> float:
    return {"lantern": 0.115, "bucket": 0.13, "basket": 0.1, "umbrella": -0.1, "flag": -0.12, "oar": 0.0}.get(prop, 0.0)


def _size(prop: str) -> float:
    return {"lantern": 0.17, "book": 0.13, "letter": 0.13, "rod": 0.5, "umbrella": 0.42, "flag": 0.4, "oar": 0.9,
            "telescope": 0.26, "key": 0.1, "cup": 0.08, "bottle": 0.12}.get(prop, 0.15)


def _hands(pose: str, b: Body) -> tuple[Point, Point]:
    """Where the near and the far hand are, as (forward, up)."""
    s, hip, w = b.shoulder, b.hip, b.shoulders
    reach = s - hip
    rest = (w + reach * 0.04, hip - reach * 0.22)
    return {
        "raise": ((w + reach * 0.52, s + reach * 0.28), (-w - reach * 0.04, hip - reach * 0.2)),
        "point": ((w + reach * 0.72, s - reach * 0.06), (-w - reach * 0.04, hip - reach * 0.2)),
        "hold": ((w * 0.55 + reach * 0.16, hip + reach * 0.34), (w * 0.25, hip + reach * 0.30)),
        "row": ((w + reach * 0.48, hip + reach * 0.36), (w + reach * 0.30, hip + reach * 0.42)),
        "walk": ((w + reach * 0.24, hip + reach * 0.06), (-w - reach * 0.26, hip + reach * 0.10)),
        "shrug": ((w + reach * 0.40, hip + reach * 0.46), (-w - reach * 0.40, hip + reach * 0.46)),
        "climb": ((w + reach * 0.16, s + reach * 0.34), (w * 0.1, s + reach * 0.18)),
        "sit": ((w * 0.4 + reach * 0.2, hip + reach * 0.02), (w * 0.2, hip + reach * 0.04)),
    }.get(pose, (rest, (-rest[0], rest[1])))


def two_bone(a: Point, c: Point, upper: float, fore: float, outward: float) -> Point:
    """The elbow between shoulder `a` and hand `c` (y up): the triangle of the two bones (law of cosines).

    Of the two solutions an elbow takes the lower one; where both are about as low, the one further `outward`.
    """
    dx, dy = c[0] - a[0], c[1] - a[1]
    d = max(1e-6, min(math.hypot(dx, dy), upper + fore - 1e-6))
    along = (upper**2 - fore**2 + d * d) / (2 * d)
    off = math.sqrt(max(0.0, upper**2 - along**2))
    ux, uy = dx / d, dy / d
    both = [(a[0] + ux * along - uy * off * bend, a[1] + uy * along + ux * off * bend) for bend in (1, -1)]
    return min(both, key=lambda p: p[1] - 0.8 * outward * p[0])


def _arm(pen: Pen, b: Body, at: Callable[[float, float], Point], figure: Figure, colour: RGB, side: int, hand: Point) -> None:
    shoulder = (side * b.shoulders * 0.84, b.shoulder - b.limb * 0.55)
    length = (b.shoulder - b.hip) * 0.60
    elbow = two_bone(shoulder, hand, length, length * 0.95, side)
    pen.disc(*at(*hand), b.limb * 0.47, None, figure.skin or _SKIN[0], lift=0.3)
    cuff = (elbow[0] + (hand[0] - elbow[0]) * 0.86, elbow[1] + (hand[1] - elbow[1]) * 0.86)
    pen.limb([at(*shoulder), at(*elbow), at(*cuff)], b.limb * (1.0 if figure.age != "child" else 0.92), colour, spot=False)


def _legs(pen: Pen, figure: Figure, b: Body, at: Callable[[float, float], Point], garment: str, colour: RGB) -> None:
    spread = {"walk": 0.9, "climb": 0.6, "stand": 0.42}.get(figure.pose, 0.42)
    boots = next((c for k, c in figure.extras if k == "boots" and c), None) or NEUTRAL_DARK
    for side, shade in ((-1, 0.18), (1, 0.0)):
        foot = side * b.hips * spread * (1.6 if figure.pose == "walk" else 1.0)
        lift = b.hip * 0.28 if figure.pose == "climb" and side > 0 else 0.0
        knee = (side * b.hips * 0.5 + b.limb * (0.35 if figure.pose in ("walk", "climb") else 0.05), b.hip * 0.52 + lift * 0.6)
        with pen.marking("legs" if side > 0 else ""):
            pen.limb([at(side * b.hips * 0.42, b.hip * 0.98), at(*knee), at(foot, b.limb * 0.5 + lift)], b.limb * 1.02, darker(colour, shade))
        base = at(foot + b.limb * 0.32, b.limb * 0.28 + lift)
        plain_boots = boots == NEUTRAL_DARK
        with pen.marking("feet" if side > 0 and not plain_boots else "", "boots", 44 if plain_boots else None):
            pen.disc(base[0], base[1], b.limb * 0.92, b.limb * 0.36, boots if plain_boots else darker(boots, shade), lift=0.3)


def _torso(pen: Pen, figure: Figure, b: Body, at: Callable[[float, float], Point], garment: str, colour: RGB, lower: RGB) -> None:
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


def _neck_and_head(pen: Pen, figure: Figure, b: Body, at: Callable[[float, float], Point], turn: str) -> None:
    skin = figure.skin or _SKIN[0]
    r = b.head
    cy = b.total - r * 1.06
    lean = {"front": 0.0, "three-quarter": r * 0.12}.get(turn, r * 0.16)
    pen.limb([at(0, b.shoulder), at(lean * 0.5, cy - r * 0.5)], b.limb * 0.86, darker(skin, 0.12), lift=0.2)
    u, w = b.shoulder, b.shoulders
    with pen.marking("", grey=236):
        pen.shape([at(-w * 0.42, u + b.limb * 0.34), at(-w * 0.32, u + b.limb * 0.68), at(w * 0.06, u + b.limb * 0.14), at(w * 0.38, u + b.limb * 0.68),
                   at(w * 0.46, u + b.limb * 0.34), at(w * 0.08, u - b.limb * 0.48)], NEUTRAL_LIGHT, smooth=False, lift=0.2)
    scarf = next((c for k, c in figure.extras if k == "scarf"), None)
    if scarf:
        u = b.shoulder + b.limb * 0.32
        with pen.marking("neck", "scarf"):
            pen.shape([at(-r * 0.78, u + r * 0.08), at(0, u + r * 0.3), at(r * 0.84, u + r * 0.1), at(r * 0.72, u - r * 0.34), at(0, u - r * 0.44), at(-r * 0.7, u - r * 0.3)], scarf, lift=0.5, spot=True)
        pen.shape([at(r * 0.3, u - r * 0.25), at(r * 0.72, u - r * 0.2), at(r * 0.86, u - r * 1.6), at(r * 0.36, u - r * 1.7)], darker(scarf, 0.1), lift=0.5, spot=True)
    head = [at(lean + r * math.cos(a) * (0.93 if math.sin(a) < 0.2 else 0.96), cy + r * 1.04 * math.sin(a) * (1.0 if math.sin(a) > 0 else 1.06))
            for a in (2 * math.pi * i / 18 for i in range(18))]
    ear = at(lean - r * 0.92, cy - r * 0.06)
    pen.disc(ear[0], ear[1], r * 0.17, r * 0.23, darker(skin, 0.08), lift=0.0)
    with pen.marking("skin"):
        pen.shape(head, skin, lift=0.7)
    if pen.look == "shadow-theatre":
        nose = [at(lean + r * 0.86, cy + r * 0.1), at(lean + r * 1.16, cy - r * 0.18), at(lean + r * 0.82, cy - r * 0.3)]
        pen.shape(nose, skin, smooth=False)
        pen.disc(*at(lean + r * 0.5, cy + r * 0.08), r * 0.07, None, pen.glow, plain=True, line=False)
    else:
        if turn == "side":
            pen.shape([at(lean + r * 0.84, cy + r * 0.12), at(lean + r * 1.14, cy - r * 0.2), at(lean + r * 0.8, cy - r * 0.3)], skin, smooth=False, lift=0.0)
        aside = {"front": 0.0, "three-quarter": r * 0.3}.get(turn, r * 0.5)
        _face(pen, figure, r, lambda fx, fu: at(lean + aside + fx * r, cy + fu * r), turn, skin)
    _hair_front(pen, figure, r, lambda fx, fu: at(lean + fx * r, cy + fu * r), turn == "front")
    if figure.hat:
        _hat(pen, figure.hat[0], figure.hat[1] or NAMED["navy"], r, lambda fx, fu: at(lean + fx * r, cy + fu * r))


def _face(pen: Pen, figure: Figure, r: float, at: Callable[[float, float], Point], turn: str, skin: RGB) -> None:
    mood, facing = figure.expression, turn == "front"
    dark: RGB = (40, 30, 30)
    near, far = {"front": (0.34, -0.34), "three-quarter": (0.30, -0.28)}.get(turn, (0.16, 0.16))
    sides = ((1, near), (-1, far)) if turn != "side" else ((1, near),)
    old = figure.age == "old"
    for side, ex in sides:
        squeeze = 1.0 if facing or side < 0 else 0.86
        cx, cy = at(ex, 0.02)
        if pen.look != "stick-figures" and r > 52:
            pen.disc(cx, cy, r * 0.155 * squeeze, r * (0.10 if mood == "laugh" else 0.15), NEUTRAL_LIGHT, lift=0.0, line=False)
            with pen.marking("", grey=44):
                pen.disc(cx + (0 if facing else r * 0.03), cy, r * 0.085 * squeeze, r * (0.085 if mood == "laugh" else 0.11), NEUTRAL_DARK, lift=0.0, line=False)
            pen.disc(cx + r * 0.03, cy - r * 0.045, r * 0.028, None, (255, 255, 255), lift=0.0, line=False, plain=True)
            pen.line([at(ex - 0.17, 0.10), at(ex, 0.18), at(ex + 0.17, 0.10)], r * 0.035, dark, opacity=0.85)
        else:
            pen.shape(ring(cx, cy, r * 0.085 * squeeze, r * 0.12), dark, lift=0.0, line=False, plain=True, spot=True)
        tilt = {"worry": 0.12, "sad": 0.13, "frown": -0.14}.get(mood or "", 0.0)
        raise_by = 0.10 if mood in ("open", "laugh") else 0.0
        inner, outer = (ex - 0.17 * side, 0.30 + tilt + raise_by), (ex + 0.2 * side, 0.30 - tilt * 0.6 + raise_by)
        pen.line([at(*inner), at((inner[0] + outer[0]) / 2, max(inner[1], outer[1]) + 0.035), at(*outer)], r * 0.06,
                 mix(figure.hair or dark, dark, 0.35), opacity=0.9)
        if old:
            pen.line([at(ex + side * 0.2, -0.1), at(ex + side * 0.05, -0.17)], r * 0.022, darker(skin, 0.35), opacity=0.6)
    if turn != "side":
        pen.line([at(0.02, 0.0), at(0.13 if not facing else 0.07, -0.18), at(-0.02, -0.2)], r * 0.045, darker(skin, 0.3), opacity=0.85)
    if pen.look == "cut-paper" or figure.age == "child":
        for ex in (near + 0.12, far - 0.12)[: len(sides)]:
            pen.disc(*at(ex, -0.22), r * 0.15, r * 0.11, mix(skin, (220, 96, 84), 0.5), lift=0.0, line=False, opacity=0.45)
    if any(k == "freckles" for k, _ in figure.extras):
        for i in range(6):
            pen.disc(*at((near if i % 2 else far) + (i - 3) * 0.05, -0.16 - (i % 3) * 0.05), r * 0.022, None, darker(skin, 0.35), lift=0.0, line=False)
    mouth = {"smile": [(-0.24, -0.40), (0.02, -0.53), (0.28, -0.38)], "worry": [(-0.18, -0.50), (0.02, -0.44), (0.22, -0.51)],
             "sad": [(-0.2, -0.53), (0.02, -0.43), (0.24, -0.53)], "frown": [(-0.2, -0.50), (0.02, -0.46), (0.24, -0.50)]}.get(
        mood or "", [(-0.16, -0.46), (0.03, -0.49), (0.22, -0.45)])
    if mood in ("laugh", "open"):
        wide, deep = (0.25, 0.17) if mood == "laugh" else (0.13, 0.17)
        pen.shape([at(0.02 - wide, -0.40), at(0.02 + wide, -0.38), at(0.02 + wide * 0.7, -0.40 - deep), at(0.02 - wide * 0.6, -0.41 - deep)],
                  (110, 40, 40), lift=0.0, line=False, plain=True, spot=True)
    else:
        pen.line([at(*p) for p in mouth], r * 0.05, mix((120, 50, 46), dark, 0.3), opacity=0.95)
    if any(k == "glasses" for k, _ in figure.extras):
        for ex in (near, far)[: len(sides)]:
            pen.line([*(p for p in ring(*at(ex, 0.02), r * 0.22, None, 12)), at(ex + 0.22, 0.02)], r * 0.035, INK)
        pen.line([at(far + 0.22, 0.03), at(near - 0.22, 0.03)], r * 0.035, INK)
    if figure.beard:
        pen.shape([at(-0.72, -0.22), at(-0.3, -0.34), at(0.02, -0.32), at(0.34, -0.32), at(0.62, -0.2), at(0.5, -0.86), at(0.04, -1.12), at(-0.44, -0.9)],
                  figure.hair or NAMED["grey"], lift=0.4, spot=True)
        pen.line([at(-0.14, -0.5), at(0.03, -0.53), at(0.2, -0.49)], r * 0.05, (120, 50, 46))


def _hair_colour(figure: Figure) -> RGB:
    return NAMED["cream"] if figure.hair_style in ("powdered", "wig") else figure.hair or NAMED["brown"]


def _hair_back(pen: Pen, figure: Figure, b: Body, at: Callable[[float, float], Point]) -> None:
    r, cy = b.head, b.total - b.head * 1.06
    colour = darker(_hair_colour(figure), 0.14)
    style = figure.hair_style
    if style in ("long", "wavy", "wild", "shaggy", "bob"):
        low = cy - r * (1.15 if style == "bob" else 2.05)
        wide = 1.18 if style != "wild" else 1.4
        pen.shape([at(-r * wide, cy + r * 0.2), at(-r * 0.6, cy + r * 1.1), at(r * 0.6, cy + r * 1.1), at(r * wide * 0.92, cy),
                   at(r * 0.98, low + r * 0.1), at(0, low - r * 0.1), at(-r * 1.16, low)], colour, spot=True)
    elif style in ("tied", "ponytail", "powdered", "wig"):
        pen.shape([at(-r * 0.7, cy + r * 0.5), at(-r * 1.5, cy + r * 0.25), at(-r * 1.62, cy - r * 1.1), at(-r * 1.25, cy - r * 1.5), at(-r * 1.05, cy - r * 0.5)], colour, spot=True)
    elif style == "bun":
        p = at(-r * 0.72, cy + r * 0.86)
        pen.disc(p[0], p[1], r * 0.42, None, colour, spot=True)


def _hair_front(pen: Pen, figure: Figure, r: float, at: Callable[[float, float], Point], facing: bool) -> None:
    colour = _hair_colour(figure)
    style = figure.hair_style
    if style == "bald":
        with pen.marking("hair", "bald"):
            pen.shape([at(-1.0, 0.1), at(-0.9, 0.42), at(-0.78, 0.1), at(-0.84, -0.24)], colour, lift=0.2, spot=True)
        return
    fringe = 0.42 if style in ("cropped", "short") else 0.34
    part = 0.16 if facing else 0.42
    cap = [(-1.02, -0.16), (-1.06, 0.42), (-0.72, 0.95), (0.0, 1.2), (0.66, 1.0), (0.98, 0.5), (0.94, 0.16),
           (0.74, fringe + 0.16), (part, fringe + 0.22), (-0.3, fringe + 0.08), (-0.72, 0.2), (-0.84, -0.1)]
    with pen.marking("hair", style or ""):
        pen.shape([at(x, u) for x, u in cap], colour, lift=0.5, spot=True)
    pen.line([at(part, fringe + 0.26), at(0.1, 0.9), at(-0.3, 1.04)], r * 0.03, darker(colour, 0.3), opacity=0.5)
    pen.line([at(-0.86, 0.3), at(-0.62, 0.8), at(-0.2, 1.02)], r * 0.03, lighter(colour, 0.3), opacity=0.5)
    if style == "curly":
        for i in range(9):
            a = math.pi * (0.02 + 0.96 * i / 8)
            pen.disc(*at(math.cos(a) * 0.98, 0.3 + math.sin(a) * 0.86), r * 0.25, None, colour if i % 2 else lighter(colour, 0.08), lift=0.3, spot=True)
    elif style in ("braid", "plait"):
        for i in range(6):
            pen.disc(*at(-0.86 + i * 0.05, -0.3 - i * 0.34), r * (0.24 - i * 0.018), r * 0.22, colour if i % 2 else darker(colour, 0.1), lift=0.3, spot=True)
    elif style == "bun":
        pen.line([at(-0.6, 0.9), at(-0.84, 0.7)], r * 0.06, darker(colour, 0.3), opacity=0.6)


def _hat(pen: Pen, kind: str, colour: RGB, r: float, at: Callable[[float, float], Point]) -> None:
    if kind in ("hood", "headscarf", "bonnet"):
        with pen.marking("hat", kind):
            pen.shape([at(-1.2, -0.6), at(-1.22, 0.5), at(-0.7, 1.2), at(0.1, 1.36), at(0.8, 1.08), at(1.0, 0.5), at(0.7, 0.66), at(0.1, 0.86), at(-0.6, 0.6), at(-0.86, -0.1), at(-0.8, -0.7)], colour, spot=True)
    elif kind == "crown":
        with pen.marking("hat", kind):
            pen.shape([at(-0.7, 0.74), at(-0.8, 1.5), at(-0.36, 1.12), at(0, 1.6), at(0.36, 1.12), at(0.8, 1.5), at(0.7, 0.74)], NAMED["gold"], smooth=False, spot=True)
    elif kind == "tricorne":
        with pen.marking("hat", kind):
            pen.shape([at(-1.5, 0.78), at(-0.7, 1.5), at(0.3, 1.58), at(1.5, 0.86), at(0.5, 0.72), at(-0.5, 0.66)], colour, spot=True)
        pen.line([at(-1.3, 0.84), at(0, 0.8), at(1.3, 0.9)], r * 0.06, NAMED["gold"], opacity=0.8)
    elif kind in ("cap", "beret"):
        with pen.marking("hat", kind):
            pen.shape([at(-1.04, 0.56), at(-0.84, 1.2), at(0.1, 1.42), at(0.9, 1.08), at(1.02, 0.62), at(0, 0.7)], colour, spot=True)
        if kind == "cap":
            pen.shape([at(0.3, 0.6), at(1.0, 0.66), at(1.5, 0.48), at(1.0, 0.44)], darker(colour, 0.2), lift=0.4, spot=True)
    else:
        pen.shape([at(-1.6, 0.6), at(0, 0.82), at(1.6, 0.62), at(0.8, 0.42), at(-0.8, 0.42)], darker(colour, 0.1), spot=True)
        with pen.marking("hat", kind):
            pen.shape([at(-0.82, 0.64), at(-0.74, 1.5), at(0, 1.66), at(0.74, 1.5), at(0.82, 0.66), at(0, 0.74)], colour, spot=True)
