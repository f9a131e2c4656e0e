"""The finished film: its segments and its sound joined into one file, with captions and a report of
what was measured."""

from typing import Any, ClassVar

from cutreel.core.render import FileForm
from cutreel.store import Result

from ..delivering import join_film
from ..registry import COMPUTING, Captions, Kind, Made, Spec
from ..work import Work


class FilmSpec(Spec):
    """A delivery, by its run: each is a file of its own, with the report of its day."""

    kind: ClassVar[str] = "join"
    run: str
    size: str
    captions: Captions | None = None
    form: FileForm = "web"


class FilmKind(Kind[FilmSpec]):
    spec = FilmSpec
    queue = COMPUTING

    def make(self, spec: FilmSpec, work: Work) -> Made | None:
        outcome = join_film(work.shop, work.film, spec.size, spec.captions, spec.form)
        return Made(outcome["film"], outcome)

    def place(self, spec: FilmSpec, made: Result, cost: Any, work: Work) -> None:
        work.shop.runs.set_outcome(work.item.run, made.data)
