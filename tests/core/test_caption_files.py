"""Caption files that tell a style, read back by pysubs2 and by an XML parser; times against those that were written."""

import re

import numpy as np
import pysubs2
import pytest
import webvtt
from defusedxml.ElementTree import fromstring

from cutreel.core.captions import (
    PLAIN,
    READY,
    Caption,
    CaptionShown,
    CaptionStyle,
    captions_of,
    said_in,
    to_ass,
    to_ttml,
    to_vtt,
)
from cutreel.core.manuscript import read

SCRIPT = read(
    "“Row,” said Ada & Bram, “or we are <lost>.” Nobody rowed {at all}, and the ferry came.\n"
)
TIMES = np.array([[0.3 + 0.41 * i, 0.6 + 0.41 * i] for i in range(len(SCRIPT.words))])
CAPTIONS = captions_of(SCRIPT.words, TIMES)
SAID = [said_in(c, SCRIPT.words, TIMES) for c in CAPTIONS]
NS = {"tt": "http://www.w3.org/ns/ttml", "tts": "http://www.w3.org/ns/ttml#styling"}
TTS = "{http://www.w3.org/ns/ttml#styling}"


@pytest.mark.parametrize("name", READY)
def test_ttml_is_read_by_another_with_the_same_lines_and_times(name: str) -> None:
    text = to_ttml(CAPTIONS, "en", READY[name])
    found = pysubs2.SSAFile.from_string(text, "ttml")
    assert [e.text.split(r"\N") for e in found] == [list(c.lines) for c in CAPTIONS]
    assert [(e.start, e.end) for e in found] == [
        (round(c.start * 1000), round(c.end * 1000)) for c in CAPTIONS
    ]


def test_ttml_is_of_the_profile_that_it_names() -> None:
    """W3C IMSC 1.1, text profile: the profile is named, regions have an extent, times are media time, and no style is used
    that it forbids."""
    root = fromstring(to_ttml(CAPTIONS, "en", READY["dark band"]))
    assert root.tag == "{http://www.w3.org/ns/ttml}tt"
    assert root.get("{http://www.w3.org/XML/1998/namespace}lang") == "en"
    assert root.get("{http://www.w3.org/ns/ttml#parameter}contentProfiles").endswith("imsc1.1/text")
    region = root.find(".//tt:region", NS)
    assert region.get(f"{TTS}extent") and region.get(f"{TTS}displayAlign") == "after"
    style = root.find(".//tt:style", NS)
    assert style.get(f"{TTS}backgroundColor") == "#14110fa8"
    ids = [e.get("{http://www.w3.org/XML/1998/namespace}id") for e in root.iter()]
    given = [i for i in ids if i]
    assert len(given) == len(set(given))
    for p in root.iterfind(".//tt:p", NS):
        assert re.fullmatch(r"\d\d:\d\d:\d\d\.\d{3}", p.get("begin"))


def test_substation_has_the_style() -> None:
    style = CaptionStyle(
        size=1.5, colour="#ffd23f", place="high", face="book", edge=None, shadow=True
    )
    found = pysubs2.SSAFile.from_string(to_ass(CAPTIONS, style), "ass")
    told = found.styles["Captions"]
    assert (told.primarycolor.r, told.primarycolor.g, told.primarycolor.b) == (255, 210, 63)
    assert told.fontname == "Literata" and told.fontsize == round(1080 * 0.062 * 1.5)
    assert told.alignment == pysubs2.Alignment.TOP_CENTER and told.shadow > 0 and told.outline == 0
    lines = [[line.replace("{", "(").replace("}", ")") for line in c.lines] for c in CAPTIONS]
    assert [e.plaintext.split("\n") for e in found] == lines


def test_substation_times_every_word_that_is_said() -> None:
    found = pysubs2.SSAFile.from_string(to_ass(CAPTIONS, READY["spoken"], SAID), "ass")
    for event, caption, words in zip(found, CAPTIONS, SAID, strict=True):
        steps = [int(n) for n in re.findall(r"\\k(\d+)", event.text)]
        begins = caption.start + np.cumsum([0, *steps]) / 100
        for _, _, _, at in words:
            assert np.abs(begins - at).min() < 0.02
        assert begins[-1] == pytest.approx(caption.end, abs=0.04)
        plain = "\n".join(caption.lines).replace("{", "(").replace("}", ")")
        assert re.sub(r"\{[^}]*\}", "", event.text).replace(r"\N", "\n") == plain


SHOWN = [CaptionShown("high", None, "Ada <b>"), CaptionShown(None, "#8fd0e8", "Tobias")]


def test_captions_of_their_own_place_and_colour_are_read_back_so() -> None:
    """WebVTT by webvtt-py, TTML by its attributes (TTML2, 8.2.3 region), SubStation Alpha by pysubs2."""
    two = [Caption(0.5, 2.0, ("Come in,", "she said."), 0, 4), Caption(2.5, 4.0, ("No.",), 4, 5)]
    first, second = webvtt.from_string(to_vtt(two, SHOWN)).captions
    assert first.voice in {"Ada &lt;b&gt;", "Ada <b>"}
    assert first.text == "Come in,\nshe said." and second.voice == "Tobias"
    assert "00:00:00.500 --> 00:00:02.000 line:6%" in to_vtt(two, SHOWN)
    root = fromstring(to_ttml(two, "en", PLAIN, SHOWN))
    tt, tts = "{http://www.w3.org/ns/ttml}", "{http://www.w3.org/ns/ttml#styling}"
    regions = {
        r.get("{http://www.w3.org/XML/1998/namespace}id"): r.get(f"{tts}displayAlign")
        for r in root.iter(f"{tt}region")
    }
    assert regions == {"frame": "after", "high": "before"}
    paragraphs = list(root.iter(f"{tt}p"))
    assert [p.get("region") for p in paragraphs] == ["high", "frame"]
    assert [p.find(f"{tt}span").get(f"{tts}color") for p in paragraphs] == [None, "#8fd0e8"]
    events = pysubs2.SSAFile.from_string(to_ass(two, PLAIN, (), SHOWN)).events
    assert events[0].text.startswith(r"{\an8}") and events[1].text.startswith(r"{\c&He8d08f&}")
    assert [e.name for e in events] == ["Ada <b>", "Tobias"] and events[
        0
    ].plaintext == "Come in,\nshe said."
