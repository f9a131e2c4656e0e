"""Whether a service keeps to the protocol: a conformance run, with a report in sentences.

It orders one small thing of each offer that can be ordered without another's help, so it costs what those cost; the
report says how much.
"""

import hashlib
import time
import uuid
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from datetime import UTC, datetime, timedelta
from decimal import Decimal

import httpx
from pydantic import ValidationError

from cutreel.core.errors import CutReelError
from cutreel.protocol import (
    JobInput,
    JobRequest,
    JobView,
    MusicInput,
    Offer,
    PictureInput,
    SoundInput,
    SpeechInput,
    Statement,
    price_of,
)

from .sniffed import media_type

PATIENCE = 60.0
SLOW_OFFERS = 5.0
CANCEL_WITHIN = 5.0
SMALL = 256
_FAMILY = {
    "picture": "image/",
    "clip": "video/",
    "speech": "audio/",
    "sound": "audio/",
    "music": "audio/",
}


@dataclass(frozen=True)
class Finding:
    """One rule: whether it is kept, and a sentence."""

    rule: str
    ok: bool
    says: str


@dataclass
class Report:
    """What a conformance run found; `orders` are what was made, by key, with what it cost, `spent` their sum."""

    findings: list[Finding] = field(default_factory=list)
    offers: list[Offer] = field(default_factory=list)
    orders: dict[str, Decimal] = field(default_factory=dict)

    @property
    def spent(self) -> Decimal:
        return sum(self.orders.values(), Decimal(0))

    @property
    def ok(self) -> bool:
        return all(f.ok for f in self.findings)

    def note(self, rule: str, ok: bool, says: str) -> bool:
        self.findings.append(Finding(rule, ok, says))
        return ok


def check_service(
    client: httpx.Client,
    patience: float = PATIENCE,
    progress: Callable[[float], None] = lambda share: None,
) -> Report:
    """Look a service over. `client` has its address, and its key where it needs one."""
    report = Report()
    try:
        offers = _offers(client, report)
        if offers is None:
            return report
        _unknown(client, report)
        orders = list(_orders(offers))
        for i, (offer, work) in enumerate(orders):
            progress(i / len(orders))
            _Order(client, report, offer, work, patience).look()
        for offer in offers:
            if not any(o.name == offer.name for o, _ in orders):
                report.note(
                    "tried",
                    True,
                    f"{offer.title}: not tried, since it needs something made before.",
                )
        _statement(client, report)
    except (httpx.TransportError, CutReelError) as error:
        report.note("answers", False, f"It stopped answering: {error}")
    progress(1.0)
    return report


def _offers(client: httpx.Client, report: Report) -> list[Offer] | None:
    began = time.monotonic()
    try:
        answer = client.get("/offers")
    except httpx.TransportError as error:
        report.note("answers", False, f"It does not answer: {type(error).__name__}.")
        return None
    took = time.monotonic() - began
    if answer.status_code in (401, 403):
        report.note("answers", False, "It does not take the key: write it in again.")
        return None
    if answer.status_code != 200:
        report.note("answers", False, f"GET /offers answers {answer.status_code}; 200 is meant.")
        return None
    report.note("answers", took < SLOW_OFFERS, f"It answers within {max(took, 0.001):.2g} seconds.")
    try:
        offers = [Offer.model_validate(o) for o in answer.json()]
    except (ValueError, ValidationError, TypeError) as error:
        first = error.errors()[0] if isinstance(error, ValidationError) else None
        where = (
            f"{'.'.join(map(str, first['loc']))}: {first['msg']}"
            if first
            else "it is not a list in JSON"
        )
        report.note("offers", False, f"Its offers cannot be read: {where}.")
        return None
    if not offers:
        report.note("offers", False, "It offers nothing.")
        return None
    names = [o.name for o in offers]
    report.note(
        "offers",
        len(set(names)) == len(names),
        f"It offers {', '.join(f'{o.title} ({o.kind})' for o in offers)}.",
    )
    below = [o.title for o in offers if not o.price.amount.is_finite() or o.price.amount < 0]
    report.note(
        "prices",
        not below,
        f"A price below nothing: {below[0]}." if below else "Its prices are sane.",
    )
    over = [o.title for o in offers if o.quota and not 0 <= o.quota.left <= o.quota.limit]
    report.note(
        "quotas",
        not over,
        f"More is left than there is: {over[0]}." if over else "What is left fits what there is.",
    )
    report.offers = offers
    return offers


