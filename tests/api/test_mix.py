"""The film's mix over the running stack: measured, looked at and heard in blocks, treated by hand, and taken out as
files that other programs read."""

import csv
import io
import json
import subprocess
from pathlib import Path

import numpy as np
import pyloudnorm
import pytest
import soundfile

from tests.api.test_retouch import start
from tests.api.test_rules import change
from tests.meter import loudness_of

STORY = (
    "# The jetty — dusk, wind\n\nThe bell rang over the water. Dot waited for a long time in the cold, and nobody came "
    "to fetch her home that evening. She looked at the lights on the other shore, and counted them twice.\n\n"
    "# A kitchen — night\n\n“You are late,” said Hobb. He shut the door with a crash, and put the lamp on the table.\n"
)


@pytest.fixture(scope="module")
def film(client, finished) -> str:
    made = client.post(
        "/api/films", json={"title": "Mixed", "text": STORY, "settings": {"seed": 9}}
    ).json()
    run = start(client, made, kind="everything")
    finished(made["id"], run["id"])
    return made["id"]


def mixed(client, film: str) -> dict:
    answer = client.get(f"/api/films/{film}/mix")
    assert answer.status_code == 200, answer.text
    return answer.json()


def sound(client, film: str, number: int, *lanes: str) -> np.ndarray:
    asked = "&".join(f"lanes={lane}" for lane in lanes)
    answer = client.get(f"/api/films/{film}/mix/sound/{number}?{asked}")
    assert answer.status_code == 200, answer.text
    return soundfile.read(io.BytesIO(answer.content), always_2d=True)[0]


def block(client, film: str, number: int) -> dict:
    key = mixed(client, film)["blocks"][number]
    return client.get(f"/api/films/{film}/mix/blocks/{number}/{key}").json()


@pytest.mark.long
def test_a_film_is_measured_and_heard_as_loud_as_it_is_told(client, film) -> None:
    """pyloudnorm, an independent meter, on the blocks that a page hears."""
    found = mixed(client, film)
    assert found["measured"] and found["known"] == len(found["blocks"])
    whole = np.concatenate([sound(client, film, n) for n in range(len(found["blocks"]))])
    assert pyloudnorm.Meter(48_000).integrated_loudness(whole) == pytest.approx(-14.0, abs=0.3)
    assert found["loudness"] == pytest.approx(-14.0, abs=0.1)
    assert found["true_peak"] <= -1.5 and found["held"] >= 0
    assert found["least"] > 0.75 and found["hard"] == []


def test_a_block_shows_its_lanes_and_what_gives_way(client, film) -> None:
    shown = block(client, film, 0)
    assert {"voice", "ambience", "music"} <= set(shown["wave"])
    assert all(len(wave) == 100 for wave in shown["wave"].values())
    assert max(shown["wave"]["voice"]) > max(shown["wave"]["ambience"])
    assert min(shown["gives"]["music"]) == -130 and "voice" not in {
        lane for lane, gives in shown["gives"].items() if any(gives)
    }


def test_a_block_of_another_sound_is_not_given(client, film) -> None:
    answer = client.get(f"/api/films/{film}/mix/blocks/0/{'0' * 32}")
    assert answer.status_code == 404
    assert client.get(f"/api/films/{film}/mix/sound/99").status_code == 422


def test_lanes_alone_add_up_to_what_is_heard(client, film) -> None:
    whole = sound(client, film, 0)
    apart = [sound(client, film, 0, lane) for lane in ("voice", "spot", "ambience", "music")]
    np.testing.assert_allclose(sum(apart), whole, atol=3e-4)


def test_a_level_is_drawn_where_it_was_drawn(client, film) -> None:
    """Music lower by 12 dB from one word to another: so much in the block, and nothing in the others' keys."""
    before, music = mixed(client, film), sound(client, film, 0, "music")
    words = client.get(f"/api/films/{film}").json()["words"]
    points = [
        {"word": words[n][2], "later": 0, "gain": gain} for n, gain in ((2, 0), (4, -12), (9, 0))
    ]
    told = change(client, film, type="set lane", lane={"lane": "music", "points": points})
    assert told["undo"] == "draw the level of the music"
    after = mixed(client, film)
    lane = next(lane for lane in after["lanes"] if lane["choice"]["lane"] == "music")
    assert [p["gain"] for p in lane["points"]] == [0, -12, 0]
    assert after["measured"] and after["blocks"][0] != before["blocks"][0]
    assert after["blocks"][1:] == before["blocks"][1:]
    at = round(lane["points"][1]["frame"] / 24 * 48_000)
    here = slice(at - 480, at + 480)
    fell = 20 * np.log10(
        np.sqrt(np.mean(sound(client, film, 0, "music")[here] ** 2))
        / np.sqrt(np.mean(music[here] ** 2))
    )
    assert fell == pytest.approx(-12, abs=0.7)
    change(client, film, type="set lane", lane={"lane": "music"})
    assert mixed(client, film)["blocks"] == before["blocks"]


