"""Runs: long work that a maker asked for, in stages of items. Progress, cost and time left are read
from the items."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from decimal import Decimal
from typing import Any

from pydantic import BaseModel
from sqlalchemy import select, update
from sqlalchemy.orm import Session

from cutreel.core.errors import NotFound

from .database import Database
from .events import announce
from .films import new_id
from .tables import Item, Run, now


@dataclass(frozen=True)
class ItemSpec:
    """One piece of work: its kind, what it is called, what it is made from, and about how many
    seconds it takes."""

    kind: str
    label: str
    spec: dict[str, Any]
    shot: int | None = None
    weight: float = 1.0


class RunView(BaseModel, frozen=True):
    """A run as it goes. `left` is seconds, None while nothing tells; `shots` are those still worked
    on."""

    id: str
    film: str
    kind: str
    state: str
    stage: int
    done: int
    total: int
    share: float
    cost: float
    left: float | None
    message: str
    failures: list[str]
    waits: str
    options: dict[str, Any]
    outcome: dict[str, Any]
    created: datetime
    shots: list[int]


class RunStore:
    """Keeps runs and their items."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def start(self, film: str, kind: str, options: dict[str, Any]) -> str:
        with self.database.transaction() as session:
            run = Run(id=new_id(), film=film, kind=kind, options=options)
            session.add(run)
            session.flush()
            announce(session, film, "run", run=run.id)
            return run.id

    def view(self, run: str) -> RunView:
        with self.database.transaction() as session:
            row = session.get(Run, run)
            if row is None:
                raise NotFound("There is no such run.")
            return _view(session, row)

    def of_film(self, film: str, kinds: Sequence[str] = (), most: int = 20) -> list[RunView]:
        """Runs of a film, newest first."""
        query = select(Run).where(Run.film == film).order_by(Run.created.desc()).limit(most)
        if kinds:
            query = query.where(Run.kind.in_(kinds))
        with self.database.transaction() as session:
            return [_view(session, row) for row in session.scalars(query)]

    def going(self) -> list[str]:
        """Runs that are not finished."""
        with self.database.transaction() as session:
            return list(session.scalars(select(Run.id).where(Run.state == "going")))

    def item(self, item: int) -> tuple[Item, Run] | None:
        """An item to be worked on with its run; None when there is nothing to do any more."""
        with self.database.transaction() as session:
            row = session.get(Item, item)
            if row is None:
                return None
            run = session.get(Run, row.run)
            if run is None or run.state != "going" or row.state in ("done", "failed", "cancelled"):
                return None
            row.state = "going"
            session.flush()
            session.expunge_all()
            return row, run

    def note(self, item: int, **values: Any) -> None:
        """Write down how an item goes, and tell."""
        with self.database.transaction() as session:
            session.execute(update(Item).where(Item.id == item).values(**values))
            found = session.execute(
                select(Item.run, Run.film).join(Run, Run.id == Item.run).where(Item.id == item)
            ).one()
            announce(session, found.film, "run", run=found.run)

    def state_of(self, run: str) -> str:
        with self.database.transaction() as session:
            return session.scalar(select(Run.state).where(Run.id == run)) or "cancelled"

    def locked(self, session: Session, run: str) -> Run | None:
        """The run, held by this transaction, so that one worker at a time moves it on."""
        return session.get(Run, run, with_for_update=True)

    def pause(self, run: str) -> None:
        """Let a run rest: what is being made is finished, nothing more is begun."""
        self._from_to(run, "going", "paused")

    def go_on(self, run: str) -> list[tuple[int, str]]:
        """Let a paused run go on; returns the items that wait, by number and kind."""
        if not self._from_to(run, "paused", "going"):
            return []
        with self.database.transaction() as session:
            waiting = session.execute(
                select(Item.id, Item.kind).where(Item.run == run, Item.state == "waiting")
            )
            return [(number, kind) for number, kind in waiting]

    def _from_to(self, run: str, before: str, after: str) -> bool:
        with self.database.transaction() as session:
            row = session.get(Run, run, with_for_update=True)
            if row is None:
                raise NotFound("There is no such run.")
            if row.state != before:
                return False
            row.state = after
            announce(session, row.film, "run", run=run)
            return True

    def finish(
        self, run: str, state: str, message: str = "", outcome: dict[str, Any] | None = None
    ) -> None:
        """End a run; items that did not begin are cancelled."""
        with self.database.transaction() as session:
            row = session.get(Run, run, with_for_update=True)
            if row is None or row.state not in ("going", "paused"):
                return
            row.state, row.message, row.finished = state, message, now()
            if outcome is not None:
                row.outcome = outcome
            session.execute(
                update(Item)
                .where(Item.run == run, Item.state.in_(("waiting", "going")))
                .values(state="cancelled")
            )
            announce(session, row.film, "run", run=run)


def _view(session: Session, row: Run) -> RunView:
    items = list(session.scalars(select(Item).where(Item.run == row.id)))
    whole = sum(i.weight for i in items) or 1.0
    made = sum(
        i.weight * (1.0 if i.state in ("done", "failed", "cancelled") else i.progress)
        for i in items
    )
    share = 1.0 if row.state == "done" else min(0.99, made / whole)
    spent = ((row.finished or now()) - row.created).total_seconds()
    left = spent * (1 - share) / share if row.state == "going" and share > 0.03 else None
    return RunView(
        id=row.id,
        film=row.film,
        kind=row.kind,
        state=row.state,
        stage=row.stage,
        done=sum(1 for i in items if i.state == "done"),
        total=len(items),
        share=share,
        cost=float(sum((i.cost for i in items), Decimal(0))),
        left=left,
        message=row.message,
        failures=[i.message for i in items if i.state == "failed"],
        waits=next((i.message for i in items if i.state == "waiting" and i.message), ""),
        options=row.options,
        outcome=row.outcome,
        created=row.created,
        shots=[i.shot for i in items if i.shot is not None and i.state in ("waiting", "going")],
    )
