"""Commands: one for each thing that a maker can change, each with what it is called in the
history."""

from .choices import (
    CircleTake,
    CircleTakes,
    LiftCue,
    RejectTake,
    RemoveLook,
    Rename,
    SetLook,
    SetScene,
    SetSettings,
    SetShots,
    SetSource,
)
from .cutting import AddHold, CutAgain, LiftMark, PushMark, SamePicture, SetHold, SetMark
from .movement import CopyMovement
from .people import (
    AcceptDrift,
    MergePeople,
    RemovePerson,
    RenamePerson,
    SetMeant,
    SetPerson,
    SetPlace,
    SplitPerson,
    TakeCast,
    TakeMeant,
)
from .pictures import DropCutOut, KeepCutOut
from .text import EditPlaces, EditText, MoveScene
from .voices import (
    DropVoice,
    KeepNarration,
    KeepVoice,
    MarkWords,
    ReadWord,
    RecordedLine,
    SayWord,
    SetLine,
    TakeLexicon,
    TakeRecordings,
)

# fmt: off
__all__ = [
    "AcceptDrift",
    "AddHold",
    "CircleTake",
    "CircleTakes",
    "CopyMovement",
    "CutAgain",
    "DropCutOut",
    "DropVoice",
    "EditPlaces",
    "EditText",
    "KeepCutOut",
    "KeepNarration",
    "KeepVoice",
    "LiftCue",
    "LiftMark",
    "MarkWords",
    "MergePeople",
    "MoveScene",
    "PushMark",
    "ReadWord",
    "RecordedLine",
    "RejectTake",
    "RemoveLook",
    "RemovePerson",
    "Rename",
    "RenamePerson",
    "SamePicture",
    "SayWord",
    "SetHold",
    "SetLine",
    "SetLook",
    "SetMark",
    "SetMeant",
    "SetPerson",
    "SetPlace",
    "SetScene",
    "SetSettings",
    "SetShots",
    "SetSource",
    "SplitPerson",
    "TakeCast",
    "TakeLexicon",
    "TakeMeant",
    "TakeRecordings",
]
# fmt: on
