"""What is compiled when Cut Reel is installed is all that a film needs compiled."""

import os
import subprocess
import sys
from pathlib import Path

import pytest

from tests.conftest import ROOT

FILM = """
import numpy as np
from cutreel.core.film import Settings, new_film
from cutreel.core.render import make_segment, plan_film, planes_of
from cutreel.core.timeline import CaptionClip, FrameRate, Join, PictureClip, Span, Timeline

new_film("t", "Ada rowed to the light. “We must row,” said Bram. It was dark.", Settings(pace=3))
spans = [Span(0, 20), Span(20, 50), Span(50, 80)]
clips = [
    PictureClip(spans[0], (("a", 0.0), ("b", 0.5), ("c", 1.0)), move="pan left"),
    PictureClip(spans[1], (("a", 0.0),), move="still"),
    PictureClip(spans[2], page=("It was dark.", "3"), move="still"),
]
line = Timeline(FrameRate.parse("30"), clips, [Join(8)] * 2, [], [CaptionClip(0.1, 2.5, ("one", "two"))])
for quality, size in (("film", (320, 180)), ("preview", (180, 320))):
    for _, plan in plan_film(line, *size, quality, True):
        make_segment(plan, lambda m, d: planes_of(np.full((240, 400, 4 if d else 3), 90, np.uint8), d))
"""


def run(kept: Path, *what: str) -> set[str]:
    """Run Python with a cache of its own; the names of what is compiled there."""
    environment = {**os.environ, "NUMBA_CACHE_DIR": str(kept)}
    done = subprocess.run([sys.executable, *what], env=environment, cwd=ROOT, check=False)
    assert done.returncode == 0
    return {p.name for p in kept.rglob("*.nbc")}


@pytest.mark.long
def test_a_film_compiles_nothing_that_was_not_compiled_at_its_installation(tmp_path: Path) -> None:
    first = run(tmp_path, "-m", "cutreel.running.compile")
    assert len(first) > 5
    assert run(tmp_path, "-c", FILM) == first
