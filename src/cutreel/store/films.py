"""Films and their changes: every change is one numbered row that can be taken back exactly."""

import secrets
from dataclasses import dataclass
from datetime import datetime
from typing import Any

import jsonpatch
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from cutreel.core.errors import BadInput, Clash, NotFound
from cutreel.core.film import Change, FilmDocument, apply_command

from .database import Database
from .events import announce
from .tables import Film, FilmChange, now


@dataclass(frozen=True)
class FilmRow:
    """A film as it stands, with the names of what undo and redo would do."""

    id: str
    revision: int
    document: FilmDocument
    changed: datetime
    undo: str | None
    redo: str | None


def new_id() -> str:
    """A short random name for a row."""
    return secrets.token_hex(5)


class FilmStore:
    """Reads and changes films."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def add(self, document: FilmDocument, edges: list[str], film: str | None = None) -> str:
        """Keep a new film; returns its id."""
        with self.database.transaction() as session:
            row = Film(
                id=film or new_id(),
                title=document.title,
                document=document.model_dump(mode="json"),
                edges=edges,
            )
            session.add(row)
            session.flush()
            announce(session, row.id, "film added")
            return row.id

    def all(self) -> list[FilmRow]:
        """Films that were not removed, last changed first."""
        with self.database.transaction() as session:
            rows = session.scalars(
                select(Film).where(Film.removed.is_(None)).order_by(Film.changed.desc())
            )
            return [self._row(session, row) for row in rows]

    def get(self, film: str) -> FilmRow:
        with self.database.transaction() as session:
            return self._row(session, self._film(session, film))

    def exists(self, film: str) -> bool:
        with self.database.transaction() as session:
            return session.get(Film, film) is not None

    def change(self, film: str, change: Change) -> FilmRow:
        """Apply one change. Raises Clash when the film is not at the revision its sender saw."""
        with self.database.transaction() as session:
            row = self._film(session, film, lock=True)
            if change.revision != row.revision:
                later = session.scalars(
                    select(FilmChange.title)
                    .where(FilmChange.film == film)
                    .order_by(FilmChange.number.desc())
                    .limit(max(1, min(5, row.revision - change.revision)))
                )
                raise Clash(
                    "This film was changed elsewhere: " + ", ".join(later) + ".",
                    "Look at it as it is now and try again.",
                )
            before = FilmDocument.model_validate(row.document)
            after, edges, title = apply_command(before, change.command, row.edges)
            self._record(
                session,
                row,
                row.document,
                after.model_dump(mode="json"),
                title,
                change.command.model_dump(mode="json"),
            )
            row.edges = edges
            return self._row(session, row)

    def undo(self, film: str) -> FilmRow:
        """Take back the last change that stands."""
        return self._turn(film, undo=True)

    def redo(self, film: str) -> FilmRow:
        """Do the last undone change again."""
        return self._turn(film, undo=False)

    def version(self, film: str, number: int) -> FilmDocument:
        """The film as it was after the change with a number; 0: as it was first. Raises
        NotFound."""
        with self.database.transaction() as session:
            row = self._film(session, film)
            document, numbers = row.document, [0]
            for change in self._applied(session, film):
                numbers.append(change.number)
                if change.number > number:
                    document = jsonpatch.apply_patch(document, change.inverse)
            if number not in numbers:
                raise NotFound(
                    "There is no such version of this film.", "Choose one from its history."
                )
            return FilmDocument.model_validate(document)

    def go_back(self, film: str, number: int) -> FilmRow:
        """Make the film what it was after the change with a number; this is a change like any
        other."""
        document = self.version(film, number)
        with self.database.transaction() as session:
            row = self._film(session, film, lock=True)
            before = FilmDocument.model_validate(row.document)
            # Numbers once given stay taken, so that nothing made since is mistaken for something
            # else.
            document.next_word = max(document.next_word, before.next_word)
            document.next_shot = max(document.next_shot, before.next_shot)
            after = document.model_dump(mode="json")
            self._record(
                session,
                row,
                row.document,
                after,
                f"go back to version {number}",
                {"type": "go back"},
            )
            return self._row(session, row)

    def _applied(self, session: Session, film: str) -> list[FilmChange]:
        """The changes that stand, newest first."""
        query = select(FilmChange).where(
            FilmChange.film == film, ~FilmChange.dropped, ~FilmChange.undone
        )
        return list(session.scalars(query.order_by(FilmChange.number.desc())))

    def remove(self, film: str, removed: bool = True) -> None:
        """Take a film off the shelf; it can be brought back."""
        with self.database.transaction() as session:
            row = session.get(Film, film)
            if row is None:
                raise NotFound("There is no such film.")
            row.removed = now() if removed else None
            announce(session, film, "film removed" if removed else "film added")

    def history(self, film: str, most: int = 100) -> list[FilmChange]:
        with self.database.transaction() as session:
            return list(
                session.scalars(
                    select(FilmChange)
                    .where(FilmChange.film == film, ~FilmChange.dropped)
                    .order_by(FilmChange.number.desc())
                    .limit(most)
                )
            )

    def _record(
        self,
        session: Session,
        row: Film,
        before: dict[str, Any],
        after: dict[str, Any],
        title: str,
        command: dict[str, Any],
    ) -> None:
        forward = jsonpatch.make_patch(before, after).patch
        if not forward:
            return
        for undone in session.scalars(
            select(FilmChange).where(
                FilmChange.film == row.id, FilmChange.undone, ~FilmChange.dropped
            )
        ):
            undone.dropped = True
        number = (
            session.scalar(select(func.max(FilmChange.number)).where(FilmChange.film == row.id))
            or 0
        ) + 1
        session.add(
            FilmChange(
                film=row.id,
                number=number,
                title=title,
                command=command,
                forward=forward,
                inverse=jsonpatch.make_patch(after, before).patch,
            )
        )
        self._settle(session, row, after, title)

    def _turn(self, film: str, undo: bool) -> FilmRow:
        with self.database.transaction() as session:
            row = self._film(session, film, lock=True)
            change = self._next(session, film, undo)
            if change is None:
                raise BadInput(
                    "There is nothing to undo." if undo else "There is nothing to do again."
                )
            patch = change.inverse if undo else change.forward
            change.undone = undo
            session.flush()
            self._settle(
                session,
                row,
                jsonpatch.apply_patch(row.document, patch),
                ("undo " if undo else "redo ") + change.title,
            )
            return self._row(session, row)

    def _settle(self, session: Session, row: Film, document: dict[str, Any], title: str) -> None:
        row.document = document
        row.title = document["title"]
        row.revision += 1
        row.changed = now()
        session.flush()
        announce(session, row.id, "changed", revision=row.revision, title=title)

    def _next(self, session: Session, film: str, undo: bool) -> FilmChange | None:
        query = select(FilmChange).where(
            FilmChange.film == film, ~FilmChange.dropped, FilmChange.undone.is_(not undo)
        )
        order = FilmChange.number.desc() if undo else FilmChange.number.asc()
        return session.scalar(query.order_by(order).limit(1))

    def _film(self, session: Session, film: str, lock: bool = False) -> Film:
        row = session.get(Film, film, with_for_update=lock)
        if row is None or row.removed is not None:
            raise NotFound("There is no such film.", "It may have been removed; look on the shelf.")
        return row

    def _row(self, session: Session, row: Film) -> FilmRow:
        undo, redo = self._next(session, row.id, True), self._next(session, row.id, False)
        return FilmRow(
            row.id,
            row.revision,
            FilmDocument.model_validate(row.document),
            row.changed,
            undo.title if undo else None,
            redo.title if redo else None,
        )
