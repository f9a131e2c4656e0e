"""Pictures made from end to end (queue, service, checks, takes) against the bare illustrator on the
same prompts.

    python bench/pictures.py [COUNT]

Both use two processes for drawing; the ratio is what share of the bare drawing's speed is left.
With a delay at the service, as real ones have, the ratio is against jobs that are sent two at a
time.
"""

import sys
import time
from concurrent.futures import ProcessPoolExecutor
from multiprocessing import get_context
from pathlib import Path

import httpx

from cutreel.core.film import Offered, Settings, apply_command, new_film, read_film
from cutreel.core.film.commands import CutAgain
from cutreel.making import start_run
from cutreel.running.temporary import Temporary, temporary
from standins.illustrator import paint

STORY = Path(__file__).parent.parent / "src/cutreel/demo/lamp-at-saltmere.txt"
DELAY = 2.0


def bare(jobs: list[tuple[str, int]]) -> float:
    """Seconds that two processes take to draw all."""
    with ProcessPoolExecutor(2, mp_context=get_context("spawn")) as pool:
        list(pool.map(draw, jobs[:2]))
        began = time.perf_counter()
        list(pool.map(draw, jobs))
        return time.perf_counter() - began


def draw(job: tuple[str, int]) -> int:
    return len(paint(job[0], job[1], 1280, 720).flat)


def through(stack: Temporary, count: int, seed: int) -> tuple[float, list[tuple[str, int]]]:
    """Seconds that a run of `count` pictures takes, and what was asked for."""
    settings = Settings(music="none", offer="illustrator-quick", seed=seed)
    uncut, used = new_film("Bench", STORY.read_text(), settings)
    document, _, _ = apply_command(uncut, CutAgain(by="exactly", count=count), used)
    film = stack.shop.films.add(document, [s.edge for s in document.shots])
    began = time.perf_counter()
    run = start_run(stack.shop, film, "pictures", {"takes": 1})
    while stack.shop.runs.view(run).state == "going":
        time.sleep(0.1)
    seconds = time.perf_counter() - began
    return seconds, [(s.prompt.text, s.seed) for s in read_film(document, Offered(400)).shots]


def main() -> None:
    count = int(sys.argv[1]) if sys.argv[1:] else 40
    with temporary(workers=2) as stack:
        through(stack, 6, 1)
        whole, jobs = through(stack, count, 2)
        httpx.put(stack.services + "/simulation", json={"delay_seconds": DELAY}).raise_for_status()
        waited, _ = through(stack, count, 3)
    least = bare(jobs)
    print(
        f"{count} pictures: {whole:.1f} s, bare drawing {least:.1f} s, {least / whole:.2f} of its speed"
    )
    alone = max(least, count * DELAY / 2)
    told = f"{waited:.1f} s, two at a time at least {alone:.1f} s, ratio {alone / waited:.2f}"
    print(f"with {DELAY:g} s at the service: {told}")


if __name__ == "__main__":
    main()
