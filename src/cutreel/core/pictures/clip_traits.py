"""What somebody loses within a clip: a colour of them that is seen at its beginning and is nowhere at its end."""

from collections.abc import Mapping, Sequence

import numpy as np
from numpy.typing import NDArray
from pydantic import BaseModel

from cutreel.core.colour import lab_of

LOOKS, EVERY = (160, 90), 0.5
"""The size at which a clip is looked at for this, and how often, in seconds."""
NEAR = 16.0
"""How far a pixel may be from a colour and has it (CIE 1976 ΔE*ab): lamplight trembles, encoders smear."""
LARGE = 0.004
"""The share of the frame that a colour has at least where its loss is told: smaller things come and go with a turn."""
LEFT = 0.15
"""What is left of it, as a share of what it was, where it is lost."""
WORDS = {
    "hair": "hair",
    "hat": "hat",
    "neck": "collar",
    "top": "coat",
    "front": "apron",
    "legs": "trousers",
    "feet": "shoes",
    "body": "coat",
}
"""What is at each place of a figure. Skin is not looked for: of all colours it is the least alone."""

Colour = tuple[float, float, float]


class Lost(BaseModel):
    """Something of somebody that is seen no more from a second of a clip on."""

    name: str
    what: str
    at: float


def lost_in(
    looks: NDArray[np.uint8], figures: Sequence[tuple[str, Mapping[str, Colour]]]
) -> list[Lost]:
    """What the figures lose, whose colours (sRGB, by slot) are those of its first picture. `looks` are frames of shape
    (count, height, width, 3), one each `EVERY` seconds. Who loses everything has left the frame, which is no fault."""
    if len(looks) < 3:
        return []
    lab = lab_of(looks.reshape(-1, 3)).reshape(*looks.shape[:3], 3).astype(np.float32)
    out: list[Lost] = []
    for name, colours in figures:
        seen = {
            slot: [_share(frame, colour) for frame in lab]
            for slot, colour in colours.items()
            if slot in WORDS
        }
        large = {slot: shares for slot, shares in seen.items() if shares[0] >= LARGE}
        gone = {slot: at for slot, shares in large.items() if (at := _gone(shares)) is not None}
        if len(gone) < len(large):
            out += [
                Lost(name=name, what=WORDS[slot], at=round(at * EVERY, 1))
                for slot, at in gone.items()
            ]
    return out


def _share(frame: NDArray[np.float32], colour: Colour) -> float:
    wanted = lab_of([colour])[0].astype(np.float32)
    return float((((frame - wanted) ** 2).sum(-1) < NEAR**2).mean())


def _gone(shares: Sequence[float]) -> int | None:
    """From which look on a colour is lost to the end, in two of them at least."""
    at = len(shares)
    while at > 0 and shares[at - 1] < LEFT * shares[0]:
        at -= 1
    return at if 0 < at <= len(shares) - 2 else None
