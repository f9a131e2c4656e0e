"""Changes of what is said of the film when it is looked at: notes, answers, agreement."""

from typing import Literal

from pydantic import Field

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.screening import MOST_NOTES, Agreed, NoteAnswer, ScreenNote

from ..document import FilmDocument
from .base import FilmCommand


class AddNote(FilmCommand):
    """Note something at a moment of the film."""

    touches = ("screen_notes",)
    type: Literal["add note"] = "add note"
    note: ScreenNote

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if len(film.screen_notes) >= MOST_NOTES:
            raise BadInput(f"The film has {MOST_NOTES:,} notes already.", "Take some away first.")
        number = max((n.id for n in film.screen_notes), default=0) + 1
        film.screen_notes.append(self.note.model_copy(update={"id": number}))
        return f"note {number}"


class AnswerNote(FilmCommand):
    """Answer a note."""

    touches = ("screen_notes",)
    type: Literal["answer note"] = "answer note"
    note: int
    answer: NoteAnswer

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        found = note_numbered(film, self.note)
        answers = [*found.answers, self.answer]
        _replaced(film, found.model_copy(update={"answers": answers}))
        return f"answer note {self.note}"


class SetNote(FilmCommand):
    """Say that a note is done, or is not; or word it anew."""

    touches = ("screen_notes",)
    type: Literal["set note"] = "set note"
    note: int
    done: bool | None = None
    text: str | None = Field(None, min_length=1, max_length=2_000)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        found = note_numbered(film, self.note)
        said = {"done": self.done, "text": self.text}
        _replaced(film, found.model_copy(update={k: v for k, v in said.items() if v is not None}))
        if self.done is None:
            return f"word note {self.note} anew"
        return f"note {self.note} is done" if self.done else f"open note {self.note} again"


class DropNote(FilmCommand):
    """Take a note away."""

    touches = ("screen_notes",)
    type: Literal["drop note"] = "drop note"
    note: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        found = note_numbered(film, self.note)
        film.screen_notes = [n for n in film.screen_notes if n is not found]
        return f"take note {self.note} away"


class AgreeScene(FilmCommand):
    """Agree with a scene as it is, or (`agreed` None) take that back."""

    touches = ("agreed",)
    type: Literal["agree scene"] = "agree scene"
    scene: int
    agreed: Agreed | None = None

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        film.agreed = [a for a in film.agreed if a.scene != self.scene]
        if self.agreed is None:
            return "take an agreement back"
        film.agreed.append(self.agreed.model_copy(update={"scene": self.scene}))
        return f"{self.agreed.by} agrees with a scene"


def note_numbered(film: FilmDocument, number: int) -> ScreenNote:
    """A note by its number. Raises NotFound."""
    found = next((n for n in film.screen_notes if n.id == number), None)
    if found is None:
        raise NotFound("That note is not there any more.", "Load the page again.")
    return found


def _replaced(film: FilmDocument, note: ScreenNote) -> None:
    film.screen_notes = [note if n.id == note.id else n for n in film.screen_notes]
