"""What is drawn into and encoded: a frame."""

import numpy as np
from numpy.typing import NDArray

Frame = tuple[NDArray[np.uint8], NDArray[np.uint8], NDArray[np.uint8]]
"""Planes Y, U and V of a frame, 4:2:0."""
