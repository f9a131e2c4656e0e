"""What people say of themselves: "My name is Dr Levski. I am a dentist." """

import re
from collections.abc import Sequence
from dataclasses import replace
from itertools import pairwise

from cutreel.core.manuscript import NOT_NAMES, Figure, Manuscript, words_text
from cutreel.core.nouns import sort_of

_TITLE = r"(?:(?:Dr|Mr|Mrs|Ms|Miss|Captain|Professor|Sergeant|Inspector|Sister|Father|Uncle|Aunt)\.?\s+)?"
_TOLD = r"[Mm]y name(?: is|[’']s)|(?:[Tt]hey|[Pp]eople|[Ee]very(?:body|one)) calls? me|I(?: am|[’']m)(?: called)?"
_NAME = re.compile(rf"\b(?:{_TOLD})\s+({_TITLE}[A-Z][\w’'-]+(?:\s[A-Z][\w’'-]+)?)")
_IS_A = re.compile(r"\bI(?: am|[’']m) (?:an?|the) ([a-z]+)\b(?! of\b)")


def said_of_themselves(script: Manuscript, figures: Sequence[Figure]) -> dict[str, int]:
    """Roles of which somebody with a name says that it is theirs, or who says their name: by the noun, the place in
    `figures` from 1 on."""
    by_call = {c.lower(): i for i, f in enumerate(figures, 1) for c in (f.name, *f.aliases)}
    roles = {f.name.removeprefix("the ") for f in figures if f.name.startswith("the ")}
    found: dict[str, int] = {}
    for line in script.lines:
        if line.speaker is None:
            continue
        text = words_text(script.words[line.first : line.end])
        who = by_call.get(line.speaker.lower())
        said = _NAME.search(text)
        named = by_call.get(said.group(1).lower()) if said else None
        noun = line.speaker.removeprefix("the ").lower()
        if named is not None and noun in roles:
            found.setdefault(noun, named)
        bearer = named or found.get(noun) or who
        if bearer is None or figures[bearer - 1].name.startswith("the "):
            continue
        for role in _IS_A.findall(text):
            if role in roles and sort_of(role) == "person":
                found.setdefault(role, bearer)
    return found


_ASKS_NAME = re.compile(r"\b(?:[Ww]hat(?:[’']s| is| was) your name|[Ww]ho are you)\b")
_ANSWERS = re.compile(r"^\W*(?:[Mm]y name(?: is|[’']s) |I(?: am|[’']m) )?([A-Z][a-z][\w’'-]*)[.,!]")


def with_names_told(script: Manuscript, figures: Sequence[Figure]) -> list[Figure]:
    """Figures, where somebody without a name who is asked for it has it: "“What's your name?” – “Teo. …”"."""
    calls = {call for f in figures for call in (f.name, *f.aliases)}
    told: dict[str, str] = {}
    spoken = [line for line in script.lines if line.speaker is not None]
    for asks, answers in pairwise(spoken):
        said = words_text(script.words[answers.first : answers.end])
        name = _ANSWERS.match(said)
        who = answers.speaker or ""
        role = who.startswith("the ") and who != asks.speaker
        asked = _ASKS_NAME.search(words_text(script.words[asks.first : asks.end]))
        if name and role and asked and name[1] not in calls and name[1].lower() not in NOT_NAMES:
            told.setdefault(who, name[1])
    return [
        replace(f, name=told[f.name], aliases=(f.name, *f.aliases)) if f.name in told else f
        for f in figures
    ]
