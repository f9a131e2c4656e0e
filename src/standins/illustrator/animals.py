"""Animals: four-legged ones from one plan with different measures, birds from another, and a fish."""

from collections.abc import Callable
from dataclasses import dataclass

from .colour import NAMED, RGB, darker, lighter
from .pen import Pen, Point


@dataclass(frozen=True)
class _Beast:
    """Measures as shares of a grown person's height."""

    height: float
    length: float
    leg: float
    body: float
    neck: float
    head: float
    snout: float
    ears: str
    tail: str
    colour: RGB
    marks: RGB | None = None


_BEASTS = {
    "cat": _Beast(0.16, 0.24, 0.09, 0.075, 0.04, 0.062, 0.3, "point", "up", (120, 100, 84)),
    "dog": _Beast(0.30, 0.36, 0.17, 0.105, 0.10, 0.085, 0.8, "flop", "up", (164, 116, 70), (232, 214, 184)),
    "fox": _Beast(0.24, 0.34, 0.13, 0.085, 0.07, 0.075, 0.9, "point", "brush", (200, 104, 46), (240, 228, 206)),
    "wolf": _Beast(0.34, 0.44, 0.20, 0.11, 0.10, 0.09, 0.9, "point", "brush", (112, 114, 120)),
    "rabbit": _Beast(0.13, 0.16, 0.04, 0.07, 0.02, 0.052, 0.35, "long", "puff", (168, 146, 120)),
    "mouse": _Beast(0.07, 0.10, 0.015, 0.038, 0.01, 0.032, 0.6, "round", "thin", (140, 128, 122)),
    "horse": _Beast(0.92, 0.86, 0.50, 0.20, 0.34, 0.135, 1.15, "point", "hair", (118, 76, 48)),
    "donkey": _Beast(0.68, 0.66, 0.36, 0.16, 0.24, 0.12, 1.0, "long", "hair", (132, 124, 118), (222, 214, 200)),
    "cow": _Beast(0.76, 0.92, 0.38, 0.24, 0.14, 0.13, 0.9, "flop", "hair", (206, 190, 170), (98, 62, 44)),
    "sheep": _Beast(0.42, 0.46, 0.18, 0.16, 0.08, 0.078, 0.7, "flop", "puff", (236, 226, 204)),
    "goat": _Beast(0.44, 0.46, 0.24, 0.12, 0.14, 0.078, 0.9, "flop", "up", (206, 196, 180)),
    "deer": _Beast(0.72, 0.62, 0.42, 0.14, 0.28, 0.092, 0.9, "point", "puff", (160, 108, 64)),
    "bear": _Beast(0.62, 0.72, 0.26, 0.24, 0.08, 0.14, 0.6, "round", "puff", (96, 66, 48)),
}


def draw_animal(pen: Pen, kind: str, colour: RGB | None, x: float, y: float, person: float, way: int) -> tuple[float, float, float, float]:
    """Draw an animal with its feet at (x, y), scaled for a grown person of height `person`. Returns its region."""
    pen.scale = max(0.5, min(3.0, person / 620))
    try:
        if kind in _BEASTS:
            return _beast(pen, _BEASTS[kind], colour or _BEASTS[kind].colour, x, y, person, way)
        if kind == "fish":
            return _fish(pen, colour or NAMED["grey blue"], x, y, person, way)
        return _bird(pen, kind, colour, x, y, person, way)
    finally:
        pen.scale = 1.0


