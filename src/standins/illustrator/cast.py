"""The cast of a picture: where people, animals and things stand, how large, and what is told of
them."""

import random
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, field, replace
from xml.sax.saxutils import quoteattr

from cutreel.protocol import FigurePose, Joint, Vary

from .animals import draw_animal, tallness
from .bodies import Posed, body_of, posed_as, standing_at
from .colour import NAMED, RGB, darker, lighter
from .figures import write
from .guiding import Mass, Masses
from .jointing import Cut, Jointed, Lit, pieces_drawn
from .lighting import rim_of, shadow_of
from .pen import INK, Mark, Pen, Point
from .people import draw_posed
from .props import BIG, PAPER, TABLETOP, WOOD, draw_prop
from .reading import Animal, Figure, Reading
from .stage import Stage
from .vehicles import bench, board, body_around, front_seats, tractor_under, wheel
from .vocabulary import IN_THE_SKY, INDOORS

H = 1000.0
CAPTIONS = 740.0
"""Captions may stand from here down: two lines a sixteenth of the page high, clear of its edge."""
MOST_LARGER = 2.6
"""So many times as tall as another an animal is drawn at most, where there are only animals."""
BROADEST = {"extreme wide": 0.2, "wide": 0.32, "medium": 0.6}
"""How much of the frame's width an animal alone takes at most."""
SWIM = frozenset("fish whale shark octopus seal turtle frog penguin".split())
"""What is above the ground under water."""
_BENT = frozenset({"bow", "push", "pull"})
"""How somebody stands who reaches far before them."""
_LIKE = {"calm": ("smile", "worry"), "smile": ("calm", "laugh"), "laugh": ("smile",), "worry": ("calm", "sad"), "sad": ("worry",),
         "frown": ("worry", "calm"), "open": ("worry", "laugh")}
"""Faces that are near to one another."""


@dataclass(frozen=True)
class Wish:
    """What is asked for besides the words: joints of figures, a sketch's masses, a little other
    than a seed, and where the horizon is to be (page units); `fine`: drawn with more care, which
    takes longer; `jointed`: figures in pieces besides."""

    poses: tuple[FigurePose, ...] = ()
    guide: Masses = field(default_factory=Masses)
    vary: Vary | None = None
    horizon: float | None = None
    fine: bool = False
    jointed: bool = False


NO_WISH = Wish()


@dataclass(frozen=True)
class Frame:
    """A framing: height of a grown person, where the feet stand, how much nearer the backdrop is,
    where the horizon is."""

    person: float
    feet: float
    nearer: float
    horizon: float


FRAMES = {
    "extreme wide": Frame(250, 850, 1.0, 560),
    "wide": Frame(450, 900, 1.0, 520),
    "medium": Frame(930, 1180, 1.22, 470),
    "close": Frame(2050, 2180, 1.6, 430),
    "extreme close": Frame(3300, 3320, 2.0, 420),
}


@dataclass
class Found:
    """Where a figure was drawn, in page units: its box (left, top, right, bottom), its joints,
    which way it looks."""

    box: tuple[float, float, float, float] = (0.0, 0.0, 0.0, 0.0)
    joints: dict[Joint, Point] = field(default_factory=dict)
    way: int = 1


