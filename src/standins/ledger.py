"""What was asked for and what came of it, kept in SQLite, so that a restart neither forgets nor
charges twice."""

import hashlib
import sqlite3
import threading
from datetime import UTC, datetime
from pathlib import Path

from cutreel.protocol import JobRequest, JobView, StatementLine


class Ledger:
    """Jobs by id and by idempotency key, quota used per day, and result files by SHA-256, under one
    folder."""

    def __init__(self, folder: Path) -> None:
        self.files = folder / "results"
        self.files.mkdir(parents=True, exist_ok=True)
        self._lock = threading.Lock()
        self._db = sqlite3.connect(folder / "ledger.sqlite3", check_same_thread=False)
        self._db.executescript(
            "CREATE TABLE IF NOT EXISTS jobs (id TEXT PRIMARY KEY, key TEXT UNIQUE, request TEXT, view TEXT, day TEXT);"
            "CREATE TABLE IF NOT EXISTS used (day TEXT, offer TEXT, amount INTEGER, PRIMARY KEY (day, offer));"
        )

    def by_key(self, key: str) -> JobView | None:
        return self._view("SELECT view FROM jobs WHERE key = ?", key)

    def by_id(self, job: str) -> JobView | None:
        return self._view("SELECT view FROM jobs WHERE id = ?", job)

    def _view(self, query: str, value: str) -> JobView | None:
        with self._lock:
            row = self._db.execute(query, (value,)).fetchone()
        return JobView.model_validate_json(row[0]) if row else None

    def save(
        self, view: JobView, key: str | None = None, request: JobRequest | None = None
    ) -> None:
        with self._lock, self._db:
            if key is not None and request is not None:
                self._db.execute(
                    "INSERT OR REPLACE INTO jobs VALUES (?, ?, ?, ?, date('now'))",
                    (view.id, key, request.model_dump_json(), view.model_dump_json()),
                )
            else:
                self._db.execute(
                    "UPDATE jobs SET view = ? WHERE id = ?", (view.model_dump_json(), view.id)
                )

    def statement(self, since: datetime) -> list[StatementLine]:
        """The jobs done since the day of a moment (UTC), with what each cost."""
        with self._lock:
            rows = self._db.execute(
                "SELECT key, request, view, day FROM jobs WHERE day >= ?",
                (since.astimezone(UTC).date().isoformat(),),
            ).fetchall()
        done = [(k, r, JobView.model_validate_json(v), d) for k, r, v, d in rows]
        return [
            StatementLine(
                key=key,
                at=datetime.fromisoformat(day).replace(tzinfo=UTC),
                offer=JobRequest.model_validate_json(request).offer,
                cost=view.cost,
            )
            for key, request, view, day in done
            if view.state == "done"
        ]

    def unfinished(self) -> list[tuple[JobView, JobRequest]]:
        """Jobs that were going on when the server last stopped."""
        with self._lock:
            rows = self._db.execute("SELECT view, request FROM jobs").fetchall()
        pairs = [
            (JobView.model_validate_json(v), JobRequest.model_validate_json(r)) for v, r in rows
        ]
        return [(v, r) for v, r in pairs if v.state in ("queued", "running")]

    def used(self, now: datetime) -> dict[str, int]:
        with self._lock:
            return dict(
                self._db.execute(
                    "SELECT offer, amount FROM used WHERE day = ?", (now.date().isoformat(),)
                ).fetchall()
            )

    def use(self, offer: str, amount: int, now: datetime) -> None:
        with self._lock, self._db:
            self._db.execute(
                "INSERT INTO used VALUES (?, ?, ?) ON CONFLICT (day, offer) DO UPDATE SET amount = amount + ?",
                (now.date().isoformat(), offer, amount, amount),
            )

    def keep(self, data: bytes) -> str:
        """Store a result file; its name is the SHA-256 of its bytes."""
        name = hashlib.sha256(data).hexdigest()
        path = self.files / name
        if not path.exists():
            part = path.with_suffix(".part")
            part.write_bytes(data)
            part.rename(path)
        return name
