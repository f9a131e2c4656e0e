"""Writing by a service: asked once for the same wish, paid once, kept like every other result."""

import json
from typing import Any

from cutreel.core.errors import CutReelError
from cutreel.core.keys import key
from cutreel.protocol import ScriptInput

from .workshop import Workshop

WRITING_VERSION = 1


def write(shop: Workshop, work: ScriptInput, film: str = "") -> dict[str, Any]:
    """What the writer returns for a wish, with `cost` and the words that it could not use
    (`unused`).

    Raises CutReelError when the service refuses or answers something that is not writing.
    """
    offer = shop.offer_of("script").name
    name = key("script", WRITING_VERSION, wish=work.model_dump(mode="json"))
    made = shop.results.get(name)
    if made is None:
        done = shop.services.do(offer, work, name)
        if done is None or not done.files:
            raise CutReelError("The writer returned nothing.", "Ask again.")
        shop.spending.spend(name, film, offer, done.cost)
        try:
            data = json.loads(done.files[0][1])
        except ValueError as error:
            raise CutReelError("The writer returned something unreadable.", "Ask again.") from error
        shop.results.put(
            name, "script", None, {"data": data, "unused": done.unused_words}, done.cost
        )
        made = shop.results.get(name)
        assert made is not None
    return {**made.data["data"], "unused": made.data["unused"], "cost": float(made.cost)}
