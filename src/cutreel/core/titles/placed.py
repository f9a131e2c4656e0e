"""Where words on the screen stand: each sort where it usually does, off faces, or where the maker put them."""

from collections.abc import Sequence
from typing import Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

from cutreel.core.timeline import CardSort

Keeps = Literal["frame", "picture", "behind"]
"""Words keep to the frame, or to the picture as the camera moves over it; or stand in that behind its figures."""
KEEPS: tuple[Keeps, ...] = get_args(Keeps)
LETTER, BESIDE = 0.04, 0.09
"""About how wide a letter of a title is, and how far beside words a face is still in their way."""
CLEAR = 0.1
LOW = 0.07
"""Half of the height that words take up; that of small ones at the left."""
PLACES: dict[CardSort, tuple[float, ...]] = {
    "title": (0.42, 0.62, 0.2),
    "chapter": (0.42, 0.62, 0.18),
    "place": (0.68, 0.3, 0.14),
    "name": (0.66, 0.3, 0.14),
    "emphasis": (0.3, 0.66, 0.14),
    "words": (0.3, 0.62, 0.14),
    "mark": (0.075,),
    "end": (0.45, 0.64, 0.18),
}
"""How far down the middle of words may be, the usual first."""
LEFT: frozenset[CardSort] = frozenset(("place", "name"))
"""Those that stand at the left."""
AT_LEFT = 0.17
"""About where their middle is."""


class CardHow(BaseModel):
    """What of words on the screen is otherwise than the film has it: the name of a look, how many times the usual size,
    where their middle is (shares of the frame), what they keep to, and whether they stand on a sheet whatever their
    look has."""

    model_config = ConfigDict(frozen=True)
    look: str = Field("", max_length=40)
    size: float = Field(1.0, ge=0.4, le=3.0)
    at: tuple[float, float] | None = None
    keeps: Keeps = "frame"
    sheet: bool = False


AS_USUAL = CardHow()


def clear_of(
    sort: CardSort,
    lines: Sequence[str],
    faces: Sequence[tuple[float, float, float]],
    captions: Sequence[tuple[float, float]] = (),
) -> float | None:
    """How far down words have their middle so that they lie on none of the `faces` (how far to the right, from and down
    to, in shares of the frame) and on no `captions` (from and down to), or on as little as may be; None: where it
    usually is."""
    half_high = CLEAR if sort not in LEFT else LOW

    def covered(middle: float) -> float:
        top, low = middle - half_high, middle + half_high
        rows = [(a, b) for x, a, b in faces if beside(x)] + list(captions)
        return round(sum(max(0.0, min(low, b) - max(top, a)) for a, b in rows), 4)

    half = max(map(len, lines)) * LETTER / 2 + BESIDE

    def beside(x: float) -> bool:
        return x < 2 * half if sort in LEFT else abs(x - 0.5) < half

    middle = min(PLACES[sort], key=covered)
    return None if middle == PLACES[sort][0] else middle
