"""What the front end is told of a film."""

from datetime import datetime
from typing import Annotated, Any, Generic, Optional, TypeVar

from pydantic import (
    BaseModel,
    Field,
    SerializerFunctionWrapHandler,
    WrapSerializer,
    create_model,
    model_serializer,
)

from cutreel.core.breakdown import By
from cutreel.core.continuity import Look, MadeBy, Overrides, OwnVoice, Person, Place, Season
from cutreel.core.effects import Effect, Grade
from cutreel.core.film import (
    CueChoice,
    CutOut,
    GivenShot,
    GivenSource,
    OwnFace,
    OwnSound,
    OwnTable,
    Settings,
    Source,
)
from cutreel.core.ideas import IdeaSort
from cutreel.core.insets import LaidPicture
from cutreel.core.joins import Turn
from cutreel.core.manuscript import Saying
from cutreel.core.plates import Plate
from cutreel.core.publishing import Thumbnail, ThumbnailPicture
from cutreel.core.speech import WordMark
from cutreel.core.timeline import CardSort, JoinHow
from cutreel.core.titles import CardHow, TitleLook


class Piece(BaseModel):
    """A piece of a prompt and where it came from."""

    origin: str
    words: str


class FaultView(BaseModel):
    kind: str
    text: str


class ClipFile(BaseModel):
    """The file of a clip, and how long it is."""

    media: str
    seconds: float


class TakeView(BaseModel):
    id: str
    number: int
    seed: int
    prompt: str
    media: str
    thumb: str
    stale: bool
    brought: bool
    offer: str
    unused: list[str]
    negative: str
    cost: float
    width: int | None
    height: int | None
    rejected: str | None
    came: str | None
    faults: list[FaultView]
    clip: ClipFile | None


class RemarkView(BaseModel):
    """A remark on a shot; `remedy` says what one key does about it, at the word numbered `word` for
    a cut."""

    kind: str
    text: str
    remedy: str
    word: int | None


class FindingView(BaseModel):
    """One departure seen in a picture: `apart` is a CIEDE2000 difference, `wanted` and `shown` are
    #rrggbb, `by` says where the wanted colour is from. `marked`: far enough off to be shown."""

    kind: str
    trait: str
    apart: float | None
    text: str
    marked: bool
    accepted: bool
    wanted: str | None
    shown: str | None
    by: str


class FigureView(BaseModel):
    """Where somebody is in the picture in use: left, top, right, bottom as shares of the frame."""

    person: int
    box: tuple[float, float, float, float]


class DriftView(BaseModel):
    """How far somebody (None: the whole picture) departs in the take in use: traits that its prompt
    does not say, what was seen, the worst colour difference that is not accepted, how many
    departures are open, and what there is to accept."""

    person: int | None
    missing: list[str]
    found: list[FindingView]
    worst: float | None
    open: int
    about: list[str]


class IdeaView(BaseModel):
    """A picture idea for a shot, and why."""

    sort: IdeaSort
    framing: str
    people: list[int]
    action: str
    why: str


class JoinView(BaseModel):
    """How a shot is come to from the one before it: as `planned` or as the maker set it (`own` of the shot says that);
    `why`, and what `turn`s there."""

    how: JoinHow
    why: str
    turn: Turn


class CardView(BaseModel):
    """Words that stand on the screen in a shot besides captions: which sort, their lines, and why; from and up to which
    second after the shot begins; how far across and down their middle is, about. Those that the maker added have a
    `number`, and may begin at a `word`."""

    sort: CardSort
    lines: list[str]
    why: str
    start: float
    end: float
    at: tuple[float, float]
    how: CardHow
    number: int
    word: int | None
    seconds: float | None


class AsideView(BaseModel):
    """A scene that is set aside: its title, how it begins, and how many words and shots it has."""

    id: int
    title: str
    begins: str
    words: int
    shots: int


class FinishView(BaseModel):
    """How a shot is graded (by the film or the maker, and behind that for its mood), what is done to its picture, and
    what of that is planned: each as what and why. None: as it was painted."""

    grade: Grade | None
    mood: Grade | None
    effects: list[Effect]
    whys: list[tuple[str, str]]


class PlateView(BaseModel):
    """A plate that a shot shows instead of a picture, and what of it is not in the shot's words."""

    plate: Plate
    doubts: list[str]


def _set(own: Overrides, whole: SerializerFunctionWrapHandler):  # type: ignore[no-untyped-def]
    return {name: value for name, value in whole(own).items() if value is not None}


Own = Annotated[Overrides, WrapSerializer(_set)]
"""What the maker set; what is left as it was proposed is not told: of forty things few are set, in a thousand shots."""


