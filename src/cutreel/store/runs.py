"""Runs: long work that a maker asked for, in stages of items. Progress, cost and time left are read
from the items.

An item says when it was last alive (`beat`), so that what moves no more is seen by looking at what
is there.
"""

import threading
from collections.abc import Collection, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime, timedelta
from decimal import Decimal
from typing import Any, Protocol

from pydantic import BaseModel
from sqlalchemy import func, select, text, update
from sqlalchemy.exc import OperationalError
from sqlalchemy.orm import Session

from cutreel.core.errors import NotFound

from .database import Database
from .events import announce
from .films import new_id
from .tables import Film, Item, Run, now
from .told import tell

BEAT_EVERY = 4.0
DEAD_AFTER = 12.0
"""Seconds without a beat after which an item is nobody's: three beats missed."""
FIRST_WAIT, LONGEST_WAIT = 5.0, 2 * 3600.0
"""Seconds until a service that is down is tried again: doubled each time, up to two hours."""
OPEN = ("waiting", "going")
MOST_PRIORITY = 19
"""Of a run; what a page waits for goes before every run."""
TOLD_OF = frozenset(
    {
        "everything",
        "delivery",
        "parts",
        "board",
        "stills",
        "moving picture",
        "archive",
        "stems",
        "translation",
    }
)
"""Runs whose end is told outside: those that somebody goes away from, not each picture."""


class JobQueue(Protocol):
    """What runs need of the queue: jobs put within a transaction of theirs."""

    def put_items(
        self,
        session: Session,
        items: Sequence[tuple[int, str]],
        at: datetime | None = None,
        priority: int = 0,
    ) -> None: ...

    def rank(self, session: Session, items: Sequence[int], priority: int) -> None: ...

    def hurry(self, session: Session, items: Sequence[int]) -> None: ...


@dataclass(frozen=True)
class ItemSpec:
    """One piece of work: its kind, what it is called, what it is made from (a model of its kind),
    and about how many seconds it takes."""

    kind: str
    label: str
    spec: Any
    shot: int | None = None
    weight: float = 1.0


@dataclass
class ClaimedItem:
    """An item that one worker has in hand."""

    id: int
    run: str
    film: str
    kind: str
    queue: str
    label: str
    shot: int | None
    spec: dict[str, Any]
    tries: int
    options: dict[str, Any]
    answers: dict[str, bool]
    progress: float = 0.0


class Question(BaseModel, frozen=True):
    """Whether somebody else is to make a `kind`, since who was asked can't (`why`)."""

    kind: str
    then: str
    why: str
    answer: bool | None = None


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
    questions: list[Question]
    options: dict[str, Any]
    outcome: dict[str, Any]
    priority: int
    created: datetime
    shots: list[int]


