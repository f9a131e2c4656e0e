"""What is behind a link: a page, the film as it was made last, and where that is allowed the notes that were made by
links. Every other path, every other film, and every link that is over answers the same: not found.
"""

import secrets
import time
from collections.abc import Awaitable, Callable
from datetime import UTC, datetime
from pathlib import Path

from fastapi import FastAPI, Request, Response
from fastapi.exceptions import RequestValidationError
from fastapi.responses import FileResponse, JSONResponse
from pydantic import BaseModel, ConfigDict, Field
from starlette.exceptions import HTTPException

from cutreel.api.limits import Limits, Rate
from cutreel.api.sending import sent
from cutreel.core.errors import CutReelError, NotFound
from cutreel.core.film import placed_notes
from cutreel.making import Workshop, film_to_show, is_password, note_at, workshop_from_environment
from cutreel.store import TYPES, Link

from .passes import opens, signed

PAGE = Path(__file__).parent / "page"
MOST_BODY = 8_000
A_DAY = 24 * 3600
TOKEN = 32
"""Characters of a token: 24 random bytes."""
HEADERS = {
    "Content-Security-Policy": "default-src 'none'; media-src 'self'; script-src 'self'; style-src 'self'; "
    "connect-src 'self'; img-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'",
    "Referrer-Policy": "no-referrer",
    "X-Content-Type-Options": "nosniff",
    "X-Robots-Tag": "noindex, nofollow",
    "Cross-Origin-Resource-Policy": "same-origin",
    "Cache-Control": "no-store",
}
ASSETS = {"door.js": "text/javascript", "door.css": "text/css"}


class Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class Password(Strict):
    password: str = Field(max_length=200)


class NoteWanted(Strict):
    """A note at so many seconds of the film, by who gives a name."""

    at: float = Field(ge=0, le=200_000)
    text: str = Field(min_length=1, max_length=2_000)
    by: str = Field(min_length=1, max_length=60)


class NoteShown(BaseModel):
    at: float
    text: str
    by: str
    done: bool


class Shown(BaseModel):
    """What a link shows: the film's title, whether it is made, and notes where they may be made."""

    title: str
    label: str
    cut: str
    made: bool
    may_note: bool
    notes: list[NoteShown]


class NotHere(Exception):
    """Nothing is shown: there is no such link, or it is over, or it shows something else."""


class TooOften(Exception):
    """Somebody asks too often."""


class Keeper:
    """Knows who is let in: by link, by password, and how often."""

    def __init__(self, shop: Workshop, clock: Callable[[], float]) -> None:
        self.shop = shop
        self.asking = Limits(Rate(60, 120), clock)
        self.pieces = Limits(Rate(300, 900), clock)
        self.guessing = Limits(Rate(6, 2), clock)
        self.noting = Limits(Rate(10, 6), clock)
        self.secret = secrets.token_bytes(32)  # passes end with the door

    def link_of(self, request: Request, token: str) -> Link:
        """The link of a request. Raises NotHere, TooOften."""
        if not self.asking.takes(f"from {_from(request)}"):
            raise TooOften
        link = self.shop.links.by_token(token) if len(token) == TOKEN else None
        if link is None or not link.is_open(datetime.now(UTC)):
            raise NotHere
        return link

    def entered(self, request: Request, token: str) -> Link:
        """The same, once its password was given where it has one. Raises Locked."""
        link = self.link_of(request, token)
        given = request.cookies.get("pass", "")
        if link.password is not None and not opens(self.secret, link.id, given):
            raise Locked
        return link

    def entry(self, link: Link, password: str) -> str:
        """A pass for a password. Raises TooOften (by link, so that many addresses guess no faster than one), Locked."""
        if not self.guessing.takes(f"password of {link.id}"):
            raise TooOften
        if not is_password(link, password):
            raise Locked
        return signed(self.secret, link.id, int(time.time()) + A_DAY)


