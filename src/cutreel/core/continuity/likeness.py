"""Pictures against others of their hour and place: lightness, contrast, palette."""

from collections import defaultdict
from collections.abc import Sequence
from functools import partial

import numpy as np

from cutreel.core.colour import Lab, ciede2000
from cutreel.core.kept import Kept

from .finding import Finding, ShownPicture

LIGHTER, STRONGER, PALETTE = 18.0, 14.0, 22.0
"""How far lightness, contrast (both of L*) and palette (CIEDE2000) may lie from the pictures that
one is to be like."""
FEW = 3
"""Of so many pictures of a place at an hour one can be told to be unlike the others."""


def against_its_like(pictures: Sequence[ShownPicture], memory: Kept) -> list[Finding]:
    """Pictures of stronger or flatter contrast than the film's others of their hour, and those that are lighter, darker
    or of other colours than others of their place at that hour: a kitchen is not to look like the street before it."""
    by_hour: dict[str, list[ShownPicture]] = defaultdict(list)
    by_place: dict[tuple[str, str], list[ShownPicture]] = defaultdict(list)
    for picture in pictures:
        by_hour[picture.hour].append(picture)
        by_place[picture.hour, picture.place].append(picture)
    out = []
    for hour, group in by_hour.items():
        if len(group) > FEW:
            make = partial(_of_other_contrast, hour, group)
            out += memory.of(("contrast", hour), make, [(p.shot, p.take, p.seen) for p in group])
    for (hour, place), group in by_place.items():
        others = f"the film's other pictures of {hour}"
        if len(group) < len(by_hour[hour]):
            others = f"the other pictures of {place}"
        if len(group) >= FEW and len(by_hour[hour]) > FEW:
            make = partial(_of_other_light, others, group)
            told = (others, [(p.shot, p.take, p.seen) for p in group])
            out += memory.of(("light", hour, place), make, told)
    return out


def _of_other_contrast(hour: str, group: Sequence[ShownPicture]) -> list[Finding]:
    usual = float(np.median([p.seen.style.contrast for p in group]))
    out = []
    for p in group:
        off = p.seen.style.contrast - usual
        if abs(off) > STRONGER:
            text = f"{'stronger' if off > 0 else 'flatter'} contrast than the film's other pictures of {hour}"
            out.append(_of_the_look(p, abs(off), text))
    return out


def _of_other_light(others: str, group: Sequence[ShownPicture]) -> list[Finding]:
    usual = float(np.median([p.seen.style.lightness for p in group]))
    far = _palette_apart([[s.lab for s in p.seen.style.palette[:3]] for p in group])
    out = []
    for p, apart in zip(group, far, strict=True):
        off = p.seen.style.lightness - usual
        if abs(off) > LIGHTER:
            text = f"{'lighter' if off > 0 else 'darker'} than {others}: {off:+.0f} L*"
            out.append(_of_the_look(p, abs(off), text))
        if apart > PALETTE:
            out.append(_of_the_look(p, apart, f"other colours than {others}: ΔE {apart:.0f}"))
    return out


def _of_the_look(picture: ShownPicture, apart: float, text: str) -> Finding:
    return Finding(picture.shot, picture.take, None, "look", "", round(apart, 1), text, True)


GRID = 6.0
"""Colours of palettes are put together by L*a*b* cells of this size, so that many pictures are
compared at once."""


def _palette_apart(palettes: Sequence[Sequence[Lab]]) -> list[float]:
    """For each picture's main colours: how far (CIEDE2000, on average) the nearest of any other
    picture's lies."""
    owners: dict[tuple[int, int, int], set[int]] = defaultdict(set)
    for i, palette in enumerate(palettes):
        for a, b, c in palette:
            owners[round(a / GRID), round(b / GRID), round(c / GRID)].add(i)
    cells = np.array(list(owners), float).reshape(-1, 3) * GRID
    alone = np.array([next(iter(who)) if len(who) == 1 else -1 for who in owners.values()])
    flat = np.array([lab for palette in palettes for lab in palette], float).reshape(-1, 3)
    whose = np.array([i for i, palette in enumerate(palettes) for _ in palette], int)
    if not len(flat):
        return [0.0] * len(palettes)
    apart = ciede2000(flat[:, None], cells[None])
    apart[whose[:, None] == alone[None]] = np.inf
    nearest = apart.min(axis=1)
    return [
        float(nearest[whose == i].mean()) if (whose == i).any() else 0.0
        for i in range(len(palettes))
    ]
