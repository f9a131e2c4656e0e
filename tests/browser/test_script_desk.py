"""The script desk by mouse and keys: from an idea or a table, words reworked, scenes moved, cuts remedied."""

import re
import time
from pathlib import Path

import pytest
from playwright.sync_api import Page, Route, expect

from tests.browser.steps import STORY, go, new_film, no_barriers
from tests.conftest import STORY as LAMP

pytestmark = pytest.mark.browser


def desk(page: Page, name: str) -> None:
    page.get_by_role("tab", name=name, exact=True).click()


def words(page: Page) -> str:
    return " ".join(
        page.get_by_role("article", name="Manuscript").locator("[data-word]").all_inner_texts()
    )


def test_from_an_idea_to_shots(page: Page) -> None:
    page.goto("/")
    page.get_by_role("tab", name="from an idea").click()
    page.get_by_role("textbox", name="Idea").fill("a clockmaker called Edda who loses an hour")
    page.get_by_role("textbox", name="Key points").fill("The tower has no door")
    page.get_by_label("Minutes").fill("1")
    page.get_by_role("button", name="Ten titles").click()
    expect(page.get_by_label("Titles").get_by_role("button")).to_have_count(10)
    chosen = page.get_by_label("Titles").get_by_role("button").nth(3)
    title = chosen.inner_text()
    chosen.click()
    page.get_by_role("button", name="Storylines").click()
    expect(page.get_by_label("Storylines").get_by_role("button")).to_have_count(5)
    page.get_by_label("Storylines").get_by_role("button").nth(1).click()
    page.get_by_role("button", name="Write the manuscript").click()
    story = page.get_by_role("textbox", name=re.compile("^Story"))
    expect(story).to_have_value(re.compile("Edda"))
    expect(page.get_by_role("textbox", name="Name", exact=True)).to_have_value(title)
    page.get_by_role("button", name="Cut it into shots").click()
    expect(page.get_by_role("article", name="Manuscript")).to_be_visible()
    expect(page.get_by_text("Mood:").first).to_be_visible()
    expect(page.get_by_role("heading", name=re.compile("^Scene 2"))).to_be_attached()


def test_a_table_is_opened_and_its_columns_are_said(page: Page, tmp_path: Path) -> None:
    table = tmp_path / "shots.csv"
    table.write_text("Nr;Wer;Worte;Bild\n1;;The lamp was dark that night.;a dark lamp\n2;Pip;Is it out?;a boy\n"
                     "3;;Nobody answered him at all.;water\n4;Pip;Then row.;boat;one too many\n", encoding="cp1252")  # fmt: skip
    page.goto("/")
    page.get_by_label("Story file").set_input_files(str(table))
    expect(page.get_by_text("Columns of the table")).to_be_visible()
    expect(page.get_by_text("it holds the longest sentences")).to_be_visible()
    expect(page.get_by_text("Line 5 has 5 fields where 4 belong")).to_be_visible()
    page.get_by_label("Column 4").click()
    page.get_by_role("option", name="picture prompt").click()
    page.get_by_role("button", name="Take 3 rows").click()
    page.get_by_role("button", name="Make it a film").click()
    expect(page.locator("[data-mark]")).to_have_count(2)
    go(page, "Sheet")
    expect(page.get_by_label("Picture prompt").get_by_text("a dark lamp")).to_be_visible()


def test_find_and_replace_leaves_what_is_clicked(page: Page) -> None:
    new_film(page, "Replace")
    desk(page, "Words")
    page.get_by_label("Find", exact=True).fill("ladder")
    page.get_by_label("Replace by").fill("piano")
    places = page.get_by_role("list", name="Places").get_by_role("button")
    expect(places).to_have_count(2)
    places.first.click()
    page.get_by_role("button", name="Replace 1").click()
    expect(page.get_by_role("button", name="Undo: replace “ladder”")).to_be_visible()
    assert "ladder leaned" in words(page) and "about the piano" in words(page)


def test_a_passage_is_reworked_and_taken_in_part(page: Page) -> None:
    new_film(page, "Rework", LAMP)
    desk(page, "Words")
    page.get_by_label("How", exact=True).click()
    page.get_by_role("option", name="As I say").click()
    page.get_by_label("What", exact=True).click()
    page.get_by_role("option", name="the whole film").click()
    page.get_by_label("Instruction").fill("make the ending more dramatic")
    page.get_by_role("button", name="Show how it would read").click()
    expect(page.get_by_text(re.compile("Touches .* of the ending"))).to_be_visible()
    before = words(page)
    changes = page.get_by_label("Rework").get_by_role("button", name=re.compile("^Taken"))
    count = changes.count()
    assert count >= 2
    changes.first.click()
    page.get_by_role("button", name=f"Take {count - 1} of {count}").click()
    expect(page.get_by_role("button", name="Undo: rework: as i say")).to_be_visible()
    desk(page, "Versions")
    page.get_by_role("button", name="– the film as it was first").click()
    expect(page.get_by_label("What changed").locator("ins")).not_to_have_count(0)
    page.get_by_role("button", name="Go back to the first").click()
    expect(page.get_by_role("button", name="Undo: go back to version 0")).to_be_visible()
    assert words(page) == before


