"""Places indoors: a room, a study, a hall, a cave, a station among the stars."""

import math

from .colour import NAMED, RGB, darker, lighter, mix
from .props import LIGHT, WOOD, draw_prop
from .stage import Stage, ridge


def space(s: Stage) -> None:
    """Inside a station: ribs, panels, a round window on the stars and a planet."""
    pen, w, f = s.back, s.width, s.ground - 70
    wall: RGB = s.wall or (150, 162, 172)
    pen.sheet(w, -60, f + 10, darker(wall, 0.3), wall)
    for i in range(8):
        x = w * (0.03 + 0.135 * i)
        pen.box(x - 12, -40, 24, f + 40, darker(wall, 0.16), lift=0.5)
        pen.box(x + 30, f - 150, w * 0.07, 90, lighter(wall, 0.12), lift=0.3)
        for k in range(3):
            pen.disc(x + 44 + 20 * k, f - 130, 5, None, NAMED[s.rng.choice(["teal", "mustard", "brick red"])], lift=0.0, line=False, spot=True, plain=pen.look != "shadow-theatre")
    cx, cy, r = w * s.rng.choice([0.34, 0.62]), f - 330, 170
    pen.disc(cx, cy, r + 26, None, darker(wall, 0.35), lift=0.8)
    pen.disc(cx, cy, r, None, (18, 24, 44), lift=0.0, spot=True, plain=pen.look != "shadow-theatre")
    for _ in range(34):
        a, d = s.rng.uniform(0, 2 * math.pi), r * 0.95 * math.sqrt(s.rng.random())
        pen.disc(cx + d * math.cos(a), cy + d * math.sin(a), s.rng.uniform(1.2, 3.0), None, (240, 232, 204), lift=0.0, line=False, plain=True, depth=0.0, spot=True)
    pen.disc(cx + r * 0.3, cy + r * 0.34, r * 0.44, None, (96, 138, 170), lift=0.0, spot=True)
    pen.shape([(cx + r * 0.02, cy + r * 0.3), (cx + r * 0.3, cy + r * 0.16), (cx + r * 0.6, cy + r * 0.28), (cx + r * 0.34, cy + r * 0.42)], (128, 150, 104), lift=0.0, line=False)
    s.light, s.light_strength = (cx, cy), 0.4
    floor = darker(wall, 0.4)
    pen.box(-60, f, w + 120, s.height, floor, lift=0.6)
    for i in range(11):
        x = w * (i / 10)
        pen.line([(w / 2 + (x - w / 2) * 0.8, f), (w / 2 + (x - w / 2) * 1.7, s.height + 20)], 3, darker(floor, 0.3), opacity=0.5)


def room(s: Stage) -> None:
    interior(s, s.rng.choice([(196, 152, 112), (150, 150, 124), (176, 128, 104), (128, 140, 146)]))
    w, f = s.width, s.ground - 70
    side = s.rng.choice([0.14, 0.86])
    draw_prop(s.back, "table", w * side, f + 60, 150)
    draw_prop(s.back, s.rng.choice(["candle", "cup", "bottle", "bread"]), w * side - 30, f + 60 - 118, 60)
    draw_prop(s.back, "chair", w * (0.30 if side < 0.5 else 0.70), f + 50, 130)
    draw_prop(s.back, "picture", w * (0.32 if side < 0.5 else 0.68), f - 300, 120)
    draw_prop(s.back, "shelf", w * (0.06 if side < 0.5 else 0.94), f - 230, 110)
    draw_prop(s.back, s.rng.choice(["jug", "bowl", "kettle", "pot"]), w * (0.055 if side < 0.5 else 0.935), f - 230 + 4, 50)
    draw_prop(s.back, "rug", w * 0.5, f + 70, 240)
    hearth = w * (0.84 if side < 0.5 else 0.16)
    s.back.box(hearth - 110, f - 250, 220, 250, (134, 116, 106), lift=1.0)
    s.back.shape([(hearth - 70, f), (hearth - 70, f - 120), (hearth, f - 160), (hearth + 70, f - 120), (hearth + 70, f)], (40, 28, 28), smooth=False, lift=0.1)
    s.light, s.light_strength = (hearth, f - 120), 0.55
    s.back.glow_at(hearth, f - 40, 220, (255, 150, 70), 0.7, flame=True)
    for dx, k in ((-26, 0.8), (4, 1.1), (30, 0.7)):
        s.back.shape([(hearth + dx - 18, f - 4), (hearth + dx - 12, f - 40 * k), (hearth + dx, f - 84 * k), (hearth + dx + 14, f - 36 * k), (hearth + dx + 18, f - 4)], (240, 140, 56), lift=0.2, plain=True, spot=True)


