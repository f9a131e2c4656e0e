"""Parts of a picture that move by themselves, over the running stack: marked, seen in frames, held to their take."""

import io

import numpy as np
import pytest
from PIL import Image, ImageDraw

from tests.api.test_movement import frames, movement
from tests.api.test_rules import change

BOX = (160, 60, 320, 200)


def picture(colour: int = 120) -> bytes:
    """A flat picture with stripes, as a maker brings one."""
    rows = np.random.default_rng(3).integers(60, 200, (45, 80, 3), np.uint8)
    image = Image.fromarray(rows).resize((640, 360), Image.Resampling.BICUBIC)
    ImageDraw.Draw(image).rectangle((0, 0, 20, 20), fill=(colour, 0, 0))
    out = io.BytesIO()
    image.save(out, "PNG")
    return out.getvalue()


def mask(box=BOX) -> bytes:
    image = Image.new("L", (640, 360))
    ImageDraw.Draw(image).rectangle(box, fill=255)
    out = io.BytesIO()
    image.save(out, "PNG")
    return out.getvalue()


@pytest.fixture
def brought(client, film) -> tuple[dict, dict, str]:
    """A film with a picture that was brought for its first shot, the shot, and a mask that was kept for it."""
    shot = film["shots"][0]
    base = f"/api/films/{film['id']}"
    files = {"file": ("a.png", picture(), "image/png")}
    assert client.post(f"{base}/shots/{shot['id']}/takes", files=files).status_code == 201
    change(client, film["id"], type="set shots", shots=[shot["id"]], values={"move": "still"})
    shot = client.get(base).json()["shots"][0]
    files = {"file": ("m.png", mask(), "image/png")}
    kept = client.post(f"{base}/takes/{shot['takes'][0]['id']}/masks", files=files)
    assert kept.status_code == 200, kept.text
    return film, shot, kept.json()["media"]


def region(media: str, **more) -> dict:
    return {"id": 1, "name": "the flag", "mask": media, "take": 1, "move": {"way": "sway"}, **more}


def put(client, film: dict, shot: dict, *regions: dict) -> None:
    values = {"regions": list(regions)}
    change(client, film["id"], type="set shots", shots=[shot["id"]], values=values)


def test_what_is_marked_moves_and_all_else_stays(client, brought) -> None:
    film, shot, media = brought
    assert movement(client, film, shot)["flat"]
    plain = frames(client, film, shot, count=4, high=360)
    put(client, film, shot, region(media))
    (told,) = movement(client, film, shot)["regions"]
    assert told["here"] and told["move"]["way"] == "sway"
    assert told["box"] == pytest.approx([0.25, 1 / 6, 321 / 640, 201 / 360], abs=0.01)
    moved = np.abs(frames(client, film, shot, count=4, high=360) - plain).max(2)
    inside = np.zeros(moved.shape, bool)
    wide = moved.shape[1] // 4
    for n in range(4):
        # JPEG's blocks reach a little beyond.
        inside[44:216, n * wide + 144 : n * wide + 336] = True
    assert moved[inside].max() > 30
    assert moved[~inside].max() <= 3
    put(client, film, shot)
    assert np.array_equal(frames(client, film, shot, count=4, high=360), plain)


def test_what_was_marked_on_one_take_does_not_move_in_another(client, brought) -> None:
    film, shot, media = brought
    put(client, film, shot, region(media))
    files = {"file": ("b.png", picture(250), "image/png")}
    base = f"/api/films/{film['id']}"
    assert client.post(f"{base}/shots/{shot['id']}/takes", files=files).status_code == 201
    second = client.get(base).json()["shots"][0]["takes"][-1]["id"]
    change(client, film["id"], type="circle take", shot=shot["id"], take=second)
    (told,) = movement(client, film, shot)["regions"]
    assert not told["here"]
    still = frames(client, film, shot, count=2, high=180)
    inner = still[:, 32:288], still[:, 352:608]  # beside the seam, whose blocks have both
    assert np.abs(inner[0] - inner[1]).max() <= 3
    put(client, film, shot, region(media, take=None))
    assert movement(client, film, shot)["regions"][0]["here"]


def test_a_mask_that_was_never_kept_is_refused_with_what_to_do(client, brought) -> None:
    film, shot, _ = brought
    revision = client.get(f"/api/films/{film['id']}").json()["revision"]
    for bad, says in (
        (region("0" * 64 + ".png"), "Mark it again"),
        (region("../../etc/passwd"), "Choose one"),
        (region("0" * 64 + ".png", move={"way": "wobble"}), ""),
    ):
        values = {"regions": [bad]}
        command = {"type": "set shots", "shots": [shot["id"]], "values": values}
        body = {"revision": revision, "command": command}
        answer = client.post(f"/api/films/{film['id']}/changes", json=body)
        assert answer.status_code in (400, 422), answer.text
        assert says in answer.text


def test_movement_is_copied_with_actions_at_the_same_share_of_the_words(client, film) -> None:
    one, other = film["shots"][0], film["shots"][-1]
    words = movement(client, film, one)["words"]
    middle = words[len(words) // 2]["number"]
    values = {
        "air": [{"kind": "snow", "amount": "high"}],
        "acts": [{"figure": "ada", "action": "nod", "word": middle}],
    }
    change(
        client, film["id"], type="copy movement", shot=one["id"], to=[other["id"]], values=values
    )
    own = client.get(f"/api/films/{film['id']}").json()["shots"][-1]["own"]
    assert own["air"] == values["air"]
    there = [w["number"] for w in movement(client, film, other)["words"]]
    at = there.index(own["acts"][0]["word"])
    assert at / len(there) == pytest.approx((len(words) // 2) / len(words), abs=1 / len(there))
    title = client.get(f"/api/films/{film['id']}/history").json()[0]["title"]
    assert title == f"copy the movement of shot {one['edge']} to shot {other['edge']}"


@pytest.mark.parametrize(
    ("words", "of", "actions"),
    [
        ("sits down and weeps", "person", ["sit", "weep"]),
        ("Shakes her head, then waved.", "person", ["shake the head", "wave"]),
        ("was running", "person", ["run"]),
        ("is blue on Thursday", "person", []),
        ("it flew off", "animal", ["fly"]),
    ],
)
def test_an_action_is_told_in_words(client, words, of, actions) -> None:
    answer = client.get("/api/actions/told", params={"words": words, "of": of})
    assert answer.json() == actions
