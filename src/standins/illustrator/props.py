"""Things. Each is drawn with its foot (or, in a hand, its hold) at (x, y) and as large as `size` in
page units."""

import math
from collections.abc import Callable

from .colour import NAMED, RGB, darker, lighter
from .pen import INK, Pen, ring
from .things import BIG_THINGS, THINGS, draw_thing

WOOD: RGB = (134, 92, 56)
IRON: RGB = (70, 70, 74)
LIGHT: RGB = (255, 206, 108)
PAPER: RGB = (240, 228, 200)
BIG = {"lamp", "tower", "turret", "clocktower", "door", "window", "cart", "ladder", "instrument", "signal", "table", "fence", "boat", "clock", *BIG_THINGS}
"""What stands higher than a knee."""


TABLETOP = frozenset(
    "apple book bottle bowl bread cake candle cheese chocolate coin compass cup egg flower fork glove hourglass ink jar jug kettle key knife letter lock "
    "mushroom fishbag fishbowl needle newspaper pear phone picture pie plate pot potion radio scissors spectacles spoon telephone tinbox crystal".split()
)
"""What lies on a table sooner than on the floor."""


def draw_prop(pen: Pen, kind: str, x: float, y: float, size: float, in_hand: bool = False, lit: bool = True) -> None:
    """Draw a thing; unknown kinds raise KeyError (the vocabulary and this table are tested to
    agree)."""
    with pen.dyed(kind):
        if kind in THINGS:
            draw_thing(pen, kind, x, y, size)
        else:
            _DRAW[kind](pen, x, y, size, lit)


