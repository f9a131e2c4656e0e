"""What faces are called: those that ship, and those that a maker brings."""

import re
from typing import Annotated

from pydantic import Field

FAMILIES = {
    "plain": "Instrument Sans",
    "book": "Literata",
    "hand": "Caveat",
    "typed": "Courier Prime",
    "tall": "Oswald",
    "old": "IM FELL English",
}
"""The faces that ship, and what they call themselves."""
FACES = tuple(FAMILIES)
BOLD = ("plain", "hand", "tall")
"""Those that are bold."""
_OWN = r"[0-9a-f]{64}\.(?:ttf|otf)"
Face = Annotated[str, Field(pattern=rf"^(?:{'|'.join(FACES)}|{_OWN})$")]
"""A face that ships, by its name, or one that was brought, by its media file."""


def is_own(face: str) -> bool:
    """Whether a face was brought."""
    return re.fullmatch(_OWN, face) is not None
