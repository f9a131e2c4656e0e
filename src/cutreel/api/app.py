"""The web application: guards, errors as problem details (RFC 9457), routes, and the built front
end."""

import asyncio
import gc
import logging
import os
from collections.abc import AsyncIterator, Awaitable, Callable
from contextlib import asynccontextmanager
from pathlib import Path
from uuid import uuid4

from fastapi import FastAPI, Request, Response
from fastapi.exceptions import RequestValidationError
from fastapi.responses import FileResponse, JSONResponse
from psycopg.errors import DiskFull
from sqlalchemy.exc import OperationalError
from starlette.exceptions import HTTPException

from cutreel import __version__
from cutreel.core.errors import CutReelError, place_of
from cutreel.core.film import Settings, new_film
from cutreel.making import (
    DISK_FULL,
    FULL,
    MixDesk,
    PreviewDesk,
    Workshop,
    parser,
    reader,
    warm_parser,
    workshop_from_environment,
)

from . import (
    routes_archives,
    routes_captions,
    routes_company,
    routes_continuity,
    routes_cuts,
    routes_film,
    routes_grade,
    routes_hand,
    routes_handwork,
    routes_links,
    routes_media,
    routes_mix,
    routes_money,
    routes_movement,
    routes_names,
    routes_plates,
    routes_preview,
    routes_prompts,
    routes_publishing,
    routes_recordings,
    routes_rules,
    routes_runs,
    routes_screening,
    routes_script,
    routes_services,
    routes_sounds,
    routes_ssml,
    routes_styles,
    routes_timeline,
    routes_voices,
    routes_wishes,
    routes_writing,
)
from .bounds import BoundedBodies
from .desk import FilmDesk
from .events import Listener
from .guard import PageKey, allowed

log = logging.getLogger("cutreel.web")
_ROUTES = (
    routes_film,
    routes_script,
    routes_writing,
    routes_prompts,
    routes_publishing,
    routes_continuity,
    routes_cuts,
    routes_archives,
    routes_captions,
    routes_company,
    routes_runs,
    routes_handwork,
    routes_media,
    routes_movement,
    routes_preview,
    routes_rules,
    routes_services,
    routes_hand,
    routes_money,
    routes_recordings,
    routes_grade,
    routes_mix,
    routes_sounds,
    routes_names,
    routes_plates,
    routes_screening,
    routes_links,
    routes_ssml,
    routes_styles,
    routes_timeline,
    routes_voices,
    routes_wishes,
)
CSP = "; ".join(
    [
        "default-src 'self'",
        "img-src 'self' data: blob:",
        "media-src 'self' blob:",
        "style-src 'self' 'unsafe-inline'",
        "font-src 'self' data:",
        "script-src 'self'",
        "connect-src 'self'",
        "worker-src 'self' blob:",
        "frame-ancestors 'none'",
        "base-uri 'none'",
        "form-action 'self'",
    ]
)
SECURITY = {
    "Content-Security-Policy": CSP,
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "no-referrer",
}
HEALTH = "/api/health"
SAVED = "Nothing that you saved is lost. Try again in a moment."
AT_ITS_ADDRESS = "Open Cut Reel at the address that bin/start prints."
NOT_YOURS = "This Cut Reel belongs to another account of this machine."


