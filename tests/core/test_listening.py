"""What a machine's ear finds in lines: measured on sounds that are made here, so that what is wrong with them is
known."""

import numpy as np
import pytest

from cutreel.core.speech import Listened, Measured, doubts, measured

RATE = 48_000
PLAIN = Measured(-20.0, 0, 0)


def tone(seconds: float = 1.0, level: float = 0.3) -> np.ndarray:
    at = np.arange(round(seconds * RATE)) / RATE
    voice = np.sin(2 * np.pi * 140 * at) + 0.4 * np.sin(2 * np.pi * 1900 * at)
    return (level * voice * np.sin(np.pi * at / seconds) ** 0.5).astype(np.float32)


def test_a_clean_sound_has_nothing_and_its_level_follows_it() -> None:
    soft, loud = measured(tone(level=0.1), RATE), measured(tone(level=0.4), RATE)
    assert (soft.clipped, soft.clicks, loud.clipped, loud.clicks) == (0, 0, 0, 0)
    assert loud.level - soft.level == pytest.approx(20 * np.log10(4), abs=0.1)
    assert measured(np.zeros(0, np.float32), RATE).level < -100


@pytest.mark.parametrize("count", [1, 3])
def test_clicks_and_clipping_are_counted(count) -> None:
    clicked = tone()
    for i in range(count):
        clicked[9_000 + i * 12_000] += 0.5
    assert measured(clicked, RATE).clicks == count and measured(clicked, RATE).clipped == 0
    clipped = tone()
    for i in range(count):
        clipped[9_000 + i * 12_000 : 9_040 + i * 12_000] = 1.0
    assert measured(clipped, RATE).clipped == count
    assert measured(np.clip(tone(level=3.0), -1, 1), RATE).clipped > 50


def line(n: int, *, voice="alder", words=10, seconds=4.0, found=PLAIN, missed=()) -> Listened:
    return Listened(n, voice, words, seconds, found, tuple(missed))


def test_even_lines_raise_no_doubt() -> None:
    assert doubts([line(i, seconds=4 + i * 0.2) for i in range(6)]) == []


def test_what_is_off_is_told_worst_first() -> None:
    lines = [
        *(line(i) for i in range(5)),
        line(5, found=Measured(-31.0, 0, 0)),
        line(6, seconds=2.0),
        line(7, missed=(0, 1, 2, 3)),
        line(8, missed=(4,)),
        line(9, found=Measured(-20.0, 2, 1)),
        # Of a voice that says little nothing is usual.
        line(10, voice="fenn", seconds=1.0, found=Measured(-40.0, 0, 0)),
    ]
    found = doubts(lines)
    assert [d.line for d in found] == [7, 9, 8, 9, 5, 6]
    assert [d.why for d in found] == [
        "may be misread",
        "clipped 2 times",
        "may be misread",
        "clicks once",
        "11 dB softer than this voice's other lines",
        "2.0 times quicker than this voice's others",
    ]
    assert found[0].missed == (0, 1, 2, 3)
