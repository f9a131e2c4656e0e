"""Services: what is plugged in, what it offers, who makes what."""

from datetime import UTC, datetime
from typing import Annotated, Any

from fastapi import APIRouter, Request, Response
from pydantic import BaseModel, Field, ValidationError

from cutreel.bridge import Plugged
from cutreel.core.colour import colour_in
from cutreel.core.continuity import LOOKS, Look
from cutreel.core.errors import BadInput
from cutreel.making import (
    Workshop,
    begin_check,
    check_is_going,
    is_full,
    is_warm,
    plug_in,
    take_out,
    told_of_room,
    try_out,
)
from cutreel.protocol import Kind, Offer
from cutreel.store import DAY, MONTH, KeptService, begin_of

from .door import Shop
from .guard import same_account

router = APIRouter(prefix="/api")


@router.get("/offers")
def offers(shop: Shop) -> list[Offer]:
    return shop.offers()


@router.get("/looks")
def looks() -> list[Look]:
    return list(LOOKS)


class ColourView(BaseModel):
    """The colour that words name, as #rrggbb; None: they name none."""

    css: str | None


@router.get("/colour")
def colour(words: str) -> ColourView:
    """What words of a trait mean as a colour."""
    rgb = colour_in(words[:200])
    return ColourView(css="#{:02x}{:02x}{:02x}".format(*rgb) if rgb else None)


class RuleView(BaseModel):
    rule: str
    ok: bool
    says: str


class CheckView(BaseModel):
    """A check: "going" with the share that is done, "done" with what was found, or "lost"."""

    state: str
    share: float = 0.0
    ok: bool = False
    spent: float = 0.0
    findings: list[RuleView] = []
    at: datetime


class PluggedView(BaseModel):
    """A service as it is plugged in. Its key is never told, only whether it has one; `trouble` is why it cannot be
    used now, `silent_since` since when it does not answer: its offers are as they were seen last."""

    settings: Plugged
    has_key: bool
    checked: CheckView | None
    trouble: str = ""
    silent_since: datetime | None = None


class OfferRow(BaseModel):
    """An offer beside what it cost today and this month, and how it did in the last week: jobs, of them failed, and the
    median of the seconds a job took. `service` is the id of what is plugged in, empty for the stand-ins."""

    offer: Offer
    service: str
    today: float
    month: float
    jobs: int
    failed: int
    seconds: float | None


class ChoiceView(BaseModel):
    """What a kind is done by: the offer that is taken where nothing else was chosen, and who makes it when that one
    can't, unasked or only when somebody said so (`asked`). `stars` are how good offers are, as told."""

    first: str | None = Field(None, max_length=60)
    then: str | None = Field(None, max_length=60)
    asked: bool = False
    stars: dict[Annotated[str, Field(max_length=60)], Annotated[int, Field(ge=1, le=5)]] = Field(
        {}, max_length=60
    )


class ServicesView(BaseModel):
    """The page of services."""

    offers: list[OfferRow]
    plugged: list[PluggedView]
    choices: dict[str, ChoiceView]
    unreached: str = ""
    """Why the stand-ins do not answer, where they don't."""
    unreached_since: datetime | None = None


@router.get("/services")
def services(shop: Shop) -> ServicesView:
    """Who does what, at what price, with which caps, what is left, and how it went lately."""
    at = datetime.now(UTC)
    today, month = (shop.spending.by_offer(begin_of(scope, at)) for scope in (DAY, MONTH))
    lately = shop.jobs.lately()
    rows = []
    for offer in shop.offers():
        did = lately.get(offer.name)
        rows.append(
            OfferRow(
                offer=offer,
                service=offer.name.split("/")[0] if offer.service else "",
                today=float(today.get(offer.name, 0)),
                month=float(month.get(offer.name, 0)),
                jobs=did.jobs if did else 0,
                failed=did.failed if did else 0,
                seconds=did.seconds if did else None,
            )
        )
    troubles = shop.services.troubles()
    usable = {i.plugged.id for i in shop.sockets.all()}
    silent = shop.kept_offers.silent_since()
    return ServicesView(
        offers=rows,
        plugged=[
            seen
            for kept in shop.plugged.all()
            if (seen := _seen(kept, usable, troubles, silent)) is not None
        ],
        choices={k: ChoiceView.model_validate(c) for k, c in _choices(shop).items()},
        unreached=troubles.get("", ""),
        unreached_since=silent.get(""),
    )


def _choices(shop: Workshop) -> dict[str, Any]:
    return {
        k: {n: v for n, v in c.items() if n != "kind"} for k, c in shop.plugged.choices().items()
    }


def _seen(
    kept: KeptService, usable: set[str], troubles: dict[str, str], silent: dict[str, datetime]
) -> PluggedView | None:
    try:
        settings = Plugged.model_validate(kept.settings)
    except ValidationError:
        return None
    checked = CheckView.model_validate(kept.checked) if kept.checked else None
    if checked and checked.state == "going" and not check_is_going(kept.checked):
        checked.state = "lost"
    trouble = troubles.get(settings.id, "")
    if settings.id not in usable:
        trouble = (
            "It cannot be used as it is set, or its key cannot be opened: write the key in again."
        )
    return PluggedView(
        settings=settings,
        has_key=kept.sealed is not None,
        checked=checked,
        trouble=trouble,
        silent_since=silent.get(settings.id) if settings.on else None,
    )


