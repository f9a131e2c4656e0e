"""The open protocol that services speak: models only. `docs/services.md` explains it."""

from .jobs import (
    ClipInput,
    EnlargeInput,
    Guide,
    JobInput,
    JobRequest,
    JobState,
    JobView,
    MusicInput,
    PictureInput,
    PictureReference,
    ReadingInput,
    ReadPerson,
    Refusal,
    RefusalCode,
    Result,
    Retouch,
    ScriptInput,
    ScriptTask,
    SoundInput,
    SpeechInput,
    SpokenWord,
    StoryReading,
    Vary,
    VoiceInput,
    VoicesMade,
    WordsMeant,
    WrittenScene,
)
from .jointed import CARRIED_BY, MOUTHS, Bone, FigurePiece, Flow, JointedFigure, Mouth
from .offers import Caps, Kind, Offer, Price, Quota, Understood, Voice
from .regions import FigurePart, FigureRegion
from .skeleton import BONES, POSES, FigurePose, Joint, Pose, posed, swung, turned

# fmt: off
__all__ = [
    "BONES", "CARRIED_BY", "MOUTHS", "POSES", "Bone", "Caps", "ClipInput", "EnlargeInput", "FigurePart",
    "FigurePiece", "FigurePose", "FigureRegion", "Flow", "Guide", "JobInput", "JobRequest", "JobState",
    "JobView", "Joint", "JointedFigure", "Kind", "Mouth", "MusicInput", "Offer", "PictureInput",
    "PictureReference", "Pose", "Price", "Quota", "ReadPerson", "ReadingInput", "Refusal", "RefusalCode",
    "Result", "Retouch", "ScriptInput", "ScriptTask", "SoundInput", "SpeechInput", "SpokenWord",
    "StoryReading", "Understood", "Vary", "Voice", "VoiceInput", "VoicesMade", "WordsMeant", "WrittenScene",
    "posed", "swung", "turned",
]
# fmt: on
