"""The sound taken out: stems, the mix alone, the cue sheet."""

from typing import ClassVar, Literal

from cutreel.store import Assembled, ItemSpec, new_id

from ..lacking import lacks_of
from ..registry import Made, RunKind, Spec, Stage, Wanted, item
from ..stems import write_stems
from ..work import Work
from ..workshop import Workshop
from .outcome import OutcomeKind


class StemsSpec(Spec):
    """Stems of a film as it is that day, by their run."""

    kind: ClassVar[str] = "stems"
    run: str


class StemsKind(OutcomeKind[StemsSpec]):
    spec = StemsSpec

    def make(self, spec: StemsSpec, work: Work) -> Made | None:
        film = work.shop.assembled(work.film)
        outcome = write_stems(work.shop, film, work.progress, work.dropped)
        return None if outcome is None else Made(None, outcome)


class StemsWanted(Wanted):
    """The film's sound as files: voice, sound and music apart, and the mix."""

    kind: Literal["stems"] = "stems"


def _taken(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    return [item(StemsSpec(run=new_id()), "take the sound out", weight=2 + film.seconds * 0.04)]


STEMS_RUN = RunKind(StemsWanted, lambda wanted: [Stage("stems", _taken)], lambda f, w: lacks_of(f))
