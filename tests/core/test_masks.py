"""Masks: a change grows in from the edge, and outside it every pixel is the very same."""

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.ndimage import distance_transform_edt

from cutreel.core.pictures import feathered, laid_into


@settings(max_examples=40)
@given(
    st.integers(0, 10_000),
    st.floats(0, 30),
    st.integers(0, 60),
    st.integers(0, 60),
    st.integers(1, 60),
)
def test_nothing_outside_the_mask_changes(
    seed: int, feather: float, left: int, top: int, size: int
) -> None:
    rng = np.random.default_rng(seed)
    base, change = rng.integers(0, 256, (2, 64, 80, 3), dtype=np.uint8)
    mask = np.zeros((64, 80), np.uint8)
    mask[top : top + size, left : left + size] = 255
    share = feathered(mask, feather)
    out = laid_into(base, change, share)
    assert (out[mask == 0] == base[mask == 0]).all()
    assert ((share >= 0) & (share <= 1)).all() and (share[mask == 0] == 0).all()
    if feather == 0:
        assert (out[mask == 255] == change[mask == 255]).all()


def test_the_change_grows_from_the_edge_inward() -> None:
    """Depths by SciPy's exact distance transform, on a round mask away from the picture's edge."""
    y, x = np.mgrid[:100, :100]
    mask = (np.hypot(x - 50, y - 50) < 30).astype(np.uint8) * 255
    share, depth = feathered(mask, 9), distance_transform_edt(mask)
    assert share[50, 50] == 1 and 0 < share[50, 22] < 0.5
    order = np.argsort(depth[mask > 0])
    assert (np.diff(share[mask > 0][order]) >= -1e-6).all()


def test_a_mask_at_the_pictures_edge_does_not_fade_there() -> None:
    mask = np.zeros((40, 40), np.uint8)
    mask[:, :20] = 255
    share = feathered(mask, 6)
    assert share[20, 0] == 1 and share[0, 5] == 1 and share[20, 19] < 0.3
