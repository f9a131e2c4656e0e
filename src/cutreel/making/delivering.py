"""A delivery: the film file, its captions, and a report of what was measured on them."""

import json
import tempfile
from mmap import ACCESS_READ, mmap
from pathlib import Path
from typing import Any

import av

from cutreel import __version__
from cutreel.core.captions import said_in, to_ass, to_srt, to_ttml, to_vtt
from cutreel.core.errors import CutReelError
from cutreel.core.film import language_spoken
from cutreel.core.render import boxes, join
from cutreel.store import Assembled

from .lacking import lacks_of
from .mixing import mix_spec
from .planning import planned_segments
from .registry import Captions
from .workshop import Workshop

SOURCE_TYPE = "http://cv.iptc.org/newscodes/digitalsourcetype/compositeSynthetic"
"""IPTC digital source type: a composite with synthetic parts."""


def join_film(shop: Workshop, film_id: str, size: str, captions: Captions | None) -> dict[str, Any]:
    """Join a film from its segments. Returns names of media files and the report."""
    film = shop.assembled(film_id)
    plans = planned_segments(film, "film", size, captions)
    results = shop.results.many([plan.key for _, plan in plans])
    mixed = shop.results.get(mix_spec(film).key)
    if mixed is None or any(plan.key not in results for _, plan in plans):
        raise CutReelError(
            "The film was changed while it was being made.",
            "Make the delivery again; what did not change is kept.",
        )
    width, height = plans[0][1].width, plans[0][1].height
    with tempfile.TemporaryDirectory(prefix="cutreel-film-") as folder:
        path, sound = Path(folder) / "film.mp4", Path(folder) / "sound.m4a"
        shop.media.copy(mixed.media or "", sound)
        join(
            (shop.media.get(results[plan.key].media or "") for _, plan in plans),
            str(sound),
            film.rate.fraction,
            str(path),
            {
                "title": film.document.title,
                "comment": f"Digital source type: {SOURCE_TYPE}",
                "encoded_by": f"Cut Reel {__version__}",
            },
        )
        checks = measured(path, film, width, height)
        report = report_of(shop, film, mixed.data, checks)
        return {
            "bytes": path.stat().st_size,
            "film": shop.media.put_file(path, "mp4"),
            "srt": shop.media.put(to_srt(film.captions).encode(), "srt"),
            "vtt": shop.media.put(to_vtt(film.captions, film.captions_shown).encode(), "vtt"),
            **_styled(shop, film),
            "report": shop.media.put(json.dumps(report, indent=1).encode(), "json"),
            "width": width,
            "height": height,
            "frames": film.frames,
            "fps": str(film.rate),
            "loudness": report["loudness"],
            "stood_in": report["stood_in"],
            "checks": checks,
        }


def _styled(shop: Workshop, film: Assembled) -> dict[str, str]:
    """The caption files that tell a style."""
    style = film.document.settings.caption_style
    words, times = film.read.script.words, film.timing.words
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


def measured(path: Path, film: Assembled, width: int, height: int) -> list[dict[str, Any]]:
    """Checks on the finished file itself, each with what was asked and what was found."""
    with av.open(str(path), "r") as container:
        video, audio = container.streams.video[0], container.streams.audio[0]
        packets = sum(1 for p in container.demux(video) if p.size)
        found = [
            ("frames", film.frames, packets),
            ("size", f"{width}x{height}", f"{video.width}x{video.height}"),
            ("rate", str(film.rate), str(video.average_rate)),
            ("video", "h264", video.codec_context.name),
            (
                "sound",
                "aac, 2 channels",
                f"{audio.codec_context.name}, {audio.codec_context.channels} channels",
            ),
            (
                "sound ends with picture",
                True,
                abs(float((audio.duration or 0) * (audio.time_base or 0)) - film.seconds) < 0.1,
            ),
        ]
    order = _boxes(path)
    found.append(("index before media", True, b"mdat" in order[order.index(b"moov") :]))
    return [
        {"what": what, "asked": asked, "found": is_, "good": asked == is_}
        for what, asked, is_ in found
    ]


def _boxes(path: Path) -> list[bytes]:
    """The names of a file's outermost boxes, in order."""
    with path.open("rb") as file, mmap(file.fileno(), 0, access=ACCESS_READ) as data:
        return [kind for kind, _, _ in boxes(data)]


def report_of(
    shop: Workshop, film: Assembled, mixed: dict[str, Any], checks: list[dict[str, Any]]
) -> dict[str, Any]:
    """The report of a film: shots with their words, frames, prompts and takes; word times;
    loudness; sources; cost; checks."""
    return {
        "title": film.document.title,
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
            for w, (a, b) in zip(film.read.script.words, film.timing.words, strict=True)
        ],
        "loudness": {
            "aim": film.document.settings.loudness,
            **{k: mixed[k] for k in ("integrated_lufs", "true_peak_dbtp")},
        },
        "stood_in": lacks_of(film),
        "sources": [s.text for s in film.document.sources],
        "cost": float(shop.spending.total(film.film)),
        "checks": checks,
    }
