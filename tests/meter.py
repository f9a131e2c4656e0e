"""Another loudness meter than ours: ffmpeg's ebur128 filter."""

import re
from pathlib import Path

from tests.conftest import run


def loudness_of(path: Path) -> tuple[float, float]:
    """Integrated loudness in LUFS and true peak in dBTP of a file's sound."""
    meter = ["-af", "ebur128=peak=true", "-f", "null", "-"]
    said = run("ffmpeg", "-hide_banner", "-nostats", "-i", str(path), *meter).stderr
    summary = said[said.rindex("Summary") :]
    loud = re.search(r"I:\s+(-?[\d.]+) LUFS", summary)
    peak = re.search(r"Peak:\s+(-?[\d.]+) dBFS", summary)
    assert loud and peak, summary
    return float(loud[1]), float(peak[1])
