"""Standard MIDI Files that the maker brings, played through a General MIDI soundfont by fluidsynth."""

import io
import subprocess
import tempfile
from pathlib import Path

import mido

from cutreel.core.errors import BadInput
from cutreel.core.sound import RATE

SOUNDFONTS = Path("/usr/share/sounds/sf2")
MARK = b"MThd"
"""How a Standard MIDI File begins."""
MOST_MINUTES = 15
ADVICE = "Bring a Standard MIDI File (.mid), or the music as WAV, FLAC, MP3, M4A or Ogg."


def played_midi(data: bytes) -> bytes:
    """A Standard MIDI File as a WAV file in stereo, until its last note has rung out. Raises BadInput in words the
    maker can act on."""
    try:
        song = mido.MidiFile(file=io.BytesIO(data))
        seconds = song.length
    except (OSError, EOFError, ValueError, KeyError, IndexError, TypeError) as error:
        raise BadInput("That MIDI file cannot be opened.", ADVICE) from error
    if seconds > MOST_MINUTES * 60:
        raise BadInput(f"The music is longer than {MOST_MINUTES} minutes.", "Bring a part of it.")
    if not any(m.type == "note_on" and m.velocity for track in song.tracks for m in track):
        raise BadInput("There are no notes in that MIDI file.", ADVICE)
    font = next(iter(sorted(SOUNDFONTS.glob("*.sf2"), reverse=True)), None)
    if font is None:
        raise BadInput(
            "There are no instruments to play it with.",
            "Install a General MIDI soundfont (Debian: timgm6mb-soundfont).",
        )
    with tempfile.TemporaryDirectory() as folder:
        notes, wave = Path(folder) / "notes.mid", Path(folder) / "music.wav"
        notes.write_bytes(data)
        command = ["fluidsynth", "-ni", "-q", "-g", "0.7", "-r", str(RATE), "-T", "wav"]
        command += ["-F", str(wave), str(font), str(notes)]
        subprocess.run(command, check=True, capture_output=True, timeout=50)
        return wave.read_bytes()
