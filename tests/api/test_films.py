"""Films over HTTP: made, changed, undone, guarded."""

import json
import threading

import httpx
import pytest

from tests.api.conftest import STORY


def change(client, film: dict, command: dict, revision: int | None = None):
    return client.post(
        f"/api/films/{film['id']}/changes",
        json={"revision": film["revision"] if revision is None else revision, "command": command},
    )


def test_a_pasted_story_becomes_shots(film) -> None:
    assert [s["edge"] for s in film["shots"]] == [str(i + 1) for i in range(len(film["shots"]))]
    assert " ".join(s["text"] for s in film["shots"]).split() == STORY.split()
    assert film["shots"][0]["start"] == 0 and film["shots"][-1]["stop"] == film["frames"]
    assert {p["name"] for p in film["cast"]} >= {"Ada", "Bram"}
    assert [line["speaker"] for line in film["lines"]] == [None, "Ada", None]
    assert all("".join(p["words"] for p in s["pieces"]) for s in film["shots"])


def test_marks_are_set_pushed_lifted_and_undone_exactly(client, film) -> None:
    before = client.get(f"/api/films/{film['id']}").json()
    word = film["words"][2][2]
    one = change(client, film, {"type": "set mark", "word": word}).json()
    assert one["undo"] == "set cut mark 1A" and one["revision"] == film["revision"] + 1
    mark = next(s for s in one["shots"] if s["edge"] == "1A")
    two = change(client, one, {"type": "push mark", "shot": mark["id"], "words": 1}).json()
    three = change(client, two, {"type": "lift mark", "shot": mark["id"]}).json()
    assert "1A" not in [s["edge"] for s in three["shots"]]
    for _ in range(3):
        after = client.post(f"/api/films/{film['id']}/undo").json()
    same = {k: v for k, v in after.items() if k not in ("revision", "undo", "redo", "changed")}
    assert same == {k: before[k] for k in same}
    again = client.post(f"/api/films/{film['id']}/redo").json()
    assert "1A" in [s["edge"] for s in again["shots"]]
    titles = [c["title"] for c in client.get(f"/api/films/{film['id']}/history").json()]
    assert titles == ["lift cut mark 1A", "push cut mark 1A", "set cut mark 1A"]


def test_a_page_takes_back_no_change_that_it_has_not_seen(client, film) -> None:
    """Two pages, each with the state that it was told last."""
    url, raw = f"/api/films/{film['id']}", client._client

    def rename(title: str, since: str) -> str:
        revision = raw.get(url).json()["head"]["revision"]
        command = {"type": "rename film", "title": title}
        asked = {"revision": revision, "command": command}
        answer = raw.post(f"{url}/changes", params={"since": since}, json=asked)
        return answer.raise_for_status().json()["state"]

    first = rename("mine", raw.get(url).json()["state"])
    second = rename("yours", first)
    refused = raw.post(f"{url}/undo", params={"since": first})
    assert refused.status_code == 409 and "changed meanwhile" in refused.json()["title"]
    assert raw.get(url).json()["head"]["title"] == "yours", "nothing was taken back"
    # Whoever has seen it may, and again at once with what was told then.
    told = raw.post(f"{url}/undo", params={"since": second}).raise_for_status().json()
    assert raw.get(url).json()["head"]["title"] == "mine"
    assert raw.post(f"{url}/redo", params={"since": second}).status_code == 409
    again = raw.post(f"{url}/undo", params={"since": told["state"]}).raise_for_status().json()
    assert raw.get(url).json()["head"]["title"] == film["title"]
    raw.post(f"{url}/redo", params={"since": again["state"]}).raise_for_status()
    assert raw.get(url).json()["head"]["title"] == "mine"
    # Programs that tell nothing of what they know take back what stands last.
    raw.post(f"{url}/undo").raise_for_status()
    assert raw.get(url).json()["head"]["title"] == film["title"]


def test_a_clash_says_what_happened_meanwhile(client, film) -> None:
    assert change(client, film, {"type": "rename film", "title": "Other"}).status_code == 200
    clash = change(client, film, {"type": "rename film", "title": "Third"})
    assert clash.status_code == 409
    assert clash.headers["content-type"] == "application/problem+json"
    assert "rename the film" in clash.json()["title"] and clash.json()["detail"]
    assert client.get(f"/api/films/{film['id']}").json()["title"] == "Other"


