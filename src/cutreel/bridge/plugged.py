"""What is plugged in, as its owner describes it: how it is reached, what it offers, what it may cost."""

from datetime import UTC, datetime, timedelta
from decimal import Decimal
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, StringConstraints

from cutreel.protocol import Caps, Kind, Offer, Price, Quota, Understood, Voice

Words = Annotated[str, StringConstraints(strip_whitespace=True, max_length=200)]
ID = r"^[a-z][a-z0-9-]{1,23}$"
"""The id of what is plugged in: it begins the names of its offers."""
OneFile = Literal["picture", "clip", "speech", "sound", "music"]
"""Kinds whose result is one file, which anybody can make who knows nothing of Cut Reel."""


class Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class Said(Strict):
    """What a maker offers that cannot say so itself. `daily` is how many pieces a day there are; None: no limit."""

    kind: OneFile
    price: Decimal = Field(Decimal(0), ge=0, le=10_000)
    per: Literal["picture", "character", "sound", "second", "request"] = "request"
    prompt_characters: int | None = Field(None, ge=20, le=1_000_000)
    text_characters: int | None = Field(None, ge=20, le=1_000_000)
    width: int | None = Field(None, ge=64, le=4096)
    height: int | None = Field(None, ge=64, le=4096)
    longest: float | None = Field(None, gt=0, le=3600)
    lengths: list[Annotated[float, Field(gt=0, le=60)]] = Field([], max_length=12)
    daily: int | None = Field(None, ge=1, le=1_000_000)
    parallel: int = Field(1, ge=1, le=16)
    seconds_each: float = Field(5.0, gt=0, le=3600)
    understands: list[Understood] = Field([], max_length=13)
    voices: list[Voice] = Field([], max_length=100)
    moods: list[Annotated[str, StringConstraints(max_length=40)]] = Field([], max_length=60)

    def offer(self, name: str, title: str, used: int = 0) -> Offer:
        """As an offer on the protocol; `used` pieces of today's are gone."""
        quota = None
        if self.daily is not None:
            renews = datetime.now(UTC).replace(
                hour=0, minute=0, second=0, microsecond=0
            ) + timedelta(days=1)
            quota = Quota(limit=self.daily, left=max(0, self.daily - used), renews_at=renews)
        return Offer(
            name=name,
            kind=self.kind,
            title=title,
            price=Price(amount=self.price, per=self.per),
            caps=Caps(
                prompt_characters=self.prompt_characters,
                text_characters=self.text_characters,
                seconds=self.longest,
                width=self.width,
                height=self.height,
            ),
            quota=quota,
            parallel=self.parallel,
            seconds_each=self.seconds_each,
            understands=self.understands,
            voices=self.voices,
            moods=self.moods,
            lengths=self.lengths or ([5.0] if self.kind == "clip" else []),
        )


class Spoken(Strict):
    """A server that speaks the service protocol."""

    how: Literal["protocol"] = "protocol"
    address: str = Field(max_length=400)


class Program(Strict):
    """A program on this machine. `command` is what to run, word by word, with places in braces; it writes one file to
    `{output}`, whose name ends in `ending`."""

    how: Literal["program"] = "program"
    command: list[Annotated[str, StringConstraints(max_length=2000)]] = Field(
        min_length=1, max_length=60
    )
    offer: Said
    ending: str = Field(pattern=r"^[a-z0-9]{1,5}$")
    seconds: int = Field(300, ge=1, le=7200)
    megabytes: int = Field(4096, ge=64, le=262_144)


class Described(Strict):
    """An HTTP interface, described in TOML (see `interface.py`)."""

    how: Literal["interface"] = "interface"
    toml: str = Field(max_length=40_000)


class ByHand(Strict):
    """Somebody's own browser or pencil: jobs become a list, files come back by number."""

    how: Literal["hand"] = "hand"
    offer: Said


Reached = Annotated[Spoken | Program | Described | ByHand, Field(discriminator="how")]


class Plugged(Strict):
    """One maker that is plugged in. `rate` is what one of its money is in the page's; `own_network` allows an address
    on this machine or its network. `terms` says what results may be used for, `credit` whom to name for them."""

    id: str = Field(pattern=ID)
    title: Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=60)]
    reached: Reached
    on: bool = True
    currency: str = Field("", max_length=8)
    rate: Decimal = Field(Decimal(1), gt=0, le=100_000)
    own_network: bool = False
    terms: Words = ""
    credit: Words = ""


def kind_of(plugged: Plugged) -> Kind | None:
    """The one kind of what is plugged in; None where it says itself what it offers."""
    reached = plugged.reached
    return reached.offer.kind if isinstance(reached, Program | ByHand) else None
