"""Movement of a still: the camera's path over it, and how its layers move apart."""

from .camera import MOVES, CameraPath, Move, Window, layer_zoom, path_for

__all__ = ["MOVES", "CameraPath", "Move", "Window", "layer_zoom", "path_for"]
