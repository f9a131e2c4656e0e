"""Services by mouse and keys: plugging in, trying, choosing, a list by hand, limits, pictures shared out."""

import io
import re
import zipfile
from collections.abc import Iterator
from pathlib import Path

import pytest
from PIL import Image
from playwright.sync_api import Browser, Page, expect

from cutreel.running.temporary import Temporary
from tests.bridge.serving import serving, told
from tests.browser.steps import film_made, no_barriers
from tests.waiting import until

pytestmark = pytest.mark.browser
STORY = (
    "The mill had not turned since May. Sanne climbed to the cap and looked at the beam. “It is only a nail,” she said.\n\n"
    "Her brother laughed below. Then the wind came, and nobody laughed.\n"
)


def picture(shade: int) -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (640, 360), (shade, 110, 70)).save(out, "PNG")
    return out.getvalue()


@pytest.fixture(scope="module")
def film(browser: Browser, address: str) -> str:
    return film_made(browser, address, "Only a Nail", STORY)


@pytest.fixture
def services(page: Page) -> Iterator[Page]:
    page.goto("/services")
    expect(page.get_by_role("region", name="Pictures", exact=True)).to_be_visible()
    yield page
    for name in ("pen", "easel", "night-ink", "far-away"):
        page.request.delete(f"/api/services/{name}")
    page.request.put("/api/choices/picture", data={})


def plug_in(page: Page, way: str, name: str) -> None:
    page.get_by_role("button", name=re.compile(f"^{way}")).click()
    page.get_by_label("Name", exact=True).fill(name)


def test_the_page_says_who_does_what(services: Page) -> None:
    rows = services.get_by_role("region", name="Pictures", exact=True).get_by_role(
        "button", name="Illustrator"
    )
    expect(rows).to_have_count(2)
    expect(rows.first).to_contain_text("stand-in")
    expect(rows.first).to_contain_text("0.003 a picture")
    expect(rows.first).to_contain_text(re.compile(r"[\d,]+ of 2,000"))
    rows.first.click()
    beside = services.get_by_role("complementary", name="Particulars")
    expect(beside).to_contain_text("A stand-in: it simulates such a service")
    # What it lacks is said, with what is done about it.
    expect(beside).to_contain_text("What must not be seen cannot be said")
    no_barriers(services, "offers")


def test_a_program_is_plugged_in_tried_and_taken_out(services: Page, tmp_path: Path) -> None:
    ready = tmp_path / "ready.png"
    ready.write_bytes(picture(40))
    plug_in(services, "A program on this machine", "Pen")
    services.get_by_label("Command", exact=True).fill("no-such-program {output}")
    trying = services.get_by_role("region", name="Try it")
    trying.get_by_role("button", name="Try", exact=True).click()
    expect(trying.get_by_role("alert")).to_contain_text("no program “no-such-program”")
    services.get_by_label("Command", exact=True).fill(f'cp "{ready}" {{output}}')
    trying.get_by_role("button", name="Try", exact=True).click()
    shown = trying.get_by_role("img", name="What came")
    expect(shown).to_be_visible()
    assert shown.evaluate("i => i.naturalWidth") == 640
    no_barriers(services, "trying a program")
    services.get_by_role("button", name="Plug it in").click()
    row = services.get_by_role("region", name="Pictures", exact=True).get_by_role(
        "button", name="Pen"
    )
    expect(row).to_contain_text("program")
    row.click()
    services.get_by_role("button", name="Its settings").click()
    services.get_by_role("button", name="Take it out").click()
    expect(row).to_have_count(0)


