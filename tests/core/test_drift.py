"""Outfits by scene, and traits that a prompt does not carry."""

from cutreel.core.continuity import Outfit, Person, Trait, dressed, drift_in_words
from cutreel.core.film import Offered, Settings, apply_command, new_film, read_film
from cutreel.core.film.commands import EditText, MoveScene, SetPerson

STORY = "# One\n\nAda ran. Ada fell.\n\n# Two\n\nAda slept. Bo slept.\n\n# Three\n\nAda woke.\n"
COAT, HAIR = (
    Trait(about="clothes", text="yellow oilskin coat", short="yellow oilskin"),
    Trait(about="hair", text="grey braid"),
)


def film_with_outfit() -> tuple[object, list[str], int]:
    film, used = new_film("t", STORY, Settings(pace=2))
    scenes = [film.word_ids[s.first] for s in read_film(film, Offered(900)).script.scenes]
    ada = next(p for p in film.cast if p.name == "Ada")
    person = ada.model_copy(
        update={
            "traits": [HAIR, COAT],
            "outfits": [
                Outfit(
                    name="asleep",
                    traits=[Trait(about="Clothes ", text="white nightgown")],
                    scenes=[scenes[1]],
                )
            ],
        }
    )
    film, used, _ = apply_command(film, SetPerson(person=person), used)
    return film, used, ada.id


def test_an_outfit_holds_in_its_scenes_and_changes_exactly_their_prompts() -> None:
    film, used, ada = film_with_outfit()
    before = read_film(film, Offered(900)).shots  # type: ignore[arg-type]
    for shot in before:
        if ada in shot.facts.people:
            assert "grey braid" in shot.prompt.text
            assert ("white nightgown" in shot.prompt.text) == (shot.scene == 1)
            assert ("yellow oilskin" in shot.prompt.text) == (shot.scene != 1)
    person = next(p for p in film.cast if p.id == ada).model_copy(deep=True)  # type: ignore[attr-defined]
    person.outfits[0].traits[0].text = "striped pyjamas"
    after, used, _ = apply_command(film, SetPerson(person=person), used)  # type: ignore[arg-type]
    changed = [
        b.scene
        for a, b in zip(before, read_film(after, Offered(900)).shots, strict=True)
        if a.picture_key != b.picture_key
    ]
    assert changed == [1]


def test_an_outfit_goes_with_its_scene() -> None:
    film, used, _ = film_with_outfit()
    film, used, _ = apply_command(film, MoveScene(scene=1, to=0), used)  # type: ignore[arg-type]
    at = film.text.index("Ada slept")
    film, used, _ = apply_command(film, EditText(start=at, end=at + 3, insert="Then old Ada"), used)
    worn = [s.scene for s in read_film(film, Offered(900)).shots if "nightgown" in s.prompt.text]
    assert worn and set(worn) == {0}


def test_missing_traits_are_told_in_either_wording() -> None:
    ada = Person(id=1, name="Ada", traits=[HAIR, COAT])
    assert drift_in_words([ada], "Ada (grey braid, yellow oilskin). night.") == []
    assert drift_in_words([ada], "Ada (Grey braid, YELLOW oilskin coat)") == []
    found = drift_in_words([ada, Person(id=2, name="Bo")], "Ada in a grey braided cap")
    assert [(d.person, d.missing) for d in found] == [(1, ("grey braid", "yellow oilskin coat"))]
    assert dressed(ada, 7) is ada


def test_an_outfit_of_a_shot_goes_before_that_of_its_scene() -> None:
    film, used, ada = film_with_outfit()
    before = read_film(film, Offered(900)).shots  # type: ignore[arg-type]
    person = next(p for p in film.cast if p.id == ada).model_copy(deep=True)  # type: ignore[attr-defined]
    last = [s for s in before if ada in s.facts.people][-1]
    person.outfits.append(
        Outfit(
            name="wet", traits=[Trait(about="clothes", text="grey blanket")], shots=[last.shot.id]
        )
    )
    after, used, _ = apply_command(film, SetPerson(person=person), used)  # type: ignore[arg-type]
    worn = [
        s.shot.id for s in read_film(after, Offered(900)).shots if "grey blanket" in s.prompt.text
    ]
    assert worn == [last.shot.id]


def test_what_may_go_weighs_less_where_weights_are_understood() -> None:
    film, used, ada = film_with_outfit()
    person = next(p for p in film.cast if p.id == ada).model_copy(deep=True)  # type: ignore[attr-defined]
    person.traits = [HAIR, COAT, Trait(about="face", text="freckles", weight="if room")]
    film, used, _ = apply_command(film, SetPerson(person=person), used)  # type: ignore[arg-type]
    weighed = read_film(film, Offered(900, (), understands={"weights"})).shots
    plain = read_film(film, Offered(900)).shots
    assert {s.lighter for s in weighed if "freckles" in s.prompt.text} == {("freckles",)}
    assert not any(s.lighter for s in plain)
    assert [a.picture_key != b.picture_key for a, b in zip(weighed, plain, strict=True)] == [
        "freckles" in s.prompt.text for s in plain
    ]
