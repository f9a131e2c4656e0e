"""The tables. A film's document is one JSON value; what was made of it stands in rows of its
own."""

from datetime import UTC, datetime
from decimal import Decimal
from typing import Any, ClassVar

from sqlalchemy import BigInteger, ForeignKey, Index, LargeBinary, Numeric, String, Text, text
from sqlalchemy.dialects.postgresql import JSONB, TIMESTAMP
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column


def now() -> datetime:
    return datetime.now(UTC)


class Base(DeclarativeBase):
    type_annotation_map: ClassVar[dict[Any, Any]] = {
        dict[str, Any]: JSONB,
        list[Any]: JSONB,
        datetime: TIMESTAMP(timezone=True),
    }


class Film(Base):
    __tablename__ = "films"
    id: Mapped[str] = mapped_column(String(12), primary_key=True)
    title: Mapped[str] = mapped_column(Text)
    document: Mapped[dict[str, Any]]
    revision: Mapped[int] = mapped_column(default=0)
    document_at: Mapped[int] = mapped_column(default=0)
    edges: Mapped[list[Any]]
    created: Mapped[datetime] = mapped_column(default=now)
    changed: Mapped[datetime] = mapped_column(default=now)
    removed: Mapped[datetime | None]
    summary: Mapped[dict[str, Any] | None]
    cut: Mapped[str] = mapped_column(Text, default="", server_default="")
    cut_of: Mapped[str | None] = mapped_column(ForeignKey("films.id"), index=True)


