"""Rooms that are told by what stands in them: a ward, a corridor, a gallery, a cell, a classroom."""

from .colour import NAMED, RGB, darker, lighter, mix
from .indoors import interior
from .props import LIGHT, PAPER, WOOD, draw_prop
from .stage import Stage

STEEL: RGB = (150, 158, 164)


def ward(s: Stage) -> None:
    """A hospital ward: beds in a row under tall windows, a chart at the foot of each."""
    wall = s.wall or (206, 216, 206)
    interior(s, wall, window=False)
    pen, w, f = s.back, s.width, s.ground - 70
    for i in range(3):
        _window(s, w * (0.2 + 0.3 * i) - 70, f - 470, 140, 240)
    for i in range(3):
        x = w * (0.06 + 0.31 * i)
        pen.box(x, f - 150, 12, 170, STEEL, lift=0.4)
        pen.box(x + w * 0.22, f - 100, 12, 120, STEEL, lift=0.4)
        pen.box(x, f - 76, w * 0.23, 46, (240, 238, 230), lift=0.6, spot=True)
        pen.shape([(x + 10, f - 76), (x + 14, f - 112), (x + w * 0.055, f - 112), (x + w * 0.06, f - 76)], (250, 250, 246), lift=0.4)
        pen.box(x + w * 0.075, f - 84, w * 0.145, 44, (146, 178, 186), lift=0.4)
        pen.box(x + w * 0.23, f - 88, 26, 34, PAPER, lift=0.3)
    s.light, s.light_strength = (w * 0.5, f - 350), 0.35


def corridor(s: Stage) -> None:
    """A corridor that runs away from us: doors on both sides, lamps, a window at its end."""
    pen, w, h = s.back, s.width, s.height
    wall: RGB = s.wall or s.rng.choice([(176, 150, 122), (150, 160, 150), (164, 146, 150)])
    dim = darker(wall, 0.08)
    cx, top, low = w * 0.5, h * 0.3, s.ground - 130
    half = w * 0.11
    pen.sheet(w, -60, h + 60, s.lit(darker(dim, 0.25)), s.lit(darker(dim, 0.35)))
    for side in (-1, 1):
        edge = cx + side * w * 0.62
        with pen.marking("walls", "walls"):
            pen.shape([(cx + side * half, top), (edge, -160), (edge, h + 140), (cx + side * half, low)], dim, smooth=False, lift=0.4)
        for i, near in enumerate((0.16, 0.42, 0.78)):
            x0, x1 = cx + side * (half + near * w * 0.36), cx + side * (half + (near + 0.11 + 0.07 * i) * w * 0.36)
            a, b = _along(near, top, low, h), _along(near + 0.11 + 0.07 * i, top, low, h)
            pen.shape([(x0, a[0]), (x1, b[0]), (x1, b[1]), (x0, a[1])], darker(WOOD, 0.12), smooth=False, lift=0.8)
            pen.disc(x1 - side * 12, (b[0] + b[1]) / 2 + 30, 7 + 3 * i, None, NAMED["gold"], lift=0.3, spot=True)
    pen.shape([(cx - half, low), (cx + half, low), (cx + w * 0.62, h + 140), (cx - w * 0.62, h + 140)], mix(darker(WOOD, 0.1), dim, 0.3), smooth=False, lift=0.4)
    pen.shape([(cx - half * 0.55, low), (cx + half * 0.55, low), (cx + w * 0.3, h + 140), (cx - w * 0.3, h + 140)], s.cloth or NAMED["brick red"], smooth=False, lift=0.2)
    pen.box(cx - half, top, half * 2, low - top, lighter(dim, 0.06), lift=0.6)
    _window(s, cx - half * 0.5, top + 40, half, (low - top) * 0.5)
    for near, r in ((0.1, 14), (0.45, 24)):
        y = _along(near, top, low, h)[0] - 40
        pen.glow_at(cx, y, 150 + 8 * r, LIGHT, 0.5 if s.hour.lamps else 0.2)
        pen.disc(cx, y, r, None, lighter(LIGHT, 0.2), lift=0.3, spot=True, plain=pen.look != "shadow-theatre")
    s.light, s.light_strength = (cx, top), 0.4


