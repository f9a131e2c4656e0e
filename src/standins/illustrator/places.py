"""Places: sky, distance, middle ground and ground of each kind of place, and what frames it in front."""

import math
from collections.abc import Callable

from .colour import NAMED, darker, lighter, mix
from .homes import attic, bedroom, inn, kitchen, office, workshop
from .indoors import cave, hall, room, shop, space, study
from .pen import Point
from .props import LIGHT, WOOD, draw_prop
from .rooms import cell, classroom, corridor, gallery, lift, ward
from .stage import SNOW, Stage, haze, house, peaks, ridge, rocks, sky, tree, tufts, tufts_at, water
from .vehicles import bus, cab, carriage


def _jetty(s: Stage) -> None:
    sky(s)
    ridge(s, s.back, s.horizon, 90, s.hour.far, 0.25, s.horizon + 30)
    for i in range(3):
        house(s, s.back, s.width * (0.1 + 0.11 * i) + s.rng.uniform(-20, 20), s.horizon + 6, s.rng.uniform(34, 52), s.rng.uniform(24, 44), 0.3)
    water(s, s.horizon, s.height)
    top, h = s.ground - 34, s.height
    for i in range(9):
        x = s.width * (i / 8)
        s.back.limb([(x, top + 40), (x, h + 40)], 20, darker(WOOD, 0.35))
    planks = 10
    for i in range(planks):
        x0, x1 = s.width * (i / planks) * 1.1 - s.width * 0.05, s.width * ((i + 1) / planks) * 1.1 - s.width * 0.05
        cx = s.width / 2
        s.back.shape([(x0, top), (x1 - 5, top), (cx + (x1 - cx) * 1.25, h + 50), (cx + (x0 - cx) * 1.25, h + 50)], lighter(WOOD, s.rng.uniform(0, 0.14)), smooth=False, lift=0.4)
    for x in (s.width * 0.06, s.width * 0.95):
        s.back.limb([(x, top + 60), (x, top - 120)], 34, darker(WOOD, 0.15))
        s.back.disc(x, top - 122, 20, 8, lighter(WOOD, 0.2), lift=0.2)
    tufts(s, s.front, s.height + 30, darker(s.hour.near, 0.15), 190, 12)
    s.near_water = True


def _harbour(s: Stage) -> None:
    _jetty(s)
    draw_prop(s.back, "boat", s.width * 0.72, s.horizon + (s.ground - s.horizon) * 0.4, 70)


def _sea(s: Stage) -> None:
    sky(s)
    if s.rng.random() < 0.7:
        ridge(s, s.back, s.horizon + 4, 50, s.hour.far, 0.2, s.horizon + 20)
    water(s, s.horizon, s.height)
    front = darker(s.hour.water, 0.34)
    wave = [(x, s.height - 40 + math.sin(x / 130) * 24) for x in s.across(60)]
    s.front.shape([*wave, (s.width + 140, s.height + 80), (-140, s.height + 80)], front, lift=1.0)
    s.near_water = True


def _underwater(s: Stage) -> None:
    """Down in the sea: light from above in shafts, rocks and weed on the bottom, bubbles that rise."""
    pen, w, h = s.back, s.width, s.height
    day = s.time in ("day", "dawn")
    top, deep = ((96, 176, 190), (22, 62, 96)) if day else ((38, 78, 116), (10, 24, 52))
    pen.sheet(w, -60, h + 60, mix(top, s.hour.water, 0.2), mix(deep, s.hour.water, 0.1))
    for _ in range(5):
        x, wide = w * s.rng.uniform(0.05, 0.95), w * s.rng.uniform(0.03, 0.08)
        pen.shape([(x, -40), (x + wide, -40), (x + wide * 2.4 + 60, h * 0.8), (x + 60 - wide, h * 0.8)], lighter(top, 0.35), lift=0.0, line=False, opacity=0.1 if day else 0.05, depth=0.1, smooth=False)
    ridge(s, pen, s.horizon + 120, 90, mix(deep, top, 0.22), 0.3)
    ridge(s, pen, s.ground - 30, 50, mix(deep, (120, 118, 96), 0.3), 0.7)
    rocks(s, pen, s.ground + 10, mix(deep, (96, 96, 104), 0.45), 90, 5)
    for k in (0.06, 0.14, 0.84, 0.93):
        x, tall = w * (k + s.rng.uniform(-0.02, 0.02)), s.rng.uniform(170, 330)
        weed = mix(deep, (84, 132, 84), 0.5)
        for j in (-1, 0, 1):
            sway = [(x + j * 26 + math.sin(t * 0.9 + j) * 16, s.ground + 40 - tall * (1 - abs(j) * 0.3) * t / 5) for t in range(6)]
            pen.limb(sway, 13, weed)
    for _ in range(14):
        x, y = w * s.rng.uniform(0.05, 0.95), h * s.rng.uniform(0.05, 0.75)
        pen.disc(x, y, s.rng.uniform(4, 12), None, lighter(top, 0.4), lift=0.0, line=False, plain=True, opacity=0.4, depth=0.4, spot=True)
    tufts(s, s.front, h + 30, mix(deep, (60, 104, 84), 0.4), 180, 10)
    s.light_strength *= 0.4


