"""Who makes what over the API: chosen for a film, a scene, somebody, a shot; on trial; asked about; and what services
say they were paid."""

import base64
import json
from typing import Any

import httpx
import pytest

from cutreel.running.temporary import Temporary
from cutreel.store import MediaStore
from cutreel.store.tables import Spent
from tests.bridge.serving import Asked, serving, told
from tests.waiting import until

from .test_rules import change
from .test_services import HAND, interface, png

CALLED = """
[offer]
kind = "picture"
price = 0.04
per = "picture"
[send]
address = "{address}/orders"
json = {{ text = "{{prompt}}", call = "{{callback}}" }}
[wait]
callback = true
seconds = 90
[result]
at = "$.picture"
as = "base64"
"""


def offers_of(stack: Temporary, film: str) -> dict[int, set[str]]:
    return {
        shot: {t.offer for t in takes} for shot, takes in stack.shop.takes.of_film(film).items()
    }


def run(client, film: str, **wish: Any) -> dict[str, Any]:
    return client.post(f"/api/films/{film}/runs", json=wish).json()


@pytest.mark.long
def test_each_picture_is_made_by_who_was_chosen_and_what_it_costs_is_said_before(
    client, film, stack: Temporary, finished
) -> None:
    url = f"/api/films/{film['id']}"
    opened = client.get(url).json()
    first, *others = [s["id"] for s in opened["shots"]]
    assert {s["made_by"]["picture"] for s in opened["shots"]} == {"illustrator-quick"}
    cheap = opened["missing"]["cost"]
    values = {"made_by": {"picture": "illustrator-fine"}}
    change(client, film["id"], type="set shots", shots=[first], values=values)
    opened = client.get(url).json()
    assert opened["shots"][0]["made_by"]["picture"] == "illustrator-fine"
    assert opened["missing"]["cost"] == pytest.approx(cheap - 0.003 + 0.05)
    asked = client.post(f"{url}/estimate", json={"kind": "pictures", "takes": 1}).json()
    assert asked["cost"] == pytest.approx(opened["missing"]["cost"])
    # A plan shares out what nobody was chosen for.
    plan = client.post(f"{url}/plan", json={}).json()
    assert plan["chosen"] == [first] and plan["chosen_cost"] == 0.05
    assert sum(plan["pieces"].values()) == len(others)
    finished(film["id"], run(client, film["id"], kind="pictures", takes=1)["id"])
    made = offers_of(stack, film["id"])
    assert made.pop(first) == {"illustrator-fine"}
    assert all(by == {"illustrator-quick"} for by in made.values()) and len(made) == len(others)
    told_ = client.get(f"{url}/makers").json()
    assert told_["film"]["picture"] == "illustrator-quick"
    assert [(s["number"], s["made_by"]) for s in told_["shots"]] == [(first, values["made_by"])]
    # Whoever is named for a run makes all of it.
    last = run(
        client, film["id"], kind="pictures", takes=1, shots=[first], offer="illustrator-quick"
    )
    finished(film["id"], last["id"])
    assert offers_of(stack, film["id"])[first] == {"illustrator-fine", "illustrator-quick"}


def test_choices_for_a_scene_and_for_somebody_are_told_in_one_place(client, film) -> None:
    url = f"/api/films/{film['id']}"
    opened = client.get(url).json()
    scene, ada = opened["scenes"][0], opened["cast"][0]
    change(client, film["id"], type="set scene", word=scene["word"], pace=None, aim=None,
           values={"made_by": {"clip": "animator"}})  # fmt: skip
    change(client, film["id"], type="set person",
           person={**ada, "made_by": {"picture": "illustrator-fine"}})  # fmt: skip
    change(client, film["id"], type="set settings", values={"made_by": {"music": "composer"}})
    told_ = client.get(f"{url}/makers").json()
    assert told_["film"] == {"picture": "illustrator-quick", "music": "composer"}
    assert [s["made_by"] for s in told_["scenes"]] == [{"clip": "animator"}]
    assert [(p["name"], p["made_by"]) for p in told_["people"]] == [
        (ada["name"], {"picture": "illustrator-fine"})
    ]
    shots = client.get(url).json()["shots"]
    for s in shots:
        of_ada = "illustrator-fine" if ada["id"] in s["people"] else "illustrator-quick"
        assert s["made_by"] == {"picture": of_ada, "clip": "animator", "music": "composer"}


