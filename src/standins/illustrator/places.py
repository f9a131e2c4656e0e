"""Places: sky, distance, middle ground and ground of each kind of place, and what frames it in
front."""

import math
import random
from collections.abc import Callable
from dataclasses import dataclass

from .colour import NAMED, RGB, darker, lighter, mix, paler
from .pen import Pen, Point
from .props import LIGHT, WOOD, draw_prop


@dataclass(frozen=True)
class Hour:
    """The colours of a time of day."""

    sky: tuple[RGB, RGB]
    far: RGB
    middle: RGB
    near: RGB
    water: RGB
    ambient: RGB
    share: float
    glow: RGB
    lamps: bool


_HOURS: dict[str, list[Hour]] = {
    "day": [
        Hour(((116, 170, 196), (230, 232, 210)), (142, 170, 172), (112, 148, 104), (86, 116, 66), (92, 144, 158), (255, 246, 224), 0.05, (255, 214, 130), False),
        Hour(((150, 186, 196), (244, 232, 200)), (170, 178, 160), (150, 156, 92), (112, 120, 62), (110, 152, 150), (255, 240, 210), 0.07, (255, 206, 120), False),
    ],
    "dawn": [
        Hour(((146, 152, 186), (250, 212, 172)), (168, 152, 170), (134, 136, 122), (96, 104, 82), (156, 158, 170), (255, 206, 176), 0.15, (255, 198, 140), False),
        Hour(((118, 146, 172), (246, 222, 178)), (146, 156, 168), (120, 136, 112), (88, 104, 76), (140, 160, 168), (255, 216, 170), 0.13, (255, 210, 150), False),
    ],
    "dusk": [
        Hour(((72, 58, 104), (232, 136, 88)), (108, 72, 104), (84, 54, 84), (56, 38, 62), (110, 84, 116), (150, 76, 88), 0.24, (255, 168, 96), True),
        Hour(((52, 70, 110), (236, 160, 96)), (92, 84, 112), (70, 66, 84), (46, 48, 60), (98, 96, 124), (160, 96, 80), 0.22, (255, 184, 100), True),
    ],
    "night": [
        Hour(((16, 26, 54), (48, 72, 108)), (42, 60, 92), (30, 46, 72), (20, 32, 52), (34, 56, 88), (30, 46, 88), 0.34, (250, 206, 120), True),
        Hour(((24, 22, 52), (62, 66, 108)), (50, 54, 90), (36, 40, 70), (24, 28, 50), (42, 52, 88), (40, 44, 86), 0.33, (250, 200, 112), True),
    ],
}


def hour_of(time: str, weather: str, rng: random.Random) -> Hour:
    """The colours of `time`, greyed by bad weather."""
    hour = rng.choice(_HOURS[time])
    if weather in ("rain", "fog", "snow"):
        veil: RGB = (176, 184, 188) if time in ("day", "dawn") else (74, 84, 104)
        k = 0.5 if weather == "fog" else 0.32
        sky = (paler(mix(hour.sky[0], veil, k), 0.3), paler(mix(hour.sky[1], veil, k), 0.3))
        soft = [mix(c, veil, k * 0.7) for c in (hour.far, hour.middle, hour.near, hour.water)]
        if weather == "snow":
            soft[1], soft[2] = mix(soft[1], (232, 236, 240), 0.55), mix(soft[2], (222, 228, 236), 0.6)
        return Hour(sky, soft[0], soft[1], soft[2], soft[3], hour.ambient, hour.share, hour.glow, hour.lamps)
    return hour


@dataclass
class Stage:
    """The page that a place is drawn on: back and front pens, size, horizon, and where figures
    stand."""

    back: Pen
    front: Pen
    width: float
    height: float
    horizon: float
    ground: float
    hour: Hour
    time: str
    weather: str
    rng: random.Random
    near_water: bool = False
    dark_lamp: bool = False
    wall: RGB | None = None
    cloth: RGB | None = None
    afloat: bool = False
    """Whether a boat is to be on its water."""
    light: Point | None = None
    light_strength: float = 0.0

    def across(self, step: float = 110) -> list[float]:
        n = int((self.width + 240) / step) + 1
        return [-120 + i * (self.width + 240) / n for i in range(n + 1)]


