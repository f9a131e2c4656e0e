"""A described HTTP interface as a maker."""

import base64
import json
import time
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from datetime import UTC, datetime, timedelta
from decimal import Decimal, InvalidOperation
from typing import Any, Literal, Protocol
from urllib.parse import quote

import httpx
import stamina
from pydantic import ValidationError

from cutreel.protocol import JobInput, Offer, Quota, Statement
from cutreel.services import Delivered, ServiceDown, ServiceRefused, read_bounded

from .interface import Interface, found_at, read_interface
from .one_file import delivered, within_caps
from .places import NAMES, Value, as_base64, filled, filled_within, pictures_of, values_of
from .plugged import Described, Plugged
from .reaching import client_for

TRIES = 4
MOST_TOLD = 40_000_000
"""Bytes of an answer that is JSON: a picture of 25 megabytes in base64, and more."""
SHOWN = 1500
"""Characters of what was sent and of what came that are shown."""
ADVICE = {
    "over-cap": "Shorten the prompt, or choose another offer.",
    "out-of-quota": "Wait until it renews, or choose another offer.",
    "refused-content": "Word it another way, or bring a picture of your own.",
    "bad-request": "See what was sent under Services, and correct the description.",
    "try-again": "Try again later; what was made is kept.",
}


@dataclass
class Exchange:
    """One request and its answer, as they are shown: without the key, cut short."""

    request: str
    sent: str
    status: int = 0
    came: str = ""


@dataclass
class _Answer:
    status: int
    headers: httpx.Headers
    body: bytes
    told: Any = field(default=None)


class _Again(Exception):
    """An answer that may be asked for again."""

    def __init__(self, why: str) -> None:
        super().__init__(why)


class Calls(Protocol):
    """Who is called back: each job at an address of its own, which is kept until it is over."""

    def open(self, key: str, reach: str) -> tuple[str, bool]:
        """The address of a job, under what the service can `reach` (empty: where this studio listens), and whether the
        job was sent already."""

    def note_sent(self, key: str) -> None: ...

    def came(self, key: str) -> bytes | None:
        """What came last."""

    def close(self, key: str) -> None: ...


class Limits(Protocol):
    """What a service told of how many pieces are left, and until when."""

    def note(self, left: int, renews: datetime) -> None: ...

    def told(self) -> Quota | None:
        """What was told last, while it holds."""


