"""A story read by a service beside our own reading."""

from dataclasses import dataclass

from cutreel.core.film import ReadOtherwise, check_meant, passages, read_otherwise
from cutreel.core.keys import key
from cutreel.protocol import StoryReading

from .once import ask_once
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
    cost = 0.0
    found: list[ReadOtherwise] = []
    for passage in passages(read, offer.caps.text_characters):
        name = key("asked reading", ASKING_VERSION, asked=passage.asked.model_dump(mode="json"))
        reading, answer = ask_once(
            shop, "reading", passage.asked, name, film, StoryReading.model_validate
        )
        cast = {p.id for p in passage.asked.cast}
        check_meant(reading.meant, passage.asked.paragraphs, cast)
        found += read_otherwise(read, passage, reading.meant)
        cost += answer.cost
    return AskedReading(offer.title, cost, found)
