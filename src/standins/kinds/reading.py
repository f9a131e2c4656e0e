"""Reading a story: whom its words mean."""

from decimal import Decimal
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, Offer, Price, ReadingInput, StoryReading

from ..reader import read
from .base import Done, Made, Maker, Quotas


class Reader(Maker[ReadingInput]):
    quotas: ClassVar[dict[str, int]] = {"reader": 200}

    def offers(self, quota: Quotas) -> list[Offer]:
        return [
            Offer(
                name="reader",
                kind="reading",
                title="Plain reader",
                price=Price(amount=Decimal("0.000002"), per="character"),
                caps=Caps(text_characters=60_000),
                quota=quota("reader"),
                parallel=1,
                seconds_each=0.6,
                languages=["en"],
                simulated=True,
            )
        ]

    def text(self, job: ReadingInput) -> str:
        return "\n".join(" ".join(words) for words in job.paragraphs)

    def units(self, job: ReadingInput, offer: Offer) -> Decimal:
        return Decimal(len(self.text(job)))

    def cap(self, caps: Caps) -> int | None:
        return caps.text_characters

    def unknown(self, job: ReadingInput, offer: Offer) -> str:
        known = job.language in offer.languages
        return "" if known else f"This reader does not read “{job.language}”."

    def make(self, job: ReadingInput, kept: Path, fine: bool) -> Done:
        found = StoryReading(meant=read(job))
        return [Made("reading", "application/json", found.model_dump_json().encode())], []
