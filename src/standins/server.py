"""The stand-ins as a server that speaks the service protocol.

Simulated on purpose: prices, quotas, delays. With `PUT /simulation` a test or a curious maker can
switch on failures, stalls and refusals; they depend on its seed, so they can be repeated.
"""

import asyncio
import hashlib
import multiprocessing
import os
import random
import uuid
from collections import Counter
from collections.abc import AsyncIterator, Awaitable, Callable
from concurrent.futures import ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from contextlib import asynccontextmanager
from datetime import UTC, datetime
from pathlib import Path

from fastapi import FastAPI, Header, HTTPException, Request
from fastapi.responses import FileResponse, Response
from pydantic import AwareDatetime, BaseModel, Field

from cutreel.protocol import JobInput, JobRequest, JobView, Offer, Refusal, Result, Statement

from .kinds import MAKERS, do
from .ledger import Ledger
from .offers import QUOTAS, cost_of, offers

MOST_REFERENCE_BYTES = 40_000_000
HOSTS = ("127.0.0.1", "localhost", "testserver")


def _over_cap(job: JobInput, offer: Offer) -> str:
    """By what a job goes beyond an offer's caps; empty when it does not."""
    maker = MAKERS[job.kind]
    text, cap = maker.text(job), maker.cap(offer.caps)
    if cap and len(text) > cap:
        return f"{len(text)} characters; at most {cap} are taken."
    return maker.beyond(job, offer.caps)


def _amount_of(job: JobInput) -> int:
    """How many pieces of a quota a job uses."""
    return MAKERS[job.kind].amount(job)


class Simulation(BaseModel):
    """How the services misbehave: shares of jobs that fail or stall, words they refuse, seconds
    they take, quotas."""

    seed: int = 0
    fail_share: float = Field(0.0, ge=0, le=1)
    stall_share: float = Field(0.0, ge=0, le=1)
    refuse_words: list[str] = []
    delay_seconds: float = Field(0.0, ge=0, le=60)
    quotas: dict[str, int] = {}


class Desk:
    """Takes jobs in and sees them through."""

    def __init__(self, folder: Path, simulation: Simulation) -> None:
        self.ledger = Ledger(folder)
        self.simulation = simulation
        self.pool = _pool()
        self.tasks: dict[str, asyncio.Task[None]] = {}
        self.tries: dict[str, int] = {}
        self.promised: dict[str, tuple[str, int]] = {}

    def offers(self) -> list[Offer]:
        """What is offered. What is being made counts as used: two jobs at once must not share the
        last piece."""
        now = datetime.now(UTC)
        used = Counter(self.ledger.used(now))
        for name, amount in self.promised.values():
            used[name] += amount
        return offers(used, {**QUOTAS, **self.simulation.quotas}, now)

    def take(self, request: JobRequest, key: str) -> JobView:
        known = self.ledger.by_key(key)
        if known and not (
            known.state == "cancelled"
            or (known.refusal and known.refusal.code in ("try-again", "out-of-quota"))
        ):
            return known
        view = JobView(id=known.id if known else uuid.uuid4().hex, state="queued")
        offer = next((o for o in self.offers() if o.name == request.offer), None)
        refusal = self._refusal(request, offer)
        if refusal or offer is None:
            view.state, view.refusal = "refused", refusal
            self.ledger.save(view, key, request)
            return view
        self.ledger.save(view, key, request)
        self.start(view, request)
        return view

    def start(self, view: JobView, request: JobRequest) -> None:
        task = asyncio.create_task(self._see_through(view, request))
        self.tasks[view.id] = task
        self.promised[view.id] = (request.offer, _amount_of(request.input))

        def ended(_: asyncio.Task[None]) -> None:
            self.tasks.pop(view.id, None)
            self.promised.pop(view.id, None)

        task.add_done_callback(ended)

    def _refusal(self, request: JobRequest, offer: Offer | None) -> Refusal | None:
        """Why a job is not taken; None when it is."""
        work = request.input
        if offer is None or offer.kind != work.kind:
            said = f"There is no offer “{request.offer}” for {work.kind}."
            return Refusal(code="bad-request", message=said)
        over, unknown = _over_cap(work, offer), self._unknown(work, offer)
        if over or unknown:
            return Refusal(code="over-cap" if over else "bad-request", message=over or unknown)
        text = MAKERS[work.kind].text(work).lower()
        bad = next((w for w in self.simulation.refuse_words if w.lower() in text), None)
        if bad:
            return Refusal(code="refused-content", message=f"“{bad}” is not drawn or spoken here.")
        if offer.quota and offer.quota.left < _amount_of(work):
            return Refusal(
                code="out-of-quota",
                message=f"{offer.quota.left} left of {offer.quota.limit}.",
                renews_at=offer.quota.renews_at,
            )
        return None

    def _unknown(self, work: JobInput, offer: Offer) -> str:
        """What of a job is not to be had here; empty when all is."""
        maker = MAKERS[work.kind]
        if not all((self.ledger.files / n).exists() for n in maker.refers_to(work)):
            return "A reference is not known here; put it to /references first."
        return maker.unknown(work, offer)

    async def _see_through(self, view: JobView, request: JobRequest) -> None:
        tries = self.tries[view.id] = self.tries.get(view.id, 0) + 1
        chance = random.Random(f"{self.simulation.seed}/{request.model_dump_json()}/{tries}")
        view.state, view.progress = "running", 0.05
        self.ledger.save(view)
        try:
            if self.simulation.delay_seconds:
                wait = self.simulation.delay_seconds * chance.uniform(0.5, 1.5)
                for i in range(4):
                    await asyncio.sleep(wait / 4)
                    view.progress = 0.05 + 0.15 * (i + 1)
                    self.ledger.save(view)
            if chance.random() < self.simulation.stall_share:
                await asyncio.sleep(3600)
            if chance.random() < self.simulation.fail_share:
                view.state, view.refusal = (
                    "refused",
                    Refusal(code="try-again", message="The service failed; it may be asked again."),
                )
                self.ledger.save(view)
                return
            pool = self.pool
            try:
                files, view.unused_words = await asyncio.get_running_loop().run_in_executor(
                    pool, do, request.input, self.ledger.files, request.offer.endswith("-fine")
                )
            except BrokenProcessPool:
                # One of its processes was killed; it takes nothing any more.
                if self.pool is pool:
                    self.pool = _pool()
                said = "The service was interrupted; it may be asked again."
                view.state, view.refusal = "refused", Refusal(code="try-again", message=said)
                self.ledger.save(view)
                return
            view.results = [
                Result(
                    name=f.name,
                    media_type=f.media_type,
                    sha256=self.ledger.keep(f.data),
                    size=len(f.data),
                    data=f.about,
                )
                for f in files
            ]
            offer = next(o for o in self.offers() if o.name == request.offer)
            view.cost = cost_of(offer, request.input)
            view.state, view.progress = "done", 1.0
            self.promised.pop(view.id, None)
            self.ledger.use(offer.name, _amount_of(request.input), datetime.now(UTC))
            self.ledger.save(view)
        except asyncio.CancelledError:
            if view.state != "done":
                view.state = "cancelled"
                self.ledger.save(view)
        except Exception as error:
            view.state, view.refusal = (
                "refused",
                Refusal(code="bad-request", message=f"This could not be made: {error}"),
            )
            self.ledger.save(view)


