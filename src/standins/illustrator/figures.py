"""Figures written by hand: a year or a number on a page, in strokes, so that every look draws them with its own line."""

import re

from .colour import RGB
from .pen import INK, Pen, Point

_STROKES: dict[str, tuple[tuple[Point, ...], ...]] = {
    "0": (((0.5, 0.0), (0.12, 0.25), (0.1, 0.7), (0.5, 1.0), (0.88, 0.7), (0.88, 0.25), (0.5, 0.0)),),
    "1": (((0.25, 0.25), (0.55, 0.0), (0.55, 1.0)), ((0.25, 1.0), (0.85, 1.0))),
    "2": (((0.12, 0.25), (0.45, 0.0), (0.85, 0.22), (0.7, 0.52), (0.12, 1.0), (0.9, 1.0)),),
    "3": (((0.15, 0.08), (0.6, 0.0), (0.82, 0.24), (0.42, 0.46), (0.88, 0.7), (0.6, 1.0), (0.12, 0.9)),),
    "4": (((0.62, 0.0), (0.1, 0.66), (0.92, 0.66)), ((0.68, 0.4), (0.68, 1.0))),
    "5": (((0.85, 0.0), (0.25, 0.0), (0.2, 0.44), (0.65, 0.42), (0.88, 0.7), (0.6, 1.0), (0.12, 0.92)),),
    "6": (((0.8, 0.06), (0.4, 0.1), (0.12, 0.6), (0.3, 0.98), (0.75, 0.95), (0.85, 0.65), (0.5, 0.5), (0.16, 0.66)),),
    "7": (((0.1, 0.0), (0.9, 0.0), (0.42, 1.0)), ((0.25, 0.5), (0.75, 0.5))),
    "8": (((0.5, 0.46), (0.18, 0.24), (0.5, 0.0), (0.82, 0.24), (0.5, 0.46), (0.1, 0.74), (0.5, 1.0), (0.9, 0.74), (0.5, 0.46)),),
    "9": (((0.84, 0.34), (0.5, 0.5), (0.15, 0.34), (0.25, 0.05), (0.7, 0.02), (0.88, 0.4), (0.6, 1.0), (0.2, 0.95)),),
    ",": (((0.5, 0.95), (0.4, 1.15)),),
    ".": (((0.48, 0.98), (0.52, 1.0)),),
}
NUMBERS = {
    "one": "1", "two": "2", "three": "3", "four": "4", "five": "5", "six": "6", "seven": "7", "eight": "8", "nine": "9", "ten": "10",
    "eleven": "11", "twelve": "12", "twenty": "20", "thirty": "30", "forty": "40", "fifty": "50", "sixty": "60", "hundred": "100",
    "thousand": "1,000", "million": "1,000,000",
}


def written_in(prompt: str) -> str:
    """The figures that a prompt wants on a page: "a page with the year 1919", "with the number twelve"; else nothing."""
    match = re.search(r"\bthe (?:year|number|date) ([a-z]+|\d[\d,.]*)", prompt)
    said = match.group(1).rstrip(".,") if match else ""
    return NUMBERS.get(said, said if said[:1].isdigit() else "")


def write(pen: Pen, text: str, x: float, y: float, width: float, colour: RGB = INK) -> None:
    """Write figures with their middle at (x, y), as broad as `width` at most."""
    shown = [c for c in text if c in _STROKES]
    wide = [0.4 if c in ",." else 1.0 for c in shown]
    if not shown:
        return
    size = min(width / (sum(wide) * 1.22), width * 0.34)
    left = x - size * sum(wide) * 1.22 / 2
    for character, share in zip(shown, wide, strict=True):
        for stroke in _STROKES[character]:
            points = [(left + size * share * px, y + size * 1.5 * (py - 0.5)) for px, py in stroke]
            pen.line(points, size * 0.13, colour, smooth=len(points) > 3)
        left += size * share * 1.22