def ridge(s: Stage, pen: Pen, y: float, swell: float, colour: RGB, depth: float, base: float | None = None, rough: float = 0.25) -> None:
    """A line of hills from edge to edge, filled to `base`."""
    a, b = s.rng.uniform(0, 6), s.rng.uniform(0, 6)
    k = s.rng.uniform(1.1, 2.2)
    top = [(x, y - swell * (0.5 + 0.5 * math.sin(x / s.height * k * 2.4 + a) + rough * math.sin(x / s.height * k * 7 + b))) for x in s.across(70)]
    base = s.height + 60 if base is None else base
    pen.shape([*top, (s.width + 140, base), (-140, base)], colour, depth=depth, lift=1.2, smooth=True)


def peaks(s: Stage, pen: Pen, y: float, tall: float, colour: RGB, depth: float) -> None:
    points: list[Point] = [(-140, y + 40)]
    x = -120.0
    while x < s.width + 120:
        w = s.rng.uniform(0.16, 0.34) * s.height
        h = s.rng.uniform(0.55, 1.0) * tall
        points += [(x + w * 0.5, y - h), (x + w, y - h * s.rng.uniform(0.1, 0.4))]
        x += w
    points += [(s.width + 160, y + 40), (s.width + 160, s.height), (-140, s.height)]
    pen.shape(points, colour, smooth=False, depth=depth, lift=1.2)
    for i in range(1, len(points) - 3, 2):
        px, py = points[i]
        h = y - py
        pen.shape([(px, py), (px - h * 0.13, py + h * 0.24), (px - h * 0.02, py + h * 0.18), (px + h * 0.12, py + h * 0.26)], lighter(colour, 0.55), smooth=False, depth=depth * 0.5, lift=0.0, line=False)


def sky(s: Stage, sun: bool = True) -> None:
    """Sky with sun or moon, stars and clouds."""
    pen, w, h, rng = s.back, s.width, s.height, s.rng
    pen.sheet(w, s.horizon, h + 60, s.hour.sky[1], s.hour.middle)
    pen.sheet(w, -60, s.horizon + 90, s.hour.sky[0], s.hour.sky[1])
    x = w * rng.choice([0.18, 0.24, 0.76, 0.82]) + rng.uniform(-30, 30)
    y = h * rng.uniform(0.13, 0.26)
    if s.time == "night" and s.weather in ("clear", "wind"):
        for _ in range(46):
            sx, sy = rng.uniform(0, w), rng.uniform(0, s.horizon * 0.86)
            pen.disc(sx, sy, rng.uniform(1.0, 2.6), None, (240, 232, 204), lift=0.0, line=False, plain=pen.look != "shadow-theatre", depth=0.0, spot=True)
        s.light, s.light_strength = (x, y), 0.45
        pen.glow_at(x, y, 230, (214, 220, 216), 0.45)
        moon = rng.uniform(38, 54)
        pen.disc(x, y, moon, None, (242, 232, 200), lift=0.5, plain=pen.look != "shadow-theatre", depth=0.0, spot=True)
        if pen.look != "shadow-theatre":
            pen.disc(x - moon * 0.3, y - moon * 0.1, moon * 0.16, None, (222, 210, 178), lift=0.0, line=False, plain=True)
            pen.disc(x + moon * 0.24, y + moon * 0.3, moon * 0.11, None, (222, 210, 178), lift=0.0, line=False, plain=True)
    elif sun and s.weather in ("clear", "wind"):
        low = s.time in ("dawn", "dusk")
        y = s.horizon - h * rng.uniform(0.03, 0.1) if low else y
        s.light, s.light_strength = (x, y), 0.75 if low else 0.6
        pen.glow_at(x, y, 340 if low else 260, s.hour.glow, 0.8)
        pen.disc(x, y, 62 if low else 50, None, lighter(s.hour.glow, 0.35), lift=0.4, plain=True, spot=True)
    clouds = {"clear": 2, "wind": 4, "rain": 6, "snow": 4, "fog": 2}[s.weather]
    for _ in range(clouds):
        cloud(s, rng.uniform(0, w), rng.uniform(h * 0.07, s.horizon * 0.62), rng.uniform(80, 190))


