"""A stretch of the film as a picture that moves, for places that take no film."""

from typing import ClassVar, Literal

from pydantic import Field, model_validator

from cutreel.core.errors import BadInput
from cutreel.store import Assembled, ItemSpec, new_id

from ..excerpts import LONGEST, RATES, MovingForm, Stretch, frames_shown, write_moving
from ..planning import SHORT_SIDE
from ..registry import Made, RunKind, Spec, Stage, Wanted, item
from ..work import Work
from ..workshop import Workshop
from .outcome import OutcomeKind

MovingSize = Literal["240p", "360p", "720p"]


class MovingPictureSpec(Spec):
    """A stretch of a film as it is that day, by its run: frames from `first` to before `end`."""

    kind: ClassVar[str] = "moving-picture"
    run: str
    first: int
    end: int
    form: MovingForm
    size: MovingSize
    captions: bool


class MovingPictureKind(OutcomeKind[MovingPictureSpec]):
    spec = MovingPictureSpec

    def make(self, spec: MovingPictureSpec, work: Work) -> Made | None:
        high = 240 if spec.size == "240p" else SHORT_SIDE[spec.size]
        told = Stretch(spec.first, spec.end, spec.form, high, spec.captions)
        film = work.shop.assembled(work.film)
        outcome = write_moving(work.shop, film, told, work.progress, work.dropped)
        return None if outcome is None else Made(None, outcome)


class MovingPictureWanted(Wanted):
    """Frames from `first` to before `end` as a GIF or a WebP that begins again, without sound; with `captions` burned
    in."""

    kind: Literal["moving picture"] = "moving picture"
    first: int = Field(ge=0)
    end: int = Field(ge=1)
    form: MovingForm = "webp"
    size: MovingSize = "360p"
    captions: bool = True

    @model_validator(mode="after")
    def _has_frames(self) -> "MovingPictureWanted":
        if self.end <= self.first:
            raise ValueError("A stretch ends behind its beginning.")
        return self


def _drawn(film: Assembled, wanted: MovingPictureWanted, shop: Workshop) -> list[ItemSpec]:
    fps = float(film.rate.fraction)
    end = min(wanted.end, film.frames)
    if end <= wanted.first:
        raise BadInput("The film ends before that stretch.", "Choose a stretch of it.")
    if (end - wanted.first) / fps > LONGEST:
        raise BadInput(
            f"A picture that moves is at most {LONGEST:g} seconds long.",
            "Choose less, or make a cut of the stretch and a film of that.",
        )
    spec = MovingPictureSpec(
        run=new_id(),
        first=wanted.first,
        end=end,
        form=wanted.form,
        size=wanted.size,
        captions=wanted.captions,
    )
    count = len(frames_shown(wanted.first, end, fps, RATES[wanted.form]))
    return [item(spec, "draw the stretch", weight=1 + count * 0.05)]


MOVING_PICTURE_RUN = RunKind(MovingPictureWanted, lambda wanted: [Stage("drawn", _drawn)])
