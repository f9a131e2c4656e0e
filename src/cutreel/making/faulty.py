"""The faults of a film's takes as they stand."""

from pydantic import ValidationError

from cutreel.core.continuity import figures_of
from cutreel.core.film import ReadShot
from cutreel.core.pictures import Checks, Fault, FigureSeen, alike, faults_of_picture
from cutreel.store import Assembled, TakeRow

from .drifting import seen_of

Faults = dict[str, list[Fault]]


def faults_of(film: Assembled) -> list[Faults]:
    """For each shot of the film: the faults of its takes, by the take's id. That a picture is
    nearly another shot's is told of those in use."""
    wide, high = (int(n) for n in film.document.settings.aspect.split(":"))
    out: list[Faults] = []
    prints: list[tuple[int, str]] = []
    for shot, takes, used in zip(film.read.shots, film.takes, film.used, strict=True):
        found: Faults = {}
        if shot.picture_of == shot.shot.id:
            for take in takes:
                checks = _checks(take)
                if checks is None:
                    continue
                found[take.id] = faults_of_picture(
                    checks, wide / high, shot.facts.framing, _figures(shot, take)
                )
                if used is not None and take.id == used.id:
                    prints.append((shot.shot.id, checks.print))
        out.append(found)
    edges = {s.shot.id: s.shot.edge for s in film.read.shots}
    twins = alike(prints)
    for shot, used, found in zip(film.read.shots, film.used, out, strict=True):
        if used is not None and used.id in found and shot.shot.id in twins:
            found[used.id].append(
                Fault("alike", f"nearly the picture of shot {edges[twins[shot.shot.id]]}")
            )
    return out


def _checks(take: TakeRow) -> Checks | None:
    try:
        return Checks.model_validate(take.about["checked"]) if "checked" in take.about else None
    except ValidationError:
        return None


def _figures(shot: ReadShot, take: TakeRow) -> list[FigureSeen]:
    seen = seen_of(take)
    if seen is None:
        return []
    return [
        FigureSeen(person.name, f.box, f.height, f.facing, shot.facts.speaks == person.id)
        for person, f in figures_of(shot.people, seen)
        if not person.is_animal
    ]
