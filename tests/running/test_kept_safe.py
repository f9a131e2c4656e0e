"""What a data folder is kept from: other accounts of the machine, a lost database, a newer one, the end of a disk."""

import os
import re
import signal
import stat
import subprocess
from collections.abc import Iterator
from pathlib import Path

import httpx
import psycopg
import pytest
from alembic import command

from cutreel.core.errors import CutReelError
from cutreel.running import start
from cutreel.running.backup import back_up, backups_in, folder_faults, restore
from cutreel.running.cluster import _HAND_OVER, CHIEF, Cluster
from cutreel.running.ports import free_port
from cutreel.running.prepare import prepare_database
from cutreel.store import Database
from tests.conftest import ROOT
from tests.running.running import Running, running
from tests.waiting import until

STORY = "The lamp was dark. Ada took the oars.\n"
STRANGER = "nobody"
PAGE = httpx.Client(timeout=300)


@pytest.fixture(scope="module")
def started(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Running]:
    folder = tmp_path_factory.mktemp("safe")
    for each in (folder, *folder.parents[:2]):
        each.chmod(each.stat().st_mode | 0o011)
    with running(folder / "data", "--no-demo") as found:
        yield found


def key_of(found: Running) -> str:
    told = re.search(r"\?key=([\w-]{32})", found.said)
    assert told, found.said
    return told.group(1)


def as_stranger(*command: str) -> str:
    done = subprocess.run(
        ["runuser", "-u", STRANGER, "--", *command], capture_output=True, text=True, check=False
    )
    return done.stdout + done.stderr


# ----------------------------------------------------------------------------------- other accounts


@pytest.mark.long
@pytest.mark.skipif(os.geteuid() != 0, reason="only root can be somebody else")
def test_another_account_is_out_without_the_key_and_in_with_it(started: Running) -> None:
    assert PAGE.get(started.address + "/api/films").json() == [], "our own account needs no key"
    say = ["curl", "-s", "-i"]
    for path in ("/", "/api/films", "/api/openapi.json", "/assets/x.js"):
        assert "403" in as_stranger(*say, started.address + path).splitlines()[0]
    spoof = ["-H", "X-Forwarded-For: 10.0.0.1", "-H", "Forwarded: for=10.0.0.1"]
    assert "other-account" in as_stranger(*say, *spoof, started.address + "/api/films")
    assert "403" in as_stranger(*say, started.address + "/?key=" + "x" * 32).splitlines()[0]
    opened = as_stranger(*say, f"{started.address}/film/x?tab=2&key={key_of(started)}")
    assert "303" in opened.splitlines()[0] and "location: /film/x?tab=2\n" in opened.replace(
        "\r", ""
    )
    cookie = re.search(r"set-cookie: (cutreel-\d+=[^;]+); (.*)", opened)
    assert cookie and "HttpOnly" in cookie.group(2) and "SameSite=strict" in cookie.group(2)
    films = as_stranger("curl", "-s", "-b", cookie.group(1), started.address + "/api/films")
    assert films == "[]"


@pytest.mark.skipif(os.geteuid() != 0, reason="only root can be somebody else")
def test_another_account_reads_no_file_and_no_secret_of_a_process(started: Running) -> None:
    assert "denied" in as_stranger("ls", str(started.data))
    for path in ("supervisor.conf", "database.password", "films.password", "keys/page"):
        assert "denied" in as_stranger("cat", str(started.data / path))
    listed = as_stranger("ps", "axww", "-o", "args")
    secrets = [(started.data / p).read_text() for p in ("database.password", "films.password")]
    assert "postgres" in listed and not any(s in listed for s in [*secrets, key_of(started)])


def test_files_and_folders_are_ours_alone(started: Running) -> None:
    made = PAGE.post(started.address + "/api/films", json={"title": "A", "text": STORY})
    assert made.status_code == 201
    for path in started.data.rglob("*"):
        if "database" in path.parts or path.is_symlink():
            continue
        mode = stat.S_IMODE(path.lstat().st_mode)
        assert not mode & 0o077, f"{path} is {mode:o}"