def _shore(s: Stage) -> None:
    sky(s)
    ridge(s, s.back, s.horizon, 110, s.hour.far, 0.25, s.horizon + 30)
    water(s, s.horizon, s.ground - 20)
    sand = mix((206, 184, 142), s.hour.near, 0.25)
    s.back.shape([(-140, s.ground - 20), (s.width * 0.3, s.ground - 52), (s.width * 0.7, s.ground - 20), (s.width + 140, s.ground - 60), (s.width + 140, s.height + 60), (-140, s.height + 60)], sand, lift=1.0)
    rocks(s, s.back, s.ground + 10, mix((110, 108, 112), s.hour.near, 0.3), 70, 4)
    tufts(s, s.front, s.height + 30, darker(s.hour.near, 0.1), 170, 14)


def _lighthouse(s: Stage) -> None:
    _shore(s)
    draw_prop(s.back, "lamp" if s.rng.random() < 0.35 else "tower", s.width * s.rng.choice([0.2, 0.8]), s.ground - 30, 150, lit=s.hour.lamps and not s.dark_lamp)


def _marsh(s: Stage) -> None:
    sky(s)
    ridge(s, s.back, s.horizon, 70, s.hour.far, 0.25, s.horizon + 30)
    water(s, s.horizon, s.height, calm=True)
    for i in range(4):
        y = s.horizon + (s.ground - s.horizon) * (0.25 + 0.22 * i)
        x, half = s.rng.uniform(0, s.width), s.width * s.rng.uniform(0.16, 0.3)
        s.back.shape([(x - half, y), (x, y - 14), (x + half, y), (x, y + 16)], mix(s.hour.middle, s.hour.near, i / 4), lift=0.5)
    ridge(s, s.back, s.ground - 10, 24, s.hour.near, 0.8)
    tufts(s, s.back, s.ground + 30, s.hour.near, 150, 22)
    tufts(s, s.front, s.height + 30, darker(s.hour.near, 0.2), 280, 16)


def _river(s: Stage) -> None:
    sky(s)
    ridge(s, s.back, s.horizon - 30, 120, s.hour.far, 0.2)
    haze(s)
    ridge(s, s.back, s.horizon + 20, 60, s.hour.middle, 0.5)
    for _ in range(5):
        tree(s, s.back, s.width * s.rng.uniform(0, 1), s.horizon + 20, s.rng.uniform(80, 150), mix(s.hour.middle, s.hour.near, 0.5), s.rng.random() < 0.3, 0.6)
    if s.afloat:
        water(s, s.horizon + 16, s.height)
        s.near_water = True
    else:
        _winding(s)
        ridge(s, s.back, s.ground + 30, 20, s.hour.near, 0.9)
    tufts(s, s.front, s.height + 30, darker(s.hour.near, 0.2), 220, 14)


def _frozen(s: Stage) -> None:
    """A lake under ice: hills and bare trees behind it, cracks and drifted snow on it, a white bank near."""
    sky(s)
    ridge(s, s.back, s.horizon - 10, 90, mix(s.hour.far, SNOW, 0.25), 0.25)
    haze(s)
    for _ in range(6):
        tree(s, s.back, s.width * s.rng.uniform(0, 1), s.horizon + 12, s.rng.uniform(50, 100), mix(s.hour.middle, SNOW, 0.5), s.rng.random() < 0.5, 0.4)
    pen, w, top = s.back, s.width, s.horizon
    ice = mix(mix(s.hour.water, (150, 190, 214), 0.6), SNOW, 0.3)
    pen.sheet(w, top, s.height + 60, mix(ice, s.hour.sky[1], 0.25), ice)
    for i in range(5):
        t = (i + 0.6) / 5
        y, x = top + (s.height - top) * t * t, w * s.rng.uniform(0.05, 0.6)
        drift = w * s.rng.uniform(0.18, 0.36)
        pen.shape([(x, y), (x + drift * 0.4, y - 3 - 9 * t), (x + drift, y), (x + drift * 0.5, y + 3 + 6 * t)], mix(SNOW, s.hour.sky[1], 0.12), depth=0.4 + 0.4 * t, lift=0.1, line=False)
        at, crack = w * s.rng.uniform(0.1, 0.9), [0.0, 0.3, 0.5, 0.8, 1.0]
        pen.line([(at + k * 150 * (0.4 + t), y + 8 + s.rng.uniform(-14, 14) * t) for k in crack], 1.2 + 2 * t, mix(s.hour.water, (70, 120, 150), 0.4), opacity=0.7)
    ridge(s, s.back, s.ground + 40, 16, mix(s.hour.near, SNOW, 0.8), 0.9)
    tufts(s, s.front, s.height + 30, mix(darker(s.hour.near, 0.2), SNOW, 0.4), 150, 8)


