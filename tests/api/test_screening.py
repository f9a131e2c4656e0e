"""Screening over the running stack: notes told with the film, as a table, and a board on paper.

The board is read by poppler (`pdfinfo`, `pdftotext`, `pdftoppm`), which shares nothing with what writes it."""

import csv
import io
import subprocess

import numpy as np
import pytest
from PIL import Image

from cutreel.making.board import layout_of
from tests.api.test_retouch import start
from tests.api.test_rules import change


def noted(client, film, **more) -> dict:
    shot = client.get(f"/api/films/{film}").json()["shots"][1]
    note = {"shot": shot["id"], "word": None, "later": 2, "text": "closer", "by": "Ada"}
    return change(client, film, type="add note", note={**note, **more})


def test_a_note_is_told_where_it_stands_until_it_is_done(client, film) -> None:
    assert client.get(f"/api/films/{film['id']}").json()["open_notes"] == []
    now = noted(client, film["id"], outline=[[0.1, 0.2], [0.5, 0.2], [0.4, 0.6]])
    second = now["shots"][1]
    assert now["open_notes"] == [[second["id"], second["start"] + 2]]
    told = client.get(f"/api/films/{film['id']}/screening").json()
    assert [(n["start"], n["shot"], n["lost"]) for n in told["notes"]] == [
        (second["start"] + 2, second["id"], False)
    ]
    assert told["notes"][0]["note"]["outline"][2] == [0.4, 0.6]
    table = client.get(f"/api/films/{film['id']}/notes.csv")
    (row,) = csv.DictReader(io.StringIO(table.text))
    assert (row["note"], row["by"], row["shot"]) == ("closer", "Ada", second["edge"])
    now = change(client, film["id"], type="set note", note=1, done=True)
    assert now["open_notes"] == [] and now["undo"] == "note 1 is done"


@pytest.mark.parametrize(
    "wrong",
    [{"text": ""}, {"by": ""}, {"outline": [[0, 0]] * 500}, {"on": "yesterday"}, {"frames": -1}],
)
def test_a_note_that_says_nothing_or_too_much_is_refused(client, film, wrong) -> None:
    note = {"shot": 1, "text": "closer", "by": "Ada", **wrong}
    body = {"revision": film["revision"], "command": {"type": "add note", "note": note}}
    answer = client.post(f"/api/films/{film['id']}/changes", json=body)
    assert answer.status_code == 422 and answer.json()["title"]


def test_a_board_holds_every_shot_with_its_words(client, film, finished, tmp_path) -> None:
    run = start(client, film, kind="board", each=6, paper="letter")
    done = finished(film["id"], run["id"])
    (file,) = done["outcome"]["files"]
    data = client.get(f"/api/runs/{run['id']}/files/{file['name']}").content
    assert len(data) == file["bytes"]
    path = tmp_path / "board.pdf"
    path.write_bytes(data)

    def asked(*command: str) -> str:
        return subprocess.run(command, capture_output=True, text=True, check=True).stdout

    shots = client.get(f"/api/films/{film['id']}").json()["shots"]
    info = asked("pdfinfo", str(path))
    assert f"Pages:           {-(-len(shots) // 6)}" in info and "612 x 792 pts (letter)" in info
    text = " ".join(asked("pdftotext", str(path), "-").split())
    for shot in shots:
        first = " ".join(shot["text"].split()[:3])
        assert first in text, first
        assert f"{shot['edge']} {shot['framing']}" in text
    asked("pdftoppm", "-r", "40", "-png", "-singlefile", str(path), str(tmp_path / "page"))
    page = np.asarray(Image.open(tmp_path / "page.png").convert("L"))
    assert page[0].min() > 250, "a margin"
    assert page.std() > 8, "words and (paper) pictures are on it"


@pytest.mark.parametrize(
    ("ratio", "each", "lying", "columns"),
    [(16 / 9, 6, False, 2), (16 / 9, 9, True, 3), (16 / 9, 12, True, 4), (9 / 16, 12, True, 6)],
)
def test_pages_lie_so_that_pictures_are_largest(ratio, each, lying, columns) -> None:
    """Worked out by hand on A4 with margins of 12 mm: what is left is parted, and 15 mm are kept for words."""
    assert layout_of((210, 297), each, ratio) == (lying, columns)
