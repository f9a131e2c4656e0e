"""What services take and understand, as far as reading a film needs to know it: caps and abilities,
never a name."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field, replace

_SIZES = {"16:9": (1280, 720), "9:16": (720, 1280), "4:5": (1024, 1280), "1:1": (1024, 1024)}
USUAL_PROMPT, USUAL_TEXT = 400, 1000
"""Characters of a picture prompt and of a voice request where no offer states a cap: common
practice."""


@dataclass(frozen=True)
class VoiceOffered:
    """A voice that a service offers, as far as casting needs to know it, and what may be asked of it: so many
    characters at once, directions, marked words (None: as of any voice of the film)."""

    name: str
    pronoun: str
    age: str
    length: float = 1.0
    pitch: float | None = None
    brightness: float | None = None
    language: str = "en"
    text_cap: int | None = None
    directed: bool | None = None
    ssml: bool | None = None


@dataclass(frozen=True)
class Offered:
    """What is offered for a film: characters a picture prompt may have, voices, what may be asked of one that says
    nothing else (characters at once, directions: `directed`, marked words: `ssml`), what the illustrator takes beyond
    words (negative, references, weights), and the largest picture it draws (width, height; None: not known). `by_name`
    has the same of every offer of pictures."""

    prompt_cap: int = USUAL_PROMPT
    voices: Sequence[VoiceOffered] = ()
    text_cap: int = USUAL_TEXT
    understands: Collection[str] = ("negative",)
    directed: bool = False
    ssml: bool = False
    largest: tuple[int, int] | None = None
    by_name: Mapping[str, "Offered"] = field(default_factory=dict)

    def voice(self, name: str) -> VoiceOffered:
        """A voice with what may be asked of it."""
        known = next((v for v in self.voices if v.name == name), VoiceOffered(name, "", ""))
        return replace(
            known,
            text_cap=known.text_cap or self.text_cap,
            directed=self.directed if known.directed is None else known.directed,
            ssml=self.ssml if known.ssml is None else known.ssml,
        )

    def drawn_by(self, offer: str) -> "Offered":
        """What is offered where an offer draws; of one that is not known, what is offered for the film."""
        return self.by_name.get(offer, self)

    def picture_size(self, aspect: str) -> tuple[int, int]:
        """Width and height that pictures are asked for: half as large again where that much is
        drawn, so that a camera may come closer."""
        width, height = _SIZES[aspect]
        wide, high = width * 3 // 2, height * 3 // 2
        if self.largest and wide <= self.largest[0] and high <= self.largest[1]:
            return wide, high
        return width, height