def _winding(s: Stage) -> None:
    """A river that winds from the foot of the hills across the picture, between banks; it leaves at a lower corner."""
    pen, w, top, low = s.back, s.width, s.horizon + 26, s.height + 60
    pen.sheet(w, top, low, mix(s.hour.middle, s.hour.near, 0.45), s.hour.near)
    side = s.rng.choice([-1, 1])
    # Its middle and half its width by how near it is, 0 … 1: bends grow and it widens as it comes.
    course = [(t, 0.5 + side * (0.24 * math.sin(5.2 * t + 0.4) * (0.25 + 0.75 * t) + 0.16 * t * t), 0.012 + 0.26 * t**1.9) for t in (i / 14 for i in range(15))]

    def bank(edge: float, wider: float) -> list[Point]:
        return [(w * (x + edge * (half * wider + 0.006 * wider)), top + (low - top) * t**1.35) for t, x, half in course]

    earth = mix(s.hour.near, (150, 122, 84), 0.55)
    pen.shape([*bank(-1, 1.12), *reversed(bank(1, 1.12))], earth, depth=0.6, lift=0.3)
    pen.shape([*bank(-1, 1.0), *reversed(bank(1, 1.0))], mix(s.hour.water, s.hour.sky[1], 0.25), depth=0.6, lift=0.2)
    for t, x, half in course[2:-1]:
        y = top + (low - top) * t**1.35
        for k in (-0.5, 0.2):
            x0, reach = w * (x + half * k), w * half * 0.34
            pen.line([(x0 - reach, y + 3), (x0, y - 2), (x0 + reach, y + 3)], 1.5 + 3 * t, lighter(s.hour.water, 0.45), opacity=0.55)
    for t, edge in ((0.3, -1), (0.45, 1), (0.62, -1), (0.78, 1)):
        x = next(x + edge * (half * 1.12 + 0.02) for u, x, half in course if u >= t)
        tufts_at(s, pen, w * x, top + (low - top) * t**1.35 + 6, darker(s.hour.near, 0.08), 30 + 90 * t, 4)


def _bridge(s: Stage) -> None:
    """On a stone bridge: its way under everybody's feet, a parapet behind them, the river and its banks beyond, arches
    below."""
    sky(s)
    ridge(s, s.back, s.horizon - 20, 110, s.hour.far, 0.2)
    haze(s)
    ridge(s, s.back, s.horizon + 10, 50, s.hour.middle, 0.45)
    water(s, s.horizon + 30, s.height)
    for side in (0, 1):
        x = s.width * side
        bank = [(x, s.horizon + 26), (x + (1 - 2 * side) * s.width * 0.3, s.horizon + 44), (x, s.ground - 10)]
        s.back.shape(bank, mix(s.hour.middle, s.hour.near, 0.5), depth=0.5)
        tree(s, s.back, x + (1 - 2 * side) * s.width * 0.1, s.horizon + 44, s.rng.uniform(110, 160), mix(s.hour.middle, s.hour.near, 0.5), False, 0.55)
    stone, w, pen = mix((164, 154, 142), s.hour.near, 0.3), s.width, s.back
    top, edge = s.ground - 40, s.ground + 30
    pen.box(-140, top - 74, w + 280, 84, stone, lift=0.7)
    for i in range(16):
        x = w * i / 15
        pen.line([(x, top - 66), (x, top - 34)], 2, darker(stone, 0.25), opacity=0.6)
        pen.line([(x + w / 30, top - 34), (x + w / 30, top)], 2, darker(stone, 0.25), opacity=0.6)
    pen.box(-140, top - 92, w + 280, 22, lighter(stone, 0.18), lift=0.5)
    pen.box(-140, top, w + 280, edge - top, mix((188, 170, 140), s.hour.near, 0.25), lift=0.2)
    pen.box(-140, edge, w + 280, s.height - edge + 80, darker(stone, 0.16), lift=0.6)
    for x in (0.2, 0.5, 0.8):
        half, under = w * 0.11, s.height + 80
        arch = [(w * x + half * math.cos(a), edge + 118 - 104 * math.sin(a)) for a in (math.pi * k / 12 for k in range(13))]
        pen.shape([*arch, (w * x - half, under), (w * x + half, under)], darker(s.hour.water, 0.3), lift=0.0)