def _beast(pen: Pen, b: _Beast, colour: RGB, x: float, y: float, p: float, way: int) -> tuple[float, float, float, float]:
    def at(fx: float, up: float) -> Point:
        return (x + way * fx * p, y - up * p)
    half, leg, body = b.length / 2, b.leg, b.body
    mid = leg + body * 0.9
    thick = max(0.016, body * 0.34) * p
    far = darker(colour, 0.22)
    for fx in (-half * 0.62, half * 0.58):
        pen.limb([at(fx, mid), at(fx - 0.01, leg * 0.5), at(fx + 0.012, 0.01)], thick, far)
    _tail(pen, b, at, mid, half, colour, thick)
    with pen.marking("body"):
        pen.shape([at(-half, mid + body * 0.1), at(-half * 0.6, mid + body * 0.92), at(0, mid + body * 0.78), at(half * 0.7, mid + body * 0.95), at(half * 1.02, mid + body * 0.2),
                   at(half * 0.6, mid - body * 0.72), at(0, mid - body * 0.9), at(-half * 0.7, mid - body * 0.72)], colour, spot=True)
    if b.marks and b.tail != "brush":
        pen.shape([at(-half * 0.4, mid + body * 0.6), at(half * 0.1, mid + body * 0.66), at(half * 0.05, mid), at(-half * 0.4, mid - body * 0.1)], b.marks, lift=0.0, line=False, spot=True)
    for fx in (-half * 0.76, half * 0.74):
        pen.limb([at(fx, mid - body * 0.2), at(fx + 0.012, leg * 0.5), at(fx, 0.012)], thick * 1.08, colour)
    hx, hy = half * 0.92 + b.neck * 0.5, mid + body * 0.5 + b.neck * 0.92
    pen.limb([at(half * 0.72, mid + body * 0.3), at((half * 0.72 + hx) / 2 + 0.01, (mid + body * 0.3 + hy) / 2 + 0.02), at(hx, hy)], max(thick * 1.7, b.head * 0.9 * p), colour)
    h = b.head
    if b.ears == "long":
        for k in (-0.4, 0.3):
            pen.limb([at(hx + h * k * 0.6, hy + h * 0.5), at(hx + h * (k - 0.4), hy + h * 2.2)], h * 0.42 * p, darker(colour, 0.08))
    pen.shape([at(hx - h * 0.9, hy + h * 0.2), at(hx - h * 0.3, hy + h * 0.86), at(hx + h * 0.5, hy + h * 0.62), at(hx + h * (0.8 + b.snout), hy - h * 0.1), at(hx + h * (0.7 + b.snout), hy - h * 0.52), at(hx, hy - h * 0.76), at(hx - h * 0.74, hy - h * 0.4)], colour, lift=0.6, spot=True)
    if b.marks and b.tail == "brush":
        pen.shape([at(hx + h * 0.2, hy - h * 0.1), at(hx + h * (0.7 + b.snout), hy - h * 0.2), at(hx + h * (0.6 + b.snout), hy - h * 0.5), at(hx, hy - h * 0.7)], b.marks, lift=0.0, line=False, spot=True)
    if b.ears == "point":
        for k in (-0.55, 0.1):
            pen.shape([at(hx + h * (k - 0.25), hy + h * 0.5), at(hx + h * k, hy + h * 1.36), at(hx + h * (k + 0.34), hy + h * 0.56)], darker(colour, 0.1), smooth=False, lift=0.3, spot=True)
    elif b.ears == "flop":
        pen.shape([at(hx - h * 0.5, hy + h * 0.6), at(hx - h * 0.95, hy + h * 0.1), at(hx - h * 0.7, hy - h * 0.4), at(hx - h * 0.3, hy + h * 0.2)], darker(colour, 0.24), lift=0.3, spot=True)
    elif b.ears == "round":
        for k in (-0.6, 0.2):
            pen.disc(*at(hx + h * k, hy + h * 0.8), h * 0.36 * p, None, darker(colour, 0.12), lift=0.3, spot=True)
    eye = at(hx + h * 0.3, hy + h * 0.2)
    pen.disc(eye[0], eye[1], h * 0.11 * p, None, (32, 26, 26), lift=0.0, line=False, plain=pen.look != "shadow-theatre", spot=True)
    nose = at(hx + h * (0.76 + b.snout), hy - h * 0.18)
    pen.disc(nose[0], nose[1], h * 0.13 * p, None, (40, 32, 32), lift=0.0, line=False, spot=True)
    left, right = sorted((at(-half * 1.3, 0)[0], at(hx + h * 1.6, 0)[0]))
    return (left, at(0, hy + h * 1.4)[1], right, y)


def _tail(pen: Pen, b: _Beast, put: Callable[[float, float], Point], mid: float, half: float, colour: RGB, thick: float) -> None:
    if b.tail == "up":
        pen.limb([put(-half * 0.9, mid), put(-half * 1.3, mid + b.body * 1.1), put(-half * 1.16, mid + b.body * 2.4)], thick * 0.8, colour)
    elif b.tail == "brush":
        pen.shape([put(-half * 0.85, mid + b.body * 0.3), put(-half * 1.4, mid + b.body * 0.5), put(-half * 1.95, mid - b.body * 0.2), put(-half * 1.8, mid - b.body * 0.9), put(-half * 1.2, mid - b.body * 0.6)], colour, lift=0.4, spot=True)
        if b.marks:
            pen.disc(*put(-half * 1.78, mid - b.body * 0.45), thick * 0.8, None, b.marks, lift=0.0, line=False)
    elif b.tail == "hair":
        pen.limb([put(-half * 0.95, mid + b.body * 0.5), put(-half * 1.14, mid), put(-half * 1.1, mid - b.leg * 0.5)], thick * 0.9, darker(colour, 0.35))
    elif b.tail == "puff":
        pen.disc(*put(-half * 1.0, mid + b.body * 0.4), thick * 1.0, None, lighter(colour, 0.3), lift=0.3)
    else:
        pen.line([put(-half * 0.9, mid), put(-half * 1.6, mid - b.body * 0.3), put(-half * 2.1, mid + b.body * 0.2)], thick * 0.3, darker(colour, 0.2))


_BIRDS: dict[str, tuple[float, float, float, float, RGB]] = {
    # body length, leg, neck, beak (shares of a person's height), colour
    "heron": (0.30, 0.27, 0.30, 0.15, (150, 162, 176)),
    "crow": (0.16, 0.06, 0.03, 0.06, (46, 44, 52)),
    "gull": (0.17, 0.05, 0.03, 0.05, (236, 234, 228)),
    "owl": (0.15, 0.02, 0.0, 0.02, (142, 110, 78)),
    "duck": (0.20, 0.04, 0.07, 0.06, (214, 204, 186)),
}


