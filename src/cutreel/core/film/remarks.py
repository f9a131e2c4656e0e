"""Remarks on a cut: what a maker would want to look at again, and what one key does about it."""

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import accumulate
from typing import Literal

from cutreel.core.breakdown import SCRAP_SECONDS, SCRAP_WORDS, Wish
from cutreel.core.continuity import Person, text_place
from cutreel.core.ideas import told_in
from cutreel.core.manuscript import UNKNOWN, Manuscript, Word, words_text

from .reading import ReadFilm, ReadShot

SLOW_OPENING = 5.0
OVERLONG = 2.2

RemarkKind = Literal[
    "scrap", "overlong", "slow opening", "two speakers", "change of place", "two subjects",
    "nothing to picture",
    "unclear speaker",
]  # fmt: skip
Remedy = Literal["", "lift", "cut", "same picture"]

# fmt: off
_UNSEEN = {
    "about", "after", "again", "all", "almost", "already", "also", "always", "and", "another",
    "any", "are", "because", "been", "before", "being", "better", "but", "can", "could", "did",
    "does", "done", "each", "else", "enough", "even", "ever", "every", "everything", "few", "for",
    "from", "had", "has", "have", "how", "idea", "indeed", "into", "its", "just", "knew", "know",
    "known", "less", "like", "made", "make", "many", "matter", "may", "maybe", "meant", "might",
    "more", "most", "much", "must", "never", "not", "nothing", "now", "often", "once", "one",
    "only", "other", "our", "perhaps", "quite", "rather", "real", "really", "reason", "same",
    "seemed", "should", "since", "some", "something", "soon", "still", "such", "than", "that",
    "the", "their", "then", "there", "these", "they", "thing", "things", "think", "this", "those",
    "though", "thought", "time", "too", "true", "until", "very", "was", "way", "well", "were",
    "what", "when", "where", "whether", "which", "while", "who", "why", "will", "with", "would",
    "yes", "yet", "you", "your", "course", "fact", "question", "answer", "truth", "meaning",
    "hope", "years", "days", "ago", "first", "last",
}
# fmt: on


@dataclass(frozen=True, slots=True)
class Remark:
    """A remark on the shot with index `shot`. `remedy` names what one key does about it, empty when
    nothing does; `at_word` is the index of the word before which a remedy cuts."""

    shot: int
    kind: RemarkKind
    text: str
    remedy: Remedy
    at_word: int | None = None


@dataclass(frozen=True, slots=True)
class _Remarked:
    """What the remarks on a shot were worked out from, and where it stood."""

    script: Manuscript
    shot: ReadShot
    index: int
    times: tuple[float, float]
    structure: tuple[object, ...]
    remarks: list[Remark]


RemarkMemory = dict[int, _Remarked]
"""The remarks of the last time, by a shot's number."""


def wanted_lengths(film: ReadFilm, seconds: Sequence[float], wish: Wish) -> list[float]:
    """How long the wish wants each shot of a film to be, whose shots last `seconds`."""
    total = sum(seconds) or 1.0
    starts = accumulate(seconds, initial=0.0)
    return [wish.wanted(at, s.scene, at / total) for s, at in zip(film.shots, starts, strict=False)]


def remarks_on(
    film: ReadFilm,
    seconds: Sequence[float],
    wanted: Sequence[float],
    memory: RemarkMemory | None = None,
) -> list[Remark]:
    """Remarks on the shots of a film that last `seconds` and are `wanted` so long, the most pressing of each shot
    first. `memory` keeps those of the last time; what is remarked is the same with it as without."""
    out: list[Remark] = []
    memory = {} if memory is None else memory
    for i, shot in enumerate(film.shots):
        if shot.end == shot.first:
            continue
        times = (seconds[i] - shot.shot.hold, wanted[i])
        known = memory.get(shot.shot.id)
        if (
            known is None
            or known.shot is not shot
            or known.index != i
            or known.script is not film.script
            or known.times != times
        ):
            known = memory[shot.shot.id] = _looked_at(film, i, shot, times, known)
        out += known.remarks
    return out


def _looked_at(
    film: ReadFilm, i: int, shot: ReadShot, times: tuple[float, float], known: _Remarked | None
) -> _Remarked:
    """The remarks on a shot; those known, where nothing of it changed but where it stands."""
    stands = known is not None and known.script is film.script and known.shot is shot
    structure = known.structure if known and stands else _structure(film.script, shot)
    if (
        known is not None
        and known.shot.token is shot.token
        and (known.index == 0) == (i == 0)
        and (known.times, known.structure) == (times, structure)
    ):
        by = shot.first - known.shot.first
        found = known.remarks
        if by or known.index != i:
            found = [_moved(r, i, by) for r in found]
    else:
        found = _on_time(film.script, i, shot, *times) + _on_words(film, i, shot)
    return _Remarked(film.script, shot, i, times, structure, found)


def _moved(remark: Remark, shot: int, words: int) -> Remark:
    """A remark on a shot that stands elsewhere now."""
    at = None if remark.at_word is None else remark.at_word + words
    return replace(remark, shot=shot, at_word=at)


def _structure(script: Manuscript, shot: ReadShot) -> tuple[object, ...]:
    """How a shot's words are divided: into how many sentences and scenes, and who speaks."""
    first, last = script.words[shot.first], script.words[shot.end - 1]
    speakers = tuple(script.lines[n].speaker for n in range(first.line, last.line + 1))
    return last.sentence - first.sentence, last.scene - first.scene, speakers


