"""The page that places are drawn on: hours and their colours, sky, hills, water, trees, houses, weather."""

import math
import random
from dataclasses import dataclass, field, replace

from .colour import RGB, darker, lighter, mix, paler
from .pen import Pen, Point
from .props import LIGHT, WOOD
from .vocabulary import INDOORS, LAMPLIT


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


SNOW: RGB = (232, 236, 240)
_LEAVES: tuple[RGB, ...] = ((188, 92, 52), (204, 148, 58), (168, 72, 56), (196, 122, 48))
_GROUND: dict[str, tuple[RGB, float]] = {
    "winter": (SNOW, 0.55), "autumn": ((176, 128, 70), 0.42), "spring": ((132, 176, 92), 0.3), "summer": ((128, 160, 74), 0.16),
}
"""What colour a season gives to what grows, and how much of it by day."""


def in_season(hour: Hour, season: str, time: str) -> Hour:
    """The colours of an hour with the ground of a season: white, rust, fresh green."""
    if season not in _GROUND:
        return hour
    colour, share = _GROUND[season]
    # By night a colour is seen less; snow shines of itself.
    dark = darker(colour, 0.0 if time in ("day", "dawn") else 0.45)
    far, middle, near = (mix(c, dark, share * k) for c, k in ((hour.far, 0.5), (hour.middle, 0.9), (hour.near, 1.0)))
    return replace(hour, far=far, middle=middle, near=near)


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
    if weather == "lying snow":
        white = (240, 243, 248)
        return replace(hour, middle=mix(hour.middle, white, 0.6), near=mix(hour.near, white, 0.7))
    return hour


LAMPLIGHT: RGB = (104, 62, 40)
"""What lamps and fire mix into all that stands in a room."""


def light_in(hour: Hour, place: str) -> tuple[RGB, float]:
    """The light that tints everything at a place, and how much of it: in a lamplit room that of its lamps."""
    if hour.lamps and place in LAMPLIT:
        return mix(hour.ambient, LAMPLIGHT, 0.85), 0.28
    return hour.ambient, hour.share * (0.6 if place in INDOORS else 1.0)


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
    season: str = ""
    light: Point | None = None
    light_strength: float = 0.0
    waters: list[tuple[int, float, float]] = field(default_factory=list)
    """Water that was drawn: how much the backdrop's pen had drawn with it, and from where to where down the page."""

    def lit(self, colour: RGB) -> RGB:
        """`colour` in the light of the hour, for what the pen lays down as it is."""
        return mix(colour, self.back.ambient, self.back.share)

    def snowed(self, colour: RGB) -> RGB:
        """`colour` as it is where snow lies on it."""
        white = mix(SNOW, self.hour.ambient, self.hour.share)
        return mix(colour, white, 0.72) if self.weather in ("snow", "lying snow") else colour

    def walls(self, top: float, low: float, wall: RGB) -> None:
        """Walls from edge to edge, a little darker above; noted, so that their colour can be told."""
        with self.back.marking("walls", "walls"):
            # What of them is seen hangs on how near we are: so they are nearly one colour from top to bottom.
            self.back.sheet(self.width, top, low, self.lit(darker(wall, 0.07)), self.lit(lighter(wall, 0.02)))

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
    clouds = {"clear": 2, "wind": 4, "rain": 6, "snow": 4, "lying snow": 2, "fog": 2}[s.weather]
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
    s.waters.append((len(pen.out), top, bottom))


