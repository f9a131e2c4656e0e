"""The desk for movement: a path is dragged, an action chosen, the shot plays in place."""

import re

import numpy as np
import pytest
from PIL import Image
from playwright.sync_api import Page, expect

from tests.api.test_clips import clip_of
from tests.browser.steps import STORY, go, make, new_film, no_barriers

pytestmark = pytest.mark.browser


def test_a_shot_is_moved_by_hand_and_plays_in_place(page: Page) -> None:
    new_film(page, "Movement", STORY.replace("ladder", "basket"))
    go(page, "Bench")
    page.get_by_role("tab", name="Movement").click()
    expect(page.get_by_text("This shot has no picture yet.")).to_be_visible()
    page.get_by_role("tab", name="Takes").click()
    page.keyboard.press("ArrowDown")
    make(page, 1)
    page.get_by_role("tab", name="Movement").click()
    moves = page.get_by_role("region", name="What moves")
    expect(moves.get_by_text("breathes, blinks").first).to_be_visible()
    strip = page.get_by_role("img", name=re.compile("^Six frames of shot"))
    expect(strip).to_be_visible()
    before = strip.get_attribute("src")

    # A frame of the path is dragged: it is the maker's own from then on, and told in words.
    last = page.get_by_role("application", name="The last frame")
    box = last.bounding_box()
    page.mouse.move(box["x"] + 5, box["y"] + 5)
    page.mouse.down()
    page.mouse.move(box["x"] + 65, box["y"] + 25, steps=4)
    page.mouse.up()
    expect(moves.get_by_label("Camera", exact=True)).to_contain_text("your own path")
    expect(strip).not_to_have_attribute("src", before)

    # By keys too.
    last.focus()
    page.keyboard.press("+")
    words = page.get_by_role("region", name="In words")
    expect(words.get_by_text(re.compile("push in to 1"))).to_be_visible()

    # A place that it goes by, and it is lifted again.
    picture = page.get_by_role("img", name=re.compile("^The picture of shot"))
    picture.dblclick(position={"x": 120, "y": 90})
    by = page.get_by_role("button", name="The camera goes by here, 1")
    expect(by).to_be_visible()
    by.focus()
    page.keyboard.press("Delete")
    expect(by).to_have_count(0)

    # Something else that moves: an action, and something in the air.
    moves.get_by_label("Something else that moves").click()
    page.get_by_role("option").nth(1).click()
    moves.get_by_label("What it does").click()
    page.get_by_role("option", name="shrug").click()
    expect(moves.get_by_role("listitem").filter(has_text="shrug")).to_be_visible()
    moves.get_by_label("Something else that moves").click()
    page.get_by_role("option", name="something in the air").click()
    moves.get_by_label("What it does").click()
    page.get_by_role("option", name="petals").click()
    expect(moves.get_by_label("How much petals")).to_be_visible()
    moves.get_by_role("button", name="no petals").click()
    expect(moves.get_by_label("How much petals")).to_have_count(0)

    plays_in_place(page)

    # The words make another path, and all of it can be taken back.
    page.get_by_label("Say how the camera moves").fill("pull back, then drift left")
    page.get_by_label("Say how the camera moves").press("Enter")
    moves.get_by_role("button", name="as proposed again").click()
    expect(words.get_by_text(re.compile("pull back .*then drift left"))).to_be_visible()
    no_barriers(page, "the desk for movement")


def plays_in_place(page: Page) -> None:
    page.get_by_role("button", name="Play this shot").click()
    screen = page.get_by_role("img", name=re.compile("playing$"))
    expect(screen).to_have_css("background-image", re.compile("frames"))
    places = set()
    for _ in range(12):
        places.add(screen.evaluate("e => e.style.backgroundPosition"))
        page.wait_for_timeout(60)
    assert len(places) > 3
    page.get_by_role("button", name="Stop").click()
    expect(screen).to_have_count(0)


