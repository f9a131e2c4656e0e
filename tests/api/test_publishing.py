"""What goes out of a film over the running stack: texts, thumbnails, timelines, parts.

Pictures are read by Pillow, sounds by soundfile, timelines by OpenTimelineIO, films by PyAV."""

import csv
import io
import json
import zipfile

import av
import opentimelineio as otio
import pytest
import soundfile
from PIL import Image

from cutreel.archive_commands import verify
from tests.api.test_retouch import start
from tests.api.test_rules import change


def test_texts_are_drafted_written_and_had_as_one_file(client, film) -> None:
    at = f"/api/films/{film['id']}/publishing"
    told = client.get(at).json()
    assert told["texts"] == told["drafted"] and told["texts"]["title"] == film["title"]
    change(client, film["id"], type="set texts", values={"title": "x" * 120, "hashtags": ["#One"]})
    now = client.get(at).json()
    assert now["texts"]["title"] == "x" * 120 and now["drafted"] == told["drafted"]
    assert [(f["field"], f["beyond"]) for f in now["faults"] if f["field"] == "title"] == [
        ("title", True)
    ]
    text = client.get(f"{at}.txt").text
    assert "TITLE\n" + "x" * 120 in text and text.endswith("HASHTAGS\n#One\n")
    back = change(client, film["id"], type="set texts", values={"title": None})
    assert back["undo"] == "draft the title again"


def test_the_writer_proposes_titles_and_openings_and_changes_nothing(client, film) -> None:
    at = f"/api/films/{film['id']}/publishing"
    before = client.get(at).json()
    ask = f"{at}/written"
    titles = client.post(ask, json={"field": "title"}).json()
    others = client.post(ask, json={"field": "title", "seed": 1}).json()
    assert len(set(titles["texts"])) == 10 and titles["texts"] != others["texts"]
    assert titles["cost"] > 0
    whole = client.post(ask, json={"field": "description", "how": "vivid"}).json()["texts"][0]
    drafted = before["texts"]["description"]
    rest = drafted.partition("\n\n")[2]
    assert rest and whole.endswith(rest), "chapters and credits stay as they are"
    assert client.get(at).json() == before


def test_a_thumbnail_is_a_jpeg_of_its_size_and_is_kept_with_the_film(client, film) -> None:
    shot = client.get(f"/api/films/{film['id']}").json()["shots"][0]["id"]
    told = {"shot": shot, "words": "Who goes there?", "side": "right"}
    at = f"/api/films/{film['id']}/thumbnail.jpg"
    for shape, size in (
        ("16:9", (1280, 720)),
        ("9:16", (720, 1280)),
        ("4:5", (1080, 1350)),
        ("1:1", (1080, 1080)),
    ):
        answer = client.get(at, params={"told": json.dumps(told), "shape": shape})
        image = Image.open(io.BytesIO(answer.content))
        assert (image.format, image.size) == ("JPEG", size) and len(answer.content) < 2_000_000
    small = client.get(at, params={"told": json.dumps(told), "wide": 336})
    assert Image.open(io.BytesIO(small.content)).size == (336, 189)
    found = client.post(f"/api/films/{film['id']}/thumbnails/measured", json=told).json()
    assert (found["words"], found["wide"]) == (3, 168) and found["contrast"] > found["aims"][
        "contrast"
    ]
    now = change(client, film["id"], type="keep thumbnail", thumbnail=told)
    assert now["thumbnails"][0]["words"] == "Who goes there?"


