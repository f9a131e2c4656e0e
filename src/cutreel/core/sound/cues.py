"""Sound cues proposed from the text: ambience under a scene, spot effects on the word that tells them.

Only what the words plainly say is proposed: an effect that does not fit is worse than none.
"""

import re
from bisect import bisect_right
from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from cutreel.core.continuity import ShotFacts, TimeOfDay, Weather
from cutreel.core.manuscript import Manuscript, strip_marks
from cutreel.core.reading import NOTHING, Story
from cutreel.core.timeline import FrameRate, Room, Span

from .deeds import DEED_PROMPTS, heard_in, takes_feet
from .score import PLAIN, Score
from .stretch import Stretch

_NAMED = {
    **dict.fromkeys(("splash", "splashes"), ("a splash of water", 2)),
    **dict.fromkeys(("crash", "crashing"), ("a crash of wood", 2)),
    **dict.fromkeys(("thunder", "thunderclap"), ("thunder", 3)),
    **dict.fromkeys(("gunshot", "gunshots"), ("a gunshot", 3)),
    **dict.fromkeys(("footsteps", "footfalls"), ("footsteps on boards", 2)),
    **dict.fromkeys(("hoofbeats", "hooves"), ("hooves on the road", 2)),
    **dict.fromkeys(("applause",), ("applause", 3)),
}
"""Words that are sounds, wherever they stand."""
_PAIRS = {
    ("bell", "rang"): ("a church bell rings", 3),
    ("bells", "rang"): ("a church bell rings", 3),
    ("bell", "tolled"): ("a church bell rings", 3),
    ("phone", "rang"): ("a telephone rings", 3),
    ("telephone", "rang"): ("a telephone rings", 3),
    ("doorbell", "rang"): ("a doorbell rings", 3),
    ("clock", "struck"): ("a clock strikes", 3),
    ("dog", "barked"): ("a dog barks", 3),
    ("owl", "hooted"): ("an owl hoots", 2),
    ("door", "slammed"): ("a wooden door slams", 3),
    ("door", "banged"): ("a wooden door slams", 3),
    ("gate", "banged"): ("a wooden door slams", 3),
    ("shutter", "banged"): ("a wooden door slams", 3),
    ("shutters", "banged"): ("a wooden door slams", 3),
    ("door", "creaked"): ("old boards creak", 2),
    ("floorboard", "creaked"): ("old boards creak", 2),
    ("stairs", "creaked"): ("old boards creak", 2),
    ("gate", "creaked"): ("an iron gate creaks", 2),
    ("clock", "chimed"): ("a clock strikes", 3),
    ("bells", "pealed"): ("a church bell rings", 3),
    ("cock", "crowed"): ("a rooster crows", 3),
    ("rooster", "crowed"): ("a rooster crows", 3),
    ("wolf", "howled"): ("a wolf howls", 3),
    ("wolves", "howled"): ("a wolf howls", 3),
    ("whistle", "blew"): ("a train whistle", 2),
    ("kettle", "whistled"): ("a kettle whistles", 3),
    ("horn", "sounded"): ("a horn sounds", 3),
    ("foghorn", "sounded"): ("a horn sounds", 3),
}
"""What is done aloud so often in two words that it is known by them: a parser takes "a bell rang" for a thing."""
_DENIES = frozenset("no not never nothing without like as than if n't".split())
DENIED = 4
"""Words in front of a sound in which it may be denied or compared."""
_IN_WORDS = {
    "footsteps on boards": ("paces", "paced", "marched"),
    "a church bell rings": ("bell", "bells", "chimed"),
    "a splash of water": ("splashed", "rowed"),
    "a crash of wood": ("crashed", "clattered"),
    "a gull calls": ("squawked", "cawed", "gulls"),
    "a match is struck": ("flared",),
}
"""The simpler rule, for what is not parsed."""
_SOUNDING = {word: (prompt, 2) for prompt, words in _IN_WORDS.items() for word in words} | _NAMED
_DOORS, _DOOR_DEEDS = (
    {"door", "gate", "hatch"},
    {"opened", "closed", "shut", "slammed", "creaked", "banged"},
)
_LOOKED_AT = {*_SOUNDING, *_DOOR_DEEDS, *(verb for _, verb in _PAIRS)}
NEAR = 4
"""Words within which a door and what is done to it belong together."""
SoundAmount = Literal["off", "low", "middle", "high"]
_LEAST: dict[SoundAmount, int] = {"off": 4, "low": 3, "middle": 2, "high": 1}
"""How much there must be to hear, for a sound to be proposed."""
APART = 1.5
"""Seconds between two spots: nearer ones mask each other, and the one with more to hear stays."""
_PLACE_SOUNDS: tuple[tuple[str, frozenset[str]], ...] = tuple(
    (prompt, frozenset(words.split()))
    for prompt, words in (
        ("inside a moving train", "train compartment carriage locomotive"),
        ("inside a car", "car cab taxi lorry truck van bus"),
        ("a railway station", "station platform"),
        (
            "waves on a shore",
            "water sea shore jetty harbour beach pier ship lake quay coast island boat ferry deck",
        ),
        ("reeds and marsh birds", "marsh swamp fen reeds"),
        ("a river", "river bridge stream ford weir"),
        (
            "birds and leaves",
            "forest wood woods garden orchard meadow field farm hills park valley",
        ),
        (
            "wind over open land",
            "mountain moor cliff summit ridge plain desert tundra snowfield pass",
        ),
        ("dripping in a cave", "cave cavern tunnel mine"),
        ("a workshop", "workshop forge smithy factory mill"),
        ("a quiet hall", "church cathedral chapel hall museum library temple"),
        (
            "a murmuring crowd",
            "market square street city inn palace tavern café cafe restaurant theatre fair",
        ),
        ("a fire in a hearth", "kitchen cottage hut cabin bakery"),
    )
)
_INSIDE = frozenset(
    (
        "inside a moving train",
        "dripping in a cave",
        "a workshop",
        "a quiet hall",
        "a fire in a hearth",
    )
)
"""Where the weather is not heard."""
_BY_NIGHT = {
    "birds and leaves": "crickets and an owl far off",
    "a murmuring crowd": "a town at night",
}
"""What is heard of a place in the dark."""
_WEATHER_SOUNDS = {
    "rain": "steady rain",
    "wind": "gusts of wind",
    "snow": "soft wind",
    "lying snow": "",
    "fog": "",
    "clear": "",
}
SPOT_SECONDS = 1.6
"""Seconds of a spot effect on the Sheet; its sound may be shorter."""
SOUND_PROMPTS = tuple(
    dict.fromkeys(
        [
            *DEED_PROMPTS,
            *(prompt for prompt, _ in (*_SOUNDING.values(), *_PAIRS.values())),
            *(prompt for prompt, _ in _PLACE_SOUNDS),
            *_BY_NIGHT.values(),
            *filter(None, _WEATHER_SOUNDS.values()),
        ]
    )
)
"""Every sound that can be proposed."""
QUIET = 8.0
"""Seconds before the same spot effect may come again."""


