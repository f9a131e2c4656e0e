"""Continuity by mouse and keys: outfits by scene, drift in words, prompts taken out and pictures brought back."""

import io
import re
import zipfile
from pathlib import Path

import pytest
from PIL import Image
from playwright.sync_api import Locator, Page, expect

from tests.browser.steps import go, new_film, no_barriers

pytestmark = pytest.mark.browser


def make_all(page: Page) -> None:
    go(page, "Sheet")
    page.get_by_role("button", name=re.compile("^Make what is missing")).click()
    expect(page.get_by_text("Pictures, voices and sound are all made.")).to_be_visible(
        timeout=300_000
    )
    expect(page.get_by_text("stale: prompt changed")).to_have_count(0)


def cells(page: Page, name: str) -> list[str]:
    """What the matrix says of somebody, scene by scene."""
    labels = [c.get_attribute("aria-label") or "" for c in page.locator("[data-cell]").all()]
    return [label for label in labels if label.startswith(f"{name} ")]


def person(page: Page, name: str) -> Locator:
    """Somebody's head of the row in the matrix."""
    return page.get_by_role("rowheader").get_by_role("button", name=re.compile(name))


def decide(page: Page, how: str = "Change only") -> None:
    panel = page.get_by_role("region", name="Before you decide")
    expect(panel).to_contain_text(re.compile(r"prompts? change|become|No prompt"))
    panel.get_by_role("button", name=how).click()
    expect(panel).to_have_count(0)


@pytest.mark.long
def test_a_rename_and_an_outfit_make_exactly_their_shots_stale_and_made_again_the_drift_falls(
    page: Page,
) -> None:
    new_film(page, "Outfits")
    make_all(page)
    go(page, "Continuity")
    expect(page.get_by_text("100 % of traits said")).to_be_visible()
    person(page, "Hobb").click()
    page.get_by_label("Name", exact=True).fill("Hobart")
    page.keyboard.press("Enter")
    page.get_by_role("button", name="Rename in 2 places").click()
    expect(person(page, "Hobart")).to_be_visible()
    page.wait_for_function(
        "() => document.querySelectorAll('[data-cell][aria-label*=\"stale\"]').length > 0"
    )
    renamed = cells(page, "Hobart")
    assert all("stale" in c for c in renamed), (
        "every picture that he is in was made under the old name"
    )
    make_all(page)
    go(page, "Continuity")
    person(page, "Hobart").click()
    assert not any("stale" in c or "drift" in c for c in cells(page, "Hobart"))
    page.get_by_role("button", name="add an outfit").click()
    outfit = page.get_by_role("group", name="outfit")
    outfit.get_by_label("Trait: clothes").fill("long white raincoat")
    page.get_by_role("button", name="outfit in scene 2").click()
    decide(page)
    expect(
        page.locator("[data-cell][aria-label^='Hobart in scene 2'][aria-label*='stale']")
    ).to_have_count(1)
    first, second = cells(page, "Hobart")
    assert "stale" not in first and "drift" not in first
    assert "1 stale" in second and "drift" in second
    page.get_by_role("tab", name=re.compile("Worst drift first")).click()
    row = page.get_by_role("list", name="Departures").get_by_role("listitem").first
    expect(row).to_contain_text("long white raincoat")
    page.get_by_role("tab", name="Who, scene by scene").click()
    cell = page.locator("[data-cell][aria-label*='drift']")
    cell.focus()
    page.keyboard.press("m")
    expect(page.locator("[data-cell][aria-label*='stale']")).to_have_count(0)
    expect(page.locator("[data-cell][aria-label*='drift']")).to_have_count(0)
    page.get_by_role("tab", name=re.compile("Worst drift first")).click()
    expect(page.get_by_text(re.compile("^Nothing departs"))).to_be_visible()


