"""A story that nobody prepared, pasted as it stands: what it says of itself and its people is what comes out."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import go, make

pytestmark = pytest.mark.browser
PASTED = """The Weaver of Low Ferry

Ottilie Marsh was seventy, with white hair in a braid and a grey shawl. She wove baskets by the river.

“You will miss the market,” said the ferryman, a broad man called Josef. Josef had a black beard. Her cat Pim slept.
"""


def test_a_pasted_story_is_named_by_its_title_and_its_people_look_as_it_says(page: Page) -> None:
    page.goto("/")
    page.get_by_label(re.compile("^Story")).first.fill(PASTED)
    page.get_by_role("button", name="Cut it into shots").click()
    manuscript = page.get_by_role("article", name="Manuscript")
    expect(manuscript).to_be_visible()
    told = page.get_by_role("status").filter(has_text="names the film")
    expect(told).to_contain_text("“The Weaver of Low Ferry” names the film")
    name = page.get_by_role("textbox", name="Name of the film")
    expect(name).to_have_value("The Weaver of Low Ferry")
    expect(manuscript).to_contain_text("[The Weaver of Low Ferry]")
    expect(page.locator("[data-word]").first).to_have_text("Ottilie")

    go(page, "Continuity")
    page.get_by_role("button", name=re.compile("^Ottilie Marsh")).first.click()
    traits = page.get_by_role("region", name="Traits")
    said = {"who": "old woman", "hair": "white hair in a braid", "clothes": "grey shawl"}
    for about, words in said.items():
        expect(traits.get_by_role("textbox", name=f"Trait: {about}")).to_have_value(words)
    expect(page.get_by_text(re.compile("“white hair in a braid”"))).to_be_visible()
    page.get_by_role("button", name=re.compile("^Pim")).first.click()
    expect(traits.get_by_role("textbox", name="Trait: kind")).to_have_value("cat")

    go(page, "Bench")
    make(page, takes=1)
    picture = page.get_by_role("list", name="All takes").get_by_role("listitem")
    expect(picture).to_have_count(1)
    film = page.url.split("/film/")[1].split("/")[0]
    shot = page.request.get(f"/api/films/{film}").json()
    window = page.request.get(f"/api/films/{film}/shots", params={"state": shot["state"]}).json()
    made = next(s for s in window["shots"] if s["used"])
    drawn = {f["person"] for f in made["figures"]}
    assert drawn == set(made["people"]), "whom the words name is who stands in the picture"
