"""The pace that a film states for itself, as a wish for its cut."""

from cutreel.core.breakdown import By, Wish, wish_for
from cutreel.core.manuscript import Manuscript, read

from .document import FilmDocument


def wish_of(film: FilmDocument, by: By | None = None, seconds: float = 0.0, count: int = 0) -> Wish:
    """How the film wants to be cut: by its own pace and kind, with scenes of their own pace and its
    reference's course; `by`, `seconds` and `count` say otherwise."""
    settings = film.settings
    usual = wish_for(settings.kind, seconds or settings.pace)
    reference = settings.reference
    return Wish(
        by or settings.cut_by,
        usual.seconds,
        count,
        usual.opening if settings.opening is None else settings.opening,
        usual.first,
        scene_paces(film, read(film.text)),
        tuple(reference.shot_seconds) if reference and settings.follow_reference else (),
    )


def scene_paces(film: FilmDocument, script: Manuscript) -> dict[int, float]:
    """Seconds a shot of the scenes, by index, that have a pace of their own."""
    at = film.word_places
    return {
        script.words[at[s.first]].scene: s.pace
        for s in film.scenes
        if s.pace is not None and s.first in at
    }
