"""Clips: a picture set in motion."""

from decimal import Decimal
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, ClipInput, Offer, Price

from ..animator import Motion, animate
from .base import Done, Made, Maker, Quotas, too_long

LENGTHS = (5.0, 10.0)
"""Seconds that a clip may last."""


class Animator(Maker[ClipInput]):
    quotas: ClassVar[dict[str, int]] = {"animator": 30, "animator-fine": 30}

    def offers(self, quota: Quotas) -> list[Offer]:
        return [
            Offer(
                name="animator",
                kind="clip",
                title="Animator, quick",
                price=Price(amount=Decimal("0.018"), per="second"),
                caps=Caps(prompt_characters=300, seconds=LENGTHS[-1], width=1280, height=1280),
                quota=quota("animator"),
                parallel=2,
                seconds_each=8.0,
                understands=["seed", "negative"],
                lengths=list(LENGTHS),
                simulated=True,
            ),
            Offer(
                name="animator-fine",
                kind="clip",
                title="Animator, fine",
                price=Price(amount=Decimal("0.055"), per="second"),
                caps=Caps(prompt_characters=600, seconds=LENGTHS[-1], width=1920, height=1920),
                quota=quota("animator-fine"),
                parallel=1,
                seconds_each=24.0,
                understands=["seed", "negative"],
                lengths=list(LENGTHS),
                simulated=True,
            ),
        ]

    def text(self, job: ClipInput) -> str:
        return job.prompt

    def units(self, job: ClipInput, offer: Offer) -> Decimal:
        return Decimal(str(job.seconds))

    def refers_to(self, job: ClipInput) -> list[str]:
        return [job.picture, *([job.last] if job.last else [])]

    def beyond(self, job: ClipInput, caps: Caps) -> str:
        large = job.width > (caps.width or 1e9) or job.height > (caps.height or 1e9)
        return too_long(job.seconds, caps) or (
            f"At most {caps.width} by {caps.height}." if large else ""
        )

    def unknown(self, job: ClipInput, offer: Offer) -> str:
        known = job.seconds in offer.lengths
        return (
            "" if known else f"A clip lasts {' or '.join(f'{n:g}' for n in offer.lengths)} seconds."
        )

    def make(self, job: ClipInput, kept: Path, fine: bool) -> Done:
        picture = (kept / job.picture).read_bytes()
        wish = Motion(
            job.prompt, job.seconds, job.seed, job.strength, job.sound, job.negative, fine
        )
        last = (kept / job.last).read_bytes() if job.last else None
        made = animate(picture, wish, job.width, job.height, last)
        about = {"seed": job.seed, "seconds": job.seconds}
        return [Made("clip", "video/mp4", made.mp4, about)], made.unused
