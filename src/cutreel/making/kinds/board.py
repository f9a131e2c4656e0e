"""The film's shots on paper."""

from typing import ClassVar, Literal

from cutreel.store import Assembled, ItemSpec, new_id

from ..board import Each, Paper, write_board
from ..registry import Made, RunKind, Spec, Stage, Wanted, item
from ..taken import taken_file
from ..work import Work
from ..workshop import Workshop
from .outcome import OutcomeKind


class BoardSpec(Spec):
    """A board of a film as it is that day, by its run."""

    kind: ClassVar[str] = "board"
    run: str
    paper: Paper
    each: Each


class BoardKind(OutcomeKind[BoardSpec]):
    spec = BoardSpec

    def make(self, spec: BoardSpec, work: Work) -> Made | None:
        film = work.shop.assembled(work.film)
        data = write_board(work.shop, film, spec.paper, spec.each, work.progress, work.dropped)
        if data is None:
            return None
        media = work.shop.media.put(data, "pdf")
        told = f"{spec.each} shots to a page, {'A4' if spec.paper == 'a4' else 'letter'}"
        return Made(media, {"files": [taken_file("board.pdf", media, len(data), told)]})


class BoardWanted(Wanted):
    """All shots as pictures with their words, so many to a page."""

    kind: Literal["board"] = "board"
    paper: Paper = "a4"
    each: Each = 9


def _drawn(film: Assembled, wanted: BoardWanted, shop: Workshop) -> list[ItemSpec]:
    spec = BoardSpec(run=new_id(), paper=wanted.paper, each=wanted.each)
    return [item(spec, "pin up the board", weight=1 + len(film.spans) * 0.2)]


BOARD_RUN = RunKind(BoardWanted, lambda wanted: [Stage("board", _drawn)])
