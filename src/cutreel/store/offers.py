"""Offers as last seen, so that films can be read and planned while the services do not answer."""

from collections.abc import Sequence

from sqlalchemy.dialects.postgresql import insert

from cutreel.core.film.reading import VoiceOffered
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


def prompt_cap(offers: Sequence[Offer], name: str) -> int:
    """Characters that a picture prompt may have at the offer `name`; 400 when that is not known."""
    offer = next((o for o in offers if o.name == name), None)
    return (offer.caps.prompt_characters if offer else None) or 400


def understood(offers: Sequence[Offer], name: str) -> set[str]:
    """What the offer `name` understands beyond words: seed, negative, references."""
    offer = next((o for o in offers if o.name == name), None)
    return set(offer.understands) if offer else set()


def text_cap(offers: Sequence[Offer]) -> int:
    """Characters that may be spoken in one request; 1,000 when that is not known."""
    offer = next((o for o in offers if o.kind == "speech"), None)
    return (offer.caps.text_characters if offer else None) or 1000


def voices_offered(offers: Sequence[Offer]) -> list[VoiceOffered]:
    """All voices on offer, in the order stated."""
    return [
        VoiceOffered(v.name, v.pronoun, v.age, v.length)
        for o in offers
        if o.kind == "speech"
        for v in o.voices
    ]
