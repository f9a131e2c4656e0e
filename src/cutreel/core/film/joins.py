"""The joins of a film: planned by what turns at them, and as the maker wants them."""

from collections.abc import Sequence
from typing import NamedTuple

from cutreel.core.continuity import look_named
from cutreel.core.joins import Turn, plan_joins
from cutreel.core.joins.planned import PlannedJoin
from cutreel.core.kept import Kept
from cutreel.core.timeline import FrameRate, JoinHow, Span

from .reading import ReadFilm


class FilmJoin(NamedTuple):
    """How the shot before goes over into a shot, why, what turns there, and whether the maker set it."""

    how: JoinHow
    why: str
    turn: Turn
    by_hand: bool


def joins_of(
    read: ReadFilm, spans: Sequence[Span], rate: FrameRate, memory: Kept
) -> list[FilmJoin]:
    """The join in front of every shot but the first."""
    settings = read.document.settings
    headed = {n for n, scene in enumerate(read.script.scenes) if scene.title}
    around = [shot.around for shot in read.shots]
    medium = look_named(settings.look, read.document.looks).medium
    own = [shot.shot.own.join for shot in read.shots[1:]]
    whole = (settings.joins, settings.dissolve, settings.kind, medium)

    def joined() -> list[FilmJoin]:
        starts = [rate.seconds(span.start) for span in spans]
        return _joined(own, plan_joins(around, starts, headed, *whole))

    return memory.of("joins", joined, (around, own, headed, whole, rate, spans))


def _joined(by_hand: Sequence[JoinHow | None], planned: Sequence[PlannedJoin]) -> list[FilmJoin]:
    out: list[FilmJoin] = []
    for own, join in zip(by_hand, planned, strict=True):
        if own is None:
            out.append(FilmJoin(join.how, join.why, join.turn, False))
        else:
            out.append(FilmJoin(own, "set by hand", join.turn, True))
    return out


def led(read: ReadFilm, spans: Sequence[Span], rate: FrameRate) -> list[Span]:
    """The shots with the cuts at which sound leads or trails moved: a picture comes so much later, or earlier, than its
    words; every shot keeps a frame."""
    wishes = [
        shot.shot.own.join.sound if shot.shot.own.join is not None else 0.0 for shot in read.shots
    ]
    if not any(wishes[1:]):
        return list(spans)
    edges = [span.start for span in spans]
    for i in range(1, len(edges)):
        if wishes[i]:
            moved = edges[i] + rate.frames(abs(wishes[i])) * (1 if wishes[i] > 0 else -1)
            edges[i] = max(edges[i - 1] + 1, min(spans[i].end - 1, moved))
    ends = [*edges[1:], spans[-1].end]
    return [Span(a, b) for a, b in zip(edges, ends, strict=True)]
