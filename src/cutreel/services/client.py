"""One client for every kind of service."""

import hashlib
import os
import re
import time
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from datetime import datetime
from decimal import Decimal
from typing import Any, TypeVar
from urllib.parse import quote

import httpx
import stamina
from pydantic import BaseModel, RootModel, ValidationError

from cutreel.core.errors import CutReelError
from cutreel.protocol import JobInput, JobRequest, JobView, Offer, Result, Statement

from .bounded import MOST_BYTES, ServiceRefused, read_bounded

TRIES = 6
MOST_TOLD = 5_000_000
"""Bytes of an answer that is no file."""
_SHA256 = re.compile(r"[0-9a-f]{64}")
T = TypeVar("T", bound=BaseModel)


class ServiceDown(CutReelError):
    """The services do not answer: worth waiting for."""

    code = "service-down"
    status = 503


@dataclass(frozen=True)
class Delivered:
    """What came back of a job: files with what is known of them, the cost, and words that were of
    no use; `offer` is whose it is, where that is not who was asked first; `rights` who made it, what it may be used for
    (`terms`) and whom to name (`credit`), where that was told."""

    files: list[tuple[Result, bytes]]
    cost: Decimal
    unused_words: list[str]
    offer: str = ""
    rights: Mapping[str, str] = field(default_factory=dict)


class Services:
    """The services at one address."""

    def __init__(
        self, address: str, patience: float = 120.0, client: httpx.Client | None = None
    ) -> None:
        """`client` is one that is to be used instead of the usual, for the same address."""
        self.patience = patience
        self._http = client or httpx.Client(base_url=address, timeout=20.0)

    def offers(self) -> list[Offer]:
        """What is on offer now. Raises CutReelError when the services do not answer."""
        return _read(_Offers, self._ask("GET", "/offers"), "list of offers").root

    def do(
        self,
        offer: str,
        work: JobInput,
        key: str,
        *,
        files: Mapping[str, bytes] | None = None,
        progress: Callable[[float], None] = lambda share: None,
        cancelled: Callable[[], bool] = lambda: False,
    ) -> Delivered | None:
        """See a job through. `key` makes it idempotent: sent again, it is neither made nor paid
        twice. `files` are what the job refers to, by SHA-256; the service is given those that it
        does not have.

        Retries what a service says may be tried again, with growing pauses; a job that stalls
        beyond the client's patience is cancelled and tried again. Returns None when `cancelled`
        became true. Raises ServiceRefused.
        """
        pause = 0.3
        last = "it did not answer"
        for sha256, data in (files or {}).items():
            if not self._ask("HEAD", f"/references/{sha256}", unknown_is_fine=True).there:
                self._ask("PUT", f"/references/{sha256}", content=data)
        for attempt in range(TRIES):
            if attempt:
                time.sleep(pause)
                pause = min(8.0, pause * 2)
            view = self._post(offer, work, key)
            ended = self._wait(view, progress, cancelled)
            if ended is None:
                return None
            view = ended
            if view.state == "done":
                return Delivered(
                    [(r, self._fetch(r)) for r in view.results], view.cost, view.unused_words
                )
            if view.refusal and view.refusal.code != "try-again":
                refused = ServiceRefused(*_explained(offer, view))
                refused.reason = view.refusal.code
                if view.refusal.code == "out-of-quota":
                    refused.renews_at = view.refusal.renews_at
                raise refused
            last = view.refusal.message if view.refusal else "it stalled"
        raise ServiceRefused(
            f"“{offer}” failed {TRIES} times: {last}", "Try again later; what was made is kept."
        )

    def statement(self, since: datetime) -> Statement | None:
        """What the services say they were paid since a moment; None where they do not say."""
        asked = f"/statement?since={quote(since.isoformat(), safe='')}"
        answer = self._ask("GET", asked, unknown_is_fine=True)
        return _read(Statement, answer, "statement") if answer.there else None

    def _post(self, offer: str, work: JobInput, key: str) -> JobView:
        body = JobRequest(offer=offer, input=work).model_dump(mode="json")
        answer = self._ask("POST", "/jobs", json=body, headers={"Idempotency-Key": key})
        return _read(JobView, answer, "job")

    def _wait(
        self, view: JobView, progress: Callable[[float], None], cancelled: Callable[[], bool]
    ) -> JobView | None:
        began = time.monotonic()
        pause, looked = 0.03, 0.0
        job = f"/jobs/{quote(view.id, safe='')}"
        while view.state in ("queued", "running"):
            waited = time.monotonic() - began
            if waited - looked > 0.8:
                looked = waited
                if cancelled():
                    self._ask("DELETE", job)
                    return None
            if waited > self.patience:
                return _read(JobView, self._ask("DELETE", job), "job")
            time.sleep(pause)
            pause = min(0.4, pause * 1.3)
            view = _read(JobView, self._ask("GET", job), "job")
            progress(view.progress)
        return view

    def _fetch(self, result: Result) -> bytes:
        """A result's bytes, which must be the ones its hash names: an answer is not believed, it is
        checked."""
        if not _SHA256.fullmatch(result.sha256):
            raise ServiceRefused(
                f"The service named a file that is none ({result.name}).", "Try again."
            )
        data = self._ask("GET", f"/results/{result.sha256}", most=MOST_BYTES).body
        if hashlib.sha256(data).hexdigest() != result.sha256:
            raise ServiceRefused(
                f"The service sent something else than it announced ({result.name}).", "Try again."
            )
        return data

    def _ask(
        self,
        method: str,
        path: str,
        *,
        unknown_is_fine: bool = False,
        most: int = MOST_TOLD,
        **more: Any,
    ) -> "_Answer":
        """An answer of at most so many bytes, asked for again with growing pauses while the service cannot be reached
        or says that it is broken. Raises ServiceDown when that goes on, ServiceRefused for an answer that is a refusal,
        or sends us elsewhere."""
        try:
            for attempt in stamina.retry_context(
                on=(httpx.TransportError, _Broken), attempts=TRIES, wait_initial=0.2, wait_max=5.0
            ):
                with attempt:
                    request = self._http.build_request(method, path, **more)
                    came = self._http.send(request, stream=True, follow_redirects=False)
                    try:
                        answer = _Answer(came.status_code, read_bounded(came, most))
                    finally:
                        came.close()
                    if answer.status >= 500:
                        raise _Broken(f"{answer.status}: {answer.text}")
        except (httpx.TransportError, _Broken) as error:
            raise ServiceDown(
                "The services do not answer.", "See that they run; what is asked for waits."
            ) from error
        if not answer.there and not (unknown_is_fine and answer.status == 404):
            raise ServiceRefused(
                f"The service did not take the request ({answer.status}).", answer.text
            )
        return answer


