"""Who makes what: the nearest choice holds, and what is asked of somebody is what they take.

That a shot goes before who is in it, they before the scene, and the scene before the film, is the rule of docs/using.md.
"""

from dataclasses import replace
from itertools import product

import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.continuity import Person, Reference, Trait, made_by
from cutreel.core.errors import BadInput
from cutreel.core.film import (
    FilmDocument,
    Offered,
    ReadFilm,
    Result,
    Settings,
    VoiceOffered,
    all_drawn_by,
    apply_command,
    assemble,
    new_film,
    read_film,
)
from cutreel.core.film.commands import SamePicture, SetPerson, SetScene, SetSettings, SetShots
from cutreel.core.sound import heard_until, sound_key_of

TEXT = """# The mill — night
Ada Brook was an old woman with a red shawl. Ada carried the lantern up to the mill. The wind howled around it. \
Nobody was in the yard.

# The road — day
A dog barked behind the wall. Ada laughed. The road was empty, and the rain fell on it all day.
"""
OFFERED = Offered(
    400,
    by_name={
        "quick": Offered(400, understands=()),
        "fine": Offered(900, understands=("negative", "references"), largest=(2560, 2560)),
        "short": Offered(120, understands=("negative",)),
    },
)


def film_of(*commands: object, **settings: object) -> FilmDocument:
    film, edges = new_film("t", TEXT, Settings(offer="quick", pace=2, **settings))
    for command in commands:
        film = apply_command(film, command, edges)[0]
    return film


def read(film: FilmDocument) -> ReadFilm:
    return read_film(film, OFFERED)


def word_of_scene(film: FilmDocument, scene: int) -> int:
    found = read(film)
    return found.ids[found.script.scenes[scene].first]


KINDS = st.sampled_from(["picture", "clip", "sound", "music", "enlarge"])
CHOICE = st.none() | st.dictionaries(KINDS, st.sampled_from(["a", "b", "c"]), max_size=5)


@given(st.lists(CHOICE, max_size=5))
def test_the_nearest_choice_holds(choices: list[dict[str, str] | None]) -> None:
    found = made_by(choices)
    for kind in ("picture", "clip", "sound", "music", "enlarge"):
        nearest = [c[kind] for c in choices if c and kind in c]
        assert found.get(kind) == (nearest[0] if nearest else None)


def test_a_shot_goes_before_who_is_in_it_they_before_the_scene_and_that_before_the_film() -> None:
    plain = film_of()
    ada = next(p for p in plain.cast if p.name.startswith("Ada"))
    with_ada = next(s for s in read(plain).shots if ada.id in s.facts.people and s.scene == 0)
    for of_shot, of_person, of_scene in product((None, "fine"), ("short", None), (None, "c")):
        commands: list[object] = []
        if of_shot:
            values = {"made_by": {"picture": of_shot}}
            commands.append(SetShots(shots=[with_ada.shot.id], values=values))
        if of_person:
            whose = ada.model_copy(update={"made_by": {"picture": of_person}})
            commands.append(SetPerson(person=whose))
        if of_scene:
            values = {"made_by": {"picture": of_scene, "clip": "mover"}}
            commands.append(SetScene(word=word_of_scene(plain, 0), values=values))
        shots = read(film_of(*commands, made_by={"clip": "animator"})).shots
        here = next(s for s in shots if s.shot.id == with_ada.shot.id)
        assert here.offer == (of_shot or of_person or of_scene or "quick")
        assert here.made_by["clip"] == ("mover" if of_scene else "animator")
        # Where she is not, and out of the scene, the film's holds.
        elsewhere = [s for s in shots if s.scene == 1 and ada.id not in s.facts.people]
        assert elsewhere and all(s.offer == "quick" for s in elsewhere)


def test_what_is_asked_of_somebody_is_what_they_take() -> None:
    plain = film_of(negative="text, letters")
    ada = next(p for p in plain.cast if p.name.startswith("Ada"))
    sheet = Reference(media="a" * 64 + ".png", thumb="b" * 64 + ".jpg")
    traits = [
        Trait(about=f"trait {i}", text=f"a {i} very long red woollen trait") for i in range(9)
    ]
    known = ada.model_copy(update={"references": [sheet], "traits": traits})
    shot = next(s.shot.id for s in read(plain).shots if ada.id in s.facts.people)
    asked = {}
    for offer in ("quick", "fine", "short"):
        values = {"made_by": {"picture": offer}}
        film = film_of(
            SetPerson(person=known), SetShots(shots=[shot], values=values), negative="text, letters"
        )
        asked[offer] = next(s for s in read(film).shots if s.shot.id == shot)
    assert len(asked["quick"].prompt.text) <= 400 < len(asked["fine"].prompt.text) <= 900
    assert not asked["quick"].references and asked["fine"].references[0].media == sheet.media
    assert not asked["quick"].sent_negative and "letters" in asked["fine"].sent_negative
    assert asked["fine"].size == (1920, 1080) and asked["quick"].size == (1280, 720)
    assert len({s.picture_key for s in asked.values()}) == 3


