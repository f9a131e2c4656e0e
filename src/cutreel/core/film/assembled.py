"""A film as it stands: what was read of it, with everything made for it so far laid in.

What is not made yet is stood in for: estimated times for unspoken lines, a paper page for a missing
picture.
"""

from bisect import bisect_right
from collections.abc import Callable, Collection, Hashable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from cutreel.core.captions import Caption, CaptionShown, captions_of, said_in, stressed_in
from cutreel.core.kept import Kept
from cutreel.core.manuscript import words_text
from cutreel.core.plates import Plate
from cutreel.core.sound import (
    LONGEST_MUSIC,
    Course,
    Cue,
    Spot,
    Treatment,
    heard_until,
    line_gain,
    sound_key_of,
    spots_of,
)
from cutreel.core.speech import Heard, level_told, room_of_place
from cutreel.core.timeline import (
    CaptionClip,
    CardClip,
    Footage,
    FrameRate,
    Join,
    LineSound,
    PictureClip,
    Region,
    Room,
    SoundClip,
    Span,
    Strip,
    Timeline,
    Timing,
    Track,
    cut_points,
    lay_out,
    snapped,
)
from cutreel.core.titles import Card, SaidAt

from .acting import VOICE_RATE
from .air import air_of
from .captioning import captions_shown, rows_taken
from .casting import scene_choices
from .cropping import aim_of, crop_of
from .cues import cues_of, film_course, makings_of, met_by_music, rests_in
from .document import FilmDocument
from .finishes import FilmFinish, finishes_of
from .joins import FilmJoin, joins_of, led
from .lanes import treatment_of
from .made import Result, TakeRow, used_take
from .moving import flames_of, footage_of, ground_of, path_of, regions_of, strips_of
from .plates import plates_of, shown_plate
from .reading import ReadFilm
from .resting import outside
from .said import SaidWords, line_words, said_words
from .side_captions import Beneath, captions_beneath
from .tightening import longest_of, rests_of, tightened
from .titles import cards_of, has_cards, in_its_language, picture_mark

Look_up = Callable[[Collection[str]], Mapping[str, Result]]
VOICE_IN, VOICE_OUT = 0.005, 0.02
"""Seconds: enough that no edge of a line clicks, too short to be heard."""
AMBIENCE_IN, AMBIENCE_OUT, SPOT_OUT, MUSIC_IN, MUSIC_OUT = 0.8, 1.0, 0.3, 0.4, 6.0
"""Seconds: a place is come into and left; a spot is cut off by nothing; music does not jump in."""


