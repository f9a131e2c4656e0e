"""Pictures of shots: what is asked of an illustrator, and the take that comes of it."""

import io
from collections.abc import Sequence
from decimal import Decimal
from typing import Any, ClassVar

from PIL import Image

from cutreel.core.film import ReadShot
from cutreel.core.keys import key
from cutreel.protocol import (
    FigurePose,
    Flow,
    Guide,
    JointedFigure,
    Offer,
    PictureInput,
    PictureReference,
    Vary,
)
from cutreel.services import Delivered
from cutreel.store import Result

from ..pictures import Origin, Picture, PictureStrip, add_take, kept_picture
from ..registry import Kind, Made, Spec, offer_for
from ..work import Work

MOST_FLAMES = 8
"""Lights of a picture that tremble."""
MOST_DRAWING = 4_000_000
"""Bytes of a layer's SVG, beyond which it is not kept."""


class PictureSpec(Spec):
    """One picture: the words, the seed, the size; pictures to follow as (media, strength 0 … 100,
    of whom); how it varies as (seed, strength); a sketch to follow as (media, strength).
    `made_from`, `again` and `restyled` say how the take came to be, and do not change what it looks
    like."""

    kind: ClassVar[str] = "picture"
    made_from: str
    prompt: str
    negative: str = ""
    seed: int
    width: int
    height: int
    offer: str
    references: tuple[tuple[str, int, str], ...] = ()
    lighter: tuple[str, ...] = ()
    vary: tuple[int, float] | None = None
    guide: tuple[str, float] | None = None
    poses: tuple[FigurePose, ...] = ()
    again: dict[str, Any] | None = None
    restyled: dict[str, Any] | None = None

    @property
    def key(self) -> str:
        """As the first version of Cut Reel wrote it, so that its pictures are found."""
        optional = self.model_dump(
            mode="json",
            include={"references", "lighter", "vary", "guide", "poses"},
            exclude_defaults=True,
        )
        return key(
            "take",
            self.version,
            prompt=self.prompt,
            negative=self.negative,
            seed=self.seed,
            size=[self.width, self.height],
            offer=self.offer,
            **optional,
        )


def picture_spec(shot: ReadShot, nth: int = 0, **more: Any) -> PictureSpec:
    """The spec of the `nth` take of a shot's picture: each has the next seed."""
    return PictureSpec(
        **{
            "made_from": shot.picture_key,
            "prompt": shot.prompt.text,
            "negative": shot.sent_negative,
            "seed": shot.seed + nth,
            "width": shot.size[0],
            "height": shot.size[1],
            "offer": shot.offer,
            "references": tuple((r.media, r.strength, r.name) for r in shot.references),
            "lighter": shot.lighter,
            **more,
        }
    )


class PictureKind(Kind[PictureSpec]):
    spec = PictureSpec

    def make(self, spec: PictureSpec, work: Work) -> Made | None:
        media = [m for m, _, _ in spec.references] + ([spec.guide[0]] if spec.guide else [])
        files = {_hash(m): work.shop.media.get(m) for m in media}
        offer = work.shop.offer_named("picture", spec.offer)
        if offer is None and not work.shop.is_plugged_in(spec.offer):
            # A film may name an offer that is plugged in no more; who is there makes it then.
            offer = offer_for("picture", work.shop.offers())
        jointed = offer is not None and "jointed" in offer.understands
        name = offer.name if offer is not None else spec.offer
        done = work.ask(name, _asked(spec, jointed), spec, files)
        return None if done is None else _kept(work, done, by=done.offer or name)

    def place(self, spec: PictureSpec, made: Result, cost: Decimal, work: Work) -> None:
        """A take of its shot. A reference, or a sample of a look, has no shot and stays a
        result."""
        if work.shot is None:
            return
        asked = spec.model_dump(
            mode="json", include={"vary", "poses", "guide"}, exclude_defaults=True
        )
        told = {"asked": asked} if asked else {}
        told |= spec.model_dump(mode="json", include={"again", "restyled"}, exclude_none=True)
        offer = str(made.data.get("offer") or spec.offer)
        origin = Origin(spec.made_from, spec.seed, spec.prompt, spec.negative, offer, brought=False)
        add_take(work.shop, work.film, work.shot, Picture.of_result(made), origin, told, cost)

    def price(self, spec: PictureSpec, offers: Sequence[Offer]) -> Decimal:
        offer = offer_for("picture", offers, spec.offer)
        return offer.price.amount if offer else Decimal(0)


