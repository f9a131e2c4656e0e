"""How a shot's picture moves: camera, figures, air, water and light, with the words that they go with."""

import io
import math
from collections.abc import Mapping, Sequence
from typing import Annotated, Literal

from fastapi import APIRouter, Query
from fastapi.responses import Response
from pydantic import BaseModel

from cutreel.core.continuity import OwnRegion, Person
from cutreel.core.errors import BadInput
from cutreel.core.film import (
    Assembled,
    TakeRow,
    acts_planned,
    air_planned,
    figures_in,
    fits_take,
    named,
    targets_in,
    worth_of,
)
from cutreel.core.motion import (
    ACTIONS,
    Act,
    AirKind,
    Amount,
    FitHow,
    OwnPath,
    actions_told,
    covering,
    path_words,
)
from cutreel.making import frame_of_film, frames_of_shot, usual_path, ways_along
from cutreel.making.pictures import box_of_mask

from .door import Films, Shop
from .found import shot_at

router = APIRouter(prefix="/api")
MOST_FRAMES = 120
"""Ten seconds of drawings: a longer shot is looked at with fewer a second."""


class SpokenAt(BaseModel):
    """A word of a shot: its number, and when it is said, in seconds of the shot."""

    number: int
    text: str
    start: float
    end: float


class MovingFigure(BaseModel):
    """A figure that can move: how its picture calls it, how the cast does, which actions it can do; the camera's path
    that goes `along`, where it goes anywhere."""

    figure: str
    name: str
    animal: bool
    speaks: bool
    along: OwnPath | None


class ActView(BaseModel):
    """Something that a figure does: with which word (its number), when, and why. `start` is None where there is no time
    for it among the others."""

    figure: str
    action: str
    word: int | None
    why: str
    start: float | None
    seconds: float | None


class AirView(BaseModel):
    kind: AirKind
    amount: Amount
    why: str


class RegionView(OwnRegion):
    """A part of the picture that moves by itself; `here`: it was marked on the picture that is shown. Its `box` (left,
    top, right, bottom) is in shares of the picture."""

    here: bool
    box: tuple[float, float, float, float]


class ClipView(BaseModel):
    """A clip in place of a picture: how long it is, how it fills the shot, and that in a sentence; how many seconds of
    it are past when the shot begins, and at how many times its own speed it plays; whether it has a sound, and whether
    that is heard."""

    seconds: float
    how: FitHow
    why: str
    own: bool
    slid: float
    speed: float
    sound: bool
    heard: bool


class MovementView(BaseModel):
    """How a shot moves. `path` is the camera's as it is now, `in_words` the same told, `motion` the maker's own
    motion prompt; `camera`, `acts_own` and `air_own` say what the maker set. `pixels` are those of the picture that lie
    under one of a 1080p film where the camera is nearest. A `flat` picture may have ground below a `horizon`."""

    seconds: float
    move: str
    why: str
    path: OwnPath
    camera: bool
    in_words: str
    motion: str
    pixels: float
    words: list[SpokenAt]
    figures: list[MovingFigure]
    acts: list[ActView]
    acts_own: bool
    air: list[AirView]
    air_own: bool
    regions: list[RegionView]
    horizon: float | None
    flat: bool
    water: bool
    flames: int
    jointed: bool
    clip: ClipView | None


@router.get("/films/{film}/shots/{shot}/movement")
def movement(film: str, shot: int, films: Films, shop: Shop) -> MovementView:
    """How a shot's picture moves, as it stands."""
    assembled = films.now(film).film
    at = shot_at(assembled, shot)
    read, take, span = assembled.read.shots[at], assembled.used[at], assembled.spans[at]
    begin = assembled.rate.seconds(span.start)
    seconds = assembled.rate.seconds(span.end - span.start)
    times, ids = assembled.timing.words, assembled.read.ids
    words = [
        SpokenAt(
            number=ids[i],
            text=assembled.read.script.words[i].text,
            start=round(float(times[i, 0]) - begin, 3),
            end=round(float(times[i, 1]) - begin, 3),
        )
        for i in range(read.first, read.end)
    ]
    path = usual_path(assembled, at)
    own = read.shot.own
    figures = figures_in(take) if take else []
    who = named(read.people, figures)
    strips = {s.figure: s for s in assembled.strips(at) if s.acting}
    done: dict[str, list[Act]] = {}
    spoken: set[str] = set()
    parts = take.about.get("strips", []) if take else []
    for figure in figures:
        acting = strips[parts[figure.strip]["figure"]].acting if strips else None
        if acting is not None:
            done[figure.name] = list(acting.acts)
            spoken |= {figure.name} if acting.mouth else set()
    along = ways_along(shop, assembled, at)
    wide = int(take.about.get("width") or 1280) if take else 1280
    # A camera that leans is nearer all along.
    lean = math.radians(max(abs(r) for r in path.roll))
    nearest = max(f.zoom for f in (path.first, *path.between, path.last)) * covering(lean, 16, 9)
    return MovementView(
        seconds=round(seconds, 3),
        move=read.move,
        why=read.why_move,
        path=path,
        camera=own.path is not None or own.move is not None or bool(own.motion),
        in_words=path_words(path, _targets(take, read.people, who)) if take else "",
        motion=own.motion or "",
        pixels=round(wide / nearest / 1920, 2),
        words=words,
        figures=[
            MovingFigure(
                figure=f.name,
                name=who[f.name].name if f.name in who else f.name,
                animal=f.animal,
                speaks=f.name in spoken,
                along=along.get(f.name),
            )
            for f in figures
        ],
        acts=_acts(assembled, at, done),
        acts_own=own.acts is not None,
        air=[
            AirView(kind=a.kind, amount=a.amount, why=a.why)
            for a in air_planned(read, assembled.document.settings)
            if assembled.timeline.clips[at].air
        ],
        air_own=own.air is not None,
        regions=[
            RegionView(
                **r.model_dump(),
                here=take is not None and fits_take(r, take),
                box=box_of_mask(shop, r.mask),
            )
            for r in own.regions or ()
        ],
        horizon=own.horizon,
        flat=take is not None and not parts and "clip" not in take.about,
        water=any(p.get("moves", {}).get("kind") == "water" for p in parts),
        flames=len(take.about.get("flames", [])) if take else 0,
        jointed=bool(figures),
        clip=_clip(assembled, at, seconds),
    )


