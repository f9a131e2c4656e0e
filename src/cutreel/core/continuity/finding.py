"""What drift is told of and what it finds: a picture in use, and one departure of it."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import floor
from typing import Literal

import numpy as np

from cutreel.core.colour import Lab, ciede2000

from .model import Person, Reference
from .seen import SeenPicture

MARKED, UNSURE = 5.0, 10.0
"""A colour this far off is marked: CIEDE2000 5 is seen at a glance; in a light that nothing tells,
from 10 on."""
UNEVEN = 2.0
"""kL of CIEDE2000: cloth has folds, washes and shading, so that lightness counts half."""
Kind = Literal["colour", "missing", "size", "facing", "look"]


@dataclass(frozen=True, slots=True)
class ShownPicture:
    """A picture in use, as drift needs to know it: of which shot and take, who should be in it,
    dressed as there, the prompt it was made from, what was seen in it, and what its shot asks
    for. `place` is what its place is called, with its `references`."""

    shot: int
    take: str
    people: tuple[Person, ...]
    prompt: str
    seen: SeenPicture
    hour: str
    framing: str
    speaks: int | None
    place: str = ""
    references: tuple[Reference, ...] = ()


@dataclass(frozen=True, slots=True)
class Finding:
    """One departure. `apart` is a CIEDE2000 difference (or one of L* for a look), None where
    nothing is measured by colour; `text` says it in words; `trait` is the wording it is about;
    `person` None means the whole picture. `wanted` and `shown` are the colours compared."""

    shot: int
    take: str
    person: int | None
    kind: Kind
    trait: str
    apart: float | None
    text: str
    marked: bool
    wanted: Lab | None = None
    shown: Lab | None = None
    by: str = ""


@dataclass(frozen=True, slots=True)
class Compared:
    """A colour that is wanted of somebody's trait, or of the place's (`person` None), and the one shown; `sure`: the
    light that it is seen in is told."""

    shot: int
    take: str
    person: int | None
    trait: str
    wanted: Lab
    shown: Lab
    by: str
    sure: bool


def compared(colours: Sequence[Compared]) -> list[Finding]:
    """How far each shown colour is from the wanted one."""
    if not colours:
        return []
    apart = ciede2000(
        np.array([c.wanted for c in colours]), np.array([c.shown for c in colours]), UNEVEN
    )
    return [_finding(c, round(float(value), 1)) for c, value in zip(colours, apart, strict=True)]


def _finding(c: Compared, apart: float) -> Finding:
    text = f"{c.trait}: ΔE {floor(apart)}" + ("" if c.sure else ", its light is not told")
    marked = apart >= (MARKED if c.sure else UNSURE)
    return Finding(
        c.shot, c.take, c.person, "colour", c.trait, apart, text, marked, c.wanted, c.shown, c.by
    )
