"""Speech: words spoken by a voice."""

from decimal import Decimal
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, Offer, Price, SpeechInput, Voice

from ..voices import LANGUAGES, SPEAKERS, read_ssml, speak, voice_named
from ..voices import Speaker as Given
from .base import Done, Made, Maker, Quotas


def told_of(voice: Given) -> Voice:
    """A voice as an offer tells it."""
    return Voice(
        name=voice.name,
        title=voice.title,
        pronoun="he" if voice.pronoun == "he" else "she",
        age=voice.age,
        length=voice.length,
        pitch=round(voice.timbre.hertz),
        brightness=round(voice.timbre.bright, 2),
        says=voice.says,
        language=voice.timbre.language,
    )


def _spoken(job: SpeechInput) -> str:
    """What of a job is spoken. Raises ValueError."""
    return read_ssml(job.text).text if job.ssml else job.text


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
                understands=["seed", "direction", "ssml"],
                languages=["en", *LANGUAGES],
                voices=[told_of(s) for s in SPEAKERS],
                simulated=True,
            )
        ]

    def text(self, job: SpeechInput) -> str:
        return _spoken(job)

    def amount(self, job: SpeechInput) -> int:
        return len(_spoken(job))

    def cap(self, caps: Caps) -> int | None:
        return caps.text_characters

    def unknown(self, job: SpeechInput, offer: Offer) -> str:
        try:
            voice_named(job.voice)
        except KeyError:
            return f"There is no voice “{job.voice}”."
        try:
            _spoken(job)
        except ValueError as error:
            return str(error)
        return ""

    def make(self, job: SpeechInput, kept: Path, fine: bool) -> Done:
        spoken = speak(job.text, job.voice, job.rate, job.direction, job.seed, job.ssml)
        about = {
            "seconds": spoken.seconds,
            "words": [{"text": t, "start": a, "end": b} for t, a, b in spoken.words],
            "phones": [{"text": t, "start": a, "end": b} for t, a, b in spoken.phones],
        }
        return [Made("speech", "audio/flac", spoken.flac, about)], list(spoken.unused)
