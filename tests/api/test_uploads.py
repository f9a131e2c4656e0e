"""Whatever is sent where a file is taken: a problem in words (RFC 9457) or an answer, never a broken server."""

import io
import zipfile
import zlib
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from PIL import Image

from tests.api.test_runs import picture


def bomb() -> bytes:
    """A PNG of a few kilobytes that says it is 50,000 by 50,000 pixels."""

    def chunk(kind: bytes, data: bytes) -> bytes:
        return (
            len(data).to_bytes(4, "big") + kind + data + zlib.crc32(kind + data).to_bytes(4, "big")
        )

    header = (50_000).to_bytes(4, "big") * 2 + b"\x08\x02\x00\x00\x00"
    return (
        b"\x89PNG\r\n\x1a\n"
        + chunk(b"IHDR", header)
        + chunk(b"IDAT", zlib.compress(b"\0" * 9000))
        + chunk(b"IEND", b"")
    )


def packed(name: str, data: bytes) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr(name, data)
    return out.getvalue()


BAD = {
    "empty": b"",
    "text": b"this is not a picture",
    "half a jpeg": picture(form="JPEG")[:3000],
    "a bomb": bomb(),
    "a gif": picture(form="GIF"),
    "an svg that asks for a file": b'<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]><svg xmlns="http://www.w3.org/2000/svg">&x;</svg>',
    "a zip that is none": b"PK\x03\x04" + b"\0" * 400,
}


def told(answer: Any) -> None:
    """A problem with a title that says what is wrong and a detail that says what to do."""
    assert answer.status_code in (400, 413, 422), (answer.status_code, answer.text[:200])
    assert answer.headers["content-type"].startswith("application/problem+json")
    problem = answer.json()
    assert (
        problem["title"]
        and problem["type"].startswith("urn:cutreel:")
        and "Traceback" not in answer.text
    )


@pytest.fixture
def places(client, film, finished) -> dict[str, tuple[str, str]]:
    """Where files are taken, and the name of the field."""
    shot = film["shots"][0]["id"]
    run = client.post(
        f"/api/films/{film['id']}/runs", json={"kind": "pictures", "shots": [shot], "takes": 1}
    ).json()
    finished(film["id"], run["id"])
    take = client.get(f"/api/films/{film['id']}").json()["shots"][0]["takes"][0]["id"]
    root = f"/api/films/{film['id']}"
    return {
        "take": (f"{root}/shots/{shot}/takes", "file"),
        "sketch": (f"{root}/sketches", "file"),
        "mask": (f"{root}/takes/{take}/masks", "file"),
    }


def test_what_is_no_picture_is_refused_in_words_everywhere(client, film, places) -> None:
    before = client.get(f"/api/films/{film['id']}").json()
    for where, (path, field) in places.items():
        for name, data in BAD.items():
            answer = client.post(path, files={field: (f"{name}.png", data, "image/png")})
            try:
                told(answer)
            except AssertionError as error:
                raise AssertionError(f"{name} as a {where}: {error}") from error
    after = client.get(f"/api/films/{film['id']}").json()
    assert [s["takes"] for s in after["shots"]] == [s["takes"] for s in before["shots"]], (
        "nothing came of it"
    )


def test_one_bad_file_among_many_stops_no_other(client, film) -> None:
    files = [
        ("files", (f"{i} {name}.png", data, "image/png"))
        for i, (name, data) in enumerate(BAD.items())
        if name != "a zip that is none"
    ]
    files += [("files", ("9 good.webp", picture(form="WEBP"), "image/webp"))]
    files += [("files", ("all.zip", packed("deep/10 good.png", picture()), "application/zip"))]
    found = client.post(f"/api/films/{film['id']}/brought", files=files).json()
    assert [bool(f["problem"]) for f in found] == [True] * (len(BAD) - 1) + [False, False]
    assert (
        all(f["problem"].endswith(".") for f in found[:-2]) and found[-1]["name"] == "10 good.png"
    )


def test_a_zip_in_a_zip_and_one_with_a_word_are_told(client, film) -> None:
    nested = packed("inner.zip", packed("a.png", picture()))
    found = client.post(
        f"/api/films/{film['id']}/brought", files=[("files", ("outer.zip", nested))]
    ).json()
    assert len(found) == 1 and found[0]["problem"]
    told(
        client.post(
            f"/api/films/{film['id']}/brought",
            files=[("files", ("none.zip", BAD["a zip that is none"]))],
        )
    )


@settings(max_examples=25, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(
    at=st.integers(0, 1 << 20),
    noise=st.binary(min_size=1, max_size=24),
    form=st.sampled_from(["PNG", "JPEG", "WEBP"]),
)
def test_damage_anywhere_in_a_file_is_told_or_read(
    client, film, at: int, noise: bytes, form: str
) -> None:
    data = bytearray(picture(400, 340, form))
    at %= len(data)
    data[at : at + len(noise)] = noise
    answer = client.post(f"/api/films/{film['id']}/sketches", files={"file": ("x", bytes(data))})
    if answer.status_code == 201:
        kept = client.get(f"/media/{answer.json()['media']}")
        assert Image.open(io.BytesIO(kept.content)).format == "PNG"
    else:
        told(answer)


def test_the_same_picture_twice_is_said_and_for_another_shot_taken(client, film) -> None:
    one, other = (f"/api/films/{film['id']}/shots/{s['id']}/takes" for s in film["shots"][:2])
    files = {"file": ("mine.png", picture(720, 640), "image/png")}
    assert client.post(one, files=files).status_code == 201
    again = client.post(one, files=files)
    told(again)
    assert again.json()["title"] == "That picture is take 1 of the shot already."
    assert client.post(other, files=files).status_code == 201
