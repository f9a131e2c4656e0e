"""HTTP interfaces that are described: two of our own, as strangers build them, and everything that they may answer."""

import base64
import io

import pytest
from PIL import Image

from cutreel.bridge import DescribedMaker, Exchange, Plugged, read_interface
from cutreel.core.errors import BadInput
from cutreel.protocol import PictureInput, PictureReference, SpeechInput
from cutreel.services import ServiceDown, ServiceRefused

from .serving import Asked, serving, told

KEY = "sk-night-4711-äö".encode().hex()


def png(width: int = 64, height: int = 64) -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (width, height), (90, 120, 160)).save(out, "PNG")
    return out.getvalue()


AT_ONCE = """
[offer]
kind = "picture"
price = 0.03
per = "picture"
prompt_characters = 200
[send]
address = "{address}/v1/draw"
headers = {{ Authorization = "Bearer {{key}}" }}
json = {{ text = "{{prompt}}", not = "{{negative}}", seed = "{{seed}}", size = "{{width}}x{{height}}", like = ["{{reference1_base64}}"] }}
[result]
at = "$.images[0]"
as = "base64"
[[errors]]
status = 429
means = "out-of-quota"
[[errors]]
at = "$.error.code"
contains = "policy"
means = "refused-content"
"""
IN_STEPS = """
message = "$.detail"
cost = "$.billed"
[offer]
kind = "picture"
price = 0.05
per = "picture"
daily = 30
[send]
address = "{address}/jobs"
form = {{ prompt = "{{prompt}}", once = "{{once}}" }}
headers = {{ X-Key = "{{key}}" }}
[wait]
address = "{address}/jobs/{{job}}"
job = "$.job.id"
state = "$.job.state"
progress = "$.job.percent"
done = ["finished"]
failed = ["broken"]
every = 0.05
cancel = "{address}/jobs/{{job}}"
[result]
at = "$.job.file"
as = "address"
"""


def maker(text: str, address: str, heard=lambda exchange: None, own_network: bool = True):
    settings = Plugged.model_validate(
        {
            "id": "ink",
            "title": "Ink",
            "own_network": own_network,
            "reached": {"how": "interface", "toml": text.format(address=address)},
        }
    )
    return DescribedMaker(settings, KEY, heard=heard)


WORK = PictureInput(prompt='A "quoted" lamp\nat night', seed=7, width=640, height=360)


def test_one_that_answers_at_once_is_sent_what_it_is_to_be_sent() -> None:
    answer = told(images=[base64.b64encode(png()).decode()])
    with serving(lambda asked, n: answer) as server:
        done = maker(AT_ONCE, server.address).do("ink", WORK, "once-1")
    sent = server.asked[0]
    # A number is a number, what is not known is not sent, and a quotation mark stays one.
    assert sent.json == {"text": WORK.prompt, "seed": 7, "size": "640x360", "like": []}
    assert (
        sent.headers["Authorization"] == f"Bearer {KEY}"
        and sent.headers["Idempotency-Key"] == "once-1"
    )
    assert done is not None and done.files[0][1] == png() and str(done.cost) == "0.03"
    assert done.files[0][0].media_type == "image/png"


def test_a_picture_to_follow_goes_along() -> None:
    follow = png(32, 32)
    name = "a" * 64
    work = WORK.model_copy(update={"references": [PictureReference(sha256=name)]})
    answer = told(images=["data:image/png;base64," + base64.b64encode(png()).decode()])
    with serving(lambda asked, n: answer) as server:
        maker(AT_ONCE, server.address).do("ink", work, "once", files={name: follow})
    assert base64.b64decode(server.asked[0].json["like"][0]) == follow


