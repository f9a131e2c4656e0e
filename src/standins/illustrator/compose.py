"""Composition: where everything goes on the page, by framing. The page is 1000 units high."""

import hashlib
import random
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, field

from .animals import draw_animal
from .colour import darker
from .pen import Mark, Pen, Point
from .people import body_of, decide, draw_person
from .places import PLACE_DRAWERS, Stage, hour_of, weather_over
from .props import draw_prop
from .reading import Figure, Reading, read_prompt, without
from .references import Reference, colours_of, follow, recoloured
from .sheet import draw_sheet
from .vocabulary import INDOORS

H = 1000.0


@dataclass(frozen=True)
class _Frame:
    """A framing: height of a grown person, where the feet stand, how much nearer the backdrop is, where the horizon is."""

    person: float
    feet: float
    nearer: float
    horizon: float


_FRAMES = {
    "extreme wide": _Frame(250, 850, 1.0, 560),
    "wide": _Frame(450, 900, 1.0, 520),
    "medium": _Frame(930, 1180, 1.22, 470),
    "close": _Frame(2050, 2180, 1.6, 430),
    "extreme close": _Frame(3300, 3320, 2.0, 420),
}


@dataclass
class Drawing:
    """A finished drawing: SVG of each layer from back to front with its depth, and regions as shares of the page."""

    width: float
    layers: list[tuple[str, float]]
    regions: list[dict[str, object]] = field(default_factory=list)
    unused: list[str] = field(default_factory=list)
    look: str = "cut-paper"
    figures: list[Figure] = field(default_factory=list)


def draw(
    prompt: str, seed: int, aspect: float, references: Sequence[Reference] = (), negative: str = "", lighter: Sequence[str] = (),
    bare: bool = False,
) -> Drawing:
    """Draw `prompt`. The same arguments give the same drawing; `aspect` is width / height; `bare`: the place alone."""
    reading = read_prompt(_lightened(prompt, lighter))
    rng = random.Random(int.from_bytes(hashlib.sha256(f"{seed}".encode()).digest()[:8], "big"))
    width = H * aspect
    frame = _FRAMES[reading.framing]
    time = reading.time or rng.choice(["day", "dawn", "dusk", "night"])
    weather = reading.weather or rng.choice(["clear", "clear", "clear", "wind"])
    place = reading.place or rng.choice(["meadow", "street", "shore", "garden"])
    hour = hour_of(time, weather if place not in INDOORS else "clear", random.Random(rng.random()))
    colours, strength = colours_of(references)
    hour = recoloured(recoloured(hour, reading.palette, 0.5), colours, strength)
    share = 0.0 if reading.sheet else hour.share * (0.6 if place in INDOORS else 1.0)
    pens = [Pen(reading.look, random.Random(rng.random()), hour.ambient, share, hour.glow) for _ in range(3)]
    stage = Stage(pens[0], pens[2], width, H, frame.horizon, min(frame.feet, 880.0), hour, time, weather, random.Random(rng.random()),
                  dark_lamp=reading.dark_lamp)
    follow(reading.figures, references)
    without(reading, negative)
    if bare:
        reading.figures, reading.animals, reading.props = [], [], []
    for figure in reading.figures:
        decide(figure, rng)
    if reading.sheet:
        cast = _Cast(reading, stage, pens[1], frame, rng, place)
        draw_sheet(reading, pens[0], pens[1], width, cast.region, rng)
        return Drawing(width, [(p.svg(width, H), d) for p, d in zip(pens[:2], (0.0, 0.55), strict=True)], cast.regions, reading.unused,
                       reading.look, reading.figures)
    PLACE_DRAWERS[place](stage)
    _bring_nearer(pens[0], width, frame)
    if frame.nearer > 1.1:
        pens[2].out.clear()
    regions = _Cast(reading, stage, pens[1], frame, rng, place).draw()
    if place not in INDOORS:
        weather_over(stage)
    _vignette(pens[0], width)
    layers = [(pen.svg(width, H), depth) for pen, depth in zip(pens, (0.0, 0.55, 1.0), strict=True) if pen.out]
    return Drawing(width, layers, regions, reading.unused, reading.look, reading.figures)


