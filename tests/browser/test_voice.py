"""The desk for voices: cast by description, a line directed, said again, a word said otherwise; heard from a word
on."""

import re

import pytest
import soundfile
from playwright.sync_api import Page, expect

from tests.browser.steps import go, new_film, no_barriers
from tests.standins.narrator import narrated

pytestmark = pytest.mark.browser
STORY = (
    "The ice on Saltmere rang like a bell.\n\n“There is a church down there,” whispered Edda. Edda was an old woman.\n\n"
    "“Nonsense!” shouted Bram. Bram was a boy.\n"
)


@pytest.mark.long
def test_a_line_is_cast_directed_and_said_again(page: Page) -> None:
    new_film(page, "Voices", STORY)
    go(page, "Script")
    expect(page.get_by_text("Edda", exact=True).first).to_be_visible()
    go(page, "Bench")
    page.get_by_role("tab", name="Voice").click()
    line = page.get_by_role("article", name=re.compile("^Line of Edda"))
    for _ in range(4):
        expect(page.get_by_role("article").first).to_be_visible()
        if line.count():
            break
        page.get_by_role("button", name="The next shot").click()
    expect(line.get_by_label("How it is said")).to_have_value("whispered")
    line.get_by_role("button", name=re.compile("^Speak it")).click()
    expect(line.get_by_role("button", name="Hear taking 1")).to_be_enabled()
    expect(line.get_by_role("button", name="church")).to_be_visible()
    no_barriers(page, "voice")

    # Directed otherwise: what was said stays until it is said so.
    field = line.get_by_label("How it is said")
    field.fill("slowly, gravely")
    field.press("Enter")
    line.get_by_role("button", name=re.compile("^Speak it")).click()
    expect(line.get_by_role("button", name="Hear taking 1")).to_be_enabled()
    line.get_by_role("button", name="Say it again").click()
    second = line.get_by_role("button", name="Hear taking 2")
    expect(second).to_be_enabled()
    expect(line.get_by_role("button", name="Use taking 2")).to_have_attribute(
        "aria-pressed", "true"
    )
    line.get_by_role("button", name="Use taking 1").click()
    expect(line.get_by_role("button", name="Use taking 1")).to_have_attribute(
        "aria-pressed", "true"
    )

    # A word sounds otherwise.
    line.get_by_role("button", name="church").click()
    line.get_by_label("How church sounds").fill("kirk")
    line.get_by_role("button", name="Say it so everywhere").click()
    line.get_by_role("button", name=re.compile("^Say it so [0-9]")).click()
    expect(line.get_by_title("sounds like kirk")).to_be_visible()

    # Others by description say the line, and one is kept.
    line.get_by_label("How it is said").focus()
    by = page.get_by_role("region", name="By description")
    by.get_by_label("What the voice is like").fill("an old woman, hoarse, lilac")
    by.get_by_role("button", name=re.compile("^Three voices")).click()
    expect(by.get_by_text("no use for: lilac")).to_be_visible()
    expect(by.get_by_role("button", name="Hear number 2")).to_be_enabled()
    by.get_by_role("button", name="Hear number 2").click()
    by.get_by_role("button", name="Keep it").nth(1).click()
    expect(line.get_by_role("heading")).to_contain_text("Edda: an old woman, hoarse")


@pytest.mark.long
def test_a_line_is_recorded_in_the_page(page: Page) -> None:
    """Chromium's own microphone for tests beeps: it is no voice, but it is kept, aligned and heard like one."""
    new_film(page, "Own voice", STORY.replace("church", "chapel"))
    go(page, "Bench")
    page.get_by_role("tab", name="Voice").click()
    line = page.get_by_role("article").first
    line.get_by_role("button", name=re.compile("^Speak it")).click()
    expect(line.get_by_role("button", name="Hear taking 1")).to_be_enabled()
    line.get_by_role("button", name="Say it yourself").click()
    expect(line.get_by_role("button", name="Stop", exact=True)).to_be_visible()
    page.wait_for_timeout(2500)  # the time that somebody speaks
    line.get_by_role("button", name="Stop", exact=True).click()
    expect(line.get_by_text(re.compile("^your own voice"))).to_be_visible()
    expect(line.get_by_role("button", name="Hear taking 1")).to_be_enabled()
    line.get_by_role("button", name="A voice again").click()
    expect(line.get_by_role("button", name="Say it yourself")).to_be_visible()


