"""A frame of the film, over the running stack."""

import io

import numpy as np
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
