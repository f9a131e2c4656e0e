"""The cue sheet: everything that sounds beside the voice, with its times and what it is from."""

import csv
import io

from cutreel.core.timeline import timecode

from .assembled import Assembled

HEADER = (
    "number", "lane", "sound", "from", "to", "seconds", "shot", "because of", "decibels", "source",
    "licence", "credit",
)  # fmt: skip


def cue_sheet(film: Assembled) -> str:
    """The cue sheet of a film as CSV (RFC 4180), in the order of time; times are timecodes of the film."""
    brought = {s.media: s for s in film.document.own_sounds}
    rows: list[tuple[float, list[object]]] = []
    for cue in film.cues:
        made = film.sound_of(cue) is not None
        end = min(cue.end, film.seconds)
        rows.append(
            (
                cue.start,
                [
                    cue.kind,
                    cue.prompt,
                    _told(film, cue.start),
                    _told(film, end),
                    round(end - cue.start, 2),
                    film.read.shots[cue.shot].shot.edge,
                    cue.why,
                    cue.gain,
                    "brought" if cue.own else _source(made),
                    brought[cue.own].licence if cue.own else "",
                    brought[cue.own].credit if cue.own else "",
                ],
            )
        )
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(HEADER)
    for number, (_, row) in enumerate(sorted(rows, key=lambda r: r[0]), 1):
        writer.writerow([number, *row])
    return out.getvalue()


def _told(film: Assembled, seconds: float) -> str:
    return timecode(film.rate.frames(seconds), film.rate)


def _source(made: bool) -> str:
    return "made for this film" if made else "not made yet"
