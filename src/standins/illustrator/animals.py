"""Animals: four-legged ones and birds each from a plan of their own; here those that swim, creep or
flutter."""

import math
from collections.abc import Callable

from .beasts import BEASTS, Box, draw_beast, tapered
from .birds import BIRDS, draw_bird
from .colour import NAMED, RGB, darker, lighter
from .pen import Pen, Point

Put = Callable[[float, float], Point]


def tallness(kind: str) -> float:
    """How tall an animal is, as a share of a grown person's height."""
    if kind in BEASTS:
        return BEASTS[kind].tall
    return BIRDS[kind].tall if kind in BIRDS else OTHERS[kind][1]


def draw_animal(pen: Pen, kind: str, colour: RGB | None, x: float, y: float, person: float, way: int) -> Box:
    """Draw an animal with its feet at (x, y), scaled for a grown person of height `person`. Returns
    its region."""
    pen.scale = max(0.5, min(3.0, person * tallness(kind) / 420))
    try:
        with pen.marking(""):
            if kind in BEASTS:
                return draw_beast(pen, BEASTS[kind], colour or BEASTS[kind].colour, x, y, person, way)
            if kind in BIRDS:
                return draw_bird(pen, BIRDS[kind], colour, x, y, person, way)
            own, tall, wide, draw = OTHERS[kind]
            draw(pen, colour or own, lambda fx, up: (x + way * fx * person, y - up * person), person)
            return (x - wide * person, y - tall * person, x + wide * person, y)
    finally:
        pen.scale = 1.0


def _eye(pen: Pen, at: Point, size: float) -> None:
    pen.eye(*at, size, size)


def _fish(pen: Pen, c: RGB, at: Put, p: float) -> None:
    pen.shape([at(-0.16, 0.06), at(-0.26, 0.14), at(-0.24, -0.01)], darker(c, 0.15), smooth=False, spot=True)
    pen.shape([at(-0.06, 0.11), at(0.02, 0.17), at(0.06, 0.11)], darker(c, 0.2), spot=True)
    with pen.marking("body"):
        pen.shape([at(-0.18, 0.06), at(-0.05, 0.13), at(0.12, 0.11), at(0.18, 0.06), at(0.1, 0.0), at(-0.06, 0.0)], c, spot=True)
    _eye(pen, at(0.12, 0.075), 0.012 * p)
    for i in range(3):
        pen.line([at(-0.02 + i * 0.04, 0.09), at(-0.032 + i * 0.04, 0.06), at(-0.02 + i * 0.04, 0.03)], 0.007 * p, darker(c, 0.3))


def _whale(pen: Pen, c: RGB, at: Put, p: float) -> None:
    pen.shape([at(-0.9, 0.3), at(-1.25, 0.62), at(-1.12, 0.34), at(-1.3, 0.14)], darker(c, 0.1), spot=True)
    with pen.marking("body"):
        pen.shape([at(-0.98, 0.3), at(-0.4, 0.5), at(0.3, 0.66), at(0.86, 0.5), at(0.98, 0.2), at(0.7, 0.02), at(0.0, 0.0), at(-0.6, 0.14)], c, spot=True)
    pen.shape([at(0.96, 0.2), at(0.7, 0.02), at(0.0, 0.0), at(0.3, 0.14)], lighter(c, 0.5), lift=0.0, line=False, spot=True)
    pen.shape([at(0.2, 0.12), at(0.0, -0.12), at(-0.1, 0.06)], darker(c, 0.2), lift=0.3, spot=True)
    _eye(pen, at(0.66, 0.28), 0.024 * p)
    for k in (-0.12, 0.0, 0.12):
        pen.line([at(0.36, 0.66), at(0.36 + k * 0.5, 0.86), at(0.36 + k * 1.6, 0.84)], 0.02 * p, (226, 236, 240), opacity=0.8)


