"""Scripts in open formats: what is written is read back whole; foreign files are read as their makers meant them."""

import csv
import io
import itertools

import pysubs2
import pytest
import webvtt
from hypothesis import given, settings
from hypothesis import strategies as st
from jouvence.parser import JouvenceParser

from cutreel.core.captions import PLAIN, Caption, to_ass, to_ttml
from cutreel.core.continuity import Overrides
from cutreel.core.errors import BadInput
from cutreel.core.film import GivenShot, Offered, Settings, new_film, read_film
from cutreel.core.film.exporting import export_script
from cutreel.core.manuscript import read, text_of
from cutreel.core.manuscript.formats import (
    Block,
    blocks_of,
    look_at,
    read_story,
    story_from,
    write_fountain,
    write_markdown,
)
from cutreel.core.timeline import FrameRate, cut_points, lay_out
from tests.conftest import STORY

WORDS = st.text(
    st.characters(codec="utf-8", categories=("L", "Nd", "P", "Zs"), exclude_characters="\u00a0\\"),
    min_size=1,
    max_size=40,
).map(lambda t: " ".join(t.split()))
SPOKEN = WORDS.filter(
    lambda t: (
        any(c.isalpha() for c in t) and not t.startswith(("(", "[")) and not t.endswith((")", "]"))
    )
)
NAMES = st.sampled_from(["Pip", "Maren Oake", "McCoy", "the boy", "Élodie", "Dr. Hale"])


def blocks() -> st.SearchStrategy[list[Block]]:
    one = st.one_of(
        st.builds(
            Block,
            st.just("heading"),
            st.sampled_from(["The jetty — dusk, wind", "A *starred* hall", "Part two"]),
        ),
        st.builds(Block, st.just("narration"), SPOKEN),
        st.builds(Block, st.just("dialogue"), SPOKEN, NAMES),
        st.builds(
            Block, st.just("note"), st.sampled_from(["check the date", "pause here", "a *star*"])
        ),
    )
    return st.lists(one, min_size=1, max_size=6).filter(
        lambda bs: any(b.kind == "narration" for b in bs)
    )


@pytest.mark.thorough
@settings(max_examples=150)
@given(blocks())
def test_what_is_written_as_fountain_or_markdown_is_read_back_whole(
    given_blocks: list[Block],
) -> None:
    text = story_from(given_blocks, "txt").text
    found = blocks_of(text)
    assert [(b.kind, b.text) for b in found] == [(b.kind, b.text) for b in given_blocks]
    assert [b.speaker for b in found] == [b.speaker for b in given_blocks]
    for write, name in ((write_fountain, "x.fountain"), (write_markdown, "x.md")):
        again = read_story(write(found, "A *title*"), name)
        assert again.text == text, name
        assert again.title == "A *title*"


def test_the_sample_story_survives_every_text_format() -> None:
    found = blocks_of(STORY)
    plain = story_from(found, "txt").text
    assert [w.text for w in read(plain).words] == [w.text for w in read(STORY).words]
    for write, name in ((write_fountain, "x.fountain"), (write_markdown, "x.md")):
        assert read_story(write(found, "The Lamp at Saltmere"), name).text == plain


SCREENPLAY = """Title: _The Lamp_
Author: nobody

EXT. THE JETTY - DUSK

Maren waits. *Something* moves.

PIP (O.S.)
(whispering)
Is it out?
It was lit.

@McCoy
Aye.

/* left out */

[[check this]]

CUT TO:

.The far shore

!SHOUTING, then quiet.
"""


