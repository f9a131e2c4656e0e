"""Changes of the words: edited in place, replaced in many places, scenes moved."""

from typing import Literal

from pydantic import Field

from cutreel.core.errors import BadInput
from cutreel.core.manuscript import read

from ..aside import aside_numbered, bring_back, set_aside
from ..document import FilmDocument
from ..moved import move_shot
from ..shots import move_words, retext, shot_numbered
from ..wording import Edit, with_edits
from .base import FilmCommand


class EditText(FilmCommand):
    """Replace characters `start` up to `end` of the manuscript by `insert`."""

    type: Literal["edit text"] = "edit text"
    start: int = Field(ge=0)
    end: int = Field(ge=0)
    insert: str

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if self.end < self.start or self.end > len(film.text):
            raise BadInput("That stretch of text is not there any more.", "Load the page again.")
        retext(film, film.text[: self.start] + self.insert + film.text[self.end :], used)
        return "edit words"


class EditPlaces(FilmCommand):
    """Several edits at once, none over another; `what` names them in the history."""

    type: Literal["edit places"] = "edit places"
    edits: list[Edit] = Field(min_length=1, max_length=20_000)
    what: str = Field("edit words", min_length=1, max_length=80)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        text, ids = with_edits(film, self.edits)
        retext(film, text, used, ids)
        return self.what


class MoveScene(FilmCommand):
    """Move a scene, by its index, so that it becomes the scene with the index `to`; its shots go
    with it."""

    type: Literal["move scene"] = "move scene"
    scene: int = Field(ge=0)
    to: int = Field(ge=0)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        script = read(film.text)
        scenes = script.scenes
        if not (self.scene < len(scenes) and self.to < len(scenes)) or self.scene == self.to:
            raise BadInput("The scene cannot go there.", f"The film has {len(scenes)} scenes.")
        if not scenes[0].end_offset and 0 in (self.scene, self.to):
            raise BadInput(
                "The opening has no heading of its own.", "Give it one, then it can be moved."
            )
        move_words(film, script, self.scene, self.to, used)
        return f"move scene {scenes[self.scene].title or self.scene + 1}"


class SetAside(FilmCommand):
    """Take a scene, by its index, out of the film with its shots; it stays at hand and can come back."""

    type: Literal["set aside"] = "set aside"
    scene: int = Field(ge=0)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        return f"set {set_aside(film, self.scene, used)} aside"


class BringBack(FilmCommand):
    """Put a scene that was set aside, by its number, back where it stood; or with `away` throw it away."""

    type: Literal["bring back"] = "bring back"
    aside: int
    away: bool = False

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if self.away:
            gone = aside_numbered(film, self.aside)
            film.aside = [a for a in film.aside if a is not gone]
            return f"throw {gone.title} away"
        return f"bring {bring_back(film, self.aside, used)} back"


class MoveShot(FilmCommand):
    """Put a shot with its words before another shot, by their numbers (`before` None: at the end of the film)."""

    type: Literal["move shot"] = "move shot"
    shot: int
    before: int | None = None

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        _, shot = shot_numbered(film, self.shot)
        move_shot(film, self.shot, self.before, used)
        return f"move shot {shot.edge}"
