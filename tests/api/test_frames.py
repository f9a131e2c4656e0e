"""A frame of the film, over the running stack."""

import io
import subprocess

import numpy as np
import pysubs2
import pytest
from PIL import Image

from tests.api.test_rules import change


def test_a_frame_is_seen_as_a_viewer_sees_it(client, film) -> None:
    """Its caption is in it, and not where captions are beside the film; a frame that is not there is refused."""

    def frame(at: int, **asked) -> np.ndarray:
        answer = client.get(f"/api/films/{film['id']}/frame", params={"at": at, **asked})
        assert answer.status_code == 200, answer.text
        return np.asarray(Image.open(io.BytesIO(answer.content)).convert("L")).astype(int)

    with_caption = frame(20, high=180)
    assert with_caption.shape == (180, 320)
    change(client, film["id"], type="set settings", values={"captions": "file"})
    without = frame(20, high=180)
    rows = np.flatnonzero((np.abs(with_caption - without) > 60).any(axis=1))
    assert rows.size and rows.min() > 110
    beyond = client.get(f"/api/films/{film['id']}/frame", params={"at": 10_000_000})
    assert beyond.status_code == 422 and "not so long" in beyond.json()["title"]


@pytest.mark.long
def test_captions_of_a_delivery_come_in_four_formats(client, film, finished) -> None:
    """Read back by pysubs2 with the same number of captions; the word that is said is timed where the style marks it."""
    style = {"said": "colour"}
    change(client, film["id"], type="set settings", values={"caption_style": style})
    wish = {"kind": "delivery", "size": "360p", "lacking": "stand in"}
    run = client.post(f"/api/films/{film['id']}/runs", json=wish).json()
    finished(film["id"], run["id"])
    found = {}
    for ending, name in (("srt", "srt"), ("vtt", "vtt"), ("ttml", "ttml"), ("ass", "ass")):
        answer = client.get(f"/api/runs/{run['id']}/files/film.{ending}")
        assert answer.status_code == 200, answer.text
        found[ending] = pysubs2.SSAFile.from_string(answer.text, name)
    lines = {
        ending: [e.plaintext.replace("\n", " ") for e in file] for ending, file in found.items()
    }
    assert lines["srt"] and lines["srt"] == lines["vtt"] == lines["ttml"] == lines["ass"]
    assert any(r"\k" in event.text for event in found["ass"])


def test_a_report_is_told_before_and_after_and_on_paper(client, film, finished, tmp_path) -> None:
    """The page is read by poppler's `pdftotext`; the figures of the file are those of ffprobe."""
    before = {f["what"]: f for f in client.get(f"/api/films/{film['id']}/report").json()}
    assert before["shots without a picture"]["good"] is False
    assert before["shots without a picture"]["where"]["view"] == "sheet"
    assert before["loudness"]["found"] == "not mixed yet"
    wish = {"kind": "delivery", "size": "360p", "lacking": "stand in", "make": False}
    run = client.post(f"/api/films/{film['id']}/runs", json=wish).json()
    done = finished(film["id"], run["id"])
    after = {f["what"]: f for f in done["outcome"]["figures"]}
    file = tmp_path / "film.mp4"
    file.write_bytes(client.get(f"/api/runs/{run['id']}/files/film.mp4").content)
    asked = [
        "-count_packets",
        "-select_streams",
        "v",
        "-show_entries",
        "stream=nb_read_packets,width,height",
    ]
    told = subprocess.run(
        ["ffprobe", "-v", "error", "-of", "csv=p=0", *asked, str(file)],
        capture_output=True, check=True, text=True,
    ).stdout.strip()  # fmt: skip
    assert told == f"{after['size']['found'].replace('x', ',')},{after['frames']['found']}"
    assert after["colour"]["good"] and after["black stretches"]["good"]
    assert after["loudness"]["found"].endswith("LUFS")
    page = tmp_path / "film.pdf"
    page.write_bytes(client.get(f"/api/runs/{run['id']}/files/film.pdf").content)
    read = subprocess.run(
        ["pdftotext", "-layout", str(page), "-"], capture_output=True, check=True, text=True
    ).stdout
    assert film["title"] in read and "not as aimed at" in read
    for figure in after.values():
        assert figure["what"].split()[0] in read
