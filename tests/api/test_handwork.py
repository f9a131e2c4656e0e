"""Takes made of takes, over the running stack: varied, posed, composed, restyled, enlarged, cut out, laid in, framed."""

import io
import math
import zipfile

import numpy as np
import pytest
import resvg_py
from PIL import Image

from tests.api.test_retouch import pixels, start, takes_of


@pytest.fixture
def made(client, film, finished) -> tuple[dict, dict, dict]:
    """A film, its first shot with somebody in it, and a take of that."""
    shot = next(s for s in film["shots"] if s["people"])
    finished(film["id"], start(client, film, kind="pictures", shots=[shot["id"]], takes=1)["id"])
    return film, shot, takes_of(client, film, shot["id"])[0]


def hand(client, film: dict, take: dict) -> dict:
    return client.get(f"/api/films/{film['id']}/takes/{take['id']}/hand").json()


def again(client, film, shot, finished, **wish) -> list[dict]:
    told = client.post(f"/api/films/{film['id']}/estimate", json=wish).json()
    spent = client.get(f"/api/films/{film['id']}/spending").json()["film"]
    before = {t["id"] for t in takes_of(client, film, shot["id"])}
    run = finished(film["id"], start(client, film, **wish)["id"])
    assert run["state"] == "done" and not run["failures"], run
    paid = client.get(f"/api/films/{film['id']}/spending").json()["film"] - spent
    assert paid == pytest.approx(told["cost"], abs=1e-6)
    return [t for t in takes_of(client, film, shot["id"]) if t["id"] not in before]


@pytest.mark.long
def test_a_take_is_varied_a_little_and_asked_again_otherwise(client, made, finished) -> None:
    film, shot, take = made
    wish = {"kind": "again", "take": take["id"], "vary": 30, "takes": 2}
    first = again(client, film, shot, finished, **wish)
    second = again(client, film, shot, finished, **{**wish, "takes": 1})
    assert len({t["media"] for t in [take, *first, *second]}) == 4
    assert all(
        t["came"] == f"Varied from take {take['number']}." and not t["stale"]
        for t in [*first, *second]
    )
    assert all(t["seed"] == take["seed"] and t["prompt"] == take["prompt"] for t in first)
    nothing = client.post(
        f"/api/films/{film['id']}/runs", json={"kind": "again", "take": take["id"]}
    )
    assert nothing.status_code == 422 and "different" in nothing.text


def test_a_figure_is_drawn_in_the_pose_that_was_asked_for(client, made, finished) -> None:
    film, shot, take = made
    figure = hand(client, film, take)["figures"][0]
    aspect = take["width"] / take["height"]
    assert "cheer" in client.get("/api/poses").json()
    pose = {"name": figure["name"], "way": figure["way"], "joints": figure["joints"]}
    cheering = client.post(
        "/api/poses", json={"pose": pose, "aspect": aspect, "stock": "cheer"}
    ).json()
    drag = {"pose": cheering, "aspect": aspect, "joint": "far_hand", "to": [0.3, 0.5]}
    dragged = client.post("/api/poses", json=drag).json()

    def limbs(joints: dict) -> list[float]:
        pairs = [("near_shoulder", "near_elbow"), ("near_elbow", "near_hand"), ("far_shoulder", "far_elbow"),
                 ("far_elbow", "far_hand"), ("hips", "neck"), ("neck", "head")]  # fmt: skip
        return [math.dist(*((joints[j][0] * aspect, joints[j][1]) for j in pair)) for pair in pairs]

    assert limbs(dragged["joints"]) == pytest.approx(limbs(figure["joints"]), abs=1e-3)
    posed = again(
        client, film, shot, finished, kind="again", take=take["id"], poses=[dragged], takes=2
    )
    assert len(posed) == 2 and posed[0]["came"] == f"Posed anew from take {take['number']}."
    for one in posed:
        seen = next(f for f in hand(client, film, one)["figures"] if f["name"] == figure["name"])
        for joint, at in dragged["joints"].items():
            assert seen["joints"][joint] == pytest.approx(at, abs=2e-3), joint