@dataclass(frozen=True)
class Assembled:
    """A film with its times. Lists run beside `read.shots` or `read.speech`. What is `said`, at `said_times` (shape
    (words, 2), seconds), are the manuscript's words, or those of its translation; `timing` is of the manuscript's."""

    film: str
    read: ReadFilm
    rate: FrameRate
    spoken: dict[int, Result]
    timing: Timing
    said: SaidWords
    said_times: NDArray[np.float64]
    spans: list[Span]
    takes: list[Sequence[TakeRow]]
    used: list[TakeRow | None]
    spots: list[Spot]
    cues: list[Cue]
    course: Course
    sounds: Mapping[str, Result]
    captions: list[Caption]
    beneath: Beneath | None = None
    kept: Kept = field(default_factory=Kept, compare=False, repr=False)

    @property
    def document(self) -> FilmDocument:
        return self.read.document

    def line_words(self, line: int) -> list[str]:
        """The words of a line to be spoken, in the language it is spoken in."""
        return line_words(self.read.script.words, self.read.speech[line])

    def shot_text(self, i: int) -> str:
        """What is said while the shot with the index `i` is seen, in the language it is said in."""
        shot, said = self.read.shots[i], self.said
        if not said.pieces:
            return shot.text
        return words_text(said.words[said.index(shot.first) : said.index(shot.end)])

    @property
    def frames(self) -> int:
        return self.spans[-1].end if self.spans else 0

    @property
    def seconds(self) -> float:
        return self.rate.seconds(self.frames)

    @cached_property
    def voiced(self) -> list[bool]:
        """For each shot whether all of its words are spoken."""
        speech, opens = self.read.speech, self.read.opens

        def found() -> list[bool]:
            words = {i for n in self.spoken for i in range(speech[n].first, speech[n].end)}
            return [all(i in words for i in range(s.first, s.end)) for s in self.read.shots]

        return self.kept.of("voiced", found, (opens, [*self.spoken]), (speech,))

    @cached_property
    def timeline(self) -> Timeline:
        """The film in frames, as rendering, mixing, captions and whoever takes it elsewhere read
        it."""
        return Timeline(
            self.rate,
            [self._clip(i) for i in range(len(self.spans))],
            [
                Join(self.rate.frames(j.how.seconds) if j.how.kind != "cut" else 0, j.how)
                for j in self.joins
            ],
            self.sound_clips,
            self._captioned(),
            [_card_clip(c) for c in self.cards],
            picture_mark(self.document),
        )

    def _captioned(self) -> list[CaptionClip]:
        marked = self.document.settings.caption_style.said != "none"
        marks = {m.word for m in self.document.word_marks if m.stress}
        stressed = (
            {i for n, i in self.document.word_places.items() if n in marks} if marks else set()
        )
        words, times = self.said.words, self.said_times
        if self.said.pieces:
            stressed = set()
        return [
            CaptionClip(
                c.start,
                c.end,
                c.lines,
                said_in(c, words, times) if marked else (),
                shown,
                stressed_in(c, words, stressed),
                under,
            )
            for c, shown, under in zip(
                self.captions, self.captions_shown, self.captions_beneath, strict=True
            )
        ]

    @cached_property
    def captions_beneath(self) -> list[tuple[str, ...]]:
        """For each caption the lines of another language that stand beneath it."""
        if self.beneath is None:
            return [()] * len(self.captions)
        return captions_beneath(self, self.beneath.translation)

    @cached_property
    def captions_shown(self) -> list[CaptionShown]:
        """How each caption is shown: off faces, and in the colour of who speaks."""
        words = self.said.words
        lines = self.kept.of(
            "lines of captions",
            lambda: [words[c.first].line for c in self.captions],
            same=(words, self.captions),
        )
        return captions_shown(
            self.read,
            self.captions,
            lines,
            self.spans,
            self.rate,
            self.used,
            self.kept,
            self.beneath is not None,
        )

    @cached_property
    def cards(self) -> list[Card]:
        """The words on the screen besides captions."""
        return in_its_language(self.written_cards, self.document)

    @cached_property
    def written_cards(self) -> list[Card]:
        """The words on the screen besides captions, in the language of the manuscript."""
        if not has_cards(self.document):
            return []
        return cards_of(
            self.read,
            self.spans,
            self.joins,
            self.rate,
            self.used,
            self._said_in,
            self._captioned_rows,
        )

    def _captioned_rows(self, start: float, end: float) -> list[tuple[float, float]]:
        """The rows of the frame that captions take meanwhile."""
        if self.document.settings.captions != "burn":
            return []
        usual = self.document.settings.caption_style.place
        first = bisect_right(self._caption_ends, start)
        found = set()
        for caption, shown in zip(self.captions[first:], self.captions_shown[first:], strict=True):
            if caption.start >= end:
                break
            found.add(rows_taken(shown.place or usual, self.beneath is not None))
        return sorted(found)

    @cached_property
    def _caption_ends(self) -> list[float]:
        return [c.end for c in self.captions]

    def _said_in(self, i: int) -> list[SaidAt]:
        """The words that are said while the shot with the index `i` is seen, with their times."""
        shot, words, times = self.read.shots[i], self.said.words, self.said_times
        first, end = shot.first, shot.end
        marks = {m.word for m in self.document.word_marks if m.stress}
        stressed: set[int] = set()
        if self.said.pieces:
            first, end = self.said.index(first), self.said.index(end)
        elif marks:
            ids = self.read.ids
            stressed = {n for n in range(first, end) if ids[n] in marks}
        return [
            SaidAt(words[n].text, float(times[n, 0]), float(times[n, 1]), n in stressed)
            for n in range(first, end)
        ]

    @cached_property
    def joins(self) -> list[FilmJoin]:
        """How each shot but the first is come to."""
        return joins_of(self.read, self.spans, self.rate, self.kept)

    @cached_property
    def finishes(self) -> list[FilmFinish]:
        """How each shot is graded, and what is done to its picture."""
        return finishes_of(self.read, self.spans, self.spots, self.timing, self.rate, self.kept)

    @cached_property
    def sound_clips(self) -> list[SoundClip]:
        """All that sounds, in its place."""
        return [*self._voices(), *self._cued()]

    @cached_property
    def treatment(self) -> Treatment:
        """How the mix treats each lane."""
        return treatment_of(self.document, self.timing, self.rate)

    @cached_property
    def appearance(self) -> tuple[Hashable, ...]:
        """All that is seen and heard, in short: the same again, while the process runs, is the same film to look at."""
        settings = self.document.settings
        seen = [
            (
                span.start,
                span.end,
                self.plates.get(shot.shot.id)
                or ((shot.text, shot.shot.edge) if used is None else used.id),
                shot.move,
                shot.shot.own.path.model_dump_json()
                if shot.shot.own.path
                else shot.shot.own.motion,
                repr(self._footage(i)) if used and "clip" in used.about else "",
                # What moves by itself hangs on all that was read of a shot.
                id(shot.token) if used is not None and settings.movement == "all" else 0,
            )
            for i, (shot, span, used) in enumerate(
                zip(self.read.shots, self.spans, self.used, strict=True)
            )
        ]
        stressed = tuple(m.word for m in self.document.word_marks if m.stress)
        beneath = tuple(self.captions_beneath) if self.beneath else ()
        burned: tuple[Hashable, ...] = ()
        if settings.captions == "burn":
            captioned = (
                self._hashed("shown", self.captions_shown),
                self._hashed("captions", self.captions),
            )
            burned = (*captioned, stressed, settings.caption_style, *beneath)
        titled = (settings.title_look, settings.title_style, tuple(self.cards))
        joins = (self._hashed("joined", [j.how for j in self.joins]), *titled)
        cut = (str(self.rate), settings.aspect, joins, settings.movement, settings.air)
        mixed = (settings.loudness, repr(self.treatment))
        laid = [(*(s.shot.own.insets or ()), *(s.shot.own.marks or ())) for s in self.read.shots]
        finished = (
            self._hashed("finished", [f.finish for f in self.finishes]),
            self._hashed("laid", laid),
        )
        sound = self._hashed("sound", self.sound_clips)
        marked = picture_mark(self.document)
        return (*cut, *mixed, *finished, marked, self._hashed("seen", seen), sound, burned)

    def _hashed(self, part: str, values: Sequence[Hashable]) -> int:
        """The hash of a part of what is seen or heard. To compare is quick where little changed; to hash is not."""
        return self.kept.of(f"hash of {part}", lambda: hash(tuple(values)), values)

    def _clip(self, i: int) -> PictureClip:
        shot, take = self.read.shots[i], self.used[i]
        plate = self.plates.get(shot.shot.id)
        if plate is not None:
            return self._plated(i, plate)
        if take is None:
            page = (shot.text, shot.shot.edge)
            own = shot.shot.own
            return PictureClip(
                self.spans[i],
                page=page,
                move="still",
                insets=tuple(own.insets or ()),
                marks=tuple(own.marks or ()),
            )
        settings, clip = self.document.settings, self._footage(i)
        # What is in the air of a clip is in it already.
        own_air = clip is None or shot.shot.own.air is not None
        crop = crop_of(shot, take)
        return PictureClip(
            self.spans[i],
            take.layers,
            self.strips(i),
            regions=self.regions(i) if clip is None else (),
            ground=ground_of(shot, settings)
            if clip is None and not take.about.get("strips")
            else None,
            air=air_of(shot, settings) if settings.movement == "all" and own_air else (),
            flames=flames_of(self.read, take),
            path=path_of(shot, take),
            footage=clip,
            # A clip has its own movement; the camera stands still over it unless it is asked to move.
            move="still" if clip and shot.shot.own.move is None else shot.move,
            focus=aim_of(shot, take),
            finish=self.finishes[i].finish,
            insets=tuple(shot.shot.own.insets or ()),
            marks=tuple(shot.shot.own.marks or ()),
            crop=crop.middle if crop else None,
        )

    def _footage(self, i: int) -> Footage | None:
        """The clip that a shot shows."""
        shot, take = self.read.shots[i], self.used[i]
        if take is None or shot.shot.id in self.plates:
            return None
        lender = self.read.shots[self._lenders[shot.picture_of]].shot
        return footage_of(shot, take, self.takes[i], lender.rejected)

    @cached_property
    def _lenders(self) -> dict[int, int]:
        return {s.shot.id: i for i, s in enumerate(self.read.shots)}

    def _plated(self, i: int, plate: Plate) -> PictureClip:
        shot, span = self.read.shots[i], self.spans[i]
        seconds = self.rate.seconds(span.frames)
        return PictureClip(
            span,
            path=shot.shot.own.path,
            move=shot.shot.own.move or "still",
            finish=self.finishes[i].finish,
            insets=tuple(shot.shot.own.insets or ()),
            marks=tuple(shot.shot.own.marks or ()),
            plate=shown_plate(plate, self.read, shot, self.timing, seconds),
        )

    @cached_property
    def plates(self) -> Mapping[int, Plate]:
        """The plates that shots show instead of pictures, by the shots' numbers."""
        return plates_of(self.document)

    def strips(self, i: int) -> tuple[Strip, ...]:
        """What the picture of the shot with the index `i` is made of, with what its figures do; empty where nobody
        acts."""
        take = self.used[i]
        if take is None:
            return ()
        return strips_of(
            self.read, self.read.shots[i], take, self.spans[i], self.rate, self.timing, self.spoken
        )

    def regions(self, i: int) -> tuple[Region, ...]:
        """What moves by itself in the picture of the shot with the index `i`, as the maker marked it."""
        take = self.used[i]
        if take is None:
            return ()
        return regions_of(
            self.read, self.read.shots[i], take, self.spans[i], self.rate, self.timing, self.spoken
        )

    @cached_property
    def rooms(self) -> list[Heard]:
        """In which room each line is heard: as the maker set it for the line, for its speaker, or for its scene, whose
        teller is in none; else as it is told."""
        film, read = self.document, self.read
        own = {o.word: o.room for o in film.lines if o.room}
        scenes = scene_choices(film, read.script, read.ids)
        speakers = {c.lower(): p.room for p in film.cast if p.room for c in (p.name, *p.aliases)}
        firsts = [s.first for s in read.shots]
        out = []
        for work in read.speech:
            scene = scenes.get(read.script.words[work.first].scene)
            always = (
                film.settings.room
                if work.speaker is None
                else speakers.get(work.speaker.lower()) or (scene.room if scene else None)
            )
            chosen = own.get(read.ids[work.line_first]) if own else None
            if chosen is not None:
                out.append(Heard(chosen, "set by hand"))
            elif always is not None:
                out.append(Heard(always, "set for the scene or the speaker"))
            elif work.heard is not None:
                out.append(work.heard)
            else:
                shot = read.shots[max(0, bisect_right(firsts, work.first) - 1)]
                out.append(room_of_place(shot.facts.place))
        return out

    def _voices(self) -> list[SoundClip]:
        out = []
        for i, result in sorted(self.spoken.items()):
            at = self.timing.lines[i]
            # A line is heard whole, or in the pieces that its pauses were cut out between.
            for start, end in result.data.get("pieces", [result.data["trim"]]):
                out.append(
                    SoundClip(
                        "voice",
                        round(at, 4),
                        result.media or "",
                        cut=(start, end),
                        fade_in=VOICE_IN,
                        fade_out=VOICE_OUT,
                        room=self._voice_room(i),
                        gain=level_told(self.read.speech[i].direction)
                        + line_gain(result.data.get("lufs"))
                        + self.document.settings.voice_level,
                        whole=(result.data["trim"][0], result.data["trim"][1])
                        if "pieces" in result.data
                        else None,
                    )
                )
                at += (end - start) / VOICE_RATE
        return out

    def sound_of(self, cue: Cue) -> Result | None:
        """What is heard of a cue: its sound, or, until that is made, the piece it had before music followed a score."""
        return _sound_of(cue, self.document.settings.seed, self.sounds)

    def _voice_room(self, line: int) -> Room:
        told = self.rooms[line].room
        return told if told != "dry" else self._lane_rooms.get("voice", "dry")

    @property
    def hits_wished(self) -> list[float]:
        """The seconds at which a bar of the music is asked to begin."""
        return [cue.start + hit for cue in self.cues for hit in cue.score.hits]

    @property
    def hits_met(self) -> list[float]:
        """The seconds of those that the music as it is made says it meets."""
        out: list[float] = []
        for cue in self.cues:
            made = self.sound_of(cue) if cue.score.hits else None
            told = set(made.data.get("hits", ())) if made is not None else set()
            out += [cue.start + hit for hit in cue.score.hits if hit in told]
        return out

    def _cued(self) -> list[SoundClip]:
        rests = rests_in(self.read, self.spans, self.rate)
        out: list[SoundClip] = []
        for cue in self.cues:
            sound = self.sound_of(cue)
            if sound is not None and sound.media is not None:
                clip = self._clip_of(cue, sound.media)
                seconds = float(sound.data.get("seconds") or cue.end - cue.start)
                rest = cue.kind == "music" and rests
                out += outside(clip, cue.end, seconds, rests) if rest else [clip]
        return out

    def _clip_of(self, cue: Cue, media: str) -> SoundClip:
        """A cue in its place: an ambience is repeated to its end; music is as long as it is to be, unless that is
        longer than a piece may be."""
        settings, start = self.document.settings, round(cue.start, 4)
        lane: Track = (
            "ambience" if cue.kind == "ambience" else "music" if cue.kind == "music" else "spot"
        )
        level = {
            "spot": settings.spot_level,
            "ambience": settings.ambience_level,
            "music": settings.music_level,
        }[lane]
        repeated = lane == "ambience" or (lane == "music" and cue.end - cue.start > LONGEST_MUSIC)
        usual_in = {"spot": 0.0, "ambience": AMBIENCE_IN, "music": MUSIC_IN}[lane]
        usual_out = {
            "spot": SPOT_OUT,
            "ambience": AMBIENCE_OUT,
            "music": MUSIC_OUT if repeated else 0.0,
        }[lane]
        return SoundClip(
            lane,
            start,
            media,
            loop_to=round(cue.end, 4) if repeated else None,
            fade_in=usual_in if cue.fade_in is None else cue.fade_in,
            fade_out=usual_out if cue.fade_out is None else cue.fade_out,
            gain=cue.gain + level,
            pan=cue.pan,
            near=cue.near,
            room="dry" if repeated else self._room_of(cue),
        )

    def _room_of(self, cue: Cue) -> Room:
        """In which room a cue is heard: as the maker set it; a spot in that of its place; what else, in its lane's."""
        if cue.room is not None:
            return cue.room
        told = room_of_place(self.read.shots[cue.shot].facts.place).room
        if cue.kind == "spot" and told != "dry":
            return told
        # An ambience is its place already, and brings its own room.
        return "dry" if cue.kind == "ambience" else self._lane_rooms.get(cue.kind, "dry")

    @cached_property
    def _lane_rooms(self) -> Mapping[str, Room]:
        """The rooms of lanes, where what is in none is heard, by kind of cue and for the voice."""
        rooms = {c.lane: c.room for c in self.document.lanes if c.room}
        return {
            kind: rooms[lane]
            for kind, lane in (("spot", "sound"), ("music", "music"), ("voice", "voice"))
            if lane in rooms
        }


