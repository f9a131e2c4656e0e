"""Changes to a film: whatever is done, every word is in exactly one shot, and undo restores exactly."""

import jsonpatch
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from cutreel.core.continuity import Outfit, Person, Trait
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import (
    FilmDocument,
    Offered,
    Settings,
    VoiceOffered,
    apply_command,
    find_places,
    name_places,
    new_film,
    read_film,
)
from cutreel.core.film.commands import (
    AddHold,
    BringBack,
    CircleTake,
    CutAgain,
    CutRamp,
    EditPlaces,
    EditText,
    LiftCue,
    LiftMark,
    MarkWords,
    MoveScene,
    PushMark,
    RemovePerson,
    Rename,
    RenamePerson,
    SamePicture,
    SetAside,
    SetHold,
    SetMark,
    SetPerson,
    SetScene,
    SetSettings,
    SetShots,
    SetSource,
)
from cutreel.core.film.edges import label_between, letters
from cutreel.core.manuscript import read
from cutreel.core.speech import WordMark
from cutreel.core.timeline import FrameRate, cut_points, lay_out
from tests.conftest import STORY

VOICES = [
    VoiceOffered("alder", "he", "adult"),
    VoiceOffered("briony", "she", "adult"),
    VoiceOffered("fenn", "he", "child"),
    VoiceOffered("edda", "she", "old"),
]
SHORT = (
    "One two three. Four five six, seven eight.\n\n# Yard — dusk\n\nAda ran home. Nine eleven.\n\n# Hall\n\n"
    "ADA: Nine ten “eleven twelve,” said Ada. Thirteen Ada fourteen fifteen.\n"
)


def check(film: FilmDocument, used: list[str]) -> None:
    """What must hold after any change."""
    ids = film.word_ids
    assert len(ids) == len(set(ids)) == len(read(film.text).words)
    assert film.next_word > max(ids)
    at = {n: i for i, n in enumerate(ids)}
    opens = [at[s.first] for s in film.shots if s.first is not None]
    assert film.shots[0].first == ids[0] and opens == sorted(set(opens))
    assert all(s.hold > 0 for s in film.shots if s.first is None)
    assert all(s.first in at for s in film.scenes) and {s.same_as for s in film.shots} - {None} <= {
        s.id for s in film.shots
    }
    edges = [s.edge for s in film.shots]
    assert len(edges) == len(set(edges)) and set(edges) <= set(used)
    assert len({s.id for s in film.shots}) == len(film.shots)
    found = read_film(film, Offered(400, VOICES))
    assert [i for s in found.shots for i in range(s.first, s.end)] == list(range(len(ids)))
    assert [i for w in found.speech for i in range(w.first, w.end)] == list(range(len(ids)))
    timing = lay_out(found.script.words, [(w.first, w.end) for w in found.speech], {}, found.pauses)
    assert np.all(np.diff(timing.words[:, 0]) > 0)


