"""Pictures from outside and by hand: opened apart, measured, brought, cut out, laid in, framed."""

from .bringing import MOST_BYTES, MOST_CLIP, MOST_IN_ALL, BroughtPicture, bring_many
from .clips import OwnClip, brought_clip, is_clip, keep_clip, opened_clip
from .handwork import (
    FIGURES,
    cut_from,
    figures_of_take,
    frame_for,
    kept_sketch,
    look_of,
    mask_of_figure,
    openraster_of,
    place_in,
    reshape,
)
from .keeping import (
    Origin,
    Picture,
    PictureStrip,
    add_take,
    brought_picture,
    keep_brought,
    kept_picture,
    size_of,
)
from .masking import box_of_mask, kept_mask
from .measuring import OwnPicture, brought, pixels_of, seen_in
from .opening import ClearPicture, clear_png

# fmt: off
__all__ = [
    "FIGURES",
    "MOST_BYTES",
    "MOST_CLIP",
    "MOST_IN_ALL",
    "BroughtPicture",
    "ClearPicture",
    "Origin",
    "OwnClip",
    "OwnPicture",
    "Picture",
    "PictureStrip",
    "add_take",
    "box_of_mask",
    "bring_many",
    "brought",
    "brought_clip",
    "brought_picture",
    "clear_png",
    "cut_from",
    "figures_of_take",
    "frame_for",
    "is_clip",
    "keep_brought",
    "keep_clip",
    "kept_mask",
    "kept_picture",
    "kept_sketch",
    "look_of",
    "mask_of_figure",
    "opened_clip",
    "openraster_of",
    "pixels_of",
    "place_in",
    "reshape",
    "seen_in",
    "size_of",
]
# fmt: on
