"""Publishing: texts, chapters, thumbnails."""

from typing import Annotated, Literal

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, Field, ValidationError

from cutreel.core.errors import BadInput
from cutreel.core.film import (
    Aspect,
    chapters_of,
    credits_of,
    drafted_texts,
    lacking_licences,
    near_shot,
    pictured_thumbnails,
    proposed_thumbnails,
    titles_for,
    words_for,
)
from cutreel.core.publishing import (
    AIMS,
    MOST_DESCRIPTION,
    MOST_HASHTAGS,
    MOST_TAGS,
    MOST_TITLE,
    SMALL,
    ReportFigure,
    Texts,
    Thumbnail,
    chapters_told,
    tags_line,
    text_faults,
)
from cutreel.making import Way, WrittenField, report_now, texts_by_writer, thumbnail_of

from .door import Films, Shop

router = APIRouter(prefix="/api/films/{film}")


class TextFaultView(BaseModel):
    """What is wrong with a text; `beyond`: it is beyond a limit, else only not as good as it could be."""

    field: Literal["title", "description", "tags", "hashtags", "chapters"]
    says: str
    beyond: bool


class ChapterView(BaseModel):
    start: float
    title: str


class PublishingView(BaseModel):
    """A film's texts as they are, and as they are `drafted` where the maker wrote none; other `titles`; its chapters;
    what is wrong, whom thanks are owed to, sounds whose licence is not said; the most characters (hashtags: how many)
    there may be."""

    texts: Texts
    drafted: Texts
    titles: list[str]
    chapters: list[ChapterView]
    faults: list[TextFaultView]
    credits: list[str]
    unlicensed: list[str]
    most: dict[str, int]


class ProposedThumbnails(BaseModel):
    """Thumbnails by rule, those of pictures that were made for them (`made`, the newest first), and few words that
    could stand on one."""

    thumbnails: list[Thumbnail]
    made: list[Thumbnail]
    words: list[str]


class ThumbnailPromptView(BaseModel):
    """What a picture for a thumbnail is asked for with: the shot seen near, by whose offer, how long a prompt that
    reads, and whether it follows pictures."""

    prompt: str
    offer: str
    cap: int
    follows: bool


class ThumbnailMeasuresView(BaseModel):
    """What is left of a thumbnail that is `wide` pixels across: contrast of its words (WCAG 2.2), pixels of a capital
    and of the largest face, how many words, what share of them is `hidden`; bytes of the whole file; and what each is
    aimed at (`aims`)."""

    wide: int
    contrast: float | None
    capital: float | None
    hidden: float
    face: float | None
    words: int
    bytes: int
    aims: dict[str, float]


@router.get("/publishing")
def publishing(film: str, films: Films) -> PublishingView:
    """Texts and chapters."""
    found = films.now(film).film
    drafted, chapters = drafted_texts(found), chapters_of(found)
    texts = drafted.with_own(found.document.texts)
    faults = text_faults(texts, chapters, found.seconds, len(found.document.sources))
    return PublishingView(
        texts=texts,
        drafted=drafted,
        titles=titles_for(found),
        chapters=[ChapterView(start=c.start, title=c.title) for c in chapters],
        faults=[TextFaultView(**f._asdict()) for f in faults],
        credits=credits_of(found),
        unlicensed=lacking_licences(found),
        most={
            "title": MOST_TITLE,
            "description": MOST_DESCRIPTION,
            "tags": MOST_TAGS,
            "hashtags": MOST_HASHTAGS,
        },
    )


@router.get("/report")
def report(film: str, shop: Shop, films: Films) -> list[ReportFigure]:
    """What somebody could complain of, as far as it is known before a file is made."""
    return report_now(shop, films.now(film).film)


class WrittenWish(BaseModel):
    """What the writer is asked for: other titles, or the description's opening said in another way (`how`)."""

    field: WrittenField
    how: Way = "vivid"
    seed: int = Field(0, ge=0, le=999_999)


class WrittenTextsView(BaseModel):
    """What the writer proposes, words of the wish that it could not use, and what it cost."""

    texts: list[str]
    unused: list[str]
    cost: float


@router.post("/publishing/written")
def written(film: str, wish: WrittenWish, shop: Shop, films: Films) -> WrittenTextsView:
    """Ask the writer for a text. Nothing changes: what is taken is sent as a change."""
    found = texts_by_writer(shop, films.now(film).film, wish.field, wish.how, wish.seed)
    return WrittenTextsView(texts=found.texts, unused=found.unused, cost=found.cost)


@router.get("/publishing.txt")
def publishing_file(film: str, films: Films) -> Response:
    """All texts as one file."""
    found = films.now(film).film
    texts = drafted_texts(found).with_own(found.document.texts)
    chapters = chapters_told(chapters_of(found))
    parts = [
        ("TITLE", texts.title),
        ("DESCRIPTION", texts.description),
        ("CHAPTERS", chapters or "none"),
        ("TAGS", tags_line(texts.tags)),
        ("HASHTAGS", " ".join(texts.hashtags)),
    ]
    text = "\n\n".join(f"{name}\n{said}" for name, said in parts) + "\n"
    headers = {"Content-Disposition": 'attachment; filename="publishing.txt"'}
    return Response(text, media_type="text/plain; charset=utf-8", headers=headers)


@router.get("/thumbnails")
def proposed(film: str, films: Films) -> ProposedThumbnails:
    """Three thumbnails by rule."""
    found = films.now(film).film
    return ProposedThumbnails(
        thumbnails=proposed_thumbnails(found),
        made=pictured_thumbnails(found),
        words=words_for(found)[:12],
    )


@router.get("/thumbnails/prompt")
def prompt(film: str, shot: int, films: Films, shape: Aspect = "16:9") -> ThumbnailPromptView:
    """The prompt that a picture for a thumbnail begins with."""
    found = films.now(film).film
    near = near_shot(found, shot, shape)
    drawn = found.read.offered.drawn_by(near.offer)
    return ThumbnailPromptView(
        prompt=near.prompt.text,
        offer=near.offer,
        cap=drawn.prompt_cap,
        follows="references" in drawn.understands,
    )


@router.get("/thumbnail.jpg")
def thumbnail(
    film: str,
    told: Annotated[str, Query(max_length=2_000)],
    shop: Shop,
    films: Films,
    shape: Aspect = "16:9",
    wide: Annotated[int | None, Query(ge=80, le=1280)] = None,
) -> Response:
    """A thumbnail, `told` as JSON, as the file that is published, or so many pixels `wide`."""
    made = thumbnail_of(shop, films.now(film).film, _told(told), shape, wide)
    headers = {
        "Cache-Control": "private, max-age=600",
        "Content-Disposition": 'inline; filename="thumbnail.jpg"',
    }
    return Response(made.jpeg, media_type="image/jpeg", headers=headers)


def _told(text: str) -> Thumbnail:
    try:
        return Thumbnail.model_validate_json(text)
    except ValidationError as error:
        where = " ".join(str(p) for p in error.errors()[0]["loc"]) or "it"
        raise BadInput(f"That is no thumbnail: {where} is not understood.") from error


@router.post("/thumbnails/measured")
def measured(
    film: str, told: Thumbnail, shop: Shop, films: Films, shape: Aspect = "16:9"
) -> ThumbnailMeasuresView:
    """What is left of a thumbnail where people meet it."""
    made = thumbnail_of(shop, films.now(film).film, told, shape)
    return ThumbnailMeasuresView(wide=SMALL, **made.measures._asdict(), aims=AIMS)
