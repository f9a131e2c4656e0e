"""Translation: passages of a story in another language."""

from decimal import Decimal
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, Offer, Price, TranslationInput, TranslationMade

from ..translator import LANGUAGES, translated
from .base import Done, Made, Maker, Quotas


class Translator(Maker[TranslationInput]):
    quotas: ClassVar[dict[str, int]] = {"translator": 2_000}

    def offers(self, quota: Quotas) -> list[Offer]:
        return [
            Offer(
                name="translator",
                kind="translation",
                title="Translator by rules",
                price=Price(amount=Decimal("0.00001"), per="character"),
                caps=Caps(text_characters=8_000),
                quota=quota("translator"),
                parallel=1,
                seconds_each=2.0,
                languages=list(LANGUAGES),
                simulated=True,
            )
        ]

    def text(self, job: TranslationInput) -> str:
        return "\n".join(job.passages)

    def units(self, job: TranslationInput, offer: Offer) -> Decimal:
        return Decimal(len(self.text(job)))

    def cap(self, caps: Caps) -> int | None:
        return caps.text_characters

    def unknown(self, job: TranslationInput, offer: Offer) -> str:
        if job.source.split("-")[0] != "en":
            return f"This translator does not read “{job.source}”."
        known = job.target.split("-")[0] in offer.languages
        return "" if known else f"This translator does not write “{job.target}”."

    def make(self, job: TranslationInput, kept: Path, fine: bool) -> Done:
        found = TranslationMade(passages=translated(job.passages, job.target.split("-")[0]))
        return [Made("translation", "application/json", found.model_dump_json().encode())], []
