"""Pictures by themselves: what can be told of one, and what is done to one by hand."""

from .checks import Checks, check_picture
from .clip_checks import SMALL, ClipChecks, check_clip, faults_of_clip, off_by
from .clip_traits import EVERY, LOOKS, Lost, lost_in
from .faults import Fault, FigureSeen, alike, faults_of_picture
from .filling import filled
from .joints import in_pixels, in_shares, lengths, moved, take_pose, two_bone, usual_joints
from .masks import feathered, laid_into
from .openraster import Layer, LayeredPicture, is_openraster, packed, unpacked
from .placing import Placing, cut_out, figure_share, placed, relit
from .png_rows import lacks_rows
from .reach import Reach, reach_of
from .shape import Box, face_of, frame_keeping, reshaped

# fmt: off
__all__ = [
    "EVERY",
    "LOOKS",
    "SMALL",
    "Box",
    "Checks",
    "ClipChecks",
    "Fault",
    "FigureSeen",
    "Layer",
    "LayeredPicture",
    "Lost",
    "Placing",
    "Reach",
    "alike",
    "check_clip",
    "check_picture",
    "cut_out",
    "face_of",
    "faults_of_clip",
    "faults_of_picture",
    "feathered",
    "figure_share",
    "filled",
    "frame_keeping",
    "in_pixels",
    "in_shares",
    "is_openraster",
    "lacks_rows",
    "laid_into",
    "lengths",
    "lost_in",
    "moved",
    "off_by",
    "packed",
    "placed",
    "reach_of",
    "relit",
    "reshaped",
    "take_pose",
    "two_bone",
    "unpacked",
    "usual_joints",
]
# fmt: on
