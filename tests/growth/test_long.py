"""A manuscript of 10,000 words and 1,000 shots: cut whole, changed in place, without work that grows with its square."""

import time
from collections.abc import Callable
from itertools import product

from cutreel.core.film import (
    Offered,
    Settings,
    apply_command,
    find_places,
    new_film,
    read_film,
    wish_of,
)
from cutreel.core.film.commands import CutAgain, EditPlaces, EditText, MoveScene, SetMark
from cutreel.core.manuscript import differences, people_named, read
from tests.conftest import STORY
from tests.proportion import in_proportion


def story(scenes: int) -> str:
    """About forty shots to a scene."""
    return "\n\n".join(STORY.replace("# ", f"# {i} ") for i in range(scenes))


TEXT = story(26)


def seconds(work: Callable[[], object]) -> float:
    """Of a second run: what is kept from run to run is part of how the application works."""
    work()
    began = time.process_time()
    work()
    return time.process_time() - began


def test_a_thousand_shots_are_cut_and_changed() -> None:
    film, used = new_film("long", TEXT, Settings(pace=3.1))
    cut, used, _ = apply_command(film, CutAgain(by="exactly", count=1000), used)
    assert len(cut.word_ids) > 10_000 and len(cut.shots) == 1000
    middle = cut.word_ids[
        next(
            i
            for i, n in enumerate(cut.word_ids)
            if i > 5000 and n not in {s.first for s in cut.shots}
        )
    ]
    marked, used, _ = apply_command(cut, SetMark(word=middle), used)
    assert len(marked.shots) == 1001
    at = marked.text.index("Halfway over", 20_000)
    edited, used, _ = apply_command(marked, EditText(start=at, end=at + 7, insert="Half way"), used)
    assert len({s.id for s in edited.shots} & {s.id for s in marked.shots}) == 1001
    edits = [p.edit for p in find_places(edited.text, "Maren", "Ida")]
    renamed, used, _ = apply_command(edited, EditPlaces(edits=edits), used)
    assert len(edits) > 100 and renamed.word_ids == edited.word_ids
    moved, used, _ = apply_command(renamed, MoveScene(scene=100, to=3), used)
    assert len(moved.shots) == 1001
    shots = read_film(moved, Offered(400)).shots
    assert sum(s.end - s.first for s in shots) == len(moved.word_ids)


def test_work_grows_with_length_and_not_with_its_square() -> None:
    for build in (
        lambda text: lambda film=new_film("x", text, Settings())[0]: CutAgain().firsts(film),
        lambda text: lambda film=new_film("x", text, Settings())[0]: read_film(film, Offered(400)),
        lambda text: lambda: differences(text, text.replace("Maren", "Ida")),
        lambda text: lambda: find_places(text, "the", "a"),
    ):
        in_proportion(lambda scenes, build=build: seconds(build(story(scenes))), 6)


def test_names_and_roles_are_found_in_proportion_however_many_there_are() -> None:
    """Every name was once looked for beside every role, all through the text."""
    names = ["".join(p).capitalize() + "en" for p in product("bdfgklmnprst", "aeiou", "klmnrst")]
    roles = (
        "smith baker miller porter sailor weaver painter singer doctor nurse farmer hunter"
    ).split()

    def crowd(count: int) -> str:
        return "\n\n".join(
            f"{names[i]} met the {roles[i % 12]} at the gate. The {roles[i % 12]} nodded, and {names[i]} laughed. {i}"
            for i in range(count)
        )

    def seconds_of(count: int) -> float:
        text = crowd(count) + f"\n\n{time.monotonic_ns()}"
        began = time.process_time()
        people_named(text)
        return time.process_time() - began

    in_proportion(seconds_of, 80)


def test_the_wish_of_a_long_film_is_met() -> None:
    film, _ = new_film("long", TEXT, Settings(pace=5))
    found = read_film(film, Offered(400))
    assert wish_of(film).wanted(100) == 5
    words = [s.end - s.first for s in found.shots]
    assert 9 < sum(words) / len(words) < 20 and len(read(TEXT).words) == sum(words)
