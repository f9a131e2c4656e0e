"""The sounds that a film asks for, by key: the same prompt is made once in a film."""

from dataclasses import fields, replace
from functools import lru_cache

from cutreel.core.keys import key, seed_from

from .cues import Cue
from .score import PLAIN, Score

SOUND_SECONDS = {"ambience": 12.0, "spot": 2.5}
"""An ambience is long enough that its loop is not heard as one; a spot is over before its shot
is."""
SOUND_VERSION = MUSIC_VERSION = FITTED_VERSION = 1


def sound_key_of(cue: Cue, seed: int) -> str:
    """The key of the sound that a cue asks for."""
    if cue.own and cue.stretch is not None:
        return cue.stretch.key(cue.own)
    if cue.own:
        return fitted_key(cue.own, cue.end - cue.start) if cue.kind == "music" else own_key(cue.own)
    if cue.kind == "music":
        making = music_seed(cue.mood, seed, cue.seed)
        return music_key_of(cue.mood, cue.end - cue.start, making, cue.score, cue.by)
    return _sound_key(cue.prompt, sound_seconds(cue), seed, cue.seed, cue.by)


def sound_seconds(cue: Cue) -> float:
    """How long a sound a cue asks for."""
    return cue.asked or SOUND_SECONDS[cue.kind]


def sound_seed(prompt: str, seed: int, making: int = 0) -> int:
    """The seed that a sound is made from in a film of a `seed`; each of its makings has its own."""
    return seed_from(seed, prompt, making) if making else seed_from(seed, prompt)


@lru_cache(maxsize=4096)
def _sound_key(prompt: str, seconds: float, seed: int, making: int, by: str) -> str:
    return key(
        "sound",
        SOUND_VERSION,
        prompt=prompt,
        seconds=seconds,
        seed=sound_seed(prompt, seed, making),
        **_chosen(by),
    )


def _chosen(by: str) -> dict[str, str]:
    """Who makes a sound, where somebody was chosen."""
    return {"by": by} if by else {}


LONGEST_MUSIC = 600.0
"""Seconds: a longer cue has a piece of this length again and again, which no service has to make in one."""


def music_seconds(seconds: float) -> float:
    """How long a piece a cue of so many seconds asks for: to a tenth of a second, or the longest."""
    return round(min(seconds, LONGEST_MUSIC), 1)


def music_seed(mood: str, seed: int, making: int = 0) -> int:
    """The seed that a piece is made from in a film of a `seed`: the first of all moods have the film's own."""
    return seed_from(seed, mood, making) if making else seed


def own_key(media: str) -> str:
    """The key of a sound of the maker's own, as it was brought."""
    return key("own sound", 1, media=media)


def fitted_key(media: str, seconds: float) -> str:
    """The key of a piece of the maker's own brought to a length."""
    return key("fitted", FITTED_VERSION, media=media, seconds=music_seconds(seconds))


@lru_cache(maxsize=1024)
def music_key_of(mood: str, seconds: float, seed: int, score: Score = PLAIN, by: str = "") -> str:
    """The key of a piece of music under so many seconds. What a score leaves plain is not in it."""
    told = {f.name: getattr(score, f.name) for f in fields(score) if getattr(score, f.name)}
    length = music_seconds(seconds)
    return key("music", MUSIC_VERSION, mood=mood, seconds=length, seed=seed, **told, **_chosen(by))


def heard_until(cue: Cue, seed: int) -> list[str]:
    """The keys of what is heard until what a cue asks for is made, best first: the same by whoever made it before
    somebody was chosen, and music as it was before it followed a score."""
    if cue.own:
        return []
    earlier = [replace(cue, by="")] if cue.by else []
    if cue.score != PLAIN:
        earlier.append(replace(cue, by="", score=PLAIN))
    return [sound_key_of(c, seed) for c in earlier]


def theme_number(theme: str, seed: int) -> int:
    """The number by which a theme's tune is asked for, in a film of a `seed`."""
    return seed_from(seed, "theme", theme)
