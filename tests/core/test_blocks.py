"""A film is mixed in blocks, and nobody can tell: where blocks meet nothing is heard, what was kept is what would be
mixed anew, and what changed is all that is measured again."""

from collections.abc import Iterable
from dataclasses import replace

import numpy as np
import pytest

from cutreel.core.sound import (
    BLOCK,
    RATE,
    Giving,
    MixedPart,
    Mixer,
    Samples,
    Tone,
    Treatment,
    integrated_lufs,
    loudness_range,
    mix,
)
from tests.core.test_sound import sine, speechlike

pytestmark = pytest.mark.thorough

RNG = np.random.default_rng(7)
NOISE = (RNG.standard_normal((RATE * 5, 2)) * 0.1).astype(np.float32)
SECONDS = 34.0


def film(later: float = 0.0, cue: float = 21.0) -> list[MixedPart]:
    """Voice, a bed of noise, music and a bang."""
    chance = np.random.default_rng(3)
    voice = Samples((chance.standard_normal(RATE * 6) * 0.1).astype(np.float32))
    return [
        *(
            MixedPart("voice", s + later, voice, fade_in=0.005, fade_out=0.02)
            for s in (1.0, 12.5, 17.0)
        ),
        MixedPart("ambience", later, Samples(NOISE), loop_to=SECONDS + later, fade_in=0.8),
        MixedPart("music", later, Samples(sine(-20, SECONDS, 220)), fade_out=4.0),
        MixedPart("spot", cue + later, Samples(sine(-6, 0.3, 90)), pan=-0.5),
    ]


TOLD = Treatment(
    Giving(dip={"music": 4.0}),
    {"music": [(2.0, 0.0), (15.0, -9.0)]},
    {"voice": Tone(90.0, 1.5), "ambience": Tone(bright=-3.0)},
)


def whole(blocks: Iterable[np.ndarray]) -> np.ndarray:
    return np.concatenate(list(blocks))


def test_where_blocks_meet_nothing_is_heard() -> None:
    """The same film 3.37 s later has its seams elsewhere, and sounds the same."""
    later = 3.37
    lines = {"music": [(2.0 + later, 0.0), (15.0 + later, -9.0)]}
    here = whole(mix(film(), SECONDS, treatment=TOLD))
    there = whole(mix(film(later), SECONDS + later, treatment=replace(TOLD, lines=lines)))
    moved = there[round(later * RATE) :]
    n = min(len(here), len(moved)) - RATE // 2
    gain = np.vdot(here[:n], moved[:n]) / np.vdot(moved[:n], moved[:n])
    assert gain == pytest.approx(1.0, abs=0.01)
    np.testing.assert_allclose(moved[RATE:n] * gain, here[RATE:n], atol=2e-3)
    assert abs(moved[RATE:n] * gain - here[RATE:n]).mean() < 1e-4


def test_what_was_kept_is_what_would_be_mixed_anew() -> None:
    """One cue is moved: the whole, mixed with what was kept of before, is to the bit the whole mixed afresh."""
    kept: dict[str, bytes] = {}
    before = Mixer(film(), SECONDS, TOLD, kept)
    before.mastered()
    after, fresh = Mixer(film(cue=22.0), SECONDS, TOLD, kept), Mixer(film(cue=22.0), SECONDS, TOLD)
    new = [b for b in range(after.blocks) if not after.known(b)]
    assert new == [4]
    a, b = after.mastered(), fresh.mastered()
    assert a.louder == b.louder and a.held == b.held
    for block in range(after.blocks):
        assert after.sound(block, a).tobytes() == fresh.sound(block, b).tobytes()


@pytest.mark.parametrize(
    ("change", "blocks"),
    [
        (lambda told: replace(told, giving=Giving(attack=0.4)), set(range(7))),
        (lambda told: replace(told, tones={}), set(range(7))),
        (lambda told: replace(told, lines={"music": [(2.0, 0.0), (15.0, -6.0)]}), set(range(7))),
        (
            lambda told: replace(told, lines={"music": [(2.0, 0.0), (15.0, -9.0), (22.0, -9.0)]}),
            {4},
        ),
        (lambda told: told, set()),
    ],
)
def test_a_treatment_concerns_the_blocks_it_is_heard_in(change, blocks: set[int]) -> None:
    before, after = (Mixer(film(), SECONDS, TOLD), Mixer(film(), SECONDS, change(TOLD)))
    assert {b for b in range(7) if before.key(b) != after.key(b)} == blocks


def test_a_word_gives_way_before_the_block_that_it_is_said_in() -> None:
    """A voice that begins with a block: music is down when it comes, so the block before it hears of it."""
    music = MixedPart("music", 0.0, Samples(sine(-20, 20, 220)))
    voice = MixedPart("voice", BLOCK / RATE, Samples(speechlike(4)))
    alone, spoken = (Mixer(parts, 20.0) for parts in ([music], [music, voice]))
    assert alone.key(0) != spoken.key(0)
    last = spoken.heard(0)["gives"][3]
    assert last[-1] < -11 and last[-10] == 0


def test_what_is_expected_behind_the_limiter_is_what_comes_out() -> None:
    """The loudness and the range that the mix tells, against those of its samples."""
    mixer = Mixer(film(), SECONDS)
    found = mixer.mastered(-10.0)
    out = whole(mixer.sound(b, found) for b in range(mixer.blocks))
    assert found.held > 1
    assert integrated_lufs(out, RATE) == pytest.approx(found.lufs, abs=0.05)
    assert found.lufs == pytest.approx(-10.0, abs=0.03)


def test_lanes_together_are_the_whole() -> None:
    mixer = Mixer(film(), SECONDS, TOLD)
    found = mixer.mastered()
    parts = [mixer.sound(1, found, [role]) for role in ("voice", "spot", "ambience", "music")]
    np.testing.assert_allclose(sum(parts), mixer.sound(1, found), atol=1e-6)


