"""The script desk: reading scripts from files and writing them, finding and renaming, versions,
reference paces."""

import asyncio
import json
from typing import Annotated

from fastapi import APIRouter, Form, UploadFile
from fastapi.responses import Response
from pydantic import BaseModel, Field, TypeAdapter, ValidationError

from cutreel.core.breakdown import ReferencePace
from cutreel.core.continuity import Overrides
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import (
    MEDIA_TYPES,
    FoundPlace,
    GivenShot,
    GivenSource,
    ReadOtherwise,
    export_script,
    find_places,
    name_places,
)
from cutreel.core.manuscript import Difference, differences
from cutreel.core.manuscript.formats import Column, TableView
from cutreel.making import SCRIPT, pace_in, read_by_service, reader, story_apart

from .door import Films, Shop, Since
from .meant import MeantView, meant_view
from .schemas import FilmDelta

router = APIRouter(prefix="/api")
MOST_BYTES = 4_000_000


class StoryView(BaseModel):
    """A script read from a file, to be looked at before a film is made of it. `table` shows what a
    table's columns were taken for; `bad` names what could not be read; `seconds` are the lengths of
    its shots where it has times."""

    title: str
    text: str
    format: str
    shots: list[GivenShot]
    sources: list[GivenSource]
    bad: list[str]
    table: TableView | None


class PlaceView(FoundPlace, frozen=True):
    """A place that was found, with the edge number of its shot."""

    shot: str


class FindRequest(BaseModel):
    query: str = Field(max_length=400)
    instead: str = Field("", max_length=2000)
    match_case: bool = False
    whole_words: bool = False


class RenameRequest(BaseModel):
    person: int
    name: str = Field(min_length=1, max_length=80)


class ComparedVersions(BaseModel):
    """Two versions of a film beside each other: words, and what else is different, each in a
    sentence."""

    words: list[Difference]
    others: list[str]


@router.post("/stories")
async def read_file(file: UploadFile, columns: Annotated[str, Form()] = "") -> StoryView:
    """Read an uploaded script, in a process of its own. `columns` (JSON) says what the columns of a
    table are, where the maker says so."""
    name, data = await _file(file)
    found = await asyncio.to_thread(story_apart, data, name, _columns(columns))
    story = found.story
    if story is None:
        return StoryView(
            title="", text="", format="table", shots=[], sources=[], bad=[], table=found.table
        )
    return StoryView(
        title=story.title or name.rsplit(".", 1)[0][:200],
        text=story.text,
        format=story.format,
        shots=[GivenShot(offset=s.offset, own=_own(s.own)) for s in story.opens],
        sources=[GivenSource(offset=s.offset, text=s.text[:1000]) for s in story.sources],
        bad=list(story.bad),
        table=found.table,
    )


@router.get("/films/{film}/script.{format}")
def script_file(film: str, format: str, shop: Shop) -> Response:
    """The film's script as a file: txt, md, fountain, srt, vtt, csv or tsv."""
    found = shop.assembled(film)
    text = export_script(found.read, format, found.spans, found.rate)
    plain = (c for c in found.document.title if (c.isalnum() and c.isascii()) or c in " -")
    name = "".join(plain)[:60].strip() or "script"
    return Response(
        text.encode(),
        media_type=MEDIA_TYPES[format] + "; charset=utf-8",
        headers={"Content-Disposition": f'attachment; filename="{name}.{format}"'},
    )


@router.get("/films/{film}/meant")
def who_is_meant(film: str, films: Films) -> MeantView:
    """Whom every name, pronoun and "the old woman" of the manuscript means, with how sure that is; what is not very
    sure is asked."""
    return meant_view(films.now(film).film.read)


class AskedReadingView(BaseModel):
    """Who else read it, what that cost, and where they read otherwise than we do."""

    title: str
    cost: float
    otherwise: list[ReadOtherwise]


@router.post("/films/{film}/reading")
def read_by_another(film: str, shop: Shop) -> AskedReadingView:
    """Have the story read by a service. Nothing changes: what is taken of it is sent as a change."""
    asked = read_by_service(shop, film)
    return AskedReadingView(title=asked.title, cost=asked.cost, otherwise=asked.otherwise)


