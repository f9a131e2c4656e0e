"""Runs: what they would cost, starting, watching and cancelling them; deliveries."""

from fastapi import APIRouter
from fastapi.responses import Response
from pydantic import BaseModel, Field

from cutreel.core.errors import NotFound
from cutreel.making import (
    RunRequest,
    answer_run,
    cancel_run,
    estimate,
    go_on_run,
    pause_run,
    start_run,
    try_now,
)
from cutreel.protocol import Kind
from cutreel.store import MOST_PRIORITY, TYPES, RunView

from .door import Films, Shop
from .schemas import EstimateView
from .sending import sent

router = APIRouter(prefix="/api")


@router.post("/films/{film}/estimate")
def estimate_run(film: str, request: RunRequest, shop: Shop, films: Films) -> EstimateView:
    """What a run would cost, before it is started, and what the film lacks for it."""
    found = estimate(shop, film, request.kind, request.model_dump(), films.now(film).film)
    return EstimateView(
        items=found.items,
        cost=float(found.cost),
        seconds=found.seconds,
        pictures=found.pictures,
        fits=found.fits,
        renews=found.renews,
        lacks=list(found.lacks),
    )


@router.post("/films/{film}/runs", status_code=202)
def start(film: str, request: RunRequest, shop: Shop) -> RunView:
    return shop.runs.view(start_run(shop, film, request.kind, request.model_dump()))


@router.get("/films/{film}/runs")
def runs(film: str, shop: Shop) -> list[RunView]:
    """The film's runs, newest first."""
    return shop.runs.of_film(film)


class OrderWanted(BaseModel):
    """Runs in the order in which they are to be made."""

    runs: list[str] = Field(min_length=1, max_length=MOST_PRIORITY)


@router.put("/films/{film}/runs/order")
def order(film: str, wanted: OrderWanted, shop: Shop) -> list[RunView]:
    """Make runs that go on in another order; what is in hand already is finished first."""
    known = {run.id for run in shop.runs.of_film(film)}
    if not known.issuperset(wanted.runs):
        raise NotFound("One of these runs is not of that film.", "Load the page again.")
    shop.runs.order(wanted.runs, shop.queue)
    return shop.runs.of_film(film)


@router.delete("/runs/{run}")
def cancel(run: str, shop: Shop) -> RunView:
    cancel_run(shop, run)
    return shop.runs.view(run)


@router.post("/runs/{run}/pause")
def pause(run: str, shop: Shop) -> RunView:
    """What is being made is finished; nothing more is begun until the run goes on."""
    pause_run(shop, run)
    return shop.runs.view(run)


@router.post("/runs/{run}/go-on")
def go_on(run: str, shop: Shop) -> RunView:
    go_on_run(shop, run)
    return shop.runs.view(run)


@router.post("/runs/{run}/try-now")
def try_again(run: str, shop: Shop) -> RunView:
    """What waits for a service or for a quota is tried at once."""
    try_now(shop, run)
    return shop.runs.view(run)


class AnswerWanted(BaseModel):
    """Whether the second choice makes what the first can't."""

    kind: Kind
    second: bool


@router.post("/runs/{run}/answers")
def answer(run: str, wanted: AnswerWanted, shop: Shop) -> RunView:
    """Answer what a run asks; what waits for it is tried at once."""
    answer_run(shop, run, wanted.kind, wanted.second)
    return shop.runs.view(run)


@router.get("/runs/{run}/files/{name}")
def delivered_file(run: str, name: str, shop: Shop) -> Response:
    """A file of a delivery: `film.mp4` (or `.webm`, `.mkv`), its captions (`film.srt`, `.vtt`, `.ttml`, `.ass`; in
    another language `film.es.srt`), its report (`film.json`, `film.pdf`); or one of those that a run
    took out of the film."""
    view = shop.runs.view(run)
    kinds = {
        **{f"film.{e}": ("film", TYPES[e]) for e in ("mp4", "webm", "mkv")},
        "film.srt": ("srt", "application/x-subrip"),
        "film.vtt": ("vtt", "text/vtt"),
        "film.ttml": ("ttml", TYPES["ttml"]),
        "film.ass": ("ass", TYPES["ass"]),
        "film.json": ("report", "application/json"),
        "film.pdf": ("page", "application/pdf"),
    }
    also = view.outcome.get("also", ())
    besides = [
        {"name": f"film.{told['language']}.{ending}", "media": told[ending]}
        for told in also
        for ending in ("srt", "vtt")
    ]
    files = [*view.outcome.get("files", ()), *besides]
    taken = next((f for f in files if f["name"] == name), None)
    known = view.outcome.get(kinds[name][0], "") if name in kinds else ""
    ending = name.rsplit(".", 1)[-1]
    if taken is None and not (known and known.endswith((f".{ending}", ".json"))):
        raise NotFound("There is no such file in that delivery.")
    title = (
        "".join(c for c in shop.films.get(view.film).document.title if c.isalnum() or c in " -")[
            :60
        ].strip()
        or "film"
    )
    plain = title.encode("ascii", "ignore").decode() or "film"
    if taken is not None:
        own = name.removeprefix("film.") if taken in besides else name
        called = f'attachment; filename="{plain}{"." if taken in besides else " "}{own}"'
        kind = TYPES[name.rsplit(".", 1)[1]]
        return sent(shop.media, taken["media"], kind, {"Content-Disposition": called})
    kind, media_type = kinds[name]
    called = f'attachment; filename="{plain}.{name.rsplit(".", 1)[1]}"'
    return sent(shop.media, view.outcome[kind], media_type, {"Content-Disposition": called})