def assemble(
    film: str,
    read: ReadFilm,
    takes: Mapping[int, Sequence[TakeRow]],
    look_up: Look_up,
    before: Assembled | None = None,
    beneath: Beneath | None = None,
) -> Assembled:
    """Lay everything made so far into a film. `takes` are by the number of their shot; `look_up`
    gives the results there are among some keys. From the film as it was `before` is taken what is the same now. Another
    language may stand `beneath` its captions."""
    document = read.document
    rate = FrameRate.parse(document.settings.fps)
    found = look_up([k for line in read.speech for k in (line.key, line.plain) if k])
    spoken = _heard(
        read,
        {
            i: found.get(line.key) or found[line.plain]
            for i, line in enumerate(read.speech)
            if line.key in found or line.plain in found
        },
        before,
    )
    said, said_times, timing, captions = _timed(read, spoken, before)
    kept = before.kept if before is not None else Kept()
    spots = _spots(read, timing, kept)
    alone = {i: s.shot.hold for i, s in enumerate(read.shots) if s.end == s.first}
    opens = read.opens
    spans = kept.of(
        "cut points",
        lambda: cut_points(opens, timing, rate, alone),
        (opens, rate, alone),
        (timing,),
    )
    spans = led(read, spans, rate)
    takes_of = [takes.get(s.picture_of, ()) for s in read.shots]
    lender = {s.shot.id: s.shot for s in read.shots}
    used = [
        used_take(s, t, lender[s.picture_of].circled, lender[s.picture_of].rejected)
        for s, t in zip(read.shots, takes_of, strict=True)
    ]
    course = film_course(read, spans, rate, timing, kept)
    clips = [
        footage_of(s, t, ts, lender[s.picture_of].rejected)
        if t is not None and s.shot.own.heard
        else None
        for s, t, ts in zip(read.shots, used, takes_of, strict=True)
    ]
    cues = cues_of(read, spots, spans, rate, timing, course, kept, clips)
    sounds = look_up(_wanted(document, cues))
    if document.settings.snap == "beats":
        at = _beats(cues, document.settings.seed, sounds)
        spans = snapped(spans, read.opens, timing, rate, at, _held(read, cues, alone))
        music = [c for c in cues if c.kind == "music"]
        rest = cues_of(read, spots, spans, rate, timing, course, kept, clips)
        cues = [*(c for c in rest if c.kind != "music"), *music]
    return Assembled(
        film=film,
        read=read,
        rate=rate,
        spoken=spoken,
        timing=timing,
        said=said,
        said_times=said_times,
        spans=spans,
        takes=takes_of,
        used=used,
        spots=spots,
        cues=cues,
        course=course,
        sounds=sounds,
        captions=captions,
        beneath=beneath,
        kept=kept,
    )


