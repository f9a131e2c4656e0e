"""The sound taken out: stems, the mix alone, the cue sheet."""

from typing import Any, ClassVar, Literal

from cutreel.store import Assembled, ItemSpec, Result, new_id

from ..lacking import lacks_of
from ..registry import COMPUTING, Kind, Made, RunKind, Spec, Stage, Wanted, item
from ..stems import write_stems
from ..work import Work
from ..workshop import Workshop


class StemsSpec(Spec):
    """Stems of a film as it is that day, by their run."""

    kind: ClassVar[str] = "stems"
    run: str


class StemsKind(Kind[StemsSpec]):
    spec = StemsSpec
    queue = COMPUTING

    def make(self, spec: StemsSpec, work: Work) -> Made | None:
        film = work.shop.assembled(work.film)
        outcome = write_stems(work.shop, film, work.progress, work.dropped)
        return None if outcome is None else Made(None, outcome)

    def place(self, spec: StemsSpec, made: Result, cost: Any, work: Work) -> None:
        work.shop.runs.set_outcome(work.item.run, made.data)


class StemsWanted(Wanted):
    """The film's sound as files: voice, sound and music apart, and the mix."""

    kind: Literal["stems"] = "stems"


def _taken(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    return [item(StemsSpec(run=new_id()), "take the sound out", weight=2 + film.seconds * 0.04)]


STEMS_RUN = RunKind(StemsWanted, lambda wanted: [Stage("stems", _taken)], lambda f, w: lacks_of(f))
