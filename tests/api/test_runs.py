"""Runs: made, cancelled, taken up after a crash, retried, refused; and nothing paid twice."""

import io
import os
import re
import signal
import uuid
from collections import Counter

import av
import httpx
import numpy as np
import pytest
from PIL import Image

from cutreel.core.film import Settings, new_film
from cutreel.making import parses_of
from cutreel.running.temporary import Temporary
from tests.books import paid_for
from tests.waiting import steady, until


def start(client, film: dict, **wish) -> dict:
    answer = client.post(f"/api/films/{film['id']}/runs", json={"kind": "pictures", **wish})
    assert answer.status_code == 202, answer.text
    return answer.json()


def shots_of(client, film: dict) -> list[dict]:
    return client.get(f"/api/films/{film['id']}").json()["shots"]


def spent(client, film: dict) -> float:
    return client.get(f"/api/films/{film['id']}/spending").json()["film"]


def picture(width: int = 900, height: int = 700, form: str = "PNG", **more) -> bytes:
    out = io.BytesIO()
    Image.fromarray(
        np.random.default_rng(1).integers(0, 255, (height, width, 3), dtype=np.uint8)
    ).save(out, form, **more)
    return out.getvalue()


def test_cost_is_known_before_and_is_what_is_paid(client, film, finished) -> None:
    told = client.post(f"/api/films/{film['id']}/estimate", json={"kind": "everything"}).json()
    run = finished(film["id"], start(client, film, kind="everything")["id"])
    assert run["state"] == "done" and not run["failures"]
    assert spent(client, film) == pytest.approx(told["cost"], abs=1e-5) and told["items"] > 0
    after = client.get(f"/api/films/{film['id']}").json()
    assert all(s["measured"] and s["used"] and not s["stale"] for s in after["shots"])
    again = client.post(f"/api/films/{film['id']}/estimate", json={"kind": "everything"}).json()
    assert (again["items"], again["cost"], again["seconds"], again["pictures"]) == (0, 0.0, 0.0, 0)


def test_stale_is_exactly_what_depended_on_the_change_and_is_made_again(
    client, film, finished
) -> None:
    finished(film["id"], start(client, film)["id"])
    seen = client.get(f"/api/films/{film['id']}").json()
    bram = next(p for p in seen["cast"] if p["name"] == "Bram")
    bram["traits"] = [{"about": "coat", "text": "yellow coat", "short": ""}]
    changed = client.post(
        f"/api/films/{film['id']}/changes",
        json={"revision": seen["revision"], "command": {"type": "set person", "person": bram}},
    ).json()
    stale = {s["id"] for s in changed["shots"] if s["stale"]}
    assert stale == {s["id"] for s in changed["shots"] if bram["id"] in s["people"]} and stale
    finished(film["id"], start(client, film)["id"])
    after = shots_of(client, film)
    assert not any(s["stale"] for s in after)
    assert {s["id"] for s in after if len(s["takes"]) == 2} == stale
    undone = client.post(f"/api/films/{film['id']}/undo").json()
    assert not any(s["stale"] for s in undone["shots"]), "the old takes fit the old prompt again"


def test_takes_are_made_again_with_other_seeds_circled_and_kept(client, film, finished) -> None:
    shot = film["shots"][0]["id"]
    finished(film["id"], start(client, film, shots=[shot], takes=2)["id"])
    finished(film["id"], start(client, film, shots=[shot], takes=1)["id"])
    takes = shots_of(client, film)[0]["takes"]
    assert [t["number"] for t in takes] == [1, 2, 3] and len({t["seed"] for t in takes}) == 3
    seen = client.get(f"/api/films/{film['id']}").json()
    changed = client.post(
        f"/api/films/{film['id']}/changes",
        json={
            "revision": seen["revision"],
            "command": {"type": "circle take", "shot": shot, "take": takes[2]["id"]},
        },
    ).json()
    assert changed["shots"][0]["used"] == takes[2]["id"] and changed["preview"] != seen["preview"]
    media = client.get(f"/media/{takes[2]['media']}")
    assert (
        media.headers["content-type"] == "image/png"
        and "immutable" in media.headers["cache-control"]
    )


def test_a_failing_service_is_asked_again_and_paid_once(client, film, finished, services) -> None:
    services(fail_share=0.5, seed=3)
    run = finished(film["id"], start(client, film)["id"])
    assert run["state"] == "done" and run["failures"] == []
    assert spent(client, film) == pytest.approx(0.003 * len(film["shots"]))


