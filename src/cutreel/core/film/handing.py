"""A film handed over to other programs: which file is whose, and where it lies in the film's time."""

import re
from collections.abc import Mapping, Sequence
from typing import NamedTuple

from cutreel.core.interchange import Handed, HandedJoin, HandedMarker, HandedShot, HandedSound
from cutreel.core.timeline import SoundClip, stretches

from .acting import VOICE_RATE
from .assembled import Assembled
from .screening import placed_notes, screened_scenes

FOLDERS = {"voice": "voice", "spot": "sound", "ambience": "sound", "music": "music"}


class ShotFile(NamedTuple):
    """The file of a shot: its name, how many of its frames come before the shot's own, and how many it has (None: it is
    a still picture)."""

    name: str
    handle: int = 0
    frames: int | None = None


class SoundFile(NamedTuple):
    """A file of sound, by the media file it is made of: its name, and its seconds."""

    name: str
    seconds: float


def shot_name(film: Assembled, index: int) -> str:
    """What files of a shot are called: its place, so that they sort, and its edge number."""
    return f"{index + 1:03d}_{film.read.shots[index].shot.edge}"


def sound_names(film: Assembled) -> dict[str, str]:
    """What each sound's file is called, by its media file: its lane, the shot that it is first heard in, and what it
    is."""
    out: dict[str, str] = {}
    told = _told(film)
    for clip in sorted(film.sound_clips, key=lambda c: c.start):
        if clip.media in out:
            continue
        index = max(0, sum(s.start <= film.rate.frames(clip.start) for s in film.spans) - 1)
        what = re.sub(r"[^a-z0-9]+", "-", told.get(clip.media, clip.track).lower()).strip("-")[:40]
        ending = clip.media.rsplit(".", 1)[1]
        name = f"{FOLDERS[clip.track]}/{shot_name(film, index)}_{what or clip.track}"
        while f"{name}.{ending}" in out.values():
            name += "_"
        out[clip.media] = f"{name}.{ending}"
    return out


def _told(film: Assembled) -> dict[str, str]:
    """What is heard in a media file, in a word or two."""
    lines = {
        r.media: film.read.speech[n].speaker or "narrator"
        for n, r in film.spoken.items()
        if r.media
    }
    cues = {
        sound.media: cue.prompt
        for cue in film.cues
        if (sound := film.sound_of(cue)) and sound.media
    }
    return {**cues, **lines}


def handed(
    film: Assembled, shots: Sequence[ShotFile | None], sounds: Mapping[str, SoundFile]
) -> Handed:
    """The film with the files of its shots, in their order, and those of its sounds, by their media files."""
    return Handed(
        film.document.title,
        film.rate,
        [
            HandedShot(
                read.shot.edge,
                read.text,
                span.frames,
                file.name if file else None,
                file.handle if file else 0,
                file.frames if file else None,
            )
            for read, span, file in zip(film.read.shots, film.spans, shots, strict=True)
        ],
        _joins(film),
        [
            piece
            for clip in film.sound_clips
            if clip.media in sounds
            for piece in _pieces(clip, sounds[clip.media], film.seconds)
        ],
        _markers(film),
    )


def _joins(film: Assembled) -> list[HandedJoin]:
    joins = film.timeline.joins
    out = [HandedJoin("cut", 0, 0)] * max(0, len(film.spans) - 1)
    for stretch in stretches(film.spans, [j.frames for j in joins]):
        if stretch.to is not None:
            how, cut = joins[stretch.shot].how, film.spans[stretch.shot].end
            kind = how.kind if how else "dissolve"
            out[stretch.shot] = HandedJoin(kind, cut - stretch.start, stretch.end - cut)
    return out


def _pieces(clip: SoundClip, file: SoundFile, film_end: float) -> list[HandedSound]:
    """A sound as it lies in time; one that is repeated, end to end."""
    at, length = 0.0, file.seconds
    if clip.cut is not None:
        at = clip.cut[0] / VOICE_RATE
        length = (clip.cut[1] - clip.cut[0]) / VOICE_RATE
    stem = file.name.rsplit("/", 1)[-1].rsplit(".", 1)[0]
    end = min(film_end, clip.loop_to if clip.loop_to is not None else clip.start + length)
    out: list[HandedSound] = []
    start = clip.start
    while start < end - 1e-3 and length > 0:
        seconds = min(length, end - start)
        out.append(HandedSound(clip.track, stem, start, seconds, file.name, at, clip.gain))
        start += seconds
    return out


def _markers(film: Assembled) -> list[HandedMarker]:
    scenes = [
        HandedMarker(
            s.start, s.end - s.start, s.title, "agreed" if s.agreed and not s.changed else ""
        )
        for s in screened_scenes(film)
    ]
    notes = [
        HandedMarker(
            p.start,
            p.end - p.start,
            f"note by {p.note.by}",
            p.note.text + (" (done)" if p.note.done else ""),
            note=True,
        )
        for p in placed_notes(film)
        if not p.lost
    ]
    return [*scenes, *notes]