class ShotView(BaseModel):
    """A shot as the sheet shows it. It has so many `words`: where they begin is where those of the
    shot before it end, so that a change tells only the shots it changed. How many frames it has is
    told apart, since a change of time may move the edge of every shot by one."""

    id: int
    edge: str
    words: int
    scene: int
    hold: float
    picture_of: int
    text: str
    said: str
    """What is said of it in another language; empty where the text is."""
    measured: bool
    by_hand: bool
    framing: str
    angle: str
    place: str
    time: str
    weather: str
    season: Season
    year: str
    remembered: bool
    mood: str
    people: list[int]
    action: str
    idea: IdeaSort | None
    ideas: list[IdeaView]
    why: dict[str, str]
    own: Own
    made_by: MadeBy
    """Who makes each kind for it, by what was chosen for it, for who is in it, its scene or the film."""
    move: str
    join: JoinView | None
    """None of a film's first shot."""
    cards: list[CardView]
    finish: FinishView
    plate: PlateView | None
    acts: list[str] = []
    """What the figures of its picture do, each as who and what, in the order of the words."""
    prompt: str
    pieces: list[Piece]
    left_out: list[str]
    fits: bool
    negative: str
    takes: list[TakeView]
    used: str | None
    own_circled: str | None
    stale: bool
    drift: list[DriftView]
    figures: list[FigureView]
    references: int
    wanted: float
    remarks: list[RemarkView]


class LineView(BaseModel):
    """A line: so many `words` behind those of the line before, who speaks it and how that is known,
    and its sound when it was spoken. It begins `after` seconds behind the beginning of the line
    before it (the first: of the film). `said`: what is said in another language; empty where the text is."""

    words: int
    speaker: str | None
    voice: str
    why: str
    media: str | None
    after: float
    seconds: float | None
    peaks: list[int]
    said: str


class SceneView(BaseModel):
    """A scene: words `first` up to `end` (indices), and `word`, the number of its first word.
    `own`, `pace` and `aim` (seconds) are what the maker set for it; `seconds` how long it lasts."""

    title: str
    first: int
    end: int
    word: int
    time: str | None
    weather: str | None
    own: Own
    pace: float | None
    aim: float | None
    seconds: float


class CueView(BaseModel):
    """A cue of a `shot`. It begins `after` seconds behind the cue before it that has an `after` (the
    first: behind the film's beginning), or, with none, where its shot does. It lasts so many
    `seconds`, or to the end of the shot `last`. `media` is its sound, once that is made; `choice` how
    the maker wants it. `word` is the number of the
    word that it stands on, if it stands on one. Where several makings are wanted, `makings` are their sounds by
    number. Music has a `theme` (whose tune returns in it) and, where its composer wrote it down, `notes` (a MIDI
    file)."""

    id: str
    kind: str
    prompt: str
    shot: int
    last: int
    after: float | None
    seconds: float | None
    why: str
    made: bool
    media: str | None
    choice: CueChoice | None
    word: int | None
    makings: dict[int, str | None]
    theme: str
    notes: str | None


class CaptionView(BaseModel):
    """A caption, `after` seconds behind the end of the one before, for so many `seconds`."""

    after: float
    seconds: float
    lines: list[str]


class MissingCost(BaseModel):
    """Pictures that are missing or stale, and what they cost at the film's offer now."""

    pictures: int
    cost: float


class FilmHead(BaseModel):
    """What holds for a film as a whole."""

    id: str
    revision: int
    title: str
    notes: list[tuple[int, int]]
    headings: list[tuple[int, int]]
    scenes: list[SceneView]
    cast: list[Person]
    places: list[Place]
    settings: Settings
    looks: list[Look]
    cutouts: list[CutOut]
    voices: list[OwnVoice]
    lexicon: list[Saying]
    word_marks: list[WordMark]
    lifted: list[str]
    lifted_sounds: list[str]
    own_sounds: list[OwnSound]
    tables: list[OwnTable]
    faces: list[OwnFace]
    own_pictures: list[LaidPicture]
    words_look: TitleLook
    thumbnails: list[Thumbnail]
    thumbnail_pictures: list[ThumbnailPicture]
    aside: list[AsideView]
    fps: str
    frames: int
    seconds: float
    undo: str | None
    redo: str | None
    changed: datetime
    preview: str
    reading_ease: float
    words_a_minute: float
    sources: list[Source]
    closeness: dict[str, float]
    missing: MissingCost
    open_notes: list[tuple[int, int]]
    """Notes that are not done, in the order of time: the number of the shot each stands in, and its frame."""
    prompt_cap: int
    language: str
    """What is spoken (BCP 47)."""
    narrator: str
    """The voice of all that nobody says."""


