"""HTTP interfaces that call back when they are done, and what services say they were paid."""

import base64
import json
import threading
import time
from collections.abc import Callable
from dataclasses import dataclass, field
from datetime import UTC, datetime
from decimal import Decimal

import pytest

from cutreel.bridge import DescribedMaker, Exchange, Plugged, read_interface
from cutreel.core.errors import BadInput
from cutreel.protocol import Quota
from cutreel.services import ServiceDown, ServiceRefused
from tests.waiting import until

from .serving import Asked, serving, told
from .test_described import KEY, WORK, png

CALLED = """
message = "$.why"
cost = "$.paid"
[offer]
kind = "picture"
price = 0.04
per = "picture"
[send]
address = "{address}/orders"
headers = {{ Authorization = "Bearer {{key}}" }}
json = {{ text = "{{prompt}}", call = "{{callback}}" }}
[wait]
callback = true
state = "$.state"
progress = "$.percent"
done = ["ready"]
failed = ["gave up"]
every = 0.05
seconds = {seconds}
[result]
at = "$.picture"
as = "base64"
[[errors]]
at = "$.code"
contains = "busy"
means = "try-again"
"""


@dataclass
class Box:
    """Where calls come in, without a studio around it."""

    sent: bool = False
    told: bytes | None = None
    closed: list[str] = field(default_factory=list)
    opened: list[tuple[str, str]] = field(default_factory=list)

    def open(self, key: str, reach: str) -> tuple[str, bool]:
        self.opened.append((key, reach))
        return f"{reach or 'http://127.0.0.1:8420'}/api/callbacks/tok", self.sent

    def note_sent(self, key: str) -> None:
        self.sent = True

    def came(self, key: str) -> bytes | None:
        return self.told

    def close(self, key: str) -> None:
        self.closed.append(key)

    def call(self, **values: object) -> None:
        self.told = json.dumps(values).encode()


def maker(
    box: Box | None,
    address: str,
    seconds: float = 20,
    text: str = CALLED,
    heard: Callable[[Exchange], None] = lambda exchange: None,
) -> DescribedMaker:
    toml = text.format(address=address, seconds=seconds)
    settings = Plugged.model_validate(
        {
            "id": "ink",
            "title": "Ink",
            "own_network": True,
            "reached": {"how": "interface", "toml": toml},
        }
    )
    return DescribedMaker(settings, KEY, heard=heard, calls=box)


PICTURE = base64.b64encode(png()).decode()


def test_it_is_told_where_to_call_and_what_it_calls_is_taken() -> None:
    box, seen, shares = Box(), [], []

    def later() -> None:
        until(lambda: box.sent, 10)
        box.call(state="drawing", percent=25)
        until(lambda: len(shares) == 1, 10)
        box.call(state="drawing", percent=60)
        until(lambda: len(shares) == 2, 10)
        box.call(state="ready", paid="0.05", picture=PICTURE)

    with serving(lambda asked, n: told(202, accepted=True)) as server:
        calling = threading.Thread(target=later)
        calling.start()
        done = maker(box, server.address, heard=seen.append).do(
            "ink", WORK, "once-7", progress=shares.append
        )
        calling.join()
    (sent,) = server.asked
    assert sent.json == {"text": WORK.prompt, "call": "http://127.0.0.1:8420/api/callbacks/tok"}
    assert done is not None and done.files[0][1] == png() and done.cost == Decimal("0.05")
    assert shares == [0.25, 0.6] and box.closed == ["once-7"]
    assert [e.request for e in seen][1:] == ["called back"] * 3


def test_who_was_sent_the_job_before_a_worker_died_is_not_sent_it_again() -> None:
    box = Box(sent=True)
    box.call(state="ready", picture=PICTURE)
    with serving(lambda asked, n: told(500)) as server:
        done = maker(box, server.address).do("ink", WORK, "once-8")
    assert done is not None and server.asked == []
    assert done.cost == Decimal("0.04"), "the price, where nothing is told of the cost"


