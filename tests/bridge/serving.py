"""Small servers of our own, which answer as a test says."""

import json
import threading
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from typing import Any


@dataclass
class Asked:
    """A request as it came."""

    method: str
    path: str
    headers: dict[str, str]
    body: bytes

    @property
    def json(self) -> Any:
        return json.loads(self.body)


Answer = tuple[int, dict[str, str], bytes]


def told(status: int = 200, headers: dict[str, str] | None = None, **values: Any) -> Answer:
    """An answer in JSON."""
    return (
        status,
        {"Content-Type": "application/json", **(headers or {})},
        json.dumps(values).encode(),
    )


@dataclass
class Server:
    address: str
    asked: list[Asked] = field(default_factory=list)


@contextmanager
def serving(answer: Callable[[Asked, int], Answer]) -> Iterator[Server]:
    """A server whose answers `answer` makes, of the request and how many came before it."""
    here = Server("")

    class Handler(BaseHTTPRequestHandler):
        def _handle(self) -> None:
            body = self.rfile.read(int(self.headers.get("Content-Length") or 0))
            asked = Asked(self.command, self.path, dict(self.headers.items()), body)
            status, headers, data = answer(asked, len(here.asked))
            here.asked.append(asked)
            self.send_response(status)
            for name, value in headers.items():
                self.send_header(name, value)
            self.send_header("Content-Length", str(len(data)))
            self.end_headers()
            self.wfile.write(data)

        do_GET = do_POST = do_PUT = do_DELETE = _handle

        def log_message(self, format: str, *args: Any) -> None:
            return

    server = ThreadingHTTPServer(("127.0.0.1", 0), Handler)
    here.address = f"http://127.0.0.1:{server.server_address[1]}"
    thread = threading.Thread(target=server.serve_forever, daemon=True)
    thread.start()
    try:
        yield here
    finally:
        server.shutdown()
        server.server_close()
