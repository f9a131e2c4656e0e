"""HTTP for the front end: routes, schemas, events."""

from .app import create_app, from_environment

__all__ = ["create_app", "from_environment"]
