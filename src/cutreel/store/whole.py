"""A film as it is kept, whole, apart from its media files: its document, its history, its takes, and what was made."""

import json
import re
from collections.abc import Iterable
from decimal import Decimal
from typing import Any, NamedTuple

from pydantic import BaseModel, Field
from sqlalchemy import func, or_, select

from cutreel.core.errors import BadInput
from cutreel.core.film import FilmDocument, Result

from .database import Database
from .events import announce
from .films import FilmStore, new_id
from .tables import Film, FilmChange, Take

VERSION = 1
_MEDIA = re.compile(r"\b[0-9a-f]{64}\.[a-z0-9]{2,5}\b")


FIRST = "first cut"
"""What the cut is called that all others are made from, until it has a name."""
MOST_CUTS = 40


class Cut(NamedTuple):
    """A cut of a film: the id under which it is opened, and its name."""

    film: str
    name: str


class WholeFilm(BaseModel):
    """A film: its document as it is, all changes to it, takes, and results by key. `version` is that of this
    form, `made_by` that of Cut Reel."""

    version: int = VERSION
    made_by: str = ""
    title: str = Field(max_length=200)
    revision: int
    document: dict[str, Any]
    edges: list[Any]
    changes: list[dict[str, Any]] = []
    takes: list[dict[str, Any]] = []
    results: list[dict[str, Any]] = []


def media_in(told: str) -> set[str]:
    """The names of media files that a text tells of."""
    return set(_MEDIA.findall(told))


class WholeStore:
    """Takes films out whole, and brings them in."""

    def __init__(self, database: Database, films: FilmStore) -> None:
        self.database, self.films = database, films

    def taken(self, film: str, results: Iterable[Result]) -> WholeFilm:
        """A film with some results. Raises NotFound."""
        with self.database.view() as session:
            known = self.films.within(session, film)
            row = session.get_one(Film, film)
            changes = session.scalars(
                select(FilmChange).where(FilmChange.film == film).order_by(FilmChange.number)
            )
            takes = session.scalars(
                select(Take).where(Take.film == film).order_by(Take.shot, Take.number)
            )
            return WholeFilm(
                title=row.title,
                revision=row.revision,
                document=known.document.model_dump(mode="json"),
                edges=row.edges,
                changes=[_told(c, ("film", "at")) for c in changes],
                takes=[_told(t, ("film", "created")) for t in takes],
                results=[
                    {"key": r.key, "kind": r.kind, "media": r.media, "data": r.data}
                    for r in results
                ],
            )

    def cuts(self, film: str) -> list[Cut]:
        """All cuts of the film that a cut is of, as they were made. Raises NotFound."""
        with self.database.view() as session:
            self.films.within(session, film)
            first = session.scalar(
                select(func.coalesce(Film.cut_of, Film.id)).where(Film.id == film)
            )
            query = select(Film.id, Film.cut).where(
                or_(Film.id == first, Film.cut_of == first), Film.removed.is_(None)
            )
            rows = session.execute(query.order_by(Film.created, Film.id))
            return [Cut(i, name or FIRST) for i, name in rows]

    def keep_cut(self, film: str, name: str) -> str:
        """Keep a film as it is now as a cut of its own, with its history and its takes; returns its id. Raises BadInput
        where one is called so, or there are many."""
        known = self.cuts(film)
        if any(c.name.lower() == name.lower() for c in known):
            raise BadInput(f"A cut is called “{name}” already.", "Give it another name.")
        if len(known) >= MOST_CUTS:
            raise BadInput(f"The film has {MOST_CUTS} cuts.", "Take one off the shelf first.")
        with self.database.view() as session:
            query = select(func.coalesce(Film.cut_of, Film.id)).where(Film.id == film)
            first = session.scalar(query)
        return self.brought(self.taken(film, ()), name, first)

    def brought(self, whole: WholeFilm, cut: str = "", cut_of: str | None = None) -> str:
        """Keep a film that was taken out, without its results, as a film of its own or as a `cut` of another; returns
        its id. Takes get new ids."""
        told = whole.model_dump_json(include={"document", "changes", "takes"})
        for take in whole.takes:
            told = told.replace(f'"{take["id"]}"', f'"{new_id()}"')
        fresh = json.loads(told)
        with self.database.transaction() as session:
            row = Film(
                id=new_id(),
                title=whole.title,
                document=FilmDocument.model_validate(fresh["document"]).model_dump(mode="json"),
                edges=whole.edges,
                revision=whole.revision,
                document_at=whole.revision,
                cut=cut,
                cut_of=cut_of,
            )
            session.add(row)
            session.flush()
            for change in fresh["changes"]:
                session.add(FilmChange(**change, film=row.id))
            for take in fresh["takes"]:
                session.add(Take(**{**take, "cost": Decimal(str(take["cost"]))}, film=row.id))
            announce(session, row.id, "film added")
            return row.id


def _told(row: Any, without: tuple[str, ...]) -> dict[str, Any]:
    """A row's columns as JSON has them."""
    out = {c.key: getattr(row, c.key) for c in row.__table__.columns if c.key not in without}
    return {k: str(v) if isinstance(v, Decimal) else v for k, v in out.items()}
