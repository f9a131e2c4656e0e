"""The document of a film: everything that the maker decided, and nothing that can be computed."""

from bisect import bisect_left
from collections.abc import Mapping, Sequence
from typing import Literal, TypeVar

from pydantic import BaseModel, Field

from cutreel.core.breakdown import FilmKind, ReferencePace, Wish, break_down, wish_for
from cutreel.core.captions import LINE_LENGTH, CaptionStyle
from cutreel.core.continuity import (
    Look,
    MadeBy,
    Mood,
    Overrides,
    OwnVoice,
    Person,
    Place,
    propose_cast,
    propose_places,
)
from cutreel.core.effects import EFFECT_KINDS, MOST_EFFECTS, Effect, EffectAmount, EffectKind, Grade
from cutreel.core.errors import BadInput
from cutreel.core.insets import LaidPicture
from cutreel.core.joins import JoinAmount
from cutreel.core.manuscript import Manuscript, Saying, WordRun, fresh_ids, ids_of, places_of, read
from cutreel.core.publishing import OwnTexts, Thumbnail, ThumbnailPicture
from cutreel.core.reading import Parses
from cutreel.core.screening import MOST_NOTES, Agreed, ScreenNote
from cutreel.core.sound import DUCK_DB, SoundAmount
from cutreel.core.speech import WordMark
from cutreel.core.timeline import Room
from cutreel.core.titles import AS_USUAL, CardAmount, CardHow, CardSort, TitleLook
from cutreel.core.translation import Translation

from .shape import Aspect

MOST_CHARACTERS = 1_000_000
MOST_POINTS = 1_000
"""Of a level line."""
MOST_MAKINGS = 4
"""Of a sound, beside each other."""
MOST_PLACED = 2_000
"""Sounds placed by hand."""
MOST_FACES = 12
MOST_PICTURES = 120
"""Pictures of the maker's own."""
MOST_TABLES = 40
"""Look-up tables of the maker's own."""
MOST_THUMBNAILS = 6
MOST_THUMBNAIL_PICTURES = 12
Lane = Literal["voice", "sound", "music"]


MakerCorner = Literal["top left", "top right", "low left", "low right"]