def test_refused_content_is_said_and_the_rest_is_made(client, film, finished, services) -> None:
    # A word that the prompt of one shot alone has.
    words = Counter(
        w
        for s in shots_of(client, film)
        for w in set(re.findall(r"[a-z]{4,}", s["prompt"].lower()))
    )
    word = next(w for w, shots in words.items() if shots == 1)
    services(refuse_words=[word])
    run = finished(film["id"], start(client, film)["id"])
    assert run["state"] == "done" and len(run["failures"]) == 1 and word in run["failures"][0]
    assert sum(1 for s in shots_of(client, film) if s["used"]) == len(film["shots"]) - 1


def test_a_quota_that_runs_out_says_when_it_renews(client, film, finished, services) -> None:
    services(quotas={"illustrator-quick": 0})
    run = finished(film["id"], start(client, film)["id"])
    assert len(run["failures"]) == len(film["shots"]) and "renews at" in run["failures"][0]
    assert spent(client, film) == 0


def test_a_run_is_cancelled_and_what_was_made_stays(client, film, finished, services) -> None:
    services(delay_seconds=4.0)
    run = start(client, film, takes=4)
    until(lambda: next(r for r in client.get(f"/api/films/{film['id']}/runs").json())["shots"])
    cancelled = client.delete(f"/api/runs/{run['id']}").json()
    assert cancelled["state"] == "cancelled" and "kept" in cancelled["message"]
    services()
    assert client.get(f"/api/films/{film['id']}").status_code == 200
    assert finished(film["id"], start(client, film)["id"])["state"] == "done"


@pytest.mark.long
def test_a_killed_worker_loses_nothing_and_pays_nothing_twice(
    stack, client, film, finished, services
) -> None:
    services(delay_seconds=1.0)
    run = start(client, film, takes=2)
    until(lambda: client.get(f"/api/films/{film['id']}/runs").json()[0]["done"] >= 1)
    victim = stack.processes["worker-1"]
    os.killpg(victim.pid, signal.SIGKILL)
    victim.wait()
    stack.start_worker("worker-1")
    services()
    ended = finished(film["id"], run["id"])
    assert ended["state"] == "done" and ended["done"] == 2 * len(film["shots"])
    assert spent(client, film) == pytest.approx(0.006 * len(film["shots"]))
    assert all(len(s["takes"]) == 2 for s in shots_of(client, film))


FORMS = ("web", "archive", "master", "vp9", "av1", "web")


@pytest.mark.long
def test_six_files_are_made_though_a_worker_is_killed(stack, client, film, finished) -> None:
    """Every file is decoded whole by PyAV: as many frames as the film has. What they share is made and paid once."""
    finished(film["id"], start(client, film, kind="everything")["id"])
    now = client.get(f"/api/films/{film['id']}").json()
    cost = spent(client, film)
    wishes = [
        {"kind": "delivery", "size": "360p", "form": form, "captions": "off" if n else "burn"}
        for n, form in enumerate(FORMS)
    ]
    runs = [start(client, now, **wish) for wish in wishes]
    until(lambda: any(r["done"] for r in client.get(f"/api/films/{film['id']}/runs").json()[:6]))
    victim = stack.processes["worker-2"]
    os.killpg(victim.pid, signal.SIGKILL)
    victim.wait()
    stack.start_worker("worker-2")
    for run, wish in zip(runs, wishes, strict=True):
        ended = finished(film["id"], run["id"])
        assert ended["state"] == "done", ended
        ending = ended["outcome"]["film"].rsplit(".", 1)[1]
        data = client.get(f"/api/runs/{run['id']}/files/film.{ending}").content
        with av.open(io.BytesIO(data)) as file:
            assert sum(1 for _ in file.decode(video=0)) == now["frames"], wish
        with av.open(io.BytesIO(data)) as file:
            heard = sum(float(f.samples) / f.rate for f in file.decode(audio=0))
        assert heard == pytest.approx(now["seconds"], abs=0.1), wish
    assert spent(client, film) == cost


def test_jobs_are_idempotent(stack) -> None:
    body = {
        "offer": "illustrator-quick",
        "input": {
            "kind": "picture",
            "prompt": "Wide shot. a fox. a meadow",
            "seed": 5,
            "width": 320,
            "height": 180,
        },
    }
    key = {"Idempotency-Key": uuid.uuid4().hex}

    before = paid_for(stack, "illustrator-quick")
    one = httpx.post(stack.services + "/jobs", json=body, headers=key).json()
    done = until(
        lambda: (
            (v := httpx.get(f"{stack.services}/jobs/{one['id']}").json())["state"] == "done" and v
        )
    )
    again = httpx.post(stack.services + "/jobs", json=body, headers=key).json()
    assert again == done and paid_for(stack, "illustrator-quick") == before + 1


