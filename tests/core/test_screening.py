"""Notes and agreement: where they stand in a film that is cut again.

Expected places are worked out by hand from the words; CSV is read back with Python's csv (RFC 4180)."""

import csv
import io

import pytest

from cutreel.core.errors import NotFound
from cutreel.core.film import (
    Assembled,
    FilmDocument,
    Offered,
    Settings,
    apply_command,
    assemble,
    new_film,
    notes_table,
    placed_notes,
    read_film,
    screened_scenes,
)
from cutreel.core.film.commands import (
    AddNote,
    AgreeScene,
    AnswerNote,
    DropNote,
    EditText,
    SetMark,
    SetNote,
)
from cutreel.core.screening import Agreed, NoteAnswer, ScreenNote

TEXT = "# The quay\n\nThe bell rang twice. Nobody came down to the water that night.\n\n# The hill\n\nUp there a dog barked."


@pytest.fixture
def film() -> FilmDocument:
    return new_film("Notes", TEXT, Settings(pace=60))[0]


def seen(film: FilmDocument) -> Assembled:
    return assemble("f", read_film(film, Offered()), {}, lambda keys: {})


def after(film: FilmDocument, *commands) -> FilmDocument:
    for command in commands:
        film = apply_command(film, command, [s.edge for s in film.shots])[0]
    return film


def on(film: FilmDocument, word: str, later: int = 0, **more) -> AddNote:
    """A note on the first of a word."""
    at = seen(film)
    index = next(i for i, w in enumerate(at.read.script.words) if w.bare == word)
    shot = next(s.shot.id for s in at.read.shots if s.first <= index < s.end)
    note = {"text": "slower", "by": "Ada", **more}
    return AddNote(note=ScreenNote(shot=shot, word=at.read.ids[index], later=later, **note))


def start_of(film: FilmDocument, word: str) -> int:
    at = seen(film)
    index = next(i for i, w in enumerate(at.read.script.words) if w.bare == word)
    return at.rate.frames(float(at.timing.words[index, 0]))


def test_a_note_goes_with_its_word_through_recuts_and_edits(film) -> None:
    film = after(film, on(film, "water", 3))
    (placed,) = placed_notes(seen(film))
    assert placed.start == start_of(film, "water") + 3 and placed.end == placed.start + 1
    assert placed.shot == 0
    second = seen(film).read.ids[4]  # "Nobody"
    film = after(film, SetMark(word=second))
    (placed,) = placed_notes(seen(film))
    assert placed.shot == 1, "its words are in the second shot now"
    start = film.text.index("The bell")
    film = after(
        film,
        EditText(start=start, end=start, insert="It was late in the year, and very cold indeed. "),
    )
    (later,) = placed_notes(seen(film))
    assert later.start > placed.start and later.start == start_of(film, "water") + 3


def test_a_note_whose_word_is_gone_stays_with_its_shot_and_one_whose_shot_is_gone_is_not_lost(
    film,
) -> None:
    film = after(film, on(film, "dog", 5), on(film, "bell"))
    start = film.text.index("Up there")
    edited = after(
        film, EditText(start=start, end=start + len("Up there a dog"), insert="Something")
    )
    by_text = {p.note.id: p for p in placed_notes(seen(edited))}
    hill = seen(edited).spans[-1]
    assert (by_text[1].start, by_text[1].lost) == (hill.start, False)
    gone = edited.model_copy(
        update={
            "screen_notes": [
                n.model_copy(update={"word": 99_999, "shot": 99_999}) for n in edited.screen_notes
            ]
        }
    )
    assert [(p.start, p.lost) for p in placed_notes(seen(gone))] == [(0, True), (0, True)]


def test_a_stretch_ends_with_the_film_at_the_latest(film) -> None:
    film = after(film, on(film, "barked", frames=100_000), on(film, "bell", frames=24))
    first, last = placed_notes(seen(film))
    assert (first.end - first.start, last.end) == (24, seen(film).frames)


def test_notes_are_answered_done_worded_anew_and_taken_away(film) -> None:
    film = after(film, on(film, "bell"), on(film, "dog"))
    film = after(
        film,
        AnswerNote(note=1, answer=NoteAnswer(by="Ben", text="it is", on="2026-11-28")),
        SetNote(note=1, done=True),
        SetNote(note=2, text="louder"),
    )
    first, second = film.screen_notes
    assert (first.done, first.answers[0].by, second.text, second.done) == (True, "Ben", "louder", False)  # fmt: skip
    film = after(film, DropNote(note=1), on(film, "bell"))
    assert [n.id for n in film.screen_notes] == [2, 3]
    with pytest.raises(NotFound):
        after(film, SetNote(note=1, done=True))


def test_an_agreement_tells_when_its_scene_changed_and_when_another_did(film) -> None:
    quay, hill = screened_scenes(seen(film))
    assert [quay.title, hill.title] == ["The quay", "The hill"] and quay.end == hill.start
    mark = Agreed(scene=quay.word, key=quay.key, by="Ada", on="2026-11-28")
    film = after(film, AgreeScene(scene=quay.word, agreed=mark))
    assert [(s.agreed is not None, s.changed) for s in screened_scenes(seen(film))] == [
        (True, False), (False, False),
    ]  # fmt: skip
    at = film.text.index("a dog")
    other = after(film, EditText(start=at, end=at + 5, insert="an old dog"))
    assert not screened_scenes(seen(other))[0].changed, "another scene changed"
    at = film.text.index("twice")
    changed = after(film, EditText(start=at, end=at + 5, insert="three times"))
    assert screened_scenes(seen(changed))[0].changed
    assert screened_scenes(seen(after(changed, AgreeScene(scene=quay.word))))[0].agreed is None


def test_the_table_of_notes_is_read_by_others_and_holds_no_formulas(film) -> None:
    """Source of what a spreadsheet takes for a formula: OWASP, CSV Injection (a leading =, +, -, @, tab, return)."""
    film = after(
        film, on(film, "bell", text='=HYPERLINK("x")', by="@ben"), on(film, "dog", text='say "no", twice'),
    )  # fmt: skip
    first, second = list(csv.DictReader(io.StringIO(notes_table(seen(film)))))
    assert (first["note"], first["by"]) == ('\'=HYPERLINK("x")', "'@ben")
    assert second["note"] == 'say "no", twice' and second["done"] == "no"
    assert (first["shot"], first["scene"], second["scene"]) == ("1", "The quay", "The hill")
    rate = seen(film).rate
    hours, minutes, seconds, frames = map(int, second["from"].split(":"))
    told = ((hours * 60 + minutes) * 60 + seconds) * 24 + frames
    assert str(rate) == "24" and told == start_of(film, "dog")
