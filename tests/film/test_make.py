"""`bin/cutreel make`: whole films from the command line, checked as files by programs that know nothing of us."""

import json
import os
import subprocess
from contextlib import suppress
from pathlib import Path
from uuid import uuid4

import av
import numpy as np
import pysubs2
import pytest
import soundfile
from click.testing import CliRunner

from cutreel.cli import main
from tests.alignment import aligned_starts
from tests.conftest import ROOT, run
from tests.meter import loudness_of

pytestmark = [pytest.mark.film, pytest.mark.long]

STORY = """# The yard — dusk, wind

The ladder leaned where Hobb had left it. “It is not my ladder,” said Dot. She pulled it toward the gate.

Hobb laughed. “Then whose ladder is it?” The wind took the gate and shut it with a crash.

So they carried the ladder back across the road, and nobody said another word about it.
"""


OURS = {"CUTREEL_MADE_FOR": uuid4().hex}
"""In the environment of every process that a film of this module starts, whoever its parent is later."""


def make(folder: Path, *more: str, story: str = STORY, name: str = "film") -> tuple[dict, Path]:
    (folder / f"{name}.txt").write_text(story)
    out = folder / f"{name}.mp4"
    done = run(
        str(ROOT / "bin/cutreel"),
        "make",
        str(folder / f"{name}.txt"),
        "--out",
        str(out),
        "--size",
        "360p",
        "--json",
        *more,
        **OURS,
    )
    assert done.returncode == 0, done.stderr[-2000:]
    assert "rendering" in done.stderr and "wrote" in done.stderr
    return json.loads(done.stdout), out


@pytest.fixture(scope="module")
def film(tmp_path_factory) -> tuple[dict, Path]:
    return make(
        tmp_path_factory.mktemp("film"),
        "--every",
        "4",
        "--captions",
        "file",
        "--voice",
        "briony",
        "--music",
        "playful",
    )


def sound_of(path: Path, rate: int = 48_000) -> np.ndarray:
    wave = path.with_suffix(".wav")
    assert (
        run(
            "ffmpeg", "-y", "-v", "error", "-i", str(path), "-ac", "1", "-ar", str(rate), str(wave)
        ).returncode
        == 0
    )
    return soundfile.read(wave, dtype="float32")[0]


@pytest.mark.long
def test_the_report(film) -> None:
    report, path = film
    assert report == json.loads(path.with_suffix(".json").read_text())
    spoken = STORY.split("\n", 1)[1].split()
    assert " ".join(s["words"] for s in report["shots"]).split() == spoken
    assert [s["word"] for s in report["speech"]] == spoken
    starts = [s["start"] for s in report["shots"]]
    assert (
        starts[0] == 0
        and starts[1:] == [s["end"] for s in report["shots"][:-1]]
        and report["shots"][-1]["end"] == report["frames"]
    )
    for shot in report["shots"]:
        assert shot["edge"] and shot["prompt"] and "watermark" in shot["negative"]
        assert sum(t["circled"] for t in shot["takes"]) == 1
    assert (
        report["fps"] == "24"
        and 0 < report["cost"] < 1
        and all(c["good"] for c in report["checks"])
    )


def test_the_file(film) -> None:
    """ffprobe; a strict decode by ffmpeg; index before media (ISO/IEC 14496-12)."""
    report, path = film
    probe = json.loads(
        run(
            "ffprobe",
            "-v",
            "error",
            "-count_packets",
            "-show_streams",
            "-show_format",
            "-of",
            "json",
            str(path),
        ).stdout
    )
    video, audio = probe["streams"]
    assert (video["codec_name"], video["profile"], video["width"], video["height"]) == (
        "h264",
        "High",
        640,
        360,
    )
    assert int(video["nb_read_packets"]) == report["frames"] and video["r_frame_rate"] == "24/1"
    assert {video[k] for k in ("color_space", "color_transfer", "color_primaries")} == {"bt709"}
    assert (audio["codec_name"], audio["channels"], audio["sample_rate"]) == ("aac", 2, "48000")
    assert abs(float(video["duration"]) - float(audio["duration"])) < 0.05
    assert "digitalsourcetype" in probe["format"]["tags"]["comment"]
    strict = run("ffmpeg", "-v", "warning", "-xerror", "-i", str(path), "-f", "null", "-")
    assert (strict.returncode, strict.stderr) == (0, "")
    data = path.read_bytes()
    assert 0 < data.find(b"moov") < data.find(b"mdat")


