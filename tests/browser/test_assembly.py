"""How a film is put together, on the Sheet: joins at their cuts, captions in a style, words on the screen."""

import io
import re

import numpy as np
import pytest
from PIL import Image
from playwright.sync_api import Browser, Page, expect

from cutreel.core.lettering import face_file
from tests.browser.steps import BOATHOUSE, film_made, new_film, no_barriers
from tests.waiting import until

pytestmark = pytest.mark.browser


@pytest.fixture(scope="module")
def joined_film(browser: Browser, address: str) -> str:
    return film_made(browser, address, "Runar", BOATHOUSE)


@pytest.fixture
def sheet(page: Page, joined_film: str) -> Page:
    page.goto(f"/film/{joined_film}/sheet")
    expect(page.get_by_role("button", name=re.compile("^Join before shot 2"))).to_be_visible()
    return page


def settings(page: Page) -> dict:
    film = re.search(r"/film/(\w+)", page.url)[1]
    return page.request.get(f"/api/films/{film}").json()["head"]["settings"]


@pytest.mark.long
def test_a_join_is_planned_changed_for_all_that_are_alike_and_planned_again(sheet: Page) -> None:
    turn = sheet.get_by_role("button", name=re.compile(r"^Join before shot \d+: dip$"))
    expect(turn).to_have_count(1)
    edge = re.search(r"shot (\d+)", turn.get_attribute("aria-label"))[1]
    turn.click()
    desk = sheet.get_by_role("dialog", name=f"Join before shot {edge}")
    expect(desk).to_contain_text("planned: a chapter begins")
    desk.get_by_role("combobox", name="Kind of join").click()
    sheet.get_by_role("option", name="along a pattern").click()
    desk.get_by_role("combobox", name="Pattern").click()
    sheet.get_by_role("option", name="torn paper").click()
    desk.get_by_role("button", name="more: seconds of the join").click()
    expect(desk).to_contain_text("set by hand")
    no_barriers(sheet, "a join")
    desk.get_by_role("button", name=re.compile("^All .* of the film")).click()
    sheet.keyboard.press("Escape")
    joins = sheet.get_by_role("button", name=re.compile("^Join before shot"))
    alike = sheet.get_by_role("button", name=re.compile("^Join before shot .*: torn paper$"))
    expect(alike).to_have_count(joins.count())
    sheet.keyboard.press("Control+z")
    expect(alike).to_have_count(1)
    alike.click()
    desk.get_by_role("button", name="As planned").click()
    expect(turn).to_have_count(1)


