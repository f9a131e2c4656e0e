"""The script desk over HTTP: files in and out, finding, renaming, versions, writing and reworking."""

import json

import pytest

from tests.conftest import STORY

TABLE = "no;voice;mood\n1;The lamp was dark.;sad\n2;“Row,” said Ada.;glad\n"


def change(client, film, **command):
    now = client.get(f"/api/films/{film}").json()
    answer = client.post(
        f"/api/films/{film}/changes", json={"revision": now["revision"], "command": command}
    )
    assert answer.status_code == 200, answer.text
    return answer.json()


def test_a_table_is_shown_and_read_as_the_maker_says(client) -> None:
    file = {"file": ("shots.csv", TABLE.encode("utf-16"), "text/csv")}
    first = client.post("/api/stories", files=file).json()
    assert (
        first["table"]["header"] == ["no", "voice", "mood"]
        and first["table"]["columns"][0] == "number"
    )
    chosen = client.post(
        "/api/stories", files=file, data={"columns": json.dumps(["number", "narration", "picture"])}
    ).json()
    assert [s["own"]["prompt"] for s in chosen["shots"]] == ["sad", "glad"]
    film = client.post(
        "/api/films", json={"title": "T", "text": chosen["text"], "shots": chosen["shots"]}
    ).json()  # fmt: skip
    assert [s["prompt"] for s in film["shots"]] == ["sad", "glad"]
    bad = client.post("/api/stories", files=file, data={"columns": "[1]"})
    assert bad.status_code == 422 and "columns" in bad.json()["title"]


@pytest.mark.parametrize("format", ["txt", "md", "fountain", "srt", "vtt", "csv", "tsv"])
def test_a_script_goes_out_and_comes_back(client, film, format) -> None:
    out = client.get(f"/api/films/{film['id']}/script.{format}")
    assert out.status_code == 200 and f".{format}" in out.headers["content-disposition"]
    back = client.post(
        "/api/stories", files={"file": (f"x.{format}", out.content, "text/plain")}
    ).json()
    again = client.post(
        "/api/films", json={"title": "again", "text": back["text"], "shots": back["shots"]}
    ).json()
    words = [film["text"][a:b] for a, b, *_ in film["words"]]
    assert [again["text"][a:b] for a, b, *_ in again["words"]] == words
    if format in ("srt", "vtt", "csv", "tsv"):
        assert [s["text"] for s in again["shots"]] == [s["text"] for s in film["shots"]]
    assert client.get(f"/api/films/{film['id']}/script.doc").status_code == 404


def test_find_and_rename_show_every_place_first(client) -> None:
    film = client.post("/api/films", json={"text": STORY}).json()
    id = film["id"]
    found = client.post(f"/api/films/{id}/find", json={"query": "lamp", "instead": "light"}).json()
    assert len(found) == film["text"].lower().count("lamp")
    assert all(film["text"][p["start"] : p["end"]] == p["found"] and p["shot"] for p in found)
    pip = next(p for p in film["cast"] if p["name"] == "Pip")
    places = client.post(
        f"/api/films/{id}/renaming", json={"person": pip["id"], "name": "Tam"}
    ).json()
    after = change(
        client, id, type="rename person", id=pip["id"], name="Tam", leave=[places[0]["start"]]
    )
    assert after["text"].count("Pip") == 1 and after["text"].count("Tam") == len(places) - 1
    assert [w[2] for w in after["words"]] == [w[2] for w in film["words"]]
    assert (
        client.post(f"/api/films/{id}/renaming", json={"person": 999, "name": "X"}).status_code
        == 404
    )


def test_versions_are_compared_and_gone_back_to(client, film) -> None:
    id = film["id"]
    first = film["text"]
    change(client, id, type="edit text", start=0, end=0, insert="Before it all. ")
    change(client, id, type="set settings", values={"pace": 9})
    now = change(client, id, type="add hold", after=film["shots"][0]["id"], seconds=2)
    numbers = [c["number"] for c in client.get(f"/api/films/{id}/history").json()]
    found = client.get(f"/api/films/{id}/compare", params={"before": 0, "after": numbers[0]}).json()
    assert "".join(d["before"] for d in found["words"]) == first
    assert "".join(d["after"] for d in found["words"]) == now["text"]
    assert any("pace" in o for o in found["others"]) and any("shots" in o for o in found["others"])
    back = client.post(f"/api/films/{id}/versions/0").json()
    assert (
        back["text"] == first
        and back["undo"] == "go back to version 0"
        and len(back["shots"]) == len(film["shots"])
    )
    assert client.post(f"/api/films/{id}/undo").json()["text"] == now["text"]
    assert client.post(f"/api/films/{id}/versions/777").status_code == 404
    # A shot made after going back never takes a number that another shot had.
    again = client.post(f"/api/films/{id}/versions/{numbers[-1]}").json()
    newest = change(client, id, type="add hold", after=again["shots"][0]["id"], seconds=1)["shots"][
        1
    ]["id"]
    assert newest > max(s["id"] for s in now["shots"])


