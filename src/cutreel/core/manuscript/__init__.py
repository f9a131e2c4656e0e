"""Reading scripts: words, sentences, lines and who speaks them, scenes; what keeps a word the same
through edits."""

from .callings import (
    KIN,
    NOT_NAMES,
    ROLES,
    SAME_KIN,
    SPECIES,
    Figure,
    Pronoun,
    kin_calls,
    pronoun_of,
)
from .decode import text_of
from .differences import Difference, differences
from .ease import reading_ease
from .given import are_several, pronoun_of_given
from .identity import WordRun, carry_ids, common, fresh_ids, ids_of, places_of, runs_of
from .model import Line, Manuscript, Note, Scene, Sentence, Word, strip_marks, words_text
from .names import TITLES, people_named, short_for
from .numbers import Said, numbers_in
from .pronunciations import pronunciations
from .read import TIMES, WEATHERS, cue_for, read, speakers_again
from .roles import NO_ROLE, is_another, put_beside
from .sayings import Saying
from .speakers import UNKNOWN
from .syllables import syllables
from .title import Titled, first_words, titled

# fmt: off
__all__ = [
    "KIN",
    "NOT_NAMES",
    "NO_ROLE",
    "ROLES",
    "SAME_KIN",
    "SPECIES",
    "TIMES",
    "TITLES",
    "UNKNOWN",
    "WEATHERS",
    "Difference",
    "Figure",
    "Line",
    "Manuscript",
    "Note",
    "Pronoun",
    "Said",
    "Saying",
    "Scene",
    "Sentence",
    "Titled",
    "Word",
    "WordRun",
    "are_several",
    "carry_ids",
    "common",
    "cue_for",
    "differences",
    "first_words",
    "fresh_ids",
    "ids_of",
    "is_another",
    "kin_calls",
    "numbers_in",
    "people_named",
    "places_of",
    "pronoun_of",
    "pronoun_of_given",
    "pronunciations",
    "put_beside",
    "read",
    "reading_ease",
    "runs_of",
    "short_for",
    "speakers_again",
    "strip_marks",
    "syllables",
    "text_of",
    "titled",
    "words_text",
]
