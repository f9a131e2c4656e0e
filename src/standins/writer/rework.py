"""A passage reworked: tightened, lengthened, simpler, more vivid, more tense, in another tone,
opened more strongly, or as an instruction says in its own words. Works by rule; words of an
instruction that no rule knows are told."""

import random
import re
from collections.abc import Callable
from dataclasses import dataclass

from .asides import SCENERY, TENSE, THOUGHTS
from .wording import RICH_TO_PLAIN, TONE_TAILS, TONES, split_long, swapped

# fmt: off
_VIVID = {
    "walked": "trudged", "went": "slipped", "looked": "peered", "said": "murmured", "ran": "bolted", "stood": "towered",
    "sat": "slumped", "big": "hulking", "small": "thumbnail", "dark": "ink-black", "cold": "bone-cold", "old": "weathered",
    "moved": "crept", "came": "crept", "fell": "toppled", "bright": "blazing", "quiet": "hushed", "wind": "north wind",
    "rain": "slanting rain", "light": "guttering light", "house": "crooked house", "water": "black water", "took": "snatched",
    "held": "gripped", "opened": "wrenched open", "turned": "spun", "heard": "caught", "laughed": "crowed", "cried": "howled",
}
_WORDS = {
    "tighten": ("tight", "shorter", "shorten", "cut", "trim", "concise", "brief", "less"),
    "lengthen": ("longer", "lengthen", "expand", "more detail", "detail", "extend", "slower"),
    "simpler": ("simple", "simpler", "easier", "plain", "children", "kids", "clear"),
    "vivid": ("vivid", "colourful", "colorful", "visual", "picture", "descriptive", "stronger verbs"),
    "tense": ("tense", "dramatic", "suspense", "scary", "scarier", "exciting", "thrilling", "drama", "tension", "darker"),
    "opening": ("hook", "opening stronger", "stronger opening", "strong opening"),
    "warm": ("warm", "warmer", "kind", "gentle", "softer", "hopeful"),
    "funny": ("funny", "funnier", "humour", "humor", "comic", "jokes", "light-hearted"),
    "calm": ("calm", "calmer", "soothing", "quiet", "sleepy"),
    "dark": ("dark", "bleak", "grim"),
}
_SCOPES = {
    "ending": ("ending", "end", "last", "final", "finale", "conclusion"),
    "opening": ("opening", "beginning", "start", "first", "intro"),
    "middle": ("middle", "centre", "center"),
    "dialogue": ("dialogue", "speech", "talk"),
}
_KNOWN = {
    "make", "the", "a", "it", "more", "less", "this", "and", "to", "be", "please", "of", "in", "story", "film", "text",
    "passage", "scene", "much", "bit", "little", "very", "with", "for", "should", "feel", "sound", "read", "part", "all",
    "some", "add", "give", "is", "that", "so", "its", "let", "can", "you", "whole", "stronger", "strong",
}
# fmt: on
_FILLER = re.compile(
    r"\b(?:very|really|quite|rather|just|simply|actually|basically|somewhat|indeed|of course|in fact|after all|"
    r"at all|sort of|kind of|a little bit|more or less) ", re.IGNORECASE)  # fmt: skip
