"""What routes are given."""

from typing import Annotated

from fastapi import Depends, Query, Request, Response
from pydantic import BaseModel

from cutreel.making import PreviewDesk, Workshop

from .desk import FilmDesk


def _shop(request: Request) -> Workshop:
    shop: Workshop = request.app.state.shop
    return shop


def _preview(request: Request) -> PreviewDesk:
    desk: PreviewDesk = request.app.state.preview
    return desk


def _desk(request: Request) -> FilmDesk:
    desk: FilmDesk = request.app.state.desk
    return desk


Since = Annotated[str, Query(max_length=40)]
"""The state of a film that the sender knows: it is told what became of it."""
Films = Annotated[FilmDesk, Depends(_desk)]
Shop = Annotated[Workshop, Depends(_shop)]
Preview = Annotated[PreviewDesk, Depends(_preview)]


def told(answer: BaseModel) -> Response:
    """An answer as JSON. It was made of what is valid already, and is not looked over again."""
    return Response(answer.model_dump_json(), media_type="application/json")
