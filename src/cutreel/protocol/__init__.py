"""The open protocol that services speak: models only. `docs/services.md` explains it."""

from .jobs import (
    JobInput,
    JobRequest,
    JobState,
    JobView,
    MusicInput,
    PictureInput,
    Refusal,
    RefusalCode,
    Result,
    SoundInput,
    SpeechInput,
    SpokenWord,
)
from .offers import Caps, Kind, Offer, Price, Quota, Voice

# fmt: off
__all__ = [
    "Caps", "JobInput", "JobRequest", "JobState", "JobView", "Kind", "MusicInput", "Offer", "PictureInput", "Price",
    "Quota", "Refusal", "RefusalCode", "Result", "SoundInput", "SpeechInput", "SpokenWord", "Voice",
]
# fmt: on
