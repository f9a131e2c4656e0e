"""Batches: a folder or a table of stories, made one after another while nobody looks."""

from datetime import UTC, date, datetime
from decimal import Decimal
from typing import Literal

from fastapi import APIRouter, UploadFile
from pydantic import BaseModel, Field

from cutreel.core.errors import BadInput
from cutreel.core.film import Settings
from cutreel.core.manuscript import read
from cutreel.core.publishing import ReportFigure
from cutreel.core.spending import FilmIn
from cutreel.making import SCRIPT, Story, begin_batch, reader, start_run, stories_in, to_look_at
from cutreel.store import BatchRow, FilmOfBatch, Question

from .door import Films, Shop

router = APIRouter(prefix="/api/batches")
State = Literal["going", "stopped", "done"]


class StoryTold(BaseModel):
    """A story of a batch: what its film is to be called (empty: as its first line says), and the day it is due."""

    title: str = Field("", max_length=200)
    text: str = Field(min_length=1, max_length=1_000_000)
    due: date | None = None


class FoundStories(BaseModel):
    """The stories that were found in a file, with how many words each has."""

    stories: list[StoryTold]
    words: list[int]


class BatchWish(BaseModel):
    """A batch: its stories, the house style of its films (by its id), how much it may cost, and until when it begins
    films (None: no matter)."""

    name: str = Field(min_length=1, max_length=80)
    style: str | None = Field(None, max_length=12)
    most: Decimal | None = Field(None, ge=0, le=1_000_000)
    until: datetime | None = None
    stories: list[StoryTold] = Field(max_length=200)


class BatchAllowed(BaseModel):
    """How much a batch may cost, and until when it begins films (None: no matter)."""

    most: Decimal | None = Field(None, ge=0, le=1_000_000)
    until: datetime | None = None


class BatchFilmView(BaseModel):
    """A film of a batch: how far it is (`share` 0 … 1), what it has cost, why it is not further; what there is to look
    at: questions of its run, what could not be made, figures of its report that are not as aimed at. `looked`: when
    somebody looked it over, before which it is not delivered."""

    film: str
    title: str
    state: FilmIn
    run: str | None
    share: float
    cost: float
    says: str
    questions: list[Question]
    failures: list[str]
    amiss: list[ReportFigure]
    looked: datetime | None


class BatchView(BaseModel):
    """A batch, its films in their order."""

    id: str
    name: str
    state: State
    says: str
    most: float | None
    until: datetime | None
    spent: float
    created: datetime
    films: list[BatchFilmView]


@router.post("/stories")
def found(file: UploadFile) -> FoundStories:
    """The stories in a file: a table of them, or a script that is one. Nothing is kept."""
    rows = reader.read(stories_in, file.file.read(), file.filename or "", what=SCRIPT)
    stories = [
        StoryTold(title=r.title, text=r.text, due=date.fromisoformat(r.due) if r.due else None)
        for r in rows
    ]
    return FoundStories(stories=stories, words=[len(read(s.text).words) for s in stories])


@router.get("")
def batches(shop: Shop, films: Films) -> list[BatchView]:
    """All batches, the newest first."""
    return [_view(shop, films, row) for row in shop.batches.all()]


@router.post("", status_code=201)
def begin(wish: BatchWish, shop: Shop, films: Films) -> BatchView:
    """Put a film of each story on the shelf, and begin with the first."""
    stories = [
        Story(
            text=s.text,
            title=s.title,
            style=wish.style,
            settings=Settings(due=s.due.isoformat()) if s.due else Settings(),
        )
        for s in wish.stories
    ]
    made = begin_batch(shop, wish.name.strip(), stories, wish.most, _moment(wish.until))
    return _view(shop, films, shop.batches.get(made))


@router.put("/{batch}")
def allow(batch: str, allowed: BatchAllowed, shop: Shop, films: Films) -> BatchView:
    """Let a batch go on, within a sum and a time."""
    shop.batches.allow(batch, allowed.most, _moment(allowed.until))
    return _view(shop, films, shop.batches.get(batch))


@router.post("/{batch}/stop")
def stop(batch: str, shop: Shop, films: Films) -> BatchView:
    """Begin no other film of a batch. The one that is being made goes on."""
    shop.batches.set_state(batch, "stopped", "Stopped by hand.")
    return _view(shop, films, shop.batches.get(batch))


@router.delete("/{batch}", status_code=204)
def drop(batch: str, shop: Shop) -> None:
    """Forget a batch. Its films stay on the shelf, and what is being made goes on."""
    shop.batches.drop(batch)


@router.post("/{batch}/films/{film}/looked")
def looked_over(batch: str, film: str, shop: Shop, films: Films) -> BatchView:
    """Say that a film was looked over, and have its file made. Raises BadInput where it is not made yet."""
    known = next((f for f in shop.batches.get(batch).films if f.film == film), None)
    if known is not None and known.state != "made":
        raise BadInput("That film is not made yet.", "Wait until it is.")
    shop.batches.looked_over(batch, film)
    start_run(shop, film, "delivery", {})
    return _view(shop, films, shop.batches.get(batch))


def _moment(told: datetime | None) -> datetime | None:
    """A moment with its zone; one that names none is UTC's."""
    return told.replace(tzinfo=UTC) if told is not None and told.tzinfo is None else told


def _view(shop: Shop, films: Films, row: BatchRow) -> BatchView:
    amiss = films.amiss({f.film for f in row.films if f.state in ("made", "failed")})
    return BatchView(
        id=row.id,
        name=row.name,
        state=row.state,
        says=row.says,
        most=None if row.most is None else float(row.most),
        until=row.until,
        spent=float(row.spent),
        created=row.created,
        films=[_film(shop, f, amiss.get(f.film, [])) for f in row.films],
    )


def _film(shop: Shop, film: FilmOfBatch, amiss: list[ReportFigure]) -> BatchFilmView:
    look = to_look_at(shop, film)
    return BatchFilmView(
        film=film.film,
        title=film.title,
        state=film.state,
        run=film.run,
        share=look.share,
        cost=float(film.cost),
        says=film.says,
        questions=look.questions,
        failures=look.failures,
        amiss=amiss,
        looked=film.looked,
    )
