"""A link for others, in a second browser profile: watched, noted through, withdrawn."""

import re

import pytest
from playwright.sync_api import Browser, Page, expect

from cutreel.running import commands
from cutreel.running.temporary import Temporary
from tests.browser.steps import BOATHOUSE, film_made, no_barriers
from tests.waiting import until

pytestmark = pytest.mark.browser


@pytest.fixture(scope="module")
def made(browser: Browser, address: str, stack: Temporary) -> str:
    """A film that is made, with the door open."""
    film = film_made(browser, address, "Two Lamps Out", BOATHOUSE)
    context = browser.new_context(base_url=address)
    page = context.new_page()
    wish = {"kind": "delivery", "size": "360p", "captions": "off"}
    run = page.request.post(f"/api/films/{film}/runs", data=wish).json()
    port = int(stack.environment["CUTREEL_DOOR"].rsplit(":", 1)[1])
    stack.start("door", commands.door(port))
    until(lambda: _is_open(page, stack.environment["CUTREEL_DOOR"]), 60)

    def is_made() -> bool:
        runs = page.request.get(f"/api/films/{film}/runs").json()
        return any(r["id"] == run["id"] and r["state"] == "done" for r in runs)

    until(is_made, 180)
    context.close()
    return film


def _is_open(page: Page, door: str) -> bool:
    try:
        return page.request.get(door + "/s/nothing").status == 404
    except Exception:
        return False


@pytest.mark.long
def test_a_link_is_made_watched_noted_through_and_withdrawn(
    page: Page, browser: Browser, made: str
) -> None:
    page.goto(f"/film/{made}/screening")
    page.get_by_role("tab", name="Links for others").click()
    form = page.get_by_role("form", name="Make a link")
    form.get_by_label("For whom").fill("Client")
    form.get_by_label("What it may").click()
    page.get_by_role("option", name="to watch and note").click()
    form.get_by_label("Password").fill("two-lamps")
    form.get_by_role("button", name="Make a link").click()
    row = page.get_by_role("list", name="Links").get_by_role("listitem", name="Client")
    expect(row).to_contain_text("watches and notes, with a password")
    expect(row).to_contain_text("not opened yet")
    no_barriers(page, "links")
    link = page.evaluate("navigator.clipboard.readText()")
    assert re.fullmatch(r"http://[\d.]+:\d+/s/[\w-]{32}", link)

    # Somebody else, on a phone.
    other = browser.new_context(viewport={"width": 390, "height": 780}, has_touch=True)
    phone = other.new_page()
    complaints: list[str] = []
    phone.on("pageerror", lambda error: complaints.append(str(error)))
    phone.goto(link)
    phone.get_by_label("This film has a password.").fill("one-lamp")
    phone.get_by_role("button", name="Open").click()
    expect(phone.get_by_text("That is not the password.")).to_be_visible()
    phone.get_by_label("This film has a password.").fill("two-lamps")
    phone.get_by_role("button", name="Open").click()
    expect(phone.get_by_role("heading", name="Two Lamps Out")).to_be_visible()
    until(lambda: phone.locator("video").evaluate("v => v.readyState >= 1 && v.duration > 2"), 30)
    phone.locator("video").evaluate("v => { v.currentTime = 1.5 }")
    expect(phone.locator("#at")).to_have_text("0:01")
    assert phone.evaluate("document.documentElement.scrollWidth") <= 390, "nothing is cut off"
    no_barriers(phone, "behind a link")
    phone.get_by_label("Your name").fill("Rosa")
    phone.get_by_label("What you see at").fill("<i>Darker</i>, please")
    phone.get_by_role("button", name="Note it here").click()
    expect(phone.get_by_role("listitem")).to_contain_text("Rosa: <i>Darker</i>, please")

    # It stands in the room, by her name; nothing of hers but that.
    expect(page.get_by_role("complementary", name="Notes")).to_contain_text("Rosa")
    row.focus()
    page.keyboard.press("Delete")
    expect(row).to_have_count(0)
    phone.reload()
    expect(phone.get_by_text("There is nothing here")).to_be_visible()
    other.close()
    assert not complaints, complaints
