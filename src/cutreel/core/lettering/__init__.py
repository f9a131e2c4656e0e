"""Letters: the faces that ship and those that are brought, how wide a line is, where it goes on below."""

from .brought import LARGEST, BroughtFace, read_face
from .faces import bring_face, face, face_file, face_for, lacking, runs_leftwards, width_of, wrapped
from .names import BOLD, FACES, FAMILIES, Face, is_own

__all__ = [
    "BOLD",
    "FACES",
    "FAMILIES",
    "LARGEST",
    "BroughtFace",
    "Face",
    "bring_face",
    "face",
    "face_file",
    "face_for",
    "is_own",
    "lacking",
    "read_face",
    "runs_leftwards",
    "width_of",
    "wrapped",
]
