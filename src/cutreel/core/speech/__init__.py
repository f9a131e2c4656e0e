"""Speech: how lines are to be said, and how words are to sound."""

from .apart import FAR, farthest, voices_apart
from .direction import Told, direction_told, joined, level_told
from .figures import Beside, readings
from .followed import Followed, Kept, followed, kept
from .hearing import RATE as HEARING_RATE
from .hearing import HeardWord, Hearer, Placed, hearable, placed, stretches
from .ipa import phones_of, sounds_of
from .listening import Doubt, Listened, Measured, doubts, measured
from .over import over_told
from .pauses import Longest, after_cuts, cuts_in, left_over
from .plain import Tokens, tokens_of
from .pls import from_pls, to_pls
from .respelled import respelled
from .saying import beside, said, said_as
from .sounding import in_dictionary, is_guessed
from .sounding import phones_of as sounding
from .ssml import WordMark, as_ssml, marked_text, script_ssml
from .ssml_read import SsmlScript, SsmlWord, found_in, from_ssml
from .taken import in_runs, left_out, stretches_said
from .where import Heard, room_in_words, room_of_place

__all__ = [
    "FAR",
    "HEARING_RATE",
    "Beside",
    "Doubt",
    "Followed",
    "Heard",
    "HeardWord",
    "Hearer",
    "Kept",
    "Listened",
    "Longest",
    "Measured",
    "Placed",
    "SsmlScript",
    "SsmlWord",
    "Tokens",
    "Told",
    "WordMark",
    "after_cuts",
    "as_ssml",
    "beside",
    "cuts_in",
    "direction_told",
    "doubts",
    "farthest",
    "followed",
    "found_in",
    "from_pls",
    "from_ssml",
    "hearable",
    "in_dictionary",
    "in_runs",
    "is_guessed",
    "joined",
    "kept",
    "left_out",
    "left_over",
    "level_told",
    "marked_text",
    "measured",
    "over_told",
    "phones_of",
    "placed",
    "readings",
    "respelled",
    "room_in_words",
    "room_of_place",
    "said",
    "said_as",
    "script_ssml",
    "sounding",
    "sounds_of",
    "stretches",
    "stretches_said",
    "to_pls",
    "tokens_of",
    "voices_apart",
]
