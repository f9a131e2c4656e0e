"""The Bench by mouse and keys: offers, takes side by side, rejecting, the light table, faults, bringing."""

import io
import re

import pytest
from PIL import Image, ImageDraw
from playwright.sync_api import Page, expect

from tests.browser.steps import STORY, go, make, new_film, no_barriers

pytestmark = pytest.mark.browser


def faulty_picture() -> bytes:
    """A picture with black borders, as a careless export has them."""
    image = Image.new("RGB", (1280, 720), (90, 120, 150))
    pen = ImageDraw.Draw(image)
    for i in range(0, 1280, 40):
        pen.ellipse(
            (i, 200 + i % 170, i + 90, 400 + i % 90), fill=(200 - i // 10, 90 + i // 12, 70)
        )
    pen.rectangle((0, 0, 1280, 30), fill=(0, 0, 0))
    pen.rectangle((0, 690, 1280, 720), fill=(0, 0, 0))
    out = io.BytesIO()
    image.save(out, "AVIF")
    return out.getvalue()


@pytest.mark.long
def test_takes_are_made_at_two_offers_compared_circled_and_rejected(page: Page) -> None:
    # A story of its own: what another film has had made already costs nothing here.
    new_film(page, "Bench", STORY.replace("ladder", "barrow"))
    go(page, "Bench")
    quick, fine = (
        page.get_by_role("radio", name=re.compile(f"Illustrator, {n}")) for n in ("quick", "fine")
    )
    expect(quick).to_contain_text("0.006")
    expect(fine).to_contain_text("0.10")
    make(page)
    panes = page.get_by_role("figure")
    expect(panes).to_have_count(2)
    fine.click()
    page.get_by_label("How many takes").click()
    page.get_by_role("option", name="1").click()
    make(page)
    takes = page.get_by_role("list", name="All takes")
    expect(takes.get_by_role("listitem")).to_have_count(3)
    expect(page.get_by_role("figure", name="Take 3")).to_contain_text("illustrator, fine")
    expect(page.get_by_role("figure", name="Take 3")).to_contain_text("1920×1080")
    page.keyboard.press("Shift+Digit3")
    expect(page.get_by_role("button", name="Circle take 3")).to_have_attribute(
        "aria-pressed", "true"
    )
    page.get_by_role("figure", name="Take 3").get_by_role("button", name="Reject").click()
    page.get_by_label("Why it is rejected").fill("too blue")
    page.keyboard.press("Enter")
    expect(takes.get_by_role("listitem").last).to_contain_text("rejected")
    expect(page.get_by_role("figure", name="Take 3")).to_have_count(0)
    takes.get_by_role("button", name="Take 3 beside the others, rejected").click()
    expect(page.get_by_role("figure", name="Take 3")).to_contain_text("Rejected: too blue.")
    expect(page.get_by_role("button", name="Circle take 1")).to_have_attribute(
        "aria-pressed", "true"
    )
    page.get_by_role("button", name=re.compile("^Undo: reject a take")).click()
    expect(
        page.get_by_role("figure", name="Take 3").get_by_role("button", name="Reject")
    ).to_be_visible()


@pytest.mark.long
def test_panes_come_nearer_and_move_together(page: Page) -> None:
    new_film(page, "Panes")
    go(page, "Bench")
    make(page)
    images = page.get_by_role("figure").get_by_role("img")
    expect(images).to_have_count(2)
    images.first.hover()
    page.mouse.wheel(0, -500)
    page.wait_for_function(
        "() => [...document.querySelectorAll('figure img')].every((i) => /scale\\((?!1\\))/.test(i.style.transform))"
    )
    page.mouse.down()
    page.mouse.move(300, 300, steps=4)
    page.mouse.up()
    moved = [i.evaluate("e => e.style.transform") for i in images.all()]
    assert moved[0] == moved[1] and "scale(1)" not in moved[0]
    page.keyboard.press("0")
    expect(images.first).to_have_attribute("style", re.compile(r"scale\(1\)"))


def test_faults_of_a_picture_that_was_brought_are_listed_and_all_are_seen_on_the_light_table(
    page: Page,
) -> None:
    new_film(page, "Faults")
    go(page, "Bench")
    page.get_by_label("Picture file", exact=True).set_input_files(
        {"name": "own.avif", "mimeType": "image/avif", "buffer": faulty_picture()}
    )
    expect(page.get_by_role("figure", name="Take 1")).to_contain_text("an even border: top, bottom")
    page.get_by_role("tab", name="Faults").click()
    expect(
        page.get_by_role("list", name="Faults").first.get_by_text("an even border: top, bottom")
    ).to_be_visible()
    page.get_by_role("tab", name="Light table").click()
    expect(page.get_by_role("list", name="Light table").get_by_role("listitem")).to_have_count(3)
    expect(page.get_by_text("1 of 3 shots have a picture")).to_be_visible()
    page.get_by_role("button", name="Shot 2, no picture yet").click()
    expect(page.get_by_text("No take of shot 2 is made yet.")).to_be_visible()
    page.keyboard.press("ArrowUp")
    expect(page.get_by_role("figure", name="Take 1")).to_be_visible()


@pytest.mark.long
def test_making_rests_and_goes_on(page: Page) -> None:
    new_film(page, "Resting")
    go(page, "Bench")
    page.get_by_label("For which shots").click()
    page.get_by_role("option", name="all missing, 3").click()
    page.get_by_label("How many takes").click()
    page.get_by_role("option", name="4").click()
    page.get_by_role("region", name="Make pictures").get_by_role("button", name="Make 12").click()
    run = page.get_by_role("region", name="What is being made")
    run.get_by_role("button", name="Pause").click()
    expect(run).to_contain_text("paused")
    run.get_by_role("button", name="Go on").click()
    expect(run).to_have_count(0, timeout=300_000)
    expect(page.get_by_role("list", name="All takes").get_by_role("listitem")).to_have_count(4)


def test_the_bench_is_accessible(page: Page) -> None:
    new_film(page, "Access")
    go(page, "Bench")
    for tab in ("Takes", "Light table", "Faults"):
        page.get_by_role("tab", name=tab).click()
        no_barriers(page, tab)


@pytest.mark.long
def test_part_of_a_take_is_marked_and_made_anew(page: Page) -> None:
    new_film(page, "Retouch")
    go(page, "Bench")
    page.get_by_label("How many takes").click()
    page.get_by_role("option", name="1").click()
    make(page)
    page.get_by_role("button", name="Retouch").click()
    desk = page.get_by_role("region", name="Retouch take 1")
    expect(desk.get_by_role("status")).to_have_text("nothing marked")
    picture = desk.get_by_label("Picture to mark on")
    box = picture.bounding_box()
    assert box is not None
    page.mouse.move(box["x"] + 60, box["y"] + 200)
    page.mouse.down()
    page.mouse.move(box["x"] + 160, box["y"] + 220, steps=6)
    page.mouse.up()
    expect(desk.get_by_role("status")).to_contain_text("% marked")
    desk.get_by_role("button", name="Undo the last mark").click()
    expect(desk.get_by_role("status")).to_have_text("nothing marked")
    picture.focus()
    for key in ("ArrowLeft", "Shift+ArrowDown", "Shift+ArrowDown", "Enter"):
        page.keyboard.press(key)
    expect(desk.get_by_role("status")).to_contain_text("5 % marked")
    desk.get_by_label("What should be there").fill("a cat")
    desk.get_by_role("button", name=re.compile("^Make 2")).click()
    takes = page.get_by_role("list", name="All takes")
    expect(takes.get_by_role("listitem")).to_have_count(3)
    expect(page.get_by_text("Retouched from take 1: a cat.")).to_have_count(2)


@pytest.mark.long
def test_a_figure_is_posed_by_mouse_and_keys_and_made(page: Page) -> None:
    new_film(page, "Posed")
    go(page, "Bench")
    make(page)
    takes = page.get_by_role("list", name="All takes")
    expect(takes.get_by_role("listitem")).to_have_count(2)
    page.get_by_role("button", name="More with take 1").click()
    expect(page.get_by_role("menu")).to_contain_text("times as close")
    page.get_by_role("menuitem", name="Pose a figure").click()
    desk = page.get_by_role("region", name="Pose in take 1")
    ask = desk.get_by_role("button", name=re.compile("in this pose"))
    expect(ask).to_be_disabled()
    desk.get_by_role("group", name="Poses").get_by_role("button", name="cheer").click()
    expect(ask).to_be_enabled()
    hand = desk.get_by_role("button", name="near hand")
    before = hand.bounding_box()
    hand.focus()
    page.keyboard.press("Shift+ArrowLeft")
    page.wait_for_function(
        "x => Math.abs(document.activeElement.getBoundingClientRect().x - x) > 4", arg=before["x"]
    )
    desk.get_by_role("button", name="Undo the last move").click()
    box = hand.bounding_box()
    page.mouse.move(box["x"] + 8, box["y"] + 8)
    page.mouse.down()
    page.mouse.move(box["x"] + 60, box["y"] + 60, steps=4)
    page.mouse.up()
    ask.click()
    expect(takes.get_by_role("listitem")).to_have_count(6)
    expect(page.get_by_role("figure", name="Take 3")).to_contain_text("Posed anew from take 1.")
    page.get_by_role("button", name="More with take 3").click()
    page.get_by_role("menuitem", name="Enlarge 2 times").click()
    expect(takes.get_by_role("listitem")).to_have_count(7)
