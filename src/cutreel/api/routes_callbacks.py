"""Where services call back when a job is done: at an address that nobody can guess, good for that job alone."""

from fastapi import APIRouter, Request, Response
from fastapi.concurrency import run_in_threadpool

from cutreel.core.errors import NotFound

from .door import Shop

router = APIRouter(prefix="/api")


@router.post("/callbacks/{token}", status_code=204)
@router.put("/callbacks/{token}", status_code=204)
async def call_back(token: str, request: Request, shop: Shop) -> Response:
    """Take what a service calls back: an answer as its description says, or the file itself. Whoever waits for it looks
    at it as at any answer."""
    if not await run_in_threadpool(shop.calls.waits, token):
        raise NotFound("Nobody waits for that.", "The job is over, or was given up.")
    body = await request.body()
    media = await run_in_threadpool(shop.media.put, body, "came")
    await run_in_threadpool(shop.calls.bring, token, media)
    return Response(status_code=204)
