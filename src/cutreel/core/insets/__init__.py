"""Insets: pictures and cut-outs laid over a shot, each with a place and a movement of its own."""

from .arranged import ARRANGED, Arranged, arranged
from .inset import BORDERS, COMES, MOST_INSETS, Border, Comes, Inset, LaidPicture

__all__ = [
    "ARRANGED",
    "BORDERS",
    "COMES",
    "MOST_INSETS",
    "Arranged",
    "Border",
    "Comes",
    "Inset",
    "LaidPicture",
    "arranged",
]
