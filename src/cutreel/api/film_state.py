"""A film as it is served: an immutable state, made from the one before it, and what changed between two of them.

Everything that stands in a row is told relative to what stands before it, so that a change early in a long film is as
small as one at its end. What did not change is the very same object in the next state.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Any, TypeVar

from cutreel.core.breakdown import LEAST_WORDS, closeness, measure
from cutreel.core.film import (
    AsideScene,
    CueChoice,
    ReadShot,
    RemarkMemory,
    SceneChoice,
    acts_told,
    doubts_of,
    language_spoken,
    makings_of,
    narrator_of,
    placed_notes,
    remarks_on,
    title_look_of,
    voices_for,
    wanted_lengths,
    wish_of,
    word_of,
)
from cutreel.core.manuscript import Scene, common, ids_of, reading_ease
from cutreel.core.plates import Plate
from cutreel.core.sound import Cue
from cutreel.making import Faults, PersonDrift, broken_chains, drift_of, faults_of
from cutreel.store import Assembled, FilmRow, TakeRow

from .schemas import (
    AsideView,
    CaptionView,
    CardView,
    CueView,
    FilmDelta,
    FilmHead,
    HeadChange,
    LineView,
    MissingCost,
    PlateView,
    RemarkView,
    SceneView,
    ShotRow,
    ShotView,
    Splice,
    TextSplice,
    Word,
)
from .views import shot_view

T = TypeVar("T")


@dataclass(frozen=True)
class Seen:
    """What the view of a shot was made from; the same again is the same view."""

    token: object
    takes: Sequence[TakeRow]
    rest: tuple[Any, ...]

    def same(self, other: "Seen") -> bool:
        return self.token is other.token and self.takes is other.takes and self.rest == other.rest


@dataclass(frozen=True)
class Pictures:
    """Drift and faults of a film's pictures, and what they were worked out from."""

    shown: tuple[Any, ...]
    drift: Sequence[list[PersonDrift]]
    faults: Sequence[Faults]


@dataclass(frozen=True)
class FilmState:
    """A film as it was served at one moment."""

    token: str
    row: FilmRow
    film: Assembled
    head: FilmHead
    words: tuple[Word, ...]
    lines: tuple[LineView, ...]
    captions: tuple[CaptionView, ...]
    cues: tuple[CueView, ...]
    cues_told: Mapping[str, "CueTold"]
    order: tuple[int, ...]
    frames: tuple[int, ...]
    shots: Mapping[int, ShotView]
    seen: Mapping[int, Seen]
    pictures: Pictures
    ease: float
    remarked: RemarkMemory

    def rows(self) -> list[ShotRow]:
        """Every shot in short."""
        return [
            (
                v.id,
                v.edge,
                v.words,
                frames,
                v.scene,
                (v.used is not None or v.plate is not None) + 2 * v.stale + 4 * v.measured,
            )
            for number, frames in zip(self.order, self.frames, strict=True)
            for v in [self.shots[number]]
        ]


def next_state(
    token: str,
    row: FilmRow,
    film: Assembled,
    preview: str,
    missing: MissingCost,
    before: FilmState | None,
) -> FilmState:
    """The state of a film as it stands, made from the one before it."""
    old = before.film if before else None
    same_words = old is not None and old.read.script is film.read.script
    same_times = old is not None and same_words and old.timing is film.timing
    same_lines = old is not None and same_times and old.read.speech is film.read.speech
    same_ids = old is not None and same_words and old.read.ids == film.read.ids
    pictures = _pictures(film, before)
    remarked: RemarkMemory = before.remarked if before else {}
    shots, seen = _shots(film, pictures, before, remarked)
    cues, cues_told = _cues(film, before)
    ease = before.ease if before and same_words else round(reading_ease(film.read.script), 1)
    return FilmState(
        token=token,
        row=row,
        film=film,
        head=_head(row, film, preview, missing, ease),
        words=before.words if before and same_ids else _words(film),
        lines=before.lines if before and same_lines else _lines(film),
        captions=before.captions if before and same_times else _captions(film),
        cues=cues,
        cues_told=cues_told,
        order=tuple(s.shot.id for s in film.read.shots),
        frames=tuple(s.frames for s in film.spans),
        shots=shots,
        seen=seen,
        pictures=pictures,
        ease=ease,
        remarked=remarked,
    )


def delta(old: FilmState, new: FilmState) -> FilmDelta:
    """What became of a film between two states."""
    changed = {
        name: value
        for name in FilmHead.model_fields
        if (value := getattr(new.head, name)) != getattr(old.head, name)
    }
    return FilmDelta(
        since=old.token,
        state=new.token,
        head=HeadChange.model_construct(_fields_set=set(changed), **changed),
        order=_splice(old.order, new.order),
        frames=_splice(old.frames, new.frames),
        shots=[view for number, view in new.shots.items() if old.shots.get(number) is not view],
        text=_text_splice(old.row.document.text, new.row.document.text),
        words=_splice(old.words, new.words),
        lines=_splice(old.lines, new.lines),
        captions=_splice(old.captions, new.captions),
        cues=pieces(old.cues, new.cues),
    )


