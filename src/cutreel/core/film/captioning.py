"""How each caption of a film is shown: off the faces of its shot, and in the colour of who speaks."""

from bisect import bisect_right
from collections.abc import Sequence
from functools import partial

from cutreel.core.captions import CAPTION_ROWS, SPEAKERS, Caption, CaptionPlace, CaptionShown
from cutreel.core.kept import Kept
from cutreel.core.timeline import FrameRate, Span

from .cropping import heads_of
from .heads import Head, heads_seen
from .made import TakeRow
from .moving import camera_of
from .reading import ReadFilm, ReadShot
from .shape import is_upright

BANDS: dict[CaptionPlace, tuple[float, float]] = {
    "low": (0.78, 0.96),
    "middle": (0.42, 0.58),
    "high": (0.05, 0.23),
}
"""From where down to where captions of two lines stand, in shares of the frame."""
SECOND = 0.12
"""How many shares of the frame two lines of another language take besides."""
UPRIGHT_LOW = (0.68, 0.85)
BESIDE = 0.36
"""How far from the middle a head is still behind a caption."""
COVERED = 0.35
"""The share of a head that a caption may cover."""


def rows_taken(place: CaptionPlace, beneath: bool) -> tuple[float, float]:
    """The rows of the frame (shares) that captions take at a place; more of them with another language `beneath`."""
    return taller(CAPTION_ROWS[place], place, beneath)


def taller(rows: tuple[float, float], place: CaptionPlace, beneath: bool) -> tuple[float, float]:
    """Rows with room for another language too: captions grow away from the edge that they stand at."""
    more = SECOND if beneath else 0.0
    up, down = {"low": (more, 0.0), "middle": (more / 2, more / 2), "high": (0.0, more)}[place]
    return rows[0] - up, rows[1] + down


def captions_shown(
    read: ReadFilm,
    captions: Sequence[Caption],
    lines: Sequence[int],
    spans: Sequence[Span],
    rate: FrameRate,
    used: Sequence[TakeRow | None],
    memory: Kept,
    beneath: bool = False,
) -> list[CaptionShown]:
    """How each caption is shown, which belongs to the line with a place in `lines`; another language may stand
    `beneath` them all. All captions that begin in a shot stand at the same place."""
    settings = read.document.settings
    style, upright = settings.caption_style, is_upright(settings.aspect)
    shots = memory.of(
        "shots of captions", lambda: _shots_of(captions, spans, rate), (spans, rate), (captions,)
    )
    places: dict[int, CaptionPlace | None] = {}
    for i in dict.fromkeys(shots) if spans else ():
        take = used[i]
        if take is not None and style.place == "low":
            shot, frames = read.shots[i], spans[i].frames
            places[i] = memory.of(
                ("caption place", shot.shot.id),
                partial(_place, shot, frames, rate, take, upright, beneath),
                (frames, rate, upright, beneath),
                (shot.token, take),
            )
    colours = _colours(read) if settings.speaker_colours else {}

    def shown() -> list[CaptionShown]:
        out: list[CaptionShown] = []
        for place, shot in zip(lines, shots, strict=True):
            who = read.script.lines[place].speaker or ""
            out.append(CaptionShown(places.get(shot), colours.get(who.lower()), who))
        return out

    return memory.of("captions shown", shown, (lines, places, colours), (read.script, shots))


def _shots_of(captions: Sequence[Caption], spans: Sequence[Span], rate: FrameRate) -> list[int]:
    """The shot, by index, in which each caption begins."""
    starts = [rate.seconds(s.start) for s in spans]
    return [max(0, bisect_right(starts, c.start + 0.05) - 1) for c in captions]


def _place(
    shot: ReadShot, frames: int, rate: FrameRate, take: TakeRow, upright: bool, beneath: bool
) -> CaptionPlace | None:
    """Above where captions would lie on a face below, if there is none above; None: as usual."""
    if shot.shot.own.plate is not None:
        return None
    camera = camera_of(shot, take, rate.seconds(frames))
    heads = heads_seen(heads_of(shot, take), camera, 0.0, 1.0)
    low = taller(UPRIGHT_LOW if upright else BANDS["low"], "low", beneath)
    high = taller(BANDS["high"], "high", beneath)
    if _covered(heads, low) > COVERED and _covered(heads, high) <= COVERED:
        return "high"
    return None


def _covered(heads: Sequence[Head], band: tuple[float, float]) -> float:
    """The largest share of a head that lies behind a band across the middle of the frame."""
    shares = [
        max(0.0, min(h.low, band[1]) - max(h.top, band[0])) / max(1e-6, h.low - h.top)
        for h in heads
        if abs(h.x - 0.5) < BESIDE
    ]
    return max(shares, default=0.0)


def _colours(read: ReadFilm) -> dict[str, str]:
    """A colour for each who speaks, in the order of the cast; who only tells has the style's own."""
    speaking = {line.speaker.lower() for line in read.script.lines if line.speaker}
    order = [p for p in read.document.cast if {c.lower() for c in (p.name, *p.aliases)} & speaking]
    return {
        call.lower(): SPEAKERS[n % len(SPEAKERS)]
        for n, person in enumerate(order)
        for call in (person.name, *person.aliases)
    }
