"""What a request names, found in a film."""

from cutreel.core.errors import NotFound
from cutreel.store import Assembled


def shot_at(assembled: Assembled, shot: int) -> int:
    """The place of a shot by its number. Raises NotFound."""
    at = next((i for i, s in enumerate(assembled.read.shots) if s.shot.id == shot), None)
    if at is None:
        raise NotFound("That shot is not in the film any more.", "Load the page again.")
    return at
