"""What is done to shots on the Sheet: pictures laid over them, a curve, stretches cut again, closer rows, a wish."""

import io
import re

import pytest
from PIL import Image, ImageDraw
from playwright.sync_api import Browser, Page, Route, expect

from tests.browser.steps import BOATHOUSE, film_made, no_barriers
from tests.waiting import until

pytestmark = pytest.mark.browser


@pytest.fixture(scope="module")
def laid_film(browser: Browser, address: str) -> str:
    return film_made(browser, address, "Runar laid over", BOATHOUSE)


@pytest.fixture
def sheet(page: Page, laid_film: str) -> Page:
    page.goto(f"/film/{laid_film}/sheet")
    expect(page.locator("[data-shot='2']")).to_be_visible()
    return page


def film_id(page: Page) -> str:
    return re.search(r"/film/(\w+)", page.url)[1]


def shots(page: Page) -> list[dict]:
    opened = page.request.get(f"/api/films/{film_id(page)}").json()
    told = {"state": opened["state"], "first": 0, "count": 60}
    return page.request.get(f"/api/films/{film_id(page)}/shots", params=told).json()["shots"]


def settings(page: Page) -> dict:
    return page.request.get(f"/api/films/{film_id(page)}").json()["head"]["settings"]


def badge() -> dict:
    image = Image.new("RGBA", (160, 120), (0, 0, 0, 0))
    ImageDraw.Draw(image).ellipse((10, 10, 150, 110), fill=(200, 30, 30, 255))
    out = io.BytesIO()
    image.save(out, "PNG")
    return {"name": "badge.png", "mimeType": "image/png", "buffer": out.getvalue()}


def finish_desk(sheet: Page, edge: str):
    row = sheet.locator(f"[data-shot='{edge}']")
    row.click()
    row.get_by_role("button", name=re.compile(f"^Grade and effects of shot {edge}")).click()
    return sheet.get_by_role("dialog", name=f"Grade and effects of shot {edge}")


@pytest.mark.long
def test_pictures_are_laid_over_a_shot_placed_moved_and_arranged(sheet: Page) -> None:
    desk = finish_desk(sheet, "2")
    desk.get_by_label("A picture of your own to lay over").set_input_files(badge())
    over = desk.get_by_role("region", name="Laid over the picture")
    expect(over.get_by_role("button", name="badge", exact=True)).to_have_attribute(
        "aria-pressed", "true"
    )
    place = desk.get_by_role("button", name=re.compile("^Place of badge: 50 across"))
    box = place.bounding_box()
    sheet.mouse.move(box["x"] + 12, box["y"] + 12)
    sheet.mouse.down()
    sheet.mouse.move(box["x"] - 70, box["y"] + 12, steps=5)
    sheet.mouse.up()
    until(lambda: shots(sheet)[1]["own"]["insets"][0]["x"] < 0.4)
    # The others are chosen while the answer to the first is still on its way, and all of them hold.
    waiting: list[Route] = []

    def hold(route: Route) -> None:
        waiting.append(route)

    sheet.route("**/changes?*", hold, times=1)
    over.get_by_role("combobox", name="Its border").click()
    sheet.get_by_role("option", name="a round window").click()
    over.get_by_role("combobox", name="How it comes").click()
    sheet.get_by_role("option", name="drops from above").click()
    over.get_by_role("combobox", name="How it moves").click()
    sheet.get_by_role("option", name="goes to another place").click()
    goal = desk.get_by_role("button", name=re.compile("^Where badge goes"))
    goal.press("ArrowDown")
    waiting[0].continue_()

    def laid() -> list[dict]:
        return shots(sheet)[1]["own"].get("insets") or []

    until(lambda: laid()[0]["to"] and laid()[0]["to"][1] > laid()[0]["y"])
    assert (laid()[0]["border"], laid()[0]["comes"]) == ("round", "drop")
    # The same once more, beside it.
    over.get_by_role("combobox", name="Lay a picture over it").click()
    sheet.get_by_role("option", name="badge").click()
    until(lambda: len(laid()) == 2)
    over.get_by_role("combobox", name="Arrange what is laid over it").click()
    sheet.get_by_role("option", name="side by side").click()
    until(lambda: laid()[0]["x"] < 0.5 < laid()[1]["x"])
    no_barriers(sheet, "pictures laid over a shot")
    for left in (1, 0):
        over.get_by_role("button", name="Take badge away").first.click()
        until(lambda left=left: len(laid()) == left)


