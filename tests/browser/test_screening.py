"""Screening by mouse and keys: watched, leafed through, pinned up, noted and agreed."""

import re
from itertools import pairwise

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.steps import BOATHOUSE, film_made, go, no_barriers
from tests.waiting import until

pytestmark = pytest.mark.browser


@pytest.fixture(scope="module")
def screened(browser: Browser, address: str) -> str:
    return film_made(browser, address, "Runar", BOATHOUSE)


@pytest.fixture
def room(page: Page, screened: str) -> Page:
    page.goto(f"/film/{screened}/screening")
    expect(page.get_by_role("img", name="Frame 0")).to_be_visible()
    return page


def head(page: Page) -> dict:
    film = re.search(r"/film/(\w+)", page.url)[1]
    return page.request.get(f"/api/films/{film}").json()["head"]


def brightness(colour: str) -> int:
    """Red, green and blue of a colour as the browser tells it, together."""
    return sum(map(int, re.findall(r"\d+", colour)[:3]))


def time_now(page: Page) -> str:
    return page.get_by_label("Time under the playhead").inner_text()


def test_the_room_is_dark_and_the_lamp_is_as_before_when_it_is_left(room: Page) -> None:
    ground = "getComputedStyle(document.body).backgroundColor"
    dark = room.evaluate(ground)
    go(room, "Sheet")
    expect(room.get_by_role("region", name="Sheet", exact=True)).to_be_visible()
    light = room.evaluate(ground)
    assert brightness(dark) < 150 and brightness(light) > 600


def test_keys_go_by_frames_and_shots_and_the_words_follow(room: Page) -> None:
    room.keyboard.press("ArrowRight")
    room.keyboard.press("ArrowRight")
    room.keyboard.press("ArrowLeft")
    assert time_now(room) == "00:00:01"
    room.keyboard.press("ArrowDown")
    second = room.get_by_label("Shots around").get_by_role("button", name="Shot 2", exact=True)
    expect(second).to_have_attribute("aria-current", "true")
    expect(room.get_by_text("He whistled while he did it").first).to_be_visible()
    room.keyboard.press("ArrowUp")
    assert time_now(room) == "00:00:00"
    no_barriers(room, "the screening")


def test_it_is_watched_at_another_speed_and_goes_round_in_a_shot(room: Page) -> None:
    video = room.locator("video")
    room.keyboard.press("+")
    room.keyboard.press("+")
    expect(room.get_by_role("button", name="2×")).to_have_attribute("aria-pressed", "true")
    room.keyboard.press("l")
    room.get_by_role("button", name="Play").click()
    expect(room.get_by_role("button", name="Stop")).to_be_visible()
    assert video.evaluate("v => [v.playbackRate, v.preservesPitch]") == [2, True]
    shots = room.request.get(f"/api/films/{re.search(r'/film/(.+?)/', room.url)[1]}").json()[
        "shots"
    ]
    ends = shots[0][3] / 24
    seen = []

    def round_again() -> bool:
        seen.append(video.evaluate("v => v.currentTime"))
        return any(b < a - 0.5 for a, b in pairwise(seen))

    until(round_again, 60)
    assert max(seen) < ends + 0.8, "not far into the next shot"
    room.keyboard.press("Space")
    expect(room.get_by_role("button", name="Play")).to_be_visible()


def test_a_note_is_written_drawn_answered_and_done_and_stands_on_the_sheet(room: Page) -> None:
    room.keyboard.press("ArrowDown")
    room.keyboard.press("ArrowRight")
    at = time_now(room)
    room.keyboard.press("n")
    draft = room.get_by_role("form", name="New note")
    expect(draft).to_contain_text(f"At {at}")
    draft.get_by_label("Note", exact=True).fill("The dog should wake up.")
    box = room.get_by_label("Draw around what the note is about").bounding_box()
    x, y = box["x"] + box["width"] * 0.4, box["y"] + box["height"] * 0.4
    room.mouse.move(x, y)
    room.mouse.down()
    for dx, dy in ((80, 0), (120, 60), (60, 110), (0, 60)):
        room.mouse.move(x + dx, y + dy, steps=4)
    room.mouse.up()
    expect(draft).to_contain_text("Drawn on the picture")
    draft.get_by_label("Your name").fill("Ada")
    draft.get_by_role("button", name="Keep").click()
    note = room.get_by_role("button", name=f"Note 1 at {at}")
    expect(note).to_contain_text("shot 2, drawn on the picture")
    until(lambda: len(head(room)["open_notes"]) == 1)
    note.click()
    answer = room.get_by_label("Answer to note 1")
    answer.fill("It does in the next one.")
    answer.press("Enter")
    expect(room.get_by_text("It does in the next one.")).to_be_visible()
    no_barriers(room, "a note")
    go(room, "Sheet")
    mark = room.get_by_role("link", name="1 note on shot 2, to the screening")
    expect(mark).to_be_visible()
    expect(room.locator("[data-note]")).to_have_count(1)
    mark.click()
    room.get_by_role("button", name=re.compile("^Note 1 at")).click()
    room.get_by_role("button", name="done", exact=True).click()
    expect(room.get_by_role("status").first).to_have_text("0 open, 1 done")
    until(lambda: head(room)["open_notes"] == [])
    with room.expect_download() as got:
        room.get_by_role("link", name="as a table").click()
    assert "The dog should wake up." in got.value.path().read_text()