def cloud(s: Stage, x: float, y: float, size: float) -> None:
    tone = lighter(mix(s.hour.sky[0], s.hour.sky[1], 0.6), 0.4 if s.time in ("day", "dawn") else 0.12)
    if s.weather == "rain":
        tone = mix(tone, (96, 104, 116), 0.5)
    n = 5
    top = [(x + size * (-1 + 2 * i / n), y - size * 0.34 * math.sin(math.pi * (i + 0.15) / (n + 0.3)) * (0.75 + 0.5 * s.rng.random())) for i in range(n + 1)]
    s.back.shape([*top, (x + size * 1.1, y + size * 0.08), (x, y + size * 0.12), (x - size * 1.1, y + size * 0.08)], tone, depth=0.06, lift=0.7, opacity=0.94)


def water(s: Stage, top: float, bottom: float, calm: bool = False) -> None:
    """Water from edge to edge with rows of waves."""
    pen, rng = s.back, s.rng
    pen.sheet(s.width, top, bottom + 60, mix(s.hour.water, s.hour.sky[1], 0.35), darker(s.hour.water, 0.25))
    rows = 6
    for i in range(rows):
        t = (i + 0.6) / rows
        y = top + (bottom - top) * t * t
        swell = 3 + 13 * t
        shift = rng.uniform(0, 200)
        wave = [(x, y + math.sin((x + shift) / (60 + 90 * t)) * swell) for x in s.across(46)]
        tone = mix(mix(s.hour.water, s.hour.sky[1], 0.35), darker(s.hour.water, 0.34), t)
        if pen.look == "cut-paper":
            pen.shape([*wave, (s.width + 140, bottom + 80), (-140, bottom + 80)], tone, depth=0.2 + 0.3 * t, lift=0.5 + 0.5 * t)
        else:
            for k in range(int(5 + 3 * t)):
                x0 = rng.uniform(-40, s.width)
                length = rng.uniform(40, 130) * (0.5 + t)
                pen.line([(x0 + j * length / 4, y + math.sin(j * 1.7 + k) * swell * 0.5) for j in range(5)], 1.6 + 2 * t, darker(s.hour.water, 0.4), opacity=0.5, depth=0.3 + 0.4 * t)
    if s.time in ("night", "dusk", "dawn") and not calm and pen.look in ("cut-paper", "ink-wash"):
        x = s.width * rng.uniform(0.3, 0.7)
        for i in range(7):
            y = top + (bottom - top) * (i + 0.5) / 9
            half = 16 + 11 * i
            pen.line([(x - half, y), (x, y + 2), (x + half, y)], 3.0, lighter(s.hour.glow, 0.2), opacity=0.34 - 0.03 * i)


def tree(pen: Pen, x: float, y: float, h: float, colour: RGB, pine: bool, depth: float = 1.0) -> None:
    pen.limb([(x, y), (x - h * 0.02, y - h * 0.45)], h * 0.075, mix(WOOD, (60, 44, 40), 0.4))
    if pine:
        for i in range(3):
            w, b = h * (0.30 - 0.07 * i), y - h * (0.22 + 0.22 * i)
            pen.shape([(x - w, b), (x, b - h * 0.38), (x + w, b), (x, b + h * 0.03)], lighter(colour, 0.05 * i), smooth=False, depth=depth, lift=0.6)
    else:
        pen.shape([(x - h * 0.30, y - h * 0.46), (x - h * 0.28, y - h * 0.78), (x, y - h * 1.0), (x + h * 0.29, y - h * 0.8), (x + h * 0.32, y - h * 0.48), (x, y - h * 0.36)], colour, depth=depth, lift=0.8)
        pen.shape([(x - h * 0.2, y - h * 0.62), (x - h * 0.12, y - h * 0.84), (x + h * 0.06, y - h * 0.9), (x + h * 0.02, y - h * 0.68)], lighter(colour, 0.16), depth=depth, lift=0.2, line=False)


