"""Takes: made or brought pictures for shots, with their full provenance. None is ever deleted or
renumbered."""

from collections import defaultdict
from collections.abc import Mapping
from decimal import Decimal
from typing import Any

from sqlalchemy import func, select

from cutreel.core.errors import NotFound
from cutreel.core.film import TakeRow

from .database import Database
from .events import announce
from .films import new_id
from .tables import Film, Take


def _clip_in(about: Mapping[str, Any]) -> str | None:
    """The media file of the clip that a take is."""
    media: str | None = about.get("clip", {}).get("media")
    return media


class TakeStore:
    """Keeps takes."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def of_film(self, film: str) -> dict[int, list[TakeRow]]:
        """Takes by shot, in order of their numbers."""
        out: dict[int, list[TakeRow]] = defaultdict(list)
        with self.database.transaction() as session:
            for t in session.scalars(
                select(Take).where(Take.film == film).order_by(Take.shot, Take.number)
            ):
                out[t.shot].append(_row(t))
        return out

    def get(self, take: str, film: str | None = None) -> TakeRow:
        """A take by its id, of a film where one is named. Raises NotFound."""
        with self.database.transaction() as session:
            found = session.get(Take, take)
            if found is None or (film is not None and found.film != film):
                raise NotFound("That take is not in the film any more.", "Load the page again.")
            return _row(found)

    def of_shot(self, film: str, shot: int) -> list[TakeRow]:
        """The takes of one shot, in order of their numbers."""
        query = select(Take).where(Take.film == film, Take.shot == shot).order_by(Take.number)
        with self.database.transaction() as session:
            return [_row(t) for t in session.scalars(query)]

    def shared(self, source: str, film: str) -> dict[str, str]:
        """Give a film all takes of another that it has not, to the same shots; returns what each of those is called
        there, by its id here."""
        out: dict[str, str] = {}
        with self.database.transaction() as session:
            session.get(Film, film, with_for_update=True)
            query = select(Take).where(Take.film.in_((source, film)))
            rows = list(session.scalars(query.order_by(Take.shot, Take.number)))
            known = {_same(t): t.id for t in rows if t.film == film}
            highest: dict[int, int] = defaultdict(int)
            for take in rows:
                if take.film == film:
                    highest[take.shot] = max(highest[take.shot], take.number)
            for take in rows:
                if take.film == film:
                    continue
                if _same(take) not in known:
                    highest[take.shot] += 1
                    values = {
                        c.key: getattr(take, c.key)
                        for c in Take.__table__.columns
                        if c.key not in ("id", "film", "number", "cost", "created")
                    }
                    copy = Take(id=new_id(), film=film, number=highest[take.shot], **values)
                    session.add(copy)
                    announce(session, film, "take made", shot=take.shot, take=copy.id)
                    known[_same(take)] = copy.id
                out[take.id] = known[_same(take)]
        return out

    def note(self, take: str, about: dict[str, Any]) -> None:
        """Lay something more that is known of a take over what is known."""
        with self.database.transaction() as session:
            row = session.get(Take, take, with_for_update=True)
            if row is not None:
                row.about = {**row.about, **about}
                announce(session, row.film, "take made", shot=row.shot, take=row.id)

    def add(
        self,
        film: str,
        shot: int,
        *,
        made_from: str,
        seed: int,
        prompt: str,
        negative: str,
        offer: str,
        media: str,
        thumb: str,
        layers: list[tuple[str, float]],
        about: dict[str, Any],
        brought: bool = False,
        cost: Decimal = Decimal(0),
    ) -> str:
        """Add a take to a shot. The same made picture is added once (a repeated job adds nothing), and so is the same
        clip: two of them may begin with one picture. Returns its id."""
        with self.database.transaction() as session:
            session.get(Film, film, with_for_update=True)
            alike = session.scalars(
                select(Take).where(
                    Take.film == film,
                    Take.shot == shot,
                    Take.made_from == made_from,
                    Take.seed == seed,
                    Take.media == media,
                )
            )
            for take in alike:
                if _clip_in(take.about) == _clip_in(about):
                    return take.id
            number = (
                session.scalar(
                    select(func.max(Take.number)).where(Take.film == film, Take.shot == shot)
                )
                or 0
            ) + 1
            row = Take(
                id=new_id(),
                film=film,
                shot=shot,
                number=number,
                made_from=made_from,
                seed=seed,
                prompt=prompt,
                negative=negative,
                offer=offer,
                media=media,
                thumb=thumb,
                layers=[list(p) for p in layers],
                about=about,
                brought=brought,
                cost=cost,
            )
            session.add(row)
            session.flush()
            announce(session, film, "take made", shot=shot, take=row.id)
            return row.id


def _same(take: Take) -> tuple[Any, ...]:
    """What two takes of one picture have in common."""
    return (take.shot, take.made_from, take.seed, take.media)


def _row(take: Take) -> TakeRow:
    return TakeRow(
        id=take.id,
        shot=take.shot,
        number=take.number,
        made_from=take.made_from,
        seed=take.seed,
        prompt=take.prompt,
        negative=take.negative,
        offer=take.offer,
        media=take.media,
        thumb=take.thumb,
        layers=tuple((m, float(d)) for m, d in take.layers),
        about=take.about,
        brought=take.brought,
        cost=take.cost,
    )
