"""What comes in is bounded before it is read: how long a body is, by route, and how many values a
JSON body holds.

A body that is too long is refused while it arrives; nothing of it is parsed.
"""

import json
import re
from dataclasses import dataclass

from starlette.exceptions import HTTPException
from starlette.types import ASGIApp, Message, Receive, Scope, Send

KILO, MEGA = 1_000, 1_000_000


@dataclass(frozen=True)
class Bound:
    """The most that a body may be: bytes, and for JSON values (counted by the commas, braces and
    brackets outside of texts) and how deep they lie in each other."""

    bytes: int
    values: int = 20_000
    depth: int = 24


USUAL = Bound(512 * KILO)
BY_ROUTE: tuple[tuple[str, Bound], ...] = (
    # A manuscript of a million characters, which JSON may write in six bytes each.
    (r"/api/films$", Bound(7 * MEGA)),
    (r"/api/films/\w+/(changes|impact)$", Bound(7 * MEGA)),
    (r"/api/batches$", Bound(60 * MEGA)),
    (r"/api/batches/stories$", Bound(20 * MEGA)),
    (r"/api/(stories|paces)$", Bound(5 * MEGA)),
    (r"/api/films/\w+/brought$", Bound(1_600 * MEGA)),
    (r"/api/films/\w+/(references|looks)$", Bound(260 * MEGA)),
    (r"/api/films/\w+/shots/-?\d+/takes$", Bound(201 * MEGA)),
    (r"/api/films/\w+/takes/\w+/masks$", Bound(61 * MEGA)),
    (r"/api/films/\w+/sketches$", Bound(31 * MEGA)),
    (r"/api/films/\w+/lines/\d+/recording$", Bound(81 * MEGA)),
    (r"/api/films/\w+/sounds$", Bound(201 * MEGA)),
    (r"/api/films/\w+/tables$", Bound(81 * MEGA)),
    (r"/api/films/\w+/faces$", Bound(31 * MEGA)),
    (r"/api/films/\w+/own-pictures$", Bound(31 * MEGA)),
    (r"/api/styles/file$", Bound(101 * MEGA)),
    (r"/api/services/[\w-]+/hand$", Bound(1_600 * MEGA)),
    (r"/api/callbacks/[\w-]+$", Bound(61 * MEGA)),
    (r"/api/archives$", Bound(8_000 * MEGA)),
    (r"/api/films/\w+/narrations$", Bound(1_600 * MEGA)),
    (r"/api/films/\w+/(rework|lexicon)$", Bound(2 * MEGA)),
    (r"/api/films/\w+/translation$", Bound(12 * MEGA)),
    (r"/api/films/\w+/ssml$", Bound(12 * MEGA)),
    (r"/api/films/\w+/timeline/back$", Bound(25 * MEGA)),
)
_ROUTES = [(re.compile(pattern), bound) for pattern, bound in BY_ROUTE]


def bound_of(path: str) -> Bound:
    """What a body sent to `path` may be."""
    return next((bound for pattern, bound in _ROUTES if pattern.match(path)), USUAL)


class Refused(HTTPException):
    """A body goes beyond its bound; says which. (RFC 9110: 413, content too large.)"""

    def __init__(self, why: str) -> None:
        super().__init__(413, why)


def checked_json(body: bytes, bound: Bound) -> None:
    """Look a JSON body over without parsing it. Raises Refused."""
    values = depth = 0
    for mark in _OUTSIDE.finditer(body):
        found = mark.group()
        if found in b"[{":
            depth += 1
            if depth > bound.depth:
                raise Refused(f"Its values lie more than {bound.depth} deep in each other.")
        elif found in b"]}":
            depth -= 1
        if found in b"[{,":
            values += 1
            if values > bound.values:
                raise Refused(f"It holds more than {bound.values:,} values.")


_OUTSIDE = re.compile(rb'"(?:[^"\\]|\\.)*"?|[\[\]{},]', re.DOTALL)
"""A whole text, which is passed over, or one mark outside of texts. Each byte is looked at once."""


class BoundedBodies:
    """The part of the web application that holds every body to its bound."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http" or scope["method"] in ("GET", "HEAD", "OPTIONS", "DELETE"):
            await self.app(scope, receive, send)
            return
        bound, headers = bound_of(scope["path"]), dict(scope["headers"])
        try:
            if _stated(headers) > bound.bytes:
                raise Refused(f"At most {bound.bytes:,} bytes are taken here.")
            if headers.get(b"content-type", b"").startswith(b"multipart/"):
                await self.app(scope, _counted(receive, bound), send)
            else:
                body = await _whole(receive, bound)
                checked_json(body, bound)
                await self.app(scope, _again(body, receive), send)
        except Refused as refusal:
            await _say(send, refusal.detail)


def _stated(headers: dict[bytes, bytes]) -> int:
    """The length that a request states; 0 where it states none that can be read."""
    stated = headers.get(b"content-length", b"")
    return int(stated) if stated.isdigit() else 0


def _counted(receive: Receive, bound: Bound) -> Receive:
    """The same messages, until they hold more than they may."""
    taken = 0

    async def counted() -> Message:
        nonlocal taken
        message = await receive()
        taken += len(message.get("body", b""))
        if taken > bound.bytes:
            raise Refused(f"At most {bound.bytes:,} bytes are taken here.")
        return message

    return counted


async def _whole(receive: Receive, bound: Bound) -> bytes:
    parts: list[bytes] = []
    counted = _counted(receive, bound)
    more = True
    while more:
        message = await counted()
        parts.append(message.get("body", b""))
        more = message.get("more_body", False)
    return b"".join(parts)


def _again(body: bytes, receive: Receive) -> Receive:
    """The body as one message, and then whatever comes."""
    given = False

    async def again() -> Message:
        nonlocal given
        if given:
            return await receive()
        given = True
        return {"type": "http.request", "body": body, "more_body": False}

    return again


async def _say(send: Send, why: str) -> None:
    problem = {
        "type": "urn:cutreel:too-much",
        "title": "That is more than is taken at once.",
        "detail": why,
        "status": 413,
    }
    headers = [(b"content-type", b"application/problem+json"), (b"connection", b"close")]
    await send({"type": "http.response.start", "status": 413, "headers": headers})
    await send({"type": "http.response.body", "body": json.dumps(problem).encode()})
