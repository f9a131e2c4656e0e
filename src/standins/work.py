"""Doing one job, in a process of its own: from an input to files with what is known of them."""

import json
import random
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from cutreel.protocol import JobInput, ScriptInput

from .composer import compose, play
from .enlarger import enlarged
from .illustrator import Masses, Reference, Wish, masses_of, paint, retouch
from .sounds import make_sound
from .voice import speak
from .writer import manuscript, rework, sources_for, storylines, titles


@dataclass
class Made:
    """A made file."""

    name: str
    media_type: str
    data: bytes
    about: dict[str, Any] = field(default_factory=dict)


def do(work: JobInput, kept: Path, fine: bool = False) -> tuple[list[Made], list[str]]:
    """All files of a job, and the words of its prompt that could not be used; `kept` is the folder
    of files by SHA-256, `fine` whether a dear offer makes it."""
    if work.kind == "picture":
        files: list[Made] = []
        unused: list[str] = []
        if work.retouch:
            base, mask = ((kept / n).read_bytes() for n in (work.retouch.base, work.retouch.mask))
            for i in range(work.count):
                data, unused = retouch(base, mask, work.prompt, work.seed + i)
                files.append(Made(f"picture-{i}", "image/png", data, {"seed": work.seed + i}))
            return files, unused
        guide = (
            masses_of((kept / work.guide.sha256).read_bytes(), work.guide.strength)
            if work.guide
            else Masses()
        )
        wish = Wish(tuple(work.poses), guide, work.vary, fine=fine)
        follow = [
            Reference((kept / r.sha256).read_bytes(), r.strength, r.name) for r in work.references
        ]
        for i in range(work.count):
            picture = paint(
                work.prompt,
                work.seed + i,
                work.width,
                work.height,
                follow,
                work.negative,
                work.lighter,
                wish=wish,
            )
            unused = picture.unused
            files.append(
                Made(
                    f"picture-{i}",
                    "image/png",
                    picture.flat,
                    {"seed": work.seed + i, "regions": picture.regions},
                )
            )
            files += [
                Made(f"picture-{i}-layer-{n}", "image/png", data, {"depth": depth})
                for n, (data, depth) in enumerate(picture.layers)
            ]
            files += [
                Made(f"picture-{i}-drawing-{n}", "image/svg+xml", data, {"layer": n})
                for n, data in enumerate(picture.drawings)
            ]
        return files, unused
    if work.kind == "enlarge":
        made = [enlarged((kept / name).read_bytes(), work.factor) for name in work.pictures]
        return [
            Made(f"picture-{i}", "image/png", data, {"factor": work.factor})
            for i, data in enumerate(made)
        ], []
    if work.kind == "speech":
        spoken = speak(work.text, work.voice, work.rate)
        about = {
            "seconds": spoken.seconds,
            "words": [{"text": t, "start": a, "end": b} for t, a, b in spoken.words],
            "phones": [{"text": t, "start": a, "end": b} for t, a, b in spoken.phones],
        }
        return [Made("speech", "audio/flac", spoken.flac, about)], []
    if work.kind == "script":
        return _written(work)
    if work.kind == "sound":
        data, unused = make_sound(work.prompt, work.seconds, work.seed)
        return [Made("sound", "audio/flac", data, {"seconds": work.seconds})], unused
    data = play(compose(work.mood, work.seconds, work.seed), work.seconds)
    return [Made("music", "audio/flac", data, {"seconds": work.seconds})], []


def _written(work: ScriptInput) -> tuple[list[Made], list[str]]:
    found: dict[str, Any]
    unused: list[str] = []
    if work.task == "titles":
        found = {"titles": titles(work)}
    elif work.task == "storylines":
        found = {"storylines": storylines(work)}
    elif work.task == "manuscript":
        title, scenes, unused = manuscript(work)
        chance = random.Random(f"sources/{work.idea}/{work.seed}")
        sources = sources_for(work.idea or title, chance) if work.structure == "chapters" else []
        found = {"title": title, "scenes": [s.model_dump() for s in scenes], "sources": sources}
    else:
        done = rework(work.text, work.how, work.instruction, work.seed)
        found, unused = {"text": done.text, "touched": done.touched}, done.unused
    return [
        Made(work.task, "application/json", json.dumps(found, ensure_ascii=False).encode())
    ], unused
