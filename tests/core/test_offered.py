"""What is offered for a film: caps and abilities of whoever draws or speaks, and of a voice that nobody knows."""

import pytest

from cutreel.core.film import Offered, VoiceOffered

SMALL, LARGE = Offered(200, largest=(1280, 720)), Offered(900, largest=(2048, 2048))
FILM = Offered(
    400,
    (
        VoiceOffered("own caps", "she", "adult", text_cap=90, directed=True, ssml=False),
        VoiceOffered("none", "he", "old"),
    ),
    text_cap=300,
    directed=False,
    ssml=True,
    by_name={"small": SMALL, "large": LARGE},
)


def test_who_draws_is_asked_for_what_they_take() -> None:
    assert FILM.drawn_by("small") is SMALL and FILM.drawn_by("large") is LARGE
    assert FILM.drawn_by("gone") is FILM, "the film's, while nobody knows better"


@pytest.mark.parametrize(
    ("name", "caps"),
    [
        ("own caps", (90, True, False)),
        ("none", (300, False, True)),
        ("made up", (300, False, True)),
    ],
)
def test_what_may_be_asked_of_a_voice(name: str, caps: tuple[int, bool, bool]) -> None:
    voice = FILM.voice(name)
    assert (voice.text_cap, voice.directed, voice.ssml) == caps and voice.name == name


@pytest.mark.parametrize(
    ("offered", "aspect", "size"),
    [
        (SMALL, "16:9", (1280, 720)),
        (LARGE, "16:9", (1920, 1080)),
        (LARGE, "9:16", (1080, 1920)),
        (LARGE, "1:1", (1536, 1536)),
        (Offered(400), "1:1", (1024, 1024)),
        (Offered(400, largest=(1919, 1080)), "16:9", (1280, 720)),
    ],
)
def test_pictures_are_half_as_large_again_where_that_much_is_drawn(
    offered: Offered, aspect: str, size: tuple[int, int]
) -> None:
    assert offered.picture_size(aspect) == size