def create_door(shop: Workshop, clock: Callable[[], float] = time.monotonic) -> FastAPI:
    """The door over a workshop."""
    app = FastAPI(docs_url=None, redoc_url=None, openapi_url=None)
    app.middleware("http")(_careful)
    for error, status, title in ANSWERS:
        app.add_exception_handler(error, _answering(status, title))
    keeper = Keeper(shop, clock)

    @app.get("/door/{name}")
    def asset(name: str) -> Response:
        if name not in ASSETS:
            raise NotHere
        return FileResponse(PAGE / name, media_type=ASSETS[name])

    @app.get("/s/{token}")
    def page(token: str, request: Request) -> Response:
        keeper.link_of(request, token)
        return FileResponse(PAGE / "door.html", media_type="text/html")

    @app.post("/s/{token}/enter")
    def enter(token: str, wanted: Password, request: Request) -> Response:
        given = keeper.entry(keeper.link_of(request, token), wanted.password)
        answer = Response(status_code=204)
        answer.set_cookie(
            "pass", given, A_DAY, path=f"/s/{token}", httponly=True, samesite="strict"
        )
        return answer

    @app.get("/s/{token}/film")
    def film(token: str, request: Request) -> Shown:
        link = keeper.entered(request, token)
        shop.links.note_opened(link.id)
        return shown(shop, link)

    @app.get("/s/{token}/video")
    def video(token: str, request: Request) -> Response:
        if not keeper.pieces.takes(f"pieces for {_from(request)}"):
            raise TooOften
        link = keeper.entered(request, token)
        media = film_to_show(shop, link.film)
        if media is None:
            raise NotHere
        kind = TYPES[media.rsplit(".", 1)[1]]
        asked = request.headers.get("range", "")
        return sent(shop.media, media, kind, {"Cache-Control": "private, max-age=600"}, asked)

    @app.post("/s/{token}/notes", status_code=201)
    def note(token: str, wanted: NoteWanted, request: Request) -> Shown:
        link = keeper.entered(request, token)
        if not link.may_note:
            raise NotHere
        if not keeper.noting.takes(f"notes of {link.id}"):
            raise TooOften
        text, by = " ".join(wanted.text.split()), " ".join(wanted.by.split())
        if not text or not by or "\0" in text + by:
            raise RequestValidationError([])
        note_at(shop, link.film, wanted.at, text, by)
        return shown(shop, link)

    return app


def shown(shop: Workshop, link: Link) -> Shown:
    """What a link shows."""
    row = shop.films.get(link.film)
    notes: list[NoteShown] = []
    if link.may_note:
        stands = shop.laid_out(link.film, row.document)
        notes = [
            NoteShown(
                at=stands.rate.seconds(p.start), text=p.note.text, by=p.note.by, done=p.note.done
            )
            for p in placed_notes(stands)
            if not p.lost
        ]
    return Shown(
        title=row.document.title,
        label=link.label,
        cut=row.cut,
        made=film_to_show(shop, link.film) is not None,
        may_note=link.may_note,
        notes=notes,
    )


async def _careful(request: Request, go_on: Callable[[Request], Awaitable[Response]]) -> Response:
    """Bodies are bounded before they are read, and every answer has the same headers."""
    stated = request.headers.get("content-length", "0")
    unstated = "transfer-encoding" in request.headers or not stated.isdigit()
    if request.method == "POST" and (unstated or int(stated) > MOST_BODY):
        answer: Response = _said(413, "That is too much.")
    else:
        answer = await go_on(request)
    answer.headers.update({k: v for k, v in HEADERS.items() if k not in answer.headers})
    return answer


class Locked(Exception):
    """A password is asked for, and was not given."""


ANSWERS: tuple[tuple[type[Exception], int, str], ...] = (
    (NotHere, 404, "There is nothing here. The link may be over, or was withdrawn."),
    (HTTPException, 404, "There is nothing here. The link may be over, or was withdrawn."),
    (NotFound, 404, "There is nothing here. The link may be over, or was withdrawn."),
    (RequestValidationError, 422, "That cannot be taken as it is."),
    (TooOften, 429, "That was too often. Wait a minute."),
    (Locked, 401, "This film has a password."),
    (CutReelError, 409, "That cannot be done now. Try it again."),
)
"""What is said of an error: never what it says itself, which may tell of what is behind the door."""


def _answering(status: int, title: str) -> Callable[[Request, Exception], Awaitable[Response]]:
    async def answer(request: Request, error: Exception) -> Response:
        if status == 404 and "text/html" in request.headers.get("accept", ""):
            return FileResponse(PAGE / "gone.html", 404, media_type="text/html")
        return _said(status, title)

    return answer


def _from(request: Request) -> str:
    """Where a request comes from: the connection, not what a header says."""
    return request.client.host if request.client else "nowhere"


def _said(status: int, title: str) -> JSONResponse:
    body = {"type": "about:blank", "title": title, "status": status}
    return JSONResponse(body, status, media_type="application/problem+json")


def from_environment() -> FastAPI:
    """For uvicorn: the door of the workshop that the environment names."""
    return create_door(workshop_from_environment())
