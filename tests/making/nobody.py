"""Films and runs without a page: a film that was read already, a run that no worker knows, whose items wait until a test
does them."""

from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Any

from pydantic import BaseModel

from cutreel.core.film import FilmDocument
from cutreel.making import Workshop, parses_of
from cutreel.store import ItemSpec
from cutreel.store.tables import Item


def read_and_added(shop: Workshop, document: FilmDocument, edges: list[str]) -> str:
    """A new film whose story was read already, as that of any film which somebody worked on; gives its id."""
    parses_of(document, shop.parses)
    return shop.films.add(document, edges)


class Nothing(BaseModel):
    """A spec of nothing."""


@dataclass
class NoQueue:
    """Takes jobs and does nothing with them: the test is the worker."""

    def put_items(self, session: Any, items: Any, at: Any = None, priority: int = 0) -> None:
        return

    def rank(self, session: Any, items: Any, priority: int) -> None:
        return

    def hurry(self, session: Any, items: Any) -> None:
        return


@contextmanager
def run_of_nobody(shop: Workshop, film: str, count: int) -> Iterator[tuple[str, list[int]]]:
    """A run of so many pictures of a film, for a while; gives its id and the numbers of its items, in order."""
    run = shop.runs.start(film, "by-nobody", {})
    specs = [ItemSpec("picture", f"picture of shot {n}", Nothing(), n) for n in range(1, count + 1)]
    shop.runs.open_stage(run, 0, specs, ["services"] * count, NoQueue())
    with shop.database.transaction() as session:
        numbers = [i.id for i in session.query(Item).filter_by(run=run).order_by(Item.id)]
    try:
        yield run, numbers
    finally:
        # Before a worker sees that nobody moves it.
        shop.runs.finish(run, "cancelled")
