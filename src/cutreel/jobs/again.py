"""Pictures made again from a take, with something changed: a little other, in a pose, after a
sketch."""

from typing import Any

from pydantic import TypeAdapter, ValidationError

from cutreel.core.errors import BadInput
from cutreel.core.keys import seed_from
from cutreel.protocol import FigurePose, Offer
from cutreel.store import Assembled, ItemSpec
from cutreel.store.takes import TakeRow

from .picture_specs import picture_spec
from .retouching import found_take
from .workshop import Workshop

_POSES = TypeAdapter(list[FigurePose])
SLIGHTLY = 0.5
"""How much the further candidates of a pose or a sketch vary from the first (0 … 1)."""


def again(film: Assembled, options: dict[str, Any], shop: Workshop) -> list[ItemSpec]:
    """The candidates that a run of kind again asks for: of a `take`, one or more of `vary` (0 …
    100), `poses` and `guide` (a media file, with `strength` 0 … 100).

    All keep the take's prompt and seed, so that who is in it stays who they are; each further one
    varies. What the take itself was posed or composed after holds on, unless it is asked for anew.
    """
    index, take = found_take(film, str(options.get("take") or ""))
    if take.brought or not take.prompt:
        raise BadInput(
            "This picture was brought, and no service knows how it was made.",
            "Make a take of the shot, and change that.",
        )
    read = film.read.shots[index]
    asked = {name: value for name, value in take.about.get("asked", {}).items() if name != "vary"}
    wish, needs = _wish(options, shop)
    offer = _offer(shop, str(options.get("offer") or take.offer), needs)
    asked |= wish
    spec = {
        **picture_spec(film.document, read),
        "made_from": take.made_from,
        "prompt": take.prompt,
        "negative": take.negative if "negative" in offer.understands else "",
        "seed": take.seed,
        "offer": offer.name,
        "again": {"from": take.number, "how": _how(options)},
    }
    caps = offer.caps
    spec["width"], spec["height"] = _sized(take, spec, caps.width or 1e9, caps.height or 1e9)
    count, first = int(options.get("takes") or 1), _made(film, index, take, options)
    out = []
    for i in range(first, first + count):
        more = dict(asked)
        strength = (
            float(options["vary"]) / 100
            if options.get("vary") is not None
            else SLIGHTLY
            if i
            else 0.0
        )
        if strength:
            more["vary"] = [seed_from("vary", take.seed, i) % 900_000, round(strength, 3)]
        label = f"{_how(options)} shot {read.shot.edge}"
        out.append(
            ItemSpec("picture", label, {**spec, **more}, read.shot.id, 0.6 + offer.seconds_each)
        )
    return out


def _wish(options: dict[str, Any], shop: Workshop) -> tuple[dict[str, Any], set[str]]:
    wish: dict[str, Any] = {}
    needs = set()
    if options.get("poses"):
        try:
            wish["poses"] = [
                p.model_dump(mode="json") for p in _POSES.validate_python(options["poses"])
            ]
        except ValidationError as error:
            raise BadInput("That pose cannot be read.", "Open the picture again.") from error
        needs.add("poses")
    if options.get("guide"):
        if not shop.media.has(str(options["guide"])):
            raise BadInput("The sketch is not kept any more.", "Draw it again.")
        wish["guide"] = [options["guide"], float(options.get("strength", 80)) / 100]
        needs.add("guides")
    if options.get("vary") is not None:
        needs.add("variations")
    if not needs:
        raise BadInput(
            "Nothing is to be different.", "Say how much it may vary, or give a pose or a sketch."
        )
    return wish, needs


def _offer(shop: Workshop, name: str, needs: set[str]) -> Offer:
    found = next((o for o in shop.offers() if o.name == name and o.kind == "picture"), None)
    if found is None:
        raise BadInput(f"No service offers pictures as “{name}”.", "Choose another offer.")
    missing = sorted(needs - set(found.understands))
    if missing:
        raise BadInput(f"{found.title} does not understand {missing[0]}.", "Choose another offer.")
    return found


def _how(options: dict[str, Any]) -> str:
    return "pose" if options.get("poses") else "compose" if options.get("guide") else "vary"


def _sized(
    take: TakeRow, spec: dict[str, Any], most_wide: float, most_high: float
) -> tuple[int, int]:
    """As large as the take where the offer draws that large; one that was enlarged is made as it
    was first."""
    width, height = int(take.about.get("width") or 0), int(take.about.get("height") or 0)
    if not width or take.about.get("enlarged") or width > most_wide or height > most_high:
        return spec["width"], spec["height"]
    return width, height


def _made(film: Assembled, index: int, take: TakeRow, options: dict[str, Any]) -> int:
    """How many candidates of just this were made before: asking again gives others."""
    told = {"from": take.number, "how": _how(options)}
    wish = {"poses": options.get("poses"), "guide": options.get("guide")}
    return sum(
        1
        for t in film.takes[index]
        if t.about.get("again") == told
        and all(
            _same(t.about.get("asked", {}).get(name), value)
            for name, value in wish.items()
            if value
        )
    ) + (1 if told["how"] == "vary" else 0)


def _same(made: Any, asked: Any) -> bool:
    if isinstance(asked, str):
        return bool(made) and made[0] == asked
    return bool(made) and [p["joints"] for p in made] == [
        {name: list(at) for name, at in p["joints"].items()} for p in asked
    ]
