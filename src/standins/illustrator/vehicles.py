"""Inside what drives and flies, and around those who drive it."""

import math

from .colour import NAMED, RGB, darker, lighter, mix
from .pen import Pen
from .props import WOOD
from .stage import Stage, house, tree

GLASS: RGB = (176, 200, 208)


def carriage(s: Stage) -> None:
    """A compartment: a wide window on a country that goes by, a bench, a rack above."""
    pen, w, f = s.back, s.width, s.ground - 70
    wall: RGB = s.wall or s.rng.choice([(150, 108, 74), (112, 128, 112), (140, 96, 84)])
    x, y, wide, high = w * 0.2, f - 480, w * 0.6, 300
    # What is outside first, then the wall around it.
    pen.box(x - 10, y - 10, wide + 20, high + 20, s.hour.sky[1], lift=0.0, line=False)
    pen.box(x - 10, y - 10, wide + 20, high * 0.5, mix(s.hour.sky[0], s.hour.sky[1], 0.4), lift=0.0, line=False)
    if s.time == "night":
        pen.disc(x + wide * 0.8, y + 60, 30, None, (242, 232, 200), lift=0.0, plain=True, spot=True)
    hills = [(x - 10 + (wide + 20) * i / 12, y + high * (0.56 + 0.07 * math.sin(i * 1.3))) for i in range(13)]
    pen.shape([*hills, (x + wide + 10, y + high + 10), (x - 10, y + high + 10)], s.hour.far, lift=0.2)
    pen.box(x - 10, y + high * 0.76, wide + 20, high * 0.24 + 10, s.hour.near, lift=0.2)
    for i in range(3):
        tree(s, pen, x + wide * (0.15 + 0.33 * i), y + high * 0.86, 90, mix(s.hour.middle, s.hour.near, 0.5), i == 1, 0.6)
    house(s, pen, x + wide * 0.6, y + high * 0.82, 60, 44, 0.5)
    pen.sheet(w, -60, y - 8, s.lit(darker(wall, 0.25)), s.lit(darker(wall, 0.1)))
    with pen.marking("walls", "walls"):
        pen.box(-60, y - 10, x + 52, high + 20, wall, lift=0.0, line=False)
        pen.box(x + wide + 8, y - 10, w - x - wide + 60, high + 20, wall, lift=0.0, line=False)
    pen.sheet(w, y + high + 8, f + 200, s.lit(wall), s.lit(darker(wall, 0.2)))
    for k in (0.0, 0.5, 1.0):
        pen.limb([(x + wide * k, y - 10), (x + wide * k, y + high + 10)], 20, lighter(wall, 0.16))
    for dy in (-10.0, high + 10):
        pen.limb([(x - 10, y + dy), (x + wide + 10, y + dy)], 22, lighter(wall, 0.16))
    cloth = s.cloth or NAMED[s.rng.choice(["moss green", "brick red", "navy"])]
    for left in (-40.0, w * 0.76):
        pen.box(left, f - 250, w * 0.28, 240, cloth, lift=1.0)
        pen.box(left, f - 70, w * 0.28, 90, darker(cloth, 0.12), lift=0.7)
    pen.line([(0, y - 70), (w, y - 70)], 9, NAMED["gold"])
    for i in range(14):
        pen.line([(w * i / 13, y - 70), (w * i / 13, y - 40)], 4, NAMED["gold"])
    pen.box(-60, f + 10, w + 120, s.height, darker(mix(WOOD, wall, 0.4), 0.2), lift=0.6)
    s.light, s.light_strength = (w * 0.5, y), 0.4
    if s.hour.lamps:
        pen.glow_at(w * 0.1, y + 40, 200, (250, 206, 120), 0.5)


