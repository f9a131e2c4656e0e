"""The drift of a film as it stands: of every shot's picture in use, in words and in what is
seen."""

from dataclasses import dataclass, field

from cutreel.core.continuity import (
    Finding,
    ShownPicture,
    drift_in_pictures,
    drift_in_words,
    look_named,
)
from cutreel.store import Assembled


@dataclass(frozen=True)
class PersonDrift:
    """How far somebody (None: the whole picture) departs in one shot: traits that the prompt did
    not say, what was seen, and which of it the maker accepts."""

    person: int | None
    missing: tuple[str, ...] = ()
    found: tuple[Finding, ...] = ()
    accepted: frozenset[str] = frozenset()

    @property
    def worst(self) -> float | None:
        """The largest colour difference that is not accepted; None where no colour was compared."""
        values = [
            f.apart
            for f in self.found
            if f.kind == "colour" and f.apart is not None and not self.takes(f)
        ]
        return max(values, default=None)

    @property
    def open(self) -> int:
        """How many departures are marked and not accepted, in words and seen."""
        return sum(1 for m in self.missing if m not in self.accepted) + sum(
            1 for f in self.found if f.marked and not self.takes(f)
        )

    @property
    def about(self) -> list[str]:
        """What accepting everything here accepts."""
        return sorted({*self.missing, *(about_of(f) for f in self.found if f.marked)})

    def takes(self, finding: Finding) -> bool:
        return about_of(finding) in self.accepted


def about_of(finding: Finding) -> str:
    """What a finding is about, as accepting it names it."""
    return finding.trait or finding.kind


@dataclass
class _Gathered:
    missing: tuple[str, ...] = ()
    found: list[Finding] = field(default_factory=list)


def drift_of(film: Assembled) -> list[list[PersonDrift]]:
    """For each shot of the film: the drift of everybody in its picture, then of the whole picture,
    where there is any."""
    look = look_named(film.document.settings.look, film.document.looks)
    shown: list[ShownPicture] = []
    views = {p.description or p.name: tuple(p.references) for p in reversed(film.document.places)}
    for shot, take in zip(film.read.shots, film.used, strict=True):
        if take is None or take.seen is None:
            continue
        f = shot.facts
        shown.append(
            ShownPicture(
                shot.shot.id,
                take.id,
                shot.people,
                take.prompt,
                take.seen,
                f.time,
                f.framing,
                f.speaks,
                f.place,
                views.get(f.place, ()),
            )
        )
    by_shot: dict[int, dict[int | None, _Gathered]] = {}
    for finding in drift_in_pictures(shown, look.name, look.true_colours, film.kept):
        by_shot.setdefault(finding.shot, {}).setdefault(finding.person, _Gathered()).found.append(
            finding
        )
    for shot, take in zip(film.read.shots, film.used, strict=True):
        if take is None or take.brought:
            continue
        for said in drift_in_words(shot.people, take.prompt):
            by_shot.setdefault(shot.shot.id, {}).setdefault(
                said.person, _Gathered()
            ).missing = said.missing
    accepted = {(a.shot, a.take, a.person): frozenset(a.about) for a in film.document.accepted}
    out = []
    for shot, take in zip(film.read.shots, film.used, strict=True):
        own = by_shot.get(shot.shot.id, {})
        order = [*(p.id for p in shot.people), None]
        out.append(
            [
                PersonDrift(
                    person,
                    own[person].missing,
                    tuple(own[person].found),
                    accepted.get((shot.shot.id, take.id if take else "", person), frozenset()),
                )
                for person in order
                if person in own
            ]
        )
    return out
