"""From the globe to the page: Lambert's azimuthal equal-area projection, around the middle of what is shown."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Numbers = NDArray[np.float64]


@dataclass(frozen=True)
class Azimuthal:
    """A view around a place (degrees north and east). Snyder, Map Projections: A Working Manual (1987), 24-2 to 24-4,
    on a sphere of radius 1."""

    north: float
    east: float

    def flat(self, east: Numbers, north: Numbers) -> tuple[Numbers, Numbers, NDArray[np.bool_]]:
        """x to the right, y up, and which places are on this side of the globe, not too near its edge."""
        lat, lon = np.radians(north), np.radians(east - self.east)
        at = np.radians(self.north)
        cos_c = np.sin(at) * np.sin(lat) + np.cos(at) * np.cos(lat) * np.cos(lon)
        k = np.sqrt(2 / np.maximum(1 + cos_c, 1e-9))
        x = k * np.cos(lat) * np.sin(lon)
        y = k * (np.cos(at) * np.sin(lat) - np.sin(at) * np.cos(lat) * np.cos(lon))
        return x, y, cos_c > -0.5


def middle_of(north: Numbers, east: Numbers) -> tuple[float, float]:
    """The middle of places on the globe, in degrees north and east."""
    lat, lon = np.radians(north), np.radians(east)
    x, y, z = (
        np.mean(v) for v in (np.cos(lat) * np.cos(lon), np.cos(lat) * np.sin(lon), np.sin(lat))
    )
    return float(np.degrees(np.arctan2(z, np.hypot(x, y)))), float(np.degrees(np.arctan2(y, x)))
