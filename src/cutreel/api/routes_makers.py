"""Who makes what in a film: what was chosen for it, its scenes, its cast and its shots; and offers on trial."""

from fastapi import APIRouter
from pydantic import BaseModel

from cutreel.core.continuity import MadeBy
from cutreel.making import by_offer, samples

from .door import Films, Shop

router = APIRouter(prefix="/api/films/{film}")


class ChosenView(BaseModel):
    """A choice for a part of the film: the number of a scene's first word, of somebody of the cast, or of a shot."""

    number: int
    name: str
    made_by: MadeBy


class MakersView(BaseModel):
    """Who makes each kind for the whole film, and where something else was chosen."""

    film: MadeBy
    scenes: list[ChosenView]
    people: list[ChosenView]
    shots: list[ChosenView]


@router.get("/makers")
def makers(film: str, films: Films) -> MakersView:
    """What was chosen of who makes what."""
    read = films.now(film).film.read
    document = read.document
    titles = {
        read.ids[scene.first]: scene.title
        for scene in read.script.scenes
        if scene.first < len(read.ids)
    }
    return MakersView(
        film={**document.settings.made_by, "picture": document.settings.offer},
        scenes=[
            ChosenView(number=s.first, name=titles[s.first], made_by=s.own.made_by)
            for s in document.scenes
            if s.own.made_by and s.first in titles
        ],
        people=[
            ChosenView(number=p.id, name=p.name, made_by=p.made_by)
            for p in document.cast
            if p.made_by
        ],
        shots=[
            ChosenView(number=s.id, name=s.edge, made_by=s.own.made_by)
            for s in document.shots
            if s.own.made_by
        ],
    )


class TrialView(BaseModel):
    """A shot as an offer made it (None: not made yet), beside the picture that the film uses."""

    shot: int
    edge: str
    media: str | None
    thumb: str | None
    used: str | None
    used_thumb: str | None


@router.get("/trials/{offer:path}")
def trial(film: str, offer: str, films: Films, shop: Shop) -> list[TrialView]:
    """Three shots by an offer; a run of kind trial makes what is missing. Raises BadInput for an offer that draws
    no pictures."""
    stands = films.now(film).film
    used = {s.shot.id: take for s, take in zip(stands.read.shots, stands.used, strict=True)}
    return [
        TrialView(
            shot=s.shot,
            edge=s.edge,
            media=s.media,
            thumb=s.thumb,
            used=take.media if take else None,
            used_thumb=take.thumb if take else None,
        )
        for s in samples(by_offer(stands, offer), shop)
        for take in [used.get(s.shot)]
    ]
