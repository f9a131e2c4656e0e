"""What a maker may ask for that is more than one kind of thing: everything, a delivery."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Literal

from pydantic import Field

from cutreel.core.render import FILE_FORMS, FileForm
from cutreel.store import Assembled, ItemSpec, new_id

from .kinds.film import FilmSpec
from .kinds.mix import missing_mix
from .kinds.segment import missing_segments
from .kinds.sound import missing_music, missing_sounds
from .kinds.speech import unspoken
from .lacking import lacks_of
from .picking import missing_pictures
from .planning import PREVIEW_SIZE
from .registry import Captions, RunKind, Stage, Wanted, item
from .workshop import Workshop

Size = Literal["360p", "720p", "1080p", "1440p", "2160p"]


class EverythingWanted(Wanted):
    """All that a film has not yet: lines, pictures, sounds, music, the mix, and the preview's
    segments."""

    kind: Literal["everything"] = "everything"


class SoundsWanted(Wanted):
    """Sounds and music that are not made yet: of some `cues`, by id, or of all."""

    kind: Literal["sounds"] = "sounds"
    cues: tuple[str, ...] = Field((), max_length=400)


class DeliveryWanted(Wanted):
    """The finished file, of a `form`: for the web, to be kept, in other codecs, or picture by picture as it was drawn.
    With `make`, what is missing is made first. Where something is `lacking`
    then, the delivery stops, or goes on with what stands in for it: paper pages for pictures,
    silence for lines."""

    kind: Literal["delivery"] = "delivery"
    size: Size = "1080p"
    captions: Captions | None = None
    form: FileForm = "web"
    make: bool = True
    lacking: Literal["stop", "stand in"] = "stop"


def _made(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    return [
        *unspoken(film, wanted, shop),
        *missing_pictures(film, wanted, shop),
        *missing_sounds(film, wanted, shop),
    ]


def _sounds(film: Assembled, wanted: SoundsWanted, shop: Workshop) -> list[ItemSpec]:
    if wanted.cues:
        film = replace(film, cues=[c for c in film.cues if c.id in set(wanted.cues)])
    return [*missing_sounds(film, wanted, shop), *missing_music(film, wanted, shop)]


def _previewed(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    return missing_segments(film, "preview", shop, PREVIEW_SIZE, None)


def _rendered(film: Assembled, wanted: DeliveryWanted, shop: Workshop) -> list[ItemSpec]:
    quality = FILE_FORMS[wanted.form].quality
    return missing_segments(film, quality, shop, wanted.size, wanted.captions)


def _joined(film: Assembled, wanted: DeliveryWanted, shop: Workshop) -> list[ItemSpec]:
    spec = FilmSpec(run=new_id(), size=wanted.size, captions=wanted.captions, form=wanted.form)
    return [item(spec, "join the film", weight=1 + film.seconds * 0.03)]


def _delivery(wanted: DeliveryWanted) -> Sequence[Stage]:
    strict = wanted.lacking == "stop"
    making = [Stage("made", _made, needs_all=strict), Stage("music", missing_music, strict)]
    return [
        *(making if wanted.make else []),
        Stage("mix", missing_mix, needs_all=True),
        Stage("segments", _rendered, needs_all=True, estimated=False),
        Stage("join", _joined, needs_all=True, estimated=False),
    ]


EVERYTHING_RUN = RunKind(
    EverythingWanted,
    lambda wanted: [
        Stage("made", _made),
        Stage("music", missing_music),
        Stage("mix", missing_mix),
        Stage("preview", _previewed, estimated=False),
    ],
)
SOUNDS_RUN = RunKind(SoundsWanted, lambda wanted: [Stage("sounds", _sounds)])
DELIVERY_RUN = RunKind(DeliveryWanted, _delivery, lacks_of)
