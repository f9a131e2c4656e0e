"""How a lane's loud moments are held down, so that its soft ones can be heard beside others: compression.

The gain follows the power in a window that looks as far ahead as back, so it needs no memory: any stretch of a lane is
pressed alike, alone or with the rest.
"""

import numpy as np

from .giving_way import gained, power_in_ticks, smooth
from .lanes import LEVELS, Role, Sound

AROUND = 21
"""Ticks over which power is felt: a fifth of a second, about as long as a syllable."""
BELOW = 6.0
"""Decibels under the usual level of a lane from which on it is held."""
SHARE = 0.66
"""Of what is above that so much is taken away: three to one (common practice for speech)."""


def pressed(lane: Sound, role: Role, most: float) -> Sound:
    """A lane held down by at most so many decibels, and brought up by half of that, so that it is as loud as before to
    the ear."""
    if most <= 0:
        return lane
    power = smooth(power_in_ticks(lane), AROUND)
    over = 10 * np.log10(np.maximum(power, 1e-12)) - (LEVELS[role] - BELOW)
    held = np.minimum(most, SHARE * np.maximum(0.0, over))
    level = smooth(most / 2 - held, AROUND // 2)
    return gained(lane, np.append(level, level[-1:]))
