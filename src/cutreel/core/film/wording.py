"""Finding words in a manuscript and changing them in many places at once, each word keeping its
number."""

import re
from collections.abc import Sequence

from pydantic import BaseModel, Field

from cutreel.core.continuity import Person
from cutreel.core.errors import BadInput
from cutreel.core.manuscript import cue_for, read

from .document import FilmDocument, clean_text

AROUND = 40
"""Characters shown on either side of a place that was found."""


_ALIKE = dict.fromkeys("'’", "['’]") | dict.fromkeys('"“”', '["“”]')


class Edit(BaseModel):
    """Replace characters `start` up to `end` by `insert`."""

    start: int = Field(ge=0)
    end: int = Field(ge=0)
    insert: str


class FoundPlace(BaseModel, frozen=True):
    """A place in the text with what stands around it, and what would stand there instead."""

    start: int
    end: int
    before: str
    found: str
    after: str
    instead: str

    @property
    def edit(self) -> Edit:
        return Edit(start=self.start, end=self.end, insert=self.instead)


def find_places(
    text: str, query: str, instead: str = "", match_case: bool = False, whole_words: bool = False
) -> list[FoundPlace]:
    """Every place at which `query` stands, in order. A replacement takes on the case of what it
    replaces where the case is not matched. Straight and curly marks are taken for the same."""
    query = query.strip("\n")
    if not query:
        return []
    pattern = "".join(_ALIKE.get(c, re.escape(c)) for c in query)
    if whole_words:
        pattern = rf"(?<!\w){pattern}(?!\w)"
    flags = re.UNICODE if match_case else re.IGNORECASE | re.UNICODE
    return [
        _place(text, m.start(), m.end(), instead if match_case else in_case_of(instead, m.group()))
        for m in re.finditer(pattern, text, flags)
    ]


def in_case_of(word: str, model: str) -> str:
    """`word` in capitals, with a capital, or as it is, as `model` is written."""
    if len(model) > 1 and model.isupper():
        return word.upper()
    if model[:1].isupper() and word[:1].islower() and not model.isupper():
        return word[:1].upper() + word[1:]
    return word


def name_places(text: str, person: Person, name: str) -> list[FoundPlace]:
    """Every place that calls somebody by name, with the new name there: whole names by the whole
    new one, a first name by the new first name, cues in front of their words, possessives."""
    first = person.name.split(" ")[0]
    new_first = name if first == person.name else name.split(" ", maxsplit=1)[0]
    calls = {person.name: name}
    if len(first) > 2 and first[:1].isupper() and first.lower() not in {"the", "old"}:
        calls.setdefault(first, new_first)
    last = person.name.split(" ")[-1]
    if last not in calls and " " in person.name and last[:1].isupper() and last in person.aliases:
        calls[last] = name.rsplit(" ", maxsplit=1)[-1]
    found: list[FoundPlace] = []
    ordered = sorted(calls, key=len, reverse=True)
    pattern = re.compile(
        r"(?P<cue>^[ \t]*@?)?(?<![\w@])(?P<name>" + "|".join(map(re.escape, ordered)) + r"|"
        + "|".join(re.escape(c.upper()) for c in ordered) + r")(?P<colon>:)?(?!\w)", re.MULTILINE,
    )  # fmt: skip
    for m in pattern.finditer(text):
        call = next((c for c in ordered if c == m["name"]), None) or next(
            c for c in ordered if c.upper() == m["name"]
        )
        instead = calls[call]
        start, end = m.start("name"), m.end("name")
        if m["colon"] and m["cue"] is not None:
            written = cue_for(instead)
            if text[start - 1 : start] == "@":
                start -= 1
            instead = written if m["name"].isupper() or written.startswith("@") else instead
        elif m["name"].isupper() and len(m["name"]) > 1:
            instead = instead.upper()
        if (
            person.name.startswith(("the ", "The "))
            and call == person.name
            and text[start].isupper()
        ):
            instead = instead[:1].upper() + instead[1:]
        found.append(_place(text, start, end, instead))
    return found


def _place(text: str, start: int, end: int, instead: str) -> FoundPlace:
    def flat(part: str) -> str:
        return re.sub(r"\s+", " ", part)

    return FoundPlace(
        start=start,
        end=end,
        before=flat(text[max(0, start - AROUND) : start]),
        found=text[start:end],
        after=flat(text[end : end + AROUND]),
        instead=instead,
    )


def with_edits(film: FilmDocument, edits: Sequence[Edit]) -> tuple[str, list[int | None] | None]:
    """The text with all edits made, and for each of its words the number it keeps.

    A word outside every edit keeps its number; inside an edit words keep theirs in order while as
    many came in as went out. Raises BadInput for edits over one another or outside the text.
    """
    ordered = sorted(edits, key=lambda e: (e.start, e.end))
    at, parts = 0, []
    for edit in ordered:
        if edit.start < at or edit.end < edit.start or edit.end > len(film.text):
            raise BadInput("That stretch of text is not there any more.", "Load the page again.")
        parts += [film.text[at : edit.start], edit.insert]
        at = edit.end
    raw = "".join([*parts, film.text[at:]])
    text = clean_text(raw)
    if text != raw:
        return text, None
    return text, _numbers(film, text, ordered)


def _numbers(film: FilmDocument, text: str, edits: Sequence[Edit]) -> list[int | None]:
    before, after = read(film.text).words, read(text).words
    ids = film.word_ids
    # Stretches of text in turn, kept and edited: (end in the old text, end in the new one).
    out: list[int | None] = []
    i = j = 0
    shift = 0
    bounds: list[tuple[int, int]] = []
    for edit in edits:
        bounds.append((edit.start, edit.start + shift))
        shift += len(edit.insert) - (edit.end - edit.start)
        bounds.append((edit.end, edit.end + shift))
    bounds.append((len(film.text), len(text)))
    for n, (old_end, new_end) in enumerate(bounds):
        edited = n % 2 == 1
        old_in, new_in = [], []
        # A word that an edit touches counts to the edit, wherever it began.
        while i < len(before) and (
            before[i].start < old_end if edited else before[i].end <= old_end
        ):
            old_in.append(ids[i])
            i += 1
        while j < len(after) and (after[j].start < new_end if edited else after[j].end <= new_end):
            new_in.append(j)
            j += 1
        if len(old_in) == len(new_in):
            out += old_in
        else:
            same = min(len(old_in), len(new_in)) if edited else 0
            out += [*old_in[:same], *([None] * (len(new_in) - same))]
    out += [None] * (len(after) - len(out))
    return out
