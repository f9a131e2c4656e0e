"""The finished film: its segments and its sound joined into one file, with captions and a report of
what was measured."""

from typing import ClassVar

from cutreel.core.render import FileForm

from ..delivering import join_film
from ..registry import Captions, Made, Spec
from ..work import Work
from .outcome import OutcomeKind


class FilmSpec(Spec):
    """A delivery, by its run: each is a file of its own, with the report of its day."""

    kind: ClassVar[str] = "join"
    run: str
    size: str
    captions: Captions | None = None
    form: FileForm = "web"


class FilmKind(OutcomeKind[FilmSpec]):
    spec = FilmSpec

    def make(self, spec: FilmSpec, work: Work) -> Made | None:
        outcome = join_film(work.shop, work.film, spec.size, spec.captions, spec.form)
        return Made(outcome["film"], outcome)
