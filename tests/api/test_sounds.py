"""Sounds of a film, over the running stack: moved, louder, another, thrown out with all that are alike, and back."""

import io

import mido
import numpy as np
import pytest
import soundfile

from tests.api.test_retouch import start
from tests.api.test_rules import change

STORY = (
    "# The jetty — dusk, wind\n\nThe bell rang over the water. Dot waited for a long time in the cold, and nobody came "
    "to fetch her home that evening. She looked at the lights on the other shore, and counted them twice. At last the "
    "bell rang again, and Dot rowed home.\n"
)
BELL = "a church bell rings"


@pytest.fixture
def rung(client) -> dict:
    made = client.post(
        "/api/films", json={"title": "Sounds", "text": STORY, "settings": {"seed": 77}}
    )
    return made.json()


def cues(client, film: dict) -> list[dict]:
    return client.get(f"/api/films/{film['id']}").json()["cues"]


def test_a_cue_is_shaped_and_as_it_was_proposed_again(client, rung) -> None:
    first, second = (c for c in cues(client, rung) if c["prompt"] == BELL)
    own = {"id": first["id"], "later": 12, "gain": 3, "pan": -0.5, "seed": 0}
    change(client, rung["id"], type="set cue", cue=own)
    moved, other = (c for c in cues(client, rung) if c["prompt"] == BELL)
    assert moved["choice"] | own == moved["choice"]
    assert moved["after"] == pytest.approx(first["after"] + 0.5)
    assert first["after"] + second["after"] == pytest.approx(moved["after"] + other["after"])
    change(client, rung["id"], type="set cue", cue={"id": first["id"]})
    assert next(c for c in cues(client, rung) if c["prompt"] == BELL) == first


@pytest.mark.long
def test_another_making_is_another_sound_and_the_first_is_kept(client, rung, finished) -> None:
    run = start(client, rung, kind="everything")
    finished(rung["id"], run["id"])
    first = next(c for c in cues(client, rung) if c["prompt"] == BELL)
    assert first["made"] and first["media"]
    change(client, rung["id"], type="set cue", cue={"id": first["id"], "seed": 1})
    assert not next(c for c in cues(client, rung) if c["id"] == first["id"])["made"]
    run = start(client, rung, kind="everything")
    finished(rung["id"], run["id"])
    other = next(c for c in cues(client, rung) if c["id"] == first["id"])
    assert other["media"] not in (None, first["media"])
    change(client, rung["id"], type="set cue", cue={"id": first["id"]})
    assert next(c for c in cues(client, rung) if c["id"] == first["id"])["media"] == first["media"]


def test_all_of_a_kind_are_thrown_out_and_stay_out(client, rung) -> None:
    assert sum(c["prompt"] == BELL for c in cues(client, rung)) == 2
    film = change(client, rung["id"], type="lift sounds", prompt=BELL)
    assert film["lifted_sounds"] == [BELL]
    assert not [c for c in film["cues"] if c["prompt"] == BELL]
    end = len(STORY.strip())
    again = change(
        client, rung["id"], type="edit text", start=end, end=end, insert=" The bell rang."
    )
    assert not [c for c in again["cues"] if c["prompt"] == BELL]
    back = change(client, rung["id"], type="lift sounds", prompt=BELL, lifted=False)
    assert [c for c in back["cues"] if c["prompt"] == BELL]
    none = change(client, rung["id"], type="set settings", values={"sounds": "off"})
    assert {c["kind"] for c in none["cues"]} <= {"music"}


@pytest.mark.long
def test_a_line_that_music_covers_is_told_and_mended(client, rung, finished) -> None:
    path = f"/api/films/{rung['id']}/mix"

    def mixed(**values: float) -> dict:
        change(client, rung["id"], type="set settings", values=values)
        finished(rung["id"], start(client, rung, kind="everything")["id"])
        return client.get(path).json()

    plain = mixed(music="grand")
    assert plain["measured"] and plain["least"] >= plain["easy"] and plain["hard"] == []
    assert plain["loudness"] == pytest.approx(-14, abs=0.5)
    loud = mixed(music_level=12, music_duck=0)
    worst = loud["hard"][0]
    assert worst["culprit"] == "music" and worst["index"] == loud["least"] < loud["easy"]
    mended = mixed(music_level=12 - worst["less"])
    assert mended["least"] > loud["least"]
    assert all(line["index"] >= mended["easy"] - 0.02 for line in mended["hard"])


