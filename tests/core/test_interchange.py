"""Films handed over: what we write is read back by OpenTimelineIO and its CMX 3600 adapter with the same shots, order,
lengths and joins; timecode by OpenTimelineIO's own RationalTime (SMPTE ST 12-1)."""

import opentimelineio as otio
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from cutreel.core.errors import BadInput, CutReelError
from cutreel.core.film import (
    Offered,
    Settings,
    apply_command,
    assemble,
    changes_back,
    new_film,
    read_film,
)
from cutreel.core.film.commands import MoveShot
from cutreel.core.film.handing import ShotFile, handed, shot_name
from cutreel.core.interchange import (
    BackShot,
    Handed,
    HandedJoin,
    HandedMarker,
    HandedShot,
    HandedSound,
    shots_back,
    to_edl,
    to_otio,
)
from cutreel.core.timeline import FrameRate, timecode

RATES = ("24", "25", "30", "30000/1001", "60")


def film_at(rate: str) -> Handed:
    return Handed(
        "The lamp",
        FrameRate.parse(rate),
        [
            HandedShot("1", "One.", 48, "pictures/001_1.png"),
            HandedShot("2", "Two.", 61, "clips/002_2.mp4", 12, 90),
            HandedShot("2A", "", 70),
        ],
        [HandedJoin("dissolve", 6, 6), HandedJoin("cut", 0, 0)],
        [
            HandedSound("voice", "narrator", 0.5, 1.25, "voice/a.flac", 0.1, -2),
            HandedSound("voice", "Pip", 1.0, 1.2, "voice/b.flac"),
            HandedSound("voice", "Pip", 2.5, 0.7, "voice/b.flac", 0.2),
            HandedSound("music", "calm music", 0, 5, "music/c.flac"),
        ],
        [HandedMarker(10, 5, "note by Ada", "slower", note=True)],
    )


@pytest.mark.parametrize("rate", RATES)
def test_a_timeline_is_read_back_with_the_same_shots_joins_and_sounds(rate: str) -> None:
    read = otio.adapters.read_from_string(to_otio(film_at(rate)), "otio_json")
    pictures = next(t for t in read.tracks if t.kind == "Video")
    clips = pictures.find_clips()
    assert [c.metadata["cut_reel"]["edge"] for c in clips] == ["1", "2", "2A"]
    assert [c.source_range.duration.value for c in clips] == [48, 61, 70]
    assert clips[1].source_range.start_time.value == 12
    assert clips[1].media_reference.available_range.duration.value == 90
    assert [pictures.range_of_child(c).start_time.value for c in clips] == [0, 48, 109]
    (join,) = [c for c in pictures if isinstance(c, otio.schema.Transition)]
    assert (join.in_offset.value, join.out_offset.value) == (6, 6)
    assert pictures.index(join) == 1
    (marker,) = pictures.markers
    assert (marker.marked_range.start_time.value, marker.comment) == (10, "slower")
    sounds = {t.name: t for t in read.tracks if t.kind == "Audio"}
    assert list(sounds) == ["voice", "voice 2", "music"], "lines that overlap lie on two tracks"
    first, third = sounds["voice"].find_clips()
    starts = [sounds["voice"].range_of_child(c).start_time.to_seconds() for c in (first, third)]
    assert starts == pytest.approx([0.5, 2.5], abs=1 / 48_000)
    assert first.source_range.start_time.to_seconds() == pytest.approx(0.1, abs=1 / 48_000)


@pytest.mark.parametrize("rate", RATES)
def test_an_edit_list_is_read_back_and_its_times_are_smpte(rate: str) -> None:
    text = to_edl(film_at(rate))
    told = otio.adapters.read_from_string(
        text, "cmx_3600", rate=float(FrameRate.parse(rate).fraction)
    )
    clips = told.tracks[0].find_clips()
    assert [c.name for c in clips] == ["shot 1", "shot 2", "shot 2A"]
    # In CMX 3600 a dissolve is an event that begins where it begins to be seen: half of it before our cut.
    assert [round(c.trimmed_range().duration.value) for c in clips] == [42, 67, 70]
    fps = float(FrameRate.parse(rate).fraction)
    assert [(s.edge, round(s.seconds * fps)) for s in shots_back(text, fps)] == [("1", 48), ("2", 61), ("2A", 70)]  # fmt: skip
    at = FrameRate.parse(rate)
    ends = [timecode(f, at) for f in (179,)]
    assert all(end in text for end in ends), text
    independent = otio.opentime.to_timecode(
        otio.opentime.RationalTime(179, float(at.fraction)), float(at.fraction), at.drops
    )
    assert independent in text


def made(
    text: str = "# The quay\n\nThe bell rang. Nobody came.\n\n# The hill\n\nA dog barked at the moon.",
):
    document, edges = new_film("Back", text, Settings(pace=2))
    return assemble("f", read_film(document, Offered()), {}, lambda keys: {}), edges


