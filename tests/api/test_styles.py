"""House styles over the running stack: kept from a film, shown beside another, taken by it, and carried as a file."""

import json

import pytest

from cutreel.core.effects import GRADES, cube_of, cube_text, tables_of
from tests.api.test_rules import change

STORY = "A keeper lit the lamp. The sea was calm, and nobody came."
CUBE = cube_text(cube_of(tables_of(GRADES["fire"]), "ours"))


@pytest.fixture
def channel(client) -> tuple[dict, dict]:
    """A film with a style of its own, and what was kept of it."""
    film = client.post(
        "/api/films", json={"title": "One", "text": STORY, "settings": {"seed": 5}}
    ).json()
    files = {"file": ("ours.cube", CUBE.encode())}
    table = client.post(f"/api/films/{film['id']}/tables", files=files).json()
    change(client, film["id"], type="keep table", table=table)
    values = {
        "look": "ink-wash", "captions": "file", "titles": "high", "grade": {"warmth": 0.4, "lut": table["media"]},
        "caption_style": {"size": 1.3}, "effects": "high", "music_level": -3,
    }  # fmt: skip
    change(client, film["id"], type="set settings", values=values)
    kept = client.post(
        "/api/styles", json={"film": film["id"], "name": "  Night   stories "}
    ).json()
    return film, kept


def test_a_new_film_begins_in_a_style(client, channel) -> None:
    _, kept = channel
    assert kept["style"]["name"] == "Night stories"
    assert "seed" not in kept["style"]["settings"]
    body = {"title": "Two", "text": STORY, "style": kept["id"], "settings": {"aspect": "9:16"}}
    film = client.post("/api/films", json=body).json()
    settings = film["settings"]
    assert settings["look"] == "ink-wash" and settings["aspect"] == "9:16"
    assert settings["grade"]["warmth"] == 0.4 and settings["caption_style"]["size"] == 1.3
    assert [t["name"] for t in film["tables"]] == ["ours"]


def test_an_old_film_is_told_what_would_change_and_takes_all_or_some(client, channel, film) -> None:
    _, kept = channel
    told = client.get(f"/api/films/{film['id']}/styles/{kept['id']}").json()
    changes = {c["setting"]: (c["now"], c["then"]) for c in told}
    assert changes["look"] == ("cut-paper", "ink-wash") and changes["titles"] == ("off", "high")
    assert "seed" not in changes and "fps" not in changes
    command = {"type": "take style", "style": kept["style"], "only": ["titles", "effects"]}
    impact = client.post(f"/api/films/{film['id']}/impact", json=command).json()
    assert impact["prompts"] == 0
    some = change(client, film["id"], **command)
    assert some["settings"]["titles"] == "high" and some["settings"]["look"] == "cut-paper"
    whole = client.post(f"/api/films/{film['id']}/impact", json={**command, "only": None}).json()
    assert whole["prompts"] > 0
    now = change(client, film["id"], **{**command, "only": None})
    assert (
        now["settings"]["look"] == "ink-wash"
        and now["settings"]["seed"] == film["settings"]["seed"]
    )
    assert client.get(f"/api/films/{film['id']}/styles/{kept['id']}").json() == []


def test_a_style_goes_out_and_comes_in_as_one_file(client, channel) -> None:
    _, kept = channel
    file = client.get(f"/api/styles/{kept['id']}/file")
    assert "attachment" in file.headers["content-disposition"]
    client.delete(f"/api/styles/{kept['id']}")
    assert kept["id"] not in [s["id"] for s in client.get("/api/styles").json()]
    brought = client.post("/api/styles/file", files={"file": ("style.json", file.content)}).json()
    assert brought["style"] == kept["style"]


def test_a_style_is_replaced_by_its_name(client, channel) -> None:
    film, kept = channel
    change(client, film["id"], type="set settings", values={"titles": "low"})
    again = client.post("/api/styles", json={"film": film["id"], "name": "Night stories"}).json()
    assert again["id"] == kept["id"] and again["style"]["settings"]["titles"] == "low"


def test_files_that_are_no_styles_are_told_so(client, channel) -> None:
    _, kept = channel
    good = json.loads(client.get(f"/api/styles/{kept['id']}/file").content)
    (media,) = good["cubes"]
    bad = [
        (b"hello", "no style"),
        (json.dumps({**good, "style": {"name": ""}}).encode(), "not understood"),
        (json.dumps({**good, "cubes": {}}).encode(), "lacks the look-up table"),
        (json.dumps({**good, "cubes": {media: "LUT_3D_SIZE 2\n1 2\n"}}).encode(), "Line 2"),
    ]
    for data, says in bad:
        answer = client.post("/api/styles/file", files={"file": ("style.json", data)})
        assert answer.status_code == 422 and says in answer.json()["title"], says


def test_a_style_that_is_gone_is_said_to_be(client, film) -> None:
    assert client.get(f"/api/films/{film['id']}/styles/none").status_code == 404
    body = {"title": "x", "text": STORY, "style": "none"}
    assert client.post("/api/films", json=body).status_code == 404
