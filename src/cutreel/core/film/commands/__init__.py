"""Commands: one for each thing that a maker can change, each with what it is called in the history."""

from .choices import CircleTake, CircleTakes, LiftCue, Rename, SetScene, SetSettings, SetShots, SetSource
from .cutting import AddHold, CutAgain, LiftMark, PushMark, SamePicture, SetHold, SetMark
from .people import RemovePerson, RenamePerson, SetPerson, SetPlace
from .text import EditPlaces, EditText, MoveScene

# fmt: off
__all__ = [
    "AddHold", "CircleTake", "CircleTakes", "CutAgain", "EditPlaces", "EditText", "LiftCue", "LiftMark", "MoveScene",
    "PushMark", "RemovePerson", "Rename", "RenamePerson", "SamePicture", "SetHold", "SetMark", "SetPerson",
    "SetPlace", "SetScene", "SetSettings", "SetShots", "SetSource",
]
# fmt: on
