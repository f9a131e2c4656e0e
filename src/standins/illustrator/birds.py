"""Birds, from one plan with different measures."""

from dataclasses import dataclass

from .beasts import Box, tapered
from .colour import NAMED, RGB, darker, lighter
from .pen import Pen, Point


@dataclass(frozen=True)
class Bird:
    """Measures as shares of a grown person's height; `has` names what else it has."""

    length: float
    leg: float
    neck: float
    beak: float
    colour: RGB
    head: float = 0.24
    bill: RGB = (222, 168, 62)
    marks: RGB | None = None
    has: tuple[str, ...] = ()

    @property
    def tall(self) -> float:
        return self.leg + self.length * 0.62 + self.neck + self.length * self.head


BIRDS = {
    "heron": Bird(0.30, 0.27, 0.30, 0.15, (150, 162, 176), 0.14, marks=(52, 56, 66), has=("crest",)),
    "crow": Bird(0.16, 0.06, 0.03, 0.06, (46, 44, 52), bill=(54, 50, 52)),
    "gull": Bird(0.17, 0.05, 0.03, 0.05, (238, 236, 230), marks=(150, 158, 166)),
    "duck": Bird(0.20, 0.04, 0.07, 0.07, (158, 128, 98), marks=(44, 96, 72), has=("hood",)),
    "goose": Bird(0.27, 0.09, 0.2, 0.07, (226, 220, 208), 0.17, marks=(186, 178, 164)),
    "swan": Bird(0.34, 0.05, 0.32, 0.08, (246, 244, 238), 0.15, bill=(220, 120, 50), marks=(226, 222, 214)),
    "hen": Bird(0.19, 0.07, 0.06, 0.03, (176, 108, 66), 0.22, has=("comb", "fan")),
    "rooster": Bird(0.22, 0.1, 0.1, 0.035, (178, 78, 44), 0.22, marks=(36, 84, 76), has=("comb", "plumes")),
    "eagle": Bird(0.3, 0.07, 0.06, 0.06, (92, 66, 48), 0.22, marks=(244, 240, 230), has=("hood", "hook")),
    "pigeon": Bird(0.16, 0.045, 0.04, 0.03, (142, 148, 162), 0.22, bill=(90, 84, 84), marks=(96, 120, 116), has=("hood",)),
    "sparrow": Bird(0.1, 0.03, 0.012, 0.02, (150, 112, 76), 0.3, bill=(70, 60, 54), marks=(214, 198, 172), has=("breast",)),
    "robin": Bird(0.1, 0.035, 0.012, 0.02, (128, 104, 82), 0.3, bill=(70, 60, 54), marks=(212, 96, 50), has=("breast",)),
    "parrot": Bird(0.2, 0.04, 0.04, 0.04, (46, 142, 92), 0.26, bill=(60, 54, 52), marks=(214, 74, 56), has=("hood", "hook", "long tail")),
    "peacock": Bird(0.26, 0.12, 0.18, 0.04, (34, 96, 140), 0.16, marks=(48, 132, 104), has=("crest", "train")),
    "turkey": Bird(0.3, 0.11, 0.1, 0.04, (86, 66, 56), 0.16, marks=(186, 74, 62), has=("hood", "fan")),
    "penguin": Bird(0.24, 0.02, 0.05, 0.05, (44, 46, 56), 0.22, marks=(244, 240, 232), has=("upright",)),
    "owl": Bird(0.17, 0.02, 0.0, 0.02, (142, 110, 78), 0.3, marks=(248, 236, 200), has=("upright", "owl")),
}  # fmt: skip


