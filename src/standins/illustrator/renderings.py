"""How four of the looks lay down a shape, a limb and a ground: screen print, chalk on slate, clay,
pencil on toned paper.

Each turns a colour into what the medium makes of it, and gives the SVG of a shape. Texture over the
whole is `raster.py`'s.
"""

import math
import random
from collections.abc import Sequence

from .colour import RGB, css, darker, grey_of, lighter, mix, paler

Point = tuple[float, float]
PAPER: RGB = (244, 234, 210)
SLATE: RGB = (47, 57, 60)
BUFF: RGB = (205, 184, 150)
GRAPHITE: RGB = (59, 55, 53)
_INKS: tuple[RGB, ...] = (
    PAPER, (196, 72, 46), (224, 164, 58), (31, 92, 102), (40, 36, 44), (104, 112, 58), (96, 54, 48), (146, 176, 168),
    (232, 168, 138), (214, 200, 168), (108, 88, 96), (66, 74, 86), (150, 124, 98),
)
"""Four inks, the paper, and what they give laid over one another or printed as a tint."""


def inked(colour: RGB) -> RGB:
    """The ink or overprint of a screen print that is nearest to `colour`."""
    return min(_INKS, key=lambda ink: sum(w * (a - b) ** 2 for w, a, b in zip((0.9, 1.2, 0.7), ink, colour, strict=True)))


def chalked(colour: RGB) -> RGB:
    """`colour` as a stick of chalk: no darker than the slate, a little pale."""
    return mix(SLATE, lighter(paler(colour, 0.05), 0.26), 0.46 + 0.5 * min(1.0, grey_of(colour) / 150))


def pencilled(colour: RGB) -> RGB:
    """`colour` breathed on buff paper."""
    return mix(BUFF, mix(colour, GRAPHITE, 0.12), 0.58)


def print_shape(path: str, colour: RGB, opacity: float) -> list[str]:
    return [f'<path d="{path}" fill="{css(colour)}" fill-opacity="{1 if opacity > 0.5 else opacity:.2f}"/>']


def chalk_shape(path: str, colour: RGB, opacity: float, scale: float, line: bool) -> list[str]:
    out = [f'<path d="{path}" fill="{css(colour)}" fill-opacity="{0.94 * opacity:.2f}"/>']
    if line and opacity > 0.5:
        out.append(f'<path d="{path}" fill="none" stroke="{css(lighter(colour, 0.4))}" stroke-opacity="0.75" '
                   f'stroke-width="{3.2 * scale:.1f}" stroke-linejoin="round"/>')
    return out


def clay_shape(path: str, name: str, colour: RGB, opacity: float, lift: float, scale: float, fine: bool) -> tuple[str, list[str]]:
    """The gradient of a rounded form lit from the upper left, and its paths with a soft shadow."""
    gradient = (f'<radialGradient id="{name}" cx="0.34" cy="0.26" r="0.95"><stop offset="0" stop-color="{css(lighter(colour, 0.30))}"/>'
                f'<stop offset="0.38" stop-color="{css(colour)}"/><stop offset="0.78" stop-color="{css(darker(colour, 0.16))}"/>'
                f'<stop offset="1" stop-color="{css(darker(colour, 0.38))}"/></radialGradient>')
    out = []
    if lift > 0 and opacity > 0.9:
        for far, share in ((15.0, 0.05), (10.0, 0.07), (5.0, 0.10)) if fine else ((8.0, 0.16),):
            d = far * lift * scale
            out.append(f'<path d="{path}" transform="translate({d * 0.55:.1f} {d:.1f})" fill="#1c1014" fill-opacity="{share}"/>')
    out.append(f'<path d="{path}" fill="url(#{name})" fill-opacity="{opacity:.2f}"/>')
    if fine and lift > 0 and opacity > 0.9:
        # The light that lies along the upper edge of a rounded form.
        out.append(f'<path d="{path}" fill="none" stroke="{css(lighter(colour, 0.5))}" stroke-opacity="0.28" stroke-width="{3.2 * scale:.1f}" '
                   f'stroke-dasharray="{60 * scale:.0f} {90 * scale:.0f}" stroke-linecap="round"/>')
    return gradient, out


