"""Grade and effects: how a picture is finished when it is drawn."""

from .cube import Cube, cube_of, cube_text, read_cube
from .finish import Finish, less
from .grade import MOST_CURVE, SAME, Grade, Tables, one_after_another, tables_of
from .kinds import EFFECT_KINDS, GRADES, MOMENTS, MOST_EFFECTS, Effect, EffectKind
from .planned import EffectAmount, PlannedFinish, plan_effects

__all__ = [
    "EFFECT_KINDS",
    "GRADES",
    "MOMENTS",
    "MOST_CURVE",
    "MOST_EFFECTS",
    "SAME",
    "Cube",
    "Effect",
    "EffectAmount",
    "EffectKind",
    "Finish",
    "Grade",
    "PlannedFinish",
    "Tables",
    "cube_of",
    "cube_text",
    "less",
    "one_after_another",
    "plan_effects",
    "read_cube",
    "tables_of",
]