class _Sparse(BaseModel):
    """The parts of a head that changed; what is not told is as it was."""

    @model_serializer(mode="wrap")
    def _only_told(self, whole: SerializerFunctionWrapHandler):  # type: ignore[no-untyped-def]
        return {n: v for n, v in whole(self).items() if n in self.model_fields_set}


# A change of the head may leave out any part of it.
_PARTS: dict[str, Any] = {
    name: (Optional[field.annotation], None)  # noqa: UP045 (made at run time)
    for name, field in FilmHead.model_fields.items()
}
HeadChange = create_model("HeadChange", __base__=_Sparse, **_PARTS)

Word = tuple[int, int, int, int]
"""A word: characters between the word before and it, its characters, its number, and 1 where it opens another line."""
ShotRow = tuple[int, str, int, int, int, int]
"""A shot in short: number, edge number, words, frames, index of its scene, and as bits: has a picture (1), which is
stale (2), all of its words are spoken (4)."""


class OpenedFilm(BaseModel):
    """A film as it is opened: its head, and every shot in short. `state` names what was seen, for
    windows of the rest and for what changed since."""

    state: str
    head: FilmHead
    shots: list[ShotRow]


class ManuscriptWindow(BaseModel):
    """The manuscript of a state: its text, its words, its lines, captions and cues."""

    text: str
    words: list[Word]
    lines: list[LineView]
    captions: list[CaptionView]
    cues: list[CueView]


class ShotWindow(BaseModel):
    """Some shots of a state, whole."""

    shots: list[ShotView]


class TextSplice(BaseModel):
    """From character `at`, `remove` characters give way to `insert`."""

    at: int
    remove: int
    insert: str


T = TypeVar("T")


class Splice(BaseModel, Generic[T]):
    """From entry `at`, `remove` entries give way to `insert`."""

    at: int
    remove: int
    insert: list[T]


class FilmDelta(BaseModel):
    """What became of a film between two states: parts of the head that are others now, pieces of
    its sequences (of the sounds several, each counted in the older state), and the shots that
    changed. Where `reopen` is true the older state is not known any more: the film is to be opened
    again."""

    since: str
    state: str
    reopen: bool = False
    head: HeadChange = HeadChange()
    order: Splice[int] | None = None
    frames: Splice[int] | None = None
    shots: list[ShotView] = []
    text: TextSplice | None = None
    words: Splice[Word] | None = None
    lines: Splice[LineView] | None = None
    captions: Splice[CaptionView] | None = None
    cues: list[Splice[CueView]] = []


class NewFilmId(BaseModel):
    """A film that was added. `titled`: the line of its text that names it and is not spoken; empty
    when none is."""

    id: str
    titled: str = ""


class Card(BaseModel):
    """A film on the shelf. `strip` has one (share of length, state) per shot."""

    id: str
    title: str
    changed: datetime
    seconds: float
    shots: int
    left: int
    look: str
    aspect: str
    cut: str = ""
    """Which cut of its film it is; empty where the film has but one."""
    due: str = ""
    """The day on which it is to be ready (ISO 8601); empty: none."""
    thumb: str | None
    strip: list[tuple[float, str]]


class NewFilm(BaseModel):
    """A new film from a pasted story, in a house style by its id, where one is wished; what the settings say besides
    holds over it."""

    title: str = Field("", max_length=200)
    text: str = Field(max_length=1_000_000)
    settings: Settings = Settings()
    style: str | None = Field(None, max_length=12)
    by: By = "pace"
    count: int = Field(0, ge=0, le=20_000)
    shots: list[GivenShot] = []
    sources: list[GivenSource] = []


class EstimateView(BaseModel):
    """What a run would make, cost and take, and what the film lacks, in sentences. Of its pictures,
    `fits` are within what is left at their offer until it renews; None where nothing is drawn."""

    items: int
    cost: float
    seconds: float
    pictures: int = 0
    fits: int | None = None
    renews: datetime | None = None
    lacks: list[str] = []


class Spending(BaseModel):
    film: float
    today: float
    by_offer: dict[str, float]
    near: str = ""
    """The limit that is nearly reached, in a sentence."""
    room: str = ""
    """That the disk is full, or nearly, in a sentence."""
    currency: str = ""
    """What the page's money is called."""


class Impact(BaseModel):
    """What a change would do, before it is made: prompts whose words change, pictures in use that
    become stale, and what making them again would cost and take. `shots` are those whose picture
    would be another."""

    prompts: int
    shots: list[int]
    stale: int
    cost: float
    seconds: float


class CutPreview(BaseModel):
    """A cut that could be taken, as the lengths in seconds of its shots, beside the present one."""

    count: int
    lengths: list[float]
    wanted: list[float]
    opens: list[int]


class ChangeView(BaseModel):
    number: int
    title: str
    undone: bool
    at: datetime
