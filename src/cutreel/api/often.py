"""Who asks too often is told to wait, so that one program that runs wild does not take the server from everybody."""

from starlette.types import ASGIApp, Receive, Scope, Send

from .limits import Limits, Rate
from .problems import problem

RATE = Rate(3_000, 12_000)
"""Of one address: so many at once, and so many a minute. A page that scrolls through a thousand shots asks for some
hundreds, and whoever cuts quickly for a few a second."""
WATCHED = ("/api/health",)
"""Asked by whoever watches over the server, above all when it is busy."""


class NotTooOften:
    """The part of the web application that holds every client to a rate."""

    def __init__(self, app: ASGIApp, rate: Rate = RATE) -> None:
        self.app, self.limits = app, Limits(rate)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        client = scope.get("client")
        passes = scope["type"] != "http" or scope["path"] in WATCHED
        if passes or self.limits.takes(client[0] if client else ""):
            await self.app(scope, receive, send)
            return
        answer = problem(
            429,
            "too-often",
            "That was asked too often.",
            "Too many requests came from one address within a minute. Wait a few seconds, then go on.",
        )
        answer.headers["Retry-After"] = "5"
        await answer(scope, receive, send)