def _statement(client: httpx.Client, report: Report) -> None:
    """Whether what it says it was paid is what these orders cost. A service need not say."""
    since = (datetime.now(UTC) - timedelta(days=1)).isoformat()
    answer = client.get("/statement", params={"since": since})
    if answer.status_code == 404:
        report.note("statement", True, "It does not say what it was paid: the ledger stands alone.")
        return
    try:
        told = Statement.model_validate_json(answer.content)
    except ValidationError:
        report.note("statement", False, "What it says it was paid cannot be read.")
        return
    said = {line.key: line.cost for line in told.lines}
    wrong = [key for key, cost in report.orders.items() if said.get(key) != cost]
    report.note(
        "statement",
        not wrong,
        f"Of {len(report.orders)} orders, {len(wrong)} stand otherwise in what it says it was paid."
        if wrong
        else "What it says it was paid is what these orders cost.",
    )


def _unknown(client: httpx.Client, report: Report) -> None:
    """What is not there is said not to be there."""
    nowhere = hashlib.sha256(uuid.uuid4().bytes).hexdigest()
    for rule, path in (
        ("unknown jobs", f"/jobs/{uuid.uuid4().hex}"),
        ("unknown results", f"/results/{nowhere}"),
    ):
        status = client.get(path).status_code
        report.note(
            rule,
            status == 404,
            f"GET {path[:9]}… of what is not there answers {status}; 404 is meant.",
        )
    status = client.head(f"/references/{nowhere}").status_code
    report.note(
        "unknown references",
        status == 404,
        f"HEAD /references/… of what was never given answers {status}; 404 is meant.",
    )


def _orders(offers: list[Offer]) -> Iterator[tuple[Offer, JobInput]]:
    for offer in offers:
        seconds = min(2.0, offer.caps.seconds or 2.0)
        size = {
            "width": min(SMALL, offer.caps.width or SMALL),
            "height": min(SMALL, offer.caps.height or SMALL),
        }
        if offer.kind == "picture":
            yield offer, PictureInput(prompt="A lamp on a table.", seed=7, **size)
        elif offer.kind == "sound":
            yield offer, SoundInput(prompt="wind", seconds=seconds, seed=7)
        elif offer.kind == "music" and offer.moods:
            yield offer, MusicInput(mood=offer.moods[0], seconds=max(seconds, 4.0), seed=7)
        elif offer.kind == "speech" and offer.voices:
            yield offer, SpeechInput(text="The lamp was lit.", voice=offer.voices[0].name, seed=7)


