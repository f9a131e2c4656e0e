"""Who came in without a name and is first called by one in talk: "“Walter,” she said" to the old man, "said Inez" of
the daughter who was asked."""

import re
from collections.abc import Sequence

from cutreel.core.manuscript import Figure, Line, Manuscript, words_text
from cutreel.core.reading import Story

NEAR = 4
"""Paragraphs before the name in which whoever it is was told of."""


def named_in_talk(script: Manuscript, story: Story, figures: Sequence[Figure]) -> dict[str, int]:
    """Roles that somebody is who is named in talk first, by the noun: the place in `figures` from 1 on.

    Nobody else may have been near whom the name could mean, and no paragraph tells of both.
    """
    found: dict[str, int] = {}
    for number, figure in enumerate(figures, 1):
        if figure.kind != "person" or figure.name.startswith("the "):
            continue
        first = _first(story, number)
        if first is None:
            continue
        line = _line_there(script, *first)
        came = _came_in(script, story, figures, *first)
        if came is not None and figures[came - 1].pronoun in (None, figure.pronoun):
            found.setdefault(figures[came - 1].name.removeprefix("the "), number)
            continue
        others = _others(script, figures, figure, line, first[0])
        if others is None:
            continue
        roles = [
            n
            for n in _roles_near(story, figures, first[0])
            if n not in others and figures[n - 1].pronoun in (None, figure.pronoun)
        ]
        if len(roles) == 1 and figure.pronoun and not _told_beside(story, number, roles[0]):
            found.setdefault(figures[roles[0] - 1].name.removeprefix("the "), number)
    return found


_NEW = re.compile(r"\b[Aa]n? (?:[a-z-]+ ){0,3}$")
_SAYS = re.compile(
    r"[”\"] ?(?:sa(?:id|ys)|(?:ask|call|whisper|shout|answer|mutter)(?:ed|s)|cried|cries|replied|replies) $"
)


def _came_in(
    script: Manuscript, story: Story, figures: Sequence[Figure], paragraph: int, start: int
) -> int | None:
    """Who came in without a name in the paragraph at whose end a name first speaks: "An old woman opened her door. …
    “You're late,” said Mrs. Okonkwo"; None where there is nobody, or more than one."""
    if not _SAYS.search(script.text[max(0, start - 16) : start]):
        return None
    new: set[int] = set()
    for m in story.paragraphs[paragraph].mentions:
        at = story.starts[paragraph] + m.start
        if at >= start or len(m.people) != 1:
            continue
        who = figures[m.people[0] - 1] if m.people[0] <= len(figures) else None
        if who is None or who.kind != "person":
            continue
        if m.why == "by name":
            return None
        if who.name.startswith("the ") and _NEW.search(script.text[max(0, at - 32) : at]):
            new.add(m.people[0])
    return new.pop() if len(new) == 1 else None


def _first(story: Story, number: int) -> tuple[int, int] | None:
    """The paragraph in which somebody is named first, and where."""
    for paragraph, read in sorted(story.paragraphs.items()):
        own = [m for m in read.mentions if number in m.people and m.why != "who speaks"]
        if own:
            here = own[0].why == "by name" and own[0].people == (number,)
            return (paragraph, story.starts[paragraph] + own[0].start) if here else None
    return None


def _line_there(script: Manuscript, paragraph: int, start: int) -> Line | None:
    for line in script.lines:
        if line.end > line.first and script.words[line.first].paragraph == paragraph:
            last = script.words[line.end - 1]
            if script.words[line.first].start <= start + 1 and start < last.end:
                return line
    return None


def _others(
    script: Manuscript, figures: Sequence[Figure], figure: Figure, line: Line | None, paragraph: int
) -> set[int] | None:
    """Who can't be meant, where the name is called to somebody or says who answers; None where it is neither."""
    if line is None:
        return None
    by_call = {call: n for n, f in enumerate(figures, 1) for call in (f.name, *f.aliases)}
    if line.speaker is not None:
        text = words_text(script.words[line.first : line.end])
        called = "|".join(re.escape(c) for c in (figure.name, *figure.aliases))
        if not re.search(rf"(?:^\W*|, )(?:{called})(?:[.,!?]|\W*$)", text):
            return None
        return {by_call.get(line.speaker, 0)}
    said = [
        other.speaker
        for other in script.lines
        if other.speaker is not None
        and other.end > other.first
        and paragraph - 1 <= script.words[other.first].paragraph <= paragraph
    ]
    # Who answers is named behind what they say, and somebody else spoke before.
    if len(said) < 2 or said[-1] not in (figure.name, *figure.aliases) or said[0] == said[-1]:
        return None
    return {by_call.get(speaker, 0) for speaker in said}


def _roles_near(story: Story, figures: Sequence[Figure], paragraph: int) -> list[int]:
    near: dict[int, None] = {}
    for number in range(paragraph - NEAR, paragraph + 1):
        read = story.paragraphs.get(number)
        for m in read.mentions if read else ():
            if m.seen or m.why == "who speaks":
                near.update(dict.fromkeys(m.people))
    return [
        n
        for n in near
        if n <= len(figures)
        and figures[n - 1].kind == "person"
        and figures[n - 1].name.startswith("the ")
    ]


def _told_beside(story: Story, one: int, other: int) -> bool:
    """Whether some paragraph names the one and calls the other by what they are."""
    for read in story.paragraphs.values():
        by_word = {n for m in read.mentions if m.why.startswith("by ") for n in m.people}
        if {one, other} <= by_word:
            return True
    return False