@pytest.mark.parametrize(
    "body",
    [
        {"text": ""},
        {"text": " \n\n"},
        {"text": "x " * 600_000},
        {"text": "A story.", "settings": {"fps": "29.97"}},
        {"text": "A story.", "settings": {"look": "oil"}},
        {"text": "A story.", "by": "exactly", "count": 50},
        {"text": "A story.", "by": "magic"},
        {},
    ],
)
def test_bad_films_are_refused_in_words(client, body) -> None:
    """RFC 9457: a type, a title, a detail, the status."""
    answer = client.post("/api/films", json=body)
    problem = answer.json()
    assert answer.status_code == problem["status"] == 422
    assert (
        problem["type"].startswith("urn:cutreel:")
        and problem["title"]
        and "Traceback" not in answer.text
    )


def test_unknown_things_are_not_found(client) -> None:
    for path in (
        "/api/films/nothing",
        "/media/" + "0" * 64 + ".png",
        "/media/..%2f..%2fetc%2fpasswd",
        "/api/runs/none/files/film.mp4",
    ):
        assert client.get(path).status_code == 404


def test_story_files(client) -> None:
    good = client.post(
        "/api/stories", files={"file": ("My story.txt", "“Row,” said Ada.".encode(), "text/plain")}
    )
    assert (good.json()["title"], good.json()["text"]) == ("My story", "“Row,” said Ada.")
    for data in (b"\x89PNG\r\n\x1a\n\x00\x01", b"\x00" * 100):
        assert (
            client.post("/api/stories", files={"file": ("a.txt", data, "text/plain")}).status_code
            == 422
        )


def test_a_film_leaves_the_shelf_and_comes_back(client, film) -> None:
    assert client.delete(f"/api/films/{film['id']}").status_code == 204
    assert film["id"] not in [c["id"] for c in client.get("/api/films").json()]
    assert client.get(f"/api/films/{film['id']}").status_code == 404
    assert client.post(f"/api/films/{film['id']}/restore").status_code == 204
    card = next(c for c in client.get("/api/films").json() if c["id"] == film["id"])
    assert card["left"] == len(film["shots"]) and sum(s for s, _ in card["strip"]) == pytest.approx(
        1
    )


def test_a_cut_can_be_looked_at_before_it_is_taken(client, film) -> None:
    wish = {"type": "cut again", "by": "exactly", "count": 6}
    shown = client.post(f"/api/films/{film['id']}/cut", json=wish).json()
    assert shown["count"] == 6 == len(shown["lengths"])
    assert len(client.get(f"/api/films/{film['id']}").json()["shots"]) == len(film["shots"])
    taken = change(client, film, wish).json()
    assert [s["first"] for s in taken["shots"]] == shown["opens"]


def test_what_a_change_would_do_is_told_before(client, film) -> None:
    ada = next(p for p in film["cast"] if p["name"] == "Ada")
    ada["traits"] = [{"about": "coat", "text": "red coat", "short": ""}]
    told = client.post(
        f"/api/films/{film['id']}/impact", json={"type": "set person", "person": ada}
    ).json()
    shots = [s for s in film["shots"] if ada["id"] in s["people"]]
    assert told["prompts"] == len(shots) > 0 and told["stale"] == 0
    assert told["cost"] == pytest.approx(0.003 * len(shots))
    after = change(client, film, {"type": "set person", "person": ada}).json()
    assert all(("red coat" in s["prompt"]) == (ada["id"] in s["people"]) for s in after["shots"])


@pytest.mark.parametrize(
    ("headers", "ok"),
    [
        ({}, True),
        ({"host": "localhost:8420"}, True),
        ({"host": "evil.example"}, False),
        ({"host": "127.0.0.1.evil.example:8420"}, False),
        ({"origin": "http://127.0.0.1:8420"}, True),
        ({"origin": "http://evil.example"}, False),
        ({"origin": "null"}, False),
        ({"sec-fetch-site": "cross-site"}, False),
    ],
)
def test_only_this_machines_own_pages_may_speak(client, film, headers, ok) -> None:
    answer = client.post(
        f"/api/films/{film['id']}/estimate", json={"kind": "pictures"}, headers=headers
    )
    assert (answer.status_code == 200) == ok
    assert ok or answer.json()["type"] == "urn:cutreel:not-from-here"


