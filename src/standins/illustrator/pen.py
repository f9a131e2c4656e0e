"""The pen: draws shapes, limbs and lines the way a look draws them. Points are in page units (1000
to the height)."""

import math
import random
from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass

from cutreel.protocol import Bone

from . import renderings as r
from .colour import RGB, alike, css, darker, grey_of, lighter, mix, paler

Point = tuple[float, float]
INK: RGB = (44, 38, 34)
BANDS = 56


def smooth_path(points: Sequence[Point], closed: bool = True) -> str:
    """An SVG path through `points` (Catmull-Rom, as cubic Béziers)."""
    n = len(points)
    out = [f"M{points[0][0]:.1f} {points[0][1]:.1f}"]
    for i in range(n if closed else n - 1):
        p0 = points[(i - 1) % n] if closed or i else points[0]
        p1, p2 = points[i], points[(i + 1) % n]
        p3 = points[(i + 2) % n] if closed or i + 2 < n else p2
        c1 = (p1[0] + (p2[0] - p0[0]) / 6, p1[1] + (p2[1] - p0[1]) / 6)
        c2 = (p2[0] - (p3[0] - p1[0]) / 6, p2[1] - (p3[1] - p1[1]) / 6)
        out.append(f"C{c1[0]:.1f} {c1[1]:.1f} {c2[0]:.1f} {c2[1]:.1f} {p2[0]:.1f} {p2[1]:.1f}")
    return "".join(out) + ("Z" if closed else "")


def straight_path(points: Sequence[Point], closed: bool = True) -> str:
    return "M" + "L".join(f"{x:.1f} {y:.1f}" for x, y in points) + ("Z" if closed else "")


def ring(cx: float, cy: float, rx: float, ry: float | None = None, count: int = 14, wobble: float = 0.0,
         rng: random.Random | None = None) -> list[Point]:
    """Points round an ellipse, each moved in or out by up to `wobble` of the radius."""
    ry = rx if ry is None else ry
    out = []
    for i in range(count):
        a = 2 * math.pi * i / count
        k = 1 + (rng.uniform(-wobble, wobble) if rng and wobble else 0.0)
        out.append((cx + rx * k * math.cos(a), cy + ry * k * math.sin(a)))
    return out


@dataclass(frozen=True)
class Mark:
    """A part of a figure as painted: what it is (`slot`; empty: it only covers what lies under it),
    the word that it was asked for by, the true grey of a neutral (0 … 255), and its outline."""

    slot: str
    word: str
    grey: int | None
    outline: tuple[Point, ...]


@dataclass(frozen=True)
class Piece:
    """A piece of a jointed figure: the bone that carries it, which variant it is (empty: always shown), its SVG, and the
    outlines of what was noted in it."""

    bone: Bone
    variant: str
    svg: str
    marks: tuple[Mark, ...]


def _around(points: Sequence[Point], half: float) -> list[Point]:
    """The outline of a stroke of width 2 `half` through `points`."""
    left, right = [], []
    for i, (x, y) in enumerate(points):
        ax, ay = points[max(0, i - 1)]
        bx, by = points[min(len(points) - 1, i + 1)]
        d = math.hypot(bx - ax, by - ay) or 1.0
        nx, ny = -(by - ay) / d * half, (bx - ax) / d * half
        left.append((x + nx, y + ny))
        right.append((x - nx, y - ny))
    return left + right[::-1]