def study(s: Stage) -> None:
    interior(s, s.rng.choice([(116, 128, 120), (140, 112, 96), (104, 112, 128)]))
    w, f = s.width, s.ground - 70
    for x0 in (w * 0.02, w * 0.80):
        s.back.box(x0, f - 470, w * 0.18, 470, darker(WOOD, 0.2), lift=1.0)
        for row in range(4):
            y = f - 360 + row * 112
            s.back.box(x0 + 10, y - 92, w * 0.18 - 20, 92, darker(WOOD, 0.55), lift=0.0)
            x = x0 + 14.0
            while x < x0 + w * 0.18 - 30:
                bw, bh = s.rng.uniform(13, 26), s.rng.uniform(56, 86)
                s.back.box(x, y - bh, bw, bh, s.rng.choice([NAMED[c] for c in ("brick red", "navy", "moss green", "ochre", "plum", "tan")]), lift=0.2, spot=s.rng.random() < 0.4)
                x += bw + 2
    draw_prop(s.back, "globe", w * 0.72, f + 30, 90)
    draw_prop(s.back, "rug", w * 0.46, f + 80, 220)
    draw_prop(s.back, s.rng.choice(["hourglass", "ink", "scale"]), w * 0.255, f - 60, 70)
    s.back.box(w * 0.215, f - 62, w * 0.09, 14, WOOD, lift=0.4)
    s.back.box(w * 0.225, f - 50, 12, 70, darker(WOOD, 0.2))
    s.back.box(w * 0.285, f - 50, 12, 70, darker(WOOD, 0.2))


def shop(s: Stage) -> None:
    """Shelves of jars, tins and boxes along the wall, a counter with scales and a till."""
    wall: RGB = s.wall or s.rng.choice([(206, 188, 150), (176, 190, 176), (198, 172, 150)])
    interior(s, wall, window=False)
    w, f = s.width, s.ground - 70
    goods = ("brick red", "mustard", "teal", "cream", "moss green", "plum", "tan", "ochre")
    for x0, wide in ((w * 0.03, w * 0.27), (w * 0.36, w * 0.28), (w * 0.7, w * 0.27)):
        s.back.box(x0, f - 500, wide, 420, darker(WOOD, 0.25), lift=0.9)
        for row in range(3):
            y = f - 372 + row * 132
            s.back.box(x0 + 10, y - 112, wide - 20, 112, darker(WOOD, 0.5), lift=0.0)
            x = x0 + 22.0
            while x < x0 + wide - 52:
                colour = NAMED[s.rng.choice(goods)]
                broad, high = s.rng.uniform(30, 46), s.rng.uniform(48, 88)
                if s.rng.random() < 0.5:
                    s.back.box(x, y - high, broad, high, colour, lift=0.2)
                else:  # a jar with its lid
                    s.back.box(x, y - high, broad, high, lighter(colour, 0.3), lift=0.2)
                    s.back.box(x - 2, y - high - 10, broad + 4, 12, darker(colour, 0.3), lift=0.2)
                x += broad + s.rng.uniform(6, 16)
    s.back.box(-60, f - 92, w + 120, 22, lighter(WOOD, 0.12), lift=0.6)
    s.back.box(-60, f - 70, w + 120, 112, darker(WOOD, 0.05), lift=0.5)
    for k in range(9):
        s.back.line([(w * k / 8, f - 66), (w * k / 8, f + 38)], 3, darker(WOOD, 0.35), opacity=0.6)
    draw_prop(s.back, "scale", w * 0.2, f - 90, 84)
    till = mix((96, 92, 96), wall, 0.2)
    s.back.shape([(w * 0.76, f - 92), (w * 0.77, f - 168), (w * 0.83, f - 168), (w * 0.85, f - 92)], till, smooth=False, lift=0.6)
    s.back.box(w * 0.777, f - 198, w * 0.045, 34, lighter(till, 0.3), lift=0.3)