def test_one_that_is_asked_again_until_it_is_done() -> None:
    def answer(asked: Asked, n: int):
        if asked.path == "/pictures/4.png":
            return 200, {"Content-Type": "image/png"}, png()
        state = "finished" if n >= 3 else "drawing"
        file = f"http://{asked.headers['Host']}/pictures/4.png"
        return told(billed="0.04", job={"id": 41, "state": state, "percent": 25 * n, "file": file})

    shares: list[float] = []
    with serving(answer) as server:
        done = maker(IN_STEPS, server.address).do("ink", WORK, "once-2", progress=shares.append)
    assert done is not None and str(done.cost) == "0.04"
    assert [a.path for a in server.asked] == [
        "/jobs",
        "/jobs/41",
        "/jobs/41",
        "/jobs/41",
        "/pictures/4.png",
    ]
    assert b"once=once-2" in server.asked[0].body and shares == [0.25, 0.5, 0.75]
    # The result's address is another's: it is not sent the key.
    assert "X-Key" in server.asked[1].headers and "X-Key" not in server.asked[-1].headers


def test_one_that_is_given_up_is_told_so() -> None:
    with serving(lambda asked, n: told(job={"id": "j 1/2", "state": "drawing"})) as server:
        gone = maker(IN_STEPS, server.address).do("ink", WORK, "once", cancelled=lambda: True)
    assert gone is None
    assert server.asked[-1].method == "DELETE" and server.asked[-1].path == "/jobs/j%201%2F2"


@pytest.mark.parametrize(
    ("answer", "reason", "says"),
    [
        (told(400, error={"code": "content_policy"}), "refused-content", "Word it another way"),
        (told(429, headers={"Retry-After": "3600"}), "out-of-quota", "renews"),
        (told(401, message="no such key"), "bad-request", "no such key"),
        (
            told(302, headers={"Location": "http://169.254.169.254/"}),
            "bad-request",
            "See what was sent",
        ),
    ],
)
def test_what_its_errors_mean(answer, reason: str, says: str) -> None:
    with serving(lambda asked, n: answer) as server, pytest.raises(ServiceRefused) as caught:
        maker(AT_ONCE, server.address).do("ink", WORK, "once")
    assert caught.value.reason == reason and says in str(caught.value)
    assert (caught.value.renews_at is not None) == (reason == "out-of-quota")
    assert len(server.asked) == 1, "a refusal is not asked for again, and no redirect is followed"


@pytest.mark.parametrize(
    ("answer", "says"),
    [
        (told(images=[]), "nothing stands at \\$.images\\[0\\]"),
        (told(images=["no base64!"]), "not base64"),
        (told(images=[base64.b64encode(b"<html>sorry</html>").decode()]), "text where a picture"),
        ((200, {}, b"\xff\xfe not json"), "nothing stands at"),
    ],
)
def test_what_is_no_picture_is_not_taken(answer, says: str) -> None:
    with serving(lambda asked, n: answer) as server, pytest.raises(ServiceRefused, match=says):
        maker(AT_ONCE, server.address).do("ink", WORK, "once")


@pytest.mark.long
def test_one_that_is_down_is_waited_for_and_one_that_stumbles_is_asked_again() -> None:
    good = told(images=[base64.b64encode(png()).decode()])
    with serving(lambda asked, n: told(503) if n < 2 else good) as server:
        assert maker(AT_ONCE, server.address).do("ink", WORK, "same") is not None
    assert {a.headers["Idempotency-Key"] for a in server.asked} == {"same"}
    with serving(lambda asked, n: told(503, detail="busy")) as server, pytest.raises(ServiceDown):
        maker(AT_ONCE, server.address).do("ink", WORK, "once")
    with pytest.raises(ServiceDown, match="does not answer"):
        maker(AT_ONCE, "http://127.0.0.1:9").do("ink", WORK, "once")


def test_what_was_sent_and_what_came_is_shown_without_the_key() -> None:
    heard: list[Exchange] = []

    def echo(asked: Asked, n: int):
        return told(401, said=asked.headers["Authorization"], padding="x" * 5000)

    with serving(echo) as server, pytest.raises(ServiceRefused) as caught:
        maker(AT_ONCE, server.address, heard.append).do("ink", WORK, "once")
    shown = "".join(f"{e.request}{e.sent}{e.came}" for e in heard) + str(caught.value)
    assert "quoted" in shown and heard[0].status == 401 and "•••" in shown
    assert KEY not in shown and KEY[:12] not in shown
    assert len(heard[0].came) < 1700


