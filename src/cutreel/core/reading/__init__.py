"""The story as it is understood: the parse, and what is made of it."""

from cutreel.core.nouns import Sort, sort_of

from .acting import nameless, only_beside, roles_acting, told_to_you
from .arrival import LIFTS, Arrival
from .by_deed import AT_THE_OVEN, ENTERED, STAIRS, UPSTAIRS, WITHIN
from .by_ride import RIDDEN
from .changes import Changed
from .clause import Deed
from .clauses import ANYBODY, SPEECH
from .coming import HOUSES
from .english import parse, parse_packed
from .focus import SURE, Mention
from .known import LISTENER, TELLER, Known
from .language import is_english, language_of
from .names import (
    called_so,
    named_later,
    names_acting,
    only_places,
    only_plural,
    same_told,
    sexes_with_names,
)
from .narrated import narrated
from .parsed import Parsed, Parses, Token, packed, parse_key, unpacked
from .people import TOLD_NEXT
from .places import VEHICLES
from .sexes import pronouns_told
from .sights import Sight
from .singular import GROWN
from .speaking import SpeakerMemory, with_speakers
from .story import NOTHING, ReadParagraph, Story, StoryMemory, read_story
from .when import FREEZES, SEASONS
from .where import arrivals

# fmt: off
__all__ = [
    "ANYBODY",
    "AT_THE_OVEN",
    "ENTERED",
    "FREEZES",
    "GROWN",
    "HOUSES",
    "LIFTS",
    "LISTENER",
    "NOTHING",
    "RIDDEN",
    "SEASONS",
    "SPEECH",
    "STAIRS",
    "SURE",
    "TELLER",
    "TOLD_NEXT",
    "UPSTAIRS",
    "VEHICLES",
    "WITHIN",
    "Arrival",
    "Changed",
    "Deed",
    "Known",
    "Mention",
    "Parsed",
    "Parses",
    "ReadParagraph",
    "Sight",
    "Sort",
    "SpeakerMemory",
    "Story",
    "StoryMemory",
    "Token",
    "arrivals",
    "called_so",
    "is_english",
    "language_of",
    "named_later",
    "nameless",
    "names_acting",
    "narrated",
    "only_beside",
    "only_places",
    "only_plural",
    "packed",
    "parse",
    "parse_key",
    "parse_packed",
    "pronouns_told",
    "read_story",
    "roles_acting",
    "same_told",
    "sexes_with_names",
    "sort_of",
    "told_to_you",
    "unpacked",
    "with_speakers",
]
# fmt: on