def clay_limb(path: str, colour: RGB, width: float, scale: float) -> list[str]:
    base = 'fill="none" stroke-linecap="round" stroke-linejoin="round"'
    return [
        f'<path d="{path}" {base} transform="translate({4 * scale:.1f} {6 * scale:.1f})" stroke="#1c1014" stroke-opacity="0.14" stroke-width="{width:.1f}"/>',
        f'<path d="{path}" {base} stroke="{css(darker(colour, 0.26))}" stroke-width="{width:.1f}"/>',
        f'<path d="{path}" {base} transform="translate({-width * 0.06:.1f} {-width * 0.05:.1f})" stroke="{css(colour)}" stroke-width="{width * 0.82:.1f}"/>',
        f'<path d="{path}" {base} transform="translate({-width * 0.16:.1f} {-width * 0.13:.1f})" stroke="{css(lighter(colour, 0.26))}" '
        f'stroke-opacity="0.6" stroke-width="{width * 0.3:.1f}"/>',
    ]


def hatch(name: str, angle: float, gap: float, colour: RGB, width: float) -> str:
    """A pattern of pencil strokes."""
    return (f'<pattern id="{name}" width="{gap:.1f}" height="{gap:.1f}" patternUnits="userSpaceOnUse" patternTransform="rotate({angle:.0f})">'
            f'<line x1="0" y1="0" x2="0" y2="{gap:.1f}" stroke="{css(colour)}" stroke-width="{width:.1f}"/></pattern>')


def pencil_shape(points: Sequence[Point], path: str, redraw: Sequence[str], colour: RGB, true: RGB, opacity: float, line: bool,
                 scale: float, depth: float, rng: random.Random) -> list[str]:
    """A tone, hatching where the colour is dark, and a line drawn twice."""
    out = [f'<path d="{path}" fill="{css(colour)}" fill-opacity="{opacity:.2f}"/>']
    if opacity > 0.5 and len(points) > 2:
        dark = 1 - grey_of(true) / 255
        if dark > (0.35 if len(redraw) > 1 else 0.5):
            out.append(f'<path d="{path}" fill="url(#hatch)" fill-opacity="{min(0.55, dark * 0.6):.2f}"/>')
        if dark > 0.68 and len(redraw) > 1:
            out.append(f'<path d="{path}" fill="url(#cross)" fill-opacity="{min(0.5, dark * 0.5):.2f}"/>')
        if line:
            for again, width, share in zip(redraw, (2.0, 1.1), (0.85, 0.5), strict=False):
                out.append(f'<path d="{again}" fill="none" stroke="{css(GRAPHITE)}" stroke-opacity="{share * (0.35 + 0.6 * depth):.2f}" '
                           f'stroke-width="{width * scale * rng.uniform(0.85, 1.2):.1f}" stroke-linejoin="round" stroke-linecap="round"/>')
    return out


def ground_of(look: str, upper: RGB, lower: RGB) -> tuple[RGB, RGB]:
    """What a look makes of a field of colour from edge to edge."""
    if look == "screen-print":
        return inked(upper), inked(lower)
    if look == "chalk-slate":
        return mix(SLATE, chalked(upper), 0.34), mix(SLATE, chalked(lower), 0.42)
    if look == "toned-pencil":
        return mix(BUFF, upper, 0.30), mix(BUFF, lower, 0.24)
    return upper, lower


def print_bands(width: float, top: float, bottom: float, upper: RGB, lower: RGB) -> list[str]:
    """From one ink to another in three flat bands with a wavering edge."""
    out = []
    for i in range(1, 3):
        y = top + (bottom - top) * i / 3
        edge = " ".join(f"L{x} {y + math.sin(x / 170 + i * 2.1) * 14:.1f}" for x in range(-60, int(width) + 161, 60))
        out.append(f'<path d="M-60 {bottom:.1f} {edge} L{width + 160:.0f} {bottom:.1f}Z" fill="{css(inked(mix(upper, lower, (i + 0.3) / 3)))}"/>')
    return out
