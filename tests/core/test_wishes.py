"""Wishes in plain words: what they come to, and that nothing is guessed."""

import pytest

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import Offered, Settings, assemble, new_film, read_film, understood
from cutreel.core.film.changes import apply_command
from cutreel.core.film.commands import CutRamp, SetMark

STORY = (
    "# The yard — day\n\nIda swept the yard. She sang a little and laughed.\n\n# The shed — night\n\nA ladder crashed in "
    "the dark. Ida was afraid and ran.\n\n# The hill — dawn\n\nShe sat on the hill. The sun came up at last."
)


LONG_STORY = " ".join(
    f"Ida went to the {c} gate and looked over the wall." for c in "abcdefghijklmnop"
)


def film_of(text: str = STORY, **settings):
    film, _ = new_film("Ida", text, Settings(pace=3, opening=0, **settings))
    return assembled(film)


def assembled(film):
    return assemble("f", read_film(film, Offered()), {}, lambda keys: {})


def wished(words: str, film=None):
    """The film after all that a wish comes to was done."""
    film = film or film_of()
    document = film.document
    found = understood(words, film)
    for proposal in found.proposals:
        assert proposal.says and proposal.why
        document, _, _ = apply_command(document, proposal.command, [s.edge for s in document.shots])
    return document, found


@pytest.mark.parametrize(
    ("words", "setting", "value"),
    [
        ("less music", "music_level", -3.0),
        ("music louder", "music_level", 3.0),
        ("no music", "music", "none"),
        ("more transitions", "joins", "high"),
        ("fewer sound effects", "sounds", "low"),
        ("the voice should be louder", "voice_level", 3.0),
        ("no captions", "captions", "off"),
        ("less ambience", "ambience_level", -3.0),
        ("more titles", "titles", "low"),
        ("more effects", "effects", "middle"),
        ("no weather", "air", "off"),
        ("slower", "pace", 4.0),
    ],
)
def test_a_wish_for_the_whole_film_changes_a_setting(words, setting, value) -> None:
    document, found = wished(words)
    assert (
        getattr(document.settings, setting) == pytest.approx(value, abs=0.1)
        if isinstance(value, float)
        else getattr(document.settings, setting) == value
    )
    assert found.unclear == []


def test_captions_are_wished_for_in_one_breath() -> None:
    document, found = wished("captions larger and yellow, at the top, marked word by word")
    style = document.settings.caption_style
    assert (style.size, style.colour, style.place, style.said) == (1.2, "#ffd23f", "high", "colour")
    assert len(found.proposals) == 1 and found.unclear == []


def test_tones_add_up_and_ready_grades_are_known_by_name() -> None:
    grade = wished("warmer and more contrast")[0].settings.grade
    assert (grade.warmth, grade.contrast) == (0.25, 0.25)
    assert wished("make it black and white")[0].settings.grade.saturation == 0
    assert wished("faded print")[0].settings.grade.fade > 0.5


@pytest.mark.parametrize(
    ("words", "scene"),
    [
        ("darker in the beginning", 0),
        ("darker in the night scenes", 1),
        ("the end darker", 2),
        ("scene 2 darker", 1),
        ("at dawn darker", 2),
    ],
)
def test_a_wish_for_a_part_changes_its_shots_alone(words, scene) -> None:
    document, found = wished(words)
    read = read_film(document, Offered())
    dark = {s.scene for s in read.shots if s.shot.own.grade and s.shot.own.grade.exposure < 0}
    assert dark == {scene} and found.unclear == []
    assert document.settings.grade.exposure == 0


def test_quicker_in_a_part_cuts_its_scenes_again() -> None:
    before = film_of(
        STORY.replace("She sang a little and laughed.", "She sang a little and laughed. " * 6)
    )
    document, _ = wished("quicker in the beginning", before)
    after = assembled(document)

    def count(film, scene: int) -> int:
        return sum(s.scene == scene for s in film.read.shots)

    assert count(after, 0) > count(before, 0) and count(after, 2) == count(before, 2)


def test_effects_are_taken_from_some_shots_and_kinds_from_all() -> None:
    document, _ = wished("no effects in the night scenes, grain")
    read = read_film(document, Offered())
    assert {s.scene for s in read.shots if s.shot.own.effects == []} == {1}
    assert [e.kind for e in document.settings.film_effects] == ["grain"]
    again, _ = wished("no grain", assembled(document))
    assert again.settings.film_effects == [] and again.settings.no_effects == ["grain"]


def test_music_is_softer_silent_or_more_tense_in_a_part() -> None:
    document, _ = wished("less music at the end")
    (lane,) = document.lanes
    assert [p.gain for p in lane.points] == [0, -6, -6, 0]
    document, _ = wished("no music in scene 2")
    read = read_film(document, Offered())
    assert {s.scene for s in read.shots if s.shot.own.music == "rest"} == {1}
    document, _ = wished("more dramatic at the end")
    assert document.tension and all(p.level > 0.8 for p in document.tension)


@pytest.mark.parametrize(
    "words",
    [
        "everything should sparkle",
        "captions larger, more sparkle",
        "chapters",
        "no effects, more sparkle",
        "in scene 9 darker",
    ],
)
def test_what_is_not_understood_is_said_and_not_guessed(words) -> None:
    found = understood(words, film_of(effects="middle"))
    assert found.unclear and found.unclear[-1] in words


def test_a_wish_for_what_is_so_already_changes_nothing() -> None:
    found = understood("no captions", film_of(captions="off"))
    assert found.proposals == [] or found.proposals[0].command.values == {"captions": "off"}
    assert understood("no titles", film_of()).proposals == []


def test_nothing_wished_is_told_so() -> None:
    with pytest.raises(BadInput):
        understood("  ", film_of())


def test_quicker_and_quicker_is_a_ramp_over_its_part() -> None:
    long = " ".join(
        f"Ida went to the {c} gate and looked over the wall." for c in "abcdefghijklmnopqrst"
    )
    film = film_of(f"# The yard\n\n{long}\n\n# The shed\n\n{long}")
    document, found = wished("quicker and quicker at the end", film)
    [proposal] = found.proposals
    assert proposal.command.type == "cut ramp" and not found.unclear
    assert proposal.command.first > proposal.command.last
    now = assembled(document)
    lengths = [s.frames for s in now.spans]
    last = film.read.shots[film.read.document.shots.index(film.read.shots[-1].shot)].first
    before = [s.shot.first for s in film.read.shots if s.first < last // 2]
    assert [s.shot.first for s in now.read.shots][: len(before)] == before, (
        "what is before it stays"
    )
    assert lengths[-1] < max(lengths[len(lengths) // 2 :])


def test_a_ramp_leaves_marks_of_the_maker_and_other_shots_as_they_are() -> None:
    film, _ = new_film("Ida", LONG_STORY, Settings(pace=6, opening=0))
    used = [s.edge for s in film.shots]
    mark = film.word_ids[film.word_places[film.shots[2].first] + 3]
    film, used, _ = apply_command(film, SetMark(word=mark), used)
    chosen = [s.id for s in film.shots[1:5]]
    ends = [s.first for s in film.shots[5:]]
    ramped, _, title = apply_command(film, CutRamp(shots=chosen, first=9, last=2), used)
    firsts = [s.first for s in ramped.shots]
    assert mark in firsts and firsts[:2] == [s.first for s in film.shots[:2]]
    assert (firsts[-len(ends) :] == ends and "4 shots" in title) or "5 shots" in title
    with pytest.raises(NotFound):
        apply_command(film, CutRamp(shots=[9999], first=9, last=2), used)
