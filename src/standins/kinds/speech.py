"""Speech: words spoken by a voice."""

from decimal import Decimal
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, Offer, Price, SpeechInput, Voice

from ..voice import SPEAKERS, speak
from .base import Done, Made, Maker, Quotas


class Speaker(Maker[SpeechInput]):
    quotas: ClassVar[dict[str, int]] = {"voice": 400_000}

    def offers(self, quota: Quotas) -> list[Offer]:
        return [
            Offer(
                name="voice",
                kind="speech",
                title="Voices",
                price=Price(amount=Decimal("0.00001"), per="character"),
                caps=Caps(text_characters=1000),
                quota=quota("voice"),
                parallel=2,
                seconds_each=0.4,
                voices=[
                    Voice(name=s.name, title=s.title, pronoun=s.pronoun, age=s.age, length=s.length)
                    for s in SPEAKERS
                ],
                simulated=True,
            )
        ]

    def text(self, job: SpeechInput) -> str:
        return job.text

    def amount(self, job: SpeechInput) -> int:
        return len(job.text)

    def cap(self, caps: Caps) -> int | None:
        return caps.text_characters

    def unknown(self, job: SpeechInput, offer: Offer) -> str:
        known = job.voice in [v.name for v in offer.voices]
        return "" if known else f"There is no voice “{job.voice}”."

    def make(self, job: SpeechInput, kept: Path, fine: bool) -> Done:
        spoken = speak(job.text, job.voice, job.rate)
        about = {
            "seconds": spoken.seconds,
            "words": [{"text": t, "start": a, "end": b} for t, a, b in spoken.words],
            "phones": [{"text": t, "start": a, "end": b} for t, a, b in spoken.phones],
        }
        return [Made("speech", "audio/flac", spoken.flac, about)], []