@pytest.mark.long
@pytest.mark.thorough
@settings(max_examples=150)
@given(
    st.lists(
        st.tuples(
            st.sampled_from(
                [
                    "set",
                    "lift",
                    "push",
                    "edit",
                    "recut",
                    "ramp",
                    "undo",
                    "hold",
                    "scene",
                    "pace",
                    "replace",
                    "same",
                    "rename",
                    "aside",
                    "back",
                ]
            ),
            st.integers(0, 500),
            st.integers(-3, 3),
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
            "set": SetMark(word=ids[number % len(ids)], same_picture=way > 0),
            "lift": LiftMark(shot=shot.id),
            "push": PushMark(shot=shot.id, words=way),
            "edit": EditText(
                start=at,
                end=min(len(film.text), at + abs(way) * 4),
                insert=["", " new words here ", "x", "\n\n"][number % 4],
            ),
            "recut": CutAgain(by="exactly", count=1 + number % 6),
            "ramp": CutRamp(
                shots=[shot.id, film.shots[(number + way) % len(film.shots)].id], first=2, last=6
            ),
            "hold": AddHold(after=shot.id, seconds=1.5),
            "scene": MoveScene(scene=number % 3, to=abs(way)),
            "aside": SetAside(scene=number % 3),
            "back": BringBack(aside=film.aside[-1].id, away=way > 2) if film.aside else None,
            "pace": SetScene(word=ids[number % len(ids)], pace=4, values={"time": "night"}),
            "same": SamePicture(shot=shot.id, of=film.shots[(number + way) % len(film.shots)].id),
            "rename": RenamePerson(
                id=film.cast[0].id, name=["Ada Lovely", "Bo", "the cook"][number % 3]
            ),
            "replace": EditPlaces(
                edits=[
                    p.edit
                    for p in find_places(
                        film.text, ["e", "teen", " six,", "Ada"][number % 4], "o ne"
                    )
                ],
                what="replace",
            )
            if find_places(film.text, ["e", "teen", " six,", "Ada"][number % 4])
            else None,
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


def test_a_scene_moves_whole_though_a_shot_goes_on_into_it() -> None:
    film, used = new_film(
        "t",
        "# One\n\nOne two three.\n\n# Two\n\nFour five six.\n\n# Three\n\nSeven eight.\n",
        Settings(),
    )
    film, used, _ = apply_command(film, PushMark(shot=film.shots[1].id, words=1), used)
    assert film.shots[1].first == film.word_ids[4], "the first shot goes on into the second scene"
    for scene, to in ((0, 1), (1, 0), (0, 2), (2, 0), (1, 2)):
        moved, after, _ = apply_command(film, MoveScene(scene=scene, to=to), list(used))
        check(moved, after)


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
        film.text[read(film.text).words[film.word_ids.index(s.first)].start :][:12]: s.edge
        for s in film.shots[2:]
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
    again = {
        film.text[script.words[film.word_ids.index(s.first)].start :][:12]: s.edge
        for s in film.shots[2:]
    }
    assert again == marks


def test_a_mark_whose_word_is_deleted_goes_to_the_next_word_that_stayed() -> None:
    film, used = new_film("t", SHORT, Settings())
    film, used, _ = apply_command(film, CutAgain(by="sentence"), used)
    count = len(film.shots)
    start = film.text.index("Four")
    film, used, _ = apply_command(
        film, EditText(start=start, end=start + len("Four five "), insert=""), used
    )
    assert len(film.shots) == count
    film, used, _ = apply_command(
        film, EditText(start=film.text.index("six"), end=film.text.index("\n\n"), insert=""), used
    )
    assert len(film.shots) < count
    check(film, used)


def test_only_what_depended_on_a_change_becomes_stale() -> None:
    film, used = new_film("t", STORY, Settings())
    before = {s.shot.id: s.picture_key for s in read_film(film, Offered(400, VOICES)).shots}
    pip = next(p for p in film.cast if p.name == "Pip")
    changed, used, _ = apply_command(
        film,
        SetPerson(
            person=pip.model_copy(update={"traits": [Trait(about="scarf", text="green scarf")]})
        ),
        used,
    )
    after = read_film(changed, Offered(400, VOICES))
    for shot in after.shots:
        assert (shot.picture_key != before[shot.shot.id]) == (pip.id in [p.id for p in shot.people])
    assert {line.key for line in after.speech} == {
        line.key for line in read_film(film, Offered(400, VOICES)).speech
    }


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
    assert (
        film.title,
        film.lifted_cues,
        film.shots[0].circled,
        film.settings.look,
        film.settings.fps,
    ) == ("Other", ["spot-3"], "abc", "ink-wash", "25")
    assert (
        film.shots[0].own.framing == "close"
        and film.cast[-1].name == "Bram"
        and film.cast[-1].id > 0
    )
    film, used, _ = apply_command(film, SetShots(shots=[shot], values={"framing": None}), used)
    assert film.shots[0].own.framing is None and film.shots[0].own.people == []


def test_voices_one_for_each_speaker() -> None:
    film, _ = new_film("t", STORY, Settings())
    lines = read_film(film, Offered(400, VOICES)).speech
    voices: dict[str | None, set[str]] = {}
    for line in lines:
        voices.setdefault(line.speaker, set()).add(line.voice)
    assert all(len(v) == 1 for v in voices.values())
    assert (
        voices[None] == {"alder"}
        and voices["Maren Oake"] <= {"briony", "edda"}
        and voices["the boy"] == {"fenn"}
    )


def test_speech_requests_stay_under_the_cap() -> None:
    film, _ = new_film(
        "t",
        "It went on and on, over hills and under bridges, " * 60
        + "until it ended. Then it began again.",
        Settings(),
    )
    lines = read_film(film, Offered(400, VOICES, 200)).speech
    assert all(len(line.text) <= 200 for line in lines)
    assert [line.first for line in lines[1:]] == [line.end for line in lines[:-1]]
    assert lines[-1].end == len(read(film.text).words)


def test_an_empty_story_is_refused() -> None:
    for text in ("", "  \n\n", "# only a heading", "[only a note]", "…—…"):
        with pytest.raises(BadInput):
            new_film("t", text, Settings())


SCENES = "# One — dusk\n\nAda ran home. It rained.\n\n# Two\n\nBo slept late.\n\n# Three\n\nNobody spoke again.\n"


def test_a_moved_scene_takes_its_words_shots_and_choices_along() -> None:
    film, used = new_film("t", SCENES, Settings())
    numbers = dict(zip(film.word_ids, [w.text for w in read(film.text).words], strict=True))
    edges = {s.first: s.edge for s in film.shots}
    third = film.word_ids[read(film.text).scenes[2].first]
    film, used, _ = apply_command(film, SetScene(word=third, values={"time": "night"}), used)
    moved, used, title = apply_command(film, MoveScene(scene=2, to=0), used)
    assert title == "move scene Three"
    assert [s.title for s in read(moved.text).scenes] == ["Three", "One", "Two"]
    assert (
        dict(zip(moved.word_ids, [w.text for w in read(moved.text).words], strict=True)) == numbers
    )
    assert {s.first: s.edge for s in moved.shots} == edges and moved.shots[0].first == third
    shots = read_film(moved, Offered(400, VOICES)).shots
    assert shots[0].facts.time == "night" and shots[0].facts.why["time"] == "set for the scene"
    assert shots[1].facts.time == "dusk" and shots[-1].facts.time != "night"


def test_a_scene_that_was_set_aside_comes_back_as_it_was() -> None:
    film, used = new_film("t", SCENES, Settings())
    ids = film.word_ids
    second = ids[read(film.text).scenes[1].first]
    coat = Outfit(name="coat", scenes=[second], traits=[])
    film = film.model_copy(update={"cast": [Person(id=1, name="Ada", outfits=[coat])]})
    film, used, _ = apply_command(film, SetScene(word=second, values={"time": "night"}), used)
    marks = [WordMark(word=n, stress=True) for n in (second, ids[0])]
    film, used, _ = apply_command(film, MarkWords(marks=marks), used)
    without, used, title = apply_command(film, SetAside(scene=1), used)
    assert title == "set Two aside"
    assert [s.title for s in read(without.text).scenes] == ["One", "Three"]
    kept = {n for n in ids if n in without.word_places}
    assert second not in kept and without.word_ids == tuple(n for n in ids if n in kept)
    assert not without.scenes and not without.cast[0].outfits[0].scenes
    # What is done meanwhile stays done.
    edited, used, _ = apply_command(
        without, EditText(start=len(without.text), end=len(without.text), insert=" Never."), used
    )
    back, used, title = apply_command(edited, BringBack(aside=1), used)
    assert title == "bring Two back" and back.aside == []
    assert [s.title for s in read(back.text).scenes] == ["One", "Two", "Three"]
    assert back.word_ids[: len(ids)] == ids and [s.id for s in back.shots] == [
        s.id for s in film.shots
    ]
    assert back.word_marks == film.word_marks and back.scenes == film.scenes
    assert back.cast[0].outfits == film.cast[0].outfits
    assert back.text.startswith(film.text.rstrip("\n"))
    # Where what stood behind it is gone as well, it comes back at the end.
    two = apply_command(without, SetAside(scene=1), used)[0]
    ends = apply_command(two, BringBack(aside=1), used)[0]
    assert [s.title for s in read(ends.text).scenes] == ["One", "Two"]
    with pytest.raises(BadInput, match="empty"):
        apply_command(two, SetAside(scene=0), used)
    gone = apply_command(two, BringBack(aside=2, away=True), used)[0]
    assert [a.title for a in gone.aside] == ["Two"]
    with pytest.raises(NotFound):
        apply_command(gone, BringBack(aside=2), used)


def test_a_shot_says_otherwise_than_its_scene() -> None:
    film, used = new_film("t", SCENES, Settings())
    film, used, _ = apply_command(
        film, SetScene(word=film.word_ids[0], values={"weather": "snow", "people": []}), used
    )
    film, used, _ = apply_command(
        film, SetShots(shots=[film.shots[0].id], values={"weather": "fog"}), used
    )
    facts = [s.facts for s in read_film(film, Offered(400, VOICES)).shots]
    assert (
        facts[0].weather == "fog"
        and facts[0].why["weather"] == "set by hand"
        and facts[0].people == ()
    )
    film, used, _ = apply_command(
        film, SetShots(shots=[film.shots[0].id], values={"weather": None}), used
    )
    assert read_film(film, Offered(400, VOICES)).shots[0].facts.weather == "snow"


def test_holds_take_time_and_no_words() -> None:
    film, used = new_film("t", SHORT, Settings())
    rate = FrameRate.parse("24")

    def frames(document: FilmDocument) -> list[int]:
        found = read_film(document, Offered(400, VOICES))
        timing = lay_out(
            found.script.words, [(w.first, w.end) for w in found.speech], {}, found.pauses
        )
        alone = {i: s.shot.hold for i, s in enumerate(found.shots) if s.end == s.first}
        return [s.frames for s in cut_points(found.opens, timing, rate, alone)]

    before = frames(film)
    first = film.shots[0]
    held, used, title = apply_command(film, AddHold(after=first.id, seconds=2.5), used)
    assert title == "add hold 1A" and held.shots[1].first is None
    after = frames(held)
    assert after[1] == pytest.approx(60, abs=1) and sum(after) == pytest.approx(
        sum(before) + 60, abs=1
    )
    assert after[2:] == before[1:]
    longer, used, _ = apply_command(film, SetHold(shot=first.id, seconds=1), used)
    assert frames(longer)[0] == pytest.approx(before[0] + 24, abs=1)
    with pytest.raises(BadInput):
        apply_command(held, SetHold(shot=held.shots[1].id, seconds=0), used)
    # A hold inside a line pauses the voice there: the line is spoken in two requests.
    split, used, _ = apply_command(film, SetMark(word=film.word_ids[4]), used)
    paused, used, _ = apply_command(split, SetHold(shot=split.shots[0].id, seconds=1), used)
    lines = read_film(paused, Offered(400, VOICES)).speech
    assert lines[0].end == 4 and lines[1].first == 4
    assert len(lines) == len(read_film(split, Offered(400, VOICES)).speech) + 1


def test_one_picture_seen_in_two_shots() -> None:
    film, used = new_film("t", SHORT, Settings())
    film, used, _ = apply_command(film, SetMark(word=film.word_ids[4], same_picture=True), used)
    one, other = read_film(film, Offered(400, VOICES)).shots[:2]
    assert (
        other.picture_of == one.shot.id
        and other.picture_key == one.picture_key
        and other.move != one.move
    )
    own, used, _ = apply_command(film, SamePicture(shot=other.shot.id, of=None), used)
    assert read_film(own, Offered(400, VOICES)).shots[1].picture_key != one.picture_key
    lifted, used, _ = apply_command(
        film, SamePicture(shot=film.shots[2].id, of=other.shot.id), used
    )
    assert lifted.shots[2].same_as == one.shot.id
    with pytest.raises(BadInput):
        apply_command(lifted, SamePicture(shot=one.shot.id, of=other.shot.id), used)


def test_a_renamed_person_is_renamed_everywhere_and_nothing_else_moves() -> None:
    text = (
        "# Maren’s jetty\n\nMaren Oake rowed. “Well,” said Maren, and Maren’s boat turned. MAREN shouted.\n\n"
        "MAREN: Come in.\n\nThe marengo horse stayed.\n"
    )
    film, used = new_film("t", text, Settings())
    person = next(p for p in film.cast if p.name.startswith("Maren"))
    found = [(p.found, p.instead) for p in name_places(film.text, person, "Ida Fenn")]
    assert (
        ("Maren Oake", "Ida Fenn") in found
        and ("MAREN", "IDA") in found
        and ("Maren", "Ida") in found
    )
    keep = next(
        p.start
        for p in name_places(film.text, person, "Ida Fenn")
        if p.found == "MAREN" and "shout" in p.after
    )
    ids, edges = film.word_ids, [s.edge for s in film.shots]
    film, used, title = apply_command(
        film, RenamePerson(id=person.id, name="Ida Fenn", leave=[keep]), used
    )
    assert title == "rename Maren Oake to Ida Fenn"
    assert film.text == (
        "# Ida’s jetty\n\nIda Fenn rowed. “Well,” said Ida, and Ida’s boat turned. MAREN shouted.\n\n"
        "IDA: Come in.\n\nThe marengo horse stayed.\n"
    )
    assert film.word_ids == ids and [s.edge for s in film.shots] == edges
    assert "Ida" in read(film.text).speakers or "Ida Fenn" in read(film.text).speakers


def test_finding_minds_case_words_and_marks() -> None:
    text = "The lamp. Lamplight; THE LAMP! Don't, “don’t”.\n"
    assert [p.found for p in find_places(text, "lamp")] == ["lamp", "Lamp", "LAMP"]
    assert [p.found for p in find_places(text, "lamp", whole_words=True)] == ["lamp", "LAMP"]
    assert [p.instead for p in find_places(text, "lamp", "light")] == ["light", "Light", "LIGHT"]
    assert [p.instead for p in find_places(text, "lamp", "light", match_case=True)] == ["light"]
    assert len(find_places(text, "don't")) == 2 == len(find_places(text, "don’t"))
    assert find_places(text, "") == [] and find_places(text, "(.*") == []


def test_replacing_in_many_places_keeps_the_other_words_and_refuses_overlaps() -> None:
    film, used = new_film("t", SHORT, Settings())
    numbers = film.word_ids
    edits = [p.edit for p in find_places(film.text, "Ada", "Ada the Great")]
    changed, used, title = apply_command(film, EditPlaces(edits=edits, what="replace “Ada”"), used)
    assert title == "replace “Ada”" and set(numbers) <= set(changed.word_ids)
    assert len(changed.word_ids) == len(numbers) + 2 * sum(
        "Ada" in w.text for w in read(film.text).words
    )
    with pytest.raises(BadInput):
        apply_command(
            film,
            EditPlaces(edits=[edits[0], edits[0].model_copy(update={"end": edits[0].end + 1})]),
            used,
        )


def test_sources_hold_to_their_words() -> None:
    film, used = new_film("t", SHORT, Settings())
    ids = film.word_ids
    film, used, _ = apply_command(
        film, SetSource(first=ids[3], last=ids[7], text=" https://example.org/arc "), used
    )
    assert film.sources[0].text == "https://example.org/arc"
    film, used, _ = apply_command(
        film, EditText(start=0, end=film.text.index("Five".lower()), insert="Now "), used
    )
    assert film.sources[0].first in film.word_ids and film.sources[0].last == ids[7]
    film, used, _ = apply_command(film, SetSource(id=1, text=""), used)
    assert film.sources == []
    with pytest.raises(BadInput):
        apply_command(film, SetSource(first=ids[7], last=ids[7], text=" "), used)


def test_a_new_mark_or_hold_makes_no_other_picture_stale() -> None:
    film, used = new_film("t", STORY, Settings())
    before = {s.shot.id: s for s in read_film(film, Offered(400, VOICES)).shots}
    cut = film.shots[4]
    at = film.word_ids.index(cut.first or 0) + 3
    held, used, _ = apply_command(film, AddHold(after=film.shots[1].id, seconds=2), used)
    marked, used, _ = apply_command(held, SetMark(word=film.word_ids[at]), used)
    after = {s.shot.id: s for s in read_film(marked, Offered(400, VOICES)).shots}
    changed = {n for n in before if before[n].picture_key != after[n].picture_key}
    assert changed <= {cut.id}
    # Moves are planned together: what comes behind may move otherwise, what stands in front may not.
    assert all(after[s.id].move == before[s.id].move for s in film.shots[:2])


def test_a_mark_stands_before_what_came_in_the_place_of_its_word() -> None:
    film, used = new_film(
        "t",
        "# A\n\nHalfway over it rained. They rowed on.\n\n# B\n\nThey slept well.\n",
        Settings(),
    )
    at = film.text.index("They slept")
    changed, used, _ = apply_command(
        film, EditText(start=at, end=at + 10, insert="Nobody slept a wink and"), used
    )
    shots = read_film(changed, Offered(400, VOICES)).shots
    assert [s.shot.id for s in shots] == [s.id for s in film.shots]
    assert shots[-1].text.startswith("Nobody slept a wink and well")
