"""Delivery by mouse and keys: texts, the thumbnail desk, parts and timelines."""

import json
import re
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.steps import film_made, go, no_barriers
from tests.waiting import until

pytestmark = pytest.mark.browser
STORY = (
    "# The quay — night, clear\n\nMirel the lamplighter counted the boats twice. One of them was missing. Who would row out "
    "now?\n\n# The tower — night, clear\n\nThe tower had no door that night. Nobody called her.\n"
)


@pytest.fixture(scope="module")
def published(browser: Browser, address: str) -> str:
    film = film_made(browser, address, "The Seventh Boat", STORY)
    context = browser.new_context(base_url=address)
    page = context.new_page()
    body = {"kind": "pictures", "only": "missing", "takes": 1}
    run = page.request.post(f"/api/films/{film}/runs", data=body).json()

    def made() -> bool:
        runs = page.request.get(f"/api/films/{film}/runs").json()
        return any(r["id"] == run["id"] and r["state"] == "done" for r in runs)

    until(made, 90)
    context.close()
    return film


@pytest.fixture
def desk(page: Page, published: str) -> Page:
    page.goto(f"/film/{published}/delivery")
    page.get_by_role("tab", name="Publishing").click()
    expect(page.get_by_role("region", name="Texts")).to_be_visible()
    return page


def head(page: Page) -> dict:
    film = re.search(r"/film/(\w+)", page.url)[1]
    return page.request.get(f"/api/films/{film}").json()["head"]


@pytest.mark.long
def test_a_title_is_written_counted_and_drafted_again(desk: Page) -> None:
    title = desk.get_by_label("Title", exact=True)
    expect(title).to_have_value("The Seventh Boat")
    title.fill("Who took the seventh boat, and why did nobody see it leave the quay?")
    title.press("Enter")
    expect(desk.get_by_text("in lists about 60 are seen")).to_be_visible()
    desk.get_by_role("button", name="Copy the title").click()
    assert desk.evaluate("navigator.clipboard.readText()").startswith("Who took the seventh boat")
    no_barriers(desk, "the texts")
    desk.get_by_role("button", name="as drafted").click()
    expect(title).to_have_value("The Seventh Boat")
    tags = desk.get_by_label("Tags", exact=True)
    tags.fill("boats, a tower ,,night")
    tags.blur()
    expect(tags).to_have_value("boats, a tower, night")
    with desk.expect_download() as got:
        desk.get_by_role("link", name="all as one file").click()
    assert "TAGS\nboats, a tower, night" in Path(got.value.path()).read_text()


def test_a_thumbnail_is_proposed_changed_kept_compared_and_used(desk: Page) -> None:
    region = desk.get_by_role("region", name="Thumbnail")
    proposed = region.get_by_role("button", name=re.compile("^Proposed thumbnail"))
    expect(proposed.first).to_be_visible()
    assert proposed.count() >= 2
    expect(region.get_by_role("status")).to_contain_text("contrast of the words")
    words = region.get_by_label("Words on the thumbnail")
    words.fill("No door")
    large = region.get_by_role("img", name="Thumbnail: No door")
    expect(large).to_be_visible()
    until(lambda: large.evaluate("i => i.naturalWidth") == 1280)
    no_barriers(desk, "the thumbnail desk")
    region.get_by_role("button", name="Keep it").click()
    until(lambda: [t["words"] for t in head(desk)["thumbnails"]] == ["No door"])
    words.fill("Nobody called her")
    region.get_by_label("behind the figure").check()
    region.get_by_role("button", name="Keep it").click()
    until(lambda: len(head(desk)["thumbnails"]) == 2)
    region.get_by_role("button", name="Use this one").click()
    until(lambda: head(desk)["thumbnails"][0]["behind"] is True)
    with desk.expect_download() as got:
        region.get_by_role("link", name="JPEG").click()
    assert Path(got.value.path()).read_bytes().startswith(b"\xff\xd8\xff")
    desk.keyboard.press("Control+z")
    until(lambda: head(desk)["thumbnails"][0]["behind"] is False)


@pytest.mark.long
def test_a_thumbnail_has_a_picture_of_its_own_after_a_prompt(desk: Page) -> None:
    region = desk.get_by_role("region", name="Thumbnail")
    own = region.get_by_role("region", name="A picture of its own")
    prompt = own.get_by_label("Prompt of the thumbnail's picture")
    expect(prompt).to_have_value(re.compile("^Close-up"))
    prompt.fill("Close-up. An old woman with a lamp, laughing. night, storm.")
    own.get_by_role("button", name=re.compile("^less: How many")).click()
    own.get_by_role("button", name=re.compile("^Make")).click()
    made = region.get_by_role("button", name="Made thumbnail 1")
    made.click()
    expect(region.get_by_text("made, after shot")).to_be_visible()
    no_barriers(desk, "a thumbnail with a picture of its own")
    region.get_by_role("button", name="Keep it").click()
    (picture,) = head(desk)["thumbnail_pictures"]
    until(lambda: picture["media"] in [t["picture"] for t in head(desk)["thumbnails"]])
    assert picture["prompt"].endswith("laughing. night, storm.")
    own.get_by_role("button", name=re.compile("^as shot .* proposes")).click()
    expect(prompt).to_have_value(re.compile("^Close-up"))


