"""What happens on a stranger's machine: the tree as it would be committed, in a folder of its own, with an environment
of its own made from the run-time lock alone. Uses nothing but the standard library, and no other test's environment.

Everything under src/ imports; `bin/start --no-demo` answers and ends clean; `bin/cutreel make` makes a ten-second film.
"""

import json
import os
import shutil
import signal
import socket
import subprocess
import tempfile
import time
from collections.abc import Callable
from pathlib import Path
from urllib.error import URLError
from urllib.request import urlopen

ROOT = Path(__file__).parent.parent
STORY = "The lamp on the point was dark. Ada took the oars and rowed out. Bram held the lantern high. By dawn it burned.\n"
IMPORTS = """
import importlib, pkgutil, cutreel, standins
for package in (cutreel, standins):
    for module in pkgutil.walk_packages(package.__path__, package.__name__ + "."):
        if ".migrations." not in module.name:
            importlib.import_module(module.name)
"""


def copied(folder: Path) -> Path:
    """The files that git knows or would take, and nothing else."""
    named = ["git", "-C", str(ROOT), "ls-files", "-z", "--cached", "--others", "--exclude-standard"]
    names = subprocess.run(named, capture_output=True, check=True, text=True).stdout.split("\0")
    for name in filter(None, names):
        if (ROOT / name).is_file():
            (folder / name).parent.mkdir(parents=True, exist_ok=True)
            shutil.copy(ROOT / name, folder / name)
    return folder


def processes_of(folder: Path) -> list[str]:
    """The command lines of whatever still runs in a folder."""
    found = []
    for path in Path("/proc").glob("[0-9]*"):
        try:
            command = (path / "cmdline").read_bytes().replace(b"\0", b" ").decode()
        except OSError:
            continue
        if str(folder) in command:
            found.append(command)
    return found


def answers(address: str) -> bool:
    try:
        with urlopen(address, timeout=2) as answer:
            return bool(answer.status == 200)
    except (URLError, OSError):
        return False


def starts_and_ends(tree: Path, data: Path) -> None:
    with socket.socket() as free:
        free.bind(("127.0.0.1", 0))
        port = free.getsockname()[1]
    started = subprocess.Popen(
        [str(tree / "bin/start"), "--no-demo", "--data", str(data), "--port", str(port)],
        start_new_session=True,
    )
    until = time.monotonic() + 900  # a cold machine installs first
    while not answers(f"http://127.0.0.1:{port}/api/films"):
        assert started.poll() is None, "bin/start ended by itself"
        assert time.monotonic() < until, "bin/start does not answer"
        time.sleep(0.5)
    os.killpg(started.pid, signal.SIGINT)
    assert started.wait(60) == 0, f"bin/start ended with {started.returncode}"
    assert not processes_of(data), processes_of(data)


def every_module_imports(tree: Path) -> None:
    subprocess.run([str(tree / ".venv/bin/python"), "-c", IMPORTS], check=True, cwd=tree)


def makes_a_film(tree: Path, folder: Path) -> None:
    (folder / "story.txt").write_text(STORY)
    film = folder / "film.mp4"
    done = subprocess.run(
        [
            str(tree / "bin/cutreel"),
            "make",
            str(folder / "story.txt"),
            "--out",
            str(film),
            "--size",
            "360p",
            "--json",
        ],
        check=True,
        capture_output=True,
        text=True,
    )
    seconds = json.loads(done.stdout)["seconds"]
    assert film.stat().st_size > 50_000 and 7 < seconds < 14, seconds
    assert (folder / "film.srt").read_text().startswith("1\n")


def timed(step: Callable[..., None], *given: Path) -> None:
    begun = time.monotonic()
    step(*given)
    print(f"{step.__name__.replace('_', ' ')}: {time.monotonic() - begun:.0f} s", flush=True)


def main() -> None:
    folder = Path(tempfile.mkdtemp(prefix="cutreel-fresh-"))
    folder.chmod(0o755)
    try:
        tree = copied(folder / "tree")
        timed(starts_and_ends, tree, folder / "data")
        timed(every_module_imports, tree)
        timed(makes_a_film, tree, folder)
    finally:
        shutil.rmtree(folder, ignore_errors=True)


if __name__ == "__main__":
    main()