@pytest.mark.long
def test_a_clip_is_brought_and_fitted_to_its_words(page: Page) -> None:
    new_film(page, "A clip", STORY.replace("ladder", "kettle"))
    go(page, "Bench")
    make(page, 1)
    page.get_by_role("tab", name="Movement").click()
    page.get_by_label(re.compile("^Bring a clip for shot")).set_input_files(
        {"name": "crossing.mp4", "mimeType": "video/mp4", "buffer": clip_of(2.5)}
    )
    page.get_by_role("tab", name="Takes").click()
    takes = page.get_by_role("list", name="All takes")
    expect(takes.get_by_role("listitem")).to_have_count(2)
    page.get_by_role("button", name="Circle take 2").click()
    page.get_by_role("tab", name="Movement").click()
    fit = page.get_by_label("How the clip fills the shot")
    expect(fit).to_be_visible()
    fit.click()
    page.get_by_role("option", name="back and forth").click()
    expect(page.get_by_text("it goes back and forth")).to_be_visible()
    page.get_by_role("button", name="fitted by rule again").click()
    expect(page.get_by_text("it goes back and forth")).to_have_count(0)


def test_the_shots_that_gain_most_are_chosen_for_clips(page: Page) -> None:
    story = " ".join(
        f"Dot ran over the hill with the {thing}, and Hobb climbed after her."
        for thing in ("basket", "rope", "lamp", "hat", "box", "bell")
    )
    new_film(page, "Worth", story)
    go(page, "Bench")
    page.get_by_role("tab", name="Light table").click()
    clips = page.get_by_role("region", name="As clips")
    expect(clips.get_by_text("left today")).to_be_visible()
    page.get_by_label("Choose shot 1", exact=True).check()
    make(page, 1)
    page.get_by_label("Choose shot 1", exact=True).check()
    expect(clips.get_by_text("the opening")).to_be_visible()
    expect(clips.get_by_role("button", name=re.compile("^Make a clip"))).to_contain_text("0.")


@pytest.mark.long
def test_a_part_of_a_brought_picture_is_painted_and_moves(page: Page, tmp_path) -> None:
    new_film(page, "Regions", STORY.replace("ladder", "kite"))
    go(page, "Bench")
    image = Image.fromarray(np.random.default_rng(2).integers(60, 200, (36, 64, 3), np.uint8))
    image.resize((1280, 720), Image.Resampling.BICUBIC).save(tmp_path / "shot 1.png")
    page.get_by_label("Picture file", exact=True).set_input_files(tmp_path / "shot 1.png")
    expect(page.get_by_role("img", name=re.compile("^Take 1")).first).to_be_visible()
    page.get_by_role("tab", name="Movement").click()
    page.get_by_role("button", name="Mark a part that moves").click()
    desk = page.get_by_role("region", name="Mark a part that moves")
    canvas = desk.get_by_role("application", name="Picture to mark on")
    box = canvas.bounding_box()
    page.mouse.move(box["x"] + 0.3 * box["width"], box["y"] + 0.3 * box["height"])
    page.mouse.down()
    page.mouse.move(box["x"] + 0.6 * box["width"], box["y"] + 0.5 * box["height"], steps=6)
    page.mouse.up()
    expect(desk.get_by_role("status")).to_contain_text("% marked")
    desk.get_by_label("How it moves").click()
    page.get_by_role("option", name="swings").click()
    desk.get_by_label("What it is called").fill("the kite")
    no_barriers(page, "marking")
    desk.get_by_role("button", name="Let it move").click()

    moves = page.get_by_role("region", name="What moves")
    expect(moves.get_by_text("the kite")).to_be_visible()
    pin = page.get_by_role("button", name="The pin of the kite")
    strip = page.get_by_role("img", name=re.compile("^Six frames of shot"))
    before = strip.get_attribute("src")
    pin.focus()
    page.keyboard.press("ArrowUp")
    expect(strip).not_to_have_attribute("src", before)
    page.get_by_role("button", name="Ground below a horizon").click()
    expect(page.get_by_role("slider", name="The horizon")).to_be_visible()
    moves.get_by_role("button", name="the kite stands still").click()
    expect(pin).to_have_count(0)
    page.keyboard.press("Control+z")
    expect(pin).to_be_visible()
