"""Writing: titles, storylines, manuscripts, passages reworked, wishes for a film."""

import json
import random
from decimal import Decimal
from pathlib import Path
from typing import Any, ClassVar

from cutreel.protocol import Caps, Offer, Price, ScriptInput

from ..writer import manuscript, rework, sources_for, storylines, titles, wished
from .base import Done, Made, Maker, Quotas


class Writer(Maker[ScriptInput]):
    quotas: ClassVar[dict[str, int]] = {"writer": 500}

    def offers(self, quota: Quotas) -> list[Offer]:
        return [
            Offer(
                name="writer",
                kind="script",
                title="Writer",
                price=Price(amount=Decimal("0.01"), per="request"),
                caps=Caps(text_characters=60_000, seconds=7200),
                quota=quota("writer"),
                parallel=1,
                seconds_each=0.6,
                understands=["seed"],
                languages=["en"],
                simulated=True,
            )
        ]

    def text(self, job: ScriptInput) -> str:
        return "\n".join([job.idea, *job.points, job.text, job.instruction])

    def cap(self, caps: Caps) -> int | None:
        return caps.text_characters

    def unknown(self, job: ScriptInput, offer: Offer) -> str:
        if job.task == "wish" and job.film is None:
            return "A wish brings the film that it is for."
        known = job.language in offer.languages
        return "" if known else f"This writer does not write “{job.language}”."

    def make(self, job: ScriptInput, kept: Path, fine: bool) -> Done:
        return _written(job)


def _written(work: ScriptInput) -> Done:
    found: dict[str, Any]
    unused: list[str] = []
    if work.task == "titles":
        found = {"titles": titles(work)}
    elif work.task == "storylines":
        found = {"storylines": storylines(work)}
    elif work.task == "manuscript":
        title, scenes, unused = manuscript(work)
        chance = random.Random(f"sources/{work.idea}/{work.seed}")
        sources = sources_for(work.idea or title, chance) if work.structure == "chapters" else []
        found = {"title": title, "scenes": [s.model_dump() for s in scenes], "sources": sources}
    elif work.task == "wish":
        assert work.film is not None, "a wish brings its film"
        found = wished(work.instruction, work.film).model_dump()
    else:
        done = rework(work.text, work.how, work.instruction, work.seed)
        found, unused = {"text": done.text, "touched": done.touched}, done.unused
    return [
        Made(work.task, "application/json", json.dumps(found, ensure_ascii=False).encode())
    ], unused