@pytest.mark.parametrize(
    ("call", "error", "said"),
    [
        ({"state": "gave up", "why": "no ink"}, ServiceRefused, "no ink"),
        ({"state": "?", "code": "busy", "why": "later"}, ServiceDown, "later"),
        ({"state": "ready", "picture": "§§"}, ServiceRefused, "not base64"),
        ({"state": "ready"}, ServiceRefused, "nothing stands at"),
    ],
)
def test_a_call_that_is_no_picture_is_said_and_the_next_try_begins_anew(
    call: dict[str, object], error: type[Exception], said: str
) -> None:
    box = Box(sent=True)
    box.call(**call)
    with pytest.raises(error, match=said):
        maker(box, "http://127.0.0.1:9").do("ink", WORK, "once-9")
    assert box.closed == ["once-9"]


def test_nobody_who_calls_is_waited_for_no_longer_than_is_said() -> None:
    box = Box(sent=True)
    with pytest.raises(ServiceRefused, match="did not call back within 1 seconds") as refused:
        maker(box, "http://127.0.0.1:9", seconds=1).do("ink", WORK, "once")
    assert "api/callbacks" in refused.value.advice and "tok" not in refused.value.advice
    with pytest.raises(ServiceRefused, match="nobody can be called back here"):
        maker(None, "http://127.0.0.1:9").do("ink", WORK, "once")


def test_a_job_that_is_given_up_waits_no_longer_and_can_be_taken_up_again() -> None:
    box, began = Box(sent=True), time.monotonic()
    assert maker(box, "http://127.0.0.1:9").do("ink", WORK, "k", cancelled=lambda: True) is None
    assert time.monotonic() - began < 5 and box.closed == []


def test_the_file_itself_may_be_called_back_and_the_first_call_may_end_it() -> None:
    text = CALLED.replace('at = "$.picture"\nas = "base64"', 'as = "body"')
    text = text.replace('done = ["ready"]\nfailed = ["gave up"]\n', "")
    text = text.replace("callback = true", 'callback = true\nreach = "https://studio.test/"')
    box = Box(sent=True, told=png(96, 54))
    done = maker(box, "http://127.0.0.1:9", text=text).do("ink", WORK, "k")
    assert done is not None and done.files[0][1] == png(96, 54)
    assert box.opened == [("k", "https://studio.test/")]


@pytest.mark.parametrize(
    ("was", "now", "said"),
    [
        ("callback = true", "", "address that is asked, or callback"),
        ("callback = true", 'callback = true\naddress = "http://a.test/{{job}}"', "or callback"),
        ('call = "{{callback}}"', 'call = "me"', "nothing sent has the place “{callback}”"),
        ("callback = true", 'callback = true\ncancel = "http://a.test"', "cancel names a job"),
        ('Bearer {{key}}" }}', 'Bearer {{callback}}" }}', "nothing for the place “{callback}”"),
    ],
)
def test_a_description_that_makes_no_sense_is_told_with_its_line(
    was: str, now: str, said: str
) -> None:
    assert was in CALLED
    text = CALLED.replace(was, now).format(address="http://127.0.0.1:9", seconds=9)
    with pytest.raises(BadInput, match=said) as wrong:
        read_interface(text)
    assert wrong.value.message.startswith("Line ")


TELLS = """
[offer]
kind = "picture"
daily = 50
[send]
address = "{address}/draw"
json = {{ text = "{{prompt}}" }}
[result]
at = "$.picture"
as = "base64"
[quota]
left = "{left}"
renews = "$.account.renews_in"
[[errors]]
status = 429
means = "out-of-quota"
"""


@dataclass
class Told:
    """Keeps what was told of what is left."""

    noted: list[tuple[int, datetime]] = field(default_factory=list)

    def note(self, left: int, renews: datetime) -> None:
        self.noted.append((left, renews))

    def told(self) -> Quota | None:
        if not self.noted:
            return None
        left, renews = self.noted[-1]
        return Quota(limit=max(n for n, _ in self.noted), left=left, renews_at=renews)


