"""Picture ideas: what a shot may show, and the choice over neighbours."""

from itertools import pairwise

import pytest

from cutreel.core.continuity import Overrides
from cutreel.core.film import Offered, ReadFilm, Settings, apply_command, new_film, read_film
from cutreel.core.film.commands import CutAgain, SetSettings, SetShots
from cutreel.core.ideas import IDEA_SORTS, Idea, choose
from tests.labelled import all_stories, parses_of, read_by_sentence


def idea(
    sort: str, size: str = "medium", strength: float = 1.0, people: tuple[int, ...] = ()
) -> Idea:
    return Idea(sort, size, people, f"{sort} of {people}", "why", strength)  # type: ignore[arg-type]


def film_of(text: str, shots: int | None = None) -> ReadFilm:
    parses = parses_of(text)
    document, used = new_film("x", text, Settings(), parses=parses)
    if shots:
        document, _, _ = apply_command(document, CutAgain(by="exactly", count=shots), used)
    return read_film(document, Offered(600), parses=parses)


def test_the_strongest_is_taken_where_nothing_repeats() -> None:
    shots = [[idea("deed", "wide", 3), idea("face", "close", 1)]]
    assert choose(shots, [None])[0].sort == "deed"


def test_no_more_than_two_of_a_sort_in_a_row_where_there_is_another() -> None:
    shots = [[idea("deed", "wide", 2.4), idea("face", "close", 1.0)] for _ in range(9)]
    sorts = [i.sort for i in choose(shots, [None] * 9)]
    assert all(len(set(sorts[n : n + 3])) > 1 for n in range(7)), sorts
    assert sorts.count("deed") > sorts.count("face"), "what tells more is shown more"


def test_neighbours_differ_in_size_where_they_can() -> None:
    shots = [[idea("deed", "wide", 2.0), idea("deed", "medium", 1.9)] for _ in range(2)]
    first, second = choose(shots, [None, None])
    assert first.size != second.size


def test_what_the_maker_set_is_taken_and_its_neighbours_make_way() -> None:
    shots = [[idea("deed", "wide", 2), idea("face", "close", 1.8)] for _ in range(3)]
    free = [i.sort for i in choose(shots, [None, None, None])]
    forced = [i.sort for i in choose(shots, [None, "face", None])]
    assert forced[1] == "face" and free.count("face") <= forced.count("face")
    assert choose([[idea("deed")]], ["sign"])[0].sort == "deed", "what is not there is not taken"
    assert choose([], []) == []


def test_a_new_place_opens_wide_and_a_speaker_is_seen_near() -> None:
    film = film_of(
        "Ada walked into the kitchen. “Good evening,” she said. “Who is there?” she asked.\n\nTom ran to the harbour."
    )
    facts = [s.facts for s in film.shots]
    assert facts[0].framing in ("wide", "extreme wide") and facts[0].place.startswith("a kitchen, ")
    assert any(f.idea == "face" and f.framing == "close" for f in facts)
    assert all(f.why["framing"] and f.why["action"] for f in facts)


def test_who_is_seen_follows_from_the_idea_and_who_is_there_is_kept() -> None:
    text = "Ada and Tom stood on the pier. Ada laughed. Tom carried the big basket to the boat."
    film = film_of(text, 3)
    for shot in film.shots:
        chosen = next(i for i in shot.facts.ideas if i.sort == shot.facts.idea)
        assert set(shot.facts.people) == set(chosen.people)
        assert set(shot.facts.people) <= set(shot.facts.there) or shot.facts.idea in (
            "place",
            "face",
        )


def test_the_makers_own_framing_people_and_action_stay() -> None:
    text = "Ada and Tom stood on the pier. Ada laughed."
    parses = parses_of(text)
    document, used = new_film("x", text, Settings(), parses=parses)
    values = {
        "framing": "extreme close",
        "people": [],
        "action": "a gull on a post",
        "idea": "face",
    }
    shot = document.shots[0].id
    changed, _, _ = apply_command(document, SetShots(shots=[shot], values=values), used)
    facts = read_film(changed, Offered(600), parses=parses).shots[0].facts
    assert (facts.framing, facts.people, facts.action) == ("extreme close", (), "a gull on a post")
    assert facts.idea == "face" and changed.shots[0].own == Overrides(**values)


