"""What services take and understand, as far as reading a film needs to know it: caps and abilities,
never a name."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass

_SIZES = {"16:9": (1280, 720), "9:16": (720, 1280), "1:1": (1024, 1024)}
USUAL_PROMPT, USUAL_TEXT = 400, 1000
"""Characters of a picture prompt and of a voice request where no offer states a cap: common
practice."""


@dataclass(frozen=True)
class VoiceOffered:
    """A voice that a service offers, as far as casting needs to know it."""

    name: str
    pronoun: str
    age: str
    length: float = 1.0
    pitch: float | None = None
    brightness: float | None = None
    language: str = "en"


@dataclass(frozen=True)
class Offered:
    """What is offered for a film: characters a picture prompt may have, voices, characters of a
    voice request, what the illustrator takes beyond words (negative, references, weights), whether voices
    can be `directed` and take marked words as `ssml`, and the
    largest picture it draws (width, height; None: not known)."""

    prompt_cap: int = USUAL_PROMPT
    voices: Sequence[VoiceOffered] = ()
    text_cap: int = USUAL_TEXT
    understands: Collection[str] = ("negative",)
    directed: bool = False
    ssml: bool = False
    largest: tuple[int, int] | None = None

    def picture_size(self, aspect: str) -> tuple[int, int]:
        """Width and height that pictures are asked for: half as large again where that much is
        drawn, so that a camera may come closer."""
        width, height = _SIZES[aspect]
        wide, high = width * 3 // 2, height * 3 // 2
        if self.largest and wide <= self.largest[0] and high <= self.largest[1]:
            return wide, high
        return width, height
