"""SSML 1.1 (W3C Recommendation, 7 September 2010) brought in: the words of the recommendation's own examples, what a
document says of a film, and that what a film gives out says the same of it again."""

import time

import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.errors import BadInput
from cutreel.core.film import Settings, apply_command, new_film, read_film, ssml_of, ssml_taken
from cutreel.core.film.commands import MarkWords, ReadWord, SayWord, TakeSsml
from cutreel.core.film.offered import Offered
from cutreel.core.speech import SsmlWord, WordMark, as_ssml, found_in, from_ssml
from tests.core.test_directions import VOICES
from tests.proportion import in_proportion

LISTENS = Offered(600, VOICES, directed=True, ssml=True)
NAMES = [v.name for v in VOICES]
TEXT = (
    "Wenna kept the kiln at Orrick since 1911.\n\n“Run home,” said Tom. Nobody else ran that day."
)


def words(inside: str) -> list[SsmlWord]:
    return from_ssml(as_ssml(inside).encode()).words


def test_the_examples_of_the_recommendation_are_read() -> None:
    # Sections 3.1.10 (sub), 3.2.2 (emphasis), 3.2.3 (break), 3.2.4 (prosody), 3.1.9 (phoneme), 3.1.4 (p and s).
    assert words('<sub alias="World Wide Web Consortium">W3C</sub>') == [
        SsmlWord("W3C", alias="World Wide Web Consortium")
    ]
    said = words(
        'That is a <emphasis> big </emphasis> car! a <emphasis level="strong">huge</emphasis>.'
    )
    assert [w.text for w in said if w.stress] == ["big", "huge."]
    take = words(
        'Take a deep breath <break/> then press 1. <break time="3s"/> I <break strength="weak"/>hear'
    )
    assert [(w.text, w.pause) for w in take if w.pause] == [
        ("then", 0.4),
        ("I", 3.0),
        ("hear", 0.25),
    ]
    price = words('The price of XYZ is <prosody rate="90%">$45</prosody>')
    assert [w.text for w in price if w.pace == "slow"] == ["$45"]
    (tomato,) = words('<phoneme alphabet="ipa" ph="təˈmeɪtoʊ"> tomato </phoneme>')
    assert tomato.ipa == "təˈmeɪtoʊ"
    parted = words("<p><s>This is the first.</s><s>This is the second.</s></p>")
    assert [w.text for w in parted] == "This is the first. This is the second.".split()


def test_what_has_no_use_is_told() -> None:
    script = from_ssml(as_ssml('Hear <audio src="a.wav">this</audio> <mark name="x"/>now').encode())
    assert script.unused == ["audio", "mark"] and [w.text for w in script.words][-1] == "now"


@pytest.mark.parametrize(
    "data",
    [
        b"",
        b"<p>Hello</p>",
        b"hello",
        as_ssml("").encode(),
        b'<!DOCTYPE x [<!ENTITY a "b">]><speak>&a;</speak>',
    ],
)
def test_what_is_no_ssml_is_refused_with_what_to_do(data: bytes) -> None:
    with pytest.raises(BadInput) as refused:
        from_ssml(data)
    assert "SSML" in refused.value.advice


def directed():
    film, edges = new_film("Orrick", TEXT, Settings())
    ids = film.word_ids
    for command in (
        MarkWords(
            marks=[
                WordMark(word=ids[1], stress=True),
                WordMark(word=ids[2], pace="slow"),
                WordMark(word=ids[3], pace="slow", pause=0.75),
            ]
        ),
        ReadWord(word=ids[7], sounds="one thousand nine hundred and eleven"),
        SayWord(word="Orrick", sounds="/ˈɒrɪk/"),
    ):
        film, edges, _ = apply_command(film, command, edges)
    return film, edges


def test_what_goes_out_comes_in_as_it_was() -> None:
    film, edges = directed()
    document = from_ssml(ssml_of(read_film(film, LISTENS)).encode())
    assert [w.text for w in document.words] == TEXT.split()
    assert ssml_taken(read_film(film, LISTENS), document, NAMES).nothing
    plain, _ = new_film("Orrick", TEXT, Settings())
    taken = ssml_taken(read_film(plain, LISTENS), document, NAMES)
    command = TakeSsml(
        marks=taken.marks, reads=taken.reads, sayings=taken.sayings, voices=taken.voices
    )
    after, _, _ = apply_command(plain, command, edges)
    assert sorted(after.word_marks, key=lambda m: m.word) == film.word_marks
    assert after.read_aloud == film.read_aloud and after.lexicon == film.lexicon
    assert taken.found == len(TEXT.split())


def test_voices_are_taken_where_they_are_known_and_others_told() -> None:
    film, _ = new_film("Orrick", TEXT, Settings())
    read = read_film(film, LISTENS)
    now = read.speech[0].voice
    other = next(n for n in NAMES if n != now)
    document = ssml_of(read).replace(f'name="{now}"', f'name="{other}"')
    taken = ssml_taken(read, from_ssml(document.encode()), NAMES)
    assert taken.voices == {0: other} and not taken.marks
    strange = ssml_taken(read, from_ssml(document.replace(other, "Zoe-9").encode()), NAMES)
    assert strange.nothing and strange.unused == ["the voice Zoe-9"]


def test_other_words_are_refused() -> None:
    film, _ = new_film("Orrick", TEXT, Settings())
    with pytest.raises(BadInput, match="other words"):
        ssml_taken(
            read_film(film, LISTENS),
            from_ssml(as_ssml("Completely different speech.").encode()),
            NAMES,
        )


some = st.lists(st.sampled_from("the old door fell shut at night and rain".split()), max_size=30)


@given(some, some)
def test_words_are_found_once_each_in_their_order_and_are_the_same(script, document) -> None:
    found = found_in(script, [SsmlWord(f"{w},") for w in document])
    assert all(script[i] == w.text.strip(",") for i, w in found.items())
    if script == document:
        assert len(found) == len(script)


def test_a_long_text_with_many_changes_is_found_in_proportion() -> None:
    def seconds(count: int) -> float:
        script = [f"w{n % 97} w{n % 89} w{n % 83}".split()[n % 3] for n in range(count)]
        other = [SsmlWord("changed" if n % 50 == 7 else w) for n, w in enumerate(script)]
        begun = time.process_time()
        found = found_in(script, other)
        assert len(found) > 0.95 * count
        return time.process_time() - begun

    in_proportion(seconds, 4000)
