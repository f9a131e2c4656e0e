"""From an idea to what its story is furnished with: who, where, what; what the idea leaves open the
seed decides."""

import random
import re
from dataclasses import dataclass

from .plots import Plot, plots_for
from .stock import ANIMALS, FAMILY, HE, HELPERS, PLACES, SHE, THINGS, TRADES, TRAITS

# fmt: off
_EMPTY = {
    "about", "story", "tale", "film", "who", "that", "which", "with", "from", "into", "their", "there", "what", "when",
    "where", "how", "and", "the", "for", "one", "two", "his", "her", "him", "she", "they", "them", "finds", "find",
    "goes", "must", "has", "have", "was", "were", "are", "can", "cannot", "will", "old", "young", "little", "small",
    "a", "an", "of", "in", "on", "to", "is", "it", "its", "by", "at", "as", "but", "not", "no", "or", "be", "every",
}
# fmt: on


@dataclass(frozen=True)
class Furnished:
    """What fills a story's slots, and the words of the idea that it took up."""

    plot: Plot
    slots: dict[str, str]
    used: frozenset[str]
    animal: str
    place: str


def words_of(idea: str) -> list[str]:
    """The words of an idea that say something, in small letters."""
    return [w for w in re.findall(r"[a-zà-ÿ'-]+", idea.lower()) if len(w) > 2 and w not in _EMPTY]


def furnish(idea: str, seed: int, story: str = "any") -> Furnished:
    """Choose plot, people and places for an idea."""
    chance = random.Random(f"furnish/{idea}/{seed}")
    words = words_of(idea)
    used: set[str] = set()
    fitting = plots_for(story)
    scores = {p.name: sum(any(w.startswith(c) for c in p.calls) for w in words) for p in fitting}
    best = max(scores.values())
    plot = chance.choice([p for p in fitting if scores[p.name] == best])
    used |= {w for w in words if any(w.startswith(c) for c in plot.calls)}
    told = " ".join(words)
    trade = next((t for t in TRADES if t in told), None) or _invented_trade(idea)
    trade = trade or chance.choice(list(TRADES))
    used |= set(trade.split()) & set(words)
    work, tool, does = TRADES.get(trade, ("house", "what the day needed", "did what had to be done"))
    place = next((p for p in PLACES if any(w.startswith(p) for w in words)), None) or chance.choice(list(PLACES))
    used |= {w for w in words if w.startswith(place)}
    town, spot, smell, sound = PLACES[place]
    thing = next((t for t in THINGS if any(w.startswith(t) for w in words)), None)
    used |= {w for w in words if thing and w.startswith(thing)}
    thing = thing or _noun_of(words, used, trade) or chance.choice(THINGS)
    used |= set(thing.split()) & set(words)
    if plot.name == "gone dark" and thing not in ("lamp", "lantern", "candle", "light", "star"):
        thing = "lamp"
    animal = next((a for a in ANIMALS if any(w.startswith(a) for w in words)), None) or chance.choice(ANIMALS)
    used |= {w for w in words if w.startswith(animal)}
    named = re.search(r"\b(?:named|called)\s+([A-Z]\w+)", idea) or re.search(r"(?<![.!?]\s)(?<!^)\b([A-Z][a-z]{2,})\b", idea)
    woman = bool(re.search(r"\b(she|her|woman|girl|queen|mother|widow|ferrywoman|princess|witch)\b", idea, re.I))
    man = bool(re.search(r"\b(he|his|him|man|boy|king|father|ferryman|fisherman|postman|prince)\b", idea, re.I)) or trade.endswith("man")
    she = woman or (not man and chance.random() < 0.55)
    name = named.group(1) if named else chance.choice(SHE if she else HE)
    used |= {name.lower()} & set(words)
    helper, pronoun, habit = chance.choice(HELPERS)
    pronouns = ("she", "her", "her") if she else ("he", "his", "him")
    town_name = chance.choice(("Salt", "Alder", "Grey", "Long", "Hollow", "Amber", "Thistle", "Wind")) + chance.choice(
        ("ford", "mere", "wick", "holm", "bury", "gate", "haven", "stead"))
    slots = {
        "hero": name, "family": chance.choice(FAMILY), "he": pronouns[0], "his": pronouns[1], "him": pronouns[2],
        "He": pronouns[0].title(), "His": pronouns[1].title(), "helper": helper, "Ht": pronoun.title(), "habit": habit,
        "trade": trade, "work": work, "tool": tool, "does": does, "town": town_name, "town_name": town_name,
        "kind_of_town": town, "spot": spot, "spot_name": spot, "thing": thing,
        "thing_a": ("an " if thing[0] in "aeiou" else "a ") + thing, "smell": smell, "sound": sound, "animal": animal,
        "trait": chance.choice(TRAITS), "idea": re.sub(r"\s+", " ", idea).strip().rstrip("."),
    }  # fmt: skip
    return Furnished(plot, slots, frozenset(used), animal, place)


def _invented_trade(idea: str) -> str | None:
    """Who an idea is about, where it says so: “a retired diver who …”."""
    found = re.search(r"\b(?:a|an|the)\s+((?:[a-z]+\s){0,2}?[a-z]+)\s+(?:who|that|whose|must|wants|finds|discovers|tries)\b", idea, re.I)
    return found.group(1).lower() if found else None


def _noun_of(words: list[str], used: set[str], trade: str) -> str | None:
    """A word of the idea that may serve as the thing it turns on: one that nothing else took, and
    no verb by its end."""
    free = [w for w in words if w not in used and w not in trade.split() and not w.endswith(("ing", "ed", "ly", "es"))]
    return free[-1].removesuffix("'s") if free else None


def filled(text: str, slots: dict[str, str]) -> str:
    """A sentence with its slots filled, its first letter and that behind a quotation mark made
    capitals."""
    out = text
    for name, value in slots.items():
        out = out.replace("{" + name + "}", value)
    return re.sub(r"^([“\"]?)([a-z])", lambda m: m[1] + m[2].upper(), out)
