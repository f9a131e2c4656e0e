"""Dead air: long pauses come out as long as wanted, nothing of a word is cut, and all that follows from word times moves along."""

from decimal import Decimal
from itertools import pairwise

import numpy as np
import pytest

from cutreel.core.film import (
    Offered,
    Result,
    Settings,
    assemble,
    longest_of,
    new_film,
    read_film,
    tightened,
)
from cutreel.core.speech import Longest, after_cuts, cuts_in, left_over

WORDS = ["She", "waited,", "and", "waited.", "Then", "“Run!”", "he", "said."]
TIMES = [
    (0.1, 0.3), (0.35, 0.8), (1.5, 1.6), (1.65, 2.1), (3.4, 3.6), (3.62, 4.0), (4.9, 5.0), (5.05, 5.4),
]  # fmt: skip
LENGTH = 5.5


def gaps(times) -> list[float]:
    return [round(b[0] - a[1], 3) for a, b in pairwise(times)]


def test_pauses_come_out_as_long_as_wanted_by_what_stands_before_them() -> None:
    cuts = cuts_in(WORDS, TIMES, Longest(comma=0.3, stop=0.5))
    moved = [tuple(after_cuts(t, cuts) for t in times) for times in TIMES]
    assert gaps(moved) == pytest.approx([0.05, 0.3, 0.05, 0.5, 0.02, 0.5, 0.05], abs=0.001)
    # Words last as long as before.
    assert [b - a for a, b in moved] == pytest.approx([b - a for a, b in TIMES])
    assert cuts_in(WORDS, TIMES, Longest()) == []
    assert len(cuts_in(WORDS, TIMES, Longest(stop=0.5))) == 2


def test_what_stays_is_all_but_the_cuts_and_every_word_is_whole_in_it() -> None:
    cuts = cuts_in(WORDS, TIMES, Longest(0.0, 0.0))
    stay = left_over(LENGTH, cuts)
    assert sum(b - a for a, b in stay) == pytest.approx(after_cuts(LENGTH, cuts))
    for start, end in TIMES:
        assert any(a <= start - 0.03 and end + 0.03 <= b for a, b in stay), (start, end)


@pytest.mark.parametrize("seed", range(8))
def test_any_line_keeps_its_order_and_no_pause_grows(seed) -> None:
    rng = np.random.default_rng(seed)
    at, times = 0.0, []
    for _ in range(12):
        start = at + rng.exponential(0.3)
        at = start + rng.uniform(0.05, 0.6)
        times.append((start, at))
    words = [w + str(rng.choice(["", ",", "."])) for w in "abcdefghijkl"]
    cuts = cuts_in(words, times, Longest(rng.uniform(0.1, 0.5), rng.uniform(0.1, 0.9)))
    moved = [(after_cuts(a, cuts), after_cuts(b, cuts)) for a, b in times]
    assert moved == sorted(moved)
    assert all(new <= old + 1e-9 for old, new in zip(gaps(times), gaps(moved), strict=True))


def spoken(read) -> dict[str, Result]:
    out = {}
    for work in read.speech:
        n = work.end - work.first
        words = [[0.5 * i + 0.05, 0.5 * i + 0.15] for i in range(n)]
        phones = [{"text": "ah", "start": a + 0.1, "end": b + 0.1} for a, b in words]
        length = 0.5 * n
        data = {
            "seconds": length, "words": words, "phones": phones, "trim": [4800, 4800 + round(length * 48_000)],
            "peaks": list(range(round(length * 20))),
        }  # fmt: skip
        out[work.key] = Result(work.key, "speech", f"{work.first}.flac", data, Decimal(0))
    return out


def film(**settings):
    text = "The bell rang, low and long. Nobody came, and nobody spoke.\n"
    document, _ = new_film("t", text, Settings(**settings))
    read = read_film(document, Offered(600))
    made = spoken(read)
    return assemble("f", read, {}, lambda keys: made), made


def test_the_film_is_shorter_its_sound_in_pieces_and_its_words_where_they_are_heard() -> None:
    plain, made = film()
    tight, _ = film(comma_pause=0.1, stop_pause=0.2)
    assert tight.seconds < plain.seconds
    line = tight.spoken[0]
    voices = [c for c in tight.sound_clips if c.track == "voice"]
    assert len(voices) == len(line.data["pieces"]) > 1
    assert {c.whole for c in voices} == {tuple(line.data["trim"])}
    assert [c.whole for c in plain.sound_clips if c.track == "voice"] == [None]
    # Each word is heard where the film says it is: the piece that it lies in begins so much earlier.
    raw = made[tight.read.speech[0].key].data
    for i, (start, _) in enumerate(raw["words"]):
        sample = raw["trim"][0] + start * 48_000
        clip = next(c for c in voices if c.cut[0] <= sample < c.cut[1])
        heard = clip.start + (sample - clip.cut[0]) / 48_000
        assert heard == pytest.approx(float(tight.timing.words[i, 0]), abs=0.002)
    # Phones, and the mouths that follow them, move along.
    offset = raw["trim"][0] / 48_000
    for phone, (start, end) in zip(line.data["phones"], line.data["words"], strict=True):
        assert phone["start"] - offset == pytest.approx(start, abs=1e-6)
        assert phone["end"] - offset == pytest.approx(end, abs=1e-6)
    assert len(line.data["peaks"]) == pytest.approx(line.data["seconds"] * 20, abs=len(voices))


def test_what_was_made_stays_as_it_is() -> None:
    tight, made = film(stop_pause=0.1)
    raw = made[tight.read.speech[0].key]
    assert "pieces" not in raw.data
    words = [w.text for w in tight.read.script.words]
    assert tightened(raw, words, longest_of(Settings())) is raw
