"""A wish for the whole film, said in plain words, as changes in our own commands."""

from .understood import Understood, understood
from .wish import Proposal, WishCommand

__all__ = ["Proposal", "Understood", "WishCommand", "understood"]
