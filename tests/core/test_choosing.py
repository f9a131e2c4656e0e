"""Shots chosen by words: each condition against the shots of which it is so, as read by hand from the film."""

import pytest

from cutreel.core.film import apply_command, chosen_by
from cutreel.core.film.commands import CutAgain, SetShots
from tests.core.test_wishes import assembled, film_of


def made():
    """A film of eight or more shots, some of them set by hand."""
    document, _, _ = apply_command(film_of().document, CutAgain(by="exactly", count=8), [])
    shots = [s.id for s in document.shots]
    for numbers, values in (
        (shots[:2], {"framing": "wide", "move": "still"}),
        (shots[2:4], {"framing": "close", "move": "push", "weather": "rain"}),
        (shots[4:], {"framing": "medium", "move": "pan left"}),
    ):
        document, _, _ = apply_command(document, SetShots(shots=numbers, values=values), [])
    return assembled(document)


FILM = made()
SHOTS = FILM.read.shots
ALL = [s.shot.id for s in SHOTS]
IDA = FILM.document.cast[0].id


def by(holds) -> list[int]:
    return [s.shot.id for i, s in enumerate(SHOTS) if holds(i, s)]


@pytest.mark.parametrize(
    ("words", "wanted"),
    [
        (
            "wide shots without movement",
            lambda i, s: s.facts.framing == "wide" and s.move == "still",
        ),
        ("wide or close shots", lambda i, s: s.facts.framing in ("wide", "close")),
        ("close-ups", lambda i, s: s.facts.framing == "close"),
        ("all that pan", lambda i, s: "pan" in s.move),
        ("not wide", lambda i, s: s.facts.framing != "wide"),
        ("at night", lambda i, s: s.facts.time == "night"),
        ("night or dawn", lambda i, s: s.facts.time in ("night", "dawn")),
        ("scene 2", lambda i, s: s.scene == 1),
        ("with Ida", lambda i, s: IDA in s.facts.people),
        ("without Ida", lambda i, s: IDA not in s.facts.people),
        ("close shots with Ida", lambda i, s: s.facts.framing == "close" and IDA in s.facts.people),
        ("nobody in it", lambda i, s: not s.facts.people),
        ("in the rain", lambda i, s: s.facts.weather == "rain"),
        ("longer than two seconds", lambda i, s: FILM.rate.seconds(FILM.spans[i].frames) > 2),
        ("shorter than 2.5 s", lambda i, s: FILM.rate.seconds(FILM.spans[i].frames) < 2.5),
        ("without a picture", lambda i, s: True),
        ("stale", lambda i, s: False),
        ("not spoken", lambda i, s: True),
        ("with a plate", lambda i, s: False),
        ("all shots", lambda i, s: True),
    ],
)
def test_words_choose_the_shots_of_which_it_is_so(words, wanted) -> None:
    found = chosen_by(words, FILM)
    assert list(found.shots) == by(wanted), found.told
    assert found.unknown == ()


def test_some_of_it_chooses_some() -> None:
    """None of the above chooses everything or nothing by accident."""
    for words in ("wide shots", "close-ups", "at night", "with Ida", "shorter than 2.5 s"):
        assert 0 < len(chosen_by(words, FILM).shots) < len(ALL), words


def test_what_is_not_understood_is_told_and_chooses_nothing_by_itself() -> None:
    found = chosen_by("purple zebras", FILM)
    assert found.shots == () and found.unknown == ("purple", "zebras")
    part = chosen_by("wide purple shots", FILM)
    assert list(part.shots) == by(lambda i, s: s.facts.framing == "wide")
    assert part.told == ("wide",) and part.unknown == ("purple",)
