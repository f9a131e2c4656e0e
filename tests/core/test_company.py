"""The company that comes with Cut Reel, and how it is searched."""

import pytest
from pydantic import ValidationError

from cutreel.core.colour import colour_in
from cutreel.core.continuity import (
    READY,
    CompanyCard,
    Member,
    Outfit,
    OwnVoice,
    Person,
    Place,
    age_of,
    search_company,
    slot_of,
)
from cutreel.core.manuscript import Saying
from tests.conftest import ROOT


def test_it_is_at_least_twenty_four_with_pictures_and_all_differ() -> None:
    own = [m for m in READY if m.kind != "look"]
    assert len(own) >= 24 and len({m.id for m in READY}) == len(READY)
    for member in READY:
        assert (ROOT / "web/public" / member.picture.lstrip("/")).stat().st_size > 3000, member.id
    people = [m.card.person for m in own if m.card.person and m.kind == "person"]
    assert len({tuple(t.text for t in p.traits) for p in people}) == len(people)
    for person in people:
        slots = {slot_of(t) for t in person.traits if colour_in(t.text)}
        assert {"skin", "top"} <= slots, person.name


def test_search_by_kind_age_and_words() -> None:
    assert {m.kind for m in search_company(READY, "animal")} == {"animal"}
    assert {m.age for m in search_company(READY, "person", "child")} == {"child"}
    assert "Sefa Amadi" in [m.name for m in search_company(READY, words="teal sca")]
    assert [m.name for m in search_company(READY, "place", words="snow pass")] == ["The high pass"]
    assert search_company(READY, words="submarine") == [] and len(search_company(READY)) == len(
        READY
    )
    assert search_company(READY, words="(.*") == search_company(READY), "signs are no words"
    assert age_of(Person(id=1, name="x", traits=[])) == "adult"


def test_a_card_is_of_one_thing_and_leaves_its_film_behind() -> None:
    with pytest.raises(ValidationError):
        CompanyCard()
    with pytest.raises(ValidationError):
        CompanyCard(person=Person(id=1, name="a"), place=Place(id=1, name="b"))
    kept = CompanyCard(
        person=Person(
            id=4, name="Ada", company="x", outfits=[Outfit(name="coat", scenes=[3])], why="guessed"
        )
    ).without_film()
    assert kept.person and (kept.person.id, kept.person.company, kept.person.outfits[0].scenes) == (
        0,
        None,
        [],
    )
    place = CompanyCard(place=Place(id=7, name="quay", company="y")).without_film().place
    assert place and (place.id, place.company) == (0, None)


def test_voices_and_words_are_kept_and_found() -> None:
    voice = OwnVoice(id=3, name="Gull", voice="made-7", description="hoarse, low", age="old")
    kept = Member(id="own-1", card=CompanyCard(voice=voice).without_film())
    assert (kept.kind, kept.name, kept.age) == ("voice", "Gull", "old")
    assert kept.card.voice and kept.card.voice.id == 0
    word = Member(id="own-2", card=CompanyCard(word=Saying(word="Orrick", sounds="orr-ick")))
    assert (word.kind, word.name, word.age) == ("word", "Orrick", None)
    assert search_company([kept, word], "voice", "old", "hoar") == [kept]
    assert search_company([kept, word], words="orr-ick") == [word]
    with pytest.raises(ValidationError, match="give one of"):
        CompanyCard(voice=voice, word=Saying(word="Orrick", sounds="orr-ick"))
