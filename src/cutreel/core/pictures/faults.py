"""Faults of a picture in words, from what was measured of it, and what its shot asks for."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np

from .checks import Checks

FaultKind = Literal[
    "lost",
    "border",
    "shape",
    "blank",
    "blur",
    "lettering",
    "cut",
    "small",
    "turned",
    "alike",
    "frozen",
    "flickers",
    "jumps",
    "drifts",
    "begins",
    "loses",
    "stale",
]
BORDER, EVEN, BLUR, LETTERS, ALIKE = 0.012, 4.0, 0.22, 14, 3
SMALL = 0.2


@dataclass(frozen=True, slots=True)
class Fault:
    """What is wrong, in a word and in a sentence."""

    kind: FaultKind
    text: str


@dataclass(frozen=True, slots=True)
class FigureSeen:
    """A figure as faults need to know it: of whom, its box as shares of the frame, its whole
    height, where it faces, and whether it speaks in the shot."""

    name: str
    box: tuple[float, float, float, float]
    height: float
    facing: str
    speaks: bool = False


def faults_of_picture(
    checks: Checks, aspect: float, framing: str, figures: Sequence[FigureSeen] = ()
) -> list[Fault]:
    """The faults of a picture for a film whose frames are `aspect` (width over height)."""
    out = []
    left, top, right, bottom = checks.borders
    sides = [
        n
        for n, b in (("left", left), ("top", top), ("right", right), ("bottom", bottom))
        if b > BORDER
    ]
    if checks.contrast < EVEN:
        out.append(Fault("blank", "it is nearly one even colour"))
    elif (min(left, right) > BORDER or min(top, bottom) > BORDER) and max(checks.borders) < 0.45:
        out.append(Fault("border", f"an even border: {', '.join(sides)}"))
    off = checks.width / checks.height / aspect
    if not 0.97 < off < 1.03:
        out.append(
            Fault(
                "shape",
                f"{'wider' if off > 1 else 'taller'} than the film: {checks.width} by {checks.height}",
            )
        )
    if checks.contrast >= EVEN and checks.sharpness < BLUR:
        out.append(Fault("blur", "blurred"))
    if checks.lettering >= LETTERS:
        out.append(Fault("lettering", "marks like lettering"))
    for f in figures:
        if framing in ("wide", "extreme wide", "medium") and (
            f.box[0] <= 0.002 or f.box[2] >= 0.998
        ):
            out.append(Fault("cut", f"{f.name} is cut by the edge"))
        if framing == "wide" and f.height < SMALL:
            out.append(Fault("small", f"{f.name} is small: {f.height * 100:.0f} % of the height"))
        if f.speaks and f.facing in ("side", "back"):
            out.append(Fault("turned", f"{f.name} speaks with the face turned"))
    return out


def alike(prints: Sequence[tuple[int, str]]) -> dict[int, int]:
    """Of pictures by the number of their shot: the first other one that each is nearly the same as,
    where there is one (at most three of the 64 bits of their prints differ)."""
    bits = np.array([int(p, 16) for _, p in prints], np.uint64)
    apart = np.bitwise_count(bits[:, None] ^ bits[None])
    np.fill_diagonal(apart, 255)
    near = apart <= ALIKE
    return {
        prints[i][0]: prints[int(near[i].argmax())][0] for i in range(len(prints)) if near[i].any()
    }
