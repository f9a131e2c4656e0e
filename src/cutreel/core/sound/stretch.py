"""A stretch of a sound, as quick as the picture that it belongs to."""

from dataclasses import dataclass

from cutreel.core.keys import key

VERSION = 1


@dataclass(frozen=True, slots=True)
class Stretch:
    """From the second `first` of a sound on as much as fills so many `seconds` at a `speed`; it stays as high."""

    first: float
    seconds: float
    speed: float

    def key(self, media: str) -> str:
        """The key of the stretch of a media file."""
        told = {"first": self.first, "seconds": self.seconds, "speed": self.speed}
        return key("paced", VERSION, media=media, **told)