def _splice(old: Sequence[T], new: Sequence[T]) -> Splice[T] | None:
    """The one piece in which two sequences differ."""
    if old is new:
        return None
    at, until = _differing(old, new)
    if at == len(old) == len(new):
        return None
    insert = list(new[at : len(new) - until])
    return Splice.model_construct(at=at, remove=len(old) - until - at, insert=insert)


def pieces(old: Sequence[T], new: Sequence[T]) -> list[Splice[T]]:
    """All pieces in which two sequences differ, from first to last, each counted in the older one. An entry is the same
    where it is the very same object: a sound that begins at one end of a film and one at the other do not carry along
    everything between them."""
    if old is new:
        return []
    at, until = _differing(old, new)
    there = {id(entry): i for i, entry in enumerate(new[at : len(new) - until], at)}
    found: list[Splice[T]] = []
    i = j = at
    for k in range(at, len(old) - until + 1):
        end = k == len(old) - until
        n = len(new) - until if end else there.get(id(old[k]), -1)
        if n < j:
            continue
        if k > i or n > j:
            found.append(Splice.model_construct(at=i, remove=k - i, insert=list(new[j:n])))
        i, j = k + 1, n + 1
    return found


def _text_splice(old: str, new: str) -> TextSplice | None:
    if old == new:
        return None
    at, until = _differing(old, new)
    insert = new[at : len(new) - until]
    return TextSplice(at=at, remove=len(old) - until - at, insert=insert)


def _differing(old: Sequence[Any], new: Sequence[Any]) -> tuple[int, int]:
    """How many entries two sequences have in common at their beginning, and how many of the rest at their end."""
    at = common(old, new)
    rest = min(len(old), len(new)) - at
    return at, common(old[::-1][:rest], new[::-1][:rest])


def _pictures(film: Assembled, before: FilmState | None) -> Pictures:
    """Drift and faults; those of the state before while the same pictures are shown for the same."""
    read = film.read
    shown = (
        tuple(
            (
                s.shot.id,
                s.picture_of,
                id(t),
                s.people,
                s.facts.time,
                s.facts.framing,
                s.facts.speaks,
            )
            for s, t in zip(read.shots, film.takes, strict=True)
            if t
        ),
        tuple(used.id if used else None for used in film.used if used),
        film.document.accepted,
        film.document.looks,
        film.document.settings.look,
        film.document.settings.aspect,
        broken_chains(film),
    )
    if before is not None and before.pictures.shown == shown:
        drift = dict(zip(before.order, before.pictures.drift, strict=True))
        faults = dict(zip(before.order, before.pictures.faults, strict=True))
        numbers = [s.shot.id for s in read.shots]
        return Pictures(
            shown, [drift.get(n, []) for n in numbers], [faults.get(n, {}) for n in numbers]
        )
    return Pictures(shown, drift_of(film), faults_of(film))


_NONE: list[RemarkView] = []


def _shots(
    film: Assembled, pictures: Pictures, before: FilmState | None, remarked: RemarkMemory
) -> tuple[dict[int, ShotView], dict[int, Seen]]:
    seconds = [film.rate.seconds(s.frames) for s in film.spans]
    wish = wish_of(film.document)
    remarks: dict[int, list[RemarkView]] = {}
    wanted = wanted_lengths(film.read, seconds, wish)
    for r in remarks_on(film.read, seconds, wanted, remarked):
        word = None if r.at_word is None else film.read.ids[r.at_word]
        remarks.setdefault(r.shot, []).append(
            RemarkView(kind=r.kind, text=r.text, remedy=r.remedy, word=word)
        )
    views: dict[int, ShotView] = {}
    seen: dict[int, Seen] = {}
    joins = [None, *film.joins]
    plates = film.plates
    cards = _cards(film)
    for i, (shot, takes, used) in enumerate(
        zip(film.read.shots, film.takes, film.used, strict=True)
    ):
        number = shot.shot.id
        wants = round(wanted[i], 2)
        said = film.shot_text(i) if film.said.pieces else ""
        rest = (
            shot.scene,
            used.id if used else None,
            film.voiced[i],
            pictures.drift[i],
            pictures.faults[i],
            remarks.get(i, _NONE),
            wants,
            film.document.settings.movement,
            joins[i],
            cards.get(i),
            film.finishes[i],
            plates.get(number),
            said,
        )
        now = Seen(shot.token, takes, rest)
        old = before.seen.get(number) if before else None
        if before is not None and old is not None and now.same(old):
            views[number], seen[number] = before.shots[number], old
        else:
            views[number] = shot_view(
                shot, takes, used, film.voiced[i], pictures.drift[i],
                pictures.faults[i], remarks.get(i, _NONE), wants, acts_told(film.read, shot, used),
                joins[i],
                cards.get(i, []),
                film.finishes[i],
                _plate(plates.get(number), film, shot),
                said,
            )  # fmt: skip
            seen[number] = now
    return views, seen


