"""How many of the concrete nouns of stories the illustrator draws as something.

    .venv/bin/python -m bench.nouns [--missing] [FILE ...]

Concrete are WordNet's things, plants, food, animals and garments, as the parser finds them for nouns; each word counts
as often as it stands. Without files: the labelled stories and the passages of the speakers' test, most of them older
books.
"""

import re
import sys
from collections import Counter
from pathlib import Path

from tests.data.speakers import HELD_OUT, PASSAGES
from tests.labelled import all_stories

from cutreel.core.nouns import sort_of
from cutreel.core.reading import parse
from standins.illustrator import vocabulary as v
from standins.illustrator.kin import kin_of, known

SORTS = ("thing", "plant", "food", "animal", "garment")


def drawn(noun: str) -> bool:
    """Whether a noun is drawn as itself, as its nearest kin, as something worn, or as a place's own."""
    if known(noun, v.GARMENTS) or known(noun, v.HATS) or known(noun, v.EXTRAS):
        return True
    if known(noun, v.PROPS) or known(noun, v.ANIMALS) or noun in v.BEARDS:
        return True
    if any(noun in phrase.split() for _, phrases in v.PLACES for phrase in phrases):
        return True
    return noun in v.DRAWN_WITH_A_PLACE or kin_of(noun) is not None


def main(files: list[str], missing: bool) -> None:
    texts = [Path(f).read_text() for f in files] or [
        *(s.text for s in all_stories()),
        *(text for _, text, _ in (*PASSAGES, *HELD_OUT)),
    ]
    words, found = 0, Counter()
    for parsed in parse([re.sub(r"\s+", " ", t) for t in texts]):
        words += sum(t.pos not in ("PUNCT", "SPACE") for t in parsed.tokens)
        found.update(
            t.lemma.lower()
            for t in parsed.tokens
            if t.pos == "NOUN" and sort_of(t.lemma.lower()) in SORTS
        )
    good = sum(n for noun, n in found.items() if drawn(noun))
    kinds = sum(drawn(noun) for noun in found)
    print(
        f"{words} words, {found.total()} concrete nouns: {good / found.total():.3f} drawn; "
        f"of {len(found)} different ones {kinds / len(found):.3f}"
    )
    if missing:
        gone = [(noun, n) for noun, n in found.most_common() if not drawn(noun)]
        print(" ".join(f"{noun}:{n}" for noun, n in gone))


if __name__ == "__main__":
    main([a for a in sys.argv[1:] if not a.startswith("-")], "--missing" in sys.argv)
