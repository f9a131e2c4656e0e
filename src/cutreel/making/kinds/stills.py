"""Each shot as it is seen, as a picture."""

from typing import ClassVar, Literal

from cutreel.store import Assembled, ItemSpec, new_id

from ..excerpts import write_stills
from ..planning import SHORT_SIDE
from ..registry import Made, RunKind, Spec, Stage, Wanted, item
from ..work import Work
from ..workshop import Workshop
from .outcome import OutcomeKind

StillSize = Literal["720p", "1080p", "2160p"]


class StillsSpec(Spec):
    """Stills of a film as it is that day, by their run."""

    kind: ClassVar[str] = "stills"
    run: str
    size: StillSize


class StillsKind(OutcomeKind[StillsSpec]):
    spec = StillsSpec

    def make(self, spec: StillsSpec, work: Work) -> Made | None:
        film, high = work.shop.assembled(work.film), SHORT_SIDE[spec.size]
        outcome = write_stills(work.shop, film, high, work.progress, work.dropped)
        return None if outcome is None else Made(None, outcome)


class StillsWanted(Wanted):
    """All shots as pictures in one zip, as they are seen in the film."""

    kind: Literal["stills"] = "stills"
    size: StillSize = "1080p"


def _drawn(film: Assembled, wanted: StillsWanted, shop: Workshop) -> list[ItemSpec]:
    spec = StillsSpec(run=new_id(), size=wanted.size)
    return [item(spec, "draw the stills", weight=1 + len(film.spans) * 0.3)]


STILLS_RUN = RunKind(StillsWanted, lambda wanted: [Stage("drawn", _drawn)])
