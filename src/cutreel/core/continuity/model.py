"""What continuity states: people and their traits, places, and what a maker sets for a shot by
hand."""

from typing import Literal, get_args

from pydantic import BaseModel, Field, field_validator

from cutreel.core.effects import MOST_EFFECTS, Effect, Grade
from cutreel.core.ideas import IdeaSort
from cutreel.core.insets import MOST_INSETS, Inset
from cutreel.core.marks import MOST_MARKS, Mark
from cutreel.core.motion import ACTIONS, AirKind, Amount, FitHow, OwnPath, RegionMove
from cutreel.core.plates import Plate
from cutreel.core.timeline import JoinHow, Room

from .makers import MadeBy

Framing = Literal["extreme wide", "wide", "medium", "close", "extreme close"]
FRAMINGS: tuple[Framing, ...] = ("extreme wide", "wide", "medium", "close", "extreme close")
Angle = Literal["level", "low", "high", "from above", "over the shoulder"]
TimeOfDay = Literal["dawn", "day", "dusk", "night"]
Weather = Literal["clear", "rain", "snow", "lying snow", "fog", "wind"]
Season = Literal["", "spring", "summer", "autumn", "winter"]
Mood = Literal[
    "calm", "uneasy", "warm", "playful", "grand", "sad", "tense", "eerie", "hopeful", "wondering"
]
MOODS: tuple[Mood, ...] = get_args(Mood)


class Trait(BaseModel):
    """One stated fact of appearance, with a short wording for prompts that are tight.

    It must hold, and no prompt leaves it out, unless its `weight` says that it may go where room is
    short. `colour` is what the maker calls its colour, #rrggbb; without one its words say it.
    `said` are the words of the text that it was read from; empty where it is a guess, or the maker's.
    """

    about: str = Field(max_length=40)
    text: str = Field(max_length=120)
    short: str = Field("", max_length=120)
    weight: Literal["must", "if room"] = "must"
    colour: str | None = Field(None, pattern=r"^#[0-9a-f]{6}$")
    said: str = Field("", max_length=200)


class Outfit(BaseModel):
    """What somebody wears in some scenes, which are known by the numbers of their first words, in some shots, by their
    numbers, and from the word with the number `since` on."""

    name: str = Field(min_length=1, max_length=60)
    traits: list[Trait] = []
    scenes: list[int] = []
    shots: list[int] = []
    since: int | None = None


class Reference(BaseModel):
    """A picture that shows how somebody, or a place, looks. `strength` (0 … 100) is how closely
    services are to follow it: about half keeps the look, all of it spoils the picture (common
    practice).

    `colours` are what was measured in it, L*a*b* by the wording of the trait that each belongs to,
    and `look` is the look that it was made in: both hold only while the film says the same.
    """

    media: str = Field(pattern=r"^[0-9a-f]{64}\.png$")
    thumb: str = Field(pattern=r"^[0-9a-f]{64}\.jpg$")
    title: str = Field("", max_length=80)
    look: str = Field("", max_length=60)
    strength: int = Field(50, ge=0, le=100)
    colours: dict[str, tuple[float, float, float]] = {}


class Person(BaseModel):
    """Somebody of the cast: a person, an animal, or a thing that matters.

    `seed` is that of pictures where nobody else of the cast is. `prompt` is by hand, said in place
    of name and traits. `manner` is how they say every line, `room` where all of them are heard (None:
    as told). `company` is the entry of the company
    that they were taken from. `made_by` says who makes the pictures and clips of shots that they are in.
    """

    id: int
    name: str = Field(min_length=1, max_length=80)
    aliases: list[str] = []
    kind: str = Field("person", max_length=40)
    pronoun: Literal["she", "he"] | None = None
    traits: list[Trait] = []
    outfits: list[Outfit] = []
    voice: str | None = None
    manner: str = Field("", max_length=120)
    room: Room | None = None
    seed: int | None = Field(None, ge=0, le=999_999)
    prompt: str | None = Field(None, max_length=400)
    references: list[Reference] = []
    company: str | None = Field(None, max_length=40)
    made_by: MadeBy = {}
    guess: bool = True
    why: str = ""

    @property
    def is_animal(self) -> bool:
        return self.kind == "animal"


