"""A film's report as far as it can be told before its file is made: nothing goes red by surprise."""

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from decimal import Decimal
from typing import NamedTuple

from cutreel.core.captions import QUICKEST, caption_faults
from cutreel.core.publishing import (
    MOST_TITLE,
    ReportFigure,
    ReportPlace,
    Section,
    counted,
    text_faults,
)
from cutreel.core.sound import sound_key_of

from .assembled import Assembled
from .made import is_fresh
from .publishing import chapters_of, drafted_texts, lacking_licences
from .screening import placed_notes, screened_scenes

LOUD_ENOUGH = 0.5
"""LU by which a film's loudness may differ from what is asked for."""
PEAK = -1.0
"""dBTP under which its peaks stay."""


class SoundMeasured(NamedTuple):
    """The mix as it was measured: integrated loudness (LUFS), true peak (dBTP), the lines that are hard to follow by
    the indices of their shots."""

    lufs: float
    peak: float
    hard: Sequence[int]


class Looked(NamedTuple):
    """What was found on a film that its document does not say: the indices of shots whose picture in use has a fault,
    departs from the continuity sheet, or does so and is accepted; the mix, where there is one; what was spent, by
    kind."""

    faulty: Sequence[int]
    departing: Sequence[int]
    accepted: int
    sound: SoundMeasured | None
    spent: Mapping[str, Decimal]
    currency: str


def report_before(film: Assembled, looked: Looked) -> list[ReportFigure]:
    """All figures that are known before a file is made, by their sections."""
    return [
        *_film(film),
        *_pictures(film, looked),
        *_sound(film, looked.sound),
        *_captions(film),
        *_joins(film),
        *_texts(film),
        *_rights(film),
        *_agreed(film),
        *_money(looked),
    ]


def _edges(film: Assembled, shots: Sequence[int]) -> list[str]:
    return [film.read.shots[i].shot.edge for i in shots]


def _many(
    film: Assembled, section: Section, what: str, shots: Sequence[int], view: ReportPlace
) -> ReportFigure:
    """A figure of which there should be none, with the place of its first shot."""
    place = view.model_copy(
        update={"shot": film.read.shots[shots[0]].shot.id if shots else view.shot}
    )
    return counted(section, what, _edges(film, shots), place)


def _film(film: Assembled) -> Iterator[ReportFigure]:
    settings = film.document.settings
    minutes, seconds = divmod(round(film.seconds), 60)
    yield ReportFigure(
        section="film",
        what="length",
        found=f"{minutes} min {seconds:02d} s, {film.frames} frames, {len(film.spans)} shots",
        how="ffprobe -show_entries format=duration FILE",
    )
    yield ReportFigure(
        section="film",
        what="shape and rate",
        found=f"{settings.aspect}, {film.rate} frames a second",
    )


def _pictures(film: Assembled, looked: Looked) -> Iterator[ReportFigure]:
    drawn = [
        (i, s, u)
        for i, (s, u) in enumerate(zip(film.read.shots, film.used, strict=True))
        if s.shot.id not in film.plates
    ]
    bench, sheet = ReportPlace(view="bench"), ReportPlace(view="sheet")
    yield _many(
        film, "pictures", "shots without a picture", [i for i, _, u in drawn if u is None], sheet
    )
    stale = [i for i, s, u in drawn if u is not None and not is_fresh(s, u)]
    yield _many(film, "pictures", "stale pictures", stale, sheet)
    yield _many(film, "pictures", "pictures with a fault", looked.faulty, bench)
    yield _many(
        film,
        "pictures",
        "departures from the continuity sheet",
        looked.departing,
        ReportPlace(view="continuity"),
    )
    if looked.accepted:
        yield ReportFigure(
            section="pictures", what="departures accepted", found=str(looked.accepted)
        )


def _sound(film: Assembled, sound: SoundMeasured | None) -> Iterator[ReportFigure]:
    lines = len(film.read.speech) - len(film.spoken)
    yield counted("sound", "lines that are not spoken", [], ReportPlace(view="bench"), lines)
    seed = film.document.settings.seed
    music = sum(c.kind == "music" and sound_key_of(c, seed) not in film.sounds for c in film.cues)
    mix = ReportPlace(view="mix")
    yield counted("sound", "pieces of music that are not made", [], mix, music)
    if sound is None:
        yield ReportFigure(section="sound", what="loudness", found="not mixed yet", where=mix)
        return
    aim = film.document.settings.loudness
    measure = "ffmpeg -i FILE -af ebur128=peak=true -f null -"
    yield ReportFigure(
        section="sound",
        what="loudness",
        found=f"{_signed(sound.lufs)} LUFS",
        aim=f"{_signed(aim, 0)} ±{LOUD_ENOUGH} LUFS (EBU R 128)",
        good=abs(sound.lufs - aim) <= LOUD_ENOUGH,
        how=measure,
        where=mix,
    )
    yield ReportFigure(
        section="sound",
        what="true peak",
        found=f"{_signed(sound.peak)} dBTP",
        aim=f"under {_signed(PEAK, 0)} dBTP",
        good=sound.peak < PEAK,
        how=measure,
        where=mix,
    )
    yield _many(
        film, "sound", "lines hard to follow beside the rest", sound.hard, ReportPlace(view="mix")
    )


