"""Jobs of a service: each key is made once, also over a restart."""

import hashlib
import json
import threading
import uuid
from collections.abc import Sequence
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime
from pathlib import Path

from cutreel.protocol import (
    JobRequest,
    JobView,
    Refusal,
    Result,
    Statement,
    StatementLine,
    over_cap,
    price_of,
)

from .files import Files
from .given import Given, Made, Refuses
from .service import Makable, Service

_AGAIN = ("try-again", "out-of-quota")
"""Refusals after which the same key may be made after all."""


class Jobs:
    """Takes jobs in and sees them through, `parallel` of each offer at once."""

    def __init__(self, service: Service, folder: Path) -> None:
        self.service, self.files = service, Files(folder / "files")
        self._folder = folder / "jobs"
        self._folder.mkdir(parents=True, exist_ok=True)
        self._lock = threading.RLock()
        self._views: dict[str, JobView] = {}
        self._cancelled: set[str] = set()
        self._keys: dict[str, tuple[str, str]] = {}
        self._pools = {
            name: ThreadPoolExecutor(makable.offer.parallel)
            for name, makable in service.makables.items()
        }

    def take(self, request: JobRequest, key: str) -> JobView:
        """A job for a key: the same one when it is known."""
        with self._lock:
            path = self._folder / f"{hashlib.sha256(key.encode()).hexdigest()}.json"
            known = self._known(path)
            if known and not self._to_make(known):
                return self._views.get(known.id, known)
            view = JobView(id=known.id if known else uuid.uuid4().hex, state="queued")
            self._cancelled.discard(view.id)
            makable = self.service.makables.get(request.offer)
            if makable is None or makable.offer.kind != request.input.kind:
                said = f"There is no offer “{request.offer}” for {request.input.kind}."
                view.state, view.refusal = "refused", Refusal(code="bad-request", message=said)
            elif over := over_cap(makable.offer, request.input):
                view.state, view.refusal = "refused", Refusal(code="over-cap", message=over)
            self._keys[view.id] = (key, request.offer)
            self._save(path, view)
            if view.state == "queued" and makable is not None:
                self._pools[request.offer].submit(self._make, path, view, request, makable)
            return view

    def _to_make(self, known: JobView) -> bool:
        """Whether a key that is known is made after all: it was given up, may be tried again, or was cut off."""
        if known.state == "refused":
            return known.refusal is not None and known.refusal.code in _AGAIN
        return known.state == "cancelled" or (known.state != "done" and known.id not in self._views)

    def view(self, job: str) -> JobView | None:
        with self._lock:
            return self._views.get(job) or next(
                (v for p in self._folder.glob("*.json") if (v := self._known(p)) and v.id == job),
                None,
            )

    def cancel(self, job: str) -> JobView | None:
        with self._lock:
            view = self.view(job)
            if view is not None and view.state in ("queued", "running"):
                self._cancelled.add(job)
                view.state = "cancelled"
            return view

    def statement(self, since: datetime) -> Statement:
        """The jobs done since a moment, with what each cost."""
        lines = []
        for path in self._folder.glob("*.json"):
            with self._lock:
                told, view = json.loads(path.read_text()), self._known(path)
            asked = told.get("asked", {})
            if view is None or view.state != "done" or not asked.get("key"):
                continue
            line = StatementLine.model_validate({**asked, "cost": view.cost})
            if line.at >= since:
                lines.append(line)
        return Statement(lines=lines)

    def close(self) -> None:
        self._cancelled |= set(self._views)
        for pool in self._pools.values():
            pool.shutdown(wait=False, cancel_futures=True)

    def _make(self, path: Path, view: JobView, request: JobRequest, makable: Makable) -> None:
        def progress(share: float) -> None:
            view.progress = min(0.99, max(view.progress, share))

        given = Given(self.files, progress, lambda: view.id in self._cancelled)
        try:
            if given.cancelled():
                return
            view.state = "running"
            made = _as_files(makable.make(request.input, given), request.input.kind)
            with self._lock:
                if given.cancelled():
                    return
                view.results = [self._kept(m, i, request.input.kind) for i, m in enumerate(made)]
                view.cost = price_of(makable.offer, request.input)
                view.unused_words = given.unused
                view.state, view.progress = "done", 1.0
        except Refuses as no:
            view.state = "refused"
            view.refusal = Refusal(code=no.code, message=no.message, renews_at=no.renews_at)
        except Exception as error:
            view.state = "refused"
            view.refusal = Refusal(code="bad-request", message=f"{type(error).__name__}: {error}")
        finally:
            with self._lock:
                if view.id in self._cancelled:
                    view.state = "cancelled"
                self._save(path, view)

    def _kept(self, made: Made, number: int, kind: str) -> Result:
        return Result(
            name=made.name or (kind if not number else f"{kind}-{number + 1}"),
            media_type=made.media_type,
            sha256=self.files.put(made.data),
            size=len(made.data),
            data=made.about,
        )

    def _save(self, path: Path, view: JobView) -> None:
        self._views[view.id] = view
        part = path.with_suffix(".part")
        key, offer = self._keys.get(view.id, ("", ""))
        told = {"key": key, "offer": offer, "at": datetime.now(UTC).isoformat()}
        part.write_text(json.dumps({**view.model_dump(mode="json"), "asked": told}))
        part.replace(path)

    @staticmethod
    def _known(path: Path) -> JobView | None:
        try:
            return JobView.model_validate(json.loads(path.read_text()))
        except (FileNotFoundError, ValueError):
            return None


def _as_files(made: bytes | Made | Sequence[Made], kind: str) -> list[Made]:
    """What a function answered, as files."""
    if isinstance(made, bytes):
        return [Made(made, _USUAL.get(kind, "application/octet-stream"))]
    return [made] if isinstance(made, Made) else list(made)


_USUAL = {
    "picture": "image/png",
    "enlarge": "image/png",
    "clip": "video/mp4",
    "speech": "audio/flac",
    "sound": "audio/flac",
    "music": "audio/flac",
    "script": "application/json",
    "reading": "application/json",
    "voice": "application/json",
    "translation": "application/json",
}
