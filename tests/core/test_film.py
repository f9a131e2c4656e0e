"""Changes to a film: whatever is done, every word is in exactly one shot, and undo restores exactly."""

import jsonpatch
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from cutreel.core.continuity import Person, Trait
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import FilmDocument, Settings, apply_command, new_film, read_film
from cutreel.core.film.changes import (
    CircleTake,
    CutAgain,
    EditText,
    LiftCue,
    LiftMark,
    PushMark,
    RemovePerson,
    Rename,
    SetMark,
    SetPerson,
    SetSettings,
    SetShots,
)
from cutreel.core.film.edges import label_between, letters
from cutreel.core.film.reading import VoiceOffered
from cutreel.core.manuscript import read
from tests.conftest import STORY

VOICES = [
    VoiceOffered("alder", "he", "adult"),
    VoiceOffered("briony", "she", "adult"),
    VoiceOffered("fenn", "he", "child"),
    VoiceOffered("edda", "she", "old"),
]
SHORT = (
    "One two three. Four five six, seven eight.\n\nNine ten “eleven twelve,” said Ada. Thirteen Ada fourteen fifteen.\n"
)


def check(film: FilmDocument, used: list[str]) -> None:
    """What must hold after any change."""
    ids = film.word_ids
    assert len(ids) == len(set(ids)) == len(read(film.text).words)
    assert film.next_word > max(ids)
    at = {n: i for i, n in enumerate(ids)}
    opens = [at[s.first] for s in film.shots]
    assert opens[0] == 0 and opens == sorted(set(opens))
    edges = [s.edge for s in film.shots]
    assert len(edges) == len(set(edges)) and set(edges) <= set(used)
    assert len({s.id for s in film.shots}) == len(film.shots)
    shots = read_film(film, 400, VOICES).shots
    assert sum(s.end - s.first for s in shots) == len(ids)


@settings(max_examples=60, deadline=None)
@given(
    st.lists(
        st.tuples(
            st.sampled_from(["set", "lift", "push", "edit", "recut", "undo"]), st.integers(0, 500), st.integers(-3, 3)
        ),
        max_size=14,
    )
)
def test_any_sequence_keeps_every_word_in_one_shot(steps: list[tuple[str, int, int]]) -> None:
    film, used = new_film("t", SHORT, Settings())
    history: list[FilmDocument] = []
    for what, number, way in steps:
        shot = film.shots[number % len(film.shots)]
        ids = film.word_ids
        at = number % len(film.text)
        command = {
            "set": SetMark(word=ids[number % len(ids)]),
            "lift": LiftMark(shot=shot.id),
            "push": PushMark(shot=shot.id, words=way),
            "edit": EditText(
                start=at,
                end=min(len(film.text), at + abs(way) * 4),
                insert=["", " new words here ", "x", "\n\n"][number % 4],
            ),
            "recut": CutAgain(by="exactly", count=1 + number % 6),
        }.get(what)
        if command is None:
            if history:
                film = history.pop()
            continue
        try:
            changed, used, title = apply_command(film, command, used)
        except BadInput:
            continue
        assert title
        before, after = film.model_dump(mode="json"), changed.model_dump(mode="json")
        assert jsonpatch.apply_patch(after, jsonpatch.make_patch(after, before)) == before
        history.append(film)
        film = changed
        check(film, used)


def test_edge_numbers_are_stable_and_never_given_twice() -> None:
    film, used = new_film("t", STORY, Settings())
    second = film.shots[1]
    film, used, title = apply_command(film, SetMark(word=second.first + 2), used)
    assert title == "set cut mark 2A" and [s.edge for s in film.shots][:4] == ["1", "2", "2A", "3"]
    new = film.shots[2]
    film, used, _ = apply_command(film, LiftMark(shot=new.id), used)
    film, used, _ = apply_command(film, SetMark(word=second.first + 3), used)
    assert film.shots[2].edge == "2B"
    assert label_between("9", ["9", "9A", "9B"]) == "9C" and letters(26) == "AA"


def test_words_keep_their_numbers_through_edits_and_marks_move_with_them() -> None:
    film, used = new_film("t", STORY, Settings())
    marks = {
        film.text[read(film.text).words[film.word_ids.index(s.first)].start :][:12]: s.edge for s in film.shots[2:]
    }
    film, used, _ = apply_command(
        film,
        EditText(
            start=film.text.index("had not missed"),
            end=film.text.index("had not missed"),
            insert="never once in its life ",
        ),
        used,
    )
    script = read(film.text)
    again = {film.text[script.words[film.word_ids.index(s.first)].start :][:12]: s.edge for s in film.shots[2:]}
    assert again == marks