class _Order:
    """One order of an offer, looked at from all sides."""

    def __init__(
        self, client: httpx.Client, report: Report, offer: Offer, work: JobInput, patience: float
    ) -> None:
        self.client, self.report, self.offer, self.work = client, report, offer, work
        self.patience = patience
        self.key = f"check-{uuid.uuid4().hex}"

    def note(self, rule: str, ok: bool, says: str) -> bool:
        return self.report.note(rule, ok, f"{self.offer.title}: {says}")

    def look(self) -> None:
        first = self._post(self.key)
        if first is None:
            return
        again = self._post(self.key)
        same = again is not None and again.id == first.id
        self.note(
            "same key, same job",
            same,
            "the same key gives the same job."
            if same
            else "the same key gives another job: everything would be paid twice.",
        )
        done = self._waited(first)
        if done is None:
            return
        if done.state != "done":
            said = done.refusal.message if done.refusal else done.state
            self.note("makes", False, f"it did not make a small order: {said}")
            return
        self._cost(done)
        data = self._results(done)
        if data is not None:
            self._fits(data)
            if self.work.kind == "picture" and "seed" in self.offer.understands:
                self._seeds(data)
        self._caps()
        self._cancels()

    def _post(self, key: str, work: JobInput | None = None) -> JobView | None:
        body = JobRequest(offer=self.offer.name, input=work or self.work).model_dump(mode="json")
        answer = self.client.post("/jobs", json=body, headers={"Idempotency-Key": key})
        if answer.status_code not in (200, 201, 202):
            self.note(
                "takes jobs", False, f"POST /jobs answers {answer.status_code}; 202 is meant."
            )
            return None
        return self._view(answer)

    def _view(self, answer: httpx.Response) -> JobView | None:
        try:
            return JobView.model_validate_json(answer.content)
        except ValidationError as error:
            first = error.errors()[0]
            self.note(
                "jobs",
                False,
                f"what it says of a job cannot be read: {'.'.join(map(str, first['loc']))}: {first['msg']}.",
            )
            return None

    def _waited(self, view: JobView) -> JobView | None:
        began, seen = time.monotonic(), 0.0
        while view.state in ("queued", "running"):
            if not seen <= view.progress <= 1.0:
                self.note(
                    "progress",
                    False,
                    f"progress goes from {seen:g} to {view.progress:g}; it is 0 to 1 and does not go back.",
                )
                seen = -1e9
            seen = max(seen, view.progress) if seen >= 0 else seen
            if time.monotonic() - began > self.patience:
                self.note(
                    "ends", False, f"a small order did not end within {self.patience:g} seconds."
                )
                self.client.delete(f"/jobs/{view.id}")
                return None
            time.sleep(0.05)
            now = self._view(self.client.get(f"/jobs/{view.id}"))
            if now is None:
                return None
            view = now
        took = time.monotonic() - began
        self.note(
            "ends",
            True,
            f"a small order took {took:.1f} seconds; it says {self.offer.seconds_each:g}.",
        )
        return view

    def _cost(self, done: JobView) -> None:
        self.report.orders[self.key] = max(Decimal(0), done.cost)
        most = price_of(self.offer, self.work)
        ok = 0 <= done.cost <= most
        self.note(
            "cost",
            ok,
            f"it cost {done.cost}; its price promises {most}."
            if not ok
            else "it cost what its price promises.",
        )

    def _results(self, done: JobView) -> bytes | None:
        if not done.results:
            self.note("results", False, "a job that is done has no result.")
            return None
        result = done.results[0]
        data = self.client.get(f"/results/{result.sha256}").content
        good = hashlib.sha256(data).hexdigest() == result.sha256
        if not self.note(
            "hashes",
            good,
            "results are the bytes that their hashes name."
            if good
            else "a result is not what its hash names.",
        ):
            return None
        found = media_type(data)
        fits = found.startswith(_FAMILY[self.work.kind]) and found == result.media_type
        self.note(
            "types",
            fits,
            f"a result is announced as {result.media_type} and is {found or 'of no known kind'}."
            if not fits
            else f"results are {found}, as announced.",
        )
        return data if found else None

    def _fits(self, data: bytes) -> None:
        if isinstance(self.work, PictureInput) and data[:4] == b"\x89PNG":
            width, height = int.from_bytes(data[16:20]), int.from_bytes(data[20:24])
            asked = (self.work.width, self.work.height)
            same = (width, height) == asked
            self.note(
                "sizes",
                same,
                f"{width}x{height} came where {asked[0]}x{asked[1]} were asked for; pictures will be cropped."
                if not same
                else "pictures have the size that was asked for.",
            )

    def _seeds(self, data: bytes) -> None:
        other = self._ordered(self.work.model_copy(update={"seed": 7}))
        kept = other == data
        self.note(
            "seeds",
            kept,
            "the same seed gives the same picture."
            if kept
            else "it says that it understands seeds, but the same seed gives another picture.",
        )

    def _ordered(self, work: JobInput) -> bytes | None:
        key = f"check-{uuid.uuid4().hex}"
        view = self._post(key, work)
        done = None if view is None else self._waited(view)
        if done is None or not done.results:
            return None
        self.report.orders[key] = max(Decimal(0), done.cost)
        return self.client.get(f"/results/{done.results[0].sha256}").content

    def _caps(self) -> None:
        cap = (
            self.offer.caps.text_characters
            if self.work.kind == "speech"
            else self.offer.caps.prompt_characters
        )
        if not cap or cap > 50_000 or self.work.kind == "music":
            return
        named = "text" if self.work.kind == "speech" else "prompt"
        long = self.work.model_copy(update={named: ("lamp " * (cap // 5 + 2))[: cap + 1]})
        view = self._post(f"check-{uuid.uuid4().hex}", long)
        refused = view is not None and view.refusal is not None and view.refusal.code == "over-cap"
        self.note(
            "caps",
            refused,
            f"more than {cap} characters are refused."
            if refused
            else f"it says that it takes {cap} characters, and does not refuse more as over-cap.",
        )
        if view is not None and view.state in ("queued", "running"):
            self.client.delete(f"/jobs/{view.id}")

    def _cancels(self) -> None:
        key = f"check-{uuid.uuid4().hex}"
        view = self._post(key, self.work.model_copy(update={"seed": 8}))
        if view is None:
            return
        began = time.monotonic()
        status = self.client.delete(f"/jobs/{view.id}").status_code
        state = view.state
        while status == 200 and state in ("queued", "running"):
            if time.monotonic() - began > CANCEL_WITHIN:
                break
            time.sleep(0.05)
            now = self._view(self.client.get(f"/jobs/{view.id}"))
            if now is None:
                return
            state = now.state
            if state == "done":
                self.report.orders[key] = max(Decimal(0), now.cost)
        ok = status == 200 and state in ("cancelled", "done", "refused")
        self.note(
            "cancels",
            ok,
            "a job that is given up ends."
            if ok
            else f"DELETE /jobs/… answers {status}, and the job is {state}: given up, it would be paid.",
        )