class DescribedMaker:
    """Asks an HTTP interface as its description says. `heard` is told of every exchange; `calls` is where services call
    back."""

    def __init__(
        self,
        plugged: Plugged,
        secret: str = "",
        used: Callable[[], int] = lambda: 0,
        heard: Callable[[Exchange], None] = lambda exchange: None,
        calls: Calls | None = None,
        limits: Limits | None = None,
    ) -> None:
        assert isinstance(plugged.reached, Described)
        self.plugged, self._secret, self._used, self._heard = plugged, secret, used, heard
        self._calls, self._limits = calls, limits
        self.interface: Interface = read_interface(plugged.reached.toml)
        self._http = client_for(plugged.own_network)

    def offers(self) -> list[Offer]:
        offer = self.interface.offer.offer(self.plugged.id, self.plugged.title, self._used())
        told = self._limits.told() if self._limits else None
        return [offer.model_copy(update={"quota": told}) if told else offer]

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
        known = self.offers()[0]
        within_caps(known, work)
        values: dict[str, Value] = {
            **values_of(work),
            **as_base64(files or {}, pictures_of(work)),
            "once": key,
            "key": self._secret,
        }
        wait = self.interface.wait
        if wait is None:
            answer: _Answer | None = self._sent(values, key)
        elif wait.callback:
            answer = self._called_back(values, key, progress, cancelled)
        else:
            answer = self._waited(self._sent(values, key), values, progress, cancelled)
        if answer is None:
            return None
        return delivered(known, work, self._result(answer, values), self._cost(answer))

    def statement(self, since: datetime) -> Statement | None:
        """What the service says it was paid since a moment; None where its description does not say where. Raises
        ServiceRefused for entries that make no sense."""
        stated = self.interface.statement
        if stated is None:
            return None
        values: dict[str, Value] = {"key": self._secret, "since": since.date().isoformat()}
        address = filled(stated.address, values, lambda v: quote(v, safe=""))
        answer = self._asked("GET", address, self._headers({**dict.fromkeys(NAMES, ""), **values}))
        rows = found_at(stated.lines, answer.told)
        if not isinstance(rows, list):
            raise self._wrong(f"no list stands at {stated.lines}, where its statement should be")
        try:
            return Statement.model_validate(
                {
                    "lines": [
                        {n: found_at(getattr(stated, n), row) for n in ("key", "cost", "at")}
                        for row in rows
                    ]
                }
            )
        except ValidationError as error:
            first = error.errors(include_input=False, include_url=False)[0]
            where = ".".join(str(p) for p in first["loc"])
            raise self._wrong(f"its statement cannot be read: {where}: {first['msg']}") from None

    def _sent(self, values: Mapping[str, Value], key: str) -> _Answer:
        send = self.interface.send
        more: dict[str, Any] = {}
        if send.json_ is not None:
            more["json"] = filled_within(send.json_, values)
        if send.form is not None:
            more["data"] = filled_within(send.form, values)
        address = filled(send.address, values, lambda v: quote(v, safe=""))
        return self._asked(send.method, address, self._headers(values, key), **more)

    def _waited(
        self,
        answer: _Answer,
        values: Mapping[str, Value],
        progress: Callable[[float], None],
        cancelled: Callable[[], bool],
    ) -> _Answer | None:
        wait = self.interface.wait
        assert wait is not None
        job = found_at(wait.job, answer.told)
        if not isinstance(job, str | int) or isinstance(job, bool):
            raise self._wrong(f"nothing stands at {wait.job}, where the job's id should be")
        here = {**values, "job": str(job)}
        address = filled(wait.address, here, lambda v: quote(v, safe=""))
        began = time.monotonic()
        while True:
            state = str(found_at(wait.state, answer.told))
            if state in wait.done:
                return answer
            if state in wait.failed:
                raise self._refused(answer, "bad-request")
            if cancelled() or time.monotonic() - began > wait.seconds:
                if wait.cancel:
                    given_up = filled(wait.cancel, here, lambda v: quote(v, safe=""))
                    self._asked("DELETE", given_up, self._headers(here))
                if cancelled():
                    return None
                raise ServiceRefused(
                    f"“{self.plugged.title}” was not done within {wait.seconds:g} seconds.",
                    "Give it more time in its description.",
                )
            time.sleep(wait.every)
            answer = self._asked("GET", address, self._headers(here))
            self._tell(answer, progress)

    def _called_back(
        self,
        values: Mapping[str, Value],
        key: str,
        progress: Callable[[float], None],
        cancelled: Callable[[], bool],
    ) -> _Answer | None:
        """What a service calls back. One that was sent the job before a worker died is not sent it again."""
        wait, calls = self.interface.wait, self._calls
        assert wait is not None
        if calls is None:
            raise self._wrong("nobody can be called back here")
        address, sent = calls.open(key, wait.reach)
        if not sent:
            self._sent({**values, "callback": address}, key)
            calls.note_sent(key)
        began, seen = time.monotonic(), b""
        try:
            while True:
                body = calls.came(key)
                if body is not None and body != seen:
                    seen = body
                    answer = _Answer(200, httpx.Headers(), body, _json(body))
                    self._heard(Exchange("called back", "", 200, self._shown(body)))
                    if self._ends(answer):
                        break
                    self._tell(answer, progress)
                if cancelled():
                    return None
                if time.monotonic() - began > wait.seconds:
                    raise ServiceRefused(
                        f"“{self.plugged.title}” did not call back within {wait.seconds:g} seconds.",
                        f"See that it can reach {self._hidden(address).rsplit('/', 1)[0]}, "
                        "or say in its description what it can reach.",
                    )
                time.sleep(min(wait.every, 0.5))
        except _Again as error:
            calls.close(key)
            raise ServiceDown(f"“{self.plugged.title}”: {error}", ADVICE["try-again"]) from error
        except ServiceRefused:
            calls.close(key)
            raise
        calls.close(key)
        return answer

    def _ends(self, answer: _Answer) -> bool:
        """Whether a call is the last one. Raises what it means where it tells of a failure."""
        wait = self.interface.wait
        assert wait is not None
        self._meant(answer)
        state = str(found_at(wait.state, answer.told))
        if state in wait.failed:
            raise self._refused(answer, "bad-request")
        return not wait.done or state in wait.done

    def _tell(self, answer: _Answer, progress: Callable[[float], None]) -> None:
        """Say how far it is, where an answer tells."""
        assert self.interface.wait is not None
        share = found_at(self.interface.wait.progress, answer.told)
        if isinstance(share, int | float):
            progress(min(0.99, max(0.0, float(share) / (100 if share > 1 else 1))))

    def _result(self, answer: _Answer, values: Mapping[str, Value]) -> bytes:
        found = self.interface.result
        if found.as_ == "body":
            return answer.body
        value = found_at(found.at, answer.told)
        if not isinstance(value, str) or not value:
            raise self._wrong(f"nothing stands at {found.at}, where the result should be")
        if found.as_ == "address":
            headers = self._headers(values) if found.send_headers else {}
            return self._asked("GET", value, headers).body
        try:
            return base64.b64decode(value.rpartition(",")[2], validate=True)
        except ValueError as error:
            raise self._wrong(f"what stands at {found.at} is not base64") from error

    def _cost(self, answer: _Answer) -> Decimal | None:
        """What an answer says it cost: nothing negative, nothing that is no number."""
        told = found_at(self.interface.cost, answer.told)
        try:
            cost = None if told is None else Decimal(str(told))
        except InvalidOperation:
            return None
        return cost if cost is not None and cost.is_finite() and 0 <= cost <= 10_000 else None

    def _headers(self, values: Mapping[str, Value], key: str = "") -> dict[str, str]:
        made = {
            n: filled(v, values).replace("\r", "").replace("\n", "").strip()
            for n, v in self.interface.send.headers.items()
        }
        if key and self.interface.send.method != "GET":
            made.setdefault("Idempotency-Key", key)
        return made

    def _asked(self, method: str, address: str, headers: Mapping[str, str], **more: Any) -> _Answer:
        """An answer; asked for again where the interface cannot be reached or says to try again."""
        try:
            for attempt in stamina.retry_context(
                on=(httpx.TransportError, _Again),
                attempts=TRIES,
                wait_initial=0.3,
                wait_max=8.0,
                timeout=90.0,
            ):
                with attempt:
                    return self._once(method, address, headers, **more)
        except httpx.TransportError as error:
            raise ServiceDown(
                f"“{self.plugged.title}” does not answer.", "What is asked for waits."
            ) from error
        except _Again as error:
            raise ServiceDown(f"“{self.plugged.title}”: {error}", ADVICE["try-again"]) from error
        raise AssertionError("a retry ends by an answer or by an error")

    def _once(self, method: str, address: str, headers: Mapping[str, str], **more: Any) -> _Answer:
        try:
            request = self._http.build_request(method, address, headers=dict(headers), **more)
        except (httpx.InvalidURL, UnicodeEncodeError, ValueError) as error:
            raise self._wrong(f"“{self._hidden(address)[:200]}” is no address") from error
        exchange = Exchange(f"{method} {self._hidden(address)}", self._shown(request.content))
        try:
            came = self._http.send(request, stream=True)
            try:
                body = read_bounded(
                    came,
                    MOST_TOLD if "json" in came.headers.get("content-type", "") else 200_000_000,
                )
            finally:
                came.close()
        except httpx.LocalProtocolError as error:
            raise self._wrong(f"what its description sends is no HTTP: {error}") from error
        except httpx.TransportError as error:
            exchange.came = self._hidden(f"{type(error).__name__}: {error}")
            self._heard(exchange)
            raise
        answer = _Answer(came.status_code, came.headers, body, _json(body))
        exchange.status, exchange.came = answer.status, self._shown(body)
        self._heard(exchange)
        self._note_left(answer)
        self._meant(answer)
        return answer

    def _note_left(self, answer: _Answer) -> None:
        """Keep what an answer tells of how many pieces are left."""
        left = self._told_of_quota(answer, "left")
        try:
            pieces = int(float(str(left))) if left is not None else -1
        except (ValueError, OverflowError):
            return
        if pieces >= 0 and self._limits is not None:
            midnight = datetime.now(UTC).replace(hour=0, minute=0, second=0, microsecond=0)
            self._limits.note(pieces, self._renews(answer) or midnight + timedelta(days=1))

    def _told_of_quota(self, answer: _Answer, what: Literal["left", "renews"]) -> Any:
        """What an answer tells at the place, or in the header, that the description names."""
        at = getattr(self.interface.quota, what) if self.interface.quota else ""
        if not at:
            return None
        return found_at(at, answer.told) if at.startswith("$") else answer.headers.get(at)

    def _meant(self, answer: _Answer) -> None:
        """Raises what an answer means that is none."""
        for erring in self.interface.errors:
            if erring.status is not None and erring.status != answer.status:
                continue
            said = (
                str(found_at(erring.at, answer.told))
                if erring.at
                else answer.body[:4000].decode(errors="replace")
            )
            if (erring.at or erring.contains) and (
                erring.contains.lower() not in said.lower()
                or (erring.at and found_at(erring.at, answer.told) is None)
            ):
                continue
            if erring.means == "try-again":
                raise _Again(self._said(answer))
            raise self._refused(answer, erring.means)
        if answer.status in (429, 502, 503, 504):
            raise _Again(self._said(answer))
        if answer.status >= 300:
            raise self._refused(answer, "bad-request")

    def _refused(self, answer: _Answer, means: str) -> ServiceRefused:
        refused = ServiceRefused(
            f"“{self.plugged.title}” refused: {self._said(answer)}", ADVICE[means]
        )
        refused.reason = means
        if means == "out-of-quota":
            refused.renews_at = self._renews(answer)
        return refused

    def _said(self, answer: _Answer) -> str:
        told = found_at(self.interface.message, answer.told)
        said = self._hidden(told) if isinstance(told, str) else self._shown(answer.body)
        return said[:300] or f"it answered {answer.status}."

    def _renews(self, answer: _Answer) -> datetime | None:
        """When a quota renews, as the answer or its Retry-After (RFC 9110, 10.2.3) tells."""
        told = self._told_of_quota(answer, "renews")
        told = answer.headers.get("retry-after") if told is None else told
        try:
            seconds = float(str(told))
            moment = datetime.now(UTC) + timedelta(seconds=min(max(seconds, 1.0), 40 * 86400.0))
        except (ValueError, OverflowError):
            try:
                moment = datetime.fromisoformat(str(told))
            except ValueError:
                return None
        return moment if moment.tzinfo else moment.replace(tzinfo=UTC)

    def _wrong(self, why: str) -> ServiceRefused:
        return ServiceRefused(
            f"“{self.plugged.title}”: {why}.",
            "See what it was sent and what it answered, under Services.",
        )

    def _shown(self, body: bytes) -> str:
        """A body as it is shown: without the key, then cut short."""
        try:
            text = self._hidden(body.decode())
        except UnicodeDecodeError:
            return f"({len(body):,} bytes)"
        return text if len(text) <= SHOWN else f"{text[:SHOWN]} … ({len(text):,} characters)"

    def _hidden(self, text: str) -> str:
        """A text without the key."""
        if not self._secret:
            return text
        for form in {self._secret, quote(self._secret, safe=""), json.dumps(self._secret)[1:-1]}:
            text = text.replace(form, "•••")
        return text


def _json(body: bytes) -> Any:
    try:
        return json.loads(body)
    except (ValueError, RecursionError):
        return None
