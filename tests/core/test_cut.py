"""The breakdown: optimal, exact where asked, and never losing a word."""

import itertools
import math

import numpy as np
import pytest

from cutreel.core.breakdown import Wish, break_down, cut, cut_ramp, estimate_words
from cutreel.core.breakdown.cut import _Problem
from cutreel.core.errors import BadInput
from cutreel.core.manuscript import read
from tests.conftest import STORY


def cost_of(problem: _Problem, cut: list[int]) -> float:
    """The cost of a cut, worked out plainly from the stated rules, apart from the compiled search."""
    total = 0.0
    bounds = [*cut, problem.n]
    for a, b in itertools.pairwise(bounds):
        seconds = problem.ends[b - 1] - problem.starts[a]
        total += 2 * np.log(max(seconds, 0.05) / problem.wanted[a]) ** 2
        total += sum(problem.across[a + 1 : b])
        if seconds < 1.4 and seconds < problem.wanted[a] * 0.8:
            total += 3 * (1 - seconds / 1.4)
        if b - a < 3:
            total += 1.5
        if b < problem.n and b not in problem.forced:
            total += problem.mark[b]
    return float(total)


@pytest.mark.parametrize("seconds", [2.0, 4.0])
def test_nothing_is_cheaper(seconds: float) -> None:
    """Against all 2^12 cuts of a short manuscript."""
    script = read("The lamp was dark, so Maren rowed. Pip held the heron; it bit.")
    wish = Wish(seconds=seconds)
    problem = _Problem(script, wish, {0})
    n = len(script.words)
    longest = problem.wanted[0] * problem.reach + 2
    best = min(
        cost_of(problem, [0, *marks])
        for k in range(n)
        for marks in itertools.combinations(range(1, n), k)
        if all(
            problem.ends[b - 1] - problem.starts[a] <= longest or b - a == 1
            for a, b in itertools.pairwise([0, *marks, n])
        )
    )
    assert cost_of(problem, break_down(script, wish)) == pytest.approx(best, abs=1e-6)


@pytest.mark.thorough
@pytest.mark.parametrize("count", [6, 17, 40, 123, 402])
def test_exact_numbers(count: int) -> None:
    script = read(STORY)
    cut = break_down(script, Wish(by="exactly", count=count))
    assert len(cut) == count == len(set(cut)) and cut[0] == 0 and cut == sorted(cut)


@pytest.mark.parametrize("count", [4, 403])
def test_numbers_that_cannot_be_had_are_refused(count: int) -> None:
    with pytest.raises(BadInput, match="cannot be cut"):
        break_down(read(STORY), Wish(by="exactly", count=count))


def test_scenes_always_cut_and_hand_set_marks_stay() -> None:
    script = read(STORY)
    cut = break_down(script, Wish(seconds=60), frozenset({13, 77}))
    assert {13, 77} <= set(cut)
    assert {s.first for s in script.scenes} <= set(cut)


def test_by_sentence_joins_scraps() -> None:
    script = read("The post stood where it had always stood. No. It was dark and cold out there.")
    assert break_down(script, Wish(by="sentence")) == [0, 9]


def test_the_opening_is_cut_faster() -> None:
    """Common practice: the opening is cut fastest, easing to the film's own pace."""
    script = read(
        " ".join(f"They walked along the {w} shore in the evening light." for w in ["long"] * 40)
    )
    times = estimate_words(script)
    cut = [*break_down(script, Wish(seconds=10)), len(script.words)]
    lengths = [times[b - 1, 1] - times[a, 0] for a, b in itertools.pairwise(cut)]
    assert lengths[0] < 0.7 * np.mean(lengths[4:-1])


def test_estimates_match_the_trade() -> None:
    """Common practice: a 2,300-word documentary script lasts about 15 minutes, read briskly about 10."""
    text = " ".join(
        [
            "The surveyors carried their instruments over the hills and measured every angle with care, twice."
        ]
        * 154
    )
    script = read(text)
    assert len(script.words) == pytest.approx(2300, abs=30)
    assert 10 <= estimate_words(script)[-1, 1] / 60 <= 16


