"""A bed of sound that goes on for as long as it is wanted, and is not heard to repeat: in each turn it begins
elsewhere in its sound and lasts otherwise, so nothing comes back at an even distance."""

from bisect import bisect_right
from dataclasses import dataclass
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

F32 = NDArray[np.float32]
SHORTEST = 3
"""A turn lasts at least such a part of its sound."""


class _Source(Protocol):
    def read(self, start: int, end: int) -> F32: ...


@dataclass(frozen=True)
class Turns:
    """Turns of a sound, in samples: when each begins, from where in the sound; each goes over into the next within
    `seam` samples at equal power."""

    begins: list[int]
    froms: list[int]
    seam: int

    def read(self, source: _Source, a: int, b: int) -> F32:
        """Samples `a` up to `b` of the bed, shape (n, 2)."""
        out = np.zeros((b - a, 2), np.float32)
        up = np.sin(np.linspace(0, np.pi / 2, self.seam, dtype=np.float32))[:, None]
        turn = bisect_right(self.begins, a) - 1
        at = a
        while at < b:
            end = self.begins[turn + 1] if turn + 1 < len(self.begins) else b
            stop = min(b, end)
            inside = at - self.begins[turn]
            piece = source.read(self.froms[turn] + inside, self.froms[turn] + inside + stop - at)
            if turn and inside < self.seam:
                n = min(self.seam - inside, stop - at)
                left = self.froms[turn - 1] + self.begins[turn] - self.begins[turn - 1]
                tail = source.read(left + inside, left + inside + n)
                here = slice(inside, inside + n)
                piece = piece.copy()
                piece[:n] = piece[:n] * up[here] + tail * up[::-1][here]
            out[at - a : stop - a] = piece
            at = stop
            turn += 1
        return out


def turns(own: int, length: int, seam: int) -> Turns:
    """The turns by which a sound of `own` samples lasts for `length`. The first is the sound itself, so that what is
    not much longer is heard as it was made."""
    chance = np.random.default_rng(own)
    begins, froms = [0], [0]
    at = own - seam
    while at < length:
        begin = int(chance.integers(0, max(1, own // 2)))
        most = own - seam - begin
        begins.append(at)
        froms.append(begin)
        at += int(chance.integers(min(own // SHORTEST, most), most + 1))
    return Turns(begins, froms, seam)
