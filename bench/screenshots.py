"""Takes the pictures of the main views for docs/screenshots, 1280x800, from the demo films of a
running application."""

import io
import math
import re
import sys
from collections.abc import Callable
from pathlib import Path
from typing import Any

import httpx
from PIL import Image, ImageDraw
from playwright.sync_api import Page, sync_playwright

ADDRESS = "http://127.0.0.1:8420"
FOLDER = Path(__file__).parent.parent / "docs" / "screenshots"
FILM = re.compile("Lamp at Saltmere")


def view(page: Page, name: str, tab: str = "", film: re.Pattern[str] = FILM) -> None:
    """Open a view of a sample film, and a part of it."""
    page.goto(ADDRESS)
    page.get_by_role("link", name=film).first.click()
    page.get_by_role("navigation", name="Views").get_by_role("link", name=name).click()
    if tab:
        page.get_by_role("tab", name=re.compile(f"^{tab}")).click()
    page.wait_for_timeout(900)


def shelf(page: Page) -> None:
    page.goto(ADDRESS)
    page.get_by_role("link", name=FILM).first.wait_for()
    page.wait_for_timeout(1500)


def script(page: Page) -> None:
    view(page, "Script", "Pace")


def who(page: Page) -> None:
    view(page, "Script", "Who")
    page.locator("[data-word]").filter(has_text=re.compile("^She$")).first.click()
    page.wait_for_timeout(900)


def continuity(page: Page) -> None:
    view(page, "Continuity")
    page.get_by_role("button", name=re.compile("Maren Oake")).first.click()


def look(page: Page) -> None:
    view(page, "Continuity", "Look")
    page.get_by_role("button", name=re.compile("clay")).first.click()


def sheet(page: Page) -> None:
    view(page, "Sheet")
    for _ in range(3):
        page.keyboard.press("ArrowDown")


def plates(page: Page) -> None:
    view(page, "Sheet", film=re.compile("Forty Paces"))
    # Rows further down are there once they are scrolled to.
    page.locator("[data-shot='3']").hover()
    page.mouse.wheel(0, 700)
    page.locator("[data-shot='9']").scroll_into_view_if_needed()
    page.locator("[data-shot='9']").click()
    page.get_by_role("region", name="Plate").get_by_role("button", name="Edit").click()
    page.wait_for_timeout(2500)


def grade(page: Page) -> None:
    view(page, "Sheet", film=re.compile("Forty Paces"))
    page.locator("[data-shot='1']").click()
    page.get_by_role("button", name="Grade and effects of the whole film").click()
    page.wait_for_timeout(2500)


def sheet_dim(page: Page) -> None:
    sheet(page)
    page.get_by_role("button", name="Lamp off").click()


def walk(page: Page, shot: int, tab: str = "") -> None:
    """The Bench at a shot by its number."""
    view(page, "Bench", tab)
    for _ in range(shot - 1):
        page.keyboard.press("ArrowDown")
    page.wait_for_timeout(500)


def more(page: Page, item: str) -> None:
    page.get_by_role("button", name=re.compile("More with take")).first.click()
    page.get_by_role("menuitem", name=re.compile(item)).click()
    page.wait_for_timeout(900)


def bench(page: Page) -> None:
    walk(page, 9)
    more(page, "Vary slightly")
    page.get_by_text("Varied from take").nth(1).wait_for(timeout=60_000)


def light_table(page: Page) -> None:
    view(page, "Bench", "Light table")
    page.get_by_label("Choose shot 4", exact=True).check()
    page.get_by_label("Choose shot 7", exact=True).click(modifiers=["Shift"])


def movement(page: Page) -> None:
    walk(page, 19, "Movement")
    page.get_by_role("img", name=re.compile("^Six frames")).wait_for()
    page.wait_for_timeout(2500)


def voice(page: Page) -> None:
    walk(page, 9, "Voice")
    page.get_by_role("button", name=re.compile("^Hear taking")).first.wait_for()
    page.wait_for_timeout(1500)


ACTIONS, FRAMES, HIGH = 5, 8, 150
"""Strips on the picture of actions, frames in each, and how high these are."""


def actions(page: Page) -> None:
    """Five actions of the sample film, each as a strip of drawings, twelve a second as they are held."""
    films = httpx.get(f"{ADDRESS}/api/films").json()
    film = next(f["id"] for f in films if FILM.search(f["title"]))
    base = f"{ADDRESS}/api/films/{film}"
    strips: dict[str, Image.Image] = {}
    opened = httpx.get(base).json()
    for shot in (row[0] for row in opened["shots"]):
        told = httpx.get(f"{base}/shots/{shot}/movement").json()
        act = next(
            (a for a in told["acts"] if a["start"] is not None and a["action"] not in strips), None
        )
        if act is None:
            continue
        count = min(120, max(2, round(told["seconds"] * 12)))
        query = {"count": count, "high": HIGH}
        sheet = Image.open(
            io.BytesIO(httpx.get(f"{base}/shots/{shot}/frames", params=query, timeout=120).content)
        )
        strips[act["action"]] = _strip(sheet, count, told["seconds"], act)
        if len(strips) == ACTIONS:
            break
    pages = list(strips.values())
    out = Image.new("RGB", (pages[0].width, sum(p.height for p in pages)), "#fbf6ea")
    for n, strip in enumerate(pages):
        out.paste(strip, (0, n * strip.height))
    out.save(FOLDER / "actions.jpg", quality=84)


