"""Kinds of film file: what is joined is read back by ffprobe and ffmpeg (strict: `-xerror`), which share no code with what
joins it; a master is compared with what was drawn, sample by sample."""

import json
import os
import subprocess
from fractions import Fraction
from pathlib import Path

import numpy as np
import pysubs2
import pytest
from numpy.typing import NDArray

from cutreel.core.render import (
    FILE_FORMS,
    FORMS,
    CaptionTrack,
    FilmChapter,
    FilmLine,
    encode_segment,
    encode_sound,
    encode_sound_as,
    join,
)

pytestmark = pytest.mark.thorough

WIDE, HIGH = 96, 64
PARTS = (9, 1, 30, 2)
"""Frames of the segments; one of a single frame among them."""


def brightness(number: int) -> int:
    return 40 + number * 4 % 160


def drawn(first: int):
    """Frames that differ, by their number in the film."""

    def draw(number: int, out) -> None:
        out[0][:] = brightness(first + number)
        out[0][:, ::8] = 30
        out[1][:], out[2][:] = 120, 140

    return draw


@pytest.mark.parametrize("quality", sorted({FILE_FORMS[form].quality for form in FORMS}))
def test_an_encoder_shares_the_machine(quality) -> None:
    """What a worker encodes must not keep pages and database waiting. Whatever is scheduled otherwise is seen in the
    kernel's own account of this process's threads."""
    seen = set()

    def look(done: int) -> None:
        threads = Path("/proc/self/task").iterdir()
        seen.update(os.sched_getscheduler(int(thread.name)) for thread in threads)

    encode_segment(drawn(0), 12, WIDE, HIGH, Fraction(24), quality, look)
    assert seen == {os.SCHED_OTHER} == {os.sched_getscheduler(0)}


SPANISH = [FilmLine(0.2, 0.9, "¿Quién es?")]


def film_of(form: str, rate: Fraction, folder) -> str:
    told = FILE_FORMS[form]
    starts = np.cumsum((0, *PARTS))
    segments = [
        encode_segment(drawn(int(at)), count, WIDE, HIGH, rate, told.quality)
        for at, count in zip(starts, PARTS, strict=False)
    ]
    time = np.arange(int(48_000 * sum(PARTS) / rate)) / 48_000
    tone = np.repeat((0.2 * np.sin(2 * np.pi * 997 * time))[:, None], 2, axis=1).astype(np.float32)
    sound = str(folder / ("sound.m4a" if told.sound == "aac" else "sound.mka"))
    if told.sound == "aac":
        encode_sound(iter([tone]), 48_000, None, sound)
    else:
        encode_sound_as(iter(np.array_split(tone, 5)), 48_000, told.sound, sound)
    path = str(folder / f"film.{told.ending}")
    chapters = [FilmChapter(0, 0.5, "One"), FilmChapter(0.5, 1.5, "Two & three")]
    lines = [FilmLine(0.1, 0.6, "Who is <it>?"), FilmLine(0.7, 1.2, "Nobody\nat all.")]
    tracks = [CaptionTrack("eng", lines), CaptionTrack("spa", SPANISH)]
    frames = join(segments, sound, rate, path, {"title": "The lamp"}, told, chapters, tracks)
    assert frames == sum(PARTS)
    return path


def probed(path: str, *more: str) -> dict:
    command = (
        "ffprobe",
        "-v",
        "error",
        "-show_streams",
        "-show_chapters",
        "-show_format",
        "-of",
        "json",
        *more,
        path,
    )
    return json.loads(subprocess.run(command, capture_output=True, check=True).stdout)