@pytest.mark.parametrize(
    ("offer", "work", "code"),
    [
        ("illustrator-quick", {"kind": "picture", "prompt": "x" * 401}, "over-cap"),
        ("voice", {"kind": "speech", "text": "x" * 1001, "voice": "alder"}, "over-cap"),
        ("voice", {"kind": "speech", "text": "x", "voice": "nobody"}, "bad-request"),
        ("composer", {"kind": "music", "mood": "odd", "seconds": 9}, "bad-request"),
        ("sound-maker", {"kind": "sound", "prompt": "wind", "seconds": 31}, "over-cap"),
        ("nobody", {"kind": "sound", "prompt": "wind", "seconds": 3}, "bad-request"),
        ("illustrator-quick", {"kind": "picture", "prompt": "x", "width": 2000}, "over-cap"),
    ],
)
def test_refusals_are_typed(stack, offer: str, work: dict, code: str) -> None:
    answer = httpx.post(
        stack.services + "/jobs",
        json={"offer": offer, "input": work},
        headers={"Idempotency-Key": uuid.uuid4().hex},
    ).json()
    assert (
        answer["state"] == "refused"
        and answer["refusal"]["code"] == code
        and answer["refusal"]["message"]
    )


def test_an_own_picture_is_used_and_never_stale(client, film) -> None:
    shot = film["shots"][0]["id"]
    seen = client.post(
        f"/api/films/{film['id']}/shots/{shot}/takes",
        files={"file": ("mine.jpg", picture(form="JPEG"), "image/jpeg")},
    ).json()
    take = seen["shots"][0]["takes"][0]
    assert (
        take["brought"] and seen["shots"][0]["used"] == take["id"] and not seen["shots"][0]["stale"]
    )


def test_pictures_are_turned_upright(client, film) -> None:
    exif = Image.Exif()
    exif[0x0112] = 6  # EXIF orientation: turned by 90 degrees
    seen = client.post(
        f"/api/films/{film['id']}/shots/{film['shots'][0]['id']}/takes",
        files={"file": ("a.jpg", picture(800, 600, "JPEG", exif=exif), "image/jpeg")},
    ).json()
    data = client.get(f"/media/{seen['shots'][0]['takes'][0]['media']}").content
    assert Image.open(io.BytesIO(data)).size == (600, 800)


@pytest.mark.parametrize(
    ("data", "word"),
    [
        (b"", "not a picture"),
        (b"not a picture at all", "not a picture"),
        (picture()[:2000], "damaged"),
        (picture(200, 200), "only 200 by 200"),
        (picture(400, 400, "GIF"), "Nothing moves"),
        (b"<html></html>", "not a picture"),
    ],
)
def test_bad_pictures_are_refused_in_words(client, film, data: bytes, word: str) -> None:
    answer = client.post(
        f"/api/films/{film['id']}/shots/{film['shots'][0]['id']}/takes",
        files={"file": ("a.png", data, "image/png")},
    )
    assert answer.status_code == 422 and word in answer.json()["title"]
    assert not client.get(f"/api/films/{film['id']}").json()["shots"][0]["takes"]


def test_unknown_runs_are_refused(client, film) -> None:
    for wish in (
        {"kind": "magic"},
        {"kind": "delivery", "size": "5p"},
        {"kind": "delivery", "captions": "loud"},
        {"kind": "pictures", "takes": 9},
    ):
        assert client.post(f"/api/films/{film['id']}/runs", json=wish).status_code == 422


def test_the_preview_plays_before_anything_is_made(client, film) -> None:
    """HLS (RFC 8216): a master playlist, video and audio playlists of the whole film, and segments that decode."""
    base = f"/api/films/{film['id']}/preview/{film['preview']}"
    assert "#EXT-X-STREAM-INF" in client.get(f"{base}/film.m3u8").text
    video = client.get(f"{base}/video.m3u8").text
    lengths = [float(line[8:-1]) for line in video.splitlines() if line.startswith("#EXTINF:")]
    assert sum(lengths) == pytest.approx(film["seconds"], abs=0.01) and video.rstrip().endswith(
        "#EXT-X-ENDLIST"
    )
    paths = [line for line in video.splitlines() if line.startswith("segments/")]
    init = client.get(f"{base}/{video.split('URI=')[1].split(chr(34))[1]}").content
    import av

    frames = 0
    for path in paths[:3]:
        with av.open(io.BytesIO(init + client.get(f"{base}/{path}").content)) as container:
            decoded = list(container.decode(video=0))
            assert float(decoded[0].pts * decoded[0].time_base) == pytest.approx(
                int(path.rsplit("/", 1)[1][:-4]) / 24, abs=0.05
            )
            frames += len(decoded)
    assert frames == round(sum(lengths[:3]) * 24)
    audio = client.get(f"{base}/audio.m3u8").text
    assert (
        "#EXT-X-BYTERANGE" in audio
        and client.get(audio.split('URI="')[1].split('"')[0]).status_code == 200
    )


