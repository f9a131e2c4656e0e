"""From a pasted story to a downloaded film, by mouse and by keys, the way a maker would."""

import json
import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.steps import go, new_film, no_barriers
from tests.conftest import run

pytestmark = pytest.mark.browser


def edges(page: Page) -> list[str]:
    return [m.get_attribute("data-mark") or "" for m in page.locator("[data-mark]").all()]


def test_from_pasted_text_to_a_downloaded_film(page: Page, tmp_path: Path) -> None:
    new_film(page, "The ladder")
    go(page, "Sheet")
    expect(page.locator("[data-shot]")).not_to_have_count(0)
    expect(page.get_by_text("no picture yet").first).to_be_visible()
    page.get_by_role("button", name=re.compile("^Make what is missing")).click()
    expect(page.get_by_text("Pictures, voices and sound are all made.")).to_be_visible(
        timeout=300_000
    )
    expect(page.get_by_text("no picture yet")).to_have_count(0)
    page.get_by_role("button", name="Play", exact=True).click()
    page.wait_for_function(
        "() => { const v = document.querySelector('video'); return v && v.currentTime > 1.2 && v.videoWidth === 640; }",
        timeout=300_000,
    )
    page.get_by_role("button", name="Stop").click()
    assert page.get_by_label("Time under the playhead").inner_text() != "00:00:00"
    go(page, "Delivery")
    page.get_by_label("Size", exact=True).click()
    page.get_by_role("option", name="360p, to look at").click()
    page.get_by_role("button", name=re.compile("^Make the film")).click()
    link = page.get_by_role("link", name="Download the film")
    expect(link).to_be_visible(timeout=300_000)
    with page.expect_download() as download:
        link.click()
    path = tmp_path / "film.mp4"
    download.value.save_as(path)
    assert download.value.suggested_filename == "The ladder.mp4"
    strict = run("ffmpeg", "-v", "warning", "-xerror", "-i", str(path), "-f", "null", "-")
    assert (strict.returncode, strict.stderr) == (0, "")
    expect(page.get_by_text("LUFS").last).to_be_visible()
    before = page.get_by_role("region", name="Report", exact=True)
    expect(before.get_by_role("status")).to_contain_text("figures")
    with page.expect_download() as download:
        page.get_by_role("link", name="on paper").click()
    assert Path(download.value.path()).read_bytes().startswith(b"%PDF-")
    with page.expect_download() as download:
        page.get_by_role("link", name="report").click()
    assert json.loads(Path(download.value.path()).read_text())["loudness"][
        "integrated_lufs"
    ] == pytest.approx(-14, abs=0.5)


def test_cut_marks_by_mouse_and_keys_with_undo(page: Page) -> None:
    new_film(page, "Marks")
    before = edges(page)
    gap = page.locator("[data-gap]").nth(1)
    gap.click()
    expect(page.locator("[data-mark='1A']")).to_be_visible()
    page.get_by_role("button", name="Undo: set cut mark 1A").click()
    expect(page.locator("[data-mark='1A']")).to_have_count(0)
    assert edges(page) == before
    page.locator("[data-word='0']").click()
    page.keyboard.press("ArrowRight")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    expect(page.locator("[data-mark='1B']")).to_be_visible()
    page.keyboard.press("Alt+ArrowRight")
    expect(page.locator("[data-opens='3']")).to_have_attribute("data-mark", "1B")
    page.keyboard.press("Backspace")
    expect(page.locator("[data-mark='1B']")).to_have_count(0)
    page.keyboard.press("Control+z")
    expect(page.locator("[data-mark='1B']")).to_be_visible()
    page.keyboard.press("Control+Shift+z")
    expect(page.locator("[data-mark='1B']")).to_have_count(0)


def test_a_mark_is_dragged_along(page: Page) -> None:
    new_film(page, "Drag")
    mark = page.locator("[data-mark]").first
    edge = mark.get_attribute("data-mark")
    at = int(mark.get_attribute("data-opens") or 0)
    start, target = mark.bounding_box(), page.locator(f"[data-word='{at + 1}']").bounding_box()
    assert start and target
    page.mouse.move(start["x"] + 3, start["y"] + 8)
    page.mouse.down()
    page.mouse.move(target["x"] + 2, target["y"] + 10, steps=6)
    page.mouse.up()
    expect(page.locator(f"[data-mark='{edge}']")).to_have_attribute("data-opens", str(at + 1))


