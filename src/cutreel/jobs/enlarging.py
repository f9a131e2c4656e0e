"""A take made larger by a service, with all its layers."""

from typing import Any

from cutreel.core.errors import BadInput
from cutreel.core.keys import key
from cutreel.store import Assembled, ItemSpec

from .retouching import found_take
from .workshop import Workshop

ENLARGE_VERSION = 1
MOST_LAYERS = 7


def enlargements(film: Assembled, options: dict[str, Any], shop: Workshop) -> list[ItemSpec]:
    """What a run of kind enlarge asks for: the `take` made larger by `factor` (2 or 4)."""
    index, take = found_take(film, str(options.get("take") or ""))
    factor = int(options.get("factor") or 2)
    offer = next((o for o in shop.offers() if o.kind == "enlarge"), None)
    if factor not in (2, 4):
        raise BadInput("A picture is made 2 or 4 times larger.", "Choose 2 or 4.")
    if offer is None:
        raise BadInput("No service enlarges pictures.", "Start one that does.")
    width, height = (
        int(take.about.get("width") or 0) * factor,
        int(take.about.get("height") or 0) * factor,
    )
    if width > (offer.caps.width or 1e9) or height > (offer.caps.height or 1e9):
        raise BadInput(
            f"{width} by {height} pixels are more than {offer.title} makes.",
            "Choose 2, or enlarge a take that was not enlarged yet.",
        )
    layers = [[media, depth] for media, depth in take.layers if media != take.media][:MOST_LAYERS]
    spec = {
        "take": take.id,
        "media": take.media,
        "layers": layers,
        "factor": factor,
        "offer": offer.name,
    }
    shot = film.read.shots[index].shot
    return [
        ItemSpec(
            "enlarge",
            f"enlarge shot {shot.edge}",
            spec,
            shot.id,
            1.0 + factor * 0.6 * (1 + len(layers)),
        )
    ]


def enlarge_key(spec: dict[str, Any]) -> str:
    return key(
        "enlarge", ENLARGE_VERSION, **{n: spec[n] for n in ("media", "layers", "factor", "offer")}
    )
