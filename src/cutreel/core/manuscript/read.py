"""From text to a manuscript.

Blocks are separated by blank lines. A heading is a line that starts with `#`, with INT. or EXT., or
with Scene, Chapter or Part and a number. A block in square brackets is a note. `NAME: words` gives
the words to NAME, and `@Name: words` to a name written just so. Everything else is narration with
quoted dialogue; a backslash in front makes it that, however it begins.
"""

import re
from bisect import bisect_left
from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache, partial
from itertools import groupby, pairwise

from .callings import Figure
from .model import Line, Manuscript, Note, Scene, Sentence, Word, strip_marks
from .names import people_named
from .sentences import sentence_ends
from .speakers import Piece, Recent, attribute, quotes

_HEADING = re.compile(
    r"^(?:#{1,6}\s+.*|(?:INT|EXT|INT\./EXT|I/E)[. ].*|(?:scene|chapter|part)\s+(?:\d+|[ivxlc]+|one|two|three|four|five|"
    r"six|seven|eight|nine|ten)\b.{0,80})$",
    re.IGNORECASE,
)
_CUE = re.compile(r"^(@?[^\W\d_][\w'’.-]*(?: [\w'’.&-]+){0,4}):[ \t]+(?=\S)")
_BLOCK = re.compile(r"[^\n]+(?:\n[ \t]*\S[^\n]*)*")
_TOKEN = re.compile(r"\S+?(?:—|--)(?=[^\s—”’\"'])|\S+")
_WORDLIKE = re.compile(r"\w")

# fmt: off
TIMES = {
    "dawn": "dawn", "sunrise": "dawn", "morning": "day", "day": "day", "noon": "day",
    "midday": "day", "afternoon": "day", "dusk": "dusk", "sunset": "dusk", "evening": "dusk",
    "twilight": "dusk", "night": "night", "midnight": "night",
}
WEATHERS = {
    "clear": "clear", "sunny": "clear", "rain": "rain", "rainy": "rain", "storm": "rain",
    "snow": "snow", "snowy": "snow", "snowing": "snow", "fog": "fog", "foggy": "fog",
    "mist": "fog", "misty": "fog", "wind": "wind", "windy": "wind", "gusts": "wind",
    "gale": "wind",
}
# fmt: on


@dataclass
class _Block:
    start: int
    end: int
    cue: str | None = None
    cue_end: int = 0


@lru_cache(maxsize=64)
def read(text: str) -> Manuscript:
    """Read `text`. The result depends on the text alone and is kept for the last few texts."""
    headings, notes, blocks = _blocks(text)
    reader = _Reader(text)
    heads: list[int] = []
    for block in blocks:
        while len(heads) < len(headings) and headings[len(heads)][0] < block.start:
            heads.append(len(reader.words))
        opens_bare = bool(headings) and headings[0][0] > blocks[0].start
        reader.add(block, len(heads) if opens_bare else max(0, len(heads) - 1))
    heads += [len(reader.words)] * (len(headings) - len(heads))
    return Manuscript(
        text,
        tuple(reader.words),
        tuple(reader.sentences),
        tuple(reader.lines),
        _scenes(text, headings, heads, len(reader.words)),
        tuple(notes),
    )


def _meant_at(meant: Mapping[int, str], begin: int, at: int) -> str | None:
    return meant.get(begin + at)


def speakers_again(
    script: Manuscript, figures: Sequence[Figure], meant: Mapping[int, str]
) -> Manuscript:
    """`script` with its speakers told once more, now that the cast is known, and whom the pronouns at some characters
    of the text mean. What a cue gives to somebody stays theirs."""
    memory = Recent()
    lines: list[Line] = []
    text, words = script.text, script.words
    for _, of_paragraph in groupby(script.lines, lambda line: words[line.first].paragraph):
        told = list(of_paragraph)
        begin, end = words[told[0].first].start, words[told[-1].end - 1].end
        if told[0].why.endswith(":”") and told[0].speaker:
            memory.hear(told[0].speaker)
            lines += told
            continue
        body = text[begin:end]
        pieces = attribute(body, quotes(body), figures, memory, partial(_meant_at, meant, begin))
        for line in told:
            at = words[line.first].start - begin
            piece = next((p for p in pieces if at < p.end), pieces[-1])
            same = (piece.speaker, piece.why) == (line.speaker, line.why)
            lines.append(line if same else replace(line, speaker=piece.speaker, why=piece.why))
    return script if tuple(lines) == script.lines else replace(script, lines=tuple(lines))


