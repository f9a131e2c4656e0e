"""Movement: the camera's path over a picture, how its layers move apart, and how figures in it act."""

from .acting import DRAWINGS, Act, Acting, Moment, held, moment_of, mouth_at
from .actions import ACTIONS, FEELING, STILL, Action, action_for, actions_told
from .air import AIR_KINDS, AMOUNTS, Air, AirKind, Amount, grains_at
from .air import KINDS as AIR_LOOKS
from .bones import Matrix, applied, height_of, inverted
from .camera import MOVES, CameraPath, Move, Window, covering, layer_zoom, layer_zooms, path_for
from .fit import FITS, Fit, FitHow, fit_clip
from .flow import Flame, Ground, Water, brighter, swell
from .mouths import Phone, mouths_of, shape_of
from .path import Ease, OwnPath, PathFrame, Walked, path_along, path_told, path_words
from .region import (
    BY_AMOUNT,
    LOOSE,
    NEARER,
    PACES,
    WAYS,
    Extent,
    Pace,
    RegionMove,
    Way,
    bend_at,
    jaw_at,
    loose_at,
    pin_of,
)

# fmt: off
__all__ = [
    "ACTIONS", "AIR_KINDS", "AIR_LOOKS", "AMOUNTS", "BY_AMOUNT", "DRAWINGS", "FEELING", "FITS", "LOOSE",
    "MOVES", "NEARER", "PACES", "STILL", "WAYS", "Act", "Acting", "Action", "Air", "AirKind", "Amount",
    "CameraPath", "Ease", "Extent", "Fit", "FitHow", "Flame", "Ground", "Matrix", "Moment", "Move",
    "OwnPath", "Pace", "PathFrame", "Phone", "RegionMove", "Walked", "Water", "Way", "Window", "action_for",
    "actions_told", "applied", "bend_at", "brighter", "covering", "fit_clip", "grains_at", "height_of", "held",
    "inverted", "jaw_at", "layer_zoom", "layer_zooms", "loose_at", "moment_of", "mouth_at", "mouths_of",
    "path_along", "path_for", "path_told", "path_words", "pin_of", "shape_of", "swell",
]
# fmt: on
