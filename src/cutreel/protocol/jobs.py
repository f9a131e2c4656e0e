"""Jobs: what is asked for, how it goes, what comes back or why nothing does."""

from datetime import datetime
from decimal import Decimal
from typing import Annotated, Any, Literal

from pydantic import BaseModel, Field


class PictureInput(BaseModel):
    """A picture: `count` candidates with the seeds `seed`, `seed + 1`, …"""

    kind: Literal["picture"] = "picture"
    prompt: str
    negative: str = ""
    seed: int = 0
    count: int = Field(1, ge=1, le=4)
    width: int = Field(1280, ge=64, le=4096)
    height: int = Field(720, ge=64, le=4096)


class SpeechInput(BaseModel):
    """Words to be spoken. The result's data holds `words` (SpokenWord) and `phones`."""

    kind: Literal["speech"] = "speech"
    text: str
    voice: str
    rate: float = Field(1.0, ge=0.5, le=2.0)


class SoundInput(BaseModel):
    """A sound effect or an ambience."""

    kind: Literal["sound"] = "sound"
    prompt: str
    seconds: float = Field(gt=0, le=60)
    seed: int = 0


class MusicInput(BaseModel):
    """Music of a mood that ends at `seconds`."""

    kind: Literal["music"] = "music"
    mood: str
    seconds: float = Field(gt=0, le=3600)
    seed: int = 0


JobInput = Annotated[PictureInput | SpeechInput | SoundInput | MusicInput, Field(discriminator="kind")]


class JobRequest(BaseModel):
    """Posted with an Idempotency-Key header: the same key never makes, nor costs, twice."""

    offer: str
    input: JobInput


JobState = Literal["queued", "running", "done", "refused", "cancelled"]
RefusalCode = Literal["over-cap", "out-of-quota", "refused-content", "bad-request", "try-again"]


class Refusal(BaseModel):
    """Why nothing comes back. Only `try-again` may be sent again as it is; a quota says when it renews."""

    code: RefusalCode
    message: str
    renews_at: datetime | None = None


class Result(BaseModel):
    """One file that came of a job, fetched by its SHA-256; `data` says what is known of it."""

    name: str
    media_type: str
    sha256: str
    size: int
    data: dict[str, Any] = {}


class SpokenWord(BaseModel):
    """A word as the voice spoke it, in seconds from the start of the sound."""

    text: str
    start: float
    end: float


class JobView(BaseModel):
    """How a job goes."""

    id: str
    state: JobState
    progress: float = 0.0
    cost: Decimal = Decimal(0)
    results: list[Result] = []
    unused_words: list[str] = []
    refusal: Refusal | None = None
