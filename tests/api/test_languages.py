"""A story in another language, over the running stack: read, spoken by a voice of its own, described in it."""

import io

import pytest

from tests.api.test_retouch import start

STORY = (
    "In der Nacht war das Wasser gestiegen, und am Morgen stand die alte Anna Weber allein auf der Brücke. Im Jahr 1834 "
    "hatte ihr Großvater sie gebaut. Dann läutete die Glocke im Dorf, und alle wussten, was das hieß."
)


@pytest.fixture(scope="module")
def german(client) -> dict:
    made = client.post("/api/films", json={"title": "Die Brücke", "text": STORY})
    assert made.status_code == 201, made.text
    return client.get(f"/api/films/{made.json()['id']}").json()


def test_it_is_spoken_in_its_language(client, german, finished) -> None:
    assert (german["language"], german["narrator"]) == ("de", "de-woman")
    run = start(client, german, kind="speech", lines=[])
    assert not finished(german["id"], run["id"])["failures"]
    said = client.get(f"/api/films/{german['id']}/lines/0").json()
    assert said["voice"] == "de-woman" and said["takes"][0]["media"]
    assert [w["readings"] for w in said["words"] if "1834" in w["text"]] == [[]]
    assert client.get(f"/api/films/{german['id']}/figures").json() == []
    ssml = client.get(f"/api/films/{german['id']}/ssml").text
    assert 'xml:lang="de"' in ssml and "1834" in ssml


def test_voices_are_described_in_it(client, german) -> None:
    wish = {"description": "an old man, low"}
    made = client.post(f"/api/films/{german['id']}/voices", json=wish).json()["voices"]
    assert {(v["language"], v["pronoun"], v["age"]) for v in made} == {("de", "he", "old")}


def test_a_machines_ear_says_what_it_cannot_follow(client, german, finished) -> None:
    run = start(client, german, kind="listening", lines=[])
    assert not finished(german["id"], run["id"])["failures"]
    heard = client.get(f"/api/films/{german['id']}/by-ear").json()
    assert heard["listened"] == heard["spoken"] > 0
    assert not [d for d in heard["doubtful"] if d["missed"]]
    answer = client.post(
        f"/api/films/{german['id']}/narrations", files={"file": ("whole.wav", io.BytesIO(b"RIFF"))}
    )
    assert answer.status_code == 422 and "English" in answer.json()["title"]