def test_drift_is_accepted_by_a_key_and_counted_again(page: Page) -> None:
    new_film(page, "Accepting")
    make_all(page)
    go(page, "Continuity")
    person(page, "Dot").click()
    clothes = page.get_by_label("Trait: clothes")
    clothes.fill("bright yellow oilskin coat")
    decide(page)
    drift = page.locator("[data-cell][aria-label*='drift']")
    expect(drift.first).to_be_visible()
    strip = page.get_by_role("region", name="Dot in every picture")
    shot = strip.get_by_role("button", name=re.compile("drift"))
    before = shot.count()
    shot.first.focus()
    page.keyboard.press("a")
    expect(page.get_by_role("button", name="Undo: accept the drift of shot 1")).to_be_visible()
    expect(shot).to_have_count(before - 1)
    page.get_by_role("tab", name=re.compile("Worst drift first")).click()
    page.get_by_role("list", name="Accepted departures").get_by_role(
        "button", name="Count it again"
    ).first.click()
    expect(page.get_by_role("list", name="Accepted departures")).to_have_count(0)
    page.get_by_role("tab", name="Who, scene by scene").click()
    strip.get_by_role("button", name=re.compile("^Shot")).first.focus()
    page.keyboard.press("ArrowRight")
    expect(strip.get_by_role("button", name=re.compile("^Shot")).nth(1)).to_be_focused()
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("/sheet$"))


@pytest.mark.long
def test_a_reference_is_made_and_circled_and_a_look_is_tried(page: Page) -> None:
    new_film(page, "References")
    make_all(page)
    go(page, "Continuity")
    page.get_by_role("button", name="Make a model sheet").click()
    page.get_by_role("button", name="Circle reference 1, model sheet").click()
    expect(page.get_by_role("region", name="Before you decide")).to_contain_text(
        "No words change, but"
    )
    decide(page)
    expect(page.get_by_text("followed at 50 of 100")).to_be_visible()
    expect(page.locator("[data-cell][aria-label*='stale']")).not_to_have_count(0)
    page.get_by_role("tab", name="Look").click()
    page.get_by_role("button", name=re.compile("^Chalk on slate")).click()
    page.get_by_role("button", name=re.compile("^Try it")).click()
    expect(page.get_by_text(re.compile("^Paid already"))).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("in Chalk on slate"))).not_to_have_count(0)
    page.get_by_role("button", name="Change a copy").click()
    page.get_by_label("Name of the look").fill("Blackboard")
    page.keyboard.press("Enter")
    page.get_by_label("The look's era").fill("an old school")
    page.keyboard.press("Enter")
    page.get_by_role("button", name="Take it for the film").click()
    decide(page)
    go(page, "Sheet")
    expect(page.get_by_role("region", name="Picture prompt")).to_contain_text("an old school")


def picture(*, box: tuple[int, int, int, int] = (400, 100, 880, 700)) -> bytes:
    out = io.BytesIO()
    image = Image.new("RGB", (1280, 720), (240, 226, 196))
    image.paste((44, 118, 118), box)
    image.save(out, "PNG")
    return out.getvalue()


def test_a_look_is_measured_from_pictures(page: Page) -> None:
    new_film(page, "Measured")
    go(page, "Continuity")
    page.get_by_role("tab", name="Look").click()
    page.get_by_role("button", name=re.compile("^From pictures of your own")).click()
    page.get_by_label("Pictures of the look").set_input_files(
        {"name": "a.png", "mimeType": "image/png", "buffer": picture()}
    )
    page.get_by_label("Name of the new look").fill("Two sheets")
    page.get_by_label("Medium of the new look").fill("lino print")
    page.get_by_role("button", name="Measure", exact=True).click()
    expect(page.get_by_role("region", name="Measured")).to_contain_text("lightness")
    expect(page.get_by_role("region", name="Palette")).to_contain_text("teal")
    page.get_by_role("button", name="Keep the look").click()
    expect(page.get_by_role("heading", name="Two sheets")).to_be_visible()
    expect(page.get_by_label("Strength")).to_have_value("50")


def test_somebody_in_a_picture_of_ones_own_is_boxed_by_keys(page: Page) -> None:
    new_film(page, "Boxes")
    go(page, "Sheet")
    page.locator("[data-shot]").first.click()
    page.get_by_label("Picture file", exact=True).set_input_files(
        {"name": "own.png", "mimeType": "image/png", "buffer": picture()}
    )
    expect(page.get_by_text("your own picture")).to_be_visible()
    go(page, "Continuity")
    person(page, "Dot").click()
    page.get_by_role("button", name="say where Dot is").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_label("Picture to draw boxes on").focus()
    for key in ("ArrowRight", "Shift+ArrowDown", "Shift+ArrowRight"):
        page.keyboard.press(key)
    dialog.get_by_role("button", name="Measure their colours").click()
    expect(dialog).to_have_count(0)
    expect(page.get_by_role("button", name="say where Dot is")).to_have_count(0)


