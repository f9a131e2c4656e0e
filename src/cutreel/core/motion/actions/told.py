"""Actions that are meant by words of the maker's own: "bends down and weeps"."""

import re

FORMS = re.compile(r"[a-z]+")
_IRREGULAR = {
    "ate": "eat", "bent": "bend", "drank": "drink", "drew": "draw", "dug": "dig", "fell": "fall", "flew": "fly",
    "gave": "give", "hung": "hang", "held": "hold", "hid": "hide", "knelt": "kneel", "laid": "lay", "lay": "lie",
    "leapt": "leap", "left": "leave", "lit": "light", "lying": "lie", "ran": "run", "rang": "ring", "rode": "ride",
    "rose": "rise", "sang": "sing", "sat": "sit", "shook": "shake", "slept": "sleep", "spoke": "speak",
    "stood": "stand", "struck": "strike", "swam": "swim", "swept": "sweep", "threw": "throw", "took": "take",
    "wept": "weep", "went": "go", "woke": "wake", "wrote": "write", "caught": "catch",
}  # fmt: skip
"""Verbs that bend otherwise than by an ending (any grammar of English lists them)."""
MOST_LETTERS = 120


def stems_of(word: str) -> list[str]:
    """What a word may be a form of, the word itself first: "weeps", "waving", "nodded"."""
    if word in _IRREGULAR:
        return [_IRREGULAR[word], word]
    out = [word]
    for ending in ("ing", "ed", "es", "s"):
        if word.endswith(ending) and len(word) - len(ending) >= 2:
            stem = word[: -len(ending)]
            out += [stem, stem + "e"]
            if len(stem) > 2 and stem[-1] == stem[-2]:
                out.append(stem[:-1])
            if stem.endswith("i"):
                out.append(stem[:-1] + "y")
    return out
