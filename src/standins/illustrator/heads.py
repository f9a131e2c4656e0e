"""Heads: hair in two dozen styles, and hats. Faces are `faces.py`'s."""

import math
from collections.abc import Callable
from dataclasses import dataclass

from .bodies import SKIN, Body, Posed
from .colour import NAMED, RGB, darker, lighter
from .faces import NEUTRAL_LIGHT, draw_face
from .pen import Pen, Point
from .reading import Figure


def neck_and_head(pen: Pen, figure: Figure, b: Body, at: Posed, turn: str) -> None:
    skin = figure.skin or SKIN[0]
    r = b.head
    cy = b.total - r * 1.06
    lean = {"front": 0.0, "three-quarter": r * 0.12}.get(turn, r * 0.16)
    with pen.piece("torso"):
        pen.limb([at(0, b.shoulder), at.head(lean * 0.5, cy - r * 0.5)], b.limb * 0.86, darker(skin, 0.12), lift=0.2)
        _collar(pen, figure, b, at)
    up = at.head

    def of_face(fx: float, fu: float) -> Point:
        return up(lean + aside + fx * r, cy + fu * r)

    aside = {"front": 0.0, "three-quarter": r * 0.3}.get(turn, r * 0.5)
    with pen.piece("head"):
        head = [up(lean + r * math.cos(a) * (0.93 if math.sin(a) < 0.2 else 0.96), cy + r * 1.04 * math.sin(a) * (1.0 if math.sin(a) > 0 else 1.06))
                for a in (2 * math.pi * i / 18 for i in range(18))]
        ear = up(lean - r * 0.92, cy - r * 0.06)
        pen.disc(ear[0], ear[1], r * 0.17, r * 0.23, darker(skin, 0.08), lift=0.0)
        with pen.marking("skin"):
            pen.shape(head, skin, lift=0.7)
        if pen.look == "shadow-theatre":
            nose = [up(lean + r * 0.86, cy + r * 0.1), up(lean + r * 1.16, cy - r * 0.18), up(lean + r * 0.82, cy - r * 0.3)]
            pen.shape(nose, skin, smooth=False)
            pen.disc(*up(lean + r * 0.5, cy + r * 0.08), r * 0.07, None, pen.glow, plain=True, line=False)
        elif turn == "side":
            pen.shape([up(lean + r * 0.84, cy + r * 0.12), up(lean + r * 1.14, cy - r * 0.2), up(lean + r * 0.8, cy - r * 0.3)], skin, smooth=False, lift=0.0)
    if pen.look != "shadow-theatre":
        draw_face(pen, figure, r, of_face, turn, skin)
    with pen.piece("head"):
        _hair_front(pen, figure, r, lambda fx, fu: up(lean + fx * r, cy + fu * r), turn == "front")
        if figure.hat:
            _hat(pen, figure.hat[0], figure.hat[1] or NAMED["navy"], r, lambda fx, fu: up(lean + fx * r, cy + fu * r))


def _collar(pen: Pen, figure: Figure, b: Body, at: Posed) -> None:
    """What lies about the neck: a collar, a scarf."""
    r, u, w = b.head, b.shoulder, b.shoulders
    with pen.marking("", grey=236):
        pen.shape([at(-w * 0.42, u + b.limb * 0.34), at(-w * 0.32, u + b.limb * 0.68), at(w * 0.06, u + b.limb * 0.14), at(w * 0.38, u + b.limb * 0.68),
                   at(w * 0.46, u + b.limb * 0.34), at(w * 0.08, u - b.limb * 0.48)], NEUTRAL_LIGHT, smooth=False, lift=0.2)
    scarf = next((c for k, c in figure.extras if k == "scarf"), None)
    if scarf:
        u = b.shoulder + b.limb * 0.32
        with pen.marking("neck", "scarf"):
            pen.shape([at(-r * 0.78, u + r * 0.08), at(0, u + r * 0.3), at(r * 0.84, u + r * 0.1), at(r * 0.72, u - r * 0.34), at(0, u - r * 0.44), at(-r * 0.7, u - r * 0.3)], scarf, lift=0.5, spot=True)
        pen.shape([at(r * 0.3, u - r * 0.25), at(r * 0.72, u - r * 0.2), at(r * 0.86, u - r * 1.6), at(r * 0.36, u - r * 1.7)], darker(scarf, 0.1), lift=0.5, spot=True)


