"""Letters: the faces that ship, how wide a line is, where it goes on below."""

from .faces import FAMILIES, face, face_file, width_of, wrapped

__all__ = ["FAMILIES", "face", "face_file", "width_of", "wrapped"]