def test_a_scene_is_set_aside_and_comes_back(page: Page) -> None:
    new_film(page, "Aside")
    before = words(page)
    heading = page.get_by_role("heading", name=re.compile("^Scene 1 The yard"))
    heading.hover()
    page.get_by_role("button", name="Set scene 1 aside").click()
    expect(page.get_by_role("button", name="Undo: set The yard aside")).to_be_visible()
    expect(heading).to_have_count(0)
    assert words(page).startswith("Hobb carried")
    desk(page, "Versions")
    kept = page.get_by_label("Set aside", exact=True)
    expect(kept).to_contain_text("The yard")
    no_barriers(page, "a scene that is set aside")
    kept.get_by_role("button", name="Bring The yard back").click()
    expect(heading).to_be_visible()
    expect(kept).to_have_count(0)
    assert words(page) == before


def test_scenes_are_moved_by_keys_and_by_drag_and_keep_what_was_set(page: Page) -> None:
    new_film(page, "Scenes")
    page.locator("[data-word='0']").click()
    desk(page, "Shot")
    page.get_by_role("radio", name="for its scene").click()
    page.get_by_label("Time", exact=True).click()
    page.get_by_role("option", name="night").click()
    expect(page.get_by_text("set for the scene")).to_be_visible()
    page.get_by_role("heading", name=re.compile("^Scene 1")).focus()
    page.keyboard.press("Alt+ArrowDown")
    expect(page.get_by_role("button", name="Undo: move scene The yard")).to_be_visible()
    expect(page.get_by_role("heading", name=re.compile("^Scene 2 The yard"))).to_be_visible()
    assert words(page).startswith("Hobb carried")
    page.get_by_role("heading", name=re.compile("^Scene 2 The yard")).drag_to(
        page.get_by_role("heading", name=re.compile("^Scene 1 The road"))
    )
    expect(page.get_by_role("heading", name=re.compile("^Scene 1 The yard"))).to_be_visible()
    page.locator("[data-word='0']").click()
    expect(page.get_by_role("button", name="Lift time")).to_be_visible()
    go(page, "Sheet")
    expect(page.get_by_text("night, clear").first).to_be_visible()


def test_holds_and_one_picture_seen_twice(page: Page) -> None:
    new_film(page, "Holds", LAMP)
    page.locator("[data-word='3']").click()
    page.keyboard.press("s")
    page.get_by_role("button", name="See its picture twice").click()
    expect(page.locator("[data-mark='1A']")).to_be_visible()
    page.locator("[data-word='3']").click()
    page.get_by_role("button", name="Add a hold behind it").click()
    hold = page.get_by_title("Hold 1B: a picture without words. Click to see it")
    expect(hold).to_be_visible()
    hold.click()
    seconds = page.get_by_label("Seconds of hold")
    seconds.fill("3.5")
    seconds.press("Enter")
    expect(page.get_by_title(re.compile("^Hold 1B"))).to_contain_text("3.5 s")
    go(page, "Sheet")
    expect(page.get_by_text("a hold, without words")).to_be_visible()
    expect(page.locator("[data-shot]").nth(2).get_by_text("as shot 1")).to_be_visible()


def test_a_remark_is_remedied_by_one_key(page: Page) -> None:
    new_film(page, "Remarks", "Hobb carried the ladder back over the hill. Dot slept. Oh no. " * 3)
    desk(page, "Pace")
    for word in (13, 14):
        page.locator(f"[data-word='{word}']").click()
        page.keyboard.press("Enter")
    remark = page.get_by_text(re.compile("is a scrap")).first
    expect(remark).to_be_visible()
    edge = remark.inner_text().split(" ")[0]
    page.locator(f"[data-mark='{edge}'] ~ [data-word]").first.click()
    page.keyboard.press("r")
    expect(page.locator(f"[data-mark='{edge}']")).to_have_count(0)


def test_somebody_is_renamed_everywhere_with_every_place_shown(page: Page) -> None:
    new_film(page, "Rename", LAMP)
    go(page, "Continuity")
    page.get_by_role("button", name=re.compile("Pip")).first.click()
    name = page.get_by_label("Name", exact=True)
    name.click()
    name.fill("Tam")
    name.press("Enter")
    places = page.get_by_label("Rename everywhere").get_by_role("list").get_by_role("button")
    expect(places).to_have_count(LAMP.count("Pip"))
    page.get_by_role("button", name=re.compile("^Rename in")).click()
    expect(page.get_by_role("button", name="Undo: rename Pip to Tam")).to_be_visible()
    go(page, "Script")
    manuscript = page.get_by_role("article", name="Manuscript")
    expect(manuscript).to_contain_text("Tam")
    expect(manuscript).not_to_contain_text("Pip")
    assert "said Tam" in words(page)


