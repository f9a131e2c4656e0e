"""Sound: silence, cues, ducking, loudness and the mix. Samples are float32 in -1 … 1, shape
(samples, channels)."""

from .beats import Beats, beats_of
from .broadcast import as_24_bit, broadcast_header, in_steps
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
from .fitted import Fit, fit, fitted
from .giving_way import DUCK_DB, Giving, LevelLine
from .lanes import BLOCK, RATE, ROLES, MixedPart, Role, Samples, Sound, Source
from .limiter import AIM_LUFS, DELIVERED_DBTP
from .loudness import (
    Loudness,
    TruePeaks,
    integrated_lufs,
    loudness_range,
    short_term,
    true_peak_dbtp,
)
from .measured import SEEN, Heard
from .mix import Kept, Mastered, Mixer, Treatment, mix
from .music import MUSIC_MOODS, music_cues
from .rooms import InRoom, impulse
from .silence import trim
from .tone import Tone
from .understood import EASY, Powers, Understood, band_powers, understood
from .wanted import (
    LONGEST_MUSIC,
    SOUND_SECONDS,
    fitted_key,
    music_seconds,
    music_seed,
    own_key,
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
    "ROLES",
    "SEEN",
    "SOUND_PROMPTS",
    "SOUND_SECONDS",
    "Beats",
    "Cleaning",
    "Cue",
    "Fit",
    "Giving",
    "Heard",
    "InRoom",
    "Kept",
    "LevelLine",
    "Loudness",
    "Mastered",
    "MixedPart",
    "Mixer",
    "Powers",
    "Role",
    "Samples",
    "Sound",
    "SoundAmount",
    "Source",
    "Spot",
    "Tone",
    "Treatment",
    "TruePeaks",
    "Understood",
    "ambience_cues",
    "ambience_of",
    "as_24_bit",
    "band_powers",
    "beats_of",
    "broadcast_header",
    "cleaned",
    "cue_prompts",
    "fit",
    "fitted",
    "fitted_key",
    "impulse",
    "in_steps",
    "integrated_lufs",
    "line_gain",
    "line_lufs",
    "loudness_range",
    "match_words",
    "mix",
    "music_cues",
    "music_seconds",
    "music_seed",
    "own_cues",
    "own_key",
    "short_term",
    "sound_key_of",
    "sound_seed",
    "sounds_between",
    "spot_cues",
    "spots_of",
    "trim",
    "true_peak_dbtp",
    "understood",
]
