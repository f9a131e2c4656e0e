"""A story in another language: its passages, what is said when, the tables that go to a translator and come back.

Tables are read by what knows nothing of Cut Reel: XLIFF by the Translate Toolkit, CSV by Python's own module.
"""

import csv
import io
from dataclasses import replace
from itertools import pairwise
from textwrap import wrap
from xml.etree import ElementTree

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from translate.storage.xliff2 import Xliff2File

from cutreel.core.captions import evenly
from cutreel.core.errors import BadInput
from cutreel.core.film import (
    Beneath,
    Offered,
    Settings,
    apply_command,
    assemble,
    captions_in,
    following,
    in_language,
    lengths,
    new_film,
    passage_rows,
    read_film,
    said_for,
    screen_rows,
    ssml_of,
)
from cutreel.core.film.commands import EditText, SetLine, SetShots, Translate
from cutreel.core.film.document import OwnLine, Recording
from cutreel.core.manuscript import read
from cutreel.core.translation import (
    Shown,
    TableRow,
    Translated,
    passages_of,
    pieces_of,
    read_translated,
    spread,
    words_in,
    write_table,
    write_xliff,
)

STORY = (
    "# The bridge\n\nThe lamp was dark. “We must row,” said Ada, and she took the oars. "
    "Bram held the lantern high above the water. Nobody spoke.\n\n# The harbour\n\nThen they saw the light."
)
SPANISH = {
    "The lamp was dark.": "La lámpara estaba apagada desde hacía muchísimos años, y nadie sabía por qué.",
    "“We must row,”": "«Tenemos que remar»,",
    "said Ada, and she took the oars.": "dijo Ada, y tomó los remos.",
    "Bram held the lantern high above the water.": "Bram alzó el farol.",
    "Then they saw the light.": "Entonces vieron la luz.",
}


def film_of(document):
    return assemble("f", read_film(document, Offered()), {}, lambda keys: {})


@pytest.fixture
def original():
    document, edges = new_film("Dark lamp", STORY, Settings(pace=3, titles="high"))
    return document, edges


def spanish(document, edges, texts=SPANISH):
    begun = in_language(document, "0123456789", "es")
    rows = passage_rows(read_film(begun, Offered()))
    passages = [
        Translated(word=r.passage.word, source=r.passage.text, text=texts[r.passage.text])
        for r in rows
        if r.passage.text in texts
    ]
    shown = [Shown(source="The harbour", text="El puerto"), Shown(source="The End", text="Fin")]
    return apply_command(begun, Translate(passages=passages, shown=shown), edges)[0]


def test_passages_are_sentences_and_what_one_speaker_says_of_them() -> None:
    script = read(STORY)
    found = passages_of(script, range(1, len(script.words) + 1))
    assert [p.text for p in found] == [
        "The lamp was dark.",
        "“We must row,”",
        "said Ada, and she took the oars.",
        "Bram held the lantern high above the water.",
        "Nobody spoke.",
        "Then they saw the light.",
    ]
    assert [p.speaker for p in found] == [None, "Ada", None, None, None, None]
    assert [a.end for a, _ in pairwise(found)] == [b.first for _, b in pairwise(found)]


def test_pictures_and_shots_stay_words_captions_and_times_follow(original) -> None:
    document, edges = original
    here, there = film_of(spanish(document, edges)), film_of(document)
    assert [s.picture_key for s in here.read.shots] == [s.picture_key for s in there.read.shots]
    assert [s.prompt.text for s in here.read.shots] == [s.prompt.text for s in there.read.shots]
    told = " ".join(" ".join(c.lines) for c in here.captions)
    assert told.startswith("La lámpara estaba apagada") and "Tenemos que remar" in told
    assert "Nobody spoke." in told, "what is not translated is said as it is written"
    assert "row" not in told.split("Nobody")[0]
    # The first sentence takes four times as long, so does its shot; every span follows the one before.
    assert here.spans[0].frames > 1.8 * there.spans[0].frames
    assert [a.end for a in here.spans[:-1]] == [b.start for b in here.spans[1:]]
    assert all(s.frames > 0 for s in here.spans)
    assert [line.text for line in here.read.speech if line.speaker == "Ada"] == [
        "«Tenemos que remar»,"
    ]
    cards = [line for c in here.cards for line in c.lines]
    assert "El puerto" in cards and "The harbour" not in cards
    assert "The harbour" in [r.words for r in screen_rows(here, here.document.translation)]


