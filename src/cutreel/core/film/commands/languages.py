"""What is said and shown in another language."""

from typing import Literal

from pydantic import Field

from cutreel.core.errors import BadInput
from cutreel.core.translation import MOST_PASSAGES, MOST_SHOWN, Shown, Translated

from ..document import FilmDocument
from .base import FilmCommand


class Translate(FilmCommand):
    """Set what passages, and words on the screen, are in the language of the film; empty text lifts it. What is not
    named stays as it is."""

    touches = ("translation",)
    type: Literal["translate"] = "translate"
    passages: list[Translated] = Field([], max_length=MOST_PASSAGES)
    shown: list[Shown] = Field([], max_length=MOST_SHOWN)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if film.translation is None:
            raise BadInput(
                "This cut is in the language of its manuscript.",
                "Keep the film in another language first.",
            )
        said = {t.word: t for t in film.translation.passages} | {t.word: t for t in self.passages}
        shown = {s.source: s for s in film.translation.shown} | {s.source: s for s in self.shown}
        film.translation = film.translation.model_copy(
            update={
                "passages": [t for _, t in sorted(said.items()) if t.text.strip()],
                "shown": [s for s in shown.values() if s.text.strip()],
            }
        )
        count = len(self.passages) + len(self.shown)
        if count == 1:
            text = (self.passages[0].text if self.passages else self.shown[0].text).strip()
            return f"translate “{text[:40]}”" if text else "take back a translation"
        return f"translate {count} passages"