class Pen:
    """Collects the SVG of one layer. `ambient` and its share tint everything, as the hour of day
    does."""

    def __init__(self, look: str, rng: random.Random, ambient: RGB, share: float, glow: RGB, fine: bool = False) -> None:
        self.look = look
        self.fine = fine
        self.rng = rng
        self.ambient, self.share, self.glow = ambient, share, glow
        self.out: list[str] = []
        self.defs: list[str] = [r.hatch("hatch", 38, 7, r.GRAPHITE, 1.5), r.hatch("cross", -52, 8, r.GRAPHITE, 1.2)] if look == "toned-pencil" else []
        self.scale = 1.0
        self._count = 0
        self.marks: list[Mark] = []
        self._marking: tuple[str, str, int | None] | None = None
        self.jointed = False
        """Whether a figure is drawn as the pieces of a jointed one, with what else their faces can be."""
        self.pieces: list[Piece] = []
        self.flames: list[tuple[float, float, float]] = []
        """Lights that tremble: x, y and how far they reach."""
        self.dyes: Mapping[str, RGB] = {}
        """The colours that are said of things, by how they are drawn: "a black car"."""
        self._dye: tuple[RGB, RGB | None] | None = None
        self.eyes_shut = False
        """Whether an animal that is drawn now sleeps."""

    @contextmanager
    def marking(self, slot: str, word: str = "", grey: int | None = None) -> Iterator[None]:
        """Note whatever is drawn meanwhile as a part of a figure. Looks without true colours note
        nothing."""
        before, self._marking = self._marking, (slot, word, grey)
        yield
        self._marking = before

    @contextmanager
    def dyed(self, kind: str) -> Iterator[None]:
        """Give a thing the colour that is said of it: what has the colour of its first shape, or is lighter or darker
        than that, has the said one instead."""
        dye = self.dyes.get(kind)
        before, self._dye = self._dye, (dye, None) if dye else None
        yield
        self._dye = before

    def _coloured(self, colour: RGB) -> RGB:
        """A colour, or that of the dye instead."""
        if self._dye is None:
            return colour
        dye, base = self._dye
        base = base or colour
        self._dye = (dye, base)
        if not alike(colour, base):
            return colour
        k = grey_of(colour) / max(1.0, grey_of(base))
        return (min(255.0, dye[0] * k), min(255.0, dye[1] * k), min(255.0, dye[2] * k))

    def eye(self, x: float, y: float, rx: float, ry: float) -> None:
        """An animal's eye; that of one which sleeps is shut."""
        if self.eyes_shut:
            self.line([(x - rx * 1.5, y), (x, y + ry * 0.9), (x + rx * 1.5, y)], max(1.4, rx * 0.7), (30, 26, 26))
            return
        self.disc(x, y, rx, ry, (30, 26, 26), lift=0.0, line=False, plain=self.look != "shadow-theatre", spot=True)

    @contextmanager
    def piece(self, bone: Bone, variant: str = "") -> Iterator[None]:
        """Note whatever is drawn meanwhile as a piece of a jointed figure, carried by a bone; of pieces with a variant
        one is shown at a time."""
        begin, marks = len(self.out), len(self.marks)
        yield
        if self.jointed:
            self.pieces.append(Piece(bone, variant, "".join(self.out[begin:]), tuple(self.marks[marks:])))

    def _note(self, outline: Sequence[Point], keeps_colour: bool = True) -> None:
        if self._marking is None or self.look == "shadow-theatre":
            return
        # What is white in stick figures says nothing of a colour, and hides what lies under it all the same.
        true = keeps_colour or self.look != "stick-figures"
        marking = self._marking if true else ("", "", None)
        self.marks.append(Mark(*marking, tuple(outline)))

    def svg(self, width: float, height: float, part: Sequence[str] | None = None) -> str:
        """What was drawn, or a part of it, as a page of its own."""
        drawn = self.out if part is None else part
        return (f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width:.2f} {height:.2f}">'
                f'<defs>{"".join(self.defs)}</defs>{"".join(drawn)}</svg>')

    def tone(self, colour: RGB, depth: float = 1.0) -> RGB:
        """`colour` as the look and the hour show it; `depth` is 0 far away and 1 near."""
        if self.look == "shadow-theatre":
            return mix(self.glow, (16, 12, 14), min(1.0, 0.12 + depth * 0.88))
        out = mix(colour, self.ambient, self.share)
        if self.look == "ink-wash":
            out = lighter(paler(out, 0.32), 0.18)
        elif self.look == "screen-print":
            out = r.inked(colour if depth >= 1 else out)
        elif self.look == "chalk-slate":
            out = r.chalked(out)
        elif self.look == "toned-pencil":
            out = r.pencilled(out)
        return out

    def shape(self, points: Sequence[Point], fill: RGB, *, smooth: bool = True, depth: float = 1.0, lift: float = 1.0,
              spot: bool = False, line: bool = True, opacity: float = 1.0, plain: bool = False) -> None:
        """A closed shape. `lift` is how far it stands off what lies behind; `spot` keeps its colour
        in spare looks; `plain` uses the colour as it is, untinted."""
        path = smooth_path(points) if smooth else straight_path(points)
        self._note(points, spot)
        fill = fill if plain else self._coloured(fill)
        colour = fill if plain else self.tone(fill, depth)
        if self.look == "cut-paper":
            self._paper(path, colour, lift, opacity)
        elif self.look == "ink-wash":
            self._wash(points, path, colour, smooth, depth, line, opacity)
        elif self.look == "stick-figures":
            body = css(lighter(fill, 0.12)) if spot else "#fffdf8"
            stroke = f' stroke="#26221f" stroke-width="{4.2 * self.scale:.1f}" stroke-linejoin="round"' if line else ""
            self.out.append(f'<path d="{path}" fill="{body}" fill-opacity="{opacity:.2f}"{stroke}/>')
        elif self.look == "screen-print":
            self.out += r.print_shape(path, r.inked(colour), opacity)
        elif self.look == "chalk-slate":
            self.out += r.chalk_shape(path, colour, opacity, self.scale, line)
        elif self.look == "clay":
            gradient, paths = r.clay_shape(path, self._name("c"), colour, opacity, lift, self.scale, self.fine)
            self.defs.append(gradient)
            self.out += paths
        elif self.look == "toned-pencil":
            redraw = [self._redrawn(points, smooth, spread) for spread in ((1.1, 2.2) if self.fine else (1.1,))] if line else []
            true = fill if plain else mix(fill, self.ambient, self.share)
            self.out += r.pencil_shape(points, path, redraw, colour, true, opacity, line, self.scale, depth, self.rng)
        else:
            self.out.append(f'<path d="{path}" fill="{css(colour)}" fill-opacity="{opacity:.2f}"/>')

    def _name(self, kind: str) -> str:
        self._count += 1
        return f"{kind}{id(self) % 9973}x{self._count}"

    def _redrawn(self, points: Sequence[Point], smooth: bool, spread: float) -> str:
        """The path again, as a hand draws it again."""
        k = spread * min(1.3, self.scale)
        moved = [(x + self.rng.gauss(0, k), y + self.rng.gauss(0, k)) for x, y in points]
        return smooth_path(moved) if smooth else straight_path(moved)

    def _paper(self, path: str, colour: RGB, lift: float, opacity: float) -> None:
        if lift > 0 and opacity > 0.9:
            for far, share in ((11.0, 0.05), (8.0, 0.06), (5.0, 0.09), (2.2, 0.14)) if self.fine else ((4.5, 0.22),):
                d = far * lift * self.scale
                self.out.append(f'<path d="{path}" transform="translate({-d * 0.45:.1f} {d:.1f})" fill="#140c1c" '
                                f'fill-opacity="{share}"/>')
        self.out.append(f'<path d="{path}" fill="{css(colour)}" fill-opacity="{opacity:.2f}"/>')
        if lift > 0 and opacity > 0.9:
            self.out.append(f'<path d="{path}" fill="none" stroke="{css(lighter(colour, 0.35))}" stroke-opacity="0.45" '
                            f'stroke-width="{1.5 * self.scale:.1f}"/>')
            if self.fine:
                # The torn edge of a sheet shows its white core.
                self.out.append(f'<path d="{path}" transform="translate({0.9 * self.scale:.1f} {-0.9 * self.scale:.1f})" fill="none" stroke="#fffaf0" '
                                f'stroke-opacity="0.22" stroke-width="{0.9 * self.scale:.1f}" stroke-dasharray="{7 * self.scale:.1f} {3 * self.scale:.1f}"/>')

    def _wash(self, points: Sequence[Point], path: str, colour: RGB, smooth: bool, depth: float, line: bool,
              opacity: float) -> None:
        name = self._name("w")
        angle = self.rng.uniform(0, math.pi)
        x, y = math.cos(angle), math.sin(angle)
        self.defs.append(
            f'<linearGradient id="{name}" x1="{0.5 - x / 2:.2f}" y1="{0.5 - y / 2:.2f}" x2="{0.5 + x / 2:.2f}" '
            f'y2="{0.5 + y / 2:.2f}"><stop offset="0" stop-color="{css(colour)}" stop-opacity="{0.98 * opacity:.2f}"/>'
            f'<stop offset="1" stop-color="{css(lighter(colour, 0.34))}" stop-opacity="{0.94 * opacity:.2f}"/></linearGradient>')
        self.out.append(f'<path d="{path}" fill="url(#{name})"/>')
        if self.fine and opacity > 0.9 and len(points) > 3:
            # A second wash, wetter at one side, that stops short of the edge.
            self.out.append(f'<path d="{self._redrawn(points, smooth, 5)}" transform="translate({3 * self.scale:.1f} {4 * self.scale:.1f})" fill="{css(darker(colour, 0.22))}" fill-opacity="0.12"/>')
        if line and opacity > 0.5:
            strength = 0.25 + 0.6 * depth
            for spread, width, share in ((1.2, 2.3, 1.0), (2.6, 1.1, 0.5))[: 2 if self.fine else 1]:
                self.out.append(f'<path d="{self._redrawn(points, smooth, spread)}" fill="none" stroke="{css(INK)}" stroke-opacity="{strength * share:.2f}" '
                                f'stroke-width="{width * self.scale:.1f}" stroke-linejoin="round"/>')

    def disc(self, cx: float, cy: float, rx: float, ry: float | None, fill: RGB, **how: object) -> None:
        self.shape(ring(cx, cy, rx, ry), fill, **how)  # type: ignore[arg-type]

    def box(self, x: float, y: float, w: float, h: float, fill: RGB, **how: object) -> None:
        self.shape([(x, y), (x + w, y), (x + w, y + h), (x, y + h)], fill, smooth=False, **how)  # type: ignore[arg-type]

    def limb(self, points: Sequence[Point], width: float, colour: RGB, *, lift: float = 0.6, spot: bool = False) -> None:
        """A bent limb of even width with round ends."""
        path = smooth_path(points, closed=False)
        self._note(_around(points, width / 2), spot)
        colour = self._coloured(colour)
        base = 'fill="none" stroke-linecap="round" stroke-linejoin="round"'
        fill = self.tone(colour)
        if self.look == "stick-figures":
            if spot:
                self.out.append(f'<path d="{path}" {base} stroke="#26221f" stroke-width="{width * 0.5 + 8 * self.scale:.1f}"/>'
                                f'<path d="{path}" {base} stroke="{css(lighter(colour, 0.12))}" stroke-width="{width * 0.5:.1f}"/>')
            else:
                self.out.append(f'<path d="{path}" {base} stroke="#26221f" stroke-width="{5.5 * self.scale:.1f}"/>')
            return
        if self.look == "cut-paper":
            d = 4 * lift * self.scale
            self.out.append(f'<path d="{path}" {base} transform="translate({-d * 0.5:.1f} {d:.1f})" stroke="#140c1c" '
                            f'stroke-opacity="0.2" stroke-width="{width:.1f}"/>')
        elif self.look == "clay":
            self.out += r.clay_limb(path, fill, width, self.scale)
            return
        elif self.look == "chalk-slate":
            self.out.append(f'<path d="{path}" {base} stroke="{css(lighter(fill, 0.4))}" stroke-opacity="0.6" '
                            f'stroke-width="{width + 3 * self.scale:.1f}"/>')
        elif self.look == "toned-pencil":
            self.out.append(f'<path d="{path}" {base} stroke="{css(r.GRAPHITE)}" stroke-opacity="0.8" '
                            f'stroke-width="{width + 3 * self.scale:.1f}"/>')
        elif self.look == "ink-wash":
            self.out.append(f'<path d="{path}" {base} stroke="{css(INK)}" stroke-opacity="0.85" '
                            f'stroke-width="{width + 4.2 * self.scale:.1f}"/>')
        self.out.append(f'<path d="{path}" {base} stroke="{css(fill)}" stroke-width="{width:.1f}"/>')

    def line(self, points: Sequence[Point], width: float, colour: RGB = INK, *, opacity: float = 1.0, smooth: bool = True,
             depth: float = 1.0) -> None:
        """A drawn line."""
        path = smooth_path(points, closed=False) if smooth else straight_path(points, closed=False)
        ink: RGB = (38, 34, 31) if self.look == "stick-figures" else self.tone(colour, depth)
        self.out.append(f'<path d="{path}" fill="none" stroke="{css(ink)}" stroke-opacity="{opacity:.2f}" '
                        f'stroke-width="{width:.1f}" stroke-linecap="round" stroke-linejoin="round"/>')

    def glow_at(self, x: float, y: float, radius: float, colour: RGB, strength: float = 0.8, flame: bool = False) -> None:
        """Light that spreads from a point; that of a `flame` trembles."""
        if flame:
            self.flames.append((x, y, radius))
        if self.look == "stick-figures":
            for i in range(8):
                a = math.pi * i / 4
                self.line([(x + math.cos(a) * radius * 0.2, y + math.sin(a) * radius * 0.2),
                           (x + math.cos(a) * radius * 0.27, y + math.sin(a) * radius * 0.27)], 4)
            return
        name = self._name("g")
        if self.look == "ink-wash":
            strength *= 0.75
        self.defs.append(
            f'<radialGradient id="{name}"><stop offset="0" stop-color="{css(lighter(colour, 0.5))}" stop-opacity="{strength}"/>'
            f'<stop offset="0.25" stop-color="{css(colour)}" stop-opacity="{strength * 0.5:.2f}"/>'
            f'<stop offset="1" stop-color="{css(colour)}" stop-opacity="0"/></radialGradient>')
        self.out.append(f'<circle cx="{x:.1f}" cy="{y:.1f}" r="{radius:.1f}" fill="url(#{name})"/>')

    def sheet(self, width: float, top: float, bottom: float, upper: RGB, lower: RGB) -> None:
        """A field of colour from edge to edge that runs from `upper` to `lower`; in cut paper it is
        torn in bands."""
        self._note([(-50, top), (width + 50, top), (width + 50, bottom), (-50, bottom)], keeps_colour=False)
        if self.look == "stick-figures":
            self.out.append(f'<rect x="-50" y="{top:.1f}" width="{width + 100:.1f}" height="{bottom - top:.1f}" fill="#fffdf8"/>')
            return
        if self.look == "shadow-theatre":
            upper, lower = mix(self.glow, (60, 20, 10), 0.45), self.glow
        elif self.look == "ink-wash":
            upper, lower = lighter(paler(upper, 0.3), 0.34), lighter(paler(lower, 0.3), 0.42)
        else:
            upper, lower = r.ground_of(self.look, upper, lower)
        if self.look == "screen-print":
            self.out.append(f'<rect x="-50" y="{top:.1f}" width="{width + 100:.1f}" height="{bottom - top:.1f}" fill="{css(upper)}"/>')
            self.out += r.print_bands(width, top, bottom, upper, lower)
            return
        # Narrow bands of one colour each are laid down many times faster than a gradient, and the
        # grain hides their edges.
        tall = (bottom - top) / BANDS
        for i in range(BANDS):
            self.out.append(f'<rect x="-50" y="{top + i * tall:.1f}" width="{width + 100:.1f}" height="{tall + (2 if i < BANDS - 1 else 0):.1f}" '
                            f'fill="{css(mix(upper, lower, (i + 0.5) / BANDS))}"/>')
        if self.look == "cut-paper":
            bands = 4
            for i in range(1, bands):
                y = top + (bottom - top) * i / bands
                wave = [(x, y + math.sin(x / 260 + i * 2) * 22 + self.rng.uniform(-7, 7))
                        for x in range(-60, int(width) + 161, 120)]
                colour = mix(upper, lower, (i + 0.35) / bands)
                self.out.append(f'<path d="{smooth_path([*wave, (width + 200, bottom), (-100, bottom)])}" '
                                f'fill="{css(colour)}" fill-opacity="0.55"/>')

    def veil(self, width: float, top: float, bottom: float, colour: RGB, strength: float) -> None:
        """A band of air from edge to edge, densest in its middle."""
        name = self._name("h")
        stops = "".join(f'<stop offset="{at}" stop-color="{css(self.tone(colour, 0.1))}" stop-opacity="{share * strength:.2f}"/>' for at, share in ((0, 0), (0.55, 1), (1, 0)))
        self.defs.append(f'<linearGradient id="{name}" x1="0" y1="0" x2="0" y2="1">{stops}</linearGradient>')
        self.out.append(f'<rect x="-50" y="{top:.1f}" width="{width + 100:.1f}" height="{bottom - top:.1f}" fill="url(#{name})"/>')

    def is_dark(self, colour: RGB) -> bool:
        return grey_of(self.tone(colour)) < 90

    def shade(self, colour: RGB, share: float = 0.18) -> RGB:
        return darker(colour, share)
