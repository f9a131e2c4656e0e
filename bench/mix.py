"""How fast a film's sound is mixed: an hour with 500 cues, in seconds of it for each second that takes, beside the bare
encoder on as many samples; then one cue moved, and what that takes until it is heard. Aims: 60 times real time on two
cores; a second. Run: python -m bench.mix [MINUTES]

Its sounds are the stand-ins' own: lines of two voices, spots, an ambience under each scene, and music.
"""

import resource
import sys
import tempfile
import time
from collections.abc import Iterator
from concurrent.futures import ProcessPoolExecutor
from dataclasses import replace
from pathlib import Path

import numpy as np
from numpy.typing import NDArray

from cutreel.core.render import encode_sound
from cutreel.core.sound import RATE
from cutreel.core.timeline import SoundClip
from cutreel.making.audio import KeptSounds
from cutreel.making.mixing import (
    LaneTold,
    MixedSound,
    MixSpec,
    beside_each_other,
    in_blocks,
    mixer_with,
)
from cutreel.store import MediaStore, kept_in

SPOTS = ("a church bell rings", "a wooden door slams", "a dog barks", "a splash of water")
UNDER = ("waves on a shore", "steady rain", "birds and leaves")
LINES = (
    "The Saltmere ferry had not missed a crossing in forty years.",
    "So when she lifted her lantern that night and looked across the water, she knew at once what was wrong.",
    "Nobody could remember who lit it, only that somebody always had.",
)


BARE = 300.0
"""Seconds of noise that the bare encoder is given."""


def main(minutes: float = 60.0) -> None:
    seconds = minutes * 60
    with tempfile.TemporaryDirectory() as folder:
        media = MediaStore(f"{folder}/media")
        # Made in a process of its own, so that what its sounds need is not counted.
        with ProcessPoolExecutor(1) as pool:
            spec = pool.submit(film, f"{folder}/media", seconds).result()
        cues = sum(s.track in ("spot", "ambience", "music") for s in spec.sounds)
        print(f"{minutes:.0f} minutes, {len(spec.sounds)} sounds, {cues} of them cues")

        def silence() -> Iterator[NDArray[np.float32]]:
            block = (np.random.default_rng(1).normal(0, 0.1, (10 * RATE, 2))).astype(np.float32)
            for _ in range(int(BARE / 10)):
                yield block

        start = time.perf_counter()
        encode_sound(silence(), RATE, 4.0, f"{folder}/bare.m4a")
        bare = time.perf_counter() - start
        print(f"bare encoder      {BARE / bare:6.0f} times real time")

        kept, sounds = kept_in(Path(folder) / "kept"), KeptSounds(media)
        start = time.perf_counter()
        mixer = mixer_with(sounds, spec, kept)
        for _ in in_blocks(mixer, mixer.heard):
            pass
        measured = time.perf_counter()
        found = mixer.mastered(spec.loudness)
        mastered = time.perf_counter()
        for _ in in_blocks(mixer, lambda b: mixer.sound(b, found)):
            pass
        mixed = time.perf_counter()
        encode_sound(
            in_blocks(mixer, lambda b: mixer.sound(b, found)), RATE, 4.0, f"{folder}/mix.m4a"
        )
        end = time.perf_counter()
        print(f"blocks measured   {seconds / (measured - start):6.0f} times real time")
        print(f"brought to aim    {mastered - measured:6.2f} s")
        print(f"whole mix         {seconds / (mixed - start):6.0f} times real time")
        print(
            f"mixed and encoded {seconds / (end - mixed):6.0f} times real time once it is measured;"
            f" {BARE / bare * (end - mixed) / seconds:.2f} of the bare encoder's time"
        )

        at = next(
            i for i, s in enumerate(spec.sounds) if s.track == "spot" and s.start > seconds / 2
        )
        moved = spec.sounds[at].model_copy(update={"start": spec.sounds[at].start + 0.5})
        other = spec.model_copy(
            update={"sounds": (*spec.sounds[:at], moved, *spec.sounds[at + 1 :])}
        )
        start = time.perf_counter()
        mixer = mixer_with(sounds, other, kept)  # as the desk does
        missing = [b for b in range(mixer.blocks) if not mixer.known(b)]
        for _ in beside_each_other(mixer.heard, missing):
            pass
        mixer.sound(missing[0], mixer.mastered(other.loudness))
        print(
            f"one cue moved     {time.perf_counter() - start:6.2f} s until it is heard;"
            f" {len(missing)} of {mixer.blocks} blocks mixed"
        )
    most = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1000
    print(f"memory at most    {most:6.0f} MB")


def film(folder: str, seconds: float) -> MixSpec:
    """A film as long, with a spot every seven seconds or so and a scene a minute or two."""
    # Here, so that the process that is measured does not hold them.
    from standins.music import compose, play
    from standins.sounds import make_sound
    from standins.voices import speak

    media, chance = MediaStore(folder), np.random.default_rng(4)
    voices = [
        (media.put(spoken.flac, "flac"), spoken)
        for spoken in (speak(line, v) for line in LINES for v in ("briony", "alder"))
    ]
    spots = [media.put(make_sound(p, 2.0, 1)[0], "flac") for p in SPOTS]
    under = [media.put(make_sound(p, 12.0, 1)[0], "flac") for p in UNDER]
    music = media.put(play(compose("calm", 180.0, 3).song, 180.0), "flac")
    sounds, at = KeptSounds(media), 0.5
    clips: list[SoundClip] = []
    while at < seconds - 8:
        name, _ = voices[int(chance.integers(len(voices)))]
        clips.append(SoundClip("voice", round(at, 4), name, fade_in=0.005, fade_out=0.02))
        at += sounds.source(name).length / RATE + float(chance.uniform(0.3, 1.2))
    plain = SoundClip("spot", 0.0, spots[0], fade_out=0.3)
    for start in np.arange(2.0, seconds - 4, seconds / 460):
        clips.append(
            replace(plain, start=round(float(start), 4), media=spots[len(clips) % len(spots)])
        )
    for scene in np.arange(0.0, seconds, 90.0):
        clips.append(
            SoundClip(
                "ambience",
                float(scene),
                under[len(clips) % len(under)],
                loop_to=min(seconds, float(scene) + 90.0),
                fade_in=0.8,
                fade_out=1.0,
            )
        )
    clips.append(SoundClip("music", 0.0, music, loop_to=seconds, fade_in=0.4, fade_out=6.0))
    lanes = {
        "spot": LaneTold(gives=-6.0),
        "ambience": LaneTold(gives=-12.0),
        "music": LaneTold(gives=-13.0),
    }
    return MixSpec(sounds=tuple(MixedSound.of(c) for c in clips), seconds=seconds, lanes=lanes)


if __name__ == "__main__":
    main(*map(float, sys.argv[1:]))