def _shark(pen: Pen, c: RGB, at: Put, p: float) -> None:
    pen.shape([at(-0.56, 0.16), at(-0.84, 0.42), at(-0.74, 0.14), at(-0.8, 0.0)], darker(c, 0.1), smooth=False, spot=True)
    with pen.marking("body"):
        pen.shape([at(-0.62, 0.16), at(-0.1, 0.3), at(0.4, 0.26), at(0.68, 0.14), at(0.4, 0.04), at(-0.1, 0.0)], c, spot=True)
    pen.shape([at(-0.04, 0.28), at(0.0, 0.52), at(0.18, 0.28)], darker(c, 0.14), smooth=False, spot=True)
    pen.shape([at(0.64, 0.12), at(0.4, 0.04), at(-0.1, 0.0), at(0.1, 0.09)], lighter(c, 0.5), lift=0.0, line=False, spot=True)
    _eye(pen, at(0.5, 0.18), 0.014 * p)


def _snake(pen: Pen, c: RGB, at: Put, p: float) -> None:
    spine = [(-0.4 + 0.09 * i, 0.035 + 0.03 * math.sin(i * 1.5)) for i in range(9)] + [(0.38, 0.12), (0.4, 0.2)]
    with pen.marking("body"):
        pen.shape(tapered([at(*s) for s in spine], [p * w for w in (0.008, 0.03, 0.045, 0.05, 0.052, 0.052, 0.05, 0.05, 0.048, 0.045, 0.04)]), c, spot=True)
    for i in range(1, 9):
        pen.disc(*at(*spine[i]), 0.014 * p, 0.012 * p, darker(c, 0.35), lift=0.0, line=False, spot=True)
    pen.shape([at(0.37, 0.19), at(0.38, 0.235), at(0.45, 0.23), at(0.49, 0.205), at(0.44, 0.18)], c, lift=0.3, spot=True)
    pen.line([at(0.49, 0.205), at(0.54, 0.2)], 0.006 * p, (190, 40, 40))
    _eye(pen, at(0.43, 0.217), 0.007 * p)


def _turtle(pen: Pen, c: RGB, at: Put, p: float) -> None:
    for fx in (-0.14, 0.13):
        pen.shape(tapered([at(fx, 0.06), at(fx + 0.02, 0.0)], [0.07 * p, 0.06 * p]), darker(c, 0.1), lift=0.3, spot=True)
    pen.shape(tapered([at(0.16, 0.07), at(0.24, 0.12), at(0.3, 0.13)], [0.06 * p, 0.055 * p, 0.07 * p]), c, lift=0.3, spot=True)
    with pen.marking("body"):
        pen.shape([at(-0.24, 0.05), at(-0.18, 0.15), at(0.0, 0.2), at(0.16, 0.15), at(0.22, 0.05)], darker(c, 0.3), spot=True)
    for fx, u in ((-0.1, 0.1), (0.01, 0.13), (0.11, 0.1)):
        pen.disc(*at(fx, u), 0.042 * p, 0.03 * p, darker(c, 0.12), lift=0.0, spot=True)
    _eye(pen, at(0.31, 0.145), 0.008 * p)


def _frog(pen: Pen, c: RGB, at: Put, p: float) -> None:
    for k in (-1, 1):
        pen.shape([at(k * 0.05, 0.05), at(k * 0.12, 0.06), at(k * 0.11, 0.0), at(k * 0.05, 0.0)], darker(c, 0.15), lift=0.3, spot=True)
    with pen.marking("body"):
        pen.shape([at(-0.085, 0.01), at(-0.08, 0.09), at(0.0, 0.125), at(0.08, 0.09), at(0.085, 0.01), at(0.0, -0.005)], c, spot=True)
    for fx in (-0.045, 0.045):
        pen.disc(*at(fx, 0.125), 0.026 * p, None, lighter(c, 0.15), lift=0.2, spot=True)
        _eye(pen, at(fx, 0.127), 0.012 * p)
    pen.line([at(-0.05, 0.07), at(0, 0.055), at(0.05, 0.07)], 0.008 * p, darker(c, 0.45))


