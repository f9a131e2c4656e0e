"""What a film has not, in sentences."""

from typing import Any

from cutreel.core.film import is_fresh
from cutreel.core.sound import sound_key_of
from cutreel.store import Assembled


def lacks_of(film: Assembled, wanted: Any = None) -> list[str]:
    """What a film has not, in sentences, for whoever is about to deliver it."""
    drawn = zip(film.read.shots, film.used, strict=True)
    pairs = [(s, u) for s, u in drawn if s.shot.id not in film.plates]
    pictures = sum(1 for _, u in pairs if u is None)
    stale = sum(1 for s, u in pairs if u is not None and not is_fresh(s, u))
    lines = len(film.read.speech) - len(film.spoken)
    seed = film.document.settings.seed
    music = sum(c.kind == "music" and sound_key_of(c, seed) not in film.sounds for c in film.cues)
    told = [
        (pictures, "shot has no picture", "shots have no picture"),
        (stale, "picture is stale", "pictures are stale"),
        (lines, "line is not spoken", "lines are not spoken"),
        (music, "piece of music is not made", "pieces of music are not made"),
    ]
    return [f"{n} {one if n == 1 else more}" for n, one, more in told if n]
