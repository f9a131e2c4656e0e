"""Which phones a word is made of: by a dictionary, else of parts that a dictionary has, else by its letters.

Phones are ARPAbet without stress, as the CMU Pronouncing Dictionary writes them.
"""

import re
from functools import lru_cache

from cutreel.core.manuscript import pronunciations

Phones = tuple[str, ...]
_SOFT = "eiy"
_VOWELS = "aeiouy"
_LETTERS: tuple[tuple[str, str], ...] = (
    ("tion", "SH AH N"), ("sion", "ZH AH N"), ("ture", "CH ER"), ("ough", "AO"), ("augh", "AO"), ("eigh", "EY"),
    ("igh", "AY"), ("tch", "CH"), ("dge", "JH"), ("sch", "SH"), ("ear", "IH R"), ("eer", "IH R"), ("air", "EH R"),
    ("oor", "AO R"), ("oar", "AO R"), ("our", "AO R"), ("ck", "K"), ("ch", "CH"), ("sh", "SH"), ("th", "TH"),
    ("ph", "F"), ("wh", "W"), ("kn", "N"), ("gn", "N"), ("wr", "R"), ("qu", "K W"), ("ng", "NG"), ("gh", "G"),
    ("ai", "EY"), ("ay", "EY"), ("ee", "IY"), ("ea", "IY"), ("ie", "IY"), ("ei", "EY"), ("ey", "IY"), ("oa", "OW"),
    ("oo", "UW"), ("ou", "AW"), ("ow", "OW"), ("oi", "OY"), ("oy", "OY"), ("au", "AO"), ("aw", "AO"), ("ew", "Y UW"),
    ("ue", "UW"), ("ar", "AA R"), ("er", "ER"), ("ir", "ER"), ("or", "AO R"), ("ur", "ER"),
    ("a", "AE"), ("b", "B"), ("d", "D"), ("e", "EH"), ("f", "F"), ("h", "HH"), ("i", "IH"), ("j", "JH"), ("k", "K"),
    ("l", "L"), ("m", "M"), ("n", "N"), ("o", "AA"), ("p", "P"), ("q", "K"), ("r", "R"), ("s", "S"), ("t", "T"),
    ("u", "AH"), ("v", "V"), ("w", "W"), ("x", "K S"), ("z", "Z"),
)  # fmt: skip
"""What letters mostly sound like, the longer first (after Elovitz and others, 1976: letter-to-sound rules)."""
_LONG = {"a": "EY", "e": "IY", "i": "AY", "o": "OW", "u": "UW", "y": "AY"}
LEAST_PART = 3
"""Letters of a word that is a part of another, at least: of shorter ones everything is made."""


def _known(word: str) -> Phones | None:
    found = pronunciations().get(word)
    return tuple(p.rstrip("012") for p in found[0]) if found else None


def in_dictionary(word: str) -> bool:
    """Whether the dictionary has a word (of small letters)."""
    return word in pronunciations()


def is_guessed(word: str) -> bool:
    """Whether neither a word nor its parts are in the dictionary: how it is said is told by its letters alone."""
    bare = _letters_of(word)
    return bool(bare) and not (_known(bare) or _in_parts(bare.replace("'", "")))


def _letters_of(word: str) -> str:
    return re.sub(r"[^a-z']", "", word.lower().replace("’", "'"))


@lru_cache(maxsize=16_384)
def phones_of(word: str) -> Phones:
    """The phones of a word; empty for one without any letter."""
    bare = _letters_of(word)
    return _known(bare) or _in_parts(bare.replace("'", "")) or _by_letters(bare.replace("'", ""))


def _in_parts(word: str) -> Phones | None:
    """A word with a known ending, or of two words that are known."""
    for ending, spoken in (("s", _plural), ("ed", _past), ("d", _past), ("ing", _ing)):
        stem = _known(word.removesuffix(ending)) if word.endswith(ending) else None
        if stem is None and word.endswith("ing"):
            stem = _known(word.removesuffix("ing") + "e")
        if stem:
            return spoken(stem)
    for cut in range(LEAST_PART, len(word) - LEAST_PART + 1):
        one, other = _known(word[:cut]), _known(word[cut:])
        if one and other:
            return one + other
    return None


def _plural(stem: Phones) -> Phones:
    if stem[-1] in {"S", "Z", "SH", "CH", "JH", "ZH"}:
        return (*stem, "IH", "Z")
    return (*stem, "S" if stem[-1] in {"P", "T", "K", "F", "TH"} else "Z")


def _past(stem: Phones) -> Phones:
    if stem[-1] in {"T", "D"}:
        return (*stem, "IH", "D")
    return (*stem, "T" if stem[-1] in {"P", "K", "F", "S", "SH", "CH", "TH"} else "D")


def _ing(stem: Phones) -> Phones:
    return (*stem, "IH", "NG")


def _by_letters(word: str) -> Phones:
    out: list[str] = []
    i = 0
    while i < len(word):
        taken, sounds = _letters_at(word, i)
        if sounds and not (out and sounds == out[-1] and len(sounds.split()) == 1):
            out += sounds.split()
        i += taken
    return tuple(out)


def _letters_at(word: str, i: int) -> tuple[int, str]:
    """How many letters are one sound here, and which."""
    letter, rest = word[i], word[i + 1 :]
    before = word[i - 1] if i else ""
    if letter == "e" and not rest and i > 1 and before not in _VOWELS:
        return 1, ""  # silent, where another vowel stands before
    if letter in _LONG and len(rest) == 2 and rest[1] == "e" and rest[0] not in "aeiouyrwx":
        return 1, _LONG[letter]  # "lane"
    if not rest and letter in "ao" and i:
        return 1, "AH" if letter == "a" else "OW"
    if letter in "cg" and rest[:1] not in ("h", "k", "n"):
        soft = bool(rest) and rest[0] in _SOFT
        return 1, {"c": "S" if soft else "K", "g": "JH" if soft else "G"}[letter]
    if letter == "y":
        return 1, "IY" if i else "Y"
    found = next(((k, v) for k, v in _LETTERS if word.startswith(k, i)), (letter, ""))
    return len(found[0]), {"c": "K", "g": "G"}.get(found[0], found[1])
