"""Batches: films that are made one after another, unattended."""

from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, field
from datetime import datetime
from decimal import Decimal

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from cutreel.core.errors import NotFound
from cutreel.core.spending import FilmIn

from .database import Database
from .films import new_id
from .tables import Batch, BatchFilm, Film, Run, Spent, now


@dataclass(frozen=True)
class FilmOfBatch:
    """A film of a batch: its title, how far it is, the run that makes it, why that ended otherwise than well, what was
    paid for it, and when somebody looked it over."""

    film: str
    title: str
    state: FilmIn
    run: str | None
    says: str
    cost: Decimal
    looked: datetime | None


@dataclass(frozen=True)
class BatchRow:
    """A batch as it stands, its films in their order."""

    id: str
    name: str
    most: Decimal | None
    until: datetime | None
    state: str
    says: str
    created: datetime
    films: list[FilmOfBatch]

    @property
    def spent(self) -> Decimal:
        return sum((f.cost for f in self.films), Decimal(0))


@dataclass
class BatchInHand:
    """A batch that one worker moves on: the state it comes to and why, and for films that were begun the run, or why
    there is none."""

    row: BatchRow
    state: str = "going"
    says: str = ""
    begun: dict[str, tuple[str | None, str]] = field(default_factory=dict)

    def stop(self, why: str) -> None:
        self.state, self.says = "stopped", why


class BatchStore:
    """Keeps batches."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def add(
        self, name: str, films: Sequence[str], most: Decimal | None, until: datetime | None
    ) -> str:
        """Keep a batch of films, to be made in this order; returns its id."""
        with self.database.transaction() as session:
            row = Batch(id=new_id(), name=name, most=most, until=until)
            session.add(row)
            session.flush()
            session.add_all(
                BatchFilm(batch=row.id, film=film, place=n) for n, film in enumerate(films)
            )
            return row.id

    def all(self) -> list[BatchRow]:
        """All batches, the newest first."""
        with self.database.view() as session:
            rows = session.scalars(select(Batch).order_by(Batch.created.desc()))
            return [_told(session, row) for row in rows]

    def get(self, batch: str) -> BatchRow:
        """Raises NotFound."""
        with self.database.view() as session:
            row = session.get(Batch, batch)
            if row is None:
                raise NotFound("There is no such batch.", "Load the page again.")
            return _told(session, row)

    @contextmanager
    def in_hand(self) -> Iterator[list[BatchInHand]]:
        """The batches that go on and that nobody else has in hand; what becomes of them is kept at the end."""
        with self.database.transaction() as session:
            query = select(Batch).where(Batch.state == "going").order_by(Batch.created)
            rows = list(session.scalars(query.with_for_update(skip_locked=True)))
            hands = [BatchInHand(_told(session, row)) for row in rows]
            yield hands
            for row, hand in zip(rows, hands, strict=True):
                row.state, row.says = hand.state, hand.says
                for film, (run, says) in hand.begun.items():
                    of = session.get_one(BatchFilm, (row.id, film))
                    of.run, of.says = run, says

    def set_state(self, batch: str, state: str, says: str = "") -> None:
        """Raises NotFound."""
        with self.database.transaction() as session:
            row = session.get(Batch, batch)
            if row is None:
                raise NotFound("There is no such batch.", "Load the page again.")
            row.state, row.says = state, says

    def allow(self, batch: str, most: Decimal | None, until: datetime | None) -> None:
        """Set how much a batch may cost, and until when it begins films; it goes on. Raises NotFound."""
        self.set_state(batch, "going")
        with self.database.transaction() as session:
            row = session.get_one(Batch, batch)
            row.most, row.until = most, until

    def looked_over(self, batch: str, film: str) -> None:
        """Note that somebody looked a film of a batch over. Raises NotFound."""
        with self.database.transaction() as session:
            row = session.get(BatchFilm, (batch, film))
            if row is None:
                raise NotFound("That film is not of this batch.", "Load the page again.")
            row.looked = now()

    def drop(self, batch: str) -> None:
        """Forget a batch; its films stay on the shelf. Raises NotFound."""
        with self.database.transaction() as session:
            row = session.get(Batch, batch)
            if row is None:
                raise NotFound("There is no such batch.", "Load the page again.")
            session.delete(row)


def _told(session: Session, row: Batch) -> BatchRow:
    paid = (
        select(func.coalesce(func.sum(Spent.amount), 0))
        .where(Spent.film == BatchFilm.film)
        .scalar_subquery()
    )
    query = (
        select(BatchFilm, Film.title, Run, paid)
        .join(Film, Film.id == BatchFilm.film)
        .outerjoin(Run, Run.id == BatchFilm.run)
        .where(BatchFilm.batch == row.id, Film.removed.is_(None))
        .order_by(BatchFilm.place)
    )
    films = [
        FilmOfBatch(
            film=f.film,
            title=title,
            state=_state(f, run),
            run=f.run,
            says=f.says or (run.message if run is not None else ""),
            cost=Decimal(cost),
            looked=f.looked,
        )
        for f, title, run, cost in session.execute(query)
    ]
    return BatchRow(row.id, row.name, row.most, row.until, row.state, row.says, row.created, films)


def _state(film: BatchFilm, run: Run | None) -> FilmIn:
    if run is None:
        return "failed" if film.says else "waiting"
    if run.state == "going" and all(a is not None for a in _answers(run)):
        return "making"
    if run.state in ("going", "paused"):
        return "asking"
    return "made" if run.state == "done" else "failed"


def _answers(run: Run) -> list[bool | None]:
    """The answers to what a run asked, as far as there are any."""
    return [q.get("answer") for q in run.questions.values()]