def test_the_picture_moves_and_fills_the_frame(film) -> None:
    """ffmpeg's blackdetect, freezedetect and cropdetect."""
    _, path = film
    said = run(
        "ffmpeg",
        "-hide_banner",
        "-i",
        str(path),
        "-vf",
        "blackdetect=d=0.1,freezedetect=n=0.0002:d=1.0,cropdetect=limit=10:round=2:reset=0",
        "-an",
        "-f",
        "null",
        "-",
    ).stderr
    assert "black_start" not in said and "freeze_start" not in said
    assert said.strip().split("crop=")[-1].startswith("640:360:0:0")


def test_loudness_by_another_meter(film) -> None:
    """ffmpeg's ebur128: -14 LUFS within 0.5, under -1 dBTP; the report says the same."""
    report, path = film
    loud, peak = loudness_of(path)
    assert loud == pytest.approx(-14.0, abs=0.5) and peak < -1.0
    assert report["loudness"]["integrated_lufs"] == pytest.approx(loud, abs=0.2)
    assert report["loudness"]["true_peak_dbtp"] == pytest.approx(peak, abs=0.3)


def test_words_start_when_the_report_says(film) -> None:
    """Forced alignment by pocketsphinx on the film's own sound, sentence by sentence: within 120 ms for nine words in ten."""
    report, path = film
    audio = sound_of(path)
    off: list[float] = []
    words = report["speech"]
    begin = 0
    for i, word in enumerate(words):
        ends = i == len(words) - 1 or words[i + 1]["start"] - word["end"] > 0.25
        if not ends or i - begin < 3:
            continue
        part = words[begin : i + 1]
        a, b = max(0, part[0]["start"] - 0.1), part[-1]["end"] + 0.1
        starts = aligned_starts(
            audio[round(a * 48_000) : round(b * 48_000)], 48_000, " ".join(w["word"] for w in part)
        )
        if len(starts) == len(part):
            off += [abs(s + a - w["start"]) for s, w in zip(starts, part, strict=True)]
        begin = i + 1
    assert len(off) > 30
    assert np.quantile(off, 0.9) < 0.12, sorted(off)[-8:]


def test_captions_follow_the_words(film) -> None:
    """Read back by pysubs2; each starts with its first word."""
    report, path = film
    subs = pysubs2.load(str(path.with_suffix(".srt")))
    said = " ".join(e.plaintext.replace("\n", " ") for e in subs).split()
    assert said == [w["word"] for w in report["speech"]]
    at = 0
    for event in subs:
        assert event.start / 1000 == pytest.approx(report["speech"][at]["start"], abs=0.002)
        assert (
            all(len(line) <= 30 for line in event.plaintext.split("\n"))
            and event.plaintext.count("\n") <= 1
        )
        at += len(event.plaintext.split())


@pytest.mark.long
def test_the_same_story_gives_the_same_film(film, tmp_path) -> None:
    report, path = film
    again, other = make(
        tmp_path, "--every", "4", "--captions", "file", "--voice", "briony", "--music", "playful"
    )
    assert {k: v for k, v in again.items() if k != "title"} == {
        k: v for k, v in report.items() if k != "title"
    }
    assert np.array_equal(sound_of(path), sound_of(other))
    with av.open(str(path)) as a, av.open(str(other)) as b:
        for one, two in zip(a.decode(video=0), b.decode(video=0), strict=True):
            assert np.array_equal(one.to_ndarray(), two.to_ndarray())


