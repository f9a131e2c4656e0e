"""Continuity by mouse and keys: outfits by scene, drift in words, prompts taken out and pictures brought back."""

import io
import re
import zipfile
from pathlib import Path

import pytest
from PIL import Image
from playwright.sync_api import Page, expect

from tests.browser.steps import go, new_film

pytestmark = pytest.mark.browser


def test_an_outfit_makes_its_scene_stale_and_making_it_again_ends_the_drift(page: Page) -> None:
    new_film(page, "Outfits")
    go(page, "Sheet")
    page.get_by_role("button", name=re.compile("^Make what is missing")).click()
    expect(page.get_by_text("Pictures, voices and sound are all made.")).to_be_visible(timeout=120_000)
    go(page, "Continuity")
    expect(page.get_by_text("100 % of traits said")).to_be_visible()
    page.get_by_role("button", name=re.compile("^.?Hobb")).first.click()
    page.get_by_role("button", name="add an outfit").click()
    page.get_by_label("What outfit is").fill("long white raincoat")
    page.get_by_role("button", name="outfit in scene 2").click()
    expect(page.get_by_text(re.compile(r"\d prompts? changes?\."))).to_be_visible()
    page.get_by_role("button", name="Change only").click()
    drift = page.get_by_role("button", name=re.compile("^drift 1"))
    expect(drift).to_have_count(1)
    assert "long white raincoat" in (drift.get_attribute("title") or "")
    go(page, "Sheet")
    stale = page.get_by_text("stale: prompt changed")
    expect(stale).not_to_have_count(0)
    page.get_by_role("button", name=re.compile("^Make what is missing")).click()
    expect(stale).to_have_count(0, timeout=60_000)
    go(page, "Continuity")
    expect(page.get_by_role("button", name=re.compile("^drift"))).to_have_count(0)
    expect(page.get_by_text("100 % of traits said")).to_be_visible()


def test_prompts_go_out_and_pictures_come_back(page: Page, tmp_path: Path) -> None:
    new_film(page, "Outside")
    go(page, "Sheet")
    page.get_by_role("radio", name="Motion").click()
    expect(page.get_by_role("region", name="Motion prompt")).to_contain_text(re.compile("push|pull|pan|tilt"))
    page.get_by_role("button", name="Edit the motion prompt").click()
    page.get_by_role("textbox", name="Motion prompt").fill("tilt up along the ladder")
    page.keyboard.press("Control+Enter")
    expect(page.get_by_role("button", name="compose it again")).to_be_visible()
    expect(page.get_by_label("Move", exact=True)).to_contain_text("tilt up")
    go(page, "Delivery")
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
