"""A program on this machine as a maker: run in a folder of its own, bounded in time, memory and size, and cancelled
with whatever it started."""

import os
import re
import shutil
import signal
import subprocess
import tempfile
import time
from collections.abc import Callable, Mapping
from contextlib import suppress
from pathlib import Path

from cutreel.core.errors import BadInput
from cutreel.protocol import JobInput, Offer
from cutreel.services import MOST_BYTES, Delivered, ServiceRefused

from .one_file import delivered, within_caps
from .places import Value, check_places, filled, pictures_of, values_of
from .plugged import Plugged, Program

LOOK_EVERY = 0.1
_SHARE = re.compile(rb"(\d{1,3})(?:\.\d+)?\s?%")
_KEPT = (
    "PATH",
    "HOME",
    "LANG",
    "LC_ALL",
    "TZ",
    "TMPDIR",
    "LD_LIBRARY_PATH",
    "CUDA_VISIBLE_DEVICES",
)
"""What of our environment a program sees: nothing of ours."""


class ProgramMaker:
    """Runs a command for each job."""

    def __init__(self, plugged: Plugged, used: Callable[[], int] = lambda: 0) -> None:
        assert isinstance(plugged.reached, Program)
        self.plugged, self.program, self._used = plugged, plugged.reached, used

    def offers(self) -> list[Offer]:
        return [self.program.offer.offer(self.plugged.id, self.plugged.title, self._used())]

    def do(
        self,
        offer: str,
        work: JobInput,
        key: str,
        *,
        files: Mapping[str, bytes] | None = None,
        progress: Callable[[float], None] = lambda share: None,
        cancelled: Callable[[], bool] = lambda: False,
    ) -> Delivered | None:
        known = self.offers()[0]
        within_caps(known, work)
        with tempfile.TemporaryDirectory(prefix="cutreel-program-") as name:
            folder = Path(name)
            out = folder / f"out.{self.program.ending}"
            given = _laid_out(folder, work, files or {})
            words = command_for(self.program, work, out, given)
            if not _run(self.program, words, folder, self.plugged.title, progress, cancelled):
                return None
            if not out.is_file() or out.is_symlink():
                raise ServiceRefused(
                    f"“{self.plugged.title}” ended well, but wrote no file. {_last_words(folder)}",
                    "It is to write its result to {output}.",
                )
            return delivered(known, work, out.read_bytes())


def check_program(program: Program) -> None:
    """Raises BadInput for a command that cannot work."""
    for word in program.command:
        check_places(word)
    if shutil.which(program.command[0]) is None:
        raise BadInput(
            f"There is no program “{program.command[0]}” on this machine.",
            "Name it with its whole path, or install it.",
        )
    if not any("{output}" in word for word in program.command):
        raise BadInput(
            "The command has no place {output}.", "It says where the program is to write its file."
        )


def command_for(program: Program, work: JobInput, out: Path, given: list[Path]) -> list[str]:
    """The command with its places filled, word by word: no shell reads it, so no prompt can become a command. The word
    `{references}` becomes as many words as there are pictures."""
    values: dict[str, Value] = {
        **values_of(work),
        "output": str(out),
        "folder": str(out.parent),
        **{f"reference{i + 1}": str(given[i]) if i < len(given) else "" for i in range(4)},
    }
    words: list[str] = []
    for word in program.command:
        words += [str(p) for p in given] if word == "{references}" else [filled(word, values)]
    return [w.replace("\0", " ") for w in words]


def _laid_out(folder: Path, work: JobInput, files: Mapping[str, bytes]) -> list[Path]:
    """The job's pictures as files in its folder."""
    given = []
    for i, name in enumerate(pictures_of(work)):
        path = folder / f"reference-{i + 1}.png"
        path.write_bytes(files[name])
        given.append(path)
    return given


def _run(
    program: Program,
    words: list[str],
    folder: Path,
    title: str,
    progress: Callable[[float], None],
    cancelled: Callable[[], bool],
) -> bool:
    """Run a command to its end; False when it was cancelled. Raises ServiceRefused when it failed or took too long."""
    bounds = ["prlimit", f"--as={program.megabytes * 2**20}", f"--fsize={MOST_BYTES}", "--core=0"]
    # A program whose worker is killed must not go on alone.
    leash = ["setpriv", "--pdeathsig", "KILL"]
    environment = {name: os.environ[name] for name in _KEPT if name in os.environ}
    log = folder / "said.txt"
    with log.open("wb") as said:
        process = subprocess.Popen(
            [*leash, *bounds, "--", *words],
            cwd=folder,
            env={**environment, "TMPDIR": str(folder)},
            stdin=subprocess.DEVNULL,
            stdout=said,
            stderr=subprocess.STDOUT,
            start_new_session=True,
        )
    try:
        began = looked = time.monotonic()
        while process.poll() is None:
            time.sleep(LOOK_EVERY)
            now = time.monotonic()
            if now - began > program.seconds:
                raise ServiceRefused(
                    f"“{title}” was not done within {program.seconds} seconds. {_last_words(folder)}",
                    "Give it more time under Services.",
                )
            if now - looked > 0.8:
                looked = now
                if cancelled():
                    return False
                progress(_share(log))
    finally:
        with suppress(ProcessLookupError):
            os.killpg(process.pid, signal.SIGKILL)
        process.wait()
    if process.returncode:
        how = (
            f"was ended by signal {-process.returncode}"
            if process.returncode < 0
            else f"failed with {process.returncode}"
        )
        raise ServiceRefused(
            f"“{title}” {how}. {_last_words(folder)}".strip(), "See its last words; try again."
        )
    return True


def _share(log: Path) -> float:
    """How far a program says it is: the last number before a percent sign in what it wrote."""
    found = _SHARE.findall(_tail(log))
    return min(0.99, int(found[-1]) / 100) if found else 0.0


def _last_words(folder: Path) -> str:
    lines = _tail(folder / "said.txt").decode(errors="replace").strip().splitlines()
    return f"Its last words: {lines[-1][:300]}" if lines else "It said nothing."


def _tail(path: Path) -> bytes:
    with path.open("rb") as file:
        file.seek(max(0, path.stat().st_size - 4000))
        return file.read()
