"""The composer: music for a mood that follows a score, ends when asked and on its own cadence."""

from .composing import Composed, compose
from .families import FAMILIES
from .moods import MOODS
from .playing import play
from .score import Score

__all__ = ["FAMILIES", "MOODS", "Composed", "Score", "compose", "play"]
