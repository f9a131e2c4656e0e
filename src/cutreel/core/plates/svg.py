"""Pieces of SVG 1.1, as far as plates need them; places and sizes in units of the page."""

from collections.abc import Sequence
from xml.sax.saxutils import escape

from cutreel.core.lettering import FAMILIES, Face

Point = tuple[float, float]


def text(
    x: float,
    y: float,
    words: str,
    size: float,
    colour: str,
    face: Face = "book",
    anchor: str = "start",
    more: str = "",
) -> str:
    """A line of words whose letters stand on `y`."""
    weight = ' font-weight="700"' if face == "plain" else ""
    return (
        f'<text x="{x:.1f}" y="{y:.1f}" font-family="{FAMILIES[face]}"{weight} font-size="{size:.1f}" fill="{colour}" '
        f'text-anchor="{anchor}"{more}>{escape(words)}</text>'
    )


def rect(x: float, y: float, w: float, h: float, colour: str, more: str = "") -> str:
    return f'<rect x="{x:.1f}" y="{y:.1f}" width="{max(0, w):.1f}" height="{max(0, h):.1f}" fill="{colour}"{more}/>'


def circle(x: float, y: float, r: float, colour: str, more: str = "") -> str:
    return f'<circle cx="{x:.1f}" cy="{y:.1f}" r="{r:.1f}" fill="{colour}"{more}/>'


def line(points: Sequence[Point], colour: str, width: float, more: str = "") -> str:
    """A line through points."""
    d = "M" + " L".join(f"{x:.1f} {y:.1f}" for x, y in points)
    return (
        f'<path d="{d}" fill="none" stroke="{colour}" stroke-width="{width:.1f}" stroke-linecap="round" '
        f'stroke-linejoin="round"{more}/>'
    )


def shape(rings: Sequence[Sequence[Point]], colour: str, more: str = "") -> str:
    """A filled shape, with holes where rings lie in each other."""
    d = " ".join("M" + " L".join(f"{x:.1f} {y:.1f}" for x, y in ring) + "Z" for ring in rings)
    return f'<path d="{d}" fill="{colour}" fill-rule="evenodd"{more}/>'


def page(width: float, height: float, inner: str) -> str:
    """A whole document."""
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{width:.0f}" height="{height:.0f}" '
        f'viewBox="0 0 {width:.0f} {height:.0f}">{inner}</svg>'
    )