class _Reader:
    """Reads one block of spoken text after another into words, sentences and lines."""

    def __init__(self, text: str) -> None:
        self.text = text
        self.names = people_named(text)
        self.memory = Recent()
        self.words: list[Word] = []
        self.sentences: list[Sentence] = []
        self.lines: list[Line] = []
        self.blocks = 0

    def add(self, block: _Block, scene: int) -> None:
        """Read a block that stands in a scene, by its index."""
        new = tuple.__new__
        begin = block.cue_end or block.start
        body = self.text[begin : block.end]
        pieces = self._pieces(block, body)
        laid = _laid(body)
        if not laid.tokens:
            return  # a block of marks alone says nothing
        first, sentences, paragraph = len(self.words), len(self.sentences), self.blocks
        starts = [start for start, _, _, _ in laid.tokens]
        cuts = [0, *(bisect_left(starts, piece.end) for piece in pieces[:-1]), len(starts)]
        for (a, b), piece in zip(pairwise(cuts), pieces, strict=True):
            if a >= b:
                continue  # no word of it was spoken
            line = len(self.lines)
            self.lines.append(Line(first + a, first + b, piece.speaker, piece.why))
            # By the tuple's own way: a long text has tens of thousands of them, and each letter typed makes them anew.
            self.words += [
                new(
                    Word,
                    (
                        begin + start,
                        begin + end,
                        text,
                        paragraph,
                        sentences + sentence,
                        line,
                        scene,
                    ),
                )
                for start, end, text, sentence in laid.tokens[a:b]
            ]
        self.sentences += [Sentence(first + a, first + b) for a, b in laid.sentences]
        self.blocks += 1

    def _pieces(self, block: _Block, body: str) -> list[Piece]:
        """Who speaks which part of a block."""
        if block.cue:
            self.memory.hear(block.cue)
            return [Piece(0, len(body), block.cue, f"by “{block.cue}:”")]
        return attribute(body, quotes(body), self.names, self.memory)


def _blocks(text: str) -> tuple[list[tuple[int, int]], list[Note], list[_Block]]:
    headings: list[tuple[int, int]] = []
    notes: list[Note] = []
    blocks: list[_Block] = []
    cues = Counter(m.group(1) for m in re.finditer(_CUE.pattern, text, re.MULTILINE))
    for match in _BLOCK.finditer(text):
        pieces: list[tuple[int, int]] = []
        for line in re.finditer(r"[^\n]+", match.group()):
            start, end = match.start() + line.start(), match.start() + line.end()
            body = text[start:end].strip()
            cue = _CUE.match(text[start:end].lstrip())
            if not body:
                continue
            if body.startswith("\\"):
                pieces.append((start + text[start:end].index("\\") + 1, end))
            elif _HEADING.match(body):
                headings.append((start, end))
                pieces.append((end, end))
            elif cue and _is_cue(cue.group(1), cues):
                indent = end - start - len(text[start:end].lstrip())
                pieces.append((end, end))
                blocks.append(_Block(start, end, _named(cue.group(1)), start + indent + cue.end()))
                pieces.append((end, end))
            elif body.startswith("[") and body.endswith("]"):
                notes.append(Note(start, end))
                pieces.append((end, end))
            elif pieces and pieces[-1][0] != pieces[-1][1]:
                pieces[-1] = (pieces[-1][0], end)
            else:
                pieces.append((start, end))
        blocks += [_Block(a, b) for a, b in pieces if b > a and _WORDLIKE.search(text[a:b])]
    blocks.sort(key=lambda block: block.start)
    return headings, notes, blocks


