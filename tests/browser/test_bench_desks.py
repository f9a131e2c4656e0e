"""Takes put right by hand: cut out and laid in, framed, composed after a sketch, in another look; pictures dropped."""

import base64
import io
import re

import pytest
from PIL import Image, ImageDraw
from playwright.sync_api import Locator, Page, expect

from tests.browser.steps import STORY, go, make, new_film, no_barriers

pytestmark = pytest.mark.browser


def bench(page: Page, title: str) -> Locator:
    """A film whose first shot has one take; its list of takes. Its story is its own: what one film has had made costs
    another nothing."""
    new_film(page, title, STORY.replace("ladder", "barrel"))
    go(page, "Bench")
    make(page, 1)
    takes = page.get_by_role("list", name="All takes")
    expect(takes.get_by_role("listitem")).to_have_count(1)
    return takes


def desk(page: Page, take: int, item: str) -> None:
    page.get_by_role("button", name=f"More with take {take}").click()
    page.get_by_role("menuitem", name=re.compile(item)).click()


def picture(width: int, height: int) -> bytes:
    image = Image.effect_noise((width, height), 60).convert("RGB")
    ImageDraw.Draw(image).ellipse(
        (width // 3, height // 5, width * 2 // 3, height // 2), fill=(230, 190, 150)
    )
    out = io.BytesIO()
    image.save(out, "JPEG")
    return out.getvalue()


def media(page: Page, figure: str) -> Image.Image:
    """The picture of a take as the browser shows it."""
    source = page.get_by_role("figure", name=figure).get_by_role("img").get_attribute("src")
    return Image.open(io.BytesIO(page.request.get(source).body())).convert("RGB")


@pytest.mark.long
def test_somebody_is_cut_out_and_laid_into_another_shot(page: Page) -> None:
    bench(page, "Cut out")
    desk(page, 1, "Lay something in")
    expect(page.get_by_text("Nothing is cut out in this film yet.")).to_be_visible()
    page.get_by_role("button", name="Back").click()
    desk(page, 1, "Cut out")
    cut = page.get_by_role("region", name="Cut out of take 1")
    expect(cut.get_by_role("button", name="Cut it out")).to_be_disabled()
    cut.get_by_label("Mark somebody").click()
    page.get_by_role("option", name="Dot").click()
    expect(cut.get_by_role("status")).to_contain_text("% marked")
    expect(cut.get_by_label("Name of the cut-out")).to_have_value("Dot")
    cut.get_by_role("button", name="Cut it out").click()
    expect(page.get_by_text("Dot is cut out.")).to_be_visible()
    page.keyboard.press("ArrowDown")
    make(page, 1)
    before = media(page, "Take 1")
    desk(page, 1, "Lay something in")
    lay = page.get_by_role("region", name="Lay into take 1")
    stands = lay.get_by_label("Where Dot stands")
    box = stands.bounding_box()
    stands.focus()
    for key in ("Shift+ArrowLeft", "Shift+ArrowLeft", "-", "-"):
        page.keyboard.press(key)
    expect(lay.get_by_text("45 %")).to_be_visible()
    assert stands.bounding_box()["x"] < box["x"]
    page.mouse.move(box["x"] + box["width"] / 2 - 60, box["y"] + box["height"] - 10)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] / 2 - 120, box["y"] + box["height"] - 10, steps=4)
    page.mouse.up()
    lay.get_by_label("turned round").check()
    # What it would look like comes from the server before anything is kept.
    page.wait_for_function(
        "() => [...document.querySelectorAll('img[src*=\"/placed?\"]')].some((i) => i.complete && i.naturalWidth > 0)"
    )
    lay.get_by_role("button", name="Lay it in").click()
    expect(page.get_by_text("Dot laid into take 1.")).to_be_visible()
    after = media(page, "Take 2")
    assert after.size == before.size
    # Far from the figure every pixel is the very same.
    right = (after.width * 3 // 4, 0, after.width, after.height)
    assert (
        after.crop(right).tobytes() == before.crop(right).tobytes()
        and after.tobytes() != before.tobytes()
    )
    desk(page, 2, "Lay something in")
    page.get_by_role("button", name="Drop the cut-out Dot").click()
    expect(page.get_by_text("Nothing is cut out in this film yet.")).to_be_visible()


def test_a_tall_picture_is_cropped_or_its_edges_are_continued(page: Page) -> None:
    new_film(page, "Framed")
    go(page, "Bench")
    tall = {"name": "tall.jpg", "mimeType": "image/jpeg", "buffer": picture(900, 1200)}
    page.get_by_label("Picture file", exact=True).set_input_files(tall)
    expect(page.get_by_role("figure", name="Take 1")).to_contain_text("taller than the film")
    page.get_by_role("figure", name="Take 1").get_by_role(
        "button", name="Crop or continue its edges"
    ).click()
    frame = page.get_by_role("region", name="Frame take 1")
    expect(frame.get_by_role("status")).to_have_text("900×506 pixels")
    frame.get_by_label("What the frame holds").focus()
    page.keyboard.press("-")
    page.keyboard.press("Shift+ArrowUp")
    expect(frame.get_by_role("status")).to_have_text("857×482 pixels")
    frame.get_by_role("button", name="Crop to this").click()
    expect(page.get_by_role("figure", name="Take 2")).to_contain_text("Framed anew from take 1.")
    assert media(page, "Take 2").size == (857, 482)
    desk(page, 1, "Crop or continue")
    frame.get_by_role("button", name="All of it, edges continued").click()
    expect(frame.get_by_role("status")).to_contain_text("beyond the picture")
    frame.get_by_role("button", name="Continue the edges").click()
    third = page.get_by_role("figure", name="Take 3")
    expect(third).to_contain_text("Framed anew")
    expect(third).not_to_contain_text("taller than the film")
    assert media(page, "Take 3").size == (2133, 1200)


@pytest.mark.long
def test_takes_follow_a_sketch(page: Page) -> None:
    takes = bench(page, "Composed")
    desk(page, 1, "Compose after a sketch")
    compose = page.get_by_role("region", name="Compose take 1")
    ask = compose.get_by_role("button", name=re.compile("after this"))
    expect(ask).to_be_disabled()
    paper = compose.get_by_label("Sketch", exact=True)
    box = paper.bounding_box()
    page.mouse.move(box["x"] + box["width"] * 0.1, box["y"] + box["height"] * 0.3)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] * 0.25, box["y"] + box["height"] * 0.9, steps=4)
    page.mouse.up()
    compose.get_by_label("What it stands for").click()
    page.get_by_role("option", name="ground").click()
    paper.focus()
    for key in ("ArrowDown", "Shift+ArrowDown", "Enter"):
        page.keyboard.press(key)
    compose.get_by_role("button", name="Undo the last shape").click()
    compose.get_by_label("How strictly the sketch is followed").fill("100")
    ask.click()
    expect(takes.get_by_role("listitem")).to_have_count(3)
    expect(page.get_by_text("Composed after a sketch from take 1.")).to_have_count(2)