def test_fountain_is_read_as_an_independent_parser_reads_it() -> None:
    # jouvence, from the registry, is the independent parser.
    # It does not end on a comment of one line, so that is left out for it.
    document = JouvenceParser().parseString(SCREENPLAY.replace("/* left out */\n\n", ""))
    scenes = [s for s in document.scenes if s.header]
    theirs = [
        (type_name, p.text.strip())
        for s in document.scenes
        for p in s.paragraphs
        for type_name in [str(p.type)]
        if p.text.strip()
    ]
    story = read_story(SCREENPLAY)
    script = read(story.text)
    assert story.format == "fountain" and story.title == "The Lamp"
    assert len([s for s in script.scenes if s.title]) == len(scenes) == 2
    ours = blocks_of(script)
    spoken = " ".join(t for _, t in theirs)
    for block in ours:
        if block.kind == "dialogue":
            assert all(part in spoken for part in block.text.split(". ")[0].split("? "))
    assert [b.speaker for b in ours if b.kind == "dialogue"] == ["Pip", "McCoy"]
    assert [b.text for b in ours if b.kind == "narration"] == [
        "Maren waits. Something moves.",
        "SHOUTING, then quiet.",
    ]
    assert {"Pip: whispering", "left out", "check this", "CUT TO:"} == {
        b.text for b in ours if b.kind == "note"
    }
    assert script.scenes[0].time == "dusk"


def test_what_we_write_as_fountain_an_independent_parser_reads() -> None:
    document = JouvenceParser().parseString(
        write_fountain(blocks_of(STORY), "The Lamp at Saltmere")
    )
    assert document.title_values["title"] == "The Lamp at Saltmere"
    assert [s.header for s in document.scenes if s.header] == [
        b.text for b in blocks_of(STORY) if b.kind == "heading"
    ]


def film_of(text: str, **more: object) -> object:
    document, _ = new_film("A film", text, Settings(), **more)  # type: ignore[arg-type]
    return read_film(document, Offered(400))


def exported(found: object, format: str) -> str:
    rate = FrameRate.parse("24")
    timing = lay_out(found.script.words, [(w.first, w.end) for w in found.speech], {}, found.pauses)  # type: ignore[attr-defined]
    return export_script(found, format, cut_points(found.opens, timing, rate), rate)  # type: ignore[attr-defined, arg-type]


@pytest.mark.parametrize("format", ["csv", "tsv"])
def test_a_table_carries_shots_and_what_was_set_for_them(format: str) -> None:
    text = (
        "# The jetty — dusk\n\nMaren waited, and the tide went out.\n\n[check]\n\n@McCoy: “Aye,” he said; nobody moved.\n\n"
        "# Home\n\nThey slept. It rained,\nand rained.\n"
    )
    own = Overrides(
        prompt='a lamp; "lit"',
        motion="slow zoom out",
        sound="rain",
        direction="tired",
        action="she waits",
    )
    offsets = [text.index(w) for w in ("Maren", "and the", "@McCoy", "nobody", "They", "It rained")]
    shots = [GivenShot(offset=o, own=own if i == 1 else Overrides()) for i, o in enumerate(offsets)]
    before = film_of(text, given=shots)
    table = exported(before, format)
    rows = list(
        csv.reader(io.StringIO(table, newline=""), delimiter="," if format == "csv" else "\t")
    )
    assert len(rows) == 7 and all(len(r) == len(rows[0]) for r in rows)
    story = read_story(table, f"x.{format}")
    assert not story.bad
    after = film_of(
        story.text, given=[GivenShot(offset=s.offset, own=Overrides(**s.own)) for s in story.opens]
    )
    assert [s.text for s in after.shots] == [s.text for s in before.shots]  # type: ignore[attr-defined]
    assert [s.shot.own for s in after.shots] == [s.shot.own for s in before.shots]  # type: ignore[attr-defined]
    assert [w.paragraph for w in after.script.words] == [w.paragraph for w in before.script.words]  # type: ignore[attr-defined]
    assert [b.text for b in blocks_of(after.script) if b.kind != "narration"] == [  # type: ignore[attr-defined]
        b.text
        for b in blocks_of(before.script)  # type: ignore[attr-defined]
        if b.kind != "narration"
    ]


