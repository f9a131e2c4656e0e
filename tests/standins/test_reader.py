"""The reader stand-in answers as the protocol says. Expected answers are what a plain reader would say: the last one named."""

from datetime import UTC, datetime

from cutreel.core.film import check_meant
from cutreel.protocol import Quota, ReadingInput, ReadPerson, StoryReading
from standins.kinds import MAKERS

CAST = [
    ReadPerson(id=4, name="Ada", calls=["the rower"], pronoun="she"),
    ReadPerson(id=7, name="Tom Reed", calls=["Tom"], pronoun="he"),
    ReadPerson(id=9, name="the fox", calls=["fox"], kind="animal"),
]


QUOTA = Quota(limit=5, left=5, renews_at=datetime(2030, 1, 1, tzinfo=UTC))


def answer(*paragraphs: str) -> list[tuple[str, list[int]]]:
    words = [p.split() for p in paragraphs]
    job = ReadingInput(cast=CAST, paragraphs=words)
    (made,), unused = MAKERS["reading"].make(job, None, False)  # type: ignore[arg-type]
    found = StoryReading.model_validate_json(made.data)
    check_meant(found.meant, words, {p.id for p in CAST})
    assert made.media_type == "application/json" and not unused
    return [(" ".join(words[m.paragraph][m.first : m.end]), m.people) for m in found.meant]


def test_names_roles_and_pronouns_are_read_in_their_order() -> None:
    assert answer("Ada saw Tom Reed.", "She waved, and he smiled. The rower’s boat sank.") == [
        ("Ada", [4]),
        ("Tom Reed.", [7]),
        ("She", [4]),
        ("he", [7]),
        ("The rower’s", [4]),
    ]


def test_what_is_spoken_and_who_was_not_named_is_left_open() -> None:
    assert answer("“Ada is here,” said Tom. “She is,” he said.") == [("Tom.", [7]), ("he", [7])]
    assert answer("She slept.") == []


def test_its_offer_costs_by_the_character_and_reads_english_only() -> None:
    reader = MAKERS["reading"]
    (offer,) = reader.offers(lambda name: QUOTA)
    job = ReadingInput(cast=CAST, paragraphs=[["Ada", "slept."]])
    assert offer.simulated and reader.units(job, offer) == len("Ada slept.")
    assert not reader.unknown(job, offer)
    assert "de" in reader.unknown(job.model_copy(update={"language": "de"}), offer)