def _tower(s: Stage) -> None:
    """High up in a tower: stone all around, and through its arches the land far below."""
    sky(s)
    ridge(s, s.back, s.ground - 120, 60, s.hour.far, 0.1)
    ridge(s, s.back, s.ground - 70, 30, s.hour.middle, 0.2)
    w, floor, pen = s.width, s.ground - 30, s.back
    stone = mix((148, 138, 130), s.hour.near, 0.25)
    sill = floor - 130
    for x0, x1 in ((-0.1, 0.1), (0.36, 0.64), (0.9, 1.1)):
        pen.box(w * x0, -80, w * (x1 - x0), floor + 90, stone, lift=0.8)
    for left, right in ((0.1, 0.36), (0.64, 0.9)):
        middle, half = w * (left + right) / 2, w * (right - left) / 2
        arch = [(middle + half * math.cos(a), s.height * 0.3 - s.height * 0.2 * math.sin(a)) for a in (math.pi * k / 12 for k in range(13))]
        pen.shape([(w * right + 2, -80), *arch, (w * left - 2, -80)], stone, smooth=False, lift=0.3)
        pen.box(w * left - 12, sill, 2 * half + 24, 26, lighter(stone, 0.15), lift=0.5)
        pen.box(w * left - 2, sill + 26, 2 * half + 4, floor - sill, darker(stone, 0.08), lift=0.2)
    for _ in range(26):
        x, y = w * s.rng.choice([s.rng.uniform(0, 0.08), s.rng.uniform(0.38, 0.6), s.rng.uniform(0.92, 1)]), s.rng.uniform(0, floor)
        pen.line([(x, y), (x + 46, y)], 2, darker(stone, 0.22), opacity=0.6)
    pen.box(-140, floor, w + 280, s.height - floor + 80, mix(WOOD, s.hour.near, 0.2), lift=0.4)
    for i in range(4):
        y = floor + 22 + i * 34
        pen.line([(-20, y), (w + 20, y)], 2, darker(WOOD, 0.3), opacity=0.5)
    pen.limb([(-60, 46), (w + 60, 46)], 44, darker(WOOD, 0.15))


def _forest(s: Stage) -> None:
    sky(s, sun=False)
    for layer in range(3):
        t = (layer + 1) / 3
        ground = s.horizon + (s.ground - s.horizon) * t * 0.8
        ridge(s, s.back, ground, 20, mix(s.hour.far, s.hour.middle, t), 0.2 + 0.25 * layer)
        for _ in range(9 - layer * 2):
            x = s.rng.uniform(-40, s.width + 40)
            tree(s, s.back, x, ground + 10, s.rng.uniform(300, 460) * (0.7 + 0.3 * t), mix(s.hour.far, s.hour.middle, t), s.rng.random() < 0.6, 0.2 + 0.25 * layer)
    ridge(s, s.back, s.ground, 26, s.hour.near, 0.9)
    for x in (-0.02 * s.width, 1.02 * s.width):
        s.front.limb([(x, s.height + 40), (x + 10, s.height * 0.4), (x - 6, -60)], 110, darker(WOOD, 0.5))
        tufts(s, s.front, s.height + 30, darker(s.hour.near, 0.25), 170, 8)


def _mountain(s: Stage) -> None:
    sky(s)
    peaks(s, s.back, s.horizon + 10, 360, s.hour.far, 0.2)
    haze(s)
    peaks(s, s.back, s.horizon + 70, 230, mix(s.hour.far, s.hour.middle, 0.6), 0.45)
    ridge(s, s.back, s.ground - 30, 60, s.hour.middle, 0.7)
    for _i in range(6):
        tree(s, s.back, s.width * s.rng.uniform(0, 1), s.ground - 40, s.rng.uniform(60, 120), mix(s.hour.middle, s.hour.near, 0.7), True, 0.7)
    ridge(s, s.back, s.ground + 14, 34, s.hour.near, 0.9)
    rocks(s, s.front, s.height + 10, mix((96, 94, 100), s.hour.near, 0.4), 140, 4)


def _street(s: Stage) -> None:
    sky(s)
    _rows_of_houses(s, 150, 250, 2)


def _city(s: Stage) -> None:
    sky(s)
    _rows_of_houses(s, 260, 430, 3)
    draw_prop(s.back, "lamp", s.width * 0.9, s.ground + 10, 90, lit=s.hour.lamps)


def _rows_of_houses(s: Stage, low: float, high: float, rows: int) -> None:
    for layer in range(rows):
        t = (layer + 1) / rows
        x = -60.0 - s.rng.uniform(0, 60)
        base = s.horizon + (s.ground - 40 - s.horizon) * t
        while x < s.width + 60:
            w = s.rng.uniform(110, 180) * (0.5 + 0.5 * t)
            gap = abs(x + w / 2 - s.width / 2) < s.width * 0.13 and layer == rows - 1
            if not gap:
                house(s, s.back, x, base, w, s.rng.uniform(low, high) * (0.55 + 0.45 * t), 0.25 + 0.55 * t)
            x += w * s.rng.uniform(1.0, 1.12)
    stone = s.snowed(mix((158, 148, 136), s.hour.near, 0.35))
    s.back.box(-60, s.ground - 44, s.width + 120, s.height, stone, lift=0.8)
    for row in range(5):
        y = s.ground - 20 + row * row * 16
        for i in range(int(10 - row)):
            x = s.width * (i + (row % 2) * 0.5) / (9 - row)
            s.back.line([(x, y), (x + 50 + row * 14, y)], 2.4, darker(stone, 0.3), opacity=0.35)


