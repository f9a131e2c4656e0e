"""The maker's own voice over the running stack: a line, or the whole story, through which the text is followed.

Outside of the project: when each word is said, from the engine that speaks the recordings; what was said twice, begun
anew or left out is known since they were made so.
"""

import io

import numpy as np
import pytest
import soundfile
import soxr

from standins.voices import speak
from tests.api.test_retouch import start
from tests.api.test_rules import change
from tests.api.test_voices import A_CHARACTER, line, spent
from tests.standins.narrator import narrated


def recording_of(text: str, kind: str = "WAV") -> bytes:
    """Somebody else says a line, after a second of room noise, at 44,100 Hz in stereo."""
    spoken = speak(text, "briony")
    samples, _ = soundfile.read(io.BytesIO(spoken.flac), dtype="float32")
    samples = soxr.resample(samples, 48_000, 44_100)
    sound = np.concatenate([np.zeros(44_100, np.float32), samples])
    sound = sound + np.random.default_rng(4).normal(0, 0.0005, len(sound)).astype(np.float32)
    out = io.BytesIO()
    soundfile.write(out, np.stack([sound, sound], 1), 44_100, format=kind)
    return out.getvalue()


@pytest.mark.parametrize("kind", ["WAV", "FLAC", "OGG", "MP3"])
def test_the_makers_own_voice_is_speech_like_any_other(client, spoken, kind, finished) -> None:
    film, base = spoken, f"/api/films/{spoken['id']}"
    said = line(client, film, 0)
    text = " ".join(w["text"] for w in said["words"])
    files = {"file": (f"mine.{kind.lower()}", recording_of(text, kind))}
    kept = client.post(f"{base}/lines/0/recording", files=files)
    assert kept.status_code == 200, kept.text
    assert line(client, film, 0) == said, "it is used once it is set"
    own = {"word": said["word"], "recording": kept.json()["recording"]}
    assert kept.json()["word"] == said["word"] and kept.json()["unsure"] == []
    change(client, film["id"], type="take recordings", lines=[own])
    now = line(client, film, 0)
    assert now["recorded"] and now["takes"][0]["media"] == own["recording"]["media"]
    truth = speak(text, "briony")
    starts = np.array([w["start"] for w in now["words"]])
    expected = np.array([a for _, a, _ in truth.words])
    # What was trimmed from its beginning is the same for all words.
    assert np.abs((starts - starts[0]) - (expected - expected[0])).max() < 0.12
    # Nothing is asked of a voice for it, whatever is directed.
    told = client.post(f"{base}/estimate", json={"kind": "speech", "lines": [0]}).json()
    assert told["cost"] == 0
    # With other words it is no longer what is said: a voice speaks, and what was recorded is kept for its words.
    change(client, film["id"], type="take recordings", lines=[{**own, "recording": None}])
    assert line(client, film, 0)["takes"] == said["takes"]


@pytest.mark.parametrize(
    ("data", "says"), [(b"not a sound", "WAV, FLAC, MP3"), (b"", "WAV, FLAC, MP3")]
)
def test_what_is_no_recording_is_refused_with_what_to_do(client, spoken, data, says) -> None:
    answer = client.post(
        f"/api/films/{spoken['id']}/lines/0/recording", files={"file": ("a.wav", data)}
    )
    assert answer.status_code == 422 and says in answer.text


def test_silence_is_said_to_be(client, film) -> None:
    out = io.BytesIO()
    soundfile.write(out, np.zeros(48_000, np.float32), 48_000, format="WAV")
    files = {"file": ("a.wav", out.getvalue())}
    for where in ("lines/0/recording", "narrations"):
        answer = client.post(f"/api/films/{film['id']}/{where}", files=files)
        assert answer.status_code == 422 and "Nobody is heard" in answer.text


def test_words_that_are_not_said_are_unsure_and_no_voice_has_to_speak_first(client, film) -> None:
    said = line(client, film, 0)
    text = " ".join(w["text"] for w in said["words"])
    other = recording_of("Seven geese ate all of the turnips.")
    url = f"/api/films/{film['id']}/lines/0/recording"
    kept = client.post(url, files={"file": ("a.wav", other)}).json()
    assert len(kept["unsure"]) > len(said["words"]) / 2
    kept = client.post(url, files={"file": ("a.wav", recording_of(text))}).json()
    assert kept["unsure"] == []


