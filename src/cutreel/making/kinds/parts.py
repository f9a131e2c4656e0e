"""The film's parts, for whoever goes on with it elsewhere."""

from typing import ClassVar, Literal

from cutreel.store import Assembled, ItemSpec, new_id

from ..handing import PartsForm, Pictures, shot_plans, write_parts
from ..lacking import lacks_of
from ..registry import Made, RunKind, Spec, Stage, Wanted, item
from ..work import Work
from ..workshop import Workshop
from .outcome import OutcomeKind
from .segment import segments_of

PartSize = Literal["720p", "1080p", "2160p"]


class PartsSpec(Spec):
    """The parts of a film as it is that day, by their run."""

    kind: ClassVar[str] = "parts"
    run: str
    pictures: Pictures
    size: PartSize
    bundle: bool = False


class PartsKind(OutcomeKind[PartsSpec]):
    spec = PartsSpec

    def make(self, spec: PartsSpec, work: Work) -> Made | None:
        film = work.shop.assembled(work.film)
        form = PartsForm(spec.pictures, spec.size, spec.bundle)
        outcome = write_parts(work.shop, film, form, work.progress, work.dropped)
        return None if outcome is None else Made(None, outcome)


class PartsWanted(Wanted):
    """Pictures, sounds, words and timelines as files in one zip; `pictures` as they are, or as they move. As a `bundle`
    the timeline with its media in one file (otioz)."""

    kind: Literal["parts"] = "parts"
    pictures: Pictures = "stills"
    size: PartSize = "1080p"
    bundle: bool = False


def _moving(film: Assembled, wanted: PartsWanted, shop: Workshop) -> list[ItemSpec]:
    return segments_of(shot_plans(film, wanted.size), shop, "film")


def _packed(film: Assembled, wanted: PartsWanted, shop: Workshop) -> list[ItemSpec]:
    spec = PartsSpec(run=new_id(), pictures=wanted.pictures, size=wanted.size, bundle=wanted.bundle)
    return [item(spec, "pack the parts", weight=2 + film.seconds * 0.02)]


def _stages(wanted: PartsWanted) -> list[Stage]:
    moving = [Stage("moving", _moving, needs_all=True)] if wanted.pictures == "moving" else []
    return [*moving, Stage("pack", _packed)]


PARTS_RUN = RunKind(PartsWanted, _stages, lambda film, wanted: lacks_of(film))
