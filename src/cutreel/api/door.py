"""What routes are given."""

from typing import Annotated

from fastapi import Depends, Request

from cutreel.making import PreviewDesk, Workshop


def _shop(request: Request) -> Workshop:
    shop: Workshop = request.app.state.shop
    return shop


def _preview(request: Request) -> PreviewDesk:
    desk: PreviewDesk = request.app.state.preview
    return desk


Shop = Annotated[Workshop, Depends(_shop)]
Preview = Annotated[PreviewDesk, Depends(_preview)]
