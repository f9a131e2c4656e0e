"""Words that services often refuse to draw, and others that keep the sense: common practice, by a table one can read.

What a refusal names is looked for first; where it names nothing, the words of the table that the prompt has are those
that seem to be meant.
"""

import re
from dataclasses import dataclass

_MILDER = {
    "blood": "dark red stains",
    "bloody": "stained dark red",
    "bleeding": "holding a bandage",
    "corpse": "a figure lying still",
    "corpses": "figures lying still",
    "dead": "lying still",
    "murder": "a crime",
    "murdered": "lying still",
    "murderer": "a stranger",
    "kill": "strike down",
    "killed": "fallen",
    "killing": "fighting",
    "gun": "a long shape under a coat",
    "guns": "long shapes under coats",
    "pistol": "a small dark thing in the hand",
    "rifle": "a long shape on the shoulder",
    "knife": "something that glints",
    "sword": "an old blade",
    "shoot": "aim",
    "shoots": "aims",
    "shot dead": "fallen",
    "stab": "lunge at",
    "stabs": "lunges at",
    "wound": "a bandage",
    "wounded": "bandaged",
    "weapon": "an old tool",
    "weapons": "old tools",
    "bomb": "a round iron thing",
    "naked": "wrapped in a cloth",
    "nude": "wrapped in a cloth",
    "undressed": "in a long shirt",
    "drunk": "swaying",
    "cigarette": "a glowing point",
    "drugs": "a small packet",
    "suicide": "a farewell",
    "hanged": "led away",
    "gallows": "a wooden frame",
    "torture": "a hard night",
    "skull": "a pale stone",
    "demon": "a shadow with horns",
    "devil": "a shadow with horns",
    "terrorist": "a masked man",
}
_QUOTED = re.compile(r"[“\"'‘]([^”\"'’]{2,40})[”\"'’]")


@dataclass(frozen=True)
class Milder:
    """The words that seem to be meant, and the prompt with others in their place; the same where none is known."""

    words: tuple[str, ...]
    prompt: str


def milder(prompt: str, refusal: str = "") -> Milder:
    """What of a prompt a refusal seems to mean, and how it can be worded to keep the sense."""
    low = prompt.lower()
    named = [w.strip().lower() for w in _QUOTED.findall(refusal)]
    meant = [w for w in named if re.search(rf"\b{re.escape(w)}\b", low)]
    if not meant:
        meant = [w for w in _MILDER if re.search(rf"\b{re.escape(w)}\b", low)]
    text = prompt
    for word in sorted(meant, key=len, reverse=True):
        if word in _MILDER:
            text = _put(text, word, _MILDER[word])
    return Milder(tuple(meant), text)


def _put(text: str, word: str, other: str) -> str:
    """A text with other words for a word; "a gun" becomes "a long shape", not "a a long shape"."""
    bare = re.sub(r"^(?:an?|some) ", "", other)
    whole = rf"\b(an?|the|his|her|their|its) {re.escape(word)}\b"

    def after(found: re.Match[str]) -> str:
        article = found[1]
        if article.lower() in ("a", "an"):
            article = "an" if bare[:1] in "aeiou" else "a"
        return f"{article} {bare}"

    text = re.sub(whole, after, text, flags=re.I)
    return re.sub(rf"\b{re.escape(word)}\b", other, text, flags=re.I)


def says(refused: Milder, prompt: str) -> str:
    """What is told beside a refusal: the words that seem to be meant, and another wording; empty where nothing is."""
    if not refused.words:
        return ""
    words = ", ".join(f"“{w}”" for w in refused.words)
    if refused.prompt == prompt:
        return f"{words} seems to be meant."
    return f"{words} seems to be meant. It keeps its sense as: {refused.prompt}"