class Settings(BaseModel):
    """Choices that hold for the whole film.

    `pace` is seconds a shot once the opening is over; `opening` its seconds (None: as its kind of
    film has it); `aim` is the wanted length in minutes; `reference` the measured pace of another
    film; `offer` draws its pictures, `made_by` says who makes what else; `negative` is what no picture of the film may
    show; `seeds` says whether every picture has a seed of its own or all have the film's; `prompts` whether they
    tell what is seen, as it was read, or the words themselves; `movement` whether
    figures, water and light move, or the camera alone; `air` how much of what drifts is proposed;
    `manner` how the narrator says every line, `room` where that is heard (None: dry);
    `music_course` whether music follows how tense the story is, `themes` whether people and places have tunes that
    return, `instruments` what leads ("look": as the look has it, "mood": as the mood, or a family of an offer's),
    `snap` whether cuts move to beats that are near;
    `captions` whether they are burned in, a track of the file, beside it or nowhere, `captions_also` in which languages
    (BCP 47) they are delivered besides, of those that the film is kept in, `captions_beneath` in which of them they
    stand smaller beneath its own in the picture (empty: none); `caption_style` how they look,
    `speaker_colours` whether each who speaks has a colour of their own,
    `caption_length` how many characters a line of them has at most, `titles` how many words stand on the screen
    besides (the title, chapters, places), `title_look` how these look ("look": as
    belongs to it), `title_style` the same as the maker has it (None: by its name), `title_names` whether it is said who
    somebody is, `emphasis` whether stressed words stand there, `maker_mark` what stands in a corner all the time,
    or `maker_picture`, a picture by its media name;
    `dissolve` the seconds of a dissolve, `joins` how much more than cuts is seen between shots
    (plain: dissolves alone);
    `grade` is how the whole film is graded, `film_effects` what is done to all of its pictures, `effects` how much is
    proposed besides where the story gives a reason, `no_effects` what is not proposed anywhere; `sounds` how much
    must be heard of what is told for it to be proposed; `voice_level`, `spot_level`, `ambience_level` and
    `music_level` how much louder than usual they lie, `ambience_duck` and `music_duck` by how much they give way to
    the voice (dB), going down in `duck_in` and coming back in `duck_out` seconds; `loudness` the film's (LUFS);
    `language` the one that is spoken (BCP 47; empty: as the text is);
    `comma_pause` and `stop_pause` the longest pauses in seconds within a line (None: as spoken);
    `paragraph_rest` and `scene_rest` the silence between paragraphs and scenes, `lead_in` and `tail` that before the
    first word and behind the last (None: as is usual);
    `due` the day on which the film is to be ready (ISO 8601; empty: none);
    `clean_noise`, `clean_hum`, `clean_plosives`, `clean_level` and `clean_breaths` by how much recordings are cleaned
    (0 … 1).
    """

    aspect: Aspect = "16:9"
    fps: Literal["24", "25", "30", "30000/1001", "60"] = "24"
    look: str = "cut-paper"
    seed: int = Field(4127, ge=0, le=999_999)
    narrator: str = "alder"
    language: str = Field("", max_length=12, pattern=r"^([a-z]{2,3}(-[A-Za-z0-9]{2,8})*)?$")
    music: Literal["auto", "none", Mood] = "auto"
    music_course: Literal["told", "even"] = "told"
    themes: Literal["told", "none"] = "told"
    instruments: str = Field("look", min_length=1, max_length=60)
    snap: Literal["off", "beats"] = "off"
    sounds: SoundAmount = "middle"
    spot_level: float = Field(0, ge=-24, le=12)
    ambience_level: float = Field(0, ge=-24, le=12)
    music_level: float = Field(0, ge=-24, le=12)
    voice_level: float = Field(0, ge=-24, le=12)
    ambience_duck: float = Field(-DUCK_DB["ambience"], ge=0, le=30)
    music_duck: float = Field(-DUCK_DB["music"], ge=0, le=30)
    duck_in: float = Field(0.2, ge=0.02, le=2)
    duck_out: float = Field(0.7, ge=0.05, le=4)
    loudness: Literal[-14, -16, -23, -24] = -14
    captions: Literal["burn", "track", "file", "off"] = "burn"
    captions_also: list[str] = Field([], max_length=12)
    captions_beneath: str = Field("", max_length=12, pattern=r"^([a-z]{2,3}(-[A-Za-z0-9]{2,8})*)?$")
    caption_style: CaptionStyle = CaptionStyle()
    titles: CardAmount = "off"
    title_look: str = Field("look", max_length=40)
    title_style: TitleLook | None = None
    title_names: bool = False
    emphasis: bool = False
    maker_mark: str = Field("", max_length=60)
    maker_picture: str | None = Field(None, pattern=r"^[0-9a-f]{64}\.png$")
    maker_corner: MakerCorner = "top right"
    speaker_colours: bool = False
    caption_length: int = Field(LINE_LENGTH, ge=16, le=48)
    dissolve: float = Field(0.5, ge=0, le=4)
    joins: JoinAmount = "middle"
    grade: Grade = Grade()
    effects: EffectAmount = "low"
    film_effects: list[Effect] = Field([], max_length=MOST_EFFECTS)
    no_effects: list[EffectKind] = Field([], max_length=len(EFFECT_KINDS))
    takes: int = Field(1, ge=1, le=4)
    kind: FilmKind = "story"
    pace: float = Field(6.0, ge=1, le=600)
    cut_by: Literal["pace", "every"] = "pace"
    opening: float | None = Field(None, ge=0, le=600)
    aim: float | None = Field(None, gt=0, le=600)
    reference: ReferencePace | None = None
    follow_reference: bool = False
    offer: str = "illustrator-quick"
    made_by: MadeBy = {}
    negative: str = Field("", max_length=400)
    seeds: Literal["each", "one"] = "each"
    prompts: Literal["seen", "words"] = "seen"
    movement: Literal["all", "camera"] = "all"
    air: Literal["off", "low", "middle", "high"] = "middle"
    manner: str = Field("", max_length=120)
    room: Room | None = None
    comma_pause: float | None = Field(None, ge=0.08, le=3)
    stop_pause: float | None = Field(None, ge=0.08, le=3)
    paragraph_rest: float | None = Field(None, ge=0.1, le=10)
    scene_rest: float | None = Field(None, ge=0.1, le=30)
    lead_in: float | None = Field(None, ge=0, le=30)
    tail: float | None = Field(None, ge=0.2, le=60)
    clean_noise: float = Field(0, ge=0, le=1)
    clean_hum: float = Field(0, ge=0, le=1)
    clean_plosives: float = Field(0, ge=0, le=1)
    clean_level: float = Field(0, ge=0, le=1)
    clean_breaths: float = Field(0, ge=0, le=1)
    due: str = Field("", pattern=r"^(\d{4}-\d{2}-\d{2})?$")