def test_captions_have_a_style_that_is_seen_at_once(sheet: Page) -> None:
    sheet.get_by_role("button", name="Captions of the whole film").click()
    desk = sheet.get_by_role("dialog", name="Captions of the whole film")
    seen = desk.get_by_role("img")
    expect(seen).to_be_visible()
    before = seen.get_attribute("src")
    desk.get_by_role("combobox", name="Style of captions").click()
    sheet.get_by_role("option", name="lantern").click()
    expect(seen).not_to_have_attribute("src", before)
    until(lambda: settings(sheet)["caption_style"]["colour"] == "#ffd23f")
    desk.get_by_role("button", name="more: size of captions").click()
    until(lambda: settings(sheet)["caption_style"]["size"] == pytest.approx(1.2))
    expect(desk.get_by_role("combobox", name="Style of captions")).to_contain_text("of your own")
    no_barriers(sheet, "captions")
    frame = sheet.request.get(seen.get_attribute("src"))
    pixels = np.asarray(Image.open(io.BytesIO(frame.body())).convert("RGB")).astype(int)
    low = pixels[pixels.shape[0] * 2 // 3 :]
    yellow = (low[..., 0] > 200) & (low[..., 1] > 160) & (low[..., 2] < 120)
    assert yellow.sum() > 100


def test_the_title_is_written_anew_and_taken_away(sheet: Page) -> None:
    sheet.get_by_role("button", name="Captions of the whole film").click()
    sheet.get_by_role("tab", name="Other words").click()
    sheet.get_by_role("combobox", name="Words on the screen besides captions").click()
    sheet.get_by_role("option", name="chapters too").click()
    sheet.keyboard.press("Escape")
    title = sheet.get_by_role("button", name="Title on the screen: Runar")
    expect(title).to_be_visible()
    title.click()
    desk = sheet.get_by_role("dialog", name="Title on the screen")
    desk.get_by_label("Words on the screen").fill("Runar\nand two lamps")
    desk.get_by_role("button", name="Write it").click()
    written = sheet.get_by_role("button", name="Title on the screen: Runar, and two lamps")
    expect(written).to_be_visible()
    no_barriers(sheet, "words on the screen")
    written.click()
    desk.get_by_role("button", name="Take it away").click()
    expect(sheet.get_by_role("button", name=re.compile("^Title on the screen"))).to_have_count(0)


def test_shots_are_chosen_by_words_and_set_together(sheet: Page) -> None:
    film = re.search(r"/film/(\w+)", sheet.url)[1]

    def moves() -> list[str]:
        opened = sheet.request.get(f"/api/films/{film}").json()
        told = {"state": opened["state"], "first": 0, "count": 60}
        shots = sheet.request.get(f"/api/films/{film}/shots", params=told).json()["shots"]
        return [s["move"] for s in shots]

    count = len(moves())
    sheet.get_by_role("button", name="Choose shots by words").click()
    desk = sheet.get_by_role("dialog", name="Choose shots")
    desk.get_by_label("Which shots").fill("all purple shots")
    expect(desk.get_by_role("status")).to_contain_text("Not understood: purple")
    desk.get_by_label("Which shots").fill("shorter than 60 seconds")
    expect(desk.get_by_role("status")).to_contain_text(f"{count} shots: shorter than 60 s")
    no_barriers(sheet, "choosing shots")
    desk.get_by_role("button", name=f"Choose {count} shots").click()
    bar = sheet.get_by_role("toolbar", name="Chosen shots")
    expect(bar).to_contain_text(f"{count} shots")
    sheet.locator("[data-shot='2']").click(modifiers=["Control"], position={"x": 30, "y": 40})
    expect(bar).to_contain_text(f"{count - 1} shots")
    no_barriers(sheet, "chosen shots")
    before = moves()
    bar.get_by_role("combobox", name="Move of the chosen shots").click()
    sheet.get_by_role("option", name="tilt up").click()
    until(lambda: moves().count("tilt up") == count - 1)
    assert moves()[1] == before[1]
    sheet.keyboard.press("Control+z")
    until(lambda: moves() == before)
    bar.get_by_role("combobox", name=re.compile("^Give the chosen shots what shot")).click()
    sheet.get_by_role("option", name="movement").click()
    until(lambda: len(set(moves()[2:])) == 1)
    sheet.keyboard.press("Control+z")
    bar.get_by_role("button", name="Choose none").click()
    expect(bar).to_have_count(0)


def test_words_are_added_placed_by_hand_and_set_behind_a_figure(sheet: Page) -> None:
    film = re.search(r"/film/(\w+)", sheet.url)[1]
    sheet.get_by_role("button", name=re.compile("^Add words on the screen to shot")).first.click()
    sheet.get_by_label("New words on the screen").fill("SALT")
    sheet.get_by_role("button", name="Write it").click()
    line = sheet.get_by_role("button", name="Words on the screen: SALT")
    line.click()
    desk = sheet.get_by_role("dialog", name="Words on the screen")
    place = desk.get_by_role("button", name=re.compile("^Place of these words: 50 across"))
    box = place.bounding_box()
    sheet.mouse.move(box["x"] + 12, box["y"] + 12)
    sheet.mouse.down()
    sheet.mouse.move(box["x"] - 60, box["y"] + 40, steps=6)
    sheet.mouse.up()

    def cards() -> list[dict]:
        opened = sheet.request.get(f"/api/films/{film}").json()
        told = {"state": opened["state"], "first": 0, "count": 5}
        shots = sheet.request.get(f"/api/films/{film}/shots", params=told).json()["shots"]
        return [c for s in shots for c in s["cards"] if c["number"]]

    moved = until(lambda: (c := cards()[0])["how"]["at"] and c)
    assert moved["at"][0] < 0.4 and moved["at"][1] > 0.3
    moved_place = desk.get_by_role("button", name=re.compile("^Place of these words"))
    moved_place.press("ArrowRight")
    moved_place.press("ArrowRight")
    until(lambda: cards()[0]["at"][0] == pytest.approx(moved["at"][0] + 0.04, abs=0.002))
    desk.get_by_role("combobox", name="What these words keep to").click()
    sheet.get_by_role("option", name="behind the figures").click()
    desk.get_by_role("combobox", name="Look of these words").click()
    sheet.get_by_role("option", name="outline").click()
    desk.get_by_role("button", name="more: how long these words stay").click()
    until(lambda: cards()[0]["how"]["keeps"] == "behind" and cards()[0]["seconds"])
    assert cards()[0]["how"]["look"] == "outline"
    no_barriers(sheet, "words that are placed")
    desk.get_by_role("button", name="Take it away").click()
    expect(line).to_have_count(0)


def test_words_have_a_look_of_the_makers_own_in_a_face_that_is_brought(sheet: Page) -> None:
    sheet.get_by_role("button", name="Captions of the whole film").click()
    sheet.get_by_role("tab", name="Other words").click()
    desk = sheet.get_by_role("dialog", name="Captions of the whole film")
    desk.get_by_role("combobox", name="Look of words on the screen").click()
    sheet.get_by_role("option", name="telegram").click()
    until(lambda: settings(sheet)["title_look"] == "telegram")
    desk.get_by_role("combobox", name="What words on the screen stand on").click()
    sheet.get_by_role("option", name="with an edge").click()
    until(lambda: (settings(sheet)["title_style"] or {}).get("edge"))
    expect(desk.get_by_role("combobox", name="Look of words on the screen")).to_contain_text(
        "of your own"
    )
    desk.get_by_label("Face of words on the screen: one of your own").set_input_files(
        face_file("hand")
    )
    face = until(lambda: (f := settings(sheet)["title_style"]["face"]).endswith(".ttf") and f)
    expect(desk.get_by_role("combobox", name="Face of words on the screen")).to_contain_text(
        "Caveat"
    )
    desk.get_by_label("Your mark, in a corner all the time").fill("Slow Lantern")
    desk.get_by_label("Your mark, in a corner all the time").press("Enter")
    until(lambda: settings(sheet)["maker_mark"] == "Slow Lantern")
    no_barriers(sheet, "other words")
    assert len(face) == 68


@pytest.mark.long
def test_a_film_is_graded_and_a_shot_has_effects_of_its_own(sheet: Page, tmp_path) -> None:
    sheet.get_by_role("button", name="Grade and effects of the whole film").click()
    desk = sheet.get_by_role("dialog", name="Grade and effects of the whole film")
    seen = desk.get_by_role("img")
    before = seen.get_attribute("src")
    desk.get_by_role("combobox", name="Grade").click()
    sheet.get_by_role("option", name="moonlight").click()
    until(lambda: settings(sheet)["grade"]["exposure"] == pytest.approx(-0.7))
    expect(seen).not_to_have_attribute("src", before)
    desk.get_by_role("slider", name="Warmth").focus()
    sheet.keyboard.press("ArrowRight")
    until(lambda: settings(sheet)["grade"]["warmth"] == pytest.approx(-0.5))
    expect(desk.get_by_role("combobox", name="Grade")).to_contain_text("of your own")
    desk.get_by_role("combobox", name="Another effect").click()
    sheet.get_by_role("option", name="grain").click()
    until(lambda: [e["kind"] for e in settings(sheet)["film_effects"]] == ["grain"])
    no_barriers(sheet, "grade of a film")
    with sheet.expect_download() as taken:
        desk.get_by_role("link", name="Take the grade out").click()
    table = tmp_path / "moon.cube"
    taken.value.save_as(table)
    desk.get_by_label("A look-up table of your own").set_input_files(table)
    until(lambda: settings(sheet)["grade"]["lut"])
    expect(desk.get_by_role("combobox", name="Look-up table")).to_contain_text("Runar")
    sheet.keyboard.press("Escape")

    row = sheet.locator("[data-shot='1']")
    row.get_by_role("button", name="Grade and effects of shot 1: grain").click()
    one = sheet.get_by_role("dialog", name="Grade and effects of shot 1")
    one.get_by_role("combobox", name="Another effect").click()
    sheet.get_by_role("option", name="shake").click()
    one.get_by_role("button", name="more: when shake sets in").click()
    expect(one).to_contain_text("0.1 s in")
    one.get_by_role("button", name="Take grain away").click()
    expect(
        row.get_by_role("button", name=re.compile("^Grade and effects of shot 1: shake"))
    ).to_be_visible()
    no_barriers(sheet, "effects of a shot")
    one.get_by_role("button", name=re.compile("^All .* of the film")).click()
    shaken = sheet.get_by_role("button", name=re.compile("^Grade and effects of shot .*: shake"))
    until(lambda: shaken.count() > 1)
    one.get_by_role("button", name="As planned").click()
    expect(
        row.get_by_role("button", name=re.compile("^Grade and effects of shot 1: grain"))
    ).to_be_visible()


PLATED = (
    "In 1902 the pier was built, and by 1911 it had burnt down twice.\n\nNearly 240 barges waited for the lock that "
    "winter, and nobody sang.\n"
)


def test_a_plate_is_shown_edited_and_taken_away(page: Page, address: str) -> None:
    new_film(page, "The Pier", PLATED)
    film = re.search(r"/film/(\w+)", page.url)[1]
    page.goto(f"/film/{film}/sheet")
    row = page.locator("[data-shot]").filter(has_text="barges").first
    row.click()
    section = page.get_by_role("region", name="Plate")
    offered = section.get_by_role("list", name="Plates for these words")
    expect(offered).to_contain_text("number")
    offered.get_by_role("button", name="show it").first.click()
    picture = row.get_by_role("img", name=re.compile("^Plate of shot .*: number"))
    expect(picture).to_be_visible()
    section.get_by_role("button", name="Edit").click()
    desk = page.get_by_role("dialog")
    desk.get_by_label("number of row 1").fill("420")
    desk.get_by_label("number of row 1").press("Enter")
    expect(desk.get_by_role("list", name="Doubts")).to_contain_text("240 is said here")
    desk.get_by_label("Title of the plate").fill("At the lock")
    desk.get_by_label("Title of the plate").press("Enter")
    desk.get_by_role("button", name="another row").click()
    expect(desk.get_by_label("name of row 2")).to_be_visible()
    desk.get_by_label("name of row 2").fill("boats")
    desk.get_by_label("name of row 2").press("Tab")
    desk.get_by_role("combobox", name="Sort of plate").click()
    page.get_by_role("option", name="bars").click()
    expect(desk.get_by_role("img")).to_be_visible()
    no_barriers(page, "a plate")
    page.keyboard.press("Escape")
    expect(section).to_contain_text("bars: At the lock")
    section.get_by_role("button", name="Take it away").click()
    expect(offered).to_be_visible()
    expect(row.get_by_role("img", name=re.compile("^Plate of shot"))).to_have_count(0)


@pytest.mark.long
def test_a_house_style_is_kept_looked_at_and_a_new_film_begins_in_it(
    page: Page, joined_film: str, tmp_path
) -> None:
    page.goto(f"/film/{joined_film}/delivery")
    page.get_by_role("combobox", name="Captions").click()
    page.get_by_role("option", name="as a file beside it").click()
    until(lambda: settings(page)["captions"] == "file")
    section = page.get_by_role("region", name="House style")
    section.get_by_label("Name of the style").fill("Runar’s")
    section.get_by_role("button", name="Keep").click()
    kept = section.get_by_role("list", name="Styles that are kept").get_by_role("listitem")
    mine = kept.filter(has_text="Runar’s")
    expect(mine).to_be_visible()
    with page.expect_download() as taken:
        mine.get_by_role("link", name="as a file").click()
    file = tmp_path / "style.json"
    taken.value.save_as(file)
    mine.get_by_role("button", name="Let Runar’s go").click()
    expect(mine).to_have_count(0)
    section.get_by_label("A style as a file").set_input_files(file)
    expect(mine).to_be_visible()

    new_film(page, "Another", "A dog slept. It dreamed of the sea.\n")
    other = re.search(r"/film/(\w+)", page.url)[1]
    page.goto(f"/film/{other}/delivery")
    before = settings(page)
    mine.get_by_role("button", name="what it would change").click()
    changes = section.get_by_role("table", name="What Runar’s would change")
    expect(changes).to_contain_text("captions")
    no_barriers(page, "a house style")
    section.get_by_role("button", name="Change only").click()
    until(lambda: settings(page)["captions"] == "file" != before["captions"])

    page.goto("/")
    form = page.get_by_role("form", name="New film")
    form.get_by_role("combobox", name="House style").click()
    page.get_by_role("option", name="Runar’s").click()
    expect(form.get_by_role("combobox", name="Look")).to_have_count(0)
    form.get_by_role("textbox", name="Story").fill("A cat sat on the quay. It watched the boats.")
    form.get_by_role("button", name=re.compile("Cut it")).click()
    expect(page).to_have_url(re.compile("/film/.*/script"))
    assert settings(page)["captions"] == "file"


def test_a_change_is_said_looked_at_and_made_in_part(sheet: Page) -> None:
    sheet.get_by_role("button", name="Say a change").click()
    desk = sheet.get_by_role("dialog", name="Say it for the whole film")
    desk.get_by_label("What is to be otherwise").fill("colder, less music, more sparkle")
    sheet.keyboard.press("Enter")
    changes = desk.get_by_role("list", name="Changes that this comes to").get_by_role("listitem")
    expect(changes).to_have_count(2)
    expect(desk).to_contain_text("Not understood, or so already: “more sparkle”")
    expect(changes.first).to_contain_text("nothing becomes stale")
    no_barriers(sheet, "a wish")
    changes.nth(1).get_by_role("checkbox").uncheck()
    before = settings(sheet)
    desk.get_by_role("button", name="Make 1").click()
    expect(desk).to_have_count(0)
    colder = pytest.approx(before["grade"]["warmth"] - 0.25)
    until(lambda: settings(sheet)["grade"]["warmth"] == colder)
    assert settings(sheet)["music_level"] == before["music_level"]


def test_a_cut_is_dragged_by_words_and_a_picture_held(page: Page, address: str) -> None:
    new_film(
        page,
        "Dragged",
        "The old dog slept by the warm stove all day. Then the boat came, and everybody ran down.\n",
    )
    film = re.search(r"/film/(\w+)", page.url)[1]
    page.goto(f"/film/{film}/sheet")

    def shots() -> list[list]:
        return page.request.get(f"/api/films/{film}").json()["shots"]

    before = shots()
    stroke = page.get_by_role("button", name=re.compile("^Join before shot 2"))
    box = stroke.bounding_box()
    x, y = box["x"] + 6, box["y"] + 12
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x, y + 14)
    page.mouse.move(x, y + 29)
    expect(page.get_by_role("status").filter(has_text="2 words to shot 1")).to_be_visible()
    page.mouse.up()
    until(lambda: shots()[0][2] == before[0][2] + 2 and shots()[1][2] == before[1][2] - 2)
    expect(page.get_by_role("dialog")).to_have_count(0)
    stroke.focus()
    page.keyboard.press("Alt+ArrowUp")
    until(lambda: shots()[0][2] == before[0][2] + 1)
    page.keyboard.press("Alt+Shift+ArrowDown")
    until(lambda: shots()[0][3] > before[0][3])
    expect(page.locator("[data-shot='1']")).to_contain_text("held 0.1 s beyond its words")