def test_a_described_interface_shows_what_was_sent_and_hides_the_key(services: Page) -> None:
    said = told(401, message="that key is not known")
    with serving(lambda asked, n: said) as server:
        plug_in(services, "An HTTP interface", "Night ink")
        description = services.get_by_label("Description")
        text = description.input_value().replace("https://pictures.test", server.address)
        description.fill(text.replace('kind = "picture"', 'kind = "poem"'))
        services.get_by_label("Key", exact=True).fill("sk-browser-4711")
        services.get_by_label("It is on this machine").check()
        services.get_by_role("button", name="Plug it in").click()
        # The line that is wrong is named.
        expect(services.get_by_role("alert")).to_contain_text("Line 2: offer.kind")
        description.fill(text)
        services.get_by_role("button", name="Try", exact=True).click()
        trying = services.get_by_role("region", name="Try it")
        expect(trying.get_by_role("alert")).to_contain_text("that key is not known")
        expect(trying).to_contain_text(f"POST {server.address}/v1/draw")
        expect(trying).to_contain_text('"text":"A lamp on a table')
        assert server.asked[0].headers["Authorization"] == "Bearer sk-browser-4711"
        services.get_by_role("button", name="Plug it in").click()
        expect(services.get_by_role("region", name="Pictures", exact=True)).to_contain_text(
            "Night ink"
        )
    services.get_by_role("button", name="Night ink").click()
    services.get_by_role("button", name="Its settings").click()
    expect(services.get_by_label("Key", exact=True)).to_have_value("")
    expect(services.get_by_label("Key", exact=True)).to_have_attribute(
        "placeholder", re.compile("written in")
    )
    assert "4711" not in services.content()


@pytest.mark.long
def test_a_service_that_does_not_answer_is_said_to(services: Page) -> None:
    plug_in(services, "A service on our protocol", "Far away")
    services.get_by_label("Address").fill("http://127.0.0.1:9")
    services.get_by_role("button", name="Plug it in").click()
    check = services.get_by_role("region", name="Its check")
    expect(check).to_contain_text("It does not answer")
    expect(services.get_by_role("region", name="Offers").get_by_role("status")).to_contain_text(
        "Far away"
    )
    no_barriers(services, "a check")


def test_who_is_asked_first_and_who_when_that_one_cant(services: Page) -> None:
    heading = services.get_by_role("region", name="Pictures", exact=True)
    heading.get_by_label("First for picture").click()
    services.get_by_role("option", name="Illustrator, fine").click()
    expect(heading.get_by_label("First for picture")).to_contain_text("Illustrator, fine")
    heading.get_by_label("Second for picture").click()
    services.get_by_role("option", name="Illustrator, quick").click()
    services.reload()
    expect(heading.get_by_label("Second for picture")).to_contain_text("Illustrator, quick")
    rows = heading.get_by_role("button", name="Illustrator")
    expect(rows.first).to_contain_text("fine")
    rows.first.click()
    services.get_by_role("radio", name="5 of 5").click()
    expect(services.get_by_role("radio", name="5 of 5")).to_be_checked()


def test_the_days_list_by_hand(services: Page, film: str, tmp_path: Path) -> None:
    plug_in(services, "By hand", "Easel")
    services.get_by_label("A day, at most").fill("2")
    services.get_by_role("button", name="Plug it in").click()
    expect(services.get_by_role("region", name="Pictures", exact=True)).to_contain_text("Easel")
    opened = services.request.get(f"/api/films/{film}").json()
    shots = [row[0] for row in opened["shots"]][:3]
    wish = {"kind": "pictures", "takes": 1, "shots": shots, "offer": "easel"}
    run = services.request.post(f"/api/films/{film}/runs", data=wish).json()

    def waits() -> bool:
        runs = services.request.get(f"/api/films/{film}/runs").json()
        return any(r["id"] == run["id"] and "Easel" in r["waits"] for r in runs)

    until(waits, 60)
    services.get_by_role("tab", name="By hand").click()
    listed = services.get_by_role("region", name="List for today")
    expect(listed.get_by_role("listitem")).to_have_count(2)
    expect(listed).to_contain_text("2 for today, 1 for later days")
    no_barriers(services, "a list by hand")
    # By keys: the prompt of this one, then the next one's.
    services.keyboard.press("c")
    expect(services.get_by_text(re.compile("prompt of number .* is copied"))).to_be_visible()
    first = services.evaluate("navigator.clipboard.readText()")
    services.keyboard.press("n")
    until(lambda: services.evaluate("navigator.clipboard.readText()") != first, 5)
    expect(listed.get_by_role("listitem").nth(1)).to_have_attribute("aria-current", "true")
    numbers = [
        listed.get_by_role("listitem").nth(i).locator("span").first.inner_text() for i in (0, 1)
    ]
    packed = tmp_path / "made.zip"
    with zipfile.ZipFile(packed, "w") as archive:
        archive.writestr(f"{numbers[0]} the mill.png", picture(80))
        archive.writestr("a dog.png", picture(90))
    bringing = services.get_by_role("complementary", name="Bring files")
    bringing.get_by_label("Files that are made").set_input_files(packed)
    expect(bringing.get_by_role("status")).to_contain_text("1 file has its place")
    expect(bringing.get_by_role("status")).to_contain_text("does not begin with a number")
    listed.get_by_role("button", name=re.compile("^Take number")).first.click()

    def is_there() -> bool:
        runs = services.request.get(f"/api/films/{film}/runs").json()
        return any(r["id"] == run["id"] and r["done"] == 1 for r in runs)

    until(is_there, 40)
    services.request.delete(f"/api/runs/{run['id']}")