class Shot(BaseModel):
    """A shot opens at the word with the number `first` and lasts until the next shot opens, and
    `hold` seconds longer.

    Without words (`first` None) it stands behind the shot before it for `hold` seconds. `same_as`
    is the number of the shot whose picture it shows. `rejected` are takes that are not to be used,
    with the maker's reason.
    """

    id: int
    edge: str
    first: int | None
    by_hand: bool = False
    hold: float = Field(0.0, ge=0, le=600)
    same_as: int | None = None
    circled: str | None = None
    rejected: dict[str, str] = {}
    own: Overrides = Overrides()


class WordedShot(Shot):
    """A shot that has words; for types only."""

    first: int


class SceneChoice(BaseModel):
    """What the maker set for a scene, which is known by the number of its first word: facts, seconds a shot (`pace`),
    how many seconds it is to last (`aim`), how everybody speaks in it (`manner`), and the `room` that whoever is in it
    is heard in (None: as told)."""

    first: int
    own: Overrides = Overrides()
    pace: float | None = None
    aim: float | None = None
    manner: str = Field("", max_length=120)
    room: Room | None = None


class CueChoice(BaseModel):
    """How the maker wants a cue, known by its id: so many frames later (or earlier), so many decibels louder, from the
    left (-1) or the right (1), from far (`near` -1) or near (1), in a `room` (None: in that of its scene), let in and
    out over so many seconds (None: as is usual), which making of its sound is used (`seed`), and of music in which
    `mood` it is and whose tune returns in it (`theme`: "person 3", "place 2", "" for nobody's; None: as is told). A
    spot may stand on another `word` than that which tells it. It may be one of the maker's `own` sounds, by its
    number, or sound by another `prompt`, for so many `seconds` (None: as is usual). `takes` is how many makings of
    its sound are wanted beside each other."""

    id: str = Field(max_length=60)
    later: int = Field(0, ge=-240, le=240)
    gain: float = Field(0, ge=-24, le=12)
    pan: float = Field(0, ge=-1, le=1)
    near: float = Field(0, ge=-1, le=1)
    room: Room | None = None
    fade_in: float | None = Field(None, ge=0, le=10)
    fade_out: float | None = Field(None, ge=0, le=10)
    seed: int = Field(0, ge=0, le=99)
    mood: Mood | None = None
    theme: str | None = Field(None, max_length=20)
    word: int | None = None
    own: int | None = None
    prompt: str | None = Field(None, min_length=1, max_length=200)
    seconds: float | None = Field(None, ge=0.3, le=30)
    takes: int = Field(1, ge=1, le=MOST_MAKINGS)


class OwnSound(BaseModel):
    """A sound or a piece of music that the maker brought: what it is called, its media file, how many seconds it is,
    beats a minute where it has some, and under which licence by whom it is."""

    id: int = 0
    name: str = Field(min_length=1, max_length=120)
    media: str = Field(pattern=r"^[0-9a-f]{64}\.flac$")
    seconds: float = Field(gt=0, le=3600)
    tempo: float | None = Field(None, gt=0, le=400)
    licence: str = Field("", max_length=120)
    credit: str = Field("", max_length=200)


class LevelPoint(BaseModel):
    """A point of a level line: so many frames after the word with the number `word` begins, so many decibels louder."""

    word: int
    later: int = Field(0, ge=-2_400, le=2_400)
    gain: float = Field(0, ge=-36, le=12)


