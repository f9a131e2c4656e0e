"""Movement: the camera's path over a picture, how its layers move apart, and how figures in it act."""

from .acting import DRAWINGS, Act, Acting, Moment, held, moment_of, mouth_at
from .actions import ACTIONS, FEELING, STILL, Action, action_for
from .air import AIR_KINDS, AMOUNTS, Air, AirKind, Amount, grains_at
from .air import KINDS as AIR_LOOKS
from .bones import Matrix, applied, height_of, inverted
from .camera import MOVES, CameraPath, Move, Window, layer_zoom, path_for
from .fit import FITS, Fit, FitHow, fit_clip
from .flow import Flame, Water, brighter, swell
from .mouths import Phone, mouths_of, shape_of
from .path import Ease, OwnPath, PathFrame, Walked, path_told, path_words

# fmt: off
__all__ = [
    "ACTIONS", "AIR_KINDS", "AIR_LOOKS", "AMOUNTS", "DRAWINGS", "FEELING", "FITS", "MOVES", "STILL", "Act",
    "Acting", "Action", "Air", "AirKind", "Amount", "CameraPath", "Ease", "Fit", "FitHow", "Flame", "Matrix",
    "Moment", "Move", "OwnPath", "PathFrame", "Phone", "Walked", "Water", "Window", "action_for", "applied",
    "brighter", "fit_clip", "grains_at", "height_of", "held", "inverted", "layer_zoom", "moment_of",
    "mouth_at", "mouths_of", "path_for", "path_told", "path_words", "shape_of", "swell",
]
# fmt: on
