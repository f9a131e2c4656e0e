"""What a maker may choose from, and what holds where nothing is chosen. Pages ask for it and repeat nothing of it."""

from typing import Any, get_args

from fastapi import APIRouter
from pydantic import BaseModel

from cutreel.core.breakdown import KINDS, FilmKind
from cutreel.core.captions import CAPTION_PLACES, LINES, READY, SAID_MARKS, CaptionStyle
from cutreel.core.continuity import FRAMINGS, MOODS, Angle, Season, TimeOfDay, Weather
from cutreel.core.effects import EFFECT_KINDS, GRADES, MOMENTS, Grade
from cutreel.core.film import Settings
from cutreel.core.insets import ARRANGED, BORDERS, MOST_INSETS, Inset
from cutreel.core.insets import COMES as INSET_COMES
from cutreel.core.lettering import FACES
from cutreel.core.marks import MARK_KINDS
from cutreel.core.motion import AIR_KINDS, FITS, MOVES, PACES, WAYS, Way
from cutreel.core.plates import PLATE_SORTS
from cutreel.core.sound import DELIVERED_DBTP
from cutreel.core.timeline import EASES, JOIN_KINDS, KNOWN_RATES, PATTERNS, ROOMS, Room
from cutreel.core.titles import COMES, GOES, KEEPS, TITLE_LOOKS, TitleLook
from cutreel.making import SHORT_SIDE

router = APIRouter(prefix="/api")


class KindRules(BaseModel):
    """Of a kind of film: seconds a shot, and seconds of its quicker opening."""

    pace: float
    opening: float


class InsetRules(BaseModel):
    """How pictures are laid over shots: borders, ways to come, arrangements; how many of a shot, and a new one."""

    borders: list[str]
    comes: list[str]
    arranged: list[str]
    most: int
    new: Inset


class Rules(BaseModel):
    """Lists stand in the order in which they are offered. `loudness` is in LUFS, `true_peak` in dBTP; captions have so
    many lines of so many characters."""

    kinds: dict[FilmKind, KindRules]
    aspects: list[str]
    framings: list[str]
    angles: list[str]
    times: list[str]
    weathers: list[str]
    seasons: list[Season]
    moods: list[str]
    moves: list[str]
    airs: list[str]
    air_amounts: list[str]
    movements: list[str]
    fits: list[str]
    ways: list[Way]
    paces: list[str]
    rooms: list[Room]
    sizes: list[str]
    rates: list[str]
    captions: list[str]
    music: list[str]
    sounds: list[str]
    join_amounts: list[str]
    joins: list[str]
    patterns: list[str]
    eases: list[str]
    plates: list[str]
    insets: InsetRules
    marks: list[str]
    effect_amounts: list[str]
    effects: list[str]
    moments: list[str]
    grades: dict[str, Grade]
    caption_styles: dict[str, CaptionStyle]
    faces: list[str]
    caption_places: list[str]
    said_marks: list[str]
    titles: list[str]
    title_looks: dict[str, TitleLook]
    title_comes: list[str]
    title_goes: list[str]
    words_keep: list[str]
    maker_corners: list[str]
    caption_lines: int
    loudness: list[int]
    true_peak: float


def _choices(field: str) -> list[str]:
    """What a setting of a film may be."""
    annotation: Any = Settings.model_fields[field].annotation
    return list(get_args(annotation))


RULES = Rules(
    kinds={k: KindRules(pace=v.seconds, opening=v.opening) for k, v in KINDS.items()},
    aspects=_choices("aspect"),
    framings=list(FRAMINGS),
    angles=list(get_args(Angle)),
    times=list(get_args(TimeOfDay)),
    weathers=list(get_args(Weather)),
    seasons=list(get_args(Season)),
    moods=list(MOODS),
    moves=list(MOVES),
    airs=list(AIR_KINDS),
    air_amounts=_choices("air"),
    movements=_choices("movement"),
    fits=list(FITS),
    ways=list(WAYS),
    paces=list(PACES),
    rooms=list(ROOMS),
    sizes=list(SHORT_SIDE),
    rates=list(KNOWN_RATES),
    captions=_choices("captions"),
    music=_choices("music"),
    sounds=_choices("sounds"),
    join_amounts=_choices("joins"),
    joins=list(JOIN_KINDS),
    patterns=list(PATTERNS),
    eases=list(EASES),
    plates=list(PLATE_SORTS),
    insets=InsetRules(
        borders=list(BORDERS),
        comes=list(INSET_COMES),
        arranged=list(ARRANGED),
        most=MOST_INSETS,
        new=Inset(media="0" * 64 + ".png"),
    ),
    marks=list(MARK_KINDS),
    effect_amounts=_choices("effects"),
    effects=list(EFFECT_KINDS),
    moments=sorted(MOMENTS),
    grades=dict(GRADES),
    caption_styles=dict(READY),
    faces=list(FACES),
    caption_places=list(CAPTION_PLACES),
    said_marks=list(SAID_MARKS),
    titles=_choices("titles"),
    title_looks=dict(TITLE_LOOKS),
    title_comes=list(COMES),
    title_goes=list(GOES),
    words_keep=list(KEEPS),
    maker_corners=_choices("maker_corner"),
    caption_lines=LINES,
    loudness=list(get_args(Settings.model_fields["loudness"].annotation)),
    true_peak=DELIVERED_DBTP,
)


@router.get("/rules")
def rules() -> Rules:
    return RULES
