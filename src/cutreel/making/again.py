"""Pictures made again from a take, with something changed: a little other, in a pose, after a
sketch."""

from typing import Any, Literal

from pydantic import Field

from cutreel.core.errors import BadInput
from cutreel.core.keys import seed_from
from cutreel.protocol import FigurePose, Offer
from cutreel.store import Assembled, ItemSpec, TakeRow

from .kinds.picture import PictureSpec, picture_spec
from .picking import take_of
from .registry import MEDIA, RunKind, Stage, Takes, Wanted, item
from .workshop import Workshop

SLIGHTLY = 0.5
"""How much the further candidates of a pose or a sketch vary from the first (0 … 1)."""


class AgainWanted(Wanted):
    """Candidates of a `take`, with one or more of: varied by `vary` (0 … 100), in `poses`, after a
    `guide` (a media file) followed with `strength` (0 … 100); at an `offer` (None: the take's own)."""

    kind: Literal["again"] = "again"
    take: str
    takes: int = Takes
    vary: float | None = Field(None, ge=0, le=100)
    poses: tuple[FigurePose, ...] = Field((), max_length=4)
    guide: str | None = Field(None, pattern=MEDIA)
    strength: float = Field(80, ge=0, le=100)
    offer: str | None = Field(None, max_length=60)

    @property
    def how(self) -> str:
        return "pose" if self.poses else "compose" if self.guide else "vary"


def again(film: Assembled, wanted: AgainWanted, shop: Workshop) -> list[ItemSpec]:
    """The candidates that are asked for.

    All keep the take's prompt and seed, so that who is in it stays who they are; each further one
    varies. What the take itself was posed or composed after holds on, unless it is asked for anew.
    """
    index, take = take_of(film, wanted.take)
    if take.brought or not take.prompt:
        raise BadInput(
            "This picture was brought, and no service knows how it was made.",
            "Make a take of the shot, and change that.",
        )
    read = film.read.shots[index]
    wish, needs = _wish(wanted, shop)
    offer = _offer(shop, wanted.offer or take.offer, needs)
    held = {name: value for name, value in take.about.get("asked", {}).items() if name != "vary"}
    first = picture_spec(
        read,
        made_from=take.made_from,
        prompt=take.prompt,
        negative=take.negative if "negative" in offer.understands else "",
        seed=take.seed,
        offer=offer.name,
        again={"from": take.number, "how": wanted.how},
        **{**held, **wish},
    )
    first = first.model_copy(update=_sized(take, offer))
    done, shot = _made(film, index, take, wanted, first), read.shot
    return [
        item(
            _varied(first, wanted, take, i),
            f"{wanted.how} shot {shot.edge}",
            shot.id,
            0.6 + offer.seconds_each,
        )
        for i in range(done, done + wanted.takes)
    ]


def _varied(first: PictureSpec, wanted: AgainWanted, take: TakeRow, nth: int) -> PictureSpec:
    """The `nth` candidate."""
    strength = wanted.vary / 100 if wanted.vary is not None else SLIGHTLY if nth else 0.0
    if not strength:
        return first
    vary = (seed_from("vary", take.seed, nth) % 900_000, round(strength, 3))
    return first.model_copy(update={"vary": vary})


def _wish(wanted: AgainWanted, shop: Workshop) -> tuple[dict[str, Any], set[str]]:
    """What is different, and what an offer must understand for it."""
    wish: dict[str, Any] = {}
    needs = set()
    if wanted.poses:
        wish["poses"] = wanted.poses
        needs.add("poses")
    if wanted.guide:
        if not shop.media.has(wanted.guide):
            raise BadInput("The sketch is not kept any more.", "Draw it again.")
        wish["guide"] = (wanted.guide, wanted.strength / 100)
        needs.add("guides")
    if wanted.vary is not None:
        needs.add("variations")
    if not needs:
        raise BadInput(
            "Nothing is to be different.", "Say how much it may vary, or give a pose or a sketch."
        )
    return wish, needs


def _offer(shop: Workshop, name: str, needs: set[str]) -> Offer:
    found = shop.offer_named("picture", name)
    if found is None:
        raise BadInput(f"No service offers pictures as “{name}”.", "Choose another offer.")
    missing = sorted(needs - set(found.understands))
    if missing:
        raise BadInput(f"{found.title} does not understand {missing[0]}.", "Choose another offer.")
    return found


def _sized(take: TakeRow, offer: Offer) -> dict[str, int]:
    """As large as the take where the offer draws that large; one that was enlarged is made as it
    was first."""
    width, height = int(take.about.get("width") or 0), int(take.about.get("height") or 0)
    most_wide, most_high = offer.caps.width or width, offer.caps.height or height
    if not width or take.about.get("enlarged") or width > most_wide or height > most_high:
        return {}
    return {"width": width, "height": height}


def _made(
    film: Assembled, index: int, take: TakeRow, wanted: AgainWanted, first: PictureSpec
) -> int:
    """How many candidates of just this were made before: asking again gives others."""
    told = {"from": take.number, "how": wanted.how}
    asked = first.model_dump(mode="json", include={"poses", "guide"}, exclude_defaults=True)
    wish = {"poses": bool(wanted.poses), "guide": bool(wanted.guide)}
    same = sum(
        1
        for t in film.takes[index]
        if t.about.get("again") == told
        and all(
            _alike(t.about.get("asked", {}), asked, name) for name, is_in in wish.items() if is_in
        )
    )
    return same + (1 if wanted.how == "vary" else 0)


def _alike(made: dict[str, Any], asked: dict[str, Any], name: str) -> bool:
    if name == "guide":
        return bool(made.get(name)) and made[name][0] == asked[name][0]
    joints = [p.get("joints") for p in made.get(name, [])]
    return joints == [p.get("joints") for p in asked.get(name, [])]


AGAIN_RUN = RunKind(AgainWanted, lambda wanted: [Stage("again", again)])
