"""What is remembered between two readings changes nothing that is read: after any change the film read with a memory
is the film read without, and what did not change is the very same object."""

import random
from typing import Any

import pytest

from cutreel.core.continuity import LOOKS, Overrides, Person, Trait
from cutreel.core.errors import CutReelError
from cutreel.core.film import (
    FilmDocument,
    Offered,
    ReadingMemory,
    RemarkMemory,
    Settings,
    VoiceOffered,
    apply_command,
    new_film,
    read_film,
    remarks_on,
    wanted_lengths,
    wish_of,
)
from cutreel.core.film.commands import (
    AddHold,
    CircleTake,
    CutAgain,
    EditText,
    LiftCue,
    LiftMark,
    MoveScene,
    PushMark,
    SamePicture,
    SetLook,
    SetMark,
    SetPerson,
    SetScene,
    SetSettings,
    SetShots,
)
from tests.conftest import STORY

OFFERED = Offered(
    400, (VoiceOffered("alder", "he", "adult"), VoiceOffered("edda", "she", "old")), 300
)


OWN_LOOK = LOOKS[0].model_copy(update={"name": "own-stripes", "title": "Stripes"})


def some_command(film: FilmDocument, chance: random.Random) -> Any:
    shot, other = chance.choice(film.shots), chance.choice(film.shots)
    word = chance.choice(film.word_ids)
    at = chance.randrange(len(film.text) - 20)
    person = chance.choice(film.cast)
    return chance.choice(
        [
            SetMark(word=word),
            LiftMark(shot=shot.id),
            PushMark(shot=shot.id, words=chance.choice([-2, -1, 1, 2])),
            SetShots(shots=[shot.id], values={"framing": "wide"}),
            SetShots(shots=[shot.id, other.id], values={"people": [person.id], "seed": 9}),
            SetScene(word=film.word_ids[0], values={"weather": "snow"}),
            SamePicture(shot=shot.id, of=other.id),
            AddHold(after=shot.id, seconds=1.5),
            EditText(start=at, end=at + chance.randrange(12), insert=" the pier at dawn "),
            MoveScene(scene=1, to=2),
            SetLook(look=OWN_LOOK, use=True),
            LiftCue(cue="spot-1"),
            CircleTake(shot=shot.id, take="t1"),
            SetSettings(values={"seed": chance.randrange(99), "negative": "cars"}),
            SetPerson(
                person=Person(
                    **{**person.model_dump(), "traits": [Trait(about="coat", text="red")]}
                )
            ),
            CutAgain(seconds=chance.choice([4.0, 7.0])),
        ]
    )


@pytest.mark.thorough
@pytest.mark.parametrize("seed", range(6))
def test_with_a_memory_the_same_is_read_as_without(seed: int) -> None:
    chance, memory = random.Random(seed), ReadingMemory()
    film, used = new_film("Saltmere", STORY, Settings(pace=5))
    for _ in range(25):
        assert read_film(film, OFFERED, memory) == read_film(film, OFFERED)
        try:
            film, used, _ = apply_command(film, some_command(film, chance), used)
        except CutReelError:
            continue


def test_a_mark_reads_the_shots_beside_it_and_no_others() -> None:
    memory = ReadingMemory()
    film, used = new_film("Saltmere", STORY, Settings(pace=5))
    before = read_film(film, OFFERED, memory)
    firsts = {s.first for s in film.shots}
    word = next(n for n in film.word_ids[200:] if n not in firsts and n - 1 not in firsts)
    marked, _, _ = apply_command(film, SetMark(word=word), used)
    after = read_film(marked, OFFERED, memory)
    tokens = {s.token for s in before.shots}
    assert (
        sum(1 for s in after.shots if s.token not in tokens)
        <= sum(
            1 for s in before.shots if s.scene == after.script.words[after.ids.index(word)].scene
        )
        + 1
    )
    assert after.speech is not None and [
        a is b for a, b in zip(after.speech, before.speech, strict=True)
    ]


def test_what_a_command_does_not_touch_stays_the_same_object() -> None:
    film, used = new_film("Saltmere", STORY, Settings(pace=5))
    shot = film.shots[3].id
    changed, _, _ = apply_command(film, SetShots(shots=[shot], values={"time": "dawn"}), used)
    assert changed.cast is film.cast and changed.text is film.text
    assert changed.settings is film.settings
    assert [a is b for a, b in zip(changed.shots, film.shots, strict=True)].count(False) == 1
    assert film.shots[3].own == Overrides()


def test_commands_touch_only_what_they_say() -> None:
    """Each is applied to a copy that may be changed everywhere, and changes nothing beyond what it names."""
    chance = random.Random(5)
    film, used = new_film("Saltmere", STORY, Settings(pace=5))
    tried = set()
    for _ in range(160):
        command = some_command(film, chance)
        copy = film.model_copy(deep=True)
        try:
            command.apply(copy, list(used))
        except CutReelError:
            continue
        tried.add(type(command))
        for name in FilmDocument.model_fields:
            if name not in command.touches:
                assert getattr(copy, name) == getattr(film, name), (command, name)
    assert len(tried) >= 11


def test_remarks_do_not_depend_on_what_is_remembered() -> None:
    memory = ReadingMemory()
    film, _ = new_film("Saltmere", STORY, Settings(pace=5))
    remarked: RemarkMemory = {}
    edges = [s.edge for s in film.shots]
    taken = {s.first for s in film.shots}
    free = [n for n in film.word_ids[5::11] if n not in taken]
    assert len(free) > 4
    for number in free:
        film, edges, _ = apply_command(film, SetMark(word=number), edges)
        found = read_film(film, OFFERED, memory)
        seconds = [4.0 + s.id % 3 for s in film.shots]
        wanted = wanted_lengths(found, seconds, wish_of(film))
        assert remarks_on(found, seconds, wanted, remarked) == remarks_on(found, seconds, wanted)
