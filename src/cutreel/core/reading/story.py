"""A whole story as read: for every paragraph who is meant, what happens, where and when."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from cutreel.core.manuscript import Manuscript

from .arrival import Arrival
from .changes import Changed, changes_in
from .clause import Deed
from .deeds import deeds_in
from .focus import Carried, Mention
from .known import Cast, Known
from .memories import memory_spans
from .page import Paragraph, Spoken
from .parsed import Parses
from .people import people_in
from .sights import Sight, sights_in
from .things import things_meant
from .when import other_days, years_told
from .where import arrivals, muted


@dataclass(frozen=True, eq=False)
class ReadParagraph:
    """What a paragraph says; offsets are characters into it."""

    mentions: tuple[Mention, ...]
    deeds: tuple[Deed, ...]
    sights: tuple[Sight, ...]
    arrivals: tuple[Arrival, ...]
    muted: frozenset[int]
    days: tuple[int, ...] = ()
    """Where it is said that it is another day now."""
    years: tuple[tuple[int, str], ...] = ()
    """Where a year is said in which it happens."""
    changes: tuple[Changed, ...] = ()
    memories: tuple[tuple[int, int], ...] = ()
    """Stretches that tell of a remembered scene."""


@dataclass(frozen=True)
class Story:
    """The paragraphs that were read, by their numbers in the manuscript, and where each begins. A paragraph that is not
    parsed yet, or not English, is missing."""

    paragraphs: Mapping[int, ReadParagraph]
    starts: Mapping[int, int]


class StoryMemory:
    """What was read last of each paragraph, so that an edit is read again only as far as it reaches."""

    def __init__(self) -> None:
        self.known: dict[tuple[object, ...], tuple[ReadParagraph, Carried]] = {}
        self.cast: tuple[object, ...] = ()
        self.whole: tuple[Manuscript, tuple[object, ...], Story] | None = None


NOTHING = Story({}, {})


def read_story(
    script: Manuscript,
    parses: Parses,
    cast: Sequence[Known],
    memory: StoryMemory | None = None,
    answers: Mapping[int, tuple[int, ...]] | None = None,
) -> Story:
    """Read a story as far as it is parsed. `answers` say whom the words at some characters mean."""
    if not parses:
        return NOTHING
    memory = memory or StoryMemory()
    who = {call.lower(): p.id for p in reversed(cast) for call in p.calls}
    known = Cast(cast, {who[s.lower()] for s in script.speakers if s.lower() in who})
    if memory.cast != known.key:
        memory.cast, memory.known, memory.whole = known.key, {}, None
    of = (parses, answers or {})
    if memory.whole is not None and memory.whole[0] is script and memory.whole[1] == of:
        return memory.whole[2]
    now: dict[tuple[object, ...], tuple[ReadParagraph, Carried]] = {}
    carried, scene = Carried(), -1
    answered = sorted((answers or {}).items())
    found: dict[int, ReadParagraph] = {}
    starts: dict[int, int] = {}
    spoken_by = _spoken(script, who)
    scenes = {w.paragraph: w.scene for w in script.words}
    for number, start, text in script.paragraphs:
        if scenes[number] != scene:
            carried, scene = carried.scene() if scene >= 0 else carried, scenes[number]
        parsed = parses.get(text)
        if parsed is None or not parsed.tokens:
            continue
        spoken = tuple(Spoken(a - start, b - start, who) for a, b, who in spoken_by.get(number, ()))
        said = tuple((a - start, p) for a, p in answered if start <= a < start + len(text))
        key = (id(parsed), text, spoken, carried, said)
        read = now.get(key) or memory.known.get(key)
        if read is None:
            read = _read(Paragraph(text, parsed, spoken, dict(said)), known, carried)
        now[key] = read
        found[number], carried = read
        starts[number] = start
    memory.known = now
    memory.whole = (script, of, Story(found, starts))
    return memory.whole[2]


def _spoken(
    script: Manuscript, who: Mapping[str, int]
) -> dict[int, list[tuple[int, int, int | None]]]:
    """The stretches of each paragraph that somebody other than the narrator speaks."""
    out: dict[int, list[tuple[int, int, int | None]]] = {}
    for line in script.lines:
        if line.speaker is not None and line.end > line.first:
            first, last = script.words[line.first], script.words[line.end - 1]
            out.setdefault(first.paragraph, []).append(
                (first.start, last.end, who.get(line.speaker.lower()))
            )
    return out


def _read(paragraph: Paragraph, cast: Cast, before: Carried) -> tuple[ReadParagraph, Carried]:
    mentions, others, after = people_in(paragraph, cast, before)
    parsed, spoken = paragraph.parsed, paragraph.spoken
    said = frozenset(
        i for i, t in enumerate(parsed.tokens) if any(s.start <= t.start < s.end for s in spoken)
    )
    meant = {
        i: m.people
        for m in mentions
        for i, t in enumerate(parsed.tokens)
        if m.start <= t.start < m.end
    }

    def called(i: int) -> tuple[int, ...]:
        return meant.get(i, ())

    # June came out, and Dawn: people, and no month nor hour.
    names = frozenset(
        t.start for i, t in enumerate(parsed.tokens) if t.pos == "PROPN" and i in meant
    )
    things, carried = things_meant(parsed, said, called, before.things)
    return (
        ReadParagraph(
            mentions,
            deeds_in(parsed, said, called, {**things, **others}),
            sights_in(parsed, said, called),
            arrivals(parsed, said, called, cast.teller),
            muted(parsed, said) | names,
            tuple(day for day in other_days(parsed, said) if day not in names),
            years_told(parsed, said),
            changes_in(parsed, said, called),
            memory_spans(parsed),
        ),
        replace(after, things=carried),
    )
