"""Everything is killed and halted at random while films are made and edited; then it is looked whether anything was
lost, paid twice, or hangs. Run: python -m bench.chaos [MINUTES] [SEED]
"""

import json
import os
import random
import signal
import sqlite3
import sys
import tempfile
import threading
import time
from collections import Counter
from collections.abc import Callable
from contextlib import suppress
from dataclasses import dataclass, field
from decimal import Decimal
from pathlib import Path
from typing import Any
from urllib.parse import urlsplit

import httpx
import psycopg

from cutreel.running import commands
from cutreel.running.ports import free_port
from cutreel.running.temporary import Temporary, temporary

from .full import SmallDisk
from .wire import Wire

STORY = (
    "The lamp was dark. Ada took the oars. “Who is there?” said Bram. The boat came home at dawn."
)
PATIENCE = 9
"""How many times as long it goes on at most until an edit was taken."""
EVERY = 1.2
"""Seconds between two blows."""
ENDED = 300.0
"""Seconds for which runs may go on when the blows are over."""
MEGABYTES_A_SECOND = 2.5
"""What two workers make at most: so much larger is the disk that is filled up."""


@dataclass
class Chaos:
    """A running Cut Reel, who hits it, who works with it, and what was promised to whom."""

    stack: Temporary
    seed: int
    disk: SmallDisk | None
    """What is made lies on it; None where it lies on the machine's own, which nobody fills."""
    port: int = field(default_factory=free_port)
    blows: Counter[str] = field(default_factory=Counter)
    edits: list[tuple[str, str]] = field(default_factory=list)
    """Film and title of each renaming that was acknowledged."""
    runs: list[str] = field(default_factory=list)
    over: threading.Event = field(default_factory=threading.Event)

    def __post_init__(self) -> None:
        self.chance = random.Random(self.seed)
        self.made = 0
        self.started: dict[str, Callable[[], list[str]]] = {
            "worker-1": commands.worker,
            "worker-2": commands.worker,
            "stand-ins": lambda: commands.standins(self.stack.services),
            "web": lambda: commands.web(self.port),
        }
        self.address = self.stack.environment["CUTREEL_DATABASE"]
        asked = urlsplit(self.address)
        self.wires = {
            "the database": Wire(asked.port or 5432),
            "the services": Wire(urlsplit(self.stack.services).port or 80),
        }
        through = {name: f"127.0.0.1:{wire.port}" for name, wire in self.wires.items()}
        said, _, _ = asked.netloc.rpartition("@")
        self.stack.environment |= {
            "CUTREEL_PORT": str(self.port),
            "CUTREEL_DATABASE": asked._replace(netloc=f"{said}@{through['the database']}").geturl(),
            "CUTREEL_SERVICES": f"http://{through['the services']}",
        }

    @property
    def page(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    # ------------------------------------------------------------------------------------------ blows

    def hit(self) -> None:
        """One blow."""
        blows = [self._kill] * 4 + [self._halt] * 2 + [self._throw_out, self._crash]
        blows += [self._cut] * 2 + [self._hold, self._part] + [self._fill] * bool(self.disk)
        blow = self.chance.choice(blows)
        with suppress(psycopg.Error, ProcessLookupError):
            blow()
        for name in self.started:
            self._see_to(name)

    def _see_to(self, name: str) -> None:
        process = self.stack.processes.get(name)
        if process is None or process.poll() is not None:
            self.stack.start(name, self.started[name]())

    def _kill(self) -> None:
        name = self.chance.choice(list(self.started))
        os.killpg(self.stack.processes[name].pid, signal.SIGKILL)
        self.stack.processes[name].wait()
        self.blows[f"{name} killed"] += 1

    def _halt(self) -> None:
        name = self.chance.choice(list(self.started))
        group = self.stack.processes[name].pid
        os.killpg(group, signal.SIGSTOP)
        time.sleep(self.chance.uniform(0.5, 4))
        os.killpg(group, signal.SIGCONT)
        self.blows[f"{name} halted"] += 1

    def _throw_out(self) -> None:
        """The database ends everybody's connection."""
        with psycopg.connect(self.address, autocommit=True) as connection:
            connection.execute(
                "SELECT pg_terminate_backend(pid) FROM pg_stat_activity "
                "WHERE datname = current_database() AND pid <> pg_backend_pid()"
            )
        self.blows["database threw all out"] += 1

    def _crash(self) -> None:
        """One of the database's processes is killed; it takes back what was not committed, and begins anew."""
        with psycopg.connect(self.address) as connection:
            told = connection.execute(
                "SELECT pid FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid()"
            ).fetchall()
        if told and os.geteuid() == 0:
            os.kill(self.chance.choice(told)[0], signal.SIGKILL)
            self.blows["database crashed"] += 1

    def _cut(self) -> None:
        """What is being said to somebody ends in the middle."""
        name = self.chance.choice(list(self.wires))
        self.wires[name].cut()
        self.blows[f"wire to {name} cut"] += 1

    def _hold(self) -> None:
        name = self.chance.choice(list(self.wires))
        self.wires[name].hold(self.chance.uniform(0.5, 4))
        self.blows[f"wire to {name} held up"] += 1

    def _part(self) -> None:
        """Nobody reaches somebody for a while."""
        name = self.chance.choice(list(self.wires))
        self.wires[name].part(self.chance.uniform(0.5, 4))
        self.blows[f"{name} out of reach"] += 1

    def _fill(self) -> None:
        """The disk is full for a while."""
        assert self.disk is not None
        self.disk.fill(self.chance.uniform(0.5, 4))
        self.blows["disk full"] += 1

    # ---------------------------------------------------------------------------------- whoever works

    def begin(self) -> list[str]:
        """A film that is being made when the first blow comes."""
        with httpx.Client(base_url=self.page, timeout=60) as client:
            film = self._new_film(client)
            for _ in range(4):
                self._start(client, film)
        return [film]

    def work(self, films: list[str]) -> None:
        """Make films, rename them, have them spoken and drawn; what is not answered is not promised."""
        with httpx.Client(base_url=self.page, timeout=8) as client:
            while not self.over.is_set():
                with suppress(httpx.HTTPError, ValueError, KeyError):
                    if len(films) < 3 or self.chance.random() < 0.05:
                        films.append(self._new_film(client))
                    film = self.chance.choice(films)
                    self._edit(client, film)
                    if self.chance.random() < 0.25:
                        self._start(client, film)
                time.sleep(0.15)

    def _new_film(self, client: httpx.Client) -> str:
        settings = {"seed": self.seed * 1000 + self.made, "music": "none"}
        self.made += 1
        new = {"title": f"Film {self.made}", "text": STORY, "settings": settings}
        film: str = client.post("/api/films", json=new).raise_for_status().json()["id"]
        return film

    def _edit(self, client: httpx.Client, film: str) -> None:
        revision = client.get(f"/api/films/{film}").raise_for_status().json()["head"]["revision"]
        title = f"Film {film} as of {len(self.edits)} {self.chance.random():.9f}"
        command = {"type": "rename film", "title": title}
        asked = {"revision": revision, "command": command}
        if client.post(f"/api/films/{film}/changes", json=asked).is_success:
            self.edits.append((film, title))

    def _start(self, client: httpx.Client, film: str) -> None:
        kind = self.chance.choice(["speech", "pictures"])
        wish: dict[str, Any] = {"kind": kind}
        if kind == "pictures":
            wish |= {"takes": self.chance.choice([1, 2])}
        answer = client.post(f"/api/films/{film}/runs", json=wish)
        if answer.is_success and "id" in answer.json():
            self.runs.append(answer.json()["id"])

    # ------------------------------------------------------------------------------------- afterwards

    def settle(self) -> str:
        """Bring everything up and wait until all runs have ended; what still goes then, empty where nothing does."""
        end = time.monotonic() + ENDED
        going: list[Any] = []
        while time.monotonic() < end:
            for name in self.started:
                self._see_to(name)
            with suppress(psycopg.Error), psycopg.connect(self.address) as connection:
                going = connection.execute(
                    "SELECT r.id, r.kind, i.state, i.message FROM runs r LEFT JOIN items i ON i.run = r.id "
                    "AND i.state IN ('waiting', 'going') WHERE r.state IN ('going', 'paused')"
                ).fetchall()
                if not going:
                    return ""
            time.sleep(1)
        return str(going[:3])

    def faults(self) -> list[str]:
        """What is not as it was promised, in sentences; nothing where all is."""
        out = []
        with psycopg.connect(self.address) as connection:
            ask = connection.execute
            told = Counter(
                (film, json.loads(command)["title"])
                for film, command in ask(
                    "SELECT film, command::text FROM changes WHERE command ->> 'type' = 'rename film'"
                ).fetchall()
            )
            out += [f"lost: {edit}" for edit in self.edits if told[edit] == 0]
            out += [f"done twice: {edit}" for edit, count in told.items() if count > 1]
            there = {r for (r,) in ask("SELECT id FROM runs").fetchall()}
            out += [f"a run is gone: {run}" for run in self.runs if run not in there]
            failed = ask("SELECT label, message FROM items WHERE state = 'failed'").fetchall()
            out += [f"failed: {label}: {message}" for label, message in failed]
            spent = {k: Decimal(a) for k, a in ask("SELECT key, amount FROM spent").fetchall()}
            promised = ask("SELECT count(*) FROM promised").fetchone()
        books = self._books()
        out += [
            f"paid {spent.get(k, 0)}, in their books {a}: {k}"
            for k, a in books.items()
            if spent.get(k) != a
        ]
        out += [f"paid and in nobody's books: {k}" for k in spent.keys() - books.keys()]
        if promised != (0,):
            out.append(f"{promised} promises are left")
        media = self.stack.shop.media
        names = self.stack.shop.lost.told_of("", 1_000_000)
        out += [f"{name} is {fault}" for name in names if (fault := media.fault(name))]
        return out

    def _books(self) -> dict[str, Decimal]:
        """What the stand-ins made and took for it, by key, as they kept it themselves."""
        path = Path(self.stack.environment["STANDINS_DIR"]) / "ledger.sqlite3"
        with sqlite3.connect(path) as books:
            rows = books.execute("SELECT key, view FROM jobs").fetchall()
        views = {key: json.loads(view) for key, view in rows}
        return {k: Decimal(str(v["cost"])) for k, v in views.items() if v["state"] == "done"}


def run(seconds: float, seed: int, data: Path) -> tuple[Chaos, list[str]]:
    """So many seconds of blows, and longer where a slow machine took no edit between them; returns what happened, and
    what was wrong afterwards."""
    disk = SmallDisk.at(data / "media", 800 + round(seconds * MEGABYTES_A_SECOND))
    try:
        return _run(seconds, seed, data, disk)
    finally:
        if disk is not None:
            disk.close()


def _run(seconds: float, seed: int, data: Path, disk: SmallDisk | None) -> tuple[Chaos, list[str]]:
    with temporary(data=data, workers=0) as stack:
        chaos = Chaos(stack, seed, disk)
        for name in chaos.started:
            chaos._see_to(name)
        commands.wait_for(
            lambda: commands.answers(f"{chaos.page}/api/health"), 60, "The web server"
        )
        working = threading.Thread(target=chaos.work, args=[chaos.begin()])
        working.start()
        end = time.monotonic() + seconds
        last = end + PATIENCE * seconds
        while time.monotonic() < (end if chaos.edits else last):
            time.sleep(EVERY)
            chaos.hit()
        chaos.over.set()
        working.join()
        still = chaos.settle()
        found = [*([f"still going: {still}"] if still else []), *chaos.faults()]
        for wire in chaos.wires.values():
            wire.close()
        return chaos, found


def main(minutes: float = 2.0, seed: int = 1) -> None:
    with tempfile.TemporaryDirectory(prefix="cutreel-chaos-") as name:
        folder = Path(name)
        folder.chmod(0o711)
        chaos, faults = run(minutes * 60, seed, folder)
    for what, count in sorted(chaos.blows.items()):
        print(f"{count:5}  {what}")
    print(
        f"{chaos.blows.total()} blows, {len(chaos.edits)} edits, {chaos.made} films, {len(chaos.runs)} runs"
    )
    print("\n".join(faults) or "nothing lost, nothing paid twice, everything ended")
    sys.exit(bool(faults))


if __name__ == "__main__":
    main(*(kind(word) for kind, word in zip((float, int), sys.argv[1:], strict=False)))
