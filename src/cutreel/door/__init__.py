"""The door: a small server of its own, through which others see a film by a link, and nothing else. It is closed unless
it is opened at the start."""

from .app import create_door, from_environment

__all__ = ["create_door", "from_environment"]
