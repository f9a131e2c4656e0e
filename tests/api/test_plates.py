"""Plates over the running stack: proposed, shown in place of a picture, doubted, and nothing made for them."""

import io

import numpy as np
import pytest
from PIL import Image

from tests.api.test_retouch import start
from tests.api.test_rules import change

STORY = (
    "In 1853 a brick lighthouse was built on the sands. By 1899 the sea had come near.\n\n"
    "The lamp was shipped from Hamburg to Esbjerg, and carried to the tower on a cart."
)


@pytest.fixture
def told(client) -> dict:
    body = {"title": "Told", "text": STORY, "settings": {"pace": 4, "music": "none", "seed": 91}}
    return client.post("/api/films", json=body).json()


def shot_of(client, film: dict, words: str) -> dict:
    shots = client.get(f"/api/films/{film['id']}").json()["shots"]
    return next(s for s in shots if words in s["text"])


@pytest.mark.long
def test_a_proposed_plate_is_shown_in_place_of_a_picture(client, told, finished) -> None:
    shot = shot_of(client, told, "Hamburg")
    asked = client.get(f"/api/films/{told['id']}/shots/{shot['id']}/plates").json()
    assert asked[0]["plate"]["sort"] == "map" and "Hamburg" in asked[0]["why"]
    values = {"plate": asked[0]["plate"]}
    change(client, told["id"], type="set shots", shots=[shot["id"]], values=values)
    now = shot_of(client, told, "Hamburg")
    assert now["plate"]["plate"]["rows"][0]["label"] == "Hamburg" and now["plate"]["doubts"] == []
    assert now["move"] == "still" and not now["stale"]
    run = start(client, told, kind="pictures")
    assert not finished(told["id"], run["id"])["failures"]
    made = client.get(f"/api/films/{told['id']}").json()
    assert all(bool(s["used"]) != bool(s["plate"]) for s in made["shots"]), (
        "nothing is paid for a plate"
    )
    assert made["missing"]["pictures"] == 0
    at = next(s["stop"] for s in made["shots"] if s["id"] == shot["id"]) - 14
    late = {"at": at, "high": 360, "captions": False}
    answer = client.get(f"/api/films/{told['id']}/frame", params=late)
    pixels = np.asarray(Image.open(io.BytesIO(answer.content)).convert("RGB")).astype(int)
    red = (pixels[..., 0] > pixels[..., 2] + 60) & (pixels[..., 1] < 130)
    assert red.sum() > 40, (red.sum(), "the route is drawn")


def test_a_number_that_the_manuscript_has_not_is_doubted(client, told) -> None:
    shot = shot_of(client, told, "1853")
    plate = {"sort": "number", "rows": [{"label": "built", "value": 1835}]}
    change(client, told["id"], type="set shots", shots=[shot["id"]], values={"plate": plate})
    (doubt,) = shot_of(client, told, "1853")["plate"]["doubts"]
    assert "1,835 is not in the manuscript" in doubt


def test_a_film_with_plates_is_delivered_and_they_are_taken_away_again(
    client, told, finished
) -> None:
    shots = [s["id"] for s in client.get(f"/api/films/{told['id']}").json()["shots"]]
    plate = {"sort": "list", "rows": [{"label": "Sand"}, {"label": "Sea"}]}
    change(client, told["id"], type="set shots", shots=shots, values={"plate": plate})
    run = start(client, told, kind="delivery", size="360p")
    done = finished(told["id"], run["id"])
    assert done["state"] == "done", done
    change(client, told["id"], type="set shots", shots=shots, values={"plate": None})
    assert client.get(f"/api/films/{told['id']}").json()["missing"]["pictures"] == len(shots)


def test_what_is_no_plate_is_refused(client, told) -> None:
    shot = shot_of(client, told, "1853")["id"]
    head = client.get(f"/api/films/{told['id']}").json()
    for plate in (
        {"sort": "pie"},
        {"sort": "bars", "rows": [{}] * 13},
        {"sort": "map", "rows": [{"north": 99}]},
    ):
        command = {"type": "set shots", "shots": [shot], "values": {"plate": plate}}
        body = {"revision": head["revision"], "command": command}
        assert client.post(f"/api/films/{told['id']}/changes", json=body).status_code == 422
    assert client.get(f"/api/films/{told['id']}/shots/999999/plates").status_code == 404