def _asked(spec: PictureSpec, jointed: bool) -> PictureInput:
    return PictureInput(
        prompt=spec.prompt,
        negative=spec.negative,
        lighter=list(spec.lighter),
        seed=spec.seed,
        width=spec.width,
        height=spec.height,
        references=[
            PictureReference(sha256=_hash(media), strength=strength / 100, name=whose)
            for media, strength, whose in spec.references
        ],
        poses=list(spec.poses),
        vary=Vary(seed=spec.vary[0], strength=spec.vary[1]) if spec.vary else None,
        guide=Guide(sha256=_hash(spec.guide[0]), strength=spec.guide[1]) if spec.guide else None,
        jointed=jointed,
    )


def _kept(work: Work, done: Delivered, by: str) -> Made:
    (flat, data), *more = done.files
    pngs = [(r, d) for r, d in more if r.media_type == "image/png"]
    layers = [(d, float(r.data.get("depth", 0.0))) for r, d in pngs if "depth" in r.data]
    drawings = [d for r, d in more if r.media_type == "image/svg+xml" and len(d) <= MOST_DRAWING]
    told = flat.data.get("regions")
    picture = kept_picture(
        work.shop,
        data,
        layers=layers,
        drawings=drawings,
        regions=[r for r in told if isinstance(r, dict)] if isinstance(told, list) else [],
        place=flat.data.get("place"),
        flames=_flames(flat.data.get("flames")),
        strips=_strips([(r.data, d) for r, d in pngs if "depth" not in r.data], len(layers)),
    )
    about = {**picture.as_data(), "unused_words": done.unused_words, "offer": by}
    if done.rights:
        about["rights"] = dict(done.rights)
    return Made(picture.media, about, done.cost)


def _strips(parts: Sequence[tuple[dict[str, Any], bytes]], layers: int) -> list[PictureStrip]:
    """What layers are made of; nothing where what was told of it is not sound."""
    out: list[PictureStrip] = []
    try:
        for told, png in parts:
            layer = int(told["layer"])
            if not 0 <= layer < layers:
                return []
            figure = told.get("figure")
            known = None if figure is None else JointedFigure.model_validate(figure)
            if known is not None and (layer == 0 or not _fits(known, png)):
                return []
            if layer == 0 and not any(s.layer == 0 for s in out) and not _fills(png):
                return []  # behind the hindmost there is nothing that could show through
            moves = told.get("moves")
            flow = None if moves is None else Flow.model_validate(moves)
            out.append(PictureStrip(layer, png, known, flow))
    except (KeyError, TypeError, ValueError, OSError):
        return []
    return out


def _flames(told: Any) -> list[tuple[float, float, float]]:
    """Where light trembles; nothing where what was told of it is not sound."""
    try:
        found = [(float(x), float(y), float(reach)) for x, y, reach in told or []]
    except (TypeError, ValueError):
        return []
    return [f for f in found if -1 <= f[0] <= 2 and -1 <= f[1] <= 2 and 0 < f[2] <= 2][:MOST_FLAMES]


def _fills(png: bytes) -> bool:
    """Whether a picture has no transparency."""
    with Image.open(io.BytesIO(png)) as picture:
        return picture.mode == "RGB"


def _fits(figure: JointedFigure, png: bytes) -> bool:
    """Whether all pieces lie on their sheet, on whole colour pixels."""
    with Image.open(io.BytesIO(png)) as sheet:
        wide, high = sheet.size
    return all(
        p.x + p.width <= wide
        and p.y + p.height <= high
        and not any(n % 2 for n in (p.x, p.y, p.width, p.height, p.left, p.top))
        for p in figure.pieces
    )


def _hash(media: str) -> str:
    return media.split(".", maxsplit=1)[0]