@pytest.mark.long
def test_a_narration_with_a_mistake_is_brought_and_mended(page: Page, tmp_path) -> None:
    sentences = [
        "The ice on Saltmere rang like a bell.",
        "There is a church down there",
        "whispered Edda.",
        "Edda was an old woman.",
        "Nonsense!",
        "shouted Bram.",
    ]
    made = narrated(sentences, again={0}, left_out={3})
    path = tmp_path / "mine.wav"
    soundfile.write(path, made.samples, made.rate)
    new_film(page, "Narrated", STORY.replace(" Bram was a boy.", ""))
    go(page, "Bench")
    page.get_by_role("tab", name="Voice").click()
    own = page.get_by_role("region", name="Your own narration")
    own.get_by_label("Bring a recording of the story").set_input_files(path)
    expect(own.get_by_text(re.compile("more than once: the last is kept"))).to_be_visible(
        timeout=300_000
    )
    row = own.get_by_role("listitem").filter(has_text="Edda was an old woman")
    row.get_by_role("button", name="Strike it").click()
    expect(row).to_have_count(0)
    own.get_by_role("button", name=re.compile("^Use these")).click()
    expect(own.get_by_role("button", name="Voices again")).to_be_visible()
    line = page.get_by_role("article").first
    expect(line.get_by_text(re.compile("^your own voice"))).to_be_visible()
    expect(line.get_by_role("button", name="bell.")).to_be_visible()
    no_barriers(page, "narration")


def test_a_year_is_read_otherwise(page: Page) -> None:
    new_film(page, "Figures", "In 1834 the clock struck 13. It cost £1,200 then.\n")
    go(page, "Bench")
    page.get_by_role("tab", name="Voice").click()
    figures = page.get_by_role("region", name="Figures")
    expect(figures.get_by_text("one thousand two hundred pounds")).to_be_visible()
    figures.get_by_role("button", name=re.compile("1834")).click()
    figures.get_by_role("button", name="one eight three four").click()
    expect(figures.get_by_role("listitem").first).to_contain_text("one eight three four")


def test_a_word_is_stressed_and_the_line_said_so(page: Page) -> None:
    new_film(page, "Marked", "Nobody had ever opened the door before.\n")
    go(page, "Bench")
    page.get_by_role("tab", name="Voice").click()
    line = page.get_by_role("article").first
    line.get_by_role("button", name=re.compile("^Speak it")).click()
    expect(line.get_by_role("button", name="Hear taking 1")).to_be_enabled()
    line.get_by_role("button", name="ever", exact=True).click()
    marks = line.get_by_role("group", name="How the word is said")
    marks.get_by_role("button", name="stressed").click()
    expect(marks.get_by_role("button", name="stressed")).to_have_attribute("aria-pressed", "true")
    line.get_by_role("button", name=re.compile("^Say it so [0-9]")).click()
    expect(line.get_by_role("button", name="Say it again")).to_be_visible()
    # Captions and words stay as they are written.
    expect(line.get_by_role("button", name="ever", exact=True)).to_be_visible()
    page.get_by_role("region", name="By ear").get_by_role("button", name="Listen to a line").click()
    expect(page.get_by_text("one line listened to")).to_be_visible()


def test_takings_are_rejected_and_a_passage_is_marked(page: Page) -> None:
    new_film(page, "Takings", "Somebody had never opened that window again.\n")
    go(page, "Bench")
    page.get_by_role("tab", name="Voice").click()
    line = page.get_by_role("article").first
    line.get_by_role("button", name=re.compile("^Speak it")).click()
    expect(line.get_by_role("button", name="Hear taking 1")).to_be_enabled()
    line.get_by_role("button", name="Say it again").click()
    expect(line.get_by_role("button", name="Hear taking 2")).to_be_enabled()
    expect(line.get_by_text("the one used")).to_be_visible()
    line.get_by_role("heading").click()
    page.keyboard.press("x")
    line.get_by_label("Why it is rejected").fill("flat")
    page.keyboard.press("Enter")
    expect(line.get_by_text("rejected: flat")).to_be_visible()
    expect(line.get_by_role("button", name="Use taking 1")).to_have_attribute(
        "aria-pressed", "true"
    )
    line.get_by_role("button", name="never", exact=True).click()
    line.get_by_role("button", name="window", exact=True).click(modifiers=["Shift"])
    passage = line.get_by_role("group", name="How the passage is said")
    expect(passage).to_contain_text("these 4 words")
    passage.get_by_role("button", name="slower").click()
    expect(passage.get_by_role("button", name="slower")).to_have_attribute("aria-pressed", "true")
    expect(line.get_by_text("heard as it was said before")).to_be_visible()
    no_barriers(page, "takings")


