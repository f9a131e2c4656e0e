"""A film in its parts: pictures, sounds, words and timelines, numbered and named by edge, in one zip."""

import tempfile
import zipfile
from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any, Literal, NamedTuple

import soundfile

from cutreel.core.captions import to_srt, to_vtt
from cutreel.core.film import (
    ShotFile,
    SoundFile,
    cue_sheet,
    export_script,
    handed,
    notes_table,
    shot_name,
    sound_names,
)
from cutreel.core.interchange import Handed, bundled_name, to_edl, to_otio, unsaid
from cutreel.core.render import SegmentPlan, whole_shots
from cutreel.store import Assembled

from .planning import SHORT_SIDE, frame_size
from .taken import keep_file
from .workshop import Workshop

Pictures = Literal["stills", "moving"]
BUNDLE_VERSION = "1.0.0"
STORED = ("png", "jpg", "mp4", "mp3")
"""What a zip cannot make smaller."""


def shot_plans(film: Assembled, size: str) -> list[tuple[int, SegmentPlan]]:
    """Each shot whole, as it moves: the frames before its own, and its segment."""
    width, height = frame_size(film.document.settings.aspect, SHORT_SIDE[size])
    return whole_shots(film.timeline, width, height, "film")


def still_files(film: Assembled) -> list[ShotFile | None]:
    """The file of each shot's picture, by the take that is used; a plate, and what is not made yet, has none."""
    return [
        ShotFile(f"pictures/{shot_name(film, i)}.{take.media.rsplit('.', 1)[1]}")
        if take is not None and shot.shot.id not in film.plates
        else None
        for i, (shot, take) in enumerate(zip(film.read.shots, film.used, strict=True))
    ]


def moving_files(
    film: Assembled, plans: Sequence[tuple[int, SegmentPlan]]
) -> list[ShotFile | None]:
    """The same for shots as they move."""
    return [
        ShotFile(f"clips/{shot_name(film, i)}.mp4", handle, plan.frames)
        for i, (handle, plan) in enumerate(plans)
    ]


def sounds_of(shop: Workshop, film: Assembled, folder: Path) -> dict[str, SoundFile]:
    """The files of a film's sounds, by media file; they are laid into `folder` to be measured."""
    out: dict[str, SoundFile] = {}
    for media, name in sound_names(film).items():
        path = folder / media
        if not path.exists():
            shop.media.copy(media, path)
        out[media] = SoundFile(name, float(soundfile.info(path).duration))
    return out


def timeline_of(shop: Workshop, film: Assembled) -> Handed:
    """The film as a timeline that points at its parts, with still pictures."""
    with tempfile.TemporaryDirectory(prefix="cutreel-parts-") as folder:
        return handed(film, still_files(film), sounds_of(shop, film, Path(folder)))


class PartsForm(NamedTuple):
    """How a film's parts are handed over: which pictures, how large, and whether as one file for a program that reads a
    timeline with its media (a bundle) or in a zip with captions and lists."""

    pictures: Pictures
    size: str
    bundle: bool = False


def write_parts(
    shop: Workshop,
    film: Assembled,
    form: PartsForm,
    progress: Callable[[float], None],
    dropped: Callable[[], bool],
) -> dict[str, Any] | None:
    """Keep a film's parts as one file. Returns what the outcome tells, or None when nobody wants them any more."""
    moving = form.pictures == "moving"
    plans = shot_plans(film, form.size) if moving else []
    shots = moving_files(film, plans) if moving else still_files(film)
    made = shop.results.many([p.key for _, p in plans])
    with tempfile.TemporaryDirectory(prefix="cutreel-parts-") as place:
        folder = Path(place)
        sounds = sounds_of(shop, film, folder)
        whole = handed(film, shots, sounds)
        path = folder / ("film.otioz" if form.bundle else "parts.zip")
        texts = _bundle_texts(whole) if form.bundle else _texts(film, whole)
        with zipfile.ZipFile(path, "w", zipfile.ZIP_DEFLATED) as out:
            for name, text in texts.items():
                out.writestr(name, text)
            files = [(s.name, m) for m, s in sounds.items()]
            for i, file in enumerate(shots):
                used = film.used[i]
                if file is not None and plans:
                    files.append((file.name, made[plans[i][1].key].media or ""))
                elif file is not None and used is not None:
                    files.append((file.name, used.media))
            for done, (name, media) in enumerate(files):
                if dropped():
                    return None
                source = folder / media
                if not source.exists():
                    shop.media.copy(media, source)
                stored = form.bundle or name.rsplit(".", 1)[1] in STORED
                named = bundled_name(name) if form.bundle else name
                out.write(source, named, zipfile.ZIP_STORED if stored else zipfile.ZIP_DEFLATED)
                source.unlink()
                progress((done + 1) / len(files))
        told = "moving pictures" if moving else "still pictures"
        beside = "" if form.bundle else ", captions, timelines"
        what = f"{told}, lines, sounds, music{beside}"
        return {"files": [keep_file(shop.media, path, what)], "unsaid": unsaid(whole)}


def _bundle_texts(whole: Handed) -> dict[str, str]:
    """As OpenTimelineIO lays out its bundles (otioz)."""
    return {"version.txt": BUNDLE_VERSION, "content.otio": to_otio(whole.bundled())}


def _texts(film: Assembled, whole: Handed) -> dict[str, str]:
    said = "\n".join(f"- {line}" for line in unsaid(whole))
    return {
        "film.otio": to_otio(whole),
        "film.edl": to_edl(whole),
        "captions.srt": to_srt(film.captions),
        "captions.vtt": to_vtt(film.captions, film.captions_shown),
        "shots.csv": export_script(film.read, "csv", film.spans, film.rate),
        "cues.csv": cue_sheet(film),
        "notes.csv": notes_table(film),
        "READ ME.txt": (
            f"{film.document.title}, in its parts\n\nfilm.otio and film.edl say what lies where. Files are named by "
            f"the place of their shot and its edge number.\nWhat they do not say:\n{said}\n"
        ),
    }
