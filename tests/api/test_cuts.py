"""Cuts of one film: kept by a name, changed apart, compared; what was made is shared and not paid again."""

import pytest

from tests.api.test_retouch import start
from tests.api.test_rules import change


def keep(client, film: str, name: str) -> dict:
    answer = client.post(f"/api/films/{film}/cuts", json={"name": name})
    assert answer.status_code == 201, answer.text
    return answer.json()


@pytest.mark.long
def test_a_cut_has_all_that_its_film_has_and_goes_on_apart(client, film, finished) -> None:
    made = start(client, film, kind="everything")
    finished(film["id"], made["id"])
    change(client, film["id"], type="rename film", title="Two ways")
    cut = keep(client, film["id"], "  upright ")
    assert cut["name"] == "upright" and cut["film"] != film["id"]
    one, other = (client.get(f"/api/films/{f}").json() for f in (film["id"], cut["film"]))
    assert [s["takes"][0]["media"] for s in one["shots"]] == [
        s["takes"][0]["media"] for s in other["shots"]
    ]
    assert other["undo"] == "rename film" or other["undo"] == one["undo"]
    assert client.get(f"/api/films/{film['id']}/cuts/{cut['film']}/differences").json() == []
    estimate = client.post(f"/api/films/{cut['film']}/estimate", json={"kind": "everything"}).json()
    assert estimate["cost"] == 0, "what was made is not paid again"
    shot = other["shots"][1]
    change(client, cut["film"], type="set settings", values={"aspect": "9:16"})
    change(client, cut["film"], type="set hold", shot=shot["id"], seconds=2)
    assert client.get(f"/api/films/{film['id']}").json()["settings"]["aspect"] == "16:9"
    told = client.get(f"/api/films/{film['id']}/cuts/{cut['film']}/differences").json()
    assert ("setting", "aspect", "16:9", "9:16") in [
        (d["sort"], d["what"], d["here"], d["there"]) for d in told
    ]
    (longer,) = [d for d in told if d["sort"] == "time" and d["shot"] == shot["id"]]
    assert longer["there"] - longer["here"] > 1.5 and longer["edge"] == shot["edge"]
    back = client.get(f"/api/films/{cut['film']}/cuts/{film['id']}/differences").json()
    assert len(back) == len(told)


def test_words_pictures_and_order_differ_by_shot(client, film) -> None:
    cut = keep(client, film["id"], "shorter")
    now = client.get(f"/api/films/{cut['film']}").json()
    first, last = now["words"][0], now["words"][2]
    change(
        client, cut["film"], type="edit text", start=first[0], end=last[1], insert="It was so that"
    )
    change(
        client,
        cut["film"],
        type="set shots",
        shots=[now["shots"][-1]["id"]],
        values={"framing": "close"},
    )
    told = client.get(f"/api/films/{film['id']}/cuts/{cut['film']}/differences").json()
    sorts = {d["sort"] for d in told}
    assert {"words", "made"} <= sorts
    (made,) = [d for d in told if d["sort"] == "made"]
    assert made["what"] == "framing" and made["there"] == {"framing": "close"}


def test_cuts_are_listed_named_once_and_gone_from_the_list_when_off_the_shelf(client, film) -> None:
    assert [c["name"] for c in client.get(f"/api/films/{film['id']}/cuts").json()] == ["first cut"]
    cut = keep(client, film["id"], "for Ada")
    again = keep(client, cut["film"], "a cut of a cut")
    for asked in (film["id"], cut["film"], again["film"]):
        names = [c["name"] for c in client.get(f"/api/films/{asked}/cuts").json()]
        assert names == ["first cut", "for Ada", "a cut of a cut"]
    taken = client.post(f"/api/films/{film['id']}/cuts", json={"name": "FOR ada"})
    assert taken.status_code == 422 and "already" in taken.json()["title"]
    assert client.post(f"/api/films/{film['id']}/cuts", json={"name": ""}).status_code == 422
    assert client.post("/api/films/nobody/cuts", json={"name": "x"}).status_code == 404
    card = next(c for c in client.get("/api/films").json() if c["id"] == cut["film"])
    assert card["cut"] == "for Ada"
    assert client.delete(f"/api/films/{cut['film']}").status_code == 204
    names = [c["name"] for c in client.get(f"/api/films/{film['id']}/cuts").json()]
    assert names == ["first cut", "a cut of a cut"]


def test_a_part_becomes_an_upright_cut_with_the_pictures_that_there_are(
    client, film, finished
) -> None:
    made = start(client, film, kind="pictures", takes=1)
    finished(film["id"], made["id"])
    now = client.get(f"/api/films/{film['id']}").json()
    shots = now["shots"]
    part = {"name": "short", "start": shots[1]["start"], "end": shots[1]["stop"], "aspect": "9:16"}
    answer = client.post(f"/api/films/{film['id']}/excerpts", json=part)
    assert answer.status_code == 201, answer.text
    cut = answer.json()
    assert (cut["name"], cut["aspect"]) == ("short", "9:16") and 0 < cut["seconds"] < now["seconds"]
    there = client.get(f"/api/films/{cut['film']}").json()
    kept = {s["id"] for s in there["shots"]}
    assert shots[1]["id"] in kept and len(kept) < len(shots)
    before, after = (_used(f["shots"]) for f in (now, there))
    assert after and all(before[shot] == media for shot, media in after.items() if shot in before)
    # It is a change like any other: undone, the film is whole again there, and here nothing happened.
    for _ in range(2):
        client.post(f"/api/films/{cut['film']}/undo")
    assert client.get(f"/api/films/{cut['film']}").json()["text"] == now["text"]
    assert client.get(f"/api/films/{film['id']}").json()["revision"] == now["revision"]
    whole = {**part, "name": "all", "start": 0, "end": shots[-1]["stop"]}
    refused = client.post(f"/api/films/{film['id']}/excerpts", json=whole)
    assert refused.status_code == 422 and "whole film" in refused.json()["title"]


def _used(shots: list[dict]) -> dict[int, str]:
    """The picture that each shot uses."""
    return {
        s["id"]: next(t["media"] for t in s["takes"] if t["id"] == s["used"])
        for s in shots
        if s["used"]
    }