_WORDY = (
    (r"\bin order to\b", "to"), (r"\bbegan to (\w+)\b", r"\1ed"), (r"\bthe fact that\b", "that"), (r"\bdue to\b", "for"),
    (r"\bat that moment\b", "then"), (r"\b(\w+) and \1\b", r"\1"), (r"\bfor a moment,? ", ""), (r", which was \w+,", ","),
    (r"\bthere was ((?:a|an|the) \w+) that\b", r"\1"), (r"\bwas able to\b", "could"), (r"\ball of the\b", "the"),
    (r"\b(?:had|has) been (\w+ing)\b", r"was \1"),
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Reworked:
    """The passage as it reads now, what was touched in a sentence, and words of the instruction
    that were not used."""

    text: str
    touched: str
    unused: list[str]


def rework(text: str, how: str, instruction: str, seed: int) -> Reworked:
    """Rework `text`: `how` names a way, or “instruction” reads it from the maker's own words."""
    ways, scope = [how], ""
    unused: list[str] = []
    if how == "instruction":
        ways, scope, unused = understood(instruction)
    elif how == "tone":
        ways, _, unused = understood(instruction)
    if how == "opening":
        scope = "opening"
    parts = _paragraphs(text)
    chosen = _scope([i for i, (words, speech) in enumerate(parts) if words.strip()], scope, parts)
    chance = random.Random(f"rework/{text}/{ways}/{seed}")
    said = set(re.findall(r"[^.!?]+[.!?]", text))
    changed = 0
    for n, i in enumerate(chosen):
        before = parts[i][0]
        after = before
        for way in ways:
            after = _WAYS[way](after, chance, said, n, len(chosen)) if way in _WAYS else after
        if after != before:
            parts[i] = (after, parts[i][1])
            changed += 1
    where = {"ending": "the ending", "opening": "the opening", "middle": "the middle", "dialogue": "what is said"}.get(scope, "the passage")
    touched = f"{changed} {'paragraph' if changed == 1 else 'paragraphs'} of {where} ({len(parts)} in all)" if changed else "nothing"
    return Reworked("".join(words + gap for words, gap in parts), touched, unused)


def understood(instruction: str) -> tuple[list[str], str, list[str]]:
    """The ways and the scope that an instruction asks for, and its words that no rule knows."""
    low = instruction.lower()
    words = re.findall(r"[a-z'-]+", low)
    scope = next((s for s, names in _SCOPES.items() if any(w in names for w in words)), "")
    ways = [w for w, names in _WORDS.items() if any(re.search(rf"\b{re.escape(n)}\b", low) for n in names)]
    ways = [w for w in ways if w in _WAYS]
    known = _KNOWN | {part for names in (*_WORDS.values(), *_SCOPES.values()) for n in names for part in n.split()}
    return ways, scope, [w for w in words if w not in known]


def _paragraphs(text: str) -> list[tuple[str, str]]:
    """Paragraphs, each with the gap behind it. Headings, notes and blank stretches have no words to
    rework."""
    out = []
    for match in re.finditer(r"((?:(?!\n[ \t]*\n).)+)(\s*\Z|\n[ \t]*\n\s*)?", text, re.DOTALL):
        body, gap = match.group(1), match.group(2) or ""
        if re.match(r"\s*(?:#|\[)", body):
            out.append(("", body + gap))
        else:
            out.append((body, gap))
    return out


def _scope(indices: list[int], scope: str, parts: list[tuple[str, str]]) -> list[int]:
    share = max(1, round(len(indices) * 0.15))
    if scope == "ending":
        return indices[-share:]
    if scope == "opening":
        return indices[:1]
    if scope == "middle":
        return indices[len(indices) // 3 : max(len(indices) // 3 + 1, 2 * len(indices) // 3)]
    if scope == "dialogue":
        return [i for i in indices if "“" in parts[i][0]]
    return indices


def _cue(text: str) -> tuple[str, str]:
    """The cue in front of a paragraph, and its words."""
    found = re.match(r"\s*(?:@?[^\W\d_][\w'’.& -]{0,40}:\s+)", text)
    return (found.group(), text[found.end() :]) if found and found.group().strip(": ").isupper() else ("", text)


def _tighten(text: str, chance: random.Random, said: set[str], n: int, count: int) -> str:
    cue, body = _cue(text)
    body = _FILLER.sub("", body)
    for pattern, new in _WORDY:
        body = re.sub(pattern, new, body)
    body = re.sub(r"\s*\([^)]*\)", "", body)
    sentences = re.split(r"(?<=[.!?])\s+(?=[A-Z“])", body)
    if len(sentences) > 3:
        # The sentence with the fewest names and numbers says least.
        idle = min(range(1, len(sentences) - 1), key=lambda i: (len(re.findall(r"[A-Z“\d]", sentences[i])), -len(sentences[i])))
        sentences.pop(idle)
    body = " ".join(re.sub(r", (?:as if|as though|like|which)\b[^,.;]*(?=[.;])", "", s) for s in sentences)
    return cue + re.sub(r"(^|[.!?] )([a-z])", lambda m: m[1] + m[2].upper(), body)


def _sentence(stock: tuple[str, ...], chance: random.Random, said: set[str]) -> str:
    """A sentence of a stock that needs nobody's name, and was not said yet."""
    free = [s for s in stock if "{" not in s and s not in said]
    if not free:
        return ""
    pick = chance.choice(free)
    said.add(pick)
    return pick


def _lengthen(text: str, chance: random.Random, said: set[str], n: int, count: int) -> str:
    more = _sentence(SCENERY if n % 2 == 0 else (*THOUGHTS, *SCENERY), chance, said)
    return f"{text.rstrip()} {more}" if more and "“" not in text[-3:] else f"{text.rstrip()} {more}".rstrip()


def _simpler(text: str, chance: random.Random, said: set[str], n: int, count: int) -> str:
    return split_long(swapped(text, RICH_TO_PLAIN), 11)


def _vivid(text: str, chance: random.Random, said: set[str], n: int, count: int) -> str:
    used: set[str] = set()

    def swap(match: re.Match[str]) -> str:
        word = match.group()
        if word in used or word not in _VIVID:
            return word
        used.add(word)
        return _VIVID[word]

    parts = [p if p.startswith("“") else re.sub(r"\b[a-z]+\b", swap, p) for p in re.split(r"(“[^”]*”)", text)]
    return re.sub(r"\bvery (?=\w+-\w)", "", "".join(parts))


def _tense(text: str, chance: random.Random, said: set[str], n: int, count: int) -> str:
    cue, body = _cue(text)
    body = split_long(body, 9)
    if not cue and (n % 2 == 0 or n == count - 1):
        more = _sentence(TENSE, chance, said)
        first, _, rest = body.partition(". ")
        body = f"{first}. {more} {rest}" if rest and more and "“" not in first else f"{body.rstrip()} {more}".rstrip()
    return cue + body


def _opening(text: str, chance: random.Random, said: set[str], n: int, count: int) -> str:
    """The strongest sentence of the first paragraph comes first, or a short one is put before
    it."""
    cue, body = _cue(text)
    sentences = re.split(r"(?<=[.!?])\s+(?=[A-Z“])", body.strip())
    strong = re.compile(r"\b(?:not|never|nobody|no|nothing|dark|dead|gone|last|first|only|wrong|lost|alone|fear|fire)\b")

    def weight(s: str) -> float:
        return len(strong.findall(s.lower())) * 2 - len(s.split()) / 14

    best = max(range(len(sentences)), key=lambda i: weight(sentences[i]))
    if best > 0 and weight(sentences[best]) > weight(sentences[0]) and not re.match(r"(?:He|She|It|They|This|That|So)\b", sentences[best]):
        sentences.insert(0, sentences.pop(best))
    else:
        sentences.insert(0, _sentence(("It should not have happened at all.", "Afterwards nobody could say who had seen it first.",
                                       "There was one thing wrong that night, and it was enough.", "It began with something missing."), chance, said))
    return cue + " ".join(s for s in sentences if s)


Way = Callable[[str, random.Random, set[str], int, int], str]


def _tone(name: str) -> Way:
    def change(text: str, chance: random.Random, said: set[str], n: int, count: int) -> str:
        body = swapped(text, TONES[name])
        if n % 3 == 0 and "“" not in text[-2:]:
            body = f"{body.rstrip()} {_sentence(TONE_TAILS[name], chance, said)}".rstrip()
        return body

    return change


_WAYS: dict[str, Way] = {
    "tighten": _tighten, "lengthen": _lengthen, "simpler": _simpler, "vivid": _vivid, "tense": _tense, "opening": _opening,
    **{name: _tone(name) for name in TONES},
}  # fmt: skip
