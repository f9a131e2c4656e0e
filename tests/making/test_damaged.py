"""Files from outside, damaged in every way: each is read, or refused in words; nothing else, in time.

They are opened in a process apart, as the application does, some dozens at a time: one that brings that process down is
seen as well. `CUTREEL_FUZZ` says how many of each sort.
"""

import io
import os
import random
import time
import zipfile
from collections.abc import Callable
from typing import Any

import mido
import numpy as np
import opentimelineio as otio
import pytest
import soundfile
from PIL import Image

from cutreel.core.effects import read_cube
from cutreel.core.errors import CutReelError
from cutreel.core.interchange import shots_back
from cutreel.core.speech import from_pls, from_ssml
from cutreel.making.apart import OWN, PICTURE, SCRIPT, Reader
from cutreel.making.archiving import read_archive
from cutreel.making.own_sounds import opened_sound
from cutreel.making.pictures.bringing import unpacked
from cutreel.making.pictures.opening import opened
from cutreel.making.stories import story_in

EACH = int(os.environ.get("CUTREEL_FUZZ", "60"))
SECONDS = 10.0
"""Within which one file is read or refused."""


def picture(form: str) -> bytes:
    chance, out = np.random.default_rng(4), io.BytesIO()
    Image.fromarray(chance.integers(0, 255, (24, 32, 3), dtype=np.uint8)).save(out, form)
    return out.getvalue()


def sound(form: str) -> bytes:
    out = io.BytesIO()
    wave = np.sin(np.arange(4_000) / 9).astype(np.float32)
    soundfile.write(out, wave, 16_000, format=form)
    return out.getvalue()


def notes() -> bytes:
    out, file = io.BytesIO(), mido.MidiFile()
    track = mido.MidiTrack()
    file.tracks.append(track)
    for note in (60, 64, 67):
        track.append(mido.Message("note_on", note=note, time=0))
        track.append(mido.Message("note_off", note=note, time=120))
    file.save(file=out)
    return out.getvalue()


def timeline() -> bytes:
    made = otio.schema.Timeline("one")
    track = otio.schema.Track("V", kind=otio.schema.TrackKind.Video)
    made.tracks.append(track)
    for n in range(3):
        span = otio.opentime.TimeRange(
            otio.opentime.RationalTime(0, 24), otio.opentime.RationalTime(24 + n, 24)
        )
        track.append(
            otio.schema.Clip(f"shot {n}", source_range=span, metadata={"cutreel": {"shot": n}})
        )
    return made.to_json_string().encode()


def archive() -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as packed:
        packed.writestr(
            "film.json", '{"version": 1, "title": "A", "revision": 0, "document": {}, "edges": []}'
        )
        packed.writestr("files.json", "{}")
        packed.writestr("media/" + "ab" * 32 + ".png", b"\x89PNG" * 9)
    return out.getvalue()


def told(data: bytes) -> str:
    return data.decode("utf-8", "replace")


def open_archive(data: bytes) -> None:
    read_archive(io.BytesIO(data))


def open_zip(data: bytes) -> None:
    for _ in unpacked([("pictures.zip", data)]):
        pass


def open_timeline(data: bytes) -> None:
    shots_back(told(data), 24.0)


def open_cube(data: bytes) -> None:
    read_cube(told(data))


def open_srt(data: bytes) -> None:
    story_in(data, "story.srt", None)


def open_vtt(data: bytes) -> None:
    story_in(data, "story.vtt", None)


def open_csv(data: bytes) -> None:
    story_in(data, "story.csv", None)


def open_script(data: bytes) -> None:
    story_in(data, "story.fountain", None)


def open_markdown(data: bytes) -> None:
    story_in(data, "story.md", None)


SVG = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><g id="a"><rect width="9" height="4"/></g><use href="#a"/></svg>'
PLS = b"""<?xml version="1.0"?><lexicon version="1.0" xmlns="http://www.w3.org/2005/01/pronunciation-lexicon" alphabet="ipa"
xml:lang="en"><lexeme><grapheme>Saltmere</grapheme><phoneme>s</phoneme></lexeme></lexicon>"""
SSML = b'<speak version="1.1" xmlns="http://www.w3.org/2001/10/synthesis"><p>The <emphasis>lamp</emphasis> was <break time="300ms"/>dark.</p></speak>'
SRT = b"1\n00:00:01,000 --> 00:00:02,500\nThe lamp was dark.\n\n2\n00:00:03,000 --> 00:00:04,000\nAda rowed.\n"
VTT = b"WEBVTT\n\nNOTE x\n\n00:01.000 --> 00:02.500 line:0\n<v Ada>The lamp was dark.\n"
CSV = 'shot,narration,prompt\n1,"The lamp, it was dark.",a lamp\n2,Ada rowed.,\n'.encode("utf-16")
FOUNTAIN = b"Title: Lamp\n\nINT. HOUSE - NIGHT\n\nThe lamp was dark.\n\nADA (V.O.)\n(low)\nRow!\n\n> CUT TO:\n"
CUBE = b'TITLE "x"\nLUT_3D_SIZE 2\n' + b"".join(
    b"%d %d %d\n" % (n & 1, n >> 1 & 1, n >> 2) for n in range(8)
)
EDL = b"TITLE: ONE\nFCM: NON-DROP FRAME\n\n001  AX V C 00:00:00:00 00:00:01:00 00:00:00:00 00:00:01:00\n* FROM CLIP NAME: SHOT 1\n"
MARKDOWN = "# The jetty — dusk\n\n> “Row!” said Ada.\n\n* one\n* two\n\n```\ncode\n```\n".encode()