STORY = (
    "The postman came up the path with nothing in his bag. He wiped his forehead with his cap.\n\n"
    "“Is there a letter for me today?” asked Wanda. She was a small girl with a red scarf.\n\n"
    "“There has never been one,” said the postman, and he went back down the hill.\n"
)


@pytest.fixture(scope="module")
def told(client) -> dict:
    answer = client.post("/api/films", json={"title": "Letters", "text": STORY})
    return answer.json()


@pytest.fixture(scope="module")
def narration() -> bytes:
    """Somebody else reads it: one sentence twice, one begun and begun anew, one not at all."""
    sentences = [
        "The postman came up the path with nothing in his bag.",
        "He wiped his forehead with his cap.",
        "Is there a letter for me today?",
        "asked Wanda.",
        "She was a small girl with a red scarf.",
        "There has never been one,",
        "said the postman, and he went back down the hill.",
    ]
    made = narrated(sentences, again={0}, begun={6}, left_out={4})
    out = io.BytesIO()
    soundfile.write(out, made.samples, made.rate, format="OGG")
    return out.getvalue()


@pytest.mark.long
def test_the_text_is_followed_through_a_narration(client, told, narration, finished) -> None:
    base = f"/api/films/{told['id']}"
    before = spent(client, told)
    kept = client.post(f"{base}/narrations", files={"file": ("mine.ogg", narration)})
    assert kept.status_code == 200, kept.text
    (seen,) = client.get(f"{base}/narrations").json()
    assert seen["name"] == "mine.ogg" and not seen["followed"] and seen["heard"] == 0
    wish = {"kind": "narration", "narration": kept.json()["key"]}
    assert client.post(f"{base}/estimate", json=wish).json()["cost"] == 0
    run = finished(told["id"], start(client, told, **wish)["id"])
    assert run["state"] == "done" and not run["failures"], run
    (seen,) = client.get(f"{base}/narrations").json()
    assert seen["followed"] and seen["heard"] == 1
    lines = seen["lines"]
    texts = [li["text"] for li in lines]
    assert [li["said"] for li in lines] == [2, 1, 1, 1, 2]
    # Of one line too little was said.
    assert [bool(li["recording"]) for li in lines] == [True, True, False, True, True]
    left = [(texts.index(li["text"]), x["text"]) for li in lines for x in li["left"]]
    assert left == [(2, "She was a small girl with a red scarf.")]
    assert STORY[lines[2]["left"][0]["start"] :].startswith("She was a small girl")
    assert any("again" in e["heard"] or "sorry" in e["heard"] for e in seen["put_in"])

    # All of it is taken at once, is heard in the film, and costs nothing.
    said = [li for li in lines if li["recording"]]
    take = [{"word": li["word"], "recording": li["recording"]} for li in said]
    change(client, told["id"], type="take recordings", lines=take)
    cost = client.post(f"{base}/estimate", json={"kind": "speech"}).json()["cost"]
    assert cost == pytest.approx(len(texts[2]) * A_CHARACTER)
    now = client.get(f"{base}/lines/4").json()
    assert now["recorded"] and now["takes"][0]["media"] == lines[4]["recording"]["media"]
    # The apology and what was begun before it are cut out: the line is as long as its last saying.
    assert now["takes"][0]["seconds"] < 4.5
    starts = [w["start"] for w in now["words"]]
    assert starts == sorted(starts)
    assert spent(client, told) == before
    seen = client.get(f"{base}/narrations").json()[0]["lines"]
    assert [li["taken"] for li in seen] == [True, True, False, True, True]
    client.post(f"{base}/undo")
    assert not client.get(f"{base}/lines/4").json()["recorded"], "one step back"

    # The text is mended to what was said, and followed again through what was heard already.
    gone = lines[2]["left"][0]
    change(client, told["id"], type="edit text", start=gone["start"], end=gone["end"], insert="")
    assert not client.get(f"{base}/narrations").json()[0]["followed"]
    run = start(client, told, **wish)
    assert run["total"] <= 1, "nothing is heard again"
    finished(told["id"], run["id"])
    (seen,) = client.get(f"{base}/narrations").json()
    assert [x for li in seen["lines"] for x in li["left"]] == []
    assert all(li["recording"] for li in seen["lines"])
    # Brought again, it is heard again, for the words that the text has now.
    again = client.post(f"{base}/narrations", files={"file": ("mine.ogg", narration)}).json()
    assert again["key"] == kept.json()["key"] and again["text"] != kept.json()["text"]
    assert client.get(f"{base}/narrations").json()[0]["heard"] == 0
    change(client, told["id"], type="keep narration", narration=kept.json(), drop=True)
    assert client.get(f"{base}/narrations").json() == []