@pytest.mark.long
def test_an_offer_is_tried_on_three_shots_and_they_are_not_paid_again(
    client, film, stack: Temporary, finished
) -> None:
    url = f"/api/films/{film['id']}"
    tried = client.get(f"{url}/trials/illustrator-fine").json()
    assert 1 <= len(tried) <= 3 and all(t["media"] is None for t in tried)
    ended = finished(
        film["id"], run(client, film["id"], kind="trial", offer="illustrator-fine")["id"]
    )
    assert ended["done"] == len(tried) and ended["cost"] == pytest.approx(0.05 * len(tried))
    assert not stack.shop.takes.of_film(film["id"]), "nothing was put into the film"
    tried = client.get(f"{url}/trials/illustrator-fine").json()
    assert all(stack.shop.media.has(t["media"]) for t in tried)
    change(client, film["id"], type="set settings", values={"offer": "illustrator-fine"})
    shots = [t["shot"] for t in tried]
    ended = finished(
        film["id"], run(client, film["id"], kind="pictures", takes=1, shots=shots)["id"]
    )
    assert ended["cost"] == 0.0 and ended["done"] == len(shots)
    assert client.get(f"{url}/trials/nobody").status_code == 422
    assert (
        client.post(f"{url}/runs", json={"kind": "trial", "offer": "composer"}).status_code == 422
    )


def waiting(client, film: str, number: str) -> dict[str, Any]:
    def asks() -> dict[str, Any] | None:
        runs = client.get(f"/api/films/{film}/runs").json()
        return next((r for r in runs if r["id"] == number and r["questions"]), None)

    return until(asks, 90)


@pytest.mark.parametrize("yes", [True, False])
def test_a_second_choice_is_asked_about_first_where_that_is_wished(
    client, film, plugged, stack: Temporary, finished, yes: bool
) -> None:
    def never(asked: Asked, n: int) -> Any:
        return told(400, why="No such picture is drawn here.")

    shots = [s["id"] for s in client.get(f"/api/films/{film['id']}").json()["shots"]][:2]
    with serving(never) as server:
        plugged("no-pen", interface(server))
        chosen = {"then": "illustrator-quick", "asked": True}
        client.put("/api/choices/picture", json=chosen)
        wish = {"kind": "pictures", "takes": 1, "shots": shots, "offer": "no-pen"}
        going = run(client, film["id"], **wish)
        asks = waiting(client, film["id"], going["id"])
        (question,) = asks["questions"]
        assert (question["kind"], question["then"]) == ("picture", "Illustrator, quick")
        assert "No such picture is drawn here" in question["why"]
        assert asks["state"] == "going" and asks["done"] == 0
        wrong = client.post(
            f"/api/runs/{going['id']}/answers", json={"kind": "music", "second": True}
        )
        assert wrong.status_code == 404
        client.post(f"/api/runs/{going['id']}/answers", json={"kind": "picture", "second": yes})
        ended = finished(film["id"], going["id"])
        client.put("/api/choices/picture", json={})
    # One answer is good for the whole run.
    assert (ended["done"], len(ended["failures"])) == ((2, 0) if yes else (0, 2))
    made = offers_of(stack, film["id"])
    assert {o for by in made.values() for o in by} == ({"illustrator-quick"} if yes else set())


def test_what_is_called_back_finds_who_waits_for_it_and_nobody_else(
    client, stack: Temporary
) -> None:
    calls, key = stack.shop.calls, "job-that-waits"
    call = calls.open(key)
    assert calls.open(key).token == call.token and call.sent is None
    calls.note_sent(key)
    assert calls.open(key).sent is not None, "whoever takes it up knows that it was sent"
    # From anywhere, by whatever name the studio is reached there: the address alone is known to who may call.
    elsewhere = {"Host": "studio.example.test", "Origin": "https://far.test"}
    bare = httpx.Client(
        transport=client._client._transport, base_url="http://127.0.0.1:8420", headers=elsewhere
    )
    assert bare.get("/api/films").status_code == 403
    assert bare.post("/api/callbacks/" + "x" * 32, content=b"{}").status_code == 404
    came = bare.post(f"/api/callbacks/{call.token}", content=b'{"state": "half"}')
    assert came.status_code == 204
    assert bare.put(f"/api/callbacks/{call.token}", content=b"\x89PNG").status_code == 204
    media = calls.look(key).media
    assert media is not None and stack.shop.media.get(media) == b"\x89PNG"
    calls.close(key)
    assert bare.post(f"/api/callbacks/{call.token}", content=b"{}").status_code == 404