def _bring_nearer(pen: Pen, width: float, frame: _Frame) -> None:
    """Enlarge the backdrop for closer framings, about a point on the horizon."""
    if frame.nearer > 1.0:
        k = frame.nearer
        pen.out = [f'<g transform="translate({width / 2 * (1 - k):.1f} {frame.horizon * 1.3 * (1 - k):.1f}) scale({k})">', *pen.out, "</g>"]


def _vignette(pen: Pen, width: float) -> None:
    if pen.look == "stick-figures":
        return
    dark = {"cut-paper": 0.34, "ink-wash": 0.10, "shadow-theatre": 0.62, "screen-print": 0.0, "chalk-slate": 0.30, "clay": 0.26,
            "toned-pencil": 0.14}[pen.look]
    pen.defs.append(f'<radialGradient id="v" cx="0.5" cy="0.48" r="0.78"><stop offset="0.55" stop-color="#120a14" stop-opacity="0"/>'
                    f'<stop offset="1" stop-color="#120a14" stop-opacity="{dark}"/></radialGradient>')
    pen.out.append(f'<rect x="-10" y="-10" width="{width + 20:.0f}" height="{H + 20:.0f}" fill="url(#v)"/>')


def _lightened(prompt: str, lighter: Sequence[str]) -> str:
    """The prompt without what weighs less, where figures are too small to show it."""
    if "wide shot" in prompt.lower():
        for phrase in lighter:
            prompt = prompt.replace(f", {phrase}", "")
    return prompt


