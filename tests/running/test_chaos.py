"""The short form of `bench/chaos.py`: half a minute of blows while films are made and edited. What was paid is read from
the stand-ins' own books, not from ours."""

from pathlib import Path

import pytest
from bench.chaos import run


@pytest.mark.long
@pytest.mark.timeout(1800)
def test_half_a_minute_of_blows_loses_nothing(tmp_path: Path) -> None:
    for each in (tmp_path, *tmp_path.parents[:2]):
        each.chmod(each.stat().st_mode | 0o011)
    chaos, faults = run(30, seed=7, data=tmp_path / "data")
    assert faults == []
    assert chaos.blows.total() >= 5 and chaos.edits and chaos.runs, "something was done meanwhile"
