"""In which language a text is; English is the only one that is parsed.

Other languages are told by py3langid, by the letters that follow each other (Lui and Baldwin, 2012).
"""

import re
from functools import lru_cache
from typing import Any

_COMMON = frozenset(
    "the a an and of to in was he she it that his her with on at for had they as but from by him not were "
    "said is you i my we there out up then into when all be so one this have what their them".split()
)
LOOKED_AT = 4_000
"""Characters from the start by which a language is told."""
LEAST = 0.22
"""Of English prose about two words in five are among the commonest sixty; of its neighbours less than one in eight."""
ENOUGH, SURE_OF_IT = 12, 0.9
"""Words from which on another language is told at all, and how likely it must be."""


def is_english(text: str) -> bool:
    """Whether so many of a text's words are common English ones that it must be English."""
    return _is_english(text[:LOOKED_AT])


@lru_cache(maxsize=256)
def _is_english(text: str) -> bool:
    words = re.findall(r"[^\W\d_]+", text.lower())
    return bool(words) and sum(w in _COMMON for w in words) >= LEAST * len(words)


def language_of(text: str) -> str:
    """The language of a text (BCP 47); English where it is too short to tell."""
    return _language(text[:LOOKED_AT])


@lru_cache(maxsize=256)
def _language(text: str) -> str:
    if is_english(text) or len(re.findall(r"[^\W\d_]+", text)) < ENOUGH:
        return "en"
    language, likely = _identifier().classify(text)
    return str(language) if likely >= SURE_OF_IT else "en"


@lru_cache(maxsize=1)
def _identifier() -> Any:
    # Here, since its model takes most of a second to load, and most films are in English.
    from py3langid.langid import MODEL_FILE, LanguageIdentifier

    return LanguageIdentifier.from_model_file(MODEL_FILE, norm_probs=True)
