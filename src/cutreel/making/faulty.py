"""The faults of a film's takes as they stand."""

from collections.abc import Sequence
from functools import partial

from pydantic import ValidationError

from cutreel.core.continuity import figures_of
from cutreel.core.film import ReadShot, proportion
from cutreel.core.pictures import (
    Checks,
    ClipChecks,
    Fault,
    FigureSeen,
    alike,
    faults_of_clip,
    faults_of_picture,
)
from cutreel.store import Assembled, TakeRow

from .moving import ending_of

Faults = dict[str, list[Fault]]


def faults_of(film: Assembled) -> list[Faults]:
    """For each shot of the film: the faults of its takes, by the take's id. That a picture is
    nearly another shot's is told of those in use."""
    shape = proportion(film.document.settings.aspect)
    broken = broken_chains(film)
    out: list[Faults] = []
    prints: list[tuple[int, str]] = []
    for shot, takes, used in zip(film.read.shots, film.takes, film.used, strict=True):
        if shot.picture_of != shot.shot.id or not takes:
            out.append({})
            continue
        told = (shape, shot.facts.framing, shot.facts.speaks, broken)
        kept = partial(_of_shot, shot, takes, shape, broken)
        found = film.kept.of(("faults", shot.shot.id), kept, told, (takes, shot.people))
        out.append({take: faults for take, (faults, _) in found.items()})
        seen = found.get(used.id) if used is not None else None
        if seen is not None and seen[1]:
            prints.append((shot.shot.id, seen[1]))
    edges = {s.shot.id: s.shot.edge for s in film.read.shots}
    twins = film.kept.of("pictures alike", lambda: alike(prints), prints)
    for shot, used, faults in zip(film.read.shots, film.used, out, strict=True):
        if used is not None and used.id in faults and shot.shot.id in twins:
            near = Fault("alike", f"nearly the picture of shot {edges[twins[shot.shot.id]]}")
            faults[used.id] = [*faults[used.id], near]
    return out


def _of_shot(
    shot: ReadShot, takes: Sequence[TakeRow], shape: float, broken: frozenset[str]
) -> dict[str, tuple[list[Fault], str]]:
    """The faults of each take of a shot, with its picture's print (empty: none was taken)."""
    out: dict[str, tuple[list[Fault], str]] = {}
    for take in takes:
        if "lost" in take.about:
            told = f"its file is {take.about['lost']}: make it again, or bring it again"
            out[take.id] = ([Fault("lost", told)], "")
            continue
        checks = _checks(take)
        if checks is not None:
            figures = _figures(shot, take)
            found = faults_of_picture(checks, shape, shot.facts.framing, figures)
            out[take.id] = ([*found, *_of_clip(take, broken)], checks.print)
    return out


def broken_chains(film: Assembled) -> frozenset[str]:
    """Takes that begin with a frame with which the shot before does not end any more, by their ids."""
    places = {s.shot.id: i for i, s in enumerate(film.read.shots)}
    out = set()
    for take in (t for takes in film.takes for t in takes if "chain" in t.about):
        chain = take.about["chain"]
        before = places.get(chain["shot"])
        if before is None or ending_of(film, before) != chain["key"]:
            out.add(take.id)
    return frozenset(out)


def _of_clip(take: TakeRow, broken: frozenset[str]) -> list[Fault]:
    """The faults of a take that is a clip; and that it hangs on a shot that ends otherwise now."""
    measured = take.about.get("clip", {}).get("checked")
    out = (
        faults_of_clip(ClipChecks.model_validate(measured), "into" in take.about)
        if measured
        else []
    )
    if take.id in broken:
        out.append(Fault("stale", "the shot that it goes on from ends otherwise now"))
    return out


def _checks(take: TakeRow) -> Checks | None:
    try:
        return Checks.model_validate(take.about["checked"]) if "checked" in take.about else None
    except ValidationError:
        return None


def _figures(shot: ReadShot, take: TakeRow) -> list[FigureSeen]:
    if take.seen is None:
        return []
    return [
        FigureSeen(person.name, f.box, f.height, f.facing, shot.facts.speaks == person.id)
        for person, f in figures_of(shot.people, take.seen)
        if not person.is_animal
    ]
