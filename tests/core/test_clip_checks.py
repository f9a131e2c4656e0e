"""Faults of clips: planted in moving pictures that were made for it, found, and found in no sound one."""

import numpy as np
import pytest
from scipy.ndimage import gaussian_filter, shift

from cutreel.core.pictures import SMALL, check_clip, faults_of_clip, lost_in, off_by

RATE = 24
W, H = SMALL


def moving(seconds: float = 3.0, speed: float = 0.3, twos: bool = False) -> np.ndarray:
    """A soft picture that slides sideways, `speed` small pixels a frame; drawn on twos, every drawing stands twice."""
    rng = np.random.default_rng(5)
    base = gaussian_filter(rng.uniform(0, 255, (H, W * 2, 3)), (1.2, 1.2, 0))
    base = (base - base.min()) / np.ptp(base) * 200 + 25
    count = round(seconds * RATE)
    at = [n // 2 * 2 if twos else n for n in range(count)]
    frames = [shift(base, (0, -speed * n, 0), order=1, mode="wrap")[:, :W] for n in at]
    return np.clip(np.stack(frames), 0, 255).astype(np.uint8)


def kinds(frames: np.ndarray, off: float | None = None) -> list[str]:
    checks = check_clip(frames, RATE).model_copy(update={"off": off})
    return [f.kind for f in faults_of_clip(checks)]


@pytest.mark.thorough
@pytest.mark.parametrize("speed", [0.1, 0.3, 1.0])
@pytest.mark.parametrize("twos", [False, True])
def test_a_sound_clip_has_no_fault(speed, twos) -> None:
    assert kinds(moving(speed=speed, twos=twos), off=1.5) == []


def test_a_stretch_that_stands_still_is_found_with_its_place() -> None:
    sound = moving()
    frames = np.concatenate((sound[:30], np.repeat(sound[30:31], 30, 0), sound[31:43]))
    checks = check_clip(frames, RATE)
    assert checks.still == pytest.approx(29 / RATE, abs=1.5 / RATE)
    assert checks.still_at == pytest.approx(30 / RATE, abs=1.5 / RATE)
    assert kinds(frames) == ["frozen"]


def test_flicker_is_found_and_a_fade_is_none() -> None:
    frames = moving().astype(int)
    flickering = frames + np.where(np.arange(len(frames)) % 2, 5, -5)[:, None, None, None]
    assert kinds(np.clip(flickering, 0, 255).astype(np.uint8)) == ["flickers"]
    fade = frames + np.linspace(0, 10, len(frames))[:, None, None, None]
    assert kinds(np.clip(fade, 0, 255).astype(np.uint8)) == []


def test_a_jump_is_found_where_it_is() -> None:
    frames = moving()
    frames[40:] = frames[40:, ::-1, ::-1]
    checks = check_clip(frames, RATE)
    assert checks.jump_at == pytest.approx(40 / RATE, abs=0.05)
    assert kinds(frames) == ["jumps"]


def test_colours_that_drift_are_found() -> None:
    frames = moving().astype(float)
    frames[..., 0] += np.linspace(0, 30, len(frames))[:, None, None]
    assert kinds(np.clip(frames, 0, 255).astype(np.uint8)) == ["drifts"]


def test_a_clip_that_begins_with_another_picture_is_said_to() -> None:
    frames = moving()
    near = np.clip(frames[0].astype(int) + 3, 0, 255).astype(np.uint8)
    assert kinds(frames, off_by(near, frames[0])) == []
    assert kinds(frames, off_by(frames[0][:, ::-1], frames[0])) == ["begins"]


def test_what_becomes_another_picture_has_other_colours_on_purpose() -> None:
    faded = np.stack([np.full((45, 80, 3), 40 + 6 * n, np.uint8) for n in range(24)])
    checks = check_clip(faded, 12)
    assert "drifts" in {f.kind for f in faults_of_clip(checks)}
    assert "drifts" not in {f.kind for f in faults_of_clip(checks, becomes=True)}


def figure(count: int, lost: int, leaves: bool = False) -> np.ndarray:
    """Looks at somebody with a red hat and a yellow coat; the hat goes with the look numbered `lost`."""
    looks = np.full((count, 90, 160, 3), (120, 140, 150), np.uint8)
    for n, frame in enumerate(looks):
        if leaves and n >= lost:
            continue
        left = 60 + n
        frame[40:80, left : left + 20] = (220, 180, 40)
        if n < lost:
            frame[30:40, left : left + 16] = (190, 40, 40)
    return looks


def test_who_loses_a_hat_within_a_clip_is_told_of_and_who_goes_is_not() -> None:
    ada = [("Ada", {"hat": (190.0, 40.0, 40.0), "top": (220.0, 180.0, 40.0)})]
    (lost,) = lost_in(figure(10, 4), ada)
    assert (lost.name, lost.what, lost.at) == ("Ada", "hat", 2.0)
    assert lost_in(figure(10, 10), ada) == []
    assert lost_in(figure(10, 9), ada) == [], "seen once without it is a turn of the head"
    assert lost_in(figure(10, 5, leaves=True), ada) == []
    checks = check_clip(np.zeros((24, 36, 64, 3), np.uint8), 12)
    told = faults_of_clip(checks.model_copy(update={"lost": [lost]}))
    assert "Ada’s hat is lost at 2.0 s" in {f.text for f in told}