def planes(path: str) -> NDArray[np.uint8]:
    """The bright plane of every frame, as ffmpeg decodes it."""
    command = (
        "ffmpeg",
        "-v",
        "error",
        "-xerror",
        "-i",
        path,
        "-map",
        "0:v",
        "-f",
        "rawvideo",
        "-pix_fmt",
        "yuv420p",
        "-",
    )
    raw = np.frombuffer(subprocess.run(command, capture_output=True, check=True).stdout, np.uint8)
    return raw.reshape(-1, WIDE * HIGH * 3 // 2)[:, : WIDE * HIGH].reshape(-1, HIGH, WIDE)


def shown_in(path: str, track: int) -> str:
    """A track of captions as SubRip, as ffmpeg reads it."""
    command = ("ffmpeg", "-v", "error", "-i", path, "-map", f"0:s:{track}", "-f", "srt", "-")
    return subprocess.run(command, capture_output=True, text=True, check=True).stdout


@pytest.mark.parametrize("form", FORMS)
@pytest.mark.parametrize("rate", [Fraction(24), Fraction(30000, 1001)])
def test_every_kind_of_file_has_all_frames_in_order_its_chapters_and_captions(
    form, rate, tmp_path
) -> None:
    path = film_of(form, rate, tmp_path)
    told, found = FILE_FORMS[form], probed(path, "-count_frames")
    streams = {s["codec_type"]: s for s in found["streams"] if s["codec_type"] != "data"}
    video, audio = streams["video"], streams["audio"]
    assert (video["codec_name"], audio["codec_name"]) == (told.picture_name, told.sound_name)
    assert int(video["nb_read_frames"]) == sum(PARTS)
    assert Fraction(video["avg_frame_rate"]) == rate
    assert video["color_space"] == "bt709" and audio["channels"] == 2
    assert [(c["tags"]["title"], float(c["start_time"])) for c in found["chapters"]] == [
        ("One", 0), ("Two & three", 0.5),
    ]  # fmt: skip
    assert found["format"]["tags"]["title"] == "The lamp"
    tags = [s["tags"]["language"] for s in found["streams"] if s["codec_type"] == "subtitle"]
    assert tags == ["eng", "spa"]
    shown = [int(np.median(frame)) for frame in planes(path)]
    assert len(shown) == sum(PARTS)
    assert max(abs(a - brightness(n)) for n, a in enumerate(shown)) <= 3, "each frame at its place"
    captions = shown_in(path, 0)
    (one, two) = pysubs2.SSAFile.from_string(captions, "srt")
    # Opus begins a few milliseconds before its sound, and everything of the file waits for it.
    assert abs(one.start - 100) <= 8 and abs(one.end - 600) <= 8 and "Who is" in one.plaintext
    assert two.plaintext == "Nobody\nat all."
    (other,) = pysubs2.SSAFile.from_string(shown_in(path, 1), "srt")
    assert other.plaintext == "¿Quién es?" and abs(other.start - 200) <= 8
    if form == "vp9":
        assert "<it" in captions, "what looks like a tag is text"
    starts = [float(s["start_time"]) for s in (video, audio)]
    assert max(starts) - min(starts) < 0.01, "picture and sound begin together"


def test_a_master_is_what_was_drawn(tmp_path) -> None:
    found = planes(film_of("master", Fraction(25), tmp_path))
    for number, frame in enumerate(found):
        wanted = np.full((HIGH, WIDE), brightness(number), np.uint8)
        wanted[:, ::8] = 30
        assert np.array_equal(frame, wanted), number


def test_lossless_sound_is_what_was_mixed_to_24_bits(tmp_path) -> None:
    noise = (
        (np.random.default_rng(4).standard_normal((48_000, 2)) * 0.3).clip(-1, 1).astype(np.float32)
    )
    path = str(tmp_path / "sound.mka")
    encode_sound_as(iter(np.array_split(noise, 7)), 48_000, "flac", path)
    raw = subprocess.run(("ffmpeg", "-v", "error", "-i", path, "-f", "s32le", "-"), capture_output=True, check=True)  # fmt: skip
    found = np.frombuffer(raw.stdout, np.int32).reshape(-1, 2) / 2**31
    assert found.shape == noise.shape
    assert np.abs(found - noise).max() <= 2 / 2**23


def test_a_near_loss_free_file_is_nearer_to_what_was_drawn_than_one_for_the_web(tmp_path) -> None:
    def error(form: str) -> float:
        (tmp_path / form).mkdir()
        shown = planes(film_of(form, Fraction(24), tmp_path / form)).astype(int)
        wanted = np.array([brightness(n) for n in range(sum(PARTS))])
        return float(np.abs(shown[:, :, 4] - wanted[:, None]).mean())

    assert error("archive") <= error("web")