def _aside(scene: AsideScene) -> AsideView:
    body = scene.text.split("\n", 1)[-1] if scene.text.lstrip().startswith("#") else scene.text
    return AsideView(
        id=scene.id,
        title=scene.title,
        begins=" ".join(body.split())[:80],
        words=len(ids_of(tuple(scene.word_runs))),
        shots=len(scene.shots),
    )


def _cards(film: Assembled) -> dict[int, list[CardView]]:
    """The words that stand on the screen in each shot, by its index; a maker's mark stands in all."""
    own = {c.number: c for c in film.document.cards if c.number}
    out: dict[int, list[CardView]] = {}
    for card in film.cards:
        if card.sort == "mark":
            continue
        since = film.rate.seconds(film.spans[card.shot].start)
        told = own.get(card.number)
        view = CardView(
            sort=card.sort,
            lines=list(card.lines),
            why=card.why,
            start=_told(card.start - since),
            end=_told(card.end - since),
            at=card.place,
            how=card.how,
            number=card.number,
            word=told.word if told else None,
            seconds=told.seconds if told else None,
        )
        out.setdefault(card.shot, []).append(view)
    return out


def _plate(plate: Plate | None, film: Assembled, shot: ReadShot) -> PlateView | None:
    if plate is None:
        return None
    return PlateView(plate=plate, doubts=doubts_of(plate, film.read, shot))


def _words(film: Assembled) -> tuple[Word, ...]:
    out: list[Word] = []
    end = line = 0
    for (starts, ends, _, _, _, of_line, _), number in zip(
        film.read.script.words, film.read.ids, strict=True
    ):
        out.append((starts - end, ends - starts, number, of_line - line))
        end, line = ends, of_line
    return tuple(out)


def _lines(film: Assembled) -> tuple[LineView, ...]:
    script = film.read.script
    out: list[LineView] = []
    before = 0.0
    for i, work in enumerate(film.read.speech):
        result = film.spoken.get(i)
        out.append(
            LineView.model_construct(
                words=work.end - work.first,
                speaker=work.speaker,
                voice=work.voice,
                why=script.lines[script.words[work.first].line].why,
                media=result.media if result else None,
                after=_told(film.timing.lines[i] - before),
                seconds=result.data["seconds"] if result else None,
                peaks=result.data.get("peaks", []) if result else [],
                said=work.text if work.pieces else "",
            )
        )
        before = film.timing.lines[i]
    return tuple(out)


def _captions(film: Assembled) -> tuple[CaptionView, ...]:
    out: list[CaptionView] = []
    before = 0.0
    for caption in film.captions:
        after, seconds = _told(caption.start - before), _told(caption.end - caption.start)
        out.append(_caption(after, seconds, caption.lines))
        before = caption.end
    return tuple(out)


@lru_cache(maxsize=32_768)
def _caption(after: float, seconds: float, lines: tuple[str, ...]) -> CaptionView:
    """Kept, since of a long film a change says few captions otherwise."""
    return CaptionView.model_construct(after=after, seconds=seconds, lines=list(lines))


CueTold = dict[str, Any]
"""What the view of a cue says, by the view's own fields."""


def _cues(
    film: Assembled, before: FilmState | None
) -> tuple[tuple[CueView, ...], dict[str, CueTold]]:
    """The views of all cues, and what they say: one that says the same as before is the same."""
    shots = film.read.shots
    chosen = {c.id: c for c in film.document.cue_choices}
    known = {v.id: v for v in before.cues} if before else {}
    said = before.cues_told if before else {}
    out: list[CueView] = []
    told: dict[str, CueTold] = {}
    at = 0.0
    for cue in film.cues:
        sound, choice = film.sound_of(cue), chosen.get(cue.id)
        on_word = cue.kind == "spot" and not cue.id.startswith("own-")
        now: CueTold = {
            "id": cue.id,
            "kind": cue.kind,
            "prompt": cue.prompt,
            "shot": shots[cue.shot].shot.id,
            "last": shots[cue.shot if cue.last is None else cue.last].shot.id,
            "after": _told(cue.start - at) if on_word else None,
            "seconds": None if cue.last is not None else _told(cue.end - cue.start),
            "why": cue.why,
            "made": sound is not None,
            "media": sound.media if sound else None,
            "choice": choice,
            "word": word_of(film.document, cue, choice),
            "makings": _makings(film, cue, choice),
            "theme": cue.score.theme,
            "notes": sound.data.get("notes") if sound else None,
        }
        at = cue.start if on_word else at
        told[cue.id] = now
        same = said.get(cue.id) == now
        out.append(known[cue.id] if same else CueView.model_construct(**now))
    was_all = before.cues if before else ()
    same_all = len(out) == len(was_all) and all(a is b for a, b in zip(out, was_all, strict=True))
    return was_all if same_all else tuple(out), told