@pytest.mark.parametrize("left", ["$.account.left", "X-Left"])
def test_what_an_answer_tells_is_left_is_what_is_left(left: str) -> None:
    counts = iter([9, 8, 0])

    def answer(asked: Asked, n: int) -> object:
        rest = next(counts)
        account = {"left": rest, "renews_in": 3600}
        headers = {"X-Left": str(rest)}
        if rest == 0:
            return told(429, headers, account=account)
        return told(200, headers, account=account, picture=PICTURE)

    limits = Told()
    with serving(answer) as server:  # type: ignore[arg-type]
        toml = TELLS.format(address=server.address, left=left)
        settings = Plugged.model_validate(
            {"id": "ink", "title": "Ink", "own_network": True, "reached": {"how": "interface", "toml": toml}}
        )  # fmt: skip
        ink = DescribedMaker(settings, limits=limits)
        assert ink.offers()[0].quota.limit == 50, "as described, until it tells"  # type: ignore[union-attr]
        ink.do("ink", WORK, "a")
        ink.do("ink", WORK, "b")
        quota = ink.offers()[0].quota
        assert quota is not None and (quota.left, quota.limit) == (8, 9)
        assert 3500 < (quota.renews_at - datetime.now(UTC)).total_seconds() < 3700
        with pytest.raises(ServiceRefused) as refused:
            ink.do("ink", WORK, "c")
    assert refused.value.reason == "out-of-quota" and ink.offers()[0].quota.left == 0  # type: ignore[union-attr]


def test_what_is_told_of_a_quota_and_is_no_number_is_not_kept() -> None:
    limits = Told()
    with serving(lambda asked, n: told(200, {"X-Left": "plenty"}, picture=PICTURE)) as server:
        toml = TELLS.format(address=server.address, left="X-Left")
        settings = Plugged.model_validate(
            {"id": "ink", "title": "Ink", "own_network": True, "reached": {"how": "interface", "toml": toml}}
        )  # fmt: skip
        DescribedMaker(settings, limits=limits).do("ink", WORK, "a")
    assert limits.noted == []


STATED = """
[offer]
kind = "picture"
[send]
address = "{address}/draw"
headers = {{ Authorization = "Bearer {{key}}" }}
json = {{ text = "{{prompt}}" }}
[result]
as = "body"
[statement]
address = "{address}/paid?from={{since}}"
lines = "$.rows"
key = "$.id"
cost = "$.sum"
at = "$.when"
"""
SINCE = datetime(2026, 11, 3, 14, tzinfo=UTC)


def test_a_statement_is_read_where_its_description_says() -> None:
    rows = [{"id": "k1", "sum": "0.04", "when": "2026-11-04"}, {"id": "k2", "sum": 1.5, "when": "2026-11-05T10:00:00+01:00"}]  # fmt: skip

    def answer(asked: Asked, n: int) -> object:
        assert asked.path == "/paid?from=2026-11-03"
        assert asked.headers["Authorization"] == f"Bearer {KEY}"
        return told(rows=rows)

    with serving(answer) as server:  # type: ignore[arg-type]
        told_ = maker(None, server.address, text=STATED).statement(SINCE)
    assert told_ is not None
    assert [(x.key, x.cost) for x in told_.lines] == [
        ("k1", Decimal("0.04")),
        ("k2", Decimal("1.5")),
    ]
    assert all(x.at.tzinfo for x in told_.lines)
    assert maker(None, "http://127.0.0.1:9").statement(SINCE) is None


@pytest.mark.parametrize("rows", [None, "many", [{"id": "k", "sum": "-1", "when": "2026-11-04"}], [{"id": 5}]])  # fmt: skip
def test_a_statement_that_makes_no_sense_is_refused(rows: object) -> None:
    with (
        serving(lambda asked, n: told(rows=rows)) as server,
        pytest.raises(ServiceRefused, match="Ink"),
    ):
        maker(None, server.address, text=STATED).statement(SINCE)
