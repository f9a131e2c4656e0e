"""Prompt packs out, pictures back in: reviewed before anything is placed, bounded, placed in one change."""

import io
import zipfile

import numpy as np
from PIL import Image

from tests.conftest import STORY as LAMP


def picture(shade: int, size: tuple[int, int] = (640, 360)) -> bytes:
    out = io.BytesIO()
    Image.fromarray(np.full((size[1], size[0], 3), shade, np.uint8)).save(out, "PNG")
    return out.getvalue()


def zipped(files: dict[str, bytes]) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as packed:
        for name, data in files.items():
            packed.writestr(name, data)
    return out.getvalue()


def test_a_zip_is_reviewed_and_placed_in_one_change(client) -> None:
    film = client.post("/api/films", json={"text": LAMP}).json()
    id = film["id"]
    packed = zipped(
        {
            "pics/002.png": picture(40),
            "pics/001.png": picture(90),
            "pics/note.txt": b"hello",
            "._x.png": b"x",
        }
    )
    answer = client.post(
        f"/api/films/{id}/brought", files=[("files", ("back.zip", packed, "application/zip"))]
    )
    assert answer.status_code == 200, answer.text
    found = answer.json()
    edges = {s["id"]: s["edge"] for s in film["shots"]}
    assert [(f["name"], edges.get(f["shot"])) for f in found] == [
        ("001.png", "1"),
        ("002.png", "2"),
        ("note.txt", None),
    ]
    assert found[2]["problem"] and "number 1" in found[0]["why"] and found[0]["width"] == 640
    assert client.get(f"/api/films/{id}").json()["revision"] == film["revision"]
    # The maker may place a picture elsewhere than proposed.
    third = film["shots"][2]["id"]
    wanted = [{"shot": s, "media": f["media"], "thumb": f["thumb"], "name": f["name"]}
              for s, f in ((found[0]["shot"], found[0]), (third, found[1]))]  # fmt: skip
    after = client.post(f"/api/films/{id}/brought/place", json={"pictures": wanted}).json()
    assert after["undo"] == "place 2 pictures" and after["revision"] == film["revision"] + 1
    placed = {s["id"]: s for s in after["shots"] if s["takes"]}
    assert set(placed) == {found[0]["shot"], third}
    assert all(
        s["used"] == s["own_circled"] == s["takes"][0]["id"] and s["takes"][0]["brought"]
        for s in placed.values()
    )


def test_loose_files_come_by_order_and_damaged_ones_say_so(client, film) -> None:
    files = [
        ("files", (n, d, "image/png"))
        for n, d in (("a.png", picture(10)), ("b.png", b"\x89PNG broken"), ("c.png", picture(30)))
    ]
    found = client.post(f"/api/films/{film['id']}/brought", files=files).json()
    edges = {s["id"]: s["edge"] for s in film["shots"]}
    assert [edges.get(f["shot"]) for f in found] == ["1", None, "2"]
    assert "damaged" in found[1]["problem"] and found[2]["why"] == "by order"


def test_bad_zips_and_strangers_are_refused(client, film) -> None:
    id = film["id"]
    broken = client.post(
        f"/api/films/{id}/brought",
        files=[("files", ("x.zip", b"PK\x03\x04 nothing", "application/zip"))],
    )
    assert broken.status_code == 422 and "x.zip" in broken.json()["title"]
    many = zipped({f"{i}.png": b"" for i in range(501)})
    crowd = client.post(
        f"/api/films/{id}/brought", files=[("files", ("m.zip", many, "application/zip"))]
    )
    assert crowd.status_code == 422 and "500" in crowd.json()["detail"]
    bomb = zipped({"1.png": b"\x00" * 80_000_000})
    found = client.post(
        f"/api/films/{id}/brought", files=[("files", ("b.zip", bomb, "application/zip"))]
    ).json()
    assert "larger" in found[0]["problem"]
    stray = {"shot": 1, "media": "0" * 64 + ".png", "thumb": "0" * 64 + ".jpg"}
    assert (
        client.post(f"/api/films/{id}/brought/place", json={"pictures": [stray]}).status_code == 422
    )
    outside = {**stray, "media": "../../etc/passwd"}
    assert (
        client.post(f"/api/films/{id}/brought/place", json={"pictures": [outside]}).status_code
        == 422
    )


def test_packs_and_prompts_are_served(client, film) -> None:
    for format in ("md", "csv", "json"):
        out = client.get(f"/api/films/{film['id']}/prompts.{format}")
        assert out.status_code == 200 and film["shots"][0]["prompt"][:30] in out.text.replace(
            '\\"', '"'
        )
    assert client.get(f"/api/films/{film['id']}/prompts.pdf").status_code == 404
    shot = film["shots"][0]["id"]
    prompts = client.get(f"/api/films/{film['id']}/shots/{shot}/prompts").json()
    assert (
        set(prompts) == {"motion", "direction", "sound"}
        and prompts["motion"]["pieces"][0]["origin"] == "move"
    )
    assert client.get(f"/api/films/{film['id']}/shots/9999/prompts").status_code == 404
