"""Sound cues proposed from the text: ambience under a scene, spot effects on the word that names
them.

Only what the words plainly say is proposed: an effect that does not fit is worse than none.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from cutreel.core.continuity import ShotFacts, Weather
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
SPOT_SECONDS = 1.6
"""Seconds of a spot effect on the Sheet; its sound may be shorter."""
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
    runs: list[tuple[int, int, str, str]] = []
    for i, (fact, span) in enumerate(zip(facts, spans, strict=True)):
        prompt, why = _ambience(fact.place, fact.weather)
        if not prompt:
            continue
        if runs and runs[-1][2] == prompt and spans[runs[-1][1]].end == span.start:
            runs[-1] = (runs[-1][0], i, prompt, runs[-1][3])
        else:
            runs.append((i, i, prompt, why))
    return [
        Cue(
            f"ambience-{ids[first]}",
            "ambience",
            prompt,
            rate.seconds(spans[first].start),
            rate.seconds(spans[last].end),
            first,
            why,
            last,
        )
        for first, last, prompt, why in runs
    ]


def ambience_of(fact: ShotFacts) -> tuple[str, str]:
    """The ambience that a shot's place and weather ask for, and why; empty when they ask for
    none."""
    return _ambience(fact.place, fact.weather)


@lru_cache(maxsize=4096)
def _ambience(place: str, weather: Weather) -> tuple[str, str]:
    parts, why = [], []
    for prompt, words in _PLACE_SOUNDS:
        found = next((w for w in words if w in place), None)
        if found:
            parts.append(prompt)
            why.append(f"place: {found}")
            break
    if _WEATHER_SOUNDS[weather]:
        parts.append(_WEATHER_SOUNDS[weather])
        why.append(f"weather: {weather}")
    return ", ".join(parts), ", ".join(why)


@dataclass(frozen=True, slots=True)
class Spot:
    """A word that names a sound, by its index: which sound, and when it is said, in seconds."""

    word: int
    prompt: str
    start: float
    bare: str


def spots_of(script: Manuscript, times: NDArray[np.float64]) -> list[Spot]:
    """Spot effects on the words that name them, in narration only; none comes again too soon."""
    out: list[Spot] = []
    last: dict[str, float] = {}
    for i, word in enumerate(script.words):
        bare = word.bare.lower()
        if bare not in _SOUNDING and bare not in _DOOR_DEEDS:
            continue
        if script.lines[word.line].speaker is not None:
            continue
        sounding = list(_SOUNDING.get(bare, ()))
        near = script.words[max(0, i - NEAR) : i + NEAR + 1]
        if bare in _DOOR_DEEDS and _DOORS & {w.bare.lower() for w in near}:
            sounding.append("a wooden door")
        for prompt in sounding:
            start = float(times[i, 0])
            if start - last.get(prompt, -QUIET) >= QUIET:
                last[prompt] = start
                out.append(Spot(i, prompt, start, bare))
    return out


def spot_cues(spots: Sequence[Spot], ids: Sequence[int], opens: Sequence[int]) -> list[Cue]:
    """The cues of spot effects in the shots that open at word indices `opens`. `ids` are the words' numbers."""
    shots = np.searchsorted(np.asarray(opens), [s.word for s in spots], side="right") - 1
    return [
        Cue(
            f"spot-{ids[s.word]}",
            "spot",
            s.prompt,
            s.start,
            s.start + SPOT_SECONDS,
            int(shot),
            f"“{s.bare}”",
        )
        for s, shot in zip(spots, shots, strict=True)
    ]


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