def tree(s: Stage, pen: Pen, x: float, y: float, h: float, colour: RGB, pine: bool, depth: float = 1.0) -> None:
    bark = mix(WOOD, (60, 44, 40), 0.4)
    pen.limb([(x, y), (x - h * 0.02, y - h * 0.45)], h * 0.075, bark)
    if pine:
        for i in range(3):
            w, b = h * (0.30 - 0.07 * i), y - h * (0.22 + 0.22 * i)
            pen.shape([(x - w, b), (x, b - h * 0.38), (x + w, b), (x, b + h * 0.03)], lighter(colour, 0.05 * i), smooth=False, depth=depth, lift=0.6)
            if s.season == "winter":
                pen.shape([(x - w * 0.5, b - h * 0.19), (x, b - h * 0.38), (x + w * 0.5, b - h * 0.19), (x, b - h * 0.22)], SNOW, smooth=False, depth=depth, lift=0.1, line=False)
        return
    if s.season == "winter":
        for dx, dy, thick in ((-0.26, 0.78, 0.03), (0.24, 0.82, 0.03), (-0.1, 0.96, 0.035), (0.1, 0.92, 0.025), (0.02, 1.0, 0.02)):
            pen.limb([(x - h * 0.01, y - h * 0.42), (x + h * dx * 0.5, y - h * (0.42 + dy) / 2), (x + h * dx, y - h * dy)], h * thick, bark)
        return
    if s.season == "autumn":
        colour = mix(_LEAVES[int(x * 7 + h) % len(_LEAVES)], colour, 0.3)
    pen.shape([(x - h * 0.30, y - h * 0.46), (x - h * 0.28, y - h * 0.78), (x, y - h * 1.0), (x + h * 0.29, y - h * 0.8), (x + h * 0.32, y - h * 0.48), (x, y - h * 0.36)], colour, depth=depth, lift=0.8)
    pen.shape([(x - h * 0.2, y - h * 0.62), (x - h * 0.12, y - h * 0.84), (x + h * 0.06, y - h * 0.9), (x + h * 0.02, y - h * 0.68)], lighter(colour, 0.16), depth=depth, lift=0.2, line=False)
    if s.season == "spring":
        for i in range(9):
            a, r = i * 2.4, h * (0.06 + 0.024 * i)
            pen.disc(x + r * math.cos(a), y - h * 0.68 + r * 0.8 * math.sin(a), h * 0.024, None, (244, 214, 222), depth=depth, lift=0.0, line=False, spot=True)


def house(s: Stage, pen: Pen, x: float, y: float, w: float, h: float, depth: float = 0.8) -> None:
    rng = s.rng
    wall = mix(rng.choice([(222, 206, 174), (196, 168, 138), (168, 132, 110), (206, 196, 184), (150, 158, 150)]), s.hour.far, 0.5 * (1 - depth))
    roof = mix(rng.choice([(146, 72, 56), (88, 84, 92), (122, 88, 60), (86, 98, 96)]), s.hour.far, 0.4 * (1 - depth))
    roof = s.snowed(roof)
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


def haze(s: Stage) -> None:
    """Air between the distance and the middle ground, brighter toward the light."""
    if s.back.look in ("stick-figures", "shadow-theatre", "screen-print", "chalk-slate") or s.weather == "fog":
        return
    s.back.veil(s.width, s.horizon - 120, s.horizon + 120, lighter(s.hour.sky[1], 0.1), 0.42)


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
    if s.season == "autumn" and s.weather in ("clear", "wind"):
        for _ in range(16):
            x, y, r = rng.uniform(0, w), rng.uniform(h * 0.1, h * 0.95), rng.uniform(6, 13)
            a = rng.uniform(0, 3.14)
            pen.shape([(x - r * math.cos(a), y - r * math.sin(a)), (x + r * 0.4, y - r * 0.4), (x + r * math.cos(a), y + r * math.sin(a)), (x - r * 0.4, y + r * 0.4)], rng.choice(_LEAVES), lift=0.2, line=False, depth=0.0, spot=True)


def faded(s: Stage) -> None:
    """The edges of a remembered scene: pale, as an old print is."""
    pen, w, h = s.front, s.width, s.height
    if pen.look in ("shadow-theatre", "chalk-slate", "stick-figures"):
        return
    name = "faded"
    pen.defs.append(
        f'<radialGradient id="{name}" cx="0.5" cy="0.5" r="0.72"><stop offset="0.62" stop-color="#f3e6cc" stop-opacity="0"/>'
        '<stop offset="0.86" stop-color="#f3e6cc" stop-opacity="0.62"/><stop offset="1" stop-color="#f6ecd8" stop-opacity="0.94"/></radialGradient>'
    )
    pen.out.append(f'<rect x="-60" y="-60" width="{w + 120:.1f}" height="{h + 120:.1f}" fill="url(#{name})"/>')