def _bird(pen: Pen, kind: str, given: RGB | None, x: float, y: float, p: float, way: int) -> tuple[float, float, float, float]:
    length, leg, neck, beak, own = _BIRDS[kind]
    colour = given or own

    def at(fx: float, up: float) -> Point:
        return (x + way * fx * p, y - up * p)
    half = length / 2
    mid = leg + length * 0.34
    for fx in (-0.02, 0.03):
        pen.line([at(fx, mid - length * 0.2), at(fx + 0.008, leg * 0.5), at(fx, 0.0), at(fx + 0.04, 0.0)], max(1.6, 0.012 * p), (150, 122, 74) if kind != "crow" else (40, 38, 40), smooth=False)
    if kind == "owl":
        with pen.marking("body"):
            pen.shape([at(-half * 0.7, leg), at(-half * 0.86, mid + 0.04), at(-half * 0.5, mid + 0.12), at(half * 0.5, mid + 0.12), at(half * 0.86, mid + 0.04), at(half * 0.7, leg)], colour, spot=True)
        for k in (-0.4, 0.4):
            pen.disc(*at(half * k, mid + 0.07), 0.03 * p, None, (248, 236, 200), lift=0.2, plain=True)
            pen.disc(*at(half * k, mid + 0.07), 0.013 * p, None, (30, 26, 26), lift=0.0, plain=True, spot=True)
        pen.shape([at(-0.01, mid + 0.055), at(0.01, mid + 0.055), at(0, mid + 0.025)], NAMED["mustard"], smooth=False, lift=0.0, spot=True)
        return (x - half * p, at(0, mid + 0.14)[1], x + half * p, y)
    hx, hy = half * 0.55 + neck * 0.34, mid + length * 0.18 + neck
    with pen.marking("body"):
        pen.shape([at(-half * 1.5, mid - length * 0.16), at(-half * 0.8, mid + length * 0.16), at(0, mid + length * 0.30), at(half * 0.8, mid + length * 0.24), at(half * 1.0, mid), at(half * 0.5, mid - length * 0.24), at(-half * 0.5, mid - length * 0.2)], colour, spot=True)
    if neck > 0.1:
        pen.limb([at(half * 0.7, mid + length * 0.1), at(half * 1.12, mid + length * 0.3), at(hx - neck * 0.34, mid + length * 0.3 + neck * 0.5), at(hx, hy)], 0.05 * p, lighter(colour, 0.15), spot=True)
    r = 0.042 if neck > 0.1 else length * 0.24
    pen.shape([at(hx + r * 0.5, hy + r * 0.35), at(hx + r + beak, hy - r * 0.1), at(hx + r * 0.5, hy - r * 0.45)], NAMED["mustard"] if kind != "crow" else (54, 50, 52), smooth=False, lift=0.3, spot=True)
    pen.disc(*at(hx, hy), r * p, r * 0.9 * p, lighter(colour, 0.15) if kind == "heron" else colour, lift=0.4, spot=True)
    if kind == "heron":
        pen.line([at(hx + r * 0.3, hy + r * 0.5), at(hx - r, hy + r * 0.5), at(hx - r * 3.2, hy + r * 0.1)], 0.014 * p, (52, 56, 66))
    pen.shape([at(half * 0.6, mid + length * 0.14), at(-half * 0.2, mid + length * 0.16), at(-half * 1.7, mid - length * 0.22), at(-half * 0.3, mid - length * 0.12)], darker(colour, 0.24), lift=0.4, spot=True)
    pen.disc(*at(hx + r * 0.35, hy + r * 0.16), max(1.5, r * 0.2 * p), None, (30, 26, 26), lift=0.0, line=False, plain=pen.look != "shadow-theatre", spot=True)
    left, right = sorted((at(-half * 1.7, 0)[0], at(hx + beak + r, 0)[0]))
    return (left, at(0, hy + r)[1], right, y)


def _fish(pen: Pen, colour: RGB, x: float, y: float, p: float, way: int) -> tuple[float, float, float, float]:
    def at(fx: float, up: float) -> Point:
        return (x + way * fx * p, y - up * p)
    pen.shape([at(-0.16, 0.06), at(-0.26, 0.14), at(-0.24, -0.01)], darker(colour, 0.15), smooth=False, spot=True)
    with pen.marking("body"):
        pen.shape([at(-0.18, 0.06), at(-0.05, 0.13), at(0.12, 0.11), at(0.18, 0.06), at(0.1, 0.0), at(-0.06, 0.0)], colour, spot=True)
    pen.disc(*at(0.12, 0.075), 0.012 * p, None, (30, 26, 26), lift=0.0, plain=True, spot=True)
    for i in range(3):
        a = at(-0.02 + i * 0.04, 0.06)
        pen.line([(a[0], a[1] - 0.03 * p), (a[0] - way * 0.012 * p, a[1]), (a[0], a[1] + 0.03 * p)], 0.007 * p, darker(colour, 0.3))
    return (x - 0.26 * p, y - 0.14 * p, x + 0.2 * p, y)

