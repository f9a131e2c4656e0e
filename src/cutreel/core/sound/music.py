"""Which music a film asks for: where it comes in, in which mood, and where it ends.

Music changes where the story turns: a film is divided so that the mood of its shots differs least from that of their
music, while each change costs as much as so many seconds of a wrong mood; within a scene more than between two.
"""

from collections.abc import Sequence
from itertools import groupby

from cutreel.core.continuity import MOODS, Mood, ShotFacts
from cutreel.core.timeline import FrameRate, Span

from .cues import Cue

TURN, TURN_WITHIN = 12.0, 24.0
"""Seconds of a wrong mood that a change of music is worth: at a scene, and within one."""


def music_cues(
    wish: str,
    facts: Sequence[ShotFacts],
    spans: Sequence[Span],
    rate: FrameRate,
    ids: Sequence[int],
    scenes: Sequence[int],
) -> list[Cue]:
    """The film's music: one cue in the mood that is wished; for "auto" as many as the story turns; for "none" none.
    `ids` and `scenes` are those of the shots."""
    if wish == "none" or not facts:
        return []
    seconds = [rate.seconds(span.end - span.start) for span in spans]
    moods = [wish] * len(facts) if wish != "auto" else _moods(facts, seconds, scenes)
    cues: list[Cue] = []
    first = 0
    for last, mood in enumerate(moods):
        if last + 1 < len(moods) and moods[last + 1] == mood:
            continue
        cues.append(
            Cue(
                f"music-{ids[first]}",
                "music",
                f"{mood} music",
                rate.seconds(spans[first].start),
                rate.seconds(spans[last].end),
                first,
                _why(wish, mood, cues),
                last,
                mood=mood,
            )
        )
        first = last + 1
    return cues


def _why(wish: str, mood: str, before: Sequence[Cue]) -> str:
    if wish != "auto":
        return "the mood that is set for the film"
    return f"it turns {mood} here" if before else f"it begins {mood}"


def _moods(
    facts: Sequence[ShotFacts], seconds: Sequence[float], scenes: Sequence[int]
) -> list[Mood]:
    """The mood of the music under each shot (the cheapest way through all of them: Viterbi, 1967)."""
    # Shots of one mood in one scene are as one: turning amid them is never cheaper than before or behind them.
    runs = [
        (scene, mood, list(shots))
        for (scene, mood), shots in groupby(range(len(facts)), lambda i: (scenes[i], facts[i].mood))
    ]
    costs: dict[Mood, float] = dict.fromkeys(MOODS, 0.0)
    ways: list[dict[Mood, Mood]] = []
    for i, (scene, told, shots) in enumerate(runs):
        length = sum(seconds[n] for n in shots)
        turn = TURN if i and scene != runs[i - 1][0] else TURN_WITHIN
        cheapest = min(MOODS, key=lambda mood: costs[mood])
        came: dict[Mood, Mood] = {}
        now: dict[Mood, float] = {}
        for mood in MOODS:
            stays = costs[mood] <= costs[cheapest] + turn or i == 0
            came[mood] = mood if stays else cheapest
            before = costs[mood] if stays else costs[cheapest] + turn
            now[mood] = before + (length if told != mood else 0.0)
        costs = now
        ways.append(came)
    mood = min(MOODS, key=lambda m: costs[m])
    out: list[Mood] = []
    for came, (_, _, shots) in zip(reversed(ways), reversed(runs), strict=True):
        out += [mood] * len(shots)
        mood = came[mood]
    return out[::-1]
