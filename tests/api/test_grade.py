"""Grade and effects over the running stack: tables brought and taken out, what a frame shows of them."""

import io

import numpy as np
from PIL import Image

from cutreel.core.effects import GRADES, cube_of, cube_text, read_cube, tables_of
from tests.api.test_retouch import start
from tests.api.test_rules import change

SILVER = cube_text(cube_of(tables_of(GRADES["silver"]), "in silver"))


def frame(client, film: dict, at: int = 20) -> np.ndarray:
    asked = {"at": at, "high": 180}
    answer = client.get(f"/api/films/{film['id']}/frame", params=asked)
    assert answer.status_code == 200, answer.text
    return np.asarray(Image.open(io.BytesIO(answer.content)).convert("RGB")).astype(int)


def colourful(pixels: np.ndarray) -> float:
    return float(np.ptp(pixels[:100], axis=-1).mean())


def bring(client, film: dict, data: bytes, name: str = "own_table.cube"):
    return client.post(f"/api/films/{film['id']}/tables", files={"file": (name, data)})


def test_a_table_is_brought_grades_the_film_and_is_taken_away(client, film, finished) -> None:
    shots = [film["shots"][0]["id"]]
    finished(film["id"], start(client, film, kind="pictures", shots=shots)["id"])
    before = colourful(frame(client, film))
    table = bring(client, film, SILVER.encode()).json()
    assert table["name"] == "in silver"
    seen = change(client, film["id"], type="keep table", table=table)
    assert seen["tables"] == [table]
    change(client, film["id"], type="set settings", values={"grade": {"lut": table["media"]}})
    assert before > 12 and colourful(frame(client, film)) < 4
    change(client, film["id"], type="set settings", values={"grade": {}})
    assert abs(colourful(frame(client, film)) - before) < 1


def test_a_file_that_is_no_table_is_told_so_by_its_line(client, film) -> None:
    for data, says in (
        (b"LUT_3D_SIZE 2\n1 2\n", "Line 2"),
        (b"\xff\xfe\x00", "no look-up table"),
        (b"", "points"),
    ):
        answer = bring(client, film, data)
        assert answer.status_code == 422 and says in answer.json()["title"]
    assert (
        client.post("/api/films/none/tables", files={"file": ("a.cube", b"x")}).status_code == 404
    )


def test_the_grade_is_taken_out_as_a_table(client, film) -> None:
    change(client, film["id"], type="set settings", values={"grade": {"warmth": 0.7}})
    answer = client.get(f"/api/films/{film['id']}/grade.cube")
    assert "attachment" in answer.headers["content-disposition"]
    red, _, blue = read_cube(answer.text).colours(np.float32([[0.5, 0.5, 0.5]]))[0]
    assert red > 0.52 and blue < 0.48


def test_effects_are_told_with_their_reasons_and_set_for_one_shot(client) -> None:
    text = "Old Enna sat down on the bench by the road.\n\nTwenty years earlier she had climbed that hill with her brother every day.\n\nThe bus came at last and took her home."
    film = client.post(
        "/api/films", json={"title": "Enna", "text": text, "settings": {"pace": 3}}
    ).json()
    shots = client.get(f"/api/films/{film['id']}").json()["shots"]
    soft = [s for s in shots if s["remembered"]]
    assert soft
    for shot in soft:
        assert ["soft edges", "it is remembered"] in shot["finish"]["whys"]
        assert shot["finish"]["mood"]["fade"] > 0
    plain = next(s for s in shots if not s["remembered"])
    assert plain["finish"] == {"grade": None, "mood": None, "effects": [], "whys": []}
    values = {"effects": [{"kind": "tilt", "amount": 0.4}]}
    seen = change(client, film["id"], type="set shots", shots=[plain["id"]], values=values)
    now = next(s for s in seen["shots"] if s["id"] == plain["id"])
    assert [e["kind"] for e in now["finish"]["effects"]] == ["tilt"]


def test_what_there_is_not_is_refused(client, film) -> None:
    head = client.get(f"/api/films/{film['id']}").json()
    for values in (
        {"effects": [{"kind": "sparkle"}]},
        {"grade": {"exposure": 9}},
        {"grade": {"lut": "../x"}},
    ):
        command = {"type": "set shots", "shots": [head["shots"][0]["id"]], "values": values}
        answer = client.post(
            f"/api/films/{film['id']}/changes",
            json={"revision": head["revision"], "command": command},
        )
        assert answer.status_code == 422
