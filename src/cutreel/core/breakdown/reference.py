"""The pace of a reference film, measured from its script: numbers only, never its words.

Measured along the course of the script, in tenths: words a minute, words a sentence, seconds a
shot; and where turns come, that is sentences that open with a word of contrast or surprise.
"""

from collections.abc import Sequence
from math import exp, log

from pydantic import BaseModel

from cutreel.core.errors import BadInput
from cutreel.core.manuscript import Manuscript

from .cut import break_down
from .estimate import estimate_words
from .pace import Wish

PARTS = 10
LEAST_WORDS = 40

# fmt: off
TURNS = {
    "but", "suddenly", "then", "until", "however", "yet", "except", "instead", "still", "unless",
    "nevertheless", "meanwhile", "finally", "unfortunately", "although", "though",
}
# fmt: on


class ReferencePace(BaseModel):
    """Measures of a script's pace. Lists have one number for each tenth of its time; `turns` are
    shares (0 … 1)."""

    seconds: float
    words_a_minute: float
    sentence_words: list[float]
    shot_seconds: list[float]
    turns: list[float]
    timed: bool


def measure(
    script: Manuscript,
    opens: Sequence[int] | None = None,
    seconds: Sequence[float | None] | None = None,
) -> ReferencePace:
    """Measure a script. `opens` and `seconds` are its shots where a file with times states them;
    else it is timed by estimate and cut one shot to a sentence, as a first cut usually is. Raises
    BadInput for too short a script.
    """
    if len(script.words) < LEAST_WORDS:
        raise BadInput(
            "That is too short to measure a pace.", f"Give at least {LEAST_WORDS} words."
        )
    times = estimate_words(script)
    timed = opens is not None and seconds is not None and all(seconds) and len(opens) > 1
    if timed:
        assert opens is not None and seconds is not None
        lengths = [float(s or 0) for s in seconds]
        firsts = list(opens)
    else:
        firsts = break_down(script, Wish(by="sentence"))
        bounds = [*firsts, len(script.words)]
        lengths = [
            float(times[b - 1, 1] - times[a, 0]) for a, b in zip(firsts, bounds[1:], strict=True)
        ]
    total = sum(lengths) if timed else float(times[-1, 1])
    starts = (
        [sum(lengths[:i]) for i in range(len(lengths))]
        if timed
        else [float(times[f, 0]) for f in firsts]
    )
    place = _places(firsts, starts, lengths, len(script.words), total)
    sentences = [
        (place[s.first], float(s.end - s.first)) for s in script.sentences if s.end > s.first
    ]
    return ReferencePace(
        seconds=round(total, 1),
        words_a_minute=round(len(script.words) / total * 60, 1),
        sentence_words=_by_parts(sentences),
        shot_seconds=_by_parts(
            [(at / total, length) for at, length in zip(starts, lengths, strict=True)]
        ),
        turns=[
            round(place[s.first], 3)
            for s in script.sentences
            if s.end > s.first and script.words[s.first].bare.lower() in TURNS
        ],
        timed=timed,
    )


def _places(
    firsts: Sequence[int],
    starts: Sequence[float],
    lengths: Sequence[float],
    words: int,
    total: float,
) -> list[float]:
    """For every word the share of the film at which it is said, spread evenly within its shot."""
    out: list[float] = []
    for first, end, start, length in zip(
        firsts, [*firsts[1:], words], starts, lengths, strict=True
    ):
        out += [
            min(1.0, (start + length * i / max(1, end - first)) / total) for i in range(end - first)
        ]
    return out


def _by_parts(values: Sequence[tuple[float, float]]) -> list[float]:
    """Means of values by tenths of the film; a tenth without any takes its neighbour's."""
    parts: list[list[float]] = [[] for _ in range(PARTS)]
    for share, value in values:
        parts[min(PARTS - 1, int(share * PARTS))].append(value)
    last = next((p for p in parts if p), [0.0])
    out = []
    for part in parts:
        last = part or last
        out.append(round(sum(last) / len(last), 2))
    return out


def closeness(film: ReferencePace, aim: ReferencePace) -> dict[str, float]:
    """How close a film is to its aim, each from 0 (a factor of e away) to 1 (the same): speed,
    sentences, shots, turns, and `all`, their mean."""

    def near(a: Sequence[float], b: Sequence[float]) -> float:
        pairs = [(x, y) for x, y in zip(a, b, strict=True) if x > 0 and y > 0]
        return exp(-sum(abs(log(x / y)) for x, y in pairs) / len(pairs)) if pairs else 0.0

    def spread(turns: Sequence[float]) -> list[float]:
        return [0.5 + sum(1 for t in turns if min(4, int(t * 5)) == i) for i in range(5)]

    out = {
        "speed": near([film.words_a_minute], [aim.words_a_minute]),
        "sentences": near(film.sentence_words, aim.sentence_words),
        "shots": near(film.shot_seconds, aim.shot_seconds),
        "turns": near(spread(film.turns), spread(aim.turns)),
    }
    return {**out, "all": sum(out.values()) / len(out)}
