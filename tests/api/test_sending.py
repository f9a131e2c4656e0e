"""Media on their way: whole, or the part that is asked for, from a disk and from an S3-like store."""

import fsspec
import pytest
from fastapi import FastAPI, Request
from fastapi.testclient import TestClient

from cutreel.api.sending import PIECE, sent
from cutreel.store import MediaStore

DATA = bytes(range(256)) * 9_000


@pytest.fixture(params=["disk", "elsewhere"])
def page(request: pytest.FixtureRequest, tmp_path):
    """A server of one media file, which lies on the disk or is only reached through fsspec."""
    media = MediaStore(str(tmp_path / "media") if request.param == "disk" else "memory://media")
    name = media.put(DATA, "mp4")
    app = FastAPI()

    @app.get("/film")
    def film(request: Request):
        return sent(media, name, "video/mp4", {"X-Own": "1"}, request.headers.get("range", ""))

    yield TestClient(app)
    fsspec.filesystem("memory").store.clear()


def test_a_whole_file_is_sent(page: TestClient) -> None:
    answer = page.get("/film")
    assert len(DATA) > 2 * PIECE and answer.status_code == 200 and answer.content == DATA
    assert answer.headers["content-length"] == str(len(DATA)) and answer.headers["x-own"] == "1"
    assert answer.headers["content-type"] == "video/mp4"


@pytest.mark.parametrize(
    ("asked", "start", "end"),
    [("bytes=10-19", 10, 20), ("bytes=2000000-", 2_000_000, len(DATA)), ("bytes=0-0", 0, 1)],
)
def test_a_part_is_sent(page: TestClient, asked: str, start: int, end: int) -> None:
    """RFC 9110, 14.4 and 15.3.7."""
    answer = page.get("/film", headers={"Range": asked})
    assert answer.status_code == 206 and answer.content == DATA[start:end]
    assert answer.headers["content-range"] == f"bytes {start}-{end - 1}/{len(DATA)}"


def test_a_part_beyond_the_end_is_refused(page: TestClient) -> None:
    answer = page.get("/film", headers={"Range": f"bytes={len(DATA)}-"})
    assert answer.status_code == 416
    assert answer.headers["content-range"].endswith(f"*/{len(DATA)}")