def test_the_application_owns_its_tables_and_nothing_else(started: Running) -> None:
    cluster = Cluster.running(started.data)
    with psycopg.connect(cluster.address) as connection:
        told = connection.execute(
            "SELECT rolsuper, rolcreaterole, rolcreatedb, rolreplication FROM pg_roles WHERE rolname = current_user"
        ).fetchone()
        assert told == (False,) * 4
        others = "SELECT count(*) FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relowner <> %s::regrole"
        assert connection.execute(others, ["films"]).fetchone() == (0,)
    with psycopg.connect(cluster.address) as connection, pytest.raises(psycopg.Error):
        connection.execute("COPY (SELECT 1) TO PROGRAM 'true'")


# ------------------------------------------------------------------------------------------ backups


def rows_of(found: Running) -> dict[str, tuple[int, str]]:
    """How many rows the tables of films have, and a sum of all that is in them."""
    out = {}
    with psycopg.connect(Cluster.running(found.data).address) as connection:
        for table in ("films", "changes", "takes", "results", "spent"):
            told = connection.execute(
                f"SELECT count(*), md5(string_agg(t::text, '|' ORDER BY t::text)) FROM {table} t"
            ).fetchone()
            assert told
            out[table] = told
    return out


@pytest.mark.long
def test_a_backup_is_made_while_it_runs_and_comes_back_elsewhere(
    started: Running, tmp_path: Path
) -> None:
    ours = tmp_path / "backup"
    media = started.data / "media" / "ab"
    media.mkdir(parents=True, exist_ok=True)
    (media / ("ab" + "0" * 62 + ".png")).write_bytes(b"not what its name says")
    film = PAGE.post(started.address + "/api/films", json={"title": "Kept", "text": STORY}).json()
    first = back_up(started.data, ours)
    assert first.faults == ["ab" + "0" * 62 + ".png"]
    # What was backed up is not copied again; what is new is.
    copied = {p: p.stat().st_ino for p in (ours / "media").rglob("*.*")}
    wish = {"kind": "pictures", "takes": 1}
    run = PAGE.post(f"{started.address}/api/films/{film['id']}/runs", json=wish).json()

    def ended() -> bool:
        runs = PAGE.get(f"{started.address}/api/films/{film['id']}/runs").json()
        return any(r["id"] == run["id"] and r["state"] == "done" for r in runs)

    until(ended, 120)
    said = subprocess.run(
        [str(ROOT / "bin/cutreel"), "backup", str(ours), "--data", str(started.data)],
        capture_output=True,
        text=True,
        check=False,
    )
    assert said.returncode == 0 and "the database are in" in said.stdout, said.stderr
    second = backups_in(ours)[-1]
    assert len(second.media) > len(first.media)
    assert all(p.stat().st_ino == inode for p, inode in copied.items())
    before = rows_of(started)
    # Everything is killed, and comes up elsewhere from the backup alone.
    for number in started.processes():
        os.kill(number, signal.SIGKILL)
    fresh = tmp_path / "fresh"
    for each in (tmp_path, *tmp_path.parents[:2]):
        each.chmod(each.stat().st_mode | 0o011)
    faults = restore(ours, fresh / "data")
    assert faults == ["ab" + "0" * 62 + ".png was damaged when it was backed up"]
    with running(fresh / "data", "--no-demo") as again:
        assert rows_of(again) == before and all(
            before[t][0] for t in ("films", "takes", "results", "spent")
        )
        told = PAGE.get(f"{again.address}/api/films/{film['id']}").json()
        name = next(m for m in second.media if m.endswith(".png"))
        assert PAGE.get(f"{again.address}/api/media/{name}").status_code == 200, told["head"]
    with pytest.raises(CutReelError, match="is not empty"):
        restore(ours, fresh / "data")
    victim = ours / "media" / name[:2] / name
    victim.write_bytes(b"?" + victim.read_bytes()[1:])
    assert f"{name} is damaged" in restore(ours, fresh / "other")
    (ours / first.database).unlink()
    count, faults = folder_faults(ours)
    assert count == len(second.media)
    assert faults == sorted([f"{name} is damaged", f"{first.database} is missing"])
    assert folder_faults(fresh / "data")[1] == [], "what was damaged did not come along"


def test_what_is_no_backup_is_said(tmp_path: Path) -> None:
    with pytest.raises(CutReelError, match="There is no backup in"):
        restore(tmp_path, tmp_path / "new")
    assert not (tmp_path / "new").exists()
    with pytest.raises(CutReelError, match="No Cut Reel runs with"):
        back_up(tmp_path, tmp_path.parent / "out")


