"""Verbs as a picture says them: in the present."""

import re

_PAST = {
    "drank": "drink", "sang": "sing", "swam": "swim", "rang": "ring", "sank": "sink", "began": "begin",
    "shrank": "shrink", "sprang": "spring", "came": "come", "ate": "eat", "sat": "sit", "ran": "run",
    "stole": "steal", "woke": "wake", "rode": "ride", "wrote": "write", "drove": "drive", "broke": "break",
    "tore": "tear", "wore": "wear", "swore": "swear", "flew": "fly", "threw": "throw", "drew": "draw",
    "grew": "grow", "blew": "blow", "knew": "know", "dug": "dig", "hung": "hang", "stuck": "stick",
    "struck": "strike", "swung": "swing", "crept": "creep", "slept": "sleep", "wept": "weep",
    "swept": "sweep", "leapt": "leap", "knelt": "kneel", "bent": "bend", "lent": "lend", "sent": "send",
    "caught": "catch", "taught": "teach", "bought": "buy", "fought": "fight", "brought": "bring",
    "sought": "seek", "shin": "shine", "wove": "weave", "froze": "freeze", "chose": "choose", "spoke": "speak",
    "shook": "shake", "forgot": "forget", "hid": "hide", "slid": "slide", "spun": "spin", "strode": "stride",
    "fled": "flee", "bled": "bleed", "sped": "speed", "heard": "hear", "held": "hold", "sold": "sell", "told": "tell",
    "made": "make", "spat": "spit", "won": "win", "built": "build", "kept": "keep", "met": "meet", "stood": "stand",
}  # fmt: skip
"""Pasts and stems that the parser sometimes takes for the verb itself."""


def base_of(lemma: str, text: str = "") -> str:
    """What the parser takes for a verb itself and is its past: "wove" is "weave". Where it stands as `text`, "scraped"
    is of no "scrap", which would be scrapped."""
    if text.lower() == f"{lemma}ed" and _ONE_SYLLABLE.fullmatch(lemma):
        return f"{lemma}e"
    return _PAST.get(lemma, lemma)


_ONE_SYLLABLE = re.compile(r"[^aeiouy]*[aeiouy][^aeiouwxy]")
"""What doubles its last letter in the past: "scrap", but neither "row" nor "open"."""


def present(lemma: str) -> str:
    """A verb's form for she, he and it."""
    lemma = base_of(lemma)
    irregular = {"be": "is", "have": "has", "do": "does", "go": "goes"}
    if lemma in irregular:
        return irregular[lemma]
    if lemma.endswith(("s", "x", "z", "ch", "sh")):
        return lemma + "es"
    if lemma.endswith("y") and lemma[-2:-1] not in "aeiou":
        return lemma[:-1] + "ies"
    return lemma + "s"