class _Cast:
    """Puts people, animals and things on the stage."""

    def __init__(self, reading: Reading, stage: Stage, pen: Pen, frame: _Frame, rng: random.Random, place: str) -> None:
        self.r, self.s, self.pen, self.f, self.rng, self.place = reading, stage, pen, frame, rng, place
        self.width = stage.width
        self.person, self.feet = self._fitted(frame)
        self.regions: list[dict[str, object]] = []
        self._parts: list[list[dict[str, object]]] = []

    def _fitted(self, frame: _Frame) -> tuple[float, float]:
        """Height of a person and where the feet stand, so that all fit side by side and heads stay on the page."""
        count = len(self.r.figures) + 0.6 * len(self.r.animals)
        person, feet = frame.person, frame.feet
        room = self.width / max(1.0, count) / 0.42
        if frame.person < 1500 and person > room:
            person, feet = max(room, 260), min(feet, 940 if room < 800 else feet)
        if self.r.half and self.r.figures:
            person *= 500 / body_of(self.r.figures[0], person).total
        tallest = max((body_of(f, person).total for f in self.r.figures), default=person)
        top = feet - tallest
        wanted = {"extreme wide": None, "wide": None, "medium": 215.0, "close": 150.0, "extreme close": 40.0}[self.r.framing]
        if wanted is not None and self.r.figures:
            if self.r.framing == "medium" and tallest < person * 0.8:
                person *= 1.22
                top = feet - tallest * 1.22
            feet += wanted - top
        return person, feet

    def draw(self) -> list[dict[str, object]]:
        afloat = self.place == "sea" or ("boat" in self.r.props and self.s.near_water and self.place != "jetty") or (
            "boat" in self.r.props and self.r.figures and any(f.pose == "row" for f in self.r.figures))
        if afloat and self.r.framing in ("extreme wide", "wide", "medium"):
            self._in_boat()
        else:
            self._standing()
        self._cover()
        return self.regions

    def _cover(self) -> None:
        """What was painted over figures without being a part of any, as a boat's side, goes with the last of them."""
        told = {p["order"] for parts in self._parts for p in parts}
        if self._parts:
            self._parts[-1] += [self._part(i, m) for i, m in enumerate(self.pen.marks) if i not in told]

    def _slots(self, count: int) -> list[float]:
        if count <= 0:
            return []
        if count == 1:
            side = self.rng.choice([-1, 1])
            off = {"extreme wide": 0.16, "wide": 0.15, "medium": 0.10}.get(self.r.framing, 0.05)
            return [0.5 + side * off]
        spread = min(0.62, 0.30 * (count - 1) + 0.04)
        return [0.5 - spread / 2 + spread * i / (count - 1) for i in range(count)]

    def _standing(self) -> None:
        people, animals = self.r.figures, self.r.animals
        close = self.r.framing in ("close", "extreme close")
        shown: list[Figure] = people[:2] if close else people
        beasts = animals if not (close and people) else animals[:1]
        slots = self._slots(len(shown) + len(beasts))
        order: list[tuple[str, object]] = [("person", p) for p in shown]
        for beast in beasts:
            order.insert(len(order) if self.rng.random() < 0.6 else 0, ("animal", beast))
        self._things(bool(order), slots)
        faces = 0
        placed = list(zip(order, slots, strict=True))
        placed.sort(key=lambda item: item[0][0] == "person")
        for (kind, what), slot in placed:
            x = self.width * slot
            way = 1 if slot < 0.5 else -1
            if kind == "person":
                figure = what if isinstance(what, Figure) else Figure()
                facing = self.r.facing and faces == 0
                faces += 1
                step = self.rng.uniform(-10, 10) if self.person < 700 else 0
                self._shadow(x, self.feet + step, self.person * 0.2)
                self._person(figure, x, self.feet + step, way, facing)
            else:
                assert isinstance(what, tuple)
                name, colour = str(what[0]), what[1]
                size = self.person if people else max(self.person, 620)
                small = name in ("mouse", "cat", "rabbit", "duck", "crow", "gull", "owl", "fish") and not people
                scale = size * (2.2 if small else 1.0) * (1.15 if not people else 1.0)
                y = self.feet + 24 if self.person < 1400 else min(self.feet, 990)
                if self.feet > 1000:
                    y, scale = (1010, scale * 0.8) if not close else (1040, min(scale, 1200))
                if not people and self.f.feet > 1000:
                    y = 930
                self._shadow(x, y, scale * 0.16)
                with self.region(name) as box:
                    box.extend(draw_animal(self.pen, name, colour, x, y, scale, way))

    def _person(self, figure: Figure, x: float, y: float, way: int, facing: bool, seated: bool = False) -> None:
        facing = facing or (self.r.framing in ("close", "extreme close") and len(self.r.figures) == 1 and self.rng.random() < 0.4)
        turn = "front" if facing else "three-quarter"
        with self.region(figure.name or "person", turn) as box:
            box.extend(draw_person(self.pen, figure, x, y, self.person, way, turn, seated))

    def _things(self, peopled: bool, slots: list[float]) -> None:
        """Props on the ground, beside whoever is there; the hero of the page when nobody is."""
        props = [p for p in self.r.props if not (p == "boat" and self.place == "sea")]
        if self.r.framing in ("close", "extreme close") and peopled:
            props = [p for p in props if p in ("lamp", "window", "door", "clock", "tower")]
        free = [0.14, 0.86, 0.32, 0.68] if peopled else [0.5, 0.26, 0.74, 0.88]
        if peopled:
            free.sort(key=lambda f: -min(abs(f - s) for s in slots))
        for i, prop in enumerate(props[:3]):
            big = prop in ("lamp", "tower", "door", "window", "cart", "ladder", "instrument", "signal", "table", "fence", "boat", "clock")
            if peopled:
                base = self.person * (0.42 if big else 0.24)
                y = min(self.feet, 968.0) - (20 if big else 0)
                base = min(base, 330)
            else:
                base = {"extreme wide": 120.0, "wide": 200.0, "medium": 300.0}.get(self.r.framing, 430.0) * (0.8 if big else 1.0) * (1.0 if i == 0 else 0.6)
                y = 870 if self.r.framing != "close" else 930
            x = self.width * free[i % len(free)]
            if prop == "boat" and self.s.near_water:
                y, base = self.s.horizon + (self.s.ground - self.s.horizon) * 0.45, min(base, 120.0)
            if prop in ("lamp", "tower") and peopled and self.s.near_water:
                y, base = self.s.horizon + 30, 80.0
                self._lamp_far(prop, x, y, base)
                continue
            self._shadow(x, y, base * 0.6)
            draw_prop(self.pen, prop, x, y, base, lit=not (self.r.dark_lamp and prop in ("lamp", "tower")))

    def _lamp_far(self, prop: str, x: float, y: float, size: float) -> None:
        draw_prop(self.pen, prop, x, y, size, lit=not self.r.dark_lamp)

    def _in_boat(self) -> None:
        people = self.r.figures[:3]
        x, y = self.width * 0.5, {"extreme wide": 760.0, "wide": 790.0, "medium": 900.0}[self.r.framing]
        person = {"extreme wide": 210.0, "wide": 380.0, "medium": 640.0}[self.r.framing]
        person = min(person, self.width * 0.62)
        self.person = person
        size = person * 0.62
        if people:
            spread = 0.62 * size * (len(people) - 1)
            for i, figure in enumerate(people):
                px = x - spread / 2 + (spread * i / (len(people) - 1) if len(people) > 1 else 0) - size * 0.1
                if figure.pose not in ("raise", "point", "hold"):
                    figure.pose = "row" if i == 0 else "sit"
                self._person(figure, px, y - size * 0.12, 1 if i == 0 else -1, self.r.facing and i == 0, seated=True)
        for kind, colour in self.r.animals[:1]:
            with self.region(kind) as box:
                box.extend(draw_animal(self.pen, kind, colour, x + size * 1.2, y - size * 0.32, person * 0.8, 1))
        with self.pen.marking(""):
            draw_prop(self.pen, "boat", x, y, size)
        if people and people[0].pose == "row":
            with self.pen.marking(""):
                draw_prop(self.pen, "oar", x - size * 0.1, y - size * 0.26, size * 1.3)
        self.pen.line([(x - size * 2.0, y + size * 0.1), (x - size, y + size * 0.14), (x + size, y + size * 0.12), (x + size * 2.1, y + size * 0.08)],
                      max(2.5, size * 0.018), (230, 236, 236), opacity=0.5)
        for prop in [p for p in self.r.props if p in ("lamp", "tower")]:
            draw_prop(self.s.back, prop, self.width * 0.84, self.s.horizon + 14, 74, lit=not self.r.dark_lamp)

    def _shadow(self, x: float, y: float, half: float) -> None:
        if y < 1000 and self.pen.look not in ("stick-figures", "chalk-slate"):
            self.pen.out.append(f'<ellipse cx="{x:.1f}" cy="{y + 3:.1f}" rx="{half:.1f}" ry="{half * 0.16:.1f}" fill="{_SHADE}" fill-opacity="0.28"/>')

    @contextmanager
    def region(self, name: str, turn: str = "") -> Iterator[list[float]]:
        """Report what is drawn meanwhile as one figure; its box (left, top, right, bottom) is put into the list."""
        first, found = len(self.pen.marks), list[float]()
        yield found
        left, top, right, bottom = found
        clip = (max(0.0, left / self.width), max(0.0, top / H), min(1.0, right / self.width), min(1.0, bottom / H))
        if clip[2] > clip[0] and clip[3] > clip[1]:
            parts = [self._part(first + i, m) for i, m in enumerate(self.pen.marks[first:])]
            self._parts.append(parts)
            self.regions.append({"name": name, "box": [round(v, 4) for v in clip], "height": round((bottom - top) / H, 4),
                                 "facing": turn, "parts": parts})

    def _part(self, order: int, m: Mark) -> dict[str, object]:
        return {"order": order, "slot": m.slot, "word": m.word, "grey": m.grey, "outline": self._shares(m.outline)}

    def _shares(self, outline: Sequence[Point]) -> list[list[float]]:
        return [[round(x / self.width, 4), round(y / H, 4)] for x, y in outline]


_SHADE = "#{:02x}{:02x}{:02x}".format(*tuple(int(c) for c in darker((60, 44, 52), 0.3)))
