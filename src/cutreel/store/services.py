"""Services that are plugged in, how their jobs went, and what is made by hand."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime, timedelta
from decimal import Decimal
from typing import Any

from sqlalchemy import ColumnElement, delete, func, select, text, update
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session, aliased

from cutreel.core.errors import NotFound

from .database import Database
from .tables import HandJob, Item, Kept, PluggedRow, ServiceJob, now

KEPT_JOBS = 400
"""Jobs of an offer that are remembered."""
_LOCK = 7_310_119
"""The advisory lock under which numbers are given."""
LATELY = timedelta(days=7)
LATE = timedelta(minutes=1)
"""For which a job waits for its number at most."""


@dataclass(frozen=True)
class KeptService:
    """A service as it is kept: its settings, its sealed key, and what its last check found."""

    settings: Mapping[str, Any]
    sealed: bytes | None
    checked: Mapping[str, Any] | None


class ServiceStore:
    """Keeps what is plugged in."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def all(self) -> list[KeptService]:
        """Everything that is plugged in, in the order of the page."""
        with self.database.transaction() as session:
            rows = session.scalars(select(PluggedRow).order_by(PluggedRow.position, PluggedRow.id))
            return [KeptService(r.settings, r.sealed, r.checked) for r in rows]

    def put(
        self, service: str, settings: Mapping[str, Any], sealed: bytes | None, keep_key: bool
    ) -> None:
        """Plug a service in, or change it; with `keep_key` it has the key that it had."""
        with self.database.transaction() as session:
            last = session.scalar(select(func.max(PluggedRow.position))) or 0
            row = session.get(PluggedRow, service)
            if row is None:
                row = PluggedRow(id=service, position=last + 1, settings={})
                session.add(row)
            row.settings, row.changed = dict(settings), now()
            if not keep_key:
                row.sealed = sealed

    def note_left(self, service: str, left: int, renews: datetime) -> None:
        """What a service told of how many pieces are left until a moment; the most that was ever left is how many there
        are."""
        with self.database.transaction() as session:
            row = session.get(Kept, f"left {service}", with_for_update=True)
            most = max(left, row.value[1] if row else 0)
            value = [left, most, renews.isoformat()]
            if row is None:
                session.execute(
                    insert(Kept)
                    .values(name=f"left {service}", value=value, at=now())
                    .on_conflict_do_nothing()
                )
            elif row.value != value:
                row.value, row.at = value, now()

    def left(self, service: str) -> tuple[int, int, datetime] | None:
        """How many pieces are left, of how many, until when, as the service told last; None where that is over."""
        with self.database.transaction() as session:
            row = session.get(Kept, f"left {service}")
            if row is None or datetime.fromisoformat(row.value[2]) <= now():
                return None
            return row.value[0], row.value[1], datetime.fromisoformat(row.value[2])

    def note_check(self, service: str, found: Mapping[str, Any]) -> None:
        with self.database.transaction() as session:
            session.execute(
                update(PluggedRow).where(PluggedRow.id == service).values(checked=dict(found))
            )

    def drop(self, service: str) -> None:
        """Take a service out, with its key. What it made stays."""
        with self.database.transaction() as session:
            session.execute(delete(PluggedRow).where(PluggedRow.id == service))

    def choices(self) -> dict[str, Any]:
        """What each kind is done by: first choice and second, by kind."""
        with self.database.transaction() as session:
            row = session.get(Kept, "choices")
            return {c["kind"]: c for c in row.value} if row else {}

    def set_choices(self, choices: Mapping[str, Any]) -> None:
        value = [{**told, "kind": kind} for kind, told in choices.items()]
        with self.database.transaction() as session:
            session.execute(
                insert(Kept)
                .values(name="choices", value=value, at=now())
                .on_conflict_do_update(index_elements=["name"], set_={"value": value, "at": now()})
            )


@dataclass(frozen=True)
class JobWent:
    """One job as it went: "done", "refused", "down" or "cancelled"."""

    offer: str
    kind: str
    film: str
    shot: int | None
    outcome: str
    message: str
    seconds: float
    amount: Decimal
    at: datetime


@dataclass(frozen=True)
class Lately:
    """How an offer did in the last week: jobs, of them failed, and the median of seconds a job took."""

    jobs: int
    failed: int
    seconds: float | None


