"""All that is spoken, as SSML, both ways."""

from fastapi import APIRouter, Response, UploadFile
from pydantic import BaseModel

from cutreel.core.errors import BadInput
from cutreel.core.film import Change, ssml_of, ssml_taken
from cutreel.core.film.commands import TakeSsml
from cutreel.core.speech import from_ssml
from cutreel.making import SSML, reader

from .door import Films, Shop

router = APIRouter(prefix="/api")


@router.get("/films/{film}/ssml")
def ssml(film: str, films: Films) -> Response:
    """All that is spoken, as SSML 1.1: each line in its voice, with its marks."""
    return Response(
        ssml_of(films.now(film).film.read),
        media_type="application/ssml+xml",
        headers={"Content-Disposition": 'attachment; filename="script.ssml"'},
    )


class SsmlView(BaseModel):
    """What was taken from an SSML file: how many words it has in common with the film, how many of them are marked
    otherwise now or read otherwise, how many speakers have another voice; and what had no use."""

    found: int
    marked: int
    read: int
    voices: int
    unused: list[str]


@router.post("/films/{film}/ssml")
def take_ssml(film: str, file: UploadFile, films: Films, shop: Shop) -> SsmlView:
    """Take what an SSML file says of the film's words, as one change."""
    document = reader.read(from_ssml, file.file.read(), what=SSML)
    state = films.now(film)
    own = {v.voice for v in state.row.document.voices}
    voices = own | {v.name for o in shop.offers() for v in o.voices}
    taken = ssml_taken(state.film.read, document, voices)
    if taken.nothing:
        raise BadInput(
            "That file says nothing otherwise than the film.", "There is nothing to take."
        )
    command = TakeSsml(
        marks=taken.marks, reads=taken.reads, sayings=taken.sayings, voices=taken.voices
    )
    shop.films.change(film, Change(revision=state.row.revision, command=command))
    return SsmlView(
        found=taken.found,
        marked=len(taken.marks),
        read=len(taken.reads) + len(taken.sayings),
        voices=len(taken.voices),
        unused=taken.unused[:40],
    )