@dataclass(frozen=True, slots=True)
class Cue:
    """A sound placed in time: `start` and `end` in seconds. `id` holds to the word or shot it
    belongs to; `shot` and `last` are the indices of the shots it begins in and, where it lies under
    shots, ends with. It is `gain` decibels louder than others, comes from the left (`pan` -1) or the right (1), from
    far (`near` -1) or near (1), in a `room` (None: that of its place), is let in and out over so many seconds (None:
    as is usual); another `seed` is another making of its sound, of `asked` seconds (0: as many as is usual). Music
    has a `mood` and follows a `score`. A cue may be a sound of the maker's `own`, by its media file, or a `stretch` of
    it; else it is made `by` an offer (empty: by whoever is first for its kind)."""

    id: str
    kind: str
    prompt: str
    start: float
    end: float
    shot: int
    why: str
    last: int | None = None
    gain: float = 0.0
    pan: float = 0.0
    near: float = 0.0
    room: Room | None = None
    fade_in: float | None = None
    fade_out: float | None = None
    seed: int = 0
    mood: str = ""
    own: str = ""
    stretch: Stretch | None = None
    asked: float = 0.0
    score: Score = PLAIN
    by: str = ""


def ambience_cues(
    facts: Sequence[ShotFacts], spans: Sequence[Span], rate: FrameRate, ids: Sequence[int]
) -> list[Cue]:
    """One ambience under each run of shots that sound alike; neighbours overlap by the mix's own
    fades."""
    runs: list[tuple[int, int, str, str]] = []
    for i, (fact, span) in enumerate(zip(facts, spans, strict=True)):
        prompt, why = ambience_of(fact)
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
    return _ambience(fact.place, fact.weather, fact.time)


