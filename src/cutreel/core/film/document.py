"""The document of a film: everything that the maker decided, and nothing that can be computed."""

from typing import Literal

from pydantic import BaseModel, Field

from cutreel.core.breakdown import Wish, break_down
from cutreel.core.continuity import Overrides, Person, Place, propose_cast, propose_places
from cutreel.core.errors import BadInput
from cutreel.core.manuscript import WordRun, fresh_ids, ids_of, read

from .edges import label_between

MOST_CHARACTERS = 1_000_000


class Settings(BaseModel):
    """Choices that hold for the whole film."""

    aspect: Literal["16:9", "9:16", "1:1"] = "16:9"
    fps: Literal["24", "25", "30", "30000/1001", "60"] = "24"
    look: str = "cut-paper"
    seed: int = Field(4127, ge=0, le=999_999)
    narrator: str = "alder"
    music: Literal["auto", "none", "calm", "uneasy", "warm", "playful", "grand", "sad"] = "auto"
    captions: Literal["burn", "file", "off"] = "burn"
    dissolve: float = Field(0.5, ge=0, le=4)
    takes: int = Field(1, ge=1, le=4)
    pace: float = Field(6.0, ge=1, le=300)
    offer: str = "illustrator-quick"


class Shot(BaseModel):
    """A shot opens at the word with the number `first` and lasts until the next shot opens."""

    id: int
    edge: str
    first: int
    by_hand: bool = False
    circled: str | None = None
    own: Overrides = Overrides()


class FilmDocument(BaseModel):
    """A film as its maker left it. Words are numbered by `word_runs`; shots and cues hold to those numbers."""

    title: str = Field(min_length=1, max_length=200)
    text: str
    word_runs: list[WordRun] = []
    next_word: int = 1
    shots: list[Shot] = []
    next_shot: int = 1
    cast: list[Person] = []
    places: list[Place] = []
    settings: Settings = Settings()
    lifted_cues: list[str] = []

    @property
    def word_ids(self) -> list[int]:
        return ids_of(self.word_runs)


def new_film(title: str, text: str, settings: Settings, wish: Wish | None = None) -> tuple[FilmDocument, list[str]]:
    """A new film from a story, cut by `wish`, with cast and places proposed. Returns it and its edge numbers.

    Raises BadInput for a text without words or beyond a million characters.
    """
    text = clean_text(text)
    script = read(text)
    if not script.words:
        raise BadInput("The story is empty.", "Give it at least one sentence to tell.")
    runs = fresh_ids(len(script.words), 1)
    opens = break_down(script, wish or Wish(seconds=settings.pace))
    edges = [str(i) for i in range(1, len(opens) + 1)]
    shots = [Shot(id=i + 1, edge=edges[i], first=opens[i] + 1) for i in range(len(opens))]
    document = FilmDocument(
        title=title,
        text=text,
        word_runs=runs,
        next_word=len(script.words) + 1,
        shots=shots,
        next_shot=len(shots) + 1,
        cast=propose_cast(script),
        places=propose_places(script),
        settings=settings,
    )
    return document, edges


def clean_text(text: str) -> str:
    """Text as the manuscript keeps it: one kind of line end, no control characters, no byte order mark."""
    if len(text) > MOST_CHARACTERS:
        raise BadInput("The story is too long.", f"At most {MOST_CHARACTERS:,} characters fit into one film.")
    text = text.removeprefix("\ufeff").replace("\r\n", "\n").replace("\r", "\n").replace("\u00a0", " ")
    return "".join(c for c in text if c in "\n\t" or c.isprintable()).strip("\n") + "\n"


def rebuilt_shots(
    document: FilmDocument, firsts: list[int], used: list[str], by_hand: frozenset[int] = frozenset()
) -> None:
    """Let the film have shots that open at the word numbers `firsts`, in order. Shots that stay keep everything;
    new ones get an edge number after the shot before them, added to `used`."""
    old = {shot.first: shot for shot in document.shots}
    shots: list[Shot] = []
    for first in firsts:
        shot = old.get(first)
        if shot is None:
            edge = label_between(shots[-1].edge if shots else None, used)
            used.append(edge)
            shot = Shot(id=document.next_shot, edge=edge, first=first, by_hand=first in by_hand)
            document.next_shot += 1
        shots.append(shot)
    document.shots = shots
