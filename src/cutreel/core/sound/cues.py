"""Sound cues proposed from the text: ambience under a scene, spot effects on the word that names
them.

Only what the words plainly say is proposed: an effect that does not fit is worse than none.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from cutreel.core.continuity import ShotFacts
from cutreel.core.manuscript import Manuscript
from cutreel.core.timeline import FrameRate, Span

SPOTS: dict[str, tuple[str, ...]] = {
    "footsteps on boards": ("footsteps", "paces", "paced", "marched", "climbed"),
    "a bell": ("bell", "bells", "chimed"),
    "a splash of water": ("splash", "splashed", "rowed"),
    "a crash of wood": ("crash", "crashed", "clattered"),
    "thunder": ("thunder",),
    "a bird calls": ("squawked", "cawed", "gulls"),
    "a match is struck": ("flared",),
}
_SOUNDING = {
    word: [p for p, words in SPOTS.items() if word in words]
    for words in SPOTS.values()
    for word in words
}
_DOORS, _DOOR_DEEDS = (
    {"door", "gate", "hatch"},
    {"opened", "closed", "shut", "slammed", "creaked", "banged"},
)
NEAR = 4
"""Words within which a door and what is done to it belong together."""
_PLACE_SOUNDS: tuple[tuple[str, tuple[str, ...]], ...] = (
    (
        "waves on a shore",
        ("water", "sea", "shore", "jetty", "harbour", "beach", "pier", "ship", "lake", "marsh"),
    ),
    ("a river", ("river", "bridge")),
    ("birds and leaves", ("forest", "garden", "orchard", "meadow", "field", "farm", "hills")),
    ("a murmuring crowd", ("market", "square", "street", "city", "inn", "palace")),
    ("a fire in a hearth", ("kitchen", "cottage", "hut")),
)
_WEATHER_SOUNDS = {
    "rain": "steady rain",
    "wind": "gusts of wind",
    "snow": "soft wind",
    "fog": "",
    "clear": "",
}
QUIET = 8.0
"""Seconds before the same spot effect may come again."""


@dataclass(frozen=True, slots=True)
class Cue:
    """A sound placed in time: `start` and `end` in seconds. `id` holds to the word or shot it
    belongs to; `shot` and `last` are the indices of the shots it begins in and, where it lies under
    shots, ends with."""

    id: str
    kind: str
    prompt: str
    start: float
    end: float
    shot: int
    why: str
    last: int | None = None


def ambience_cues(
    facts: Sequence[ShotFacts], spans: Sequence[Span], rate: FrameRate, ids: Sequence[int]
) -> list[Cue]:
    """One ambience under each run of shots that sound alike; neighbours overlap by the mix's own
    fades."""
    cues: list[Cue] = []
    for i, (fact, span) in enumerate(zip(facts, spans, strict=True)):
        prompt, why = ambience_of(fact)
        if not prompt:
            continue
        start, end = rate.seconds(span.start), rate.seconds(span.end)
        if cues and cues[-1].prompt == prompt and abs(cues[-1].end - start) < 1e-6:
            last = cues[-1]
            cues[-1] = replace(last, end=end, last=i)
        else:
            cues.append(Cue(f"ambience-{ids[i]}", "ambience", prompt, start, end, i, why, i))
    return cues


def ambience_of(fact: ShotFacts) -> tuple[str, str]:
    """The ambience that a shot's place and weather ask for, and why; empty when they ask for
    none."""
    parts, why = [], []
    for prompt, words in _PLACE_SOUNDS:
        found = next((w for w in words if w in fact.place), None)
        if found:
            parts.append(prompt)
            why.append(f"place: {found}")
            break
    if _WEATHER_SOUNDS[fact.weather]:
        parts.append(_WEATHER_SOUNDS[fact.weather])
        why.append(f"weather: {fact.weather}")
    return ", ".join(parts), ", ".join(why)


def spot_cues(
    script: Manuscript, ids: Sequence[int], times: NDArray[np.float64], opens: Sequence[int]
) -> list[Cue]:
    """Spot effects on the words that name them, in narration only. `ids` are the words' numbers."""
    cues: list[Cue] = []
    last: dict[str, float] = {}
    starts = np.asarray(opens)
    for i, word in enumerate(script.words):
        bare = word.bare.lower()
        if bare not in _SOUNDING and bare not in _DOOR_DEEDS:
            continue
        if script.lines[word.line].speaker is not None:
            continue
        sounding = list(_SOUNDING.get(bare, ()))
        if bare in _DOOR_DEEDS and _DOORS & {
            w.bare.lower() for w in script.words[max(0, i - NEAR) : i + NEAR + 1]
        }:
            sounding.append("a wooden door")
        for prompt in sounding:
            start = float(times[i, 0])
            if start - last.get(prompt, -QUIET) >= QUIET:
                last[prompt] = start
                shot = int(np.searchsorted(starts, i, side="right")) - 1
                cues.append(
                    Cue(f"spot-{ids[i]}", "spot", prompt, start, start + 1.6, shot, f"“{bare}”")
                )
    return cues


def sounds_named(words: Sequence[str]) -> list[str]:
    """The spot effects that words (in small letters) name, each once."""
    return list(dict.fromkeys(prompt for word in words for prompt in _SOUNDING.get(word, ())))


def own_cues(
    prompts: Sequence[str | None], spans: Sequence[Span], rate: FrameRate, ids: Sequence[int]
) -> list[Cue]:
    """Sounds that the maker asks for in words of their own, each at the start of its shot."""
    cues: list[Cue] = []
    for i, (prompt, span) in enumerate(zip(prompts, spans, strict=True)):
        if prompt:
            start = rate.seconds(span.start)
            cues.append(Cue(f"own-{ids[i]}", "spot", prompt, start, start + 2.5, i, "set by hand"))
    return cues


def cue_prompts(cues: Sequence[Cue]) -> list[str]:
    """Each different sound that has to be made, once, in order."""
    return list(dict.fromkeys(cue.prompt for cue in cues))