def test_prompts_longer_than_it_takes_are_not_sent() -> None:
    with (
        serving(lambda asked, n: told()) as server,
        pytest.raises(ServiceRefused, match="at most 200") as caught,
    ):
        maker(AT_ONCE, server.address).do("ink", WORK.model_copy(update={"prompt": "x" * 201}), "k")
    assert caught.value.reason == "over-cap" and not server.asked


@pytest.mark.parametrize(
    "address",
    [
        "http://127.0.0.1:{port}",
        "http://localhost:{port}",
        "http://[::ffff:127.0.0.1]:{port}",
        "http://0.0.0.0:{port}",
    ],
)
def test_this_machine_is_reached_only_where_that_is_allowed(address: str) -> None:
    with serving(lambda asked, n: told()) as server:
        port = server.address.rsplit(":", 1)[1]
        with pytest.raises(ServiceRefused, match=r"not reached|never reached"):
            maker(AT_ONCE, address.format(port=port), own_network=False).do("ink", WORK, "once")
        assert not server.asked


def test_what_clouds_tell_their_machines_is_never_reached() -> None:
    with pytest.raises(ServiceRefused, match="never reached"):
        maker(AT_ONCE, "http://169.254.169.254", own_network=True).do("ink", WORK, "once")


def test_a_result_lies_elsewhere_but_not_on_this_machine() -> None:
    """An answer must not make us fetch what its server could not reach itself."""

    def answer(asked: Asked, n: int):
        return told(job={"id": 1, "state": "finished", "file": "http://169.254.169.254/latest"})

    with serving(answer) as server, pytest.raises(ServiceRefused, match="never reached"):
        maker(IN_STEPS, server.address).do("ink", WORK, "once")


def test_nothing_of_a_prompt_can_become_a_header_or_an_address() -> None:
    text = AT_ONCE.replace('"Bearer {{key}}"', '"Bearer {{key}} {{voice}}"').replace(
        '"picture"', '"speech"', 1
    )
    text = text.replace("/v1/draw", "/v1/{{voice}}").replace('per = "speech"', 'per = "character"')
    work = SpeechInput(text="Hello", voice="../../admin\r\nX-Evil: 1")
    with serving(lambda asked, n: told(images=[])) as server, pytest.raises(ServiceRefused):
        maker(text, server.address).do("ink", work, "once")
    assert server.asked[0].path == "/v1/..%2F..%2Fadmin%0D%0AX-Evil%3A%201"
    assert "X-Evil" not in server.asked[0].headers


@pytest.mark.parametrize(
    ("change", "line", "says"),
    [
        (("[result]\n", "[result]\nput = 3\n"), 12, "Extra inputs"),
        (('kind = "picture"', 'kind = "poem"'), 3, "Input should be"),
        (("price = 0.03", "price = -1"), 4, "greater than or equal to 0"),
        (("price = 0.03", "price = cheap"), 4, "not TOML"),
        (("{{prompt}}", "{{promt}}"), 10, "nothing for the place “{promt}”"),
        (('at = "$.images[0]"', 'at = "$.images["'), 12, "no JSONPath"),
        (('means = "refused-content"', 'means = "maybe"'), 20, "Input should be"),
        (('at = "$.images[0]"\n', ""), 11, "at says where"),
    ],
)
def test_a_description_that_is_wrong_is_told_at_its_line(change, line: int, says: str) -> None:
    text = AT_ONCE.replace(*change).format(address="https://ink.test")
    with pytest.raises(BadInput) as caught:
        read_interface(text)
    assert says in caught.value.message
    assert f"line {line}" in caught.value.message.lower()
