"""Films and their changes: every change is one numbered row that can be taken back exactly."""

import secrets
from dataclasses import dataclass
from datetime import datetime
from threading import Lock
from typing import Any

import jsonpatch
from cachetools import LRUCache
from sqlalchemy import func, select, update
from sqlalchemy.orm import Session, defer

from cutreel.core.errors import BadInput, Clash, NotFound
from cutreel.core.film import Change, FilmDocument, Patch, apply_to, completed, turned_by

from .database import Database
from .events import announce
from .tables import Event, Film, FilmChange, now

MOST_KNOWN = 40
MOST_BEHIND = 60
"""Changes after which a document is written again."""


@dataclass(frozen=True)
class FilmRow:
    """A film as it stands, with the names of what undo and redo would do."""

    id: str
    revision: int
    document: FilmDocument
    changed: datetime
    undo: str | None
    redo: str | None
    cut: str = ""
    """Which cut of its film it is; empty for the first."""


def new_id() -> str:
    """A short random name for a row."""
    return secrets.token_hex(5)


@dataclass
class _Known:
    """A film's document as it was at a revision, as JSON and as a model: it is read and validated once."""

    revision: int
    raw: dict[str, Any]
    document: FilmDocument
    turns: tuple[str | None, str | None] | None = None
    """What undo and redo would do, once it was looked up: it changes with the revision alone."""