def _captions(film: Assembled) -> Iterator[ReportFigure]:
    faults = caption_faults(film.captions)
    starts = [film.rate.seconds(s.start) for s in film.spans]
    shots = [
        max(0, sum(s <= film.captions[f.caption].start + 0.05 for s in starts) - 1) for f in faults
    ]
    place = ReportPlace(view="delivery")
    yield _many(film, "captions", "captions too quick, short or long to be read", shots, place)
    rates = [60 * (c.last - c.first) / max(0.1, c.end - c.start) for c in film.captions if c.lines]
    if rates:
        yield ReportFigure(
            section="captions",
            what="quickest caption",
            found=f"{max(rates):.0f} words a minute",
            aim=f"about {QUICKEST:.0f} at most",
        )
        longest = max(len(line) for c in film.captions for line in c.lines)
        most = film.document.settings.caption_length
        yield ReportFigure(
            section="captions",
            what="longest line",
            found=f"{longest} characters",
            aim=f"{most} at most",
            good=longest <= most,
            where=place,
        )


def _joins(film: Assembled) -> Iterator[ReportFigure]:
    kinds = Counter(j.how.kind for j in film.joins)
    told = ", ".join(f"{n} {kind}" for kind, n in kinds.most_common())
    yield ReportFigure(section="joins", what="joins", found=told or "none")


def _texts(film: Assembled) -> Iterator[ReportFigure]:
    chapters = chapters_of(film)
    texts = drafted_texts(film).with_own(film.document.texts)
    faults = text_faults(texts, chapters, film.seconds, len(film.document.sources))
    beyond = [f"{f.field}: {f.says}" for f in faults if f.beyond]
    place = ReportPlace(view="delivery")
    yield ReportFigure(
        section="texts",
        what="title",
        found=f"{len(texts.title)} characters",
        aim=f"{MOST_TITLE} at most",
        good=0 < len(texts.title) <= MOST_TITLE,
        where=place,
    )
    yield ReportFigure(
        section="texts",
        what="texts beyond the limits of places to publish",
        found="; ".join(beyond) or "none",
        aim="none",
        good=not beyond,
        where=place if beyond else None,
    )
    yield ReportFigure(section="texts", what="chapters", found=str(len(chapters)))


def _rights(film: Assembled) -> Iterator[ReportFigure]:
    kind, sources = film.document.settings.kind, len(film.document.sources)
    tells_facts = kind == "documentary"
    yield ReportFigure(
        section="rights",
        what="sources in the manuscript",
        found=str(sources),
        aim="at least one, since it tells facts" if tells_facts else "",
        good=sources > 0 if tells_facts else None,
        where=ReportPlace(view="script"),
    )
    names = lacking_licences(film)
    yield ReportFigure(
        section="rights",
        what="sounds of others without a licence",
        found=", ".join(names) or "none",
        aim="none",
        good=not names,
        where=ReportPlace(view="mix") if names else None,
    )


def _agreed(film: Assembled) -> Iterator[ReportFigure]:
    notes = [n for n in placed_notes(film) if not n.note.done]
    place = ReportPlace(view="screening")
    yield _many(film, "agreed", "notes that are open", [n.shot for n in notes], place)
    scenes = screened_scenes(film)
    yes = sum(s.agreed is not None and not s.changed for s in scenes)
    if any(s.agreed for s in scenes):
        yield ReportFigure(
            section="agreed",
            what="scenes that are agreed",
            found=f"{yes} of {len(scenes)}",
            where=place,
        )


def _money(looked: Looked) -> Iterator[ReportFigure]:
    whole = sum(looked.spent.values(), Decimal(0))
    parts = sorted(looked.spent.items(), key=lambda e: -e[1])
    told = ", ".join(f"{kind} {amount:.2f}" for kind, amount in parts if amount)
    yield ReportFigure(
        section="money",
        what=f"spent, {looked.currency}" if looked.currency else "spent",
        found=f"{whole:.2f}" + (f": {told}" if told else ""),
        where=ReportPlace(view="services"),
    )


def _signed(level: float, digits: int = 1) -> str:
    return f"{level:.{digits}f}".replace("-", "−")