def test_a_name_is_said_by_ipa_and_the_script_is_brought_as_ssml(page: Page, tmp_path) -> None:
    new_film(page, "Names", "Wennaky kept the kiln. Tregarrowen slept, and Wennaky laughed.\n")
    go(page, "Bench")
    page.get_by_role("tab", name="Voice").click()
    names = page.get_by_role("region", name="Names")
    names.get_by_role("button", name=re.compile("^Wennaky")).click()
    names.get_by_label("How Wennaky sounds").fill("/wəˈnɑːki/")
    names.get_by_role("button", name="Say it so everywhere").click()
    expect(names.get_by_role("button", name="Wennaky /wəˈnɑːki/")).to_be_visible()
    with page.expect_download() as taken:
        names.get_by_role("link", name="Take it away as SSML").click()
    document = taken.value.path().read_text()
    assert '<phoneme alphabet="ipa" ph="wəˈnɑːki">Wennaky</phoneme>' in document
    brought = tmp_path / "script.ssml"
    brought.write_text(document.replace("the kiln", "<emphasis>the</emphasis> kiln"))
    names.get_by_label("Bring the script as SSML").set_input_files(brought)
    expect(names.get_by_text(re.compile("words found, 1 marked"))).to_be_visible()


@pytest.mark.long
def test_the_story_is_recorded_line_by_line_with_keys(page: Page) -> None:
    new_film(page, "Line by line", STORY.replace("church", "temple"))
    go(page, "Bench")
    page.get_by_role("tab", name="Voice").click()
    page.get_by_role("button", name="Record line by line").click()
    desk = page.get_by_role("region", name="Record line by line")
    expect(desk).to_contain_text("line 1 of")
    page.keyboard.press("r")
    expect(desk.get_by_role("button", name=re.compile("^Stop"))).to_be_enabled()
    page.wait_for_timeout(1500)  # the time that somebody speaks
    page.keyboard.press("r")
    expect(desk.get_by_role("status")).to_contain_text("recorded")
    page.keyboard.press("Enter")
    expect(desk).to_contain_text("line 2 of")
    no_barriers(page, "line by line")
    page.keyboard.press("Escape")
    expect(desk).to_be_hidden()


def test_words_of_the_chosen_shot_stand_at_their_moments_and_are_played_from(page: Page) -> None:
    new_film(page, "Followed", STORY.replace("church", "bell tower"))
    go(page, "Sheet")
    row = page.locator("[data-shot]").first
    row.get_by_text("The ice").first.click()
    row.get_by_title("play from here").nth(1).click()
    # What is said is marked while it plays, in the words and beside the voice.
    expect(row.locator("[data-now]").first).to_be_visible()
    page.keyboard.press("Space")
    expect(page.locator("[data-now]")).to_have_count(0)


def test_marks_on_words_are_seen_in_the_script(page: Page) -> None:
    """A stressed word after a pause, as it stands in the manuscript; its label says so too. Captions have none of it."""
    new_film(page, "Marked words", "The gravel was cold. Nobody saw her go.\n")
    film = re.search(r"/film/(\w+)", page.url)[1]
    state = page.request.get(f"/api/films/{film}").json()
    number = page.request.get(f"/api/films/{film}/manuscript?state={state['state']}").json()[
        "words"
    ][4][2]
    mark = {"word": number, "stress": True, "pace": "slow", "pause": 0.4}
    page.request.post(
        f"/api/films/{film}/changes",
        data={
            "revision": state["head"]["revision"],
            "command": {"type": "mark words", "marks": [mark]},
        },
    )
    page.reload()
    word = page.get_by_role("button", name="Nobody, after a pause of 0.4 s, stressed, slow")
    expect(word).to_contain_text("‖Nobody")
    expect(word).to_have_css("font-weight", "700")
    go(page, "Sheet")
    expect(page.get_by_role("region", name="Sheet").get_by_text("‖")).to_have_count(0)
