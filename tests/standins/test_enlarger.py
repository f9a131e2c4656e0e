"""The enlarger: twice or four times the pixels of the same picture."""

import io

import numpy as np
import pytest
from PIL import Image
from skimage.metrics import structural_similarity

from standins.enlarger import enlarged
from standins.illustrator import paint

PROMPT = "Wide shot. Pip (boy of ten, red scarf, teal coat). a heron. a plank jetty over water. dusk. layered cut paper."
PICTURE = paint(PROMPT, 3, 640, 360)


def opened(data: bytes) -> Image.Image:
    return Image.open(io.BytesIO(data))


@pytest.mark.parametrize("factor", [2, 4])
def test_it_is_the_same_picture_with_more_pixels(factor: int) -> None:
    """Source: Wang et al. 2004, structural similarity, by scikit-image; Pillow's box filter back to the first size."""
    large = opened(enlarged(PICTURE.flat, factor))
    assert large.size == (640 * factor, 360 * factor) and large.mode == "RGB"
    back = np.asarray(large.resize((640, 360), Image.Resampling.BOX))
    first = np.asarray(opened(PICTURE.flat).convert("RGB"))
    assert structural_similarity(first, back, channel_axis=2) > 0.95
    assert np.abs(back.mean((0, 1)) - first.mean((0, 1))).max() < 1.5, "no colour is shifted"


def test_edges_are_sharper_than_plain_enlarging_makes_them() -> None:
    plain = opened(PICTURE.flat).convert("RGB").resize((1280, 720), Image.Resampling.BICUBIC)
    ours = opened(enlarged(PICTURE.flat, 2))
    steep = [
        np.percentile(np.abs(np.diff(np.asarray(i, float), axis=1)).max(axis=2), 99)
        for i in (plain, ours)
    ]
    assert steep[1] > 1.1 * steep[0]


def test_a_layer_stays_clear_where_it_is() -> None:
    layer = opened(PICTURE.layers[1][0])
    large = np.asarray(opened(enlarged(PICTURE.layers[1][0], 2)).getchannel("A"), float)
    wanted = np.asarray(layer.getchannel("A").resize((1280, 720), Image.Resampling.LANCZOS), float)
    assert np.abs(large - wanted).max() <= 1


def test_the_same_again_and_no_more_than_can_be_held() -> None:
    assert enlarged(PICTURE.flat, 2) == enlarged(PICTURE.flat, 2)
    huge = io.BytesIO()
    Image.new("RGB", (4000, 3000)).save(huge, "PNG")
    with pytest.raises(ValueError, match="too many"):
        enlarged(huge.getvalue(), 4)
