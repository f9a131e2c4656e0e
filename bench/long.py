"""What a long sleep story needs, from the script to the file: memory of every process, and time against length.

Run it by hand: `.venv/bin/python bench/long.py [MINUTES …]` (15 and 30 unless said; 120 is a two-hour story of 15,000
words, 30 pictures and 360 lines). It makes each by the command line, and prints the highest memory of any process that
took part, and seconds of making for each minute of film: linear is the same number twice.
"""

import subprocess
import sys
import tempfile
import threading
import time
from collections import defaultdict
from pathlib import Path

ROOT = Path(__file__).parent.parent
WORDS_A_MINUTE = 125
SENTENCES = (
    "The river went on under the willows, and nobody was in a hurry.",
    "Somewhere a door was closed, softly, as it was every evening.",
    "“It will rain before morning,” said the miller, and he was not sorry.",
    "The lamps along the quay were lit one after another, from the bridge down to the mill.",
    "An owl crossed the meadow low, and the cows did not look up.",
    "“Leave the gate,” said his wife. “The dog is still out.”",
    "By and by the smoke of the last fire stood straight over the roofs.",
)


def story(minutes: float) -> str:
    """A story of about so many minutes, no two paragraphs the same."""
    words, paragraphs, n = 0, [], 0
    while words < minutes * WORDS_A_MINUTE:
        said = [SENTENCES[(n * 3 + i * 2 + n // 7) % len(SENTENCES)] for i in range(4)]
        paragraphs.append(f"It was evening number {n + 1} of that long autumn. " + " ".join(said))
        words += len(paragraphs[-1].split())
        n += 1
    return "\n\n".join(paragraphs) + "\n"


class Watched:
    """The memory of every process of a session, looked at five times a second."""

    def __init__(self, session: int) -> None:
        self.session, self.over = session, threading.Event()
        self.highest: dict[str, float] = defaultdict(float)
        self.thread = threading.Thread(target=self._watch)
        self.thread.start()

    def _watch(self) -> None:
        while not self.over.wait(0.2):
            for path in Path("/proc").glob("[0-9]*"):
                try:
                    command = (path / "cmdline").read_bytes().replace(b"\0", b" ").decode()
                    ours = str(ROOT).encode() in (path / "environ").read_bytes()
                    status = (path / "status").read_text()
                except (OSError, UnicodeDecodeError):
                    continue
                if not ours or ("cutreel" not in command and "standins" not in command):
                    continue
                resident = next((x for x in status.splitlines() if x.startswith("VmRSS")), "0 0")
                name = next(
                    (w for w in command.split() if "cutreel." in w or "standins." in w), "?"
                )
                self.highest[name] = max(self.highest[name], int(resident.split()[1]) / 1024)

    def end(self) -> dict[str, float]:
        self.over.set()
        self.thread.join()
        return dict(self.highest)


def main() -> None:
    for minutes in [float(a) for a in sys.argv[1:]] or [15.0, 30.0]:
        with tempfile.TemporaryDirectory() as folder:
            text, film = Path(folder) / "story.txt", Path(folder) / "film.mp4"
            text.write_text(story(minutes))
            shots = max(2, round(minutes / 4))
            begun = time.monotonic()
            command = [str(ROOT / "bin/cutreel"), "make", str(text), "--out", str(film)]
            command += ["--size", "360p", "--shots", str(shots), "--music", "calm"]
            process = subprocess.Popen(command, stderr=subprocess.DEVNULL)
            watched = Watched(process.pid)
            status = process.wait()
            took, memory = time.monotonic() - begun, watched.end()
            assert status == 0, "the film was not made"
            print(
                f"{minutes:g} minutes, {len(text.read_text().split())} words, {shots} pictures: "
                f"{took / minutes:.2f} s a minute of film, {film.stat().st_size / 1e6:.0f} MB; highest memory in MB: "
                + ", ".join(f"{n} {m:.0f}" for n, m in sorted(memory.items(), key=lambda x: -x[1])),
                flush=True,
            )


if __name__ == "__main__":
    main()