def of_levels(*levels: tuple[float, float]) -> np.ndarray:
    """The weighted power in hops of 100 ms of a stereo sine at 1 kHz: seconds at so many dBFS."""
    hops = np.concatenate([np.full(round(s * 10), level) for level, s in levels])
    return 10 ** ((hops + 0.691) / 10)


@pytest.mark.parametrize(
    ("levels", "range_"),
    [
        ([(-20, 20), (-30, 20)], 10.0),
        ([(-20, 20), (-15, 20)], 5.0),
        ([(-40, 20), (-20, 20)], 20.0),
        ([(-50, 20), (-35, 20), (-20, 20), (-35, 20), (-50, 20)], 15.0),
    ],
)
def test_ebu_tech_3342_minimum_requirements(levels, range_: float) -> None:
    """EBU Tech 3342, table 1, cases 1 to 4: a stereo sine at 1 kHz, so many LU ±1."""
    assert loudness_range(of_levels(*levels)) == pytest.approx(range_, abs=1.0)


def test_ebu_tech_3341_short_term() -> None:
    """EBU Tech 3341, case 9: -20 dBFS for 1.34 s and -30 for 1.66 s, five times over; from 3 s on -23 LUFS ±0.1."""
    wave = np.concatenate([sine(-20, 1.34), sine(-30, 1.66)] * 5)
    mixer = Mixer([MixedPart("music", 0.0, Samples(wave))], 15.0)
    levels = mixer.mastered(-23.0).short_term
    assert len(levels) == 121 and np.abs(levels - np.median(levels)).max() < 0.1


def test_a_silent_film_is_silent() -> None:
    mixer = Mixer([], 12.0)
    found = mixer.mastered()
    assert (
        found.louder == 0
        and not mixer.sound(0, found).any()
        and mixer.sound(2, found).shape == (2 * RATE, 2)
    )


@pytest.mark.parametrize(("attack", "release"), [(0.2, 0.7), (0.05, 2.0), (1.0, 0.3)])
def test_music_goes_down_and_comes_back_in_the_time_that_is_set(
    attack: float, release: float
) -> None:
    """Measured on the music itself, a tone, around ten seconds of steady voice: it is wholly down when the voice comes,
    half a decibel down no earlier than its attack before that, and back within its release and the hold behind it."""
    tone = MixedPart("music", 0.0, Samples(sine(-20, 30, 1000)))
    voice = MixedPart("voice", 10.0, Samples(sine(-20, 10, 300)))
    by = {"music": -12.0, "voice": 0.0}
    mixer = Mixer([tone, voice], 30.0, Treatment(Giving(by, attack=attack, release=release)))
    music = np.concatenate([mixer.lanes(b)["music"][:, 0] for b in range(mixer.blocks)])
    frames = music.reshape(-1, RATE // 50)
    level = 20 * np.log10(np.sqrt((frames**2).mean(axis=1)))
    level -= level[:100].mean()

    def first(below: bool, decibels: float, start: float) -> float:
        part = level[round(start * 50) :]
        return start + np.argmax((part < decibels) == below) / 50

    assert level[round(10.02 * 50)] == pytest.approx(-12, abs=0.2)
    assert 0 <= 10 - first(True, -0.5, 5) <= attack + 0.03
    assert 10 - first(True, -11.5, 5) < attack * 0.5 + 0.03
    assert 20 + 0.3 <= first(False, -11.5, 15) <= 20.3 + release * 0.5 + 0.04
    assert first(False, -0.5, 15) == pytest.approx(20.3 + release, abs=release * 0.2 + 0.04)


def test_a_spot_gives_way_only_where_it_would_mask_a_word() -> None:
    """Two noises under a voice: the loud one gives way by up to six decibels, the faint one not at all; and the loud
    one not where nobody speaks."""
    noise = Samples((np.random.default_rng(2).standard_normal((RATE, 2)) * 0.1).astype(np.float32))
    voice = MixedPart("voice", 2.0, Samples(sine(-20, 8, 300)))
    spots = [
        MixedPart("spot", 0.2, noise, trim_db=22.0),
        MixedPart("spot", 4.0, noise, trim_db=22.0),
        MixedPart("spot", 7.0, noise, trim_db=-12.0),
    ]
    mixer = Mixer([voice, *spots], 12.0)
    gives = np.concatenate([mixer.heard(b)["gives"][1] for b in range(2)]).astype(float)
    assert gives[4:18].max() == gives[4:18].min() == 0
    assert gives[82:98].min() == pytest.approx(-6, abs=0.05)
    assert gives[145:155].min() == 0


def test_the_band_of_speech_alone_is_kept_lower() -> None:
    """Music of two tones while somebody speaks: the one at 2 kHz is lower by the dip, the one at 200 Hz is not."""
    both = sine(-20, 20, 200) + sine(-20, 20, 2000)
    music = MixedPart("music", 0.0, Samples(both))
    voice = MixedPart("voice", 0.0, Samples(sine(-20, 20, 500)))
    plain, dipped = (
        Mixer([music, voice], 20.0, Treatment(Giving({"music": -6.0}, dip))).lanes(1)["music"]
        for dip in ({}, {"music": 8.0})
    )

    def level(audio: np.ndarray, hertz: float) -> float:
        part = audio[RATE : 5 * RATE, 0] * np.hanning(4 * RATE)
        return 20 * np.log10(np.abs(np.fft.rfft(part))[round(hertz * 4)])

    assert level(dipped, 2000) - level(plain, 2000) == pytest.approx(-8, abs=0.3)
    assert level(dipped, 200) - level(plain, 200) == pytest.approx(0, abs=0.2)
