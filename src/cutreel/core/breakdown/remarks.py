"""Remarks on a cut: what a maker would want to look at again, and what remedies it."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from cutreel.core.manuscript import Manuscript
from cutreel.core.manuscript.speakers import UNKNOWN

from .cut import SCRAP_SECONDS, SCRAP_WORDS, Wish

SLOW_OPENING = 5.0
OVERLONG = 2.2


@dataclass(frozen=True, slots=True)
class Remark:
    """A remark on the shot with index `shot`. `remedy` names what one key does about it, empty when nothing does."""

    shot: int
    kind: Literal["scrap", "overlong", "slow opening", "unclear speaker"]
    text: str
    remedy: Literal["", "lift", "cut"]
    at_word: int | None = None


def remarks_on(script: Manuscript, opens: Sequence[int], seconds: Sequence[float], pace: float) -> list[Remark]:
    """Remarks on shots that open at words `opens` and last `seconds`."""
    out: list[Remark] = []
    bounds = [*opens, len(script.words)]
    wish = Wish(seconds=pace)
    at = 0.0
    for i, first in enumerate(opens):
        end = bounds[i + 1]
        wanted = wish.wanted(at)
        middle = _break_near(script, first, end)
        if i and (seconds[i] < SCRAP_SECONDS or end - first < SCRAP_WORDS):
            words = "one word" if end - first == 1 else f"{end - first} words"
            out.append(
                Remark(
                    i, "scrap", f"{words}, {seconds[i]:.1f} s. Lifting its mark joins it to the shot before.", "lift"
                )
            )
        elif i == 0 and seconds[i] > SLOW_OPENING and middle:
            out.append(
                Remark(
                    i,
                    "slow opening",
                    f"{seconds[i]:.1f} s before the first cut; the first five seconds decide whether viewers stay.",
                    "cut",
                    middle,
                )
            )
        elif seconds[i] > max(4.0, wanted * OVERLONG) and middle:
            out.append(
                Remark(i, "overlong", f"{seconds[i]:.1f} s; this film wants about {wanted:.0f} here.", "cut", middle)
            )
        if any(script.lines[w.line].speaker == UNKNOWN for w in script.words[first:end]):
            out.append(Remark(i, "unclear speaker", "the text does not say who speaks here.", ""))
        at += seconds[i]
    return out


def _break_near(script: Manuscript, first: int, end: int) -> int | None:
    """The word before which a long shot is best cut: behind a sentence or comma, near its middle."""

    def cost(i: int) -> float:
        before, word = script.words[i - 1], script.words[i]
        mark = before.text.rstrip("”’\"')")[-1:]
        broken = 0.0 if word.sentence != before.sentence else 0.3 if mark in ",;:—" else 0.8
        return broken + 1.6 * abs((i - first) / (end - first) - 0.5)

    places = range(first + 2, end - 1)
    return min(places, key=cost) if places else None
