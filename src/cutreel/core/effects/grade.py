"""How a picture is graded: choices in a maker's words, and the tables that they come to.

A grade works on brightness and colour difference as film files hold them (ITU-R BT.709, studio range): what becomes of
a pixel's brightness hangs on that alone; what becomes of its colour, on its brightness and colour. So it is three
tables of 256, and a film is graded as quickly as it is read.
"""

from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray
from pydantic import BaseModel, ConfigDict, Field

from .tint import tint_of

_COLOUR = r"^#[0-9a-f]{6}$"
MOST_CURVE = 8
BLACK, RANGE = 16.0, 219.0
"""Where black is, and how far above it white is, in a brightness plane."""
GAMMA = 2.2
"""By which light is held in brightness, about (BT.709)."""
LIFTED = 0.16
"""How bright black is that is wholly faded."""
WARM_U, WARM_V = -17.0, 13.0
"""By how much white is moved at full warmth, in steps of the colour planes: towards what a lamp gives."""
TINTED = 0.6
"""How much of a tint's own colour black or white takes."""

Table = NDArray[np.float32]


class Grade(BaseModel):
    """`exposure` in stops; `contrast`, `warmth` and `fade` (black lifted, as print fades) from none, 0, to all, 1, or
    the other way, -1; `saturation` (0: grey); tints of `shadows` and `lights`; a `curve` through points (brightness
    before, after; 0 … 1); an own look-up table by its media name (`lut`), of which so much is used (`lut_amount`),
    before all else."""

    model_config = ConfigDict(frozen=True)
    exposure: float = Field(0, ge=-3, le=3)
    contrast: float = Field(0, ge=-1, le=1)
    warmth: float = Field(0, ge=-1, le=1)
    saturation: float = Field(1, ge=0, le=2)
    fade: float = Field(0, ge=0, le=1)
    shadows: str | None = Field(None, pattern=_COLOUR)
    lights: str | None = Field(None, pattern=_COLOUR)
    curve: tuple[tuple[float, float], ...] = Field((), max_length=MOST_CURVE)
    lut: str | None = Field(None, pattern=r"^[0-9a-f]{64}\.cube$")
    lut_amount: float = Field(1, ge=0, le=1)


class Tables(NamedTuple):
    """For each brightness 0 … 255: the new one, by how many times colour is stronger, and what is added to both colour
    planes."""

    y: Table
    scale: Table
    u: Table
    v: Table


SAME = Tables(
    np.arange(256, dtype=np.float32),
    np.ones(256, np.float32),
    np.zeros(256, np.float32),
    np.zeros(256, np.float32),
)


def tables_of(grade: Grade) -> Tables:
    """The tables of a grade (without its look-up table)."""
    before = np.clip((np.arange(256, dtype=np.float64) - BLACK) / RANGE, 0, 1)
    v = _curved(_contrasted(_exposed(before, grade.exposure), grade.contrast), grade.curve)
    v = LIFTED * grade.fade + v * (1 - LIFTED * grade.fade)
    # Colour goes with brightness, or a darkened face would glow; never so far that it bleeds.
    scale = grade.saturation * np.clip((v + 0.02) / (before + 0.02), 0.3, 1.4) ** 0.8
    u, w = WARM_U * grade.warmth * v, WARM_V * grade.warmth * v
    for colour, share in ((grade.shadows, 1 - v), (grade.lights, v)):
        if colour is not None:
            du, dv = tint_of(colour)
            u, w = u + TINTED * du * share, w + TINTED * dv * share
    y = np.where(np.arange(256) < BLACK, np.minimum(np.arange(256), v[0] * RANGE + BLACK), 0)
    y = np.where(np.arange(256) >= BLACK, BLACK + v * RANGE, y)
    return Tables(*(np.asarray(t, np.float32) for t in (y, scale, u, w)))


def one_after_another(first: Tables, then: Tables) -> Tables:
    """The tables of one grade after another."""
    at = np.clip(np.rint(first.y), 0, 255).astype(np.int64)
    scale = then.scale[at]
    return Tables(
        np.interp(first.y, np.arange(256), then.y).astype(np.float32),
        first.scale * scale,
        first.u * scale + then.u[at],
        first.v * scale + then.v[at],
    )


def _exposed(v: NDArray[np.float64], stops: float) -> NDArray[np.float64]:
    """Brighter by so many stops of light. Up, white stays white and lights are held before it, as film holds them;
    down, all of it goes down."""
    gain = 2 ** (stops / GAMMA)
    return gain * v / (1 + (gain - 1) * v) if gain > 1 else gain * v


def _contrasted(v: NDArray[np.float64], by: float) -> NDArray[np.float64]:
    """More contrast bends the line to an S (smoothstep), less flattens it around the middle."""
    if by >= 0:
        return v + by * (v * v * (3 - 2 * v) - v)
    return v + by * 0.6 * (v - 0.45)


def _curved(v: NDArray[np.float64], points: tuple[tuple[float, float], ...]) -> NDArray[np.float64]:
    """Through points, without overshooting (Fritsch and Carlson 1980, Monotone piecewise cubic interpolation)."""
    if not points:
        return v
    from scipy.interpolate import PchipInterpolator  # here, since it takes a second to load

    inner = {min(0.999, max(0.001, x)): y for x, y in points if 0 < x < 1}
    ends = {0.0: 0.0, 1.0: 1.0} | {float(round(x)): y for x, y in points if x <= 0 or x >= 1}
    at = sorted({**ends, **inner}.items())
    smooth = PchipInterpolator([x for x, _ in at], [y for _, y in at])
    return np.asarray(np.clip(smooth(v), 0, 1), np.float64)


def is_plain(grade: Grade) -> bool:
    """Whether a grade leaves everything as it is."""
    return grade == Grade() or grade == Grade(lut_amount=grade.lut_amount)
