"""What every kind of work of the stand-ins promises: offers, caps, amounts, costs, and what is not to be had."""

from datetime import UTC, datetime
from decimal import Decimal
from pathlib import Path

import pytest

from cutreel.protocol import (
    ClipInput,
    EnlargeInput,
    Guide,
    MusicInput,
    Offer,
    PictureInput,
    PictureReference,
    ReadingInput,
    ReadPerson,
    Retouch,
    ScriptInput,
    SoundInput,
    SpeechInput,
    TranslationInput,
    VoiceInput,
)
from standins.kinds import MAKERS
from standins.offers import QUOTAS, cost_of, offers

NOON = datetime(2026, 11, 26, 12, tzinfo=UTC)
HASH = "0123456789abcdef" * 4
OTHER = "f" * 64


def offer_named(name: str, used: int = 0) -> Offer:
    return next(o for o in offers({name: used}, QUOTAS, NOON) if o.name == name)


JOBS = {
    "illustrator-quick": PictureInput(prompt="a boat", count=3),
    "illustrator-fine": PictureInput(prompt="a boat", count=2),
    "enlarger": EnlargeInput(pictures=[HASH, OTHER]),
    "animator": ClipInput(picture=HASH, prompt="slow push in", seconds=5),
    "animator-fine": ClipInput(picture=HASH, last=OTHER, prompt="slow push in", seconds=10),
    "voice": SpeechInput(text="We must row.", voice="alder"),
    "sound-maker": SoundInput(prompt="rain", seconds=4),
    "composer": MusicInput(mood="calm", seconds=30),
    "writer": ScriptInput(task="titles", idea="a dark lamp"),
    "voice-maker": VoiceInput(description="an old man, hoarse"),
    "reader": ReadingInput(cast=[ReadPerson(id=1, name="Ada")], paragraphs=[["Ada", "rowed."]]),
    "translator": TranslationInput(target="es", passages=["Ada rowed."]),
}


def test_every_offer_is_of_a_kind_that_is_done_and_says_it_is_simulated() -> None:
    every = offers({}, QUOTAS, NOON)
    assert {o.name for o in every} == set(QUOTAS) == set(JOBS)
    for offer in every:
        assert offer.kind in MAKERS and offer.simulated and offer.price.amount > 0
        assert JOBS[offer.name].kind == offer.kind


@pytest.mark.parametrize("name", JOBS)
def test_what_is_used_is_missing_from_the_quota_which_renews_at_midnight(name: str) -> None:
    offer = offer_named(name, used=7)
    assert offer.quota.left == QUOTAS[name] - 7
    assert offer.quota.renews_at == datetime(2026, 11, 27, tzinfo=UTC)
    assert offer_named(name, used=QUOTAS[name] + 5).quota.left == 0


@pytest.mark.parametrize(
    ("name", "pieces", "cost"),
    [
        ("illustrator-quick", 3, "0.009"),
        ("illustrator-fine", 2, "0.1"),
        ("enlarger", 2, "0.008"),
        ("animator", 1, "0.09"),
        ("voice", 12, "0.00012"),
        ("sound-maker", 1, "0.002"),
        ("composer", 1, "0.012"),
        ("writer", 1, "0.01"),
        ("reader", 1, "0.00002"),
        ("translator", 1, "0.0001"),
    ],
)
def test_a_job_uses_pieces_and_costs_what_its_offer_says(name: str, pieces: int, cost: str) -> None:
    """Worked out by hand from the prices that the offers state."""
    job = JOBS[name]
    assert MAKERS[job.kind].amount(job) == pieces
    assert cost_of(offer_named(name), job) == Decimal(cost)


@pytest.mark.parametrize("name", JOBS)
def test_the_usual_job_is_within_its_caps_and_nothing_of_it_is_unknown(name: str) -> None:
    job, offer = JOBS[name], offer_named(name)
    maker = MAKERS[job.kind]
    assert maker.beyond(job, offer.caps) == "" and maker.unknown(job, offer) == ""
    cap = maker.cap(offer.caps)
    assert cap is None or len(maker.text(job)) <= cap


@pytest.mark.parametrize(
    ("name", "job", "said"),
    [
        ("illustrator-quick", PictureInput(prompt="x", width=2048), "1280 by 1280"),
        ("sound-maker", SoundInput(prompt="x", seconds=31), "30 seconds"),
        ("animator", ClipInput(picture=HASH, prompt="x", seconds=12), "10 seconds"),
        ("animator", ClipInput(picture=HASH, prompt="x", seconds=5, width=2048), "1280 by 1280"),
        ("composer", MusicInput(mood="calm", seconds=1801), "1800 seconds"),
    ],
)
def test_what_is_beyond_a_cap_is_said_with_the_cap(name: str, job, said: str) -> None:
    assert said in MAKERS[job.kind].beyond(job, offer_named(name).caps)


@pytest.mark.parametrize(
    ("name", "job", "said"),
    [
        ("voice", SpeechInput(text="x", voice="nobody"), "no voice “nobody”"),
        ("composer", MusicInput(mood="green", seconds=9), "no mood “green”"),
        ("writer", ScriptInput(task="titles", language="tlh"), "“tlh”"),
        ("reader", ReadingInput(cast=[], paragraphs=[], language="tlh"), "“tlh”"),
        ("translator", TranslationInput(target="tlh", passages=["x"]), "“tlh”"),
        ("animator", ClipInput(picture=HASH, prompt="x", seconds=7), "5 or 10 seconds"),
    ],
)
def test_what_is_not_to_be_had_is_named(name: str, job, said: str) -> None:
    assert said in MAKERS[job.kind].unknown(job, offer_named(name))


def test_a_job_names_every_file_it_refers_to() -> None:
    third = "a" * 64
    picture = PictureInput(
        prompt="x",
        guide=Guide(sha256=HASH),
        references=[PictureReference(sha256=OTHER)],
        retouch=Retouch(base=third, mask=HASH),
    )
    assert MAKERS["picture"].refers_to(picture) == [HASH, OTHER, third, HASH]
    assert MAKERS["enlarge"].refers_to(JOBS["enlarger"]) == [HASH, OTHER]
    assert MAKERS["speech"].refers_to(JOBS["voice"]) == []


def test_what_a_refusal_looks_at_is_all_that_a_job_says(tmp_path: Path) -> None:
    job = ScriptInput(task="manuscript", idea="a lamp", points=["a boat"], instruction="short")
    text = MAKERS["script"].text(job)
    assert all(word in text for word in ("a lamp", "a boat", "short"))
    assert MAKERS["enlarge"].text(JOBS["enlarger"]) == ""
    assert MAKERS["music"].text(JOBS["composer"]) == "calm"


def test_a_sound_is_as_long_as_was_asked_for(tmp_path: Path) -> None:
    import io

    import soundfile

    files, unused = MAKERS["sound"].make(SoundInput(prompt="rain", seconds=1.5), tmp_path, False)
    audio, rate = soundfile.read(io.BytesIO(files[0].data))
    assert len(audio) / rate == pytest.approx(1.5, abs=0.01) and unused == []
    assert files[0].media_type == "audio/flac"