class TensionPoint(BaseModel):
    """How tense the music is (0 … 1), so many frames after the word with the number `word` begins."""

    word: int
    later: int = Field(0, ge=-2_400, le=2_400)
    level: float = Field(ge=0, le=1)


class OwnCard(BaseModel):
    """What the maker wrote to stand on the screen in a shot, by its number, a line below the other: in place of what is
    planned there, where `number` is 0 (an empty text: nothing; None: the words that are planned), else besides, from a
    `word` on (None: from where the shot begins), for so many seconds (None: as long as is usual). And `how` it is."""

    sort: CardSort
    shot: int
    text: str | None = Field("", max_length=400)
    number: int = 0
    how: CardHow = AS_USUAL
    word: int | None = None
    seconds: float | None = Field(None, ge=0.3, le=60)


class OwnFace(BaseModel):
    """A face that the maker brought (TrueType or OpenType): what it is called, and its media file."""

    name: str = Field(min_length=1, max_length=120)
    media: str = Field(pattern=r"^[0-9a-f]{64}\.(ttf|otf)$")


class OwnTable(BaseModel):
    """A look-up table that the maker brought (.cube): what it is called, and its media file."""

    name: str = Field(min_length=1, max_length=120)
    media: str = Field(pattern=r"^[0-9a-f]{64}\.cube$")


class PlacedCue(BaseModel):
    """A sound that the maker placed, by its number: on a word, or, an ambience, under the shot that the word is in.
    What is heard is told by a prompt, or is one of the maker's `own` sounds."""

    id: int = 0
    kind: Literal["spot", "ambience"] = "spot"
    prompt: str = Field(min_length=1, max_length=200)
    word: int
    own: int | None = None

    @property
    def key(self) -> str:
        """The id of its cue."""
        return f"placed-{self.id}"


class LaneChoice(BaseModel):
    """How the maker wants a lane of the mix: its level line; how many hertz are cut below (0: none), by how many
    decibels it is brighter, by how many it is kept lower from 1 to 4 kHz while somebody speaks, and by how many its
    loud moments are held down (`press`); in which `room` what is in none is heard."""

    lane: Lane
    points: list[LevelPoint] = Field([], max_length=MOST_POINTS)
    low_cut: float = Field(0, ge=0, le=400)
    bright: float = Field(0, ge=-9, le=9)
    dip: float = Field(0, ge=0, le=12)
    press: float = Field(0, ge=0, le=12)
    room: Room | None = None


class Source(BaseModel):
    """Where a passage, the words numbered `first` to `last`, comes from: a link or a note."""

    id: int
    first: int
    last: int
    text: str


class CutOut(BaseModel):
    """A figure cut out of a picture, to be laid into others: its media file (PNG with
    transparency), its size in pixels, and the shot it is from."""

    id: int
    name: str = Field(min_length=1, max_length=80)
    media: str = Field(pattern=r"^[0-9a-f]{64}\.png$")
    width: int
    height: int
    shot: int


class AcceptedDrift(BaseModel):
    """Departures of a take that the maker accepts, by what they are about; another take, or another
    wording, is looked at anew. `person` None: of the whole picture."""

    shot: int
    take: str
    person: int | None = None
    about: list[str] = []


class Meant(BaseModel):
    """Whom the maker says that the word with the number `word` means: some of the cast, or nobody of it."""

    word: int
    people: list[int] = Field([], max_length=12)


class Recording(BaseModel):
    """The maker's own voice for a line: a media file, and the words that it says."""

    media: str = Field(pattern=r"^[0-9a-f]{64}\.flac$")
    text: str = Field(max_length=20_000)


class ReadAloud(BaseModel):
    """How one word, known by its number, is read at its place alone: "1834" as a quantity, "St." as a street."""

    word: int
    sounds: str = Field(min_length=1, max_length=120)


class Narration(BaseModel):
    """The maker's own voice for the story, or a part of it: the key of the recording, what its file was called, how
    many seconds it is, and the key of the text that it was brought for, whose words are heard in it."""

    key: str = Field(pattern=r"^[0-9a-f]{40}$")
    name: str = Field(max_length=200)
    seconds: float = Field(ge=0)
    text: str = Field("", pattern=r"^([0-9a-f]{40})?$")


