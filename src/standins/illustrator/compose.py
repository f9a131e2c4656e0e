"""Composition: where everything goes on the page, by framing. The page is 1000 units high."""

import hashlib
import random
from collections.abc import Sequence
from dataclasses import dataclass, field

from .bodies import decide
from .cast import FRAMES, NO_WISH, Cast, Frame, Wish, area_of
from .jointing import Jointed, Part, between
from .pen import Pen
from .places import PLACE_DRAWERS
from .reading import Figure, read_prompt, without
from .references import Reference, colours_of, follow, recoloured
from .sheet import draw_sheet
from .stage import Stage, faded, hour_of, in_season, light_in, weather_over
from .vocabulary import INDOORS

H = 1000.0
MOST_COVERS = 96
"""So many things before a wall are told of, the largest first."""
ELSEWHERE = 0.4
"""From this strength on a varied picture has the small things of its place, trees and clouds,
elsewhere."""


@dataclass
class Drawing:
    """A finished drawing: SVG of each layer from back to front with its depth, and regions as
    shares of the page. `parts`, where asked for: what layers are made of, from back to front; `flames`: where light
    trembles and how far it reaches, in shares of the page's width and height, and of its height."""

    width: float
    layers: list[tuple[str, float]]
    regions: list[dict[str, object]] = field(default_factory=list)
    unused: list[str] = field(default_factory=list)
    look: str = "cut-paper"
    figures: list[Figure] = field(default_factory=list)
    horizon: float = 0.0
    parts: list[Part] = field(default_factory=list)
    flames: list[tuple[float, float, float]] = field(default_factory=list)
    place: list[dict[str, object]] = field(default_factory=list)
    """Walls and curtains as painted, and what covers them, as shares of the page."""


def draw(
    prompt: str, seed: int, aspect: float, references: Sequence[Reference] = (), negative: str = "", lighter: Sequence[str] = (),
    bare: bool = False, wish: Wish = NO_WISH,
) -> Drawing:
    """Draw `prompt`. The same arguments give the same drawing; `aspect` is width / height; `bare`:
    the place alone."""
    reading = read_prompt(_lightened(prompt, lighter))
    rng = random.Random(int.from_bytes(hashlib.sha256(f"{seed}".encode()).digest()[:8], "big"))
    width = H * aspect
    frame = FRAMES[reading.framing]
    time = reading.time or rng.choice(["day", "dawn", "dusk", "night"])
    weather = reading.weather or rng.choice(["clear", "clear", "clear", "wind"])
    # A place that is none of ours is drawn as one of a few, the same for the same words.
    place = reading.place or random.Random(reading.place_words or rng.random()).choice(["meadow", "street", "shore", "garden"])
    # The same words for a place make the same place, whatever the seed: its walls, its trees, where its sun stands.
    face = random.Random(f"{reading.place_words}/{place}") if reading.place_words else random.Random(rng.random())
    hour = hour_of(time, weather if place not in INDOORS else "clear", face)
    colours, strength = colours_of(references)
    hour = in_season(hour, "" if place in INDOORS else reading.season, time)
    hour = recoloured(recoloured(hour, reading.palette, 0.5), colours, strength)
    ambient, share = light_in(hour, place)
    share = 0.0 if reading.sheet else share
    twist = random.Random(f"{seed}/{wish.vary.seed}") if wish.vary else None
    horizon = frame.horizon
    if wish.horizon is not None:
        horizon = wish.horizon
    elif wish.guide.ground is not None:
        horizon += (max(180.0, min(820.0, wish.guide.ground * H)) - horizon) * wish.guide.strength
    elif twist and wish.vary:
        horizon += twist.uniform(-70, 70) * wish.vary.strength
    pens = [Pen(reading.look, random.Random(rng.random()), ambient, share, hour.glow, wish.fine) for _ in range(3)]
    for pen in pens:
        pen.dyes = reading.dyes
    small = face.random()
    if twist and wish.vary and wish.vary.strength >= ELSEWHERE:
        small = twist.random()
    stage = Stage(pens[0], pens[2], width, H, horizon, min(frame.feet, 880.0), hour, time, weather, random.Random(small),
                  dark_lamp=reading.dark_lamp, wall=reading.walls, cloth=reading.cloth, afloat="boat" in reading.props, season=reading.season)
    follow(reading.figures, references)
    without(reading, negative)
    if bare:
        reading.figures, reading.animals, reading.props, reading.crowd = [], [], [], []
    for figure in reading.figures:
        decide(figure, rng)
    for figure in reading.crowd:
        decide(figure, random.Random(rng.random()))
    if reading.sheet:
        cast = Cast(reading, stage, pens[1], frame, rng, place, wish, twist)
        draw_sheet(reading, pens[0], pens[1], width, cast.region, rng)
        return Drawing(width, [(p.svg(width, H), d) for p, d in zip(pens[:2], (0.0, 0.55), strict=True)], cast.regions, reading.unused,
                       reading.look, reading.figures, horizon)
    with pens[0].marking(""):
        PLACE_DRAWERS[place](stage)
    water = _water(pens[0], stage, width, frame) if wish.jointed else []
    _bring_nearer(pens[0], width, frame)
    behind = len(pens[0].out)
    if frame.nearer > 1.1:
        pens[2].out.clear()
    cast = Cast(reading, stage, pens[1], frame, rng, place, wish, twist)
    regions = cast.draw()
    still = len(pens[2].out)
    if place not in INDOORS:
        weather_over(stage)
    falls = len(pens[2].out)
    if reading.memory:
        faded(stage)
    layers = [(pen.svg(width, H), depth) for pen, depth in zip(pens, (0.0, 0.55, 1.0), strict=True) if pen.out]
    drawing = Drawing(width, layers, regions, reading.unused, reading.look, reading.figures, horizon)
    drawing.place = _place_parts(pens[0], width, frame)
    drawing.flames = [(round(x / width, 4), round(y / H, 4), round(r / H, 4)) for pen in pens for x, y, r in pen.flames]
    if not wish.jointed:
        return drawing
    if water:
        later = pens[0].svg(width, H, pens[0].out[behind:]) if len(pens[0].out) > behind else ""
        drawing.parts += [*water, *([Part(0, later)] if later else [])]
    if cast.cuts:
        drawing.parts += [
            Part(1, part if isinstance(part, Jointed) else pens[1].svg(width, H, part)) for part in between(pens[1], cast.cuts)
        ]
    if falls > still:
        out = pens[2].out
        front: tuple[tuple[list[str], dict[str, object]], ...] = ((out[:still], {}), (out[still:falls], {"kind": "weather"}), (out[falls:], {}))
        drawing.parts += [Part(len(layers) - 1, pens[2].svg(width, H, part), dict(moves)) for part, moves in front if part]
    return drawing


