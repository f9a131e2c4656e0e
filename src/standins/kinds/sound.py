"""Sounds: effects and ambiences by a prompt."""

from decimal import Decimal
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, Offer, Price, SoundInput

from ..sounds import make_sound
from .base import Done, Made, Maker, Quotas, too_long


class SoundMaker(Maker[SoundInput]):
    quotas: ClassVar[dict[str, int]] = {"sound-maker": 500}

    def offers(self, quota: Quotas) -> list[Offer]:
        return [
            Offer(
                name="sound-maker",
                kind="sound",
                title="Sound maker",
                price=Price(amount=Decimal("0.002"), per="sound"),
                caps=Caps(prompt_characters=200, seconds=30),
                quota=quota("sound-maker"),
                parallel=2,
                seconds_each=0.5,
                simulated=True,
            )
        ]

    def text(self, job: SoundInput) -> str:
        return job.prompt

    def beyond(self, job: SoundInput, caps: Caps) -> str:
        return too_long(job.seconds, caps)

    def make(self, job: SoundInput, kept: Path, fine: bool) -> Done:
        data, unused = make_sound(job.prompt, job.seconds, job.seed)
        return [Made("sound", "audio/flac", data, {"seconds": job.seconds})], unused