def _snail(pen: Pen, c: RGB, at: Put, p: float) -> None:
    pen.shape(tapered([at(-0.12, 0.012), at(0.04, 0.014), at(0.1, 0.04), at(0.11, 0.08)], [0.01 * p, 0.03 * p, 0.034 * p, 0.03 * p]), (206, 178, 140), spot=True)
    with pen.marking("body"):
        pen.disc(*at(-0.02, 0.075), 0.066 * p, None, c, spot=True)
    pen.line([at(-0.02 + 0.05 * (1 - t / 9) * math.cos(t), 0.075 + 0.05 * (1 - t / 9) * math.sin(t)) for t in range(9)], 0.008 * p, darker(c, 0.4))
    for k in (0.0, 0.022):
        pen.line([at(0.11 + k * 0.4, 0.085), at(0.115 + k, 0.125)], 0.006 * p, (150, 122, 92))


def _butterfly(pen: Pen, c: RGB, at: Put, p: float) -> None:
    for k in (-1, 1):
        pen.shape([at(0, 0.12), at(k * 0.04, 0.2), at(k * 0.12, 0.22), at(k * 0.13, 0.14), at(k * 0.04, 0.11)], c, lift=0.4, spot=True)
        pen.shape([at(0, 0.11), at(k * 0.1, 0.1), at(k * 0.09, 0.03), at(k * 0.03, 0.04)], darker(c, 0.15), lift=0.4, spot=True)
        pen.disc(*at(k * 0.085, 0.17), 0.018 * p, None, lighter(c, 0.5), lift=0.0, line=False, spot=True)
    with pen.marking("body"):
        pen.limb([at(0, 0.05), at(0, 0.16)], 0.018 * p, (50, 42, 40), spot=True)
    for k in (-1, 1):
        pen.line([at(0, 0.16), at(k * 0.02, 0.2), at(k * 0.035, 0.215)], 0.005 * p, (50, 42, 40))


def _bee(pen: Pen, c: RGB, at: Put, p: float) -> None:
    for k in (-0.01, 0.02):
        pen.disc(*at(k, 0.12), 0.02 * p, 0.034 * p, (232, 238, 240), lift=0.2, opacity=0.85)
    with pen.marking("body"):
        pen.disc(*at(0, 0.075), 0.055 * p, 0.036 * p, c, spot=True)
    for fx in (-0.025, 0.0, 0.025):
        pen.line([at(fx, 0.105), at(fx, 0.045)], 0.012 * p, (44, 38, 34))
    _eye(pen, at(0.042, 0.082), 0.007 * p)


def _crab(pen: Pen, c: RGB, at: Put, p: float) -> None:
    for k in (-1, 1):
        for i in range(3):
            pen.line([at(k * 0.06, 0.05), at(k * (0.12 + 0.02 * i), 0.06 - 0.01 * i), at(k * (0.13 + 0.022 * i), 0.0)], 0.014 * p, darker(c, 0.15))
        pen.limb([at(k * 0.07, 0.07), at(k * 0.13, 0.1), at(k * 0.13, 0.14)], 0.024 * p, c, spot=True)
        pen.shape([at(k * 0.1, 0.14), at(k * 0.12, 0.19), at(k * 0.13, 0.16), at(k * 0.16, 0.19), at(k * 0.16, 0.14)], c, lift=0.3, spot=True)
        pen.line([at(k * 0.025, 0.085), at(k * 0.028, 0.12)], 0.008 * p, darker(c, 0.2))
        _eye(pen, at(k * 0.028, 0.125), 0.01 * p)
    with pen.marking("body"):
        pen.shape([at(-0.1, 0.055), at(-0.06, 0.1), at(0.06, 0.1), at(0.1, 0.055), at(0.05, 0.02), at(-0.05, 0.02)], c, spot=True)