def test_the_sound_of_the_preview_is_mixed_by_a_worker_and_not_inside_a_request(client) -> None:
    text = "The whole harbour lay dark that evening, but for one small lantern on the last boat."
    film = client.post("/api/films", json={"title": "Mixed", "text": text}).json()
    base = f"/api/films/{film['id']}/preview/{film['preview']}"
    first = client.get(f"{base}/sound").json()
    assert first["ready"] is False and first["seconds"] > 0
    until(lambda: client.get(f"{base}/sound").json()["ready"])
    assert "#EXT-X-BYTERANGE" in client.get(f"{base}/audio.m3u8").text


@pytest.mark.long
def test_a_rejected_take_is_not_used_nor_made_again_with_its_seed(client, film, finished) -> None:
    shot = film["shots"][0]["id"]
    finished(film["id"], start(client, film, shots=[shot], takes=2)["id"])
    seen = client.get(f"/api/films/{film['id']}").json()
    first, second = seen["shots"][0]["takes"]
    assert seen["shots"][0]["used"] == first["id"] and first["cost"] > 0 and first["faults"] == []

    def command(**values) -> dict:
        revision = client.get(f"/api/films/{film['id']}").json()["revision"]
        return client.post(
            f"/api/films/{film['id']}/changes", json={"revision": revision, "command": values}
        ).json()

    command(type="circle take", shot=shot, take=first["id"])
    after = command(type="reject take", shot=shot, take=first["id"], reason=" two   heads ")[
        "shots"
    ][0]
    assert after["used"] == second["id"] and after["own_circled"] is None
    assert [t["rejected"] for t in after["takes"]] == ["two heads", None]
    none_left = command(type="reject take", shot=shot, take=second["id"])["shots"][0]
    assert none_left["used"] is None
    finished(film["id"], start(client, film)["id"])
    takes = shots_of(client, film)[0]["takes"]
    assert len(takes) == 3 and takes[2]["seed"] not in (first["seed"], second["seed"])
    back = command(type="reject take", shot=shot, take=first["id"], reason=None)["shots"][0]
    assert back["takes"][0]["rejected"] is None and back["used"] == first["id"]


def test_another_offer_is_priced_before_and_draws_from_what_it_understands(
    client, film, finished
) -> None:
    seen = client.get(f"/api/films/{film['id']}").json()
    client.post(
        f"/api/films/{film['id']}/changes",
        json={
            "revision": seen["revision"],
            "command": {"type": "set settings", "values": {"negative": "cars"}},
        },
    )
    wish = {"kind": "pictures", "shots": [film["shots"][0]["id"]], "takes": 1}
    quick, fine = (
        client.post(f"/api/films/{film['id']}/estimate", json={**wish, **more}).json()
        for more in ({}, {"offer": "illustrator-fine"})
    )
    assert fine["cost"] > quick["cost"] > 0 and fine["seconds"] > quick["seconds"]
    assert quick["pictures"] == quick["fits"] == 1 and quick["renews"]
    finished(
        film["id"],
        start(client, film, shots=wish["shots"], takes=1, offer="illustrator-fine")["id"],
    )
    take = shots_of(client, film)[0]["takes"][0]
    assert take["offer"] == "illustrator-fine" and "cars" in take["negative"] and not take["stale"]
    assert take["width"] > 1280 and take["cost"] == pytest.approx(fine["cost"])
    wrong = client.post(f"/api/films/{film['id']}/estimate", json={**wish, "offer": "oil painter"})
    assert wrong.status_code == 422


def test_only_what_is_missing_or_stale_or_of_a_scene_is_made(client, film, finished) -> None:
    first = film["shots"][0]["id"]
    finished(film["id"], start(client, film, shots=[first], takes=1)["id"])
    seen = client.get(f"/api/films/{film['id']}").json()
    client.post(
        f"/api/films/{film['id']}/changes",
        json={
            "revision": seen["revision"],
            "command": {"type": "set shots", "shots": [first], "values": {"time": "dawn"}},
        },
    )

    def count(**more) -> int:
        answer = client.post(
            f"/api/films/{film['id']}/estimate", json={"kind": "pictures", "takes": 1, **more}
        )
        return answer.json()["pictures"]

    own = sum(s["picture_of"] == s["id"] for s in seen["shots"])
    assert (count(), count(only="stale"), count(only="missing")) == (own, 1, own - 1)
    assert count(scene=0) == own and count(scene=7) == 0


