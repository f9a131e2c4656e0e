"""Jobs: what is asked for, how it goes, what comes back or why nothing does."""

from datetime import datetime
from decimal import Decimal
from typing import Annotated, Any, Literal

from pydantic import BaseModel, Field

from .offers import Voice
from .skeleton import FigurePose


class PictureReference(BaseModel):
    """A picture to follow, known to the service by the SHA-256 of its bytes: a result of its own,
    or one put to `/references/{sha256}` before. `strength` is 0 … 1; `name` is of whom it is, as
    the prompt calls them."""

    sha256: str = Field(pattern=r"^[0-9a-f]{64}$")
    strength: float = Field(0.5, ge=0, le=1)
    name: str = Field("", max_length=80)


class Retouch(BaseModel):
    """What of a picture is to change: the picture and a mask (white changes), both known to the
    service by SHA-256 as references are. The prompt says what is to be inside; without any, what is
    there goes."""

    base: str = Field(pattern=r"^[0-9a-f]{64}$")
    mask: str = Field(pattern=r"^[0-9a-f]{64}$")


class Vary(BaseModel):
    """A little other than the picture of the same seed: `strength` is 0 … 1, and `seed` says in
    which way."""

    seed: int
    strength: float = Field(0.25, ge=0, le=1)


class Guide(BaseModel):
    """A rough sketch whose masses the picture is to follow, known by SHA-256 as references are:
    what is dark stands before what is light. `strength` is 0 … 1."""

    sha256: str = Field(pattern=r"^[0-9a-f]{64}$")
    strength: float = Field(0.8, ge=0, le=1)


class PictureInput(BaseModel):
    """A picture: `count` candidates with the seeds `seed`, `seed + 1`, … `lighter` are phrases of
    the prompt that weigh less than the rest: they may give way where all cannot be had. `poses` say
    where figures' joints are to be. `jointed` asks for figures in pieces besides, so that they can move: of a layer the
    results then have what it is made of, from back to front, as PNGs named `picture-N-strip-K`, whose data say of which
    `layer`; a figure's sheet has its `figure` (a JointedFigure) there, what moves by itself says how (`moves`, a Flow).
    The picture's own data may name `flames`, whose light trembles: x, y and reach, in shares of its width, height and
    height."""

    kind: Literal["picture"] = "picture"
    prompt: str
    negative: str = ""
    lighter: list[str] = Field([], max_length=24)
    seed: int = 0
    count: int = Field(1, ge=1, le=4)
    width: int = Field(1280, ge=64, le=4096)
    height: int = Field(720, ge=64, le=4096)
    references: list[PictureReference] = Field([], max_length=4)
    retouch: Retouch | None = None
    vary: Vary | None = None
    guide: Guide | None = None
    poses: list[FigurePose] = Field([], max_length=4)
    jointed: bool = False


class EnlargeInput(BaseModel):
    """Pictures made larger by `factor`, each by itself; known to the service by SHA-256 as
    references are."""

    kind: Literal["enlarge"] = "enlarge"
    pictures: list[str] = Field(min_length=1, max_length=8)
    factor: Literal[2, 4] = 2


class ClipInput(BaseModel):
    """A clip: a picture, known to the service by SHA-256 as references are, set in motion for some seconds, until it is
    the `last` picture where one is given; `negative` names what is not wanted. `strength` is how much moves (0 … 1);
    with `sound` it is to have what is heard of it too. The result is one MP4 file."""

    kind: Literal["clip"] = "clip"
    picture: str = Field(pattern=r"^[0-9a-f]{64}$")
    last: str | None = Field(None, pattern=r"^[0-9a-f]{64}$")
    prompt: str
    negative: str = ""
    seconds: float = Field(gt=0, le=60)
    strength: float = Field(0.5, ge=0, le=1)
    sound: bool = False
    seed: int = 0
    width: int = Field(1280, ge=64, le=4096, multiple_of=2)
    height: int = Field(720, ge=64, le=4096, multiple_of=2)