def test_a_film_is_handed_over_with_its_joins_scenes_and_files() -> None:
    film, _ = made()
    files = [ShotFile(f"pictures/{shot_name(film, i)}.png") for i in range(len(film.spans))]
    whole = handed(film, files, {})
    assert sum(s.frames for s in whole.shots) == film.frames
    assert [m.name for m in whole.markers] == ["The quay", "The hill"]
    assert whole.markers[1].frame == film.spans[[s.scene for s in film.read.shots].index(1)].start
    assert whole.shots[0].file == f"pictures/001_{film.read.shots[0].shot.edge}.png"
    joins = [j for j in whole.joins if j.before]
    assert joins and all(j.before == j.after for j in joins), "joins lie around their cuts"
    read = otio.adapters.read_from_string(to_otio(whole), "otio_json")
    assert read.duration().value == film.frames


def test_what_comes_back_unchanged_changes_nothing() -> None:
    film, _ = made()
    whole = handed(film, [None] * len(film.spans), {})
    for text in (to_otio(whole), to_edl(whole)):
        assert changes_back(film, shots_back(text, 24.0)) == []


def test_lengths_come_back_as_holds_and_what_cannot_be_taken_is_said() -> None:
    film, edges = made()
    rate, first = film.rate, film.read.shots[0]
    back = [
        BackShot(s.shot.edge, rate.seconds(span.frames))
        for s, span in zip(film.read.shots, film.spans, strict=True)
    ]
    longer = [back[0]._replace(seconds=back[0].seconds + 1.5), *back[1:]]
    (change,) = changes_back(film, longer)
    assert change.says == "1.50 s longer"
    document = apply_command(film.document, change.command, edges)[0]
    again = assemble("f", read_film(document, Offered()), {}, lambda keys: {})
    assert again.spans[0].frames == film.spans[0].frames + 36
    assert changes_back(again, longer) == []
    (short,) = changes_back(film, [back[0]._replace(seconds=0.5), *back[1:]])
    assert short.command is None and "than its words take" in short.says
    (gone,) = changes_back(film, back[1:])
    assert gone.edge == first.shot.edge
    cut = apply_command(film.document, gone.command, edges)[0]
    assert first.text not in cut.text and film.read.shots[1].text in cut.text
    assert (
        "2 times"
        in changes_back(film, [back[0]._replace(seconds=back[0].seconds / 2)] * 2 + back[1:])[
            0
        ].says
    )


STORY = """# The quay

The bell rang. Nobody came to the quay. Ada waited.

ADA: Who rang it? I did not.

# The hill

A dog barked at the moon. The moon did not care."""


def in_order(film, edges: list[str]) -> list[BackShot]:
    times = {
        s.shot.edge: film.rate.seconds(span.frames)
        for s, span in zip(film.read.shots, film.spans, strict=True)
    }
    return [BackShot(e, times[e]) for e in edges]


@settings(max_examples=40)
@given(data=st.data())
def test_any_order_comes_back_by_moving_shots_and_keeps_every_word(data) -> None:
    """Python's own sorting of the words says that none is lost; a shot that cannot go is said."""
    film, edges = made(STORY)
    document = film.document
    here = [s.shot.edge for s in film.read.shots]
    wanted = data.draw(st.permutations(here))
    words = sorted(w.text for w in film.read.script.words)
    for _ in range(len(here)):
        found = [c for c in changes_back(film, in_order(film, wanted)) if "comes" in c.says]
        able = [c for c in found if c.command is not None]
        if not able:
            break
        document = apply_command(document, able[0].command, edges)[0]
        film = assemble("f", read_film(document, Offered()), {}, lambda keys: {})
        assert sorted(w.text for w in film.read.script.words) == words
    else:
        able = []
    assert not able
    if not found:
        assert [s.shot.edge for s in film.read.shots] == list(wanted)
    else:
        assert all("part of a sentence" in c.says for c in found), found


def test_a_moved_shot_takes_its_words_and_who_says_them_along() -> None:
    film, edges = made(STORY)
    spoken = next(s for s in film.read.shots if "rang it" in s.text)
    bell, dog = film.read.shots[0], next(s for s in film.read.shots if "dog" in s.text)
    moved = MoveShot(shot=spoken.shot.id, before=bell.shot.id)
    text = apply_command(film.document, moved, edges)[0].text
    assert text.startswith("# The quay\n\nADA: Who rang it?") and text.count("ADA:") == 1
    one = apply_command(film.document, MoveShot(shot=dog.shot.id, before=None), edges)[0]
    back = read_film(one, Offered())
    assert back.shots[-1].shot.id == dog.shot.id, "it is the same shot, with its takes"
    with pytest.raises(BadInput, match="already"):
        apply_command(film.document, MoveShot(shot=bell.shot.id, before=bell.shot.id), edges)


@pytest.mark.parametrize(
    "text", ["", "{}", "{", "not a list at all", '{"OTIO_SCHEMA": "Clip.1"}', "TITLE: x\n"]
)
def test_what_is_no_timeline_is_refused_with_what_to_do(text: str) -> None:
    with pytest.raises(BadInput) as refused:
        shots_back(text, 24.0)
    assert refused.value.message


@settings(max_examples=60)
@given(st.integers(0, 4000), st.binary(max_size=12))
def test_a_damaged_timeline_is_read_or_refused(at: int, junk: bytes) -> None:
    text = to_otio(film_at("24"))
    damaged = text[: at % len(text)] + junk.decode("latin-1") + text[at % len(text) + len(junk) :]
    try:
        shots_back(damaged, 24.0)
    except CutReelError as refused:
        assert refused.message
