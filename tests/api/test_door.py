"""The door: what a link shows, and a hundred ways to make it show more.

The attacks are those of the OWASP testing guide for access control, as far as there is anything to try them on: other
methods and paths, traversal, other tokens, injected headers, bodies too large, guessing, replay after the end.
"""

import re
from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import update

from cutreel.api.limits import Limits, Rate
from cutreel.door import create_door
from cutreel.door.passes import opens, signed
from cutreel.running.temporary import Temporary
from cutreel.store.tables import LinkRow
from tests.api.conftest import STORY
from tests.api.test_retouch import start


class Clock:
    now = 1000.0

    def __call__(self) -> float:
        return self.now


@pytest.fixture(scope="module")
def film(client, finished) -> dict[str, Any]:
    """A film that is made, small."""
    settings = {"pace": 3, "music": "none", "seed": 7117, "look": "stick-figures"}
    new = {"title": "For others", "text": STORY, "settings": settings}
    made = client.post("/api/films", json=new).json()
    run = start(client, made, kind="delivery", size="360p", captions="off")
    assert finished(made["id"], run["id"])["state"] == "done"
    return made


@pytest.fixture
def clock() -> Clock:
    return Clock()


@pytest.fixture
def door(stack: Temporary, clock: Clock) -> Iterator[TestClient]:
    with TestClient(create_door(stack.shop, clock), base_url="http://192.168.7.7:8430") as outside:
        yield outside


def link_to(client, film: dict[str, Any], **more: Any) -> tuple[str, str]:
    """The path of a new link, and its id."""
    answer = client.post(f"/api/films/{film['id']}/links", json={"label": "Ada", **more})
    assert answer.status_code == 201, answer.text
    newest = answer.json()["links"][0]
    return "/s/" + newest["address"].split("/s/")[1], newest["id"]


def test_whoever_has_a_link_sees_one_film_and_is_counted(client, door, film) -> None:
    path, _ = link_to(client, film)
    page = door.get(path)
    assert page.status_code == 200 and "<video" in page.text
    told = door.get(path + "/film").json()
    assert told == {
        "title": "For others", "label": "Ada", "cut": "", "made": True, "may_note": False, "notes": [],
    }  # fmt: skip
    whole = door.get(path + "/video")
    assert whole.headers["content-type"] == "video/mp4" and whole.content[4:8] == b"ftyp"
    part = door.get(path + "/video", headers={"Range": "bytes=4-7"})
    assert part.status_code == 206 and part.content == b"ftyp"
    (seen,) = [
        v
        for v in client.get(f"/api/films/{film['id']}/links").json()["links"]
        if path in v["address"]
    ]
    assert seen["opened"] == 1 and seen["last_opened"] and not seen["over"]
    for asset in ("/door/door.js", "/door/door.css"):
        assert door.get(asset).status_code == 200


def test_every_answer_has_the_headers(client, door, film) -> None:
    path, _ = link_to(client, film)
    for answer in (door.get(path), door.get(path + "/film"), door.get("/nothing"), door.post(path)):
        assert "default-src 'none'" in answer.headers["content-security-policy"]
        assert answer.headers["referrer-policy"] == "no-referrer"
        assert answer.headers["x-content-type-options"] == "nosniff"
        assert "noindex" in answer.headers["x-robots-tag"]


def test_notes_are_taken_where_they_may_be_and_nowhere_else(client, door, film) -> None:
    path, _ = link_to(client, film, may_note=True)
    wanted = {"at": 2.0, "text": "  The lamp is <b>too</b> bright ", "by": "Client"}
    shown = door.post(path + "/notes", json=wanted)
    assert shown.status_code == 201, shown.text
    assert [(n["text"], n["by"]) for n in shown.json()["notes"]] == [
        ("The lamp is <b>too</b> bright", "Client")
    ]
    assert shown.json()["notes"][0]["at"] == pytest.approx(2.0, abs=0.1)
    (inside,) = client.get(f"/api/films/{film['id']}/screening").json()["notes"]
    assert inside["note"]["by"] == "Client" and inside["note"]["word"] is not None
    watching, _ = link_to(client, film)
    assert door.post(watching + "/notes", json=wanted).status_code == 404
    assert door.get(watching + "/film").json()["notes"] == []


