"""A story read by a service beside our own reading: asked once for the same words and cast, paid once."""

from dataclasses import dataclass

from pydantic import ValidationError

from cutreel.core.errors import CutReelError
from cutreel.core.film import Passage, ReadOtherwise, check_meant, passages, read_otherwise
from cutreel.core.keys import key
from cutreel.protocol import StoryReading

from .workshop import Workshop

ASKING_VERSION = 1


@dataclass(frozen=True)
class AskedReading:
    """Who read it, what that cost, and where they read otherwise than we do."""

    title: str
    cost: float
    otherwise: list[ReadOtherwise]


def read_by_service(shop: Workshop, film: str) -> AskedReading:
    """Have a film's story read by the first service that offers it. Raises CutReelError when none does, when it
    refuses, or when its answer does not fit the text."""
    offer = shop.offer_of("reading")
    read = shop.assembled(film).read
    cost, found = 0.0, []
    for passage in passages(read, offer.caps.text_characters):
        reading, paid = _asked(shop, film, offer.name, passage)
        cast = {p.id for p in passage.asked.cast}
        check_meant(reading.meant, passage.asked.paragraphs, cast)
        found += read_otherwise(read, passage, reading.meant)
        cost += paid
    return AskedReading(offer.title, cost, found)


def _asked(shop: Workshop, film: str, offer: str, passage: Passage) -> tuple[StoryReading, float]:
    name = key("asked reading", ASKING_VERSION, asked=passage.asked.model_dump(mode="json"))
    made = shop.results.get(name)
    if made is None:
        done = shop.services.do(offer, passage.asked, name)
        if done is None or not done.files:
            raise CutReelError("The reader returned nothing.", "Ask again.")
        shop.spending.spend(name, film, offer, done.cost)
        try:
            reading = StoryReading.model_validate_json(done.files[0][1])
        except ValidationError as error:
            raise CutReelError("The reader returned something unreadable.", "Ask again.") from error
        shop.results.put(name, "reading", None, {"data": reading.model_dump()}, done.cost)
        return reading, float(done.cost)
    return StoryReading.model_validate(made.data["data"]), float(made.cost)