@lru_cache(maxsize=4096)
def _ambience(place: str, weather: Weather, time: TimeOfDay) -> tuple[str, str]:
    parts, why, named = [], [], re.findall(r"[^\W\d_]+", place.lower())
    for prompt, words in _PLACE_SOUNDS:
        found = next((w for w in named if w in words), None)
        if found:
            parts.append(_BY_NIGHT.get(prompt, prompt) if time == "night" else prompt)
            why.append(f"place: {found}")
            break
    inside = parts and parts[0] in _INSIDE
    if _WEATHER_SOUNDS[weather] and not inside:
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


def spots_of(
    script: Manuscript,
    times: NDArray[np.float64],
    story: Story = NOTHING,
    amount: SoundAmount = "middle",
    stressed: Collection[int] = (),
    animals: Collection[int] = (),
) -> list[Spot]:
    """Spot effects on the words that tell them, in narration only: what is done aloud where the story was read, else
    words that name a sound. None comes again too soon, none lies on another, and none on a word (by its index) that is
    `stressed`: it comes behind it. Of the cast, `animals` (by id) go on paws."""
    found = [*_of_deeds(script, story, animals), *_of_words(script, story)]
    kept: list[tuple[Spot, int]] = []
    last: dict[str, float] = {}
    for word, prompt, weight in sorted(set(found)):
        start = float(times[word, 1 if word in stressed else 0])
        if weight < _LEAST[amount] or start - last.get(prompt, -QUIET) < QUIET:
            continue
        if kept and start - kept[-1][0].start < APART:
            if kept[-1][1] >= weight:
                continue
            last.pop(kept.pop()[0].prompt, None)
        last[prompt] = start
        kept.append((Spot(word, prompt, start, script.words[word].bare.lower()), weight))
    return [spot for spot, _ in kept]


def sounds_between(script: Manuscript, story: Story, first: int, end: int) -> list[str]:
    """The sounds that words `first` up to `end` tell, however much there is to hear, each once."""
    found = sorted({*_of_deeds(script, story), *_of_words(script, story)})
    return list(dict.fromkeys(prompt for word, prompt, _ in found if first <= word < end))


def _of_deeds(
    script: Manuscript, story: Story, animals: Collection[int] = ()
) -> Iterator[tuple[int, str, int]]:
    """The words (by index) on which something is heard that was read: with which sound, how much there is to hear."""
    if not story.paragraphs:
        return
    starts = [w.start for w in script.words]
    for number, paragraph in story.paragraphs.items():
        for heard in heard_in(paragraph):
            if animals and takes_feet(heard.prompt) and {*heard.who} & {*animals}:
                continue
            word = bisect_right(starts, story.starts[number] + heard.start) - 1
            if word >= 0 and script.lines[script.words[word].line].speaker is None:
                yield word, heard.prompt, heard.weight


def _of_words(script: Manuscript, story: Story) -> Iterator[tuple[int, str, int]]:
    """The same by single words; of paragraphs that were read, only those words that are sounds themselves."""
    sounding = {t for t in {w.text for w in script.words} if strip_marks(t).lower() in _LOOKED_AT}
    for i, word in enumerate(script.words):
        if word.text not in sounding or script.lines[word.line].speaker is not None:
            continue
        bare = word.bare.lower()
        before = {w.bare.lower() for w in script.words[max(0, i - DENIED) : i]}
        pair = (script.words[i - 1].bare.lower(), bare) if i else ("", bare)
        if pair in _PAIRS and not before & _DENIES:
            yield (i, *_PAIRS[pair])
            continue
        was_read = word.paragraph in story.paragraphs
        if was_read and bare not in _NAMED:
            continue
        if bare in _NAMED and before & _DENIES:
            continue
        if bare in _SOUNDING:
            yield (i, *_SOUNDING[bare])
        near = script.words[max(0, i - NEAR) : i + NEAR + 1]
        if bare in _DOOR_DEEDS and _DOORS & {w.bare.lower() for w in near}:
            yield i, "a wooden door opens and closes", 2


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
