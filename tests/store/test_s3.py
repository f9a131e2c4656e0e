"""Media on an S3-like store, against a server that speaks its protocol (moto), as workers on several machines use it."""

from collections.abc import Iterator

import pytest
import s3fs
from moto.server import ThreadedMotoServer

from cutreel.core.errors import NotFound
from cutreel.store import MediaStore


@pytest.fixture(scope="module")
def media() -> Iterator[MediaStore]:
    server = ThreadedMotoServer(ip_address="127.0.0.1", port=0)
    server.start()
    host, port = server.get_host_and_port()
    with pytest.MonkeyPatch.context() as environment:
        environment.setenv("AWS_ACCESS_KEY_ID", "made-up")
        environment.setenv("AWS_SECRET_ACCESS_KEY", "made-up")
        environment.setenv("AWS_DEFAULT_REGION", "us-east-1")
        environment.setenv("AWS_ENDPOINT_URL", f"http://{host}:{port}")
        s3fs.S3FileSystem(endpoint_url=f"http://{host}:{port}").mkdir("films")
        yield MediaStore("s3://films/media")
    server.stop()


def test_what_is_kept_is_had_back_by_its_name(media: MediaStore) -> None:
    name = media.put(b"a picture", "png")
    assert media.put(b"a picture", "png") == name and media.has(name)
    assert media.get(name) == b"a picture"
    assert [p for p in media.fs.find("films/media") if p.endswith(".part")] == []


def test_a_file_of_any_size_is_kept(media: MediaStore, tmp_path) -> None:
    path = tmp_path / "film.mp4"
    path.write_bytes(bytes(range(256)) * 40_000)
    name = media.put_file(path, "mp4")
    assert media.get(name) == path.read_bytes()
    assert name == media.put(path.read_bytes(), "mp4"), "the same bytes have one name"


def test_a_part_of_a_file_is_had_without_the_rest(media: MediaStore) -> None:
    name = media.put(b"0123456789" * 1_000, "m4a")
    assert media.part(name, 10, 25) == b"012345678901234"
    assert media.size(name) == 10_000


def test_what_is_not_kept_is_said(media: MediaStore) -> None:
    with pytest.raises(NotFound, match="gone"):
        media.get("0" * 64 + ".png")
    assert not media.has("0" * 64 + ".png")


def test_what_is_large_is_copied_to_a_file(media: MediaStore, tmp_path) -> None:
    name, path = media.put(bytes(range(256)) * 40_000, "m4a"), tmp_path / "sound.m4a"
    media.copy(name, path)
    assert path.read_bytes() == media.get(name)
    with pytest.raises(NotFound, match="gone"):
        media.copy("0" * 64 + ".m4a", path)
