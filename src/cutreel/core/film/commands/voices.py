"""Changes of voices: who is kept, how lines are said, how words sound."""

from typing import Literal

from pydantic import BaseModel, Field

from cutreel.core.continuity import OwnVoice
from cutreel.core.errors import BadInput, NotFound
from cutreel.core.manuscript import Saying
from cutreel.core.speech import WordMark, sounds_of

from ..document import FilmDocument, Narration, OwnLine, ReadAloud, Recording
from .base import FilmCommand

MOST_VOICES, MOST_SAYINGS, MOST_NARRATIONS = 60, 2000, 60


class KeepVoice(FilmCommand):
    """Keep a voice that was made, under a name, and let somebody speak with it: a person of the cast by number, 0 for
    the narrator, None for nobody yet."""

    touches = ("voices", "cast", "settings")
    type: Literal["keep voice"] = "keep voice"
    voice: OwnVoice
    for_: int | None = Field(None, alias="for")

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        known = next((v for v in film.voices if v.voice == self.voice.voice), None)
        if known is None:
            if len(film.voices) >= MOST_VOICES:
                raise BadInput("The film keeps as many voices as it can.", "Drop one first.")
            number = max((v.id for v in film.voices), default=0) + 1
            film.voices.append(self.voice.model_copy(update={"id": number}))
        if self.for_ == 0:
            film.settings = film.settings.model_copy(update={"narrator": self.voice.voice})
        elif self.for_ is not None:
            at = next((i for i, p in enumerate(film.cast) if p.id == self.for_), None)
            if at is None:
                raise NotFound("That person is not in the cast any more.")
            film.cast[at] = film.cast[at].model_copy(update={"voice": self.voice.voice})
        return f"keep the voice {self.voice.name}"


class DropVoice(FilmCommand):
    """Drop a kept voice that nobody speaks with."""

    touches = ("voices",)
    type: Literal["drop voice"] = "drop voice"
    id: int

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        known = next((v for v in film.voices if v.id == self.id), None)
        if known is None:
            raise NotFound("That voice is not in the film any more.")
        owner = next((p.name for p in film.cast if p.voice == known.voice), None)
        if owner or film.settings.narrator == known.voice:
            who = owner or "The narrator"
            raise BadInput(f"{who} speaks with it.", "Give them another voice first.")
        film.voices.remove(known)
        return f"drop the voice {known.name}"


class SetLine(FilmCommand):
    """Set how a line is said, by the number of its first word: its direction (None: as the text tells), and which
    taking of it is used. A recording of it stays where nothing is said of one."""

    touches = ("lines",)
    type: Literal["set line"] = "set line"
    line: OwnLine

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if self.line.word not in film.word_places:
            raise NotFound("That line is not in the manuscript any more.")
        if str(self.line.seed) in self.line.rejected:
            raise BadInput(
                f"Taking {self.line.seed + 1} is rejected.", "Use another, or take that back first."
            )
        line, plain = self.line, OwnLine(word=self.line.word)
        known = next((own for own in film.lines if own.word == line.word), None)
        if known is not None and "recording" not in line.model_fields_set:
            line = line.model_copy(update={"recording": known.recording})
        others = [own for own in film.lines if own.word != line.word]
        film.lines = others if line == plain else [*others, line]
        return "direct a line" if self.line.direction is not None else "change a line"


class SayWord(FilmCommand):
    """Let a word sound otherwise than it is written; empty `sounds` lets it sound as written again. Between slashes it
    is IPA: "/ˈsɔːltmɪə/"."""

    touches = ("lexicon",)
    type: Literal["say word"] = "say word"
    word: str = Field(min_length=1, max_length=60, pattern=r"^\S+$")
    sounds: str = Field("", max_length=80)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        others = [s for s in film.lexicon if s.word.lower() != self.word.lower()]
        if not self.sounds.strip():
            film.lexicon = others
            return f"say {self.word} as it is written"
        if len(others) >= MOST_SAYINGS:
            raise BadInput("The lexicon is full.", "Lift a word from it first.")
        typed, ipa = self.sounds.strip(), ""
        if len(typed) > 2 and typed[0] + typed[-1] in ("//", "[]"):
            ipa = typed[1:-1].strip()
            typed = sounds_of(ipa)
        saying = Saying(word=self.word, sounds=typed, phonemes=ipa)
        film.lexicon = [*others, saying]
        return f"say {self.word} as {saying.sounds}"


class ReadWord(FilmCommand):
    """Let one word, by its number, be read in a way of its own; empty `sounds` lets it be read as it is elsewhere."""

    touches = ("read_aloud",)
    type: Literal["read word"] = "read word"
    word: int
    sounds: str = Field("", max_length=120)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if self.word not in film.word_places:
            raise NotFound("That word is not in the manuscript any more.")
        others = [r for r in film.read_aloud if r.word != self.word]
        sounds = " ".join(self.sounds.split())
        film.read_aloud = [*others, ReadAloud(word=self.word, sounds=sounds)] if sounds else others
        return f"read a word as {sounds}" if sounds else "read a word as it is elsewhere"


