"""Phonemes of the International Phonetic Alphabet (IPA, chart of 2020), as far as an English voice has them, as phones.

What English does not have comes to its nearest neighbour, as a reader would say it: the “x” of “loch” to a k.
"""

from cutreel.core.errors import BadInput

from .soundalike import soundalike

# fmt: off
_SOUNDS = {
    # Diphthongs and affricates stand before their parts.
    "eɪ": "ey", "ei": "ey", "aɪ": "ay", "ai": "ay", "ɑɪ": "ay", "ɔɪ": "oy", "ɔi": "oy", "aʊ": "aw", "au": "aw",
    "ɑʊ": "aw", "əʊ": "ow", "oʊ": "ow", "ou": "ow", "ɪə": "ih r", "iə": "iy ah", "eə": "eh r", "ɛə": "eh r",
    "ʊə": "uh r", "tʃ": "ch", "t͡ʃ": "ch", "ʧ": "ch", "dʒ": "jh", "d͡ʒ": "jh", "ʤ": "jh", "ts": "t s", "t͡s": "t s",
    "ɜr": "er", "ər": "er", "əɹ": "er", "ɜɹ": "er",
    "i": "iy", "ɪ": "ih", "e": "eh", "ɛ": "eh", "æ": "ae", "a": "ae", "ɑ": "aa", "ɒ": "aa", "ɔ": "ao", "o": "ow",
    "ʊ": "uh", "u": "uw", "ʌ": "ah", "ɐ": "ah", "ə": "ah", "ɜ": "er", "ɝ": "er", "ɚ": "er", "ɨ": "ih", "ʉ": "uw",
    "y": "uw", "ʏ": "uh", "ø": "er", "œ": "er", "ɯ": "uw", "ɤ": "ah",
    "p": "p", "b": "b", "t": "t", "d": "d", "k": "k", "g": "g", "ɡ": "g", "m": "m", "n": "n", "ŋ": "ng", "f": "f",
    "v": "v", "θ": "th", "ð": "dh", "s": "s", "z": "z", "ʃ": "sh", "ʒ": "zh", "h": "hh", "ɦ": "hh", "x": "k",
    "χ": "k", "ɣ": "g", "ç": "hh", "c": "k", "ɟ": "g", "q": "k", "β": "v", "ɸ": "f", "ʋ": "v", "ɬ": "l", "ɫ": "l",
    "l": "l", "ʎ": "l y", "ɲ": "n y", "r": "r", "ɹ": "r", "ɾ": "r", "ʁ": "r", "ʀ": "r", "ɻ": "r", "j": "y", "w": "w",
    "ʍ": "w", "ɥ": "w", "ʔ": "",
}
# fmt: on
_SILENT = frozenset("ˈˌ'.ːˑ‿ ˞͡ʰʲʷˠˤ̩̯̥̃̊̚-/[]")
"""Stress, length, ties and fine shades, of which a respelling can say nothing."""
_LONGEST = max(map(len, _SOUNDS))


def phones_of(ipa: str) -> list[str]:
    """The phones (ARPAbet, small letters) of a word in IPA. Raises BadInput for a sign that is none."""
    out: list[str] = []
    at = 0
    while at < len(ipa):
        for size in range(_LONGEST, 0, -1):
            sound = _SOUNDS.get(ipa[at : at + size])
            if sound is not None:
                out += sound.split()
                at += size
                break
        else:
            if ipa[at] not in _SILENT:
                raise BadInput(
                    f"“{ipa[at]}” is no sound in IPA that is known here.",
                    "Spell the word as it sounds instead, or look at the sign again.",
                )
            at += 1
    return out


def sounds_of(ipa: str) -> str:
    """A word in IPA, spelled as one would read it. Raises BadInput, also where nothing would be heard."""
    sounds = soundalike(phones_of(ipa))
    if not sounds:
        raise BadInput("Nothing would be heard of it.", "Give at least one vowel in IPA.")
    return sounds