def test_a_picture_follows_the_masses_of_a_sketch(client, made, finished) -> None:
    film, shot, take = made
    centres = []
    for left in (120, 860):
        sketch = Image.new("L", (1280, 720), 255)
        sketch.paste(20, (left, 200, left + 220, 700))
        out = io.BytesIO()
        sketch.save(out, "PNG")
        kept = client.post(
            f"/api/films/{film['id']}/sketches",
            files={"file": ("s.png", out.getvalue(), "image/png")},
        )
        wish = {"kind": "again", "take": take["id"], "guide": kept.json()["media"], "strength": 100}
        (one,) = again(client, film, shot, finished, **wish)
        figures = hand(client, film, one)["figures"]
        centres.append(min((f["box"][0] + f["box"][2]) / 2 for f in figures))
    assert centres[0] == pytest.approx(230 / 1280, abs=0.04) and centres[1] > centres[0]


def test_one_shot_in_another_look_beside_what_there_is(client, made, finished) -> None:
    film, shot, take = made
    (other,) = again(
        client,
        film,
        shot,
        finished,
        kind="pictures",
        shots=[shot["id"]],
        takes=1,
        look="screen-print",
    )
    assert (
        other["came"] == "In another look: screen print."
        and not other["stale"]
        and other["media"] != take["media"]
    )
    seen = client.get(f"/api/films/{film['id']}").json()
    used = next(s for s in seen["shots"] if s["id"] == shot["id"])
    assert used["used"] == take["id"], "it is beside, and not instead"


@pytest.mark.long
def test_enlarging_says_when_it_is_needed_and_is_paid_once(client, made, finished) -> None:
    film, shot, take = made
    reach = hand(client, film, take)["reach"]
    assert reach[0]["frame"] == 1920 and reach[0]["ratio"] < 0.7 and reach[0]["factor"] == 2
    wish = {"kind": "enlarge", "take": take["id"], "factor": 2}
    (large,) = again(client, film, shot, finished, **wish)
    assert (large["width"], large["height"]) == (take["width"] * 2, take["height"] * 2)
    assert large["came"] == f"Enlarged 2 times from take {take['number']}." and not large["stale"]
    small = np.asarray(
        Image.fromarray(pixels(client, large).astype(np.uint8)).resize(
            (take["width"], take["height"])
        )
    )
    assert np.abs(small.astype(int) - pixels(client, take)).mean() < 4, "the same picture"
    assert client.post(f"/api/films/{film['id']}/estimate", json=wish).json()["cost"] == 0
    assert hand(client, film, large)["reach"][0]["factor"] == 1


def test_a_figure_is_cut_out_and_laid_into_another_picture(client, made) -> None:
    film, shot, take = made
    figures = hand(client, film, take)["figures"]
    assert figures[0]["cut"]
    where = f"/api/films/{film['id']}/takes/{take['id']}"
    mask = client.get(f"{where}/figures/0/mask")
    white = (np.asarray(Image.open(io.BytesIO(mask.content))) > 128).mean()
    assert 0.005 < white < 0.9
    revision = client.get(f"/api/films/{film['id']}").json()["revision"]
    cut = client.post(f"{where}/cutouts", json={"name": "Ada", "figure": 0, "revision": revision})
    assert cut.status_code == 201, cut.text
    (kept,) = cut.json()["cutouts"]
    assert Image.open(io.BytesIO(client.get(f"/media/{kept['media']}").content)).mode == "RGBA"
    placing = {"cutout": kept["id"], "x": 0.85, "y": 0.95, "height": 0.3}
    assert client.post(f"{where}/placed", json=placing).status_code == 201
    laid = takes_of(client, film, shot["id"])[-1]
    apart = np.abs(pixels(client, laid) - pixels(client, take)).max(2)
    assert apart[:, :640].max() == 0 and apart[450:680, 900:].max() > 20
    assert laid["came"] == f"Ada laid into take {take['number']}."
    undone = client.post(f"/api/films/{film['id']}/undo")
    assert undone.status_code == 200 and undone.json()["cutouts"] == []