def draw_bird(pen: Pen, b: Bird, given: RGB | None, x: float, y: float, p: float, way: int) -> Box:
    """Draw it with its feet at (x, y), a grown person being `p` high; returns its box."""
    colour = given or b.colour

    def at(fx: float, up: float) -> Point:
        return (x + way * fx * p, y - up * p)

    if "upright" in b.has:
        return _upright(pen, b, colour, at(0, 0), p, way)
    n, half = b.length, b.length / 2
    mid = b.leg + n * 0.34
    marks = b.marks or darker(colour, 0.2)
    legs = (150, 122, 74) if b.bill != (54, 50, 52) else (40, 38, 40)
    for fx in (-0.12, 0.14):
        pen.line([at(n * fx, mid - n * 0.2), at(n * fx + 0.008, b.leg * 0.5), at(n * fx, 0.0), at(n * (fx + 0.16), 0.0)], max(1.6, n * 0.05 * p), legs, smooth=False)
    if "train" in b.has:
        for i in range(9):
            a = at(-half * (1.0 + 0.9 * (i + 1) / 3), mid + n * (0.3 - 0.075 * i))
            pen.shape(tapered([at(-half * 0.5, mid), a], [n * 0.06 * p, n * 0.16 * p]), marks if i % 2 else lighter(marks, 0.12), lift=0.2, spot=True)
            pen.disc(*a, n * 0.075 * p, None, NAMED["navy"], lift=0.0, line=False, spot=True)
    if "plumes" in b.has:
        for i in range(5):
            pen.shape(tapered([at(-half * 0.8, mid + n * 0.1), at(-half * (1.4 + 0.12 * i), mid + n * (0.62 - 0.08 * i)), at(-half * (1.9 + 0.06 * i), mid + n * (0.3 - 0.16 * i))],
                              [n * 0.12 * p, n * 0.13 * p, n * 0.03 * p]), marks if i % 2 else darker(marks, 0.2), lift=0.3, spot=True)
    if "fan" in b.has:
        pen.shape([at(-half * 0.6, mid), at(-half * 1.5, mid + n * 0.62), at(-half * 1.7, mid + n * 0.3), at(-half * 1.5, mid)], darker(colour, 0.25), lift=0.3, spot=True)
    if "long tail" in b.has:
        pen.shape(tapered([at(-half * 0.8, mid), at(-half * 2.0, mid - n * 0.5), at(-half * 2.9, mid - n * 0.8)], [n * 0.3 * p, n * 0.24 * p, n * 0.04 * p]), marks, lift=0.3, spot=True)
    hx, hy = half * 0.62 + b.neck * 0.32, mid + n * 0.24 + b.neck
    with pen.marking("body"):
        pen.shape([at(-half * 1.5, mid - n * 0.1), at(-half * 0.8, mid + n * 0.18), at(0, mid + n * 0.30), at(half * 0.8, mid + n * 0.26), at(half * 1.02, mid), at(half * 0.5, mid - n * 0.26),
                   at(-half * 0.5, mid - n * 0.22)], colour, spot=True)
    if "breast" in b.has:
        pen.shape([at(half * 0.5, mid + n * 0.26), at(half * 1.0, mid + n * 0.06), at(half * 0.6, mid - n * 0.22), at(half * 0.2, mid - n * 0.16)], marks, lift=0.0, line=False, spot=True)
    r = n * b.head
    top = marks if "hood" in b.has else colour
    if b.neck > 0.05:
        pen.shape(tapered([at(half * 0.66, mid + n * 0.06), at(half * 1.0, mid + n * 0.3 + b.neck * 0.14), at(hx - b.neck * 0.26, mid + n * 0.2 + b.neck * 0.6), at(hx, hy)],
                          [n * 0.34 * p, n * 0.24 * p, r * 1.3 * p, r * 1.3 * p]), top if "hood" in b.has else lighter(colour, 0.08), lift=0.3, spot=True)
    bill = [at(hx + r * 0.5, hy + r * 0.4), at(hx + r * 0.8 + b.beak, hy - r * 0.1), at(hx + r * 0.5, hy - r * 0.5)]
    if "hook" in b.has:
        bill = [at(hx + r * 0.4, hy + r * 0.5), at(hx + r * 0.7 + b.beak, hy + r * 0.3), at(hx + r * 0.6 + b.beak, hy - r * 0.7), at(hx + r * 0.5, hy - r * 0.3)]
    pen.shape(bill, b.bill, smooth="hook" in b.has, lift=0.3, spot=True)
    pen.disc(*at(hx, hy), r * p, r * 0.92 * p, top, lift=0.4, spot=True)
    if "crest" in b.has:
        pen.line([at(hx + r * 0.3, hy + r * 0.6), at(hx - r, hy + r * 0.6), at(hx - r * 3.0, hy + r * 0.2)], 0.014 * p, marks)
    if "comb" in b.has:
        pen.shape([at(hx - r * 0.5, hy + r * 0.7), at(hx - r * 0.3, hy + r * 1.5), at(hx, hy + r * 1.1), at(hx + r * 0.3, hy + r * 1.5), at(hx + r * 0.6, hy + r * 0.6)], (200, 44, 40), lift=0.2, spot=True)
        pen.disc(*at(hx + r * 0.7, hy - r * 0.9), r * 0.22 * p, r * 0.36 * p, (200, 44, 40), lift=0.2, spot=True)
    wing = darker(colour, 0.2) if b.marks is None or "hood" in b.has or "breast" in b.has else marks if b.colour != (150, 162, 176) else darker(colour, 0.24)
    pen.shape([at(half * 0.6, mid + n * 0.14), at(-half * 0.2, mid + n * 0.18), at(-half * 1.7, mid - n * 0.2), at(-half * 0.3, mid - n * 0.14)], wing, lift=0.4, spot=True)
    pen.eye(*at(hx + r * 0.35, hy + r * 0.16), *[max(1.5, r * 0.2 * p)] * 2)
    back = 2.9 if "long tail" in b.has else 4.0 if "train" in b.has else 1.9
    left, right = sorted((at(-half * back, 0)[0], at(hx + b.beak + r, 0)[0]))
    return (left, at(0, b.tall)[1], right, y)


