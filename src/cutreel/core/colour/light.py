"""The light that a picture is seen in, and taking it away, so that colours of noon and night can be
compared.

Light is told from neutral things in the picture (of a known grey) as a gain and a veil for each of
red, green and blue: seen = gain * true + veil, on sRGB values, where painted pictures mix their
light. With one neutral the gain alone is told (the von Kries rule); with none the picture's own
average of the sixth power stands for white ("shades of grey": Finlayson and Trezzi 2004).
"""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations

import numpy as np
from numpy.typing import ArrayLike, NDArray


@dataclass(frozen=True)
class Light:
    """Gain and veil for red, green and blue, and how they were told."""

    gain: tuple[float, float, float] = (1.0, 1.0, 1.0)
    veil: tuple[float, float, float] = (0.0, 0.0, 0.0)
    told_by: str = "not told"

    def without(self, rgb: ArrayLike) -> NDArray[np.float64]:
        """Colours (sRGB, 0 … 255, shape (…, 3)) as they would be in white light."""
        white: NDArray[np.float64] = (np.asarray(rgb, float) - np.array(self.veil)) / np.array(
            self.gain
        )
        return np.clip(white, 0, 255)


def light_from(neutrals: Sequence[tuple[float, ArrayLike]]) -> Light | None:
    """The light that shows neutral things of a true grey (0 … 255) as the sRGB seen. None without
    any."""
    if not neutrals:
        return None
    true = np.array([grey for grey, _ in neutrals], float)
    seen = np.array([np.asarray(rgb, float) for _, rgb in neutrals])
    if np.ptp(true) > 80:
        gain, veil = np.array([np.polyfit(true, seen[:, c], 1) for c in range(3)]).T
        if gain.min() > 0.25 and gain.max() < 1.6:
            return _light(gain, veil, "light and dark neutrals in the picture")
    brightest = int(np.argmax(true))
    if true[brightest] < 120:
        return None
    return _light(
        np.clip(seen[brightest] / true[brightest], 0.25, 1.6),
        np.zeros(3),
        "a neutral in the picture",
    )


def light_between(true: ArrayLike, seen: ArrayLike) -> Light | None:
    """The light in which most of some known colours, sRGB of shape (n, 3), look as they were seen;
    None if there is no such. It is told from each three of them, and the one that leaves the
    smallest middle error wins, so that a colour that really is another does not bend it (random
    sample consensus, Fischler and Bolles 1981, with all samples).

    Two kinds of light are tried, both of four numbers, so that three colours say more than is
    needed: coloured light (a gain for each channel, one veil) and coloured haze (one gain, a veil
    for each channel).
    """
    known, shown = np.asarray(true, float), np.asarray(seen, float)
    best: tuple[float, Light] | None = None
    for chosen in combinations(range(len(known)), 3):
        few, aim = known[list(chosen)], shown[list(chosen)].T.ravel()
        each = np.kron(np.eye(3), np.ones((3, 1)))
        in_turn = few.T.reshape(-1, 1)
        for rows, gains in (
            (np.hstack([each * in_turn, np.ones((9, 1))]), 3),
            (np.hstack([in_turn, each]), 1),
        ):
            found = np.linalg.lstsq(rows, aim, rcond=None)[0]
            gain, veil = np.resize(found[:gains], 3), np.resize(found[gains:], 3)
            if gain.min() < 0.2 or gain.max() > 1.6 or veil.min() < -12 or veil.max() > 130:
                continue
            error = float(np.median(np.abs(known * gain + veil - shown).max(axis=1)))
            if best is None or error < best[0]:
                best = (error, _light(gain, veil, "most of the figure's own colours"))
    return best[1] if best else None


def middle_light(lights: Sequence[Light]) -> Light:
    """The light between several, channel by channel the median of them; of one at least."""
    gain = np.median(np.array([light.gain for light in lights]), axis=0)
    veil = np.median(np.array([light.veil for light in lights]), axis=0)
    return _light(gain, veil, "the film's other pictures of the hour")


def shades_of_grey(pixels: NDArray[np.uint8], power: int = 6) -> Light:
    """The light by the rule that a picture's colours average to grey; `pixels` (height, width, 3)
    in sRGB."""
    small = pixels[::8, ::8, :3].reshape(-1, 3).astype(float) / 255
    mean = np.mean(small**power, axis=0) ** (1 / power)
    gain = np.clip(mean / max(1e-6, float(mean.mean())), 0.6, 1.6)
    return _light(gain, np.zeros(3), "the picture's own average")


def _light(gain: NDArray[np.float64], veil: NDArray[np.float64], told_by: str) -> Light:
    r, g, b = (round(float(v), 4) for v in gain)
    vr, vg, vb = (round(float(v), 2) for v in veil)
    return Light((r, g, b), (vr, vg, vb), told_by)
