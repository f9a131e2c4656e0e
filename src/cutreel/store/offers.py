"""Offers as last seen, so that films can be read and planned while the services do not answer."""

from collections.abc import Sequence
from dataclasses import replace

from sqlalchemy.dialects.postgresql import insert

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

    def put(self, offers: Sequence[Offer]) -> None:
        value = [o.model_dump(mode="json") for o in offers]
        with self.database.transaction() as session:
            session.execute(
                insert(Kept)
                .values(name="offers", value=value, at=now())
                .on_conflict_do_update(index_elements=["name"], set_={"value": value, "at": now()})
            )


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
