"""The film whole, as one archive."""

from typing import ClassVar, Literal

from cutreel.store import Assembled, ItemSpec, new_id

from ..archiving import write_archive
from ..registry import Made, RunKind, Spec, Stage, Wanted, item
from ..work import Work
from ..workshop import Workshop
from .outcome import OutcomeKind


class ArchiveSpec(Spec):
    """An archive of a film as it is that day, by its run."""

    kind: ClassVar[str] = "archive"
    run: str


class ArchiveKind(OutcomeKind[ArchiveSpec]):
    spec = ArchiveSpec

    def make(self, spec: ArchiveSpec, work: Work) -> Made | None:
        film = work.shop.assembled(work.film)
        outcome = write_archive(work.shop, film, work.progress, work.dropped)
        return None if outcome is None else Made(None, outcome)


class ArchiveWanted(Wanted):
    """Everything that the film is made of, in one file: its document, its history, its media."""

    kind: Literal["archive"] = "archive"


def _packed(film: Assembled, wanted: ArchiveWanted, shop: Workshop) -> list[ItemSpec]:
    spec = ArchiveSpec(run=new_id())
    return [item(spec, "pack the film", weight=2 + len(film.spans) * 0.1)]


ARCHIVE_RUN = RunKind(ArchiveWanted, lambda wanted: [Stage("archive", _packed)])