def test_words_are_edited_in_place_and_survive_a_reload(page: Page) -> None:
    new_film(page, "Edit")
    page.get_by_text("ladder", exact=True).first.dblclick()
    field = page.get_by_label("Words of the paragraph")
    field.fill(field.input_value().replace("leaned", "stood crooked"))
    page.keyboard.press("Control+Enter")
    expect(page.get_by_role("article", name="Manuscript")).to_contain_text("stood crooked")
    page.reload()
    expect(page.get_by_role("article", name="Manuscript")).to_contain_text("stood crooked")
    page.get_by_role("button", name="Undo: edit words").click()
    expect(page.get_by_role("article", name="Manuscript")).to_contain_text("leaned")


def test_cutting_again_shows_the_new_cut_first(page: Page) -> None:
    new_film(page, "Again")
    page.get_by_role("radio", name="exactly").click()
    page.get_by_label("Number of shots").fill("9")
    page.get_by_role("button", name="Show beside this cut").click()
    expect(page.get_by_text("new cut, 9")).to_be_visible()
    assert len(edges(page)) + 1 != 9
    page.get_by_role("button", name="Take the new cut").click()
    expect(page.get_by_text("this cut, 9")).to_be_visible()


def test_traits_say_what_they_would_change_and_go_into_every_prompt(page: Page) -> None:
    new_film(page, "Traits")
    go(page, "Continuity")
    page.get_by_role("button", name=re.compile("^D Dot|Dot")).first.click()
    page.get_by_label("Trait: clothes").fill("bright red coat")
    panel = page.get_by_role("region", name="Before you decide")
    expect(panel).to_contain_text(re.compile(r"\d prompts? change"))
    panel.get_by_role("button", name="Change only").click()
    go(page, "Sheet")
    page.locator("[data-shot]").nth(1).click()
    expect(page.get_by_role("region", name="Picture prompt")).to_contain_text("bright red coat")


def test_the_look_and_places_are_chosen(page: Page) -> None:
    new_film(page, "Look")
    go(page, "Continuity")
    page.get_by_role("tab", name="Look").click()
    page.get_by_role("button", name=re.compile("^Ink and wash")).click()
    page.get_by_role("button", name="Take it for the film").click()
    page.get_by_role("region", name="Before you decide").get_by_role(
        "button", name="Change only"
    ).click()
    expect(page.get_by_role("button", name="This film's look")).to_be_disabled()
    page.get_by_role("tab", name="Places").click()
    page.get_by_role("button", name=re.compile("^The road")).click()
    page.get_by_label("Description of The road").fill("a muddy road between hedges")
    page.keyboard.press("Enter")
    page.get_by_role("region", name="Before you decide").get_by_role(
        "button", name="Change only"
    ).click()
    go(page, "Sheet")
    page.locator("[data-shot]").last.click()
    expect(page.get_by_role("region", name="Picture prompt")).to_contain_text("muddy road")
    expect(page.get_by_role("region", name="Picture prompt")).to_contain_text("ink and wash")


def test_takes_are_made_circled_and_brought(page: Page, tmp_path: Path) -> None:
    new_film(page, "Takes")
    go(page, "Sheet")
    page.get_by_role("button", name=re.compile("^Make 2")).click()
    takes = page.get_by_role("region", name="Takes")
    second = takes.get_by_role("button", name="Circle take 2")
    expect(second).to_be_visible()
    second.click()
    expect(second).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("Shift+Digit1")
    expect(takes.get_by_role("button", name="Circle take 1")).to_have_attribute(
        "aria-pressed", "true"
    )
    bad = tmp_path / "bad.png"
    bad.write_bytes(b"no picture")
    page.get_by_label("Picture file", exact=True).set_input_files(bad)
    expect(page.get_by_role("status")).to_contain_text("not a picture")
    from PIL import Image

    good = tmp_path / "own.png"
    Image.new("RGB", (800, 600), (120, 40, 30)).save(good)
    page.get_by_label("Picture file", exact=True).set_input_files(good)
    expect(takes.get_by_role("button", name="Circle take 3")).to_be_visible()