def _clip(assembled: Assembled, at: int, seconds: float) -> ClipView | None:
    footage = assembled.timeline.clips[at].footage
    if footage is None:
        return None
    fit = footage.fit(seconds)
    own = footage.how is not None or footage.slid != 0
    long = round(footage.seconds, 3)
    return ClipView(
        seconds=long,
        how=fit.how,
        why=fit.why,
        own=own,
        slid=round(fit.slid, 3),
        speed=fit.speed,
        sound=footage.sound is not None,
        heard=footage.sound is not None and bool(assembled.read.shots[at].shot.own.heard),
    )


def _targets(
    take: TakeRow, people: Sequence[Person], who: Mapping[str, Person]
) -> dict[str, tuple[float, float]]:
    """What is known in a picture, people by the names that they have in the cast."""
    names = {called.lower(): p.name for p in people for called in (p.name, *p.aliases)}
    names |= {called.lower(): person.name for called, person in who.items()}
    return {names.get(name, f"the {name}"): at for name, at in targets_in(take).items()}


def _acts(assembled: Assembled, at: int, done: dict[str, list[Act]]) -> list[ActView]:
    """What is planned, each with when it is done, where there is time for it."""
    read, take = assembled.read.shots[at], assembled.used[at]
    if take is None:
        return []
    left = {name: list(acts) for name, acts in done.items()}
    out = []
    figures = figures_in(take)
    here = {f.name for f in figures}
    for plan in acts_planned(assembled.read, read, figures):
        if plan.figure not in here:
            continue  # set for a picture in which there was somebody else
        found = next((a for a in left.get(plan.figure, []) if a.action == plan.action), None)
        if found is not None:
            left[plan.figure].remove(found)
        out.append(
            ActView(
                figure=plan.figure,
                action=plan.action,
                word=None if plan.word is None else assembled.read.ids[plan.word],
                why=plan.why,
                start=found.start if found else None,
                seconds=found.seconds if found else None,
            )
        )
    return out


@router.get("/films/{film}/shots/{shot}/frames")
def frames(
    film: str,
    shot: int,
    films: Films,
    shop: Shop,
    count: Annotated[int, Query(ge=1, le=MOST_FRAMES)] = 6,
    high: Annotated[int, Query(ge=90, le=360)] = 180,
    camera: bool = False,
) -> Response:
    """Frames of a shot as it stands, evenly over its time, in rows of eight in one JPEG; `high` is the shorter side of
    a frame in pixels; `camera`: as they would be if the camera alone moved."""
    assembled = films.now(film).film
    image = frames_of_shot(shop, assembled, shot_at(assembled, shot), count, high, camera)
    out = io.BytesIO()
    image.save(out, "JPEG", quality=86)
    return Response(
        out.getvalue(), media_type="image/jpeg", headers={"Cache-Control": "private, max-age=3600"}
    )


class WorthView(BaseModel):
    """How much a shot gains by a clip, and why."""

    shot: int
    score: float
    why: str


@router.get("/films/{film}/frame")
def frame(
    film: str,
    films: Films,
    shop: Shop,
    at: Annotated[int, Query(ge=0)] = 0,
    high: Annotated[int, Query(ge=90, le=720)] = 360,
    captions: bool = True,
    still: bool = False,
) -> Response:
    """The film's frame `at` as a viewer will see it, with joins and, if asked, captions, as a JPEG whose shorter side
    is `high`; `still`: with the camera on the whole picture."""
    assembled = films.now(film).film
    if not 0 <= at < assembled.frames:
        raise BadInput("The film is not so long.", f"It has {assembled.frames} frames, from 0 on.")
    out = io.BytesIO()
    frame_of_film(shop, assembled, at, high, captions, still).save(out, "JPEG", quality=86)
    headers = {"Cache-Control": "private, max-age=3600"}
    return Response(out.getvalue(), media_type="image/jpeg", headers=headers)


@router.get("/films/{film}/worth")
def worth(film: str, films: Films) -> list[WorthView]:
    """The shots that gain most by a clip, the best first."""
    read = films.now(film).film.read
    return [WorthView(shot=w.shot, score=w.score, why=w.why) for w in worth_of(read.shots)]


class ActionView(BaseModel):
    """An action that can be chosen, and for whom it is."""

    name: str
    animal: bool
    person: bool


@router.get("/actions")
def actions() -> list[ActionView]:
    """All that figures can do."""
    return [
        ActionView(name=a.name, animal=a.of != "person", person=a.of != "animal")
        for a in sorted(ACTIONS.values(), key=lambda a: a.name)
    ]


@router.get("/actions/told")
def told(
    words: Annotated[str, Query(min_length=1, max_length=120)],
    of: Literal["person", "animal"] = "person",
) -> list[str]:
    """The actions that some words mean, in their order."""
    return [a.name for a in actions_told(words, of)]
