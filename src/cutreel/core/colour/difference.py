"""How different two colours look: CIEDE2000.

After Sharma, Wu and Dalal, "The CIEDE2000 Color-Difference Formula", Color Research and Application
30(1), 2005; the numbers in brackets are theirs. About 1 is the least that an eye tells apart side
by side; 5 is seen at a glance.
"""

import numpy as np
from numpy.typing import ArrayLike, NDArray

_FAR = 25.0**7


def ciede2000(one: ArrayLike, other: ArrayLike, k_light: float = 1.0) -> NDArray[np.float64]:
    """The difference of L*a*b* colours, shape (…, 3) each and broadcast; shape (…) out.

    `k_light` is the factor kL of the formula: 2, as the textile trade has it, counts lightness
    half, where surfaces are uneven.
    """
    a, b = np.broadcast_arrays(np.asarray(one, float), np.asarray(other, float))
    mean_chroma = (np.hypot(a[..., 1], a[..., 2]) + np.hypot(b[..., 1], b[..., 2])) / 2  # (2, 3)
    g = 0.5 * (1 - np.sqrt(mean_chroma**7 / (mean_chroma**7 + _FAR)))  # (4)
    a1, a2 = (1 + g) * a[..., 1], (1 + g) * b[..., 1]  # (5)
    c1, c2 = np.hypot(a1, a[..., 2]), np.hypot(a2, b[..., 2])  # (6)
    h1 = np.degrees(np.arctan2(a[..., 2], a1)) % 360  # (7)
    h2 = np.degrees(np.arctan2(b[..., 2], a2)) % 360
    grey = c1 * c2 == 0
    dl, dc = b[..., 0] - a[..., 0], c2 - c1  # (8, 9)
    turn = h2 - h1
    turn = np.where(turn > 180, turn - 360, np.where(turn < -180, turn + 360, turn))  # (10)
    turn = np.where(grey, 0, turn)
    dh = 2 * np.sqrt(c1 * c2) * np.sin(np.radians(turn) / 2)  # (11)
    light, chroma = (a[..., 0] + b[..., 0]) / 2, (c1 + c2) / 2  # (12, 13)
    total = h1 + h2
    far = np.abs(h1 - h2) > 180
    hue = np.where(far, np.where(total < 360, total + 360, total - 360), total) / 2  # (14)
    hue = np.where(grey, total, hue)
    t = (
        1
        - 0.17 * np.cos(np.radians(hue - 30))
        + 0.24 * np.cos(np.radians(2 * hue))
        + 0.32 * np.cos(np.radians(3 * hue + 6))
        - 0.20 * np.cos(np.radians(4 * hue - 63))
    )  # (15)
    lean = 30 * np.exp(-(((hue - 275) / 25) ** 2))  # (16)
    rc = 2 * np.sqrt(chroma**7 / (chroma**7 + _FAR))  # (17)
    sl = 1 + 0.015 * (light - 50) ** 2 / np.sqrt(20 + (light - 50) ** 2)  # (18)
    sc, sh = 1 + 0.045 * chroma, 1 + 0.015 * chroma * t  # (19, 20)
    rt = -np.sin(np.radians(2 * lean)) * rc  # (21)
    return np.asarray(
        np.sqrt(
            (dl / (k_light * sl)) ** 2
            + (dc / sc) ** 2
            + (dh / sh) ** 2
            + rt * (dc / sc) * (dh / sh)
        )
    )  # (22)