def test_a_prompt_is_edited_by_hand_and_composed_again(page: Page) -> None:
    new_film(page, "Prompt")
    go(page, "Sheet")
    box = page.get_by_role("region", name="Picture prompt")
    box.get_by_role("button", name="Edit the picture prompt").click()
    page.get_by_role("textbox", name="Picture prompt").fill(
        "Wide shot. a fox on a ladder. a meadow. day. stick figures"
    )
    page.keyboard.press("Control+Enter")
    expect(box).to_contain_text("a fox on a ladder")
    box.get_by_role("button", name="compose it again").click()
    expect(box).to_contain_text("layered cut paper")


def test_a_sound_that_does_not_fit_is_lifted_and_brought_back(page: Page) -> None:
    new_film(
        page,
        "Sounds",
        "# The jetty — dusk, wind\n\nThe bell rang over the water, and Dot rowed home.\n",
    )
    go(page, "Sheet")
    bell = page.get_by_role("button", name="Sound: a church bell rings")
    bell.click()
    desk = page.get_by_role("dialog", name="a church bell rings")
    expect(desk).to_contain_text("“rang”")
    desk.get_by_role("button", name="more: frames later").click()
    expect(desk).to_contain_text("2 frames later")
    desk.get_by_role("group", name="decibels louder").get_by_role("button").last.press("ArrowUp")
    expect(desk).to_contain_text("+1.5 dB")
    desk.get_by_role("button", name="As proposed").click()
    expect(desk).to_contain_text("with its word")
    desk.get_by_role("button", name="Throw it out").click()
    expect(bell).to_have_count(0)
    page.get_by_role("button", name="Undo: lift a sound").click()
    expect(bell).to_be_visible()
    ambience = page.get_by_role("button", name=re.compile("^Ambience"))
    ambience.click()
    page.get_by_role("button", name="Throw it out").click()
    expect(ambience).to_have_count(0)


def test_keys_lamp_and_names(page: Page) -> None:
    new_film(page, "Keys")
    page.locator("[data-word='0']").click()
    page.keyboard.press("?")
    expect(page.get_by_role("dialog", name="Keys")).to_be_visible()
    page.keyboard.press("Escape")
    page.keyboard.press("3")
    expect(page).to_have_url(re.compile("/sheet$"))
    page.get_by_role("button", name="Lamp off").click()
    assert page.evaluate("document.documentElement.dataset.lamp") == "dim"
    page.reload()
    assert page.evaluate("document.documentElement.dataset.lamp") == "dim"
    page.get_by_label("Name of the film").fill("Renamed")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="Undo: rename the film")).to_be_visible()


def test_a_file_is_opened_and_a_wrong_one_refused(page: Page, tmp_path: Path) -> None:
    page.goto("/")
    story = tmp_path / "A walk.txt"
    story.write_text("They walked home.")
    page.get_by_label("Story file").set_input_files(story)
    expect(page.get_by_role("textbox", name="Name", exact=True)).to_have_value("A walk")
    wrong = tmp_path / "x.txt"
    wrong.write_bytes(b"\x00\x01" * 40)
    page.get_by_label("Story file").set_input_files(wrong)
    expect(page.get_by_role("status")).to_contain_text("not text")


def test_a_clash_with_another_tab_is_said_and_nothing_is_lost(page: Page, stack) -> None:
    from cutreel.core.film import Change
    from cutreel.core.film.commands import Rename

    new_film(page, "Clash")
    film = page.url.split("/film/")[1].split("/")[0]
    page.route("**/events", lambda route: route.abort())
    stack.shop.films.change(
        film,
        Change(
            revision=stack.shop.films.get(film).revision, command=Rename(title="From elsewhere")
        ),
    )
    expect(page.get_by_label("Name of the film")).to_have_value("From elsewhere")


@pytest.mark.long
@pytest.mark.parametrize("lamp", ["light", "dim"])
def test_access(page: Page, lamp: str) -> None:
    page.add_init_script(f"localStorage.setItem('lamp', '{lamp}')")
    new_film(page, "Access")
    for view in ("Script", "Continuity", "Sheet", "Delivery"):
        go(page, view)
        no_barriers(page, view)
    page.goto("/")
    expect(page.get_by_role("form", name="New film")).to_be_visible()
    no_barriers(page, "shelf")
