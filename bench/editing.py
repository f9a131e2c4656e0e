"""What editing a film of a thousand shots costs, over HTTP and in Chromium.

Run it by hand: `.venv/bin/python bench/editing.py [SHOTS]`. It starts everything of its own, in a folder that is
removed at the end.
"""

import statistics
import sys
import time
from pathlib import Path

import httpx
from playwright.sync_api import sync_playwright

from cutreel.core.film import Settings, new_film
from cutreel.making import parses_of
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


def in_chromium(film: str) -> None:
    """How soon each view can be used, and how evenly the Sheet scrolls beside an empty list as high."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(film.rsplit("/film/", 1)[0])  # the application itself is loaded once
        page.wait_for_load_state("networkidle")
        for view, seen in (("script", "h2, p"), ("sheet", "[data-shot]"), ("bench", "img, h2")):
            begun = time.perf_counter()
            page.goto(f"{film}/{view}")
            page.locator("main").locator(seen).first.wait_for()
            print(f"{view}: usable after {(time.perf_counter() - begun) * 1000:.0f} ms", flush=True)
        page.goto(f"{film}/sheet")
        page.locator("[data-shot]").first.wait_for()
        time.sleep(3)  # the rest of the shots is loaded
        first, then = page.evaluate(SCROLL, False), page.evaluate(SCROLL, False)
        print(f"scrolling the Sheet: {then} frames a second, the first time {first}, ", end="")
        print(f"an empty list as high: {page.evaluate(SCROLL, True)}", flush=True)
        browser.close()


SCROLL = """async (empty) => {
  let box = [...document.querySelectorAll('main *')].filter((e) => e.scrollHeight > e.clientHeight + 2000)[0];
  if (empty) {
    const bare = document.createElement('div');
    bare.style.cssText = 'position:fixed;inset:44px 372px 36px 0;overflow:auto;background:#fff;z-index:99';
    bare.innerHTML = `<div style="height:${box.scrollHeight}px"></div>`;
    document.body.append(bare);
    box = bare;
  }
  box.scrollTop = 0;
  let frames = 0;
  const begun = performance.now();
  while (performance.now() - begun < 3000) {
    box.scrollTop += 60;
    await new Promise(requestAnimationFrame);
    frames += 1;
  }
  return Math.round(frames / 3);
}"""
# fmt: off
FLAGS = [
    "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
    "--disable-background-networking", "--disable-component-update", "--disable-sync",
]
# fmt: on


def main() -> None:
    shots = int(sys.argv[1]) if len(sys.argv) > 1 else 1000
    with temporary(workers=0) as running:
        document, edges = new_film("Long", story(shots), Settings(pace=3.5))
        film = running.shop.films.add(document, edges)
        parses_of(document, running.shop.parses)  # as a worker has soon after a story is pasted
        port = free_port()
        running.environment["CUTREEL_WEB"] = str(ROOT / "web/dist")
        running.start("web", commands.web(port))
        address = f"http://127.0.0.1:{port}"
        commands.wait_for(lambda: commands.answers(address + "/api/health"), 60, "The web server")
        print(f"{len(document.shots)} shots, {len(document.word_ids)} words")
        client = httpx.Client(base_url=address, timeout=120)
        measured("the film opened first", lambda i: client.get(f"/api/films/{film}"), 1)
        measured("the film opened again", lambda i: client.get(f"/api/films/{film}"), 5)
        opened = client.get(f"/api/films/{film}").json()
        state, revision = opened["state"], opened["head"]["revision"]
        path = f"/api/films/{film}"
        told = {"state": state}
        measured("its manuscript", lambda i: client.get(f"{path}/manuscript", params=told), 3)
        measured(
            "a window of shots",
            lambda i: client.get(f"{path}/shots", params={**told, "first": i * 100}),
            3,
        )
        firsts = {s.first for s in document.shots}
        free = [n for n in document.word_ids[40::37] if n not in firsts]

        def change(command: dict) -> httpx.Response:
            nonlocal revision, state
            answer = client.post(
                f"{path}/changes",
                json={"revision": revision, "command": command},
                params={"since": state},
            )
            revision, state = revision + 1, answer.json()["state"]
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
            lambda i: change({"type": "edit text", "start": 60 + i, "end": 61 + i, "insert": "x"}),
            40,
        )
        measured("the shelf", lambda i: client.get("/api/films"), 10)
        in_chromium(f"{address}/film/{film}")


if __name__ == "__main__":
    main()
