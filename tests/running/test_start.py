"""`bin/start` as a person uses it: ready, watched over, ended whole; and clear words when it cannot start."""

import os
import re
import shutil
import signal
import socket
import time
from collections.abc import Iterator
from pathlib import Path
from types import SimpleNamespace

import httpx
import pytest

from cutreel.core.errors import CutReelError
from cutreel.running.cluster import Cluster, binary
from cutreel.running.ports import free_port, is_free
from cutreel.running.start import _ground
from tests.conftest import ROOT, run
from tests.running.running import Running, running
from tests.waiting import until


@pytest.fixture(scope="module")
def started(tmp_path_factory) -> Iterator[Running]:
    folder = tmp_path_factory.mktemp("start")
    folder.chmod(0o755)
    with running(folder / "data", "--no-demo") as found:
        yield found


def test_the_address_is_printed_when_the_page_answers(started: Running) -> None:
    assert f"ready at {started.address}" in started.said, started.said
    page = httpx.get(started.address)
    assert page.status_code == 200 and "<title>Cut Reel</title>" in page.text
    assert httpx.get(started.address + "/api/films").json() == []
    assert httpx.get(f"{started.address}/film/x/sheet").text == page.text
    assert httpx.get(f"{started.address}/..%2f..%2fpyproject.toml").text == page.text


def test_it_listens_on_loopback_alone(started: Running) -> None:
    def listening(path: str) -> list[str]:
        rows = [line.split() for line in Path(path).read_text().splitlines()[1:]]
        return [
            r[1].split(":")[0]
            for r in rows
            if r[3] == "0A" and int(r[1].split(":")[1], 16) == started.port
        ]

    assert listening("/proc/net/tcp") == ["0100007F"] and not listening("/proc/net/tcp6")


def test_a_process_that_dies_is_named_and_started_again(started: Running) -> None:
    workers = until(
        lambda: [n for n, c in started.processes().items() if "cutreel.making.worker" in c] or None
    )
    # What dies sooner than that is a start that failed, which is told in other words.
    until(lambda: time.time() - Path(f"/proc/{workers[0]}").stat().st_ctime > 2)
    os.kill(workers[0], signal.SIGKILL)
    until(lambda: "stopped unexpectedly; it is started again" in started.said, 30)
    assert re.search(r"cutreel: worker-\d stopped", started.said)
    until(
        lambda: (
            len([n for n, c in started.processes().items() if "cutreel.making.worker" in c]) == 2
        ),
        30,
    )


@pytest.mark.long
@pytest.mark.parametrize(
    ("package", "sentence"),
    [
        ("uvicorn", "web keeps stopping, so Cut Reel ends"),
        ("pebble", "The database could not be prepared"),
    ],
)
def test_a_process_that_dies_ends_the_start_in_one_sentence(
    tmp_path: Path, package: str, sentence: str
) -> None:
    """A module that cannot be imported, as when the run-time lock lacks a package."""
    tmp_path.chmod(0o755)
    broken = tmp_path / "broken" / package
    broken.mkdir(parents=True)
    (broken / "__init__.py").write_text(f"raise ImportError('{package} is not there')")
    done = run(
        "env",
        f"PYTHONPATH={broken.parent}",
        str(ROOT / "bin/start"),
        "--no-demo",
        "--data",
        str(tmp_path / "data"),
        "--port",
        str(free_port()),
    )
    said = done.stdout + done.stderr
    assert done.returncode == 1
    assert "Traceback" not in said and "is ready" not in said
    assert f"{sentence}: “ImportError: {package} is not there”" in said
    log = Path(re.findall(r"Its log is (\S+\.log)\.", said)[-1])
    assert "Traceback" in log.read_text()


def test_a_second_start_on_the_same_data_or_port_is_refused(started: Running) -> None:
    same = run(str(ROOT / "bin/start"), "--data", str(started.data), "--port", str(free_port()))
    assert same.returncode == 1 and "already running" in same.stderr
    busy = run(
        str(ROOT / "bin/start"),
        "--data",
        str(started.data.parent / "other"),
        "--port",
        str(started.port),
    )
    assert (
        busy.returncode == 1
        and f"Port {started.port} is taken" in busy.stderr
        and "--port" in busy.stderr
    )


