"""Everything that Cut Reel can make, and everything that can be asked for."""

from typing import Annotated

from pydantic import Field

from .again import AGAIN_RUN, AgainWanted
from .kinds.archive import ARCHIVE_RUN, ArchiveKind, ArchiveWanted
from .kinds.board import BOARD_RUN, BoardKind, BoardWanted
from .kinds.cleaning import CleaningKind
from .kinds.clip import CLIPS_RUN, ClipKind, ClipsWanted
from .kinds.enlarge import ENLARGE_RUN, EnlargeKind, EnlargeWanted
from .kinds.film import FilmKind
from .kinds.fitted import FittedKind
from .kinds.following import FollowingKind
from .kinds.hearing import HearingKind
from .kinds.listening import LISTENING_RUN, ListeningKind, ListeningWanted
from .kinds.mix import MixKind
from .kinds.moving_picture import MOVING_PICTURE_RUN, MovingPictureKind, MovingPictureWanted
from .kinds.paced import PacedKind
from .kinds.parts import PARTS_RUN, PartsKind, PartsWanted
from .kinds.picture import PictureKind
from .kinds.reading import READING, ReadingKind
from .kinds.retouch import RETOUCH_RUN, RetouchKind, RetouchWanted
from .kinds.segment import SegmentKind
from .kinds.sound import MusicKind, SoundKind
from .kinds.speech import SPEECH_RUN, SpeechKind, SpeechWanted
from .kinds.stems import STEMS_RUN, StemsKind, StemsWanted
from .kinds.stills import STILLS_RUN, StillsKind, StillsWanted
from .kinds.thumbnail import THUMBNAIL_RUN, ThumbnailKind, ThumbnailWanted
from .kinds.translation import TRANSLATION_RUN, TranslationKind, TranslationWanted
from .narration import NARRATION_RUN, NarrationWanted
from .picking import PICTURES_RUN, PicturesWanted
from .references import REFERENCES_RUN, ReferencesWanted
from .registry import Registry
from .runs import (
    DELIVERY_RUN,
    EVERYTHING_RUN,
    SOUNDS_RUN,
    DeliveryWanted,
    EverythingWanted,
    SoundsWanted,
)
from .sampling import LOOK_RUN, TRIAL_RUN, LookWanted, TrialWanted
from .voicing import AUDITION_RUN, AuditionWanted

REGISTRY = Registry.of(
    [
        PictureKind(),
        RetouchKind(),
        EnlargeKind(),
        ClipKind(),
        SpeechKind(),
        SoundKind(),
        MusicKind(),
        FittedKind(),
        PacedKind(),
        MixKind(),
        SegmentKind(),
        FilmKind(),
        StemsKind(),
        BoardKind(),
        StillsKind(),
        MovingPictureKind(),
        PartsKind(),
        ArchiveKind(),
        ReadingKind(),
        HearingKind(),
        FollowingKind(),
        ListeningKind(),
        CleaningKind(),
        TranslationKind(),
        ThumbnailKind(),
    ],
    [
        EVERYTHING_RUN,
        DELIVERY_RUN,
        STEMS_RUN,
        BOARD_RUN,
        STILLS_RUN,
        MOVING_PICTURE_RUN,
        PARTS_RUN,
        ARCHIVE_RUN,
        SOUNDS_RUN,
        PICTURES_RUN,
        SPEECH_RUN,
        REFERENCES_RUN,
        LOOK_RUN,
        TRIAL_RUN,
        RETOUCH_RUN,
        AGAIN_RUN,
        ENLARGE_RUN,
        CLIPS_RUN,
        AUDITION_RUN,
        NARRATION_RUN,
        LISTENING_RUN,
        TRANSLATION_RUN,
        THUMBNAIL_RUN,
    ],
    before=READING,
)

RunRequest = Annotated[
    EverythingWanted
    | DeliveryWanted
    | StemsWanted
    | BoardWanted
    | StillsWanted
    | MovingPictureWanted
    | PartsWanted
    | ArchiveWanted
    | SoundsWanted
    | PicturesWanted
    | SpeechWanted
    | ReferencesWanted
    | LookWanted
    | TrialWanted
    | RetouchWanted
    | AgainWanted
    | EnlargeWanted
    | ClipsWanted
    | AuditionWanted
    | NarrationWanted
    | ListeningWanted
    | TranslationWanted
    | ThumbnailWanted,
    Field(discriminator="kind"),
]
"""A run that a maker asks for: each kind with wishes of its own."""
