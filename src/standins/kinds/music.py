"""Music of a mood, after a score."""

import io
from decimal import Decimal
from itertools import chain
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, MusicInput, Offer, Price

from ..music import FAMILIES, MOODS, Score, compose, play
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
                follows=["course", "hits", "rests", "theme", "instruments"],
                instruments=list(FAMILIES),
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
        if job.mood not in offer.moods:
            return f"There is no mood “{job.mood}”."
        if job.instruments and job.instruments not in offer.instruments:
            return f"There are no instruments “{job.instruments}”."
        return ""

    def make(self, job: MusicInput, kept: Path, fine: bool) -> Done:
        score = Score(
            tuple(job.course), tuple(job.hits), tuple(job.rests), job.theme or 0, job.instruments
        )
        made = compose(job.mood, job.seconds, job.seed, score)
        notes = io.BytesIO()
        made.song.save(file=notes)
        bars = made.bars.bars
        about = {
            "seconds": job.seconds,
            "bars": [round(bar.at, 4) for bar in bars],
            "beats": [
                round(at, 4)
                for at in chain.from_iterable(
                    [bar.at + beat * bar.beat for beat in range(bar.beats)] for bar in bars
                )
            ],
            "hits": [hit for hit in job.hits if hit in made.bars.met],
        }
        return [
            Made("music", "audio/flac", play(made.song, job.seconds), about),
            Made("notes", "audio/midi", notes.getvalue()),
        ], []