def bus(s: Stage) -> None:
    """Along the side of a bus or a tram: windows on a street that goes by, seats under them, poles and a rail with straps."""
    pen, w, f = s.back, s.width, s.ground - 70
    wall: RGB = s.wall or s.rng.choice([(178, 176, 158), (150, 164, 168), (186, 160, 128)])
    y, high = f - 490, 250
    pen.box(-60, y - 20, w + 120, high + 40, s.hour.sky[1], lift=0.0, line=False)
    pen.box(-60, y - 20, w + 120, high * 0.4, mix(s.hour.sky[0], s.hour.sky[1], 0.5), lift=0.0, line=False)
    if s.time == "night":
        pen.disc(w * 0.82, y + 46, 26, None, (242, 232, 200), lift=0.0, plain=True, spot=True)
    pen.box(-60, y + high * 0.84, w + 120, high * 0.3, s.hour.near, lift=0.0, line=False)
    for i in range(9):
        house(s, pen, w * (0.02 + 0.125 * i), y + high * 0.86, 74 + 26 * ((i * 7) % 3), 60 + 34 * ((i * 5) % 4), 0.5)
    # The wall around the windows.
    s.walls(-60, y, wall)
    pen.sheet(w, y + high, f + 200, s.lit(wall), s.lit(darker(wall, 0.16)))
    pillar = w * 0.042
    for i in range(5):
        x = w * (0.25 * i) - pillar / 2
        pen.box(x, y - 14, pillar, high + 28, wall, lift=0.3)
    pen.limb([(-40, y), (w + 40, y)], 14, darker(wall, 0.3))
    pen.limb([(-40, y + high), (w + 40, y + high)], 14, darker(wall, 0.3))
    cloth = s.cloth or NAMED[s.rng.choice(["moss green", "brick red", "navy", "teal"])]
    for i in range(6):
        x = w * (0.03 + 0.19 * i)
        pen.shape([(x, f + 20), (x - 4, f - 170), (x + 14, f - 206), (x + 86, f - 206), (x + 104, f - 170), (x + 100, f + 20)], cloth, lift=0.9)
        pen.box(x - 10, f - 66, 190, 44, darker(cloth, 0.14), lift=0.7)
        pen.limb([(x + 10, f - 214), (x + 90, f - 214)], 10, (206, 200, 186))
    pen.limb([(-40, y - 74), (w + 40, y - 74)], 12, NAMED["mustard"])
    for i in range(12):
        x = w * (0.04 + 0.085 * i)
        pen.line([(x, y - 70), (x, y - 34)], 5, darker(wall, 0.45))
        pen.disc(x, y - 22, 13, 15, darker(wall, 0.45), lift=0.1)
        pen.disc(x, y - 21, 7, 9, wall, lift=0.0)
    for k in (0.29, 0.73):
        pen.limb([(w * k, -40), (w * k, f + 30)], 13, NAMED["mustard"])
    pen.box(-60, f + 10, w + 120, s.height, (92, 90, 94) if not s.hour.lamps else (66, 62, 70), lift=0.6)
    s.light, s.light_strength = (w * 0.5, y), 0.4
    if s.hour.lamps:
        pen.glow_at(w * 0.5, y - 110, 420, (250, 226, 160), 0.4)


