"""How shots move, over the running stack: what acts and why, changed by the maker, seen in frames, left in no other key."""

import io

import numpy as np
import pytest
from PIL import Image

from tests.api.test_retouch import start
from tests.api.test_rules import change


@pytest.fixture
def made(client, film, finished) -> tuple[dict, dict]:
    """A film with its pictures and voices, and a shot in which somebody does something."""
    for kind in ("pictures", "speech"):
        wish = {"kind": kind, "takes": 1} if kind == "pictures" else {"kind": kind}
        run = finished(film["id"], start(client, film, **wish)["id"])
        assert run["state"] == "done" and not run["failures"], run
    opened = client.get(f"/api/films/{film['id']}").json()
    for shot in opened["shots"]:
        if any(a["start"] is not None for a in movement(client, opened, shot)["acts"]):
            return opened, shot
    raise AssertionError("nobody does anything")


def movement(client, film: dict, shot: dict) -> dict:
    answer = client.get(f"/api/films/{film['id']}/shots/{shot['id']}/movement")
    assert answer.status_code == 200, answer.text
    return answer.json()


def frames(client, film: dict, shot: dict, **more) -> np.ndarray:
    answer = client.get(f"/api/films/{film['id']}/shots/{shot['id']}/frames", params=more)
    assert answer.status_code == 200 and answer.headers["content-type"] == "image/jpeg"
    return np.asarray(Image.open(io.BytesIO(answer.content))).astype(int)


def test_what_acts_is_told_with_its_word_and_its_time(client, made) -> None:
    film, shot = made
    told = movement(client, film, shot)
    words = {w["number"]: w for w in told["words"]}
    assert told["jointed"] and told["figures"] and told["why"]
    for act in told["acts"]:
        assert act["figure"] in {f["figure"] for f in told["figures"]}
        if act["start"] is not None and act["word"] is not None:
            said = words[act["word"]]
            assert act["start"] <= said["end"] and act["start"] + act["seconds"] > said["start"]
    known = {a["name"] for a in client.get("/api/actions").json()}
    assert {a["action"] for a in told["acts"]} <= known and len(known) > 40


def test_whoever_speaks_on_screen_moves_their_lips(client, made) -> None:
    film, _ = made
    speaking = [
        f for shot in film["shots"] for f in movement(client, film, shot)["figures"] if f["speaks"]
    ]
    assert all(f["name"] == "Ada" for f in speaking)
    shown = [s for s in film["shots"] if "said Ada" in s["text"] and s["people"]]
    assert bool(speaking) == bool(shown)


def test_an_action_of_the_makers_own_is_seen_and_can_be_lifted(client, made) -> None:
    film, shot = made
    before = movement(client, film, shot)
    figure, word = before["figures"][0]["figure"], before["words"][0]["number"]
    plain = frames(client, film, shot, count=6, high=180)
    acts = [{"figure": figure, "action": "bow", "word": word}]
    change(client, film["id"], type="set shots", shots=[shot["id"]], values={"acts": acts})
    now = movement(client, film, shot)
    assert now["acts_own"] and [a["action"] for a in now["acts"]] == ["bow"]
    assert np.abs(frames(client, film, shot, count=6, high=180) - plain).mean() > 0.05
    change(client, film["id"], type="set shots", shots=[shot["id"]], values={"acts": None})
    assert movement(client, film, shot)["acts"] == before["acts"]
    assert np.array_equal(frames(client, film, shot, count=6, high=180), plain)


def test_an_unknown_action_is_refused_with_what_to_do(client, made) -> None:
    film, shot = made
    body = {
        "revision": film["revision"],
        "command": {
            "type": "set shots",
            "shots": [shot["id"]],
            "values": {"acts": [{"figure": "ada", "action": "explode", "word": None}]},
        },
    }
    answer = client.post(f"/api/films/{film['id']}/changes", json=body)
    assert answer.status_code == 422 and "explode" in answer.text


def test_the_camera_alone_moves_where_that_is_wanted(client, made) -> None:
    film, shot = made
    alone = frames(client, film, shot, count=6, camera=True)
    change(client, film["id"], type="set settings", values={"movement": "camera"})
    assert np.array_equal(frames(client, film, shot, count=6), alone)
    change(client, film["id"], type="set settings", values={"movement": "all"})
    assert not np.array_equal(frames(client, film, shot, count=6), alone)


def test_a_path_is_drawn_told_in_words_and_shown(client, made) -> None:
    film, shot = made
    path = {
        "first": {"x": 0.4, "y": 0.5, "zoom": 2.0},
        "last": {"x": 0.6, "y": 0.5, "zoom": 2.0},
        "ease": "gentle",
    }
    change(client, film["id"], type="set shots", shots=[shot["id"]], values={"path": path})
    told = movement(client, film, shot)
    assert (
        told["camera"]
        and told["in_words"].startswith("drift right")
        and "gently" in told["in_words"]
    )
    assert told["path"]["first"]["zoom"] == 2.0
    assert told["pixels"] == pytest.approx(1280 / 2 / 1920, abs=0.02)
    change(
        client, film["id"], type="set shots", shots=[shot["id"]],
        values={"path": None, "motion": "pull back, then drift left"},
    )  # fmt: skip
    told = movement(client, film, shot)
    assert told["motion"] and "pull back" in told["in_words"] and "drift left" in told["in_words"]
    outside = {"first": {"x": 3, "y": 0.5, "zoom": 1}}
    body = {
        "revision": 10_000,
        "command": {"type": "set shots", "shots": [shot["id"]], "values": {"path": outside}},
    }
    assert client.post(f"/api/films/{film['id']}/changes", json=body).status_code in (409, 422)


def test_a_shot_that_is_gone_is_said_to_be(client, film) -> None:
    answer = client.get(f"/api/films/{film['id']}/shots/9999/movement")
    assert answer.status_code == 404 and "not in the film" in answer.json()["title"]
    none = movement(client, film, film["shots"][0])
    assert not none["jointed"] and none["acts"] == []


def test_the_camera_goes_along_with_who_goes(client, made) -> None:
    film, shot = made
    figure = movement(client, film, shot)["figures"][0]["figure"]
    still = {"acts": []}
    change(client, film["id"], type="set shots", shots=[shot["id"]], values=still)
    assert all(f["along"] is None for f in movement(client, film, shot)["figures"])
    walks = {"acts": [{"figure": figure, "action": "walk", "word": None}], "framing": "wide"}
    change(client, film["id"], type="set shots", shots=[shot["id"]], values=walks)
    told = next(f for f in movement(client, film, shot)["figures"] if f["figure"] == figure)
    if told["along"] is None:
        pytest.skip("whoever it is sits, or has no legs in the picture")
    change(client, film["id"], type="set shots", shots=[shot["id"]], values={"path": told["along"]})
    assert movement(client, film, shot)["path"] == told["along"]
