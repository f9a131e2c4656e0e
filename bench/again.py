"""What making a film again costs after one of its shots was changed, against making it whole.

    .venv/bin/python bench/again.py [SHOTS]

Processor seconds of the workers (and all that they start), so that what else the machine does is no part of it: the
whole film from its pictures and voices to the file, the file alone, and then the file again after one shot was graded
otherwise, after one shot's picture was made again, and after one cue was made softer.
"""

import os
import sys
import time
from collections.abc import Callable
from pathlib import Path

from bench.editing import story

from cutreel.core.film import Change, Settings, new_film
from cutreel.core.film.commands import SetSettings, SetShots
from cutreel.making import start_run
from cutreel.running.temporary import Temporary, temporary

TICK = os.sysconf("SC_CLK_TCK")


def spent(stack: Temporary) -> float:
    """Processor seconds of the workers and of what they started, ended or not."""
    roots = {p.pid for name, p in stack.processes.items() if name.startswith("worker")}
    parents, used = {}, {}
    for path in Path("/proc").glob("[0-9]*/stat"):
        try:
            words = path.read_text().rpartition(")")[2].split()
        except OSError:
            continue
        pid = int(path.parent.name)
        parents[pid], used[pid] = int(words[1]), sum(map(int, words[11:15])) / TICK
    found = set(roots)
    while more := {p for p, parent in parents.items() if parent in found} - found:
        found |= more
    return sum(used.get(p, 0.0) for p in found)


def cost(stack: Temporary, film: str, kind: str, options: dict[str, object]) -> float:
    """Processor seconds of a run."""
    before = spent(stack)
    run = start_run(stack.shop, film, kind, options)
    while stack.shop.runs.view(run).state == "going":
        time.sleep(0.2)
    view = stack.shop.runs.view(run)
    assert view.state == "done", view
    return spent(stack) - before


def main() -> None:
    shots = int(sys.argv[1]) if sys.argv[1:] else 90
    with temporary(workers=2) as stack:
        document, edges = new_film("Again", story(shots), Settings(pace=3.5, captions="burn"))
        film = stack.shop.films.add(document, edges)
        ids = [s.id for s in document.shots]
        print(f"{len(ids)} shots", flush=True)
        made = cost(stack, film, "everything", {})
        file = cost(stack, film, "delivery", {"size": "720p"})
        whole = made + file
        print(f"whole: {whole:.0f} s of processor, {file:.0f} s of it the file", flush=True)

        def again(told: str, command: object, also: Callable[[], float] = lambda: 0.0) -> None:
            films = stack.shop.films
            films.change(film, Change(revision=films.revision(film), command=command))
            took = also() + cost(stack, film, "delivery", {"size": "720p"})
            print(
                f"after {told}: {took:.1f} s, {took / whole:.1%} of the whole, {took / file:.1%} of the file",
                flush=True,
            )

        middle = ids[len(ids) // 2]
        again("one shot was graded", SetShots(shots=[middle], values={"grade": {"warmth": 0.5}}))
        redraw = SetShots(shots=[ids[3]], values={"seed": 777})
        again("one picture was made again", redraw, lambda: cost(stack, film, "pictures", {}))
        again("music was made softer", SetSettings(values={"music_level": -2.0}))
        print(f"nothing changed: {cost(stack, film, 'delivery', {'size': '720p'}):.1f} s")


if __name__ == "__main__":
    main()