class MarkWords(FilmCommand):
    """Mark how words, by their numbers, are said: stressed, slower, quicker, after a pause; a plain mark takes it
    away."""

    touches = ("word_marks",)
    type: Literal["mark words"] = "mark words"
    marks: list[WordMark] = Field(min_length=1, max_length=2000)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        if any(mark.word not in film.word_places for mark in self.marks):
            raise NotFound("A word is not in the manuscript any more.")
        known = {m.word: m for m in film.word_marks} | {m.word: m for m in self.marks}
        film.word_marks = [m for m in known.values() if not m.plain]
        return "mark a word" if len(self.marks) == 1 else f"mark {len(self.marks)} words"


class KeepNarration(FilmCommand):
    """Keep a recording of the story, or a part of it, or with `drop` forget it; lines that were taken from it stay."""

    touches = ("narrations",)
    type: Literal["keep narration"] = "keep narration"
    narration: Narration
    drop: bool = False

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        others = [n for n in film.narrations if n.key != self.narration.key]
        if self.drop:
            film.narrations = others
            return f"forget the recording {self.narration.name}"
        if len(others) >= MOST_NARRATIONS:
            raise BadInput("The film keeps as many recordings as it can.", "Forget one first.")
        film.narrations = [*others, self.narration]
        return f"bring the recording {self.narration.name}"


class RecordedLine(BaseModel):
    """A line, by the number of its first word, and what is heard of it; None: a voice again."""

    word: int
    recording: Recording | None


class TakeRecordings(FilmCommand):
    """Let lines be heard in the maker's own voice, all at once."""

    touches = ("lines",)
    type: Literal["take recordings"] = "take recordings"
    lines: list[RecordedLine] = Field(min_length=1, max_length=20_000)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        places = film.word_places
        known = {line.word: line for line in film.lines}
        for taken in self.lines:
            if taken.word not in places:
                raise NotFound("A line is not in the manuscript any more.", "Follow the text anew.")
            own = known.get(taken.word) or OwnLine(word=taken.word)
            known[taken.word] = own.model_copy(update={"recording": taken.recording})
        film.lines = [line for line in known.values() if line != OwnLine(word=line.word)]
        count = len(self.lines)
        what = "line" if count == 1 else "lines"
        back = all(taken.recording is None for taken in self.lines)
        return f"give {count} {what} a voice again" if back else f"take {count} recorded {what}"


class TakeLexicon(FilmCommand):
    """Take words of a lexicon from elsewhere; of those that the film has already, these hold from now on."""

    touches = ("lexicon",)
    type: Literal["take lexicon"] = "take lexicon"
    sayings: list[Saying] = Field(min_length=1, max_length=5000)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        new = {s.word.lower() for s in self.sayings}
        kept = [s for s in film.lexicon if s.word.lower() not in new]
        if len(kept) + len(self.sayings) > MOST_SAYINGS:
            raise BadInput(
                "Those are more words than a lexicon holds.", f"At most {MOST_SAYINGS:,}."
            )
        film.lexicon = [*kept, *self.sayings]
        return (
            f"take {len(self.sayings)} {'word' if len(self.sayings) == 1 else 'words'} of a lexicon"
        )


class TakeSsml(FilmCommand):
    """Take what an SSML document says of words, by their numbers, as one change: marks, how words are read at their
    places and everywhere, and the voices of some of the cast (0: the narrator)."""

    touches = ("word_marks", "read_aloud", "lexicon", "cast", "settings")
    type: Literal["take ssml"] = "take ssml"
    marks: list[WordMark] = Field([], max_length=100_000)
    reads: list[ReadAloud] = Field([], max_length=100_000)
    sayings: list[Saying] = Field([], max_length=5000)
    voices: dict[int, str] = Field({}, max_length=500)

    def apply(self, film: FilmDocument, used: list[str]) -> str:
        places = film.word_places
        if any(
            n not in places for n in [*(m.word for m in self.marks), *(r.word for r in self.reads)]
        ):
            raise NotFound("A word is not in the manuscript any more.", "Bring the file again.")
        marks = {m.word: m for m in film.word_marks} | {m.word: m for m in self.marks}
        film.word_marks = [m for m in marks.values() if not m.plain]
        reads = {r.word: r for r in film.read_aloud} | {r.word: r for r in self.reads}
        film.read_aloud = list(reads.values())
        if self.sayings:
            TakeLexicon(sayings=self.sayings).apply(film, used)
        if 0 in self.voices:
            film.settings = film.settings.model_copy(update={"narrator": self.voices[0]})
        film.cast = [
            p.model_copy(update={"voice": self.voices[p.id]}) if p.id in self.voices else p
            for p in film.cast
        ]
        return "take what an SSML file says"
