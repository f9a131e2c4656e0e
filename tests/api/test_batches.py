"""A batch over the running stack: films made one after another by the workers, within a sum, and looked over."""

import pytest

from tests.waiting import until

STORIES = [
    {"title": "The first lamp", "text": "The lamp was dark. Nobody came."},
    {"title": "", "text": "The Second Lamp\n\nIt burned. Ada slept.", "due": "2026-12-24"},
]


def batch_of(client, batch: str) -> dict:
    return next(b for b in client.get("/api/batches").json() if b["id"] == batch)


def begin(client, **wish) -> dict:
    answer = client.post("/api/batches", json={"name": "Lamps", "stories": STORIES, **wish})
    assert answer.status_code == 201, answer.text
    return answer.json()


@pytest.mark.long
def test_they_are_made_one_after_another_and_delivered_once_looked_at(client) -> None:
    batch = begin(client)
    assert [f["state"] for f in batch["films"]] == ["waiting", "waiting"]
    assert batch["films"][0]["title"] == "The first lamp"

    def states() -> list[str]:
        return [f["state"] for f in batch_of(client, batch["id"])["films"]]

    first = until(lambda: states()[0] != "waiting" and states(), 60)
    assert first[1] == "waiting", "one at a time"
    early = client.post(f"/api/batches/{batch['id']}/films/{batch['films'][1]['film']}/looked")
    assert early.status_code == 422 and "not made yet" in early.text
    until(lambda: states() == ["made", "made"], 240)
    done = until(lambda: (b := batch_of(client, batch["id"]))["state"] == "done" and b, 60)
    assert done["spent"] > 0 and done["spent"] == sum(f["cost"] for f in done["films"])
    second = done["films"][1]
    assert second["title"] == "The Second Lamp" and second["looked"] is None
    assert client.get(f"/api/films/{second['film']}").json()["settings"]["due"] == "2026-12-24"
    assert client.get(f"/api/films/{second['film']}/runs").json()[0]["kind"] != "delivery"
    looked = client.post(f"/api/batches/{batch['id']}/films/{second['film']}/looked").json()
    assert looked["films"][1]["looked"] is not None
    run = client.get(f"/api/films/{second['film']}/runs").json()[0]
    assert run["kind"] == "delivery"
    client.post(f"/api/runs/{run['id']}/cancel")
    assert client.delete(f"/api/batches/{batch['id']}").status_code == 204
    assert client.get(f"/api/films/{second['film']}").status_code == 200, "its films stay"


@pytest.mark.long
def test_what_would_cost_more_than_it_may_is_not_begun_until_it_may(client) -> None:
    batch = begin(
        client, most="0.0001", stories=[{"text": "A kite rose over the mill. Nobody held it."}]
    )
    stopped = until(lambda: (b := batch_of(client, batch["id"]))["state"] == "stopped" and b, 60)
    assert "0.00 is left" in stopped["says"] and stopped["films"][0]["state"] == "waiting"
    assert stopped["spent"] == 0
    client.put(f"/api/batches/{batch['id']}", json={"most": "5"})
    until(lambda: batch_of(client, batch["id"])["films"][0]["state"] != "waiting", 60)
    client.post(f"/api/batches/{batch['id']}/stop")
    assert batch_of(client, batch["id"])["says"] == "Stopped by hand."


def test_a_story_that_is_none_leaves_no_film_behind(client) -> None:
    before = len(client.get("/api/films").json())
    answer = client.post(
        "/api/batches",
        json={"name": "x", "stories": [STORIES[0], {"title": "Void", "text": " ... "}]},
    )
    assert answer.status_code == 422 and "Void" in answer.text
    assert len(client.get("/api/films").json()) == before
    assert client.post("/api/batches", json={"name": "x", "stories": []}).status_code == 422


def test_files_say_which_stories_are_in_them(client) -> None:
    def found(name: str, text: str) -> dict:
        answer = client.post(
            "/api/batches/stories", files={"file": (name, text.encode(), "text/plain")}
        )
        return answer.json()

    one = found("the_night-tram.txt", "It was late, and the tram stood still. Nobody got in.")
    assert one["stories"][0]["title"] == "The night tram" and one["words"] == [11]
    own = found("x.txt", "The Night Tram\n\nIt was late, and the tram stood still.")
    assert own["stories"][0]["title"] == "The Night Tram", "it says itself what it is called"
    table = found("all.csv", "title,story\nA,It was so.\nB,It was not.\n")
    assert [s["title"] for s in table["stories"]] == ["A", "B"]
    picture = {"file": ("t.txt", b"\x89PNG\r\n\x1a\n\x00\x00", "text/plain")}
    answer = client.post("/api/batches/stories", files=picture)
    assert answer.status_code == 422 and "not text" in answer.text
