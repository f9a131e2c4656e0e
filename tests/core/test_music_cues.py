"""Where music comes in and ends: as the story turns, not at every shot; checked against trying all ways there are."""

import itertools
import random
from dataclasses import dataclass, replace

import pytest

from cutreel.core.continuity import MOODS
from cutreel.core.sound import Cue, music_cues, sound_key_of
from cutreel.core.sound.music import TURN, TURN_WITHIN
from cutreel.core.timeline import FrameRate, Span

RATE = FrameRate.parse("24")


@dataclass
class Fact:
    mood: str


def cues(
    moods: list[str], seconds: list[float], scenes: list[int], wish: str = "auto"
) -> list[Cue]:
    ends = list(itertools.accumulate(round(s * 24) for s in seconds))
    spans = [Span(a, b) for a, b in zip([0, *ends], ends, strict=False)]
    return music_cues(wish, [Fact(m) for m in moods], spans, RATE, range(1, len(moods) + 1), scenes)  # type: ignore[arg-type]


def test_music_turns_where_the_story_does() -> None:
    """Two calm scenes with one uneasy moment, then a grand one: two pieces, and the moment has none of its own."""
    moods = ["calm"] * 4 + ["uneasy"] + ["calm"] * 3 + ["grand"] * 5
    found = cues(moods, [5.0] * 13, [0] * 4 + [1] * 4 + [2] * 5)
    assert [(c.mood, c.start, c.end, c.id) for c in found] == [
        ("calm", 0.0, 40.0, "music-1"),
        ("grand", 40.0, 65.0, "music-9"),
    ]
    assert [c.why for c in found] == ["it begins calm", "it turns grand here"]


def test_a_mood_that_is_wished_lies_under_the_whole_film() -> None:
    (found,) = cues(["calm", "sad", "grand"], [30.0] * 3, [0, 1, 2], "playful")
    assert (found.mood, found.start, found.end, found.last) == ("playful", 0.0, 90.0, 2)
    assert cues(["calm"], [9.0], [0], "none") == []


@pytest.mark.parametrize("seed", range(20))
def test_no_other_division_costs_less(seed: int) -> None:
    """Against all ways to lay moods under seven shots."""
    chance = random.Random(seed)
    some = chance.sample(MOODS, 3)
    moods = [chance.choice(some) for _ in range(7)]
    seconds = [float(chance.randint(3, 25)) for _ in moods]
    scenes = list(itertools.accumulate(chance.random() < 0.4 for _ in moods))

    def cost(way: tuple[str, ...]) -> float:
        wrong = sum(s for m, w, s in zip(moods, way, seconds, strict=True) if m != w)
        return wrong + sum(
            TURN if scenes[i] != scenes[i - 1] else TURN_WITHIN
            for i in range(1, len(way))
            if way[i] != way[i - 1]
        )

    found = tuple(
        c.mood for c in cues(moods, seconds, scenes) for _ in range(c.shot, (c.last or 0) + 1)
    )
    assert cost(found) == min(cost(way) for way in itertools.product(some, repeat=7))


def test_a_piece_is_known_by_its_mood_its_length_and_its_making() -> None:
    (cue,) = cues(["calm"], [30.0], [0])
    key = sound_key_of(cue, 7)
    assert sound_key_of(replace(cue, gain=-3.0, start=0.0), 7) == key
    others = [replace(cue, mood="sad"), replace(cue, end=31.0), replace(cue, seed=1)]
    assert len({key, *(sound_key_of(c, 7) for c in others), sound_key_of(cue, 8)}) == 5
