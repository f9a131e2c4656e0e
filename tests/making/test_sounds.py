"""Kept sounds as sources of a mix."""

import io
from itertools import pairwise

import numpy as np
import pytest
import soundfile

from cutreel.core.sound import RATE
from cutreel.making.audio import KeptSounds
from cutreel.store import MediaStore


def kept(media: MediaStore, seconds: float, seed: int, rate: int = RATE) -> tuple[str, np.ndarray]:
    """A sound in the media store, and its samples as FLAC (lossless, 16 bit) holds them."""
    noise = np.random.default_rng(seed).integers(-9000, 9000, (round(seconds * rate), 1))
    file = io.BytesIO()
    soundfile.write(file, noise.astype(np.int16), rate, format="FLAC", subtype="PCM_16")
    return media.put(file.getvalue(), "flac"), noise / 32768


@pytest.fixture
def media(tmp_path) -> MediaStore:
    return MediaStore(str(tmp_path / "media"))


def test_any_stretch_of_a_cut_sound_is_had_in_stereo(media: MediaStore) -> None:
    name, samples = kept(media, 1.0, 1)
    source = KeptSounds(media).source(name, (1_000, 40_000))
    assert source.length == 39_000
    for start, end in ((0, 10), (500, 39_000), (38_990, 50_000)):
        stop = min(end, source.length)
        wanted = np.repeat(samples[1_000 + start : 1_000 + stop], 2, axis=1)
        np.testing.assert_allclose(source.read(start, end), wanted, atol=1e-6)


def test_only_so_much_is_held_decoded_however_many_sounds_there_are(media: MediaStore) -> None:
    most = 2_000_000
    sounds = KeptSounds(media, most)
    files = [kept(media, 0.5, seed) for seed in range(60)]
    sources = [sounds.source(name) for name, _ in files]
    for source, (_, samples) in zip(sources, files, strict=True):
        np.testing.assert_allclose(source.read(0, source.length)[:, :1], samples, atol=1e-6)
        assert sounds.held <= most
    assert sounds.held > most / 2, "what was used last stays"


def test_a_sound_larger_than_all_that_is_held_is_read_all_the_same(media: MediaStore) -> None:
    name, samples = kept(media, 1.0, 5)
    source = KeptSounds(media, 1_000).source(name)
    bounds = [*range(0, source.length, 7_000), source.length]
    found = np.concatenate([source.read(a, b) for a, b in pairwise(bounds)])
    np.testing.assert_allclose(found[:, :1], samples, atol=1e-6)


def test_a_sound_of_another_rate_is_brought_to_ours(media: MediaStore) -> None:
    name, _ = kept(media, 1.0, 3, rate=24_000)
    assert KeptSounds(media).source(name).length == pytest.approx(RATE, abs=2)


@pytest.mark.parametrize("subtype", ["PCM_16", "PCM_24"])
def test_what_is_held_is_what_its_file_has_to_the_bit(media: MediaStore, subtype: str) -> None:
    """Held as whole numbers where the file has 16 bits; against libsndfile's own reading of it."""
    told = io.BytesIO()
    noise = np.random.default_rng(8).uniform(-1, 1, (20_000, 2))
    soundfile.write(told, noise, RATE, format="FLAC", subtype=subtype)
    name = media.put(told.getvalue(), "flac")
    wanted, _ = soundfile.read(io.BytesIO(told.getvalue()), dtype="float32")
    np.testing.assert_array_equal(KeptSounds(media).source(name).read(5, 19_000), wanted[5:19_000])
