"""How many words a recogniser hears in the mix of a running film, against the voice alone, at high amount of sounds:
music and sound may cost three of a hundred. Run, while Cut Reel runs with its demo films:
python -m bench.words [ADDRESS [FILM ...]]

The recogniser is pocketsphinx. It listens for the words of the story, as somebody does who follows it; with a
language model of all English it misses a quarter of what the voices alone say, and each sound beside them costs more.
Words are compared by jiwer: what counts is which of the words said are heard, not what is heard besides.
"""

import io
import sys
import time

import httpx
import jiwer
import numpy as np
import soundfile

from cutreel.core.manuscript import read
from cutreel.core.sound import RATE
from cutreel.core.speech import Hearer, hearable, stretches, tokens_of

FILMS = ("saltmere", "metre", "ladder")


def main(address: str = "http://127.0.0.1:8420", *films: str) -> None:
    with httpx.Client(base_url=f"{address}/api", timeout=300) as client:
        for film in films or FILMS:
            voice, mix = sounds(client, film)
            head = client.get(f"/films/{film}").json()
            told = client.get(f"/films/{film}/manuscript", params={"state": head["state"]}).json()
            script = read(told["text"])
            said = " ".join(tokens_of(script.words).texts)
            sentences = [script.words[s.first : s.end] for s in script.sentences]
            hearer = Hearer([tokens_of(words).texts for words in sentences])
            cuts = list(stretches(voice))
            right = []
            for sound in (voice, mix):
                found = " ".join(w.text for a, b in cuts for w in hearer.heard(sound[a:b]))
                right.append(jiwer.process_words(said, found).hits / len(said.split()))
            print(
                f"{film:10} {len(script.words):5} words; of the voice alone {100 * right[0]:.1f} in"
                f" 100 are heard, in the mix {100 * right[1]:.1f}"
            )


def sounds(client: httpx.Client, film: str) -> tuple[np.ndarray, np.ndarray]:
    """The voice alone and the mix, as the recogniser wants them, once everything that sounds is made."""
    revision = client.get(f"/films/{film}").json()["head"]["revision"]
    command = {"type": "set settings", "values": {"sounds": "high"}}
    body = {"revision": revision, "command": command}
    client.post(f"/films/{film}/changes", json=body).raise_for_status()
    run = client.post(f"/films/{film}/runs", json={"kind": "sounds"}).json()
    while any(
        r["id"] == run["id"] and r["state"] == "going"
        for r in client.get(f"/films/{film}/runs").json()
    ):
        time.sleep(1)
    while not (mix := client.get(f"/films/{film}/mix").json())["measured"]:
        time.sleep(1)
    count = len(mix["blocks"])
    lanes = [[("lanes", "voice")], [("lanes", r) for r in ("voice", "spot", "ambience", "music")]]
    found = []
    for asked in lanes:
        blocks = [
            client.get(f"/films/{film}/mix/sound/{n}", params=asked).content for n in range(count)
        ]
        samples = [soundfile.read(io.BytesIO(b), dtype="float32")[0].mean(axis=1) for b in blocks]
        found.append(hearable(np.concatenate(samples), RATE))
    return found[0], found[1]


if __name__ == "__main__":
    main(*sys.argv[1:])
