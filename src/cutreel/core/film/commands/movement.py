"""Changes of how shots move, beyond what is set for each."""

from bisect import bisect_left
from typing import Any, Literal

from pydantic import Field

from cutreel.core.errors import BadInput

from ..document import FilmDocument
from ..shots import shot_numbered
from .base import OF_SHOTS, FilmCommand
from .choices import with_values

Part = Literal["path", "fit", "acts", "air"]


class CopyMovement(FilmCommand):
    """Let other shots move as one does: its `values` of some parts. An action goes with the word that stands as far in
    the other shot as its own does here."""

    touches = OF_SHOTS
    type: Literal["copy movement"] = "copy movement"
    shot: int
    to: list[int] = Field(min_length=1, max_length=20_000)
    values: dict[Part, Any]

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if not self.values:
            raise BadInput("Nothing was chosen to be copied.", "Choose the camera, actions or air.")
        _, source = shot_numbered(film, self.shot)
        # What may not be is refused before it is carried anywhere.
        asked = with_values(source.own, self.values)
        spans = _spans(film)
        first, end = spans[self.shot]
        for number in self.to:
            _, shot = shot_numbered(film, number)
            values: dict[str, Any] = {name: getattr(asked, name) for name in self.values}
            if values.get("acts"):
                begin, stop = spans[number]
                values["acts"] = [
                    a.model_copy(
                        update={"word": _carried(film, a.word, (first, end), (begin, stop))}
                    )
                    for a in values["acts"]
                ]
            shot.own = shot.own.model_copy(update=values)
        many = f"{len(self.to)} shots" if len(self.to) > 1 else f"shot {shot.edge}"
        return f"copy the movement of shot {source.edge} to {many}"


def _spans(film: FilmDocument) -> dict[int, tuple[int, int]]:
    """For each shot the places of its words: the first, and the one behind the last."""
    places = film.word_places
    opens = sorted((places[s.first], s.id) for s in film.shots if s.first is not None)
    starts = [at for at, _ in opens]
    whole = len(film.word_ids)
    out = {s.id: (0, 0) for s in film.shots}
    for at, number in opens:
        after = bisect_left(starts, at + 1)
        out[number] = (at, starts[after] if after < len(starts) else whole)
    return out


def _carried(
    film: FilmDocument, word: int | None, here: tuple[int, int], there: tuple[int, int]
) -> int | None:
    at = film.word_places.get(word) if word is not None else None
    if at is None or not here[0] <= at < here[1] or there[1] <= there[0]:
        return None
    share = (at - here[0]) / (here[1] - here[0])
    return film.word_ids[there[0] + int(share * (there[1] - there[0]))]