def test_a_reference_is_measured_and_the_film_says_how_close_it_is(page: Page) -> None:
    new_film(page, "Reference", LAMP)
    reference = page.get_by_label("Reference", exact=True)
    reference.get_by_role("button", name="Paste one").click()
    page.get_by_label("Reference script").fill(
        "He ran. She ran. But they fell. The dog sat down. " * 20
    )
    page.get_by_role("button", name="Measure its pace").click()
    expect(reference.get_by_text("shot lengths", exact=True)).to_be_visible()
    expect(reference.get_by_text(re.compile(r"^\d+ %$"))).to_have_count(4)
    page.get_by_role("button", name="Show beside this cut").click()
    expect(page.get_by_text(re.compile(r"^new cut, \d+"))).to_be_visible()
    page.get_by_role("button", name="Take the new cut").click()
    expect(page.get_by_role("button", name="Undo: cut again by pace")).to_be_visible()


def test_a_source_is_kept_with_marked_words_and_listed_at_delivery(page: Page) -> None:
    new_film(page, "Sources")
    desk(page, "Words")
    page.evaluate(
        """() => { const from = document.querySelector('[data-word="1"]'), to = document.querySelector('[data-word="4"]');
        getSelection().setBaseAndExtent(from.firstChild, 0, to.firstChild, 2); }"""
    )
    # The marked words are what a rework is asked for, and all that it touches.
    rework = page.get_by_role("region", name="Rework")
    expect(page.get_by_label("What", exact=True)).to_have_text("4 marked words")
    page.get_by_label("How", exact=True).click()
    page.get_by_role("option", name="Lengthen").click()
    page.get_by_role("button", name="Show how it would read").click()
    expect(rework.get_by_text("Touches 1 paragraph of the passage (1 in all)")).to_be_visible()
    expect(rework.locator("ins")).to_have_count(1)
    page.get_by_role("button", name="Leave it").click()
    page.get_by_label("Link or note").fill("https://example.org/ladders")
    page.get_by_role("button", name="Keep").click()
    expect(page.get_by_role("link", name="https://example.org/ladders")).to_be_visible()
    with page.expect_download() as download:
        page.get_by_role("link", name=".fountain").click()
    assert ".The yard — day, clear" in Path(download.value.path()).read_text()
    go(page, "Delivery")
    expect(page.get_by_label("Sources").get_by_text("https://example.org/ladders")).to_be_visible()


def test_a_paragraph_becomes_something_else_by_a_key(page: Page) -> None:
    new_film(page, "Structure")
    page.locator("[data-word='0']").dblclick()
    field = page.get_by_label("Words of the paragraph")
    field.press("Alt+4")
    expect(field).to_have_value(re.compile(r"^\[The ladder"))
    field.press("Alt+2")
    expect(field).to_have_value(re.compile("^[A-Z]+: The ladder"))
    field.press("Alt+1")
    field.press("Control+Home")
    field.press("Control+End")
    field.press("ArrowDown")
    expect(page.get_by_label("Scene heading")).to_have_value(re.compile("^# The road"))
    page.keyboard.press("Escape")
    assert "The ladder leaned" in words(page)


@pytest.mark.long
def test_a_long_manuscript_stays_light_and_marks_show_at_once(page: Page) -> None:
    new_film(page, "Long", "\n\n".join(LAMP.replace("# ", f"# {i} ") for i in range(26)))
    page.locator("[data-word='20']").click()
    before = page.locator("[data-mark]").count()

    # The mark stands before the server has been asked: requests are held back.
    def late(route: Route) -> None:
        time.sleep(1.5)
        route.continue_()

    page.route("**/changes", late)
    page.keyboard.press("Enter")
    expect(page.locator("[data-mark]")).to_have_count(before + 1, timeout=1_000)
    expect(
        page.get_by_role("button", name=re.compile("^Undo: (set|lift) cut mark"))
    ).to_be_visible()
    page.unroute("**/changes")
    assert page.locator("[data-word]").count() < 1_500
    page.locator("[data-word='30']").dblclick()
    field = page.get_by_label("Words of the paragraph")
    field.press("End")
    field.type(" quick")
    expect(field).to_have_value(re.compile("quick$"))


@pytest.mark.long
def test_the_story_of_every_desk_is_open_to_everybody(page: Page) -> None:
    new_film(page, "Access", STORY)
    page.locator("[data-word='2']").click()
    for name in ("Pace", "Shot", "Words", "Versions"):
        desk(page, name)
        no_barriers(page, name)
    page.goto("/")
    page.get_by_role("tab", name="from an idea").click()
    no_barriers(page, "from an idea")