@pytest.mark.long
def test_a_picture_in_another_look_and_seeds_for_the_whole_film(page: Page) -> None:
    takes = bench(page, "Looks")
    desk(page, 1, "In another look")
    page.get_by_role("menuitem", name="Ink and wash").click()
    expect(takes.get_by_role("listitem")).to_have_count(2)
    expect(page.get_by_text("In another look: ink wash.")).to_be_visible()
    page.get_by_label("In which look").click()
    page.get_by_role("option", name="in Chalk on slate").click()
    page.get_by_label("For which shots").click()
    page.get_by_role("option", name="the whole film").click()
    make(page, 1)
    expect(takes.get_by_role("listitem")).to_have_count(3)
    expect(page.get_by_text("In another look: chalk")).to_be_visible()
    seeds = page.get_by_role("region", name="Seeds")
    seeds.get_by_label("Where seeds come from").click()
    page.get_by_role("option", name="one for the whole film").click()
    seeds.get_by_role("button", name="Change only").click()
    expect(seeds.get_by_label("Where seeds come from")).to_have_text("one for the whole film")
    expect(page.get_by_role("button", name=re.compile("^Undo"))).to_be_enabled()


DROP = """([files]) => {
  const dropped = new DataTransfer();
  for (const [name, base64] of files) dropped.items.add(new File([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], name));
  return dropped;
}"""


def test_pictures_are_dropped_one_for_the_shot_and_several_looked_over_first(page: Page) -> None:
    new_film(page, "Dropped")
    go(page, "Bench")
    content = base64.b64encode(picture(1280, 720)).decode()
    target = page.get_by_role("region", name="Make pictures")
    target.dispatch_event(
        "drop", {"dataTransfer": page.evaluate_handle(DROP, [[["one.jpg", content]]])}
    )
    expect(page.get_by_role("figure", name="Take 1")).to_contain_text("your own picture")
    several = [["shot 2.jpg", content], ["shot 3.jpg", content], ["notes.txt", content]]
    target.dispatch_event("drop", {"dataTransfer": page.evaluate_handle(DROP, [several])})
    review = page.get_by_role("dialog")
    expect(review).to_contain_text("2 pictures brought back")
    review.get_by_role("button", name="Place 2").click()
    page.get_by_role("tab", name="Light table").click()
    expect(page.get_by_text("3 of 3 shots have a picture")).to_be_visible()


@pytest.mark.long
def test_the_desks_are_accessible(page: Page) -> None:
    bench(page, "Desk")
    for item in ("Retouch", "Pose a figure", "Compose", "Cut out", "Crop or continue"):
        if item == "Retouch":
            page.get_by_role("button", name="Retouch").click()
        else:
            desk(page, 1, item)
        no_barriers(page, item)
        page.get_by_role("button", name="Leave it").click()


@pytest.mark.long
def test_shots_are_chosen_on_the_light_table_and_made_together(page: Page) -> None:
    new_film(page, "Chosen", STORY.replace("ladder", "basket"))
    go(page, "Bench")
    page.get_by_role("tab", name="Light table").click()
    page.get_by_label("Choose shot 1").check()
    page.get_by_label("Choose shot 3").click(modifiers=["Shift"])
    expect(page.get_by_label("For which shots")).to_have_text("the 3 chosen")
    page.get_by_label("Choose shot 2").uncheck()
    expect(page.get_by_label("For which shots")).to_have_text("the 2 chosen")
    make(page, 1)
    expect(page.get_by_text("2 of 3 shots have a picture")).to_be_visible()
    page.get_by_role("button", name="none", exact=True).click()
    expect(page.get_by_label("For which shots")).to_have_text("shot 1")
