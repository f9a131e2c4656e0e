"""A film as an OpenTimelineIO timeline (.otio) and as a CMX 3600 edit list (.edl), by OpenTimelineIO itself.

Picture is told in frames of the film; sound in samples at 48 kHz, since a voice begins between two frames.
"""

from collections.abc import Iterable, Sequence

import opentimelineio as otio
from opentimelineio.opentime import RationalTime, TimeRange

from .handed import Handed, HandedMarker, HandedSound

SOUND_RATE = 48_000
LANES = ("voice", "spot", "ambience", "music")
_JOINS_AS_CUTS = "An edit list knows dissolves alone: {n} other {joins} written as dissolves."


def to_otio(film: Handed) -> str:
    """The timeline as JSON: a track of pictures with transitions and markers, and for each lane as many tracks of sound
    as it needs for sounds that overlap."""
    timeline = otio.schema.Timeline(name=film.title, global_start_time=RationalTime(0, _rate(film)))
    timeline.metadata["cut_reel"] = {"unsaid": unsaid(film)}
    timeline.tracks.append(_pictures(film))
    for lane in LANES:
        for number, sounds in enumerate(_side_by_side(s for s in film.sounds if s.lane == lane)):
            name = lane if number == 0 else f"{lane} {number + 1}"
            timeline.tracks.append(_sounds(name, sounds))
    text: str = timeline.to_json_string(indent=1)
    return text


def to_edl(film: Handed) -> str:
    """The pictures as an edit list. Each event's reel is the shot's edge number, its comment the file."""
    timeline = otio.schema.Timeline(name=film.title, global_start_time=RationalTime(0, _rate(film)))
    timeline.tracks.append(_pictures(film, named_by_edge=True))
    text: str = otio.adapters.write_to_string(timeline, "cmx_3600", rate=_rate(film))
    return text


def unsaid(film: Handed) -> list[str]:
    """What no timeline says of the film, in sentences."""
    others = sum(1 for j in film.joins if j.before + j.after and j.kind != "dissolve")
    told = [
        "The camera's moves, air and acting figures are in moving pictures only, not in stills.",
        "Grade, effects, words on the screen and captions are not told; captions lie beside as files.",
        "Levels that give way to the voice are not told; each sound carries its own gain.",
    ]
    if others:
        joins = "join is" if others == 1 else "joins are"
        told.append(_JOINS_AS_CUTS.format(n=others, joins=joins))
    return told


def _rate(film: Handed) -> float:
    return film.rate.fraction.numerator / film.rate.fraction.denominator


def _pictures(film: Handed, named_by_edge: bool = False) -> otio.schema.Track:
    rate = _rate(film)
    track = otio.schema.Track(name="pictures", kind=otio.schema.TrackKind.Video)
    for i, shot in enumerate(film.shots):
        before = film.joins[i - 1].before if i else 0
        after = film.joins[i].after if i < len(film.joins) else 0
        # A still picture is as long as its joins need.
        handle = before if shot.file_frames is None else shot.handle
        source = TimeRange(RationalTime(handle, rate), RationalTime(shot.frames, rate))
        whole = shot.file_frames or handle + shot.frames + after
        reference = (
            otio.schema.MissingReference()
            if shot.file is None
            else otio.schema.ExternalReference(
                shot.file, TimeRange(RationalTime(0, rate), RationalTime(whole, rate))
            )
        )
        reference.name = shot.edge
        clip = otio.schema.Clip(
            name=f"shot {shot.edge}", media_reference=reference, source_range=source
        )
        clip.metadata["cut_reel"] = {"edge": shot.edge, "words": shot.words}
        if named_by_edge:
            clip.metadata["cmx_3600"] = {"reel": shot.edge}
        track.append(clip)
        join = film.joins[i] if i + 1 < len(film.shots) else None
        if join and join.before + join.after:
            track.append(
                otio.schema.Transition(
                    name=join.kind,
                    transition_type=otio.schema.TransitionTypes.SMPTE_Dissolve,
                    in_offset=RationalTime(join.before, rate),
                    out_offset=RationalTime(join.after, rate),
                    metadata={"cut_reel": {"kind": join.kind}},
                )
            )
    track.markers.extend(_marker(m, rate) for m in film.markers)
    return track


def _marker(marker: HandedMarker, rate: float) -> otio.schema.Marker:
    colours = otio.schema.MarkerColor
    return otio.schema.Marker(
        name=marker.name,
        marked_range=TimeRange(RationalTime(marker.frame, rate), RationalTime(marker.frames, rate)),
        color=colours.RED if marker.note else colours.GREEN,
        comment=marker.text,
    )


def _side_by_side(sounds: Iterable[HandedSound]) -> list[list[HandedSound]]:
    """Sounds in rows, in each of which none overlaps another."""
    rows: list[list[HandedSound]] = []
    for sound in sorted(sounds, key=lambda s: s.start):
        free = (r for r in rows if _end(r[-1]) <= _samples(sound.start))
        row = next(free, None)
        if row is None:
            rows.append([sound])
        else:
            row.append(sound)
    return rows


def _samples(seconds: float) -> int:
    return round(seconds * SOUND_RATE)


def _end(sound: HandedSound) -> int:
    return _samples(sound.start) + max(1, _samples(sound.seconds))


def _sounds(name: str, sounds: Sequence[HandedSound]) -> otio.schema.Track:
    track = otio.schema.Track(name=name, kind=otio.schema.TrackKind.Audio)
    at = 0
    for sound in sounds:
        start = _samples(sound.start)
        if start > at:
            gap = TimeRange(RationalTime(0, SOUND_RATE), RationalTime(start - at, SOUND_RATE))
            track.append(otio.schema.Gap(source_range=gap))
        length = _end(sound) - start
        reference = otio.schema.ExternalReference(
            sound.file,
            TimeRange(
                RationalTime(0, SOUND_RATE), RationalTime(_samples(sound.at) + length, SOUND_RATE)
            ),
        )
        clip = otio.schema.Clip(
            name=sound.name,
            media_reference=reference,
            source_range=TimeRange(
                RationalTime(_samples(sound.at), SOUND_RATE), RationalTime(length, SOUND_RATE)
            ),
            metadata={"cut_reel": {"gain": round(sound.gain, 2)}},
        )
        track.append(clip)
        at = start + length
    return track