def _strip(sheet: Image.Image, count: int, seconds: float, act: dict[str, Any]) -> Image.Image:
    """Drawings of an action out of all of its shot's, with its name beneath."""
    wide = sheet.width // min(count, 8)
    strip = Image.new("RGB", (wide * FRAMES, HIGH + 22), "#fbf6ea")
    for n in range(FRAMES):
        at = max(0.0, act["start"]) + act["seconds"] * n / (FRAMES - 1)
        k = min(count - 1, round(at / seconds * (count - 1)))
        box = (k % 8 * wide, k // 8 * HIGH, k % 8 * wide + wide, k // 8 * HIGH + HIGH)
        strip.paste(sheet.crop(box), (n * wide, 0))
    words = f"{act['figure']}: {act['action']}, with {act['why']}"
    ImageDraw.Draw(strip).text((6, HIGH + 5), words, fill="#232120")
    return strip


def mix(page: Page) -> None:
    view(page, "Mix")
    page.get_by_role("region", name="Whole film").get_by_text("LUFS").wait_for(timeout=60_000)
    page.get_by_role("slider", name="Playhead").click(position={"x": 322, "y": 8})
    page.wait_for_timeout(1500)


def delivery(page: Page) -> None:
    view(page, "Delivery")
    if page.get_by_text("None yet").count():
        page.get_by_role("button", name=re.compile("^Make the film")).click()
        page.get_by_role("link", name=re.compile("film|mp4", re.I)).first.wait_for(timeout=900_000)


def screening(page: Page) -> None:
    """The eighth shot, with a note drawn on it; made where the film has none yet."""
    view(page, "Screening")
    page.wait_for_timeout(2500)
    for _ in range(7):
        page.keyboard.press("ArrowDown")
    if not page.get_by_role("button", name=re.compile("^Note 1 at")).count():
        page.keyboard.press("n")
        page.get_by_label("Note", exact=True).fill(
            "Closer, so that we see her face when she says it."
        )
        box = page.get_by_label("Draw around what the note is about").bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] * 0.36, box["y"] + box["height"] * 0.5
        page.mouse.move(x + 70, y)
        page.mouse.down()
        for turn in range(1, 33):
            angle = turn / 32 * 2 * math.pi
            page.mouse.move(x + 70 * math.cos(angle), y + 130 * math.sin(angle))
        page.mouse.up()
        page.get_by_label("Your name").fill("Ada")
        page.get_by_role("button", name="Keep", exact=True).click()
    page.get_by_role("button", name=re.compile("^Note 1 at")).click()
    page.wait_for_timeout(1500)


def publishing(page: Page) -> None:
    view(page, "Delivery", "Publishing")
    page.get_by_role("region", name="Thumbnail").get_by_role("status").wait_for(timeout=30_000)
    page.wait_for_timeout(2500)


MAKERS: dict[str, tuple[str, dict[str, Any]]] = {
    "pencil": ("My pencil", {"how": "hand", "offer": {"kind": "picture", "daily": 12}}),
    "night-press": (
        "Night press",
        {
            "how": "program",
            "command": ["cat", "{prompt}", "{output}"],
            "ending": "png",
            "offer": {
                "kind": "picture",
                "price": "0.01",
                "per": "picture",
                "prompt_characters": 300,
            },
        },
    ),
}
"""Made-up makers, plugged in for as long as the picture takes."""


def services(page: Page) -> None:
    for name, (title, reached) in MAKERS.items():
        settings = {"id": name, "title": title, "reached": reached}
        page.request.post(ADDRESS + "/api/services", data={"settings": settings})
    page.goto(ADDRESS + "/services")
    page.get_by_role("button", name="Night press").click()
    page.wait_for_timeout(900)
    for name in MAKERS:
        page.request.delete(f"{ADDRESS}/api/services/{name}")


VIEWS: dict[str, Callable[[Page], None]] = {
    "shelf": shelf, "script": script, "plates": plates, "grade": grade, "who": who,
    "continuity": continuity,
    "look": look, "sheet": sheet, "screening": screening, "publishing": publishing,
    "sheet-dim": sheet_dim, "bench": bench, "light-table": light_table,
    "movement": movement, "voice": voice, "mix": mix, "actions": actions, "delivery": delivery,
    "services": services,
}  # fmt: skip


def main() -> None:
    """Take those that are named, or all."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(
            executable_path="/usr/bin/chromium", args=["--no-sandbox", "--disable-gpu"]
        )
        for name in sys.argv[1:] or VIEWS:
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            VIEWS[name](page)
            page.wait_for_timeout(900)
            page.evaluate("document.activeElement?.blur()")
            if name != "actions":
                page.screenshot(path=FOLDER / f"{name}.png")
            page.close()
            print(name)


if __name__ == "__main__":
    main()
