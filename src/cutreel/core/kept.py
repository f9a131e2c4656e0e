"""What was worked out of a film last, so that what would come out the same again is not worked out again."""

from collections.abc import Callable, Hashable, Sequence
from typing import Any, TypeVar, cast

T = TypeVar("T")


class Kept:
    """Parts of a film, each with what it was worked out from. A film's next form takes them along (`of`): of a thousand
    shots a change mostly leaves the joins, the grades or the sounds as they were. Nobody changes what is kept."""

    def __init__(self) -> None:
        self._parts: dict[Hashable, tuple[Any, Sequence[object], object]] = {}

    def of(
        self, part: Hashable, make: Callable[[], T], told: object = (), same: Sequence[object] = ()
    ) -> T:
        """A part of the film; made anew unless what it was `told` is equal to what it was told last, and each object of
        `same` the very same."""
        known = self._parts.get(part)
        if known is not None:
            before, objects, found = known
            if all(a is b for a, b in zip(objects, same, strict=True)) and before == told:
                return cast(T, found)
        made = make()
        self._parts[part] = (told, same, made)
        return made
