"""What is kept: films and their changes, takes and results, runs, spending, events; and the media
files."""

from .assembly import Assembled, assemble
from .company import CompanyStore
from .database import Database, database_from_environment
from .films import FilmRow, FilmStore
from .media import MediaStore, media_from_environment
from .offers import OfferStore, prompt_cap, text_cap, voices_offered
from .results import Result, ResultStore
from .runs import ItemSpec, RunStore
from .slots import SlotStore
from .spending import SpendStore
from .takes import TakeRow, TakeStore

# fmt: off
__all__ = [
    "Assembled", "CompanyStore", "Database", "FilmRow", "FilmStore", "ItemSpec", "MediaStore",
    "OfferStore", "Result", "ResultStore", "RunStore", "SlotStore", "SpendStore", "TakeRow",
    "TakeStore", "assemble", "database_from_environment", "media_from_environment", "prompt_cap",
    "text_cap", "voices_offered",
]
# fmt: on
