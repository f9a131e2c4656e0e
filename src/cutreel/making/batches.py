"""Batches: films begun together, and made one after another while nobody looks."""

import logging
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from decimal import Decimal

from cutreel.core.errors import BadInput, CutReelError
from cutreel.core.spending import OfBatch, next_of, why_not
from cutreel.store import BatchInHand, FilmOfBatch, Question

from .beginning import Story, begin_film
from .estimating import estimate
from .kinds.reading import unread
from .runner import start_run
from .workshop import Workshop

log = logging.getLogger(__name__)
MOST_FILMS = 60


def begin_batch(
    shop: Workshop,
    name: str,
    stories: Sequence[Story],
    most: Decimal | None,
    until: datetime | None,
) -> str:
    """Put a film of each story on the shelf, to be made one after another; returns the batch's id. Raises BadInput, and
    leaves no film, where one of the stories is none."""
    if not stories:
        raise BadInput("There is no story in it.", "Bring a folder of stories, or a table of them.")
    if len(stories) > MOST_FILMS:
        raise BadInput(f"A batch has {MOST_FILMS} films at most.", "Make several batches of it.")
    films: list[str] = []
    try:
        for number, told in enumerate(stories, 1):
            try:
                film, _ = begin_film(shop, told, at_once=0)
            except BadInput as error:
                called = told.title or f"story {number}"
                raise BadInput(f"{called}: {error.message}", error.advice) from error
            films.append(film)
    except BadInput:
        for film in films:
            shop.films.remove(film)
        raise
    return shop.batches.add(name, films, most, until)


def move_batches(shop: Workshop) -> int:
    """Begin what is next in each batch that goes on; returns how many films were begun."""
    begun = 0
    with shop.batches.in_hand() as batches:
        for batch in batches:
            try:
                begun += _moved(shop, batch)
            except CutReelError as error:
                # A service that is away, say: it is looked at again.
                log.info("batch %s waits: %s", batch.row.id, error)
    return begun


def _moved(shop: Workshop, batch: BatchInHand) -> bool:
    row = batch.row
    if row.most is not None and row.spent > row.most:
        batch.stop(f"It has cost {row.spent:.2f}, more than it was to.")
        return False
    following = next_of([OfBatch(f.film, f.state) for f in row.films])
    if following.what == "done":
        batch.state = "done"
    if following.what != "begin":
        return False
    film = following.film
    if unread(film, shop.films.get(film).document, shop):
        # It is being read, which costs nothing; before, nobody knows what it will cost to make.
        return False
    cost = estimate(shop, film, "everything", {}).cost
    why = why_not(cost, row.spent, row.most, row.until, datetime.now(UTC))
    if why:
        batch.stop(why)
        return False
    # A worker that died after it had begun one left the run behind.
    known = [r for r in shop.runs.of_film(film, ("everything",)) if r.state == "going"]
    try:
        run = known[0].id if known else start_run(shop, film, "everything", {"wait": True})
    except BadInput as error:
        batch.begun[film] = (None, str(error))
        return False
    batch.begun[film] = (run, "")
    return True


@dataclass(frozen=True)
class ToLookAt:
    """What there is to look at in a film of a batch beside its report: what its run asks, what could not be made."""

    film: FilmOfBatch
    questions: list[Question]
    failures: list[str]
    share: float


def to_look_at(shop: Workshop, film: FilmOfBatch) -> ToLookAt:
    """The list of questions and faults of a film of a batch."""
    if film.run is None:
        return ToLookAt(film, [], [], 0.0)
    run = shop.runs.view(film.run)
    return ToLookAt(film, run.questions, run.failures, run.share)
