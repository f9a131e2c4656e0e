"""How lines are said: told by the words beside them, by the maker, by who speaks; how words sound; who speaks with
what."""

from decimal import Decimal

import pytest

from cutreel.core.continuity import OwnVoice
from cutreel.core.errors import BadInput
from cutreel.core.film import (
    Offered,
    OwnLine,
    Result,
    Settings,
    apply_command,
    assemble,
    line_key,
    new_film,
    read_film,
)
from cutreel.core.film.commands import DropVoice, KeepVoice, SayWord, SetLine
from cutreel.core.film.offered import VoiceOffered
from cutreel.core.film.speaking import SPEECH_VERSION
from cutreel.core.keys import key
from cutreel.core.manuscript import read
from cutreel.core.speech import FAR, direction_told, level_told, respelled, said_as, voices_apart

VOICES = (
    VoiceOffered("low", "he", "adult", 1.0, 95, 0.0),
    VoiceOffered("lower", "he", "adult", 1.0, 98, 0.0),
    VoiceOffered("high", "he", "adult", 0.9, 140, 0.2),
    VoiceOffered("she", "she", "adult", 1.0, 190, 0.0),
)
DIRECTED = Offered(600, VOICES, directed=True)
STORY = "“Run,” whispered Ada. The door fell shut. “Who is there?” asked Bram.\n"


@pytest.mark.parametrize(
    ("text", "told"),
    [
        ("“Run,” she whispered.", "whispered"),
        ("“Run!” shouted Bram angrily.", "shouted, angrily"),
        ("Ada said quietly, “It is late.”", "quietly"),
        ("“It is late,” said Ada in a low voice.", "low"),
        ("“It is late,” he muttered under his breath.", "muttered, under his breath"),
        ("“Go,” growled the wolf.", "growled"),
        ("“It is late,” said Ada.", None),
        ("“It is late,” said Ada. The wind whispered in the reeds.", None),
        ("“It is late,” Ada said finally.", None),
        ("“It is late.” She closed the door softly.", None),
    ],
)
def test_a_direction_is_told_by_the_words_beside_a_line(text, told) -> None:
    script = read(text + "\n")
    line = next(li for li in script.lines if li.speaker is not None)
    found = direction_told(script, line)
    assert (found.text if found else None) == told
    narration = [li for li in script.lines if li.speaker is None]
    assert all(direction_told(script, li) is None for li in narration)


def film(**settings):
    return new_film("t", STORY, Settings(narrator="she", **settings))[0]


def lines(document) -> dict[str, tuple[str, str]]:
    """What is sent for each line, by its first word: direction and key."""
    return {w.text.split()[0]: (w.direction, w.key) for w in read_film(document, DIRECTED).speech}


def test_what_is_said_plainly_has_the_key_that_it_always_had() -> None:
    """Nothing that was spoken before there were directions is spoken anew."""
    found = lines(film())
    plain = key("speech", SPEECH_VERSION, text="asked Bram.", voice="she")
    assert found["asked"] == ("", plain)
    assert line_key("asked Bram.", "she") == plain
    assert found["“Run,”"][0] == "whispered"
    undirected = read_film(film(), Offered(600, VOICES)).speech
    assert {w.direction for w in undirected} == {""}


def test_what_was_said_before_a_direction_was_known_is_heard_until_it_is_said_anew() -> None:
    document = film()
    read = read_film(document, DIRECTED)
    run = read.speech[0]
    assert run.plain == line_key(run.text, run.voice) != run.key
    told = {"seconds": 1.0, "words": [[0, 1]], "trim": [0, 1]}
    old = Result(run.plain, "speech", "old.flac", told, Decimal(0))
    new = Result(run.key, "speech", "new.flac", told, Decimal(0))
    both = {run.plain: old, run.key: new}
    heard = [
        assemble(
            "f", read, {}, lambda keys, have=have: {k: both[k] for k in keys if k in have}
        ).spoken
        for have in ({run.plain}, {run.plain, run.key})
    ]
    assert [h[0].media for h in heard] == ["old.flac", "new.flac"]