SORTS: dict[str, tuple[Callable[[bytes], object], bytes, str]] = {
    "png": (opened, picture("PNG"), PICTURE),
    "jpeg": (opened, picture("JPEG"), PICTURE),
    "webp": (opened, picture("WEBP"), PICTURE),
    "svg": (opened, SVG, PICTURE),
    "wav": (opened_sound, sound("WAV"), OWN),
    "flac": (opened_sound, sound("FLAC"), OWN),
    "ogg": (opened_sound, sound("OGG"), OWN),
    "midi": (opened_sound, notes(), OWN),
    "pls": (from_pls, PLS, SCRIPT),
    "ssml": (from_ssml, SSML, SCRIPT),
    "srt": (open_srt, SRT, SCRIPT),
    "vtt": (open_vtt, VTT, SCRIPT),
    "csv": (open_csv, CSV, SCRIPT),
    "fountain": (open_script, FOUNTAIN, SCRIPT),
    "markdown": (open_markdown, MARKDOWN, SCRIPT),
    "cube": (open_cube, CUBE, SCRIPT),
    "timeline": (open_timeline, timeline(), SCRIPT),
    "edit list": (open_timeline, EDL, SCRIPT),
    "archive": (open_archive, archive(), SCRIPT),
    "zip": (open_zip, archive(), SCRIPT),
}


def damaged(data: bytes, chance: random.Random) -> bytes:
    """Bytes turned, lost, doubled, put in, moved; numbers made huge; ends cut off."""
    out = bytearray(data)
    for _ in range(chance.choice([1, 1, 2, 5, 20])):
        at = chance.randrange(len(out) + 1) if out else 0
        length = chance.choice([1, 2, 4, 9, 60])
        way = chance.randrange(7)
        if way == 0 and out:
            out[at % len(out)] ^= 1 << chance.randrange(8)
        elif way == 1:
            del out[at : at + length]
        elif way == 2:
            out[at:at] = out[at : at + length] * chance.choice([2, 50])
        elif way == 3:
            out[at:at] = chance.randbytes(length)
        elif way == 4:
            out[at : at + 4] = chance.choice(
                [b"\xff\xff\xff\xff", b"\x7f\xff\xff\xff", b"9999", b"\0\0\0\0", b"-1e9"]
            )
        elif way == 5:
            del out[at:]
        else:
            to = chance.randrange(len(out) + 1)
            out[at : at + length], out[to : to + length] = (
                out[to : to + length],
                out[at : at + length],
            )
    return bytes(out)


def try_all(_: bytes, work: Callable[[bytes], object], files: list[bytes]) -> list[str]:
    """What became of each file, in the process apart: "" where it was read or refused in words."""
    out = []
    for data in files:
        began, said = time.process_time(), ""
        try:
            work(data)
        except CutReelError as error:
            said = "" if error.message else "refused without a word"
        except Exception as error:
            said = f"{type(error).__name__}: {error}"[:200]
        took = time.process_time() - began
        out.append(said or (f"{took:.1f} seconds" if took > SECONDS else ""))
    return out


def nothing_first() -> None:
    return None


@pytest.fixture(scope="module")
def reader() -> Any:
    found = Reader(nothing_first, seconds=240)
    yield found
    found.close()


@pytest.mark.timeout(1800)
@pytest.mark.parametrize("sort", SORTS)
def test_what_is_damaged_is_read_or_refused_in_words(reader: Reader, sort: str) -> None:
    work, sample, what = SORTS[sort]
    chance = random.Random(f"{sort}/{EACH}")
    files = [damaged(sample, chance) for _ in range(EACH)]
    bad = {}
    for i in range(0, len(files), 30):
        some = files[i : i + 30]
        said = reader.read(try_all, b"", work, some, what=what)
        bad |= {s: data[:80] for s, data in zip(said, some, strict=True) if s}
    assert bad == {}


@pytest.mark.parametrize("sort", SORTS)
def test_the_samples_themselves_are_read(reader: Reader, sort: str) -> None:
    """Else there would be nothing to damage."""
    work, sample, what = SORTS[sort]
    if sort == "edit list":
        with pytest.raises(CutReelError):
            work(sample)  # it is opened, and known to be none of ours
    else:
        assert reader.read(try_all, b"", work, [sample], what=what) == [""]


def test_what_a_hundred_thousand_damaged_files_brought_to_light() -> None:
    """A tab within a word of a lexicon, a clip without times, a file without a name in an archive."""
    assert from_pls(PLS.replace(b"Saltmere", b"Salt\tmere")) == ([], ["Salt\tmere"])
    with pytest.raises(CutReelError, match="times that cannot be"):
        shots_back(told(timeline()).replace('"source_range"', '"source_rang"'), 24.0)
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        packed.writestr("q", b"123")
        packed.writestr("a.png", b"1")
    nameless = out.getvalue().replace(b"q", b"/")
    assert list(unpacked([("one.zip", nameless)])) == [("a.png", b"1")]
