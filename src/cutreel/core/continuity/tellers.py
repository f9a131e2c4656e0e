"""Who tells a story that says "I", and who is told one that says "you": both are in its cast."""

import re
from collections import Counter
from collections.abc import Sequence

from cutreel.core.manuscript import Figure, Manuscript, Pronoun, pronoun_of_given, words_text
from cutreel.core.reading import LISTENER, TELLER, Parses, told_to_you

from .described import Described, number_in
from .guessed import guessed
from .model import Person

_ME = re.compile(r"\b(?:I|me|[Mm]y|myself|mine)\b")
_WE = re.compile(r"\b(?:[Ww]e|us|[Oo]ur|ours|ourselves)\b")
_MY_NAME = re.compile(
    r"\b(?:[Mm]y name (?:is|was)|[Tt]hey (?:all )?called? me|I am called) ([A-Z][\w’'-]+)"
)
_VOCATIVE = re.compile(r"(?:, ([A-Z][a-z]+)[.,!?]|^[“\"«]([A-Z][a-z]+)[,!])")
_MY_AGE = re.compile(
    r"\bI (?:was|am|turned|turn) (?:only |just |about )?(\w+(?:-\w+)?)(?: years old)?(?: (?:that|the|when|in)\b|[,.;])"
)
_TELLS = 3
"""So many words for oneself make a teller, in a text of which they are at least one in a hundred."""


_MY_SEX: tuple[tuple[Pronoun, re.Pattern[str]], ...] = (
    (
        "she",
        re.compile(
            r"\b[Mm]y husband\b|\bI (?:was|am) (?:only |just )?(?:a|the) (?:\w+ )?"
            r"(?:girl|woman|widow|mother|wife|bride)\b|\bas a (?:little |young |small )?girl\b"
        ),
    ),
    (
        "he",
        re.compile(
            r"\b[Mm]y wife\b|\bI (?:was|am) (?:only |just )?(?:a|the) (?:\w+ )?"
            r"(?:boy|man|widower|father|husband)\b|\bas a (?:little |young |small )?boy\b"
        ),
    ),
)
"""What tellers say of themselves: whoever has a husband is taken for a woman."""


def _sex_told(told: str) -> Pronoun | None:
    found = [sex for sex, says in _MY_SEX if says.search(told)]
    return found[0] if len(found) == 1 else None


def with_teller(script: Manuscript, cast: list[Person], taken: set[str]) -> list[Person]:
    """The cast with whoever tells the story, where somebody says "I" outside of what is spoken."""
    told = " ".join(
        words_text(script.words[line.first : line.end])
        for line in script.lines
        if line.speaker is None
    )
    says, ours = len(_ME.findall(told)), len(_WE.findall(told))
    of_us = (
        says > 1 and ours >= _TELLS
    )  # "my sister found it … we kept it": somebody tells it who seldom says "I"
    if not of_us and (says < _TELLS or says * 100 < len(told.split())):
        return cast
    named = _MY_NAME.search(told)
    name = named.group(1) if named else _called_by_others(script, cast) or "the teller"
    known = next((p for p in cast if name in (p.name, *p.aliases)), None)
    if known is not None:
        known.aliases.append(TELLER)
        return cast
    aged = _MY_AGE.search(told)
    years = number_in(aged.group(1)) if aged else None
    described = Described(years=years)
    sex = pronoun_of_given(name.lower()) or _sex_told(told)
    figure = Figure(name, (), "person", sex, says, f"tells the story: “I” {says} times")
    teller = guessed(
        1 + max((p.id for p in cast), default=0), figure, None, script.text, described, taken
    )
    teller.aliases.append(TELLER)
    return [teller, *cast][:25]


def _called_by_others(script: Manuscript, cast: Sequence[Person]) -> str:
    """What whoever answers the teller, or is answered by them, calls them: "Don't be stupid, Nell"; else empty."""
    said = [
        (line.speaker, words_text(script.words[line.first : line.end])) for line in script.lines
    ]
    spoken = [
        (who, text) for who, text in said if who is not None or text.startswith(("“", '"', "«"))
    ]
    known = {part for p in cast for call in (p.name, *p.aliases) for part in call.split()}
    calls: Counter[str] = Counter()
    for n, (who, text) in enumerate(spoken):
        beside = spoken[max(0, n - 1) : n] + spoken[n + 1 : n + 2]
        if who is not None and any(other is None for other, _ in beside):
            found = {a or b for a, b in _VOCATIVE.findall(text)} - known
            calls.update(name for name in found if pronoun_of_given(name.lower()))
    return calls.most_common(1)[0][0] if calls else ""


def with_listener(
    script: Manuscript, parses: Parses, cast: list[Person], taken: set[str]
) -> list[Person]:
    """The cast with whom a story is told to and about: "You are standing on a quiet platform"."""
    says = told_to_you(script, parses)
    if says < _TELLS or says * 100 < len(script.words) or any(TELLER in p.aliases for p in cast):
        return cast
    figure = Figure("the listener", (), "person", None, says, f"“you” do something {says} times")
    listener = guessed(
        1 + max((p.id for p in cast), default=0), figure, None, script.text, Described(), taken
    )
    listener.aliases.append(LISTENER)
    return [listener, *cast][:25]
