"""The sound maker: effects and ambiences synthesised by models, found by the words of a prompt."""

from .kinds import KINDS
from .making import kind_of, make_sound

__all__ = ["KINDS", "kind_of", "make_sound"]
