"""What a service offers: kinds of work, price, caps and quota."""

from datetime import datetime
from decimal import Decimal
from typing import Literal

from pydantic import BaseModel, Field

Kind = Literal[
    "picture",
    "enlarge",
    "clip",
    "speech",
    "sound",
    "music",
    "script",
    "reading",
    "voice",
    "translation",
]

Understood = Literal[
    "seed",
    "negative",
    "references",
    "weights",
    "masks",
    "regions",
    "layers",
    "variations",
    "guides",
    "poses",
    "jointed",
    "direction",
    "ssml",
]


class Price(BaseModel):
    """`amount` of money for each `per`."""

    amount: Decimal
    per: Literal["picture", "character", "sound", "second", "request"]


class Caps(BaseModel):
    """The most that one job may ask for; None: no limit stated."""

    prompt_characters: int | None = None
    text_characters: int | None = None
    seconds: float | None = None
    count: int = 1
    width: int | None = None
    height: int | None = None


class Quota(BaseModel):
    """Pieces of work that are left until the quota renews."""

    limit: int
    left: int
    renews_at: datetime


class Voice(BaseModel):
    """A voice that can be asked for by name. `length` is how long it takes over a text, where 1 is
    an even reader of about 170 words a minute; `pitch` is its median in hertz, `brightness` where between dark (-1) and
    bright (1) it is, as far as that is known; `says` is what it is like, in a few words."""

    name: str = Field(max_length=80)
    title: str = Field(max_length=120)
    pronoun: Literal["she", "he"]
    age: Literal["child", "adult", "old"]
    length: float = Field(1.0, gt=0.2, lt=5)
    pitch: float | None = Field(None, gt=30, lt=800)
    brightness: float | None = None
    says: str = Field("", max_length=120)
    language: str = "en"


Followed = Literal["course", "hits", "rests", "theme", "instruments"]


class Offer(BaseModel):
    """One kind of work at one price."""

    name: str
    kind: Kind
    title: str
    price: Price
    caps: Caps
    quota: Quota | None = None
    """None: there is no limit."""
    parallel: int = 1
    seconds_each: float = 1.0
    understands: list[Understood] = []
    voices: list[Voice] = []
    moods: list[str] = []
    follows: list[Followed] = []
    """What of a score beside its mood music follows."""
    instruments: list[str] = []
    """Families of instruments that can lead."""
    languages: list[str] = []
    lengths: list[float] = []
    """Seconds that one piece may last, where that is not free."""
    simulated: bool = False
    service: str = ""
    """Whose offer it is: the title under which that was plugged in; empty for the stand-ins."""
    terms: str = Field("", max_length=200)
    """What results may be used for, as far as that was told."""
    credit: str = Field("", max_length=200)
    """Whom to name for them."""
