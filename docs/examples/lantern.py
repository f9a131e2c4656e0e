"""A complete service in one file: pictures of coloured bands, a hum, and a voice that only beeps.

Run it:    bin/cutreel service run docs/examples/lantern.py --port 8790
Check it:  bin/cutreel service check http://127.0.0.1:8790
Then plug it in under Services, at the same address.
"""

import io
import time

import numpy as np
import soundfile
from PIL import Image

from cutreel.kit import Given, Made, Refuses, Service
from cutreel.protocol import PictureInput, SoundInput, SpeechInput, Voice

service = Service("Lantern")
RATE = 24_000


@service.makes("picture", price="0.002", per="picture", prompt_characters=300, understands=["seed"])
def bands(job: PictureInput, given: Given) -> bytes:
    """Bands of colours that the seed and the words decide."""
    if "moonless" in job.prompt:
        raise Refuses("refused-content", "“moonless” is not drawn here.")
    chance = np.random.default_rng([job.seed, sum(job.prompt.encode())])
    rows = np.repeat(chance.integers(40, 240, (6, 1, 3)), -(-job.height // 6), axis=0)[: job.height]
    for done in range(
        4
    ):  # what takes long says how far it is, and looks whether it is still wanted
        given.progress(done / 4)
        if given.cancelled():
            return b""
        time.sleep(0.02)
    picture = Image.fromarray(np.broadcast_to(rows, (job.height, job.width, 3)).astype(np.uint8))
    out = io.BytesIO()
    picture.save(out, "PNG")
    return out.getvalue()


@service.makes("sound", price="0.001", per="sound", prompt_characters=200, longest=20)
def hum(job: SoundInput, given: Given) -> bytes:
    time_ = np.arange(int(job.seconds * RATE)) / RATE
    return _flac(0.2 * np.sin(2 * np.pi * (110 + job.seed % 90) * time_))


@service.makes(
    "speech",
    price="0.00001",
    per="character",
    text_characters=500,
    voices=[Voice(name="beeper", title="Beeper", pronoun="he", age="adult", says="beeps")],
)
def beep(job: SpeechInput, given: Given) -> Made:
    """One beep a word, with the time of each: who knows them tells them; who doesn't is listened to."""
    words = job.text.split()
    times = [{"text": w, "start": i * 0.4, "end": i * 0.4 + 0.3} for i, w in enumerate(words)]
    on = np.tile(np.r_[np.ones(int(0.3 * RATE)), np.zeros(int(0.1 * RATE))], len(words))
    tone = 0.2 * np.sin(2 * np.pi * 440 * np.arange(len(on)) / RATE) * on
    return Made(_flac(tone), "audio/flac", about={"words": times})


def _flac(samples: np.ndarray) -> bytes:
    out = io.BytesIO()
    soundfile.write(out, samples, RATE, format="FLAC")
    return out.getvalue()
