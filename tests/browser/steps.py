"""Steps that several browser tests take."""

import re

from axe_playwright_python.sync_playwright import Axe
from playwright.sync_api import Browser, Page, expect

from tests.waiting import until

STORY = """# The yard — day, clear

The ladder leaned by the gate. “Whose is it?” said Dot. Dot pulled it across the grass, and Hobb laughed.

# The road — dusk, rain

Hobb carried it back. Nobody said another word about the ladder, and Dot went home.
"""


def new_film(page: Page, title: str, story: str = STORY) -> None:
    page.goto("/")
    page.get_by_role("textbox", name="Name", exact=True).fill(title)
    page.get_by_label(re.compile("^Story")).first.fill(story)
    page.get_by_role("button", name="Cut it into shots").click()
    expect(page.get_by_role("article", name="Manuscript")).to_be_visible()


def film_made(browser: Browser, address: str, title: str, story: str) -> str:
    """A film of a story, for a module's tests; its id."""
    context = browser.new_context(base_url=address)
    page = context.new_page()
    new_film(page, title, story)
    film = page.url.split("/film/")[1].split("/")[0]
    context.close()
    return film


BOATHOUSE = (
    "# The boathouse — day, clear\n\nRunar scraped the old hull from bow to stern. He whistled while he did it, and the "
    "dog slept in the shavings.\n\n# The fjord — night, clear\n\nAt night he rowed out with two lamps. The water was "
    "black, and he did not whistle any more.\n"
)
"""Two scenes at two places and hours."""


def go(page: Page, view: str) -> None:
    """Open a view of the film by its name in the top line."""
    page.get_by_role("navigation", name="Views").get_by_role("link", name=view).click()


def make(page: Page, takes: int | None = None) -> None:
    """On the Bench, make pictures of what is chosen there, and wait for them."""
    desk = page.get_by_role("region", name="Make pictures")
    if takes:
        desk.get_by_label("How many takes").click()
        page.get_by_role("option", name=str(takes)).click()
    with page.expect_response(
        lambda r: r.url.endswith("/runs") and r.request.method == "POST"
    ) as answer:
        desk.get_by_role("button", name=re.compile("^Make [0-9]")).click()
    run = answer.value.json()
    until(
        lambda: any(
            r["id"] == run["id"] and r["state"] != "going"
            for r in page.request.get(answer.value.url).json()
        )
    )
    expect(page.get_by_role("region", name="What is being made")).to_have_count(0)


def no_barriers(page: Page, where: str) -> None:
    """Nothing on the page that WCAG 2.2 AA forbids. Source: axe-core."""
    # What fades in has less contrast on the way.
    page.evaluate(
        "Promise.all(document.getAnimations()"
        ".filter((a) => Number.isFinite(a.effect.getComputedTiming().endTime))"
        ".map((a) => a.finished.catch(() => null)))"
    )
    found = Axe().run(
        page, options={"runOnly": ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]}
    )
    wrong = [
        (v["id"], [n["html"][:140] for n in v["nodes"][:3]]) for v in found.response["violations"]
    ]
    assert wrong == [], f"{where}: {wrong}"
