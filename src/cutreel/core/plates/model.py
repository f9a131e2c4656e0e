"""What a plate is: a picture drawn from data, edited as a small table or a sentence."""

from collections.abc import Mapping
from typing import Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

PlateSort = Literal[
    "number", "time line", "bars", "line", "shares", "sizes", "quotation", "letter", "cutting", "list", "tree", "map"
]  # fmt: skip
PLATE_SORTS: tuple[PlateSort, ...] = get_args(PlateSort)
EDITIONS: Mapping[PlateSort, int] = {"map": 1}
"""Sorts that were once drawn otherwise: maps without rivers."""
WORDED: frozenset[PlateSort] = frozenset(("quotation", "letter", "cutting"))
"""Plates of words; the others have rows."""
MOST_ROWS = 12


class PlateRow(BaseModel):
    """A row: its name and what more is said of it; its number (of a time line the year); of a map where it is (degrees
    north, east); in a family tree whose child it is, by name."""

    model_config = ConfigDict(frozen=True)
    label: str = Field("", max_length=80)
    more: str = Field("", max_length=120)
    value: float | None = Field(None, ge=-1e15, le=1e15)
    north: float | None = Field(None, ge=-90, le=90)
    east: float | None = Field(None, ge=-180, le=180)
    of: tuple[str, ...] = Field((), max_length=2)


class Plate(BaseModel):
    """A plate: its title; rows, or for plates of words the `words` and `by` whom they are; the `unit` of its numbers;
    where they are from, if that is to be seen (`source`); on a map, whether a `route` goes from row to row."""

    model_config = ConfigDict(frozen=True)
    sort: PlateSort
    title: str = Field("", max_length=120)
    rows: tuple[PlateRow, ...] = Field((), max_length=MOST_ROWS)
    words: str = Field("", max_length=700)
    by: str = Field("", max_length=120)
    unit: str = Field("", max_length=40)
    source: str = Field("", max_length=160)
    route: bool = True

    @property
    def steps(self) -> int:
        """How many parts come one after another."""
        return max(1, len(self.rows)) if self.sort not in WORDED else 1


class ShownPlate(BaseModel):
    """A plate in a film: in the colours that belong to a `medium`; its steps begin so many seconds after the shot's
    first word, and all of it is there `within` so many. `edition` counts how its sort has been drawn, so that what was
    rendered of an earlier one is drawn again."""

    plate: Plate
    medium: str = ""
    begins: tuple[float, ...] = ()
    within: float = 1e6
    edition: int = 0