def test_a_curve_is_bent_and_a_point_taken_away(sheet: Page) -> None:
    desk = finish_desk(sheet, "3")
    ends = desk.get_by_role("button", name=re.compile("^Curve: what is"))
    expect(ends).to_have_count(2)
    low, high = (ends.nth(n).bounding_box() for n in (0, 1))
    x, y = ((low[k] + high[k]) / 2 + 12 for k in ("x", "y"))
    sheet.mouse.move(x, y)
    sheet.mouse.down()
    sheet.mouse.move(x, y - 20, steps=4)
    sheet.mouse.up()

    def curve() -> list:
        grade = shots(sheet)[2]["own"].get("grade")
        return grade["curve"] if grade else []

    point = until(lambda: curve() and curve()[0])
    assert point[0] == pytest.approx(0.5, abs=0.03) and point[1] > 0.6
    desk.get_by_role("button", name=re.compile("^Curve: what is 50 %")).press("Delete")
    until(lambda: not curve())
    no_barriers(sheet, "a curve")


def test_a_stretch_is_cut_again_from_one_length_to_another(sheet: Page) -> None:
    before = [s["id"] for s in shots(sheet)]
    for edge in ("1", "3"):
        place = {"x": 30, "y": 40}
        sheet.locator(f"[data-shot='{edge}']").click(modifiers=["Control"], position=place)
    bar = sheet.get_by_role("toolbar", name="Chosen shots")
    bar.get_by_role("button", name="Cut again …").click()
    desk = sheet.get_by_role("dialog", name="Cut the chosen shots again")
    expect(desk).to_contain_text("From shot 1 to 3")
    less = desk.get_by_role("button", name="less: length of the last shots")
    while less.is_enabled():
        less.click()
    no_barriers(sheet, "a stretch cut again")
    desk.get_by_role("button", name="Cut them again").click()
    until(lambda: [s["id"] for s in shots(sheet)] != before)
    sheet.keyboard.press("Escape")
    sheet.keyboard.press("Control+z")
    until(lambda: [s["id"] for s in shots(sheet)] == before)


def test_rows_stand_closer_and_stay_so(sheet: Page) -> None:
    row = sheet.locator("[data-shot='2']")
    high = row.bounding_box()["height"]
    sheet.keyboard.press("x")
    until(lambda: row.bounding_box()["height"] < 0.6 * high)
    no_barriers(sheet, "close rows")
    sheet.reload()
    until(lambda: row.bounding_box()["height"] < 0.6 * high)
    sheet.get_by_role("button", name="Rows further apart").click()
    until(lambda: row.bounding_box()["height"] == high)


def test_the_films_mark_is_a_picture(sheet: Page) -> None:
    sheet.get_by_role("button", name="Captions of the whole film").click()
    desk = sheet.get_by_role("dialog", name="Captions of the whole film")
    desk.get_by_role("tab", name=re.compile("words", re.I)).click()
    desk.get_by_label("A picture of your own as the mark").set_input_files(badge())
    until(lambda: settings(sheet)["maker_picture"])
    desk.get_by_role("combobox", name="Corner of your mark").click()
    sheet.get_by_role("option", name="low left").click()
    until(lambda: settings(sheet)["maker_corner"] == "low left")
    desk.get_by_role("combobox", name="A picture as your mark").click()
    sheet.get_by_role("option", name="no picture").click()
    until(lambda: not settings(sheet)["maker_picture"])


def test_a_writer_understands_a_wish_and_it_is_made_in_a_cut_of_its_own(sheet: Page) -> None:
    here = film_id(sheet)
    before = settings(sheet)
    sheet.get_by_role("button", name="Say a change").click()
    desk = sheet.get_by_role("dialog", name="Say it for the whole film")
    desk.get_by_label("What is to be otherwise").fill("colder, more sparkle")
    desk.get_by_role("button", name="Ask a writer").click()
    changes = desk.get_by_role("list", name="Changes that this comes to").get_by_role("listitem")
    expect(changes).to_have_count(1)
    expect(desk).to_contain_text("“more sparkle”")
    no_barriers(sheet, "a wish understood by a writer")
    desk.get_by_role("button", name="In a cut of its own").click()
    sheet.wait_for_url(lambda url: here not in url)
    until(lambda: settings(sheet)["grade"]["warmth"] < 0)
    sheet.goto(f"/film/{here}/sheet")
    assert settings(sheet) == before
