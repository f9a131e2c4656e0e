"""The effects there are: what is done to a picture besides its grade."""

from collections.abc import Mapping
from typing import Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

from .grade import Grade

EffectKind = Literal[
    "grain", "vignette", "paper", "dust", "flicker", "glow", "blur", "soft edges", "shake", "tilt", "freeze", "echo",
    "flash", "old film", "night", "dream",
]  # fmt: skip
EFFECT_KINDS: tuple[EffectKind, ...] = get_args(EffectKind)
MOMENTS: frozenset[EffectKind] = frozenset(("shake", "flash", "freeze"))
"""What sets in at a moment of a shot."""
MOST_EFFECTS = 6
"""Of a shot."""


class Effect(BaseModel):
    """An effect and how much of it there is (`amount`); one that sets in at a moment does `begin` seconds after the
    shot's first word."""

    model_config = ConfigDict(frozen=True)
    kind: EffectKind
    amount: float = Field(0.5, ge=0.05, le=1)
    begin: float = Field(0, ge=-2, le=600)


GRADES: Mapping[str, Grade] = {
    "as painted": Grade(),
    "lamplight": Grade(warmth=0.55, contrast=0.15, exposure=-0.15, shadows="#3a2418"),
    "early mist": Grade(contrast=-0.3, saturation=0.75, warmth=-0.25, exposure=0.25, fade=0.3),
    "summer": Grade(exposure=0.25, saturation=1.2, warmth=0.2, contrast=0.2),
    "winter": Grade(warmth=-0.5, saturation=0.7, contrast=0.15, exposure=0.1),
    "faded print": Grade(fade=0.55, saturation=0.7, contrast=-0.1, warmth=0.2, shadows="#2d3a4a"),
    "brown print": Grade(saturation=0.0, contrast=0.15, fade=0.25, shadows="#4a2c14", lights="#f3dcae"),
    "silver": Grade(saturation=0.0, contrast=0.35),
    "moonlight": Grade(exposure=-0.7, saturation=0.55, warmth=-0.55, contrast=0.1, shadows="#101c40"),
    "storm": Grade(exposure=-0.4, saturation=0.6, contrast=0.35, warmth=-0.2, shadows="#16242a"),
    "fire": Grade(warmth=0.8, saturation=1.15, contrast=0.35, shadows="#3a1208", lights="#ffd89a"),
    "stage": Grade(contrast=0.6, saturation=1.1, exposure=-0.1),
}  # fmt: skip
"""Ready grades, by name."""
