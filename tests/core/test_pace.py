"""How a film is paced: by kind, by scene, by reference; and the remarks on a cut with their remedies."""

import itertools

import pytest

from cutreel.core.breakdown import Wish, break_down, closeness, estimate_words, measure, wish_for
from cutreel.core.errors import BadInput
from cutreel.core.film import (
    GivenShot,
    Offered,
    Settings,
    apply_command,
    new_film,
    read_film,
    remarks_on,
    wanted_lengths,
    wish_of,
)
from cutreel.core.film.commands import CutAgain, LiftMark, SamePicture, SetMark, SetScene
from cutreel.core.manuscript import read
from tests.conftest import STORY

PROSE = "The ferry crossed the dark water, and nobody said a word. " * 60


def lengths(text: str, wish: Wish) -> list[float]:
    script = read(text)
    times = estimate_words(script)
    cut = [*break_down(script, wish), len(script.words)]
    return [float(times[b - 1, 1] - times[a, 0]) for a, b in itertools.pairwise(cut)]


def test_a_documentary_opens_about_one_picture_a_second_and_eases_to_ten() -> None:
    # Common practice: about one picture a second at first, then one every two, then the film's own pace, about ten.
    wish = wish_for("documentary")
    assert wish.wanted(0) == pytest.approx(1.2, abs=0.3) and wish.wanted(8) == pytest.approx(
        2.1, abs=0.4
    )
    assert wish.wanted(60) == 10
    curve = [wish.wanted(t / 2) for t in range(80)]
    assert curve == sorted(curve)


def test_a_sleep_story_shows_each_picture_for_minutes() -> None:
    # Common practice: a 23-minute sleep story has 10 pictures.
    found = lengths("\n\n".join([PROSE] * 4), wish_for("sleep"))
    assert all(90 < s < 200 for s in found[:-1])


@pytest.mark.parametrize("seconds", [5.0, 10.0, 20.0])
def test_a_picture_every_n_seconds(seconds: float) -> None:
    found = lengths(PROSE, Wish(by="every", seconds=seconds))[:-1]
    assert abs(sum(found) / len(found) / seconds - 1) < 0.15
    assert max(abs(s - seconds) for s in found) < 0.35 * seconds
    assert found[0] > seconds * 0.65


def test_a_scene_keeps_a_pace_of_its_own() -> None:
    text = f"# One\n\n{PROSE}\n\n# Two\n\n{PROSE}\n"
    film, used = new_film("t", text, Settings(pace=6))
    second = film.word_ids[read(film.text).scenes[1].first]
    film, used, _ = apply_command(film, SetScene(word=second, pace=15, aim=40), used)
    film, used, _ = apply_command(film, CutAgain(by="pace", seconds=6), used)
    shots = read_film(film, Offered(400)).shots
    words = [[s.end - s.first for s in shots if s.scene == n] for n in (0, 1)]
    assert sum(words[1]) / len(words[1]) > 2 * sum(words[0]) / len(words[0])
    film, used, title = apply_command(film, SetScene(word=second, pace=0), used)
    assert (
        title == "set pace of a scene" and film.scenes[0].aim == 40 and film.scenes[0].pace is None
    )
    film, used, _ = apply_command(film, SetScene(word=second, aim=0), used)
    assert film.scenes == []


def test_a_reference_is_measured_and_followed_without_its_words() -> None:
    quick = read("He ran. She ran. But they fell. The dog sat. " * 40)
    aim = measure(quick)
    assert "ran" not in aim.model_dump_json() and len(aim.shot_seconds) == 10
    assert all(2.0 <= n <= 3.0 for n in aim.sentence_words) and 100 < aim.words_a_minute < 250
    assert len(aim.turns) == 40 and aim.turns == sorted(aim.turns)
    own = closeness(aim, aim)
    assert own["all"] == pytest.approx(1.0)
    slow = measure(read(PROSE))
    assert closeness(slow, aim)["sentences"] < 0.4 < closeness(slow, slow)["sentences"]
    followed = lengths(PROSE, Wish(seconds=20, course=tuple([2.0] * 5 + [8.0] * 5)))
    assert sum(followed[:8]) / 8 < 3.5 and sum(followed[-5:-1]) / 4 > 5.5
    with pytest.raises(BadInput):
        measure(read("Too short."))


def test_a_timed_reference_brings_its_own_shots() -> None:
    script = read("One two three four five. " * 20)
    aim = measure(script, list(range(0, 100, 5)), [3.0] * 10 + [6.0] * 10)
    assert (
        aim.timed and aim.seconds == 90 and aim.words_a_minute == pytest.approx(100 / 1.5, abs=0.1)
    )
    assert aim.shot_seconds[0] == 3.0 and aim.shot_seconds[-1] == 6.0


TROUBLE = (
    "# The jetty\n\nMaren Oake rowed slowly over the water while the rain came down and the wind pulled at her coat and at "
    "the rope and at the small lamp.\n\n“Who is there?” said Pip. “Only me,” said Maren. Maren sat down. Pip stood up.\n\n"
    "And so it always was. They left the jetty. They walked into the kitchen.\n\n# Home\n\nPip slept.\n"
)


def troubled() -> tuple[object, list[str]]:
    offsets = [
        TROUBLE.index(w)
        for w in ("Maren Oake", "“Who", "Maren sat", "And so", "They left", "Pip slept", "slept")
    ]
    return new_film("t", TROUBLE, Settings(pace=5), given=[GivenShot(offset=o) for o in offsets])


def remarks(film: object) -> dict[tuple[str, str], object]:
    found = read_film(film, Offered(400))  # type: ignore[arg-type]
    times = estimate_words(found.script)
    seconds = [float(times[s.end - 1, 1] - times[s.first, 0]) for s in found.shots]
    return {
        (found.shots[r.shot].shot.edge, r.kind): r
        for r in remarks_on(found, seconds, wanted_lengths(found, seconds, wish_of(film)))  # type: ignore[arg-type]
    }


def test_every_remark_names_what_is_wrong_and_its_remedy_removes_it() -> None:
    film, used = troubled()
    found = remarks(film)
    wanted = {
        ("1", "slow opening"), ("2", "two speakers"), ("3", "two subjects"), ("4", "nothing to picture"),
        ("5", "change of place"), ("7", "scrap"),
    }  # fmt: skip
    assert wanted <= set(found)
    for key in wanted:
        remark = found[key]
        shot = next(s for s in film.shots if s.edge == key[0])  # type: ignore[attr-defined]
        if remark.remedy == "cut":  # type: ignore[attr-defined]
            command: object = SetMark(word=film.word_ids[remark.at_word])  # type: ignore[attr-defined]
        elif remark.remedy == "lift":  # type: ignore[attr-defined]
            command = LiftMark(shot=shot.id)
        else:
            assert remark.remedy == "same picture"  # type: ignore[attr-defined]
            command = SamePicture(shot=shot.id, of=film.shots[film.shots.index(shot) - 1].id)  # type: ignore[attr-defined]
        after, _, _ = apply_command(film, command, used)  # type: ignore[arg-type]
        assert key not in remarks(after), key


def test_a_good_cut_draws_few_remarks() -> None:
    film, _ = new_film("t", STORY, Settings(pace=5.5))
    assert len(remarks(film)) <= len(film.shots) / 3