def test_only_the_pictures_that_somebody_else_makes_are_asked_for_anew() -> None:
    plain = film_of()
    before = {s.shot.id: s.picture_key for s in read(plain).shots}
    number = plain.shots[2].id
    chosen = film_of(SetShots(shots=[number], values={"made_by": {"picture": "fine", "clip": "m"}}))
    after = {s.shot.id: s.picture_key for s in read(chosen).shots}
    assert [n for n in before if before[n] != after[n]] == [number]
    # Who moves it, or what it sounds like, is another matter.
    moved = film_of(SetShots(shots=[number], values={"made_by": {"clip": "m", "sound": "s"}}))
    assert {s.shot.id: s.picture_key for s in read(moved).shots} == before


def test_one_offer_for_all_lets_nobody_else_draw_and_leaves_the_rest() -> None:
    plain = film_of()
    film = film_of(
        SetShots(shots=[plain.shots[1].id], values={"made_by": {"picture": "fine", "clip": "m"}}),
        SetScene(word=word_of_scene(plain, 1), values={"made_by": {"picture": "short"}}),
        SetPerson(person=plain.cast[0].model_copy(update={"made_by": {"picture": "short"}})),
    )
    assert len({s.offer for s in read(film).shots}) > 1
    alone = all_drawn_by(film, "fine")
    assert {s.offer for s in read(alone).shots} == {"fine"}
    assert read(alone).shots[1].made_by["clip"] == "m"
    assert film.settings.offer == "quick" and film.shots[1].own.made_by == {"picture": "fine", "clip": "m"}  # fmt: skip


def test_a_shot_that_borrows_its_picture_has_it_from_who_draws_that() -> None:
    plain = film_of()
    first, second = plain.shots[0].id, plain.shots[3].id
    film = film_of(
        SetShots(shots=[first], values={"made_by": {"picture": "fine"}}),
        SetShots(shots=[second], values={"made_by": {"picture": "short", "clip": "m"}}),
        SamePicture(shot=second, of=first),
    )
    borrowed = next(s for s in read(film).shots if s.shot.id == second)
    assert borrowed.offer == "fine" and borrowed.made_by["clip"] == "m"


def test_a_kind_that_nobody_chooses_a_maker_of_is_refused() -> None:
    film = film_of()
    for wrong in ({"speech": "x"}, {"picture": ""}, {"picture": "x" * 61}):
        with pytest.raises(BadInput):
            film_of(SetShots(shots=[film.shots[0].id], values={"made_by": wrong}))


def test_sounds_are_asked_of_who_was_chosen_and_the_old_ones_are_heard_until_then() -> None:
    plain, seed = film_of(sounds="high"), Settings().seed

    def cues(film: FilmDocument) -> dict[str, object]:
        return {c.id: c for c in assemble("f", read(film), {}, lambda keys: {}).cues}

    before = cues(plain)
    word = word_of_scene(plain, 1)
    film = film_of(
        SetScene(word=word, values={"made_by": {"sound": "foley", "music": "trio"}}), sounds="high"
    )
    after, scenes = cues(film), [s.scene for s in read(film).shots]
    assert before.keys() == after.keys()
    for name, cue in after.items():
        chosen = scenes[cue.shot] == 1
        wanted = ("trio" if cue.kind == "music" else "foley") if chosen else ""
        assert cue.by == wanted, cue
        same = sound_key_of(cue, seed) == sound_key_of(before[name], seed)
        assert same != chosen
        if chosen:
            assert heard_until(cue, seed)[0] == sound_key_of(before[name], seed)
    one = next(c for c in after.values() if c.by == "foley")
    old = sound_key_of(replace(one, by=""), seed)
    made = {old: Result(old, "sound", "old.flac", {"seconds": 3.0}, 0)}
    laid = assemble("f", read(film), {}, lambda keys: {k: made[k] for k in keys if k in made})
    assert laid.sound_of(one).media == "old.flac"


def test_a_voice_is_asked_for_as_much_as_its_own_service_takes() -> None:
    text = "Ada waited by the mill for a long while and then she walked on, slowly. " * 8
    speech = (
        VoiceOffered("terse", "she", "adult", text_cap=90, directed=True),
        VoiceOffered("long", "she", "adult", text_cap=2000, directed=False),
        VoiceOffered("plain", "she", "adult"),
    )
    offered = Offered(400, speech, text_cap=300, directed=False)
    lengths = {}
    for voice in ("terse", "long", "plain", "of nobody"):
        film, _ = new_film("t", text, Settings(narrator=voice, manner="in a whisper"))
        lines = read_film(film, offered).speech
        lengths[voice] = max(len(line.text) for line in lines)
        assert all((line.direction == "in a whisper") == (voice == "terse") for line in lines)
    assert lengths["terse"] <= 90 < lengths["plain"] == lengths["of nobody"] <= 300
    assert lengths["long"] > 300


def test_choices_of_the_film_are_part_of_it() -> None:
    film = film_of(SetSettings(values={"made_by": {"clip": "mover"}, "offer": "fine"}))
    first = read(film).shots[0]
    assert first.made_by == {"clip": "mover", "picture": "fine"}
    assert FilmDocument.model_validate(film.model_dump(mode="json")) == film
    assert Person(id=1, name="Ada").made_by == {}
