"""What a kind of work is to the stand-ins: what is offered of it, what a job may ask for, and how one is done."""

from collections.abc import Callable
from dataclasses import dataclass, field
from decimal import Decimal
from pathlib import Path
from typing import Any, ClassVar, Generic, TypeVar

from cutreel.protocol import Caps, Offer, Quota

Quotas = Callable[[str], Quota]
"""What is left of an offer's quota."""
J = TypeVar("J")


@dataclass
class Made:
    """A made file."""

    name: str
    media_type: str
    data: bytes
    about: dict[str, Any] = field(default_factory=dict)


Done = tuple[list[Made], list[str]]
"""All files of a job, and the words of its prompt that could not be used."""


class Maker(Generic[J]):
    """One kind of work. To add one, write one module here."""

    quotas: ClassVar[dict[str, int]]
    """Pieces a day, by offer."""

    def offers(self, quota: Quotas) -> list[Offer]:
        raise NotImplementedError

    def text(self, job: J) -> str:
        """What a job says in words: what caps and refusals look at."""
        return ""

    def amount(self, job: J) -> int:
        """How many pieces of the quota a job uses."""
        return 1

    def units(self, job: J, offer: Offer) -> Decimal:
        """How many times an offer's price a job costs."""
        return Decimal(self.amount(job))

    def refers_to(self, job: J) -> list[str]:
        """The files that a job refers to, by SHA-256."""
        return []

    def cap(self, caps: Caps) -> int | None:
        """How many characters of text are taken."""
        return caps.prompt_characters

    def beyond(self, job: J, caps: Caps) -> str:
        """By what else a job goes beyond an offer's caps; empty when it does not."""
        return ""

    def unknown(self, job: J, offer: Offer) -> str:
        """What of a job is not to be had; empty when all is."""
        return ""

    def make(self, job: J, kept: Path, fine: bool) -> Done:
        """Do a job. `kept` is the folder of files by SHA-256, `fine` whether a dear offer makes it."""
        raise NotImplementedError


def too_long(seconds: float, caps: Caps) -> str:
    """Why a sound of so many seconds is not made; empty when it is."""
    return f"At most {caps.seconds:g} seconds." if caps.seconds and seconds > caps.seconds else ""
