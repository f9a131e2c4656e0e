"""What every maker of results looks like from here, however it is reached."""

from collections.abc import Callable, Mapping
from typing import Protocol

from cutreel.protocol import JobInput, Offer
from cutreel.services import Delivered


class Maker(Protocol):
    """Somebody or something that makes pictures, clips, voices, sounds or words."""

    def offers(self) -> list[Offer]:
        """What is on offer now. Raises CutReelError when that cannot be known."""

    def do(
        self,
        offer: str,
        work: JobInput,
        key: str,
        *,
        files: Mapping[str, bytes] | None = None,
        progress: Callable[[float], None] = lambda share: None,
        cancelled: Callable[[], bool] = lambda: False,
    ) -> Delivered | None:
        """See a job through. `key` makes it idempotent where the maker can tell jobs apart; `files` are
        what the job refers to, by SHA-256. None when `cancelled` became true. Raises ServiceRefused for a
        no that asking again does not change, ServiceDown where waiting helps."""
