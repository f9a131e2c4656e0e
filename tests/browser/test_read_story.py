"""A story pasted as it stands is understood: who is meant is asked and answered, an idea taken, and the right one drawn."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import go, make

pytestmark = pytest.mark.browser
PASTED = """Ada and Nan came down to the pier at dusk. She untied the boat. She laughed at the gulls.

Tom waved from the shore. He held a lantern in his hand.
"""


def opened(page: Page) -> dict:
    film = page.url.split("/film/")[1].split("/")[0]
    state = page.request.get(f"/api/films/{film}").json()["state"]
    told = page.request.get(f"/api/films/{film}/shots", params={"state": state}).json()
    return {"head": page.request.get(f"/api/films/{film}").json()["head"], "shots": told["shots"]}


def test_a_question_is_answered_pronouns_follow_and_the_picture_shows_who_is_meant(
    page: Page,
) -> None:
    page.goto("/")
    page.get_by_label(re.compile("^Story")).first.fill(PASTED)
    page.get_by_role("button", name="Cut it into shots").click()
    expect(page.get_by_role("article", name="Manuscript")).to_be_visible()

    # The desk Who opens by its key, and asks the one thing that the text leaves open.
    page.locator("[data-word]").first.click()
    page.keyboard.press("w")
    questions = page.get_by_role("region", name="Questions")
    expect(questions).to_contain_text("Not sure of one word")
    question = questions.get_by_role("group", name="Who is “She”?")
    chosen = question.get_by_role("button", pressed=True)
    expect(chosen).to_have_count(1)
    meant = (chosen.text_content() or "")[1:]
    other = {"Ada": "Nan", "Nan": "Ada"}[meant]
    number = question.get_by_role("button", name=re.compile(other)).text_content() or ""

    # One key answers it; nothing is left to ask.
    chosen.focus()
    page.keyboard.press(number[0])
    expect(questions).to_contain_text("Nothing is unsure")

    # The second "She", which hung on the first, follows, and everybody meant is marked the same.
    second = page.locator("[data-word]").filter(has_text=re.compile("^She$")).nth(1)
    second.click()
    here = page.get_by_role("region", name="The word at the cursor")
    expect(here).to_contain_text(f"“She” is {other}")
    expect(second).to_have_css("text-decoration-line", "underline")
    name = page.locator("[data-word]").filter(has_text=re.compile(f"^{other}$")).first
    expect(name).to_have_css("text-decoration-line", "underline")
    tom = page.locator("[data-word]").filter(has_text=re.compile("^Tom$")).first
    expect(tom).not_to_have_css("text-decoration-line", "underline")

    # Another idea for the shot that shows her, by its key in the Sheet.
    told = opened(page)
    ids = {p["name"]: p["id"] for p in told["head"]["cast"]}
    shot = next(s for s in told["shots"] if s["people"] == [ids[other]] and len(s["ideas"]) > 1)
    go(page, "Sheet")
    row = page.get_by_text(shot["text"][:24]).first
    row.click()
    ideas = page.get_by_role("region", name="Picture ideas")
    before = ideas.get_by_role("button", pressed=True)
    expect(before).to_have_count(1)
    was = before.text_content()
    page.keyboard.press("i")
    expect(ideas.get_by_role("button", pressed=True)).not_to_have_text(was or "")
    expect(ideas.get_by_role("button", name="Lift idea")).to_be_visible()
    ideas.get_by_role("button", name="Lift idea").click()
    expect(ideas.get_by_role("button", pressed=True)).to_have_text(was or "")

    # The picture shows whom the answer says, by the regions that the illustrator reports.
    go(page, "Bench")
    page.keyboard.press("ArrowUp")
    for _ in range(len(told["shots"])):
        if page.get_by_text(shot["text"][:24]).count():
            break
        page.keyboard.press("ArrowDown")
    make(page, takes=1)
    expect(page.get_by_role("list", name="All takes").get_by_role("listitem")).to_have_count(1)
    made = next(s for s in opened(page)["shots"] if s["used"])
    assert {f["person"] for f in made["figures"]} == set(made["people"]) and made["people"]