def _is_cue(name: str, cues: Counter[str]) -> bool:
    """Whether a name before a colon says who speaks: forced, in capitals, or written so more than
    once."""
    if name.startswith("@") or name.isupper():
        return True
    return (
        cues[name] > 1
        and all(part[:1].isupper() for part in name.split()[:3])
        and len(name.split()) <= 3
    )


def _named(cue: str) -> str:
    if cue.startswith("@"):
        return cue[1:]
    return cue.title() if cue.isupper() else cue


def cue_for(speaker: str) -> str:
    """How a manuscript writes that somebody speaks, such that the name is read back as it is."""
    capitals = speaker.upper()
    return (
        capitals if _named(capitals) == speaker and _CUE.match(f"{capitals}: x") else "@" + speaker
    )


def reads_as_narration(line: str) -> bool:
    """Whether one line by itself is read as narration, and not as a heading, a note or somebody's
    words."""
    headings, notes, blocks = _blocks(line)
    return not headings and not notes and all(b.cue is None for b in blocks)


@dataclass(frozen=True, slots=True)
class _Laid:
    """The words of a block: where each starts and ends in it, its text, and the index of its sentence; and the words
    of each sentence."""

    tokens: list[tuple[int, int, str, int]]
    sentences: list[tuple[int, int]]


@lru_cache(maxsize=16_384)
def _laid(body: str) -> _Laid:
    """A block in words and sentences. Kept, since of a long text only one block changes at a time."""
    ends = sentence_ends(body)
    tokens: list[tuple[int, int, str, int]] = []
    heads = [0]
    at = 0
    for start, end in _tokens(body):
        while at < len(ends) - 1 and start >= ends[at]:
            at += 1
            if len(tokens) > heads[-1]:
                heads.append(len(tokens))
        tokens.append((start, end, body[start:end], len(heads) - 1))
    return _Laid(tokens, list(pairwise([*heads, len(tokens)])))


def _tokens(body: str) -> list[tuple[int, int]]:
    """Spans of words; a token without a letter or digit clings to the word before it (or after, at
    the start)."""
    spans: list[tuple[int, int]] = []
    pending: int | None = None
    for match in _TOKEN.finditer(body):
        start, end = match.span()
        if not _WORDLIKE.search(match.group()):
            if spans:
                spans[-1] = (spans[-1][0], end)
            elif pending is None:
                pending = start
            continue
        spans.append((start if pending is None else pending, end))
        pending = None
    return spans


def _scenes(
    text: str, headings: list[tuple[int, int]], heads: list[int], words: int
) -> tuple[Scene, ...]:
    scenes: list[Scene] = []
    if not headings or heads[0] > 0:
        scenes.append(Scene("", None, None, 0, heads[0] if headings else words, 0, 0))
    for i, (start, end) in enumerate(headings):
        title, time, weather = _heading(text[start:end])
        scenes.append(
            Scene(
                title,
                time,
                weather,
                heads[i],
                heads[i + 1] if i + 1 < len(heads) else words,
                start,
                end,
            )
        )
    return tuple(scenes)


def _heading(line: str) -> tuple[str, str | None, str | None]:
    """Title, time of day and weather of a heading such as `# The jetty — dusk, wind`."""
    body = re.sub(
        r"^#*\s*(?:(?:INT\./EXT|INT|EXT|I/E)[. ]+)?", "", line.strip(), flags=re.IGNORECASE
    )
    parts = re.split(r"\s+(?:—|–|-|--)\s+|,\s*|\s+\|\s+", body)
    time = weather = None
    kept = list(parts)
    for part in parts[1:]:
        word = strip_marks(part.lower())
        if word in TIMES and time is None:
            time = TIMES[word]
        elif word in WEATHERS and weather is None:
            weather = WEATHERS[word]
        else:
            continue
        kept.remove(part)
    return ", ".join(kept).strip(), time, weather
