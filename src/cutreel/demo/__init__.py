"""The sample film, made by the same changes that a maker would make."""

from .load import load_demo

__all__ = ["load_demo"]
