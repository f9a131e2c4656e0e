"""A film as it is kept, whole, apart from its media files: its document, its history, its takes, and what was made."""

import json
import re
from collections.abc import Iterable
from decimal import Decimal
from typing import Any

from pydantic import BaseModel, Field
from sqlalchemy import select

from cutreel.core.film import FilmDocument, Result

from .database import Database
from .events import announce
from .films import FilmStore, new_id
from .results import ResultStore
from .tables import Film, FilmChange, Take

VERSION = 1
_MEDIA = re.compile(r"\b[0-9a-f]{64}\.[a-z0-9]{2,5}\b")


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

    def brought(self, whole: WholeFilm, results: ResultStore) -> str:
        """Keep a film that was taken out, as a film of its own; returns its id. Takes get new ids."""
        told = whole.model_dump_json(include={"document", "changes", "takes"})
        for take in whole.takes:
            told = told.replace(f'"{take["id"]}"', f'"{new_id()}"')
        fresh = json.loads(told)
        for result in whole.results:
            results.put(result["key"], result["kind"], result["media"], result["data"])
        with self.database.transaction() as session:
            row = Film(
                id=new_id(),
                title=whole.title,
                document=FilmDocument.model_validate(fresh["document"]).model_dump(mode="json"),
                edges=whole.edges,
                revision=whole.revision,
                document_at=whole.revision,
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