def test_a_reference_gives_numbers_and_the_film_says_how_close_it_is(client) -> None:
    film = client.post("/api/films", json={"text": STORY}).json()
    measured = client.post(
        "/api/paces", files={"file": ("x.txt", STORY.encode(), "text/plain")}
    ).json()
    assert len(measured["shot_seconds"]) == 10 and "lantern" not in json.dumps(measured)
    after = change(
        client,
        film["id"],
        type="set settings",
        values={"reference": measured, "follow_reference": True},
    )
    assert 0 < after["closeness"]["all"] <= 1 and film["closeness"] == {}
    wanted = {round(s["wanted"], 1) for s in after["shots"]}
    assert len(wanted) > 3
    assert (
        client.post(
            "/api/paces", files={"file": ("x.txt", b"Too short.", "text/plain")}
        ).status_code
        == 422
    )


def test_from_an_idea_to_a_film(client, stack) -> None:
    wish = {"task": "titles", "idea": "a baker who hears the bread talk", "seed": 5, "minutes": 1.5}
    titles = client.post("/api/writing", json=wish).json()
    assert len(set(titles["titles"])) == 10 and titles["cost"] == 0.01
    spent = stack.shop.spending.total()
    lines = client.post("/api/writing", json={**wish, "task": "storylines"}).json()["storylines"]
    again = client.post("/api/writing", json={**wish, "task": "storylines"}).json()["storylines"]
    assert lines == again and float(stack.shop.spending.total() - spent) == pytest.approx(0.01)
    written = client.post(
        "/api/writing", json={**wish, "task": "manuscript", "plot": lines[1]["plot"]}
    ).json()
    film = client.post(
        "/api/films", json={"title": written["title"], "text": written["text"]}
    ).json()
    assert len(film["scenes"]) >= 4 and abs(film["seconds"] / 90 - 1) < 0.1
    assert len(film["notes"]) == len(written["scenes"])
    empty = client.post("/api/writing", json={"task": "titles", "idea": " "})
    assert empty.status_code == 422 and "idea" in empty.json()["title"]
    french = client.post("/api/writing", json={**wish, "language": "fr"})
    assert french.status_code == 502 and "fr" in french.json()["title"]


def test_a_documentary_brings_sources_that_say_what_they_are(client) -> None:
    wish = {
        "task": "manuscript",
        "idea": "how the metre was measured",
        "structure": "chapters",
        "minutes": 1,
    }
    written = client.post(
        "/api/writing", json={**wish, "points": ["Two men set out in 1792"]}
    ).json()
    assert "Two men set out in 1792." in written["text"] and len(written["sources"]) == 3
    film = client.post(
        "/api/films", json={"text": written["text"], "sources": written["sources"]}
    ).json()
    assert len(film["sources"]) == 3 and all("replaced" in s["text"] for s in film["sources"])


def test_a_passage_is_reworked_and_accepted_in_part(client) -> None:
    film = client.post("/api/films", json={"text": STORY}).json()
    id, text = film["id"], film["text"]
    wish = {
        "start": 0,
        "end": len(text),
        "how": "instruction",
        "instruction": "make the ending more dramatic, zebra",
    }
    found = client.post(f"/api/films/{id}/rework", json=wish).json()
    changed = [p for p in found["pieces"] if p["before"] != p["after"]]
    assert changed and min(p["start"] for p in changed) > len(text) * 0.7
    assert "ending" in found["touched"] and found["unused"] == ["zebra"]
    assert "".join(p["before"] for p in found["pieces"]) == text
    one = changed[0]
    edits = [{"start": one["start"], "end": one["end"], "insert": one["after"]}]
    after = change(client, id, type="edit places", edits=edits, what="rework: more dramatic")
    assert after["text"] == text[: one["start"]] + one["after"] + text[one["end"] :]
    assert after["undo"] == "rework: more dramatic"
    nothing = client.post(f"/api/films/{id}/rework", json={"start": 5, "end": 5, "how": "tighten"})
    assert nothing.status_code == 422