def create_app(shop: Workshop, web: Path | None, page_key: PageKey | None = None) -> FastAPI:
    """The application over a workshop; `web` is the folder of the built front end, if there is
    one; without a `page_key` only the account that it runs in comes in."""
    page_key = page_key or PageKey("", 0)
    listener = Listener(shop.database.address)

    @asynccontextmanager
    async def life(app: FastAPI) -> AsyncIterator[None]:
        warming = asyncio.create_task(asyncio.to_thread(_warm))
        async with listener.listening():
            yield
        warming.cancel()
        await asyncio.to_thread(reader.close)
        await asyncio.to_thread(parser.close)

    app = FastAPI(
        title="Cut Reel",
        version=__version__,
        lifespan=life,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
    )
    preview = PreviewDesk(shop)
    app.state.shop, app.state.preview, app.state.listener = shop, preview, listener
    app.state.mixing = MixDesk(shop)
    app.state.desk = FilmDesk(shop, preview)

    app.add_middleware(BoundedBodies)

    @app.middleware("http")
    async def guard(
        request: Request, call_next: Callable[[Request], Awaitable[Response]]
    ) -> Response:
        refusal = allowed(request)
        if refusal:
            return problem(403, "not-from-here", refusal, AT_ITS_ADDRESS)
        response = page_key.taken_from(request)
        if response is None:
            if request.url.path != HEALTH and not page_key.lets_in(request):
                return problem(403, "other-account", NOT_YOURS, AT_ITS_ADDRESS)
            response = await call_next(request)
            if not request.url.path.startswith("/api/") and not page_key.has(request):
                page_key.give(response)
        for name, value in SECURITY.items():
            response.headers.setdefault(name, value)
        return response

    @app.exception_handler(CutReelError)
    async def known_error(_: Request, error: Exception) -> JSONResponse:
        assert isinstance(error, CutReelError)
        return problem(error.status, error.code, error.message, error.advice)

    @app.exception_handler(RequestValidationError)
    async def bad_request(_: Request, error: Exception) -> JSONResponse:
        assert isinstance(error, RequestValidationError)
        first = error.errors()[0]
        where = ".".join(str(p) for p in first["loc"] if p not in ("body", "command"))
        return problem(422, "bad-input", f"{where}: {first['msg']}", "Correct it and send again.")

    @app.exception_handler(HTTPException)
    async def refused(_: Request, error: Exception) -> JSONResponse:
        assert isinstance(error, HTTPException)
        titles = {413: "That is more than is taken at once.", 404: "There is no such page."}
        title = titles.get(error.status_code, "The request is not taken.")
        return problem(error.status_code, f"http-{error.status_code}", title, str(error.detail))

    @app.exception_handler(OperationalError)
    async def database_error(_: Request, error: Exception) -> JSONResponse:
        assert isinstance(error, OperationalError)
        if isinstance(error.orig, DiskFull):
            return problem(507, "disk-full", DISK_FULL, SAVED)
        log.error("the database: %s", place_of(error))
        return problem(503, "database-away", "The database does not answer.", SAVED)

    @app.exception_handler(OSError)
    async def system_error(request: Request, error: Exception) -> JSONResponse:
        if isinstance(error, OSError) and error.errno in FULL:
            return problem(507, "disk-full", DISK_FULL, SAVED)
        return await unknown_error(request, error)

    @app.exception_handler(Exception)
    async def unknown_error(request: Request, error: Exception) -> JSONResponse:
        reference = uuid4().hex[:8]
        asked = f"{request.method} {request.url.path}"
        log.error("%s failed, reference %s: %s", asked, reference, place_of(error))
        return problem(
            500,
            "unforeseen",
            "Something went wrong that was not foreseen.",
            f"Nothing that you saved is lost. The log of the web server tells more under {reference}.",
            reference=reference,
        )

    for routes in _ROUTES:
        app.include_router(routes.router)
    if web is not None and (web / "index.html").exists():
        _serve_web(app, web)
    return app


def _warm() -> None:
    """Load what the first film would wait for: the pronouncing dictionary, the compiled search for
    cuts, the process that opens pictures from outside."""
    new_film("warm", "One word after another. “Two,” said Ada. Ada rowed.", Settings())
    reader.warm()
    warm_parser()


def problem(status: int, code: str, title: str, detail: str, **more: str) -> JSONResponse:
    """An error as RFC 9457 problem details."""
    return JSONResponse(
        {"type": f"urn:cutreel:{code}", "title": title, "detail": detail, "status": status, **more},
        status,
        SECURITY,
        media_type="application/problem+json",
    )


def _serve_web(app: FastAPI, web: Path) -> None:
    root = web.resolve()

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> FileResponse:
        file = (root / path).resolve()
        if path and file.is_file() and root in file.parents:
            lasting = "assets" in file.parts
            return FileResponse(
                file,
                headers={
                    "Cache-Control": "public, max-age=31536000, immutable"
                    if lasting
                    else "no-cache"
                },
            )
        return FileResponse(root / "index.html", headers={"Cache-Control": "no-cache"})


def from_environment() -> FastAPI:
    """For uvicorn."""
    # Films are hundreds of thousands of objects that live long: looking through all of them for
    # garbage at the usual pace would stop the server for a tenth of a second every few changes.
    gc.set_threshold(100_000, 20, 50)
    key = PageKey(os.environ.get("CUTREEL_PAGE_KEY", ""), int(os.environ.get("CUTREEL_PORT", "0")))
    web = Path(os.environ.get("CUTREEL_WEB", "web/dist"))
    return create_app(workshop_from_environment(), web, key)