def test_what_is_said_in_a_shot_is_what_is_read_in_it(original) -> None:
    document, edges = original
    here = film_of(spanish(document, edges))
    parts = [here.shot_text(i) for i in range(len(here.read.shots))]
    assert " ".join(p for p in parts if p).split() == [w.text for w in here.said.words]
    rate = here.rate
    for i, span in enumerate(here.spans):
        for n, word in enumerate(here.said.words):
            if word.text and word.text in parts[i].split() and parts.count(word.text) == 1:
                at = float(here.said_times[n, 0])
                assert rate.seconds(span.start) - 0.5 <= at <= rate.seconds(span.end)


def test_what_goes_out_to_be_spoken_or_is_recorded_is_in_the_language(original) -> None:
    """SSML, read by an XML parser that knows nothing of us; and the words that a recording of a line has to say."""
    document, edges = original
    read = read_film(spanish(document, edges), Offered())
    root = ElementTree.fromstring(ssml_of(read))
    spoken = " ".join(" ".join(root.itertext()).split())
    assert "La lámpara estaba apagada" in spoken and "lamp was dark" not in spoken
    assert root.get("{http://www.w3.org/XML/1998/namespace}lang") == "es"
    ada = next(line for line in read.speech if line.speaker == "Ada")
    words = said_for(read.script.words, read.speech, ada.first, ada.end)
    assert [w.text for w in words] == ["«Tenemos", "que", "remar»,"]
    plain = read_film(document, Offered())
    assert said_for(plain.script.words, plain.speech, 0, 2) == plain.script.words[:2]


def test_a_recording_in_the_language_is_heard_while_it_says_its_words(original) -> None:
    document, edges = original
    cut = spanish(document, edges)
    ada = next(line for line in read_film(cut, Offered()).speech if line.speaker == "Ada")
    number = cut.word_ids[ada.line_first]
    recording = Recording(media="0" * 64 + ".flac", text="«Tenemos que remar»,")
    own = OwnLine(word=number, recording=recording)
    recorded, edges, _ = apply_command(cut, SetLine(line=own), edges)
    heard = next(x for x in read_film(recorded, Offered()).speech if x.speaker == "Ada")
    assert heard.recorded and heard.pieces
    passage = next(t for t in cut.translation.passages if t.word == number)
    other = Translate(passages=[passage.model_copy(update={"text": "«Rememos»,"})])
    changed = apply_command(recorded, other, edges)[0]
    again = next(x for x in read_film(changed, Offered()).speech if x.speaker == "Ada")
    assert not again.recorded, "it says other words now"


def test_a_pace_is_another_request_and_shortens_what_is_reckoned(original) -> None:
    document, edges = original
    slow = spanish(document, edges)
    first = slow.translation.passages[0]
    quick, _, _ = apply_command(
        slow, Translate(passages=[first.model_copy(update={"pace": 1.25})]), edges
    )
    a, b = film_of(slow), film_of(quick)
    assert a.read.speech[0].key != b.read.speech[0].key
    assert b.read.speech[0].pace == 1.25 and b.read.speech[0].pieces[0].pace == 1.25
    (la, lb) = (lengths(f, film_of(document))[0] for f in (a, b))
    assert lb.here == pytest.approx(la.here / 1.25, abs=0.02)
    assert la.far and la.characters > 30 and la.pace == 1.25, "more than a voice can make up for"


