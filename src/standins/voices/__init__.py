"""The voice stand-in: given voices, voices by description, directions."""

from .describing import candidates
from .speakers import BY_NAME, SPEAKERS, Speaker
from .speaking import Spoken, speak, voice_named

__all__ = ["BY_NAME", "SPEAKERS", "Speaker", "Spoken", "candidates", "speak", "voice_named"]