class Cast:
    """Puts people, animals and things on the stage."""

    def __init__(self, reading: Reading, stage: Stage, pen: Pen, frame: Frame, rng: random.Random, place: str, wish: Wish = NO_WISH,
                 twist: random.Random | None = None) -> None:
        self.wish, self.twist = wish, twist
        self.r, self.s, self.pen, self.f, self.rng, self.place = reading, stage, pen, frame, rng, place
        self.width = stage.width
        self.person, self.feet = self._fitted(frame)
        self.regions: list[dict[str, object]] = []
        self._parts: list[list[dict[str, object]]] = []
        self.cuts: list[Cut] = []

    def _fitted(self, frame: Frame) -> tuple[float, float]:
        """Height of a person and where the feet stand, so that all fit side by side and heads stay
        on the page."""
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
        at_sea = self.place == "sea" and (self.r.figures or {"boat", "ship"} & set(self.r.props))
        afloat = at_sea or ("boat" in self.r.props and self.s.near_water and self.place != "jetty") or (
            "boat" in self.r.props and self.r.figures and any(f.pose == "row" for f in self.r.figures))
        if self.r.ashore or (self.r.near and not self.r.figures and not self.r.animals):
            afloat = False
        if afloat and self.r.framing in ("extreme wide", "wide", "medium"):
            self._in_boat()
        elif self._drives():
            self._in_car()
        elif self.place == "cab" and self.r.framing in ("extreme wide", "wide", "medium"):
            self._in_seats()
        else:
            self._standing()
        self._cover()
        return self.regions

    def _cover(self) -> None:
        """What was painted over figures without being a part of any, as a boat's side, goes with
        the last of them."""
        told = {p["order"] for parts in self._parts for p in parts}
        if self._parts:
            self._parts[-1] += [self._part(i, m) for i, m in enumerate(self.pen.marks) if i not in told]

    def _slots(self, count: int) -> list[float]:
        if count <= 0:
            return []
        if count == 1:
            side = self.rng.choice([-1, 1])
            off = {"extreme wide": 0.16, "wide": 0.15, "medium": 0.10}.get(self.r.framing, 0.05)
            if self.r.looks:
                # Room to look into.
                side, off = (-1 if self.r.looks == "right" else 1), max(off, 0.12)
            return [self._nudged(0.5 + side * off)]
        spread = min(0.62, 0.22 * (count - 1) + 0.03)
        off = 0.05 * self.rng.choice([-1, 1]) if count == 2 else 0.0
        return [self._nudged(0.5 + off - spread / 2 + spread * i / (count - 1)) for i in range(count)]

    def _nudged(self, slot: float) -> float:
        if self.twist and self.wish.vary:
            slot += self.twist.uniform(-0.16, 0.16) * self.wish.vary.strength
        return min(0.9, max(0.1, slot))

    def _guided(self, count: int) -> list[Mass | None]:
        """The masses that the first `count` of the cast follow, from left to right."""
        masses = sorted(self.wish.guide.dark[:count], key=lambda m: m.x)
        return [*masses, *[None] * (count - len(masses))]

    def _standing(self) -> None:
        people, animals = self.r.figures, self.r.animals
        close = self.r.framing in ("close", "extreme close")
        shown: list[Figure] = people[:2] if close else people
        beasts = animals if not (close and people) else animals[:1]
        if len(beasts) > 1 and not people and not self.wish.guide.dark:
            self._things(True, [0.3, 0.7])
            self._beasts_alone(beasts)
            return
        slots = self._slots(len(shown) + len(beasts))
        if "table" in self.r.props and len(slots) == 2 and all(f.pose == "sit" for f in shown):
            # Room for the table between them.
            slots = [0.5 + (slot - 0.5) * 1.4 for slot in slots]
        if len(slots) == 2 and not close and any(f.pose in _BENT for f in shown):
            # Whoever bends over needs the room.
            slots = [self._nudged(0.5 + (slot - 0.5) * 1.7) for slot in slots]
        if len(shown) == 1 and len(beasts) == 1 and not close:
            # Whoever stands beside a beast stands clear of it.
            broad = self._breadth(beasts[0], self.person * 1.15) / self.width
            apart = max(0.25, broad / 2 + 0.17)
            slots = [self._nudged(0.5 - apart / 2), self._nudged(0.5 + apart / 2)]
        order: list[tuple[str, object]] = [("person", p) for p in shown]
        for beast in beasts:
            order.insert(len(order) if self.rng.random() < 0.6 else 0, ("animal", beast))
        guided = self._guided(len(order))
        ladder = "ladder" in self.r.props and any(f.pose == "climb" for f in shown)
        if ladder:
            self.r.props.remove("ladder")
        if not close:
            self._crowd(slots)
        served = self._served() if self.r.on_table and not close else None
        self._things(bool(order), slots)
        faces = 0
        placed = list(zip(order, slots, guided, strict=True))
        placed.sort(key=lambda item: item[0][0] == "person")
        for (kind, what), slot, mass in placed:
            x = self.width * slot
            way = 1 if slot < 0.5 else -1
            if kind == "person":
                figure = what if isinstance(what, Figure) else Figure()
                facing = self.r.facing and faces == 0
                faces += 1
                step = self.rng.uniform(-10, 10) if self.person < 700 else 0
                person, y = self.person, self.feet + step
                if self.twist and self.wish.vary:
                    person *= 1 + self.twist.uniform(-0.14, 0.14) * self.wish.vary.strength
                if mass:
                    k = self.wish.guide.strength
                    tall = 1000 * (mass.foot - mass.top) * H / body_of(figure, 1000).total
                    x, y, person = x + (mass.x * self.width - x) * k, y + (mass.foot * H - y) * k, person + (tall - person) * k
                if ladder and figure.pose == "climb":
                    draw_prop(self.pen, "ladder", x + way * person * 0.16, y, person * 0.5)
                    # No higher than leaves head room.
                    y -= max(0.0, min(person * 0.34, y - person * 1.02 - 60))
                self._person(figure, x, y, way, facing, person)
            else:
                assert isinstance(what, Animal)
                if served is None:
                    self._beast(what, x, way, mass, close)
                else:
                    self._beast_on_table(what, x, way, served)

    def _crowd(self, slots: Sequence[float]) -> None:
        """Several people behind those whom the picture is about, where there is room between them."""
        if not self.r.crowd:
            return
        free = sorted((k / 20 for k in range(2, 19)), key=lambda f: -min([abs(f - s) for s in slots] or [1.0]))
        taken: list[float] = []
        for figure in self.r.crowd:
            at = next((f for f in free if all(abs(f - t) > 0.1 for t in taken)), 0.5)
            taken.append(at)
            person = min(self.person * 0.78, 620.0)
            y = min(self.feet, 930.0) - 20 - 18 * (len(taken) % 2)
            self._person(replace(figure, name="crowd"), self.width * at, y, 1 if at < 0.5 else -1, False, person)

    def _beasts_alone(self, beasts: Sequence[Animal]) -> None:
        """Several animals with nobody else: side by side, turned to one another, as large beside each other as they are,
        but none so small that it is not seen."""
        talls = [tallness(b.kind) for b in beasts]
        least = max(talls) / MOST_LARGER
        talls = [max(least, t) for t in talls]
        wanted = {"extreme wide": 200.0, "wide": 340.0, "medium": 520.0}.get(self.r.framing, 640.0)
        scales = [wanted * t / max(talls) / tallness(b.kind) for t, b in zip(talls, beasts, strict=True)]
        ways = [1 if i < len(beasts) / 2 else -1 for i in range(len(beasts))]
        reach = [self._reach(b, scale, way) for b, scale, way in zip(beasts, scales, ways, strict=True)]
        gap = 0.05 * self.width
        room = sum(right - left for left, right in reach)
        fit = min(1.0, (self.width * 0.9 - gap * (len(beasts) - 1)) / room)
        x = (self.width - room * fit - gap * (len(beasts) - 1)) / 2
        for beast, scale, way, (left, right) in zip(beasts, scales, ways, reach, strict=True):
            y = min(self.feet, 930.0)
            if self.place == "underwater" and beast.kind in SWIM:
                y -= self.rng.uniform(120.0, 420.0)
            self._draw_beast(beast, x - left * fit, y, scale * fit, way)
            x += (right - left) * fit + gap

    def _reach(self, beast: Animal, scale: float, way: int) -> tuple[float, float]:
        """How far an animal is drawn to the left and to the right of where it stands: nothing of this is kept."""
        pen = Pen(self.pen.look, random.Random(0), (0, 0, 0), 0.0, (0, 0, 0))
        left, _, right, _ = draw_animal(pen, beast.kind, beast.colour, 0.0, 0.0, scale, way)
        return left, right

    def _breadth(self, beast: Animal, scale: float) -> float:
        left, right = self._reach(beast, scale, 1)
        return right - left

    def _draw_beast(self, beast: Animal, x: float, y: float, scale: float, way: int) -> None:
        begin = len(self.pen.out)
        if not (self.place == "underwater" and beast.kind in SWIM):
            self._shadow(x, y, scale * tallness(beast.kind) * 0.5)
        under = "".join(self.pen.out[begin:])
        first, marks = len(self.pen.out), len(self.pen.marks)
        with self.region(beast.name or beast.kind) as found:
            self.pen.eyes_shut = beast.asleep
            found.box = draw_animal(self.pen, beast.kind, beast.colour, x, y, scale, way)
            found.way = way
            self.pen.eyes_shut = False
        self._lit(first, marks, y)
        name = beast.name or beast.kind

        def again(pen: Pen) -> None:
            pen.eyes_shut = beast.asleep
            with pen.piece("torso"):
                draw_animal(pen, beast.kind, beast.colour, x, y, scale, way)
            pen.eyes_shut = False

        self._joint(begin, Jointed(name, "animal", 1 if way > 0 else -1, {"hips": (x, y)}, []), again, under, y)

    def _joint(self, begin: int, figure: Jointed, draw: Callable[[Pen], object], under: str, ground: float) -> None:
        """Note what was drawn from `begin` on as a figure, and draw it in pieces."""
        if self.wish.jointed:
            lit = Lit(self.s.light, self._shine, self.s.light_strength, ground)
            figure.pieces, figure.defs = pieces_drawn(self.pen, draw, lit, under)
            self.cuts.append(Cut(begin, len(self.pen.out), figure))

    @property
    def _shine(self) -> RGB:
        """The colour of an edge that catches the light."""
        return self.s.hour.glow if self.s.time != "night" else (206, 216, 226)

    def _beast(self, beast: Animal, x: float, way: int, mass: Mass | None, close: bool) -> None:
        people, name = self.r.figures, beast.kind
        size = self.person if people else max(self.person, 620)
        # Alone, an animal fills the page as a person would; beside people it is as large as it is.
        scale = size * (1.15 if people else 1.0) if people else self._alone(beast)
        y = self.feet + 24 if self.person < 1400 else min(self.feet, 990)
        if self.feet > 1000:
            y, scale = (1010, scale * 0.8) if not close or not people else (1040, min(scale, 1200))
        if not people and self.f.feet > 1000:
            y = 930
        if not people and close:
            # Near, its head and breast fill the frame.
            scale = {"close": 820.0}.get(self.r.framing, 1150.0) / tallness(name)
            scale = min(scale, scale * self.width * 1.15 / self._breadth(beast, scale))
            y = max(930.0, 90.0 + scale * tallness(name))
            x = self.width / 2 - way * self._breadth(beast, scale) * 0.12
        if self.place == "underwater" and name in SWIM:
            y -= min(300.0, self.feet * 0.3)
        if mass:
            k = self.wish.guide.strength
            tall = (mass.foot - mass.top) * H / tallness(name)
            x, y, scale = x + (mass.x * self.width - x) * k, y + (mass.foot * H - y) * k, scale + (tall - scale) * k
        self._draw_beast(beast, x, y, scale, way)

    def _served(self) -> list[str]:
        """What lies on the table on which an animal is: that is drawn with it."""
        small = [p for p in self.r.props if p in TABLETOP]
        self.r.props = [p for p in self.r.props if p != "table" and p not in small]
        return small

    def _beast_on_table(self, beast: Animal, x: float, way: int, served: Sequence[str]) -> None:
        """An animal up on a table, with what lies there before its head."""
        size, y = min(self.person * 0.5, 400.0), min(self.feet, 968.0) - 10
        self._shadow(x, y, size * 1.1)
        with self.pen.marking(""):
            draw_prop(self.pen, "table", x, y, size)
        top = y - size * 0.79
        scale = min(self.person * 1.15, size * 1.1 / tallness(beast.kind), self.width * 0.3 / self._breadth(beast, 1.0))
        self._draw_beast(beast, x - way * size * 0.25, top, scale, way)
        for i, prop in enumerate(served[:2]):
            self._prop(prop, x + way * size * (0.75 - 0.3 * i), top, size * 0.45)

    def _alone(self, beast: Animal) -> float:
        tall = tallness(beast.kind)
        wanted = {"extreme wide": 220.0, "wide": 400.0, "medium": 560.0}.get(self.r.framing, 700.0)
        scale = min(wanted / tall, wanted * 2.6 / max(0.2, tall * 0.6 + 0.2))
        share = 1.0 if self.r.half else BROADEST.get(self.r.framing, 1.0)
        # Where we see far, what is broad and low is small too.
        return min(scale, scale * share * self.width / self._breadth(beast, scale))

    def _lit(self, first: int, marks: int, ground: float) -> None:
        """Light and shadow of what was drawn since then."""
        drawn = self.pen.marks[marks:]
        light, strength = self.s.light, self.s.light_strength
        behind = shadow_of(self.pen, drawn, light, ground, strength * 0.42), rim_of(self.pen, drawn, drawn, light, self._shine, strength * 0.8)
        self.pen.out[first:first] = [svg for svg in behind if svg]

    def _person(self, figure: Figure, x: float, y: float, way: int, facing: bool, person: float, seated: bool = False) -> None:
        facing = facing or (self.r.framing in ("close", "extreme close") and len(self.r.figures) == 1
                            and not self.r.looks and self.rng.random() < 0.4)
        if self.twist and self.wish.vary and self.twist.random() < self.wish.vary.strength:
            # Candidates of one pose differ where the pose leaves room: in the face, and where it
            # looks.
            figure.expression = self.twist.choice(_LIKE.get(figure.expression or "calm", ("calm",)))
            facing = facing or (not self.r.facing and self.twist.random() < 0.4)
        turn = "front" if facing else "three-quarter"
        wanted = next((p for p in self.wish.poses if p.name and p.name.lower() == figure.name.lower()), None)
        if wanted is None and len(self.wish.poses) == 1 and len(self.r.figures) == 1:
            wanted = self.wish.poses[0]
        close = self.r.framing in ("close", "extreme close")
        if figure.pose == "lie" and not close:
            y = min(y, 900.0)
        at = posed_as(figure, wanted, self.width, H) if wanted else standing_at(figure, person, x, y, way, seated)
        if figure.pose == "lie" and not wanted:
            if close:
                # The frame follows who lies out of it.
                head = at.page(at.joints["head"])
                at.hips = (at.hips[0] + x - head[0], at.hips[1] + 0.5 * H - head[1])
            self._pillow(at, close)
        if not wanted and not seated and figure.pose != "lie":
            self._above_captions(at)
        if not seated:
            feet = max(at.page(at.joints[n])[1] for n in ("near_foot", "far_foot")) + at.body.limb * 0.5
            self._seat(at, feet if wanted else y)
        begin = len(self.pen.out)
        if not seated and self.s.light is None:
            self._shadow(at.hips[0], y, person * 0.2)
        under = "".join(self.pen.out[begin:])
        first, marks = len(self.pen.out), len(self.pen.marks)
        with self.region(figure.name or "person", turn) as found:
            seen = draw_posed(self.pen, figure, at, turn, seated)
            found.box, found.joints, found.way = seen.box, dict(seen.joints), seen.way
        ground = 2000.0 if seated else max(p[1] for p in seen.joints.values()) + at.body.limb * 0.5
        self._lit(first, marks, ground)
        if figure.name != "crowd":
            jointed = Jointed(figure.name or "person", "person", 1 if seen.way > 0 else -1, dict(seen.joints), [])
            self._joint(begin, jointed, lambda pen: draw_posed(pen, figure, at, turn, seated), under, ground)

    def _above_captions(self, at: Posed) -> None:
        """Raise whoever is so short beside the others, or so bent, that their chin would lie where captions stand. The
        feet stay out of the picture, where they were."""
        chin = at.page(at.joints["neck"])[1]
        feet = max(at.page(at.joints[n])[1] for n in ("near_foot", "far_foot"))
        lift = min(max(0.0, chin - CAPTIONS), max(0.0, feet - H - 20))
        at.hips = (at.hips[0], at.hips[1] - lift)

    def _pillow(self, at: Posed, close: bool) -> None:
        """Something to lay the head on; near, also what the body lies on."""
        x, y = at.page(at.joints["head"])
        big, indoors = at.body.head, self.place in INDOORS
        with self.pen.marking(""):
            if close:
                top = y + big * 0.7
                self.pen.shape([(-40, top + 30), (self.width * 0.3, top), (self.width * 0.7, top + 10), (self.width + 40, top - 20), (self.width + 40, H + 60),
                                (-40, H + 60)], (196, 184, 164) if indoors else (112, 118, 88), spot=True)
            self.pen.disc(x + at.way * big * 0.3, y + big * 0.78, big * 1.5, big * 0.5, (234, 228, 214) if indoors else (150, 122, 92), spot=True)

    def _seat(self, at: Posed, ground: float) -> None:
        """Something to sit on, for whoever sits."""
        if not at.sits or self.r.framing in ("close", "extreme close"):
            return
        b, (x, y) = at.body, at.hips
        top = y + b.limb * 0.7
        if self.place in INDOORS:
            for dx in (-0.9, 0.9):
                self.pen.limb([(x + b.hips * dx, ground), (x + b.hips * dx * 0.9, top)], b.limb * 0.3, WOOD)
            self.pen.box(x - b.hips * 1.25, top - b.limb * 0.1, b.hips * 2.5, b.limb * 0.4, WOOD, lift=0.5, spot=True)
        else:
            w = b.hips * 1.5
            self.pen.shape([(x - w, ground + 4), (x - w * 0.94, top + b.limb * 0.5), (x - w * 0.4, top), (x + w * 0.5, top + b.limb * 0.1),
                            (x + w, top + b.limb * 0.7), (x + w * 1.06, ground + 4)], (122, 116, 112), spot=True)

    def _things(self, peopled: bool, slots: list[float]) -> None:
        """Props on the ground, beside whoever is there; the hero of the page when nobody is."""
        props = [p for p in self.r.props if not (p == "boat" and self.place == "sea")]
        if self.r.framing in ("close", "extreme close") and peopled:
            props = [p for p in props if p in ("lamp", "window", "door", "clock", "tower")]
        free = [0.14, 0.86, 0.32, 0.68] if peopled else [0.5, 0.26, 0.74, 0.88]
        if peopled:
            props = self._on_a_table(props, slots)
        if self.r.near and not peopled and props:
            self._filling(props[0])
            return
        props = [p for prop in props for p in [prop] * (3 if prop in self.r.many and prop not in ("window", "door") else 1)]
        if peopled:
            free.sort(key=lambda f: -min(abs(f - s) for s in slots))
        for i, prop in enumerate(props[: 3 if peopled else 4]):
            big = prop in BIG
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
            if prop == "lamp" and self.place in INDOORS:
                # Indoors a lamp stands on a table.
                draw_prop(self.pen, "table", x, y, base * 0.7)
                draw_prop(self.pen, "lantern", x, y - base * 0.55, base * 0.6, lit=not self.r.dark_lamp)
                continue
            if prop in self.r.hung and self.place in (*INDOORS, "tower"):
                self._prop(prop, x, y - max(360.0, base * 1.4), base)
                continue
            if prop in self.r.many and peopled and not big:
                base *= 0.6
            self._shadow(x, y, base * 0.6)
            self._prop(prop, x, y, base)

    def _on_a_table(self, props: list[str], slots: list[float]) -> list[str]:
        """The things that are left when what lies on tables lies on one: at which somebody sits, or, indoors, that stands
        beside whoever is there."""
        small = [p for p in props if p in TABLETOP]
        if "table" not in props and not (small and self.place in INDOORS):
            return props
        sits = [slot for slot, figure in zip(slots, self.r.figures, strict=False) if figure.pose == "sit"]
        if len(sits) == 1:
            at = sits[0] + (0.15 if sits[0] <= 0.5 else -0.15)
        elif sits:
            at = sum(sits) / len(sits)
        else:
            at = max([0.16, 0.84, 0.34, 0.66], key=lambda f: min((abs(f - s) for s in slots), default=1.0))
        size, x, y = min(self.person * 0.4, 330.0), self.width * at, min(self.feet, 968.0) - 26
        self._shadow(x, y, size * 1.1)
        draw_prop(self.pen, "table", x, y, size)
        for i, prop in enumerate(small[:3]):
            several = prop in self.r.many
            for k in (-0.18, 0.18) if several else (0.0,):
                across = (i - (min(len(small), 3) - 1) / 2) * 0.8 + k * 1.6
                self._prop(prop, x + size * across, y - size * 0.79, size * (0.3 if several else 0.36))
        return [p for p in props if p != "table" and p not in small]

    def _prop(self, prop: str, x: float, y: float, size: float) -> None:
        """A thing, with a face where it speaks."""
        before = len(self.pen.marks)
        with self.pen.marking(""):
            draw_prop(self.pen, prop, x, y, size, lit=not (self.r.dark_lamp and prop in ("lamp", "tower")))
        drawn = self.pen.marks[before:]
        del self.pen.marks[before:]
        if prop in self.r.speaking and drawn:
            self._face(max(drawn, key=lambda m: area_of(m.outline)).outline)

    def _face(self, outline: Sequence[Point]) -> None:
        """Eyes and an open mouth on the largest part of a thing that speaks."""
        left, right = min(p[0] for p in outline), max(p[0] for p in outline)
        top, low = min(p[1] for p in outline), max(p[1] for p in outline)
        x, y, r = (left + right) / 2, top + (low - top) * 0.42, min(right - left, low - top) * 0.11
        for k in (-1, 1):
            self.pen.disc(x + k * r * 1.5, y, r, None, (250, 246, 236), lift=0.2, spot=True)
            self.pen.disc(x + k * r * 1.5 + r * 0.2, y + r * 0.1, r * 0.45, None, (34, 28, 28), lift=0.0, line=False, spot=True)
        self.pen.disc(x, y + r * 2.4, r * 0.9, r * 0.62, (96, 40, 44), lift=0.0, line=False, spot=True)

    def _filling(self, prop: str) -> None:
        """A thing that is what the picture is about, as large as the page holds: on a board, in front of its place."""
        big = prop in BIG
        size = 400.0 if big else 480.0
        x, y = self.width * 0.5, 820.0
        if prop in IN_THE_SKY:
            for dx in (-0.5, 0.5) if prop in self.r.many else (0.0,):
                draw_prop(self.pen, prop, x + dx * 620, 560.0, 400.0)
            return
        if prop == "door":
            size, y = 520.0, 1030.0  # it stands on the floor before us, in a wall of its own
            if self.place in INDOORS:
                self.pen.box(x - size, -80, size * 2, 1240, self.s.wall or lighter(WOOD, 0.35), lift=0.3)
        if not big and prop != "wave":
            self.pen.box(-40, y - 14, self.width + 80, 1040 - y, WOOD, lift=0.6, spot=True)
        self._shadow(x, y, size * 0.55)
        if self.r.written and prop == "letter":
            # A page to be read: flat before us, its figures large.
            high, wide = 620.0, 620.0 * (1.0 if len(self.r.written) < 5 else 1.35)
            self.pen.shape([(x - wide / 2, y - high), (x + wide / 2 - 8, y - high - 14), (x + wide / 2, y + 6), (x - wide / 2 + 10, y)], PAPER, smooth=False, spot=True)
            write(self.pen, self.r.written, x, y - high * 0.52, wide * 0.8)
            self.pen.line([(x - wide * 0.32, y - high * 0.2), (x + wide * 0.32, y - high * 0.215)], 6, INK, opacity=0.5)
            return
        for dx in (-0.62, 0.62) if prop in self.r.many else (0.0,):
            self._prop(prop, x + dx * size * 1.2, y, size * (0.8 if dx else 1.0))

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
                if figure.pose not in ("raise", "point", "hold", "wave", "reach", "think", "throw", "cheer"):
                    figure.pose = "row" if i == 0 else "sit"
                self._person(figure, px, y - size * 0.12, 1 if i == 0 else -1, self.r.facing and i == 0, self.person, seated=True)
        for kind, colour, name, _ in self.r.animals[:1]:
            with self.region(name or kind) as box:
                box.box = (draw_animal(self.pen, kind, colour, x + size * 1.2, y - size * 0.32, person * 0.8, 1))
        vessel = "ship" if "ship" in self.r.props and not people else "boat"
        with self.pen.marking(""):
            draw_prop(self.pen, vessel, x, y, size)
        if people and people[0].pose == "row":
            with self.pen.marking(""):
                draw_prop(self.pen, "oar", x - size * 0.1, y - size * 0.26, size * 1.3)
        self.pen.line([(x - size * 2.0, y + size * 0.1), (x - size, y + size * 0.14), (x + size, y + size * 0.12), (x + size * 2.1, y + size * 0.08)],
                      max(2.5, size * 0.018), (230, 236, 236), opacity=0.5)
        for prop in [p for p in self.r.props if p in ("lamp", "tower")]:
            draw_prop(self.s.back, prop, self.width * 0.84, self.s.horizon + 14, 74, lit=not self.r.dark_lamp)

    def _drives(self) -> bool:
        return (
            any(f.drives for f in self.r.figures)
            and self.place not in INDOORS
            and self.r.framing in ("extreme wide", "wide", "medium")
        )

    def _in_car(self) -> None:
        """Whoever drives at the wheel, another behind; those there are no seats for are left at home."""
        people = sorted(self.r.figures, key=lambda f: not f.drives)[:2]
        x, y = self.width * 0.5, {"extreme wide": 850.0, "wide": 880.0, "medium": 950.0}[self.r.framing]
        person = min({"extreme wide": 240.0, "wide": 420.0, "medium": 640.0}[self.r.framing], self.width * 0.5)
        self.person = person
        tall = bool(self.r.vehicle)
        sill = y - person * (0.52 if tall else 0.4)
        self._shadow(x, y, person * 1.1)
        for i, figure in reversed(list(enumerate(people))):
            dx = person * (0.14 if i == 0 else -0.24)
            self._person(figure, x + dx, sill + person * 0.16, 1, self.r.facing and i == 0, person * 0.78, seated=True)
        with self.pen.marking(""):
            wheel(self.pen, x + person * 0.14, sill - person * 0.06, person, 1)
            if self.r.vehicle == "tractor":
                tractor_under(self.pen, x, y, person, NAMED["moss green"])
            else:
                body_around(self.pen, tall, self.r.vehicle == "plough", x, y, person, NAMED["brick red" if not tall else "rust"])
        for kind, colour, name, _ in self.r.animals[:1]:
            with self.region(name or kind) as box:
                box.box = draw_animal(self.pen, kind, colour, x - person * 1.5, y, person * 0.6, 1)

    def _in_seats(self) -> None:
        """In a car, seen from its front: who drives at the wheel, another beside."""
        people = sorted(self.r.figures, key=lambda f: not f.drives)[:2]
        person = {"extreme wide": 520.0, "wide": 620.0, "medium": 820.0}[self.r.framing]
        self.person = person
        if self.r.back_seat:
            with self.pen.marking(""):
                bench(self.pen, self.width, self.s.ground, self.s.height, self.s.hour.lamps)
        for i, figure in enumerate(people):
            x = self.width * (0.69 if i == 0 else 0.31)
            if self.r.back_seat and len(people) == 1:
                x = self.width * 0.5
            self._person(figure, x, self.s.ground + person * 0.1, -1 if i == 0 else 1, True, person, seated=True)
        with self.pen.marking(""):
            if self.r.back_seat:
                front_seats(self.pen, self.width, self.s.height, self.s.hour.lamps)
            else:
                board(self.pen, self.width, self.s.height, self.s.hour.lamps)
        for kind, colour, name, _ in self.r.animals[:1]:
            with self.region(name or kind) as box:
                box.box = draw_animal(self.pen, kind, colour, self.width * 0.5, self.s.ground + 80, person * 0.5, 1)

    def _shadow(self, x: float, y: float, half: float) -> None:
        if y < 1000 and self.pen.look not in ("stick-figures", "chalk-slate"):
            self.pen.out.append(f'<ellipse cx="{x:.1f}" cy="{y + 3:.1f}" rx="{half:.1f}" ry="{half * 0.16:.1f}" fill="{_SHADE}" fill-opacity="0.28"/>')

    @contextmanager
    def region(self, name: str, turn: str = "") -> Iterator["Found"]:
        """Report what is drawn meanwhile as one figure, once its box is put into what this
        gives."""
        first, found = len(self.pen.marks), Found()
        self.pen.out.append(f'<g class="figure" data-name={quoteattr(name)}>')
        yield found
        self.pen.out.append("</g>")
        left, top, right, bottom = found.box
        clip = (max(0.0, left / self.width), max(0.0, top / H), min(1.0, right / self.width), min(1.0, bottom / H))
        if clip[2] > clip[0] and clip[3] > clip[1]:
            parts = [self._part(first + i, m) for i, m in enumerate(self.pen.marks[first:])]
            self._parts.append(parts)
            self.regions.append({"name": name, "box": [round(v, 4) for v in clip], "height": round((bottom - top) / H, 4),
                                 "facing": turn, "parts": parts, "way": found.way,
                                 "joints": {n: [round(x / self.width, 4), round(y / H, 4)] for n, (x, y) in found.joints.items()}})

    def _part(self, order: int, m: Mark) -> dict[str, object]:
        return {"order": order, "slot": m.slot, "word": m.word, "grey": m.grey, "outline": self._shares(m.outline)}

    def _shares(self, outline: Sequence[Point]) -> list[list[float]]:
        return [[round(x / self.width, 4), round(y / H, 4)] for x, y in outline]


_SHADE = "#{:02x}{:02x}{:02x}".format(*tuple(int(c) for c in darker((60, 44, 52), 0.3)))


def area_of(outline: Sequence[Point]) -> float:
    """The area of the box around an outline."""
    wide = max(p[0] for p in outline) - min(p[0] for p in outline)
    return wide * (max(p[1] for p in outline) - min(p[1] for p in outline))
