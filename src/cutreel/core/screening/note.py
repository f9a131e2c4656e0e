"""Notes, and what is agreed."""

from pydantic import BaseModel, Field

MOST_NOTES = 5_000
MOST_POINTS = 400
"""Points of an outline."""
_DAY = r"^(\d{4}-\d{2}-\d{2})?$"
Share = float


class NoteAnswer(BaseModel):
    """What somebody says to a note, and on which day (ISO 8601)."""

    by: str = Field(min_length=1, max_length=60)
    text: str = Field(min_length=1, max_length=2_000)
    on: str = Field("", pattern=_DAY)


class ScreenNote(BaseModel):
    """A note at a moment of the film. It stands so many frames behind the beginning of the word with the number `word`,
    or, in a shot without words, of its shot; so it goes with its words when the film is cut again. `frames` is how long
    the stretch is that it is about (0: a moment). `outline` is what it is about on the picture, in shares of its width
    and height: one point is a spot, more are drawn around something; empty: the whole picture."""

    id: int = 0
    shot: int
    word: int | None = None
    later: int = Field(0, ge=-100_000, le=100_000)
    frames: int = Field(0, ge=0, le=1_000_000)
    outline: list[tuple[Share, Share]] = Field([], max_length=MOST_POINTS)
    text: str = Field(min_length=1, max_length=2_000)
    by: str = Field(min_length=1, max_length=60)
    on: str = Field("", pattern=_DAY)
    answers: list[NoteAnswer] = Field([], max_length=200)
    done: bool = False


class Agreed(BaseModel):
    """That somebody agrees with a scene, known by the number of its first word, as it was under `key`."""

    scene: int
    key: str = Field(pattern=r"^[0-9a-f]{40}$")
    by: str = Field(min_length=1, max_length=60)
    on: str = Field("", pattern=_DAY)
