"""Words on the screen over the running stack: added, placed, read against what is behind them, in a face that is
brought."""

import io
from pathlib import Path

import numpy as np
import pytest
from fontTools.ttLib import TTFont
from PIL import Image

from cutreel.core.lettering import face_file
from tests.api.test_rules import change


def seen(client, film: str, at: int) -> np.ndarray:
    answer = client.get(f"/api/films/{film}/frame", params={"at": at, "high": 360})
    return np.asarray(Image.open(io.BytesIO(answer.content)).convert("L")).astype(int)


def test_words_are_seen_where_they_were_put_and_measured(client, film) -> None:
    url = f"/api/films/{film['id']}"
    shot = film["shots"][0]["id"]
    change(client, film["id"], type="set settings", values={"captions": "off"})
    before = seen(client, film["id"], 40)
    how = {"look": "capitals", "at": [0.3, 0.3]}
    put = {"type": "set card", "sort": "words", "shot": shot, "text": "SALT", "how": how}
    card = change(client, film["id"], **put)["shots"][0]["cards"][-1]
    assert (card["number"], card["lines"], card["at"]) == (1, ["SALT"], [0.3, 0.3])
    rows, columns = np.nonzero(np.abs(seen(client, film["id"], 40) - before) > 60)
    assert abs(columns.mean() / 640 - 0.3) < 0.05 and abs(rows.mean() / 360 - 0.3) < 0.05
    read = client.get(f"{url}/shots/{shot}/words").json()
    # Nothing is made yet: the page of paper that stands in is pale, and these letters are.
    assert read["needed"] == 3 and len(read["contrasts"]) == 1 and not read["layered"]
    change(client, film["id"], **{**put, "number": 1, "how": {**how, "sheet": True}})
    better = client.get(f"{url}/shots/{shot}/words").json()
    assert better["contrasts"][0] > max(7, read["contrasts"][0])
    # Words that keep to the picture are measured too, nearly as those that keep to the frame.
    change(client, film["id"], **{**put, "number": 1, "how": {**how, "keeps": "picture"}})
    kept = client.get(f"{url}/shots/{shot}/words").json()
    assert kept["contrasts"][0] == pytest.approx(read["contrasts"][0], rel=0.25)
    sheet = {**how, "keeps": "picture", "sheet": True}
    change(client, film["id"], **{**put, "number": 1, "how": sheet})
    assert client.get(f"{url}/shots/{shot}/words").json()["contrasts"][0] > 7
    assert client.get(f"{url}/shots/9999/words").status_code == 404


def test_a_face_is_brought_set_and_goes_along_with_a_style(client, film) -> None:
    url = f"/api/films/{film['id']}"
    data = Path(face_file("hand")).read_bytes()
    face = client.post(f"{url}/faces", files={"file": ("mine.ttf", data)}).json()
    assert face["name"] == "Caveat Bold" and face["media"].endswith(".ttf")
    kept = change(client, film["id"], type="keep face", **face)
    assert kept["faces"] == [face]
    how = {"look": "", "at": [0.5, 0.5]}
    shot = film["shots"][0]["id"]
    change(client, film["id"], type="set card", sort="words", shot=shot, text="Salt", how=how)
    change(client, film["id"], type="set settings", values={"title_style": {"face": "plain"}})
    plain = seen(client, film["id"], 40)
    values = {"title_style": {"face": face["media"]}, "caption_style": {"face": face["media"]}}
    change(client, film["id"], type="set settings", values=values)
    assert np.abs(seen(client, film["id"], 40) - plain).max() > 60
    style = client.post("/api/styles", json={"film": film["id"], "name": "By hand"}).json()
    file = client.get(f"/api/styles/{style['id']}/file")
    back = client.post("/api/styles/file", files={"file": ("style.json", file.content)}).json()
    assert back["style"]["faces"] == [face]
    broken = {**file.json(), "fonts": {}}
    refused = client.post(
        "/api/styles/file", files={"file": ("s.json", str(broken).replace("'", '"').encode())}
    )
    assert refused.status_code == 422
    # One that is kept no longer is the plain one again.
    gone = change(client, film["id"], type="keep face", media=face["media"], name="")
    assert gone["faces"] == [] and gone["settings"]["title_style"]["face"] == "plain"
    assert gone["settings"]["caption_style"]["face"] == "plain"


def test_what_is_no_face_is_refused(client, film) -> None:
    url = f"/api/films/{film['id']}/faces"
    refused = client.post(url, files={"file": ("a.ttf", b"\x00\x01\x00\x00nothing")})
    assert refused.status_code == 422 and "no face" in refused.json()["title"]
    with TTFont(face_file("tall")) as font:
        font.flavor = "woff"
        out = io.BytesIO()
        font.save(out)
    packed = client.post(url, files={"file": ("a.woff", out.getvalue())})
    assert packed.status_code == 422 and "TTF or OTF" in packed.json()["detail"]