def _pool() -> ProcessPoolExecutor:
    return ProcessPoolExecutor(2, mp_context=multiprocessing.get_context("spawn"))


def create_app(folder: Path, simulation: Simulation | None = None) -> FastAPI:
    """The server, keeping its ledger and results in `folder`."""
    desk = Desk(folder, simulation or Simulation())

    @asynccontextmanager
    async def life(app: FastAPI) -> AsyncIterator[None]:
        for view, request in desk.ledger.unfinished():
            desk.start(view, request)
        yield
        desk.pool.shutdown(wait=False, cancel_futures=True)

    app = FastAPI(title="Cut Reel stand-ins (simulated services)", lifespan=life)

    @app.middleware("http")
    async def not_from_pages(
        request: Request, call_next: Callable[[Request], Awaitable[Response]]
    ) -> Response:
        """Programs of this machine ask, never a page that somebody's browser has open."""
        host = request.headers.get("host", "").rsplit(":", 1)[0]
        if host not in HOSTS or "origin" in request.headers or "sec-fetch-site" in request.headers:
            return Response("Pages are not answered.", 403, media_type="text/plain")
        return await call_next(request)

    @app.get("/offers")
    def list_offers() -> list[Offer]:
        return desk.offers()

    @app.post("/jobs", status_code=202)
    async def post_job(
        request: JobRequest, idempotency_key: str = Header(min_length=8, max_length=200)
    ) -> JobView:
        return desk.take(request, idempotency_key)

    @app.get("/jobs/{job}")
    def get_job(job: str) -> JobView:
        view = desk.ledger.by_id(job)
        if view is None:
            raise HTTPException(404, "There is no such job.")
        return view

    @app.delete("/jobs/{job}")
    async def cancel_job(job: str) -> JobView:
        task = desk.tasks.get(job)
        if task:
            task.cancel()
            await asyncio.wait([task], timeout=2)
        return get_job(job)

    @app.get("/results/{sha256}")
    def get_result(sha256: str) -> FileResponse:
        path = desk.ledger.files / sha256
        if len(sha256) != 64 or not sha256.isalnum() or not path.exists():
            raise HTTPException(404, "There is no such result.")
        return FileResponse(path, media_type="application/octet-stream")

    @app.head("/references/{sha256}")
    def has_reference(sha256: str) -> Response:
        known = len(sha256) == 64 and sha256.isalnum() and (desk.ledger.files / sha256).exists()
        return Response(status_code=200 if known else 404)

    @app.put("/references/{sha256}", status_code=201)
    async def put_reference(sha256: str, request: Request) -> Response:
        data = await request.body()
        if len(data) > MOST_REFERENCE_BYTES or hashlib.sha256(data).hexdigest() != sha256:
            raise HTTPException(
                422, "A reference is at most 40 megabytes and named by the SHA-256 of its bytes."
            )
        desk.ledger.keep(data)
        return Response(status_code=201)

    @app.get("/statement")
    def statement(since: AwareDatetime) -> Statement:
        return Statement(lines=desk.ledger.statement(since))

    @app.get("/simulation")
    def get_simulation() -> Simulation:
        return desk.simulation

    @app.put("/simulation")
    def put_simulation(simulation: Simulation) -> Simulation:
        desk.simulation = simulation
        return simulation

    return app


def from_environment() -> FastAPI:
    """For uvicorn: `STANDINS_DIR` is the folder, `STANDINS_DELAY` the seconds that a job takes on
    top."""
    folder = Path(os.environ.get("STANDINS_DIR", "data/standins"))
    return create_app(
        folder, Simulation(delay_seconds=float(os.environ.get("STANDINS_DELAY", "0")))
    )