def _upright(pen: Pen, b: Bird, colour: RGB, feet: Point, p: float, way: int) -> Box:
    """A bird that stands upright and looks at us."""

    def at(fx: float, up: float) -> Point:
        return (feet[0] + way * fx * p, feet[1] - up * p)

    n, marks = b.length, b.marks or lighter(colour, 0.4)
    w, top = n * 0.36, b.leg + n * 1.15
    for k in (-0.5, 0.5):
        pen.disc(*at(w * k, b.leg * 0.5 + 0.004), n * 0.13 * p, n * 0.05 * p, b.bill, lift=0.2, spot=True)
    with pen.marking("body"):
        pen.shape([at(-w * 0.8, b.leg), at(-w * 1.05, b.leg + n * 0.4), at(-w * 0.86, b.leg + n * 0.86), at(-w * 0.5, top), at(w * 0.5, top), at(w * 0.86, b.leg + n * 0.86), at(w * 1.05, b.leg + n * 0.4),
                   at(w * 0.8, b.leg)], colour, spot=True)
    if "owl" in b.has:
        for k in (-1, 1):
            pen.shape([at(w * 0.3 * k, top - n * 0.06), at(w * 0.72 * k, top + n * 0.14), at(w * 0.8 * k, top - n * 0.2)], darker(colour, 0.1), smooth=False, lift=0.3, spot=True)
            pen.shape([at(w * 0.7 * k, b.leg + n * 0.8), at(w * 1.16 * k, b.leg + n * 0.5), at(w * 0.86 * k, b.leg + n * 0.06)], darker(colour, 0.24), lift=0.4, spot=True)
        for row in range(3):
            for k in (-0.4, 0.0, 0.4):
                a = at(w * k, b.leg + n * (0.2 + 0.15 * row))
                pen.line([(a[0] - n * 0.05 * p, a[1] - n * 0.03 * p), a, (a[0] + n * 0.05 * p, a[1] - n * 0.03 * p)], n * 0.02 * p, darker(colour, 0.3), opacity=0.7)
        for k in (-0.42, 0.42):
            pen.disc(*at(w * k, top - n * 0.22), n * 0.165 * p, None, marks, lift=0.2, plain=True)
            pen.eye(*at(w * k, top - n * 0.22), n * 0.08 * p, n * 0.08 * p)
        pen.shape([at(-n * 0.05, top - n * 0.3), at(n * 0.05, top - n * 0.3), at(0, top - n * 0.44)], NAMED["mustard"], smooth=False, lift=0.0, spot=True)
    else:
        pen.shape([at(-w * 0.6, b.leg + n * 0.06), at(-w * 0.7, b.leg + n * 0.46), at(-w * 0.34, b.leg + n * 0.86), at(w * 0.44, b.leg + n * 0.86), at(w * 0.78, b.leg + n * 0.46), at(w * 0.64, b.leg + n * 0.06)],
                  marks, lift=0.1, line=False, spot=True)
        for k in (-1, 1):
            pen.shape(tapered([at(w * 0.86 * k, b.leg + n * 0.78), at(w * 1.28 * k, b.leg + n * 0.5), at(w * 1.3 * k, b.leg + n * 0.24)], [n * 0.1 * p, n * 0.16 * p, n * 0.04 * p]), darker(colour, 0.12), lift=0.3, spot=True)
        for k in (-0.1, 0.5):
            pen.disc(*at(w * k, top - n * 0.12), n * 0.035 * p, None, (250, 250, 250), lift=0.0, line=False, plain=True)
        pen.shape([at(w * 0.1, top - n * 0.14), at(w * 0.95, top - n * 0.21), at(w * 0.1, top - n * 0.26)], b.bill, smooth=False, lift=0.2, spot=True)
    return (at(0, 0)[0] - w * 1.3 * p, at(0, top + n * 0.14)[1], at(0, 0)[0] + w * 1.3 * p, feet[1])
