"""A film's report: what is known of it before its file is made, and what was measured on the file."""

from collections import defaultdict
from collections.abc import Iterator, Sequence
from decimal import Decimal
from pathlib import Path
from typing import Any

import av
import numpy as np

from cutreel.core.film import Looked, SoundMeasured, report_before
from cutreel.core.publishing import Luma, ReportFigure, ReportPlace, Stretch, stretches_of
from cutreel.core.sound import EASY, Understood
from cutreel.core.timeline import timecode
from cutreel.store import Assembled

from .drifting import drift_of
from .faulty import faults_of
from .mixing import mix_spec
from .workshop import Workshop

SMALL = 96
"""Pixels of the width in which black and frozen stretches are looked for."""
BT709 = 1
"""As ISO/IEC 23091-2 numbers it: primaries, transfer and matrix."""
_HOW = {
    "frames": "ffprobe -count_packets -show_entries stream=nb_read_packets FILE",
    "size": "ffprobe -show_entries stream=width,height FILE",
    "rate": "ffprobe -show_entries stream=avg_frame_rate FILE",
    "video": "ffprobe -show_entries stream=codec_name FILE",
    "sound": "ffprobe -show_entries stream=codec_name,channels FILE",
    "chapters": "ffprobe -show_chapters FILE",
    "tracks of captions in the file": "ffprobe -select_streams s -show_streams FILE",
    "colour": "ffprobe -show_entries stream=color_primaries,color_transfer,color_space FILE",
    "black": "ffmpeg -i FILE -vf blackdetect=d=1 -an -f null -",
    "frozen": "ffmpeg -i FILE -vf freezedetect=d=4 -an -f null -",
}


def report_now(shop: Workshop, film: Assembled) -> list[ReportFigure]:
    """A film's report before its file is made."""
    used = [take.id if take is not None else "" for take in film.used]
    faults = [bool(found.get(take)) for found, take in zip(faults_of(film), used, strict=True)]
    drifts = drift_of(film)
    spent: dict[str, Decimal] = defaultdict(Decimal)
    for entry in shop.spending.entries(film.film):
        spent[entry.kind] += entry.amount
    looked = Looked(
        faulty=[i for i, bad in enumerate(faults) if bad],
        departing=[i for i, people in enumerate(drifts) if any(p.open for p in people)],
        accepted=sum(len(p.accepted) for people in drifts for p in people),
        sound=_mixed(shop, film),
        spent=spent,
        currency=shop.spending.currency(),
    )
    return report_before(film, looked)


def _mixed(shop: Workshop, film: Assembled) -> SoundMeasured | None:
    result = shop.results.get(mix_spec(film).key)
    if result is None:
        return None
    heard = [Understood(*u) for u in result.data.get("understood", [])]
    lines = [
        line for line, voice in sorted(film.spoken.items()) for _ in voice.data.get("pieces", [0])
    ]
    hard = {line for line, u in zip(lines, heard, strict=False) if u.value < EASY}
    shots = [_shot_of_word(film, film.read.speech[line].first) for line in sorted(hard)]
    return SoundMeasured(result.data["integrated_lufs"], result.data["true_peak_dbtp"], shots)


def _shot_of_word(film: Assembled, word: int) -> int:
    return next((i for i, s in enumerate(film.read.shots) if word < s.end), len(film.spans) - 1)


def figures_of_file(
    path: Path, film: Assembled, checks: Sequence[dict[str, Any]]
) -> list[ReportFigure]:
    """What was measured on a film's file: the `checks` that it has what it was asked to have, how its colours are told,
    and stretches in which nothing is seen or moves."""
    out = [
        ReportFigure(
            section="file",
            what=c["what"],
            found=_worded(c["found"]),
            aim=_worded(c["asked"]),
            good=c["good"],
            how=_HOW.get(c["what"], ""),
        )
        for c in checks
    ]
    colour, pictures = looked_through(path)
    out.append(
        ReportFigure(
            section="file",
            what="colour",
            found="ITU-R BT.709" if set(colour) == {BT709} else f"told as {colour}",
            aim="ITU-R BT.709",
            good=set(colour) == {BT709},
            how=_HOW["colour"],
        )
    )
    found = stretches_of(pictures, film.seconds)
    return [*out, *(_stretches(film, kind, found) for kind in ("black", "frozen"))]


def _worded(value: Any) -> str:
    return (
        {True: "yes", False: "no"}.get(value, str(value)) if isinstance(value, bool) else str(value)
    )


def looked_through(path: Path) -> tuple[tuple[int, int, int], list[tuple[float, Luma]]]:
    """How a film tells its colours, and its whole pictures (two seconds apart at most), made small."""
    with av.open(str(path), "r") as container:
        stream = container.streams.video[0]
        context = stream.codec_context
        context.skip_frame = "NONKEY"
        pictures = list(_small(container, stream))
        told = (context.color_primaries, context.color_trc, context.colorspace)
        return (int(told[0]), int(told[1]), int(told[2])), pictures


def _small(container: Any, stream: Any) -> Iterator[tuple[float, Luma]]:
    wide = SMALL
    high = max(2, round(wide * stream.height / stream.width / 2) * 2)
    for frame in container.decode(stream):
        if frame.time is None:
            continue
        small = frame.reformat(width=wide, height=high, format="gray")
        yield float(frame.time), np.ascontiguousarray(small.to_ndarray(), dtype=np.uint8)


def _stretches(film: Assembled, kind: str, found: Sequence[Stretch]) -> ReportFigure:
    of_kind = [s for s in found if s.kind == kind]
    told = [
        f"{timecode(film.rate.frames(s.start), film.rate)} for {s.end - s.start:.1f} s"
        for s in of_kind
    ]
    first = film.rate.frames(of_kind[0].start) if of_kind else 0
    shot = next((i for i, s in enumerate(film.spans) if first < s.end), None)
    place = (
        ReportPlace(view="sheet", shot=film.read.shots[shot].shot.id)
        if of_kind and shot is not None
        else None
    )
    return ReportFigure(
        section="file",
        what="black stretches" if kind == "black" else "stretches in which nothing moves",
        found="; ".join(told[:6]) + (f"; {len(told) - 6} more" if len(told) > 6 else "") or "none",
        aim="none",
        good=not of_kind,
        how=_HOW[kind],
        where=place,
    )
