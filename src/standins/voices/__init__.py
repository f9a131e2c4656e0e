"""The voice stand-in: given voices, voices by description, directions, marked words."""

from .describing import candidates
from .espeak import LANGUAGES
from .marked import read_ssml
from .speakers import BY_NAME, SPEAKERS, Speaker
from .speaking import Spoken, speak, voice_named

__all__ = [
    "BY_NAME",
    "LANGUAGES",
    "SPEAKERS",
    "Speaker",
    "Spoken",
    "candidates",
    "read_ssml",
    "speak",
    "voice_named",
]
