"""What the start command does while Cut Reel runs: brings everything up in order, says what
happens, ends it whole.

The process manager (supervisor) starts again what dies once; what keeps dying ends the start, in
one sentence.
"""

import os
import signal
import subprocess
import sys
import time
from collections import defaultdict
from collections.abc import Callable
from http.client import HTTPConnection, HTTPException
from pathlib import Path
from socket import AF_UNIX, SOCK_STREAM, socket
from typing import Any
from xmlrpc.client import Fault, ServerProxy, Transport

from cutreel.core.errors import CutReelError

from . import commands
from .cluster import Cluster
from .commands import answers
from .supervision import WORKERS, log_of

LOOK_EVERY = 0.25
MOST_DEATHS = 3
"""A process that died so often within `WITHIN` seconds will not come up by itself."""
WITHIN = 60.0
_ENDED_WITH_US = ["setpriv", "--pdeathsig", "TERM"]
"""A start that is killed leaves nothing running: the kernel tells the process manager."""
PATIENCE = 60.0
"""Seconds for which a process that lives may not answer yet."""


class KeepsDying(CutReelError):
    """A process dies whenever it is started."""

    code = "keeps-dying"


class Stopped(BaseException):
    """Somebody asked us to end."""


class Watch:
    """Cut Reel as it runs in a data folder, under a configuration of supervisor."""

    def __init__(self, folder: Path, config: Path) -> None:
        self.folder = folder
        self._manager = subprocess.Popen(
            [
                *_ENDED_WITH_US,
                sys.executable,
                "-W",
                "ignore",
                "-m",
                "supervisor.supervisord",
                "-n",
                "-c",
                str(config),
            ],
            stdout=subprocess.DEVNULL,
            stderr=(folder / "logs" / "supervisor.err").open("wb"),
            start_new_session=True,  # Ctrl-C comes to us alone, and we end the rest in order
        )
        self._supervisor = ServerProxy(
            "http://localhost", transport=_Unix(str(folder / "supervisor.sock"))
        )
        self._known: dict[str, int] = {}
        self._deaths: dict[str, list[float]] = defaultdict(list)

    def run(self, cluster: Cluster, services: str, page: str, key: str, demo: bool) -> int:
        """Bring everything up and stay until asked to end; returns the exit status. `key` opens the page for other
        accounts of this machine."""
        for sign in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
            signal.signal(sign, _stop)
        try:
            self._until(cluster.answers, "The database")
            self._prepare(cluster.address)
            self._start("stand-ins")
            self._until(lambda: answers(page + "/api/health"), "The web server")
            # A film opened before the services answer would be waited for.
            self._until(lambda: answers(services + "/offers"), "The stand-in services")
            _say(f"Cut Reel is ready at {page}/?key={key}  (Ctrl-C ends it)")
            for name in (f"worker-{i + 1}" for i in range(WORKERS)):
                self._start(name)
            if demo:
                self._start("demo")
            while self._manager.poll() is None:
                self._look()
                time.sleep(LOOK_EVERY)
            raise CutReelError(
                "The process manager ended.",
                f"Its log is {self.folder / 'logs' / 'supervisor.log'}.",
            )
        except Stopped:
            return 0
        except CutReelError as error:
            _say(f"cutreel: {error}")
            return 1
        except Exception as error:
            _say(
                f"cutreel: Cut Reel could not be started: {type(error).__name__}: {str(error).splitlines()[0]}"
            )
            return 1
        finally:
            self.end()

    def end(self) -> None:
        """End every process, the database last."""
        for sign in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
            signal.signal(sign, signal.SIG_IGN)
        self._manager.terminate()
        try:
            self._manager.wait(25)
        except subprocess.TimeoutExpired:
            self._manager.kill()

    def _prepare(self, database: str) -> None:
        """Bring the database to its newest form. In a process of its own, so that what cannot be
        imported there is told like every other death."""
        log = log_of(self.folder, "prepare")
        with log.open("wb") as out:
            done = subprocess.run(
                commands.prepare(self.folder / "copies"),
                env={**os.environ, "CUTREEL_DATABASE": database},  # not in the list of processes
                stdout=out,
                stderr=subprocess.STDOUT,
                check=False,
            )
        if done.returncode:
            raise CutReelError(
                f"The database could not be prepared: “{_last_line(log)}”", f"Its log is {log}."
            )

    def _until(self, ready: Callable[[], bool], what: str) -> None:
        until = time.monotonic() + PATIENCE
        while not ready():
            if self._manager.poll() is not None:
                raise CutReelError(
                    "The process manager ended.",
                    _last_line(self.folder / "logs" / "supervisor.err"),
                )
            self._look()
            if time.monotonic() > until:
                raise CutReelError(
                    f"{what} does not answer.", f"The logs are in {self.folder / 'logs'}."
                )
            time.sleep(LOOK_EVERY)

    def _start(self, name: str) -> None:
        self._supervisor.supervisor.startProcess(name, False)

    def _look(self) -> None:
        """See who died since the last look. Raises KeepsDying."""
        try:
            rows: Any = self._supervisor.supervisor.getAllProcessInfo()
        except (OSError, HTTPException, Fault):
            return  # supervisor itself begins, or ends
        for row in rows:
            name, begun = str(row["name"]), int(row["start"])
            before = self._known.get(name, 0)
            self._known[name] = begun
            if row["statename"] == "FATAL":
                raise self._keeps_dying(name)
            if not before or begun == before:
                continue
            now = time.monotonic()
            recent = [at for at in self._deaths[name] if at > now - WITHIN]
            self._deaths[name] = [*recent, now]
            if len(self._deaths[name]) >= MOST_DEATHS:
                raise self._keeps_dying(name)
            _say(
                f"cutreel: {name} stopped unexpectedly; it is started again. Its log is {log_of(self.folder, name)}."
            )

    def _keeps_dying(self, name: str) -> KeepsDying:
        log = log_of(self.folder, name)
        return KeepsDying(
            f"{name} keeps stopping, so Cut Reel ends: “{_last_line(log)}”.", f"Its log is {log}."
        )


def _last_line(log: Path) -> str:
    try:
        lines = log.read_text(errors="replace").splitlines()
    except OSError:
        lines = []
    return next(
        (line.strip()[:300] for line in reversed(lines) if line.strip()), "it wrote nothing"
    )


def _say(line: str) -> None:
    print(line, flush=True)


def _stop(*_: object) -> None:
    raise Stopped


class _Unix(Transport):
    """XML-RPC over supervisor's own socket."""

    def __init__(self, path: str) -> None:
        super().__init__()
        self.path = path

    def make_connection(self, host: Any) -> HTTPConnection:
        connection = HTTPConnection("localhost", timeout=5)
        connection.sock = socket(AF_UNIX, SOCK_STREAM)
        connection.sock.connect(self.path)
        return connection
