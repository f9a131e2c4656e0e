"""Plays a Standard MIDI File through Debian's fluidsynth with a General MIDI soundfont."""

import io
import subprocess
import tempfile
from pathlib import Path

import mido
import numpy as np
import soundfile

RATE = 48_000
SOUNDFONTS = (
    "/usr/share/sounds/sf2/TimGM6mb.sf2",
    "/usr/share/sounds/sf2/default-GM.sf2",
    "/usr/share/sounds/sf2/FluidR3_GM.sf2",
)


def play(song: mido.MidiFile, seconds: float) -> bytes:
    """FLAC bytes (stereo, 48 kHz) of `seconds`, faded over the last half second only if something
    still rings."""
    font = next((f for f in SOUNDFONTS if Path(f).exists()), None)
    if font is None:
        raise RuntimeError(
            "No General MIDI soundfont is installed; install the Debian package timgm6mb-soundfont."
        )
    with tempfile.TemporaryDirectory() as folder:
        midi, wave = Path(folder) / "music.mid", Path(folder) / "music.wav"
        song.save(midi)
        subprocess.run(
            [
                "fluidsynth",
                "-ni",
                "-g",
                "0.7",
                "-r",
                str(RATE),
                "-O",
                "s16",
                "-T",
                "wav",
                "-F",
                str(wave),
                font,
                str(midi),
            ],
            check=True,
            capture_output=True,
            timeout=600,
        )
        audio, _ = soundfile.read(wave, dtype="float32", always_2d=True)
    n = round(seconds * RATE)
    audio = np.pad(audio, ((0, max(0, n - len(audio))), (0, 0)))[:n]
    fade = min(n, RATE // 2)
    audio[-fade:] *= np.linspace(1, 0, fade, dtype=np.float32)[:, None]
    out = io.BytesIO()
    soundfile.write(out, audio, RATE, format="FLAC", subtype="PCM_16")
    return out.getvalue()
