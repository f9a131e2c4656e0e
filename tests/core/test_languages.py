"""Films in other languages: told by their text, spoken by voices of their language, figures left to the voice.

The texts are the first article of the Universal Declaration of Human Rights, as the United Nations publish it in each
language.
"""

import pytest

from cutreel.core.film import (
    Offered,
    Settings,
    VoiceOffered,
    language_spoken,
    narrator_of,
    new_film,
    read_film,
)
from cutreel.core.reading import language_of

ARTICLE_ONE = {
    "en": "All human beings are born free and equal in dignity and rights. They are endowed with reason and conscience "
    "and should act towards one another in a spirit of brotherhood.",
    "de": "Alle Menschen sind frei und gleich an Würde und Rechten geboren. Sie sind mit Vernunft und Gewissen begabt "
    "und sollen einander im Geist der Brüderlichkeit begegnen.",
    "fr": "Tous les êtres humains naissent libres et égaux en dignité et en droits. Ils sont doués de raison et de "
    "conscience et doivent agir les uns envers les autres dans un esprit de fraternité.",
    "es": "Todos los seres humanos nacen libres e iguales en dignidad y derechos y, dotados como están de razón y "
    "conciencia, deben comportarse fraternalmente los unos con los otros.",
    "it": "Tutti gli esseri umani nascono liberi ed eguali in dignità e diritti. Essi sono dotati di ragione e di "
    "coscienza e devono agire gli uni verso gli altri in spirito di fratellanza.",
    "pl": "Wszyscy ludzie rodzą się wolni i równi pod względem swej godności i swych praw. Są oni obdarzeni rozumem i "
    "sumieniem i powinni postępować wobec innych w duchu braterstwa.",
    "sv": "Alla människor är födda fria och lika i värde och rättigheter. De är utrustade med förnuft och samvete och "
    "bör handla gentemot varandra i en anda av broderskap.",
    "fi": "Kaikki ihmiset syntyvät vapaina ja tasavertaisina arvoltaan ja oikeuksiltaan. Heille on annettu järki ja "
    "omatunto, ja heidän on toimittava toisiaan kohtaan veljeyden hengessä.",
    "ru": "Все люди рождаются свободными и равными в своем достоинстве и правах. Они наделены разумом и совестью и "
    "должны поступать в отношении друг друга в духе братства.",
}
VOICES = (
    VoiceOffered("alder", "he", "adult"),
    VoiceOffered("briony", "she", "adult"),
    VoiceOffered("de-child", "she", "child", language="de"),
    VoiceOffered("de-woman", "she", "adult", language="de"),
    VoiceOffered("de-man", "he", "adult", language="de"),
)
GERMAN = (
    "Anna Weber ging im Jahr 1834 zum Fluss hinunter, denn das Wasser war in der Nacht gestiegen. „Wir müssen gehen“, "
    "sagte der Müller. Niemand wusste, wohin der Weg sie an diesem Morgen führen sollte."
)


@pytest.mark.parametrize("language", ARTICLE_ONE)
def test_a_language_is_told_by_its_text(language) -> None:
    assert language_of(ARTICLE_ONE[language]) == language


@pytest.mark.parametrize("text", ["", "Ada rowed.", "Kaikki!", "# Morgen\n\nDer Fluss."])
def test_what_is_too_short_to_tell_is_english(text) -> None:
    assert language_of(text) == "en"


def test_a_story_is_spoken_by_voices_of_its_language() -> None:
    film, _ = new_film("Der Fluss", GERMAN, Settings())
    read = read_film(film, Offered(voices=VOICES))
    assert language_spoken(film) == "de"
    assert {line.voice for line in read.speech} <= {"de-child", "de-woman", "de-man"}
    assert narrator_of(film, VOICES) == "de-woman"
    # The voice reads figures in its own language.
    assert any("1834" in line.text for line in read.speech)


def test_what_the_maker_chose_holds() -> None:
    film, _ = new_film("Der Fluss", GERMAN, Settings(narrator="briony"))
    assert narrator_of(film, VOICES) == "briony"
    spoken, _ = new_film("Der Fluss", GERMAN, Settings(language="en"))
    assert language_spoken(spoken) == "en"
    assert any("thirty" in line.text for line in read_film(spoken, Offered(voices=VOICES)).speech)


def test_where_nobody_speaks_the_language_the_given_voice_does() -> None:
    film, _ = new_film("Joki", ARTICLE_ONE["fi"], Settings())
    assert language_spoken(film) == "fi"
    assert {line.voice for line in read_film(film, Offered(voices=VOICES)).speech} == {"alder"}