class FilmStore:
    """Reads and changes films. The documents of the films in use are kept ready; a film's revision tells whether what
    is kept still holds."""

    def __init__(self, database: Database) -> None:
        self.database = database
        self._known: LRUCache[str, _Known] = LRUCache(MOST_KNOWN)
        self._lock = Lock()

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

    def titles(self) -> dict[str, str]:
        """The titles of all films, those that were removed among them, by id."""
        with self.database.transaction() as session:
            return {r.id: r.title for r in session.execute(select(Film.id, Film.title))}

    def all(self) -> list[FilmRow]:
        """Films that were not removed, last changed first."""
        with self.database.view() as session:
            query = select(Film).where(Film.removed.is_(None)).options(_LIGHT)
            rows = session.scalars(query.order_by(Film.changed.desc()))
            return [self._row(session, row) for row in rows]

    def summaries(self) -> list[tuple[str, list[int], dict[str, Any] | None]]:
        """Of every film that was not removed, last changed first: its id, what was last told of it (revision and
        events), and its summary as it was last kept."""
        told = (
            select(func.coalesce(func.max(Event.id), 0))
            .where(Event.film == Film.id, Event.what.in_(("take made", "run", "read")))
            .scalar_subquery()
        )
        query = (
            select(Film.id, Film.revision, told, Film.summary)
            .where(Film.removed.is_(None))
            .order_by(Film.changed.desc())
        )
        with self.database.transaction() as session:
            return [(f, [r, e], summary) for f, r, e, summary in session.execute(query)]

    def summarise(self, film: str, summary: dict[str, Any]) -> None:
        """Keep a film's summary."""
        with self.database.transaction() as session:
            session.execute(update(Film).where(Film.id == film).values(summary=summary))

    def get(self, film: str) -> FilmRow:
        with self.database.view() as session:
            return self._row(session, self._film(session, film))

    def within(self, session: Session, film: str) -> FilmRow:
        """The film as a view of the database sees it. Raises NotFound."""
        return self._row(session, self._film(session, film))

    def revision(self, film: str) -> int:
        """The film's revision. Raises NotFound."""
        with self.database.transaction() as session:
            return self._film(session, film).revision

    def exists(self, film: str) -> bool:
        with self.database.transaction() as session:
            return session.scalar(select(Film.id).where(Film.id == film)) is not None

    def change(self, film: str, change: Change) -> FilmRow:
        """Apply one change. Raises Clash when the film is not at the revision its sender saw."""
        with self.database.transaction() as session:
            row = self._film(session, film, lock=True)
            if change.revision != row.revision and not self._untouched(session, film):
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
            known = self._as_known(session, row)
            done = apply_to(known.document, known.raw, change.command, row.edges)
            settled = done.settled
            if settled.forward:
                command = change.command.model_dump(mode="json")
                patches = (settled.forward, settled.inverse)
                self._record(session, row, settled.raw, patches, done.title, command, lazily=True)
                if done.edges != row.edges:
                    row.edges = done.edges
                turns = (done.title, None)  # what had been undone cannot be redone any more
                known = _Known(row.revision, settled.raw, settled.document, turns)
            answer = self._row(session, row, known)
        self._remember(film, known)
        return answer

    def amend(self, film: str, change: Change) -> None:
        """Apply a change that is no step of the maker's, to a film that they have not changed yet: there is nothing to
        undo. Raises Clash when they have."""
        with self.database.transaction() as session:
            row = self._film(session, film, lock=True)
            if not self._untouched(session, film):
                raise Clash("This film was changed.", "Look at it as it is now.")
            known = self._as_known(session, row)
            done = apply_to(known.document, known.raw, change.command, row.edges)
            self._settle(session, row, done.settled.raw, done.title)
            known = _Known(row.revision, done.settled.raw, done.settled.document)
        self._remember(film, known)

    def tell(self, film: str, what: str) -> None:
        """Tell everyone who looks at a film that something became of it."""
        with self.database.transaction() as session:
            announce(session, film, what)

    def undo(self, film: str, seen: int | None = None) -> FilmRow:
        """Take back the last change that stands. With the revision that somebody `seen`, raises Clash where the film
        has changed since: what would be taken back may be another's."""
        return self._turn(film, undo=True, seen=seen)

    def redo(self, film: str, seen: int | None = None) -> FilmRow:
        """Do the last undone change again; `seen` as with `undo`."""
        return self._turn(film, undo=False, seen=seen)

    def version(self, film: str, number: int) -> FilmDocument:
        """The film as it was after the change with a number; 0: as it was first. Raises
        NotFound."""
        with self.database.view() as session:
            row = self._film(session, film)
            document, numbers = self._as_known(session, row).raw, [0]
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
        told = {"type": "go back"}
        return self.replace(film, self.version(film, number), f"go back to version {number}", told)

    def replace(
        self, film: str, document: FilmDocument, title: str, command: dict[str, Any]
    ) -> FilmRow:
        """Make the film what `document` says; this is a change like any other, called `title`."""
        with self.database.transaction() as session:
            row = self._film(session, film, lock=True)
            before = self._as_known(session, row)
            # Numbers once given stay taken, so that nothing made since is mistaken for something
            # else.
            document.next_word = max(document.next_word, before.document.next_word)
            document.next_shot = max(document.next_shot, before.document.next_shot)
            after = document.model_dump(mode="json")
            patches = (
                jsonpatch.make_patch(before.raw, after).patch,
                jsonpatch.make_patch(after, before.raw).patch,
            )
            if patches[0]:
                self._record(session, row, after, patches, title, command)
            return self._row(session, row)

    def _applied(self, session: Session, film: str, most: int | None = None) -> list[FilmChange]:
        """The changes that stand, newest first."""
        query = select(FilmChange).where(
            FilmChange.film == film, ~FilmChange.dropped, ~FilmChange.undone
        )
        return list(session.scalars(query.order_by(FilmChange.number.desc()).limit(most)))

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
        after: dict[str, Any],
        patches: tuple[Patch, Patch],
        title: str,
        command: dict[str, Any],
        lazily: bool = False,
    ) -> None:
        session.execute(
            update(FilmChange)
            .where(FilmChange.film == row.id, FilmChange.undone, ~FilmChange.dropped)
            .values(dropped=True)
        )
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
                forward=patches[0],
                inverse=patches[1],
            )
        )
        self._settle(session, row, after, title, lazily)

    def _turn(self, film: str, undo: bool, seen: int | None) -> FilmRow:
        with self.database.transaction() as session:
            row = self._film(session, film, lock=True)
            if seen is not None and row.revision != seen:
                raise Clash(
                    "The film was changed meanwhile.", "Look at what changed, then try again."
                )
            change = self._next(session, film, undo)
            if change is None:
                raise BadInput(
                    "There is nothing to undo." if undo else "There is nothing to do again."
                )
            patch = change.inverse if undo else change.forward
            change.undone = undo
            session.flush()
            known = self._as_known(session, row)
            turned = turned_by(known.document, known.raw, patch)
            self._settle(session, row, turned.raw, ("undo " if undo else "redo ") + change.title)
            known = _Known(row.revision, turned.raw, turned.document)
            answer = self._row(session, row, known)
        self._remember(film, known)
        return answer

    def _settle(
        self,
        session: Session,
        row: Film,
        document: dict[str, Any],
        title: str,
        lazily: bool = False,
    ) -> None:
        """Let a film be what a change made of it. A document is large: of changes that follow one another it is
        written once in a while, and between times it is what was written with the patches behind it."""
        row.revision += 1
        if not lazily or row.revision - row.document_at >= MOST_BEHIND:
            row.document, row.document_at = document, row.revision
        row.title = document["title"]
        row.changed = now()
        session.flush()
        announce(session, row.id, "changed", revision=row.revision, title=title)

    def _untouched(self, session: Session, film: str) -> bool:
        """Whether the maker has changed nothing yet: then what was read meanwhile is in nobody's way."""
        query = select(FilmChange.number).where(FilmChange.film == film).limit(1)
        return session.scalar(query) is None

    def _next(self, session: Session, film: str, undo: bool) -> FilmChange | None:
        query = select(FilmChange).where(
            FilmChange.film == film, ~FilmChange.dropped, FilmChange.undone.is_(not undo)
        )
        order = FilmChange.number.desc() if undo else FilmChange.number.asc()
        return session.scalar(query.order_by(order).limit(1))

    def _named(self, session: Session, film: str, undo: bool) -> str | None:
        change = self._next(session, film, undo)
        return change.title if change else None

    def _film(self, session: Session, film: str, lock: bool = False) -> Film:
        row = session.scalar(
            select(Film).where(Film.id == film).options(_LIGHT).with_for_update()
            if lock
            else select(Film).where(Film.id == film).options(_LIGHT)
        )
        if row is None or row.removed is not None:
            raise NotFound("There is no such film.", "It may have been removed; look on the shelf.")
        return row

    def _as_known(self, session: Session, row: Film) -> _Known:
        """The film's document, from what is kept where that is of its revision."""
        with self._lock:
            known = self._known.get(row.id)
        if known is None or known.revision != row.revision:
            raw = self._read(session, row)
            known = _Known(row.revision, raw, FilmDocument.model_validate(raw))
            self._remember(row.id, known)
        return known

    def _read(self, session: Session, row: Film) -> dict[str, Any]:
        """The film's document as it was last written, with the changes made since. All of it must be read from one
        moment: in a view, or with the film's row locked."""
        raw: dict[str, Any] | None = session.scalar(select(Film.document).where(Film.id == row.id))
        assert raw is not None
        raw = completed(raw)
        behind = row.revision - row.document_at
        if behind:
            later = self._applied(session, row.id, behind)
            for change in reversed(later):
                raw = jsonpatch.apply_patch(raw, change.forward, in_place=True)
        return raw

    def _remember(self, film: str, known: _Known) -> None:
        with self._lock:
            self._known[film] = known

    def _row(self, session: Session, row: Film, known: _Known | None = None) -> FilmRow:
        known = known or self._as_known(session, row)
        if known.turns is None:
            known.turns = (self._named(session, row.id, True), self._named(session, row.id, False))
        return FilmRow(row.id, row.revision, known.document, row.changed, *known.turns, row.cut)


_LIGHT = defer(Film.document)
"""A film's row without its document, which is large and mostly known."""
