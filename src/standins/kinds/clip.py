"""Clips: a picture set in motion."""

from decimal import Decimal
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, ClipInput, Offer, Price

from ..animator import animate
from .base import Done, Made, Maker, Quotas, too_long

LENGTHS = (5.0, 10.0)
"""Seconds that a clip may last."""


class Animator(Maker[ClipInput]):
    quotas: ClassVar[dict[str, int]] = {"animator": 30}

    def offers(self, quota: Quotas) -> list[Offer]:
        return [
            Offer(
                name="animator",
                kind="clip",
                title="Animator",
                price=Price(amount=Decimal("0.018"), per="second"),
                caps=Caps(prompt_characters=300, seconds=LENGTHS[-1], width=1280, height=1280),
                quota=quota("animator"),
                parallel=2,
                seconds_each=8.0,
                understands=["seed"],
                lengths=list(LENGTHS),
                simulated=True,
            )
        ]

    def text(self, job: ClipInput) -> str:
        return job.prompt

    def units(self, job: ClipInput, offer: Offer) -> Decimal:
        return Decimal(str(job.seconds))

    def refers_to(self, job: ClipInput) -> list[str]:
        return [job.picture]

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
        made = animate(
            picture,
            job.prompt,
            job.seconds,
            job.seed,
            job.strength,
            job.width,
            job.height,
            job.sound,
        )
        about = {"seed": job.seed, "seconds": job.seconds}
        return [Made("clip", "video/mp4", made.mp4, about)], made.unused
