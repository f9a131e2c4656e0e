"""The plan of a film by the command line: everything that would be made, and nothing made."""

import csv
import io
import json

import pytest
from click.testing import CliRunner

from cutreel.cli import main
from tests.conftest import ROOT, run

TITLED = """The Weaver of Low Ferry

Ottilie Marsh was seventy, with white hair in a braid. She wove baskets by the river.

“You will miss the market,” said Josef. Ottilie did not look up. That night the river rose.
"""


def plan(folder, *options: str, text: str = TITLED):
    (folder / "story.txt").write_text(text)
    return run(str(ROOT / "bin/cutreel"), "plan", str(folder / "story.txt"), *options)


@pytest.mark.long
def test_a_plan_says_who_where_and_every_shot(tmp_path) -> None:
    done = plan(tmp_path, "--json")
    assert done.returncode == 0, done.stderr
    told = json.loads(done.stdout)
    assert told["title"] == "The Weaver of Low Ferry"
    words = " ".join(s["words"] for s in told["shots"])
    assert words == " ".join(TITLED.split("\n", 2)[2].split()), (
        "every word is in one shot, in order"
    )
    ends = [s["start"] + s["seconds"] for s in told["shots"]]
    starts = [s["start"] for s in told["shots"][1:]]
    assert starts == pytest.approx(ends[:-1], abs=0.002)
    assert ends[-1] == pytest.approx(told["seconds"], abs=0.002)
    people = {p["name"]: p for p in told["cast"]}
    assert {"Ottilie Marsh", "Josef"} <= set(people)
    assert "white hair in a braid" in people["Ottilie Marsh"]["traits"]
    for shot in told["shots"]:
        assert shot["prompt"] and all(name in shot["prompt"] for name in shot["who"])
    assert told["cost"] > 0 and told["making_seconds"] > 0
    assert [p.name for p in tmp_path.iterdir()] == ["story.txt"], "nothing is written"


@pytest.mark.long
def test_a_plan_is_a_table_or_a_page_to_read_too(tmp_path) -> None:
    rows = list(csv.DictReader(io.StringIO(plan(tmp_path, "--csv", "--shots", "3").stdout)))
    assert len(rows) == 3 and [r["edge"] for r in rows] == ["1", "2", "3"]
    page = plan(tmp_path, "--shots", "3").stdout
    assert page.startswith("# The Weaver of Low Ferry") and page.count("\n**") == 3
    assert "- **Ottilie Marsh** (person, she" in page


def test_what_cannot_be_planned_is_said(tmp_path) -> None:
    """In this process: nothing is started before a story and a look are known."""

    def refused(text: str, *options: str) -> str:
        (tmp_path / "story.txt").write_text(text)
        done = CliRunner().invoke(main, ["plan", str(tmp_path / "story.txt"), *options])
        assert done.exit_code == 2 and not done.stdout and "Traceback" not in done.stderr
        return done.stderr

    assert "empty" in refused(" \n")
    assert "gloss" in refused(TITLED, "--look", "gloss")