def _hair_colour(figure: Figure) -> RGB:
    return NAMED["cream"] if figure.hair_style in ("powdered", "wig") else figure.hair or NAMED["brown"]


@dataclass(frozen=True)
class _Style:
    """A hair style: how far down it hangs behind (in heads; 0: nothing), how wide there, where the
    fringe ends above the eyes, and what else is drawn."""

    hangs: float = 0.0
    wide: float = 1.18
    fringe: float = 0.34
    more: str = ""


STYLES: dict[str, _Style] = {
    "short": _Style(fringe=0.42),
    "cropped": _Style(fringe=0.5, more="crop"),
    "crew": _Style(fringe=0.52, more="crop"),
    "fringe": _Style(fringe=0.18),
    "bob": _Style(1.15, fringe=0.24),
    "long": _Style(2.05),
    "straight": _Style(2.5, 1.08, 0.22),
    "wavy": _Style(1.9, 1.3, more="waves"),
    "curly": _Style(more="curls"),
    "ringlets": _Style(1.2, 1.25, more="ringlets"),
    "afro": _Style(more="halo"),
    "shaggy": _Style(1.2, 1.3, 0.12, "tufts"),
    "wild": _Style(1.7, 1.45, 0.3, "tufts"),
    "spiky": _Style(fringe=0.46, more="spikes"),
    "tied": _Style(more="tail"),
    "ponytail": _Style(more="tail"),
    "pigtails": _Style(more="pigtails"),
    "bun": _Style(more="bun"),
    "topknot": _Style(fringe=0.46, more="knot"),
    "braid": _Style(more="braid"),
    "plait": _Style(more="braid"),
    "braids": _Style(more="braids"),
    "plaits": _Style(more="braids"),
    "dreadlocks": _Style(1.7, 1.1, 0.3, "locks"),
    "bald": _Style(),
    "balding": _Style(),
    "powdered": _Style(fringe=0.5, more="wig"),
    "wig": _Style(fringe=0.5, more="wig"),
}


def hair_behind(pen: Pen, figure: Figure, b: Body, posed: Posed) -> None:
    """What of the hair is behind the head and shoulders."""
    r, cy = b.head, b.total - b.head * 1.06
    colour = darker(_hair_colour(figure), 0.14)
    style = STYLES[figure.hair_style or "short"]

    def at(x: float, up: float) -> Point:
        return posed.head(x * r, cy + up * r)

    if style.hangs:
        low, wide = -style.hangs, style.wide
        pen.shape([at(-wide, 0.2), at(-0.6, 1.1), at(0.6, 1.1), at(wide * 0.92, 0), at(0.98 * wide / 1.18, low + 0.1), at(0, low - 0.1), at(-wide, low)],
                  colour, spot=True)
    if style.more in ("tail", "wig"):
        pen.shape([at(-0.7, 0.5), at(-1.5, 0.25), at(-1.62, -1.1), at(-1.25, -1.5), at(-1.05, -0.5)], colour, spot=True)
    elif style.more == "bun":
        pen.disc(*at(-0.72, 0.86), r * 0.42, None, colour, spot=True)
    elif style.more == "knot":
        pen.disc(*at(-0.1, 1.42), r * 0.36, None, colour, spot=True)
    elif style.more == "halo":
        pen.shape([at(1.42 * math.cos(a), 0.42 + 1.3 * math.sin(a)) for a in (2 * math.pi * i / 16 for i in range(16))], colour, spot=True)
    elif style.more == "pigtails":
        for k in (-1.0, 1.0):
            pen.shape([at(k * 0.8, 0.3), at(k * 1.5, 0.1), at(k * 1.62, -0.8), at(k * 1.2, -0.9), at(k * 1.0, -0.2)], colour, spot=True)
    elif style.more == "waves":
        for i in range(4):
            pen.disc(*at(-1.12, -0.2 - i * 0.5), r * 0.34, None, colour, spot=True)
            pen.disc(*at(1.0, -0.3 - i * 0.5), r * 0.28, None, colour, spot=True)
    elif style.more == "ringlets":
        for k in (-1.05, 0.95):
            for i in range(4):
                pen.disc(*at(k, -0.1 - i * 0.42), r * 0.27, r * 0.24, colour if i % 2 else lighter(colour, 0.08), spot=True)
    elif style.more == "tufts":
        for i in range(7):
            a = math.pi * (1.15 - 1.3 * i / 6)
            pen.shape([at(math.cos(a) * 1.0, 0.3 + math.sin(a) * 0.9), at(math.cos(a - 0.12) * 1.55, 0.3 + math.sin(a - 0.12) * 1.3),
                       at(math.cos(a - 0.3) * 1.0, 0.3 + math.sin(a - 0.3) * 0.9)], colour, smooth=False, spot=True)


