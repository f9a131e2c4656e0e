"""What editing a film of a thousand shots costs, over HTTP and in Chromium.

Run it by hand: `.venv/bin/python bench/editing.py [SHOTS]`. It starts everything of its own, in a folder that is
removed at the end.
"""

import json
import statistics
import subprocess
import sys
import time
from pathlib import Path

import httpx

from cutreel.core.film import Settings, new_film
from cutreel.making import start_run
from cutreel.running import commands
from cutreel.running.ports import free_port
from cutreel.running.temporary import temporary

NAMES = ("Ada", "Bram", "Cora", "Dov", "Edda")
PLACES = ("jetty", "market", "kitchen", "hill", "harbour", "forest")
ROOT = Path(__file__).parent.parent


def story(shots: int) -> str:
    """A story of about so many shots of 3.5 seconds, in scenes of twenty."""
    out = []
    for n in range(max(1, shots // 20)):
        place, who = PLACES[n % 6], NAMES[n % 5]
        other = NAMES[(n + 2) % 5]
        out.append(f"# The {place} {n + 1}\n")
        for p in range(5):
            out.append(
                f"{who} walked to the {place} before dawn, for the {n + p}th time, and the wind came in from the sea. "
                f"{who} carried a lamp and a rope. “We must row, {other},” said {who}. {other} looked at the water for "
                "a long time. Nobody answered, and the rain went on until the evening came over the roofs.\n"
            )
    return "\n".join(out)


def measured(name: str, ask, times: int) -> None:
    took, sizes = [], []
    for i in range(times):
        begun = time.perf_counter()
        answer = ask(i)
        took.append((time.perf_counter() - begun) * 1000)
        sizes.append(len(answer.content))
        assert answer.status_code < 300, answer.text[:300]
    took.sort()
    print(
        f"{name}: median {statistics.median(took):.0f} ms, 95th percentile {took[int(0.95 * (times - 1))]:.0f} ms, "
        f"largest answer {max(sizes) / 1000:.1f} KB",
        flush=True,
    )


def main() -> None:
    shots = int(sys.argv[1]) if len(sys.argv) > 1 else 1000
    with temporary(workers=0) as running:
        document, edges = new_film("Long", story(shots), Settings(pace=3.5))
        film = running.shop.films.add(document, edges)
        port = free_port()
        running.environment["CUTREEL_WEB"] = str(ROOT / "web/dist")
        running.start("web", commands.web(port))
        address = f"http://127.0.0.1:{port}"
        commands.wait_for(lambda: commands.answers(address + "/api/health"), 60, "The web server")
        print(f"{len(document.shots)} shots, {len(document.word_ids)} words")
        client = httpx.Client(base_url=address, timeout=120)
        measured("the film first", lambda i: client.get(f"/api/films/{film}"), 1)
        measured("the film again", lambda i: client.get(f"/api/films/{film}"), 3)
        seen = client.get(f"/api/films/{film}").json()
        revision = seen["revision"]
        firsts = {s.first for s in document.shots}
        free = [n for n in document.word_ids[40::37] if n not in firsts]

        def change(command: dict) -> httpx.Response:
            nonlocal revision
            answer = client.post(
                f"/api/films/{film}/changes", json={"revision": revision, "command": command}
            )
            revision += 1
            return answer

        measured("a cut mark", lambda i: change({"type": "set mark", "word": free[i]}), 40)
        measured(
            "a framing",
            lambda i: change(
                {"type": "set shots", "shots": [i * 3 + 1], "values": {"framing": "wide"}}
            ),
            40,
        )
        measured(
            "a word",
            lambda i: change(
                {"type": "edit text", "start": 60 + i, "end": 61 + i, "insert": "x"}
            ),
            40,
        )
        measured("the shelf", lambda i: client.get("/api/films"), 10)


if __name__ == "__main__":
    main()