def test_a_stretch_is_noted(room: Page) -> None:
    for _ in range(3):
        room.keyboard.press("ArrowRight")
    room.keyboard.press("b")
    for _ in range(6):
        room.keyboard.press("ArrowRight")
    room.keyboard.press("e")
    room.keyboard.press("n")
    draft = room.get_by_role("form", name="New note")
    expect(draft).to_contain_text("From 00:00:03 to 00:00:10")
    draft.get_by_label("Note", exact=True).fill("too loud")
    draft.get_by_label("Note", exact=True).press("Control+Enter")
    expect(room.get_by_role("button", name="Note 1 at 00:00:03")).to_contain_text("until 00:00:10")


def test_a_scene_is_agreed_and_a_later_change_is_said(room: Page) -> None:
    room.get_by_role("button", name="agree", exact=True).click()
    expect(room.get_by_text(re.compile(r"agreed by .+, \w{3}, "))).to_be_visible()
    film = re.search(r"/film/(\w+)", room.url)[1]
    now = room.request.get(f"/api/films/{film}").json()
    shot = now["shots"][0][0]
    command = {"type": "set shots", "shots": [shot], "values": {"framing": "close"}}
    body = {"revision": now["head"]["revision"], "command": command}
    assert room.request.post(f"/api/films/{film}/changes", data=body).ok
    expect(room.get_by_text("changed since")).to_be_visible()
    room.get_by_role("button", name="agree anew").click()
    expect(room.get_by_text("changed since")).to_have_count(0)
    room.keyboard.press("Control+z")
    expect(room.get_by_text("changed since")).to_be_visible()


def test_pictures_are_leafed_through_by_key_and_by_the_corner(room: Page) -> None:
    room.get_by_role("tab", name="Leaf").click()
    expect(room.get_by_role("img", name="Shot 1", exact=True)).to_be_visible()
    room.keyboard.press("ArrowRight")
    expect(room.get_by_role("img", name="Shot 2", exact=True)).to_be_visible()
    corner = room.get_by_label("Turn the leaf").bounding_box()
    x, y = corner["x"] + corner["width"] - 6, corner["y"] + corner["height"] - 6
    room.mouse.move(x, y)
    room.mouse.down()
    room.mouse.move(x - 500, y - 40, steps=6)
    room.mouse.up()
    expect(room.get_by_role("img", name="Shot 3", exact=True)).to_be_visible()
    room.mouse.move(x, y)
    room.mouse.down()
    room.mouse.move(x - 60, y - 10, steps=6)
    room.mouse.up()
    expect(room.get_by_role("img", name="Shot 3", exact=True)).to_be_visible()
    room.keyboard.press("Home")
    expect(room.get_by_role("img", name="Shot 1", exact=True)).to_be_visible()
    no_barriers(room, "a leaf")


def test_all_pictures_are_pinned_up_and_printed(room: Page) -> None:
    room.get_by_role("tab", name="Wall").click()
    pinned = room.get_by_role("list", name="All shots").get_by_role("button")
    expect(pinned.first).to_contain_text("Runar scraped")
    wide = pinned.first.bounding_box()["width"]
    size = room.get_by_role("slider", name="Size")
    size.focus()
    for _ in range(8):
        size.press("ArrowRight")
    until(lambda: pinned.first.bounding_box()["width"] > wide + 40)
    no_barriers(room, "the wall")
    room.get_by_role("button", name="Make a board").click()
    with room.expect_download() as got:
        room.get_by_role("link", name="board.pdf").click()
    assert got.value.path().read_bytes().startswith(b"%PDF-")