@pytest.mark.long
def test_a_run_rests_and_goes_on_and_pays_for_nothing_twice(
    client, film, services, finished
) -> None:
    # Two workers have four jobs each in hand at most: more than those are wanted.
    settings = film["settings"] | {"seed": film["settings"]["seed"] + 5_000}
    text = " ".join(f"Ada rowed past light number {n} in the dark." for n in range(5))
    film = client.post(
        "/api/films", json={"title": "Long way", "text": text, "settings": settings}
    ).json()
    services(delay_seconds=0.4)
    told = client.post(
        f"/api/films/{film['id']}/estimate", json={"kind": "pictures", "takes": 2}
    ).json()
    run = start(client, film, takes=2)
    client.post(f"/api/runs/{run['id']}/pause").raise_for_status()

    def rests() -> dict | None:
        view = next(
            r for r in client.get(f"/api/films/{film['id']}/runs").json() if r["id"] == run["id"]
        )
        return view if view["state"] == "paused" else None

    until(rests, 20)
    still = steady(lambda: until(rests, 20))
    assert still["done"] <= 8 < still["total"], "only what was begun is finished"
    assert client.post(f"/api/runs/{run['id']}/go-on").json()["state"] == "going"
    done = finished(film["id"], run["id"])
    assert done["state"] == "done" and done["done"] == done["total"] == told["pictures"]
    assert spent(client, film) == pytest.approx(told["cost"], abs=1e-6)
    assert client.post(f"/api/runs/{run['id']}/pause").json()["state"] == "done"


@pytest.mark.long
def test_what_fits_is_told_and_the_rest_waits_for_the_quota_if_asked(
    client, film, services, finished
) -> None:
    used = (
        2000
        - next(o for o in client.get("/api/offers").json() if o["name"] == "illustrator-quick")[
            "quota"
        ]["left"]
    )
    services(quotas={"illustrator-quick": used + 1})
    told = client.post(
        f"/api/films/{film['id']}/estimate", json={"kind": "pictures", "takes": 2}
    ).json()
    assert told["fits"] == 1 < told["pictures"] and told["renews"]
    run = start(client, film, takes=2, wait=True)

    def waits() -> dict | None:
        view = next(
            r for r in client.get(f"/api/films/{film['id']}/runs").json() if r["id"] == run["id"]
        )
        return view if view["waits"] and view["done"] == 1 else None

    waiting = until(waits, 30)
    assert (
        waiting["state"] == "going"
        and "quota is used up; it goes on at" in waiting["waits"]
        and not waiting["failures"]
    )
    services()
    client.post(f"/api/runs/{run['id']}/pause")
    client.post(f"/api/runs/{run['id']}/go-on")
    done = finished(film["id"], run["id"])
    assert done["state"] == "done" and done["done"] == told["pictures"] and not done["failures"]
    assert spent(client, film) == pytest.approx(told["cost"], abs=1e-6)


@pytest.mark.long
def test_nothing_is_made_of_a_story_before_it_was_read(client, stack: Temporary, finished) -> None:
    """A film whose text nobody parsed yet, as a long one is in its first seconds: simpler rules have another cast, and
    pictures by them would be paid for and thrown away."""
    shop = stack.shop
    text = (
        "The ferry left late, and Sigrun Dahl was the only person on it. She was fifty-two, a baker, with flour on "
        "the sleeves of her brown coat.\n\nThe pilot, a tall young man called Arne, had steered it for three weeks.\n"
    )
    film = shop.films.add(*new_film("Goose", text, Settings(seed=4242, pace=4)))
    guessed = {p.name for p in shop.films.get(film).document.cast}
    assert parses_of(shop.films.get(film).document, shop.parses, 0)[1], "nobody read it yet"
    asked = client.post(f"/api/films/{film}/runs", json={"kind": "pictures", "takes": 1}).json()
    ended = finished(film, asked["id"])
    stands = shop.assembled(film)
    assert {p.name for p in stands.document.cast} != guessed, "the reading knows more"
    assert ended["done"] == len(stands.read.shots) + 1, "and the reading itself"
    for shot, takes in zip(stands.read.shots, stands.takes, strict=True):
        assert [t.made_from == shot.picture_key for t in takes] == [True]
    again = client.post(f"/api/films/{film}/estimate", json={"kind": "pictures", "takes": 1}).json()
    assert (again["items"], again["cost"]) == (0, 0.0)