def tone(seconds: float, hertz: float, format: str = "WAV") -> bytes:
    at = np.arange(round(seconds * 44_100)) / 44_100
    out = io.BytesIO()
    pulse = 0.5 * np.sin(2 * np.pi * hertz * at) * (np.exp(-8 * (at % 0.5)))
    soundfile.write(out, pulse, 44_100, format=format)
    return out.getvalue()


def bring(client, film: str, name: str, data: bytes, **told: str):
    return client.post(f"/api/films/{film}/sounds", files={"file": (name, data)}, data=told)


def test_a_sound_of_ones_own_is_brought_used_and_credited(client, rung) -> None:
    """Its tempo is told, it sounds where the cue did, the cue sheet names its licence and credit, and let go the cue is
    as it was."""
    told = bring(
        client, rung["id"], "my_bell.ogg", tone(14, 440, "OGG"), licence="CC BY 4.0", credit="Ida"
    )
    assert told.status_code == 200, told.text
    sound = told.json()
    assert (sound["name"], round(sound["seconds"], 1)) == ("my bell", 14.0)
    assert sound["tempo"] == pytest.approx(120, rel=0.03)
    film = change(client, rung["id"], type="keep sound", sound=sound)
    (kept,) = film["own_sounds"]
    proposed = next(c for c in cues(client, rung) if c["prompt"] == BELL)
    change(client, rung["id"], type="set cue", cue={"id": proposed["id"], "own": kept["id"]})
    own = next(c for c in cues(client, rung) if c["id"] == proposed["id"])
    assert own["made"] and own["media"] == kept["media"] and own["prompt"] == "my bell"
    sheet = client.get(f"/api/films/{rung['id']}/mix/cues.csv").text
    assert "my bell" in sheet and "brought,CC BY 4.0,Ida" in sheet
    film = change(client, rung["id"], type="drop sound", sound=kept["id"])
    assert film["own_sounds"] == []
    assert next(c for c in cues(client, rung) if c["id"] == proposed["id"])["prompt"] == BELL


def test_a_track_of_ones_own_is_brought_to_the_length_of_its_cue(client, rung, finished) -> None:
    sound = bring(client, rung["id"], "track.flac", tone(40, 220, "FLAC")).json()
    film = change(client, rung["id"], type="keep sound", sound=sound)
    music = next(c for c in cues(client, rung) if c["kind"] == "music")
    own = {"id": music["id"], "own": film["own_sounds"][-1]["id"]}
    change(client, rung["id"], type="set cue", cue=own)
    finished(rung["id"], start(client, rung, kind="everything")["id"])
    fitted = next(c for c in cues(client, rung) if c["id"] == music["id"])
    assert fitted["made"] and fitted["media"] != sound["media"]
    info = soundfile.info(io.BytesIO(client.get(f"/media/{fitted['media']}").content))
    seconds = client.get(f"/api/films/{rung['id']}").json()["seconds"]
    assert info.duration == pytest.approx(seconds, abs=0.06) and info.channels == 2


@pytest.mark.parametrize(
    ("data", "says"), [(b"not a sound at all", "cannot be opened"), (b"", "cannot be opened")]
)
def test_what_is_no_sound_is_refused_in_words(client, rung, data: bytes, says: str) -> None:
    answer = bring(client, rung["id"], "x.wav", data)
    assert answer.status_code == 422 and says in answer.json()["title"]


def test_several_makings_are_made_at_once_and_one_is_used(client, rung, finished) -> None:
    change(client, rung["id"], type="set settings", values={"seed": 4041})  # nothing is made yet
    bell = next(c for c in cues(client, rung) if c["prompt"] == BELL)
    choice = {"id": bell["id"], "takes": 3, "seed": 2}
    change(client, rung["id"], type="set cue", cue=choice)
    run = finished(rung["id"], start(client, rung, kind="sounds", cues=[bell["id"]])["id"])
    assert run["total"] == 3
    made = next(c for c in cues(client, rung) if c["id"] == bell["id"])
    assert set(made["makings"]) == {"0", "1", "2"} and len(set(made["makings"].values())) == 3
    assert made["media"] == made["makings"]["2"]
    others = [c for c in cues(client, rung) if c["kind"] == "music"]
    assert others and not any(c["made"] for c in others)


