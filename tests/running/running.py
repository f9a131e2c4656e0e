"""A Cut Reel that `bin/start` started, for tests."""

import os
import signal
import subprocess
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from cutreel.running.ports import free_port
from tests.conftest import ROOT
from tests.waiting import until


class Running:
    """A started Cut Reel with what it printed so far."""

    def __init__(self, data: Path, *options: str) -> None:
        self.port, self.data = free_port(), data
        self.out = data.parent / f"{data.name}.out"
        with self.out.open("w") as out:
            self.process = subprocess.Popen(
                [str(ROOT / "bin/start"), "--data", str(data), "--port", str(self.port), *options],
                stdout=out,
                stderr=subprocess.STDOUT,
                start_new_session=True,
            )

    @property
    def said(self) -> str:
        return self.out.read_text()

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def processes(self) -> dict[int, str]:
        """Everything that was started, by process number."""
        out = {}
        for path in Path("/proc").glob("[0-9]*"):
            try:
                environment, command = (
                    (path / "environ").read_bytes(),
                    (path / "cmdline").read_bytes(),
                )
            except OSError:
                continue
            if str(self.data).encode() in environment + command:
                out[int(path.name)] = command.replace(b"\0", b" ").decode()
        return out

    def end(self) -> None:
        if self.process.poll() is None:
            os.killpg(self.process.pid, signal.SIGINT)
            self.process.wait(40)


@contextmanager
def running(data: Path, *options: str) -> Iterator[Running]:
    """One that is ready, for a while."""
    started = Running(data, *options)
    try:
        until(lambda: "is ready at" in started.said or started.process.poll() is not None, 120)
        yield started
    finally:
        started.end()
