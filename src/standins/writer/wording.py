"""Words plain and rich, sentences long and short: how a text is brought to a reading level. The
pairs are our own."""

import re
from typing import Literal

Level = Literal["easy", "plain", "rich"]

# fmt: off
PAIRS = {
    "asked": "enquired", "began": "commenced", "started": "commenced", "big": "considerable", "bought": "purchased",
    "brave": "courageous", "bright": "luminous", "broke": "fractured", "broken": "fractured", "called": "summoned",
    "careful": "meticulous", "carried": "conveyed", "changed": "transformed", "clear": "unmistakable",
    "climbed": "ascended", "cold": "glacial", "crossed": "traversed", "dark": "impenetrable", "decided": "determined",
    "empty": "deserted", "end": "conclusion", "enough": "sufficient", "fear": "apprehension", "found": "discovered",
    "frightened": "apprehensive", "gave": "surrendered", "happened": "transpired", "hard": "arduous", "held": "retained",
    "helped": "assisted", "hid": "concealed", "hidden": "concealed", "kept": "preserved", "kind": "benevolent",
    "knew": "understood", "large": "enormous", "late": "belated", "laughed": "chuckled", "left": "abandoned",
    "lit": "illuminated", "looked": "gazed", "lost": "misplaced", "loud": "thunderous", "made": "fashioned",
    "mended": "restored", "met": "encountered", "moved": "proceeded", "needed": "required", "noticed": "perceived",
    "odd": "peculiar", "often": "frequently", "old": "venerable", "only": "solely", "opened": "unfastened",
    "paid": "compensated", "people": "inhabitants", "picture": "illustration", "place": "locality", "poor": "impoverished",
    "pulled": "dragged", "quiet": "tranquil", "ran": "hastened", "remembered": "recollected", "rested": "reposed",
    "rich": "prosperous", "said": "remarked", "saw": "observed", "shut": "sealed", "slow": "unhurried",
    "slowly": "gradually", "small": "diminutive", "smell": "fragrance", "sold": "traded", "soon": "presently",
    "sound": "reverberation", "spoke": "conversed", "stood": "remained", "stopped": "ceased", "strange": "mysterious",
    "sure": "convinced", "thought": "considered", "tired": "weary", "told": "informed", "took": "seized",
    "town": "settlement", "tried": "attempted", "trouble": "predicament", "turned": "revolved", "walked": "wandered",
    "wanted": "desired", "warm": "temperate", "wet": "saturated", "whole": "entire", "wrong": "mistaken",
    "shining": "resplendent", "quickly": "expeditiously", "simple": "uncomplicated", "true": "authentic",
    "about": "approximately", "use": "utilise", "show": "demonstrate", "get": "obtain", "need": "require",
    "help": "assist", "try": "attempt", "buy": "purchase", "near": "adjacent", "also": "additionally",
    "many": "numerous", "before": "previously", "next": "subsequent", "house": "residence", "work": "occupation",
}
_EASY_ONLY = {"polite": "kind", "politely": "nicely", "opinion": "thought", "opinions": "thoughts",
              "something": "a thing", "somebody": "one", "everybody": "all", "nobody": "no one", "appeared": "came"}
_KEEP_RICH = {"end", "before", "about", "said", "only", "left", "work", "use", "turned", "made", "house", "gave", "took"}
TONES = {
    "warm": {"cold": "cool", "dark": "dim", "old": "dear old", "alone": "by themselves", "stranger": "guest", "afraid": "shy",
             "empty": "quiet", "black": "deep blue", "wrong": "out of place", "died": "slipped away", "hard": "firm"},
    "dark": {"warm": "fevered", "bright": "harsh", "light": "glare", "laughed": "laughed without mirth", "smiled": "bared teeth",
             "quiet": "dead quiet", "morning": "grey morning", "friend": "only friend", "home": "what was left of home"},
    "funny": {"boat": "so-called boat", "idea": "splendid idea", "looked": "squinted", "walked": "waddled",
              "silence": "embarrassed silence", "brave": "more or less brave", "suddenly": "rather suddenly", "old": "vintage"},
    "calm": {"ran": "walked", "shouted": "said", "suddenly": "after a while", "storm": "steady rain", "fell": "sank",
             "broke": "gave way", "screamed": "called", "burst": "came", "crashed": "settled", "grabbed": "took"},
}
TONE_TAILS = {
    "warm": ("And nobody was in a hurry to be anywhere else.", "It was good to have company for it."),
    "dark": ("It would not be the last time.", "Nobody who was there has spoken of it since."),
    "funny": ("It had seemed a better plan the night before.", "The witnesses asked not to be named."),
    "calm": ("There was time for it.", "Nothing more was needed for now."),
}
# fmt: on
RICH_TO_PLAIN = {rich: plain for plain, rich in reversed(PAIRS.items())}
CLAUSES = (
    "as though the evening itself had asked for it", "with a deliberateness that nobody present remarked upon",
    "in the particular silence that precedes an explanation", "notwithstanding every reasonable objection",
)  # fmt: skip


def swapped(text: str, words: dict[str, str], outside_speech: bool = True) -> str:
    """`text` with words replaced, capitals kept; inside quotation marks it is left alone when asked
    to."""

    def swap(match: re.Match[str]) -> str:
        new = words.get(match.group().lower())
        if new is None or (match.group()[0].isupper() and match.start() > 0):
            return match.group()
        return new[:1].upper() + new[1:] if match.group()[0].isupper() else new

    parts = re.split(r"(“[^”]*”)", text) if outside_speech else [text]
    return "".join(p if p.startswith("“") else re.sub(r"[A-Za-z]+", swap, p) for p in parts)


def split_long(text: str, most: int = 12) -> str:
    """Long sentences made into shorter ones at “, and”, “, but” and semicolons, outside speech."""
    out = []
    for sentence in re.split(r"(?<=[.!?”])\s+", text):
        if len(sentence.split()) > most and "“" not in sentence:
            parts = re.split(r",? and (?=(?:then |the |a |he |she |it |they |nobody |there |you )\w)|; |, (?=but |so )", sentence)
            parts = [p[:1].upper() + p[1:] for p in parts if p.strip()]
            out.append(" ".join(p if p[-1] in ".!?" else p.rstrip(",") + "." for p in parts))
        else:
            out.append(sentence)
    return " ".join(out)


def join_short(text: str, least: int = 7) -> str:
    """Neighbouring short sentences made into one, outside speech."""
    out: list[str] = []
    for sentence in re.split(r"(?<=[.!?])\s+", text):
        short = len(sentence.split()) < least and sentence.endswith(".") and "“" not in sentence
        if short and out and out[-1].endswith(".") and "“" not in out[-1] and len(out[-1].split()) < 16:
            word = sentence.split()[0]
            first = sentence if word == "I" or (word[:1].isupper() and word.lower() not in _HEADS) else sentence[:1].lower() + sentence[1:]
            out[-1] = out[-1][:-1] + "; " + first
        else:
            out.append(sentence)
    return " ".join(out)


_HEADS = {"the", "a", "an", "he", "she", "it", "they", "there", "nobody", "somebody", "then", "in", "on", "at", "his",
          "her", "this", "that", "everything", "nothing", "not", "one", "you", "we"}  # fmt: skip


def at_level(text: str, level: Level) -> str:
    """A text made easier or richer; “plain” leaves it."""
    if level == "easy":
        return split_long(swapped(text, {**RICH_TO_PLAIN, **_EASY_ONLY}), 10)
    if level == "rich":
        return join_short(swapped(text, {p: r for p, r in PAIRS.items() if p not in _KEEP_RICH}))
    return text
