"""A film kept in another language, and several films in a row, by mouse and keys."""

import csv
import io
import re
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.steps import film_made, go, no_barriers

pytestmark = pytest.mark.browser
STORY = "# The mill — day, clear\n\nThe mill stood still. “Who took the wheel?” asked Gerda. Nobody answered her.\n"


@pytest.fixture(scope="module")
def film(browser: Browser, address: str) -> str:
    return film_made(browser, address, "The Still Mill", STORY)


def test_it_is_translated_by_a_service_by_hand_and_by_a_table(page: Page, film: str) -> None:
    page.goto(f"/film/{film}/delivery")
    page.get_by_role("tab", name="Languages").click()
    form = page.get_by_role("form", name="Keep it in another language")
    expect(form.get_by_text("A service translates into it.")).to_be_visible()
    no_barriers(page, "the languages of a film")
    form.get_by_role("button", name="Keep").click()
    side = page.get_by_role("complementary", name="Translation")
    side.get_by_role("button", name=re.compile("^Translate [0-9]")).click()
    first = page.get_by_label("Translation of: The mill stood still.")
    expect(first).to_have_value(re.compile("molino"))
    expect(side.get_by_text("All is translated.")).to_be_visible()
    no_barriers(page, "a cut in another language")
    # By hand.
    first.fill("El molino no se movía.")
    first.press("Enter")
    expect(
        page.get_by_role("button", name="Undo: translate “El molino no se movía.”")
    ).to_be_visible()
    # By a table, in which a translator mended one passage.
    with page.expect_download() as told:
        side.get_by_role("link", name="Table (CSV)").click()
    text = Path(told.value.path()).read_text(encoding="utf-8-sig")
    rows = list(csv.DictReader(io.StringIO(text)))
    row = next(r for r in rows if r["words"] == "Nobody answered her.")
    assert (row["who"], rows[0]["translation"]) == ("narrator", "El molino no se movía.")
    row["translation"] = "Nadie le respondió."
    out = io.StringIO()
    writer = csv.DictWriter(out, rows[0].keys())
    writer.writeheader()
    writer.writerows(rows)
    side.get_by_label("Bring the table back").set_input_files(
        {"name": "t.csv", "mimeType": "text/csv", "buffer": out.getvalue().encode()}
    )
    expect(page.get_by_text("1 passage taken")).to_be_visible()
    expect(page.get_by_label("Translation of: Nobody answered her.")).to_have_value(
        "Nadie le respondió."
    )
    # What is said is what is read along, in every view.
    go(page, "Screening")
    expect(page.get_by_text("El molino no se movía.").first).to_be_visible()


def test_what_changes_in_the_original_is_taken_over(page: Page, film: str) -> None:
    view = page.request.get(f"/api/films/{film}/languages").json()
    cut = next(c["film"] for c in view["languages"] if not c["original"])
    text = page.request.get(f"/api/films/{film}").json()
    manuscript = page.request.get(f"/api/films/{film}/manuscript?state={text['state']}").json()[
        "text"
    ]
    at = manuscript.index("stood still")
    command = {"type": "edit text", "start": at, "end": at + 11, "insert": "was silent"}
    body = {"revision": text["head"]["revision"], "command": command}
    assert page.request.post(f"/api/films/{film}/changes", data=body).ok
    page.goto(f"/film/{cut}/delivery?part=languages")
    behind = page.get_by_role("region", name="Behind its original")
    behind.get_by_role("button", name="Take it over").click()
    expect(behind).to_have_count(0)
    expect(page.get_by_text("its words have changed since")).to_be_visible()
    page.get_by_role("button", name="it holds all the same").click()
    expect(page.get_by_text("its words have changed since")).to_have_count(0)


@pytest.mark.long
def test_several_stories_become_films_in_a_row(page: Page) -> None:
    page.goto("/")
    page.get_by_role("tab", name="In a row").click()
    files = [
        {
            "name": "the-red-kite.txt",
            "mimeType": "text/plain",
            "buffer": b"A red kite rose. Nobody held it.",
        },
        {
            "name": "more.csv",
            "mimeType": "text/csv",
            "buffer": b"title,story\nThe Blue Kite,It fell. It lay there.\n",
        },
        {"name": "odd.txt", "mimeType": "text/plain", "buffer": b"\x89PNG\r\n\x1a\n\x00\x00"},
    ]
    page.get_by_label("Bring stories", exact=True).set_input_files(files)
    expect(page.get_by_text("Left out: odd.txt")).to_be_visible()
    stories = page.get_by_role("list", name="Stories")
    expect(stories.get_by_role("listitem")).to_have_count(2)
    expect(stories).to_contain_text("The red kite")
    page.get_by_label("Name of the batch").fill("Kites")
    page.get_by_label("What it may cost").fill("2")
    no_barriers(page, "a batch before it begins")
    page.get_by_role("button", name="Make 2 films").click()
    batch = page.get_by_role("region", name="Batch Kites")
    expect(batch.get_by_role("listitem").filter(has_text="The red kite")).to_contain_text(
        "waits for your look"
    )
    expect(batch.get_by_role("status")).to_contain_text("2 of 2 made", timeout=240_000)
    no_barriers(page, "a batch that is made")
    batch.get_by_role("button", name="Looked over: deliver").first.click()
    expect(batch.get_by_text("looked over, and delivered")).to_be_visible()
    batch.get_by_role("button", name="Forget it").click()
    expect(batch).to_have_count(0)
