"""Who makes what: chosen for a film, a scene, somebody of the cast or a shot; the nearest choice holds."""

from collections.abc import Iterable, Mapping
from typing import Annotated, Literal

from pydantic import StringConstraints

MadeKind = Literal["picture", "clip", "sound", "music", "enlarge"]
"""Kinds whose maker is chosen by its offer. Who speaks is chosen by voice."""
OfferName = Annotated[str, StringConstraints(min_length=1, max_length=60)]
MadeBy = dict[MadeKind, OfferName]


def made_by(choices: Iterable[Mapping[MadeKind, str] | None]) -> MadeBy:
    """The offer that makes each kind, of choices from the nearest (a shot's) to the farthest (the film's); a kind that
    nobody chose for is left to whoever is first for it."""
    found: MadeBy = {}
    for choice in choices:
        for kind, offer in (choice or {}).items():
            found.setdefault(kind, offer)
    return found
