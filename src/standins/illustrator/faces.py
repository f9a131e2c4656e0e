"""Faces: eyes that close and a mouth that speaks, with the expression that was asked for."""

from collections.abc import Callable

from cutreel.protocol import MOUTHS

from .colour import NAMED, RGB, darker, mix
from .pen import INK, Pen, Point, ring
from .reading import Figure

NEUTRAL_LIGHT: RGB = (236, 236, 236)
NEUTRAL_DARK: RGB = (44, 44, 44)
"""Collars, eyes and boots are neutral unless asked otherwise, so that a picture shows its own
light."""
_DARK: RGB = (40, 30, 30)
_LIPS: RGB = (110, 40, 40)
_SHAPES: dict[str, tuple[float, float, float]] = {
    "pressed": (0.2, 0.0, 0.0), "bitten": (0.19, 0.06, 1.0), "parted": (0.19, 0.07, 0.5), "spread": (0.27, 0.09, 0.6), "open": (0.2, 0.17, 0.3),
    "gape": (0.2, 0.27, 0.2), "round": (0.13, 0.2, 0.0), "pucker": (0.085, 0.1, 0.0),
}
"""Mouths as half width, height (both in heads) and how much of the upper teeth shows."""
_EXPRESSIONS = {
    "smile": [(-0.24, -0.40), (0.02, -0.53), (0.28, -0.38)], "worry": [(-0.18, -0.50), (0.02, -0.44), (0.22, -0.51)],
    "sad": [(-0.2, -0.53), (0.02, -0.43), (0.24, -0.53)], "frown": [(-0.2, -0.50), (0.02, -0.46), (0.24, -0.50)],
}
At = Callable[[float, float], Point]


def draw_face(pen: Pen, figure: Figure, r: float, at: At, turn: str, skin: RGB) -> None:
    """Draw a face about `at(0, 0)`; `r` is the head's radius in page units, `turn` front, three-quarter or side. For a
    jointed figure eyes are drawn open and shut, and the mouth in every shape of the protocol."""
    near, far = {"front": (0.34, -0.34), "three-quarter": (0.30, -0.28)}.get(turn, (0.16, 0.16))
    sides = ((1, near), (-1, far)) if turn != "side" else ((1, near),)
    asleep = figure.expression == "asleep"
    with pen.piece("head", "" if asleep else "eyes open"):
        _eyes(pen, figure, r, at, turn, sides, shut=asleep)
    if pen.jointed and not asleep:
        with pen.piece("head", "eyes shut"):
            _eyes(pen, figure, r, at, turn, sides, shut=True)
    with pen.piece("head"):
        _skin(pen, figure, r, at, turn, skin, [x for _, x in sides])
    with pen.piece("head", "mouth rest"):
        _mouth(pen, figure, r, at)
    if pen.jointed:
        for shape in MOUTHS[1:]:
            with pen.piece("head", f"mouth {shape}"):
                _speaking(pen, r, at, *_SHAPES[shape])
    with pen.piece("head"):
        _over(pen, figure, r, at, [x for _, x in sides])


def _eyes(pen: Pen, figure: Figure, r: float, at: At, turn: str, sides: tuple[tuple[int, float], ...], shut: bool) -> None:
    mood, facing = figure.expression, turn == "front"
    for side, ex in sides:
        squeeze = 1.0 if facing or side < 0 else 0.86
        cx, cy = at(ex, 0.02)
        if shut:
            pen.line([at(ex - 0.17, 0.03), at(ex, -0.06), at(ex + 0.17, 0.03)], r * 0.05, _DARK, opacity=0.9)
        elif pen.look != "stick-figures" and r > 52:
            pen.disc(cx, cy, r * 0.155 * squeeze, r * (0.10 if mood == "laugh" else 0.15), NEUTRAL_LIGHT, lift=0.0, line=False)
            with pen.marking("", grey=44):
                pen.disc(cx + (0 if facing else r * 0.03), cy, r * 0.085 * squeeze, r * (0.085 if mood == "laugh" else 0.11), NEUTRAL_DARK, lift=0.0, line=False)
            pen.disc(cx + r * 0.03, cy - r * 0.045, r * 0.028, None, (255, 255, 255), lift=0.0, line=False, plain=True)
            pen.line([at(ex - 0.17, 0.10), at(ex, 0.18), at(ex + 0.17, 0.10)], r * 0.035, _DARK, opacity=0.85)
        else:
            pen.shape(ring(cx, cy, r * 0.085 * squeeze, r * 0.12), _DARK, lift=0.0, line=False, plain=True, spot=True)
        tilt = {"worry": 0.12, "sad": 0.13, "frown": -0.14}.get(mood or "", 0.0)
        raise_by = 0.10 if mood in ("open", "laugh") else 0.0
        inner, outer = (ex - 0.17 * side, 0.30 + tilt + raise_by), (ex + 0.2 * side, 0.30 - tilt * 0.6 + raise_by)
        pen.line([at(*inner), at((inner[0] + outer[0]) / 2, max(inner[1], outer[1]) + 0.035), at(*outer)], r * 0.06,
                 mix(figure.hair or _DARK, _DARK, 0.35), opacity=0.9)