def _hair_front(pen: Pen, figure: Figure, r: float, at: Callable[[float, float], Point], facing: bool) -> None:
    colour = _hair_colour(figure)
    name = figure.hair_style or "short"
    style = STYLES[name]
    if name in ("bald", "balding"):
        with pen.marking("hair", name):
            pen.shape([at(-1.0, 0.1), at(-0.9, 0.42), at(-0.78, 0.1), at(-0.84, -0.24)], colour, lift=0.2, spot=True)
        if name == "balding":
            pen.line([at(-0.5, 1.0), at(0.0, 1.14), at(0.45, 0.98)], r * 0.05, colour, opacity=0.8)
        return
    fringe = style.fringe
    part = 0.16 if facing else 0.42
    top = 0.06 if style.more == "crop" else 0.0
    cap = [(-1.02, -0.16), (-1.06 + top, 0.42), (-0.72, 0.95 - top), (0.0, 1.2 - 2 * top), (0.66, 1.0 - top), (0.98 - top, 0.5), (0.94, 0.16),
           (0.74, fringe + 0.16), (part, fringe + 0.22), (-0.3, fringe + 0.08), (-0.72, 0.2), (-0.84, -0.1)]
    with pen.marking("hair", name):
        pen.shape([at(x, u) for x, u in cap], colour, lift=0.5, spot=True)
    pen.line([at(part, fringe + 0.26), at(0.1, 0.9), at(-0.3, 1.04)], r * 0.03, darker(colour, 0.3), opacity=0.5)
    pen.line([at(-0.86, 0.3), at(-0.62, 0.8), at(-0.2, 1.02)], r * 0.03, lighter(colour, 0.3), opacity=0.5)
    if style.more == "curls":
        for i in range(9):
            a = math.pi * (0.02 + 0.96 * i / 8)
            pen.disc(*at(math.cos(a) * 0.98, 0.3 + math.sin(a) * 0.86), r * 0.25, None, colour if i % 2 else lighter(colour, 0.08), lift=0.3, spot=True)
    elif style.more in ("braid", "braids"):
        for k in ((-0.86,) if style.more == "braid" else (-0.92, 0.92)):
            for i in range(6):
                pen.disc(*at(k + i * 0.05 * (1 if k < 0 else -0.4), -0.3 - i * 0.34), r * (0.24 - i * 0.018), r * 0.22,
                         colour if i % 2 else darker(colour, 0.1), lift=0.3, spot=True)
    elif style.more == "bun":
        pen.line([at(-0.6, 0.9), at(-0.84, 0.7)], r * 0.06, darker(colour, 0.3), opacity=0.6)
    elif style.more == "spikes":
        for i in range(7):
            x = -0.8 + i * 0.26
            pen.shape([at(x - 0.16, 0.8), at(x + 0.04, 1.62 - abs(x) * 0.4), at(x + 0.2, 0.8)], colour, smooth=False, lift=0.3, spot=True)
    elif style.more == "locks":
        for i in range(8):
            x = -1.1 + i * 0.08 if i < 5 else 0.86 + (i - 5) * 0.1
            pen.limb([at(x, 0.3), at(x - 0.04, -0.6), at(x + 0.03, -1.5)], r * 0.12, colour if i % 2 else lighter(colour, 0.1), lift=0.2, spot=True)
    elif style.more == "wig":
        for i in range(3):
            pen.disc(*at(-0.98, 0.1 - i * 0.26), r * 0.2, r * 0.13, colour if i % 2 else darker(colour, 0.08), lift=0.3, spot=True)


