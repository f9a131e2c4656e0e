"""Frame rates as exact fractions, and SMPTE ST 12-1 timecode."""

from dataclasses import dataclass
from fractions import Fraction

from cutreel.core.errors import BadInput

KNOWN_RATES = ("24", "25", "30", "30000/1001", "60")


@dataclass(frozen=True, slots=True)
class FrameRate:
    """Frames a second as a fraction of whole numbers; all film time is counted in these frames."""

    fraction: Fraction

    @classmethod
    def parse(cls, text: str) -> "FrameRate":
        """From "24" or "30000/1001". Raises BadInput for rates that a film cannot have here."""
        if text not in KNOWN_RATES:
            raise BadInput(
                f"A film cannot have {text} frames a second.",
                "Choose " + ", ".join(KNOWN_RATES) + ".",
            )
        return cls(Fraction(text))

    def __str__(self) -> str:
        return str(self.fraction)

    def frames(self, seconds: float) -> int:
        """The frame that `seconds` falls nearest to."""
        return round(seconds * (self.fraction.numerator / self.fraction.denominator))

    def seconds(self, frames: int) -> float:
        """Seconds at the start of a frame."""
        # Whole numbers divided: rounded once, as the exact fraction would be, and many times faster.
        return frames * self.fraction.denominator / self.fraction.numerator

    @property
    def nominal(self) -> int:
        """Frames that timecode counts to a second: 30 at 30000/1001."""
        return round(self.fraction)

    @property
    def drops(self) -> bool:
        """Whether timecode must drop frame numbers to keep up with the clock."""
        return self.fraction.denominator != 1


def timecode(frame: int, rate: FrameRate) -> str:
    """HH:MM:SS:FF of a frame; at 30000/1001 drop-frame (HH:MM:SS;FF), which skips numbers 0 and 1
    of each minute but every tenth (SMPTE ST 12-1)."""
    nominal = rate.nominal
    if rate.drops:
        drop = nominal // 15
        ten_minutes = nominal * 600 - drop * 9
        minute = nominal * 60 - drop
        tens, rest = divmod(frame, ten_minutes)
        frame += drop * 9 * tens + (drop * ((rest - drop) // minute) if rest >= drop else 0)
    seconds, frames = divmod(frame, nominal)
    return f"{seconds // 3600:02}:{seconds // 60 % 60:02}:{seconds % 60:02}{';' if rate.drops else ':'}{frames:02}"