def house(s: Stage, pen: Pen, x: float, y: float, w: float, h: float, depth: float = 0.8) -> None:
    rng = s.rng
    wall = mix(rng.choice([(222, 206, 174), (196, 168, 138), (168, 132, 110), (206, 196, 184), (150, 158, 150)]), s.hour.far, 0.5 * (1 - depth))
    roof = mix(rng.choice([(146, 72, 56), (88, 84, 92), (122, 88, 60), (86, 98, 96)]), s.hour.far, 0.4 * (1 - depth))
    pen.box(x, y - h, w, h, wall, depth=depth, lift=0.9)
    pen.shape([(x - w * 0.1, y - h), (x + w * 0.5, y - h - w * rng.uniform(0.4, 0.62)), (x + w * 1.1, y - h)], roof, smooth=False, depth=depth, lift=0.8)
    if rng.random() < 0.6:
        pen.box(x + w * 0.72, y - h - w * 0.42, w * 0.13, w * 0.32, darker(roof, 0.15), depth=depth, lift=0.5)
    lit = s.hour.lamps
    glass = LIGHT if lit else mix((92, 108, 122), s.hour.sky[1], 0.3)
    rows = max(1, int(h / (w * 0.62)))
    for r in range(rows):
        for c in (0.2, 0.62):
            if r == rows - 1 and c == 0.62:
                pen.box(x + w * 0.58, y - h * 0.36 / rows * 1.4, w * 0.22, h * 0.36 / rows * 1.4, darker(WOOD, 0.2), depth=depth, lift=0.1)
                continue
            on = lit and rng.random() < 0.75
            pen.box(x + w * c, y - h + h * (r + 0.2) / rows, w * 0.2, h * 0.36 / rows, glass if on or not lit else darker(wall, 0.4), depth=depth, lift=0.1, plain=on and pen.look != "shadow-theatre", spot=on)


def tufts(s: Stage, pen: Pen, y: float, colour: RGB, tall: float, count: int, sides: bool = True) -> None:
    """Grass or reeds; with `sides` only towards the left and right edges, so that nobody is
    hidden."""
    for _ in range(count):
        x = s.rng.uniform(-20, s.width + 20)
        if sides and 0.24 * s.width < x < 0.76 * s.width:
            x = x - 0.3 * s.width if x < s.width / 2 else x + 0.3 * s.width
        h = tall * s.rng.uniform(0.5, 1.0)
        lean = s.rng.uniform(-0.3, 0.3) * h + (0.35 * h if s.weather == "wind" else 0)
        w = h * 0.05 + 2
        pen.shape([(x - w, y), (x + lean * 0.4 - w * 0.6, y - h * 0.6), (x + lean, y - h), (x + lean * 0.4 + w * 0.6, y - h * 0.55), (x + w, y)], lighter(colour, s.rng.uniform(0, 0.14)), lift=0.5)


def tufts_at(s: Stage, pen: Pen, x: float, y: float, colour: RGB, tall: float, count: int) -> None:
    """A clump of grass or reeds."""
    for i in range(count):
        h = tall * s.rng.uniform(0.6, 1.0)
        at, lean, w = x + (i - count / 2) * tall * 0.16, s.rng.uniform(-0.25, 0.25) * h, h * 0.06 + 1.5
        pen.shape([(at - w, y), (at + lean - 1, y - h), (at + lean + 1, y - h), (at + w, y)], lighter(colour, s.rng.uniform(0, 0.14)), lift=0.4)


def rocks(s: Stage, pen: Pen, y: float, colour: RGB, size: float, count: int) -> None:
    for _ in range(count):
        x = s.rng.choice([s.rng.uniform(-40, s.width * 0.2), s.rng.uniform(s.width * 0.8, s.width + 40)])
        r = size * s.rng.uniform(0.5, 1.0)
        pen.shape([(x - r, y + 20), (x - r * 0.8, y - r * 0.5), (x - r * 0.1, y - r * 0.8), (x + r * 0.7, y - r * 0.5), (x + r, y + 20)], colour, lift=0.9)


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
        tree(s.back, s.width * s.rng.uniform(0, 1), s.horizon + 20, s.rng.uniform(80, 150), mix(s.hour.middle, s.hour.near, 0.5), s.rng.random() < 0.3, 0.6)
    if s.afloat:
        water(s, s.horizon + 16, s.height)
        s.near_water = True
    else:
        _winding(s)
        ridge(s, s.back, s.ground + 30, 20, s.hour.near, 0.9)
    tufts(s, s.front, s.height + 30, darker(s.hour.near, 0.2), 220, 14)


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


