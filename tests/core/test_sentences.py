"""Sentence boundaries against the published golden rules (as shipped with pysbd), and fiction's own cases."""

import pytest

from cutreel.core.manuscript.sentences import sentence_ends
from tests.data.golden_rules import GOLDEN_EN_RULES

DIFFERENT = {46, 47}
"""Rules 47 and 48 by position: spaced ellipses that join two sentences, or open the next; narration wants them cut."""


def cut(text: str) -> list[str]:
    out, start = [], 0
    for end in sentence_ends(text):
        out.append(text[start:end].strip())
        start = end
    return [s for s in out if s]


@pytest.mark.parametrize("index", [i for i in range(len(GOLDEN_EN_RULES)) if i not in DIFFERENT])
def test_golden_rule(index: int) -> None:
    text, wanted = GOLDEN_EN_RULES[index]
    assert cut(text) == [w.strip() for w in wanted]


@pytest.mark.parametrize(
    ("text", "wanted"),
    [
        (
            "“Are we lost?” said Pip. The boat turned.",
            ["“Are we lost?” said Pip.", "The boat turned."],
        ),
        ("“Stop!” Maren said. He did.", ["“Stop!” Maren said.", "He did."]),
        ("“You are Pip.” Maren laughed.", ["“You are Pip.”", "Maren laughed."]),
        ("He waited… and nobody came.", ["He waited… and nobody came."]),
        ("He waited… Nobody came.", ["He waited…", "Nobody came."]),
        (
            "Mr. Hobb met Dr. Quill at 5 p.m. They talked.",
            ["Mr. Hobb met Dr. Quill at 5 p.m.", "They talked."],
        ),
    ],
)
def test_fiction(text: str, wanted: list[str]) -> None:
    assert cut(text) == wanted


def test_ends_cover_the_paragraph() -> None:
    text = "One. Two! “Three?” Four"
    ends = sentence_ends(text)
    assert ends[-1] == len(text) and ends == sorted(set(ends))
