"""The writer stand-in: titles, storylines and manuscripts from an idea, and passages reworked.

A simulation on story grammars of its own: it invents by rule from a stock of plots, people, places
and sentences. What an idea says decides; what it does not say, the seed decides.
"""

from .compose import manuscript, storylines, titles
from .documentary import sources_for
from .rework import rework
from .wishes import wished

__all__ = ["manuscript", "rework", "sources_for", "storylines", "titles", "wished"]
