"""Spoken lines as a film hears them: with their long pauses shortened. What was made stays as it is."""

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any

from cutreel.core.speech import Longest, after_cuts, cuts_in, left_over
from cutreel.core.timeline import Rests

from .acting import VOICE_RATE
from .document import Settings
from .made import Result

PEAKS = 20
"""Peaks a second of its waveform."""


def longest_of(settings: Settings) -> Longest:
    """The longest pauses that a film wants."""
    return Longest(settings.comma_pause, settings.stop_pause)


def rests_of(settings: Settings) -> Rests:
    """The silences between lines that a film wants."""
    return Rests(settings.paragraph_rest, settings.scene_rest, settings.lead_in, settings.tail)


def tightened(result: Result, words: Sequence[str], longest: Longest) -> Result:
    """A spoken line with its long pauses shortened: its length, its words, phones and peaks as they come to be, and the
    `pieces` of its sound that are heard (samples of its file). The very same where no pause is too long."""
    data: Mapping[str, Any] = result.data
    cuts = cuts_in(words, [(a, b) for a, b in data["words"]], longest)
    if not cuts:
        return result
    first = data["trim"][0]
    offset, length = first / VOICE_RATE, float(data["seconds"])
    stay = left_over(length, cuts)
    peaks = data.get("peaks", [])
    told = {
        **data,
        "tight": list(longest),
        "seconds": after_cuts(length, cuts),
        "words": [[after_cuts(a, cuts), after_cuts(b, cuts)] for a, b in data["words"]],
        "phones": [
            {
                **p,
                "start": after_cuts(p["start"] - offset, cuts) + offset,
                "end": after_cuts(p["end"] - offset, cuts) + offset,
            }
            for p in data.get("phones", [])
        ],
        "pieces": [[first + round(a * VOICE_RATE), first + round(b * VOICE_RATE)] for a, b in stay],
        "peaks": [
            p
            for a, b in stay
            for p in peaks[round(a * PEAKS) : max(round(a * PEAKS) + 1, round(b * PEAKS))]
        ],
    }
    return replace(result, data=told)
