"""The colours of plates, as belong to the look of a film."""

from typing import NamedTuple

from cutreel.core.lettering import Face


class Palette(NamedTuple):
    """The ground, what is a little darker or lighter than it, ink, faint ink, and colours for what stands out; the face
    of letters."""

    ground: str
    shade: str
    ink: str
    faint: str
    accents: tuple[str, ...]
    face: Face = "book"


_PAPER = Palette(
    "#f2e7cd",
    "#e4d4b1",
    "#2b2622",
    "#7d6f5c",
    ("#b4503a", "#3d6b74", "#cc9436", "#63734a", "#7b4a63"),
)
_INK = Palette(
    "#f6f1e6",
    "#e6decd",
    "#1f2430",
    "#747068",
    ("#2f4e7a", "#9a3b32", "#7a7f3f", "#b07a2a", "#54436b"),
)
_SLATE = Palette(
    "#2b3238",
    "#3a434b",
    "#f1ede2",
    "#a9b0b3",
    ("#e8c46a", "#8fc1c9", "#e39a86", "#b7cf8e", "#d2b3dc"),
)
_NIGHT = Palette(
    "#19223a",
    "#26314f",
    "#f4e4c4",
    "#9aa3bd",
    ("#e9a94b", "#7fa6c9", "#d9705a", "#a9bd78", "#b993c4"),
)
_PRINT = Palette(
    "#f3e3bd",
    "#e3cd98",
    "#1d1d1b",
    "#6f6551",
    ("#d1432f", "#1f4f63", "#e0a126", "#3f6b4b", "#6d3a55"),
    "plain",
)
_PLAIN = Palette(
    "#f7f6f2",
    "#e6e4dc",
    "#20201e",
    "#77756e",
    ("#d05a3b", "#3b7a8c", "#d9a23a", "#6b8450", "#865a86"),
    "plain",
)
_CLAY = Palette(
    "#efe0d0",
    "#dfc8b1",
    "#3a2a22",
    "#86705f",
    ("#c2603f", "#4f7f86", "#d8a24a", "#7d8f55", "#99607a"),
    "plain",
)
_BY_MEDIUM = (
    ("slate", _SLATE), ("chalk", _SLATE), ("shadow", _NIGHT), ("silhouette", _NIGHT), ("print", _PRINT),
    ("ink", _INK), ("stick", _PLAIN), ("clay", _CLAY), ("pencil", _PAPER), ("paper", _PAPER),
)  # fmt: skip


def palette_for(medium: str) -> Palette:
    """The colours that belong to a medium."""
    return next((p for word, p in _BY_MEDIUM if word in medium.lower()), _PAPER)
