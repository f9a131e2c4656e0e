"""One idea for every shot, chosen over all of them at once: what tells the words best, as far as neighbours differ in
sort, size and subject.

The cheapest way through a trellis (Viterbi 1967): a shot's idea costs what it lacks in strength, and what it repeats of
the two before it.
"""

from collections.abc import Sequence

from .idea import Idea, IdeaSort

SAME_SORT, SAME_SIZE, SAME_PEOPLE = 0.5, 0.45, 0.35
THIRD = 2.5
"""What the third of a sort in a row costs: more than any idea is better than another by."""


def choose(shots: Sequence[Sequence[Idea]], wanted: Sequence[IdeaSort | None]) -> list[Idea]:
    """An idea for each shot. `wanted` are those that the maker set; A shot without ideas is not
    allowed."""
    if not shots:
        return []
    options = [_allowed(ideas, sort) for ideas, sort in zip(shots, wanted, strict=True)]
    # By the last two ideas: what the best way there costs, and the two before.
    table: list[dict[tuple[int, int], tuple[float, tuple[int, int] | None]]] = []
    first: dict[tuple[int, int], tuple[float, tuple[int, int] | None]] = {}
    for j, idea in enumerate(options[0]):
        first[(-1, j)] = (_cost(None, None, idea), None)
    table.append(first)
    for n in range(1, len(options)):
        step: dict[tuple[int, int], tuple[float, tuple[int, int] | None]] = {}
        for (i, j), (cost, _) in table[-1].items():
            two = options[n - 2][i] if i >= 0 else None
            one = options[n - 1][j]
            for k, idea in enumerate(options[n]):
                total = cost + _cost(two, one, idea)
                if (j, k) not in step or total < step[(j, k)][0]:
                    step[(j, k)] = (total, (i, j))
        table.append(step)
    at: tuple[int, int] | None = min(table[-1], key=lambda pair: (table[-1][pair][0], pair))
    chosen: list[Idea] = []
    for n in range(len(options) - 1, -1, -1):
        assert at is not None
        chosen.append(options[n][at[1]])
        at = table[n][at][1]
    return chosen[::-1]


def _allowed(ideas: Sequence[Idea], sort: IdeaSort | None) -> Sequence[Idea]:
    of_sort = [i for i in ideas if i.sort == sort]
    return of_sort or ideas


def _cost(two: Idea | None, one: Idea | None, idea: Idea) -> float:
    cost = -idea.strength
    if one is None:
        return cost
    if one.sort == idea.sort:
        cost += SAME_SORT
        if two is not None and two.sort == idea.sort:
            cost += THIRD
    if one.size == idea.size:
        cost += SAME_SIZE
    if one.people == idea.people and idea.people:
        cost += SAME_PEOPLE
    return cost
