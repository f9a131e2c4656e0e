"""Every reader of scripts takes time in proportion, whatever is sent to it."""

import time
from collections.abc import Callable

import pytest

from cutreel.core.errors import BadInput
from cutreel.core.manuscript import read
from cutreel.core.manuscript.formats import read_story
from tests.proportion import in_proportion

SRT = "1\n00:00:01,000 --> 00:00:02,000\n"
VTT = "WEBVTT\n\n00:01.000 --> 00:02.000\n"
HEAD = "INT. HOUSE - DAY\n\nADA\nHello.\n\n"
WORST = {
    "notes never closed": ("a.fountain", lambda n: HEAD + "[[" * n),
    "remarks never closed": ("a.fountain", lambda n: HEAD + "/*" * n),
    "emphasis never closed": ("a.fountain", lambda n: HEAD + "*a _b " * n),
    "a speech of many lines": ("a.fountain", lambda n: HEAD + "ADA\n" + "word here\n" * n),
    "many headings in a row": ("a.fountain", lambda n: HEAD + "# a\n" * n),
    "a name of many spaces": ("a.fountain", lambda n: HEAD + "A" + " " * 4 * n + "b\nhello"),
    "emphasis in Markdown": ("a.md", lambda n: "# t\n\n" + "*_a " * n),
    "brackets in Markdown": ("a.md", lambda n: "# t\n\n" + "[" * n),
    "ticks in Markdown": ("a.md", lambda n: "# t\n\n" + "`a``b" * n),
    "tags never closed": ("a.srt", lambda n: SRT + "<b" * n + "\n"),
    "braces never closed": ("a.srt", lambda n: SRT + "{" * n + "\n"),
    "voices never closed": ("a.vtt", lambda n: VTT + "<v a" * n + "\n"),
    "names without words": ("a.txt", lambda n: "Ada: " * n),
    "names with words": ("a.txt", lambda n: "Ada: hello\n" * n),
    "names in one sentence": ("a.txt", lambda n: "Then Ada and Bram met " * n),
    "quotes": ("a.txt", lambda n: "“Row.” " * n),
    "quotes with pronouns": ("a.txt", lambda n: "“Row,” she said. " * n),
    "quotes of two": ("a.txt", lambda n: "“Row,” said Ada. “Why?” asked Bram. " * n),
    "paragraphs of quotes": ("a.txt", lambda n: "“Row.”\n\nAda waited.\n\n" * n),
    "ragged rows": ("a.csv", lambda n: "\n".join("x" + ",a" * (i % 90 + 1) for i in range(n // 8))),
}


def seconds(name: str, text: str) -> float:
    begun = time.process_time()
    try:
        story = read_story(text, name)
        read.__wrapped__(story.text)
    except BadInput:
        pass
    return time.process_time() - begun


@pytest.mark.parametrize("case", WORST)
def test_four_times_as_much_does_not_take_more_than_in_proportion(case: str) -> None:
    """In time that grows with the square it would be sixteen times as long."""
    name, make = WORST[case]
    size = _measurable(name, make)
    in_proportion(lambda n: seconds(name, make(n)), size)


def _measurable(name: str, make: Callable[[int], str]) -> int:
    """A size at which it takes long enough to be measured."""
    size = 500
    while size < 64_000 and seconds(name, make(size)) < 0.04:
        size *= 2
    return size


def test_a_table_of_thousands_of_columns_is_refused_in_words() -> None:
    row = ",".join(["Hello there."] * 30_000)
    begun = time.process_time()
    with pytest.raises(BadInput, match="30,000 columns"):
        read_story(f"{row}\n{row}", "a.csv")
    assert time.process_time() - begun < 3