def _spots(read: ReadFilm, timing: Timing, kept: Kept) -> list[Spot]:
    document = read.document
    stressed = {m.word for m in document.word_marks if m.stress} if document.word_marks else set()
    marked = [i for n, i in document.word_places.items() if n in stressed] if stressed else []
    animals = {p.id for p in document.cast if p.is_animal}
    amount = document.settings.sounds
    return kept.of(
        "spots",
        lambda: spots_of(read.script, timing.words, read.story, amount, marked, animals),
        (amount, marked, animals),
        (read.script, read.story, timing),
    )


def _heard(
    read: ReadFilm, spoken: dict[int, Result], before: Assembled | None
) -> dict[int, Result]:
    """Spoken lines as the film hears them: with long pauses shortened, where that is wished."""
    longest = longest_of(read.document.settings)
    if not longest.any:
        return spoken
    known = {}
    if before is not None and longest_of(before.document.settings) == longest:
        known = {r.key: r for r in before.spoken.values()}
    words = read.script.words
    return {
        i: known.get(r.key) or tightened(r, line_words(words, read.speech[i]), longest)
        for i, r in spoken.items()
    }


def _timed(
    read: ReadFilm, spoken: Mapping[int, Result], before: Assembled | None
) -> tuple[SaidWords, NDArray[np.float64], Timing, list[Caption]]:
    """The words that are said and when, when every word of the manuscript is, and the captions of that."""
    rests = rests_of(read.document.settings)
    length = read.document.settings.caption_length
    if (
        before is not None
        and before.read.script is read.script
        and before.read.speech is read.speech
        and before.read.pauses == read.pauses
        and before.spoken == spoken
        and rests_of(before.document.settings) == rests
        and before.document.settings.caption_length == length
    ):
        return before.said, before.said_times, before.timing, before.captions
    said = said_words(read.script.words, read.speech)
    heard = lay_out(
        said.words,
        said.lines,
        {
            i: LineSound(r.data["seconds"], tuple((a, b) for a, b in r.data["words"]))
            for i, r in spoken.items()
        },
        {said.index(word): seconds for word, seconds in read.pauses.items()},
        [w.length for w in read.speech],
        [w.over for w in read.speech],
        rests,
    )
    timing = heard
    if said.pieces:
        timing = replace(heard, words=said.written_times(read.script.words, heard.words))
    return said, heard.words, timing, captions_of(said.words, heard.words, length)