def test_a_narration_that_is_not_kept_cannot_be_followed(client, told) -> None:
    wish = {"kind": "narration", "narration": "0" * 40}
    answer = client.post(f"/api/films/{told['id']}/estimate", json=wish)
    assert answer.status_code == 422 and "Bring it again" in answer.text


def test_a_machine_listens_to_the_lines(client, spoken, finished) -> None:
    base = f"/api/films/{spoken['id']}"
    before = client.get(f"{base}/by-ear").json()
    assert before["listened"] == 0 and before["spoken"] > 2
    # One line is recorded with other words: it is heard.
    said = line(client, spoken, 0)
    other = recording_of("Seven geese ate all of the turnips.")
    kept = client.post(f"{base}/lines/0/recording", files={"file": ("a.wav", other)}).json()
    own = {"word": kept["word"], "recording": kept["recording"]}
    change(client, spoken["id"], type="take recordings", lines=[own])
    run = finished(spoken["id"], start(client, spoken, kind="listening")["id"])
    assert run["state"] == "done" and not run["failures"] and run["cost"] == 0, run
    found = client.get(f"{base}/by-ear").json()
    assert found["listened"] == found["spoken"] == before["spoken"]
    worst = found["doubtful"][0]
    assert worst["line"] == 0 and worst["why"] == "may be misread" and worst["recorded"]
    assert len(worst["missed"]) >= len(said["words"]) / 2
    # What the voices said is what is written: of their words few are not heard.
    missed = sum(len(d["missed"]) for d in found["doubtful"] if not d["recorded"])
    spoken_words = sum(len(line(client, spoken, n)["words"]) for n in range(1, found["spoken"]))
    assert missed / spoken_words < 0.15
    assert start(client, spoken, kind="listening")["total"] == 0, "nothing is listened to twice"


def test_what_is_not_spoken_cannot_be_listened_to(client, told) -> None:
    change(client, told["id"], type="set settings", values={"narrator": "quill"})
    answer = client.post(f"/api/films/{told['id']}/estimate", json={"kind": "listening"})
    assert answer.status_code == 400 and "spoken" in answer.text


def test_recordings_are_cleaned_and_what_was_recorded_stays(client, spoken, finished) -> None:
    base = f"/api/films/{spoken['id']}"
    text = " ".join(w["text"] for w in line(client, spoken, 1)["words"])
    kept = client.post(
        f"{base}/lines/1/recording", files={"file": ("a.wav", recording_of(text))}
    ).json()
    own = {"word": kept["word"], "recording": kept["recording"]}
    change(client, spoken["id"], type="take recordings", lines=[own])
    assert client.get(f"{base}/cleaning").json() == {"recorded": 1, "cleaned": 1}
    change(client, spoken["id"], type="set settings", values={"clean_noise": 0.65})
    assert client.get(f"{base}/cleaning").json() == {"recorded": 1, "cleaned": 0}
    before = line(client, spoken, 1)
    assert before["anew"] and before["recording"]["media"] == kept["recording"]["media"]
    assert (
        client.post(f"{base}/estimate", json={"kind": "speech", "lines": [1]}).json()["cost"] == 0
    )
    run = finished(spoken["id"], start(client, spoken, kind="speech", lines=[1])["id"])
    assert run["state"] == "done" and not run["failures"], run
    now = line(client, spoken, 1)
    assert not now["anew"] and now["takes"][0]["media"] != kept["recording"]["media"]
    assert [w["start"] for w in now["words"]] == [w["start"] for w in before["words"]]
    assert client.get(f"{base}/cleaning").json() == {"recorded": 1, "cleaned": 1}
    change(client, spoken["id"], type="set settings", values={"clean_noise": 0})
    assert line(client, spoken, 1)["takes"][0]["media"] == kept["recording"]["media"]
    # Directed otherwise, it stays recorded.
    word = line(client, spoken, 1)["word"]
    change(client, spoken["id"], type="set line", line={"word": word, "direction": "softly"})
    assert line(client, spoken, 1)["recorded"]
