"""Retouching over the running stack: candidates are takes of their own, nothing outside the mask changes, none is paid
twice."""

import io

import numpy as np
import pytest
from PIL import Image

BOX = (100, 150, 520, 700)


def start(client, film: dict, **wish) -> dict:
    answer = client.post(f"/api/films/{film['id']}/runs", json=wish)
    assert answer.status_code == 202, answer.text
    return answer.json()


def takes_of(client, film: dict, shot: int) -> list[dict]:
    return next(
        s for s in client.get(f"/api/films/{film['id']}").json()["shots"] if s["id"] == shot
    )["takes"]


def pixels(client, take: dict) -> np.ndarray:
    return np.asarray(
        Image.open(io.BytesIO(client.get(f"/media/{take['media']}").content)).convert("RGB")
    ).astype(int)


def marked(client, film: dict, take: dict, box: tuple[int, int, int, int] = BOX, size=(1280, 720)):
    image = Image.new("L", size)
    image.paste(255, box)
    out = io.BytesIO()
    image.save(out, "PNG")
    where = f"/api/films/{film['id']}/takes/{take['id']}/masks"
    return client.post(where, files={"file": ("mask.png", out.getvalue(), "image/png")})


@pytest.fixture
def first(client, film, finished) -> tuple[dict, int, dict]:
    shot = film["shots"][0]["id"]
    finished(film["id"], start(client, film, kind="pictures", shots=[shot], takes=1)["id"])
    return film, shot, takes_of(client, film, shot)[0]


def test_candidates_change_the_inside_alone(client, first, finished) -> None:
    film, shot, take = first
    mask = marked(client, film, take).json()["media"]
    wish = {
        "kind": "retouch",
        "shots": [shot],
        "take": take["id"],
        "mask": mask,
        "words": "a fox",
        "takes": 2,
        "feather": 8,
    }
    told = client.post(f"/api/films/{film['id']}/estimate", json=wish).json()
    spent = client.get(f"/api/films/{film['id']}/spending").json()["film"]
    run = finished(film["id"], start(client, film, **wish)["id"])
    assert run["state"] == "done" and not run["failures"], run
    after = client.get(f"/api/films/{film['id']}/spending").json()["film"]
    assert after - spent == pytest.approx(told["cost"]) and told["items"] == 2
    takes = takes_of(client, film, shot)
    assert len(takes) == 3 and [t["came"] for t in takes] == [
        None,
        *["Retouched from take 1: a fox."] * 2,
    ]
    base = pixels(client, take)
    left, top, right, bottom = BOX
    for made in takes[1:]:
        apart = np.abs(pixels(client, made) - base).sum(axis=2)
        inside = apart[top:bottom, left:right].copy()
        apart[top:bottom, left:right] = 0
        assert apart.max() == 0, "outside the mask every pixel is the same"
        assert (inside > 30).mean() > 0.04, "inside a fox was drawn"
        assert not made["stale"]
    assert (pixels(client, takes[1]) != pixels(client, takes[2])).any()
    again = finished(film["id"], start(client, film, **{**wish, "takes": 1})["id"])
    assert again["state"] == "done"
    assert len({t["seed"] for t in takes_of(client, film, shot)[1:]}) == 3, (
        "asked again, it is another candidate"
    )


def test_what_is_marked_can_be_taken_out(client, first, finished) -> None:
    film, shot, take = first
    mask = marked(client, film, take, (0, 0, 1280, 720)).json()["media"]
    wish = {
        "kind": "retouch",
        "shots": [shot],
        "take": take["id"],
        "mask": mask,
        "words": "",
        "takes": 1,
    }
    finished(film["id"], start(client, film, **wish)["id"])
    made = takes_of(client, film, shot)[1]
    assert (
        made["came"] == "Retouched from take 1: taken out."
        and (pixels(client, made) != pixels(client, take)).any()
    )


def test_empty_masks_lost_takes_and_unknown_masks_are_refused_in_words(client, first) -> None:
    film, shot, take = first
    empty = marked(client, film, take, (0, 0, 0, 0))
    assert empty.status_code == 422 and "Nothing is marked" in empty.text
    assert marked(client, film, {"id": "gone"}).status_code == 404
    wish = {"kind": "retouch", "shots": [shot], "take": take["id"], "mask": "0" * 64 + ".png"}
    assert client.post(f"/api/films/{film['id']}/estimate", json=wish).status_code == 422
    other = {**wish, "take": "gone", "mask": marked(client, film, take).json()["media"]}
    assert client.post(f"/api/films/{film['id']}/estimate", json=other).status_code == 404
