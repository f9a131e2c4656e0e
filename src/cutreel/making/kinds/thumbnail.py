"""Pictures made for thumbnails alone: after a prompt, with the shot's own picture to follow."""

from decimal import Decimal
from typing import ClassVar, Literal

from pydantic import Field

from cutreel.core.errors import BadInput
from cutreel.core.film import Aspect, ReadShot, heads_told, near_shot
from cutreel.core.film.commands import AddThumbnailPicture
from cutreel.core.keys import seed_from
from cutreel.core.publishing import MOST_PROMPT, ThumbnailPicture
from cutreel.store import Assembled, ItemSpec, Result

from ..changing import change_now
from ..pictures import Picture
from ..registry import RunKind, Stage, Takes, Wanted, item
from ..work import Work
from ..workshop import Workshop
from .picture import PictureKind, PictureSpec, picture_spec

MOST_REFERENCES = 4
"""Pictures that a service is given to follow."""


class ThumbnailSpec(PictureSpec):
    """A picture for thumbnails: asked for as a shot's is, and not paid again where it is the same. `of` is the shot
    that its prompt began with."""

    kind: ClassVar[str] = "thumbnail"
    of: int


class ThumbnailKind(PictureKind):
    spec: type[PictureSpec] = ThumbnailSpec

    def place(self, spec: PictureSpec, made: Result, cost: Decimal, work: Work) -> None:
        """Among the film's pictures for thumbnails; it is no take of any shot."""
        assert isinstance(spec, ThumbnailSpec)
        kept = Picture.of_result(made)
        picture = ThumbnailPicture(
            media=kept.media,
            thumb=kept.thumb,
            shot=spec.of,
            prompt=spec.prompt[:MOST_PROMPT],
            seed=spec.seed,
            offer=str(made.data.get("offer") or spec.offer),
            layers=[*kept.layers],
            heads=[(h.x, h.top, h.low) for h in heads_told(kept.about.get("regions", []))],
            rights=made.data.get("rights", {}),
        )
        change_now(
            work.shop,
            work.film,
            lambda film: (
                None if picture in film.thumbnail_pictures else AddThumbnailPicture(picture=picture)
            ),
        )


class ThumbnailWanted(Wanted):
    """Pictures for thumbnails: after a `prompt` (empty: the shot seen near), in a shape, following the picture of their
    `shot` by `strength` (0 … 100; 0: not)."""

    kind: Literal["thumbnail"] = "thumbnail"
    shot: int
    prompt: str = Field("", max_length=MOST_PROMPT)
    shape: Aspect = "16:9"
    strength: int = Field(50, ge=0, le=100)
    takes: int = Takes


def missing_thumbnails(film: Assembled, wanted: ThumbnailWanted, shop: Workshop) -> list[ItemSpec]:
    """The next pictures of a wish. Raises NotFound for a shot that is gone, BadInput for a prompt that is too long."""
    near = near_shot(film, wanted.shot, wanted.shape)
    drawn = film.read.offered.drawn_by(near.offer)
    prompt = wanted.prompt.strip() or near.prompt.text
    if len(prompt) > drawn.prompt_cap:
        raise BadInput(
            f"The prompt has {len(prompt)} characters, and this offer reads {drawn.prompt_cap}.",
            "Make it shorter.",
        )
    first = seed_from(film.document.settings.seed, "thumbnail", prompt) % 900_000
    specs = [
        ThumbnailSpec(
            **picture_spec(
                near,
                made_from="",
                prompt=prompt,
                seed=first + n,
                references=_references(film, near, wanted, "references" in drawn.understands),
            ).model_dump(),
            of=wanted.shot,
        )
        for n in range(len(film.document.thumbnail_pictures) + wanted.takes)
    ]
    there = {(p.prompt, p.seed, p.shot) for p in film.document.thumbnail_pictures}
    fresh = [s for s in specs if (s.prompt, s.seed, s.of) not in there][: wanted.takes]
    return [item(s, f"thumbnail of shot {near.shot.edge}", weight=1.6) for s in fresh]


def _references(
    film: Assembled, near: ReadShot, wanted: ThumbnailWanted, understood: bool
) -> tuple[tuple[str, int, str], ...]:
    """The shot's own picture first, then what any picture of the shot follows."""
    if not understood:
        return ()
    at = next(i for i, s in enumerate(film.read.shots) if s.shot.id == wanted.shot)
    take = film.used[at]
    own = [(take.media, wanted.strength, "")] if take is not None and wanted.strength else []
    sheets = [(r.media, r.strength, r.name) for r in near.references]
    return tuple([*own, *sheets][:MOST_REFERENCES])


THUMBNAIL_RUN = RunKind(ThumbnailWanted, lambda wanted: [Stage("thumbnails", missing_thumbnails)])
