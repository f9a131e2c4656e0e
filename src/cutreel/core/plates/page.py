"""The page that a plate is drawn on, and the parts that come onto it one after another."""

from dataclasses import dataclass, field
from typing import Literal

from cutreel.core.lettering import width_of, wrapped

from .model import Plate
from .palette import Palette
from .svg import Point, text

Comes = Literal["fades", "from left", "from below", "along"]
"""How a part comes: all at once, as a hand writes, as a bar grows, or along a line."""
SAFE = 0.08
"""Of the page on each side that nothing stands in (EBU R 95: 5 % for graphics)."""


@dataclass(frozen=True)
class Part:
    """A piece of drawing; it belongs to the step with that number (-1: is there from the beginning), `after` so many
    seconds within it, takes so many to come, and is taken away again after `stays` (None: stays)."""

    svg: str
    step: int = -1
    comes: Comes = "fades"
    after: float = 0.0
    takes: float = 0.5
    stays: float | None = None
    along: tuple[Point, ...] = ()


@dataclass
class Page:
    """A page of some shape, in units in which its shorter side is 900; parts are laid on it from back to front."""

    plate: Plate
    palette: Palette
    width: float
    height: float
    parts: list[Part] = field(default_factory=list)

    @classmethod
    def of(cls, plate: Plate, palette: Palette, wide: float) -> "Page":
        """A page for a frame that is `wide` times as wide as high."""
        short = 900.0
        size = (short * wide, short) if wide >= 1 else (short, short / wide)
        return cls(plate, palette, *size)

    @property
    def upright(self) -> bool:
        return self.height > self.width

    @property
    def left(self) -> float:
        return self.width * SAFE

    @property
    def right(self) -> float:
        return self.width * (1 - SAFE)

    @property
    def top(self) -> float:
        return self.height * SAFE

    @property
    def low(self) -> float:
        """Down to where a plate goes: captions stand below."""
        return self.height * (0.76 if not self.upright else 0.72)

    @property
    def room(self) -> float:
        return self.right - self.left

    @property
    def middle(self) -> float:
        return self.width / 2

    def add(self, svg: str, step: int = -1, **how: object) -> None:
        self.parts.append(Part(svg, step, **how))  # type: ignore[arg-type]

    def head(self) -> float:
        """Lay the title; returns the height below it that is free."""
        title, pal = self.plate.title, self.palette
        if not title:
            return self.top
        size = 62.0
        lines = wrapped(title, pal.face, size, self.room)
        while len(lines) > 2 and size > 34:
            size *= 0.88
            lines = wrapped(title, pal.face, size, self.room)
        y = self.top + size * 0.8
        for n, words in enumerate(lines):
            self.add(
                text(self.left, y + n * size * 1.2, words, size, pal.ink, pal.face),
                comes="from left",
                after=0.1 + 0.3 * n,
                takes=0.6,
            )
        return y + (len(lines) - 1) * size * 1.2 + size * 0.75

    def foot(self) -> None:
        """Lay where the numbers are from."""
        if self.plate.source:
            said = f"Source: {self.plate.source}"
            size = min(26.0, 26 * self.room / max(1.0, width_of(said, self.palette.face, 26)))
            y = self.height * (1 - SAFE * 0.8)
            self.add(
                text(self.left, y, said, size, self.palette.faint, self.palette.face), after=0.4
            )

    def fitting(self, words: str, size: float, room: float, least: float = 18.0) -> float:
        """A size at which a line finds room, at most `size`."""
        wide = width_of(words, self.palette.face, size)
        return size if wide <= room else max(least, size * room / wide)

    def accent(self, n: int) -> str:
        return self.palette.accents[n % len(self.palette.accents)]


def figure(value: float | None, unit: str = "") -> str:
    """A number as it is written: 1,204 or 3.5, with its unit."""
    if value is None:
        return ""
    whole = abs(value - round(value)) < 1e-9
    said = f"{value:,.0f}" if whole else f"{value:,.2f}".rstrip("0").rstrip(".")
    if unit in ("%", "°", "‰"):
        return f"{said}{unit}"
    if unit in ("$", "£", "€"):
        return f"{unit}{said}"
    return f"{said} {unit}".strip()


def year(value: float) -> str:
    """A year as it is written."""
    return f"{abs(value):.0f}" + (" BC" if value < 0 else "")
