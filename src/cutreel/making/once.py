"""Words asked of a service: once for the same wish, paid once, kept like every other result."""

import json
from collections.abc import Callable
from typing import Any, NamedTuple, TypeVar

from cutreel.core.errors import CutReelError
from cutreel.protocol import JobInput

from .paying import Order, ordered
from .workshop import Workshop

Checked = TypeVar("Checked")


class Answer(NamedTuple):
    """What a service returned as JSON, the words of the wish that it could not use, and what it cost."""

    data: Any
    unused: list[str]
    cost: float


def ask_once(
    shop: Workshop,
    kind: str,
    work: JobInput,
    name: str,
    film: str,
    check: Callable[[Any], Checked] = lambda data: data,
) -> tuple[Checked, Answer]:
    """What the first service of a kind ("script", "reading") answers to a wish of the key `name`, as `check` makes of
    it.

    Raises CutReelError when it refuses, or answers something that is not JSON, or that `check` raises ValueError for;
    such an answer is not kept.
    """
    made = shop.results.get(name)
    if made is not None:
        data = made.data["data"]
        return check(data), Answer(data, made.data["unused"], float(made.cost))
    offer = shop.offer_of(kind)
    done = ordered(shop, Order(film=film, offer=offer.name, work=work, key=name))
    if done is None or not done.files:
        raise CutReelError(f"{offer.title} returned nothing.", "Ask again.")
    try:
        data = json.loads(done.files[0][1])
        checked = check(data)
    except ValueError as error:
        raise CutReelError(f"{offer.title} returned something unreadable.", "Ask again.") from error
    shop.results.put(name, kind, None, {"data": data, "unused": done.unused_words}, done.cost)
    return checked, Answer(data, list(done.unused_words), float(done.cost))