def test_a_frame_is_cropped_and_edges_go_on(client, made) -> None:
    film, shot, take = made
    where = f"/api/films/{film['id']}/takes/{take['id']}"
    assert hand(client, film, take)["fits"]
    assert (
        client.post(f"{where}/reshaped", json={"frame": [0.25, 0.25, 0.75, 0.75]}).status_code
        == 201
    )
    assert (
        client.post(f"{where}/reshaped", json={"frame": [-0.1, -0.1, 1.1, 1.1]}).status_code == 201
    )
    near, far = takes_of(client, film, shot["id"])[-2:]
    assert np.array_equal(pixels(client, near), pixels(client, take)[180:540, 320:960])
    assert (far["width"], far["height"]) == (1536, 864)
    assert client.post(f"{where}/reshaped", json={"frame": [0, 0, 0.01, 1]}).status_code == 422


def test_a_seed_is_set_for_a_shot_and_its_take_stays_fresh(client, made, finished) -> None:
    film, shot, _ = made
    (varied,) = again(client, film, shot, finished, kind="pictures", shots=[shot["id"]], takes=1)

    def change(values: dict, kind: str = "set shots", **more) -> dict:
        revision = client.get(f"/api/films/{film['id']}").json()["revision"]
        command = {"type": kind, "values": values, **more}
        answer = client.post(
            f"/api/films/{film['id']}/changes", json={"revision": revision, "command": command}
        )
        assert answer.status_code == 200, answer.text
        return answer.json()

    after = change({"seed": varied["seed"]}, shots=[shot["id"]])
    takes = next(s for s in after["shots"] if s["id"] == shot["id"])["takes"]
    assert [t["stale"] for t in takes] == [True, False]
    change({"seed": None}, shots=[shot["id"]])
    one = change({"seeds": "one"}, kind="set settings")
    pack = client.post(
        f"/api/films/{film['id']}/estimate", json={"kind": "pictures", "takes": 1}
    ).json()
    assert pack["pictures"] > 0 and one["settings"]["seeds"] == "one"


def test_a_take_is_taken_away_with_its_layers_and_brought_back(client, made) -> None:
    film, shot, take = made
    answer = client.get(f"/api/films/{film['id']}/takes/{take['id']}/openraster")
    assert (
        answer.headers["content-type"] == "image/openraster"
        and ".ora" in answer.headers["content-disposition"]
    )
    with zipfile.ZipFile(io.BytesIO(answer.content)) as archive:
        drawn = [n for n in archive.namelist() if n.startswith("data/layer") and n.endswith(".svg")]
        pngs = [n for n in archive.namelist() if n.startswith("data/layer") and n.endswith(".png")]
        assert len(drawn) == len(pngs) >= 2
        # What a layer was drawn from is a picture of its own, with the figure as a group. Source: resvg, via resvg_py.
        figures = next(
            archive.read(n).decode() for n in drawn if 'class="figure"' in archive.read(n).decode()
        )
        assert (
            f'data-name="{hand(client, film, take)["figures"][0]["name"]}"'.lower()
            in figures.lower()
        )
        redrawn = Image.open(
            io.BytesIO(bytes(resvg_py.svg_to_bytes(svg_string=figures, width=640)))
        ).convert("RGBA")
        inked = np.asarray(redrawn.getchannel("A"), int)

        def apart(name: str) -> float:
            layer = Image.open(io.BytesIO(archive.read(name))).convert("RGBA").resize(redrawn.size)
            return float(np.abs(np.asarray(layer.getchannel("A"), int) - inked).mean())

        assert min(apart(n) for n in pngs) < 3
    back = client.post(
        f"/api/films/{film['id']}/shots/{shot['id']}/takes",
        files={"file": ("back.ora", answer.content)},
    ).json()
    brought = next(s for s in back["shots"] if s["id"] == shot["id"])["takes"][-1]
    assert brought["brought"] and np.array_equal(pixels(client, brought), pixels(client, take))
    known, before = hand(client, film, brought)["figures"], hand(client, film, take)["figures"]
    assert [f["name"] for f in known] == [f["name"] for f in before] and known[0]["cut"]
    for joint, at in before[0]["joints"].items():
        assert known[0]["joints"][joint] == pytest.approx(at, abs=2e-4)
