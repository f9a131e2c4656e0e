"""The open protocol that services speak: models only. `docs/services.md` explains it."""

from .jobs import (
    JobInput,
    JobRequest,
    JobState,
    JobView,
    MusicInput,
    PictureInput,
    PictureReference,
    Refusal,
    RefusalCode,
    Result,
    Retouch,
    ScriptInput,
    ScriptTask,
    SoundInput,
    SpeechInput,
    SpokenWord,
    WrittenScene,
)
from .offers import Caps, Kind, Offer, Price, Quota, Voice
from .regions import FigurePart, FigureRegion

# fmt: off
__all__ = [
    "Caps", "FigurePart", "FigureRegion", "JobInput", "JobRequest", "JobState", "JobView", "Kind", "MusicInput",
    "Offer", "PictureInput", "PictureReference", "Price", "Quota", "Refusal", "RefusalCode", "Result", "Retouch",
    "ScriptInput", "ScriptTask", "SoundInput", "SpeechInput", "SpokenWord", "Voice", "WrittenScene",
]
# fmt: on
