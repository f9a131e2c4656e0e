"""What the illustrator takes from a picture that it is given to follow.

Its own drawings carry a note of how it drew each figure; from any other picture it takes the
colours alone. What the prompt says goes before; what it leaves open follows the reference instead
of the seed. At nearly full strength a reference spoils the picture, as it does with real services:
figures stand stiffly as they stood there.
"""

import io
import json
from collections.abc import Sequence
from dataclasses import asdict, dataclass, fields
from typing import Any

from PIL import Image, PngImagePlugin

from .colour import RGB, grey_of, mix
from .reading import Figure
from .stage import Hour

NOTE, DRAWN_FROM = "drawn by the stand-in illustrator", "drawn from"
FOLLOWED, SPOILED = 0.15, 0.85


@dataclass(frozen=True)
class Reference:
    """A picture to follow, how closely (0 … 1), and of whom it is."""

    data: bytes
    strength: float
    name: str = ""


def note_of(figures: Sequence[Figure], prompt: str, seed: int, horizon: float) -> PngImagePlugin.PngInfo:
    """The note that a drawing carries: its figures, and what it was drawn from."""
    info = PngImagePlugin.PngInfo()
    info.add_text(NOTE, json.dumps([asdict(f) for f in figures]))
    info.add_text(DRAWN_FROM, json.dumps([prompt, seed, horizon]))
    return info


def drawn_from(data: bytes) -> tuple[str, int, float] | None:
    """The prompt, the seed and the horizon of a drawing of our own; None of any other picture."""
    try:
        with Image.open(io.BytesIO(data)) as image:
            prompt, seed, horizon = json.loads(str(image.info[DRAWN_FROM]))
    except (OSError, ValueError, KeyError, TypeError):
        return None
    return str(prompt), int(seed), float(horizon)


def follow(figures: Sequence[Figure], references: Sequence[Reference]) -> None:
    """Fill in what the prompt left open of figures that a reference shows."""
    for reference in references:
        if reference.strength < FOLLOWED:
            continue
        for known in _noted(reference.data):
            wanted = reference.name.lower() or known.get("name", "")
            figure = next((f for f in figures if f.name and f.name.split(" ")[0] == str(wanted).split(" ")[0]), None)
            if figure is None or str(known.get("name", "")).split(" ")[0] != figure.name.split(" ")[0]:
                continue
            for field in fields(Figure):
                if field.name not in ("name", "pose", "expression", "holds") and not getattr(figure, field.name) and known.get(field.name):
                    setattr(figure, field.name, _tuples(known[field.name]))
            if reference.strength > SPOILED:
                figure.pose, figure.holds, figure.expression = "stand", None, "calm"
            break


def _noted(data: bytes) -> list[dict[str, Any]]:
    try:
        with Image.open(io.BytesIO(data)) as image:
            note = json.loads(str(image.info.get(NOTE, "[]")))
    except (OSError, ValueError):
        return []
    return [f for f in note if isinstance(f, dict)]


def _tuples(value: Any) -> Any:
    """JSON's lists as the tuples that they were: a colour, or pairs of a word and a colour."""
    if isinstance(value, list):
        if value and all(isinstance(v, int | float) for v in value):
            return tuple(value)
        inner = [_tuples(v) for v in value]
        return tuple(inner) if len(inner) == 2 and isinstance(inner[0], str) else inner
    return value


def colours_of(references: Sequence[Reference]) -> tuple[list[RGB], float]:
    """The colours of the references that are of nobody, and how strongly they count (0 … 0.7)."""
    found: list[RGB] = []
    strength = 0.0
    for reference in references:
        if reference.name or reference.strength < FOLLOWED:
            continue
        try:
            with Image.open(io.BytesIO(reference.data)) as image:
                small = image.convert("RGB")
                small.thumbnail((160, 160))
                few = small.quantize(8)
                table = few.getpalette() or []
                counts = sorted(few.getcolors() or [], reverse=True)[:6]
        except OSError:
            continue
        found += [(float(table[3 * int(i)]), float(table[3 * int(i) + 1]), float(table[3 * int(i) + 2])) for _, i in counts if isinstance(i, int)]
        strength = max(strength, reference.strength * 0.7)
    return found, strength


def recoloured(hour: Hour, colours: Sequence[RGB], share: float) -> Hour:
    """The colours of an hour moved by `share` toward the nearest of `colours`, each as light as it
    was meant."""
    if not colours or share <= 0:
        return hour

    def near(colour: RGB) -> RGB:
        wanted = min(colours, key=lambda c: abs(grey_of(c) - grey_of(colour)) + 0.15 * sum(abs(a - b) for a, b in zip(c, colour, strict=True)))
        return mix(colour, wanted, share)

    return Hour((near(hour.sky[0]), near(hour.sky[1])), near(hour.far), near(hour.middle), near(hour.near), near(hour.water),
                hour.ambient, hour.share, hour.glow, hour.lamps)