def _along(near: float, top: float, low: float, h: float) -> tuple[float, float]:
    """Upper and lower edge of a door so far along a corridor's wall, 0 at its end, 1 beside us."""
    return top + 60 - near * 170, low + near * (h + 140 - low) * 0.56


def lift(s: Stage) -> None:
    """Inside a lift: two doors of steel, a row of buttons, a lamp, a rail along its walls."""
    pen, w, f = s.back, s.width, s.ground - 70
    wall: RGB = s.wall or s.rng.choice([(150, 120, 92), (128, 136, 140), (140, 108, 96)])
    s.walls(-60, f + 10, wall)
    for i in range(7):
        pen.line([(w * i / 6, 0), (w * i / 6, f)], 4, darker(wall, 0.25), opacity=0.6)
    pen.box(w * 0.27, f - 560, w * 0.46, 560, darker(STEEL, 0.35), lift=0.6)
    for k in (0.285, 0.503):
        pen.box(w * k, f - 545, w * 0.212, 545, STEEL, lift=0.5)
        pen.line([(w * (k + 0.03), f - 520), (w * (k + 0.03), f - 30)], 5, lighter(STEEL, 0.25), opacity=0.6)
    pen.box(w * 0.42, f - 640, w * 0.16, 54, (44, 40, 44), lift=0.4)
    for i in range(5):
        pen.disc(w * 0.5 + (i - 2) * 36, f - 613, 9, None, (250, 190, 90) if i == 2 else (110, 96, 84), lift=0.1, spot=True)
    pen.box(w * 0.79, f - 400, w * 0.05, 230, lighter(STEEL, 0.1), lift=0.6)
    for i in range(6):
        pen.disc(w * 0.815, f - 372 + 36 * i, 11, None, (250, 226, 150) if i == 1 else (236, 232, 222), lift=0.2, spot=True)
    pen.box(-60, f, w + 120, s.height, darker(wall, 0.35), lift=0.5)
    pen.line([(0, f - 220), (w * 0.25, f - 220)], 12, NAMED["gold"])
    pen.line([(w * 0.87, f - 220), (w, f - 220)], 12, NAMED["gold"])
    pen.glow_at(w * 0.5, 0, 620, LIGHT, 0.4)
    s.light, s.light_strength = (w * 0.5, 0), 0.4


def gallery(s: Stage) -> None:
    """A museum's hall: pictures in gilt frames, a rope before them, a bench."""
    wall: RGB = s.wall or s.rng.choice([(150, 84, 76), (96, 116, 112), (120, 104, 128)])
    interior(s, wall, window=False)
    pen, w, f = s.back, s.width, s.ground - 70
    for x, y, wide, high in ((0.08, 440, 0.17, 220), (0.33, 480, 0.12, 280), (0.53, 410, 0.2, 190), (0.81, 470, 0.13, 260)):
        left, top = w * x, f - y
        pen.box(left - 14, top - 14, w * wide + 28, high + 28, NAMED["gold"], lift=0.9)
        inner = s.rng.choice([(120, 140, 130), (150, 128, 96), (92, 108, 130), (168, 140, 120)])
        pen.box(left, top, w * wide, high, inner, lift=0.0, spot=True)
        pen.shape([(left, top + high), (left, top + high * 0.66), (left + w * wide * 0.45, top + high * 0.5), (left + w * wide, top + high * 0.72), (left + w * wide, top + high)], darker(inner, 0.3), lift=0.0, line=False)
        if s.rng.random() < 0.5:
            pen.disc(left + w * wide * 0.5, top + high * 0.42, high * 0.13, None, (222, 188, 160), lift=0.1, spot=True)
    for i in range(5):
        x = w * (0.06 + 0.22 * i)
        pen.limb([(x, f + 36), (x, f - 74)], 9, NAMED["gold"])
        if i < 4:
            pen.line([(x, f - 66), (x + w * 0.11, f - 34), (x + w * 0.22, f - 66)], 8, NAMED["brick red"])
    s.light, s.light_strength = (w * 0.5, f - 520), 0.4