def played_in_step(room: Page) -> None:
    """Both cuts run, and are never far from each other: their own clocks say so."""
    both = room.get_by_role("region", name="Both cuts")
    both.get_by_role("button", name="Play both").click()
    room.wait_for_function(
        "() => { const v = [...document.querySelectorAll('section[aria-label=\"Both cuts\"] video')];"
        " return v.length === 2 && v.every((e) => e.currentTime > 0.4 && e.readyState > 2); }"
    )
    apart = """() => { const [a, b] = document.querySelectorAll('section[aria-label="Both cuts"] video');
        return [Math.abs(a.currentTime - b.currentTime), a.muted, b.muted]; }"""
    both.get_by_role("button", name="Stop both").click()
    expect(both.get_by_role("button", name="Play both")).to_be_visible()
    off, here, there = room.evaluate(apart)
    assert off < 0.5 and not here and there
    both.get_by_label("How the cuts are laid").click()
    room.get_by_role("option", name="one over the other").click()
    expect(both.get_by_role("slider", name="Where the line is")).to_be_visible()


def test_a_shot_is_taken_out_as_a_picture_that_moves_and_as_stills(room: Page) -> None:
    room.get_by_role("button", name="GIF …").click()
    told = room.get_by_role("dialog", name="As a picture that moves")
    told.get_by_label("Size of the picture").click()
    room.get_by_role("option", name="240p").click()
    no_barriers(room, "a picture that moves")
    told.get_by_role("button", name="Draw it").click()
    with room.expect_download() as got:
        told.get_by_role("link", name="stretch.webp").click()
    assert got.value.path().read_bytes()[8:12] == b"WEBP"
    room.keyboard.press("Escape")
    room.get_by_role("tab", name="Wall").click()
    room.get_by_role("button", name="A still of each").click()
    with room.expect_download() as got:
        room.get_by_role("link", name="stills.zip").click()
    assert got.value.path().read_bytes().startswith(b"PK")


def test_a_cut_is_kept_opened_changed_and_seen_beside_the_first(room: Page) -> None:
    room.get_by_role("tab", name="Beside another cut").click()
    room.get_by_label("Name of the new cut").fill("upright")
    room.get_by_role("button", name="Keep as a cut").click()
    expect(room.get_by_text("Nothing differs yet")).to_be_visible()
    played_in_step(room)
    first = room.url
    room.get_by_role("link", name="open it").click()
    expect(room.get_by_role("combobox", name="Cut", exact=True)).to_have_text("upright")
    film = re.search(r"/film/(\w+)", room.url)[1]
    assert film not in first
    revision = head(room)["revision"]
    command = {"type": "set settings", "values": {"aspect": "9:16"}}
    body = {"revision": revision, "command": command}
    assert room.request.post(f"/api/films/{film}/changes", data=body).ok
    room.get_by_role("combobox", name="Cut", exact=True).click()
    room.get_by_role("option", name="first cut").click()
    room.get_by_role("tab", name="Beside another cut").click()
    expect(room.get_by_role("list", name="Differences")).to_contain_text(
        "aspect 16:9 here, 9:16 there"
    )
    expect(room.get_by_role("img", name="Frame 0 of the other cut")).to_be_visible()
    no_barriers(room, "two cuts")


def test_an_upright_short_of_a_scene(room: Page) -> None:
    room.get_by_role("tab", name="Beside another cut").click()
    form = room.get_by_role("form", name="Keep a cut")
    form.get_by_label("Of what").click()
    room.get_by_role("option").nth(1).click()
    form.get_by_label("In which shape").click()
    room.get_by_role("option", name="upright, 9:16").click()
    form.get_by_label("Name of the new cut").fill("a short")
    no_barriers(room, "keeping a cut of a part")
    form.get_by_role("button", name="Keep as a cut").click()
    expect(room.get_by_text(re.compile("“a short” is kept: .*9:16"))).to_be_visible()
    cuts = room.request.get(
        room.url.split("/screening")[0].replace("/film/", "/api/films/") + "/cuts"
    ).json()
    (short,) = [c for c in cuts if c["name"] == "a short"]
    assert short["aspect"] == "9:16" and short["seconds"] < max(c["seconds"] for c in cuts)
