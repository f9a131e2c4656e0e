"""What takes long to answer is answered a few at a time, so that the rest of the page never waits behind it."""

import asyncio
import json
import re

from starlette.types import ASGIApp, Receive, Scope, Send

HEAVY = re.compile(
    r"/api/(films/\w+/(preview/|shots/-?\d+/frames|frame$|worth$|thumbnail|board|mix/|grade/|sound|stretch)|archives)"
)
"""Pictures that are drawn, sound that is mixed, segments for which a worker is waited for."""
AT_ONCE, WAITING, SECONDS = 16, 120, 60.0
"""How many are answered at once, of the 40 for which the server has threads; how many may wait, and how long."""


class FewAtOnce:
    """The part of the web application that lets heavy reads wait for each other."""

    def __init__(
        self, app: ASGIApp, at_once: int = AT_ONCE, waiting: int = WAITING, seconds: float = SECONDS
    ) -> None:
        self.app, self.most, self.seconds = app, at_once + waiting, seconds
        self._free = asyncio.Semaphore(at_once)
        self._inside = 0

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http" or scope["method"] != "GET" or not HEAVY.match(scope["path"]):
            await self.app(scope, receive, send)
            return
        if self._inside >= self.most:
            await _say_busy(send)
            return
        self._inside += 1
        try:
            await self._in_turn(scope, receive, send)
        finally:
            self._inside -= 1

    async def _in_turn(self, scope: Scope, receive: Receive, send: Send) -> None:
        try:
            await asyncio.wait_for(self._free.acquire(), self.seconds)
        except TimeoutError:
            await _say_busy(send)
            return
        try:
            await self.app(scope, receive, send)
        finally:
            self._free.release()


async def _say_busy(send: Send) -> None:
    problem = {
        "type": "urn:cutreel:busy",
        "title": "Too much is asked for at once.",
        "detail": "It is taken up when what was asked for before is done. Try again in a moment.",
        "status": 503,
    }
    headers = [(b"content-type", b"application/problem+json"), (b"retry-after", b"2")]
    await send({"type": "http.response.start", "status": 503, "headers": headers})
    await send({"type": "http.response.body", "body": json.dumps(problem).encode()})
