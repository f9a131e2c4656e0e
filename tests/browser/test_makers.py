"""Who makes what, by mouse and keys: chosen for a shot, its scene, somebody and the film; a run that asks; an offer on
trial; what services say they were paid."""

import re
from collections.abc import Iterator

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.bridge.serving import serving, told
from tests.browser.steps import film_made, no_barriers
from tests.waiting import until

pytestmark = pytest.mark.browser
STORY = (
    "The kiln was cold. Ilse carried the clay up the stairs. “It will crack,” she said.\n\n"
    "# The yard — day\n\nHer uncle waited by the gate. Nobody came.\n"
)


@pytest.fixture(scope="module")
def film(browser: Browser, address: str) -> str:
    return film_made(browser, address, "The Cold Kiln", STORY)


@pytest.fixture
def chosen(page: Page) -> Iterator[Page]:
    yield page
    page.request.delete("/api/services/no-ink")
    page.request.put("/api/choices/picture", data={})


def choose(page: Page, label: str, option: str, within: object = None) -> None:
    (within or page).get_by_label(label, exact=True).first.click()  # type: ignore[attr-defined]
    page.get_by_role("option", name=option).click()


def made_by(page: Page, film: str) -> dict[str, object]:
    return page.request.get(f"/api/films/{film}/makers").json()


@pytest.mark.long
def test_it_is_chosen_for_a_shot_its_scene_somebody_and_the_film(page: Page, film: str) -> None:
    page.goto(f"/film/{film}/script")
    page.get_by_role("tab", name="Shot").click()
    rows = page.get_by_role("region", name="Made by")
    expect(rows.get_by_label("picture by")).to_contain_text("Illustrator, quick")
    choose(page, "picture by", "Illustrator, fine", rows)
    expect(rows.get_by_role("button", name="Lift who makes the picture")).to_be_visible()
    until(lambda: len(made_by(page, film)["shots"]) == 1, 10)  # type: ignore[arg-type]
    page.get_by_role("radio", name="for its scene").click()
    choose(page, "picture by", "Illustrator, fine", rows)
    until(lambda: len(made_by(page, film)["scenes"]) == 1, 10)  # type: ignore[arg-type]
    no_barriers(page, "who makes a shot")
    page.goto(f"/film/{film}/continuity")
    page.get_by_role("button", name=re.compile("^Ilse")).first.click()
    choose(page, "picture by", "Illustrator, fine", page.get_by_role("region", name="Made by"))
    # What that makes stale, and what it would cost, is said before.
    before = page.get_by_role("region", name="Before you decide")
    expect(before).to_contain_text(re.compile("becomes? stale|No picture becomes stale|No prompt"))
    before.get_by_role("button", name="Change only").click()
    until(lambda: len(made_by(page, film)["people"]) == 1, 10)  # type: ignore[arg-type]
    # All of it stands in one place, and can be lifted there.
    page.goto(f"/services?view=sharing&film={film}")
    who = page.get_by_role("region", name="Who makes it")
    expect(who.get_by_role("listitem")).to_have_count(3)
    expect(who).to_contain_text("Ilse: picture by Illustrator, fine")
    no_barriers(page, "who makes it")
    for left in (2, 1, 0):
        who.get_by_role("button", name="lift").first.click()
        expect(who.get_by_role("listitem")).to_have_count(left)
    choose(page, "picture by", "Illustrator, fine", who)
    page.get_by_role("region", name="Before you decide").get_by_role(
        "button", name="Change only"
    ).click()
    until(lambda: made_by(page, film)["film"]["picture"] == "illustrator-fine", 10)  # type: ignore[index]
    page.request.post(f"/api/films/{film}/undo")


@pytest.mark.long
def test_a_run_asks_and_is_answered_where_one_works(chosen: Page, film: str) -> None:
    toml = '[offer]\nkind = "picture"\n[send]\naddress = "{}/x"\n[result]\nas = "body"\n'
    with serving(lambda asked, n: told(400, why="no ink today")) as server:
        reached = {"how": "interface", "toml": toml.format(server.address)}
        settings = {"id": "no-ink", "title": "No Ink", "own_network": True, "reached": reached}
        assert chosen.request.post("/api/services", data={"settings": settings}).ok
        choice = {"then": "illustrator-quick", "asked": True}
        chosen.request.put("/api/choices/picture", data=choice)
        chosen.goto("/services")
        heading = chosen.get_by_role("region", name="Pictures", exact=True)
        expect(heading.get_by_label("When the second makes picture")).to_contain_text(
            "when I say so"
        )
        shot = chosen.request.get(f"/api/films/{film}").json()["shots"][-1][0]
        wish = {"kind": "pictures", "takes": 1, "shots": [shot], "offer": "no-ink"}
        run = chosen.request.post(f"/api/films/{film}/runs", data=wish).json()
        chosen.goto(f"/film/{film}/sheet")
        chosen.get_by_role("button", name=re.compile("^asks you")).click()
        menu = chosen.get_by_role("menu")
        expect(menu).to_contain_text("no ink today")
        menu.get_by_role("menuitem", name="Let “Illustrator, quick” make it").click()

        def is_made() -> bool:
            runs = chosen.request.get(f"/api/films/{film}/runs").json()
            return any(r["id"] == run["id"] and r["done"] == 1 for r in runs)

        until(is_made, 60)


@pytest.mark.long
def test_an_offer_is_tried_and_told_how_good_it_is(page: Page, film: str) -> None:
    page.goto("/services")
    page.get_by_role("button", name="Illustrator, fine").click()
    trial = page.get_by_role("region", name="On trial")
    trial.get_by_label("Film to try it on").click()
    page.get_by_role("option", name="The Cold Kiln").click()
    trial.get_by_role("button", name="Try it").click()
    expect(trial.get_by_role("img", name=re.compile("on trial$"))).to_have_count(3)
    no_barriers(page, "an offer on trial")
    shown = trial.get_by_role("img", name=re.compile("on trial$")).first
    assert shown.evaluate("i => i.decode().then(() => i.naturalWidth)") > 600
    page.get_by_role("radio", name="4 of 5").click()
    expect(page.get_by_role("radio", name="4 of 5")).to_be_checked()


def test_what_a_service_says_it_was_paid_is_held_against_the_ledger(page: Page, film: str) -> None:
    page.goto("/services?view=money")
    said = page.get_by_role("region", name="What services say")
    choose(page, "Whose statement", "the stand-ins", said)
    expect(said.get_by_role("status")).to_contain_text(re.compile(r"\d+ jobs are the same"))
    choose(page, "Of how long", "today", said)
    expect(said.get_by_role("status")).to_contain_text(re.compile(r"\d+ jobs are the same"))
    no_barriers(page, "what services say")
