"""Words that a voice reports, matched to the words of the manuscript."""

import re
from collections.abc import Sequence
from difflib import SequenceMatcher


def match_words(
    wanted: Sequence[str], spoken: Sequence[tuple[str, float, float]], seconds: float
) -> list[tuple[float, float]]:
    """Times for each of `wanted`, from (text, start, end) as the voice reports them.

    Words that match keep their time; words between two matches share the time between them by
    length.
    """
    a, b = [_plain(w) for w in wanted], [_plain(w) for w, _, _ in spoken]
    times: list[tuple[float, float] | None] = [None] * len(a)
    for tag, a0, a1, b0, b1 in SequenceMatcher(None, a, b, autojunk=False).get_opcodes():
        if tag == "equal" or (tag == "replace" and a1 - a0 == b1 - b0):
            for i in range(a1 - a0):
                times[a0 + i] = spoken[b0 + i][1], spoken[b0 + i][2]
        elif tag == "replace":
            for i, span in enumerate(_shared(a[a0:a1], spoken[b0][1], spoken[b1 - 1][2])):
                times[a0 + i] = span
    return _filled(a, times, seconds)


def _filled(
    words: Sequence[str], times: list[tuple[float, float] | None], seconds: float
) -> list[tuple[float, float]]:
    i = 0
    while i < len(times):
        if times[i] is not None:
            i += 1
            continue
        j = i
        while j < len(times) and times[j] is None:
            j += 1
        before, after = times[i - 1] if i else None, times[j] if j < len(times) else None
        spans = _shared(words[i:j], before[1] if before else 0.0, after[0] if after else seconds)
        times[i:j] = spans
        i = j
    return [t for t in times if t is not None]


def _shared(words: Sequence[str], start: float, end: float) -> list[tuple[float, float]]:
    weights = [max(1, len(w)) for w in words]
    total, out, at = sum(weights), [], start
    for weight in weights:
        step = max(0.0, end - start) * weight / total
        out.append((at, at + step))
        at += step
    return out


def _plain(word: str) -> str:
    return re.sub(r"[^a-z0-9]", "", word.lower())