def _garden(s: Stage) -> None:
    sky(s)
    ridge(s, s.back, s.horizon - 20, 90, s.hour.far, 0.25)
    haze(s)
    ridge(s, s.back, s.horizon + 60, 30, mix(s.hour.far, s.hour.middle, 0.75), 0.45)
    left = s.rng.random() < 0.5
    house(s, s.back, s.width * (0.07 if left else 0.68), s.horizon + 120, 300, 230, 0.75)
    for i in range(4):
        # Trees beside the house, not before its door.
        x = (0.36, 0.52, 0.72, 0.9)[i] if left else (0.1, 0.28, 0.48, 0.6)[i]
        tree(s, s.back, s.width * (x + s.rng.uniform(-0.03, 0.03)), s.horizon + 130, s.rng.uniform(170, 270), s.hour.middle, False, 0.6)
    s.back.sheet(s.width, s.horizon + 112, s.height + 60, mix(s.hour.middle, s.hour.near, 0.25), s.hour.near)
    bed = mix((122, 88, 62), s.hour.near, 0.35)
    for y, grow in ((s.horizon + 170, 0.55), (s.horizon + 250, 0.85)):
        # Two long beds with flowers, narrower in the distance.
        for x0, x1 in ((0.05, 0.34), (0.62, 0.96)):
            s.back.shape([(s.width * x0, y), (s.width * x1, y - 4), (s.width * (x1 + 0.02), y + 22 * grow), (s.width * (x0 - 0.02), y + 26 * grow)], bed, lift=0.3)
            for _ in range(9):
                fx = s.width * s.rng.uniform(x0 + 0.01, x1 - 0.01)
                high = 34 * grow * s.rng.uniform(0.7, 1.2)
                s.back.line([(fx, y + 8), (fx, y + 8 - high)], 3 * grow, darker(s.hour.near, 0.1))
                s.back.disc(fx, y + 6 - high, 8 * grow, None, NAMED[s.rng.choice(["brick red", "mustard", "cream", "plum", "pink"])], lift=0.2, spot=True)
    ridge(s, s.back, s.ground - 10, 16, mix(s.hour.middle, s.hour.near, 0.6), 0.85)
    for x in (0.16, 0.5, 0.86):
        draw_prop(s.back, "fence", s.width * x, s.ground - 26, 74)
    ridge(s, s.back, s.ground + 6, 12, s.hour.near, 0.95)
    for _ in range(14):
        x = s.rng.uniform(0, s.width)
        s.back.disc(x, s.ground + s.rng.uniform(10, 90), 7, None, s.rng.choice([NAMED["brick red"], NAMED["mustard"], NAMED["cream"]]), lift=0.3, spot=True)
    tufts(s, s.front, s.height + 30, darker(s.hour.near, 0.15), 200, 16)


def _meadow(s: Stage) -> None:
    sky(s)
    ridge(s, s.back, s.horizon, 130, s.hour.far, 0.2)
    ridge(s, s.back, s.horizon + 50, 70, mix(s.hour.far, s.hour.middle, 0.6), 0.45)
    for _i in range(5):
        tree(s, s.back, s.width * s.rng.uniform(0, 1), s.horizon + 60, s.rng.uniform(60, 120), mix(s.hour.middle, s.hour.near, 0.4), s.rng.random() < 0.25, 0.5)
    ridge(s, s.back, s.horizon + 120, 50, s.hour.middle, 0.65)
    path = mix((214, 194, 150), s.hour.middle, 0.3)
    w = s.width
    s.back.shape([(w * 0.49, s.horizon + 96), (w * 0.52, s.horizon + 96), (w * 0.60, s.ground - 60), (w * 0.74, s.height + 60), (w * 0.3, s.height + 60), (w * 0.44, s.ground - 60)], path, lift=0.2)
    tufts(s, s.back, s.ground + 10, s.hour.near, 60, 16)
    tufts(s, s.front, s.height + 30, darker(s.hour.near, 0.12), 210, 18)


def _crops(s: Stage) -> None:
    """A field of corn as high as the knee, in rows toward the hills."""
    sky(s)
    ridge(s, s.back, s.horizon, 130, s.hour.far, 0.2)
    for _i in range(4):
        tree(s, s.back, s.width * s.rng.uniform(0, 1), s.horizon + 40, s.rng.uniform(50, 90), mix(s.hour.middle, s.hour.near, 0.4), s.rng.random() < 0.25, 0.4)
    ridge(s, s.back, s.horizon + 70, 30, mix(s.hour.middle, (150, 128, 84), 0.4), 0.5)
    ripe = mix(mix((214, 178, 84), s.hour.near, 0.3), s.hour.middle, 0.2)
    rows = 5
    for row in range(rows):
        t = (row + 1) / rows
        y, high = s.horizon + 84 + (s.height - s.horizon - 60) * t * t, 34 + 96 * t
        colour = mix(s.hour.far, ripe, 0.45 + 0.55 * t)
        left = -high + (row % 2) * high * 0.3
        while left < s.width + high:
            lean = s.rng.uniform(-0.12, 0.12) * high
            for side in (-1, 1):
                s.back.line([(left, y), (left + lean, y - high * 0.55), (left + lean + side * high * 0.3, y - high * 0.72)], 2 + 5 * t, darker(colour, 0.18))
            s.back.line([(left, y), (left + lean, y - high)], 2 + 5 * t, colour)
            s.back.disc(left + lean, y - high, 3 + 7 * t, 8 + 15 * t, mix(colour, (232, 202, 120), 0.5), lift=0.1)
            left += high * s.rng.uniform(0.42, 0.58)


