"""Everything that films need, started for a while and ended after: for the command line and for
tests."""

import os
import shutil
import signal
import subprocess
import sys
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path
from secrets import token_urlsafe

from cutreel.bridge import Secrets
from cutreel.making import Workshop
from cutreel.services import Services
from cutreel.store import Database, MediaStore, kept_in

from . import commands
from .cluster import ELSEWHERE, Cluster
from .ports import free_port
from .prepare import prepare_database


@dataclass
class Temporary:
    """What is running: a workshop, and the environment that reaches it."""

    shop: Workshop
    environment: dict[str, str]
    processes: dict[str, "subprocess.Popen[bytes]"]
    services: str

    def start(self, name: str, command: list[str]) -> "subprocess.Popen[bytes]":
        """Start another process that is ended with the rest."""
        process = subprocess.Popen(
            command, env=self.environment, start_new_session=True, stdout=sys.stderr
        )
        self.processes[name] = process
        return process

    def start_worker(self, name: str) -> "subprocess.Popen[bytes]":
        return self.start(name, commands.worker())


@contextmanager
def temporary(
    data: Path | None = None, workers: int = 2, delay: float = 0.0
) -> Iterator[Temporary]:
    """Run a database, the stand-ins and `workers` over `data` (None: a folder that is removed at
    the end)."""
    folder = data or Path(tempfile.mkdtemp(prefix="cutreel-"))
    if data is None:
        folder.chmod(0o711)  # the database's account walks through it
    processes: dict[str, subprocess.Popen[bytes]] = {}
    cluster = Cluster(folder, free_port())
    try:
        cluster.prepare()
        processes["database"] = subprocess.Popen(
            [*cluster.account, *cluster.command(durable=data is not None)],
            cwd="/",
            start_new_session=True,
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
        )
        services = f"http://127.0.0.1:{free_port()}"
        environment = {
            **os.environ,
            "CUTREEL_MEDIA": str(folder / "media"),
            "CUTREEL_KEPT": str(folder / "kept"),
            "CUTREEL_SERVICES": services,
            "CUTREEL_BY_HAND": str(folder / "by-hand"),
            "CUTREEL_SECRETS": str(folder / "keys" / "services"),
            "CUTREEL_PAGE_KEY": token_urlsafe(24),
            "STANDINS_DIR": str(folder / "standins"),
            "STANDINS_DELAY": str(delay),
        }
        processes["stand-ins"] = subprocess.Popen(
            commands.standins(services), env=environment, start_new_session=True, stdout=sys.stderr
        )
        cluster.wait()
        environment["CUTREEL_DATABASE"] = cluster.address
        database = Database(cluster.address)
        prepare_database(database)
        running = Temporary(
            Workshop(
                database,
                MediaStore(environment["CUTREEL_MEDIA"]),
                Services(services),
                kept=kept_in(folder / "kept"),
                secrets=Secrets(folder / "keys" / "services"),
            ),
            environment,
            processes,
            services,
        )
        for i in range(workers):
            running.start_worker(f"worker-{i + 1}")
        commands.wait_for(
            lambda: commands.answers(services + "/offers"), 300, "The stand-in services"
        )
        yield running
    finally:
        _end(processes)
        if data is None:
            shutil.rmtree(folder, ignore_errors=True)
            if cluster.folder.parent.parent == ELSEWHERE:
                shutil.rmtree(cluster.folder.parent, ignore_errors=True)


def _end(processes: "dict[str, subprocess.Popen[bytes]]") -> None:
    """End processes with everything they started, the database last."""
    for name in reversed(list(processes)):
        process = processes[name]
        for sign in (
            (signal.SIGINT, signal.SIGKILL)
            if name == "database"
            else (signal.SIGTERM, signal.SIGKILL)
        ):
            if process.poll() is not None and sign != signal.SIGKILL:
                continue
            try:
                os.killpg(process.pid, sign)
                process.wait(8)
            except (ProcessLookupError, PermissionError, subprocess.TimeoutExpired):
                continue