@pytest.mark.long
def test_pictures_for_thumbnails_are_made_after_a_prompt_and_follow_the_shot(
    client, film, finished
) -> None:
    at, started = f"/api/films/{film['id']}", client.get(f"/api/films/{film['id']}").json()
    shot = next(s["id"] for s in started["shots"] if s["people"])
    asked = client.get(f"{at}/thumbnails/prompt", params={"shot": shot, "shape": "9:16"}).json()
    assert asked["prompt"].startswith("Close-up") and len(asked["prompt"]) <= asked["cap"]
    takes = [s["takes"] for s in started["shots"]]
    wish = {"kind": "thumbnail", "shot": shot, "shape": "9:16", "takes": 2}
    run = start(client, started, **wish)
    assert not finished(film["id"], run["id"])["failures"]
    now = client.get(at).json()
    two = now["thumbnail_pictures"]
    assert len({p["media"] for p in two}) == 2 and {p["prompt"] for p in two} == {asked["prompt"]}
    assert [s["takes"] for s in now["shots"]] == takes, "it is no take of a shot"
    picture = Image.open(io.BytesIO(client.get(f"/media/{two[0]['media']}").content))
    assert picture.height > picture.width
    made = client.get(f"{at}/thumbnails").json()["made"]
    assert [t["picture"] for t in made] == [p["media"] for p in reversed(two)]
    jpeg = client.get(f"{at}/thumbnail.jpg", params={"told": json.dumps(made[0]), "shape": "9:16"})
    assert Image.open(io.BytesIO(jpeg.content)).size == (720, 1280)
    found = client.post(f"{at}/thumbnails/measured", json=made[0], params={"shape": "9:16"}).json()
    assert found["face"] > 20, "the head that the service told of"
    # Others of the same prompt are other pictures, and one that is there is paid once.
    again = finished(film["id"], start(client, client.get(at).json(), **{**wish, "takes": 1})["id"])
    now = client.get(at).json()
    assert again["cost"] > 0 and len({p["media"] for p in now["thumbnail_pictures"]}) == 3
    change(client, film["id"], type="keep thumbnail", thumbnail=made[0])
    refused = client.post(
        f"{at}/changes",
        json={
            "revision": client.get(at).json()["revision"],
            "command": {"type": "drop thumbnail picture", "media": made[0]["picture"]},
        },
    )
    assert refused.status_code == 422 and "Take that away first" in refused.text
    change(client, film["id"], type="drop thumbnail picture", media=made[1]["picture"])
    gone = client.get(f"{at}/thumbnail.jpg", params={"told": json.dumps(made[1])})
    assert gone.status_code == 404 and "taken away" in gone.text
    far = client.post(f"{at}/estimate", json={**wish, "prompt": "a boat, " * 900})
    assert far.status_code == 422 and "Make it shorter" in far.text


def test_a_thumbnail_that_cannot_be_is_refused(client, film) -> None:
    at = f"/api/films/{film['id']}/thumbnail.jpg"
    for told, status in (("{", 422), ('{"shot": 99999}', 404), ('{"shot": 1, "zoom": 90}', 422), ('{"shot": 1, "colour": "red"}', 422)):  # fmt: skip
        answer = client.get(at, params={"told": told})
        assert answer.status_code == status and answer.json()["title"], told


def test_a_timeline_goes_out_and_comes_back(client, film) -> None:
    at = f"/api/films/{film['id']}/timeline"
    text = client.get(f"{at}.otio").text
    read = otio.adapters.read_from_string(text, "otio_json")
    now = client.get(f"/api/films/{film['id']}").json()
    pictures = read.tracks[0].find_clips()
    assert [c.metadata["cut_reel"]["edge"] for c in pictures] == [s["edge"] for s in now["shots"]]
    assert sum(c.duration().value for c in pictures) == now["frames"]
    assert client.get(f"{at}.edl").text.startswith("TITLE: ")
    assert client.get(f"{at}.xml").status_code == 404
    assert client.post(f"{at}/back", json={"text": text}).json() == []
    first = pictures[0]
    first.source_range = otio.opentime.TimeRange(
        first.source_range.start_time,
        first.source_range.duration + otio.opentime.RationalTime(24, 24),
    )
    (longer,) = client.post(f"{at}/back", json={"text": read.to_json_string()}).json()
    assert longer["says"] == "1.00 s longer"
    after = change(client, film["id"], **longer["command"])
    held = after["shots"][0]
    assert abs(held["stop"] - held["start"] - first.source_range.duration.value) <= 1
    # Times of what is not spoken yet may be estimated anew once the story is read; this shot has its length.
    left = client.post(f"{at}/back", json={"text": read.to_json_string()}).json()
    assert held["edge"] not in [d["edge"] for d in left]
    assert client.post(f"{at}/back", json={"text": "nothing"}).status_code == 422


def test_the_parts_are_whole_and_the_timeline_points_at_them(client, film, finished) -> None:
    spoken = start(client, film, kind="speech")
    finished(film["id"], spoken["id"])
    run = start(client, film, kind="parts", pictures="moving", size="720p")
    done = finished(film["id"], run["id"])
    (file,) = done["outcome"]["files"]
    data = client.get(f"/api/runs/{run['id']}/files/{file['name']}").content
    now = client.get(f"/api/films/{film['id']}").json()
    with zipfile.ZipFile(io.BytesIO(data)) as packed:
        assert packed.testzip() is None
        names = set(packed.namelist())
        read = otio.adapters.read_from_string(packed.read("film.otio").decode(), "otio_json")
        named = {c.media_reference.target_url for t in read.tracks for c in t.find_clips()}
        assert named <= names and len(named) >= len(now["shots"])
        clips = read.tracks[0].find_clips()
        for clip, shot in zip(clips, now["shots"], strict=True):
            url = clip.media_reference.target_url
            assert url.endswith(f"_{shot['edge']}.mp4")
            with av.open(io.BytesIO(packed.read(url))) as video:
                frames = sum(1 for _ in video.decode(video=0))
            assert frames == clip.media_reference.available_range.duration.value
            assert clip.source_range.end_time_exclusive().value <= frames
        voices = [n for n in names if n.startswith("voice/")]
        assert voices and all(soundfile.info(io.BytesIO(packed.read(n))).frames for n in voices)
        rows = list(csv.DictReader(io.StringIO(packed.read("shots.csv").decode())))
        assert [r["number"] for r in rows] == [s["edge"] for s in now["shots"]]
        assert "What they do not say" in packed.read("READ ME.txt").decode()


