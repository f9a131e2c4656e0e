"""The sound alone, for whoever mixes it elsewhere: stems that add up to the mix, the mix before its limiter, and the
finished sound."""

import math
import tempfile
from collections.abc import Callable, Iterator, Sequence
from contextlib import ExitStack
from datetime import datetime
from pathlib import Path
from typing import Any, BinaryIO

import numpy as np
import soundfile
from numpy.typing import NDArray

from cutreel.core.film import cue_sheet
from cutreel.core.sound import (
    RATE,
    ROLES,
    Mastered,
    Mixer,
    Role,
    Sound,
    as_24_bit,
    broadcast_header,
    in_steps,
)
from cutreel.core.timeline import timecode
from cutreel.store import Assembled

from .mixing import in_blocks, mix_spec, mixer_of
from .taken import keep_file, taken_file
from .workshop import Workshop

STEMS: dict[str, tuple[str, tuple[Role, ...]]] = {
    "voice": ("the voice alone", ("voice",)),
    "sound": ("spots and ambience", ("spot", "ambience")),
    "music": ("the music alone", ("music",)),
    "without-voice": ("all but the voice", ("spot", "ambience", "music")),
    "sum": ("all of them, before the limiter", ROLES),
}
"""What each file holds. Voice, sound and music add up to the sum."""
LANES = ("voice", "sound", "music")
Steps = NDArray[np.int32]


def write_stems(
    shop: Workshop, film: Assembled, progress: Callable[[float], None], dropped: Callable[[], bool]
) -> dict[str, Any] | None:
    """Keep a film's stems and its sound alone. Returns names of media files, or None when nobody wants
    them any more."""
    spec = mix_spec(film)
    mixer = mixer_of(shop, spec)
    for done, _ in enumerate(in_blocks(mixer, mixer.heard)):
        progress(0.4 * done / mixer.blocks)
        if dropped():
            return None
    mastered = mixer.mastered(spec.loudness)
    lower = headroom(mixer, mastered)
    gain = 10 ** ((mastered.louder - lower) / 20)
    when = datetime.now()
    title = film.document.shown(film.document.title)
    with tempfile.TemporaryDirectory(prefix="cutreel-stems-") as folder, ExitStack() as open_:
        files: dict[str, BinaryIO] = {}
        for name, (what, _) in STEMS.items():
            told = f"{title}: {what}" + (
                f", {lower} dB lower so that nothing clips" if lower else ""
            )
            files[name] = open_.enter_context((Path(folder) / f"{name}.wav").open("wb"))
            files[name].write(broadcast_header(mixer.length, told, when))
        finished = {
            ending: open_.enter_context(
                soundfile.SoundFile(
                    Path(folder) / f"mix.{ending}", "w", RATE, 2, subtype, format=ending.upper()
                )
            )
            for ending, subtype in (("flac", "PCM_24"), ("mp3", "MPEG_LAYER_III"))
        }
        wave = open_.enter_context((Path(folder) / "mix.wav").open("wb"))
        wave.write(broadcast_header(mixer.length, f"{title}: the mix", when, mastered.lufs))
        for done, (steps, block) in enumerate(_blocks(mixer, mastered, gain)):
            for name, part in steps.items():
                files[name].write(as_24_bit(part))
            wave.write(as_24_bit(in_steps(block, 1.0)))
            for file in finished.values():
                file.write(block)
            progress(0.4 + 0.55 * done / mixer.blocks)
            if dropped():
                return None
        open_.close()
        kept = [
            keep_file(shop.media, Path(folder) / f"{name}.wav", what)
            for name, (what, _) in STEMS.items()
        ]
        kept += [
            keep_file(shop.media, Path(folder) / f"mix.{e}", "the mix")
            for e in ("wav", "flac", "mp3")
        ]
    sheet = cue_sheet(film).encode()
    kept.append(taken_file("cues.csv", shop.media.put(sheet, "csv"), len(sheet), "the cue sheet"))
    kept += _notes(shop, film)
    return {"files": kept, "lower": lower, "lufs": round(mastered.lufs, 2)}


def _notes(shop: Workshop, film: Assembled) -> list[dict[str, Any]]:
    """The notes of each piece of music that was written down, as MIDI."""
    kept, number = [], 0
    for cue in film.cues:
        sound = film.sound_of(cue) if cue.kind == "music" else None
        number += cue.kind == "music"
        if sound is not None and (name := sound.data.get("notes")):
            at = timecode(film.rate.frames(cue.start), film.rate)
            size = len(shop.media.get(name))
            kept.append(
                taken_file(f"music-{number}.mid", name, size, f"notes of {cue.prompt}, from {at}")
            )
    return kept


def headroom(mixer: Mixer, mastered: Mastered) -> int:
    """By how many whole decibels stems are to lie under the film, so that none of them, nor any sum, clips."""
    highest = 0.0
    for block in range(mixer.blocks):
        heard = mixer.heard(block)
        # No sum of lanes is higher than the sum of their highest samples.
        waves = heard["wave"].astype(np.float64).sum(axis=0).max()
        highest = max(highest, float(heard["peak"].max()), float(waves))
    over = 20 * math.log10(max(1e-6, highest)) + mastered.louder
    return max(0, math.ceil(over + 0.1))


def _blocks(
    mixer: Mixer, mastered: Mastered, gain: float
) -> Iterator[tuple[dict[str, Steps], Sound]]:
    """Each block as stems in whole steps, and as it is heard in the end."""

    def made(block: int) -> tuple[dict[str, Steps], Sound]:
        lanes = mixer.lanes(block)
        steps = {name: _sum(lanes, STEMS[name][1], gain, mixer, block) for name in LANES}
        steps["without-voice"] = steps["sound"] + steps["music"]
        steps["sum"] = steps["voice"] + steps["without-voice"]
        return steps, mixer.sound(block, mastered)

    yield from in_blocks(mixer, made)


def _sum(
    lanes: dict[Role, Sound], roles: Sequence[Role], gain: float, mixer: Mixer, block: int
) -> Steps:
    start, end = mixer.span(block)
    total = np.zeros((end - start, 2), np.float32)
    for role in roles:
        if role in lanes:
            total += lanes[role]
    return in_steps(total, gain)
