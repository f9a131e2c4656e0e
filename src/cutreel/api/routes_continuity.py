"""Continuity: who is who, references, a look tried on three shots, figures in pictures that the
maker brought."""

import asyncio

from fastapi import APIRouter, UploadFile
from pydantic import BaseModel, Field

from cutreel.core.continuity import (
    Look,
    Reference,
    Style,
    appearances,
    look_from,
    look_named,
    may_be_one,
    style_between,
    style_of,
    things_named,
)
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import Offered, read_film
from cutreel.making import ReferencesWanted, candidates, in_look, parses_of, samples
from cutreel.making.pictures import MOST_BYTES, bring_many, pixels_of, seen_in

from .door import Films, Shop, Since
from .schemas import FilmDelta

router = APIRouter(prefix="/api/films/{film}")
MOST_REFERENCES = 4


class CallView(BaseModel):
    name: str
    count: int


class AppearanceView(BaseModel):
    """How somebody of the cast is called, how often they are named and speak, how many words mean them, and of how many
    of those that is a guess."""

    person: int
    calls: list[CallView]
    paragraphs: int
    lines: int
    meant: int
    unsure: int


class SameView(BaseModel):
    """`other` may be `person` under another name, and why."""

    person: int
    other: int
    why: str


class ThingView(BaseModel):
    name: str
    count: int
    why: str


class WhoView(BaseModel):
    """What the manuscript says of who is who; proposals, none of them made."""

    appearances: list[AppearanceView]
    same: list[SameView]
    things: list[ThingView]


@router.get("/who")
def who_is_who(film: str, shop: Shop) -> WhoView:
    """How everybody is called, who may be one, and what may matter."""
    document = shop.films.get(film).document
    parses, _ = parses_of(document, shop.parses, 0)
    read = read_film(document, Offered(400), parses=parses)
    script = read.script
    return WhoView(
        appearances=[
            AppearanceView(
                person=a.person,
                calls=[CallView(name=c.name, count=c.count) for c in a.calls],
                paragraphs=a.paragraphs,
                lines=a.lines,
                meant=a.meant,
                unsure=a.unsure,
            )
            for a in appearances(script, document.cast, read.story)
        ],
        same=[
            SameView(person=s.person, other=s.other, why=s.why)
            for s in may_be_one(script, document.cast)
        ],
        things=[
            ThingView(name=t.name, count=t.count, why=t.why)
            for t in things_named(script, document.cast)
        ],
    )


class CandidateView(BaseModel):
    """A reference that was made: to be circled by setting it on the person or place."""

    seed: int
    reference: Reference


class CandidatesView(BaseModel):
    prompt: str
    fits: bool
    made: list[CandidateView]


@router.get("/references/{kind}/{number}")
def references(film: str, kind: str, number: int, shop: Shop) -> CandidatesView:
    """Model sheets of a person (`kind` person), or views of a place, in the film's look; a run of
    kind references makes more."""
    if kind not in ("person", "place"):
        raise NotFound("References are of a person or a place.")
    document = shop.films.get(film).document
    wanted = ReferencesWanted.model_validate({kind: number})
    made, prompt = candidates(document, wanted, shop)
    title = "model sheet" if kind == "person" else "view"
    return CandidatesView(
        prompt=prompt.text,
        fits=prompt.fits,
        made=[
            CandidateView(
                seed=c.seed,
                reference=Reference(
                    media=c.media, thumb=c.thumb, title=title, look=c.look, colours=c.colours
                ),
            )
            for c in made
        ],
    )


@router.post("/references")
async def bring_references(film: str, files: list[UploadFile], shop: Shop) -> list[Reference]:
    """Bring one to four pictures of one's own as references; they hold in every look."""
    shop.films.get(film)
    return [
        Reference(media=m, thumb=t, title=name[:80]) for name, m, t in await _brought(files, shop)
    ]