def _spider(pen: Pen, c: RGB, at: Put, p: float) -> None:
    pen.line([at(0, 0.3), at(0, 0.1)], 0.005 * p, (226, 226, 226), opacity=0.8)
    for k in (-1, 1):
        for i in range(4):
            pen.line([at(0, 0.07), at(k * 0.06, 0.1 - 0.02 * i), at(k * 0.085, 0.06 - 0.025 * i)], 0.007 * p, c)
    with pen.marking("body"):
        pen.disc(*at(0, 0.075), 0.035 * p, 0.04 * p, c, spot=True)
    pen.disc(*at(0, 0.03), 0.02 * p, None, darker(c, 0.1), lift=0.2, spot=True)


def _lizard(pen: Pen, c: RGB, at: Put, p: float) -> None:
    for fx in (-0.08, 0.08):
        pen.limb([at(fx, 0.05), at(fx + 0.03, 0.03), at(fx + 0.02, 0.0)], 0.022 * p, darker(c, 0.15), spot=True)
    with pen.marking("body"):
        pen.shape(tapered([at(-0.4, 0.02), at(-0.24, 0.05), at(-0.08, 0.06), at(0.08, 0.06), at(0.16, 0.075), at(0.25, 0.075)], [p * w for w in (0.006, 0.03, 0.06, 0.062, 0.045, 0.035)]), c, spot=True)
    _eye(pen, at(0.21, 0.085), 0.007 * p)


def _dragon(pen: Pen, c: RGB, at: Put, p: float) -> None:
    for fx in (-0.34, 0.3):
        pen.limb([at(fx, 0.3), at(fx + 0.06, 0.14), at(fx + 0.02, 0.0)], 0.09 * p, darker(c, 0.18), spot=True)
    pen.shape([at(0.02, 0.5), at(-0.2, 1.1), at(-0.5, 1.02), at(-0.72, 1.12), at(-0.62, 0.84), at(-0.7, 0.66), at(-0.36, 0.62), at(-0.16, 0.46)], darker(c, 0.22), smooth=False, lift=0.6, spot=True)
    with pen.marking("body"):
        spine = [(-1.05, 0.1), (-0.8, 0.06), (-0.56, 0.18), (-0.26, 0.34), (0.06, 0.4), (0.32, 0.46), (0.5, 0.66), (0.6, 0.86)]
        pen.shape(tapered([at(*s) for s in spine], [p * w for w in (0.02, 0.08, 0.15, 0.26, 0.3, 0.22, 0.13, 0.12)]), c, spot=True)
    pen.shape(tapered([at(-0.2, 0.24), at(0.08, 0.28), at(0.32, 0.36), at(0.48, 0.6)], [0.06 * p, 0.12 * p, 0.1 * p, 0.05 * p]), lighter(c, 0.4), lift=0.0, line=False, spot=True)
    pen.shape([at(0.5, 0.84), at(0.54, 0.98), at(0.68, 1.0), at(0.86, 0.9), at(0.94, 0.84), at(0.84, 0.8), at(0.66, 0.78)], c, lift=0.4, spot=True)
    for fx, u in ((0.52, 1.0), (0.6, 1.02)):
        pen.shape([at(fx - 0.02, u - 0.04), at(fx - 0.1, u + 0.12), at(fx + 0.03, u)], darker(c, 0.35), smooth=False, lift=0.2, spot=True)
    for fx, u in ((-0.62, 0.24), (-0.44, 0.36), (-0.1, 0.54), (0.2, 0.6), (0.38, 0.7)):
        pen.shape([at(fx - 0.05, u - 0.02), at(fx - 0.02, u + 0.1), at(fx + 0.05, u)], darker(c, 0.3), smooth=False, lift=0.2, spot=True)
    pen.shape([at(-1.02, 0.14), at(-1.2, 0.26), at(-1.16, 0.08), at(-1.24, -0.02)], darker(c, 0.3), smooth=False, lift=0.2, spot=True)
    for fx in (-0.26, 0.38):
        pen.limb([at(fx, 0.3), at(fx + 0.08, 0.14), at(fx + 0.06, 0.0)], 0.1 * p, c, spot=True)
    _eye(pen, at(0.68, 0.92), 0.02 * p)
    pen.disc(*at(0.89, 0.86), 0.008 * p, None, (40, 30, 30), lift=0.0, line=False, spot=True)