@pytest.mark.long
def test_another_seed_gives_other_pictures_of_the_same_shots(film, tmp_path) -> None:
    report, _ = film
    other, path = make(
        tmp_path,
        "--shots",
        str(len(report["shots"])),
        "--seed",
        "7",
        "--aspect",
        "9:16",
        "--fps",
        "30000/1001",
        "--look",
        "stick-figures",
        "--music",
        "none",
    )
    assert len(other["shots"]) == len(report["shots"]) and other["fps"] == "30000/1001"
    assert {t["seed"] for s in other["shots"] for t in s["takes"]}.isdisjoint(
        {t["seed"] for s in report["shots"] for t in s["takes"]}
    )
    with av.open(str(path)) as container:
        stream = container.streams.video[0]
        assert (stream.width, stream.height, str(stream.average_rate)) == (360, 640, "30000/1001")
    assert path.with_suffix(".srt").exists()


@pytest.mark.parametrize(
    ("content", "options", "word"),
    [
        (b"", [], "is empty"),
        (b" \n\n", [], "is empty"),
        (b"\x89PNG\r\n\x1a\n\x00\x00", [], "not text"),
        (b"A story.", ["--look", "oil"], "no look called"),
        (b"A story.", ["--shots", "3"], "cannot be cut"),
        (b"A story.", ["--every", "3", "--shots", "1"], "not both"),
        (b"# only a heading", [], "empty"),
        (b"A story.", ["--fps", "29.97"], "29.97"),
        (b"A story.", ["--size", "5p"], "5p"),
    ],
)
def test_bad_input_is_one_clear_line_and_nothing_is_written(
    tmp_path, content: bytes, options: list[str], word: str
) -> None:
    (tmp_path / "story.txt").write_bytes(content)
    said = refused(str(tmp_path / "story.txt"), "--out", str(tmp_path / "film.mp4"), *options)
    assert word in said
    assert [p.name for p in tmp_path.iterdir()] == ["story.txt"]


def refused(*told: str) -> str:
    """What the command says where it refuses, run in this process: ten others would only start Python ten times."""
    done = CliRunner().invoke(main, ["make", *told])
    assert done.exit_code != 0 and (
        done.exception is None or isinstance(done.exception, SystemExit)
    )
    assert "Traceback" not in done.stderr and not done.stdout
    return done.stderr


@pytest.mark.long
def test_a_voice_that_nobody_has_is_one_clear_line_of_the_command(tmp_path) -> None:
    (tmp_path / "story.txt").write_text("A story.")
    out = str(tmp_path / "film.mp4")
    told = [str(tmp_path / "story.txt"), "--out", out, "--voice", "nobody"]
    done = run(str(ROOT / "bin/cutreel"), "make", *told)
    assert done.returncode != 0 and "no voice" in done.stderr and "Traceback" not in done.stderr
    assert [p.name for p in tmp_path.iterdir()] == ["story.txt"]


@pytest.mark.parametrize("target", ["nowhere/film.mp4", "."])
def test_targets_that_cannot_be_written_are_said_before_anything_is_made(
    tmp_path, target: str
) -> None:
    (tmp_path / "story.txt").write_text(STORY)
    said = refused(str(tmp_path / "story.txt"), "--out", str(tmp_path / target))
    assert "starting" not in said and said.count("\n") == 1
    assert "no file" in refused(str(tmp_path / "no.txt"), "--out", str(tmp_path / "film.mp4"))


def processes_of_ours() -> list[str]:
    mark = "=".join(*OURS.items()).encode()
    found = []
    for process in Path("/proc").glob("[0-9]*"):
        # Others come and go meanwhile, and some are not ours to read.
        with suppress(OSError):
            if mark in (process / "environ").read_bytes().split(b"\0"):
                found.append((process / "cmdline").read_text())
    return found


def test_nothing_is_left_running(film) -> None:
    with subprocess.Popen(["sleep", "60"], env=os.environ | OURS) as seen:
        assert processes_of_ours() == ["sleep\x0060\x00"]
        seen.kill()
    assert not processes_of_ours()
