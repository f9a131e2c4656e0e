"""What is kept: films and their changes, takes and results, runs, spending, events; and the media
files."""

from cutreel.core.film import Assembled, Result, TakeRow

from .assembly import assembled_film, beneath_of
from .batches import BatchInHand, BatchRow, BatchStore, FilmOfBatch
from .callbacks import Call, CallbackStore
from .company import CompanyStore
from .database import Database, database_from_environment
from .events import CHANNEL, events_after, last_event, last_of, prune_events, shots_told
from .films import FilmRow, FilmStore, new_id
from .kept import kept_from_environment, kept_in
from .links import Link, LinkStore
from .lost import LostStore
from .media import TYPES, MediaStore, media_from_environment
from .offers import OfferStore, offered
from .parses import ParseStore
from .results import ResultStore
from .runs import MOST_PRIORITY, ClaimedItem, ItemSpec, Question, RunStore, RunView
from .services import ByHandJob, HandStore, JobWent, KeptService, Lately, ServiceJobs, ServiceStore
from .slots import SlotStore
from .spending import DAY, MONTH, Entry, OverLimit, SpendStore, UsedUp, begin_of
from .styles import StyleStore
from .takes import TakeStore
from .told import DueTelling, Told, ToldStore
from .whole import Cut, WholeFilm, WholeStore, media_in

# fmt: off
__all__ = [
    "CHANNEL",
    "DAY",
    "MONTH",
    "MOST_PRIORITY",
    "TYPES",
    "Assembled",
    "BatchInHand",
    "BatchRow",
    "BatchStore",
    "ByHandJob",
    "Call",
    "CallbackStore",
    "ClaimedItem",
    "CompanyStore",
    "Cut",
    "Database",
    "DueTelling",
    "Entry",
    "FilmOfBatch",
    "FilmRow",
    "FilmStore",
    "HandStore",
    "ItemSpec",
    "JobWent",
    "KeptService",
    "Lately",
    "Link",
    "LinkStore",
    "LostStore",
    "MediaStore",
    "OfferStore",
    "OverLimit",
    "ParseStore",
    "Question",
    "Result",
    "ResultStore",
    "RunStore",
    "RunView",
    "ServiceJobs",
    "ServiceStore",
    "SlotStore",
    "SpendStore",
    "StyleStore",
    "TakeRow",
    "TakeStore",
    "Told",
    "ToldStore",
    "UsedUp",
    "WholeFilm",
    "WholeStore",
    "assembled_film",
    "begin_of",
    "beneath_of",
    "database_from_environment",
    "events_after",
    "kept_from_environment",
    "kept_in",
    "last_event",
    "last_of",
    "media_from_environment",
    "media_in",
    "new_id",
    "offered",
    "prune_events",
    "shots_told",
]
# fmt: on
