"""Picture ideas: what a picture shows while its words are told, and their choice over the whole film."""

from .choose import choose
from .idea import IDEA_SORTS, Idea, IdeaSort, Moment, ideas_for
from .told import Called, Told, things_in, told_in

__all__ = [
    "IDEA_SORTS",
    "Called",
    "Idea",
    "IdeaSort",
    "Moment",
    "Told",
    "choose",
    "ideas_for",
    "things_in",
    "told_in",
]
