"""Sound: silence, cues, ducking, loudness and the mix. Samples are float32 in -1 … 1, shape
(samples, channels)."""

from .cleaning import Cleaning, cleaned
from .cues import (
    SOUND_PROMPTS,
    Cue,
    SoundAmount,
    Spot,
    ambience_cues,
    ambience_of,
    cue_prompts,
    own_cues,
    sounds_between,
    spot_cues,
    spots_of,
)
from .evened import line_gain, line_lufs
from .loudness import Loudness, TruePeaks, integrated_lufs, true_peak_dbtp
from .mix import (
    AIM_LUFS,
    BLOCK,
    DELIVERED_DBTP,
    DUCK_DB,
    RATE,
    MixedPart,
    Samples,
    Scratch,
    Source,
    mix,
)
from .music import MUSIC_MOODS, music_mood
from .rooms import InRoom, impulse
from .silence import trim
from .understood import EASY, Powers, Understood, band_powers, understood
from .wanted import (
    LONGEST_MUSIC,
    SOUND_SECONDS,
    music_key_of,
    music_seconds,
    sound_key_of,
    sound_seed,
)
from .words import match_words

__all__ = [
    "AIM_LUFS",
    "BLOCK",
    "DELIVERED_DBTP",
    "DUCK_DB",
    "EASY",
    "LONGEST_MUSIC",
    "MUSIC_MOODS",
    "RATE",
    "SOUND_PROMPTS",
    "SOUND_SECONDS",
    "Cleaning",
    "Cue",
    "InRoom",
    "Loudness",
    "MixedPart",
    "Powers",
    "Samples",
    "Scratch",
    "SoundAmount",
    "Source",
    "Spot",
    "TruePeaks",
    "Understood",
    "ambience_cues",
    "ambience_of",
    "band_powers",
    "cleaned",
    "cue_prompts",
    "impulse",
    "integrated_lufs",
    "line_gain",
    "line_lufs",
    "match_words",
    "mix",
    "music_key_of",
    "music_mood",
    "music_seconds",
    "own_cues",
    "sound_key_of",
    "sound_seed",
    "sounds_between",
    "spot_cues",
    "spots_of",
    "trim",
    "true_peak_dbtp",
    "understood",
]
