"""An observatory at night and a tower that leans: machines that wake, people who are many, and a boy whom alone a denial
leaves out. Nobody prepared these stories; what stands here was read wrongly at first."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import film_of, shot_with

NIGHT = """Tomasz had kept the telescope on Mount Ferro running for nineteen years.

At 2:40 in the morning the printer woke up by itself. Tomasz put down his sandwich.

They ran to the dome. Tomasz took off his glasses and wiped them.

Nobody in the valley noticed, except for a boy on his way to school, who waved.

The boy told nobody. The boy was late for school."""

TOWER = """Five years later the tower began to sink on one side. The master mason hung a plumb line from the top and watched it swing away from the wall. He ordered the work to stop.

In 1272 a new architect climbed the scaffolding. He built the next floors taller on one side.

By 1990 it leaned four and a half metres from the vertical. Engineers closed it to visitors.

They hung lead on the north side, and tourists complained that it was ugly. In the end they drilled out the soil.

More than five million people climb its stairs every year."""


@pytest.fixture(scope="module")
def night() -> ReadFilm:
    return film_of(NIGHT)


@pytest.fixture(scope="module")
def tower() -> ReadFilm:
    return film_of(TOWER)


def deeds(film: ReadFilm) -> list[str]:
    return [deed.text for read in film.story.paragraphs.values() for deed in read.deeds]


def test_a_printer_that_wakes_lies_in_no_bed(night: ReadFilm) -> None:
    assert not any("bedroom" in shot.facts.place for shot in night.shots)
    assert "dome" in shot_with(night, "They ran").facts.place


def test_glasses_are_several(night: ReadFilm) -> None:
    assert any("wipes them" in deed for deed in deeds(night))


def test_who_is_excepted_from_nobody_is_seen(night: ReadFilm) -> None:
    (boy,) = (p.id for p in night.document.cast if p.name == "the boy")
    valley = night.story.paragraphs[3]
    assert all(m.seen for m in valley.mentions if boy in m.people and m.why == "by role")


def test_he_is_who_was_told_of_last_though_he_is_told_of_once(tower: ReadFilm) -> None:
    assert [p.name for p in shot_with(tower, "He ordered").people] == ["the mason"]
    assert "the architect" in {p.name for p in tower.document.cast}


def test_it_is_what_the_paragraph_before_was_about(tower: ReadFilm) -> None:
    assert "engineers close it to visitors" in deeds(tower)


def test_they_are_those_whom_it_goes_on_about(tower: ReadFilm) -> None:
    assert "engineers drill out the soil" in deeds(tower)


def test_more_than_so_many_are_not_more_so_many(tower: ReadFilm) -> None:
    assert "more than five million people climb its stairs" in deeds(tower)