def _hat(pen: Pen, kind: str, colour: RGB, r: float, at: Callable[[float, float], Point]) -> None:
    if kind in ("hood", "headscarf", "bonnet"):
        with pen.marking("hat", kind):
            pen.shape([at(-1.2, -0.6), at(-1.22, 0.5), at(-0.7, 1.2), at(0.1, 1.36), at(0.8, 1.08), at(1.0, 0.5), at(0.7, 0.66), at(0.1, 0.86), at(-0.6, 0.6), at(-0.86, -0.1), at(-0.8, -0.7)], colour, spot=True)
    elif kind == "crown":
        with pen.marking("hat", kind):
            pen.shape([at(-0.7, 0.74), at(-0.8, 1.5), at(-0.36, 1.12), at(0, 1.6), at(0.36, 1.12), at(0.8, 1.5), at(0.7, 0.74)], NAMED["gold"], smooth=False, spot=True)
    elif kind == "pointed":
        pen.shape([at(-1.5, 0.62), at(0, 0.84), at(1.5, 0.64), at(0.8, 0.46), at(-0.8, 0.46)], darker(colour, 0.1), spot=True)
        with pen.marking("hat", kind):
            pen.shape([at(-0.8, 0.66), at(-0.5, 1.7), at(-0.1, 2.7), at(0.3, 2.5), at(0.5, 1.6), at(0.8, 0.68)], colour, spot=True)
    elif kind == "veil":
        with pen.marking("hat", kind):
            pen.shape([at(-1.16, 0.2), at(-0.9, 1.16), at(0, 1.42), at(0.9, 1.16), at(1.16, 0.2), at(1.24, -1.3), at(0, -1.46), at(-1.24, -1.3)], colour, opacity=0.6, lift=0.2, spot=True)
        pen.shape([at(-1.0, 0.66), at(-0.78, 1.24), at(0, 1.5), at(0.78, 1.24), at(1.0, 0.66), at(0, 0.84)], colour, spot=True)
    elif kind == "tricorne":
        with pen.marking("hat", kind):
            pen.shape([at(-1.5, 0.78), at(-0.7, 1.5), at(0.3, 1.58), at(1.5, 0.86), at(0.5, 0.72), at(-0.5, 0.66)], colour, spot=True)
        pen.line([at(-1.3, 0.84), at(0, 0.8), at(1.3, 0.9)], r * 0.06, NAMED["gold"], opacity=0.8)
    elif kind in ("cap", "beret"):
        with pen.marking("hat", kind):
            pen.shape([at(-1.04, 0.56), at(-0.84, 1.2), at(0.1, 1.42), at(0.9, 1.08), at(1.02, 0.62), at(0, 0.7)], colour, spot=True)
        if kind == "cap":
            pen.shape([at(0.3, 0.6), at(1.0, 0.66), at(1.5, 0.48), at(1.0, 0.44)], darker(colour, 0.2), lift=0.4, spot=True)
    else:
        pen.shape([at(-1.6, 0.6), at(0, 0.82), at(1.6, 0.62), at(0.8, 0.42), at(-0.8, 0.42)], darker(colour, 0.1), spot=True)
        with pen.marking("hat", kind):
            pen.shape([at(-0.82, 0.64), at(-0.74, 1.5), at(0, 1.66), at(0.74, 1.5), at(0.82, 0.66), at(0, 0.74)], colour, spot=True)
