"""Whether something takes time in proportion to what it is given, on a machine that others use too."""

from collections.abc import Callable

TRIES = 4


def in_proportion(seconds: Callable[[int], float], size: int) -> None:
    """Assert that four times `size` takes far less than sixteen times as long, as it would if the
    time grew with the square. Tried again where it seems so: a busy machine is slow now and then,
    what grows with the square is slow each time."""
    tried = []
    for _ in range(TRIES):
        once, four = min(seconds(size), seconds(size)), seconds(4 * size)
        if four < 8 * once + 0.02:
            return
        tried.append(f"{once:.3f} s, then {four:.3f} s")
    raise AssertionError(f"{size} and {4 * size}: {'; '.join(tried)}")
