"""Words that are given by phonemes are said as asked: the engine's own phones against the CMU Pronouncing Dictionary."""

import jiwer

from cutreel.core.manuscript import pronunciations
from cutreel.core.speech.soundalike import soundalike
from standins.voices.engine import say

WORDS = (
    "lantern harbor ferry winter bridge quiet orchard kettle window shoulder garden whisper candle hollow marble "
    "thunder copper ladder pocket silver meadow island journey barley saddle cellar castle forest market sailor"
).split()
ALIKE = {"ax": "ah", "ix": "ih", "axr": "er", "dx": "t", "en": "n", "el": "l"}


def test_a_word_spelled_by_others_is_said_with_its_phones() -> None:
    wanted, heard = [], []
    for word in WORDS:
        phones = [p.rstrip("012").lower() for p in pronunciations()[word][0]]
        # The word itself is not taken: a name has none.
        spelled = soundalike(phones, besides=word).replace("-", " ")
        said = [ALIKE.get(p, p) for p, _, _ in say(spelled, "slt", 1.0).phones if p != "pau"]
        wanted.append(" ".join(phones))
        heard.append(" ".join(said))
    assert jiwer.wer(wanted, heard) <= 0.05, "phones that are wrong"
