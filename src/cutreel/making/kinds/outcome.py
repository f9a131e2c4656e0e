"""What all kinds have in common that take something out of a film: what came of them is told by their run."""

from typing import Any, ClassVar, TypeVar

from cutreel.store import Result

from ..registry import COMPUTING, Kind, Spec
from ..work import Work

S = TypeVar("S", bound=Spec)


class OutcomeKind(Kind[S]):
    """Something computed for whoever asked for it, which is no part of the film."""

    queue: ClassVar[str] = COMPUTING

    def place(self, spec: S, made: Result, cost: Any, work: Work) -> None:
        work.shop.runs.set_outcome(work.item.run, made.data)
