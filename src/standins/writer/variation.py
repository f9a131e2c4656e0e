"""The same sentence with other words in it, so that long stories need not repeat themselves."""

import random
import re

# fmt: off
GROUPS = (
    ("door", "gate", "window", "shutter"), ("road", "lane", "path", "track"), ("hour", "while", "long while", "good hour"),
    ("moon", "evening star", "first star", "low sun"), ("boots", "cups", "baskets", "coats"), ("wall", "hedge", "fence", "old wall"),
    ("sky", "evening", "air", "light"), ("roofs", "chimneys", "trees", "hills"), ("stones", "planks", "cobbles", "steps"),
    ("dog", "owl", "cock", "child"), ("cart", "wheel", "horse", "train"), ("chair", "bench", "stool", "barrow"),
    ("white", "grey", "pale", "silver"), ("warm", "dry", "rough", "smooth"), ("cold", "damp", "cool", "chilly"),
    ("quiet", "silence", "stillness", "calm"), ("slowly", "softly", "gently", "evenly"), ("once", "twice", "a third time", "again"),
    ("leaf", "feather", "petal", "flake"), ("lamps", "candles", "lanterns", "stars"), ("river", "stream", "brook", "water"),
    ("garden", "meadow", "orchard", "field"), ("hills", "mountains", "woods", "islands"), ("boat", "raft", "barge", "ferry"),
    ("letters", "notebooks", "ledgers", "diaries"), ("morning", "evening", "winter", "summer"), ("table", "desk", "shelf", "window sill"),
    ("people", "neighbours", "strangers", "travellers"), ("numbers", "figures", "measures", "lists"), ("question", "doubt", "puzzle", "quarrel"),
    ("century", "generation", "country", "profession"), ("upstairs", "downstairs", "back", "corner"), ("corner", "hollow", "ledge", "nook"),
    ("bread", "rope", "oil", "time"), ("feet", "hands", "ears", "knees"), ("ten", "seven", "nine", "twelve"),
    ("brave", "calm", "clever", "ready"), ("pocket", "drawer", "hat", "book"), ("mother", "father", "aunt", "teacher"),
    ("star", "bat", "swallow", "cloud"), ("grass", "barley", "reeds", "clover"), ("kettle", "fiddle", "clock", "stove"),
)
# fmt: on
_GROUP_OF = {word: group for group in GROUPS for word in group}


def varied(sentence: str, chance: random.Random) -> str:
    """`sentence` with words exchanged for others of their group; slots are left alone."""

    def swap(match: re.Match[str]) -> str:
        group = _GROUP_OF.get(match.group())
        return chance.choice(group) if group else match.group()

    return "".join(p if p.startswith("{") else re.sub(r"\b[a-z]+\b", swap, p) for p in re.split(r"(\{\w+\})", sentence))