def _makings(film: Assembled, cue: Cue, choice: CueChoice | None) -> dict[int, str | None]:
    """The sounds of all makings that are wanted beside each other, where that is more than one."""
    makings = makings_of(cue, choice)
    if len(makings) < 2:
        return {}
    made = {m.seed: film.sound_of(m) for m in makings}
    return {seed: sound.media if sound else None for seed, sound in made.items()}


def _told(seconds: float) -> float:
    """Seconds as they are told, in thousandths. Estimated times lie on half thousandths exactly: those must not fall
    now to this side and now to that."""
    return math.floor(seconds * 1000 + 0.5001) / 1000


def _head(
    row: FilmRow, film: Assembled, preview: str, missing: MissingCost, ease: float
) -> FilmHead:
    script, document = film.read.script, film.document
    speaking = float(film.timing.words[-1, 1]) if len(script.words) else 0.0
    return FilmHead.model_construct(
        id=row.id,
        revision=row.revision,
        title=document.title,
        notes=[(n.start, n.end) for n in script.notes],
        headings=[(s.start_offset, s.end_offset) for s in script.scenes if s.end_offset],
        scenes=_scenes(film),
        cast=document.cast,
        places=document.places,
        settings=document.settings,
        looks=document.looks,
        cutouts=document.cutouts,
        voices=document.voices,
        lexicon=document.lexicon,
        word_marks=document.word_marks,
        lifted=document.lifted_cues,
        lifted_sounds=document.lifted_sounds,
        own_sounds=document.own_sounds,
        tables=document.tables,
        faces=document.faces,
        own_pictures=document.own_pictures,
        words_look=title_look_of(document),
        thumbnails=document.thumbnails,
        thumbnail_pictures=document.thumbnail_pictures,
        aside=[_aside(a) for a in document.aside],
        fps=str(film.rate),
        frames=film.frames,
        seconds=film.seconds,
        undo=row.undo,
        redo=row.redo,
        changed=row.changed,
        preview=preview,
        reading_ease=ease,
        words_a_minute=round(len(script.words) / speaking * 60, 1) if speaking else 0.0,
        sources=document.sources,
        closeness=_closeness(film),
        missing=missing,
        open_notes=[
            (film.read.shots[p.shot].shot.id, p.start)
            for p in placed_notes(film)
            if not p.note.done
        ],
        prompt_cap=film.read.offered.prompt_cap,
        language=language_spoken(document),
        narrator=narrator_of(document, voices_for(document, film.read.offered.voices)),
    )


def _scenes(film: Assembled) -> list[SceneView]:
    choices = {c.first: c for c in film.document.scenes}
    frames: dict[int, int] = {}
    for shot, span in zip(film.read.shots, film.spans, strict=True):
        frames[shot.scene] = frames.get(shot.scene, 0) + span.frames
    return film.kept.of(
        "scenes as served",
        lambda: [
            _scene(film, scene, choices, frames.get(number, 0))
            for number, scene in enumerate(film.read.script.scenes)
            if scene.end > scene.first or scene.title
        ],
        (choices, frames, film.rate),
        (film.read.script, film.read.ids),
    )


def _scene(
    film: Assembled, scene: Scene, choices: Mapping[int, SceneChoice], frames: int
) -> SceneView:
    word = film.read.ids[scene.first] if scene.end > scene.first else 0
    choice = choices.get(word, SceneChoice(first=word))
    return SceneView.model_construct(
        title=scene.title,
        first=scene.first,
        end=scene.end,
        word=word,
        time=scene.time,
        weather=scene.weather,
        own=choice.own,
        pace=choice.pace,
        aim=choice.aim,
        seconds=film.rate.seconds(frames),
    )


def _closeness(film: Assembled) -> dict[str, float]:
    """How close the film is to its reference; empty without one, or while it is too short to be
    measured."""
    aim = film.document.settings.reference
    script = film.read.script
    if aim is None or len(script.words) < LEAST_WORDS:
        return {}
    spoken = [
        (s.first, film.rate.seconds(span.frames))
        for s, span in zip(film.read.shots, film.spans, strict=True)
        if s.end > s.first
    ]
    return closeness(measure(script, [f for f, _ in spoken], [s for _, s in spoken]), aim)
