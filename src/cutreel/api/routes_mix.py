"""The film's sound: how loud it is, what gives way where, which lines are hard to follow; and any of its blocks to be
looked at and heard."""

import io
from bisect import bisect_right
from typing import Annotated

import numpy as np
import soundfile
from fastapi import APIRouter, Depends, Query, Request
from fastapi.responses import Response
from pydantic import BaseModel

from cutreel.core.errors import BadInput, NotFound
from cutreel.core.film import LaneChoice, cue_sheet
from cutreel.core.manuscript import words_text
from cutreel.core.sound import BLOCK, EASY, RATE, ROLES, Mixer, Role, Sound, Understood
from cutreel.making import MixDesk, mix_spec
from cutreel.store import Assembled

from .door import Films

router = APIRouter(prefix="/api/films/{film}/mix")
MOST_HARD = 40
FAINTEST, LOUDEST = -66.0, 6.0
"""Decibels of full scale between which a waveform is seen."""
CURVE_EVERY = 5
"""The curve of loudness has a value for so many tenths of a second."""


def _desk(request: Request) -> MixDesk:
    desk: MixDesk = request.app.state.mixing
    return desk


Mixing = Annotated[MixDesk, Depends(_desk)]


class HardLine(BaseModel):
    """A line, by its place, that is hard to follow: how well it is understood (0 … 1), which lane is most in its way,
    and by how many decibels softer that would do; what is said, in which shot, in which frames."""

    line: int
    shot: int
    text: str
    index: float
    culprit: str
    less: float
    start: int
    stop: int


class PointView(BaseModel):
    """A point of a level line, with the frame that it falls on."""

    word: int
    later: int
    gain: float
    frame: int


class LaneView(BaseModel):
    """How a lane is treated by hand."""

    choice: LaneChoice
    points: list[PointView]


class TensionView(BaseModel):
    """A point that was drawn of how tense the music is (0 … 1), with the frame that it falls on."""

    word: int
    later: int
    level: float
    frame: int


class Tension(BaseModel):
    """How tense the music is along the film: `course` in frames with levels (0 … 1), a straight line from each to the
    next; and the `points` that were drawn."""

    course: list[tuple[int, float]]
    points: list[TensionView]


class MixView(BaseModel):
    """The sound as it is mixed now. `blocks` are the keys of its blocks of `block` seconds; `known` says how many of
    them are measured. Once all are, there is its loudness (LUFS), range (LU), by how many decibels the limiter holds
    peaks back at most, its true peak (dBTP) before it is encoded, and loudness over three seconds, a value for every
    half second from the third on. Lines that are not understood with ease (`easy`,
    by ANSI S3.5) are `hard`, worst first; `least` is the lowest index of all. `met` are the frames of the cuts that a
    bar of the music meets, `wished` those that it was asked to meet."""

    blocks: list[str]
    block: float = BLOCK / RATE
    known: int
    measured: bool
    loudness: float | None = None
    range: float | None = None
    held: float | None = None
    true_peak: float | None = None
    curve: list[float] = []
    easy: float = EASY
    least: float | None = None
    hard: list[HardLine] = []
    lanes: list[LaneView] = []
    tension: Tension
    met: list[int] = []
    wished: list[int] = []


class BlockView(BaseModel):
    """A block to look at: of each lane that sounds its highest samples (0 … 255 for -66 to 6 dB of full scale, before
    the film is brought to its loudness) for every twentieth of a second, and by how many tenths of a decibel it gives
    way there."""

    wave: dict[Role, list[int]]
    gives: dict[Role, list[int]]


@router.get("")
def mix(film: str, films: Films, desk: Mixing) -> MixView:
    """What is measured of the film's sound. Where much is to be measured yet, a worker begins with it."""
    assembled = films.now(film).film
    spec = mix_spec(assembled)
    mixer = desk.mixer(spec)
    known = desk.measure(spec)
    view = MixView(
        blocks=[mixer.key(b).split()[1] for b in range(mixer.blocks)],
        known=known,
        measured=known == mixer.blocks,
        lanes=_lanes(assembled),
        tension=_tension(assembled),
        met=[assembled.rate.frames(at) for at in assembled.hits_met],
        wished=[assembled.rate.frames(at) for at in assembled.hits_wished],
    )
    if not view.measured:
        return view
    found = desk.mastered(spec)
    if found.lufs > -120:  # not silent
        view.loudness, view.range = round(found.lufs, 2), round(found.range, 2)
        view.held, view.true_peak = round(found.held, 2), round(found.true_peak, 2)
    view.curve = [round(float(v), 1) for v in np.maximum(-60, found.short_term[::CURVE_EVERY])]
    _understood(view, assembled, desk.understood(spec))
    return view


