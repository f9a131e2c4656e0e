"""Faces: which letters they have, what other scripts are set in, and what is brought."""

import io
import shutil
import subprocess
from pathlib import Path

import numpy as np
import pytest
import resvg_py
from fontTools.subset import Subsetter
from fontTools.ttLib import TTFont
from PIL import Image, ImageDraw

from cutreel.core.errors import BadInput
from cutreel.core.lettering import (
    FACES,
    FAMILIES,
    bring_face,
    face,
    face_file,
    face_for,
    lacking,
    read_face,
    runs_leftwards,
)

SCRIPTS = {
    "Arabic": "السلام عليكم",
    "Hebrew": "שלום עולם",
    "Devanagari": "नमस्ते दुनिया",
    "Thai": "สวัสดี",
    "Greek": "Καλημέρα",
    "Cyrillic": "Добрый вечер",
    "Korean": "안녕하세요 세계",
    "Korean with Chinese letters": "大韓 사람들",
}


def ink(image: np.ndarray) -> tuple[int, int]:
    """How wide and how high what is drawn is."""
    rows, columns = np.nonzero(image > 128)
    return int(np.ptp(columns)) + 1, int(np.ptp(rows)) + 1


def by_us(text: str, size: int = 80) -> tuple[np.ndarray, str]:
    font = face_for("book", size, text)
    image = Image.new("L", (1600, 240), 0)
    ImageDraw.Draw(image).text((60, 60), text, font=font, fill=255)
    return np.asarray(image), str(font.path)


@pytest.mark.parametrize("script", SCRIPTS)
def test_other_scripts_are_shaped_as_another_renderer_shapes_them(script) -> None:
    """Source: resvg, which shapes by a HarfBuzz of its own in Rust, with the same file: joined, reordered and stacked
    letters take the same room to within two in a hundred."""
    text = SCRIPTS[script]
    ours, path = by_us(text)
    with TTFont(path) as font:
        family, weight = font["name"].getDebugName(1), font["OS/2"].usWeightClass
    svg = (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="240"><text x="60" y="140" fill="white" '
        f'font-family="{family}" font-weight="{weight}" font-size="80">{text}</text></svg>'
    )
    png = bytes(resvg_py.svg_to_bytes(svg_string=svg, font_files=[path], skip_system_fonts=True))
    theirs = np.asarray(Image.open(io.BytesIO(png)).getchannel("A"))
    for mine, other in zip(ink(ours), ink(theirs), strict=True):
        assert mine == pytest.approx(other, rel=0.02, abs=2)


@pytest.mark.parametrize("script", SCRIPTS)
def test_scripts_that_a_face_lacks_are_set_in_one_that_has_them(script) -> None:
    text = SCRIPTS[script]
    assert lacking("plain", text)
    with TTFont(by_us(text)[1], lazy=True) as font:
        there = font.getBestCmap()
    assert all(ord(c) in there for c in text if not c.isspace())


def test_chinese_and_japanese_have_a_face_too() -> None:
    for text in ("海上的灯", "ランプ"):
        with TTFont(face_for("book", 40, text).path, lazy=True) as font:
            assert all(ord(c) in font.getBestCmap() for c in text)


def test_what_a_face_has_is_set_in_it() -> None:
    assert face_for("hand", 40, "Čapek’s lamp").path == face_file("hand")
    assert face_for("old", 40, "Čapek").path != face_file("old")


@pytest.mark.parametrize("name", FACES)
def test_faces_that_ship_are_what_they_are_called_and_free(name) -> None:
    """SIL Open Font License 1.1, in a file beside each; fsType 0 (OpenType, OS/2): may be set anywhere."""
    path = Path(face_file(name))
    with TTFont(path) as font:
        assert font["name"].getDebugName(1).startswith(FAMILIES[name])
        assert font["OS/2"].fsType in (0, 8)
    licence = path.with_name(path.name.split("-")[0] + "-OFL.txt").read_text()
    assert "SIL Open Font License, Version 1.1" in licence


def test_a_line_that_is_written_from_the_right_is_known() -> None:
    assert runs_leftwards("… שלום") and runs_leftwards("السلام 12")
    assert not runs_leftwards("The lamp") and not runs_leftwards("12 ?")


def test_a_face_that_is_brought_is_looked_at_and_set() -> None:
    data = Path(face_file("typed")).read_bytes()
    found = read_face(data)
    assert (found.name, found.ending) == ("Courier Prime", "ttf")
    name = "a" * 64 + ".ttf"
    assert face(name, 40).path == face_file("plain"), "until it is there"
    bring_face(name, data)
    assert face(name, 40).getname() == ("Courier Prime", "Regular")
    assert face_for(name, 40, "Lamp").getname() == ("Courier Prime", "Regular")
    assert not lacking(name, "Lamp") and lacking(name, "灯")


def test_what_is_no_face_is_refused_in_words() -> None:
    data = Path(face_file("book")).read_bytes()
    for bad, says in (
        (b"not a font at all", "no face"),
        (data[:4000], "no face"),
        (b"ttcf" + data[4:], "several faces"),
        (b"wOF2" + data[4:], "web pages"),
        (b"", "no face"),
    ):
        with pytest.raises(BadInput, match=says):
            read_face(bad)
    # A face of a single letter.
    font = TTFont(io.BytesIO(data))
    subset = Subsetter()
    subset.populate(unicodes=[65])
    subset.subset(font)
    out = io.BytesIO()
    font.save(out)
    with pytest.raises(BadInput, match="no letters"):
        read_face(out.getvalue())


@pytest.mark.skipif(shutil.which("fc-scan") is None, reason="fontconfig is not here")
def test_names_are_those_that_fontconfig_reads() -> None:
    for name in FACES:
        told = subprocess.run(
            ["fc-scan", "--format", "%{family}", face_file(name)],
            capture_output=True,
            text=True,
            check=True,
        ).stdout
        assert FAMILIES[name] in told
