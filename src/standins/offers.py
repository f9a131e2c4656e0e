"""What the stand-ins offer, and what a job costs."""

from datetime import UTC, datetime, timedelta
from decimal import Decimal

from cutreel.protocol import Caps, JobInput, Offer, Price, Quota, Voice

from .composer import MOODS
from .voice import SPEAKERS

QUOTAS = {
    "illustrator-quick": 2000,
    "illustrator-fine": 400,
    "enlarger": 600,
    "voice": 400_000,
    "sound-maker": 500,
    "composer": 100,
    "writer": 500,
}


def renewal(now: datetime) -> datetime:
    """Quotas renew at the next midnight, UTC."""
    return (
        (now + timedelta(days=1)).astimezone(UTC).replace(hour=0, minute=0, second=0, microsecond=0)
    )


def offers(used: dict[str, int], quotas: dict[str, int], now: datetime) -> list[Offer]:
    """All offers, with what is left of each quota."""

    def quota(name: str) -> Quota:
        return Quota(
            limit=quotas[name],
            left=max(0, quotas[name] - used.get(name, 0)),
            renews_at=renewal(now),
        )

    return [
        Offer(
            name="illustrator-quick",
            kind="picture",
            title="Illustrator, quick",
            price=Price(amount=Decimal("0.003"), per="picture"),
            caps=Caps(prompt_characters=400, count=4, width=1280, height=1280),
            quota=quota("illustrator-quick"),
            parallel=4,
            seconds_each=1.0,
            understands=[
                "seed",
                "references",
                "masks",
                "regions",
                "layers",
                "variations",
                "guides",
                "poses",
            ],
            simulated=True,
        ),
        Offer(
            name="illustrator-fine",
            kind="picture",
            title="Illustrator, fine",
            price=Price(amount=Decimal("0.05"), per="picture"),
            caps=Caps(prompt_characters=900, count=4, width=2560, height=2560),
            quota=quota("illustrator-fine"),
            parallel=2,
            seconds_each=2.5,
            understands=[
                "seed",
                "negative",
                "references",
                "weights",
                "masks",
                "regions",
                "layers",
                "variations",
                "guides",
                "poses",
            ],
            simulated=True,
        ),
        Offer(
            name="enlarger",
            kind="enlarge",
            title="Enlarger",
            price=Price(amount=Decimal("0.004"), per="picture"),
            caps=Caps(count=8, width=8192, height=8192),
            quota=quota("enlarger"),
            parallel=2,
            seconds_each=1.0,
            simulated=True,
        ),
        Offer(
            name="voice",
            kind="speech",
            title="Voices",
            price=Price(amount=Decimal("0.00001"), per="character"),
            caps=Caps(text_characters=1000),
            quota=quota("voice"),
            parallel=2,
            seconds_each=0.4,
            voices=[
                Voice(name=s.name, title=s.title, pronoun=s.pronoun, age=s.age, length=s.length)
                for s in SPEAKERS
            ],
            simulated=True,
        ),
        Offer(
            name="sound-maker",
            kind="sound",
            title="Sound maker",
            price=Price(amount=Decimal("0.002"), per="sound"),
            caps=Caps(prompt_characters=200, seconds=30),
            quota=quota("sound-maker"),
            parallel=2,
            seconds_each=0.5,
            simulated=True,
        ),
        Offer(
            name="composer",
            kind="music",
            title="Composer",
            price=Price(amount=Decimal("0.0004"), per="second"),
            caps=Caps(seconds=1800),
            quota=quota("composer"),
            parallel=1,
            seconds_each=5.0,
            moods=list(MOODS),
            simulated=True,
        ),
        Offer(
            name="writer",
            kind="script",
            title="Writer",
            price=Price(amount=Decimal("0.01"), per="request"),
            caps=Caps(text_characters=60_000, seconds=7200),
            quota=quota("writer"),
            parallel=1,
            seconds_each=0.6,
            understands=["seed"],
            languages=["en"],
            simulated=True,
        ),
    ]


def text_of(work: JobInput) -> str:
    """What a job says in words: what caps and refusals look at."""
    if work.kind == "script":
        return "\n".join([work.idea, *work.points, work.text, work.instruction])
    if work.kind == "enlarge":
        return ""
    return (
        work.text if work.kind == "speech" else work.mood if work.kind == "music" else work.prompt
    )


def amount_of(work: JobInput) -> int:
    """How many pieces of the quota a job uses."""
    if work.kind == "picture":
        return work.count
    if work.kind == "enlarge":
        return len(work.pictures)
    return len(work.text) if work.kind == "speech" else 1


def cost_of(offer: Offer, work: JobInput) -> Decimal:
    """The price of a job that is done."""
    units = (
        Decimal(str(work.seconds))
        if offer.price.per == "second" and work.kind == "music"
        else Decimal(amount_of(work))
    )
    return (offer.price.amount * units).quantize(Decimal("0.00001"))
