"""Logs say where, to which run, item or request, and never what a story says."""

import io
import json
import logging
import subprocess
import sys
import threading
from collections.abc import Iterator

import pytest

from cutreel.logs import about, place_of, set_up

SECRET = "Maren kept the letter under the third board"


def breaks() -> None:
    raise ValueError(SECRET)


@pytest.fixture
def written() -> Iterator[io.StringIO]:
    """What is logged; logging is as it was afterwards."""
    root = logging.getLogger()
    handlers, level = root.handlers[:], root.level
    yield io.StringIO()
    root.handlers[:] = handlers
    root.setLevel(level)


def test_an_error_is_told_by_its_place_alone() -> None:
    try:
        breaks()
    except ValueError as error:
        told = place_of(error)
    assert told.startswith("ValueError in breaks (test_logs.py:") and SECRET not in told


@pytest.mark.parametrize("form", ["json", ""])
def test_a_line_names_what_it_is_about_and_no_words_of_a_story(
    written: io.StringIO, monkeypatch, form: str
) -> None:
    monkeypatch.setenv("CUTREEL_LOGS", form)
    set_up(written)
    with about(run="r1"), about(item=7):
        try:
            breaks()
        except ValueError:
            logging.getLogger("cutreel.worker").exception("an item failed")
    logging.getLogger("cutreel.worker").warning("after")
    first, second = written.getvalue().splitlines()
    assert SECRET not in first and "breaks (test_logs.py:" in first
    if form == "json":
        told = json.loads(first)
        assert (told["run"], told["item"], told["level"], told["by"]) == (
            "r1",
            "7",
            "error",
            "cutreel.worker",
        )
        assert "run" not in json.loads(second)
    else:
        assert first.endswith("[run r1 item 7]") and second.endswith("after")


def test_threads_are_about_their_own(written: io.StringIO, monkeypatch) -> None:
    monkeypatch.setenv("CUTREEL_LOGS", "json")
    set_up(written)
    gate = threading.Barrier(4)

    def work(n: int) -> None:
        with about(item=n):
            gate.wait()
            logging.getLogger("x").warning("%d", n)

    threads = [threading.Thread(target=work, args=(n,)) for n in range(4)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    told = [json.loads(line) for line in written.getvalue().splitlines()]
    assert sorted(t["said"] for t in told) == list("0123") and all(
        t["said"] == t["item"] for t in told
    )


def test_the_database_hides_what_it_was_given() -> None:
    code = (
        "from cutreel.store import Database; from sqlalchemy import text\n"
        "d = Database('postgresql://nobody@127.0.0.1:1/none')\n"
        "assert d.engine.hide_parameters"
    )
    subprocess.run([sys.executable, "-c", code], check=True)
