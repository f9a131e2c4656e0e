"""Wishes over the running stack: looked at without a change, then made as the film's own commands."""

from tests.api.test_rules import change


def test_a_wish_is_looked_at_and_made(client, film) -> None:
    before = client.get(f"/api/films/{film['id']}").json()
    wish = {"words": "captions larger and yellow, less music, more sparkle"}
    found = client.post(f"/api/films/{film['id']}/wishes", json=wish).json()
    assert client.get(f"/api/films/{film['id']}").json() == before
    assert [p["says"] for p in found["proposals"]] == [
        "captions larger, captions yellow",
        "music softer by 3 dB",
    ]
    assert found["unclear"] == ["more sparkle"]
    for proposal in found["proposals"]:
        impact = client.post(f"/api/films/{film['id']}/impact", json=proposal["command"]).json()
        assert impact["stale"] == 0
        now = change(client, film["id"], **proposal["command"])
    assert (
        now["settings"]["caption_style"]["colour"] == "#ffd23f"
        and now["settings"]["music_level"] == -3
    )


def test_nothing_wished_is_refused(client, film) -> None:
    answer = client.post(f"/api/films/{film['id']}/wishes", json={"words": " "})
    assert answer.status_code == 422 and "Nothing was wished" in answer.json()["title"]


def test_shots_are_chosen_by_words(client, film) -> None:
    url = f"/api/films/{film['id']}/chosen"
    found = client.get(url, params={"words": "without a picture"}).json()
    assert found["shots"] == [s["id"] for s in film["shots"]] and found["unknown"] == []
    none = client.get(url, params={"words": "gleaming"}).json()
    assert none == {"shots": [], "told": [], "unknown": ["gleaming"]}
    assert client.get(url, params={"words": ""}).status_code == 422


def test_a_writer_understands_a_wish_in_the_films_own_commands(client) -> None:
    """What a writer answers is looked at, costs what it costs, and is made as any change is."""
    lines = (
        "The boat went down the river and the wind blew over the reeds until the lamp was dark. "
    )
    new = {"title": "River", "text": lines * 6, "settings": {"pace": 8, "music": "none"}}
    film = client.post("/api/films", json=new).json()
    url = f"/api/films/{film['id']}"
    before = client.get(url).json()
    wish = {"words": "colder, breathless, more sparkle", "by": "writer"}
    found = client.post(f"{url}/wishes", json=wish).json()
    assert [p["command"]["type"] for p in found["proposals"]] == ["set settings", "cut ramp"]
    assert found["unclear"] == ["more sparkle"]
    now = client.get(url).json()
    assert now["shots"] == before["shots"] and now["revision"] == before["revision"]
    spent = client.get(f"{url}/spending").json()
    again = client.post(f"{url}/wishes", json=wish).json()
    assert again == found and client.get(f"{url}/spending").json() == spent, "asked and paid once"
    for proposal in found["proposals"]:
        now = change(client, film["id"], **proposal["command"])
    assert now["settings"]["grade"]["warmth"] < 0


def test_what_a_writer_asks_in_vain_is_told(client, film) -> None:
    """A ramp over one short shot would change nothing: no change is offered that the film would refuse."""
    wish = {"words": "colder, breathless at the end", "by": "writer"}
    found = client.post(f"/api/films/{film['id']}/wishes", json=wish).json()
    assert [p["command"]["type"] for p in found["proposals"]] == ["set settings"]
    assert len(found["unclear"]) == 1 and found["unclear"][0].endswith(
        "(the writer asked for what cannot be done)"
    )
