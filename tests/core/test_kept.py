"""What was worked out last is worked out again only from something else."""

from dataclasses import replace

from cutreel.core.kept import Kept
from tests.labelled import film_of

STORY = (
    "Ada rowed to the quay. She carried a lamp.\n\n# The loft\n\nBram looked up. Nobody answered."
)


def test_a_part_is_made_again_only_from_something_else() -> None:
    kept, made, paper = Kept(), [], object()

    def part(told: object, thing: object) -> int:
        return kept.of("joins", lambda: made.append(told) or len(made), told, (thing,))

    assert [part(1, paper), part(1, paper), part(2, paper), part(2, paper)] == [1, 1, 2, 2]
    assert part(2, object()) == 3, "one that is equal is not the very same"
    assert part(1, paper) == 4, "only what was last is kept"


def test_parts_do_not_stand_in_for_one_another() -> None:
    kept = Kept()
    assert kept.of("joins", lambda: "a cut") == "a cut"
    assert kept.of(("joins", 2), lambda: "a dissolve") == "a dissolve"
    assert kept.of("joins", lambda: "another") == "a cut"


def test_a_shot_that_stands_elsewhere_is_as_if_it_were_read_there() -> None:
    shot = film_of(STORY).shots[-1]
    assert shot.around.scene == shot.scene
    moved = shot.standing(shot.first + 3, shot.end + 3, shot.scene + 1)
    assert moved == replace(shot, first=shot.first + 3, end=shot.end + 3, scene=shot.scene + 1)
    assert moved.token is shot.token and moved.around.scene == shot.scene + 1