def test_the_timeline_with_its_media_is_one_bundle_that_opentimelineio_opens(
    client, film, finished, tmp_path
) -> None:
    made = start(client, film, kind="everything")
    finished(film["id"], made["id"])
    run = start(client, client.get(f"/api/films/{film['id']}").json(), kind="parts", bundle=True)
    (file,) = finished(film["id"], run["id"])["outcome"]["files"]
    assert file["name"] == "film.otioz"
    bundle, there = tmp_path / "film.otioz", tmp_path / "there"
    bundle.write_bytes(client.get(f"/api/runs/{run['id']}/files/{file['name']}").content)
    there.mkdir()
    read = otio.adapters.read_from_file(str(bundle), extract_to_directory=str(there))
    clips = [c for track in read.tracks for c in track.find_clips()]
    files = {c.media_reference.target_url for c in clips}
    assert len(clips) >= len(files) > 3 and all((there / f).is_file() for f in files)
    assert {f.name for f in (there / "media").iterdir()} == {f.split("/")[1] for f in files}
    pictures = [c.media_reference.target_url for c in read.tracks[0].find_clips()]
    assert all(Image.open(there / p).size == (1280, 720) for p in pictures)
    other = otio.adapters.write_to_string(read, "otio_json")
    back = client.post(f"/api/films/{film['id']}/timeline/back", json={"text": other}).json()
    assert back == [], "it is the film as it stands"


@pytest.mark.long
def test_a_film_taken_out_whole_comes_in_as_the_same_film(client, film, finished, tmp_path) -> None:
    """Its document, history, takes and sounds are the same; a file is deleted and another damaged, and both are told."""
    made = start(client, film, kind="everything")
    finished(film["id"], made["id"])
    change(client, film["id"], type="rename film", title="Kept")
    run = start(client, film, kind="archive")
    done = finished(film["id"], run["id"])
    data = client.get(f"/api/runs/{run['id']}/files/film.zip").content
    archive = tmp_path / "film.zip"
    archive.write_bytes(data)
    said, faults = verify(archive)
    assert faults == [] and said.startswith("Kept: ")
    brought = client.post("/api/archives", files={"file": data}).json()
    assert brought["faults"] == [] and brought["film"] != film["id"]
    old, new = (client.get(f"/api/films/{f}").json() for f in (film["id"], brought["film"]))
    for part in ("title", "text", "settings", "cast", "frames", "undo"):
        assert new[part] == old[part], part
    assert [s["takes"][0]["media"] for s in new["shots"]] == [
        s["takes"][0]["media"] for s in old["shots"]
    ]
    assert all(s["measured"] and not s["stale"] for s in new["shots"])
    estimate = client.post(
        f"/api/films/{brought['film']}/estimate", json={"kind": "everything"}
    ).json()
    assert estimate["cost"] == 0 and estimate["pictures"] == 0, "nothing is paid again"
    files = []
    for which in (old, new):
        delivery = start(client, which, kind="delivery", size="360p", lacking="stand in")
        files.append(finished(which["id"], delivery["id"])["outcome"]["film"])
    assert files[0] == files[1], "the film made there is the same file"
    undone = client.post(f"/api/films/{brought['film']}/undo")
    assert undone.status_code == 200
    assert client.get(f"/api/films/{brought['film']}").json()["title"] == film["title"]
    assert done["outcome"]["files"][0]["bytes"] == len(data)

    hurt = tmp_path / "hurt.zip"
    with zipfile.ZipFile(archive) as source, zipfile.ZipFile(hurt, "w") as target:
        media = sorted(n for n in source.namelist() if n.startswith("media/"))
        for name in source.namelist():
            if name != media[0]:
                target.writestr(name, b"?" if name == media[1] else source.read(name))
    said, faults = verify(hurt)
    assert {f.split(" ", 1)[1] for f in faults} == {"is missing", "is damaged"}
    told = client.post("/api/archives", files={"file": hurt.read_bytes()}).json()
    assert {f["name"] for f in told["faults"]} == {n.removeprefix("media/") for n in media[:2]}
    assert client.get(f"/api/films/{told['film']}").json()["title"] == "Kept"


def test_what_is_no_archive_is_refused(client) -> None:
    empty = io.BytesIO()
    with zipfile.ZipFile(empty, "w") as packed:
        packed.writestr("film.json", '{"title": "x"}')
    for data in (b"", b"PK\x03\x04 no", empty.getvalue()):
        answer = client.post("/api/archives", files={"file": data})
        assert answer.status_code == 422 and answer.json()["title"], data[:8]
