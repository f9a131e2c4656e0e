"""Which music a film asks for."""

from collections import Counter
from collections.abc import Sequence

from cutreel.core.continuity import ShotFacts

MUSIC_MOODS = ("calm", "uneasy", "warm", "playful", "grand", "sad")


def music_mood(wish: str, facts: Sequence[ShotFacts]) -> str | None:
    """The mood to compose for: the maker's wish; for "auto" the mood most shots have. None for
    "none"."""
    if wish == "none" or not facts:
        return None
    if wish != "auto":
        return wish
    counts: Counter[str] = Counter(fact.mood for fact in facts)
    return max(MUSIC_MOODS, key=lambda mood: (counts[mood], -MUSIC_MOODS.index(mood)))