def _water(pen: Pen, stage: Stage, width: float, frame: Frame) -> list[Part]:
    """The backdrop in two, where there is water in it: what it ends with, and what stands in front."""
    if not stage.waters or frame.nearer < 1.0:
        return []
    cut, top, bottom = stage.waters[-1]
    whole, k, down = pen.out, frame.nearer, frame.horizon * 1.3 * (1 - frame.nearer)
    moves: dict[str, object] = {"kind": "water", "top": round((top * k + down) / H, 4), "bottom": round(min(H, bottom * k + down) / H, 4)}
    parts = []
    for drawn, how in ((whole[:cut], moves), (whole[cut:], {})):
        pen.out = list(drawn)
        if drawn:
            _bring_nearer(pen, width, frame)
            parts.append(Part(0, pen.svg(width, H), how))
    pen.out = whole
    return parts


def _place_parts(pen: Pen, width: float, frame: Frame) -> list[dict[str, object]]:
    """The walls and curtains of a backdrop, with what was painted over them; nothing where there are none."""
    parts = [(order, mark) for order, mark in enumerate(pen.marks) if mark.slot]
    if not parts:
        return []
    covers = [(order, mark) for order, mark in enumerate(pen.marks) if not mark.slot and order > parts[0][0]]
    covers = sorted(covers, key=lambda pair: -area_of(pair[1].outline))[:MOST_COVERS]
    k = max(1.0, frame.nearer)
    right, down = width / 2 * (1 - k), frame.horizon * 1.3 * (1 - k)
    return [
        {"order": order, "slot": mark.slot, "word": mark.word, "grey": mark.grey,
         "outline": [[round((x * k + right) / width, 4), round((y * k + down) / H, 4)] for x, y in mark.outline]}
        for order, mark in sorted([*parts, *covers], key=lambda pair: pair[0])
    ]


def _bring_nearer(pen: Pen, width: float, frame: Frame) -> None:
    """Enlarge the backdrop for closer framings, about a point on the horizon."""
    if frame.nearer > 1.0:
        k = frame.nearer
        pen.out = [f'<g transform="translate({width / 2 * (1 - k):.1f} {frame.horizon * 1.3 * (1 - k):.1f}) scale({k})">', *pen.out, "</g>"]


def _lightened(prompt: str, lighter: Sequence[str]) -> str:
    """The prompt without what weighs less, where figures are too small to show it."""
    if "wide shot" in prompt.lower():
        for phrase in lighter:
            prompt = prompt.replace(f", {phrase}", "")
    return prompt
