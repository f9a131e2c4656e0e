"""What continuity states: people and their traits, places, and what a maker sets for a shot by hand."""

from typing import Literal

from pydantic import BaseModel, Field

Framing = Literal["extreme wide", "wide", "medium", "close", "extreme close"]
FRAMINGS: tuple[Framing, ...] = ("extreme wide", "wide", "medium", "close", "extreme close")
Angle = Literal["level", "low", "high", "from above", "over the shoulder"]
TimeOfDay = Literal["dawn", "day", "dusk", "night"]
Weather = Literal["clear", "rain", "snow", "fog", "wind"]
Mood = Literal["calm", "uneasy", "warm", "playful", "grand", "sad"]
MOODS: tuple[Mood, ...] = ("calm", "uneasy", "warm", "playful", "grand", "sad")


class Trait(BaseModel):
    """One stated fact of appearance that must hold, with a short wording for prompts that are tight."""

    about: str = Field(max_length=40)
    text: str = Field(max_length=120)
    short: str = Field("", max_length=120)


class Outfit(BaseModel):
    """What somebody wears in some scenes, which are known by the numbers of their first words."""

    name: str = Field(min_length=1, max_length=60)
    traits: list[Trait] = []
    scenes: list[int] = []


class Person(BaseModel):
    """Somebody of the cast: a person, an animal, or a thing that matters."""

    id: int
    name: str = Field(min_length=1, max_length=80)
    aliases: list[str] = []
    kind: str = Field("person", max_length=40)
    pronoun: Literal["she", "he"] | None = None
    traits: list[Trait] = []
    outfits: list[Outfit] = []
    voice: str | None = None
    guess: bool = True
    why: str = ""

    @property
    def is_animal(self) -> bool:
        return self.kind == "animal"


class Place(BaseModel):
    """Where it happens. `words` are what the text calls it."""

    id: int
    name: str = Field(min_length=1, max_length=80)
    words: list[str] = []
    description: str = Field("", max_length=160)
    guess: bool = True
    why: str = ""


class Overrides(BaseModel):
    """What the maker set by hand for a shot or a scene; None means: as proposed from the text.

    `action` is what happens; `motion`, `sound` and `direction` are prompts of the maker's own.
    """

    framing: Framing | None = None
    angle: Angle | None = None
    action: str | None = Field(None, max_length=600)
    place: str | None = Field(None, max_length=120)
    time: TimeOfDay | None = None
    weather: Weather | None = None
    mood: Mood | None = None
    people: list[int] | None = None
    prompt: str | None = Field(None, max_length=2000)
    move: Literal["push", "pull", "pan left", "pan right", "tilt up", "tilt down", "still"] | None = None
    motion: str | None = Field(None, max_length=2000)
    sound: str | None = Field(None, max_length=200)
    direction: str | None = Field(None, max_length=600)
