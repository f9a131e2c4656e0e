"""Stories told in the present tense, as many are who say "I": nobody prepared the first, and what stands here was read
wrongly at first. Of all labelled stories the same is read as of the past in which they were written."""

import pytest

from cutreel.core.film import ReadFilm
from tests.labelled import (
    SORTS,
    Score,
    all_stories,
    film_of,
    parses_of,
    read_by_sentence,
    scores,
    shot_with,
)
from tests.told_now import told_now

STATION = """I work nights at a petrol station on the coast road. Around two in the morning the last lorry leaves, and then it \
is only me, the humming fridges and the rain.

Tonight a small grey car rolls up to pump four. I pick up the torch and walk across the forecourt.

There is no driver. On the back seat sits a boy of about six in a yellow raincoat, holding a goldfish in a plastic bag.

"Dad went to look for the road," he says. "He told me not to let the fish get cold."

I take him inside and put the bag in the coffee pot. The boy, whose name is Tobias, eats two cheese rolls and tells me the \
fish is called Admiral. I call the police. The woman on the phone says the bridge at Kelling washed away an hour ago.

At half past three the door opens. A man stands there, with mud up to his knees. He looks at the boy and weeps.

He had seen the bridge go. He had walked back two miles in the dark with a warning lamp, waving at every car he met. He \
stopped eleven of them.

The sun comes up over the wet road. The three of us stand at the window and drink hot chocolate. Admiral swims slowly \
round and round in the coffee pot.
"""


@pytest.fixture(scope="module")
def station() -> ReadFilm:
    return film_of(STATION)


def test_a_telephone_and_who_is_heard_through_it_are_nobody_here(station: ReadFilm) -> None:
    names = {p.name for p in station.document.cast}
    assert names == {"the teller", "Tobias", "Admiral", "the man"}
    assert "the phone" not in shot_with(station, "The woman on the phone").facts.action


def test_what_somebody_holds_who_sits_there_is_told(station: ReadFilm) -> None:
    facts = shot_with(station, "On the back seat").facts
    assert "holds a goldfish in a plastic bag" in facts.action
    assert "car" in facts.place


def test_who_goes_inside_at_a_station_is_in_its_shop_until_the_end(station: ReadFilm) -> None:
    for words in ("I take him inside", "The three of us"):
        assert shot_with(station, words).facts.place == "a shop", words


def test_the_sun_goes_nowhere_and_it_dawns(station: ReadFilm) -> None:
    facts = shot_with(station, "The three of us").facts
    assert facts.time == "dawn"


def test_what_is_only_counted_is_not_told_of(station: ReadFilm) -> None:
    assert "eleven" not in shot_with(station, "He stopped eleven").facts.action


@pytest.mark.long
def test_in_the_present_as_much_is_read_as_in_the_past() -> None:
    sums = {(tense, sort): Score() for tense in ("then", "now") for sort in SORTS}
    for then in all_stories():
        for tense, story in (("then", then), ("now", told_now(then))):
            film = read_by_sentence(story, parses_of(story.text))
            for sort, score in scores(story, film).items():
                total = sums[tense, sort]
                total.right += score.right
                total.wrong += score.wrong
                total.missing += score.missing
    for sort in SORTS:
        # Of some sorts there are few: two facts of sixty are three hundredths.
        assert sums["now", sort].f1 > sums["then", sort].f1 - 0.03, sort


def test_only_the_verbs_of_the_narration_are_put_into_the_present() -> None:
    bakery = next(s for s in all_stories() if s.name == "bakery")
    now = told_now(bakery)
    assert "She rises at midnight, when the street is empty" in now.text
    assert "“My clocks have stopped,” he says." in now.text
    assert len(now.sentences) == len(bakery.sentences)
    for before, after in zip(bakery.sentences, now.sentences, strict=True):
        assert now.text.count(after.text) and len(after.meant) == len(before.meant)