def _lantern(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    top, w = y - s, s * 0.28
    if lit:
        pen.glow_at(x, y - s * 0.42, s * 2.6, LIGHT, 0.75, flame=True)
    pen.line([(x - w * 0.6, top + s * 0.22), (x, top), (x + w * 0.6, top + s * 0.22)], s * 0.035, IRON)
    pen.shape([(x - w, top + s * 0.34), (x, top + s * 0.16), (x + w, top + s * 0.34)], IRON, smooth=False, lift=0.4)
    pen.box(x - w * 0.82, top + s * 0.34, w * 1.64, s * 0.52, lighter(LIGHT, 0.35) if lit else (120, 126, 130), lift=0.4, spot=True, plain=lit)
    if lit:
        pen.shape([(x, top + s * 0.46), (x + w * 0.3, top + s * 0.7), (x, top + s * 0.8), (x - w * 0.3, top + s * 0.7)], (238, 132, 44), lift=0.0, line=False, plain=True, spot=True)
    for dx in (-0.82, 0.82):
        pen.line([(x + w * dx, top + s * 0.34), (x + w * dx, y - s * 0.12)], s * 0.045, IRON)
    pen.box(x - w, y - s * 0.14, w * 2, s * 0.14, IRON, lift=0.3)


def _lamp(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    h = s * 2.2
    if lit:
        pen.glow_at(x, y - h, s * 2.8, LIGHT, 0.9)
    pen.limb([(x, y), (x, y - h * 0.84)], s * 0.1, IRON)
    pen.shape([(x - s * 0.22, y), (x + s * 0.22, y), (x + s * 0.1, y - s * 0.3), (x - s * 0.1, y - s * 0.3)], IRON, smooth=False, lift=0.5)
    pen.shape([(x - s * 0.15, y - h * 0.84), (x + s * 0.15, y - h * 0.84), (x + s * 0.24, y - h * 1.04), (x - s * 0.24, y - h * 1.04)],
              lighter(LIGHT, 0.3) if lit else (92, 100, 108), smooth=False, lift=0.4, spot=lit, plain=lit)
    pen.shape([(x - s * 0.3, y - h * 1.04), (x, y - h * 1.2), (x + s * 0.3, y - h * 1.04)], IRON, smooth=False, lift=0.5)


def _boat(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    w = s * 1.5
    hull = [(x - w, y - s * 0.44), (x - w * 0.5, y - s * 0.34), (x + w * 0.5, y - s * 0.34), (x + w * 1.06, y - s * 0.5),
            (x + w * 0.78, y - s * 0.06), (x + w * 0.4, y + s * 0.06), (x - w * 0.5, y + s * 0.06), (x - w * 0.84, y - s * 0.1)]
    pen.shape(hull, (122, 72, 46), lift=1.0, spot=True)
    pen.line([(x - w * 0.94, y - s * 0.34), (x - w * 0.4, y - s * 0.22), (x + w * 0.5, y - s * 0.22), (x + w * 0.98, y - s * 0.4)], s * 0.05, lighter((122, 72, 46), 0.35))
    pen.line([(x - w * 0.8, y - s * 0.16), (x, y - s * 0.06), (x + w * 0.84, y - s * 0.18)], s * 0.025, darker((122, 72, 46), 0.35), opacity=0.7)


def _ladder(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    h, w, lean = s * 2.6, s * 0.26, s * 0.36
    for i in range(8):
        t = (i + 0.7) / 8.4
        pen.limb([(x - w + lean * t, y - h * t), (x + w + lean * t, y - h * t)], s * 0.06, lighter(WOOD, 0.1), lift=0.3, spot=True)
    for side in (-1, 1):
        pen.limb([(x + side * w, y), (x + side * w + lean, y - h)], s * 0.085, WOOD, spot=True)


def _book(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    cover = NAMED["brick red"]
    pen.shape([(x - s * 0.62, y - s * 0.7), (x, y - s * 0.6), (x + s * 0.62, y - s * 0.7), (x + s * 0.62, y), (x, y + s * 0.1), (x - s * 0.62, y)], cover, smooth=False, spot=True)
    pen.shape([(x - s * 0.55, y - s * 0.72), (x, y - s * 0.62), (x, y + s * 0.02), (x - s * 0.55, y - s * 0.08)], PAPER, smooth=False, lift=0.2)
    pen.shape([(x + s * 0.55, y - s * 0.72), (x, y - s * 0.62), (x, y + s * 0.02), (x + s * 0.55, y - s * 0.08)], lighter(PAPER, 0.4), smooth=False, lift=0.2)
    for i in range(4):
        pen.line([(x + s * 0.1, y - s * 0.48 + i * s * 0.12), (x + s * 0.45, y - s * 0.54 + i * s * 0.12)], s * 0.025, INK, opacity=0.5)


def _letter(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.shape([(x - s * 0.5, y - s * 0.62), (x + s * 0.46, y - s * 0.74), (x + s * 0.54, y - s * 0.06), (x - s * 0.44, y + s * 0.04)], PAPER, smooth=False, spot=True)
    for i in range(4):
        pen.line([(x - s * 0.34, y - s * 0.48 + i * s * 0.13), (x + s * 0.34, y - s * 0.55 + i * s * 0.13)], s * 0.03, INK, opacity=0.55)


def _chair(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    for dx in (-0.34, 0.34):
        pen.limb([(x + s * dx, y), (x + s * dx, y - s * 0.5)], s * 0.08, WOOD)
    pen.limb([(x - s * 0.34, y - s * 0.5), (x - s * 0.4, y - s * 1.14)], s * 0.08, WOOD)
    pen.limb([(x - s * 0.38, y - s * 0.94), (x - s * 0.4, y - s * 1.14)], s * 0.14, lighter(WOOD, 0.1))
    pen.box(x - s * 0.42, y - s * 0.58, s * 0.84, s * 0.11, lighter(WOOD, 0.12), lift=0.4, spot=True)


def _table(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    w = s * 1.2
    for dx in (-0.86, 0.86):
        pen.limb([(x + w * dx, y), (x + w * dx, y - s * 0.7)], s * 0.11, darker(WOOD, 0.1))
    pen.shape([(x - w * 1.08, y - s * 0.8), (x + w * 1.08, y - s * 0.8), (x + w, y - s * 0.66), (x - w, y - s * 0.66)], lighter(WOOD, 0.14), smooth=False, spot=True)


def _bucket(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.line([(x - s * 0.36, y - s * 0.66), (x, y - s * 1.04), (x + s * 0.36, y - s * 0.66)], s * 0.05, IRON)
    pen.shape([(x - s * 0.4, y - s * 0.68), (x + s * 0.4, y - s * 0.68), (x + s * 0.3, y), (x - s * 0.3, y)], (118, 128, 138), smooth=False, spot=True)
    pen.disc(x, y - s * 0.68, s * 0.4, s * 0.1, darker((118, 128, 138), 0.35), lift=0.0)


def _key(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.line([*ring(x, y - s * 0.8, s * 0.2), (x + s * 0.2, y - s * 0.8)], s * 0.1, NAMED["gold"])
    pen.line([(x, y - s * 0.6), (x, y + s * 0.3), (x + s * 0.22, y + s * 0.3)], s * 0.1, NAMED["gold"], smooth=False)
    pen.line([(x, y + s * 0.08), (x + s * 0.18, y + s * 0.08)], s * 0.1, NAMED["gold"])


def _clock(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    cy = y - s * 0.8
    pen.shape([(x - s * 0.66, y), (x - s * 0.6, cy - s * 0.5), (x, cy - s * 0.98), (x + s * 0.6, cy - s * 0.5), (x + s * 0.66, y)], WOOD, smooth=False, spot=True)
    pen.disc(x, cy, s * 0.48, None, PAPER, lift=0.3)
    for i in range(12):
        a = math.pi * i / 6
        pen.disc(x + math.cos(a) * s * 0.38, cy + math.sin(a) * s * 0.38, s * 0.03, None, INK, lift=0.0, line=False, spot=True)
    pen.line([(x, cy), (x + s * 0.02, cy - s * 0.32)], s * 0.05)
    pen.line([(x, cy), (x + s * 0.2, cy + s * 0.1)], s * 0.06)


def _bottle(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.shape([(x - s * 0.24, y), (x - s * 0.24, y - s * 0.56), (x - s * 0.08, y - s * 0.76), (x - s * 0.08, y - s), (x + s * 0.08, y - s),
               (x + s * 0.08, y - s * 0.76), (x + s * 0.24, y - s * 0.56), (x + s * 0.24, y)], NAMED["moss green"], smooth=False, spot=True)
    pen.box(x - s * 0.2, y - s * 0.46, s * 0.4, s * 0.26, PAPER, lift=0.1)


def _cup(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.line(ring(x + s * 0.4, y - s * 0.34, s * 0.2), s * 0.09, NAMED["pale blue"])
    pen.shape([(x - s * 0.4, y - s * 0.66), (x + s * 0.4, y - s * 0.66), (x + s * 0.3, y), (x - s * 0.3, y)], NAMED["pale blue"], smooth=False, spot=True)
    for i in (-1, 1):
        pen.line([(x + i * s * 0.12, y - s * 0.76), (x + i * s * 0.04, y - s), (x + i * s * 0.16, y - s * 1.22)], s * 0.05, (250, 250, 250), opacity=0.6)


def _basket(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.line([(x - s * 0.42, y - s * 0.5), (x, y - s * 1.08), (x + s * 0.42, y - s * 0.5)], s * 0.07, WOOD)
    pen.shape([(x - s * 0.54, y - s * 0.54), (x + s * 0.54, y - s * 0.54), (x + s * 0.4, y), (x - s * 0.4, y)], NAMED["tan"], spot=True)
    for i in range(3):
        pen.line([(x - s * 0.46, y - s * (0.14 + i * 0.14)), (x + s * 0.46, y - s * (0.14 + i * 0.14))], s * 0.03, WOOD, opacity=0.7)


def _barrel(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.shape([(x - s * 0.4, y), (x - s * 0.52, y - s * 0.55), (x - s * 0.4, y - s * 1.1), (x + s * 0.4, y - s * 1.1), (x + s * 0.52, y - s * 0.55), (x + s * 0.4, y)], WOOD, spot=True)
    for k in (0.24, 0.84):
        pen.line([(x - s * 0.47, y - s * k), (x, y - s * (k - 0.05)), (x + s * 0.47, y - s * k)], s * 0.07, IRON)


def _chest(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.box(x - s * 0.7, y - s * 0.6, s * 1.4, s * 0.6, WOOD, spot=True)
    pen.shape([(x - s * 0.72, y - s * 0.58), (x - s * 0.66, y - s * 0.92), (x + s * 0.66, y - s * 0.92), (x + s * 0.72, y - s * 0.58)], lighter(WOOD, 0.08), lift=0.5, spot=True)
    for dx in (-0.46, 0.46):
        pen.box(x + s * dx - s * 0.06, y - s * 0.9, s * 0.12, s * 0.9, IRON, lift=0.1)
    pen.box(x - s * 0.1, y - s * 0.64, s * 0.2, s * 0.2, NAMED["gold"], lift=0.3, spot=True)


def _candle(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.glow_at(x, y - s * 1.05, s * 2.4, LIGHT, 0.7, flame=True)
    pen.box(x - s * 0.12, y - s * 0.8, s * 0.24, s * 0.8, NAMED["cream"], lift=0.3)
    pen.shape([(x, y - s * 1.24), (x + s * 0.12, y - s * 0.94), (x, y - s * 0.82), (x - s * 0.12, y - s * 0.94)], (244, 160, 60), lift=0.0, plain=True, spot=True)
    pen.disc(x, y, s * 0.36, s * 0.1, IRON, lift=0.3)


def _telescope(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.limb([(x - s * 0.5, y + s * 0.1), (x + s * 0.1, y - s * 0.12)], s * 0.2, NAMED["gold"], spot=True)
    pen.limb([(x + s * 0.1, y - s * 0.12), (x + s * 0.7, y - s * 0.34)], s * 0.28, darker(NAMED["gold"], 0.2), spot=True)


def _instrument(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    top = y - s * 1.3
    for dx in (-0.5, 0.06, 0.5):
        pen.limb([(x, top), (x + s * dx, y)], s * 0.07, WOOD)
    brass = NAMED["gold"]
    pen.disc(x, top - s * 0.34, s * 0.36, None, brass, lift=0.6, spot=True)
    pen.disc(x, top - s * 0.34, s * 0.26, None, darker(brass, 0.5), lift=0.0)
    for i in range(8):
        a = math.pi * i / 4
        pen.line([(x, top - s * 0.34), (x + math.cos(a) * s * 0.3, top - s * 0.34 + math.sin(a) * s * 0.3)], s * 0.02, brass)
    pen.limb([(x - s * 0.56, top - s * 0.2), (x + s * 0.56, top - s * 0.52)], s * 0.12, lighter(brass, 0.2), spot=True)


def _signal(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    for dx in (-0.5, 0.0, 0.5):
        pen.limb([(x, y - s * 1.9), (x + s * dx, y)], s * 0.08, WOOD)
    pen.shape([(x - s * 0.36, y - s * 1.1), (x + s * 0.36, y - s * 1.1), (x, y - s * 2.0)], NAMED["white"], smooth=False, spot=True)


def _umbrella(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.line([(x, y), (x, y - s * 1.1)], s * 0.05, WOOD)
    cap = [(x + math.cos(math.pi * (1 + i / 10)) * s * 0.8, y - s * 0.9 + math.sin(math.pi * (1 + i / 10)) * s * 0.5) for i in range(11)]
    hem = [(x + s * (0.8 - 0.4 * i), y - s * (0.9 if i % 2 == 0 else 0.98)) for i in range(1, 4)]
    pen.shape(cap + hem, NAMED["brick red"], spot=True)


def _cart(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.shape([(x - s * 1.1, y - s * 1.1), (x + s * 1.0, y - s * 1.1), (x + s * 0.86, y - s * 0.5), (x - s * 0.96, y - s * 0.5)], WOOD, smooth=False, spot=True)
    pen.limb([(x + s * 0.9, y - s * 0.6), (x + s * 1.9, y - s * 0.5)], s * 0.08, WOOD)
    _wheel(pen, x, y, s * 0.9, lit)


def _wheel(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    cy = y - s * 0.5
    pen.line([*ring(x, cy, s * 0.48, None, 20), (x + s * 0.48, cy)], s * 0.09, darker(WOOD, 0.2))
    for i in range(8):
        a = math.pi * i / 4
        pen.line([(x, cy), (x + math.cos(a) * s * 0.46, cy + math.sin(a) * s * 0.46)], s * 0.05, WOOD)
    pen.disc(x, cy, s * 0.1, None, IRON, lift=0.2)


def _anchor(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.line([(x, y), (x, y - s * 1.1)], s * 0.12, IRON)
    pen.line([(x - s * 0.5, y - s * 0.4), (x - s * 0.3, y - s * 0.05), (x, y + s * 0.04), (x + s * 0.3, y - s * 0.05), (x + s * 0.5, y - s * 0.4)], s * 0.12, IRON)
    pen.line([(x - s * 0.26, y - s * 0.86), (x + s * 0.26, y - s * 0.86)], s * 0.1, IRON)


def _bell(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    brass = NAMED["gold"]
    pen.disc(x, y - s * 0.06, s * 0.12, None, darker(brass, 0.4), lift=0.2)
    pen.shape([(x - s * 0.6, y - s * 0.16), (x - s * 0.38, y - s * 0.4), (x - s * 0.3, y - s * 0.86), (x, y - s * 1.1), (x + s * 0.3, y - s * 0.86), (x + s * 0.38, y - s * 0.4), (x + s * 0.6, y - s * 0.16), (x, y - s * 0.08)], brass, spot=True)


def _flag(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.limb([(x, y + s * 0.3), (x, y - s * 1.4)], s * 0.06, WOOD)
    pen.shape([(x, y - s * 1.4), (x + s * 0.4, y - s * 1.5), (x + s * 0.9, y - s * 1.36), (x + s * 0.86, y - s * 0.9), (x + s * 0.4, y - s * 1.0), (x, y - s * 0.9)], NAMED["brick red"], spot=True)


def _oar(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.limb([(x - s * 0.2, y - s * 0.16), (x + s * 0.56, y + s * 0.4)], s * 0.045, WOOD, spot=True)
    pen.limb([(x + s * 0.5, y + s * 0.36), (x + s * 0.7, y + s * 0.5)], s * 0.12, lighter(WOOD, 0.1), spot=True)


def _rope(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    for i in range(3):
        pen.line([*ring(x, y - s * (0.12 + 0.12 * i), s * (0.5 - 0.04 * i), s * 0.16), (x + s * (0.5 - 0.04 * i), y - s * (0.12 + 0.12 * i))], s * 0.1, NAMED["tan"])


def _rod(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    a, c = (x - s * 0.8, y + s * 0.1), (x + s * 0.8, y - s * 0.1)
    pen.limb([a, c], s * 0.09, NAMED["silver"], spot=True)
    for i in range(11):
        t = i / 10
        px, py = a[0] + (c[0] - a[0]) * t, a[1] + (c[1] - a[1]) * t
        pen.line([(px, py - s * 0.03), (px, py + s * (0.03 if i % 5 else 0.045))], s * 0.012, INK, opacity=0.8)


def _fence(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    for k in (0.35, 0.75):
        pen.limb([(x - s * 1.6, y - s * k), (x + s * 1.6, y - s * k)], s * 0.09, lighter(WOOD, 0.1))
    for i in range(7):
        px = x - s * 1.5 + i * s * 0.5
        pen.shape([(px - s * 0.1, y), (px - s * 0.1, y - s * 0.9), (px, y - s * 1.04), (px + s * 0.1, y - s * 0.9), (px + s * 0.1, y)], lighter(WOOD, 0.2), smooth=False, lift=0.5)


def _globe(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    cy = y - s * 0.72
    pen.limb([(x, y), (x, cy)], s * 0.1, WOOD)
    pen.disc(x, cy, s * 0.56, None, NAMED["grey blue"], spot=True)
    pen.shape([(x - s * 0.3, cy - s * 0.3), (x + s * 0.06, cy - s * 0.4), (x + s * 0.1, cy), (x - s * 0.14, cy + s * 0.24), (x - s * 0.34, cy)], NAMED["moss green"], lift=0.1, spot=True)
    for k in (-0.3, 0.0, 0.3):
        pen.line([(x + s * k, cy - s * 0.52), (x + s * k * 1.9, cy), (x + s * k, cy + s * 0.52)], s * 0.018, INK, opacity=0.5)
    pen.disc(x, y, s * 0.36, s * 0.08, darker(WOOD, 0.2), lift=0.3)


def _window(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.box(x - s * 0.56, y - s * 1.5, s * 1.12, s * 1.3, darker(WOOD, 0.15))
    pen.box(x - s * 0.46, y - s * 1.4, s * 0.92, s * 1.1, LIGHT if lit else NAMED["pale blue"], lift=0.0, spot=True)
    pen.line([(x, y - s * 1.4), (x, y - s * 0.3)], s * 0.06, WOOD)
    pen.line([(x - s * 0.46, y - s * 0.86), (x + s * 0.46, y - s * 0.86)], s * 0.06, WOOD)


def _door(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.shape([(x - s * 0.6, y), (x - s * 0.6, y - s * 1.5), (x, y - s * 1.86), (x + s * 0.6, y - s * 1.5), (x + s * 0.6, y)], darker(WOOD, 0.3), smooth=False)
    pen.shape([(x - s * 0.5, y), (x - s * 0.5, y - s * 1.46), (x, y - s * 1.76), (x + s * 0.5, y - s * 1.46), (x + s * 0.5, y)], WOOD, smooth=False, lift=0.2, spot=True)
    pen.disc(x + s * 0.34, y - s * 0.7, s * 0.06, None, NAMED["gold"], lift=0.2, spot=True)


def _tower(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    h = s * 2.6
    if lit:
        pen.glow_at(x, y - h * 1.06, s * 3.4, LIGHT, 0.8)
    pen.shape([(x - s * 0.42, y), (x - s * 0.26, y - h), (x + s * 0.26, y - h), (x + s * 0.42, y)], NAMED["cream"], smooth=False)
    for i in range(3):
        t0, t1 = 0.16 + i * 0.3, 0.3 + i * 0.3
        pen.shape([(x - s * (0.42 - 0.16 * t0), y - h * t0), (x + s * (0.42 - 0.16 * t0), y - h * t0), (x + s * (0.42 - 0.16 * t1), y - h * t1), (x - s * (0.42 - 0.16 * t1), y - h * t1)], NAMED["brick red"], smooth=False, lift=0.0, spot=True)
    pen.box(x - s * 0.2, y - h * 1.12, s * 0.4, h * 0.12, LIGHT if lit else (90, 98, 106), lift=0.2, plain=lit, spot=True)
    pen.box(x - s * 0.34, y - h * 1.02, s * 0.68, h * 0.03, IRON, lift=0.3)
    pen.shape([(x - s * 0.3, y - h * 1.12), (x, y - h * 1.24), (x + s * 0.3, y - h * 1.12)], NAMED["brick red"], smooth=False, spot=True)


def _turret(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    h, stone = s * 2.5, (156, 148, 142)
    pen.shape([(x - s * 0.44, y), (x - s * 0.34, y - h), (x + s * 0.34, y - h), (x + s * 0.44, y)], stone, smooth=False)
    pen.box(x - s * 0.46, y - h * 1.04, s * 0.92, h * 0.07, darker(stone, 0.12), lift=0.4)
    pen.shape([(x - s * 0.46, y - h * 1.03), (x, y - h * 1.34), (x + s * 0.46, y - h * 1.03)], (92, 106, 120), smooth=False, spot=True)
    for t in (0.3, 0.55):
        pen.box(x - s * 0.06, y - h * t - s * 0.26, s * 0.12, s * 0.26, LIGHT if lit else darker(stone, 0.55), lift=0.0, plain=lit)
    pen.shape([(x - s * 0.14, y), (x - s * 0.14, y - s * 0.32), (x, y - s * 0.44), (x + s * 0.14, y - s * 0.32), (x + s * 0.14, y)], darker(WOOD, 0.3), lift=0.0)


def _clocktower(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    _turret(pen, x, y, s, lit)
    at, r = y - s * 2.5 * 0.84, s * 0.26
    pen.disc(x, at, r, None, darker(WOOD, 0.2), lift=0.3)
    pen.disc(x, at, r * 0.84, None, NAMED["cream"], lift=0.0, spot=True)
    pen.line([(x, at), (x, at - r * 0.6)], s * 0.04, IRON)
    pen.line([(x, at), (x + r * 0.44, at + r * 0.16)], s * 0.04, IRON)


def _sign(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.limb([(x, y), (x, y - s * 1.3)], s * 0.1, WOOD)
    pen.shape([(x - s * 0.6, y - s * 1.3), (x + s * 0.5, y - s * 1.3), (x + s * 0.74, y - s * 1.08), (x + s * 0.5, y - s * 0.86), (x - s * 0.6, y - s * 0.86)], lighter(WOOD, 0.25), smooth=False, spot=True)


def _sack(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.shape([(x - s * 0.5, y), (x - s * 0.56, y - s * 0.4), (x - s * 0.2, y - s * 0.84), (x - s * 0.26, y - s * 1.04), (x + s * 0.26, y - s * 1.04), (x + s * 0.2, y - s * 0.84), (x + s * 0.56, y - s * 0.4), (x + s * 0.5, y)], NAMED["tan"], spot=True)
    pen.line([(x - s * 0.22, y - s * 0.84), (x + s * 0.22, y - s * 0.84)], s * 0.07, WOOD)


def _bread(pen: Pen, x: float, y: float, s: float, lit: bool) -> None:
    pen.shape([(x - s * 0.6, y), (x - s * 0.66, y - s * 0.3), (x, y - s * 0.54), (x + s * 0.66, y - s * 0.3), (x + s * 0.6, y)], (188, 128, 66), spot=True)
    for k in (-0.3, 0.0, 0.3):
        pen.line([(x + s * (k - 0.08), y - s * 0.2), (x + s * (k + 0.08), y - s * 0.4)], s * 0.05, (120, 74, 34))


_DRAW: dict[str, Callable[[Pen, float, float, float, bool], None]] = {
    "lantern": _lantern, "lamp": _lamp, "boat": _boat, "ladder": _ladder, "book": _book, "letter": _letter,
    "chair": _chair, "table": _table, "bucket": _bucket, "key": _key, "clock": _clock, "bottle": _bottle, "cup": _cup,
    "basket": _basket, "barrel": _barrel, "chest": _chest, "candle": _candle, "telescope": _telescope,
    "instrument": _instrument, "signal": _signal, "umbrella": _umbrella, "cart": _cart, "wheel": _wheel,
    "anchor": _anchor, "bell": _bell, "flag": _flag, "oar": _oar, "rope": _rope, "rod": _rod, "fence": _fence,
    "globe": _globe, "window": _window, "door": _door, "tower": _tower, "turret": _turret, "clocktower": _clocktower, "sign": _sign, "sack": _sack, "bread": _bread,
}
