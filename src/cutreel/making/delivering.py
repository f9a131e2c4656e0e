"""A delivery: the film file, its captions, and a report of what was measured on them."""

import json
import tempfile
from collections import deque
from collections.abc import Sequence
from datetime import UTC, datetime
from mmap import ACCESS_READ, mmap
from pathlib import Path
from typing import Any

import av

from cutreel import __version__
from cutreel.core.captions import Caption, said_in, to_ass, to_srt, to_ttml, to_vtt
from cutreel.core.errors import CutReelError
from cutreel.core.film import SideCaptions, chapters_of, drafted_texts, language_spoken
from cutreel.core.publishing import ReportFigure
from cutreel.core.render import (
    FILE_FORMS,
    CaptionTrack,
    FileForm,
    FilmChapter,
    FilmLine,
    Form,
    boxes,
    encode_sound_as,
    join,
)
from cutreel.core.sound import RATE
from cutreel.store import Assembled

from .lacking import lacks_of
from .legible import words_figures
from .mixing import in_blocks, mix_spec, mixer_of
from .planning import planned_segments
from .registry import Captions
from .report_page import write_report
from .reporting import figures_of_file, report_now
from .side_captions import captions_besides
from .workshop import Workshop

SOURCE_TYPE = "http://cv.iptc.org/newscodes/digitalsourcetype/compositeSynthetic"
"""IPTC digital source type: a composite with synthetic parts."""
LANGUAGES = {
    "en": "eng", "de": "deu", "fr": "fra", "es": "spa", "it": "ita", "pt": "por", "nl": "nld", "pl": "pol", "sv": "swe",
}  # fmt: skip
"""Languages as film files name them (ISO 639-2)."""


def join_film(
    shop: Workshop, film_id: str, size: str, captions: Captions | None, file_form: FileForm = "web"
) -> dict[str, Any]:
    """Join a film from its segments. Returns names of media files and the report."""
    film, form = shop.assembled(film_id), FILE_FORMS[file_form]
    plans = planned_segments(film, form.quality, size, captions)
    results = shop.results.many([plan.key for _, plan in plans])
    mixed = shop.results.get(mix_spec(film).key)
    if mixed is None or any(plan.key not in results for _, plan in plans):
        raise CutReelError(
            "The film was changed while it was being made.",
            "Make the delivery again; what did not change is kept.",
        )
    width, height = plans[0][1].width, plans[0][1].height
    with tempfile.TemporaryDirectory(prefix="cutreel-film-") as folder:
        path = Path(folder) / f"film.{form.ending}"
        sound = _sound(shop, film, form, mixed.media or "", Path(folder))
        besides = captions_besides(shop, film)
        own = (captions or film.document.settings.captions) == "track"
        join(
            (shop.media.get(results[plan.key].media or "") for _, plan in plans),
            str(sound),
            film.rate.fraction,
            str(path),
            {
                "title": film.document.shown(film.document.title),
                "comment": f"Digital source type: {SOURCE_TYPE}",
                "encoded_by": f"Cut Reel {__version__}",
                "description": _told(film),
            },
            form,
            _chapters(film),
            [_track(language_spoken(film.document), film.captions), *map(_track_of, besides)]
            if own
            else [],
        )
        tracks = (1 if film.captions else 0) + sum(bool(b.captions) for b in besides) if own else 0
        checks = measured(path, film, width, height, form, tracks)
        read = words_figures(shop, film)
        figures = [*report_now(shop, film), *read, *figures_of_file(path, film, checks)]
        report = report_of(shop, film, mixed.data, checks, figures)
        page = write_report(film.document.shown(film.document.title), figures, datetime.now(UTC))
        return {
            "bytes": path.stat().st_size,
            "film": shop.media.put_file(path, form.ending),
            "form": file_form,
            "srt": shop.media.put(to_srt(film.captions).encode(), "srt"),
            "vtt": shop.media.put(to_vtt(film.captions, film.captions_shown).encode(), "vtt"),
            **_styled(shop, film),
            "also": [
                {
                    "language": language,
                    "srt": shop.media.put(to_srt(there).encode(), "srt"),
                    "vtt": shop.media.put(to_vtt(there).encode(), "vtt"),
                }
                for language, there in besides
            ],
            "report": shop.media.put(json.dumps(report, indent=1).encode(), "json"),
            "page": shop.media.put(page, "pdf"),
            "figures": report["figures"],
            "width": width,
            "height": height,
            "frames": film.frames,
            "fps": str(film.rate),
            "loudness": report["loudness"],
            "stood_in": report["stood_in"],
            "checks": checks,
        }


def _track(language: str, captions: Sequence[Caption]) -> CaptionTrack:
    lines = [FilmLine(c.start, c.end, "\n".join(c.lines)) for c in captions]
    return CaptionTrack(LANGUAGES.get(language.split("-", maxsplit=1)[0], "und"), lines)


def _track_of(besides: SideCaptions) -> CaptionTrack:
    return _track(besides.language, besides.captions)


def _styled(shop: Workshop, film: Assembled) -> dict[str, str]:
    """The caption files that tell a style."""
    style = film.document.settings.caption_style
    words, times = film.said.words, film.said_times
    said = [said_in(c, words, times) for c in film.captions]
    language = language_spoken(film.document)
    return {
        "ttml": shop.media.put(
            to_ttml(film.captions, language, style, film.captions_shown).encode(), "ttml"
        ),
        "ass": shop.media.put(
            to_ass(film.captions, style, said, film.captions_shown).encode(), "ass"
        ),
    }