@pytest.mark.parametrize(("format", "reader"), [("srt", "srt"), ("vtt", "vtt")])
def test_subtitles_carry_shots_and_who_speaks(format: str, reader: str) -> None:
    before = film_of("Maren waited. The tide went out & on.\n\nPIP: Is it out? It was lit.\n", given=[
        GivenShot(offset=0), GivenShot(offset=14), GivenShot(offset=42)])  # fmt: skip
    text = exported(before, format)
    theirs = pysubs2.SSAFile.from_string(text, format_=reader)
    assert len(theirs) == 3 and all(a.end <= b.start for a, b in itertools.pairwise(theirs))
    if format == "vtt":
        assert [c.voice for c in webvtt.from_string(text)] == [None, None, "Pip"]
    story = read_story(text, f"x.{format}")
    after = film_of(story.text, given=[GivenShot(offset=s.offset) for s in story.opens])
    assert [s.text for s in after.shots] == [s.text for s in before.shots]  # type: ignore[attr-defined]
    assert read(story.text).speakers == ("Pip",)
    assert [round(s.seconds or 0, 2) for s in story.opens] == [
        round((e.end - e.start) / 1000, 2) for e in theirs
    ]


@pytest.mark.parametrize("separator", [",", ";", "\t", "|"])
@pytest.mark.parametrize("encoding", ["utf-8", "utf-8-sig", "utf-16", "utf-16-le", "cp1252"])
def test_tables_with_odd_separators_and_encodings(separator: str, encoding: str) -> None:
    out = io.StringIO()
    writer = csv.writer(out, delimiter=separator)
    writer.writerow(["Shot", "Voice Over", "Character", "Image prompt"])
    for i in range(8):
        writer.writerow(
            [
                i + 1,
                f"“Café {i}; déjà vu, naïve”, he said | so.",
                "Pip" if i % 2 else "",
                "a lamp, lit",
            ]
        )
    text = text_of(out.getvalue().encode(encoding))
    view = look_at(text)
    assert view.columns == ("number", "narration", "speaker", "picture") and view.count == 8
    story = read_story(text, "x.csv")
    assert (
        len(story.opens) == 8
        and story.opens[0].own == {"prompt": "a lamp, lit"}
        and "Café 7" in story.text
    )


def test_a_table_without_a_header_is_guessed_from_its_cells() -> None:
    view = look_at(
        "1,Pip,Where is the lamp tonight?\n2,Maren,It has gone out.\n3,Pip,It never goes out.\n4,Maren,Row.\n"
    )
    assert view.header == () and view.columns == ("number", "speaker", "narration")
    assert "longest" in view.why[2]


def test_a_bad_row_is_named_and_the_rest_kept() -> None:
    story = read_story(
        'narration,speaker\nOne word.,Pip\n"Two\nlines.",\n,Pip\na,b,c\nLast one.,\n', "x.csv"
    )
    assert len(story.opens) == 3
    assert [b.split(" has")[0] for b in story.bad] == ["Line 5", "Line 6"]
    with pytest.raises(BadInput, match="breaks off"):
        look_at("a,b\nc,d\n" * 4 + "x" * 200_000 + ",y\n")
    with pytest.raises(BadInput, match="No column"):
        read_story("a,b\nc,d\n", "x.csv", ["leave", "leave"])


def test_markdown_titles_links_and_speakers() -> None:
    story = read_story(
        "# The Arc\n\n## 1792 — day\n\nThey began [here](https://example.org/a).\n\n**Méchain:** We *must* measure.\n\n"
        "<!-- slow -->\n\n- one thing\n- another\n",
        "x.md",
    )
    assert story.title == "The Arc" and story.sources[0].text == "https://example.org/a"
    script = read(story.text)
    assert (
        script.speakers == ("Méchain",)
        and script.scenes[0].time == "day"
        and len(script.notes) == 1
    )
    assert story.text[story.sources[0].offset :].startswith("They began here.")


TT = "http://www.w3.org/ns/ttml"


def test_substation_alpha_is_read_in_the_order_of_time() -> None:
    """Written by pysubs2, with what such files carry: styles, effects within words, signs, comments, drawings, names."""
    file = pysubs2.SSAFile()
    for start, end, text, told in (
        (3000, 5500, r"Is it {\b1}out{\b0}?\NIt was lit.", {"name": "Pip"}),
        (500, 2500, "Maren waited.", {}),
        (600, 900, "not to be said", {"type": "Comment"}),
        (700, 900, r"{\p1}m 0 0 l 10 10{\p0}", {}),
        (6000, 7000, "[a bell rings]", {}),
    ):
        file.append(pysubs2.SSAEvent(start=start, end=end, text=text, **told))
    story = read_story(file.to_string("ass"), "x.ass")
    script = read(story.text)
    assert script.speakers == ("Pip",) and len(script.notes) == 1
    assert " ".join(w.text for w in script.words) == "Maren waited. Is it out? It was lit."
    assert [s.seconds for s in story.opens] == [2.0, 2.5]


