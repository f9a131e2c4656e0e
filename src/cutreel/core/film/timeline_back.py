"""What a timeline that came back would change in the film, as changes of our own."""

from bisect import bisect_left
from collections import Counter
from collections.abc import Callable, Sequence
from typing import NamedTuple

from cutreel.core.errors import BadInput
from cutreel.core.interchange import BackShot

from .assembled import Assembled
from .changes import Command
from .commands import EditText, MoveShot, SetHold
from .document import FilmDocument
from .moved import moved_words

LEAST = 2
"""Frames by which a shot has to differ: one is the rounding of words to frames."""


class BackChange(NamedTuple):
    """Something that a timeline has otherwise: which shot, in words, and the change that takes it over (None: it cannot
    be taken, `says` why)."""

    edge: str
    says: str
    command: Command | None


Laid = Callable[[FilmDocument], Assembled]
"""Lays a film out in time."""


def changes_back(
    film: Assembled, back: Sequence[BackShot], laid: Laid | None = None
) -> list[BackChange]:
    """Lengths, removed and repeated shots, and another order, in the film's order. With `laid`, holds are tried, so
    that a shot comes out as long as it is wanted: a cut that is held lies elsewhere between two words."""
    rate = film.rate
    times: Counter[str] = Counter()
    for b in back:
        times[b.edge] += rate.frames(b.seconds)
    seen = Counter(b.edge for b in back)
    out: list[BackChange] = []
    for read, span in zip(film.read.shots, film.spans, strict=True):
        edge, shot = read.shot.edge, read.shot
        if edge not in seen:
            out.append(_removed(film, edge, read.first, read.end))
            continue
        if seen[edge] > 1:
            out.append(
                BackChange(edge, f"is there {seen[edge]} times: it stays one shot here", None)
            )
        more = times[edge] - span.frames
        if abs(more) < LEAST:
            continue
        said = f"{rate.seconds(abs(more)):.2f} s {'longer' if more > 0 else 'shorter'}"
        hold = round(shot.hold + rate.seconds(more), 3)
        if hold >= (0.2 if shot.first is None else 0):
            held = SetHold(shot=shot.id, seconds=hold)
            if laid is not None:
                held = _tried(film, held, span.frames + more, laid)
            out.append(BackChange(edge, said, held))
        else:
            why = f"{said} than its words take: have them said more quickly, or cut some"
            out.append(BackChange(edge, why, None))
    return [*out, *_moved(film, back)]


def _moved(film: Assembled, back: Sequence[BackShot]) -> list[BackChange]:
    """The fewest shots that have to be put elsewhere for the order that came back."""
    shots = {s.shot.edge: s.shot for s in film.read.shots}
    order = [e for e in dict.fromkeys(b.edge for b in back) if e in shots]
    place = {s.shot.edge: i for i, s in enumerate(film.read.shots)}
    stays = set(_longest_rising([place[e] for e in order]))
    out: list[BackChange] = []
    for i, edge in enumerate(order):
        if place[edge] in stays:
            continue
        follower = next((e for e in order[i + 1 :] if place[e] in stays), None)
        before = shots[follower].id if follower is not None else None
        told = f"comes before shot {follower}" if follower is not None else "comes last"
        move = MoveShot(shot=shots[edge].id, before=before)
        try:
            moved_words(film.document, move.shot, before)
        except BadInput as error:
            out.append(BackChange(edge, f"{told}: {error.message} {error.advice}", None))
        else:
            out.append(BackChange(edge, told, move))
    return out


def _longest_rising(numbers: Sequence[int]) -> list[int]:
    """The longest run of rising numbers among them, left ones out (patience sorting)."""
    tails: list[int] = []
    ends: list[int] = []
    before: list[int | None] = []
    for i, number in enumerate(numbers):
        at = bisect_left(tails, number)
        before.append(ends[at - 1] if at else None)
        if at == len(tails):
            tails.append(number)
            ends.append(i)
        else:
            tails[at], ends[at] = number, i
    out: list[int] = []
    here = ends[-1] if ends else None
    while here is not None:
        out.append(numbers[here])
        here = before[here]
    return out[::-1]


def _tried(film: Assembled, held: SetHold, frames: int, laid: Laid) -> SetHold:
    """A hold with which its shot is so many frames long, as near as a hold can bring it."""
    document = film.document.model_copy(
        update={
            "shots": [
                s.model_copy(update={"hold": held.seconds}) if s.id == held.shot else s
                for s in film.document.shots
            ]
        }
    )
    again = laid(document)
    at = next(i for i, s in enumerate(again.read.shots) if s.shot.id == held.shot)
    over = film.rate.seconds(again.spans[at].frames - frames)
    return held.model_copy(update={"seconds": max(0.0, round(held.seconds - over, 3))})


def _removed(film: Assembled, edge: str, first: int, end: int) -> BackChange:
    if end <= first:
        return BackChange(
            edge, "is not there, and has no words to cut: give it back to its neighbour", None
        )
    words = film.read.script.words
    start = words[first].start
    stop = (
        words[end].start
        if end < len(words) and words[end].paragraph == words[first].paragraph
        else words[end - 1].end
    )
    return BackChange(
        edge, "is not there: its words go", EditText(start=start, end=stop, insert="")
    )