@pytest.mark.long
def test_films_stay_over_a_restart_and_ending_ends_everything(started: Running) -> None:
    film = httpx.post(
        started.address + "/api/films",
        json={"title": "Kept", "text": "The lamp was dark."},
        timeout=300,
    ).json()
    started.end()
    until(lambda: not started.processes(), 20)
    assert is_free(started.port)
    again = Running(started.data, "--no-demo")
    try:
        until(lambda: "is ready at" in again.said or again.process.poll() is not None, 60)
        assert (
            httpx.get(f"{again.address}/api/films/{film['id']}", timeout=300).json()["head"][
                "title"
            ]
            == "Kept"
        )
    finally:
        again.end()
    until(lambda: not again.processes(), 20)


def test_reset_leaves_folders_alone_that_are_not_ours(tmp_path) -> None:
    (tmp_path / "photos").mkdir()
    (tmp_path / "photos" / "dear.jpg").write_text("x")
    done = run(
        str(ROOT / "bin/start"),
        "--data",
        str(tmp_path / "photos"),
        "--port",
        str(free_port()),
        "--reset",
    )
    assert done.returncode == 1 and "not a data folder" in done.stderr
    assert (tmp_path / "photos" / "dear.jpg").exists()


def test_a_folder_that_cannot_be_made_is_said(tmp_path) -> None:
    (tmp_path / "file").write_text("x")
    done = run(
        str(ROOT / "bin/start"),
        "--data",
        str(tmp_path / "file" / "data"),
        "--port",
        str(free_port()),
    )
    assert done.returncode == 1 and "--data" in done.stderr and "Traceback" not in done.stderr


def test_a_full_disk_and_a_missing_program_are_said(tmp_path, monkeypatch) -> None:
    monkeypatch.setattr(
        "cutreel.running.start.shutil.disk_usage", lambda path: SimpleNamespace(free=1_000_000)
    )
    with pytest.raises(CutReelError, match="is full") as full:
        _ground(tmp_path / "data", reset=False)
    assert "600 megabytes" in full.value.advice
    monkeypatch.setattr("cutreel.running.cluster.Path.glob", lambda self, pattern: iter(()))
    with pytest.raises(CutReelError, match="PostgreSQL is not installed"):
        binary("postgres")


def test_the_cluster_is_kept_elsewhere_where_its_account_cannot_walk(tmp_path) -> None:
    """A folder closed to others cannot hold the database of another account."""
    closed = tmp_path / "closed"
    closed.mkdir(mode=0o700)
    cluster = Cluster(closed / "data", free_port())
    assert (cluster.folder.parent == closed / "data") == (os.geteuid() != 0)
    assert "-h 127.0.0.1" in " ".join(cluster.command()) and binary("postgres").exists()


def test_ports() -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        assert not is_free(taken.getsockname()[1])
    assert is_free(free_port())


@pytest.mark.skipif(os.geteuid() != 0, reason="only root runs the database as another account")
def test_a_closed_home_folder_is_no_hindrance(tmp_path, monkeypatch) -> None:
    """The data folder is root's alone, and so is all that the start makes: the database is made all the same."""
    tmp_path.chmod(0o700)
    elsewhere = Path("/var/tmp") / f"cutreel-{tmp_path.name}"
    monkeypatch.setattr("cutreel.running.cluster.ELSEWHERE", elsewhere)
    before = os.umask(0o077)
    try:
        cluster = Cluster(tmp_path / "data", free_port())
        cluster.prepare()
        assert cluster.is_there and cluster.folder.is_relative_to(elsewhere)
        assert cluster.folder.stat().st_mode & 0o077 == 0, "nobody else looks in"
        # The data folder is removed, and a new one begun in its place: what is left of the old one is in nobody's way.
        shutil.rmtree(tmp_path / "data")
        again = Cluster(tmp_path / "data", free_port())
        again.prepare()
        assert again.is_there and (tmp_path / "data" / "database.password").exists()
        assert [p.name.split("-")[0] for p in cluster.folder.parent.glob("database.*")] == [
            "database.left"
        ]
    finally:
        os.umask(before)
        shutil.rmtree(elsewhere, ignore_errors=True)
