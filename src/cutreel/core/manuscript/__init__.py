"""Reading scripts: words, sentences, lines and who speaks them, scenes; what keeps a word the same through edits."""

from .decode import text_of
from .ease import reading_ease
from .identity import WordRun, carry_ids, fresh_ids, ids_of
from .model import Line, Manuscript, Note, Scene, Sentence, Word, words_text
from .read import read
from .syllables import syllables

# fmt: off
__all__ = [
    "Line", "Manuscript", "Note", "Scene", "Sentence", "Word", "WordRun", "carry_ids", "fresh_ids", "ids_of", "read",
    "reading_ease", "syllables", "text_of", "words_text",
]
# fmt: on