class Place(BaseModel):
    """Where it happens. `words` are what the text calls it; `light` is what the light is like there
    by time of day; `weather` is what it has there while nothing else is said."""

    id: int
    name: str = Field(min_length=1, max_length=80)
    words: list[str] = []
    description: str = Field("", max_length=160)
    light: dict[TimeOfDay, str] = {}
    weather: Weather | None = None
    references: list[Reference] = []
    company: str | None = Field(None, max_length=40)
    guess: bool = True
    why: str = ""


class OwnAct(BaseModel):
    """Something that the maker lets a figure of a shot do: the figure as its picture calls it, an action of
    `core.motion`, and the number of the word that it goes with (None: from the beginning)."""

    figure: str = Field(max_length=80)
    action: str = Field(max_length=40)
    word: int | None = None

    @field_validator("action")
    @classmethod
    def _known(cls, action: str) -> str:
        if action not in ACTIONS:
            raise ValueError(f"there is no action “{action}”")
        return action


class OwnAir(BaseModel):
    """Something that the maker puts into the air of a shot."""

    kind: AirKind
    amount: Amount = "middle"


class OwnRegion(BaseModel):
    """A part of a shot's picture that the maker lets move by itself: its number in the shot, what it is called, where
    it is (`mask`, a media file as large as the picture, white there), the number of the take that it was marked on
    (None: on any), how it moves, and who of the cast it is (`who`), where it speaks."""

    id: int = Field(ge=1)
    name: str = Field("", max_length=60)
    mask: str = Field(pattern=r"^[0-9a-f]{64}\.png$")
    take: int | None = None
    move: RegionMove = RegionMove()
    who: int | None = None


class Overrides(BaseModel):
    """What the maker set by hand for a shot or a scene; None means: as proposed from the text.

    `remembered` says whether it is a remembered scene; `idea` is the sort of picture idea that is to be taken;
    `horizon` is the height (a share of the picture, from its top) below which a flat picture has ground that comes
    nearer; `music` says whether a bar begins with the shot (hit), music is silent under it (rest), or neither (None: a
    bar begins where a scene does);
    `join` is how the shot is come to from the one before it; `grade` and `effects` are what is done to its picture;
    `plate` is what it shows instead of one, `insets` are laid over it and `marks` drawn;
    `fit` is how its clip fills it, `slide` by how many seconds that has begun before it (below 0: begins later);
    `made_by` says by which offer each kind is made; `action` is what happens; `prompt`, `motion`, `sound` and
    `direction` are prompts of the maker's own. A scene's `prompt` stands in place of its place, time and weather in
    every picture prompt of the scene.
    """

    idea: IdeaSort | None = None
    framing: Framing | None = None
    angle: Angle | None = None
    action: str | None = Field(None, max_length=600)
    place: str | None = Field(None, max_length=120)
    time: TimeOfDay | None = None
    weather: Weather | None = None
    season: Season | None = None
    remembered: bool | None = None
    mood: Mood | None = None
    people: list[int] | None = None
    prompt: str | None = Field(None, max_length=2000)
    seed: int | None = Field(None, ge=0, le=999_999)
    move: (
        Literal["push", "pull", "pan left", "pan right", "tilt up", "tilt down", "still"] | None
    ) = None
    acts: list[OwnAct] | None = Field(None, max_length=12)
    air: list[OwnAir] | None = Field(None, max_length=4)
    path: OwnPath | None = None
    regions: list[OwnRegion] | None = Field(None, max_length=8)
    horizon: float | None = Field(None, ge=0.05, le=0.95)
    fit: FitHow | None = None
    slide: float | None = Field(None, ge=-60, le=60)
    heard: bool | None = None
    motion: str | None = Field(None, max_length=2000)
    sound: str | None = Field(None, max_length=200)
    music: Literal["flows", "hit", "rest"] | None = None
    join: JoinHow | None = None
    grade: Grade | None = None
    effects: list[Effect] | None = Field(None, max_length=MOST_EFFECTS)
    plate: Plate | None = None
    insets: list[Inset] | None = Field(None, max_length=MOST_INSETS)
    marks: list[Mark] | None = Field(None, max_length=MOST_MARKS)
    direction: str | None = Field(None, max_length=600)
    made_by: MadeBy | None = None
