"""Captions that cannot be read in time: counted apart, and mended by what is proposed."""

from dataclasses import replace

from cutreel.core.captions import Caption, caption_faults
from cutreel.core.film import Offered, Settings, assemble, captions_unread, new_film, read_film
from cutreel.core.film.changes import apply_command
from cutreel.core.film.commands import SetMark


def caption(seconds: float, text: str, start: float = 0.0) -> Caption:
    return Caption(start, start + seconds, (text,), 0, len(text.split()))


def test_faults_are_told_by_words_a_minute_and_seconds() -> None:
    """By counting: 12 words in 2 s are 360 a minute; 40 frames of 30 are 1.33 s."""
    quick = caption(
        2.0, "many people wanted several different answers before anybody could finally speak again"
    )
    fine = caption(4.0, "a man in the boat looked at the lamp and slept")
    short, long = caption(0.9, "No."), caption(7.0, "He slept.")
    found = caption_faults([quick, fine, short, long])
    assert [(f.caption, f.kind) for f in found] == [
        (0, "too quick"),
        (2, "too short"),
        (3, "too long"),
    ]
    assert found[0].found == 60 * 12 / 2 and found[1].found == 0.9 and found[2].aim == 6.0


def test_short_words_are_not_counted_as_if_they_were_long() -> None:
    """Twelve letters and spaces are read as two words, however many there are."""
    assert caption_faults([caption(1.4, "I am. So it is. Oh no.")]) == []


STORY = "“Go!”\n\nThen she went home by the long road over the hill, and nobody saw her again."


def test_a_picture_is_held_where_its_last_caption_is_too_short() -> None:
    film, _ = new_film("Go", STORY, Settings())
    film, _, _ = apply_command(film, SetMark(word=film.word_ids[1]), ["1"])

    def assembled(document):
        return assemble("f", read_film(document, Offered()), {}, lambda keys: {})

    (before,) = captions_unread(assembled(film))
    assert (before.kind, before.says, before.text) == ("too short", "hold its picture", "“Go!”")
    film, _, _ = apply_command(film, before.remedy, [])
    assert captions_unread(assembled(film)) == []


def test_what_is_said_too_quickly_is_to_be_said_slower() -> None:
    film, _ = new_film("Quick", "Many people wanted several different answers.", Settings())
    whole = assemble("f", read_film(film, Offered()), {}, lambda keys: {})
    quick = [replace(c, end=c.start + 0.8) for c in whole.captions]
    found = captions_unread(replace(whole, captions=quick))
    assert [u.says for u in found] == ["say it slower"] * len(quick)
    film, _, _ = apply_command(film, found[0].remedy, [])
    assert {m.pace for m in film.word_marks} == {"slow"}


def test_behind_a_short_caption_within_a_line_comes_a_pause() -> None:
    film, _ = new_film(
        "Short", "Wait. Many people wanted several different answers from her.", Settings()
    )
    whole = assemble("f", read_film(film, Offered()), {}, lambda keys: {})
    first = replace(whole.captions[0], end=whole.captions[0].start + 0.5, last=1, lines=("Wait.",))
    (found,) = captions_unread(replace(whole, captions=[first]))
    assert found.says == "a pause behind it" and found.remedy.marks[0].word == film.word_ids[1]
