"""Rivers and lakes as maps need them: Natural Earth at 1:50 million (public domain), built by `tools/world.py`."""

import re
from collections.abc import Sequence
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from .world import Degrees, Topology, place_named, plain, unpacked


class River(NamedTuple):
    """A river: its name (empty: not known), and its lines."""

    name: str
    lines: tuple[Degrees, ...]


class _Waters(NamedTuple):
    rivers: Sequence[River]
    lakes: Sequence[Degrees]


MEET = 0.02
"""Degrees within which lines meet."""
_SAID = re.compile(r"^(?:the )?(?:river |rio )?(.+?)(?: river)?$")
_CERTAIN = re.compile(r"\briver\b|^the ", re.IGNORECASE)
_OTHERS = {
    "dnipro": "dnieper", "wisla": "vistula", "tejo": "tagus", "tajo": "tagus", "duero": "douro",
    "st lawrence": "saint lawrence", "parana": "paraná", "rhone": "rhône", "sao francisco": "são francisco",
    "huang he": "yellow river", "yellow": "yellow river", "red": "red river", "yangtse": "yangtze",
    "chang jiang": "yangtze", "donau": "danube", "rhein": "rhine", "ayeyarwady": "irrawaddy",
    "ganga": "ganges", "grande": "rio grande",
}  # fmt: skip
"""Other names that rivers go by."""


def river_named(said: str) -> River | None:
    """A river by a name as it is said: “the Nile”, “River Thames”, “Ohio River”. A bare name that a place of the same
    name has too (Niger) is not one."""
    found = _SAID.match(plain(said))
    if found is None:
        return None
    name = _OTHERS.get(found[1], found[1])
    river = _by_name().get(plain(name))
    if river and (_CERTAIN.search(said) or place_named(said) is None):
        return river
    return None


def rivers() -> Sequence[River]:
    """All rivers, those known by name first."""
    return _waters().rivers


def lakes() -> Sequence[Degrees]:
    """The shores of lakes."""
    return _waters().lakes


@lru_cache(maxsize=1)
def _by_name() -> dict[str, River]:
    lines: dict[str, list[Degrees]] = {}
    for river in rivers():
        if river.name:
            lines.setdefault(river.name, []).extend(river.lines)
    return {plain(name): River(name, tuple(_chained(found))) for name, found in lines.items()}


def _chained(lines: Sequence[Degrees]) -> list[Degrees]:
    """Lines put together where one begins or ends as another does: a river is drawn, and gone along, in one."""
    left, out = [line for line in lines if len(line) > 1], []
    while left:
        chain = left.pop(0)
        while True:
            found = next(
                (
                    (n, way)
                    for n, line in enumerate(left)
                    if (way := _meeting(chain, line)) is not None
                ),
                None,
            )
            if found is None:
                break
            chain = found[1]
            del left[found[0]]
        out.append(chain)
    return out


def _meeting(one: Degrees, other: Degrees) -> Degrees | None:
    for a in (one, one[::-1]):
        for b in (other, other[::-1]):
            if np.abs(a[-1] - b[0]).max() < MEET:
                return np.concatenate([a, b[1:]])
    return None


@lru_cache(maxsize=1)
def _waters() -> _Waters:
    packed = unpacked("waters.json.gz")
    topology = Topology.of(packed)
    return _Waters(
        [River(r["name"], tuple(map(topology.line, r["lines"]))) for r in packed["rivers"]],
        [topology.line(ring) for ring in packed["lakes"]],
    )


def middle_of_river(river: River) -> tuple[float, float]:
    """Degrees north and east of the place halfway along its longest line."""
    longest = max(river.lines, key=len)
    far = np.concatenate([[0.0], np.cumsum(np.hypot(*np.diff(longest, axis=0).T))])
    east, north = longest[int(np.searchsorted(far, far[-1] / 2))]
    return float(north), float(east)