@router.post("/films/{film}/find")
def find(film: str, wanted: FindRequest, shop: Shop) -> list[PlaceView]:
    """Every place at which the manuscript says something, with what would stand there instead."""
    places = find_places(
        shop.films.get(film).document.text,
        wanted.query,
        wanted.instead,
        wanted.match_case,
        wanted.whole_words,
    )
    return _places(film, places, shop)


@router.post("/films/{film}/renaming")
def renaming(film: str, wanted: RenameRequest, shop: Shop) -> list[PlaceView]:
    """Every place that calling somebody by another name would change."""
    document = shop.films.get(film).document
    person = next((p for p in document.cast if p.id == wanted.person), None)
    if person is None:
        raise NotFound("That person is not in the cast any more.")
    return _places(film, name_places(document.text, person, wanted.name), shop)


@router.post("/paces")
async def measure_pace(file: UploadFile) -> ReferencePace:
    """The pace of a reference script or of its subtitles: measures alone; the words are not
    kept."""
    name, data = await _file(file)
    return await asyncio.to_thread(reader.read, pace_in, data, name, what=SCRIPT)


@router.get("/films/{film}/compare")
def compare(film: str, before: int, after: int, shop: Shop) -> ComparedVersions:
    """Two versions of a film by their numbers; 0 is the film as it was first."""
    one, other = shop.films.version(film, before), shop.films.version(film, after)
    words = differences(one.text, other.text)
    others = []
    moved = len({s.first for s in one.shots} ^ {s.first for s in other.shots})
    if moved or len(one.shots) != len(other.shots):
        others.append(f"{len(one.shots)} shots, then {len(other.shots)}; {moved} cut marks differ")
    for label, x, y in (
        ("cast", {p.id: p for p in one.cast}, {p.id: p for p in other.cast}),
        ("places", {p.id: p for p in one.places}, {p.id: p for p in other.places}),
    ):
        changed = [(x.get(i) or y[i]).name for i in {**x, **y} if x.get(i) != y.get(i)]
        if changed:
            others.append(f"{label}: " + ", ".join(changed))
    own = [
        s.edge
        for s in other.shots
        if s.own != next((o.own for o in one.shots if o.id == s.id), s.own)
    ]
    if own:
        others.append(
            "set by hand otherwise: shots "
            + ", ".join(own[:12])
            + (" and more" if len(own) > 12 else "")
        )
    names = [
        n
        for n in type(one.settings).model_fields
        if getattr(one.settings, n) != getattr(other.settings, n)
    ]
    if names:
        others.append("settings: " + ", ".join(names))
    return ComparedVersions(words=words, others=others)


@router.post("/films/{film}/versions/{number}")
def go_back(film: str, number: int, shop: Shop, films: Films, since: Since = "") -> FilmDelta:
    """Make the film what it was after the change with a number; that is a change itself and can be
    undone."""
    shop.films.go_back(film, number)
    return films.since(film, since)


async def _file(file: UploadFile) -> tuple[str, bytes]:
    data = await file.read(MOST_BYTES + 1)
    if len(data) > MOST_BYTES:
        raise BadInput("The file is too long.", "A script may have up to 4 megabytes.")
    return (file.filename or "")[:200], data


def _columns(given: str) -> list[Column] | None:
    if not given:
        return None
    try:
        return TypeAdapter(list[Column]).validate_python(json.loads(given))
    except (ValueError, ValidationError) as error:
        raise BadInput(
            "Those columns are not known.", "Choose from the list at each column."
        ) from error


def _own(given: dict[str, str]) -> Overrides:
    return Overrides.model_validate(
        {k: v[:200] if k == "sound" else v[:600] for k, v in given.items()}
    )


def _places(film: str, places: list[FoundPlace], shop: Shop) -> list[PlaceView]:
    read_film = shop.assembled(film).read
    words = read_film.script.words
    out = []
    at = 0
    for place in places:
        while at + 1 < len(read_film.shots) and (
            read_film.shots[at + 1].first >= len(words)
            or words[read_film.shots[at + 1].first].start <= place.start
        ):
            at += 1
        out.append(PlaceView(**place.model_dump(), shot=read_film.shots[at].shot.edge))
    return out