def test_a_service_that_calls_back_makes_a_picture_of_a_film(
    client, film, plugged, stack: Temporary, finished
) -> None:
    """The service does what a real one would: it takes the order, and calls the address that it was given; here the
    call is carried to the application by the test, since that runs without a port."""
    orders: list[str] = []

    def take(asked: Asked, n: int) -> Any:
        orders.append(asked.json["call"])
        return told(202, accepted=True)

    shot = client.get(f"/api/films/{film['id']}").json()["shots"][0]["id"]
    with serving(take) as server:
        plugged("far-pen", {"how": "interface", "toml": CALLED.format(address=server.address)})
        wish = {"kind": "pictures", "takes": 1, "shots": [shot], "offer": "far-pen"}
        going = run(client, film["id"], **wish)
        address = until(lambda: orders and orders[0], 60)
        assert address.startswith("http://127.0.0.1:") and "/api/callbacks/" in address
        body = {"picture": base64.b64encode(png()).decode()}
        path = "/api" + address.partition("/api")[2]
        assert client._client.post(path, json=body).status_code == 204
        ended = finished(film["id"], going["id"])
    assert ended["done"] == 1 and ended["cost"] == 0.04 and len(orders) == 1
    assert offers_of(stack, film["id"])[shot] == {"far-pen"}


def test_what_services_say_they_were_paid_is_what_was_counted(
    client, film, stack: Temporary, finished
) -> None:
    finished(film["id"], run(client, film["id"], kind="pictures", takes=1)["id"])
    told_ = client.get("/api/services/standins/statement?days=2").json()
    assert told_["same"] >= 2
    ours = {e.key for e in stack.shop.spending.entries(film["id"])}
    assert not [d for d in told_["differences"] if d["key"] in ours]
    # What only we count, and what we count otherwise, is found.
    wrong, key = f"never-made-{film['id']}", next(iter(ours))
    with stack.shop.database.transaction() as session:
        session.get(Spent, key).amount = 9
        stack.shop.spending.spend(wrong, film["id"], "illustrator-quick", 7, "picture")
    again = client.get("/api/services/standins/statement").json()
    found = {d["key"]: (d["which"], d["ours"]) for d in again["differences"]}
    assert found[key] == ("another sum", 9.0)
    assert client.get("/api/services/nobody/statement").status_code == 404


def test_who_does_not_say_what_they_were_paid_is_said_to(client, plugged) -> None:
    plugged("mute", HAND)
    none = client.get("/api/services/mute/statement")
    assert none.status_code == 404 and "does not say" in none.json()["title"]


@pytest.mark.long
def test_offers_of_who_is_silent_stay_as_they_were_seen(client, plugged, stack: Temporary) -> None:
    def offers(asked: Asked, n: int) -> Any:
        one = {"name": "voice", "kind": "speech", "title": "Far voice", "caps": {}, "parallel": 1,
               "price": {"amount": "0.1", "per": "request"}, "seconds_each": 1,
               "voices": [{"name": "mara", "title": "Mara", "pronoun": "she", "age": "adult"}]}  # fmt: skip
        return (
            told()
            if "offers" not in asked.path
            else (200, {"Content-Type": "application/json"}, json.dumps([one]).encode())
        )

    with serving(offers) as server:
        plugged("far", {"how": "protocol", "address": server.address})
        until(lambda: any(o["name"] == "far/voice" for o in client.get("/api/offers").json()), 30)
    # It is gone; a workshop that begins now never heard of it, and still knows what it offered.
    shop = stack.shop
    anew = type(shop)(shop.database, MediaStore(stack.environment["CUTREEL_MEDIA"]), shop.first, secrets=shop.secrets)  # fmt: skip
    until(lambda: anew.offers() and "far" in anew.services.silent(), 60)
    known = until(lambda: [o for o in anew.offers() if o.name == "far/voice"], 30)
    assert known[0].service == "Far" and "far" in anew.kept_offers.silent_since()
    seen = until(
        lambda: next(
            (p for p in client.get("/api/services").json()["plugged"]
             if p["settings"]["id"] == "far" and p["silent_since"]), None), 60)  # fmt: skip
    assert seen["settings"]["title"] == "Far"
