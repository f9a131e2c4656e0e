"""How a shot is framed, and from where it is seen, by the words that say so."""

from collections.abc import Sequence

from .model import Angle, Framing

_CLOSE_WORDS = {
    "eyes",
    "face",
    "smile",
    "smiled",
    "whispered",
    "tear",
    "tears",
    "hand",
    "hands",
    "breath",
    "lips",
}
# fmt: off
_ANGLE_WORDS: dict[Angle, set[str]] = {
    "low": {"towered", "loomed", "towering", "looming", "overhead"},
    "from above": {"beneath", "below", "map", "rooftops"},
    "high": {"small", "tiny", "alone"},
}
_WIDE_WORDS = {
    "across", "horizon", "sky", "sea", "valley", "mountains", "city", "country", "hills",
    "distance", "landscape", "everywhere", "miles", "shore", "water",
}
# fmt: on


def framing_of(
    new_scene: bool, opens_film: bool, bare: Sequence[str], people: int, speaks: bool, turn: int
) -> tuple[Framing, str]:
    words = set(bare)
    if new_scene:
        return ("extreme wide" if opens_film and not people else "wide"), "a scene opens wide"
    if words & _CLOSE_WORDS and people:
        return "close", f"“{min(words & _CLOSE_WORDS)}”"
    if speaks:
        return (
            ("close", "speech, seen close in turn")
            if turn % 3 == 2
            else ("medium", "somebody speaks")
        )
    if words & _WIDE_WORDS and people < 2:
        return "wide", f"“{min(words & _WIDE_WORDS)}”"
    if people >= 2:
        return "medium", "more than one person"
    if people:
        return ("medium", "one person") if turn % 4 else ("close", "one person, seen close in turn")
    return (
        ("wide", "nobody in it") if turn % 3 else ("medium", "nobody in it, a closer view in turn")
    )


def angle_of(bare: Sequence[str]) -> tuple[Angle, str]:
    """The height of the camera, where words of looking say it."""
    for angle, words in _ANGLE_WORDS.items():
        for word in bare:
            if word in words:
                return angle, f"“{word}”"
    return "level", "nothing says otherwise"
