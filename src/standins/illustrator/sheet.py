"""Model sheets: one figure from the front, from three quarters and from the side, and four faces,
on a plain ground."""

import random
from collections.abc import Callable, Iterator
from contextlib import AbstractContextManager, contextmanager
from dataclasses import replace

from .animals import draw_animal, tallness
from .bodies import body_of
from .cast import Found
from .colour import RGB
from .pen import Pen
from .people import draw_person
from .reading import Reading

H = 1000.0
GROUND: tuple[RGB, RGB] = ((236, 228, 212), (222, 212, 194))
FACES = ("calm", "smile", "worry", "laugh")
Regions = Callable[[str, str], AbstractContextManager[Found]]


def draw_sheet(reading: Reading, back: Pen, pen: Pen, width: float, region: Regions, rng: random.Random) -> None:
    """Draw the sheet of the first figure, or else the first animal, of a decided reading."""
    back.sheet(width, -60, H + 60, *GROUND)
    if reading.figures:
        figure = replace(reading.figures[0], pose="stand", holds=None, expression="calm")
        person = 800 / (body_of(figure, 1000).total / 1000)
        for share, turn in ((0.11, "front"), (0.29, "three-quarter"), (0.46, "side")):
            with region(figure.name or "person", turn) as found:
                found.box = draw_person(pen, figure, width * share, 930, person, 1, turn).box
        with _within(pen, width):
            for i, face in enumerate(FACES):
                x, y = width * (0.665 + 0.215 * (i % 2)), 460.0 + 470 * (i // 2)
                big = 1000 * 146 / body_of(figure, 1000).head
                low = y + body_of(figure, big).total - 385
                draw_person(_clipped(pen, x, y, width), replace(figure, expression=face), x, low, big, 1, "front")
                pen.out.append("</g>")
    else:
        for kind, colour, name, _ in reading.animals[:1]:
            for share, way in ((0.28, 1), (0.72, -1)):
                with region(name or kind, "side") as found:
                    found.box = draw_animal(pen, kind, colour, width * share, 860, 420 / tallness(kind), way)
    rng.random()


@contextmanager
def _within(pen: Pen, width: float) -> Iterator[None]:
    """Faces tell nothing of parts: the standing figures do."""
    marks = len(pen.marks)
    yield
    del pen.marks[marks:]


def _clipped(pen: Pen, x: float, y: float, width: float) -> Pen:
    """Open a group that shows a head and shoulders only."""
    name = f"face{round(x)}x{round(y)}"
    half = width * 0.1
    pen.defs.append(f'<clipPath id="{name}"><rect x="{x - half:.1f}" y="{y - 430:.1f}" width="{2 * half:.1f}" height="440" rx="8"/></clipPath>')
    pen.out.append(f'<g clip-path="url(#{name})">')
    return pen
