"""Sound: silence, cues, ducking, loudness and the mix. Samples are float32 in -1 … 1, shape
(samples, channels)."""

from .cues import Cue, ambience_cues, ambience_of, cue_prompts, own_cues, sounds_named, spot_cues
from .loudness import integrated_lufs, true_peak_dbtp
from .mix import RATE, MixedPart, mix
from .music import MUSIC_MOODS, music_mood
from .silence import trim
from .words import match_words

# fmt: off
__all__ = [
    "MUSIC_MOODS", "RATE", "Cue", "MixedPart", "ambience_cues", "ambience_of", "cue_prompts",
    "integrated_lufs", "match_words", "mix", "music_mood", "own_cues", "sounds_named", "spot_cues",
    "trim", "true_peak_dbtp",
]
# fmt: on
