"""Pictures of the maker's own over the running stack: brought, laid over a shot, arranged, as the film's mark, and along
with a house style."""

import io
import json

import numpy as np
import pytest
from PIL import Image

from tests.api.test_rules import change


def picture(clear: bool = True) -> bytes:
    """A red disc on nothing, or on white."""
    y, x = np.ogrid[-1:1:200j, -1:1:300j]
    pixels = np.zeros((200, 300, 4), np.uint8)
    pixels[x * x + y * y < 1] = (220, 20, 20, 255)
    if not clear:
        pixels[pixels[..., 3] == 0] = 255
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG")
    return out.getvalue()


@pytest.fixture
def disc(client, film) -> dict:
    url = f"/api/films/{film['id']}/own-pictures"
    told = client.post(url, files={"file": ("disc.png", picture(), "image/png")}).json()
    change(client, film["id"], type="keep picture", picture=told)
    return told


def red(client, film: str, at: int) -> np.ndarray:
    answer = client.get(f"/api/films/{film}/frame", params={"at": at, "high": 360})
    seen = np.asarray(Image.open(io.BytesIO(answer.content)).convert("RGB")).astype(int)
    return (seen[..., 0] > 150) & (seen[..., 1] < 80)


def box(there: np.ndarray) -> tuple[float, float]:
    rows, columns = np.nonzero(there)
    high, wide = there.shape
    return columns.mean() / wide, rows.mean() / high


def test_a_picture_is_brought_laid_over_a_shot_and_arranged(client, film, disc) -> None:
    assert (disc["name"], disc["width"], disc["height"]) == ("disc", 300, 200)
    shot = film["shots"][0]["id"]
    one = {"media": disc["media"], "name": "disc", "shape": 1.5, "border": "none", "comes": "cut"}
    laid = [{**one, "x": 0.25, "y": 0.3, "size": 0.3}, {**one, "x": 0.3, "y": 0.3, "size": 0.3}]
    values = {"insets": laid[:1]}
    now = change(client, film["id"], type="set shots", shots=[shot], values=values)
    assert now["own_pictures"] == [disc]
    at = now["shots"][0]["start"] + 30
    seen = red(client, film["id"], at)
    assert box(seen) == pytest.approx((0.25, 0.3), abs=0.02)
    # What is clear in it stays clear: π/4 of its box.
    assert seen.sum() == pytest.approx(np.pi / 4 * (0.3 * 360) * (0.45 * 360), rel=0.06)
    change(client, film["id"], type="set shots", shots=[shot], values={"insets": laid})
    now = change(client, film["id"], type="arrange insets", shot=shot, how="side by side")
    left, right = now["shots"][0]["own"]["insets"]
    assert left["x"] < 0.5 < right["x"]
    seen = red(client, film["id"], at)
    half = seen.shape[1] // 2
    assert seen[:, :half].sum() == pytest.approx(seen[:, half:].sum(), rel=0.05)


def test_the_films_mark_is_a_picture_and_goes_along_with_a_style(client, film, disc) -> None:
    values = {"maker_picture": disc["media"], "maker_corner": "low left"}
    now = change(client, film["id"], type="set settings", values=values)
    for at in (10, now["shots"][-1]["start"] + 10):
        x, y = box(red(client, film["id"], at))
        assert x < 0.2 and y > 0.8
    style = client.post("/api/styles", json={"film": film["id"], "name": "With a mark"}).json()
    file = client.get(f"/api/styles/{style['id']}/file")
    back = client.post("/api/styles/file", files={"file": ("style.json", file.content)}).json()
    assert back["style"]["pictures"] == [disc]
    broken = {**file.json(), "pictures": {}}
    answer = client.post(
        "/api/styles/file", files={"file": ("style.json", json.dumps(broken).encode())}
    )
    assert answer.status_code == 422 and "disc" in answer.json()["title"]
    gone = change(client, film["id"], type="drop picture", media=disc["media"])
    assert gone["own_pictures"] == [] and gone["settings"]["maker_picture"] is None


def test_what_is_no_picture_is_refused(client, film) -> None:
    url = f"/api/films/{film['id']}/own-pictures"
    answer = client.post(url, files={"file": ("x.png", b"no picture", "image/png")})
    assert answer.status_code == 422 and "PNG" in answer.json()["detail"]