def test_a_lane_is_toned(client, film) -> None:
    """Cut below 300 Hz, the voice has less there; above a kilohertz it is as it was."""
    plain = sound(client, film, 0, "voice")
    change(client, film, type="set lane", lane={"lane": "voice", "low_cut": 300})
    cut = sound(client, film, 0, "voice")
    change(client, film, type="set lane", lane={"lane": "voice"})
    hertz = np.fft.rfftfreq(len(plain), 1 / 48_000)

    def level(audio: np.ndarray, low: float, high: float) -> float:
        spectrum = np.abs(np.fft.rfft(audio.mean(axis=1))) ** 2
        return 10 * np.log10(spectrum[(hertz > low) & (hertz < high)].sum())

    # The whole is brought to its loudness again; so the one is seen against the other.
    assert (
        level(cut, 60, 150) - level(cut, 1000, 4000)
        < level(plain, 60, 150) - level(plain, 1000, 4000) - 12
    )


def test_what_is_hard_to_follow_is_named_with_its_remedy(client, film) -> None:
    loud = {"music_level": 12, "music_duck": 0}
    change(client, film, type="set settings", values=loud)
    found = mixed(client, film)
    hard = found["hard"]
    assert hard and hard[0]["culprit"] == "music" and hard[0]["less"] > 0
    assert hard[0]["index"] == found["least"] < found["easy"]
    assert 0 <= hard[0]["start"] < hard[0]["stop"]
    change(client, film, type="set settings", values={"music_level": 0, "music_duck": 13})


@pytest.fixture(scope="module")
def taken(client, film, finished, tmp_path_factory) -> dict[str, Path]:
    run = start(client, {"id": film}, kind="stems")
    done = finished(film, run["id"])
    folder, out = tmp_path_factory.mktemp("stems"), {}
    for file in done["outcome"]["files"]:
        answer = client.get(f"/api/runs/{run['id']}/files/{file['name']}")
        assert answer.status_code == 200 and len(answer.content) == file["bytes"]
        out[file["name"]] = folder / file["name"]
        out[file["name"]].write_bytes(answer.content)
    return out


def steps(path: Path) -> np.ndarray:
    """Samples as whole steps of 24 bits, by libsndfile."""
    return soundfile.read(path, dtype="int32", always_2d=True)[0] >> 8


def test_stems_add_up_to_the_sum_to_the_bit(taken) -> None:
    voice, noise, music = (steps(taken[f"{name}.wav"]) for name in ("voice", "sound", "music"))
    assert (noise + music == steps(taken["without-voice.wav"])).all()
    total = voice + noise + music
    assert (total == steps(taken["sum.wav"])).all()
    assert np.abs(total).max() < 1 << 23
    for lane in (voice, noise, music):
        assert np.abs(lane).max() > 1000


def test_stems_are_broadcast_wave(taken) -> None:
    """ffprobe reads what EBU Tech 3285 has it find: 24 bit, 48 kHz, a description and an originator."""
    told = subprocess.run(
        [
            "ffprobe",
            "-v",
            "error",
            "-of",
            "json",
            "-show_streams",
            "-show_format",
            taken["voice.wav"],
        ],
        capture_output=True,
        check=True,
    )
    found = json.loads(told.stdout)
    stream, tags = found["streams"][0], found["format"]["tags"]
    assert (stream["codec_name"], stream["sample_rate"], stream["channels"]) == (
        "pcm_s24le",
        "48000",
        2,
    )
    assert tags["encoded_by"] == "Cut Reel" and tags["comment"].startswith("Mixed: the voice alone")
    assert len({soundfile.info(taken[f"{n}.wav"]).frames for n in ("voice", "sum", "mix")}) == 1


@pytest.mark.parametrize("ending", ["wav", "flac", "mp3"])
def test_the_mix_alone_is_as_loud_as_the_film(taken, ending: str) -> None:
    """ffmpeg's ebur128 filter as an independent meter."""
    loud, peak = loudness_of(taken[f"mix.{ending}"])
    assert loud == pytest.approx(-14.0, abs=0.3) and peak <= -1.0


def test_the_cue_sheet_tells_what_sounds_and_when(client, film, taken) -> None:
    rows = list(csv.DictReader(io.StringIO(taken["cues.csv"].read_text())))
    assert [row["number"] for row in rows] == [str(n + 1) for n in range(len(rows))]
    bell = next(row for row in rows if row["sound"] == "a church bell rings")
    assert bell["lane"] == "spot" and bell["source"] == "made for this film"
    assert bell["because of"] == "“rang”" and bell["from"] < bell["to"]
    assert sum(row["lane"] == "music" for row in rows) == 1
    assert (
        client.get(f"/api/films/{film}/mix/cues.csv").text
        == taken["cues.csv"].read_bytes().decode()
    )
