"""Music of a mood."""

from decimal import Decimal
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, MusicInput, Offer, Price

from ..composer import MOODS, compose, play
from .base import Done, Made, Maker, Quotas, too_long


class Composer(Maker[MusicInput]):
    quotas: ClassVar[dict[str, int]] = {"composer": 100}

    def offers(self, quota: Quotas) -> list[Offer]:
        return [
            Offer(
                name="composer",
                kind="music",
                title="Composer",
                price=Price(amount=Decimal("0.0004"), per="second"),
                caps=Caps(seconds=1800),
                quota=quota("composer"),
                parallel=1,
                seconds_each=5.0,
                moods=list(MOODS),
                simulated=True,
            )
        ]

    def text(self, job: MusicInput) -> str:
        return job.mood

    def units(self, job: MusicInput, offer: Offer) -> Decimal:
        return Decimal(str(job.seconds))

    def beyond(self, job: MusicInput, caps: Caps) -> str:
        return too_long(job.seconds, caps)

    def unknown(self, job: MusicInput, offer: Offer) -> str:
        return "" if job.mood in offer.moods else f"There is no mood “{job.mood}”."

    def make(self, job: MusicInput, kept: Path, fine: bool) -> Done:
        data = play(compose(job.mood, job.seconds, job.seed), job.seconds)
        return [Made("music", "audio/flac", data, {"seconds": job.seconds})], []
