"""What tests share: small helpers, and one running stack for all tests that need the database and the services."""

import os
import subprocess
from collections.abc import Iterator
from pathlib import Path
from typing import TYPE_CHECKING

import pytest
from hypothesis import settings

if TYPE_CHECKING:
    from cutreel.running.temporary import Temporary

# How long an example takes tells of the machine, not of what is tested.
settings.register_profile("unhurried", deadline=None)
settings.load_profile("unhurried")

ROOT = Path(__file__).parent.parent
STORY = (ROOT / "src/cutreel/demo/lamp-at-saltmere.txt").read_text()


def run(*command: str, **environment: str) -> subprocess.CompletedProcess[str]:
    """Run a program and keep what it says; `environment` is added to ours."""
    return subprocess.run(
        command, capture_output=True, text=True, check=False, env=os.environ | environment
    )


@pytest.fixture(scope="session")
def stack() -> "Iterator[Temporary]":
    """A real PostgreSQL, the stand-ins and two workers."""
    # Here, since the tests of the core need none of it, and it takes seconds to load.
    from cutreel.running.temporary import temporary

    with temporary(workers=2) as running:
        yield running
