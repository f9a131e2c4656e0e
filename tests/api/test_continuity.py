"""Continuity over the running stack: who is who, references, looks, drift accepted, the company."""

import io

import numpy as np
import pytest
from PIL import Image, ImageDraw

from tests.api.conftest import STORY


def film_of(client, film: dict) -> dict:
    return client.get(f"/api/films/{film['id']}").json()


def change(client, film: dict, **command) -> dict:
    revision = film_of(client, film)["revision"]
    answer = client.post(
        f"/api/films/{film['id']}/changes", json={"revision": revision, "command": command}
    )
    assert answer.status_code == 200, answer.text
    return answer.json()


def start(client, film: dict, **wish) -> dict:
    answer = client.post(f"/api/films/{film['id']}/runs", json={"kind": "pictures", **wish})
    assert answer.status_code == 202, answer.text
    return answer.json()


def spent(client, film: dict) -> float:
    return client.get(f"/api/films/{film['id']}/spending").json()["film"]


def dressed(film: dict, name: str, *traits: tuple[str, str]) -> dict:
    person = next(p for p in film["cast"] if p["name"] == name)
    return {**person, "traits": [{"about": about, "text": text} for about, text in traits]}


def png(colour: tuple[int, int, int], size: tuple[int, int] = (640, 480)) -> bytes:
    out = io.BytesIO()
    image = Image.new("RGB", size, colour)
    ImageDraw.Draw(image).rectangle((0, 0, size[0] // 2, size[1]), fill=(240, 226, 196))
    image.save(out, "PNG")
    return out.getvalue()


def brought(*colours: tuple[int, int, int]) -> list:
    return [("files", (f"{i}.png", png(c), "image/png")) for i, c in enumerate(colours)]


def test_who_is_who_is_proposed_and_not_made(client, film) -> None:
    who = client.get(f"/api/films/{film['id']}/who").json()
    calls = {a["person"]: {c["name"]: c["count"] for c in a["calls"]} for a in who["appearances"]}
    ada = next(p["id"] for p in film["cast"] if p["name"] == "Ada")
    assert (
        calls[ada]["Ada"] == 2
        and next(a["lines"] for a in who["appearances"] if a["person"] == ada) == 1
    )
    assert film_of(client, film)["revision"] == film["revision"]
    assert client.get("/api/colour", params={"words": "teal coat"}).json() == {"css": "#2c7676"}
    assert client.get("/api/colour", params={"words": "a kind face"}).json() == {"css": None}


@pytest.mark.long
def test_a_model_sheet_is_made_circled_and_goes_with_exactly_that_persons_pictures(
    client, film, finished
) -> None:
    ada = dressed(
        film, "Ada", ("hair", "long red hair"), ("skin", "fair skin"), ("clothes", "teal coat")
    )
    seen = change(client, film, type="set person", person=ada)
    where = f"/api/films/{film['id']}/references/person/{ada['id']}"
    assert client.get(where).json()["made"] == []
    assert (
        finished(
            film["id"], start(client, film, kind="references", person=ada["id"], takes=2)["id"]
        )["state"]
        == "done"
    )
    made = client.get(where).json()
    assert len(made["made"]) == 2 and "Model sheet" in made["prompt"] and made["fits"]
    assert made["made"][0]["seed"] != made["made"][1]["seed"]
    sheet = made["made"][0]["reference"]
    assert {"long red hair", "teal coat"} <= set(sheet["colours"]) and sheet["look"] == seen[
        "settings"
    ]["look"]
    paid = spent(client, film)
    finished(film["id"], start(client, film)["id"])
    circled = {**next(p for p in seen["cast"] if p["id"] == ada["id"]), "references": [sheet]}
    told = client.post(
        f"/api/films/{film['id']}/impact", json={"type": "set person", "person": circled}
    ).json()
    after = change(client, film, type="set person", person=circled)
    hers = {s["id"] for s in after["shots"] if ada["id"] in s["people"]}
    assert (
        {s["id"] for s in after["shots"] if s["stale"]}
        == hers
        == {s["id"] for s in after["shots"] if s["references"]}
    )
    assert told["stale"] == len(hers) and told["prompts"] == 0
    run = finished(film["id"], start(client, film)["id"])
    assert run["state"] == "done" and not run["failures"]
    final = film_of(client, film)
    assert not any(s["stale"] for s in final["shots"]) and spent(client, film) > paid
    drift = [d for s in final["shots"] for d in s["drift"] if d["person"] == ada["id"]]
    assert drift and all(
        f["apart"] < 12
        for d in drift
        for f in d["found"]
        if f["kind"] == "colour" and f["by"].startswith("as in model")
    )


def test_a_room_whose_walls_are_painted_over_is_found_and_nobody_in_it(client, finished) -> None:
    """The colours proposed for a room are measured in its pictures; a prompt that says others is found out."""
    story = "Ada sat down in the kitchen. She drank her tea. She looked at the window. She slept."
    film = client.post("/api/films", json={"title": "Tea", "text": story}).json()
    finished(film["id"], start(client, film)["id"])
    before = film_of(client, film)
    walls = [w for p in before["places"] for w in p["description"].split(", ") if "walls" in w]
    at_home = {s["id"]: of_place(s) for s in before["shots"]}
    assert all({f["trait"] for f in found} >= set(walls) for found in at_home.values())
    assert not [f for found in at_home.values() for f in found if f["marked"]]
    shot = before["shots"][1]
    other = "teal walls" if "teal" not in walls[0] else "plum walls"
    painted = shot["prompt"].replace(walls[0], other)
    change(client, film, type="set shots", shots=[shot["id"]], values={"prompt": painted})
    finished(film["id"], start(client, film)["id"])
    after = {s["id"]: of_place(s) for s in film_of(client, film)["shots"]}
    marked = {number: [f["trait"] for f in found if f["marked"]] for number, found in after.items()}
    assert marked.pop(shot["id"]) == walls
    assert not any(marked.values())


def of_place(shot: dict) -> list[dict]:
    """What was found of the place of a shot."""
    own = [d for d in shot["drift"] if d["person"] is None]
    return [f for d in own for f in d["found"] if f["kind"] == "colour"]


def test_drift_is_found_accepted_and_found_again_in_another_take(client, film, finished) -> None:
    ada = dressed(
        film, "Ada", ("hair", "long red hair"), ("skin", "fair skin"), ("clothes", "teal coat")
    )
    change(client, film, type="set person", person=ada)
    finished(film["id"], start(client, film)["id"])
    before = film_of(client, film)
    shot = next(s for s in before["shots"] if ada["id"] in s["people"])
    changed = change(client, film, type="set shots", shots=[shot["id"]],
                     values={"prompt": "Medium shot. Ada (woman, black hair, fair skin, yellow coat). a shore. day. layered cut paper"})  # fmt: skip
    assert next(s for s in changed["shots"] if s["id"] == shot["id"])["stale"]
    finished(film["id"], start(client, film)["id"])
    off = next(s for s in film_of(client, film)["shots"] if s["id"] == shot["id"])
    drift = next(d for d in off["drift"] if d["person"] == ada["id"])
    assert {"long red hair", "teal coat"} <= set(drift["missing"]) and drift["worst"] > 20
    assert {f["trait"] for f in drift["found"] if f["marked"]} >= {"long red hair", "teal coat"}
    accepted = change(
        client,
        film,
        type="accept drift",
        shot=shot["id"],
        take=off["used"],
        person=ada["id"],
        about=drift["about"],
    )
    kept = next(
        d
        for s in accepted["shots"]
        if s["id"] == shot["id"]
        for d in s["drift"]
        if d["person"] == ada["id"]
    )
    assert (
        kept["open"] == 0
        and kept["missing"] == []
        and all(f["accepted"] for f in kept["found"] if f["marked"])
    )
    finished(film["id"], start(client, film, shots=[shot["id"]], takes=1)["id"])
    takes = next(s for s in film_of(client, film)["shots"] if s["id"] == shot["id"])["takes"]
    other = change(client, film, type="circle take", shot=shot["id"], take=takes[-1]["id"])
    again = next(
        d
        for s in other["shots"]
        if s["id"] == shot["id"]
        for d in s["drift"]
        if d["person"] == ada["id"]
    )
    assert again["open"] > 0, "accepted of one take, not of the next"
    undone = client.post(f"/api/films/{film['id']}/undo").json()
    assert (
        next(
            d
            for s in undone["shots"]
            if s["id"] == shot["id"]
            for d in s["drift"]
            if d["person"] == ada["id"]
        )["open"]
        == 0
    )


def test_a_look_is_tried_on_three_shots_that_are_not_paid_twice(client, film, finished) -> None:
    where = f"/api/films/{film['id']}/looks/clay/samples"
    samples = client.get(where).json()
    assert len(samples) == min(3, len(film["shots"])) and not any(s["media"] for s in samples)
    told = client.post(
        f"/api/films/{film['id']}/estimate", json={"kind": "look", "look": "clay"}
    ).json()
    finished(film["id"], start(client, film, kind="look", look="clay")["id"])
    assert all(s["media"] for s in client.get(where).json())
    first = spent(client, film)
    assert (
        first == pytest.approx(told["cost"])
        and film_of(client, film)["settings"]["look"] == "cut-paper"
    )
    assert not any(s["takes"] for s in film_of(client, film)["shots"])
    command = {"type": "set settings", "values": {"look": "clay"}}
    whole = client.post(f"/api/films/{film['id']}/impact", json=command).json()
    change(client, film, **command)
    finished(film["id"], start(client, film)["id"])
    made = film_of(client, film)
    tried = {s["shot"]: s["media"] for s in samples and client.get(where).json()}
    assert {s["id"]: s["takes"][0]["media"] for s in made["shots"] if s["id"] in tried} == tried
    own = [s for s in made["shots"] if s["picture_of"] == s["id"]]
    assert spent(client, film) == pytest.approx(told["cost"] / len(samples) * len(own))
    assert spent(client, film) - first == pytest.approx(whole["cost"])
    assert client.get(f"/api/films/{film['id']}/looks/oil/samples").status_code == 422


def test_a_look_is_measured_from_pictures_and_used(client, film) -> None:
    id = film["id"]
    files = brought((44, 118, 118), (190, 52, 42))
    references = client.post(f"/api/films/{id}/references", files=files).json()
    assert len(references) == 2 and references[0]["title"] == "0.png"
    wish = {"title": "Two stripes", "medium": "gouache painting", "pictures": references}
    made = client.post(f"/api/films/{id}/looks", json=wish).json()
    assert {c["name"] for c in made["look"]["palette"]} >= {"teal", "red", "cream"} and len(
        made["measured"]
    ) == 2
    assert made["look"]["strength"] == 50 and made["look"]["measured"]["lightness"] > 40
    after = change(client, film, type="set look", look=made["look"], use=True)
    assert all(
        "gouache painting" in s["prompt"] and "palette of" in s["prompt"] for s in after["shots"]
    )
    assert all(s["references"] == 1 for s in after["shots"])
    too_many = client.post(f"/api/films/{id}/references", files=brought(*[(9, 9, 9)] * 5))
    assert too_many.status_code == 422 and "one to four" in too_many.text
    broken = client.post(
        f"/api/films/{id}/references", files=[("files", ("x.png", b"\x89PNG", "image/png"))]
    )
    assert broken.status_code == 422 and "x.png" in broken.text


def test_figures_of_a_picture_of_ones_own_are_boxed_and_measured(client, film) -> None:
    id = film["id"]
    ada = dressed(film, "Ada", ("clothes", "teal coat"))
    change(client, film, type="set person", person=ada)
    shot = next(s for s in film_of(client, film)["shots"] if ada["id"] in s["people"])
    image = Image.new("RGB", (640, 360), (150, 150, 150))
    ImageDraw.Draw(image).rectangle((200, 40, 440, 350), fill=(44, 118, 118))
    out = io.BytesIO()
    image.save(out, "PNG")
    files = {"file": ("own.png", out.getvalue(), "image/png")}
    seen = client.post(f"/api/films/{id}/shots/{shot['id']}/takes", files=files).json()
    take = next(s for s in seen["shots"] if s["id"] == shot["id"])["used"]
    where = f"/api/films/{id}/takes/{take}/figures"
    boxed = client.put(where, json=[{"person": ada["id"], "box": [0.3, 0.1, 0.7, 0.98]}]).json()
    here = next(s for s in boxed["shots"] if s["id"] == shot["id"])
    assert here["figures"] == [{"person": ada["id"], "box": [0.3, 0.1, 0.7, 0.98]}]
    assert not any(f["marked"] for d in here["drift"] for f in d["found"] if f["kind"] == "colour")
    red = change(
        client, film, type="set person", person=dressed(film, "Ada", ("clothes", "red coat"))
    )
    here = next(s for s in red["shots"] if s["id"] == shot["id"])
    assert any(f["marked"] and f["trait"] == "red coat" for d in here["drift"] for f in d["found"])
    assert client.put(where, json=[{"person": 99, "box": [0, 0, 1, 1]}]).status_code == 422
    assert client.put(f"/api/films/{id}/takes/nothing/figures", json=[]).status_code == 404


def test_the_company_is_searched_taken_given_back_and_put_back(client, film) -> None:
    everybody = client.get("/api/company").json()
    assert len([m for m in everybody if m["kind"] != "look"]) >= 24
    assert {m["kind"] for m in client.get("/api/company", params={"kind": "place"}).json()} == {
        "place"
    }
    assert {
        m["age"] for m in client.get("/api/company", params={"kind": "person", "age": "old"}).json()
    } == {"old"}
    orla = client.get("/api/company", params={"words": "navy coat"}).json()[0]
    assert orla["name"] == "Orla Finch" and orla["ours"] and not orla["changed"]
    taken = {**orla["card"]["person"], "id": 0, "company": orla["id"]}
    seen = change(client, film, type="set person", person=taken)
    own = next(p for p in seen["cast"] if p["company"] == orla["id"])
    own["traits"][1]["text"] = "long red hair"
    change(client, film, type="set person", person=own)
    assert (
        client.get("/api/company", params={"words": "orla"}).json()[0]["card"]["person"]["traits"][
            1
        ]["text"]
        == "short red hair"
    )
    given = client.put(f"/api/company/{orla['id']}", json={"card": {"person": own}}).json()
    assert (
        given["changed"]
        and given["card"]["person"]["traits"][1]["text"] == "long red hair"
        and given["card"]["person"]["id"] == 0
    )
    assert client.delete(f"/api/company/{orla['id']}").status_code == 204
    back = client.get("/api/company", params={"words": "orla"}).json()[0]
    assert back["ours"] and back["card"]["person"]["traits"][1]["text"] == "short red hair"
    place = client.post(
        "/api/company",
        json={"card": {"place": {"id": 3, "name": "The quay", "description": "a stone quay"}}},
    ).json()
    assert (
        place["id"].startswith("own-")
        and client.get("/api/company", params={"words": "stone quay"}).json()[0]["id"]
        == place["id"]
    )
    wrong = client.put(f"/api/company/{place['id']}", json={"card": {"person": own}})
    assert wrong.status_code == 422 and "is a place" in wrong.text
    assert client.delete(f"/api/company/{place['id']}").status_code == 204
    assert client.delete(f"/api/company/{place['id']}").status_code == 404
    unknown = {"media": "f" * 64 + ".png", "thumb": "f" * 64 + ".jpg"}
    assert (
        client.post(
            "/api/company", json={"card": {"person": {**own, "references": [unknown]}}}
        ).status_code
        == 422
    )
    assert client.post("/api/company", json={"card": {}}).status_code == 422


def test_what_a_change_of_any_kind_would_do_is_told_and_is_what_happens(
    client, film, finished
) -> None:
    finished(film["id"], start(client, film)["id"])
    seen = film_of(client, film)
    ada = next(p for p in seen["cast"] if p["name"] == "Ada")
    bram = next(p for p in seen["cast"] if p["name"] == "Bram")
    for command in (
        {"type": "set settings", "values": {"negative": "cars", "offer": "illustrator-fine"}},
        {"type": "merge people", "id": ada["id"], "into": bram["id"]},
        {"type": "set scene", "word": seen["scenes"][0]["word"], "values": {"time": "dusk"}},
    ):
        told = client.post(f"/api/films/{film['id']}/impact", json=command).json()
        after = change(client, film, **command)
        assert (
            told["stale"]
            == sum(s["stale"] for s in after["shots"] if s["picture_of"] == s["id"])
            > 0
        )
        assert 0 < told["prompts"] <= len(told["shots"])
        client.post(f"/api/films/{film['id']}/undo")
    assert STORY.strip() == film_of(client, film)["text"].strip() and np.isfinite(told["cost"])