class SpeechInput(BaseModel):
    """Words to be spoken, as a `direction` says; or, where the offer understands it, an SSML 1.1 document of them
    (`ssml`), of which only what is spoken counts. The result's data holds `words` (SpokenWord) and `phones`; words of
    the direction that could not be used are among the unused words. Another `seed` says the same a little otherwise."""

    kind: Literal["speech"] = "speech"
    text: str
    voice: str = Field(max_length=80)
    rate: float = Field(1.0, ge=0.5, le=2.0)
    direction: str = Field("", max_length=300)
    seed: int = 0
    ssml: bool = False


class VoiceInput(BaseModel):
    """Voices to be made by description, `count` that are each as described. The result is one JSON file, a
    VoicesMade; who made them can be asked to speak with them from then on."""

    kind: Literal["voice"] = "voice"
    description: str = Field(min_length=1, max_length=300)
    count: int = Field(3, ge=1, le=4)
    seed: int = 0
    language: str = Field("en", max_length=12)


class VoicesMade(BaseModel):
    """What a maker of voices answers."""

    voices: list[Voice] = Field(min_length=1, max_length=4)


class SoundInput(BaseModel):
    """A sound effect or an ambience."""

    kind: Literal["sound"] = "sound"
    prompt: str
    seconds: float = Field(gt=0, le=60)
    seed: int = 0


class MusicInput(BaseModel):
    """Music of a mood that ends at `seconds`.

    What follows is sent to offers that say they follow it. `course`: how tense it is (0 … 1) at so many seconds, in a
    line from each to the next. `hits`: seconds at which a bar is to begin. `rests`: stretches in seconds in which
    nothing is struck. `theme`: a number that stands for a tune, the same in all moods. `instruments`: one of the
    offer's families, which is to lead.

    The result is the music, and where it was written down, a Standard MIDI File. Beside the music may be told: the
    seconds at which its `bars` and `beats` begin, and which of the `hits` are met.
    """

    kind: Literal["music"] = "music"
    mood: str
    seconds: float = Field(gt=0, le=3600)
    seed: int = 0
    course: list[tuple[float, float]] = Field([], max_length=400)
    hits: list[float] = Field([], max_length=400)
    rests: list[tuple[float, float]] = Field([], max_length=400)
    theme: int | None = None
    instruments: str = Field("", max_length=60)


ScriptTask = Literal["titles", "storylines", "manuscript", "rework", "wish"]


class ShotTold(BaseModel):
    """A shot of a film, as a writer needs to know it: its number, what it is called, what is said in it, how it shows
    that."""

    number: int
    edge: str
    words: str
    seconds: float
    framing: str
    move: str
    place: str
    time: str
    mood: str
    people: list[str] = []


class FilmTold(BaseModel):
    """A film that something is wished of: its `settings`, its shots, and as JSON Schema the `commands` that change
    it."""

    title: str
    settings: dict[str, Any]
    shots: list[ShotTold] = Field(max_length=20_000)
    commands: dict[str, Any]


class WishedChange(BaseModel):
    """A change that a wish comes to: a command, what it does in a sentence, and why."""

    command: dict[str, Any]
    says: str = Field(min_length=1, max_length=300)
    why: str = Field("", max_length=300)


class WishUnderstood(BaseModel):
    """What a wish comes to, and what of it was not understood."""

    changes: list[WishedChange] = Field([], max_length=60)
    unclear: list[str] = Field([], max_length=60)


class ScriptInput(BaseModel):
    """Writing. `idea` and what follows say what is wanted; a rework brings its `text` and `how`; a wish for a
    whole film its words as `instruction`, and the `film`.

    The result is one JSON file: `titles` (a list), `storylines` (title, text, and a `plot` to name
    in the manuscript), `manuscript` (title, scenes as WrittenScene, sources) or `rework` (text, and
    what was touched), or of a wish a WishUnderstood. `how` is tighten, lengthen, simpler, vivid, tense, opening,
    tone, or instruction; the last two read `instruction`.
    """

    kind: Literal["script"] = "script"
    task: ScriptTask
    idea: str = Field("", max_length=4000)
    points: list[str] = Field([], max_length=40)
    story: str = Field("story", max_length=40)
    tone: Literal["warm", "tense", "funny", "calm", "dark", "plain"] = "plain"
    view: Literal["third", "first"] = "third"
    level: Literal["easy", "plain", "rich"] = "plain"
    language: str = Field("en", max_length=12)
    minutes: float = Field(3.0, ge=0.25, le=120)
    structure: Literal["hook", "chapters", "comic", "sleep"] = "hook"
    title: str = Field("", max_length=200)
    plot: str = Field("", max_length=60)
    text: str = Field("", max_length=200_000)
    how: Literal[
        "tighten", "lengthen", "simpler", "vivid", "tense", "opening", "tone", "instruction"
    ] = "tighten"
    instruction: str = Field("", max_length=1000)
    film: FilmTold | None = None
    seed: int = 0


