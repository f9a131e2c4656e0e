"""What is spoken of a film as SSML, both ways: each line in its voice, with its marks; what a document says of it."""

from collections import Counter, defaultdict
from collections.abc import Collection, Mapping
from dataclasses import dataclass, field

from cutreel.core.errors import BadInput
from cutreel.core.manuscript import Saying, strip_marks
from cutreel.core.speech import (
    SsmlScript,
    WordMark,
    found_in,
    marked_text,
    said,
    script_ssml,
    sounds_of,
)

from .casting import language_spoken
from .document import ReadAloud
from .reading import ReadFilm
from .said import as_words, line_words


def ssml_of(read: ReadFilm) -> str:
    """All that is spoken, as SSML 1.1."""
    film, words = read.document, read.script.words
    known = {s.word.lower(): s.sounds for s in film.lexicon}
    phonemes = {s.word.lower(): s.phonemes for s in film.lexicon if s.phonemes}
    places = film.word_places
    marks = {places[m.word]: m for m in film.word_marks if m.word in places}
    own = {places[r.word]: r.sounds for r in film.read_aloud if r.word in places}
    lines, language = [], language_spoken(film)
    for work in read.speech:
        if work.pieces:
            # Marks, lexicon and words read otherwise hold to the manuscript's words, which are not these.
            spoken = as_words(line_words(words, work))
            lines.append((work.voice, marked_text(spoken, [w.text for w in spoken], {}, {})))
            continue
        here = range(work.first, work.end)
        written = words[work.first : work.end]
        set_here = {i - work.first: own[i] for i in here if i in own}
        texts = said(written, known, set_here, language == "en")
        marked = {i - work.first: marks[i] for i in here if i in marks}
        lines.append((work.voice, marked_text(written, texts, marked, phonemes)))
    return script_ssml(lines, language)


@dataclass
class SsmlTaken:
    """What a document says of a film: marks, words read otherwise at their places and everywhere, voices by person (0:
    the narrator); how many of the film's words are in it; and what has no use here."""

    marks: list[WordMark] = field(default_factory=list)
    reads: list[ReadAloud] = field(default_factory=list)
    sayings: list[Saying] = field(default_factory=list)
    voices: dict[int, str] = field(default_factory=dict)
    found: int = 0
    unused: list[str] = field(default_factory=list)

    @property
    def nothing(self) -> bool:
        return not (self.marks or self.reads or self.sayings or self.voices)


def ssml_taken(read: ReadFilm, document: SsmlScript, voices: Collection[str]) -> SsmlTaken:
    """What a document says otherwise of a film than the film does, which may speak with some `voices`. Raises BadInput
    where it has next to none of the film's words."""
    film, words, ids = read.document, read.script.words, read.ids
    found = found_in([w.text for w in words], document.words)
    if len(found) < 0.2 * min(len(words), len(document.words)):
        raise BadInput("That file says other words than this film.", "Bring SSML of this story.")
    out = SsmlTaken(found=len(found), unused=list(document.unused))
    marks = {m.word: m for m in film.word_marks}
    known = {s.word.lower(): s for s in film.lexicon}
    own = {r.word: r.sounds for r in film.read_aloud}
    phonemes: dict[str, Saying] = {}
    said_now = said(
        words, {w: s.sounds for w, s in known.items()}, english=language_spoken(film) == "en"
    )
    for i, word in found.items():
        mark = WordMark(word=ids[i], stress=word.stress, pace=word.pace, pause=round(word.pause, 3))
        if mark != marks.get(ids[i], WordMark(word=ids[i])):
            out.marks.append(mark)
        bare = strip_marks(words[i].text)
        if word.ipa and bare.lower() not in phonemes:
            try:
                phonemes[bare.lower()] = Saying(
                    word=bare, sounds=sounds_of(word.ipa), phonemes=word.ipa[:120]
                )
            except BadInput:
                out.unused.append(f"the phonemes of {bare}")
        elif word.alias and word.alias not in (
            own.get(ids[i]),
            strip_marks(said_now[i]),
            said_now[i],
        ):
            out.reads.append(ReadAloud(word=ids[i], sounds=word.alias[:120]))
    out.sayings = [s for w, s in phonemes.items() if known.get(w) != s]
    out.voices = _voices(read, {i: w.voice for i, w in found.items() if w.voice in voices})
    left = {w.voice for w in found.values() if w.voice and w.voice not in voices}
    out.unused += [f"the voice {name}" for name in sorted(left)]
    out.unused = list(dict.fromkeys(out.unused))
    return out


def _voices(read: ReadFilm, said_by: Mapping[int, str]) -> dict[int, str]:
    """Who is to speak with another voice than now: each the one that says most of their words."""
    film = read.document
    most: dict[str | None, Counter[str]] = defaultdict(Counter)
    now: dict[str | None, str] = {}
    for work in read.speech:
        now[work.speaker] = work.voice
        for i in range(work.first, work.end):
            if i in said_by:
                most[work.speaker][said_by[i]] += 1
    people = {c.lower(): p.id for p in reversed(film.cast) for c in (p.name, *p.aliases)}
    people_of = {None: 0} | {s: people[s.lower()] for s in now if s and s.lower() in people}
    return {
        people_of[speaker]: counted.most_common(1)[0][0]
        for speaker, counted in most.items()
        if speaker in people_of and counted.most_common(1)[0][0] != now[speaker]
    }
