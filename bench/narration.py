"""How fast a narration is heard, followed, cut into lines and cleaned, in seconds of it for each second that takes;
beside the bare decoding of its file. On one core, but for *together*: silence, level and alignment as a film has them
done, on all cores, for which the aim is forty. Run: python -m bench.narration [MINUTES]

The reader is `tests/standins/narrator.py`.
"""

import io
import resource
import sys
import time
from collections.abc import Callable
from itertools import pairwise

import numpy as np
import soundfile
from tests.standins.narrator import narrated

from cutreel.core.manuscript import read
from cutreel.core.sound import RATE, Cleaning, cleaned, line_lufs, trim
from cutreel.core.speech import (
    HEARING_RATE,
    HeardWord,
    Hearer,
    followed,
    hearable,
    kept,
    placed,
    stretches,
    tokens_of,
)
from cutreel.making.audio import samples_of
from cutreel.making.beside import beside
from cutreel.making.recording import flac_of, line_recorded

from .long import story

WORDS_A_MINUTE = 170


def main(minutes: float = 10.0) -> None:
    script = read(story(minutes * 1.5))
    limit, text = round(minutes * WORDS_A_MINUTE), []
    for sentence in script.sentences:
        if sum(len(t) for t in text) < limit:
            text.append(tokens_of(script.words[sentence.first : sentence.end]).texts)
    made = narrated([" ".join(t) for t in text], again={3}, begun={9}, left_out={14})
    out = io.BytesIO()
    soundfile.write(out, made.samples, made.rate, format="FLAC")
    seconds = len(made.samples) / made.rate
    print(f"{seconds / 60:.1f} minutes, {sum(map(len, text))} words")

    def timed(name: str, work: Callable[[], object]) -> object:
        start = time.perf_counter()
        found = work()
        print(f"{name:10} {seconds / (time.perf_counter() - start):8.0f} times real time")
        return found

    sound = timed("decode", lambda: samples_of(out.getvalue())[:, 0])
    assert isinstance(sound, np.ndarray)
    clear = hearable(sound, RATE)
    hearer = Hearer(text)

    def hear() -> list[HeardWord]:
        return [
            HeardWord(w.text, w.start + a / HEARING_RATE, w.end + a / HEARING_RATE)
            for a, b in stretches(clear)
            for w in hearer.heard(clear[a:b])
        ]

    heard = timed("hear", hear)
    assert isinstance(heard, list)
    plain = [w for t in text for w in t]
    spans = list(pairwise(np.cumsum([0, *(len(t) for t in text)]).tolist()))
    mine = timed("follow", lambda: kept(followed(plain, heard), spans))
    assert mine is not None
    lines = [sound[round(a * RATE) : round(b * RATE)] for a, b in made.last.values()]
    said = [text[i] for i in made.last]
    timed("silence", lambda: [trim(li, RATE) for li in lines])
    timed("level", lambda: [line_lufs(li[:, None]) for li in lines])
    timed(
        "align", lambda: [placed(hearable(li, RATE), t) for li, t in zip(lines, said, strict=True)]
    )
    words = [script.words[script.sentences[i].first : script.sentences[i].end] for i in made.last]
    calls = [(w, flac_of([li]), ()) for w, li in zip(words, lines, strict=True)]
    timed("together", lambda: list(beside(line_recorded, calls)))
    timed("clean", lambda: [cleaned(li, RATE, Cleaning(0.65, 1, 0.5, 0.5)) for li in lines])
    print(f"memory {resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024:.0f} MB")


if __name__ == "__main__":
    main(*(float(a) for a in sys.argv[1:2]))
