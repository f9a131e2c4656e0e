"""sRGB to CIE L*a*b* and back, for daylight (D65), by IEC 61966-2-1 and CIE 15."""

import numpy as np
from numpy.typing import ArrayLike, NDArray

Lab = tuple[float, float, float]
_TO_XYZ = np.array(
    [
        [0.4124564, 0.3575761, 0.1804375],
        [0.2126729, 0.7151522, 0.0721750],
        [0.0193339, 0.1191920, 0.9503041],
    ]
)
_FROM_XYZ = np.linalg.inv(_TO_XYZ)
_WHITE = np.array([0.95047, 1.0, 1.08883])
_KNEE = (6 / 29) ** 3


def lab_of(rgb: ArrayLike) -> NDArray[np.float64]:
    """L*a*b* of sRGB values in 0 … 255; shape (…, 3) in and out."""
    part = np.asarray(rgb, float) / 255
    linear = np.where(part <= 0.04045, part / 12.92, ((part + 0.055) / 1.055) ** 2.4)
    x = linear @ _TO_XYZ.T / _WHITE
    f = np.where(x > _KNEE, np.cbrt(x), x / (3 * (6 / 29) ** 2) + 4 / 29)
    return np.stack(
        [116 * f[..., 1] - 16, 500 * (f[..., 0] - f[..., 1]), 200 * (f[..., 1] - f[..., 2])],
        axis=-1,
    )


def srgb_of(lab: ArrayLike) -> NDArray[np.float64]:
    """sRGB values in 0 … 255 of L*a*b*, held within what a screen shows; shape (…, 3) in and
    out."""
    value = np.asarray(lab, float)
    fy = (value[..., 0] + 16) / 116
    f = np.stack([fy + value[..., 1] / 500, fy, fy - value[..., 2] / 200], axis=-1)
    x = np.where(f > 6 / 29, f**3, 3 * (6 / 29) ** 2 * (f - 4 / 29)) * _WHITE
    linear = np.clip(x @ _FROM_XYZ.T, 0, 1)
    return np.asarray(
        np.where(linear <= 0.0031308, 12.92 * linear, 1.055 * linear ** (1 / 2.4) - 0.055) * 255
    )


def css_of(lab: ArrayLike) -> str:
    """A colour as the web writes it, #rrggbb."""
    return "#" + "".join(f"{round(float(v)):02x}" for v in srgb_of(lab))
