"""Names that grammar alone tells: somebody who does something, and is named once, at the head of a sentence."""

from collections import Counter
from collections.abc import Collection

from cutreel.core.manuscript import Figure, Manuscript

from .clauses import SUBJECT, clause_of, unreal
from .parsed import Parsed, Parses
from .story import paragraph_texts

MOST_WORDS = 3


def names_acting(script: Manuscript, parses: Parses, known: Collection[str]) -> list[Figure]:
    """People who act in the narration and are in no list yet, by what the parser takes for a person's name."""
    found: Counter[str] = Counter()
    spoken = _spoken(script)
    for number, start, text in paragraph_texts(script):
        parsed = parses.get(text)
        if parsed is None:
            continue
        for i, token in enumerate(parsed.tokens):
            if token.pos != "PROPN" or token.name != "PERSON" or not _acts(parsed, i):
                continue
            if any(a <= start + token.start < b for a, b in spoken.get(number, ())):
                continue
            name = _name(parsed, i)
            if name and not set(name.split(" ")) & set(known) and name not in known:
                found[name] += 1
    return [
        Figure(name, (), "person", None, count, f"a name, acts {count} times")
        for name, count in found.items()
    ]


def _acts(parsed: Parsed, i: int) -> bool:
    token = parsed.tokens[i]
    if token.dep == "conj":
        token = parsed.tokens[token.head]
    return token.dep in SUBJECT and not unreal(parsed, clause_of(parsed, i))


def _name(parsed: Parsed, i: int) -> str:
    first = [c for c in parsed.children[i] if c < i and parsed.tokens[c].dep == "compound"]
    words = [parsed.tokens[k].text for k in [*first, i]]
    whole = all(w[:1].isupper() and w.replace("’", "").isalpha() for w in words)
    return " ".join(words) if whole and len(words) <= MOST_WORDS else ""


def _spoken(script: Manuscript) -> dict[int, list[tuple[int, int]]]:
    out: dict[int, list[tuple[int, int]]] = {}
    for line in script.lines:
        if line.speaker is not None and line.end > line.first:
            first, last = script.words[line.first], script.words[line.end - 1]
            out.setdefault(first.paragraph, []).append((first.start, last.end))
    return out