class OwnLine(BaseModel):
    """How the maker wants a line, known by the number of its first word, to be said: its direction (None: as the text
    tells); the `room` it is heard in (None: as told); a `recording` that is heard instead of a voice while it says the
    line's words; by how many seconds it begins before the one before it has ended (`over`; None: as told); how often it
    was said (`takes`) and which of these is used (`seed`, from 0 on); which of them are `rejected`, by seed, with the
    maker's reason."""

    word: int
    direction: str | None = Field(None, max_length=200)
    room: Room | None = None
    recording: Recording | None = None
    over: float | None = Field(None, ge=0, le=2)
    seed: int = Field(0, ge=0, le=99)
    takes: int = Field(1, ge=1, le=100)
    rejected: dict[str, str] = Field({}, max_length=100)


class OutfitHeld(BaseModel):
    """That somebody (by their number) wore an outfit in a scene, which is known by the number of its first word."""

    person: int
    outfit: str
    scene: int


class AsideScene(BaseModel):
    """A scene that is set aside: its text with its heading, the numbers of its words, its shots, what was chosen for it
    and worn in it, and the word `before` which it stood (None: it stood at the end)."""

    id: int
    title: str = Field(max_length=400)
    text: str
    word_runs: list[WordRun]
    shots: list[Shot]
    scenes: list[SceneChoice] = []
    outfits: list[OutfitHeld] = []
    before: int | None = None


class FilmDocument(BaseModel):
    """A film as its maker left it. Words are numbered by `word_runs`; shots, scenes, sources and
    cues hold to those numbers."""

    title: str = Field(min_length=1, max_length=200)
    text: str
    word_runs: list[WordRun] = []
    next_word: int = 1
    shots: list[Shot] = []
    next_shot: int = 1
    scenes: list[SceneChoice] = []
    sources: list[Source] = []
    cast: list[Person] = []
    places: list[Place] = []
    settings: Settings = Settings()
    looks: list[Look] = []
    accepted: list[AcceptedDrift] = []
    cutouts: list[CutOut] = []
    lifted_cues: list[str] = []
    cue_choices: list[CueChoice] = []
    lifted_sounds: list[str] = []
    """Sounds that are proposed nowhere in the film, by their prompts."""
    tables: list[OwnTable] = Field([], max_length=MOST_TABLES)
    cards: list[OwnCard] = Field([], max_length=MOST_POINTS)
    faces: list[OwnFace] = Field([], max_length=MOST_FACES)
    own_pictures: list[LaidPicture] = Field([], max_length=MOST_PICTURES)
    placed: list[PlacedCue] = Field([], max_length=MOST_PLACED)
    lanes: list[LaneChoice] = []
    tension: list[TensionPoint] = Field([], max_length=MOST_POINTS)
    own_sounds: list[OwnSound] = []
    meant: list[Meant] = []
    voices: list[OwnVoice] = []
    lines: list[OwnLine] = []
    lexicon: list[Saying] = []
    read_aloud: list[ReadAloud] = []
    word_marks: list[WordMark] = []
    narrations: list[Narration] = []
    screen_notes: list[ScreenNote] = Field([], max_length=MOST_NOTES)
    agreed: list[Agreed] = Field([], max_length=MOST_POINTS)
    texts: OwnTexts = OwnTexts()
    thumbnails: list[Thumbnail] = Field([], max_length=MOST_THUMBNAILS)
    """Kept to be compared; the first is the one that is used."""
    thumbnail_pictures: list[ThumbnailPicture] = Field([], max_length=MOST_THUMBNAIL_PICTURES)
    """Made for thumbnails alone, the newest last."""
    aside: list[AsideScene] = []
    """Scenes that were cut out and may come back."""
    translation: Translation | None = None
    """What is said and shown in place of the text; None: what is written."""

    def shown(self, words: str) -> str:
        """Words on the screen as they are shown: in the language of the film."""
        return self.translation.said(words) if self.translation else words

    @property
    def word_ids(self) -> tuple[int, ...]:
        """The numbers of all words, in the order of the words."""
        return ids_of(tuple(self.word_runs))

    @property
    def word_places(self) -> Mapping[int, int]:
        """The index of each word, by its number."""
        return places_of(tuple(self.word_runs))