def _ice(s: Stage) -> None:
    """Sea ice to the horizon: bergs, floes with blue cracks between, hummocks near."""
    sky(s)
    pen, w, top = s.back, s.width, s.horizon
    snow, shade = mix((238, 243, 247), s.hour.middle, 0.22), mix((176, 204, 222), s.hour.far, 0.3)
    for _ in range(4):
        x, size = w * s.rng.uniform(0.02, 0.98), s.rng.uniform(50, 130)
        pen.shape([(x - size, top + 6), (x - size * 0.7, top - size * 0.7), (x - size * 0.1, top - size * s.rng.uniform(0.8, 1.2)), (x + size * 0.5, top - size * 0.5), (x + size, top + 6)], mix(snow, s.hour.far, 0.35), smooth=False, depth=0.3, lift=0.8)
        pen.shape([(x - size * 0.1, top - size * 0.8), (x + size * 0.5, top - size * 0.5), (x + size, top + 6), (x + size * 0.1, top + 6)], mix(shade, s.hour.far, 0.3), smooth=False, depth=0.3, lift=0.0, line=False)
    pen.sheet(w, top, s.height + 60, mix(snow, s.hour.sky[1], 0.3), snow)
    for i in range(5):
        t = (i + 0.6) / 5
        y = top + (s.height - top) * t * t
        crack = [(x, y + s.rng.uniform(-14, 14) * (0.3 + t)) for x in s.across(150)]
        back = [(x, yy + 5 + 13 * t + s.rng.uniform(0, 8)) for x, yy in reversed(crack)]
        pen.shape([*crack, *back], mix(s.hour.water, (70, 120, 150), 0.4), smooth=False, depth=0.4 + 0.4 * t, lift=0.15)
    for _ in range(6):
        x, y = s.rng.choice([s.rng.uniform(0, w * 0.28), s.rng.uniform(w * 0.72, w)]), s.rng.uniform(top + 60, s.ground)
        size = 26 + 70 * (y - top) / (s.height - top)
        pen.shape([(x - size, y), (x - size * 0.5, y - size * 0.7), (x + size * 0.2, y - size * 0.95), (x + size, y)], snow, smooth=False, depth=0.7, lift=0.7)
        pen.shape([(x + size * 0.2, y - size * 0.95), (x + size, y), (x + size * 0.1, y)], shade, smooth=False, depth=0.7, lift=0.0, line=False)
    s.light_strength *= 0.8


def _above_the_clouds(s: Stage) -> None:
    """High up: banks of cloud as far as one sees, and whoever flies stands out before them."""
    sky(s)
    for i in range(4):
        t = (i + 1) / 4
        y = s.horizon + 20 + (s.ground + 60 - s.horizon) * t
        tone = lighter(mix(s.hour.sky[0], s.hour.sky[1], 0.2 + 0.6 * t), (0.62 if s.time in ("day", "dawn") else 0.26) * t * t)
        top, x = [(-120.0, y)], -120.0
        while x < s.width + 120:
            wide, high = s.rng.uniform(90, 190) * (0.5 + t * 0.7), s.rng.uniform(24, 62) * (0.5 + t * 0.7)
            top += [(x + wide * k, y - high * lift) for k, lift in ((0.12, 0.6), (0.3, 0.95), (0.55, 1.0), (0.8, 0.7), (1.0, 0.1))]
            x += wide
        s.back.shape([*top, (s.width + 140, s.height + 80), (-140, s.height + 80)], tone, depth=0.2 + 0.6 * t, lift=1.2)


def _desert(s: Stage) -> None:
    sky(s)
    sand = mix((222, 184, 128), s.hour.near, 0.2)
    for i in range(3):
        ridge(s, s.back, s.horizon + i * 80, 80, darker(sand, 0.06 * i), 0.3 + 0.25 * i, rough=0.05)
    rocks(s, s.front, s.height + 10, darker(sand, 0.4), 110, 3)