def test_a_mark_whose_word_is_deleted_goes_to_the_next_word_that_stayed() -> None:
    film, used = new_film("t", SHORT, Settings())
    film, used, _ = apply_command(film, CutAgain(by="sentence"), used)
    count = len(film.shots)
    start = film.text.index("Four")
    film, used, _ = apply_command(film, EditText(start=start, end=start + len("Four five "), insert=""), used)
    assert len(film.shots) == count
    film, used, _ = apply_command(
        film, EditText(start=film.text.index("six"), end=film.text.index("\n\n"), insert=""), used
    )
    assert len(film.shots) < count
    check(film, used)


def test_only_what_depended_on_a_change_becomes_stale() -> None:
    film, used = new_film("t", STORY, Settings())
    before = {s.shot.id: s.picture_key for s in read_film(film, 400, VOICES).shots}
    pip = next(p for p in film.cast if p.name == "Pip")
    changed, used, _ = apply_command(
        film, SetPerson(person=pip.model_copy(update={"traits": [Trait(about="scarf", text="green scarf")]})), used
    )
    after = read_film(changed, 400, VOICES)
    for shot in after.shots:
        assert (shot.picture_key != before[shot.shot.id]) == (pip.id in [p.id for p in shot.people])
    assert {line.key for line in after.speech} == {line.key for line in read_film(film, 400, VOICES).speech}


def test_commands_say_what_is_wrong() -> None:
    film, used = new_film("t", SHORT, Settings())
    for command, error in [
        (SetMark(word=999), NotFound),
        (SetMark(word=film.shots[0].first), BadInput),
        (LiftMark(shot=film.shots[0].id), BadInput),
        (LiftMark(shot=99), NotFound),
        (PushMark(shot=film.shots[0].id, words=1), BadInput),
        (EditText(start=0, end=len(film.text), insert=" \n"), BadInput),
        (EditText(start=5, end=99_999, insert=""), BadInput),
        (SetSettings(values={"look": "oil"}), BadInput),
        (SetSettings(values={"speed": 1}), BadInput),
        (RemovePerson(id=99), NotFound),
        (CutAgain(by="exactly", count=500), BadInput),
    ]:
        with pytest.raises(error):
            apply_command(film, command, used)


def test_the_plain_commands() -> None:
    film, used = new_film("t", SHORT, Settings())
    shot = film.shots[0].id
    for command in (
        Rename(title="Other"),
        LiftCue(cue="spot-3"),
        CircleTake(shot=shot, take="abc"),
        SetSettings(values={"look": "Ink and wash", "fps": "25"}),
        SetShots(shots=[shot], values={"framing": "close", "people": []}),
        SetPerson(person=Person(id=0, name="Bram")),
    ):
        film, used, _ = apply_command(film, command, used)
    assert (film.title, film.lifted_cues, film.shots[0].circled, film.settings.look, film.settings.fps) == (
        "Other",
        ["spot-3"],
        "abc",
        "ink-wash",
        "25",
    )
    assert film.shots[0].own.framing == "close" and film.cast[-1].name == "Bram" and film.cast[-1].id > 0
    film, used, _ = apply_command(film, SetShots(shots=[shot], values={"framing": None}), used)
    assert film.shots[0].own.framing is None and film.shots[0].own.people == []


def test_voices_one_for_each_speaker() -> None:
    film, _ = new_film("t", STORY, Settings())
    lines = read_film(film, 400, VOICES).speech
    voices: dict[str | None, set[str]] = {}
    for line in lines:
        voices.setdefault(line.speaker, set()).add(line.voice)
    assert all(len(v) == 1 for v in voices.values())
    assert voices[None] == {"alder"} and voices["Maren Oake"] <= {"briony", "edda"} and voices["the boy"] == {"fenn"}


def test_speech_requests_stay_under_the_cap() -> None:
    film, _ = new_film(
        "t",
        "It went on and on, over hills and under bridges, " * 60 + "until it ended. Then it began again.",
        Settings(),
    )
    lines = read_film(film, 400, VOICES, 200).speech
    assert all(len(line.text) <= 200 for line in lines)
    assert [line.first for line in lines[1:]] == [line.end for line in lines[:-1]]
    assert lines[-1].end == len(read(film.text).words)


def test_an_empty_story_is_refused() -> None:
    for text in ("", "  \n\n", "# only a heading", "[only a note]", "…—…"):
        with pytest.raises(BadInput):
            new_film("t", text, Settings())