def test_fifteen_thousand_words_are_cut_whole() -> None:
    script = read("\n\n".join([STORY.replace("#", "# x")] * 38))
    cut = break_down(script, Wish(seconds=6))
    assert len(script.words) > 15_000 and len(cut) > 700
    times = estimate_words(script)
    lengths = [
        times[b - 1, 1] - times[a, 0] for a, b in itertools.pairwise([*cut, len(script.words)])
    ]
    assert max(lengths) < 18


@pytest.mark.parametrize(
    ("weight", "ratio"), [(cut.MID_PHRASE, 3.1), (cut.AT_COMMA, 2.0), (cut.AT_CLAUSE, 1.6)]
)
def test_weights_are_what_their_comments_say(weight: float, ratio: float) -> None:
    """What a mark costs is what being so many times too long costs."""
    assert cut.LENGTH * math.log(ratio) ** 2 == pytest.approx(weight, abs=0.09)


def opens_at(text: str, seconds: float) -> list[str]:
    """The words that open shots."""
    script = read(text)
    return [script.words[i].text for i in break_down(script, Wish("pace", seconds, opening=0))]


def test_a_comma_is_taken_where_it_saves_a_shot_from_being_twice_too_long() -> None:
    text = "The lamp on the point was dark that night, and nobody in the harbour knew why it was."
    assert opens_at(text, 6.0) == ["The"], "as long as it is wanted, it is one shot"
    assert opens_at(text, 2.4) == ["The", "and"], "twice too long, it is cut at its comma"


def test_a_phrase_is_broken_only_where_a_shot_would_be_beyond_all_reach() -> None:
    phrase = "the long wet rope over the stones to the boat under the wall by the mill and on "
    short = "She carried " + phrase.rstrip()
    seconds = float(estimate_words(read(short))[-1, 1])
    assert opens_at(short, seconds / 2.4) == ["She"], "too long is better than broken"
    long = "She carried " + phrase * 5
    script, wanted = read(long), 3.0
    times = estimate_words(script)
    opens = [*break_down(script, Wish("pace", wanted, opening=0)), len(script.words)]
    lengths = [float(times[b - 1, 1] - times[a, 0]) for a, b in itertools.pairwise(opens)]
    assert len(lengths) > 1 and max(lengths) <= wanted * cut.REACH + 2.5


def test_a_turn_of_speakers_is_nearly_free() -> None:
    text = "“The lamp is out again tonight,” said Ada. “Then we row over and light it,” said Bram."
    assert "“Then" in opens_at(text, 2.6)


LONG = "\n\n".join(
    " ".join(
        f"The {a} {b} went over the {c} hill that day." for c in ("low", "far", "green", "old")
    )
    for a in ("grey", "small", "tired", "young")
    for b in ("fox", "man", "cart", "girl", "dog")
)


@pytest.mark.parametrize("seconds", [(12.0, 3.0), (3.0, 12.0)])
def test_a_ramp_goes_from_one_length_to_the_other_and_stays_in_its_stretch(seconds) -> None:
    """Lengths against the wanted geometric course (each shot by where it begins): near it on the whole, and in order."""
    script = read(LONG)
    first, end = script.sentences[8].first, script.sentences[70].first
    cuts = cut_ramp(script, first, end, seconds)
    assert cuts[0] == first and cuts == sorted(cuts) and cuts[-1] < end
    times = estimate_words(script)
    bounds = [*cuts, end]
    lengths = np.array([times[b - 1, 1] - times[a, 0] for a, b in itertools.pairwise(bounds)])
    along = np.array([times[a, 0] - times[first, 0] for a in cuts]) / (
        times[end - 1, 1] - times[first, 0]
    )
    wanted = seconds[0] * (seconds[1] / seconds[0]) ** along
    assert np.exp(np.abs(np.log(lengths / wanted)).mean()) < 1.3
    thirds = [part.mean() for part in np.array_split(lengths, 3)]
    assert thirds == sorted(thirds, reverse=seconds[0] > seconds[1])
    # A mark that must stay does.
    odd = next(n for n in range(first + 2, end) if n not in cuts)
    assert odd in cut_ramp(script, first, end, seconds, frozenset({odd}))
