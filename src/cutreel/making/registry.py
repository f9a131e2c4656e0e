"""What can be made, and what can be asked for: one registry of kinds and runs that everything else
goes through.

A *kind* is one sort of thing made: its typed spec with its key, how one is made, where the result
goes, what it costs. A *run* is what a maker asks for: typed wishes, and stages of items. To add a
kind, write one module in `kinds/`.
"""

from collections.abc import Callable, Collection, Mapping, Sequence
from dataclasses import dataclass, field
from decimal import Decimal
from typing import TYPE_CHECKING, Any, ClassVar, Generic, Literal, TypeVar

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from cutreel.core.errors import BadInput
from cutreel.core.film import FilmDocument
from cutreel.core.keys import key
from cutreel.protocol import Offer
from cutreel.store import Assembled, ItemSpec, Result

if TYPE_CHECKING:
    from .work import Work
    from .workshop import Workshop

COMPUTING, SERVICES = "work", "services"
"""Two queues: what a core is busy with, and what waits for services, so that neither stands in the
other's way."""


class Spec(BaseModel):
    """What one thing is made from: plain data, complete by itself.

    The key holds the fields in `made_of` that differ from their defaults, so a new field makes
    nothing again. `version` is that of the code that makes it.
    """

    model_config = ConfigDict(frozen=True)
    kind: ClassVar[str]
    version: ClassVar[int] = 1
    made_of: ClassVar[frozenset[str] | None] = None

    @property
    def key(self) -> str:
        """The key of the result. Two specs with the same key are made once."""
        inputs = self.model_dump(
            mode="json", include=set(self.made_of) if self.made_of else None, exclude_defaults=True
        )
        return key(self.kind, self.version, **inputs)


@dataclass(frozen=True)
class Made:
    """What came of making: a media file, what is known of it, and what it cost."""

    media: str | None
    data: Mapping[str, Any] = field(default_factory=dict)
    cost: Decimal = Decimal(0)


class Wanted(BaseModel):
    """What a run is asked for. With `wait`, what a quota does not leave room for is made when it
    renews."""

    model_config = ConfigDict(frozen=True)
    kind: str
    wait: bool = False


S = TypeVar("S", bound=Spec)
W = TypeVar("W", bound=Wanted)


class Kind(Generic[S]):
    """One sort of thing made."""

    spec: type[S]
    queue: ClassVar[str] = SERVICES

    @property
    def name(self) -> str:
        return self.spec.kind

    def make(self, spec: S, work: "Work") -> Made | None:
        """Make one. None when nobody wants it any more. It may be called again for the same spec
        after a crash."""
        raise NotImplementedError

    def place(self, spec: S, made: Result, cost: Decimal, work: "Work") -> None:
        """Put a result where it belongs in the film; `cost` is what this item paid (0 when it was
        there already). A result that is found by its key needs no place."""

    def price(self, spec: S, offers: Sequence[Offer]) -> Decimal:
        """What a service will ask for one, at the present offers; 0 for what is computed here."""
        return Decimal(0)


Items = Callable[[Assembled, Any, "Workshop"], list[ItemSpec]]


@dataclass(frozen=True)
class Stage:
    """A part of a run: its items for a film as it stands when the part begins, which may all be
    worked on at once.

    Where it `needs_all`, an item that fails ends the run, since what follows would be made of
    nothing.
    """

    name: str
    items: Items
    needs_all: bool = False
    estimated: bool = True


@dataclass(frozen=True)
class RunKind:
    """What a maker may ask for. `lacks` says in sentences what a film has not, of what the run is
    made of."""

    wanted: type[Wanted]
    stages: Callable[[Any], Sequence[Stage]]
    lacks: Callable[[Assembled, Any], list[str]] = lambda film, wanted: []

    @property
    def name(self) -> str:
        return str(self.wanted.model_fields["kind"].default)


@dataclass(frozen=True)
class Beginning:
    """What every run begins with where a film needs it, which its document alone tells."""

    name: str
    items: "Callable[[str, FilmDocument, Workshop], list[ItemSpec]]"

    @property
    def stage(self) -> Stage:
        """It as a part of a run. Whoever moves a run on has worked out what is next, and has nothing to do here."""
        return Stage(self.name, lambda film, wanted, shop: [], estimated=False)


@dataclass(frozen=True)
class Registry:
    """All kinds and runs, by name, and what every run begins `before`."""

    kinds: Mapping[str, Kind[Any]]
    runs: Mapping[str, RunKind]
    before: Beginning

    @classmethod
    def of(
        cls, kinds: Collection[Kind[Any]], runs: Collection[RunKind], before: Beginning
    ) -> "Registry":
        return cls({k.name: k for k in kinds}, {r.name: r for r in runs}, before)

    def with_more(self, kinds: Collection[Kind[Any]], runs: Collection[RunKind]) -> "Registry":
        """The same and more."""
        more = [*self.kinds.values(), *kinds], [*self.runs.values(), *runs]
        return Registry.of(*more, self.before)

    def run(self, kind: str) -> RunKind:
        """The run of a name. Raises BadInput."""
        if kind not in self.runs:
            raise BadInput(
                f"There is no run of kind “{kind}”.", "Choose " + ", ".join(self.runs) + "."
            )
        return self.runs[kind]

    def wanted(self, kind: str, options: Mapping[str, Any]) -> Wanted:
        """The wishes of a run as it keeps them. Raises BadInput for wishes that make no sense."""
        try:
            return self.run(kind).wanted.model_validate({**options, "kind": kind})
        except ValidationError as error:
            first = error.errors()[0]
            where = ".".join(map(str, first["loc"]))
            raise BadInput(f"{where}: {first['msg']}", "Correct it and ask again.") from error

    def stages(self, wanted: Wanted) -> Sequence[Stage]:
        """The parts of a run, in their order."""
        return [self.before.stage, *self.run(wanted.kind).stages(wanted)]

    def price(self, items: Sequence[ItemSpec], offers: Sequence[Offer]) -> Decimal:
        """What the services will ask for `items`."""
        return sum((self.kinds[i.kind].price(i.spec, offers) for i in items), Decimal(0))


def item(spec: Spec, label: str, shot: int | None = None, weight: float = 1.0) -> ItemSpec:
    """A piece of work: what it is made from, what it is called, its shot, and about how many
    seconds it takes."""
    return ItemSpec(spec.kind, label, spec, shot, weight)


def offer_for(kind: str, offers: Sequence[Offer], name: str = "") -> Offer | None:
    """The offer of a name, else the first of a kind of work."""
    named = next((o for o in offers if name and o.name == name), None)
    return named or next((o for o in offers if o.kind == kind), None)


MEDIA = r"^[0-9a-f]{64}\.png$"
"""The name of a kept picture."""
Captions = Literal["burn", "track", "file", "off"]
Takes = Field(1, ge=1, le=4)
