"""Phones spelled so that any English voice says them: put together from words that it knows.

A respelling by letters is read in ways of its own (“ferry” as “fe-ree” comes out as “fay-ree”); words of the dictionary
are not. “S AO L T M IH R” is “salt-mere”.
"""

from collections.abc import Sequence
from functools import lru_cache

from cutreel.core.manuscript import pronunciations
from cutreel.core.nouns import sort_of

from .respelled import respelled

VOWELS = frozenset("aa ae ah ao aw ay eh er ey ih iy ow oy uh uw".split())
MOST_PHONES = 7
"""In one word: longer ones bring a stress of their own along."""
_LETTERS = 3.0
"""What a syllable of mere letters costs, where a word costs 1: two words more are the better spelling."""
_SHORT = {"ae": "a", "ah": "u", "eh": "e", "ih": "i", "uh": "oo"}
"""Short vowels, as they are spelled before a consonant."""
_OPENING = frozenset(
    tuple(p.split())
    for p in (
        "p l,p r,b l,b r,t r,d r,k l,k r,g l,g r,f l,f r,th r,sh r,s p,s t,s k,s l,s m,s n,s w,t w,d w,k w,"
        "s p r,s p l,s t r,s k r,s k w,p y,b y,k y,m y,f y,v y,hh y"
    ).split(",")
)
"""Consonants that open English syllables (Cruttenden, Gimson's Pronunciation of English: syllable-initial clusters)."""
_READABLE = frozenset("oh eye air ear ooze ale ate easy shoe new day say no go so".split())
_WEAK = frozenset(
    "a an the of to for and or as at in on is was were are am be by it its he her his him".split()
)
"""Words that are swallowed in running speech."""


def soundalike(phones: Sequence[str], besides: str = "") -> str:
    """Phones (ARPAbet, small letters, without stress) as words with hyphens; `besides` is a word that is not taken."""
    best: list[tuple[float, tuple[str, ...]]] = [(0.0, ())]
    for end in range(1, len(phones) + 1):
        found: list[tuple[float, tuple[str, ...]]] = []
        for start in range(max(0, end - MOST_PHONES), end):
            cost, words = best[start]
            piece = _spelled(tuple(phones[start:end]), besides)
            if piece and cost < float("inf"):
                found.append((cost + piece[0], (*words, piece[1])))
        best.append(min(found, default=(float("inf"), ()), key=lambda f: f[0]))
    cost, words = best[-1]
    return "-".join(words) if cost < float("inf") else respelled(phones)


def _spelled(piece: tuple[str, ...], besides: str) -> tuple[float, str] | None:
    """A piece of a word as a word that sounds so, or by letters where it is one syllable; with what it costs."""
    vowels = sum(p in VOWELS for p in piece)
    if not vowels:
        return None
    word = next((w for w in _words().get(piece, ()) if w != besides), None)
    if word is not None:
        return 1.0, word
    return _by_letters(piece) if vowels == 1 else None


def _by_letters(piece: tuple[str, ...]) -> tuple[float, str]:
    """One syllable by letters: a short vowel that nothing closes, and consonants that open no English syllable, are
    misread."""
    at = next(i for i, p in enumerate(piece) if p in VOWELS)
    cost = _LETTERS
    if piece[at] in _SHORT and at == len(piece) - 1:
        cost += 2.0
    if at > 1 and piece[:at] not in _OPENING:
        cost += 4.0
    closed = at < len(piece) - 1
    vowel = _SHORT[piece[at]] if piece[at] in _SHORT and closed else respelled(piece[at : at + 1])
    return cost, respelled(piece[:at]) + vowel + respelled(piece[at + 1 :])


@lru_cache(maxsize=1)
def _words() -> dict[tuple[str, ...], list[str]]:
    """Short words that are said in one way only, by their phones; the best to read of each first."""
    out: dict[tuple[str, ...], list[str]] = {}
    for word, said in pronunciations().items():
        if len(said) == 1 and 1 < len(word) < 9 and word.isalpha() and word not in _WEAK:
            phones = tuple(p.rstrip("012").lower() for p in said[0])
            if len(phones) <= MOST_PHONES:
                out.setdefault(phones, []).append(word)
    # A word that everybody can read stands before a name.
    for words in out.values():
        words.sort(key=lambda w: (w not in _READABLE and sort_of(w) is None, len(w), w))
    return out