def cab(s: Stage) -> None:
    """Inside a car, seen through its windscreen: seats and the road behind them, the board with its wheel before us."""
    pen, w, h, f = s.back, s.width, s.height, s.ground - 70
    frame, seat = mix((104, 98, 100), (50, 44, 60), 0.6 if s.hour.lamps else 0.0), mix(NAMED["tan"], (90, 70, 60), 0.35)
    pen.sheet(w, -60, h + 60, darker(frame, 0.1), frame)
    x, y, wide, high = w * 0.2, f - 520, w * 0.6, 280
    pen.box(x, y, wide, high, mix(s.hour.sky[0], s.hour.sky[1], 0.6), lift=0.0, spot=True)
    hills = [(x + wide * i / 12, y + high * (0.5 + 0.07 * math.sin(i * 0.9 + 1))) for i in range(13)]
    pen.shape([*hills, (x + wide, y + high), (x, y + high)], s.hour.far, smooth=False, lift=0.0)
    pen.box(x, y + high * 0.66, wide, high * 0.34, s.hour.near, lift=0.0)
    pen.shape([(w * 0.49, y + high * 0.6), (w * 0.51, y + high * 0.6), (w * 0.6, y + high), (w * 0.4, y + high)], mix((92, 88, 92), s.hour.near, 0.3), smooth=False, lift=0.1)
    for a, b in (((x, y), (x + wide, y)), ((x, y + high), (x + wide, y + high)), ((x, y), (x, y + high)), ((x + wide, y), (x + wide, y + high))):
        pen.limb([a, b], 26, darker(frame, 0.2))
    for k in (0.3, 0.7):
        pen.shape([(w * k - 170, h + 40), (w * k - 150, f - 250), (w * k - 70, f - 310), (w * k + 70, f - 310), (w * k + 150, f - 250), (w * k + 170, h + 40)], seat, lift=1.0)
        pen.box(w * k - 70, f - 390, 140, 76, darker(seat, 0.1), lift=0.8)
    s.light, s.light_strength = (w * 0.5, y), 0.4


def bench(pen: Pen, w: float, ground: float, h: float, dark: bool) -> None:
    """The seat at the back of a car, from side to side: its back and what is sat on."""
    seat: RGB = (96, 82, 76) if dark else (160, 134, 106)
    top = ground - 330
    pen.shape([(w * 0.14, h + 60), (w * 0.15, top + 40), (w * 0.19, top), (w * 0.81, top), (w * 0.85, top + 40), (w * 0.86, h + 60)], seat, lift=0.8)
    pen.box(w * 0.13, ground - 40, w * 0.74, h - ground + 100, lighter(seat, 0.07), lift=0.7)
    pen.line([(w * 0.5, top + 20), (w * 0.5, ground - 46)], 5, darker(seat, 0.2), opacity=0.6)


def front_seats(pen: Pen, w: float, h: float, dark: bool) -> None:
    """The backs of the front seats, at both edges, before whoever sits behind them."""
    seat: RGB = (78, 66, 62) if dark else (136, 112, 90)
    for k in (0.06, 0.94):
        pen.shape([(w * k - 230, h + 60), (w * k - 210, h - 300), (w * k - 120, h - 370), (w * k + 120, h - 370), (w * k + 210, h - 300), (w * k + 230, h + 60)], seat, lift=1.0)
        pen.box(w * k - 90, h - 470, 180, 90, darker(seat, 0.12), lift=0.9)


def board(pen: Pen, w: float, h: float, dark: bool) -> None:
    """The board under the windscreen, with its wheel, in front of who sits behind it."""
    frame: RGB = (58, 54, 62) if dark else (82, 76, 80)
    pen.shape([(-80, h + 80), (-80, h - 150), (w * 0.5, h - 190), (w + 80, h - 150), (w + 80, h + 80)], frame, lift=1.0)
    pen.limb([(w * 0.68 + 150 * math.cos(i * 0.26), h - 120 + 104 * math.sin(i * 0.26)) for i in range(25)], 24, (40, 38, 44))