def test_captions_that_are_not_read_in_time_are_listed_and_mended(page: Page, address: str) -> None:
    story = (
        "“Go!”\n\nThen she went home by the long road over the hill, and nobody saw her again.\n"
    )
    body = {"title": "Quick", "text": story, "shots": [{"offset": 0}, {"offset": 7}]}
    film = page.request.post("/api/films", data=body).json()["id"]
    page.goto(f"/film/{film}/delivery")
    section = page.get_by_role("region", name="Captions read")
    rows = section.get_by_role("list", name="Captions that cannot be read in time").get_by_role(
        "listitem"
    )
    expect(rows.first).to_be_visible()
    count = rows.count()
    section.get_by_role("button", name="hold its picture").first.click()
    until(lambda: rows.count() < count)
    no_barriers(page, "captions read")


def test_a_mark_is_drawn_where_the_picture_is_clicked(sheet: Page) -> None:
    row = sheet.locator("[data-shot='2']")
    row.click()
    row.get_by_role("button", name=re.compile("^Grade and effects of shot 2")).click()
    desk = sheet.get_by_role("dialog", name="Grade and effects of shot 2")
    desk.get_by_role("combobox", name="Draw on the picture").click()
    sheet.get_by_role("option", name="an arrow").click()
    marks = desk.get_by_role("list", name="Marks")
    expect(marks.get_by_role("button", name="arrow", exact=True)).to_have_attribute(
        "aria-pressed", "true"
    )

    def kept() -> list[dict]:
        film = re.search(r"/film/(\w+)", sheet.url)[1]
        opened = sheet.request.get(f"/api/films/{film}").json()
        asked = {"state": opened["state"], "first": 1, "count": 1}
        (shot,) = sheet.request.get(f"/api/films/{film}/shots", params=asked).json()["shots"]
        return shot["own"].get("marks") or []

    until(lambda: len(kept()) == 1)
    picture = desk.get_by_role("img")
    box = picture.bounding_box()
    picture.click(position={"x": box["width"] * 0.25, "y": box["height"] * 0.75})
    until(
        lambda: (
            kept()[0]["x"] == pytest.approx(0.25, abs=0.02)
            and kept()[0]["y"] == pytest.approx(0.75, abs=0.02)
        )
    )
    desk.get_by_role("button", name="more: when the arrow is drawn").click()
    until(lambda: kept()[0]["begin"] == pytest.approx(0.6))
    no_barriers(sheet, "marks")
    desk.get_by_role("button", name="Take the arrow away").click()
    until(lambda: kept() == [])