def test_a_password_is_asked_for_and_guesses_are_few(client, door, film, clock) -> None:
    path, _ = link_to(client, film, password="lamp-black")
    for part in ("/film", "/video"):
        assert door.get(path + part).status_code == 401
    assert door.post(path + "/enter", json={"password": "lamp-white"}).status_code == 401
    entered = door.post(path + "/enter", json={"password": "lamp-black"})
    cookie = entered.headers["set-cookie"]
    assert entered.status_code == 204
    assert all(word in cookie for word in ("HttpOnly", "SameSite=strict", f"Path={path}"))
    assert door.get(path + "/film").status_code == 200
    # A pass is for one link.
    other, _ = link_to(client, film, password="another-one")
    given = re.search(r"pass=([^;]+)", cookie)[1]  # type: ignore[index]
    door.cookies.clear()
    assert door.get(other + "/film", headers={"Cookie": f"pass={given}"}).status_code == 401
    tries = [door.post(path + "/enter", json={"password": f"guess-{i}"}) for i in range(12)]
    codes = [t.status_code for t in tries]
    assert codes[0] == 401 and codes[-1] == 429 and codes.count(401) <= 4
    assert door.post(path + "/enter", json={"password": "lamp-black"}).status_code == 429
    clock.now += 60
    assert door.post(path + "/enter", json={"password": "lamp-black"}).status_code == 204
    short = client.post(f"/api/films/{film['id']}/links", json={"password": "short"})
    assert short.status_code == 422


def test_a_link_that_is_over_or_withdrawn_shows_nothing(client, door, film, stack) -> None:
    path, number = link_to(client, film)
    assert door.get(path + "/film").status_code == 200
    left = client.delete(f"/api/films/{film['id']}/links/{number}").json()["links"]
    assert number not in [v["id"] for v in left]
    over, later = link_to(client, film)
    with stack.shop.database.transaction() as session:
        past = datetime.now(UTC) - timedelta(seconds=1)
        session.execute(update(LinkRow).where(LinkRow.id == later).values(until=past))
    for gone in (path, over):
        for part in ("", "/film", "/video"):
            assert door.get(gone + part).status_code == 404
    told = client.get(f"/api/films/{film['id']}/links").json()["links"]
    assert [v["over"] for v in told if v["id"] == later] == [True]


def test_the_token_is_kept_sealed_and_known_by_its_hash(client, film, stack) -> None:
    path, number = link_to(client, film)
    token = path.removeprefix("/s/")
    assert len(token) == 32
    with stack.shop.database.transaction() as session:
        row = session.get(LinkRow, number)
        kept = f"{row.token_hash} {row.sealed!r} {row.password} {row.label}"
    assert token not in kept


def attacks(path: str, film: str, number: str) -> list[tuple[str, str, dict[str, Any]]]:
    """Requests that must not be answered with anything of the film: method, path, more."""
    token = path.removeprefix("/s/")
    other = token[:-1] + ("A" if token[-1] != "A" else "B")
    inside = [
        "/api/films", f"/api/films/{film}", f"/api/films/{film}/links", "/api/openapi.json", "/openapi.json", "/docs",
        "/redoc", "/api/health", "/api/services", "/api/ledger.csv", "/api/archives", f"/film/{film}/sheet", "/media/x.png",
        "/", "/index.html", "/assets/index.js", "/s", "/s/", "/door", "/door/", "/door/door.html", "/door/app.py",
        "/.env", "/robots.txt", "/favicon.ico", "/simulation", "/offers", "/jobs",
    ]  # fmt: skip
    climbing = [
        "/door/../app.py", "/door/%2e%2e/app.py", "/door/..%2fapp.py", "/door/door.js%00.html", "/door/....//app.py",
        "/s/../api/films", "/s/%2e%2e/api/films", f"{path}/../../api/films", f"{path}/%2e%2e/%2e%2e/api/films",
        f"{path}/video/../../../media/x.png", f"{path}//film", f"{path}/film/", f"{path}/Film",
        f"{path}/files", f"{path}/api", f"{path}/notes/1", f"{path}/video/x", f"{path}/links", f"{path}/settings",
    ]  # fmt: skip
    tokens = [
        other, token.lower() if token.lower() != token else token.upper(), token[:-1], token + "A", token[::-1], "",
        "0" * 32, "null", "undefined", "*", "%", "' OR '1'='1", "' OR 1=1 -- " + "a" * 20, token + "%00", "%00" + token,
        token + "%20", film, number, "../" + token, token + ";a", "A" * 10_000,
        token.replace(token[0], "%" + token[0].encode().hex()[:1], 1),
    ]  # fmt: skip
    found: list[tuple[str, str, dict[str, Any]]] = []
    found += [("GET", p, {}) for p in (*inside, *climbing)]
    found += [("GET", f"/s/{t}/film", {}) for t in tokens if f"/s/{t}/film" != path + "/film"]
    for method in ("PUT", "DELETE", "PATCH", "OPTIONS", "TRACE", "CONNECT", "LINK"):
        found += [(method, path + part, {}) for part in ("", "/film", "/video", "/notes")]
    bodies: list[Any] = [
        {"at": -1, "text": "x", "by": "y"}, {"at": 1e12, "text": "x", "by": "y"}, {"at": "NaN", "text": "x", "by": "y"},
        {"at": 1, "text": "", "by": "y"}, {"at": 1, "text": "x", "by": ""}, {"at": 1, "text": " ", "by": "y"},
        {"at": 1, "text": "x\0", "by": "y"}, {"at": 1, "text": "x" * 3000, "by": "y"}, {"at": 1, "text": "x", "by": "y" * 99},
        {"at": 1, "text": "x", "by": "y", "film": "saltmere"}, {"at": 1, "text": "x", "by": "y", "shot": 1},
        {"at": 1}, [], "text", 7, None, {"at": 1, "text": {"$gt": ""}, "by": "y"}, {"at": [1], "text": "x", "by": "y"},
    ]  # fmt: skip
    found += [("POST", path + "/notes", {"json": body}) for body in bodies]
    found += [
        ("POST", path + "/notes", {"content": b"x" * 20_000}),
        ("POST", path + "/notes", {"content": b"{" * 5_000, "headers": {"Content-Type": "application/json"}}),
        ("POST", path + "/film", {"json": {}}),
        ("POST", path + "/video", {}),
        ("POST", path + "/enter", {"json": {"password": ["x"]}}),
        ("POST", path + "/enter", {"json": {"password": "x" * 5000}}),
    ]  # fmt: skip
    return found