def body_around(pen: Pen, tall: bool, blade: bool, x: float, y: float, size: float, colour: RGB) -> None:
    """A car, or a `tall` truck, around whoever sits at its wheel: its side below the window, the frame of the window above;
    `blade`: it clears snow. `size` is how high a grown driver would stand; (x, y) is the ground under its middle."""
    k, sill = size, y - size * (0.52 if tall else 0.4)
    roof = sill - k * 0.46
    if tall:
        pen.box(x - k * 1.3, sill - k * 0.3, k * 0.92, k * 0.62, darker(colour, 0.18), lift=0.8)
    nose = [(x + k * 0.5, sill), (x + k * (0.72 if tall else 1.05), sill + k * 0.04), (x + k * (0.76 if tall else 1.12), y - k * 0.1)]
    tail = [(x - k * (1.3 if tall else 1.05), y - k * 0.1), (x - k * (1.3 if tall else 1.02), sill + k * 0.05), (x - k * 0.5, sill)]
    pen.shape([*tail, *nose], colour, smooth=False, lift=1.0)
    for px in (-0.46, 0.5):
        pen.limb([(x + k * px, sill), (x + k * (px * 0.78), roof)], k * 0.06, colour)
    pen.limb([(x - k * 0.38, roof), (x + k * 0.42, roof)], k * 0.09, colour)
    pen.line([(x - k * 0.46, sill + 4), (x - k * 0.46, y - k * 0.14)], 4, darker(colour, 0.35))
    pen.line([(x + k * 0.46, sill + 4), (x + k * 0.46, y - k * 0.14)], 4, darker(colour, 0.35))
    pen.disc(x + k * (0.7 if tall else 1.02), sill + k * 0.16, k * 0.06, None, (250, 226, 150), lift=0.2, spot=True)
    if blade:
        pen.shape([(x + k * 0.9, y - k * 0.5), (x + k * 1.14, y - k * 0.34), (x + k * 1.0, y - k * 0.14), (x + k * 1.2, y), (x + k * 0.84, y - k * 0.02)], NAMED["mustard"], lift=0.8)
    for px in (-0.72, 0.6):
        pen.disc(x + k * px, y - k * 0.13, k * 0.19, None, (44, 42, 48), lift=0.6)
        pen.disc(x + k * px, y - k * 0.13, k * 0.09, None, GLASS, lift=0.2)


def tractor_under(pen: Pen, x: float, y: float, size: float, colour: RGB) -> None:
    """A tractor under whoever sits on it, in the open: its seat above the great wheel, the engine before it. `size` and
    (x, y) as for a car."""
    k = size
    pen.limb([(x + k * 0.66, y - k * 0.6), (x + k * 0.66, y - k * 0.98)], k * 0.05, (60, 58, 62))
    pen.box(x + k * 0.2, y - k * 0.64, k * 0.86, k * 0.32, colour, lift=1.0)
    pen.box(x + k * 0.98, y - k * 0.6, k * 0.1, k * 0.3, (62, 60, 66), lift=0.4)
    for i in range(3):
        pen.line([(x + k * (0.4 + 0.16 * i), y - k * 0.56), (x + k * (0.4 + 0.16 * i), y - k * 0.4)], 4, darker(colour, 0.3))
    pen.shape([(x - k * 0.74, y - k * 0.36), (x - k * 0.6, y - k * 0.7), (x - k * 0.1, y - k * 0.7), (x + k * 0.24, y - k * 0.44), (x + k * 0.24, y - k * 0.26), (x - k * 0.7, y - k * 0.26)], darker(colour, 0.1), lift=0.9)
    pen.disc(x + k * 1.02, y - k * 0.52, k * 0.05, None, (250, 226, 150), lift=0.2, spot=True)
    for px, radius in ((-0.42, 0.36), (0.84, 0.21)):
        pen.disc(x + k * px, y - k * radius, k * radius, None, (44, 42, 48), lift=0.8)
        pen.disc(x + k * px, y - k * radius, k * radius * 0.5, None, NAMED["mustard"], lift=0.3, spot=True)
        pen.disc(x + k * px, y - k * radius, k * radius * 0.16, None, (60, 56, 60), lift=0.1)


def wheel(pen: Pen, x: float, y: float, size: float, way: int) -> None:
    """The steering wheel in front of who drives."""
    pen.limb([(x + way * size * 0.3, y), (x + way * size * 0.42, y + size * 0.3)], size * 0.03, (50, 46, 52))
    pen.limb([(x + way * size * 0.24, y - size * 0.12), (x + way * size * 0.34, y + size * 0.12)], size * 0.05, (40, 38, 44))