Secret = Annotated[str | None, Field(max_length=4000)]


class PlugWanted(BaseModel):
    """Settings, and a key that is written in: None leaves it as it is, an empty one takes it away."""

    settings: Plugged
    key: Secret = Field(None, repr=False)


def _ours(wanted: PlugWanted, request: Request) -> None:
    """A program would be run by our account: whoever has another does not plug it in."""
    if wanted.settings.reached.how == "program":
        same_account(request)


@router.post("/services", status_code=201)
def plug(wanted: PlugWanted, shop: Shop, request: Request) -> ServicesView:
    """Plug a service in. One that speaks the protocol is looked over at once."""
    _ours(wanted, request)
    plug_in(shop, wanted.settings, wanted.key, anew=True)
    if wanted.settings.reached.how == "protocol":
        begin_check(shop, wanted.settings.id)
    return services(shop)


@router.put("/services/{service}")
def change_service(service: str, wanted: PlugWanted, shop: Shop, request: Request) -> ServicesView:
    """Change a service; its id stays."""
    _ours(wanted, request)
    if wanted.settings.id != service:
        raise BadInput("The id of a service stays as it is.", "Plug it in once more instead.")
    plug_in(shop, wanted.settings, wanted.key, anew=False)
    return services(shop)


@router.delete("/services/{service}")
def unplug(service: str, shop: Shop) -> ServicesView:
    """Take a service out, with its key."""
    take_out(shop, service)
    return services(shop)


@router.post("/services/{service}/check", status_code=202)
def check(service: str, shop: Shop) -> ServicesView:
    """Look over whether a service keeps to the protocol; what is found stands with it."""
    begin_check(shop, service)
    return services(shop)


class TryWanted(PlugWanted):
    """Settings to be tried, and what with."""

    prompt: str = Field(min_length=1, max_length=2000)
    seed: int = Field(7, ge=0, le=2**31)


class ExchangeView(BaseModel):
    request: str
    sent: str
    status: int
    came: str


class TriedView(BaseModel):
    """What came of trying."""

    media: str | None
    says: str
    exchanges: list[ExchangeView]
    cost: float
    seconds: float


@router.post("/services/try")
def try_service(wanted: TryWanted, shop: Shop, request: Request) -> TriedView:
    """Have one thing made as the settings say, and show what was sent and what came, the key hidden. It costs what the
    service asks for it."""
    _ours(wanted, request)
    tried = try_out(shop, wanted.settings, wanted.key, wanted.prompt, wanted.seed)
    return TriedView(
        media=tried.media,
        says=tried.says,
        exchanges=[ExchangeView.model_validate(e, from_attributes=True) for e in tried.exchanges],
        cost=float(tried.cost),
        seconds=tried.seconds,
    )


class JobWentView(BaseModel):
    """One job as it went."""

    film: str
    title: str
    shot: int | None
    outcome: str
    message: str
    seconds: float
    cost: float
    at: datetime


@router.get("/jobs")
def last_jobs(offer: str, shop: Shop) -> list[JobWentView]:
    """The last ten jobs of an offer, newest first."""
    jobs = shop.jobs.last(offer)
    titles = shop.films.titles() if jobs else {}
    return [
        JobWentView(
            film=j.film,
            title=titles.get(j.film, ""),
            shot=j.shot,
            outcome=j.outcome,
            message=j.message,
            seconds=j.seconds,
            cost=float(j.amount),
            at=j.at,
        )
        for j in jobs
    ]


@router.put("/choices/{kind}")
def choose(kind: Kind, choice: ChoiceView, shop: Shop) -> ServicesView:
    """Say what a kind is done by in all films, where a film says nothing else. Raises BadInput for an offer of another
    kind."""
    there = {o.name for o in shop.offers() if o.kind == kind}
    for name in (choice.first, choice.then):
        if name is not None and name not in there:
            raise BadInput(f"“{name}” does not make that.", "Choose an offer of that kind.")
    if choice.then is not None and choice.then == choice.first:
        raise BadInput("The second choice is the first one.", "Choose another.")
    known = _choices(shop)
    shop.plugged.set_choices({**known, kind: choice.model_dump()})
    shop.ask_again()
    return services(shop)


@router.get("/health")
async def health() -> dict[str, str]:
    """That the server answers, however much else it has to do; and whether the parser is loaded, so that a short story
    is read at once."""
    return {"state": "ready", "reading": "ready" if is_warm() else "loading"}


class ReadyView(BaseModel):
    """Whether films can be made now: services that do not answer, with why ("" for those that are there without being
    plugged in), and a sentence where there is little room on the disk."""

    silent: dict[str, str]
    room: str


@router.get("/ready")
def ready(shop: Shop, response: Response) -> ReadyView:
    """For whoever watches over it: 200 where films can be made, 503 where not; the database is asked as well."""
    shop.runs.going()
    shop.offers()
    found = ReadyView(silent=shop.services.troubles(), room=told_of_room(shop))
    if "" in found.silent or is_full(shop):
        response.status_code = 503
    return found