@pytest.fixture
def no_limit_stays(stack: Temporary) -> Iterator[None]:
    """Whatever happens, the tests after this one may spend."""
    yield
    stack.shop.spending.set_limit("month", None)


@pytest.mark.usefixtures("no_limit_stays")
def test_money_has_limits(services: Page, film: str) -> None:
    opened = services.request.get(f"/api/films/{film}").json()
    wish = {"kind": "pictures", "takes": 1, "shots": [opened["shots"][-1][0]]}
    services.request.post(f"/api/films/{film}/runs", data={**wish, "offer": "illustrator-quick"})
    until(lambda: services.request.get("/api/money").json()["month"] >= 0.003, 40)
    services.get_by_role("tab", name="Money").click()
    limits = services.get_by_role("complementary", name="Limits")
    field = limits.get_by_label("Limit for this month")
    field.fill("0.003")
    field.press("Enter")
    expect(limits).to_contain_text(re.compile("Nothing is left|Little is left"))
    no_barriers(services, "money")
    services.goto("/services?view=money")
    expect(field).to_have_value("0.003")
    field.fill("")
    field.press("Enter")
    expect(limits).not_to_contain_text("Nothing is left")
    with services.expect_download() as taken:
        services.get_by_role("link", name="Take the ledger out").click()
    assert Path(taken.value.path()).read_text().startswith("at,film,shot,kind,offer,amount,job")


@pytest.mark.long
def test_pictures_are_shared_out(services: Page, film: str) -> None:
    stars = {"stars": {"illustrator-fine": 5, "illustrator-quick": 2}}
    services.request.put("/api/choices/picture", data=stars)
    services.goto(f"/services?view=sharing&film={film}")
    table = services.get_by_role("table")
    fine = table.get_by_label(re.compile("by Illustrator, fine"))
    quick = table.get_by_label(re.compile("by Illustrator, quick"))
    expect(fine.first).to_have_value(re.compile(r"\d+"))
    expect(quick.first).to_have_value("")
    no_barriers(services, "sharing out")
    services.get_by_label("For at most").fill("0.06")
    # One fine one at 0.05 leaves room for quick ones; what the sum costs is said.
    expect(quick.first).to_have_value(re.compile(r"\d+"))
    expect(services.get_by_role("region", name="What each limit costs")).to_contain_text(
        "With any sum"
    )
    services.get_by_label("For at most").fill("")
    fine.first.fill("0")
    expect(fine.first).to_have_value("0")
    expect(quick.first).to_have_value(re.compile(r"[1-9]"))
    services.get_by_role("button", name="Let go of what is held").click()
    expect(quick.first).to_have_value("")
    services.get_by_label("For at most").fill("0.05")
    services.get_by_role("button", name="Make them so").click()
    expect(services.get_by_text(re.compile("their share of it|has their share"))).to_be_visible()
    expect(services.get_by_text("Every shot of it has its picture.")).to_be_visible(timeout=300_000)


def test_an_address_is_told_and_taken_away(page: Page, address: str) -> None:
    with serving(lambda asked, n: told(204)) as outside:
        page.goto("/services?view=told")
        desk = page.get_by_role("region", name="Told elsewhere")
        desk.get_by_label("Address to tell").fill(f"{outside.address}/ready")
        desk.get_by_role("button", name="Tell it from now on").click()
        expect(desk.get_by_text(re.compile("^whsec_"))).to_be_visible()
        no_barriers(page, "told elsewhere")
        row = desk.get_by_role("listitem").filter(has_text=outside.address)
        row.get_by_role("button", name="Send it a word").click()
        expect(row).to_contain_text("it answered 204")
        page.reload()
        expect(desk.get_by_text(re.compile("^whsec_"))).to_have_count(0)
        row.get_by_role("button", name="No more").click()
        expect(desk.get_by_text("Nobody outside is told yet")).to_be_visible()
    assert outside.asked[0].json["type"] == "trial"
