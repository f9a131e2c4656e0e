"""What was measured of sound and can be measured again: a folder that forgets what was not used for longest."""

import os
from pathlib import Path

from diskcache import Cache

from cutreel.core.sound import Kept

MOST_KEPT = 2_000_000_000
"""Bytes; an hour of film needs about fifty million."""


def kept_in(folder: Path) -> Kept:
    """A folder of measures, for any number of processes at a time. It may be lost: only time is."""
    kept: Kept = Cache(
        str(folder), size_limit=MOST_KEPT, eviction_policy="least-recently-used", timeout=10
    )
    return kept


def kept_from_environment() -> Kept:
    """The folder of measures that the environment names; in memory, when it names none."""
    named = os.environ.get("CUTREEL_KEPT")
    return kept_in(Path(named)) if named else {}