def _skin(pen: Pen, figure: Figure, r: float, at: At, turn: str, skin: RGB, eyes: list[float]) -> None:
    """What a face has beside eyes and mouth: lines of age, a nose, cheeks, freckles, a beard."""
    facing = turn == "front"
    if figure.age == "old":
        for side, ex in zip((1, -1), eyes, strict=False):
            pen.line([at(ex + side * 0.2, -0.1), at(ex + side * 0.05, -0.17)], r * 0.022, darker(skin, 0.35), opacity=0.6)
    if turn != "side":
        pen.line([at(0.02, 0.0), at(0.13 if not facing else 0.07, -0.18), at(-0.02, -0.2)], r * 0.045, darker(skin, 0.3), opacity=0.85)
    if pen.look == "cut-paper" or figure.age == "child":
        for side, ex in zip((1, -1), eyes, strict=False):
            pen.disc(*at(ex + side * 0.12, -0.22), r * 0.15, r * 0.11, mix(skin, (220, 96, 84), 0.5), lift=0.0, line=False, opacity=0.45)
    if any(k == "freckles" for k, _ in figure.extras):
        for i in range(6):
            ex = eyes[0] if i % 2 else eyes[-1]
            pen.disc(*at(ex + (i - 3) * 0.05, -0.16 - (i % 3) * 0.05), r * 0.022, None, darker(skin, 0.35), lift=0.0, line=False)
    if figure.beard:
        pen.shape([at(-0.72, -0.22), at(-0.3, -0.34), at(0.02, -0.32), at(0.34, -0.32), at(0.62, -0.2), at(0.5, -0.86), at(0.04, -1.12), at(-0.44, -0.9)],
                  figure.whiskers or figure.hair or NAMED["grey"], lift=0.4, spot=True)


def _mouth(pen: Pen, figure: Figure, r: float, at: At) -> None:
    """The mouth of the expression that was asked for."""
    mood = figure.expression
    if figure.beard:
        pen.line([at(-0.14, -0.5), at(0.03, -0.53), at(0.2, -0.49)], r * 0.05, (120, 50, 46))
        return
    if mood in ("laugh", "open"):
        wide, deep = (0.25, 0.17) if mood == "laugh" else (0.13, 0.17)
        pen.shape([at(0.02 - wide, -0.40), at(0.02 + wide, -0.38), at(0.02 + wide * 0.7, -0.40 - deep), at(0.02 - wide * 0.6, -0.41 - deep)],
                  _LIPS, lift=0.0, line=False, plain=True, spot=True)
        return
    points = _EXPRESSIONS.get(mood or "", [(-0.16, -0.46), (0.03, -0.49), (0.22, -0.45)])
    pen.line([at(*p) for p in points], r * 0.05, mix((120, 50, 46), _DARK, 0.3), opacity=0.95)


def _speaking(pen: Pen, r: float, at: At, half: float, high: float, teeth: float) -> None:
    """A mouth that says something."""
    x, top = 0.03, -0.41
    if high < 0.02:
        pen.line([at(x - half, -0.47), at(x, -0.46), at(x + half, -0.47)], r * 0.065, mix((120, 50, 46), _DARK, 0.3), opacity=0.95)
        return
    middle = top - high / 2
    pen.shape([at(px, pu) for px, pu in ring(x, middle, half, high / 2 + 0.02, 12)], _LIPS, lift=0.0, line=False, plain=True, spot=True)
    if teeth > 0.2 and r > 40:
        low = top - min(high * 0.45, 0.055) * teeth
        pen.shape([at(x - half * 0.72, top + 0.005), at(x + half * 0.72, top + 0.005), at(x + half * 0.66, low), at(x - half * 0.66, low)], (246, 240, 228),
                  smooth=False, lift=0.0, line=False, plain=True, spot=True)
    if high > 0.15 and r > 40:
        pen.disc(*at(x, top - high * 0.82), r * half * 0.55, r * high * 0.16, (196, 92, 88), lift=0.0, line=False, plain=True)


def _over(pen: Pen, figure: Figure, r: float, at: At, eyes: list[float]) -> None:
    """Glasses, a patch, a scar and a moustache."""
    near, far = eyes[0], eyes[-1]
    if any(k == "patch" for k, _ in figure.extras):
        pen.line([at(near - 1.0, 0.5), at(near, 0.12), at(near + 0.5, -0.1)], r * 0.05, _DARK)
        pen.disc(*at(near, 0.04), r * 0.23, r * 0.2, _DARK, lift=0.2, spot=True)
    if any(k == "scar" for k, _ in figure.extras):
        pen.line([at(far - 0.02, 0.44), at(far + 0.05, 0.2), at(far + 0.02, -0.16)], r * 0.04, (176, 96, 86), opacity=0.85)
    if any(k == "glasses" for k, _ in figure.extras):
        for ex in eyes:
            pen.line([*(p for p in ring(*at(ex, 0.02), r * 0.22, None, 12)), at(ex + 0.22, 0.02)], r * 0.035, INK)
        pen.line([at(far + 0.22, 0.03), at(near - 0.22, 0.03)], r * 0.035, INK)
    whiskers = figure.whiskers or figure.hair
    if figure.moustache:
        pen.shape([at(-0.3, -0.42), at(-0.12, -0.27), at(0.03, -0.3), at(0.2, -0.27), at(0.38, -0.42), at(0.2, -0.39), at(0.03, -0.37), at(-0.14, -0.39)],
                  whiskers or NAMED["brown"], lift=0.2, spot=True)