def test_the_maker_has_the_last_word_and_a_speakers_manner_stands_under_it() -> None:
    document = film(manner="warmly")
    word = document.word_ids[0]
    document, _, _ = apply_command(
        document, SetLine(line=OwnLine(word=word, direction="almost shouting")), []
    )
    document.cast[0] = document.cast[0].model_copy(update={"manner": "hoarse"})
    found = lines(document)
    assert found["“Run,”"][0] == "hoarse, almost shouting"
    assert found["whispered"][0] == "warmly"
    document, _, _ = apply_command(document, SetLine(line=OwnLine(word=word, direction="")), [])
    assert lines(document)["“Run,”"][0] == "hoarse"
    document, _, _ = apply_command(document, SetLine(line=OwnLine(word=word)), [])
    assert document.lines == [] and lines(document)["“Run,”"][0] == "hoarse, whispered"


def test_what_is_whispered_stays_softer_in_the_mix_and_what_is_shouted_louder() -> None:
    assert level_told("whispered") < level_told("almost a whisper") < level_told("") == 0
    assert level_told("shouted, angrily") > 0 == level_told("breathless, calmly")
    document = film()
    read = read_film(document, DIRECTED)
    told = {"seconds": 1.0, "words": [[0, 1]], "trim": [0, 1]}
    made = {w.key: Result(w.key, "speech", "a.flac", told, Decimal(0)) for w in read.speech}
    clips = assemble("f", read, {}, lambda keys: made).sound_clips
    gains = {c.gain for c in clips if c.track == "voice"}
    assert gains == {0.0, level_told("whispered")}


def test_another_taking_of_a_line_has_a_key_of_its_own() -> None:
    document = film()
    first = lines(document)["“Run,”"][1]
    line = OwnLine(word=document.word_ids[0], seed=1, takes=2)
    document, _, _ = apply_command(document, SetLine(line=line), [])
    assert lines(document)["“Run,”"][1] != first


def test_words_sound_as_they_should_with_their_marks() -> None:
    said = said_as(
        read("“Saltmere’s bell, Wyn!” saltmere").words, {"saltmere": "salt-meer", "wyn": "win"}
    )
    assert said == "“salt-meer’s bell, win!” salt-meer"
    assert len(said.split()) == 4
    document = film()
    before = lines(document)
    document, _, title = apply_command(document, SayWord(word="door", sounds="dore"), [])
    after = {w.first: (w.text, w.key) for w in read_film(document, DIRECTED).speech}
    assert title == "say door as dore"
    assert any("The dore fell shut." in text for text, _ in after.values())
    changed = [k for _, k in after.values() if k not in {k for _, k in before.values()}]
    assert len(changed) == 1, "only the line with the word is said anew"
    document, _, _ = apply_command(document, SayWord(word="Door"), [])
    assert document.lexicon == []


@pytest.mark.parametrize(
    ("phones", "spelled"),
    [
        ("s ao l t m iy r", "sawlt-meer"),
        ("m ae1 r ax0 n", "ma-ruhn"),
        ("pau b eh l pau", "bel"),
        ("jh ow hh ae n", "joh-han"),
        ("", ""),
    ],
)
def test_phones_are_respelled_as_one_reads_them(phones, spelled) -> None:
    assert respelled(phones.split()) == spelled


def test_no_two_speakers_sound_alike_unasked() -> None:
    assert voices_apart(VOICES[0], VOICES[1]) < FAR < voices_apart(VOICES[0], VOICES[2])
    story = "Ann saw Bram. “I am Bram,” said Bram. “And I am Carl,” said Carl. He was a man, and Bram was a man.\n"
    document, _ = new_film("t", story, Settings(narrator="she"))
    cast = {w.speaker: w.voice for w in read_film(document, DIRECTED).speech}
    assert cast["Bram"] == "low" and cast["Carl"] == "high", cast


def test_a_voice_is_kept_given_and_dropped_when_nobody_needs_it() -> None:
    document = film()
    voice = OwnVoice(name="Ada: hoarse", voice="made-slt-1", pronoun="she")
    ada = next(p for p in document.cast if p.name == "Ada")
    wish = KeepVoice.model_validate({"voice": voice, "for": ada.id})
    document, _, _ = apply_command(document, wish, [])
    assert (
        next(w for w in read_film(document, DIRECTED).speech if w.speaker == "Ada").voice
        == voice.voice
    )
    with pytest.raises(BadInput, match="Ada speaks with it"):
        apply_command(document, DropVoice(id=1), [])
    document.cast = [p.model_copy(update={"voice": None}) for p in document.cast]
    document, _, _ = apply_command(document, DropVoice(id=1), [])
    assert document.voices == []