def test_prompts_say_what_is_seen_and_nothing_else() -> None:
    text = (
        "Ada did not think that Tom would come. She had waited for an hour on the bridge, like a cat. "
        "“I am here,” said Tom. He gave her a letter from her mother."
    )
    for shot in film_of(text).shots:
        said = shot.prompt.text
        assert "did not" not in said and "like a cat" not in said and "I am here" not in said
        assert "waited" not in said and "would" not in said


@pytest.mark.thorough
def test_nobody_is_named_who_is_not_in_the_picture() -> None:
    for story in all_stories():
        film = read_by_sentence(story, parses_of(story.text))
        cast = {p.id: p for p in film.document.cast}
        for shot in film.shots:
            for person in cast.values():
                proper = person.name[:1].isupper()
                if proper and person.id not in shot.facts.people:
                    assert person.name not in shot.facts.action, (shot.text, shot.facts.action)


def test_a_number_or_a_year_is_shown_where_nothing_can_be_seen() -> None:
    film = film_of("In 1799 it became law. Ada opened the door.", 2)
    assert film.shots[0].facts.idea == "sign" and "1799" in film.shots[0].facts.action


@pytest.mark.thorough
@pytest.mark.parametrize("story", all_stories(), ids=lambda s: s.name)
def test_whole_stories_have_a_rhythm(story) -> None:  # type: ignore[no-untyped-def]
    film = read_by_sentence(story, parses_of(story.text))
    sorts = [s.facts.idea for s in film.shots]
    assert set(sorts) <= set(IDEA_SORTS)
    assert len(set(sorts)) >= 3, "not all the same"
    assert sum(a == b for a, b in pairwise(sorts)) <= len(sorts) // 2
    for shot in film.shots:
        offered = [i.sort for i in shot.facts.ideas]
        assert shot.facts.idea in offered


def test_prompts_may_tell_the_words_themselves() -> None:
    text = "Ada did not think that he would come. She lifted the lamp."
    parses = parses_of(text)
    document, used = new_film("x", text, Settings(), parses=parses)
    said, _, _ = apply_command(document, SetSettings(values={"prompts": "words"}), used)
    shots = read_film(said, Offered(600), parses=parses).shots
    assert [s.facts.action for s in shots] == [
        s.text.rstrip(".") + "." * s.text.endswith(".") for s in shots
    ]
    assert (
        shots[0].facts.framing
        == read_film(document, Offered(600), parses=parses).shots[0].facts.framing
    )


def test_where_nothing_says_where_it_is_the_same_place_in_every_shot() -> None:
    film = film_of("Ada laughed. Tom laughed too. They danced.", 3)
    places = {s.facts.place for s in film.shots}
    assert len(places) == 1 and "" not in places
    assert "nothing says where" in film.shots[0].facts.why["place"]
    kitchen = film_of(
        "Ada laughed. She went into the kitchen. The kitchen was cold. The kitchen was dark.", 4
    )
    assert {s.facts.place.split(",")[0] for s in kitchen.shots} == {"a kitchen"}


def test_moves_follow_from_the_idea_and_do_not_all_push() -> None:
    story = next(s for s in all_stories() if s.name == "bridge")
    film = read_by_sentence(story, parses_of(story.text))
    moves = [s.move for s in film.shots]
    of_faces = [s.move for s in film.shots if s.facts.idea == "face"]
    assert of_faces.count("push") > len(of_faces) / 2, "mostly toward a face"
    assert set(of_faces) <= {"push", "pull", "still"}
    assert len(set(moves)) >= 3
    for trio in zip(moves, moves[1:], moves[2:], strict=False):
        assert len(set(trio)) > 1, "never three alike in a row"
    assert all(s.why_move for s in film.shots)


def test_a_country_is_shown_as_a_map() -> None:
    film = film_of("Ada opened the door. At that time France alone had many measures.", 2)
    last = film.shots[-1].facts
    assert (last.idea, last.action) == ("sign", "a map of France") and last.place != "a France"