def _sound(shop: Workshop, film: Assembled, form: Form, mixed: str, folder: Path) -> Path:
    """The film's sound as its file wants it: the mix as it is kept, or encoded anew from what was mixed."""
    if form.sound == "aac":
        path = folder / "sound.m4a"
        shop.media.copy(mixed, path)
        return path
    path = folder / "sound.mka"
    spec = mix_spec(film)
    mixer = mixer_of(shop, spec)
    deque(in_blocks(mixer, mixer.heard), maxlen=0)
    mastered = mixer.mastered(spec.loudness)
    blocks = in_blocks(mixer, lambda block: mixer.sound(block, mastered))
    encode_sound_as(blocks, RATE, form.sound, str(path))
    return path


def _chapters(film: Assembled) -> list[FilmChapter]:
    """The chapters of the file, each to the next."""
    chapters = chapters_of(film)
    if not chapters:
        return []
    ends = [*(c.start for c in chapters[1:]), film.seconds]
    return [FilmChapter(c.start, e, c.title) for c, e in zip(chapters, ends, strict=True)]


def _told(film: Assembled) -> str:
    """The beginning of the film's description, for the file's own."""
    return drafted_texts(film).with_own(film.document.texts).description.split("\n")[0]


def measured(
    path: Path, film: Assembled, width: int, height: int, form: Form, tracks: int
) -> list[dict[str, Any]]:
    """Checks on the finished file itself, each with what was asked and what was found."""
    with av.open(str(path), "r") as container:
        video, audio = container.streams.video[0], container.streams.audio[0]
        packets = sum(1 for p in container.demux(video) if p.size)
        found = [
            ("frames", film.frames, packets),
            ("size", f"{width}x{height}", f"{video.width}x{video.height}"),
            ("rate", str(film.rate), str(video.average_rate)),
            ("video", form.picture_name, _codec(video)),
            (
                "sound",
                f"{form.sound_name}, 2 channels",
                f"{_codec(audio)}, {audio.codec_context.channels} channels",
            ),
            ("sound ends with picture", True, abs(_end_of(path) - film.seconds) < 0.1),
            ("chapters", len(chapters_of(film)), len(container.chapters())),
        ]
        if tracks:
            there = len(container.streams.subtitles)
            found.append(("tracks of captions in the file", tracks, there))
    if form.container == "mp4":
        order = _boxes(path)
        found.append(("index before media", True, b"mdat" in order[order.index(b"moov") :]))
    return [
        {"what": what, "asked": asked, "found": is_, "good": asked == is_}
        for what, asked, is_ in found
    ]


def _codec(stream: Any) -> str:
    """What a stream is coded in, whichever library decodes it."""
    name: str = stream.codec_context.codec.canonical_name
    return name


def _end_of(path: Path) -> float:
    """The second at which the sound of a film file ends."""
    with av.open(str(path), "r") as container:
        audio = container.streams.audio[0]
        end = 0.0
        for packet in container.demux(audio):
            if packet.pts is not None and packet.time_base is not None:
                end = max(end, float((packet.pts + (packet.duration or 0)) * packet.time_base))
        return end


def _boxes(path: Path) -> list[bytes]:
    """The names of a file's outermost boxes, in order."""
    with path.open("rb") as file, mmap(file.fileno(), 0, access=ACCESS_READ) as data:
        return [kind for kind, _, _ in boxes(data)]


def report_of(
    shop: Workshop,
    film: Assembled,
    mixed: dict[str, Any],
    checks: list[dict[str, Any]],
    figures: Sequence[ReportFigure],
) -> dict[str, Any]:
    """The report of a film: shots with their words, frames, prompts and takes; word times;
    loudness; sources; cost; checks; every figure that somebody could complain of."""
    return {
        "title": film.document.shown(film.document.title),
        "fps": str(film.rate),
        "frames": film.frames,
        "seconds": round(film.seconds, 3),
        "look": film.document.settings.look,
        "music": [cue.mood for cue in film.cues if cue.kind == "music"],
        "seed": film.document.settings.seed,
        "shots": [
            {
                "edge": s.shot.edge,
                "words": s.text,
                "start": span.start,
                "end": span.end,
                "prompt": s.prompt.text,
                "negative": s.negative,
                "left_out": list(s.prompt.left_out),
                "move": s.move,
                "takes": [
                    {"seed": t.seed, "circled": used is not None and t.id == used.id} for t in takes
                ],
            }
            for s, span, takes, used in zip(
                film.read.shots, film.spans, film.takes, film.used, strict=True
            )
        ],
        "speech": [
            {"word": w.text, "start": round(float(a), 3), "end": round(float(b), 3)}
            for w, (a, b) in zip(film.said.words, film.said_times, strict=True)
        ],
        "loudness": {
            "aim": film.document.settings.loudness,
            **{k: mixed[k] for k in ("integrated_lufs", "true_peak_dbtp")},
        },
        "stood_in": lacks_of(film),
        "sources": [s.text for s in film.document.sources],
        "cost": float(shop.spending.total(film.film)),
        "checks": checks,
        "figures": [f.model_dump(mode="json") for f in figures],
    }
