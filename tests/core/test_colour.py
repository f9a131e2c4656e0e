"""Colours: CIEDE2000 by its published pairs, L*a*b* by scikit-image, names, and light taken away."""

import numpy as np
import pytest
from skimage.color import deltaE_ciede2000, lab2rgb, rgb2lab

from cutreel.core.colour import (
    NAMED,
    ciede2000,
    colour_in,
    css_of,
    lab_of,
    light_from,
    name_of,
    shades_of_grey,
    srgb_of,
)
from tests.data.sharma import PAIRS


@pytest.mark.parametrize(("one", "other", "apart"), PAIRS)
def test_ciede2000_agrees_with_the_published_pairs(
    one: tuple[float, float, float], other: tuple[float, float, float], apart: float
) -> None:
    # Pair 14 has hues that lie opposite each other: rounding may take either way round, 4.8045 or 4.7461.
    wanted = [4.8045, 4.7461] if apart in (4.8045, 4.7461) else [apart]
    for a, b in ((one, other), (other, one)):
        assert min(abs(float(ciede2000(a, b)) - w) for w in wanted) < 1e-4


def test_colours_agree_with_scikit_image() -> None:
    rgb = np.random.default_rng(5).integers(0, 256, (400, 3)).astype(np.uint8)
    lab = lab_of(rgb)
    np.testing.assert_allclose(lab, rgb2lab(rgb), atol=0.02)
    np.testing.assert_allclose(srgb_of(lab), rgb, atol=0.05)
    np.testing.assert_allclose(srgb_of(lab) / 255, lab2rgb(lab), atol=1e-3)
    np.testing.assert_allclose(
        ciede2000(lab[:-1], lab[1:]), deltaE_ciede2000(lab[:-1], lab[1:]), atol=1e-6
    )


def test_names() -> None:
    assert colour_in("a moss green coat") == NAMED["moss green"]
    assert colour_in("dark brown hair, tied") == NAMED["dark brown"]
    assert colour_in("tanned skin") == (206, 156, 116) and colour_in("brown skin") != NAMED["brown"]
    assert colour_in("long fair hair") == NAMED["ochre"] and colour_in("a crooked nose") is None
    copper = colour_in("cropped red hair")
    assert copper is not None and NAMED["rust"][1] - 20 < copper[1] < NAMED["orange"][1]
    assert colour_in("a short red beard") == copper and colour_in("red coat") == NAMED["red"]
    assert colour_in("brick red hair band") == NAMED["brick red"]
    assert name_of(lab_of(NAMED["teal"])) == "teal" and css_of(lab_of((44, 118, 118))) == "#2c7676"


def test_light_is_taken_away() -> None:
    true = np.array([[190, 52, 42], [44, 118, 118], [240, 208, 182]], float)
    gain, veil = np.array([0.62, 0.66, 0.8]), np.array([10.0, 16.0, 30.0])
    light = light_from([(236, 236 * gain + veil), (44, 44 * gain + veil)])
    assert light is not None
    np.testing.assert_allclose(light.without(true * gain + veil), true, atol=0.5)
    one = light_from([(236, 236 * gain)])
    assert one is not None
    np.testing.assert_allclose(one.without(true * gain), true, atol=0.5)
    assert light_from([]) is None and light_from([(40, (10, 10, 10))]) is None


def test_without_a_neutral_the_average_stands_for_grey() -> None:
    pixels = np.random.default_rng(3).integers(0, 256, (160, 160, 3)).astype(float) * (
        1.0,
        0.8,
        0.6,
    )
    found = shades_of_grey(pixels.astype(np.uint8))
    assert found.gain[0] > found.gain[1] > found.gain[2]
    assert found.gain[1] / found.gain[0] == pytest.approx(0.8, abs=0.03)