def _wanted(film: FilmDocument, cues: Sequence[Cue]) -> list[str]:
    """The keys of all sounds that may be heard or chosen."""
    seed = film.settings.seed
    chosen = {c.id: c for c in film.cue_choices}
    keys = [
        sound_key_of(making, seed) for cue in cues for making in makings_of(cue, chosen.get(cue.id))
    ]
    return keys + [earlier for c in cues for earlier in heard_until(c, seed)]


def _sound_of(cue: Cue, seed: int, sounds: Mapping[str, Result]) -> Result | None:
    for name in (sound_key_of(cue, seed), *heard_until(cue, seed)):
        if name in sounds:
            return sounds[name]
    return None


def _beats(cues: Sequence[Cue], seed: int, sounds: Mapping[str, Result]) -> list[float]:
    """The seconds of the film at which beats of its music are known to fall."""
    out: list[float] = []
    for cue in cues:
        made = _sound_of(cue, seed, sounds) if cue.kind == "music" else None
        if made is not None:
            beats = (cue.start + beat for beat in made.data.get("beats", ()))
            out += [at for at in beats if at < cue.end]
    return sorted(out)


def _held(read: ReadFilm, cues: Sequence[Cue], alone: Mapping[int, float]) -> set[int]:
    """The shots, by index, whose cut does not move to a beat: music comes or goes there, or meets them already."""
    held = {*alone, *(i + 1 for i in alone), *met_by_music(read)}
    for cue in cues:
        if cue.kind == "music":
            held |= {cue.shot, (cue.shot if cue.last is None else cue.last) + 1}
    for i, shot in enumerate(read.shots):
        if shot.shot.own.music == "rest":
            held |= {i, i + 1}
    return held


def _card_clip(card: Card) -> CardClip:
    """Words on the screen as they are rendered."""
    how = card.how
    across, middle = how.at or (None, card.middle)
    return CardClip(
        card.sort,
        card.start,
        card.end,
        card.lines,
        middle,
        across,
        how.look,
        how.size,
        how.keeps,
        card.shot,
        card.said,
        how.sheet,
    )
