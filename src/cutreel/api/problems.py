"""Errors as problem details (RFC 9457), and the headers that every answer has."""

import logging
from uuid import uuid4

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from psycopg.errors import DiskFull
from sqlalchemy.exc import DataError, OperationalError
from starlette.exceptions import HTTPException

from cutreel.core.errors import CutReelError
from cutreel.logs import place_of
from cutreel.making import DISK_FULL, FULL

log = logging.getLogger("cutreel.web")
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
SAVED = "Nothing that you saved is lost. Try again in a moment."


def problem(status: int, code: str, title: str, detail: str, **more: str) -> JSONResponse:
    """An error as RFC 9457 problem details."""
    return JSONResponse(
        {"type": f"urn:cutreel:{code}", "title": title, "detail": detail, "status": status, **more},
        status,
        SECURITY,
        media_type="application/problem+json",
    )


def tell_errors(app: FastAPI) -> None:
    """Have an application tell every error in words."""

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

    @app.exception_handler(DataError)
    async def cannot_be_kept(_: Request, error: Exception) -> JSONResponse:
        return problem(
            422,
            "bad-input",
            "Something in that cannot be kept.",
            "A text holds a character that is none (NUL), or a number is too large. Correct it and send again.",
        )

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