class ServiceJobs:
    """Remembers how jobs went."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def note(
        self,
        offer: str,
        kind: str,
        film: str,
        shot: int | None,
        outcome: str,
        seconds: float,
        message: str = "",
        amount: Decimal = Decimal(0),
    ) -> None:
        with self.database.transaction() as session:
            row = ServiceJob(
                offer=offer,
                kind=kind,
                film=film,
                shot=shot,
                outcome=outcome,
                message=message[:2000],
                seconds=seconds,
                amount=amount,
            )
            session.add(row)
            session.flush()
            if row.id % 50 == 0:
                keep = (
                    select(ServiceJob.id)
                    .where(ServiceJob.offer == offer)
                    .order_by(ServiceJob.id.desc())
                    .limit(KEPT_JOBS)
                )
                session.execute(
                    delete(ServiceJob).where(ServiceJob.offer == offer, ServiceJob.id.not_in(keep))
                )

    def last(self, offer: str, most: int = 10) -> list[JobWent]:
        """The last jobs of an offer, newest first."""
        query = (
            select(ServiceJob)
            .where(ServiceJob.offer == offer)
            .order_by(ServiceJob.id.desc())
            .limit(most)
        )
        with self.database.transaction() as session:
            return [
                JobWent(
                    r.offer,
                    r.kind,
                    r.film,
                    r.shot,
                    r.outcome,
                    r.message,
                    r.seconds,
                    Decimal(r.amount),
                    r.at,
                )
                for r in session.scalars(query)
            ]

    def lately(self) -> dict[str, Lately]:
        """How offers did lately, by name."""
        failed = ServiceJob.outcome.in_(("refused", "down"))
        median = func.percentile_cont(0.5).within_group(ServiceJob.seconds)
        query = (
            select(
                ServiceJob.offer,
                func.count(),
                func.count().filter(failed),
                median.filter(ServiceJob.outcome == "done"),
            )
            .where(ServiceJob.at > now() - LATELY, ServiceJob.outcome != "cancelled")
            .group_by(ServiceJob.offer)
        )
        with self.database.transaction() as session:
            return {o: Lately(n, bad, took) for o, n, bad, took in session.execute(query)}


@dataclass(frozen=True)
class ByHandJob:
    """Something to be made by hand. `input` is the job as it was asked for."""

    number: int
    key: str
    service: str
    input: Mapping[str, Any]
    film: str
    shot: int | None
    item: int | None
    label: str
    media: str | None
    asked: datetime
    done: datetime | None


class HandStore:
    """Keeps the lists of what is made by hand."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def put(self, key: str, service: str, work: Mapping[str, Any]) -> bool:
        """Put a job on the list, if it is not there already. False where it was taken off: the next time it is put
        there again."""
        with self.database.transaction() as session:
            row = session.get(HandJob, key, with_for_update=True)
            if row is not None and row.dropped:
                row.dropped = False
                return False
            if row is None:
                session.add(HandJob(key=key, service=service, input=dict(work)))
            return True

    def whose(self, key: str, film: str, shot: int | None, item: int, label: str) -> None:
        """Write down for which film, shot and item of a run a job is."""
        with self.database.transaction() as session:
            session.execute(
                update(HandJob)
                .where(HandJob.key == key)
                .values(film=film, shot=shot, item=item, label=label)
            )

    def brought(self, key: str) -> str | None:
        """The media file that was brought for a job."""
        with self.database.transaction() as session:
            return session.scalar(select(HandJob.media).where(HandJob.key == key))

    def open(self, service: str) -> list[ByHandJob]:
        """What is to be made, in the order of films and shots; what nobody waits for any more is not. What has no
        number yet is given the next ones, in that order. Jobs come in as workers are free, so one has to wait for its
        number until those before it in its run have come in as well, though not for long."""
        wanted = select(Item.id).where(Item.id == HandJob.item, Item.state == "waiting")
        query = (
            select(HandJob)
            .where(HandJob.service == service, HandJob.media.is_(None), ~HandJob.dropped)
            .where(wanted.exists())
            .where(
                HandJob.number.is_not(None)
                | (HandJob.asked < now() - LATE)
                | ~_some_before_on_their_way()
            )
            .order_by(HandJob.number.nulls_last(), HandJob.item)
        )
        with self.database.transaction() as session:
            session.execute(text("SELECT pg_advisory_xact_lock(:lock)"), {"lock": _LOCK})
            last = session.scalar(select(func.max(HandJob.number))) or 0
            rows = list(session.scalars(query))
            for row in rows:
                if row.number is None:
                    last += 1
                    row.number = last
            return [_job(row) for row in rows]

    def made(self, service: str, since: datetime) -> int:
        """How many were brought since a moment."""
        query = select(func.count()).where(HandJob.service == service, HandJob.done >= since)
        with self.database.transaction() as session:
            return session.scalar(query) or 0

    def bring(self, service: str, number: int, media: str) -> ByHandJob:
        """Keep what was brought under a number. Raises NotFound when nothing on the list has it."""
        with self.database.transaction() as session:
            row = _numbered(session, number)
            if row is None or row.service != service or row.media is not None or row.dropped:
                raise NotFound(
                    f"Nothing on this list has the number {number}.",
                    "Name the file by its number on the list.",
                )
            row.media, row.done = media, now()
            return _job(row)

    def drop(self, service: str, number: int) -> ByHandJob:
        """Take a job off the list; it will not be made. Raises NotFound."""
        with self.database.transaction() as session:
            row = _numbered(session, number)
            if row is None or row.service != service:
                raise NotFound(f"Nothing on this list has the number {number}.")
            row.dropped = True
            return _job(row)


def _some_before_on_their_way() -> ColumnElement[bool]:
    """Whether items before a job's, in its run, are being worked on and on no list yet."""
    mine, before, listed = aliased(Item), aliased(Item), aliased(HandJob)
    return (
        select(before.id)
        .join(mine, (mine.run == before.run) & (mine.stage == before.stage))
        .where(mine.id == HandJob.item, before.id < mine.id)
        .where(before.state.in_(("waiting", "going")), before.message == "")
        .where(~select(listed.key).where(listed.item == before.id).exists())
        .exists()
    )


def _numbered(session: Session, number: int) -> HandJob | None:
    return session.scalar(select(HandJob).where(HandJob.number == number).with_for_update())


def _job(row: HandJob) -> ByHandJob:
    assert row.number is not None
    return ByHandJob(
        row.number,
        row.key,
        row.service,
        row.input,
        row.film,
        row.shot,
        row.item,
        row.label,
        row.media,
        row.asked,
        row.done,
    )
