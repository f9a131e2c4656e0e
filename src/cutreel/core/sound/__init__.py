"""Sound: silence, cues, ducking, loudness and the mix. Samples are float32 in -1 … 1, shape
(samples, channels)."""

from .beats import Beats, beats_of
from .broadcast import as_24_bit, broadcast_header, in_steps
from .cleaning import Cleaning, cleaned
from .cues import (
    SOUND_PROMPTS,
    SPOT_SECONDS,
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
from .distance import AtDistance, nearness_db
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
from .music import music_cues
from .rooms import InRoom, impulse
from .score import LEAST_REST, PLAIN, Score, instruments_for, score_for
from .silence import trim
from .stretch import Stretch
from .tension import Course, bent, told_tension
from .tone import Tone
from .understood import EASY, Powers, Understood, band_powers, understood
from .wanted import (
    LONGEST_MUSIC,
    SOUND_SECONDS,
    fitted_key,
    heard_until,
    music_seconds,
    music_seed,
    own_key,
    sound_key_of,
    sound_seconds,
    sound_seed,
    theme_number,
)
from .words import match_words

__all__ = [
    "AIM_LUFS",
    "BLOCK",
    "DELIVERED_DBTP",
    "DUCK_DB",
    "EASY",
    "LEAST_REST",
    "LONGEST_MUSIC",
    "PLAIN",
    "RATE",
    "ROLES",
    "SEEN",
    "SOUND_PROMPTS",
    "SOUND_SECONDS",
    "SPOT_SECONDS",
    "AtDistance",
    "Beats",
    "Cleaning",
    "Course",
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
    "Score",
    "Sound",
    "SoundAmount",
    "Source",
    "Spot",
    "Stretch",
    "Tone",
    "Treatment",
    "TruePeaks",
    "Understood",
    "ambience_cues",
    "ambience_of",
    "as_24_bit",
    "band_powers",
    "beats_of",
    "bent",
    "broadcast_header",
    "cleaned",
    "cue_prompts",
    "fit",
    "fitted",
    "fitted_key",
    "heard_until",
    "impulse",
    "in_steps",
    "instruments_for",
    "integrated_lufs",
    "line_gain",
    "line_lufs",
    "loudness_range",
    "match_words",
    "mix",
    "music_cues",
    "music_seconds",
    "music_seed",
    "nearness_db",
    "own_cues",
    "own_key",
    "score_for",
    "short_term",
    "sound_key_of",
    "sound_seconds",
    "sound_seed",
    "sounds_between",
    "spot_cues",
    "spots_of",
    "theme_number",
    "told_tension",
    "trim",
    "true_peak_dbtp",
    "understood",
]