# ----------------------------------------------------------------------------- the database's folder


@pytest.fixture(scope="module")
def cluster(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Cluster]:
    folder = tmp_path_factory.mktemp("cluster")
    for each in (folder, *folder.parents[:2]):
        each.chmod(each.stat().st_mode | 0o011)
    found = Cluster(folder, free_port())
    found.prepare()
    with found.served():
        yield found


def test_a_newer_database_is_left_alone(cluster: Cluster, tmp_path: Path) -> None:
    database = Database(cluster.address)
    assert database.form() is None
    prepare_database(database, tmp_path)
    assert database.form() == database.known_forms()[0] and not list(tmp_path.iterdir())
    with psycopg.connect(cluster.address) as connection:
        connection.execute("UPDATE alembic_version SET version_num = '9999_later'")
    with pytest.raises(CutReelError, match="opened by a newer Cut Reel"):
        prepare_database(database, tmp_path)
    with psycopg.connect(cluster.address) as connection:
        connection.execute(
            "UPDATE alembic_version SET version_num = %s", [database.known_forms()[0]]
        )


def test_an_earlier_form_is_copied_before_it_is_changed(cluster: Cluster, tmp_path: Path) -> None:
    database = Database(cluster.address)
    prepare_database(database)
    newest, before, *_ = database.known_forms()
    for _ in range(5):
        command.downgrade(database._config(), before)
        prepare_database(database, tmp_path / "copies")
        assert database.form() == newest
    copies = sorted((tmp_path / "copies").iterdir())
    assert 1 <= len(copies) <= 3 and all(c.name.endswith(f"{before}.dump") for c in copies)
    assert copies[-1].read_bytes()[:5] == b"PGDMP" and copies[-1].stat().st_mode & 0o077 == 0


def test_tables_of_before_are_handed_over(cluster: Cluster) -> None:
    with cluster._as_chief("postgres") as connection:
        connection.execute("CREATE DATABASE earlier")
    with cluster._as_chief("earlier") as connection:
        connection.execute(
            "CREATE TYPE mood AS ENUM ('calm'); CREATE TABLE films (id bigserial PRIMARY KEY, mood mood);"
            "CREATE VIEW calm AS SELECT * FROM films; CREATE SEQUENCE loose;"
            "CREATE FUNCTION one() RETURNS int LANGUAGE sql AS 'SELECT 1'"
        )
        connection.execute(_HAND_OVER)
        left = connection.execute(
            "SELECT relname FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relowner = %s::regrole "
            "UNION SELECT proname FROM pg_proc WHERE pronamespace = 'public'::regnamespace AND proowner = %s::regrole "
            "UNION SELECT typname FROM pg_type WHERE typnamespace = 'public'::regnamespace AND typowner = %s::regrole",
            [CHIEF] * 3,
        ).fetchall()
        assert left == []


def test_a_lost_database_is_never_covered_by_an_empty_one(tmp_path: Path) -> None:
    lost = Cluster(tmp_path, free_port())
    (tmp_path / "database.password").write_text("it was here")
    with pytest.raises(CutReelError, match="is gone: it was in") as told:
        lost.prepare()
    assert "bin/cutreel restore" in told.value.advice and not lost.is_there


def test_a_full_disk_keeps_a_new_folder_out_and_opens_an_old_one(
    tmp_path: Path, monkeypatch
) -> None:
    full = type("Usage", (), {"free": 1_000})()
    monkeypatch.setattr(start.shutil, "disk_usage", lambda folder: full)
    monkeypatch.setattr(start, "make_private", lambda folder: None)
    with pytest.raises(CutReelError, match="The disk of"):
        start._ground(tmp_path / "new", reset=False)
    monkeypatch.setattr("cutreel.running.cluster.ELSEWHERE", tmp_path / "elsewhere")
    old = tmp_path / "old"
    # Kept elsewhere where its account can't reach this folder.
    database = Cluster(old, free_port()).folder
    database.mkdir(parents=True)
    (database / "PG_VERSION").write_text("15\n")
    (old / "database.password").write_text("it was here")
    assert start._ground(old, reset=False).data == old