def _castle(s: Stage) -> None:
    sky(s)
    ridge(s, s.back, s.horizon + 6, 140, s.hour.far, 0.2)
    stone = mix((150, 144, 142), s.hour.far, 0.35)
    base, w = s.horizon + 60, s.width
    for x, wide, high in ((0.36, 0.05, 330), (0.64, 0.05, 330), (0.5, 0.07, 430), (0.28, 0.04, 240), (0.72, 0.04, 240)):
        x0, half = w * x, w * wide / 2
        s.back.box(x0 - half, base - high, 2 * half, high + 40, stone, depth=0.5)
        s.back.shape([(x0 - half * 1.2, base - high), (x0, base - high - 120), (x0 + half * 1.2, base - high)], mix(NAMED["brick red"], s.hour.far, 0.3), smooth=False, depth=0.5)
        s.back.box(x0 - 8, base - high + 50, 16, 34, LIGHT if s.hour.lamps else darker(stone, 0.5), depth=0.5, lift=0.0, plain=s.hour.lamps, spot=s.hour.lamps)
    s.back.box(w * 0.3, base - 170, w * 0.4, 210, darker(stone, 0.1), depth=0.55)
    for i in range(11):
        s.back.box(w * (0.3 + 0.0375 * i), base - 196, w * 0.02, 30, darker(stone, 0.1), depth=0.55, lift=0.3)
    s.back.shape([(w * 0.47, base + 40), (w * 0.47, base - 70), (w * 0.5, base - 110), (w * 0.53, base - 70), (w * 0.53, base + 40)], darker(stone, 0.6), smooth=False, depth=0.6, lift=0.0)
    haze(s)
    ridge(s, s.back, s.horizon + 80, 30, s.hour.middle, 0.6)
    s.back.shape([(w * 0.48, s.horizon + 70), (w * 0.52, s.horizon + 70), (w * 0.66, s.height + 40), (w * 0.3, s.height + 40)], mix((190, 168, 132), s.hour.near, 0.3), lift=0.2)
    ridge(s, s.back, s.ground + 34, 18, s.hour.near, 0.9)
    tufts(s, s.front, s.height + 30, darker(s.hour.near, 0.2), 170, 12)


def _market(s: Stage) -> None:
    _street(s)
    cloths = ["brick red", "mustard", "teal", "plum"]
    for i, x in enumerate((0.1, 0.3, 0.7, 0.9)):
        cx, y, half = s.width * x, s.ground - 50, 105
        colour = NAMED[cloths[i]]
        for dx in (-0.9, 0.9):
            s.back.limb([(cx + half * dx, y + 20), (cx + half * dx, y - 190)], 9, WOOD)
        for k in range(6):
            x0 = cx - half * 1.05 + k * half * 0.35
            s.back.shape([(x0, y - 190), (x0 + half * 0.35, y - 190), (x0 + half * 0.35, y - 132), (x0 + half * 0.17, y - 118), (x0, y - 132)], colour if k % 2 else NAMED["cream"], smooth=False, lift=0.5)
        s.back.box(cx - half, y - 60, half * 2, 80, lighter(WOOD, 0.1))
        for k in range(4):
            draw_prop(s.back, s.rng.choice(["apple", "pumpkin", "bread", "jug", "cheese", "basket", "pear"]), cx - half * 0.7 + k * half * 0.46, y - 58, 44)


def _deck(s: Stage) -> None:
    sky(s)
    water(s, s.horizon, s.ground)
    w = s.width
    s.back.limb([(w * 0.66, s.ground), (w * 0.66, -60)], 46, WOOD)
    s.back.shape([(w * 0.66, 40), (w * 0.92, 120), (w * 0.9, 470), (w * 0.66, 420)], NAMED["cream"], lift=1.0)
    for k in (0.18, 0.3):
        s.back.line([(w * 0.66, 20), (w * k, s.ground - 70)], 5, darker(WOOD, 0.2), smooth=False)
    s.back.box(-60, s.ground - 60, w + 120, s.height, (150, 108, 70), lift=0.6)
    for i in range(12):
        x = w * i / 11
        s.back.line([(w / 2 + (x - w / 2) * 0.9, s.ground - 60), (w / 2 + (x - w / 2) * 1.9, s.height + 20)], 3, (108, 74, 48), opacity=0.6)
    s.back.box(-60, s.ground - 150, w + 120, 22, darker(WOOD, 0.1))
    for i in range(14):
        s.back.box(w * i / 13 - 8, s.ground - 130, 16, 72, lighter(WOOD, 0.05), lift=0.3)
    draw_prop(s.back, "barrel", w * 0.1, s.ground + 10, 110)
    draw_prop(s.back, "rope", w * 0.22, s.ground + 20, 80)
    s.near_water = True


def _station(s: Stage) -> None:
    sky(s)
    _rows_of_houses(s, 120, 200, 1)
    w, f = s.width, s.ground - 40
    draw_prop(s.back, "train", w * 0.3, f - 20, 240)
    s.back.box(-60, f - 24, w + 120, 14, (92, 88, 90), lift=0.3)
    s.back.box(-60, f, w + 120, s.height, mix((168, 160, 150), s.hour.near, 0.3), lift=0.6)
    for x in (0.62, 0.9):
        s.back.limb([(w * x, f + 10), (w * x, 160)], 20, (70, 84, 82))
    s.back.shape([(w * 0.52, 190), (w * 0.56, 130), (w + 60, 130), (w + 60, 190)], NAMED["moss green"], smooth=False)
    draw_prop(s.back, "clock", w * 0.76, 330, 70)
    draw_prop(s.back, "bench", w * 0.76, f + 30, 110)


