"""Two cuts of one film side by side: what of them differs, shot by shot."""

from typing import Any, Literal, NamedTuple

from .assembled import Assembled
from .house import KEPT

Differs = Literal["setting", "title", "gone", "new", "words", "picture", "time", "made", "order"]
LEAST = 2
"""Frames by which the length of a shot has to differ."""


class CutDifference(NamedTuple):
    """Something that two cuts have otherwise: of what sort, of which shot (its number and edge; None: of the film), and
    how it is `here` and `there`."""

    sort: Differs
    shot: int | None
    edge: str
    what: str
    here: Any
    there: Any


def cut_differences(here: Assembled, there: Assembled) -> list[CutDifference]:
    """What differs, the film's own first, then shots in the order of time. Cuts share the numbers of their shots."""
    out: list[CutDifference] = []
    one, other = (f.document.settings.model_dump(mode="json") for f in (here, there))
    if here.document.title != there.document.title:
        out.append(_of_film("title", "title", here.document.title, there.document.title))
    out += [
        _of_film("setting", k, one[k], other[k]) for k in one if k in KEPT and one[k] != other[k]
    ]
    places = {s.shot.id: i for i, s in enumerate(there.read.shots)}
    known = {s.shot.id for s in here.read.shots}
    for i, shot in enumerate(here.read.shots):
        number, edge = shot.shot.id, shot.shot.edge
        at = places.get(number)
        if at is None:
            out.append(CutDifference("gone", number, edge, "not in the other cut", shot.text, ""))
            continue
        twin = there.read.shots[at]
        if shot.text != twin.text:
            out.append(CutDifference("words", number, edge, "words", shot.text, twin.text))
        pictures = tuple(u.media if u else "" for u in (here.used[i], there.used[at]))
        if pictures[0] != pictures[1]:
            out.append(CutDifference("picture", number, edge, "picture", *pictures))
        mine, its = (
            here.spans[i].frames / here.rate.fraction,
            there.spans[at].frames / there.rate.fraction,
        )
        if abs(mine - its) * here.rate.fraction >= LEAST:
            seconds = (round(float(mine), 2), round(float(its), 2))
            out.append(CutDifference("time", number, edge, "seconds", *seconds))
        own, theirs = (
            s.shot.own.model_dump(mode="json", exclude_defaults=True) for s in (shot, twin)
        )
        named = sorted(k for k in own.keys() | theirs.keys() if own.get(k) != theirs.get(k))
        if named:
            out.append(CutDifference("made", number, edge, ", ".join(named), own, theirs))
    for shot in there.read.shots:
        if shot.shot.id not in known:
            edge = shot.shot.edge
            out.append(CutDifference("new", None, edge, "only in the other cut", "", shot.text))
    both = [s.shot.id for s in here.read.shots if s.shot.id in places]
    theirs_order = [s.shot.id for s in there.read.shots if s.shot.id in known]
    if both != theirs_order:
        out.append(_of_film("order", "the order of shots", "", ""))
    return out


def _of_film(sort: Differs, what: str, here: Any, there: Any) -> CutDifference:
    return CutDifference(sort, None, "", what, here, there)
