"""Writing by a service: titles, storylines, manuscripts, passages reworked."""

from typing import Any

from cutreel.core.keys import key
from cutreel.protocol import ScriptInput

from .once import ask_once
from .workshop import Workshop

WRITING_VERSION = 1


def write(shop: Workshop, work: ScriptInput, film: str = "") -> dict[str, Any]:
    """What the writer returns for a wish, with `cost` and the words that it could not use (`unused`).

    Raises CutReelError when the service refuses or answers something that is not writing.
    """
    name = key("script", WRITING_VERSION, wish=work.model_dump(mode="json"))
    found, answer = ask_once(shop, "script", work, name, film, dict)
    return {**found, "unused": answer.unused, "cost": answer.cost}