def test_places_and_scenes_change_what_is_there(page: Page) -> None:
    new_film(page, "Places")
    go(page, "Continuity")
    page.get_by_role("tab", name="Places").click()
    page.get_by_role("button", name=re.compile("^The road")).click()
    page.get_by_label("Light at dusk").fill("low copper light")
    page.keyboard.press("Enter")
    decide(page)
    page.get_by_label("Weather of scene 1").click()
    page.get_by_role("option", name="snow", exact=True).click()
    decide(page)
    go(page, "Sheet")
    page.locator("[data-shot]").last.click()
    expect(page.get_by_role("region", name="Picture prompt")).to_contain_text("low copper light")
    page.locator("[data-shot]").first.click()
    expect(page.get_by_role("region", name="Picture prompt")).to_contain_text("snow")


def test_the_company_is_searched_and_taken_from_and_kept(page: Page) -> None:
    new_film(page, "Company")
    go(page, "Continuity")
    page.get_by_role("tab", name="Company").click()
    page.get_by_label("Words", exact=True).fill("teal scarf")
    expect(page.get_by_role("status").filter(has_text="entr")).to_have_text("1 entry")
    page.get_by_label("As whom").click()
    page.get_by_role("option", name="as Dot").click()
    page.get_by_role("button", name="Take into the film").click()
    expect(page.get_by_label("Trait: neck")).to_have_value("teal scarf")
    expect(page.get_by_label("Name", exact=True)).to_have_value("Dot")
    person(page, "Hobb").click()
    page.get_by_role("button", name="Keep in the company").click()
    expect(page.get_by_text("Hobb is in the company now.")).to_be_visible()
    page.get_by_role("tab", name="Company").click()
    page.get_by_label("Words", exact=True).fill("hobb")
    expect(page.get_by_role("list", name="Company").get_by_role("listitem")).to_have_count(1)
    page.get_by_role("button", name="Remove from the company").click()
    expect(page.get_by_role("list", name="Company").get_by_role("listitem")).to_have_count(0)


@pytest.mark.long
def test_each_part_of_continuity_is_accessible(page: Page) -> None:
    new_film(page, "Access")
    go(page, "Continuity")
    for tab in ("Worst drift first", "Places", "Look", "Company"):
        page.get_by_role("tab", name=re.compile(tab)).click()
        no_barriers(page, tab)


def test_prompts_go_out_and_pictures_come_back(page: Page, tmp_path: Path) -> None:
    new_film(page, "Outside")
    go(page, "Sheet")
    page.get_by_role("radio", name="Motion").click()
    expect(page.get_by_role("region", name="Motion prompt")).to_contain_text(
        re.compile("push|pull|pan|tilt")
    )
    page.get_by_role("button", name="Edit the motion prompt").click()
    page.get_by_role("textbox", name="Motion prompt").fill("tilt up along the ladder")
    page.keyboard.press("Control+Enter")
    expect(page.get_by_role("button", name="compose it again")).to_be_visible()
    expect(page.get_by_label("Move", exact=True)).to_contain_text("tilt up")
    page.context.grant_permissions(["clipboard-read", "clipboard-write"])
    page.locator("[data-shot]").first.click()
    for key, kind in (("o", "motion"), ("p", "picture")):
        page.keyboard.press(key)
        expect(page.get_by_text(f"The {kind} prompt of shot 1 is copied.")).to_be_visible()
    assert "ladder" in page.evaluate("() => navigator.clipboard.readText()")
    go(page, "Delivery")
    page.get_by_role("tab", name="Other programs").click()
    with page.expect_download() as download:
        page.get_by_role("link", name=".md").click()
    assert "tilt up along the ladder" in Path(download.value.path()).read_text()
    packed = tmp_path / "results.zip"
    with zipfile.ZipFile(packed, "w") as out:
        for name, shade in (("002 b.png", 60), ("001 a.png", 200)):
            picture = io.BytesIO()
            Image.new("RGB", (1280, 720), (shade, 120, 90)).save(picture, "PNG")
            out.writestr(name, picture.getvalue())
        out.writestr("readme.txt", "not a picture")
    page.get_by_label("Results of outside tools").set_input_files(str(packed))
    expect(page.get_by_role("dialog").get_by_role("listitem")).to_have_count(3)
    expect(page.get_by_label("Where 001 a.png goes")).to_contain_text("shot 1")
    page.get_by_role("button", name="Place 2").click()
    expect(page.get_by_role("button", name="Undo: place 2 pictures")).to_be_visible()
    go(page, "Sheet")
    expect(page.get_by_text("your own picture")).to_be_visible()
    expect(page.get_by_text("no picture yet")).to_have_count(1)
