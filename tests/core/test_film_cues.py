"""The cues of a film as its maker wants them: placed, moved by words, made several times; and the scores of its music."""

from dataclasses import replace
from decimal import Decimal

import pytest

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import (
    CueChoice,
    Offered,
    PlacedCue,
    Result,
    Settings,
    TensionPoint,
    apply_command,
    assemble,
    makings_of,
    new_film,
    read_film,
    word_of,
)
from cutreel.core.film.commands import LiftCue, PlaceCues, SetCue, SetSettings, SetShots, SetTension
from cutreel.core.film.resting import RINGS
from cutreel.core.sound import heard_until, sound_key_of

TEXT = """# The kitchen — night
Ada sat at the table with her old cup. She waited there for a long while, and nothing moved in the house at all. She \
counted the plates on the shelf and the knives in the drawer.

# The yard — dawn
Then Ada ran into the yard. They chased her through the gate and along the wall. The dogs were fast, and the fire was \
close behind her, and she screamed for her brother.

# The kitchen — day
Ada sat at the table again with her cup. It was quiet in the house, and she slept until the evening came.
"""


def document(**settings):
    return new_film("t", TEXT, Settings(**settings))[0]


def assembled(film, found=lambda keys: {}):
    return assemble("f", read_film(film, Offered(600)), {}, found)


def changed(film, *commands):
    for command in commands:
        film, _, _ = apply_command(film, command, [])
    return film


def music(film):
    return [c for c in assembled(film).cues if c.kind == "music"]


def word(film, said: str) -> int:
    read = read_film(film, Offered(600))
    return next(read.ids[i] for i, w in enumerate(read.script.words) if w.bare == said)


def test_a_placed_sound_stands_on_its_word_and_goes_with_it() -> None:
    film = document()
    knives = word(film, "knives")
    film = changed(film, PlaceCues(cues=[PlacedCue(prompt="a knife is drawn", word=knives)]))
    laid = assembled(film)
    (cue,) = [c for c in laid.cues if c.id.startswith("placed")]
    place = film.word_places[knives]
    assert cue.start == pytest.approx(float(laid.timing.words[place, 0]))
    assert word_of(film, cue, None) == knives
    later = CueChoice(id=cue.id, word=word(film, "drawer"), later=12)
    moved = next(c for c in assembled(changed(film, SetCue(cue=later))).cues if c.id == cue.id)
    assert moved.start > cue.start and word_of(film, moved, later) == later.word


def test_an_ambience_is_placed_under_a_shot_and_copies_keep_their_shape() -> None:
    film = document()
    words = [word(film, "counted"), word(film, "dogs")]
    shape = CueChoice(id="spot-1", gain=3, near=-0.5, later=9)
    cues = [PlacedCue(kind="ambience", prompt="a clock ticks", word=w) for w in words]
    film = changed(film, PlaceCues(cues=cues, shaped=shape))
    laid = assembled(film)
    beds = [c for c in laid.cues if c.prompt == "a clock ticks"]
    assert len(beds) == 2
    for bed in beds:
        assert bed.last == bed.shot and (bed.gain, bed.near) == (3, -0.5)
        assert bed.end == pytest.approx(laid.rate.seconds(laid.spans[bed.shot].end))
    film = changed(film, LiftCue(cue=beds[0].id))
    assert len(film.placed) == 1 and [c.id for c in film.cue_choices] == [beds[1].id]


def test_what_cannot_be_placed_is_said() -> None:
    with pytest.raises(NotFound):
        changed(document(), PlaceCues(cues=[PlacedCue(prompt="a bell", word=9_999)]))
    film = document()
    many = [PlacedCue(prompt="a bell", word=film.word_ids[0])] * 400
    with pytest.raises(BadInput):
        changed(film, *[PlaceCues(cues=many)] * 6)


def test_a_sound_is_asked_for_by_other_words_and_for_other_seconds() -> None:
    film = changed(
        document(), PlaceCues(cues=[PlacedCue(prompt="a bell", word=word(document(), "cup"))])
    )
    plain = next(c for c in assembled(film).cues if c.id == "placed-1")
    asked = CueChoice(id="placed-1", prompt="a cracked bell", seconds=6.0)
    other = next(c for c in assembled(changed(film, SetCue(cue=asked))).cues if c.id == "placed-1")
    assert other.prompt == "a cracked bell" and other.end - other.start == pytest.approx(6.0)
    assert sound_key_of(other, 1) != sound_key_of(plain, 1)


