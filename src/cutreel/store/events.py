"""Events of a film: a numbered row each, and a notice to everyone who listens."""

from datetime import datetime
from typing import Any

from sqlalchemy import delete, func, select, text
from sqlalchemy.orm import Session

from .tables import Event

CHANNEL = "film_events"


def announce(session: Session, film: str, what: str, **data: Any) -> None:
    """Tell that something of `film` became so, when the transaction commits."""
    event = Event(film=film, what=what, data=data)
    session.add(event)
    session.flush()
    session.execute(
        text("SELECT pg_notify(:channel, :payload)"),
        {"channel": CHANNEL, "payload": f"{film}:{event.id}"},
    )


def events_after(session: Session, film: str, last: int, most: int = 500) -> list[Event]:
    """Events of `film` behind number `last`, oldest first."""
    return list(
        session.scalars(
            select(Event).where(Event.film == film, Event.id > last).order_by(Event.id).limit(most)
        )
    )


def last_event(session: Session, film: str) -> int:
    """The number of the film's last event; 0 for none."""
    return (
        session.scalar(
            select(Event.id).where(Event.film == film).order_by(Event.id.desc()).limit(1)
        )
        or 0
    )


def last_of(session: Session, film: str, *what: str) -> list[int]:
    """The number of the film's last event of each of some sorts; 0 for none."""
    query = select(Event.what, func.max(Event.id)).where(Event.film == film, Event.what.in_(what))
    found = {row[0]: row[1] for row in session.execute(query.group_by(Event.what))}
    return [found.get(name, 0) for name in what]


def shots_told(session: Session, film: str, what: str, after: int) -> set[int]:
    """The numbers of the shots that events of a sort behind number `after` name."""
    query = select(Event.data).where(Event.film == film, Event.what == what, Event.id > after)
    return {int(data["shot"]) for data in session.scalars(query) if "shot" in data}


def prune_events(session: Session, before: datetime) -> int:
    """Forget events of before a moment, but for the last of each sort of each film: by those it is seen whether
    anything is new. Returns how many."""
    last = select(func.max(Event.id)).group_by(Event.film, Event.what)
    old = delete(Event).where(Event.at < before, Event.id.not_in(last)).returning(Event.id)
    return len(session.execute(old).all())
