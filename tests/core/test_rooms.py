"""Rooms that voices are heard in: by what a room does to an impulse and to noise, beside SciPy; and which room a line is in."""

from itertools import pairwise

import numpy as np
import pytest
from scipy.signal import fftconvolve, welch

from cutreel.core.film import (
    Offered,
    OwnLine,
    Settings,
    apply_command,
    assemble,
    new_film,
    read_film,
)
from cutreel.core.film.commands import SetLine
from cutreel.core.manuscript import read
from cutreel.core.sound import RATE, InRoom, Samples, impulse
from cutreel.core.speech import room_in_words, room_of_place
from cutreel.core.timeline import ROOMS

WET = [r for r in ROOMS if r != "dry"]
NOISE = np.random.default_rng(8).normal(0, 0.1, (RATE * 2, 2)).astype(np.float32)


def dies_in(response: np.ndarray) -> float:
    """The reverberation time by backward integration (Schroeder, 1965; ISO 3382), from -5 to -25 decibels."""
    energy = np.cumsum((response.astype(float) ** 2).sum(1)[::-1])[::-1]
    level = 10 * np.log10(energy / energy[0] + 1e-12)
    tail = level[1000:] - level[1000]
    at = [int(np.argmax(tail < d)) / RATE for d in (-5, -25)]
    return 3 * (at[1] - at[0])


@pytest.mark.parametrize(
    ("room", "seconds"), [("hall", 1.7), ("small room", 0.3), ("thought", 0.6)]
)
def test_a_room_rings_on_as_long_as_it_should(room, seconds) -> None:
    assert dies_in(impulse(room)) == pytest.approx(seconds, rel=0.2)


@pytest.mark.parametrize(
    ("room", "low", "high"), [("telephone", 300, 3400), ("through a wall", 0, 430)]
)
def test_what_does_not_get_through_is_gone(room, low, high) -> None:
    heard = InRoom(Samples(NOISE), room).read(0, len(NOISE))
    hertz, power = welch(heard[:, 0], RATE, nperseg=8192)
    level = 10 * np.log10(power + 1e-20)
    inside = level[(hertz > low * 1.15) & (hertz < high * 0.85) & (hertz > 60)].mean()
    assert level[hertz > high * 1.8].max() < inside - 25
    if low:
        assert level[(hertz > 20) & (hertz < low * 0.5)].max() < inside - 15


@pytest.mark.parametrize("room", WET)
def test_any_stretch_is_the_same_as_of_the_whole(room) -> None:
    """A mix asks for blocks; they are what one convolution of all of it (SciPy) is."""
    sound = InRoom(Samples(NOISE[: RATE // 2]), room)
    whole = fftconvolve(NOISE[: RATE // 2], impulse(room), axes=0)
    assert sound.length == len(whole)
    edges = [0, 1, 777, RATE // 3, RATE // 2 + 90, sound.length]
    pieces = [sound.read(a, b) for a, b in pairwise(edges)]
    assert np.abs(np.concatenate(pieces) - whole).max() < 1e-4
    assert not sound.read(sound.length + 5, sound.length + 9).any()


@pytest.mark.parametrize("room", WET)
def test_speech_is_about_as_loud_in_every_room(room) -> None:
    """Noise with the long-term spectrum of speech, before and after."""
    spectrum = np.fft.rfft(NOISE, axis=0)
    hertz = np.fft.rfftfreq(len(NOISE), 1 / RATE)
    speech = np.fft.irfft(
        spectrum * ((1 / (1 + (hertz / 500) ** 2)) ** 0.5 * (hertz > 100))[:, None], axis=0
    )
    speech = speech.astype(np.float32)
    heard = InRoom(Samples(speech), room).read(0, len(speech))
    change = 20 * np.log10(np.sqrt((heard**2).mean()) / np.sqrt((speech**2).mean()))
    assert -7 < change < 1.5


@pytest.mark.parametrize(
    ("text", "places", "room"),
    [
        ("“Where am I?” thought Ada.", "a field", "thought"),
        ("“Where am I?” she thought.", "a field", "thought"),
        ("“Hello,” said Ada on the telephone.", "a kitchen", "telephone"),
        ("“Hello,” said Ada through the wall.", "a kitchen", "through a wall"),
        ("“Hello,” said Ada.", "an old church", "hall"),
        ("“Hello,” said Ada.", "a kitchen", "dry"),
        ("“Hello,” said Ada, who had thought of it.", "a kitchen", "dry"),
    ],
)
def test_the_room_is_told_by_the_words_or_the_place(text, places, room) -> None:
    script = read(text + "\n")
    found = {
        (room_in_words(script, li) or room_of_place(places)).room
        for li in script.lines
        if li.speaker
    }
    assert found == {room}
    told = [room_in_words(script, li) for li in script.lines if not li.speaker]
    assert all(t is not None and t.room == "dry" for t in told)


def test_the_maker_puts_a_line_into_a_room() -> None:
    document, _ = new_film("t", "“Run,” said Ada. Nobody came.\n", Settings())
    wish = SetLine(line=OwnLine(word=document.word_ids[0], room="telephone"))
    document, _, _ = apply_command(document, wish, [])
    film = assemble("f", read_film(document, Offered(600)), {}, lambda keys: {})
    assert film.rooms[0] == ("telephone", "set by hand")
    assert {r.room for r in film.rooms[1:]} == {"dry"}