@dataclass(frozen=True)
class _Answer:
    status: int
    body: bytes

    @property
    def there(self) -> bool:
        """Whether it is what was asked for; a redirect is not, and is not followed."""
        return 200 <= self.status < 300

    @property
    def text(self) -> str:
        return self.body[:200].decode(errors="replace")


class _Offers(RootModel[list[Offer]]):
    """What is on offer."""


def _read(model: type[T], answer: _Answer, what: str) -> T:
    try:
        return model.model_validate_json(answer.body)
    except ValidationError as error:
        raise ServiceRefused(
            f"The service answered with something that is no {what}: {_first(error)}.",
            "See what it says under Services.",
        ) from None


def _first(error: ValidationError) -> str:
    """What is wrong with an answer, and where; not the answer itself."""
    first = error.errors(include_input=False, include_url=False, include_context=False)[0]
    where = ".".join(str(p) for p in first["loc"])
    return f"{where}: {first['msg']}" if where else str(first["msg"])


class _Broken(Exception):
    """An answer of 500 or more."""


def _explained(offer: str, view: JobView) -> tuple[str, str]:
    assert view.refusal is not None
    reason = view.refusal
    advice = {
        "over-cap": "Shorten the prompt, or choose another offer.",
        "out-of-quota": f"It renews at {reason.renews_at:%H:%M} UTC; what is made stays."
        if reason.renews_at
        else "Wait until it renews.",
        "refused-content": "Word it another way, or bring a picture of your own.",
        "bad-request": "Choose another offer or voice.",
    }.get(reason.code, "Try again.")
    return f"“{offer}” refused: {reason.message}", advice


def services_from_environment() -> Services:
    """The services that `CUTREEL_SERVICES` names."""
    return Services(
        os.environ.get("CUTREEL_SERVICES", "http://127.0.0.1:8791"),
        float(os.environ.get("CUTREEL_PATIENCE", "120")),
    )
