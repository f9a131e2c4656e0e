"""Voices made by description."""

from decimal import Decimal
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, Offer, Price, VoiceInput, VoicesMade

from ..voices import LANGUAGES, candidates
from .base import Done, Made, Maker, Quotas
from .speech import told_of


class VoiceMaker(Maker[VoiceInput]):
    quotas: ClassVar[dict[str, int]] = {"voice-maker": 120}

    def offers(self, quota: Quotas) -> list[Offer]:
        return [
            Offer(
                name="voice-maker",
                kind="voice",
                title="Voices by description",
                price=Price(amount=Decimal("0.004"), per="request"),
                caps=Caps(text_characters=300, count=4),
                quota=quota("voice-maker"),
                seconds_each=0.2,
                languages=["en", *LANGUAGES],
                simulated=True,
            )
        ]

    def text(self, job: VoiceInput) -> str:
        return job.description

    def cap(self, caps: Caps) -> int | None:
        return caps.text_characters

    def unknown(self, job: VoiceInput, offer: Offer) -> str:
        known = job.language in offer.languages
        return "" if known else f"There are no voices for the language “{job.language}”."

    def make(self, job: VoiceInput, kept: Path, fine: bool) -> Done:
        made, unused = candidates(job.description, job.count, job.seed, job.language)
        found = VoicesMade(voices=[told_of(v) for v in made])
        return [Made("voices", "application/json", found.model_dump_json().encode())], unused