def test_up_to_four_makings_stand_beside_each_other() -> None:
    film = document()
    cue = music(film)[0]
    assert makings_of(cue, None) == [cue]
    choice = CueChoice(id=cue.id, takes=3, seed=7)
    used = replace(cue, seed=7)
    assert [m.seed for m in makings_of(used, choice)] == [0, 1, 2, 7]
    with pytest.raises(ValueError):
        CueChoice(id=cue.id, takes=5)


def test_music_follows_the_story_and_meets_its_scenes() -> None:
    film = document(music="tense", look="cut-paper")
    (cue,) = music(film)
    laid = assembled(film)
    levels = dict(cue.score.course)
    assert max(levels.values()) > min(levels.values()) + 0.2
    scenes = [
        laid.rate.seconds(laid.spans[i].start)
        for i in range(1, len(laid.spans))
        if laid.read.shots[i].scene != laid.read.shots[i - 1].scene
    ]
    assert list(cue.score.hits) == pytest.approx([s - cue.start for s in scenes], abs=0.001)
    assert cue.score.instruments[0] == "guitar"
    assert cue.score.theme.startswith("person")
    even = changed(
        film, SetSettings(values={"music_course": "even", "themes": "none", "instruments": "mood"})
    )
    (plain,) = music(even)
    assert (plain.score.course, plain.score.theme, plain.score.instruments) == ((), "", ())


def test_the_maker_bends_the_course_and_says_where_bars_begin_and_music_rests() -> None:
    film = document(music="calm")
    before = dict(music(film)[0].score.course)
    point = TensionPoint(word=word(film, "counted"), level=1.0)
    after = dict(music(changed(film, SetTension(points=[point])))[0].score.course)
    assert max(after.values()) == 1.0 > max(before.values())
    ids = [s.id for s in film.shots]
    told = changed(
        film,
        SetShots(shots=[ids[2]], values={"music": "hit"}),
        SetShots(shots=[ids[1]], values={"music": "rest"}),
    )
    laid = assembled(told)
    (cue,) = [c for c in laid.cues if c.kind == "music"]
    start, end = (laid.rate.seconds(laid.spans[i].start) for i in (1, 2))
    assert cue.score.rests == ((round(start, 3), round(end, 3)),)
    assert round(end, 3) in cue.score.hits


def result(name: str, **data) -> Result:
    return Result(name, "music", f"{name}.flac", data, Decimal(0))


def test_what_music_was_before_is_heard_until_the_score_is_played() -> None:
    film = document(music="calm")
    (cue,) = music(film)
    seed = film.settings.seed
    old, new = heard_until(cue, seed)[-1], sound_key_of(cue, seed)
    assert old != new
    made = {old: result("old", seconds=40.0)}

    def found(keys):
        return {k: made[k] for k in keys if k in made}

    assert assembled(film, found).sound_of(cue).media == "old.flac"
    made[new] = result("new", seconds=40.0, hits=[cue.score.hits[0]])
    laid = assembled(film, found)
    assert laid.sound_of(cue).media == "new.flac"
    assert laid.hits_met == [cue.start + cue.score.hits[0]]
    assert len(laid.hits_wished) == len(cue.score.hits)


def test_a_rest_is_heard_whatever_the_composer_made() -> None:
    film = document(music="calm")
    film = changed(film, SetShots(shots=[film.shots[1].id], values={"music": "rest"}))
    (cue,) = music(film)
    key = sound_key_of(cue, film.settings.seed)
    length = cue.end - cue.start
    laid = assembled(film, lambda keys: {key: result("m", seconds=length)} if key in keys else {})
    first, second = [c for c in laid.sound_clips if c.track == "music"]
    rest = cue.score.rests[0]
    assert first.cut[1] / 48_000 == pytest.approx(rest[0] + RINGS, abs=0.01)
    assert second.start == pytest.approx(rest[1], abs=0.01)


def test_cuts_move_to_beats_when_that_is_wished() -> None:
    film = document(music="calm")
    (cue,) = music(film)
    key = sound_key_of(cue, film.settings.seed)
    beats = [n * 0.46 for n in range(200)]

    def found(keys):
        return {key: result("m", seconds=60.0, beats=beats)} if key in keys else {}

    plain = assembled(film, found)
    snapped = assembled(changed(film, SetSettings(values={"snap": "beats"})), found)
    moved = [
        (a.start, b.start)
        for a, b in zip(plain.spans, snapped.spans, strict=True)
        if a.start != b.start
    ]
    assert moved and all(abs(a - b) <= 4 for a, b in moved)
    for _, start in moved:
        at = plain.rate.seconds(start)
        assert min(abs(at - beat) for beat in beats) < 1 / 24
    assert [c.start for c in snapped.cues if c.kind == "music"] == [cue.start]
    assert snapped.frames == plain.frames
