"""What a viewer or a platform could complain of: each figure with what is aimed at, what was found, and where to mend
it."""

from collections.abc import Iterable, Sequence
from typing import Literal

from pydantic import BaseModel

Section = Literal[
    "film", "pictures", "sound", "captions", "joins", "texts", "rights", "agreed", "money", "file"
]
PlaceView = Literal[
    "script", "continuity", "sheet", "bench", "mix", "screening", "delivery", "services"
]


class ReportPlace(BaseModel, frozen=True):
    """Where something is mended: a view, and a shot of the film."""

    view: PlaceView
    shot: int | None = None


class ReportFigure(BaseModel, frozen=True):
    """One figure of a report. `good` is None where nothing is aimed at and it is only told; `how` is how anybody can
    measure it without Cut Reel; `where` it is mended."""

    section: Section
    what: str
    found: str
    aim: str = ""
    good: bool | None = None
    how: str = ""
    where: ReportPlace | None = None


def counted(
    section: Section,
    what: str,
    edges: Sequence[str],
    where: ReportPlace | None,
    total: int | None = None,
) -> ReportFigure:
    """A figure of which there should be none: how many there are, and the first shots they are in."""
    many = len(edges) if total is None else total
    named = list(dict.fromkeys(edges))
    told = (
        f"{many}, in {', '.join(named[:6])}{' …' if len(named) > 6 else ''}" if named else str(many)
    )
    return ReportFigure(
        section=section, what=what, found=told if many else "none", aim="none", good=many == 0,
        where=where if many else None,
    )  # fmt: skip


def amiss(figures: Iterable[ReportFigure]) -> list[ReportFigure]:
    """Those that are not as they are aimed at."""
    return [f for f in figures if f.good is False]
