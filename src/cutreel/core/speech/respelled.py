"""Phones written as an English reader would sound them, so that a maker sees how a name is said: "SAWLT-meer"."""

from collections.abc import Sequence
from itertools import pairwise

_VOWELS = {
    "aa": "ah", "ae": "a", "ah": "uh", "ao": "aw", "aw": "ow", "ax": "uh", "axr": "er", "ay": "eye", "eh": "e",
    "er": "er", "ey": "ay", "ih": "i", "ix": "i", "iy": "ee", "ow": "oh", "oy": "oy", "uh": "oo", "uw": "oo",
    "ux": "oo",
}  # fmt: skip
_CONSONANTS = {"dh": "th", "hh": "h", "jh": "j", "k": "k", "dx": "d", "en": "n", "el": "l"}
SILENT = frozenset(("pau", "sil", "h#", "brth", "ssil", ""))


def respelled(phones: Sequence[str]) -> str:
    """Phones (ARPAbet, or as Festival's voices name them) as a respelling, its syllables parted by hyphens: a consonant
    between two vowels opens the second's syllable, of two or more the first closes the one before."""
    sounds = [p.rstrip("0123456789").lower() for p in phones]
    sounds = [p for p in sounds if p not in SILENT]
    out: list[str] = []
    vowels = [i for i, p in enumerate(sounds) if p in _VOWELS]
    opens = {b - 1 if b - a > 1 else b for a, b in pairwise(vowels)}
    for i, p in enumerate(sounds):
        if i in opens:
            out.append("-")
        out.append(_VOWELS.get(p) or _CONSONANTS.get(p, p))
    return "".join(out)