def _filling(s: Stage) -> None:
    """A filling station by the road: pumps under a roof with lamps, a lit shop, trees behind."""
    sky(s)
    ridge(s, s.back, s.horizon + 20, 60, s.hour.far, 0.25)
    w, f = s.width, s.ground - 30
    for x in (0.04, 0.12, 0.19, 0.93, 0.99):
        tree(s, s.back, w * x, f - 10, s.rng.uniform(230, 320), mix(s.hour.middle, s.hour.near, 0.5), True, 0.5)
    s.back.box(-60, f - 14, w + 120, s.height, mix((128, 126, 128), s.hour.near, 0.35), lift=0.5)
    wall = mix((214, 204, 186), s.hour.near, 0.25)
    s.back.box(w * 0.64, f - 250, w * 0.27, 246, wall, lift=0.6)
    s.back.box(w * 0.63, f - 286, w * 0.29, 44, mix(NAMED["brick red"], s.hour.near, 0.15), lift=0.8)
    glass = LIGHT if s.hour.lamps else mix(s.hour.sky[0], s.hour.sky[1], 0.5)
    for x, wide in ((0.66, 0.1), (0.84, 0.055)):
        s.back.box(w * x, f - 200, w * wide, 120, glass, lift=0.0, plain=s.hour.lamps, spot=s.hour.lamps)
    s.back.box(w * 0.775, f - 200, w * 0.05, 196, mix(glass, wall, 0.35), lift=0.1)
    for x in (0.2, 0.54):
        s.back.limb([(w * x, f + 6), (w * x, f - 380)], 22, mix((150, 152, 156), s.hour.near, 0.2))
    s.back.box(w * 0.12, f - 440, w * 0.5, 66, mix(NAMED["cream"], s.hour.near, 0.2), lift=1.0)
    s.back.box(w * 0.12, f - 396, w * 0.5, 20, mix(NAMED["brick red"], s.hour.near, 0.1), lift=0.2)
    for x in (0.29, 0.45):
        s.back.box(w * x - 70, f - 6, 140, 22, mix((190, 186, 180), s.hour.near, 0.3), lift=0.3)
        s.back.box(w * x - 38, f - 190, 76, 186, mix(NAMED["brick red"], s.hour.near, 0.1), lift=0.7)
        s.back.box(w * x - 26, f - 172, 52, 44, LIGHT if s.hour.lamps else (226, 222, 206), lift=0.0)
        s.back.line([(w * x + 38, f - 150), (w * x + 66, f - 110), (w * x + 58, f - 50), (w * x + 40, f - 70)], 7, (48, 44, 46))
        if s.hour.lamps:
            s.back.glow_at(w * x, f - 360, 300, LIGHT, 0.3)


def _mill(s: Stage) -> None:
    """A windmill on its rise, over a meadow with a stream."""
    sky(s)
    ridge(s, s.back, s.horizon, 80, s.hour.far, 0.25)
    x = s.width * s.rng.choice([0.24, 0.76])
    s.back.shape([(x - 420, s.ground), (x - 180, s.horizon + 40), (x + 180, s.horizon + 40), (x + 420, s.ground)], s.hour.middle, lift=0.8)
    draw_prop(s.back, "windmill", x, s.horizon + 60, 190)
    for dx in (-0.34, 0.3, 0.44):
        tree(s, s.back, s.width * (0.5 + dx), s.horizon + 70, s.rng.uniform(90, 140), mix(s.hour.middle, s.hour.near, 0.5), False, 0.6)
    ridge(s, s.back, s.ground, 26, s.hour.near, 0.9)
    tufts(s, s.front, s.height + 30, darker(s.hour.near, 0.2), 200, 14)


PLACE_DRAWERS: dict[str, Callable[[Stage], None]] = {
    "jetty": _jetty, "harbour": _harbour, "sea": _sea, "shore": _shore, "lighthouse": _lighthouse, "marsh": _marsh,
    "underwater": _underwater, "river": _river, "frozen": _frozen, "bridge": _bridge, "tower": _tower, "forest": _forest, "mountain": _mountain, "street": _street, "city": _city, "garden": _garden,
    "meadow": _meadow, "crops": _crops, "sky": _above_the_clouds, "desert": _desert, "room": room, "kitchen": kitchen, "bedroom": bedroom, "attic": attic, "inn": inn, "workshop": workshop, "office": office, "study": study, "hall": hall, "cave": cave,
    "ice": _ice, "space": space, "ward": ward, "corridor": corridor, "gallery": gallery, "cell": cell, "lift": lift, "classroom": classroom,
    "carriage": carriage, "bus": bus, "cab": cab, "mill": _mill,
    "castle": _castle, "market": _market, "deck": _deck, "station": _station, "filling": _filling, "shop": shop,
}