def test_pages_may_load_nothing_from_elsewhere(client) -> None:
    policy = client.get("/api/health").headers["content-security-policy"]
    assert (
        "default-src 'self'" in policy
        and "http:" not in policy
        and "frame-ancestors 'none'" in policy
    )


def test_events_tell_what_happened_and_can_be_taken_up_again(stack, client, film) -> None:
    """Server-sent events (WHATWG HTML): event, id and data lines; Last-Event-ID resumes behind that number."""
    import asyncio

    from cutreel.api.events import Listener, stream

    change(client, film, {"type": "rename film", "title": "A"})

    async def heard() -> list[dict]:
        listener = Listener(stack.shop.database.address)
        async with listener.listening():
            events = stream(stack.shop, listener, film["id"], 0)
            assert (await anext(events))["event"] == "ready"
            first = [await asyncio.wait_for(anext(events), 120) for _ in range(2)]
            threading.Timer(
                0.3,
                lambda: change(
                    client, film, {"type": "rename film", "title": "B"}, film["revision"] + 1
                ),
            ).start()
            return [*first, await asyncio.wait_for(anext(events), 120)]

    added, one, two = asyncio.run(heard())
    assert json.loads(added["data"])["what"] == "film added"
    assert json.loads(one["data"])["revision"] == film["revision"] + 1
    assert json.loads(two["data"])["title"] == "rename the film" and int(two["id"]) > int(one["id"])


def test_offers_and_looks(client) -> None:
    offers = client.get("/api/offers").json()
    assert {o["kind"] for o in offers} == {
        "picture",
        "enlarge",
        "clip",
        "speech",
        "sound",
        "music",
        "script",
        "translation",
        "reading",
        "voice",
    } and all(o["simulated"] for o in offers)
    assert len(client.get("/api/looks").json()) >= 3


def test_the_types_of_the_front_end_are_the_servers_own(client, tmp_path) -> None:
    """`web/src/api/schema.d.ts` is what openapi-typescript makes of the server's own description."""
    from tests.conftest import ROOT, run

    source, made = tmp_path / "schema.json", tmp_path / "schema.d.ts"
    source.write_text(json.dumps(client.get("/api/openapi.json").json()))
    done = run(
        "npx",
        "--no-install",
        "--prefix",
        str(ROOT / "web"),
        "openapi-typescript",
        str(source),
        "-o",
        str(made),
    )
    assert made.exists(), done.stderr
    assert made.read_text() == (ROOT / "web/src/api/schema.d.ts").read_text(), (
        "run: npm run schema (see docs/developing.md)"
    )


def test_the_stand_ins_answer_only_what_they_speak(stack) -> None:
    assert httpx.get(stack.services + "/jobs/none").status_code == 404
    assert httpx.get(stack.services + "/results/..%2fledger.sqlite3").status_code == 404
    assert (
        httpx.post(
            stack.services + "/jobs",
            json={"offer": "voice", "input": {"kind": "speech", "text": "x", "voice": "alder"}},
        ).status_code
        == 422
    )


def test_a_first_line_that_is_a_title_names_the_film_unless_the_maker_does(client) -> None:
    text = "The Dark Lamp\n\nAda rowed to the light. It was dark.\n"
    made = client.post("/api/films", json={"text": text}).json()
    assert made["title"] == "The Dark Lamp"
    assert "[The Dark Lamp]" in made["text"] and made["shots"][0]["text"].startswith("Ada")
    own = client.post("/api/films", json={"text": text, "title": "Mine"}).json()
    assert own["title"] == "Mine" and own["shots"][0]["text"].startswith("The Dark Lamp")
    plain = client.post("/api/films", json={"text": "# The jetty\n\nAda rowed.\n"}).json()
    assert plain["title"] == "Ada rowed."
