"""One client for every kind of service."""

import hashlib
import os
import time
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from datetime import datetime
from decimal import Decimal
from typing import Any

import httpx
import stamina

from cutreel.core.errors import CutReelError
from cutreel.protocol import JobInput, JobRequest, JobView, Offer, Result

TRIES = 6
MOST_BYTES = 200_000_000


class ServiceRefused(CutReelError):
    """A service says no, for a `reason` (a RefusalCode, where it gave one) that asking again does not change; where a
    quota is used up, not before `renews_at`."""

    code = "service-refused"
    status = 502
    reason: str = ""
    renews_at: datetime | None = None


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
        return [Offer.model_validate(o) for o in self._ask("GET", "/offers").json()]

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
            if self._ask("HEAD", f"/references/{sha256}", unknown_is_fine=True).status_code != 200:
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

    def _post(self, offer: str, work: JobInput, key: str) -> JobView:
        body = JobRequest(offer=offer, input=work).model_dump(mode="json")
        return JobView.model_validate(
            self._ask("POST", "/jobs", json=body, headers={"Idempotency-Key": key}).json()
        )

    def _wait(
        self, view: JobView, progress: Callable[[float], None], cancelled: Callable[[], bool]
    ) -> JobView | None:
        began = time.monotonic()
        pause, looked = 0.03, 0.0
        while view.state in ("queued", "running"):
            waited = time.monotonic() - began
            if waited - looked > 0.8:
                looked = waited
                if cancelled():
                    self._ask("DELETE", f"/jobs/{view.id}")
                    return None
            if waited > self.patience:
                return JobView.model_validate(self._ask("DELETE", f"/jobs/{view.id}").json())
            time.sleep(pause)
            pause = min(0.4, pause * 1.3)
            view = JobView.model_validate(self._ask("GET", f"/jobs/{view.id}").json())
            progress(view.progress)
        return view

    def _fetch(self, result: Result) -> bytes:
        """A result's bytes, which must be the ones its hash names: an answer is not believed, it is
        checked."""
        data = self._ask("GET", f"/results/{result.sha256}").content
        if len(data) > MOST_BYTES or hashlib.sha256(data).hexdigest() != result.sha256:
            raise ServiceRefused(
                f"The service sent something else than it announced ({result.name}).", "Try again."
            )
        return data

    def _ask(
        self, method: str, path: str, *, unknown_is_fine: bool = False, **more: Any
    ) -> httpx.Response:
        """An answer, asked for again with growing pauses while the service cannot be reached or
        says that it is broken. Raises ServiceDown when that goes on, ServiceRefused for an answer
        that is a refusal."""
        try:
            for attempt in stamina.retry_context(
                on=(httpx.TransportError, _Broken), attempts=TRIES, wait_initial=0.2, wait_max=5.0
            ):
                with attempt:
                    answer = self._http.request(method, path, **more)
                    if answer.status_code >= 500:
                        raise _Broken(f"{answer.status_code}: {answer.text[:200]}")
        except (httpx.TransportError, _Broken) as error:
            raise ServiceDown(
                "The services do not answer.", "See that they run; what is asked for waits."
            ) from error
        if answer.status_code >= 400 and not (unknown_is_fine and answer.status_code == 404):
            raise ServiceRefused(
                f"The service did not take the request ({answer.status_code}).", answer.text[:200]
            )
        return answer


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
