"""Four-legged animals, all from one plan with different measures: legs with knees, a neck that
tapers, what each has besides."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from .colour import RGB, darker, lighter
from .pen import Pen, Point

Box = tuple[float, float, float, float]
Put = Callable[[float, float], Point]


@dataclass(frozen=True)
class Beast:
    """Measures as shares of a grown person's height; `has` names what else it has (mane, horns,
    stripes …)."""

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
    has: tuple[str, ...] = ()
    lean: float = 0.55
    """How far the neck leans forward: 0 upright, 1 flat."""

    @property
    def crown(self) -> tuple[float, float]:
        """Where the head is: forward of the middle, and up from the ground."""
        mid = self.leg + self.body
        return (self.length * 0.46 + self.neck * self.lean, mid + self.body * 0.45 + self.neck * (1 - self.lean * 0.5))

    @property
    def tall(self) -> float:
        return self.crown[1] + self.head * 1.25


BEASTS = {
    "cat": Beast(0.24, 0.10, 0.062, 0.05, 0.056, 0.25, "point", "up", (120, 100, 84), (92, 74, 60), ("stripes", "whiskers")),
    "dog": Beast(0.34, 0.17, 0.085, 0.11, 0.078, 0.75, "flop", "up", (164, 116, 70), (232, 214, 184), ("patch", "collar")),
    "fox": Beast(0.34, 0.13, 0.078, 0.08, 0.07, 0.9, "point", "brush", (200, 104, 46), (240, 228, 206), ("bib",)),
    "wolf": Beast(0.44, 0.21, 0.10, 0.11, 0.085, 0.9, "point", "brush", (112, 114, 120), (176, 176, 176), ("bib", "ruff")),
    "rabbit": Beast(0.15, 0.04, 0.058, 0.03, 0.048, 0.35, "long", "puff", (168, 146, 120)),
    "mouse": Beast(0.09, 0.016, 0.034, 0.012, 0.03, 0.6, "round", "thin", (140, 128, 122), None, ("whiskers",)),
    "squirrel": Beast(0.13, 0.05, 0.045, 0.04, 0.042, 0.45, "point", "plume", (168, 88, 44), (236, 214, 184), ("bib",)),
    "hedgehog": Beast(0.15, 0.028, 0.058, 0.01, 0.036, 1.0, "round", "none", (150, 120, 92), (92, 72, 58), ("spines",)),
    "badger": Beast(0.34, 0.08, 0.092, 0.05, 0.07, 0.85, "round", "puff", (104, 104, 104), (236, 234, 228), ("mask",)),
    "otter": Beast(0.36, 0.07, 0.062, 0.07, 0.055, 0.4, "round", "thick", (104, 76, 56), (196, 170, 142), ("bib", "whiskers"), 0.4),
    "beaver": Beast(0.32, 0.05, 0.09, 0.03, 0.065, 0.45, "round", "paddle", (110, 74, 50), None, ("teeth",)),
    "pig": Beast(0.46, 0.12, 0.12, 0.05, 0.09, 0.7, "flop", "curl", (232, 172, 160), None, ("hooves", "snout")),
    "boar": Beast(0.5, 0.16, 0.13, 0.05, 0.10, 0.95, "point", "thin", (92, 74, 64), None, ("hooves", "snout", "tusks", "bristle")),
    "horse": Beast(0.84, 0.50, 0.165, 0.40, 0.11, 1.35, "point", "hair", (122, 78, 48), (46, 34, 28), ("mane", "hooves", "blaze"), 0.52),
    "donkey": Beast(0.66, 0.36, 0.135, 0.26, 0.10, 1.15, "long", "tuft", (132, 124, 118), (222, 214, 200), ("mane", "hooves"), 0.5),
    "zebra": Beast(0.78, 0.44, 0.155, 0.34, 0.105, 1.25, "point", "tuft", (236, 234, 228), (40, 38, 40), ("mane", "hooves", "stripes"), 0.5),
    "cow": Beast(0.92, 0.36, 0.2, 0.18, 0.115, 1.05, "flop", "tuft", (214, 200, 182), (98, 62, 44), ("horns", "hooves", "patch", "bell"), 0.85),
    "ox": Beast(1.0, 0.38, 0.23, 0.18, 0.125, 1.0, "flop", "tuft", (112, 78, 56), (72, 50, 38), ("horns", "hooves"), 0.9),
    "sheep": Beast(0.46, 0.17, 0.12, 0.08, 0.062, 0.8, "flop", "puff", (236, 228, 210), (74, 66, 62), ("fleece", "hooves", "face"), 0.7),
    "ram": Beast(0.48, 0.19, 0.125, 0.09, 0.066, 0.85, "flop", "puff", (226, 214, 190), (84, 70, 60), ("fleece", "hooves", "face", "curls"), 0.7),
    "goat": Beast(0.46, 0.24, 0.10, 0.15, 0.062, 1.0, "flop", "up", (210, 200, 184), (120, 104, 90), ("horns", "hooves", "beard"), 0.5),
    "deer": Beast(0.62, 0.42, 0.12, 0.30, 0.078, 1.05, "point", "puff", (166, 112, 66), (240, 226, 204), ("antlers", "hooves", "spots"), 0.4),
    "moose": Beast(0.86, 0.52, 0.19, 0.2, 0.12, 1.3, "point", "puff", (92, 66, 50), (70, 50, 40), ("palms", "hooves", "dewlap", "ruff"), 0.7),
    "bear": Beast(0.74, 0.24, 0.2, 0.10, 0.12, 0.6, "round", "puff", (98, 68, 48), (150, 116, 86), ("heavy", "muzzle"), 0.8),
    "lion": Beast(0.78, 0.30, 0.155, 0.14, 0.115, 0.55, "round", "tuft", (206, 160, 88), (134, 78, 38), ("great mane", "heavy", "muzzle"), 0.5),
    "tiger": Beast(0.8, 0.28, 0.15, 0.12, 0.105, 0.55, "round", "thick", (222, 136, 60), (48, 36, 32), ("stripes", "heavy", "muzzle", "whiskers"), 0.75),
    "elephant": Beast(1.35, 0.62, 0.36, 0.12, 0.24, 0.3, "fan", "tuft", (142, 140, 144), (232, 226, 210), ("trunk", "ivory", "heavy"), 0.6),
    "camel": Beast(0.95, 0.66, 0.19, 0.46, 0.095, 1.1, "point", "tuft", (200, 160, 106), (160, 120, 74), ("hump", "hooves"), 0.62),
    "giraffe": Beast(0.8, 0.78, 0.19, 1.05, 0.10, 1.2, "point", "tuft", (224, 184, 112), (150, 94, 50), ("patches", "hooves", "knobs", "mane"), 0.22),
}  # fmt: skip


def tapered(points: Sequence[Point], widths: Sequence[float]) -> list[Point]:
    """The outline of a limb along `points` that is as wide at each as `widths` says."""
    left, right = [], []
    for i, (x, y) in enumerate(points):
        ax, ay = points[max(0, i - 1)]
        bx, by = points[min(len(points) - 1, i + 1)]
        d = math.hypot(bx - ax, by - ay) or 1.0
        nx, ny = -(by - ay) / d * widths[i] / 2, (bx - ax) / d * widths[i] / 2
        left.append((x + nx, y + ny))
        right.append((x - nx, y - ny))
    return left + right[::-1]


def draw_beast(pen: Pen, b: Beast, colour: RGB, x: float, y: float, p: float, way: int) -> Box:
    """Draw it with its feet at (x, y), a grown person being `p` high; returns its box."""

    def at(fx: float, up: float) -> Point:
        return (x + way * fx * p, y - up * p)

    half, mid = b.length / 2, b.leg + b.body
    heavy = 1.35 if "heavy" in b.has else 1.0
    far = darker(colour, 0.2)
    _leg(pen, b, at, half * 0.62, mid, far, heavy, p, False)
    _leg(pen, b, at, -half * 0.66, mid, far, heavy, p, True)
    _tail(pen, b, at, mid, half, colour, p)
    if "ivory" in b.has:
        _ear_fan(pen, b, at, darker(colour, 0.16))
    with pen.marking("body"):
        pen.shape(_trunk_of(b, at, half, mid), colour, spot=True)
    _coat(pen, b, at, half, mid, colour, p)
    _leg(pen, b, at, half * 0.76, mid - b.body * 0.1, colour, heavy, p, False)
    _leg(pen, b, at, -half * 0.8, mid - b.body * 0.1, colour, heavy, p, True)
    _head(pen, b, at, half, mid, colour, p)
    hx, _ = b.crown
    left, right = sorted((at(-half * 1.5, 0)[0], at(hx + b.head * (1.2 + b.snout), 0)[0]))
    return (left, at(0, b.tall)[1], right, y)


def _trunk_of(b: Beast, at: Put, half: float, mid: float) -> list[Point]:
    k = b.body
    hump = 1.75 if "hump" in b.has else 0.82
    low = -1.0 if "heavy" in b.has or "fleece" in b.has else -0.8
    outline = [(-1.02, 0.05), (-0.92, 0.72), (-0.5, 0.9), (0.0, hump), (0.5, 0.92), (0.9, 0.86), (1.06, 0.2), (0.86, -0.62), (0.2, low), (-0.4, low * 0.78),
               (-0.86, -0.6)]
    if "fleece" in b.has:
        points = []
        for i in range(18):
            a = 2 * math.pi * i / 18
            r = 1.06 if i % 2 else 0.96
            points.append(at(half * 1.06 * r * math.cos(a), mid + k * 1.12 * r * math.sin(a)))
        return points
    return [at(half * fx, mid + k * u) for fx, u in outline]


def _leg(pen: Pen, b: Beast, at: Put, fx: float, top: float, colour: RGB, heavy: float, p: float, hind: bool) -> None:
    """A leg: a hind one has its hock behind, a front one its knee a little before."""
    w = b.body * heavy
    bend = -0.10 if hind else 0.03
    n = b.leg
    joints = [(fx + (0.05 * n if hind else 0), top), (fx + (0.12 * n if hind else 0.0), n * 0.72), (fx + bend * n, n * 0.42), (fx + bend * n * 0.4, n * 0.14),
              (fx + 0.03 * n, 0.012)]
    widths = [w * 0.86, w * 0.6 if hind else w * 0.46, w * 0.34, w * 0.27, w * 0.32]
    pen.shape(tapered([at(*j) for j in joints], [v * p for v in widths]), colour, lift=0.5, spot=True)
    hoof = at(fx + 0.05 * n + w * 0.04, w * 0.1)
    if "hooves" in b.has:
        pen.disc(*hoof, w * 0.2 * p, w * 0.13 * p, (52, 42, 38), lift=0.2, spot=True)
    else:
        pen.disc(*hoof, w * 0.27 * p, w * 0.13 * p, darker(colour, 0.12), lift=0.2, spot=True)


def _coat(pen: Pen, b: Beast, at: Put, half: float, mid: float, colour: RGB, p: float) -> None:
    k, marks = b.body, b.marks or darker(colour, 0.25)
    if "patch" in b.has:
        pen.shape([at(-half * 0.5, mid + k * 0.75), at(half * 0.1, mid + k * 0.7), at(half * 0.14, mid + k * 0.05), at(-half * 0.3, mid - k * 0.2), at(-half * 0.6, mid + k * 0.2)],
                  marks, lift=0.0, line=False, spot=True)
        pen.disc(*at(half * 0.62, mid + k * 0.1), half * 0.17 * p, k * 0.3 * p, marks, lift=0.0, line=False, spot=True)
    if "spots" in b.has or "patches" in b.has:
        big = 2.0 if "patches" in b.has else 1.0
        for i in range(11):
            fx, u = -0.8 + 0.16 * i, 0.5 - 0.42 * (i % 3)
            pen.disc(*at(half * fx, mid + k * u), half * 0.045 * big * p, k * 0.1 * big * p, marks, lift=0.0, line=False, spot=True)
    if "stripes" in b.has:
        for i in range(7):
            fx = -0.82 + 0.27 * i
            pen.line([at(half * fx, mid + k * 0.82), at(half * (fx + 0.07), mid + k * 0.3), at(half * fx, mid - k * 0.25)], k * 0.13 * p, marks, opacity=0.85)
    if "spines" in b.has:
        for i in range(26):
            a = math.pi * (0.02 + 0.98 * (i % 13) / 12)
            r0, r1 = (0.7, 1.36) if i < 13 else (0.3, 0.95)
            pen.line([at(half * math.cos(a) * r0, mid + k * (math.sin(a) * r0 - 0.15)), at(half * math.cos(a + 0.12) * r1, mid + k * (math.sin(a + 0.12) * r1 * 1.15 - 0.1))],
                     k * 0.1 * p, marks if i % 2 else lighter(marks, 0.25))
    if "bristle" in b.has:
        for i in range(8):
            fx = -0.5 + 0.19 * i
            pen.line([at(half * fx, mid + k * 0.85), at(half * (fx - 0.06), mid + k * 1.2)], k * 0.08 * p, darker(colour, 0.35))


def _head(pen: Pen, b: Beast, at: Put, half: float, mid: float, colour: RGB, p: float) -> None:
    (hx, hy), h, k = b.crown, b.head, b.body
    marks = b.marks or darker(colour, 0.25)
    face = marks if "face" in b.has else colour
    if b.ears == "long":
        for dx in (-0.35, 0.2):
            pen.shape(tapered([at(hx + h * dx, hy + h * 0.5), at(hx + h * (dx - 0.35), hy + h * 1.4), at(hx + h * (dx - 0.75), hy + h * 2.2)], [h * 0.4 * p, h * 0.5 * p, h * 0.14 * p]),
                      darker(face, 0.1), lift=0.3, spot=True)
    root = [at(half * 0.62, mid + k * 0.1), at((half * 0.78 + hx) / 2, (mid + k * 0.55 + hy) / 2 + h * 0.1), at(hx, hy)]
    widths = [k * 1.5 * p, max(h * 1.15, k * 0.8) * p, h * 1.02 * p]
    if "mane" in b.has:
        pen.shape(tapered([at(half * 0.5, mid + k * 0.9), at((half * 0.6 + hx) / 2 - h * 0.3, (mid + k + hy) / 2 + h * 0.4), at(hx - h * 0.5, hy + h * 0.9)],
                          [k * 0.5 * p, k * 0.75 * p, h * 0.5 * p]), darker(marks, 0.1), lift=0.2, spot=True)
    if "great mane" in b.has:
        pen.shape([at(hx - h * 0.25 + h * (1.75 if i % 2 else 1.5) * math.cos(a), hy - h * 0.1 + h * (1.8 if i % 2 else 1.5) * math.sin(a))
                   for i, a in enumerate(2 * math.pi * j / 18 for j in range(18))], marks, lift=0.5, spot=True)
    elif "fleece" not in b.has:
        pen.shape(tapered(root, widths), colour, lift=0.3, spot=True)
    else:
        pen.shape(tapered(root, [v * 0.8 for v in widths]), lighter(colour, 0.1), lift=0.3, spot=True)
    if "ruff" in b.has:
        pen.shape([at(hx - h * 0.9, hy + h * 0.1), at(hx + h * 0.2, hy - h * 0.5), at(hx - h * 0.1, hy - h * 1.5), at(half * 0.8, mid - k * 0.1), at(half * 0.6, mid + k * 0.7)],
                  lighter(colour, 0.16), lift=0.3, spot=True)
    if "patches" in b.has:
        for i in range(5):
            t = 0.15 + 0.17 * i
            pen.disc(*at(half * 0.7 + (hx - half * 0.7) * t, mid + (hy - mid) * t), k * 0.16 * p, k * 0.2 * p, marks, lift=0.0, line=False, spot=True)
    _crown(pen, b, at, hx, hy, marks, p)
    s = b.snout
    drop = 0.55 if "mane" in b.has or ("hooves" in b.has and s > 0.95) else 0.3
    skull = [(-0.86, 0.2), (-0.4, 0.8), (0.3, 0.72), (0.62 + s * 0.45, 0.18 - drop * 0.2), (0.72 + s, -0.12 - drop * 0.5), (0.66 + s, -0.5 - drop * 0.62), (0.3 + s * 0.4, -0.62 - drop * 0.3),
             (-0.1, -0.72), (-0.74, -0.4)]
    pen.shape([at(hx + h * fx, hy + h * u) for fx, u in skull], face, lift=0.5, spot=True)
    if "bib" in b.has or "muzzle" in b.has:
        pen.shape([at(hx + h * 0.1, hy - h * 0.22), at(hx + h * (0.7 + s), hy - h * (0.2 + drop * 0.4)), at(hx + h * (0.62 + s), hy - h * (0.46 + drop * 0.6)), at(hx + h * 0.1, hy - h * 0.68)],
                  marks if "great mane" not in b.has else lighter(colour, 0.4), lift=0.0, line=False, spot=True)
    if "mask" in b.has:
        pen.shape([at(hx - h * 0.6, hy + h * 0.62), at(hx + h * 0.3, hy + h * 0.72), at(hx + h * (0.7 + s), hy - h * 0.1), at(hx + h * 0.2, hy + h * 0.2)], marks, lift=0.0, line=False, spot=True)
    if "blaze" in b.has:
        pen.line([at(hx + h * 0.3, hy + h * 0.6), at(hx + h * (0.6 + s * 0.6), hy - h * 0.1)], h * 0.14 * p, (238, 230, 214))
    if "trunk" in b.has:
        pen.shape(tapered([at(hx + h * 0.6, hy + h * 0.1), at(hx + h * 1.35, hy - h * 0.8), at(hx + h * 1.3, hy - h * 2.0), at(hx + h * 1.6, hy - h * 2.5), at(hx + h * 1.95, hy - h * 2.3)],
                          [h * 0.95 * p, h * 0.62 * p, h * 0.4 * p, h * 0.3 * p, h * 0.24 * p]), colour, lift=0.4, spot=True)
        pen.shape(tapered([at(hx + h * 0.6, hy - h * 0.4), at(hx + h * 1.2, hy - h * 1.1), at(hx + h * 2.0, hy - h * 0.95)], [h * 0.24 * p, h * 0.2 * p, h * 0.06 * p]), marks, lift=0.3, spot=True)
    _ears(pen, b, at, hx, hy, face)
    eye = at(hx + h * 0.28, hy + h * 0.2)
    pen.eye(*eye, h * 0.12 * p, h * 0.14 * p)
    if pen.look != "shadow-theatre" and h * p > 12 and not pen.eyes_shut:
        pen.disc(eye[0] + h * 0.03 * p, eye[1] - h * 0.05 * p, h * 0.035 * p, None, (250, 250, 250), lift=0.0, line=False, plain=True)
    if "trunk" not in b.has:
        nose = at(hx + h * (0.74 + s), hy - h * (0.2 + drop * 0.5))
        pen.disc(*nose, h * 0.13 * p, h * (0.2 if "snout" in b.has else 0.12) * p, darker(colour, 0.25) if "snout" in b.has else (40, 32, 32), lift=0.0, line=False, spot=True)
        pen.line([at(hx + h * (0.6 + s), hy - h * (0.5 + drop * 0.5)), at(hx + h * (0.34 + s * 0.6), hy - h * (0.48 + drop * 0.3))], h * 0.05 * p, darker(face, 0.45), opacity=0.8)
    if "tusks" in b.has:
        pen.line([at(hx + h * (0.4 + s), hy - h * 0.6), at(hx + h * (0.56 + s), hy - h * 0.2)], h * 0.12 * p, (240, 232, 214))
    if "teeth" in b.has:
        pen.box(*at(hx + h * (0.4 + s) - (0.1 * h), hy - h * 0.5), h * 0.2 * p, h * 0.24 * p, (248, 242, 226), lift=0.0)
    if "whiskers" in b.has and h * p > 16:
        for u in (-0.06, 0.04, 0.14):
            pen.line([at(hx + h * (0.5 + s), hy - h * 0.3), at(hx + h * (1.0 + s), hy - h * (0.34 - u * 2.4))], h * 0.025 * p, (240, 236, 226), opacity=0.8)
    if "beard" in b.has:
        pen.shape([at(hx + h * 0.4, hy - h * 0.6), at(hx + h * 0.75, hy - h * 0.74), at(hx + h * 0.5, hy - h * 1.5)], marks, lift=0.2, spot=True)
    if "dewlap" in b.has:
        pen.shape([at(hx - h * 0.1, hy - h * 0.6), at(hx + h * 0.4, hy - h * 0.7), at(hx + h * 0.1, hy - h * 1.5)], colour, lift=0.2, spot=True)
    if "collar" in b.has:
        pen.line([at(hx - h * 0.75, hy - h * 0.2), at(hx - h * 0.4, hy - h * 0.75), at(hx + h * 0.05, hy - h * 0.9)], h * 0.2 * p, (176, 54, 46))
    if "bell" in b.has:
        pen.disc(*at(hx - h * 0.3, hy - h * 1.25), h * 0.2 * p, h * 0.24 * p, (206, 164, 72), lift=0.3, spot=True)


def _crown(pen: Pen, b: Beast, at: Put, hx: float, hy: float, marks: RGB, p: float) -> None:
    h = b.head
    horn: RGB = (222, 208, 180)
    if "horns" in b.has:
        for dx in (-0.3, 0.12):
            pen.shape(tapered([at(hx + h * dx, hy + h * 0.6), at(hx + h * (dx - 0.1), hy + h * 1.3), at(hx + h * (dx + 0.3), hy + h * 1.75)], [h * 0.26 * p, h * 0.2 * p, h * 0.05 * p]), horn, lift=0.3, spot=True)
    if "knobs" in b.has:
        for dx in (-0.3, 0.15):
            pen.limb([at(hx + h * dx, hy + h * 0.6), at(hx + h * dx, hy + h * 1.3)], h * 0.16 * p, marks, spot=True)
    if "curls" in b.has:
        turns = [(0.5 * (1 - t * 0.75) * math.cos(-1.5 + t * 5.4) - 0.35, 0.2 + 0.55 * (1 - t * 0.75) * math.sin(1.7 - t * 5.4)) for t in (i / 9 for i in range(10))]
        pen.shape(tapered([at(hx + h * u, hy + h * v) for u, v in turns], [h * (0.42 - 0.034 * i) * p for i in range(10)]), horn, lift=0.4, spot=True)
    if "antlers" in b.has:
        for dx, shade in ((-0.25, 0.2), (0.1, 0.0)):
            beam = [at(hx + h * dx, hy + h * 0.6), at(hx + h * (dx - 0.6), hy + h * 1.7), at(hx + h * (dx - 0.1), hy + h * 3.0)]
            pen.line(beam, h * 0.17 * p, darker((160, 128, 92), shade))
            for up, out in ((1.2, 0.5), (1.9, 0.55), (2.5, -0.6)):
                pen.line([at(hx + h * (dx - 0.5), hy + h * up), at(hx + h * (dx - 0.4 + out), hy + h * (up + 0.75))], h * 0.12 * p, darker((160, 128, 92), shade))
    if "palms" in b.has:
        for dx, shade in ((-0.5, 0.2), (0.1, 0.0)):
            pen.shape([at(hx + h * dx, hy + h * 0.5), at(hx + h * (dx - 0.9), hy + h * 1.0), at(hx + h * (dx - 1.5), hy + h * 1.9), at(hx + h * (dx - 0.9), hy + h * 1.6), at(hx + h * (dx - 0.8), hy + h * 2.1),
                       at(hx + h * (dx - 0.3), hy + h * 1.6), at(hx + h * dx, hy + h * 1.9), at(hx + h * (dx + 0.2), hy + h * 1.0)], darker((176, 144, 104), shade), lift=0.4, spot=True)


def _ears(pen: Pen, b: Beast, at: Put, hx: float, hy: float, colour: RGB) -> None:
    h = b.head
    if b.ears == "point":
        for dx, shade in ((-0.5, 0.24), (0.02, 0.08)):
            pen.shape([at(hx + h * (dx - 0.26), hy + h * 0.45), at(hx + h * (dx - 0.06), hy + h * 1.34), at(hx + h * (dx + 0.3), hy + h * 0.62)], darker(colour, shade), smooth=False, lift=0.3, spot=True)
    elif b.ears == "flop":
        pen.shape([at(hx - h * 0.4, hy + h * 0.62), at(hx - h * 0.95, hy + h * 0.3), at(hx - h * 0.9, hy - h * 0.4), at(hx - h * 0.5, hy - h * 0.3), at(hx - h * 0.16, hy + h * 0.36)],
                  darker(colour, 0.24), lift=0.3, spot=True)
    elif b.ears == "round":
        for dx, shade in ((-0.6, 0.22), (0.0, 0.1)):
            x, y = at(hx + h * dx, hy + h * 0.74)
            wide = abs(at(hx + h * 0.34, 0)[0] - at(hx, 0)[0])
            pen.disc(x, y, wide, None, darker(colour, shade), lift=0.3, spot=True)
    elif b.ears == "fan":
        _ear_fan(pen, b, at, darker(colour, 0.1))


def _ear_fan(pen: Pen, b: Beast, at: Put, colour: RGB) -> None:
    (hx, hy), h = b.crown, b.head
    pen.shape([at(hx - h * 0.1, hy + h * 0.5), at(hx - h * 0.9, hy + h * 0.8), at(hx - h * 1.35, hy), at(hx - h * 1.0, hy - h * 1.0), at(hx - h * 0.4, hy - h * 1.1), at(hx, hy - h * 0.4)],
              colour, lift=0.5, spot=True)


def _tail(pen: Pen, b: Beast, at: Put, mid: float, half: float, colour: RGB, p: float) -> None:
    k = b.body
    root = at(-half * 0.92, mid + k * 0.5)
    marks = b.marks or darker(colour, 0.3)
    if b.tail == "up":
        pen.shape(tapered([root, at(-half * 1.3, mid + k * 1.0), at(-half * 1.22, mid + k * 2.6)], [k * 0.4 * p, k * 0.34 * p, k * 0.16 * p]), colour, spot=True)
    elif b.tail == "brush":
        pen.shape([root, at(-half * 1.4, mid + k * 0.5), at(-half * 2.0, mid - k * 0.3), at(-half * 2.05, mid - k * 1.0), at(-half * 1.5, mid - k * 0.8), at(-half * 1.1, mid - k * 0.2)], colour, lift=0.4, spot=True)
        pen.shape([at(-half * 1.86, mid - k * 0.2), at(-half * 2.05, mid - k * 1.0), at(-half * 1.66, mid - k * 0.86)], marks, lift=0.0, line=False, spot=True)
    elif b.tail == "plume":
        pen.shape([root, at(-half * 1.5, mid + k * 0.4), at(-half * 1.9, mid + k * 2.0), at(-half * 1.6, mid + k * 3.4), at(-half * 1.0, mid + k * 3.2), at(-half * 1.2, mid + k * 1.6)], colour, lift=0.4, spot=True)
    elif b.tail == "hair":
        pen.shape(tapered([root, at(-half * 1.2, mid + k * 0.3), at(-half * 1.3, mid - b.leg * 0.4), at(-half * 1.2, mid - b.leg * 0.8)], [k * 0.3 * p, k * 0.5 * p, k * 0.6 * p, k * 0.1 * p]),
                  marks, lift=0.3, spot=True)
    elif b.tail == "tuft":
        pen.line([root, at(-half * 1.14, mid), at(-half * 1.12, mid - b.leg * 0.5)], k * 0.12 * p, darker(colour, 0.15))
        pen.disc(*at(-half * 1.12, mid - b.leg * 0.58), k * 0.16 * p, k * 0.3 * p, marks, lift=0.2, spot=True)
    elif b.tail == "puff":
        pen.disc(*at(-half * 1.02, mid + k * 0.42), k * 0.3 * p, None, lighter(colour, 0.35), lift=0.3)
    elif b.tail == "thick":
        pen.shape(tapered([root, at(-half * 1.4, mid - k * 0.2), at(-half * 1.9, mid + k * 0.1)], [k * 0.55 * p, k * 0.4 * p, k * 0.16 * p]), colour, lift=0.3, spot=True)
    elif b.tail == "paddle":
        pen.shape([root, at(-half * 1.3, mid - k * 0.1), at(-half * 2.0, mid - k * 0.5), at(-half * 1.9, mid - k * 0.9), at(-half * 1.1, mid - k * 0.6)], darker(colour, 0.3), lift=0.3, spot=True)
    elif b.tail == "curl":
        pen.line([root, at(-half * 1.15, mid + k * 0.7), at(-half * 1.08, mid + k * 0.3), at(-half * 1.24, mid + k * 0.5)], k * 0.1 * p, darker(colour, 0.15))
    elif b.tail == "thin":
        pen.line([root, at(-half * 1.6, mid - k * 0.3), at(-half * 2.1, mid + k * 0.2)], k * 0.12 * p, darker(colour, 0.2))
