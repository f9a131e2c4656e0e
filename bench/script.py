"""How long the script desk's work takes on an hour of manuscript, beside one bare pass over its
words in the same run.

Run it by hand: `.venv/bin/python bench/script.py`. Compare the ratios; seconds differ from machine
to machine.
"""

import time
from collections.abc import Callable
from pathlib import Path

from cutreel.core.breakdown import break_down
from cutreel.core.film import (
    Offered,
    Settings,
    apply_command,
    find_places,
    new_film,
    read_film,
    remarks_on,
    wanted_lengths,
    wish_of,
)
from cutreel.core.film.commands import EditText, SetMark
from cutreel.core.manuscript import differences, read
from cutreel.core.manuscript.syllables import syllables

STORY = (Path(__file__).parent.parent / "src/cutreel/demo/lamp-at-saltmere.txt").read_text()
TEXT = "\n\n".join(STORY.replace("# ", f"# {i} ") for i in range(26))


def best(work: Callable[[], object], runs: int = 5) -> float:
    """The shortest of some runs, in seconds."""
    times = []
    for _ in range(runs):
        began = time.perf_counter()
        work()
        times.append(time.perf_counter() - began)
    return min(times)


def main() -> None:
    film, used = new_film("bench", TEXT, Settings(pace=3.1))
    script = read(film.text)
    found = read_film(film, Offered(400))
    seconds = [3.0] * len(found.shots)
    free = next(
        n
        for i, n in enumerate(film.word_ids)
        if i > 5000 and n not in {s.first for s in film.shots}
    )
    at = film.text.index("Halfway", 20_000)
    bare = best(lambda: [syllables(w.bare) for w in script.words])
    print(
        f"{len(script.words)} words, {len(film.shots)} shots; a bare pass over the words takes {bare * 1000:.0f} ms"
    )
    for name, work in (
        ("cut the whole film", lambda: break_down(script, wish_of(film))),
        ("set a cut mark", lambda: apply_command(film, SetMark(word=free), used)),
        (
            "edit a word",
            lambda: apply_command(film, EditText(start=at, end=at + 7, insert="Midway"), used),
        ),
        ("read shots, facts and prompts", lambda: read_film(film, Offered(400))),
        (
            "remarks",
            lambda: remarks_on(found, seconds, wanted_lengths(found, seconds, wish_of(film))),
        ),
        ("find a word", lambda: find_places(film.text, "lamp", "light")),
        ("compare two versions", lambda: differences(TEXT, TEXT.replace("Maren", "Ida"))),
    ):
        took = best(work, 3)
        print(f"  {name:32} {took * 1000:7.0f} ms  {took / bare:6.1f} passes")


if __name__ == "__main__":
    main()