@pytest.mark.parametrize(
    ("parameters", "times"),
    [
        ("", [("1s", "3s"), ("00:00:03.5", "00:00:05")]),
        # W3C TTML2, 12.3.1: frames behind a clock, counted in frames, and in ticks.
        ('ttp:frameRate="25"', [("00:00:01:00", "75f"), ("00:00:03:12.5", "125f")]),
        (
            'ttp:frameRate="30" ttp:frameRateMultiplier="1000 1001"',
            [("29.97f", "90f"), ("105f", "150f")],
        ),
        ('ttp:tickRate="1000"', [("1000t", "3000t"), ("3500t", "5000t")]),
    ],
)
def test_ttml_is_read_whatever_its_times_are_counted_in(parameters, times) -> None:
    (a, b), (c, d) = times
    text = f"""<?xml version="1.0" encoding="UTF-8"?>
<tt xmlns="{TT}" xmlns:ttp="{TT}#parameter" xmlns:tts="{TT}#styling" xml:lang="en" {parameters}>
 <head><styling><style xml:id="s" tts:color="white"/></styling></head>
 <body><div><p begin="{a}" end="{b}">PIP: Hold <span tts:fontStyle="italic">the</span><br/>lamp.</p>
 <p begin="{c}" end="{d}">Then it went out.</p></div></body></tt>"""
    story = read_story(text, "lamp.xml")
    assert story.format == "ttml" and read(story.text).speakers == ("Pip",)
    assert [w.text for w in read(story.text).words] == "Hold the lamp. Then it went out.".split()
    assert [s.seconds for s in story.opens] == pytest.approx([2.0, 1.5], abs=0.03)


def test_what_we_write_as_ttml_and_substation_alpha_is_read_back() -> None:
    lines = [
        Caption(1.0, 2.5, ("Maren waited", "by the water."), 0, 5),
        Caption(3.0, 4.0, ("Out it went.",), 5, 8),
    ]
    for text in (to_ttml(lines, "en"), to_ass(lines, PLAIN)):
        story = read_story(text)
        assert [s.seconds for s in story.opens] == [1.5, 1.0]
        assert " ".join(story.text.split()) == "Maren waited by the water. Out it went."


@pytest.mark.parametrize(
    "text",
    [
        f'<tt xmlns="{TT}"><body><div><p begin="x" end="2s">a</p></div></body></tt>',
        f'<tt xmlns="{TT}"><body><div><p begin="1s" end="2s">a</div></body></tt>',
        f'<!DOCTYPE tt [<!ENTITY a "aaaa">]><tt xmlns="{TT}"><body><div><p>&a;</p></div></body></tt>',
    ],
)
def test_damaged_subtitles_are_refused_in_words(text) -> None:
    with pytest.raises(BadInput, match="cannot be read"):
        read_story(text, "x.ttml")


def test_formats_are_told_by_what_they_look_like() -> None:
    for text, format in (
        ("Just a story. It goes on, and on.\n\nThe end.", "txt"),
        ("1\n00:00:01,000 --> 00:00:02,000\nHello.\n", "srt"),
        ("WEBVTT\n\n00:01.000 --> 00:02.000\nHello.\n", "vtt"),
        ("[Script Info]\nTitle: x\n\n[Events]\n", "ass"),
        (f'<?xml version="1.0"?><tt xmlns="{TT}"><body/></tt>', "ttml"),
        (SCREENPLAY, "fountain"),
        ("narration,speaker\nHello there.,Pip\nYes.,Ann\n", "table"),
        ("Intro\n\n## Scene\n\n**Pip:** hello [x](http://y)\n", "markdown"),
    ):
        assert read_story(text).format == format