def _on_time(
    script: Manuscript, i: int, shot: ReadShot, seconds: float, wanted: float
) -> list[Remark]:
    words = shot.end - shot.first
    middle = _break_near(script, shot.first, shot.end)
    if i and (seconds < SCRAP_SECONDS or words < SCRAP_WORDS) and seconds < wanted * 0.8:
        count = "one word" if words == 1 else f"{words} words"
        return [
            Remark(
                i,
                "scrap",
                f"{count}, {seconds:.1f} s. Lifting its mark joins it to the shot before.",
                "lift",
            )
        ]
    if i == 0 and seconds > max(SLOW_OPENING, wanted * 1.5) and middle:
        text = f"{seconds:.1f} s before the first cut; the first five seconds decide whether viewers stay."
        return [Remark(i, "slow opening", text, "cut", middle)]
    if seconds > max(4.0, wanted * OVERLONG) and middle:
        return [
            Remark(
                i,
                "overlong",
                f"{seconds:.1f} s; this film wants about {wanted:.0f} here.",
                "cut",
                middle,
            )
        ]
    return []


def _on_words(film: ReadFilm, i: int, shot: ReadShot) -> list[Remark]:
    script = film.script
    words = script.words[shot.first : shot.end]
    out: list[Remark] = []
    speakers = [(w, script.lines[w.line].speaker) for w in words]
    named = list(dict.fromkeys(s for _, s in speakers if s and s != UNKNOWN))
    if len(named) > 1:
        at = next(shot.first + n for n, (_, s) in enumerate(speakers) if s == named[1])
        out.append(Remark(i, "two speakers", f"{named[0]} and {named[1]} speak in it.", "cut", at))
    moved = _moves(film, words)
    if moved:
        out.append(
            Remark(
                i,
                "change of place",
                f"it goes from {moved[0]} to {moved[1]}.",
                "cut",
                shot.first + moved[2],
            )
        )
    elif len(named) < 2 and (two := _two_subjects(film.document.cast, script, words)):
        out.append(
            Remark(i, "two subjects", f"first {two[0]}, then {two[1]}.", "cut", shot.first + two[2])
        )
    if (
        i
        and not shot.people
        and not shot.shot.own.action
        and shot.picture_of == shot.shot.id
        and _unseen(words, film)
    ):
        out.append(
            Remark(
                i,
                "nothing to picture",
                "its words show nothing. The picture before may go on.",
                "same picture",
            )
        )
    if any(s == UNKNOWN for _, s in speakers):
        out.append(Remark(i, "unclear speaker", "the text does not say who speaks here.", ""))
    return out


def _sentences(script: Manuscript, words: Sequence[Word]) -> list[tuple[int, list[Word]]]:
    """The sentences of a shot, each with the index at which it starts among `words`."""
    out: list[tuple[int, list[Word]]] = []
    for n, word in enumerate(words):
        if not out or word.sentence != words[n - 1].sentence:
            out.append((n, []))
        out[-1][1].append(word)
    return out


def _moves(film: ReadFilm, words: Sequence[Word]) -> tuple[str, str, int] | None:
    """The places that a shot's sentences go from and to, and where the second begins."""
    script = film.script
    if all(w.sentence == words[0].sentence for w in words):
        return None
    before: str | None = None
    named = film.place_words
    for n, sentence in _sentences(script, words):
        if n and sentence[0].scene != words[0].scene:
            return script.scenes[words[0].scene].title, script.scenes[sentence[0].scene].title, n
        told = told_in(film.story, sentence)
        if told is None:
            bare = [w.bare.lower() for w in sentence if script.lines[w.line].speaker is None]
            found = text_place(bare, named)
        else:
            arrival = told.arrival()
            found = (named[arrival.noun], "") if arrival and arrival.noun in named else None
        if found and before and found[0] != before:
            return before, found[0], n
        before = found[0] if found else before
    return None


def _two_subjects(
    cast: Sequence[Person], script: Manuscript, words: Sequence[Word]
) -> tuple[str, str, int] | None:
    """Two of the cast, each the only one named at the head of a sentence of the shot, and where the
    second begins."""
    if all(w.sentence == words[0].sentence for w in words):
        return None
    calls = {call.lower(): p for p in reversed(cast) for call in (p.name, *p.aliases) if call}
    first: Person | None = None
    for n, sentence in _sentences(script, words):
        head = words_text(sentence[:5]).lower()
        found = [
            p for call, p in calls.items() if re.search(rf"(?<!\w){re.escape(call)}(?!\w)", head)
        ]
        subject = found[0] if len({p.id for p in found}) == 1 else None
        if (
            subject
            and first
            and subject.id != first.id
            and first.name.lower() not in words_text(sentence).lower()
        ):
            return first.name, subject.name, n
        first = first or subject
    return None


def _unseen(words: Sequence[Word], film: ReadFilm) -> bool:
    """Whether no word of a shot is one that a picture could show."""
    if not all(len(w.bare) < 4 or w.bare.lower().removesuffix("n't") in _UNSEEN for w in words):
        return False
    return text_place([w.bare.lower() for w in words], film.place_words) is None


def _break_near(script: Manuscript, first: int, end: int) -> int | None:
    """The word before which a long shot is best cut: behind a sentence or comma, near its
    middle."""

    def cost(i: int) -> float:
        before, word = script.words[i - 1], script.words[i]
        mark = before.text.rstrip("”’\"')")[-1:]
        broken = 0.0 if word.sentence != before.sentence else 0.3 if mark in ",;:—" else 0.8
        return broken + 1.6 * abs((i - first) / (end - first) - 0.5)

    places = range(first + 2, end - 1)
    return min(places, key=cost) if places else None
