"""Which takes a run of pictures makes: for which shots, how many, with which seeds."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from pydantic import Field

from cutreel.core.continuity import look_named
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import FilmDocument, ReadShot, all_drawn_by, has_plate, is_fresh, read_film
from cutreel.protocol import Offer
from cutreel.store import Assembled, ItemSpec, TakeRow, offered

from .kinds.picture import picture_spec
from .registry import RunKind, Stage, Wanted, item
from .workshop import Workshop


class PicturesWanted(Wanted):
    """Takes to be made: for the `shots` named, or for all that have no fresh take; of those only
    the `missing` or the `stale` ones, or those of one `scene` (by index). `takes` for each (None:
    the film's number). An `offer` other than the film's makes them from what it understands; with a
    `look` they are made in that look, beside what there is."""

    kind: Literal["pictures"] = "pictures"
    shots: frozenset[int] = frozenset()
    takes: int | None = Field(None, ge=1, le=4)
    only: Literal["missing", "stale"] | None = None
    scene: int | None = None
    offer: str | None = Field(None, max_length=60)
    look: str | None = Field(None, max_length=60)


@dataclass(frozen=True)
class _Shot:
    """A shot beside what is asked of it: as it is in the film, as it is asked for, its takes, the
    one in use."""

    own: ReadShot
    asked: ReadShot
    takes: Sequence[TakeRow]
    used: TakeRow | None
    in_look: bool

    @property
    def made_from(self) -> str:
        """The key that a take of it keeps: another offer draws the same picture, another look
        another."""
        return self.asked.picture_key if self.in_look else self.own.picture_key

    def fresh_takes(self) -> list[TakeRow]:
        """Takes that are what is asked for, and that the maker did not reject."""
        return [t for t in self.takes if self._is_it(t) and t.id not in self.own.shot.rejected]

    def made(self) -> int:
        """How many of just this were made: asked again, the next seed shows something else."""
        own_seed = self.own.shot.own.seed
        return sum(
            1
            for t in self.takes
            if t.made_from == self.made_from or (is_fresh(self.own, t) and t.seed == own_seed)
        )

    def _is_it(self, take: TakeRow) -> bool:
        if self.in_look:
            return take.made_from == self.made_from
        return is_fresh(self.own, take)


def wanted_pictures(
    film: Assembled, wanted: PicturesWanted, offers: Sequence[Offer]
) -> list[ItemSpec]:
    """The takes that are asked for. A shot that borrows its picture has it made where it
    belongs."""
    document, asked = _as_asked(film, wanted, offers)
    count = wanted.takes or film.document.settings.takes
    seconds = {o.name: o.seconds_each for o in offers}
    named = {s.picture_of for s in film.read.shots if s.shot.id in wanted.shots}
    restyled = {"look": document.settings.look} if wanted.look else None
    out = []
    for parts in zip(film.read.shots, asked, film.takes, film.used, strict=True):
        shot = _Shot(*parts, in_look=wanted.look is not None)
        if not _is_wanted(shot, wanted, named):
            continue
        told = {"restyled": {**restyled, "beside": shot.own.picture_key}} if restyled else {}
        first = shot.made()
        out += [
            item(
                picture_spec(shot.asked, nth, made_from=shot.made_from, **told),
                f"picture of shot {shot.own.shot.edge}",
                shot.own.shot.id,
                0.6 + seconds.get(shot.asked.offer, 1.0),
            )
            for nth in range(first, first + count)
        ]
    return out


def _is_wanted(shot: _Shot, wanted: PicturesWanted, named: set[int]) -> bool:
    own = shot.own
    if own.picture_of != own.shot.id or (has_plate(own.shot) and own.shot.id not in named):
        return False
    if wanted.scene is not None and own.scene != wanted.scene:
        return False
    if wanted.only == "missing" and shot.used:
        return False
    if wanted.only == "stale" and not shot.used:
        return False
    return own.shot.id in named if wanted.shots else not shot.fresh_takes()


def _as_asked(
    film: Assembled, wanted: PicturesWanted, offers: Sequence[Offer]
) -> tuple[FilmDocument, Sequence[ReadShot]]:
    """The film's shots as another offer would be asked for them, or in another look. Raises
    BadInput for an offer that draws no pictures, or a look that is not known."""
    document, before = film.document, film.document.settings
    offer = wanted.offer or before.offer
    look = look_named(wanted.look or before.look, document.looks).name
    drawn = {s.offer for s in film.read.shots}
    if look == before.look and (not wanted.offer or drawn == {wanted.offer}):
        return document, film.read.shots
    if not any(o.name == offer and o.kind == "picture" for o in offers):
        raise BadInput(f"No service offers pictures as “{offer}”.", "Choose another offer.")
    settings = before.model_copy(update={"look": look})
    changed = document.model_copy(update={"settings": settings})
    if wanted.offer:
        changed = all_drawn_by(changed, offer)
    return changed, read_film(changed, offered(offers, offer), parses=film.read.parses).shots


def missing_pictures(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    """Pictures that a film needs and has not."""
    asked = wanted if isinstance(wanted, PicturesWanted) else PicturesWanted()
    return wanted_pictures(film, asked, shop.offers())


PICTURES_RUN = RunKind(PicturesWanted, lambda wanted: [Stage("pictures", missing_pictures)])


def take_of(film: Assembled, take: str) -> tuple[int, TakeRow]:
    """The index of the shot that a take is of, and the take. Raises NotFound."""
    for i, (shot, takes) in enumerate(zip(film.read.shots, film.takes, strict=True)):
        found = next((t for t in takes if t.id == take), None)
        if found is not None and shot.picture_of == shot.shot.id:
            return i, found
    raise NotFound("That take is not in the film any more.", "Load the page again.")
