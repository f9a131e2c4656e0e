"""What a run of pictures consists of: for which shots, how many, with which seeds, at which offer, in which look."""

from datetime import UTC, datetime
from types import SimpleNamespace
from typing import Any

import pytest

from cutreel.core.errors import BadInput
from cutreel.core.film import FilmDocument, Offered, Settings, apply_command, new_film, read_film
from cutreel.core.film.commands import SamePicture, SetShots
from cutreel.making import REGISTRY, PicturesWanted, frame_size, wanted_pictures
from standins.offers import QUOTAS, offers

STORY = "# The yard\n\nThe ladder leaned by the gate. Dot pulled it across.\n\n# The road\n\nHobb carried it back. Dot went home.\n"
OFFERS = [
    o for o in offers({}, dict.fromkeys(QUOTAS, 99), datetime.now(UTC)) if o.kind == "picture"
]


def film(document: FilmDocument, made: dict[int, list[Any]] | None = None) -> Any:
    """A film as a plan sees it; `made` are takes by the index of their shot."""
    read = read_film(document, Offered(400))
    takes = [(made or {}).get(i, []) for i in range(len(read.shots))]
    return SimpleNamespace(
        document=document, read=read, takes=takes, used=[t[-1] if t else None for t in takes]
    )


@pytest.fixture
def document() -> FilmDocument:
    return new_film("Plans", STORY, Settings(pace=2.5, takes=1))[0]


def take(key: str, seed: int, number: int = 1) -> Any:
    return SimpleNamespace(
        id=f"t{number}", number=number, made_from=key, seed=seed, about={}, brought=False
    )


def pictures(film: Any, wishes: dict[str, Any]) -> list[Any]:
    return wanted_pictures(film, PicturesWanted(**wishes), OFFERS)


def stages_of(kind: str, wishes: dict[str, Any]) -> list[str]:
    return [s.name for s in REGISTRY.stages(REGISTRY.wanted(kind, wishes))]


def shots(items: list[Any]) -> list[int]:
    return [i.shot for i in items]


def test_everything_that_is_missing_once_in_film_order(document) -> None:
    whole = film(document)
    items = pictures(whole, {})
    assert shots(items) == [s.shot.id for s in whole.read.shots]
    assert len({i.spec.seed for i in items}) == len(items), "each shot has a seed of its own"
    assert all(i.spec.prompt == s.prompt.text for i, s in zip(items, whole.read.shots, strict=True))


def test_what_is_made_is_not_made_again_unless_it_is_named(document) -> None:
    first = film(document).read.shots[0]
    done = film(document, {0: [take(first.picture_key, first.seed)]})
    assert first.shot.id not in shots(pictures(done, {}))
    (again,) = pictures(done, {"shots": [first.shot.id]})
    assert again.spec.seed == first.seed + 1, "asked again it is something else"
    three = pictures(done, {"shots": [first.shot.id], "takes": 3})
    assert [i.spec.seed for i in three] == [first.seed + n for n in (1, 2, 3)]


def test_only_the_missing_or_only_the_stale(document) -> None:
    stale = film(document, {0: [take("made of other words", 5)]})
    assert stale.read.shots[0].shot.id not in shots(pictures(stale, {"only": "missing"}))
    assert shots(pictures(stale, {"only": "stale"})) == [stale.read.shots[0].shot.id]
    both = pictures(stale, {})
    assert len(both) == len(stale.read.shots)


def test_a_scene_alone(document) -> None:
    whole = film(document)
    second = [s.shot.id for s in whole.read.shots if s.scene == 1]
    assert second and shots(pictures(whole, {"scene": 1})) == second


def test_a_shot_that_borrows_its_picture_has_it_made_where_it_belongs() -> None:
    first, used = new_film("Plans", STORY, Settings(pace=2.5, takes=1))
    lender, borrower = first.shots[0].id, first.shots[1].id
    borrowed, _, _ = apply_command(first, SamePicture(shot=borrower, of=lender), used)
    whole = film(borrowed)
    assert borrower not in shots(pictures(whole, {}))
    assert shots(pictures(whole, {"shots": [borrower]})) == [lender]


def test_another_offer_and_another_look_ask_for_other_pictures(document) -> None:
    whole = film(document)
    quick = pictures(whole, {})
    fine = pictures(whole, {"offer": "illustrator-fine"})
    assert {i.spec.offer for i in fine} == {"illustrator-fine"}
    assert {i.spec.key for i in quick}.isdisjoint(i.spec.key for i in fine)
    clay = pictures(whole, {"look": "clay"})
    assert all("clay" in i.spec.prompt and i.spec.restyled["look"] == "clay" for i in clay)
    assert [i.spec.seed for i in clay] == [i.spec.seed for i in quick], (
        "the same seeds, to be compared"
    )
    with pytest.raises(BadInput, match="No service offers pictures as “nobody”"):
        pictures(whole, {"offer": "nobody"})


def test_one_seed_for_the_film_and_a_shots_own_before_it() -> None:
    one, used = new_film("Plans", STORY, Settings(pace=2.5, takes=1, seeds="one", seed=77))
    pinned, _, _ = apply_command(one, SetShots(shots=[one.shots[1].id], values={"seed": 5}), used)
    seeds = [i.spec.seed for i in pictures(film(pinned), {})]
    assert seeds[1] == 5 and set(seeds) == {77, 5}


@pytest.mark.parametrize(
    ("aspect", "short", "size"),
    [
        ("16:9", 720, (1280, 720)),
        ("9:16", 1080, (1080, 1920)),
        ("1:1", 720, (720, 720)),
        ("16:9", 2160, (3840, 2160)),
        ("16:9", 360, (640, 360)),
    ],
)
def test_frames_have_the_films_shape(aspect: str, short: int, size: tuple[int, int]) -> None:
    wide, high = frame_size(aspect, short)
    assert (wide, high) == size and not wide % 2 and not high % 2


def test_stages_follow_one_another() -> None:
    assert stages_of("delivery", {}) == ["reading", "made", "music", "mix", "segments", "join"]
    assert stages_of("delivery", {"make": False}) == ["reading", "mix", "segments", "join"]
    assert stages_of("pictures", {}) == ["reading", "pictures"]
    assert stages_of("everything", {})[-1] == "preview"
