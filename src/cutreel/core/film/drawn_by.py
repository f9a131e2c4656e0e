"""A film as one offer would be asked for all of its pictures, whoever was chosen for some of them."""

from collections.abc import Mapping
from typing import TypeVar

from cutreel.core.continuity import MadeBy, MadeKind

from .document import FilmDocument, SceneChoice, Shot

Part = TypeVar("Part", Shot, SceneChoice)


def all_drawn_by(film: FilmDocument, offer: str) -> FilmDocument:
    """The film with every picture made by `offer`. The film itself is not changed."""
    return film.model_copy(
        update={
            "settings": film.settings.model_copy(update={"offer": offer}),
            "shots": [_free(s) for s in film.shots],
            "scenes": [_free(s) for s in film.scenes],
            "cast": [
                p.model_copy(update={"made_by": _others(p.made_by)}) if p.made_by else p
                for p in film.cast
            ],
        }
    )


def _free(part: Part) -> Part:
    if not part.own.made_by:
        return part
    own = part.own.model_copy(update={"made_by": _others(part.own.made_by)})
    return part.model_copy(update={"own": own})


def _others(chosen: Mapping[MadeKind, str]) -> MadeBy:
    return {kind: offer for kind, offer in chosen.items() if kind != "picture"}
