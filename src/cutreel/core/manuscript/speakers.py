"""Who speaks each stretch of quoted dialogue, where the text says so.

Order of evidence: a tag beside the quotation ("said Pip"), the same paragraph's other tag, a name that acts in the
paragraph, taking turns with the previous paragraphs. What cannot be told stays with "Unknown speaker".
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass

from .names import ROLES, Figure
from .sentences import SPEECH_VERBS

UNKNOWN = "Unknown speaker"

_QUOTE = re.compile(r"“[^”]*(?:”|$)|\"[^\"]*(?:\"|$)|«[^»]*(?:»|$)")
_NAME = r"(?:(?:Mr|Mrs|Dr)\.? )?[A-Z][\w’'-]*(?: [A-Z][\w’'-]*){0,2}"
_WHO = rf"(?P<who>[Hh]e|[Ss]he|[Tt]he (?:old |young |little )?[a-z]+|{_NAME})"
_AFTER_VERB = re.compile(rf"^,?\s*(?:{SPEECH_VERBS})\s+{_WHO}")
_AFTER_NAME = re.compile(rf"^,?\s*{_WHO}(?:\s+\w+ly)?\s+(?:{SPEECH_VERBS})\b")
_BEFORE = re.compile(rf"{_WHO}(?:\s+\w+ly)?\s+(?:{SPEECH_VERBS})(?:\s+[\w’' ]{{0,30}})?[,:]\s*$")
_PAST = r"\w+(?:ed|ook|aw|at|ood|elt|ew|ent|ave|old|ut|eld)\b"
_ACTS = re.compile(rf"(?:^|[.!?”\"]\s+)(?P<who>{_NAME})\s+(?:\w+ly )?{_PAST}")


@dataclass(frozen=True, slots=True)
class Piece:
    """Offsets `start` up to `end` of a paragraph, spoken by `speaker` (None: the narrator)."""

    start: int
    end: int
    speaker: str | None
    why: str


def quotes(body: str) -> list[tuple[int, int]]:
    """Spans of quoted speech, marks included. A quotation that does not open speech (a title, a word) stays out."""
    spans = []
    for match in _QUOTE.finditer(body):
        inner = match.group().strip('“”"«» ')
        opens = body[: match.start()].rstrip()
        spoken = (inner[-1:] in ",.!?…—-" or match.end() >= len(body.rstrip()) or opens[-1:] in ",:") and inner
        starts = not opens or opens[-1] in ",:.!?…—”\"'" or inner[:1].isupper()
        if spoken and starts:
            spans.append(match.span())
    return spans


def attribute(body: str, spans: Sequence[tuple[int, int]], figures: Sequence[Figure], memory: list[str]) -> list[Piece]:
    """Cut a paragraph into pieces by speaker. `memory` holds the speakers so far, latest last, and is added to."""
    if not spans:
        _note_mentions(body, figures, memory)
        return [Piece(0, len(body), None, "narration")]
    tags = [_tag(body, start, end, figures, memory) for start, end in spans]
    first_tag = next((tag for tag in tags if tag), None)
    if first_tag is None:
        acting = _ACTS.search(_without(body, spans))
        name = _resolve(acting.group("who"), figures, memory) if acting else None
        if name:
            first_tag = (name, f"{name} acts in the same paragraph")
    turn: list[str] = list(dict.fromkeys(reversed(memory)))
    if first_tag is None and len(turn) > 1:
        first_tag = (turn[1], f"takes turns with {turn[0]}")
    if first_tag is None and turn:
        first_tag = (turn[0], f"{turn[0]} spoke last")
    pieces: list[Piece] = []
    at = 0
    current = first_tag or (UNKNOWN, "the text does not say who speaks")
    for (start, end), tag in zip(spans, tags, strict=True):
        current = tag or current
        if body[at:start].strip(" \n"):
            pieces.append(Piece(at, start, None, "narration"))
        pieces.append(Piece(start, end, *current))
        at = end
    if body[at:].strip():
        pieces.append(Piece(at, len(body), None, "narration"))
    if current[0] != UNKNOWN:
        memory.append(current[0])
    return pieces


def _tag(body: str, start: int, end: int, figures: Sequence[Figure], memory: Sequence[str]) -> tuple[str, str] | None:
    closed = body[start:end].rstrip('”"»')[-1:] == "."
    after = (None, None) if closed else (_AFTER_VERB.match(body[end:]), _AFTER_NAME.match(body[end:]))
    for match in (*after, _BEFORE.search(body[:start])):
        if match:  # behind a full stop, "She laughed" is something she does and not how the words were said
            name = _resolve(match.group("who"), figures, memory)
            if name:
                return name, f"by “{match.group().strip(' ,:')}”"
    return None


def _resolve(who: str, figures: Sequence[Figure], memory: Sequence[str]) -> str | None:
    low = who.lower()
    people = [f for f in figures if f.kind != "place"]
    if low in {"he", "she"}:
        known = {f.name: f.pronoun for f in people}
        for name in reversed(memory):
            if known.get(name) == low:
                return name
        fitting = [f for f in people if f.pronoun == low and f.kind == "person"]
        return fitting[0].name if len(fitting) == 1 else None
    if low.startswith("the "):
        noun = low.split(" ")[-1]
        return f"the {noun}" if noun in ROLES or any(noun in f.aliases for f in people) else None
    for figure in people:
        if who == figure.name or who in figure.aliases:
            return figure.name
    return who if who.lower() not in {"it", "they", "we", "i", "you", "there", "then", "but", "and"} else None


def _without(body: str, spans: Sequence[tuple[int, int]]) -> str:
    out, at = [], 0
    for start, end in spans:
        out.append(body[at:start])
        at = end
    return " ".join([*out, body[at:]])


def _note_mentions(body: str, figures: Sequence[Figure], memory: list[str]) -> None:
    """Let a figure that narration names, and nobody else, be the one a following "she said" means."""
    named = [
        f
        for f in figures
        if f.kind == "person" and any(re.search(rf"\b{re.escape(n)}\b", body) for n in (f.name, *f.aliases))
    ]
    if len(named) == 1 and named[0].name in memory:
        memory.append(named[0].name)
