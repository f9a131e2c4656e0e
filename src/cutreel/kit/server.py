"""A service as a server that speaks the protocol."""

import hashlib
import hmac
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path

from fastapi import Depends, FastAPI, Header, HTTPException, Request
from fastapi.responses import Response
from pydantic import AwareDatetime

from cutreel.protocol import JobRequest, JobView, Offer, Statement

from .jobs import Jobs
from .service import Service

MOST_REFERENCE = 40_000_000


def app_of(service: Service, folder: Path, key: str = "") -> FastAPI:
    """The server of a service, which keeps its jobs and files in `folder`; with a `key`, only who sends it is heard."""
    jobs = Jobs(service, folder)

    @asynccontextmanager
    async def life(app: FastAPI) -> AsyncIterator[None]:
        yield
        jobs.close()

    def known(authorization: str = Header("")) -> None:
        if key and not hmac.compare_digest(authorization.encode(), f"Bearer {key}".encode()):
            raise HTTPException(401, "The key is missing or wrong.")

    app = FastAPI(title=service.title, lifespan=life, dependencies=[Depends(known)])

    @app.get("/offers")
    def offers() -> list[Offer]:
        return [m.offer for m in service.makables.values()]

    @app.post("/jobs", status_code=202)
    def post_job(
        request: JobRequest, idempotency_key: str = Header(min_length=8, max_length=200)
    ) -> JobView:
        return jobs.take(request, idempotency_key)

    @app.get("/jobs/{job}")
    def get_job(job: str) -> JobView:
        return _found(jobs.view(job))

    @app.delete("/jobs/{job}")
    def cancel_job(job: str) -> JobView:
        return _found(jobs.cancel(job))

    @app.get("/statement")
    def statement(since: AwareDatetime) -> Statement:
        return jobs.statement(since)

    @app.get("/results/{sha256}")
    def result(sha256: str) -> Response:
        if not jobs.files.has(sha256):
            raise HTTPException(404, "There is no such result.")
        return Response(jobs.files.get(sha256), media_type="application/octet-stream")

    @app.head("/references/{sha256}")
    def has_reference(sha256: str) -> Response:
        return Response(status_code=200 if jobs.files.has(sha256) else 404)

    @app.put("/references/{sha256}", status_code=201)
    async def put_reference(sha256: str, request: Request) -> Response:
        data = b""
        async for part in request.stream():
            data += part
            if len(data) > MOST_REFERENCE:
                raise HTTPException(413, "A reference is at most 40 megabytes.")
        if hashlib.sha256(data).hexdigest() != sha256:
            raise HTTPException(422, "A reference is named by the SHA-256 of its bytes.")
        jobs.files.put(data)
        return Response(status_code=201)

    return app


def _found(view: JobView | None) -> JobView:
    if view is None:
        raise HTTPException(404, "There is no such job.")
    return view
