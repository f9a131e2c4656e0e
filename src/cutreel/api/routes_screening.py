"""Screening: notes where they stand in the film as it is now, and which scenes are agreed."""

from fastapi import APIRouter, Response
from pydantic import BaseModel

from cutreel.core.film import notes_table, placed_notes, screened_scenes
from cutreel.core.screening import Agreed, ScreenNote

from .door import Films

router = APIRouter(prefix="/api/films/{film}")


class NoteView(BaseModel):
    """A note with the frames that it is about (`end` is not among them) and the number of the shot they begin in;
    `lost`: its words and its shot are not in the film any more."""

    note: ScreenNote
    start: int
    end: int
    shot: int
    lost: bool


class ScreenedView(BaseModel):
    """A scene: the number of its first word, its title, its frames (`end` is not among them), the numbers of its first
    and last shot; `key` names it as it is now; who agreed, and whether it `changed` since."""

    word: int
    title: str
    start: int
    end: int
    first: int
    last: int
    key: str
    agreed: Agreed | None
    changed: bool


class ScreeningView(BaseModel):
    """What was said of a film when it was looked at, in the order of its time."""

    notes: list[NoteView]
    scenes: list[ScreenedView]


@router.get("/screening")
def screening(film: str, films: Films) -> ScreeningView:
    """Notes, and scenes with who agreed."""
    found = films.now(film).film
    shots = [s.shot.id for s in found.read.shots]
    return ScreeningView(
        notes=[
            NoteView(note=p.note, start=p.start, end=p.end, shot=shots[p.shot], lost=p.lost)
            for p in placed_notes(found)
        ],
        scenes=[
            ScreenedView(**{**s._asdict(), "first": shots[s.first], "last": shots[s.last]})
            for s in screened_scenes(found)
        ],
    )


@router.get("/notes.csv")
def notes_csv(film: str, films: Films) -> Response:
    """The notes as a table (CSV)."""
    headers = {"Content-Disposition": 'attachment; filename="notes.csv"'}
    return Response(notes_table(films.now(film).film), media_type="text/csv", headers=headers)