def _forest(s: Stage) -> None:
    sky(s, sun=False)
    for layer in range(3):
        t = (layer + 1) / 3
        ground = s.horizon + (s.ground - s.horizon) * t * 0.8
        ridge(s, s.back, ground, 20, mix(s.hour.far, s.hour.middle, t), 0.2 + 0.25 * layer)
        for _ in range(9 - layer * 2):
            x = s.rng.uniform(-40, s.width + 40)
            tree(s.back, x, ground + 10, s.rng.uniform(300, 460) * (0.7 + 0.3 * t), mix(s.hour.far, s.hour.middle, t), s.rng.random() < 0.6, 0.2 + 0.25 * layer)
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
        tree(s.back, s.width * s.rng.uniform(0, 1), s.ground - 40, s.rng.uniform(60, 120), mix(s.hour.middle, s.hour.near, 0.7), True, 0.7)
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
    stone = mix((158, 148, 136), s.hour.near, 0.35)
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
        tree(s.back, s.width * (x + s.rng.uniform(-0.03, 0.03)), s.horizon + 130, s.rng.uniform(170, 270), s.hour.middle, False, 0.6)
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
        tree(s.back, s.width * s.rng.uniform(0, 1), s.horizon + 60, s.rng.uniform(60, 120), mix(s.hour.middle, s.hour.near, 0.4), s.rng.random() < 0.25, 0.5)
    ridge(s, s.back, s.horizon + 120, 50, s.hour.middle, 0.65)
    path = mix((214, 194, 150), s.hour.middle, 0.3)
    w = s.width
    s.back.shape([(w * 0.49, s.horizon + 96), (w * 0.52, s.horizon + 96), (w * 0.60, s.ground - 60), (w * 0.74, s.height + 60), (w * 0.3, s.height + 60), (w * 0.44, s.ground - 60)], path, lift=0.2)
    tufts(s, s.back, s.ground + 10, s.hour.near, 60, 16)
    tufts(s, s.front, s.height + 30, darker(s.hour.near, 0.12), 210, 18)


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


def _space(s: Stage) -> None:
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


def _desert(s: Stage) -> None:
    sky(s)
    sand = mix((222, 184, 128), s.hour.near, 0.2)
    for i in range(3):
        ridge(s, s.back, s.horizon + i * 80, 80, darker(sand, 0.06 * i), 0.3 + 0.25 * i, rough=0.05)
    rocks(s, s.front, s.height + 10, darker(sand, 0.4), 110, 3)


def _room(s: Stage) -> None:
    _interior(s, s.rng.choice([(196, 152, 112), (150, 150, 124), (176, 128, 104), (128, 140, 146)]))
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
    s.back.glow_at(hearth, f - 40, 220, (255, 150, 70), 0.7)
    for dx, k in ((-26, 0.8), (4, 1.1), (30, 0.7)):
        s.back.shape([(hearth + dx - 18, f - 4), (hearth + dx - 12, f - 40 * k), (hearth + dx, f - 84 * k), (hearth + dx + 14, f - 36 * k), (hearth + dx + 18, f - 4)], (240, 140, 56), lift=0.2, plain=True, spot=True)


def _study(s: Stage) -> None:
    _interior(s, s.rng.choice([(116, 128, 120), (140, 112, 96), (104, 112, 128)]))
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


def _hall(s: Stage) -> None:
    wall: RGB = s.rng.choice([(168, 158, 150), (186, 166, 132), (140, 138, 150)])
    _interior(s, wall, window=False)
    f = s.ground - 70
    for i in range(5):
        x = s.width * (0.04 + 0.23 * i)
        s.back.shape([(x + 40, f - 40), (x + 40, f - 400), (x + s.width * 0.115, f - 520), (x + s.width * 0.19, f - 400), (x + s.width * 0.19, f - 40)], mix(s.hour.sky[1], LIGHT, 0.3), smooth=False, lift=0.0, plain=s.back.look != "shadow-theatre", spot=True)
    for i in range(6):
        x = s.width * (0.01 + 0.2 * i)
        s.back.box(x - 26, f - 620, 52, 620, lighter(wall, 0.12), lift=1.1)
        s.back.box(x - 40, f - 34, 80, 34, darker(wall, 0.1), lift=0.5)


