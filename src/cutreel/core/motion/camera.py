"""Camera paths. A path gives for every moment the window of the picture that fills the frame.

The window is stated in the unit frame that the picture covers: centre (0 … 1) and zoom (1 shows all
of it). Zoom runs exponentially in time, so that the picture grows by the same share every moment:
speed that looks constant. Ends are eased over a tenth of the path. A window never leaves the
picture.
"""

import math
from dataclasses import dataclass
from typing import Literal, get_args

import numpy as np
from numpy.typing import NDArray

Move = Literal["push", "pull", "pan left", "pan right", "tilt up", "tilt down", "still"]
MOVES: tuple[str, ...] = get_args(Move)
PUSH = 1.30
PAN_ZOOM = 1.22
PARTS = 0.06
"""By which share what is nearest grows more than what is far, where the camera has come a whole push nearer."""


@dataclass(frozen=True, slots=True)
class Window:
    """What the frame shows: centre x and y in the unit frame, and zoom of at least 1."""

    x: float
    y: float
    zoom: float


@dataclass(frozen=True, slots=True)
class CameraPath:
    """From one window to another over a shot's life."""

    start: Window
    end: Window

    def at(self, moment: float) -> Window:
        """The window at `moment`: 0 at the path's start, 1 at its end; beyond either the path
        stands still."""
        return self.between(_eased(min(1.0, max(0.0, moment))))

    def leaning(self, moment: float) -> float:
        """By how many radians the camera leans: a named move is level."""
        return 0.0

    most_leaning = 0.0

    def between(self, t: float) -> Window:
        """The window at a share `t` (0 … 1) of the way."""
        a, b = self.start, self.end
        zoom = a.zoom * (b.zoom / a.zoom) ** t
        if abs(b.zoom - a.zoom) > 1e-9:
            # The centre moves with the window's size, so that the path aims at one fixed point of
            # the picture.
            share = (1 / a.zoom - 1 / zoom) / (1 / a.zoom - 1 / b.zoom)
        else:
            share = t
        return inside(Window(a.x + (b.x - a.x) * share, a.y + (b.y - a.y) * share, zoom))


def covering(angle: float, width: float, height: float) -> float:
    """How much nearer a frame has to be that is turned by so many radians, so that no corner of it is empty."""
    return math.cos(angle) + abs(math.sin(angle)) * max(width / height, height / width)


def inside(window: Window) -> Window:
    """The nearest window that shows nothing beyond the picture's edge."""
    zoom = max(1.0, window.zoom)
    half = 0.5 / zoom
    return Window(min(1 - half, max(half, window.x)), min(1 - half, max(half, window.y)), zoom)


def path_for(move: Move, seconds: float, focus: tuple[float, float] = (0.5, 0.5)) -> CameraPath:
    """The path of a named move over a shot of `seconds`, aimed at `focus`.

    A push goes from 1.00 to 1.30 over six seconds or more, and less far in shorter shots, so that
    quick shots do not lurch (common practice: "a slow zoom over the picture's life").
    """
    whole = Window(0.5, 0.5, 1.0)
    reach = math.exp(math.log(PUSH) * min(1.0, max(0.25, seconds / 6.0)))
    near = inside(Window(*focus, reach))
    pan = PAN_ZOOM
    left, right = Window(0.5 / pan, 0.5, pan), Window(1 - 0.5 / pan, 0.5, pan)
    top, bottom = Window(0.5, 0.5 / pan, pan), Window(0.5, 1 - 0.5 / pan, pan)
    return {
        "push": CameraPath(whole, near),
        "pull": CameraPath(near, whole),
        "pan left": CameraPath(right, left),
        "pan right": CameraPath(left, right),
        "tilt up": CameraPath(bottom, top),
        "tilt down": CameraPath(top, bottom),
        "still": CameraPath(whole, whole),
    }[move]


def _eased(t: float) -> float:
    """Constant speed with a soft start and end: a tenth of the way is spent gaining speed, a tenth
    losing it."""
    ramp = 0.1
    speed = 1 / (1 - ramp)
    if t < ramp:
        return speed * t * t / (2 * ramp)
    if t > 1 - ramp:
        return 1 - speed * (1 - t) ** 2 / (2 * ramp)
    return speed * (t - ramp / 2)


def layer_zooms(
    window: Window, depths: NDArray[np.float64]
) -> tuple[NDArray[np.float64], NDArray[np.float64], NDArray[np.float64]]:
    """Centre x and y and zoom of the windows for many depths at once, as `layer_zoom` has them."""
    extra = 1 + PARTS * depths * (window.zoom - 1) / (PUSH - 1)
    zoom = np.maximum(1.0, window.zoom * extra)
    shift, half = 1 + PARTS * depths * 0.5, 0.5 / zoom
    x, y = (np.clip(0.5 + (c - 0.5) * shift, half, 1 - half) for c in (window.x, window.y))
    return x, y, zoom


def layer_zoom(window: Window, depth: float, amount: float = PARTS) -> Window:
    """The window for a layer at `depth` (0 far … 1 near): nearer layers grow and slide a little
    more, never less, so that they move apart and show no edge."""
    extra = 1 + amount * depth * (window.zoom - 1) / (PUSH - 1)
    zoom = window.zoom * extra
    shift = amount * depth * 0.5
    return inside(
        Window(0.5 + (window.x - 0.5) * (1 + shift), 0.5 + (window.y - 0.5) * (1 + shift), zoom)
    )