class FilmChange(Base):
    __tablename__ = "changes"
    film: Mapped[str] = mapped_column(ForeignKey("films.id"), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    title: Mapped[str] = mapped_column(Text)
    command: Mapped[dict[str, Any]]
    forward: Mapped[list[Any]]
    inverse: Mapped[list[Any]]
    undone: Mapped[bool] = mapped_column(default=False)
    dropped: Mapped[bool] = mapped_column(default=False)
    at: Mapped[datetime] = mapped_column(default=now)


class ResultRow(Base):
    __tablename__ = "results"
    key: Mapped[str] = mapped_column(String(40), primary_key=True)
    kind: Mapped[str] = mapped_column(String(20))
    media: Mapped[str | None] = mapped_column(String(80))
    data: Mapped[dict[str, Any]]
    cost: Mapped[Decimal] = mapped_column(Numeric(12, 5), default=0)
    created: Mapped[datetime] = mapped_column(default=now)


class LostMedia(Base):
    """A media file that is gone or damaged."""

    __tablename__ = "lost_media"
    name: Mapped[str] = mapped_column(String(80), primary_key=True)
    how: Mapped[str] = mapped_column(String(20))
    at: Mapped[datetime] = mapped_column(default=now)


class ParseRow(Base):
    """A paragraph as parsed, under the key of its text."""

    __tablename__ = "parses"
    key: Mapped[str] = mapped_column(String(40), primary_key=True)
    data: Mapped[bytes] = mapped_column(LargeBinary)


class Take(Base):
    __tablename__ = "takes"
    id: Mapped[str] = mapped_column(String(12), primary_key=True)
    film: Mapped[str] = mapped_column(ForeignKey("films.id"))
    shot: Mapped[int]
    number: Mapped[int]
    made_from: Mapped[str] = mapped_column(String(40))
    seed: Mapped[int] = mapped_column(BigInteger)
    prompt: Mapped[str] = mapped_column(Text)
    negative: Mapped[str] = mapped_column(Text)
    offer: Mapped[str] = mapped_column(String(60))
    media: Mapped[str] = mapped_column(String(80))
    thumb: Mapped[str] = mapped_column(String(80))
    layers: Mapped[list[Any]]
    about: Mapped[dict[str, Any]]
    brought: Mapped[bool] = mapped_column(default=False)
    cost: Mapped[Decimal] = mapped_column(Numeric(12, 5), default=0)
    created: Mapped[datetime] = mapped_column(default=now)
    __table_args__ = (Index("takes_of_shot", "film", "shot", "number", unique=True),)


class Run(Base):
    __tablename__ = "runs"
    id: Mapped[str] = mapped_column(String(12), primary_key=True)
    film: Mapped[str] = mapped_column(ForeignKey("films.id"))
    kind: Mapped[str] = mapped_column(String(20))
    state: Mapped[str] = mapped_column(String(12), default="going")
    stage: Mapped[int] = mapped_column(default=-1)
    priority: Mapped[int] = mapped_column(default=0, server_default="0")
    options: Mapped[dict[str, Any]]
    message: Mapped[str] = mapped_column(Text, default="")
    outcome: Mapped[dict[str, Any]] = mapped_column(default=dict)
    questions: Mapped[dict[str, Any]] = mapped_column(default=dict, server_default="{}")
    created: Mapped[datetime] = mapped_column(default=now)
    finished: Mapped[datetime | None]
    __table_args__ = (Index("runs_of_film", "film", "created"),)


class Item(Base):
    __tablename__ = "items"
    id: Mapped[int] = mapped_column(BigInteger, primary_key=True, autoincrement=True)
    run: Mapped[str] = mapped_column(ForeignKey("runs.id"))
    stage: Mapped[int]
    kind: Mapped[str] = mapped_column(String(20))
    queue: Mapped[str] = mapped_column(String(20))
    label: Mapped[str] = mapped_column(Text)
    shot: Mapped[int | None]
    spec: Mapped[dict[str, Any]]
    state: Mapped[str] = mapped_column(String(12), default="waiting")
    progress: Mapped[float] = mapped_column(default=0.0)
    weight: Mapped[float] = mapped_column(default=1.0)
    cost: Mapped[Decimal] = mapped_column(Numeric(12, 5), default=0)
    message: Mapped[str] = mapped_column(Text, default="")
    beat: Mapped[datetime] = mapped_column(default=now)
    tries: Mapped[int] = mapped_column(default=0)
    __table_args__ = (
        Index("items_of_run", "run", "stage"),
        Index("items_open", "beat", postgresql_where=text("state IN ('waiting', 'going')")),
    )


class Spent(Base):
    __tablename__ = "spent"
    key: Mapped[str] = mapped_column(String(60), primary_key=True)
    film: Mapped[str]
    offer: Mapped[str] = mapped_column(String(60))
    amount: Mapped[Decimal] = mapped_column(Numeric(12, 5))
    kind: Mapped[str] = mapped_column(String(20), default="", server_default="")
    shot: Mapped[int | None]
    at: Mapped[datetime] = mapped_column(default=now, index=True)


class Promised(Base):
    """Money that a job which goes on may cost."""

    __tablename__ = "promised"
    key: Mapped[str] = mapped_column(String(60), primary_key=True)
    film: Mapped[str]
    offer: Mapped[str] = mapped_column(String(60))
    amount: Mapped[Decimal] = mapped_column(Numeric(12, 5))
    at: Mapped[datetime] = mapped_column(default=now)


class Limit(Base):
    """The most that may be spent: in a `scope` that is "day", "month" or a film's id."""

    __tablename__ = "limits"
    scope: Mapped[str] = mapped_column(String(12), primary_key=True)
    amount: Mapped[Decimal] = mapped_column(Numeric(12, 5))


class PluggedRow(Base):
    """Services that are plugged in, with their sealed keys."""

    __tablename__ = "plugged"
    id: Mapped[str] = mapped_column(String(24), primary_key=True)
    position: Mapped[int] = mapped_column(default=0)
    settings: Mapped[dict[str, Any]]
    sealed: Mapped[bytes | None] = mapped_column(LargeBinary)
    checked: Mapped[dict[str, Any] | None]
    changed: Mapped[datetime] = mapped_column(default=now)


class ServiceJob(Base):
    """One job of an offer, as it went."""

    __tablename__ = "service_jobs"
    id: Mapped[int] = mapped_column(BigInteger, primary_key=True, autoincrement=True)
    offer: Mapped[str] = mapped_column(String(60))
    kind: Mapped[str] = mapped_column(String(20))
    film: Mapped[str]
    shot: Mapped[int | None]
    outcome: Mapped[str] = mapped_column(String(12))
    message: Mapped[str] = mapped_column(Text, default="")
    seconds: Mapped[float]
    amount: Mapped[Decimal] = mapped_column(Numeric(12, 5), default=0)
    at: Mapped[datetime] = mapped_column(default=now)
    __table_args__ = (Index("jobs_of_offer", "offer", "id"),)


class HandJob(Base):
    """Something that is made by hand: `number` is what files are named by, once somebody has seen the list."""

    __tablename__ = "hand_jobs"
    key: Mapped[str] = mapped_column(String(60), primary_key=True)
    number: Mapped[int | None] = mapped_column(unique=True)
    service: Mapped[str] = mapped_column(String(24), index=True)
    input: Mapped[dict[str, Any]]
    film: Mapped[str] = mapped_column(default="", server_default="")
    shot: Mapped[int | None]
    item: Mapped[int | None] = mapped_column(BigInteger)
    label: Mapped[str] = mapped_column(Text, default="")
    media: Mapped[str | None] = mapped_column(String(80))
    asked: Mapped[datetime] = mapped_column(default=now)
    done: Mapped[datetime | None]
    dropped: Mapped[bool] = mapped_column(default=False)


class Callback(Base):
    """A job whose service calls back; `media` is what it sent last."""

    __tablename__ = "callbacks"
    key: Mapped[str] = mapped_column(String(80), primary_key=True)
    token: Mapped[str] = mapped_column(String(64), unique=True)
    sent: Mapped[datetime | None]
    media: Mapped[str | None] = mapped_column(String(80))
    at: Mapped[datetime] = mapped_column(default=now)


class ToldAddress(Base):
    """An address outside that is told when a run has ended; `sealed` is what it knows us by."""

    __tablename__ = "told_addresses"
    id: Mapped[str] = mapped_column(String(12), primary_key=True)
    address: Mapped[str] = mapped_column(Text)
    sealed: Mapped[bytes] = mapped_column(LargeBinary)
    created: Mapped[datetime] = mapped_column(default=now)


class Telling(Base):
    """Something that an address is told; `due` when it is tried next (None: no more), `says` how it went last."""

    __tablename__ = "tellings"
    id: Mapped[str] = mapped_column(String(32), primary_key=True)
    address: Mapped[str] = mapped_column(ForeignKey("told_addresses.id", ondelete="CASCADE"))
    body: Mapped[dict[str, Any]]
    at: Mapped[datetime] = mapped_column(default=now)
    tries: Mapped[int] = mapped_column(default=0)
    due: Mapped[datetime | None] = mapped_column(default=now)
    arrived: Mapped[datetime | None]
    says: Mapped[str] = mapped_column(Text, default="")
    __table_args__ = (Index("tellings_due", "due", postgresql_where=text("due IS NOT NULL")),)


class Batch(Base):
    """Films that are made one after another, unattended: how much it is to cost at `most`, and when none is begun any
    more; its state (going, stopped, done), and why (`says`)."""

    __tablename__ = "batches"
    id: Mapped[str] = mapped_column(String(12), primary_key=True)
    name: Mapped[str] = mapped_column(Text)
    most: Mapped[Decimal | None] = mapped_column(Numeric(14, 5))
    until: Mapped[datetime | None]
    state: Mapped[str] = mapped_column(String(10), default="going")
    says: Mapped[str] = mapped_column(Text, default="")
    created: Mapped[datetime] = mapped_column(default=now)


class BatchFilm(Base):
    """A film of a batch: the run that makes it (None: not begun), why it could not be begun, and when somebody looked
    it over."""

    __tablename__ = "batch_films"
    batch: Mapped[str] = mapped_column(
        ForeignKey("batches.id", ondelete="CASCADE"), primary_key=True
    )
    film: Mapped[str] = mapped_column(ForeignKey("films.id"), primary_key=True)
    place: Mapped[int]
    run: Mapped[str | None] = mapped_column(ForeignKey("runs.id"))
    says: Mapped[str] = mapped_column(Text, default="")
    looked: Mapped[datetime | None]


class Event(Base):
    __tablename__ = "events"
    id: Mapped[int] = mapped_column(BigInteger, primary_key=True, autoincrement=True)
    film: Mapped[str] = mapped_column(String(12), index=True)
    what: Mapped[str] = mapped_column(String(30))
    data: Mapped[dict[str, Any]]
    at: Mapped[datetime] = mapped_column(default=now)
    __table_args__ = (Index("events_of_film", "film", "what", "id"),)


class Kept(Base):
    """Small things kept by name: the offers as last seen."""

    __tablename__ = "kept"
    name: Mapped[str] = mapped_column(String(40), primary_key=True)
    value: Mapped[list[Any]]
    at: Mapped[datetime] = mapped_column(default=now)


class HouseStyleRow(Base):
    """House styles."""

    __tablename__ = "house_styles"
    id: Mapped[str] = mapped_column(String(12), primary_key=True)
    style: Mapped[dict[str, Any]]
    changed: Mapped[datetime] = mapped_column(default=now)


class Company(Base):
    """Members of the company that were given back or added; those that came with Cut Reel are not
    here."""

    __tablename__ = "company"
    id: Mapped[str] = mapped_column(String(40), primary_key=True)
    card: Mapped[dict[str, Any]]
    tags: Mapped[str] = mapped_column(Text, default="")
    picture: Mapped[str] = mapped_column(String(80), default="")
    changed: Mapped[datetime] = mapped_column(default=now)


class LinkRow(Base):
    """Links for others: each shows one film. The token is known by its hash; sealed it is kept for who made it."""

    __tablename__ = "links"
    id: Mapped[str] = mapped_column(String(12), primary_key=True)
    token_hash: Mapped[str] = mapped_column(String(64), unique=True)
    sealed: Mapped[bytes] = mapped_column(LargeBinary)
    film: Mapped[str] = mapped_column(ForeignKey("films.id"), index=True)
    label: Mapped[str] = mapped_column(Text)
    may_note: Mapped[bool]
    password: Mapped[str | None] = mapped_column(Text)
    until: Mapped[datetime]
    created: Mapped[datetime] = mapped_column(default=now)
    withdrawn: Mapped[datetime | None]
    opened: Mapped[int] = mapped_column(default=0)
    last_opened: Mapped[datetime | None]