class WrittenScene(BaseModel):
    """A scene of a written manuscript. `description` and `action` are for the eye, `paragraphs` are
    to be spoken."""

    heading: str
    description: str
    action: str
    mood: str
    paragraphs: list[str]


class ReadPerson(BaseModel):
    """Somebody of a story's cast, as a reader needs to know them; `calls` are what else the text calls them."""

    id: int
    name: str = Field(max_length=80)
    calls: list[str] = Field([], max_length=40)
    kind: Literal["person", "animal", "thing"] = "person"
    pronoun: Literal["she", "he"] | None = None


class ReadingInput(BaseModel):
    """Reading: whom the words of a story mean. `paragraphs` are the words of each, with what clings to them.

    The result is one JSON file, a StoryReading.
    """

    kind: Literal["reading"] = "reading"
    language: str = Field("en", max_length=12)
    cast: list[ReadPerson] = Field(max_length=40)
    paragraphs: list[list[str]]


class WordsMeant(BaseModel):
    """Words `first` up to `end` of the paragraph with the index `paragraph` mean `people` of the cast, by their ids
    (none: nobody of it); `why` in a few words."""

    paragraph: int
    first: int
    end: int
    people: list[int] = Field(max_length=12)
    why: str = Field("", max_length=200)


class StoryReading(BaseModel):
    """What a reader answers. What it says nothing of is left as it is."""

    meant: list[WordsMeant] = Field(max_length=100_000)


class TranslationInput(BaseModel):
    """Passages of a story in another language (BCP 47), one after another; `names` are what is called so, and may stay
    as it is. The result is one JSON file, a TranslationMade.
    """

    kind: Literal["translation"] = "translation"
    source: str = Field("en", max_length=12)
    target: str = Field(max_length=12)
    passages: list[str] = Field(min_length=1, max_length=400)
    names: list[str] = Field([], max_length=80)


class TranslationMade(BaseModel):
    """What a translator answers: each of the passages, in their order."""

    passages: list[str] = Field(max_length=400)


_Input = (
    PictureInput
    | EnlargeInput
    | ClipInput
    | SpeechInput
    | VoiceInput
    | SoundInput
    | MusicInput
    | ScriptInput
    | ReadingInput
    | TranslationInput
)
JobInput = Annotated[_Input, Field(discriminator="kind")]


class JobRequest(BaseModel):
    """Posted with an Idempotency-Key header: the same key never makes, nor costs, twice."""

    offer: str
    input: JobInput


JobState = Literal["queued", "running", "done", "refused", "cancelled"]
RefusalCode = Literal["over-cap", "out-of-quota", "refused-content", "bad-request", "try-again"]


class Refusal(BaseModel):
    """Why nothing comes back. Only `try-again` may be sent again as it is; a quota says when it
    renews."""

    code: RefusalCode
    message: str
    renews_at: datetime | None = None


class Result(BaseModel):
    """One file that came of a job, fetched by its SHA-256; `data` says what is known of it."""

    name: str
    media_type: str
    sha256: str
    size: int
    data: dict[str, Any] = {}


class SpokenWord(BaseModel):
    """A word as the voice spoke it, in seconds from the start of the sound."""

    text: str
    start: float
    end: float


class JobView(BaseModel):
    """How a job goes."""

    id: str
    state: JobState
    progress: float = 0.0
    cost: Decimal = Field(Decimal(0), ge=0)
    results: list[Result] = []
    unused_words: list[str] = []
    refusal: Refusal | None = None
