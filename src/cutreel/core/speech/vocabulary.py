"""What may be heard, as a recogniser is told: words, and how likely each follows two others.

Trigrams with absolute discounting and back-off (Ney, Essen and Kneser, 1994), written in the ARPA format.
"""

from collections import Counter, defaultdict
from collections.abc import Sequence
from functools import cache
from itertools import pairwise
from math import log10

DISCOUNT = 0.5
ELSE = 0.06
"""How likely a word is that the text has not: what is put in, and what is said otherwise."""
ASIDES = frozenset(
    "sorry again okay right um uh er oh no wait damn start over once more try that was wrong bad cough hmm".split()
)
_BEGIN, _END = "<s>", "</s>"


@cache
def common_words() -> frozenset[str]:
    """English words without a meaning of their own, with and without apostrophes."""
    # Here, since a second is spent on loading spaCy, and few processes of Cut Reel listen to anybody.
    from spacy.lang.en.stop_words import STOP_WORDS

    return frozenset(STOP_WORDS)


@cache
def put_in() -> frozenset[str]:
    """Words that anybody may put in."""
    return frozenset(w for w in common_words() if w.isalpha()) | ASIDES


def arpa(sentences: Sequence[Sequence[str]], more: frozenset[str] | None = None) -> str:
    """A language model of what `sentences` say, in which some words `more` may be put in anywhere (None: those
    that anybody may put in)."""
    more = put_in() if more is None else more
    ones: Counter[str] = Counter()
    twos: Counter[tuple[str, str]] = Counter()
    threes: Counter[tuple[str, str, str]] = Counter()
    text = [w for s in sentences for w in s]
    ones.update(text)
    # Sentences follow each other as they stand, since nobody pauses at all their ends; and any may be begun anew.
    twos.update(pairwise(text))
    threes.update(zip(text, text[1:], text[2:], strict=False))
    for s in sentences:
        if s:
            twos[(_BEGIN, s[0])] += 1
            ones[_BEGIN] += 1
            if len(s) > 1:
                threes[(_BEGIN, s[0], s[1])] += 1
    follow_one: dict[str, int] = defaultdict(int)
    follow_two: dict[tuple[str, str], int] = defaultdict(int)
    for a, _ in twos:
        follow_one[a] += 1
    for a, b, _ in threes:
        follow_two[(a, b)] += 1
    total, other = max(1, len(text)), more - ones.keys()
    lines = [
        f"-99 {_BEGIN} {_left(follow_one[_BEGIN], ones[_BEGIN])}",
        f"{_log(0.02)} {_END}",
        *(
            f"{_log((1 - ELSE) * count / total)} {word} {_left(follow_one[word], count)}"
            for word, count in ones.items()
            if word != _BEGIN
        ),
        *(f"{_log(ELSE / len(other))} {word} 0" for word in sorted(other)),
    ]
    pairs = [
        f"{_log((n - DISCOUNT) / ones[a])} {a} {b} {_left(follow_two[(a, b)], n)}"
        for (a, b), n in twos.items()
    ]
    triples = [
        f"{_log((n - DISCOUNT) / twos[(a, b)])} {a} {b} {c}" for (a, b, c), n in threes.items()
    ]
    parts = (("1", lines), ("2", pairs), ("3", triples))
    head = "\n".join(f"ngram {n}={len(grams)}" for n, grams in parts)
    body = "\n\n".join(f"\\{n}-grams:\n" + "\n".join(grams) for n, grams in parts)
    return f"\\data\\\n{head}\n\n{body}\n\n\\end\\\n"


def _log(share: float) -> str:
    return f"{log10(max(share, 1e-7)):.4f}"


def _left(kinds: int, count: int) -> str:
    """The share that is left for what was never seen behind something."""
    return _log(DISCOUNT * kinds / count) if kinds else "0"
