"""Whether a picture has pixels enough for how close the camera comes."""

from dataclasses import dataclass

from cutreel.core.motion import Move, path_for

FACTORS = (2, 4)
ENOUGH = 0.95
"""Picture pixels to a film pixel from which on nobody sees a difference."""


@dataclass(frozen=True, slots=True)
class Reach:
    """How close a shot's camera path comes (`zoom`), how many pixels of the picture then lie across
    the frame, how many the film has there, their ratio, and by how much to enlarge (1: no need)."""

    zoom: float
    across: int
    frame: int
    ratio: float
    factor: int


def reach_of(width: int, move: Move, seconds: float, frame: int) -> Reach:
    """Of a picture `width` pixels wide under a move, in a film `frame` pixels wide."""
    path = path_for(move, seconds)
    zoom = max(path.start.zoom, path.end.zoom)
    across = width / zoom
    ratio = across / frame
    factor = next((f for f in (1, *FACTORS) if ratio * f >= ENOUGH), FACTORS[-1])
    return Reach(round(zoom, 3), round(across), frame, round(ratio, 3), factor)