def cell(s: Stage) -> None:
    """A cell: stone, a plank bed, a barred window high up."""
    wall: RGB = s.wall or (120, 120, 122)
    interior(s, wall, window=False)
    pen, w, f = s.back, s.width, s.ground - 70
    for row in range(7):
        y = f - 60 - row * 88
        pen.line([(0, y), (w, y + 4)], 2.4, darker(wall, 0.3), opacity=0.5)
        for k in range(7):
            x = w * (k + (row % 2) * 0.5) / 6.5
            pen.line([(x, y), (x, y + 88)], 2.4, darker(wall, 0.3), opacity=0.5)
    x, y, wide, high = w * 0.56, f - 500, 170, 150
    pen.box(x, y, wide, high, mix(s.hour.sky[0], s.hour.sky[1], 0.6), lift=0.0, spot=True, plain=pen.look != "shadow-theatre")
    for i in range(5):
        pen.limb([(x + wide * i / 4, y - 8), (x + wide * i / 4, y + high + 8)], 10, darker(STEEL, 0.5))
    pen.glow_at(x + wide / 2, y + high / 2, 380, s.hour.sky[1], 0.3)
    pen.box(w * 0.06, f - 60, w * 0.3, 24, darker(WOOD, 0.1), lift=0.7)
    pen.box(w * 0.07, f - 84, w * 0.28, 26, (150, 146, 132), lift=0.4)
    draw_prop(pen, "bucket", w * 0.88, f + 40, 80)
    s.light, s.light_strength = (x + wide / 2, y), 0.5


def classroom(s: Stage) -> None:
    """A schoolroom: a blackboard with chalk on it, a map, desks in a row."""
    interior(s, s.wall or (206, 190, 150), window=False)
    pen, w, f = s.back, s.width, s.ground - 70
    _window(s, w * 0.05, f - 460, 170, 260)
    x, y, wide, high = w * 0.3, f - 470, w * 0.42, 260
    pen.box(x - 14, y - 14, wide + 28, high + 28, darker(WOOD, 0.1), lift=0.8)
    pen.box(x, y, wide, high, (48, 70, 62), lift=0.0, spot=True)
    for i in range(3):
        pen.line([(x + 30, y + 60 + 60 * i), (x + wide * s.rng.uniform(0.5, 0.85), y + 56 + 60 * i)], 5, (232, 232, 220), opacity=0.75)
    pen.box(w * 0.79, f - 440, w * 0.15, 200, (212, 200, 160), lift=0.5)
    pen.shape([(w * 0.81, f - 330), (w * 0.84, f - 400), (w * 0.9, f - 390), (w * 0.92, f - 310), (w * 0.86, f - 270)], NAMED["moss green"], lift=0.1)
    for i in range(4):
        x = w * (0.13 + 0.25 * i)
        for dx in (-70, 58):
            pen.box(x + dx, f - 20, 12, 110, darker(WOOD, 0.2), lift=0.3)
        pen.box(x - 84, f - 40, 168, 22, lighter(WOOD, 0.12), lift=0.8)
        pen.box(x - 30, f - 52, 60, 12, PAPER, lift=0.2)
    s.light, s.light_strength = (w * 0.14, f - 330), 0.4


def _window(s: Stage, x: float, y: float, wide: float, high: float) -> None:
    pen = s.back
    pen.box(x - 12, y - 12, wide + 24, high + 24, lighter(WOOD, 0.1), lift=0.6)
    pen.box(x, y, wide, high, mix(s.hour.sky[0], s.hour.sky[1], 0.6), lift=0.0, spot=True, plain=pen.look != "shadow-theatre")
    pen.line([(x + wide / 2, y), (x + wide / 2, y + high)], 7, WOOD)
    pen.line([(x, y + high / 2), (x + wide, y + high / 2)], 7, WOOD)