def _interior(s: Stage, wall: RGB, window: bool = True) -> None:
    w, f = s.width, s.ground - 70
    wall = s.wall or wall
    if s.hour.lamps:
        wall = mix(wall, (92, 58, 44), 0.35)
    s.back.sheet(w, -60, f + 10, darker(wall, 0.22), wall)
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
            s.back.shape([(cx - 44, y - 40), (cx + 44, y - 40), (cx + 30 - side * 16, y + hh * 0.5), (cx + 40, y + hh + 40), (cx - 40, y + hh + 40), (cx - 30 - side * 16, y + hh * 0.5)], cloth, lift=0.8, spot=True)
    if s.hour.lamps:
        s.back.glow_at(w * 0.5, f - 300, 640, LIGHT, 0.28)


def _cave(s: Stage) -> None:
    s.back.sheet(s.width, -60, s.height + 60, (50, 46, 58), (92, 78, 82))
    s.back.glow_at(s.width * 0.5, s.horizon, 520, LIGHT, 0.4)
    for i in range(2):
        ridge(s, s.back, s.ground - 60 + i * 60, 40, (84 - 16 * i, 72 - 14 * i, 78 - 14 * i), 0.5 + 0.3 * i)
    teeth = [(x, 60 + 110 * abs(math.sin(x * 1.7))) for x in s.across(90)]
    s.front.shape([(-140, -80), *teeth, (s.width + 140, -80)], (40, 34, 44), smooth=False, lift=1.0)


def haze(s: Stage) -> None:
    """Air between the distance and the middle ground, brighter toward the light."""
    if s.back.look in ("stick-figures", "shadow-theatre", "screen-print", "chalk-slate") or s.weather == "fog":
        return
    s.back.veil(s.width, s.horizon - 120, s.horizon + 120, lighter(s.hour.sky[1], 0.1), 0.42)


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


PLACE_DRAWERS: dict[str, Callable[[Stage], None]] = {
    "jetty": _jetty, "harbour": _harbour, "sea": _sea, "shore": _shore, "lighthouse": _lighthouse, "marsh": _marsh,
    "river": _river, "forest": _forest, "mountain": _mountain, "street": _street, "city": _city, "garden": _garden,
    "meadow": _meadow, "desert": _desert, "room": _room, "study": _study, "hall": _hall, "cave": _cave,
    "ice": _ice, "space": _space,
    "castle": _castle, "market": _market, "deck": _deck, "station": _station,
}


def weather_over(s: Stage) -> None:
    """Rain, snow, fog or wind in front of everything."""
    pen, rng, w, h = s.front, s.rng, s.width, s.height
    if s.weather == "rain":
        for _ in range(90):
            x, y, length = rng.uniform(-40, w), rng.uniform(-40, h), rng.uniform(30, 70)
            pen.line([(x, y), (x - length * 0.28, y + length)], rng.uniform(1.6, 3), (214, 224, 232), opacity=rng.uniform(0.25, 0.55), depth=0.1)
    elif s.weather == "snow":
        for _ in range(90):
            pen.disc(rng.uniform(0, w), rng.uniform(0, h), rng.uniform(3, 9), None, (250, 250, 250), lift=0.15, line=False, plain=True, depth=0.0, opacity=0.92, spot=True)
    elif s.weather == "fog":
        veil = lighter(s.hour.sky[1], 0.2)
        for i in range(4):
            y = s.horizon + (h - s.horizon) * (i / 4) * 0.8
            band = [(x, y + math.sin(x / 240 + i) * 26) for x in s.across(110)]
            pen.shape([*band, *[(x, yy + 120) for x, yy in reversed(band)]], veil, lift=0.0, line=False, opacity=0.26, depth=0.0)
    elif s.weather == "wind":
        for _ in range(7):
            x, y, length = rng.uniform(-60, w), rng.uniform(h * 0.1, h * 0.8), rng.uniform(120, 260)
            pen.line([(x, y), (x + length * 0.5, y - 10), (x + length, y + 4), (x + length * 1.06, y - 14), (x + length * 0.96, y - 18)], 2.4, lighter(s.hour.sky[1], 0.3), opacity=0.5, depth=0.1)
