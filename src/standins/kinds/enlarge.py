"""Enlarging: the same picture with more pixels."""

from decimal import Decimal
from pathlib import Path
from typing import ClassVar

from cutreel.protocol import Caps, EnlargeInput, Offer, Price

from ..enlarger import enlarged
from .base import Done, Made, Maker, Quotas


class Enlarger(Maker[EnlargeInput]):
    quotas: ClassVar[dict[str, int]] = {"enlarger": 600}

    def offers(self, quota: Quotas) -> list[Offer]:
        return [
            Offer(
                name="enlarger",
                kind="enlarge",
                title="Enlarger",
                price=Price(amount=Decimal("0.004"), per="picture"),
                caps=Caps(count=8, width=8192, height=8192),
                quota=quota("enlarger"),
                parallel=2,
                seconds_each=1.0,
                simulated=True,
            )
        ]

    def amount(self, job: EnlargeInput) -> int:
        return len(job.pictures)

    def refers_to(self, job: EnlargeInput) -> list[str]:
        return job.pictures

    def make(self, job: EnlargeInput, kept: Path, fine: bool) -> Done:
        made = [enlarged((kept / name).read_bytes(), job.factor) for name in job.pictures]
        about = {"factor": job.factor}
        return [Made(f"picture-{i}", "image/png", data, about) for i, data in enumerate(made)], []