def _monkey(pen: Pen, c: RGB, at: Put, p: float) -> None:
    face = lighter(c, 0.5)
    pen.line([at(-0.1, 0.12), at(-0.28, 0.14), at(-0.32, 0.34), at(-0.24, 0.42)], 0.028 * p, darker(c, 0.1))
    for fx, knee in ((-0.07, -0.13), (0.07, 0.13)):
        pen.limb([at(fx, 0.14), at(knee, 0.1), at(fx + 0.02, 0.0)], 0.06 * p, darker(c, 0.08), spot=True)
    with pen.marking("body"):
        pen.shape([at(-0.1, 0.06), at(-0.11, 0.24), at(-0.06, 0.36), at(0.06, 0.36), at(0.11, 0.24), at(0.1, 0.06), at(0, 0.03)], c, spot=True)
    pen.disc(*at(0.0, 0.19), 0.062 * p, 0.09 * p, face, lift=0.0, line=False, spot=True)
    for k in (-1, 1):
        pen.limb([at(k * 0.09, 0.33), at(k * 0.17, 0.22), at(k * 0.13, 0.1)], 0.05 * p, c, spot=True)
        pen.disc(*at(k * 0.125, 0.47), 0.036 * p, None, c, lift=0.2, spot=True)
        pen.disc(*at(k * 0.125, 0.47), 0.02 * p, None, face, lift=0.0, line=False, spot=True)
    pen.disc(*at(0, 0.46), 0.112 * p, 0.105 * p, c, lift=0.4, spot=True)
    pen.shape([at(-0.08, 0.47), at(-0.05, 0.52), at(0, 0.49), at(0.05, 0.52), at(0.08, 0.47), at(0.07, 0.4), at(0, 0.37), at(-0.07, 0.4)], face, lift=0.0, line=False, spot=True)
    for k in (-1, 1):
        _eye(pen, at(k * 0.036, 0.475), 0.012 * p)
    pen.line([at(-0.03, 0.41), at(0, 0.4), at(0.03, 0.41)], 0.008 * p, darker(c, 0.4))


def _seal(pen: Pen, c: RGB, at: Put, p: float) -> None:
    pen.shape([at(-0.5, 0.06), at(-0.68, 0.18), at(-0.64, 0.04), at(-0.7, -0.02)], darker(c, 0.12), spot=True)
    with pen.marking("body"):
        pen.shape(tapered([at(-0.56, 0.06), at(-0.3, 0.12), at(0.0, 0.17), at(0.24, 0.26), at(0.36, 0.42), at(0.44, 0.48)], [p * w for w in (0.04, 0.18, 0.26, 0.24, 0.18, 0.17)]), c, spot=True)
    pen.shape([at(0.1, 0.1), at(0.0, -0.02), at(0.2, 0.0), at(0.26, 0.12)], darker(c, 0.15), lift=0.3, spot=True)
    pen.disc(*at(0.5, 0.46), 0.06 * p, 0.045 * p, lighter(c, 0.4), lift=0.0, line=False, spot=True)
    pen.disc(*at(0.55, 0.48), 0.015 * p, None, (34, 28, 28), lift=0.0, line=False, spot=True)
    for k in (-0.02, 0.0, 0.02):
        pen.line([at(0.5, 0.45), at(0.6, 0.43 + k * 2)], 0.004 * p, (60, 50, 48))
    _eye(pen, at(0.43, 0.52), 0.016 * p)


