"""Offers as last seen, so that films can be read and planned while the services do not answer."""

from collections.abc import Collection, Sequence
from dataclasses import replace
from datetime import datetime

from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from cutreel.core.film import USUAL_PROMPT, USUAL_TEXT, Offered, VoiceOffered
from cutreel.protocol import Offer

from .database import Database
from .tables import Kept, now


class OfferStore:
    """Keeps the offers."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def get(self) -> list[Offer]:
        with self.database.transaction() as session:
            row = session.get(Kept, "offers")
            return [Offer.model_validate(o) for o in row.value] if row else []

    def put(self, offers: Sequence[Offer], silent: Collection[str] = ()) -> None:
        """Keep offers. Those of who is `silent` are as they were seen last."""
        value = [o.model_dump(mode="json") for o in offers]
        with self.database.transaction() as session:
            row = session.get(Kept, "offers", with_for_update=True)
            if row is None:
                session.execute(
                    insert(Kept)
                    .values(name="offers", value=value, at=now())
                    .on_conflict_do_nothing()
                )
            else:
                row.value, row.at = value, now()
            self._note_silent(session, silent)

    def silent_since(self) -> dict[str, datetime]:
        """Since when nobody heard of who is silent."""
        with self.database.transaction() as session:
            row = session.get(Kept, "silent")
            return {i: datetime.fromisoformat(at) for i, at in row.value} if row else {}

    def _note_silent(self, session: Session, silent: Collection[str]) -> None:
        row = session.get(Kept, "silent", with_for_update=True)
        before = dict(row.value) if row else {}
        value = [[i, before.get(i, now().isoformat())] for i in sorted(silent)]
        if row is None:
            session.execute(
                insert(Kept).values(name="silent", value=value, at=now()).on_conflict_do_nothing()
            )
        elif row.value != value:
            row.value, row.at = value, now()


def offered(offers: Sequence[Offer], picture: str) -> Offered:
    """What the services take, with pictures asked of the offer named `picture`, or of any other by its name."""
    by_name = {o.name: _drawn(offers, o) for o in offers if o.kind == "picture"}
    found = by_name.get(picture) or _drawn(offers, None)
    return replace(found, by_name=by_name)


def _drawn(offers: Sequence[Offer], drawing: Offer | None) -> Offered:
    speaking = next((o for o in offers if o.kind == "speech"), None)
    caps = drawing.caps if drawing else None
    largest = (caps.width, caps.height) if caps and caps.width and caps.height else None
    return Offered(
        prompt_cap=(caps.prompt_characters if caps else None) or USUAL_PROMPT,
        voices=tuple(
            VoiceOffered(
                v.name,
                v.pronoun,
                v.age,
                v.length,
                v.pitch,
                v.brightness,
                v.language,
                o.caps.text_characters or USUAL_TEXT,
                "direction" in o.understands,
                "ssml" in o.understands,
            )
            for o in offers
            if o.kind == "speech"
            for v in o.voices
        ),
        text_cap=(speaking.caps.text_characters if speaking else None) or USUAL_TEXT,
        understands=frozenset(drawing.understands if drawing else ()),
        largest=largest,
        directed="direction" in (speaking.understands if speaking else ()),
        ssml="ssml" in (speaking.understands if speaking else ()),
    )
