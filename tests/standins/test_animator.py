"""The animator: a clip as long as asked, that moves what its words say and says which it had no use for."""

import io
from itertools import pairwise

import av
import numpy as np
import pytest
from PIL import Image

from standins.animator import Motion, animate
from standins.illustrator import paint

W, H = 480, 270


def frames_of(mp4: bytes) -> list[np.ndarray]:
    with av.open(io.BytesIO(mp4)) as clip:
        return [f.to_ndarray(format="rgb24").astype(int) for f in clip.decode(video=0)]


@pytest.fixture(scope="module")
def picture() -> bytes:
    prompt = "medium shot, Ida (woman, yellow coat) lifts a lantern, jetty, dusk, layered cut paper"
    return paint(prompt, 7, W, H).flat


def still(picture: bytes, words: str, seconds: float = 1.0, seed: int = 1):
    return animate(picture, Motion(words, seconds, seed), W, H)


def test_a_clip_lasts_as_long_as_asked_and_begins_with_its_picture(picture) -> None:
    made = still(picture, "the camera stands still")
    shown = frames_of(made.mp4)
    assert len(shown) == 24
    first = np.asarray(Image.open(io.BytesIO(picture)).convert("RGB")).astype(int)
    assert np.abs(shown[0] - first).mean() < 6
    assert made.unused == []


def test_only_what_the_words_say_moves(picture) -> None:
    calm = frames_of(still(picture, "the camera stands still").mp4)
    quiet = max(np.abs(f - calm[0]).mean() for f in calm)
    assert quiet < 1.3, "the encoder's own noise"
    arm = frames_of(still(picture, "she lifts the lantern high").mp4)
    assert np.abs(arm[-1] - arm[0]).mean() > quiet + 0.5
    top = H * 2 // 5
    water = frames_of(still(picture, "the water runs").mp4)
    moved = np.abs(water[-1] - water[0])
    assert moved[-top:].mean() > moved[:top].mean() * 1.2


def test_a_push_comes_nearer(picture) -> None:
    pushed = frames_of(still(picture, "slow push in", 1.0).mp4)
    high, wide = H, W
    near = pushed[-1]
    # What was in the middle half now fills more: the first frame's middle, enlarged, is nearer to the last than the first is.
    k = 1.15
    box = (
        (wide - wide / k) / 2,
        (high - high / k) / 2,
        (wide + wide / k) / 2,
        (high + high / k) / 2,
    )
    enlarged = np.asarray(
        Image.fromarray(pushed[0].astype(np.uint8)).resize((wide, high), box=box)
    ).astype(int)
    assert np.abs(near - enlarged).mean() < np.abs(near - pushed[0]).mean()


def test_the_same_wish_is_the_same_clip_and_words_of_no_use_are_named(picture) -> None:
    one = still(picture, "she lifts a hand while zeppelins dissolve", 0.5)
    assert one.mp4 == still(picture, "she lifts a hand while zeppelins dissolve", 0.5).mp4
    assert {"zeppelins", "dissolve"} <= set(one.unused) and "lifts" not in one.unused


def test_of_a_picture_that_is_not_its_own_the_camera_and_water_move() -> None:
    noise = np.random.default_rng(1).integers(0, 255, (H // 10, W // 10, 3), np.uint8)
    out = io.BytesIO()
    Image.fromarray(noise).resize((W, H)).save(out, "PNG")
    moved = frames_of(still(out.getvalue(), "pan left over the waves").mp4)
    assert np.abs(moved[-1] - moved[0]).mean() > 3


def test_a_clip_is_heard_where_its_words_tell_of_a_sound_and_one_is_wanted(picture) -> None:
    def streams(words: str, sound: bool) -> int:
        made = animate(picture, Motion(words, 0.5, sound=sound), W, H)
        with av.open(io.BytesIO(made.mp4)) as clip:
            if not clip.streams.audio:
                return 0
            loud = max(float(np.abs(f.to_ndarray()).max()) for f in clip.decode(audio=0))
            assert loud > 0.05
            return len(clip.streams.audio)

    assert streams("waves run up the shore", True) == 1
    assert streams("waves run up the shore", False) == 0
    assert streams("slow push in", True) == 0


def test_a_clip_becomes_the_picture_that_it_is_to_end_as(picture) -> None:
    end = paint("wide shot, a shore, day, layered cut paper", 3, W, H).flat
    made = animate(picture, Motion("slow push in", 1.0), W, H, end)
    shown = frames_of(made.mp4)
    first, last = (
        np.asarray(Image.open(io.BytesIO(p)).convert("RGB")).astype(int) for p in (picture, end)
    )
    assert np.abs(shown[0] - first).mean() < 6
    assert np.abs(shown[-1] - last).mean() < 6
    assert np.abs(shown[len(shown) // 2] - last).mean() > 20


def test_what_is_not_wanted_does_not_move_and_a_fine_one_is_drawn_on_ones(picture) -> None:
    def drawn(**more) -> list[np.ndarray]:
        return frames_of(animate(picture, Motion("she lifts it high", 1.0, **more), W, H).mp4)

    lifted, kept = drawn(), drawn(negative="lifts, text")
    gone = [float(np.abs(shown[-1] - shown[0]).mean()) for shown in (lifted, kept)]
    assert gone[1] < gone[0] - 0.3, "what is left is the encoder's own noise"

    def between_twos(shown: list[np.ndarray]) -> float:
        """How much changes within a drawing that is held for two frames, beside what changes to the next."""
        changes = [float(np.abs(b - a).mean()) for a, b in pairwise(shown)]
        return sum(changes[2:20:2]) / sum(changes[3:20:2])

    assert between_twos(drawn(fine=True)) > 1.3 * between_twos(lifted)