class GivenShot(BaseModel):
    """A shot that an imported script states: it opens at the first word at or behind `offset` of
    the text."""

    offset: int = Field(ge=0)
    own: Overrides = Overrides()


class GivenSource(BaseModel):
    """A source that an imported script states, for the paragraph at `offset` of the text."""

    offset: int = Field(ge=0)
    text: str = Field(max_length=1000)


def new_film(
    title: str,
    text: str,
    settings: Settings,
    wish: Wish | None = None,
    given: Sequence[GivenShot] = (),
    sources: Sequence[GivenSource] = (),
    parses: Parses | None = None,
) -> tuple[FilmDocument, list[str]]:
    """A new film from a story, with cast and places proposed. Returns it and its edge numbers.

    It is cut by `wish`, or where the `given` shots open. Raises BadInput for a text without words
    or beyond a million characters.
    """
    cleaned = clean_text(text)
    if cleaned.rstrip("\n") != text.rstrip("\n"):
        given, sources = _moved(text, given), _moved(text, sources)
    text = cleaned
    script = read(text)
    if not script.words:
        raise BadInput("The story is empty.", "Give it at least one sentence to tell.")
    runs = fresh_ids(len(script.words), 1)
    own: dict[int, Overrides] = {}
    if given:
        own = {_word_at(script, shot.offset): shot.own for shot in given}
        own.pop(len(script.words), None)
        opens = sorted(
            {0, *own, *(s.first for s in script.scenes if 0 < s.first < len(script.words))}
        )
    else:
        opens = break_down(script, wish or wish_for(settings.kind, settings.pace))
    edges = [str(i) for i in range(1, len(opens) + 1)]
    shots = [
        Shot(
            id=i + 1,
            edge=edges[i],
            first=opens[i] + 1,
            by_hand=opens[i] in own,
            own=own.get(opens[i], Overrides()),
        )
        for i in range(len(opens))
    ]
    cast = propose_cast(script, parses)
    document = FilmDocument(
        title=title,
        text=text,
        word_runs=runs,
        next_word=len(script.words) + 1,
        shots=shots,
        next_shot=len(shots) + 1,
        cast=cast,
        places=propose_places(script, parses, cast),
        settings=settings,
        sources=[
            s
            for i, given_source in enumerate(sources, 1)
            if (s := _source(script, i, given_source))
        ],
    )
    return document, edges


Given = TypeVar("Given", GivenShot, GivenSource)


def _moved(text: str, given: Sequence[Given]) -> list[Given]:
    """What is given for a text, for the text as the manuscript keeps it."""
    return [
        g.model_copy(update={"offset": len(clean_text(text[: g.offset] + "x")) - 2}) for g in given
    ]


def _word_at(script: Manuscript, offset: int) -> int:
    """The index of the first word at or behind an offset."""
    return bisect_left(script.words, offset, key=lambda w: w.start)


def _source(script: Manuscript, number: int, given: GivenSource) -> Source | None:
    first = _word_at(script, given.offset)
    if first >= len(script.words):
        return None
    paragraph = script.words[first].paragraph
    last = first
    while last + 1 < len(script.words) and script.words[last + 1].paragraph == paragraph:
        last += 1
    return Source(id=number, first=first + 1, last=last + 1, text=given.text)


def clean_text(text: str) -> str:
    """Text as the manuscript keeps it: one kind of line end, no control characters, no byte order
    mark."""
    if len(text) > MOST_CHARACTERS:
        raise BadInput(
            "The story is too long.", f"At most {MOST_CHARACTERS:,} characters fit into one film."
        )
    text = (
        text.removeprefix("\ufeff").replace("\r\n", "\n").replace("\r", "\n").replace("\u00a0", " ")
    )
    if not text.replace("\n", " ").replace("\t", " ").isprintable():
        text = "".join(c for c in text if c in "\n\t" or c.isprintable())
    return text.strip("\n") + "\n"