class RunStore:
    """Keeps runs and their items."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def start(self, film: str, kind: str, options: dict[str, Any], done: int = 0) -> str:
        """Note a run of which so many stages have nothing to do."""
        with self.database.transaction() as session:
            run = Run(id=new_id(), film=film, kind=kind, options=options, stage=done - 1)
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

    # ------------------------------------------------------------------ items, as workers see them

    def claim(self, item: int) -> ClaimedItem | None:
        """Take an item in hand; None when there is nothing to do any more, or when somebody has it
        who is alive."""
        with self.database.transaction() as session:
            row = session.get(Item, item, with_for_update=True)
            if row is None or row.state not in OPEN:
                return None
            if row.state == "going" and row.beat > now() - timedelta(seconds=DEAD_AFTER):
                return None
            run = session.get(Run, row.run)
            if run is None or run.state != "going":
                return None
            row.state, row.beat, row.message = "going", now(), ""
            return ClaimedItem(
                id=row.id,
                run=run.id,
                film=run.film,
                kind=row.kind,
                queue=row.queue,
                label=row.label,
                shot=row.shot,
                spec=row.spec,
                tries=row.tries,
                options=run.options,
                answers={
                    kind: q["answer"]
                    for kind, q in run.questions.items()
                    if q["answer"] is not None
                },
            )

    @contextmanager
    def beating(self, item: ClaimedItem) -> Iterator[None]:
        """Say every few seconds that an item is being worked on."""
        over = threading.Event()

        def beat() -> None:
            while not over.wait(BEAT_EVERY):
                try:
                    with self.database.transaction() as session:
                        session.execute(update(Item).where(Item.id == item.id).values(beat=now()))
                except OperationalError:
                    continue  # the database comes back, or the item is taken up by another

        thread = threading.Thread(target=beat, daemon=True)
        thread.start()
        try:
            yield
        finally:
            over.set()
            thread.join()

    def note(self, item: ClaimedItem, **values: Any) -> None:
        """Write down how an item goes, and tell. An item that was ended meanwhile stays as it was
        ended."""
        with self.database.transaction() as session:
            session.execute(
                update(Item)
                .where(Item.id == item.id, Item.state.in_(OPEN))
                .values(**values, beat=now())
            )
            announce(session, item.film, "run", run=item.run)

    def wait(
        self, item: ClaimedItem, why: str, queue: JobQueue, until: datetime | None = None
    ) -> None:
        """Let an item wait: until a moment, or ever longer each time. It is queued in the same
        transaction."""
        pause = min(LONGEST_WAIT, FIRST_WAIT * 2 ** min(item.tries, 16))
        at = until or now() + timedelta(seconds=pause)
        said = why if until else f"{why} It is tried again at {at:%H:%M:%S} UTC."
        with self.database.transaction() as session:
            session.execute(
                update(Item)
                .where(Item.id == item.id, Item.state == "going")
                .values(state="waiting", progress=0.0, message=said, tries=Item.tries + 1)
            )
            of = session.scalar(select(Run.priority).where(Run.id == item.run)) or 0
            queue.put_items(session, [(item.id, item.queue)], at, of)
            announce(session, item.film, "run", run=item.run)

    def ask(self, run: str, question: Question) -> None:
        """Put a question to whoever wants a run; one of a kind that was answered stays answered."""
        with self.database.transaction() as session:
            row = self._row(session, run)
            known = row.questions.get(question.kind)
            if known is None or known["answer"] is None:
                row.questions = {**row.questions, question.kind: question.model_dump()}
                announce(session, row.film, "run", run=run)

    def answer(self, run: str, kind: str, answer: bool) -> None:
        """Answer a question of a run. Raises NotFound for one that was not put."""
        with self.database.transaction() as session:
            row = self._row(session, run)
            if kind not in row.questions:
                raise NotFound("That was not asked.", "Load the page again.")
            row.questions = {**row.questions, kind: {**row.questions[kind], "answer": answer}}
            announce(session, row.film, "run", run=run)

    def is_answered(self, run: str, kind: str) -> bool:
        """Whether a question of a run was answered."""
        with self.database.transaction() as session:
            question = self._row(session, run).questions.get(kind)
            return question is not None and question["answer"] is not None

    def try_now(self, run: str, queue: JobQueue) -> None:
        """Let what waits for a service or a quota be tried at once."""
        with self.database.transaction() as session:
            row = self._row(session, run)
            waiting = list(
                session.scalars(select(Item.id).where(Item.run == run, Item.state == "waiting"))
            )
            session.execute(update(Item).where(Item.id.in_(waiting)).values(tries=0))
            queue.hurry(session, waiting)
            announce(session, row.film, "run", run=run)

    # -------------------------------------------------------------- runs, from stage to stage

    def standing(self, run: str) -> tuple[Run, bool] | None:
        """A run that is going, and whether items of its stage are still open; None for any
        other."""
        with self.database.transaction() as session:
            row = session.get(Run, run)
            if row is None or row.state != "going":
                return None
            return row, self._open(session, row) > 0

    def failures(self, run: str, stage: int | None = None) -> list[str]:
        """What the failed items of a run said, or those of one stage."""
        query = select(Item.message).where(Item.run == run, Item.state == "failed")
        if stage is not None:
            query = query.where(Item.stage == stage)
        with self.database.transaction() as session:
            return list(session.scalars(query.order_by(Item.id)))

    def open_stage(
        self,
        run: str,
        stage: int,
        specs: Sequence[ItemSpec],
        queues: Sequence[str],
        queue: JobQueue,
    ) -> bool:
        """Begin a stage: its items and their jobs are there together or not at all. False when the
        run moved on, or was ended, since it was looked at."""
        with self.database.transaction() as session:
            row = session.get(Run, run, with_for_update=True)
            if row is None or row.state != "going" or row.stage != stage - 1:
                return False
            if self._open(session, row):
                return False
            row.stage = stage
            items = [
                Item(
                    run=run,
                    stage=stage,
                    kind=s.kind,
                    queue=q,
                    label=s.label,
                    shot=s.shot,
                    spec=s.spec.model_dump(mode="json", exclude_defaults=True),
                    weight=s.weight,
                )
                for s, q in zip(specs, queues, strict=True)
            ]
            session.add_all(items)
            session.flush()
            queue.put_items(session, [(i.id, i.queue) for i in items], priority=row.priority)
            announce(session, row.film, "run", run=run)
            return True

    def state_of(self, run: str) -> str:
        with self.database.transaction() as session:
            return session.scalar(select(Run.state).where(Run.id == run)) or "cancelled"

    def pause(self, run: str) -> None:
        """Let a run rest: what is being made is finished, nothing more is begun."""
        with self.database.transaction() as session:
            row = self._row(session, run)
            if row.state == "going":
                row.state = "paused"
                announce(session, row.film, "run", run=run)

    def go_on(self, run: str, queue: JobQueue) -> bool:
        """Let a paused run go on; False when it was not paused."""
        with self.database.transaction() as session:
            row = self._row(session, run)
            if row.state != "paused":
                return False
            row.state = "going"
            waiting = session.execute(
                select(Item.id, Item.queue).where(Item.run == run, Item.state == "waiting")
            )
            queue.put_items(session, [(i, of) for i, of in waiting], priority=row.priority)
            announce(session, row.film, "run", run=run)
            return True

    def order(self, runs: Sequence[str], queue: JobQueue) -> None:
        """Make runs in this order, before all that are in none. What is in hand already is finished first."""
        with self.database.transaction() as session:
            for place, run in enumerate(runs):
                row = self._row(session, run)
                row.priority = max(1, MOST_PRIORITY - place)
                waiting = session.scalars(
                    select(Item.id).where(Item.run == run, Item.state == "waiting")
                )
                queue.rank(session, list(waiting), row.priority)
                announce(session, row.film, "run", run=run)

    def set_outcome(self, run: str, outcome: dict[str, Any]) -> None:
        """Keep what came of a run."""
        with self.database.transaction() as session:
            session.execute(update(Run).where(Run.id == run).values(outcome=outcome))

    def finish(self, run: str, state: str, message: str = "") -> None:
        """End a run; items that did not begin are cancelled."""
        with self.database.transaction() as session:
            row = session.get(Run, run, with_for_update=True)
            if row is None or row.state not in ("going", "paused"):
                return
            row.state, row.message, row.finished = state, message, now()
            session.execute(
                update(Item).where(Item.run == run, Item.state.in_(OPEN)).values(state="cancelled")
            )
            announce(session, row.film, "run", run=run)
            if row.kind in TOLD_OF and state in ("done", "failed"):
                tell(session, _said_outside(session, row))

    # ------------------------------------------------------------------------- what moves no more

    def stuck_runs(self, kinds: Collection[str]) -> list[str]:
        """Runs of these kinds that are going with nothing open in their stage: they wait for a
        step that nobody takes."""
        some = select(Item.id).where(
            Item.run == Run.id, Item.stage == Run.stage, Item.state.in_(OPEN)
        )
        stuck = (Run.state == "going") & Run.kind.in_(kinds)
        with self.database.transaction() as session:
            return list(session.scalars(select(Run.id).where(stuck, ~some.exists())))

    def requeue_lost(self, queue: JobQueue) -> int:
        """Queue again the open items of going runs that nobody works on and no job waits for;
        returns how many."""
        unqueued = text(
            "NOT EXISTS (SELECT 1 FROM procrastinate_jobs j WHERE j.status = 'todo' "
            "AND j.task_name = 'cutreel.item' AND (j.args ->> 'item')::bigint = items.id)"
        )
        late = now() - timedelta(seconds=DEAD_AFTER)
        query = (
            select(Item)
            .join(Run, Run.id == Item.run)
            .where(Run.state == "going", Item.stage == Run.stage, Item.state.in_(OPEN))
            .where(Item.beat < late, unqueued)
            .with_for_update(of=Item, skip_locked=True)
        )
        with self.database.transaction() as session:
            lost = list(session.scalars(query))
            for row in lost:
                row.state, row.beat = "waiting", now()
            session.flush()
            found = session.execute(select(Run.id, Run.priority).where(Run.state == "going"))
            ranks = {row.id: row.priority for row in found}
            for rank in sorted({ranks.get(row.run, 0) for row in lost}):
                of_rank = [(r.id, r.queue) for r in lost if ranks.get(r.run, 0) == rank]
                queue.put_items(session, of_rank, priority=rank)
            return len(lost)

    def _row(self, session: Session, run: str) -> Run:
        row = session.get(Run, run, with_for_update=True)
        if row is None:
            raise NotFound("There is no such run.")
        return row

    def _open(self, session: Session, row: Run) -> int:
        query = select(func.count()).where(
            Item.run == row.id, Item.stage == row.stage, Item.state.in_(OPEN)
        )
        return session.scalar(query) or 0


def _view(session: Session, row: Run) -> RunView:
    items = list(session.scalars(select(Item).where(Item.run == row.id).order_by(Item.id)))
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
        questions=_open_questions(row, items),
        options=row.options,
        outcome=row.outcome,
        priority=row.priority,
        created=row.created,
        shots=[i.shot for i in items if i.shot is not None and i.state in ("waiting", "going")],
    )


def _said_outside(session: Session, row: Run) -> dict[str, Any]:
    """What is told outside of a run that has ended: what it was and how it ended, nothing of the story."""
    failed = select(func.count()).where(Item.run == row.id, Item.state == "failed")
    film = session.get_one(Film, row.film)
    return {
        "type": f"run.{row.state}",
        "timestamp": now().isoformat(),
        "data": {
            "run": row.id,
            "kind": row.kind,
            "film": row.film,
            "title": film.title,
            "message": row.message,
            "failed": session.scalar(failed) or 0,
        },
    }


def _open_questions(row: Run, items: Sequence[Item]) -> list[Question]:
    """Questions that nobody answered yet, while something waits for the answer."""
    if row.state != "going" or not any(i.state == "waiting" and i.message for i in items):
        return []
    asked = [Question.model_validate(q) for q in row.questions.values()]
    return [q for q in asked if q.answer is None]