def test_music_is_composed_after_its_score_and_its_notes_go_out(client, rung, finished) -> None:
    """The notes are read back by mido; a shot that the maker chose begins with a bar, within a frame."""
    shots = client.get(f"/api/films/{rung['id']}").json()["shots"]
    hit = shots[2]
    change(client, rung["id"], type="set shots", shots=[hit["id"]], values={"music": "hit"})
    finished(rung["id"], start(client, rung, kind="sounds")["id"])
    (music,) = (c for c in cues(client, rung) if c["kind"] == "music")
    assert music["made"] and music["notes"]
    data = client.get(f"/media/{music['notes']}")
    assert data.headers["content-type"] == "audio/midi"
    song = mido.MidiFile(file=io.BytesIO(data.content))
    at, struck = 0.0, []
    for message in song:
        at += message.time
        if message.type == "note_on" and message.channel == 2:
            struck.append(at)
    assert min(abs(s - hit["start"] / 24) for s in struck) < 1 / 24
    mix = client.get(f"/api/films/{rung['id']}/mix").json()
    assert mix["met"] == mix["wished"] == [hit["start"]]
    levels = [level for _, level in mix["tension"]["course"]]
    assert all(0 <= level <= 1 for level in levels)


def test_a_bent_tension_is_where_it_was_drawn(client, rung) -> None:
    first = 13
    point = {"word": first, "later": 6, "level": 0.95}
    change(client, rung["id"], type="set tension", points=[point])
    tension = client.get(f"/api/films/{rung['id']}/mix").json()["tension"]
    (drawn,) = tension["points"]
    assert (drawn["word"], drawn["later"], drawn["level"]) == (first, 6, 0.95)
    assert [drawn["frame"], 0.95] in tension["course"]
    change(client, rung["id"], type="set tension", points=[])
    assert client.get(f"/api/films/{rung['id']}/mix").json()["tension"]["points"] == []


def midi(seconds: float) -> bytes:
    """A scale at 120 beats a minute, written by mido."""
    track = mido.MidiTrack([mido.MetaMessage("set_tempo", tempo=500_000)])
    for n in range(round(seconds * 2)):
        track.append(mido.Message("note_on", note=60 + n % 12, velocity=90, time=0))
        track.append(mido.Message("note_off", note=60 + n % 12, velocity=0, time=480))
    out = io.BytesIO()
    mido.MidiFile(tracks=[track], ticks_per_beat=480).save(file=out)
    return out.getvalue()


def test_notes_of_ones_own_are_played(client, rung) -> None:
    told = bring(client, rung["id"], "waltz.mid", midi(16))
    assert told.status_code == 200, told.text
    sound = told.json()
    assert sound["seconds"] == pytest.approx(16, abs=3)
    assert sound["tempo"] == pytest.approx(120, rel=0.03)
    audio, rate = soundfile.read(io.BytesIO(client.get(f"/media/{sound['media']}").content))
    assert rate == 48_000 and np.abs(audio[: 14 * rate]).max() > 0.02


@pytest.mark.parametrize(
    ("data", "says"),
    [(b"MThd\0\0\0\6junk", "cannot be opened"), (midi(0), "no notes"), (midi(16 * 60), "longer")],
)
def test_notes_that_cannot_be_played_are_refused_in_words(client, rung, data, says) -> None:
    answer = bring(client, rung["id"], "x.mid", data)
    assert answer.status_code == 422 and says in answer.json()["title"]


def test_what_was_brought_for_one_film_is_on_the_shelf_for_all(client, rung, film) -> None:
    name = f"shelf {rung['id']}"
    told = {"licence": "CC0", "credit": "Nils"}
    sound = bring(client, rung["id"], f"{name}.wav", tone(1, 330), **told).json()
    shelf = [s for s in client.get("/api/sounds").json() if s["name"] == name]
    assert shelf == [sound]
    kept = change(client, film["id"], type="keep sound", sound=shelf[0])["own_sounds"]
    assert kept[-1]["credit"] == "Nils" and kept[-1]["id"] > 0