@router.get("/blocks/{number}/{key}")
def block(film: str, number: int, key: str, films: Films, desk: Mixing) -> Response:
    """A block to look at. It is named by its key too, so what was fetched once never changes."""
    mixer = desk.mixer(mix_spec(films.now(film).film))
    _check(mixer, number)
    if mixer.key(number).split()[1] != key:
        raise NotFound("The film's sound has changed.", "Ask for its blocks again.")
    heard = mixer.heard(number)
    sounding = [r for r in ROLES if heard["wave"][ROLES.index(r)].any()]
    wave, gives = {}, {}
    for role in sounding:
        loud = heard["wave"][ROLES.index(role)].astype(np.float64)
        decibels = 20 * np.log10(np.maximum(loud, 1e-6))
        wave[role] = (
            np.clip((decibels - LOUDEST) / (LOUDEST - FAINTEST) * 255 + 255, 0, 255)
            .astype(int)
            .tolist()
        )
        gives[role] = np.rint(heard["gives"][ROLES.index(role)] * 10).astype(int).tolist()
    headers = {"Cache-Control": "public, max-age=31536000, immutable"}
    view = BlockView(wave=wave, gives=gives)
    return Response(view.model_dump_json(), media_type="application/json", headers=headers)


@router.get("/cues.csv")
def cues(film: str, films: Films) -> Response:
    """The cue sheet: what sounds beside the voice, when, and where it is from."""
    headers = {"Content-Disposition": 'attachment; filename="cues.csv"'}
    return Response(cue_sheet(films.now(film).film), media_type="text/csv", headers=headers)


@router.get("/sound/{number}")
def sound(
    film: str,
    number: int,
    films: Films,
    desk: Mixing,
    lanes: Annotated[list[Role] | None, Query(max_length=len(ROLES))] = None,
) -> Response:
    """A block to be heard, or some of its lanes alone, as loud as it is in the film as far as that is known."""
    spec = mix_spec(films.now(film).film)
    _check(desk.mixer(spec), number)
    return Response(_encoded(desk.sound(spec, number, lanes or ROLES)), media_type="audio/flac")


def _check(mixer: Mixer, number: int) -> None:
    if not 0 <= number < mixer.blocks:
        raise BadInput("The film is not so long.", f"It has {mixer.blocks} blocks, from 0 on.")


def _encoded(block: Sound) -> bytes:
    out = io.BytesIO()
    soundfile.write(out, np.clip(block, -1, 1), RATE, format="FLAC", subtype="PCM_16")
    return out.getvalue()


def _tension(film: Assembled) -> Tension:
    """How tense the music is, by frames. A point whose word is gone is not drawn."""
    places = film.document.word_places if film.document.tension else {}
    return Tension(
        course=[(film.rate.frames(at), round(level, 3)) for at, level in film.course],
        points=[
            TensionView(
                word=p.word,
                later=p.later,
                level=p.level,
                frame=film.rate.frames(float(film.timing.words[places[p.word], 0])) + p.later,
            )
            for p in film.document.tension
            if p.word in places
        ],
    )


def _lanes(film: Assembled) -> list[LaneView]:
    places, times = film.document.word_places, film.timing.words
    return [
        LaneView(
            choice=choice,
            points=[
                PointView(
                    word=p.word,
                    later=p.later,
                    gain=p.gain,
                    frame=film.rate.frames(float(times[places[p.word], 0])) + p.later,
                )
                for p in choice.points
                if p.word in places
            ],
        )
        for choice in film.document.lanes
    ]


def _understood(view: MixView, film: Assembled, found: list[Understood]) -> None:
    heard = zip(_pieces(film), found, strict=True)
    worst: dict[int, Understood] = {}
    for (line, _), here in heard:
        if line not in worst or here.value < worst[line].value:
            worst[line] = here
    hard = sorted((u.value, line) for line, u in worst.items() if u.value < EASY)
    view.least = min((u.value for u in worst.values()), default=None)
    view.hard = [_hard(film, line, worst[line]) for _, line in hard[:MOST_HARD]]


def _pieces(film: Assembled) -> list[tuple[int, int]]:
    """The sounds of the voice, in the order in which they are mixed: of which line, which piece of it."""
    return [
        (line, piece)
        for line, result in sorted(film.spoken.items())
        for piece in range(len(result.data.get("pieces", [0])))
    ]


def _hard(film: Assembled, line: int, heard: Understood) -> HardLine:
    work, read, times = film.read.speech[line], film.read, film.timing.words
    at = bisect_right([s.first for s in read.shots], work.first) - 1
    return HardLine(
        line=line,
        shot=read.shots[max(0, at)].shot.id,
        text=(work.text if work.pieces else words_text(read.script.words[work.first : work.end]))[
            :120
        ],
        index=heard.value,
        culprit=heard.culprit,
        less=heard.less,
        start=film.rate.frames(float(times[work.first, 0])),
        stop=film.rate.frames(float(times[work.end - 1, 1])),
    )