def _octopus(pen: Pen, c: RGB, at: Put, p: float) -> None:
    for i in range(8):
        k = (i - 3.5) / 3.5
        pen.shape(tapered([at(k * 0.1, 0.16), at(k * 0.22, 0.08), at(k * 0.34, 0.02 + 0.05 * (i % 2)), at(k * 0.42, 0.09 - 0.05 * (i % 2))], [p * w for w in (0.07, 0.06, 0.04, 0.012)]), darker(c, 0.06 * (i % 2)), lift=0.3, spot=True)
    with pen.marking("body"):
        pen.shape([at(-0.16, 0.16), at(-0.2, 0.36), at(-0.12, 0.5), at(0.0, 0.54), at(0.12, 0.5), at(0.2, 0.36), at(0.16, 0.16), at(0, 0.12)], c, spot=True)
    for k in (-1, 1):
        pen.disc(*at(k * 0.07, 0.24), 0.034 * p, None, (244, 240, 230), lift=0.1, spot=True)
        _eye(pen, at(k * 0.07, 0.235), 0.016 * p)
    for fx, u in ((-0.08, 0.42), (0.06, 0.45), (0.0, 0.36)):
        pen.disc(*at(fx, u), 0.018 * p, None, lighter(c, 0.3), lift=0.0, line=False, spot=True)


def _caterpillar(pen: Pen, c: RGB, at: Put, p: float) -> None:
    for i in range(7):
        up = 0.045 + 0.03 * abs(math.sin(i * 0.9))
        pen.line([at(-0.2 + 0.06 * i, 0.03), at(-0.2 + 0.06 * i, 0.0)], 0.008 * p, darker(c, 0.4))
        pen.disc(*at(-0.2 + 0.06 * i, up), 0.042 * p, None, c if i % 2 else darker(c, 0.12), lift=0.3, spot=True)
    with pen.marking("body"):
        pen.disc(*at(0.23, 0.1), 0.055 * p, None, c, lift=0.4, spot=True)
    for k in (-0.02, 0.03):
        pen.line([at(0.23 + k, 0.15), at(0.24 + 2 * k, 0.2)], 0.006 * p, darker(c, 0.5))
    _eye(pen, at(0.25, 0.11), 0.009 * p)


OTHERS: dict[str, tuple[RGB, float, float, Callable[[Pen, RGB, Put, float], None]]] = {
    "fish": (NAMED["grey blue"], 0.17, 0.26, _fish),
    "whale": ((72, 96, 122), 0.86, 1.3, _whale),
    "shark": ((112, 126, 140), 0.52, 0.84, _shark),
    "snake": ((96, 132, 70), 0.24, 0.5, _snake),
    "turtle": ((116, 146, 88), 0.21, 0.34, _turtle),
    "frog": ((92, 152, 72), 0.16, 0.13, _frog),
    "snail": ((176, 124, 78), 0.15, 0.14, _snail),
    "butterfly": ((226, 138, 60), 0.23, 0.14, _butterfly),
    "bee": ((232, 184, 66), 0.16, 0.07, _bee),
    "crab": ((206, 90, 62), 0.2, 0.18, _crab),
    "spider": ((50, 44, 48), 0.3, 0.1, _spider),
    "lizard": ((124, 148, 82), 0.1, 0.4, _lizard),
    "dragon": ((86, 132, 92), 1.14, 1.24, _dragon),
    "monkey": ((132, 92, 62), 0.57, 0.32, _monkey),
    "seal": ((112, 112, 118), 0.56, 0.66, _seal),
    "octopus": ((178, 92, 88), 0.55, 0.42, _octopus),
    "caterpillar": ((122, 160, 74), 0.2, 0.3, _caterpillar),
}
"""Own colour, height and half width as shares of a person's height, and how it is drawn."""
