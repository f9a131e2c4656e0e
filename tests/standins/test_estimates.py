"""Estimated speaking time against the measured speech of every voice (the acceptance: under 5 % per minute of film)."""

from concurrent.futures import ProcessPoolExecutor

import pytest

from cutreel.core.film import Offered, Settings, VoiceOffered, new_film, read_film
from cutreel.core.timeline import LineSound, lay_out
from cutreel.making.audio import spoken_line
from standins.voices import SPEAKERS, speak

# Not among the lines that the estimate was fitted to.
TEXT = """In the spring of that year the river rose higher than anybody could remember, and it did not fall again for
nine weeks. The miller, who had lost two wheels already, moved his flour upstairs; then he moved his family; then he
moved the cat, which objected.

“How long will it last?” asked his daughter. “As long as it likes,” said the miller. He looked out over the brown water
at the tops of the apple trees. They were in flower. It was, he admitted afterwards, rather beautiful.

On the fortieth day a piano came down the river. It was floating on its back. Somebody had left the lid open, and every
time it struck a post it played a chord. People stood at their windows to listen. Nobody laughed.

The surveyors who arrived in June wrote down everything: depth, speed, temperature, the names of the drowned animals.
They measured the height of the mark on the church wall three times, because the first two results were impossible.
Their report, one hundred and twelve pages long, concludes that such a thing will happen once in a thousand years.
"""
ENGLISH = [s for s in SPEAKERS if s.timbre.language == "en"]
VOICES = [VoiceOffered(s.name, s.pronoun, s.age, s.length) for s in ENGLISH]


def measured(voice: str) -> tuple[float, float]:
    """Seconds of the film as estimated and as its lines really last, all spoken by one voice."""
    document, _ = new_film("t", TEXT, Settings(narrator=voice))
    document.cast = []
    found = read_film(document, Offered(400, [v for v in VOICES if v.name == voice]))
    lines = [(w.first, w.end) for w in found.speech]
    sounds = {}
    for i, line in enumerate(found.speech):
        said = speak(line.text, voice, 1.0)
        about = {"words": [{"text": t, "start": a, "end": b} for t, a, b in said.words]}
        kept = spoken_line(
            said.flac, about, [w.text for w in found.script.words[line.first : line.end]]
        )
        sounds[i] = LineSound(kept["seconds"], tuple((a, b) for a, b in kept["words"]))
    estimate = lay_out(found.script.words, lines, {}, {}, [w.length for w in found.speech]).seconds
    return estimate, lay_out(found.script.words, lines, sounds).seconds


@pytest.mark.long
def test_estimates_agree_with_every_voice(capsys) -> None:
    with ProcessPoolExecutor(2) as pool:
        found = dict(
            zip(
                [s.name for s in ENGLISH],
                pool.map(measured, [s.name for s in ENGLISH]),
                strict=True,
            )
        )
    errors = {name: abs(a / b - 1) for name, (a, b) in found.items()}
    with capsys.disabled():
        shown = ", ".join(f"{name} {error:.1%}" for name, error in errors.items())
        print(
            f"\n  time estimated against measured speech: mean error {sum(errors.values()) / 8:.1%} ({shown})"
        )
    assert sum(errors.values()) / len(errors) < 0.05
    assert max(errors.values()) < 0.08
