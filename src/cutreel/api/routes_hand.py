"""Lists of what is made by hand, and what comes back."""

from datetime import datetime

from fastapi import APIRouter, UploadFile
from pydantic import BaseModel

from cutreel.bridge import pictures_of, values_of
from cutreel.core.errors import BadInput
from cutreel.making import ForToday, Workshop, bring_files, for_today, hand_folder, take_off
from cutreel.protocol import JobRequest

from .door import Shop

router = APIRouter(prefix="/api")
MOST_FILES = 200


class HandRow(BaseModel):
    """Something to be made by hand: its number, what for, and what is asked. `references` are media to follow, or to be
    set in motion."""

    number: int
    label: str
    film: str
    title: str
    shot: int | None
    kind: str
    prompt: str
    negative: str
    details: str
    references: list[str]
    asked: datetime


class HandListView(BaseModel):
    """A list for today; `later` wait for other days, `made` came today. Files may also be put into `folder`."""

    rows: list[HandRow]
    later: int
    made: int
    daily: int | None
    folder: str


@router.get("/services/{service}/hand")
def hand_list(service: str, shop: Shop) -> HandListView:
    return _view(shop, service, for_today(shop, service))


class PlacedView(BaseModel):
    """What became of a file: the number of its place and what that is, or why it has none."""

    name: str
    number: int | None
    says: str


class BroughtByHand(BaseModel):
    placed: list[PlacedView]
    list: HandListView


@router.post("/services/{service}/hand")
def brought(service: str, files: list[UploadFile], shop: Shop) -> BroughtByHand:
    """Files that were made, or zips of them: each finds its place by the number that its name begins with."""
    if len(files) > MOST_FILES:
        raise BadInput("That is too much at once.", f"Bring at most {MOST_FILES} files.")
    placed = bring_files(shop, service, [(f.filename or "file", f.file.read()) for f in files])
    return BroughtByHand(
        placed=[PlacedView.model_validate(p, from_attributes=True) for p in placed],
        list=_view(shop, service, for_today(shop, service)),
    )


@router.delete("/services/{service}/hand/{number}")
def off_the_list(service: str, number: int, shop: Shop) -> HandListView:
    """Take something off the list: it is not made; its run goes on and says so."""
    take_off(shop, service, number)
    return hand_list(service, shop)


def _view(shop: Workshop, service: str, today: ForToday) -> HandListView:
    titles = shop.films.titles() if today.jobs else {}
    rows = []
    for job in today.jobs:
        work = JobRequest.model_validate({"offer": service, "input": dict(job.input)}).input
        told = values_of(work)
        rows.append(
            HandRow(
                number=job.number,
                label=job.label,
                film=job.film,
                title=titles.get(job.film, ""),
                shot=job.shot,
                kind=work.kind,
                prompt=str(told["prompt"] or told["text"]),
                negative=str(told["negative"]),
                details=_details(told),
                references=[f"{name}.png" for name in pictures_of(work)],
                asked=job.asked,
            )
        )
    return HandListView(
        rows=rows,
        later=today.later,
        made=today.made,
        daily=today.daily,
        folder=str(hand_folder(service)),
    )


def _details(told: dict[str, str | int | float]) -> str:
    """Size, length, seed and voice, as far as they are asked for."""
    parts = []
    if told["width"]:
        parts.append(f"{told['width']} × {told['height']}")
    if told["seconds"]:
        parts.append(f"{told['seconds']:g} s")
    if told["voice"]:
        parts.append(f"voice {told['voice']}")
    if told["seed"]:
        parts.append(f"seed {told['seed']}")
    return ", ".join(parts)
