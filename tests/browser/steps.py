"""Steps that several browser tests take."""

import re

from playwright.sync_api import Page, expect

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


def go(page: Page, view: str) -> None:
    """Open a view of the film by its name in the top line."""
    page.get_by_role("navigation", name="Views").get_by_role("link", name=view).click()
