"""A service: what it offers, and the functions that make it."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from decimal import Decimal
from typing import Any, Literal

from cutreel.protocol import Caps, Kind, Offer, Price, Understood, Voice

from .given import Given, Made

Makes = Callable[[Any, Given], bytes | Made | Sequence[Made]]
Per = Literal["picture", "character", "sound", "second", "request"]


@dataclass(frozen=True)
class Makable:
    """An offer and the function behind it."""

    offer: Offer
    make: Makes


class Service:
    """A service by its name, which gains offers by `makes`."""

    def __init__(self, title: str) -> None:
        self.title = title
        self.makables: dict[str, Makable] = {}

    def makes(
        self,
        kind: Kind,
        *,
        name: str = "",
        title: str = "",
        price: str = "0",
        per: Per = "request",
        prompt_characters: int | None = None,
        text_characters: int | None = None,
        longest: float | None = None,
        width: int | None = None,
        height: int | None = None,
        lengths: Sequence[float] = (),
        parallel: int = 1,
        seconds_each: float = 1.0,
        understands: Sequence[Understood] = (),
        voices: Sequence[Voice] = (),
        moods: Sequence[str] = (),
    ) -> Callable[[Makes], Makes]:
        """Offer what a function makes."""
        offer = Offer(
            name=name or kind,
            kind=kind,
            title=title or self.title,
            price=Price(amount=Decimal(price), per=per),
            caps=Caps(
                prompt_characters=prompt_characters,
                text_characters=text_characters,
                seconds=longest,
                width=width,
                height=height,
            ),
            parallel=parallel,
            seconds_each=seconds_each,
            understands=list(understands),
            voices=list(voices),
            moods=list(moods),
            lengths=list(lengths),
        )

        def offered(make: Makes) -> Makes:
            if offer.name in self.makables:
                raise ValueError(f"there are two offers of the name {offer.name!r}")
            self.makables[offer.name] = Makable(offer, make)
            return make

        return offered
