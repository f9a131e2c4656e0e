"""The web application: guards, errors, routes, and the built front end."""

import asyncio
import gc
import logging
import os
from collections.abc import AsyncIterator, Awaitable, Callable
from contextlib import asynccontextmanager
from pathlib import Path
from uuid import uuid4

from fastapi import FastAPI, Request, Response
from fastapi.responses import FileResponse

from cutreel import __version__
from cutreel.core.errors import CutReelError
from cutreel.core.film import Settings, new_film
from cutreel.logs import about
from cutreel.logs import set_up as set_up_logs
from cutreel.making import (
    CALLBACKS,
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
    routes_batches,
    routes_calendar,
    routes_callbacks,
    routes_captions,
    routes_company,
    routes_continuity,
    routes_cuts,
    routes_faces,
    routes_film,
    routes_grade,
    routes_hand,
    routes_handwork,
    routes_insets,
    routes_languages,
    routes_links,
    routes_makers,
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
    routes_told,
    routes_voices,
    routes_wishes,
    routes_words,
    routes_writing,
)
from .bounds import BoundedBodies
from .busy import FewAtOnce
from .desk import FilmDesk
from .events import Listener
from .guard import PageKey, allowed
from .often import NotTooOften
from .problems import SECURITY, problem, tell_errors

log = logging.getLogger(__name__)
_ROUTES = (
    routes_film,
    routes_script,
    routes_writing,
    routes_prompts,
    routes_publishing,
    routes_continuity,
    routes_cuts,
    routes_archives,
    routes_batches,
    routes_calendar,
    routes_callbacks,
    routes_captions,
    routes_company,
    routes_runs,
    routes_handwork,
    routes_insets,
    routes_media,
    routes_movement,
    routes_preview,
    routes_rules,
    routes_services,
    routes_hand,
    routes_money,
    routes_recordings,
    routes_faces,
    routes_grade,
    routes_mix,
    routes_sounds,
    routes_names,
    routes_plates,
    routes_screening,
    routes_languages,
    routes_links,
    routes_makers,
    routes_ssml,
    routes_styles,
    routes_timeline,
    routes_told,
    routes_voices,
    routes_wishes,
    routes_words,
)
HEALTH = "/api/health"
AT_ITS_ADDRESS = "Open Cut Reel at the address that bin/start prints."
WARM_TRIES = 5
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
    app.add_middleware(FewAtOnce)

    @app.middleware("http")
    async def guard(
        request: Request, call_next: Callable[[Request], Awaitable[Response]]
    ) -> Response:
        called_back = request.url.path.startswith(CALLBACKS)
        # Whoever calls back may be anywhere, and knows an address that nobody can guess.
        refusal = None if called_back else allowed(request)
        if refusal:
            return problem(403, "not-from-here", refusal, AT_ITS_ADDRESS)
        response = page_key.taken_from(request)
        if response is None:
            open_to_all = called_back or request.url.path == HEALTH
            if not open_to_all and not page_key.lets_in(request):
                return problem(403, "other-account", NOT_YOURS, AT_ITS_ADDRESS)
            with about(request=uuid4().hex[:8]):
                response = await call_next(request)
            if not request.url.path.startswith("/api/") and not page_key.has(request):
                page_key.give(response)
        for name, value in SECURITY.items():
            response.headers.setdefault(name, value)
        return response

    # The last that is added comes first: who asks too often costs no more than being told so.
    app.add_middleware(NotTooOften)
    tell_errors(app)
    for routes in _ROUTES:
        app.include_router(routes.router)
    if web is not None and (web / "index.html").exists():
        _serve_web(app, web)
    return app


def _warm() -> None:
    """Load what the first film would wait for: the pronouncing dictionary, the compiled search for
    cuts, the process that opens pictures from outside."""
    new_film("warm", "One word after another. “Two,” said Ada. Ada rowed.", Settings())
    for load in (reader.warm, warm_parser):
        for _ in range(WARM_TRIES):
            try:
                load()
                break
            except CutReelError as error:
                # Else a story would be "loading" for as long as this server runs.
                log.warning("could not load in time what reads: %s", error)


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
    set_up_logs()
    key = PageKey(os.environ.get("CUTREEL_PAGE_KEY", ""), int(os.environ.get("CUTREEL_PORT", "0")))
    web = Path(os.environ.get("CUTREEL_WEB", "web/dist"))
    return create_app(workshop_from_environment(), web, key)