class LookFrom(BaseModel):
    """A look to be made from pictures that were brought."""

    title: str = Field(min_length=1, max_length=80)
    medium: str = Field(min_length=1, max_length=120)
    strength: int = Field(50, ge=0, le=100)
    pictures: list[Reference] = Field(min_length=1, max_length=MOST_REFERENCES)


class MadeLook(BaseModel):
    """A look made from pictures, which the film does not have yet, and what was measured of
    each."""

    look: Look
    measured: list[Style]


@router.post("/looks")
async def make_look(film: str, wish: LookFrom, shop: Shop) -> MadeLook:
    """Measure pictures and make a look of them; nothing is changed in the film."""
    document = shop.films.get(film).document
    for picture in wish.pictures:
        if not shop.media.has(picture.media):
            raise BadInput("One of those pictures is not kept any more.", "Bring it again.")
    measured = await asyncio.to_thread(
        lambda: [style_of(pixels_of(shop.media.get(p.media))) for p in wish.pictures]
    )
    plain = (
        "".join(c if c.isascii() and c.isalnum() else "-" for c in wish.title.lower()).strip("-")[
            :40
        ]
        or "own"
    )
    taken = {k.name for k in document.looks}
    name = next(n for i in range(1000) if (n := f"own-{plain}{f'-{i}' if i else ''}") not in taken)
    return MadeLook(
        look=look_from(
            name, wish.title, wish.medium, wish.pictures, style_between(measured), wish.strength
        ),
        measured=measured,
    )


class SampleView(BaseModel):
    """A shot of the film in another look; `media` is None while it is not made."""

    shot: int
    edge: str
    media: str | None
    thumb: str | None


@router.get("/looks/{look}/samples")
def look_samples(film: str, look: str, shop: Shop) -> list[SampleView]:
    """Three shots in a look; a run of kind look makes those that are missing."""
    assembled = shop.assembled(film)
    name = look_named(look, assembled.document.looks).name
    return [
        SampleView(shot=s.shot, edge=s.edge, media=s.media, thumb=s.thumb)
        for s in samples(in_look(assembled, name), shop)
    ]


class BoxedFigure(BaseModel):
    """Where somebody is in a picture: left, top, right, bottom, as shares of the frame."""

    person: int
    box: tuple[float, float, float, float]


@router.put("/takes/{take}/figures")
def set_figures(
    film: str, take: str, figures: list[BoxedFigure], shop: Shop, films: Films, since: Since = ""
) -> FilmDelta:
    """Say who is where in a picture that the maker brought, so that it can be looked at for
    drift."""
    document = shop.films.get(film).document
    names = {p.id: p.name for p in document.cast}
    row = shop.takes.get(take, film)
    regions = []
    for figure in figures[:12]:
        left, top, right, bottom = (min(1.0, max(0.0, v)) for v in figure.box)
        if figure.person not in names or right - left < 0.01 or bottom - top < 0.01:
            raise BadInput("That box shows nobody.", "Draw it around one of the cast.")
        regions.append({"name": names[figure.person][:80], "box": (left, top, right, bottom)})
    seen = seen_in(shop.media.get(row.media), regions)
    shop.takes.note(take, {"seen": seen.model_dump(mode="json"), "regions": regions})
    return films.since(film, since)


async def _brought(files: list[UploadFile], shop: Shop) -> list[tuple[str, str, str]]:
    if not 1 <= len(files) <= MOST_REFERENCES:
        raise BadInput("Bring one to four pictures.", "Choose those that show it best.")
    read = [((f.filename or "picture")[:200], await f.read(MOST_BYTES + 1)) for f in files]
    pictures = await asyncio.to_thread(bring_many, shop, read)
    bad = next((p for p in pictures if p.problem), None)
    if bad:
        raise BadInput(f"{bad.name} cannot be used. {bad.problem}")
    return [(p.name, p.media, p.thumb) for p in pictures[:MOST_REFERENCES]]