def test_a_figure_that_was_cut_out_stands_on_a_thumbnail(desk: Page) -> None:
    film = re.search(r"/film/(\w+)", desk.url)[1]
    told = desk.request.get(f"/api/films/{film}").json()
    window = {"state": told["state"], "first": 0, "count": 20}
    shots = desk.request.get(f"/api/films/{film}/shots", params=window).json()["shots"]
    take = next(t["id"] for s in shots if s["people"] for t in s["takes"])
    cut = desk.request.post(
        f"/api/films/{film}/takes/{take}/cutouts",
        data={"name": "Mirel", "figure": 0, "revision": told["head"]["revision"]},
    )
    assert cut.status == 201, cut.text()
    desk.reload()
    desk.get_by_role("tab", name="Publishing").click()
    region = desk.get_by_role("region", name="Thumbnail")
    region.get_by_label("A figure that was cut out").click()
    desk.get_by_role("option", name="Mirel").click()
    large = region.get_by_role("img", name=re.compile("^Thumbnail: "))
    before = large.get_attribute("src")
    region.get_by_label("How tall the figure is").focus()
    desk.keyboard.press("End")
    expect(region.get_by_text("200 %")).to_be_visible()
    until(lambda: large.get_attribute("src") != before)
    region.get_by_role("button", name="Keep it").click()
    until(lambda: any(t["figure"] and t["tall"] == 2 for t in head(desk)["thumbnails"]))


def test_a_timeline_is_taken_out_changed_and_brought_back(desk: Page, tmp_path: Path) -> None:
    desk.get_by_role("tab", name="Other programs").click()
    with desk.expect_download() as got:
        desk.get_by_role("link", name="OpenTimelineIO").click()
    told = json.loads(Path(got.value.path()).read_text())
    clip = told["tracks"]["children"][0]["children"][0]
    clip["source_range"]["duration"]["value"] += 36
    changed = tmp_path / "changed.otio"
    changed.write_text(json.dumps(told))
    frames = head(desk)["frames"]
    back = desk.get_by_role("region", name="A timeline that comes back")
    back.get_by_label("A timeline from another program").set_input_files(str(changed))
    expect(back.get_by_text("1.50 s longer")).to_be_visible()
    no_barriers(desk, "other programs")
    back.get_by_role("button", name="Take it").click()
    expect(back.get_by_text("It has the film as it is here.")).to_be_visible()
    assert abs(head(desk)["frames"] - frames - 36) <= 2
    wrong = tmp_path / "wrong.edl"
    wrong.write_text("no list")
    back.get_by_label("A timeline from another program").set_input_files(str(wrong))
    expect(desk.get_by_text("That is no timeline that is understood.")).to_be_visible()


def test_the_parts_are_taken_out(desk: Page) -> None:
    desk.get_by_role("tab", name="Other programs").click()
    parts = desk.get_by_role("region", name="Parts")
    parts.get_by_role("button", name="Take the parts out").click()
    with desk.expect_download() as got:
        parts.get_by_role("link", name=re.compile("parts.zip")).click()
    assert Path(got.value.path()).read_bytes().startswith(b"PK")
    expect(parts.get_by_text("What the timelines do not say")).to_be_visible()
    go(desk, "Sheet")


def test_the_film_whole_is_packed_and_brought_in_from_the_shelf(desk: Page, tmp_path: Path) -> None:
    desk.get_by_role("tab", name="Other programs").click()
    whole = desk.get_by_role("region", name="The film whole")
    whole.get_by_role("button", name="Pack the film").click()
    with desk.expect_download() as got:
        whole.get_by_role("link", name=re.compile("film.zip")).click()
    archive = tmp_path / "film.zip"
    got.value.save_as(archive)
    packed = head(desk)
    desk.goto("/")
    desk.get_by_label("A film's archive").set_input_files(str(archive))
    expect(desk.get_by_text(f"“{packed['title']}” is on the shelf, whole.")).to_be_visible()
    cards = [f for f in desk.request.get("/api/films").json() if f["title"] == packed["title"]]
    assert len(cards) == 2
    (brought,) = [c["id"] for c in cards if c["id"] != packed["id"]]
    desk.goto(f"/film/{brought}/delivery")
    expect(desk.get_by_role("heading", name=packed["title"])).to_be_visible()
    assert head(desk)["thumbnails"] == packed["thumbnails"]


def test_a_title_and_an_opening_by_the_writer_are_taken(desk: Page) -> None:
    texts = desk.get_by_role("region", name="Texts")
    texts.get_by_role("button", name="by the writer").click()
    offered = texts.get_by_role("group", name="The title by the writer")
    title = offered.get_by_role("listitem").nth(2)
    said = title.locator("span").first.inner_text()
    no_barriers(desk, "a title by the writer")
    title.get_by_role("button", name="Take it").click()
    expect(texts.get_by_label("Title", exact=True)).to_have_value(said)
    expect(offered).to_have_count(0)
    texts.get_by_label("The description’s opening by the writer").click()
    desk.get_by_role("option", name="more vivid").click()
    opening = texts.get_by_role("group", name="The description by the writer")
    opening.get_by_role("button", name="Leave it").click()
    expect(opening).to_have_count(0)
