"""Which shape a mouth has when: from the phones of a voice.

Shapes are those of common animation practice. A mouth is at a shape a frame or two before it is heard, changes no more
often than it is drawn, and shuts fully for the sounds that nobody can make with open lips. Phones are named as in the
CMU Pronouncing Dictionary (ARPAbet), or as Festival's voices name them (the same in small letters).
"""

from collections.abc import Sequence

from cutreel.protocol import Mouth

AHEAD = 0.06
"""Seconds that a mouth is early: a frame or two at 24 a second."""
SHORTEST = 2 / 24
"""Seconds that a shape stands: it is drawn on twos."""
# fmt: off
_SHAPES: dict[str, Mouth] = {
    **dict.fromkeys(("m", "b", "p"), "pressed"),
    **dict.fromkeys(("f", "v"), "bitten"),
    **dict.fromkeys(("iy", "ih", "ix", "ey", "y", "ay2"), "spread"),
    **dict.fromkeys(("eh", "ae", "ah", "ax", "er", "axr"), "open"),
    **dict.fromkeys(("aa", "ay", "aw"), "gape"),
    **dict.fromkeys(("ao", "ow", "oy"), "round"),
    **dict.fromkeys(("uw", "uh", "w", "ux", "wh"), "pucker"),
    **dict.fromkeys(("pau", "sil", "h#", "brth", ""), "rest"),
}
# fmt: on
_WEIGHT: dict[Mouth, int] = {"pressed": 3, "bitten": 2, "parted": 0, "rest": 0}
"""What is not left out where two shapes would stand in one drawing."""
Phone = tuple[str, float, float]
"""A phone with its start and end in seconds."""


def shape_of(phone: str) -> Mouth:
    """The shape of a mouth that says a phone; what is not known is a consonant, said with lips a little open."""
    return _SHAPES.get(phone.rstrip("0123456789").lower(), "parted")


def mouths_of(phones: Sequence[Phone]) -> list[tuple[float, Mouth]]:
    """The shapes of a mouth that says `phones`, as (seconds, shape), each until the next; it ends at rest."""
    wanted: list[tuple[float, Mouth]] = []
    for text, start, end in phones:
        at, shape = max(0.0, start - AHEAD), shape_of(text)
        if wanted and wanted[-1][1] == shape:
            continue
        if wanted and at - wanted[-1][0] < SHORTEST:
            if _WEIGHT.get(shape, 1) > _WEIGHT.get(wanted[-1][1], 1):
                wanted.pop()  # the one before gives way
                if wanted and wanted[-1][1] == shape:
                    continue
                at = max(at, wanted[-1][0] + SHORTEST) if wanted else at
            else:
                at = wanted[-1][0] + SHORTEST  # it waits, and is left out if it is over by then
                if at > end - AHEAD / 2:
                    continue
        wanted.append((round(at, 4), shape))
    if phones:
        end = max(phones[-1][2] - AHEAD / 2, wanted[-1][0] + SHORTEST if wanted else 0.0)
        if wanted and wanted[-1][1] != "rest":
            wanted.append((round(end, 4), "rest"))
    return wanted