def test_a_hundred_ways_to_see_more_show_nothing(client, door, film, stack, clock) -> None:
    path, number = link_to(client, film, may_note=True)
    before = client.get(f"/api/films/{film['id']}/screening").json()["notes"]
    tried = attacks(path, film["id"], number)
    assert len(tried) >= 100
    secrets_of = ("For others", "Ada took the oars", film["id"], "Traceback", "cutreel", "postgres")
    for method, where, more in tried:
        clock.now += 60  # each is the first of its minute: the limits are not what holds
        answer = door.request(method, where, follow_redirects=False, **more)
        assert answer.status_code in (307, 401, 404, 405, 413, 422), (
            method,
            where,
            answer.status_code,
        )
        body = answer.text if "json" in answer.headers.get("content-type", "") else ""
        assert not any(word in body for word in secrets_of), (method, where, body)
        if answer.status_code == 307:
            assert answer.headers["location"].startswith("http://192.168.7.7:8430/s"), where
    assert client.get(f"/api/films/{film['id']}/screening").json()["notes"] == before


@pytest.mark.parametrize("header", ["X-Forwarded-For", "X-Real-IP", "Forwarded", "Client-IP"])
def test_no_header_makes_somebody_another(client, door, film, header: str) -> None:
    path, _ = link_to(client, film)
    codes = [
        door.get(path + "/film", headers={header: f"10.0.0.{i}"}).status_code for i in range(90)
    ]
    assert codes[0] == 200 and codes[-1] == 429


def test_a_film_off_the_shelf_or_not_made_shows_nothing(client, door) -> None:
    new = {"title": "Not made", "text": STORY, "settings": {"pace": 3, "seed": 7118}}
    made = client.post("/api/films", json=new).json()
    path, _ = link_to(client, made)
    assert door.get(path + "/film").json()["made"] is False
    assert door.get(path + "/video").status_code == 404
    client.delete(f"/api/films/{made['id']}")
    assert door.get(path + "/film").status_code == 404


def test_buckets_fill_steadily_and_passes_end() -> None:
    clock = Clock()
    limits = Limits(Rate(3, 60), clock)
    assert [limits.takes("a") for _ in range(5)] == [True, True, True, False, False]
    assert limits.takes("b"), "each name has its own"
    clock.now += 1
    assert [limits.takes("a") for _ in range(2)] == [True, False]
    clock.now += 3600
    assert [limits.takes("a") for _ in range(4)] == [True, True, True, False], (
        "never more than full"
    )
    secret = b"x" * 32
    given = signed(secret, "link", 2000)
    assert opens(secret, "link", given, 1999) and not opens(secret, "link", given, 2001)
    assert not opens(secret, "other", given, 1999) and not opens(b"y" * 32, "link", given, 1999)
    for bad in (
        "",
        ".",
        "2000.",
        "9999999999999.x",
        given + "x",
        "-5" + given[4:],
        "²." + given[5:],
    ):
        assert not opens(secret, "link", bad, 1999), bad
