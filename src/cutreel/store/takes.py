"""Takes: made or brought pictures for shots, with their full provenance. None is ever deleted or
renumbered."""

from collections import defaultdict
from dataclasses import dataclass
from decimal import Decimal
from typing import Any

from sqlalchemy import func, select

from .database import Database
from .events import announce
from .films import new_id
from .tables import Film, Take


@dataclass(frozen=True)
class TakeRow:
    """A take. `made_from` is the picture key that its shot had; it is stale when the shot's key is
    another now."""

    id: str
    shot: int
    number: int
    made_from: str
    seed: int
    prompt: str
    negative: str
    offer: str
    media: str
    thumb: str
    layers: tuple[tuple[str, float], ...]
    about: dict[str, Any]
    brought: bool
    cost: Decimal


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
                out[t.shot].append(
                    TakeRow(
                        t.id,
                        t.shot,
                        t.number,
                        t.made_from,
                        t.seed,
                        t.prompt,
                        t.negative,
                        t.offer,
                        t.media,
                        t.thumb,
                        tuple((m, float(d)) for m, d in t.layers),
                        t.about,
                        t.brought,
                        t.cost,
                    )
                )
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
        """Add a take to a shot. The same made picture is added once (a repeated job adds nothing);
        returns its id."""
        with self.database.transaction() as session:
            session.get(Film, film, with_for_update=True)
            same = session.scalar(
                select(Take).where(
                    Take.film == film,
                    Take.shot == shot,
                    Take.made_from == made_from,
                    Take.seed == seed,
                    Take.media == media,
                )
            )
            if same is not None:
                return same.id
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
