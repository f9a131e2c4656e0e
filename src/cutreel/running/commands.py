"""How each process is started, and how one sees that it answers."""

import sys
import time
from collections.abc import Callable
from pathlib import Path
from urllib.error import URLError
from urllib.request import urlopen

from cutreel.core.errors import CutReelError


def standins(address: str) -> list[str]:
    """The stand-in services at `address`."""
    return _server("standins.server:from_environment", int(address.rsplit(":", 1)[1]))


def web(port: int) -> list[str]:
    """The web server."""
    return [*_server("cutreel.api:from_environment", port), "--timeout-graceful-shutdown", "2"]


def door(port: int) -> list[str]:
    """The door for others, at all addresses of this machine."""
    return [*_server("cutreel.door:from_environment", port, "0.0.0.0"), "--no-server-header"]


def worker() -> list[str]:
    """A queue worker."""
    return [sys.executable, "-m", "cutreel.making.worker"]


def prepare(copies: Path) -> list[str]:
    """What brings the database of the environment to its newest form, with a copy of an earlier one, and ends."""
    return [sys.executable, "-m", "cutreel.running.prepare", str(copies)]


def demo() -> list[str]:
    """What loads the sample films and ends."""
    return [sys.executable, "-m", "cutreel.demo"]


def _server(factory: str, port: int, host: str = "127.0.0.1") -> list[str]:
    return [
        sys.executable,
        "-m",
        "uvicorn",
        "--factory",
        factory,
        "--host",
        host,
        "--port",
        str(port),
        "--log-level",
        "warning",
        # Longer than a browser or a program keeps a connection to ask again: else a request meets one that just closes.
        "--timeout-keep-alive",
        "75",
        # Who asks is who is connected, whatever a header says.
        "--no-proxy-headers",
    ]


def answers(url: str) -> bool:
    """Whether something answers well at `url`, which is on this machine."""
    try:
        with urlopen(url, timeout=10) as answer:
            return bool(answer.status == 200)
    except (URLError, OSError):
        return False


def wait_for(ready: Callable[[], bool], seconds: float, what: str) -> None:
    """Call `ready` until it is true. Raises CutReelError when it is not within `seconds`."""
    until = time.monotonic() + seconds
    while not ready():
        if time.monotonic() > until:
            raise CutReelError(f"{what} does not answer.", "See its output above.")
        time.sleep(0.1)