def test_it_follows_what_its_original_becomes_and_keeps_its_own(original) -> None:
    document, edges = original
    cut = spanish(document, edges)
    cut = cut.model_copy(
        update={"settings": cut.settings.model_copy(update={"narrator": "es-man"})}
    )
    at = document.text.index("dark")
    changed, edges, _ = apply_command(
        document, EditText(start=at, end=at + 4, insert="cold"), edges
    )
    shot = changed.shots[1].id
    changed, edges, _ = apply_command(
        changed, SetShots(shots=[shot], values={"framing": "close"}), edges
    )
    now = following(cut, changed)
    rows = {r.passage.text: r for r in passage_rows(read_film(now, Offered()))}
    assert rows["The lamp was cold."].stale, "its words changed: it is to be looked at again"
    assert not rows["Then they saw the light."].stale
    assert rows["Then they saw the light."].made.text == "Entonces vieron la luz."
    assert now.shots[1].own.framing == "close"
    assert (now.settings.language, now.settings.narrator) == ("es", "es-man")


def test_a_text_longer_than_a_voice_takes_is_cut_between_words(original) -> None:
    document, edges = original
    long = {**SPANISH, "Nobody spoke.": " ".join(["palabra"] * 200) + "."}
    here = film_of(spanish(document, edges, long))
    assert max(len(line.text) for line in here.read.speech) <= 1_000
    assert [w for line in here.read.speech for w in line.text.split()].count("palabra") == 199
    assert [(a.end, b.first) for a, b in pairwise(here.read.speech) if a.end != b.first] == []


ROWS = [
    TableRow("1", "narrator", "The lamp was dark.", "", 2.25),
    TableRow("7", "Ada", "=SUM(A1) “row”, she said;\nnow", "—Remad", 1.0),
    TableRow("screen 1", "on the screen", "Fire & <water>", "Fuego & <agua>"),
]


def test_the_table_is_read_by_others_and_comes_back() -> None:
    text = write_table(ROWS)
    read_back = list(csv.DictReader(io.StringIO(text.removeprefix("\ufeff"))))
    assert [r["number"] for r in read_back] == ["1", "7", "screen 1"]
    assert read_back[1]["words"].startswith("'="), "no spreadsheet takes it for a formula"
    back = read_translated(text.encode())
    assert [r[:4] for r in back] == [r[:4] for r in ROWS]
    semicolons = "number;words;translation\r\n1;The lamp;La lámpara\r\n"
    assert read_translated(semicolons.encode("cp1252"))[0].translation == "La lámpara"


def test_xliff_is_read_by_a_translators_tools_and_what_they_write_is_read() -> None:
    """Translate Toolkit's own reader and writer of XLIFF 2."""
    store = Xliff2File.parsestring(write_xliff(ROWS, "en", "es").encode())
    assert [u.source for u in store.units] == [" ".join(r.words.split()) for r in ROWS]
    assert [u.target or "" for u in store.units] == [r.translation for r in ROWS]
    assert (store.getsourcelanguage(), store.gettargetlanguage()) == ("en", "es")
    store.units[0].target = "La lámpara estaba apagada."
    back = read_translated(bytes(store))
    assert [(r.number, r.translation) for r in back] == [
        ("1", "La lámpara estaba apagada."), ("7", "—Remad"), ("screen 1", "Fuego & <agua>"),
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"a,b\n1,2\n", "no column"),
        (b"<xliff", "cannot be read"),
        (b"<a/>", "no XLIFF 2.0"),
        (b'<!DOCTYPE a [<!ENTITY b "c">]><a>&b;</a>', "cannot be read"),
        (b'number,words,translation\n1,"x', "cannot be read"),
    ],
)
def test_what_is_no_table_says_so(data: bytes, says: str) -> None:
    with pytest.raises(BadInput, match=says):
        read_translated(data)


def test_words_of_scripts_without_spaces_are_letters() -> None:
    assert words_in("彼は走った。") == ("彼", "は", "走", "っ", "た。")
    assert (
        words_in("— Vamos — dijo.") == ("Vamos —", "dijo.") or words_in("— Vamos — dijo.")[0] == "—"
    )
    assert words_in("  ") == ()