def hall(s: Stage) -> None:
    wall: RGB = s.wall or s.rng.choice([(168, 158, 150), (186, 166, 132), (140, 138, 150)])
    interior(s, wall, window=False)
    f = s.ground - 70
    for i in range(5):
        x = s.width * (0.04 + 0.23 * i)
        s.back.shape([(x + 40, f - 40), (x + 40, f - 400), (x + s.width * 0.115, f - 520), (x + s.width * 0.19, f - 400), (x + s.width * 0.19, f - 40)], mix(s.hour.sky[1], LIGHT, 0.3), smooth=False, lift=0.0, plain=s.back.look != "shadow-theatre", spot=True)
    for i in range(6):
        x = s.width * (0.01 + 0.2 * i)
        s.back.box(x - 26, f - 620, 52, 620, lighter(wall, 0.12), lift=1.1)
        s.back.box(x - 40, f - 34, 80, 34, darker(wall, 0.1), lift=0.5)


def interior(s: Stage, wall: RGB, window: bool = True) -> None:
    w, f = s.width, s.ground - 70
    wall = s.wall or wall
    s.walls(-60, f + 10, wall)
    for i in range(9):
        x = w * i / 8
        s.back.line([(x, -20), (x, f)], 2, darker(wall, 0.3), opacity=0.25)
    floor = mix((132, 92, 62), wall, 0.25)
    s.back.box(-60, f, w + 120, s.height, floor, lift=0.6)
    for i in range(11):
        x = w * (i / 10)
        s.back.line([(w / 2 + (x - w / 2) * 0.8, f), (w / 2 + (x - w / 2) * 1.7, s.height + 20)], 2.4, darker(floor, 0.3), opacity=0.45)
    s.back.box(-60, f - 20, w + 120, 20, darker(wall, 0.3), lift=0.4)
    s.light, s.light_strength = (w * 0.5, f - 300), 0.4
    if s.hour.lamps:  # on the wall: what hangs before it keeps its colour
        s.back.glow_at(w * 0.5, f - 300, 600, LIGHT, 0.2)
    if window:
        x, y, ww, hh = w * 0.5 - 130, f - 440, 260, 290
        s.back.box(x - 22, y - 22, ww + 44, hh + 44, darker(WOOD, 0.1), lift=0.9)
        s.back.box(x, y, ww, hh, mix(s.hour.sky[0], s.hour.sky[1], 0.6), lift=0.0, plain=s.back.look != "shadow-theatre", spot=True)
        if s.time == "night":
            s.back.disc(x + ww * 0.7, y + hh * 0.3, 26, None, (242, 232, 200), lift=0.0, plain=True, spot=True)
        s.back.shape([(x, y + hh), (x, y + hh * 0.74), (x + ww * 0.4, y + hh * 0.66), (x + ww, y + hh * 0.8), (x + ww, y + hh)], s.hour.far, lift=0.0, line=False)
        for dx in (0.0, 0.5, 1.0):
            s.back.line([(x + ww * dx, y), (x + ww * dx, y + hh)], 9, WOOD)
        s.back.line([(x, y + hh * 0.5), (x + ww, y + hh * 0.5)], 9, WOOD)
        any_cloth = NAMED[s.rng.choice(["brick red", "moss green", "navy", "ochre"])]
        cloth = s.cloth or any_cloth
        for side, cx in ((-1, x - 30), (1, x + ww + 30)):
            hung = [(cx - 44, y - 40), (cx + 44, y - 40), (cx + 30 - side * 16, y + hh * 0.5), (cx + 40, y + hh + 40), (cx - 40, y + hh + 40), (cx - 30 - side * 16, y + hh * 0.5)]
            with s.back.marking("curtains", "curtains"):
                s.back.shape(hung, cloth, lift=0.8, spot=True)


def cave(s: Stage) -> None:
    s.back.sheet(s.width, -60, s.height + 60, (50, 46, 58), (92, 78, 82))
    s.back.glow_at(s.width * 0.5, s.horizon, 520, LIGHT, 0.4)
    for i in range(2):
        ridge(s, s.back, s.ground - 60 + i * 60, 40, (84 - 16 * i, 72 - 14 * i, 78 - 14 * i), 0.5 + 0.3 * i)
    teeth = [(x, 60 + 110 * abs(math.sin(x * 1.7))) for x in s.across(90)]
    s.front.shape([(-140, -80), *teeth, (s.width + 140, -80)], (40, 34, 44), smooth=False, lift=1.0)
