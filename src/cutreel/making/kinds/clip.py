"""Clips of shots: a take's picture set in motion by a service, as long as its words or nearly so."""

from collections.abc import Sequence
from decimal import Decimal
from functools import cache, partial
from typing import ClassVar, Literal

from pydantic import BaseModel, Field

from cutreel.core.errors import BadInput
from cutreel.core.film import prompts_of
from cutreel.protocol import ClipInput, Offer
from cutreel.store import Assembled, ItemSpec, Result, TakeRow

from ..apart import CLIP, reader
from ..moving import ending_of, last_frame
from ..pictures import Origin, Picture, add_take, keep_clip, opened_clip, size_of
from ..registry import MEDIA, Kind, Made, RunKind, Spec, Stage, Takes, Wanted, item, offer_for
from ..work import Work
from ..workshop import Workshop


class Chain(BaseModel):
    """That a clip begins with the last frame of a shot (its number), as that was (`key`)."""

    shot: int
    key: str


class ClipSpec(Spec):
    """A clip: of a picture, by a motion prompt, so many seconds, with a seed; `take` is the one it is made of;
    `chain` says what its first picture was the last frame of."""

    kind: ClassVar[str] = "clip"
    made_of: ClassVar[frozenset[str] | None] = frozenset(
        {"media", "last", "prompt", "negative", "seconds", "seed", "strength", "sound", "width"}
        | {"height", "offer"}
    )
    take: str
    chain: Chain | None = None
    media: str = Field(pattern=MEDIA)
    last: str | None = Field(None, pattern=MEDIA)
    prompt: str
    negative: str = ""
    seconds: float
    seed: int
    strength: float = 0.5
    sound: bool = False
    width: int
    height: int
    offer: str


class ClipKind(Kind[ClipSpec]):
    spec = ClipSpec

    def make(self, spec: ClipSpec, work: Work) -> Made | None:
        names = [media.split(".", maxsplit=1)[0] for media in (spec.media, spec.last) if media]
        job = ClipInput(
            picture=names[0],
            last=names[-1] if spec.last else None,
            prompt=spec.prompt,
            negative=spec.negative,
            seconds=spec.seconds,
            seed=spec.seed,
            strength=spec.strength,
            sound=spec.sound,
            width=spec.width,
            height=spec.height,
        )
        pictures = zip(names, (spec.media, spec.last), strict=False)
        files = {name: work.shop.media.get(media) for name, media in pictures if media}
        done = work.ask(spec.offer, job, spec, files)
        if done is None:
            return None
        # Whoever becomes another picture, or goes on from one, has nothing to lose.
        of = None if spec.last or spec.chain else work.shop.takes.get(spec.take).seen
        clip = reader.read(opened_clip, done.files[0][1], what=CLIP)
        picture = keep_clip(work.shop, clip, work.shop.media.get(spec.media), of)
        about = {**picture.as_data(), "unused_words": done.unused_words}
        if done.rights:
            about["rights"] = dict(done.rights)
        return Made(picture.media, about, done.cost)

    def place(self, spec: ClipSpec, made: Result, cost: Decimal, work: Work) -> None:
        """A take beside the one whose picture moves in it, and as fresh as it."""
        base = work.shop.takes.get(spec.take)
        regions = base.about.get("regions", [])
        told = {"clip_of": base.number, "regions": regions}
        if spec.chain is not None:
            told["chain"] = spec.chain.model_dump()
        if spec.last is not None:
            told["into"] = spec.last
        origin = Origin.of(base, seed=spec.seed, prompt=spec.prompt, offer=spec.offer)
        add_take(work.shop, work.film, base.shot, Picture.of_result(made), origin, told, cost)

    def price(self, spec: ClipSpec, offers: Sequence[Offer]) -> Decimal:
        offer = offer_for("clip", offers, spec.offer)
        return offer.price.amount * Decimal(str(spec.seconds)) if offer else Decimal(0)


class ClipsWanted(Wanted):
    """Clips of some `shots`, of the pictures that they use, `takes` of each; `chained`: each begins with the last frame
    of the shot before it; `into`: each ends as the picture of the shot after it; with a `sound` of their own, if
    wanted."""

    kind: Literal["clips"] = "clips"
    shots: list[int] = Field(min_length=1, max_length=20_000)
    takes: int = Takes
    strength: float = Field(0.5, ge=0, le=1)
    chained: bool = False
    into: bool = False
    sound: bool = False


def clips_of(film: Assembled, wanted: ClipsWanted, shop: Workshop) -> list[ItemSpec]:
    """One item for each clip. Raises BadInput where no shot that is asked for has a picture to move."""
    named = set(wanted.shots)
    of_name = cache(partial(shop.offer_of, "clip"))
    out: list[ItemSpec] = []
    for i, (shot, take, takes, span) in enumerate(
        zip(film.read.shots, film.used, film.takes, film.spans, strict=True)
    ):
        base = _still(take, takes)
        if shot.shot.id not in named or base is None:
            continue
        offer = of_name(shot.made_by.get("clip", ""))
        prompt = prompts_of(shot, film.read).motion.text
        width, height = _within(size_of(shop, base), offer)
        begins, chain = base.media, None
        if wanted.chained and i and film.used[i - 1] is not None:
            begins = last_frame(shop, film, i - 1)
            chain = Chain(shot=film.read.shots[i - 1].shot.id, key=ending_of(film, i - 1))
        last = film.used[i + 1] if wanted.into and i + 1 < len(film.used) else None
        for nth in range(wanted.takes):
            spec = ClipSpec(
                take=base.id,
                chain=chain,
                media=begins,
                last=last.media if last is not None else None,
                prompt=prompt[: offer.caps.prompt_characters or None],
                negative=base.negative if "negative" in offer.understands else "",
                seconds=length_for(film.rate.seconds(span.end - span.start), offer),
                seed=shot.seed + nth,
                strength=wanted.strength,
                sound=wanted.sound,
                width=width,
                height=height,
                offer=offer.name,
            )
            label = f"a clip of shot {shot.shot.edge}"
            out.append(item(spec, label, shot.shot.id, offer.seconds_each))
    if not out:
        raise BadInput("There is no picture to move.", "Make the shot's picture first.")
    return out


def _still(used: TakeRow | None, takes: Sequence[TakeRow]) -> TakeRow | None:
    """The picture that a clip is made of: the one in use, or where that is a clip, the one it was made of."""
    if used is None or "clip" not in used.about:
        return used
    number = used.about.get("clip_of")
    return next((t for t in takes if t.number == number), None)


def length_for(seconds: float, offer: Offer) -> float:
    """The length that an offer has which is nearest to a shot's, as a ratio."""
    lengths = offer.lengths or [min(seconds, offer.caps.seconds or seconds)]
    return min(lengths, key=lambda n: max(n / seconds, seconds / n))


def _within(size: tuple[int, int], offer: Offer) -> tuple[int, int]:
    """A picture's size as an offer takes it, even."""
    wide, high = size
    scale = min(1.0, (offer.caps.width or wide) / wide, (offer.caps.height or high) / high)
    return round(wide * scale / 2) * 2, round(high * scale / 2) * 2


CLIPS_RUN = RunKind(ClipsWanted, lambda wanted: [Stage("clips", clips_of)])