@given(
    st.lists(st.integers(1, 12), min_size=1, max_size=30),
    st.lists(
        st.tuples(st.integers(1, 12), st.floats(0.05, 1), st.floats(0, 0.4)),
        min_size=1,
        max_size=30,
    ),
)
def test_times_never_go_back_and_stay_within_what_is_said(written, said) -> None:
    starts = np.cumsum([0, *(w[1] + w[2] for w in said)])[:-1]
    times = np.array([(a, a + w[1]) for a, w in zip(starts, said, strict=True)])
    out = spread(["x" * n for n in written], ["y" * w[0] for w in said], times)
    assert out.shape == (len(written), 2) and out[0, 0] == times[0, 0]
    assert (np.diff(out[:, 0]) >= 0).all() and (out[:, 1] >= out[:, 0]).all()
    assert out[-1, 1] <= times[-1, 1] + 1e-9 and (out[1:, 0] >= out[:-1, 1] - 1e-9).all()


@given(st.lists(st.integers(0, 40), max_size=5), st.integers(0, 9))
def test_pieces_are_all_words_of_the_manuscript_in_order(cuts, seed) -> None:
    script = read(STORY)
    passages = passages_of(script, range(1, len(script.words) + 1))
    known = {
        p.word: Translated(word=p.word, source=p.text, text="uno dos tres " * (1 + (seed + n) % 4))
        for n, p in enumerate(passages)
        if (seed + n) % 3
    }
    pieces = pieces_of(passages, known, cuts)
    covered = [i for p in pieces for i in range(p.first, p.end)]
    assert covered == list(range(len(script.words)))
    said = [w for p in pieces for w in p.words or ()]
    assert len(said) == sum(len(t.text.split()) for t in known.values())


def test_another_language_stands_beneath_each_caption(original) -> None:
    """Every word of it once, in order, beneath the caption that is seen while most of it is said."""
    document, edges = original
    cut = spanish(document, edges)
    under = Beneath("es", cut.translation, "cut", 1)
    film = replace(film_of(document), beneath=under)
    rows = film.captions_beneath
    assert len(rows) == len(film.captions)
    told = " ".join(line for lines in rows for line in lines).split()
    assert told == " ".join(" ".join(c.lines) for c in captions_in(film, cut.translation)).split()
    clips = film.timeline.captions
    assert [c.beneath for c in clips] == rows and [c.lines for c in clips] == [
        c.lines for c in film.captions
    ]
    with_bram = next(c for c in clips if "Bram held" in " ".join(c.lines))
    assert "Bram alzó" in " ".join(with_bram.beneath)
    assert film.appearance != film_of(document).appearance
    # A language that is not set changes nothing of what is rendered.
    assert all(c.beneath == () for c in film_of(document).timeline.captions)


@given(st.lists(st.text("abcdefgh", min_size=1, max_size=9), max_size=40), st.integers(12, 44))
def test_lines_are_few_and_even(words, length) -> None:
    text = " ".join(words)
    lines = evenly(text, length)
    assert " ".join(lines) == text and all(len(line) <= length for line in lines)
    assert len(lines) == len(wrap(text, length)), "as few as Python's own wrapping needs"
    if len(lines) > 1:
        assert max(map(len, lines)) <= max(map(len, wrap(text, length)))


def test_captions_in_another_language_are_timed_to_the_voice_that_is_heard(original) -> None:
    """Each passage's captions stand while its own words are said (within how long a caption is held, DCMP)."""
    document, edges = original
    film, cut = film_of(document), spanish(document, edges)
    captions = captions_in(film, cut.translation)
    shown = " ".join(" ".join(c.lines) for c in captions)
    assert "Bram alzó el farol." in shown and "Bram held" not in shown
    assert "Nobody spoke." in shown, "what is not translated is as it is written"
    assert all(a.end <= b.start + 1e-9 for a, b in pairwise(captions))
    times = film.said_times
    for passage in passages_of(film.read.script, film.read.ids):
        text = SPANISH.get(passage.text)
        if text is None:
            continue
        begins = float(times[passage.first, 0])
        first = next(c for c in captions if " ".join(c.lines).startswith(text.split()[0]))
        assert first.start == pytest.approx(begins, abs=0.35)
        assert first.end > begins
    # And of the film that is spoken in Spanish, the captions of its manuscript.
    there = film_of(cut)
    english = captions_in(there, None)
    assert "Bram held the lantern" in " ".join(" ".join(c.lines) for c in english)
    assert english[-1].end <= there.seconds + 1
