"""The command line."""

import json
import os
import shutil
import sys
import time
from collections.abc import Callable
from pathlib import Path
from typing import get_args

import click

from cutreel.core.breakdown import KINDS, FilmKind, Wish
from cutreel.core.continuity import MOODS, Overrides, look_named
from cutreel.core.errors import BadInput, CutReelError
from cutreel.core.film import (
    Aspect,
    FilmDocument,
    GivenShot,
    Settings,
    clean_text,
    new_film,
    plan_of,
    written_plan,
)
from cutreel.core.manuscript import text_of
from cutreel.core.manuscript.formats import ReadStory, read_story
from cutreel.core.reading import Parses, parse
from cutreel.core.timeline import KNOWN_RATES
from cutreel.making import SHORT_SIDE, wanted_texts

from .archive_commands import export, import_, verify_
from .backup_commands import backup, restore
from .service_commands import service
from .telling import told


@click.group()
def main() -> None:
    """Cut Reel makes narrated, animated story films from a script."""


for command in (export, import_, verify_, service, backup, restore):
    main.add_command(command)


@main.command()
@click.argument("story", type=click.Path(path_type=Path))
@click.option(
    "--out",
    required=True,
    type=click.Path(path_type=Path),
    help="The film file to write; captions and report are written beside it.",
)
@click.option("--aspect", type=click.Choice(get_args(Aspect)), default="16:9", show_default=True)
@click.option("--size", type=click.Choice(list(SHORT_SIDE)), default="1080p", show_default=True)
@click.option("--fps", type=click.Choice(list(KNOWN_RATES)), default="24", show_default=True)
@click.option("--look", default="cut-paper", show_default=True, help="The film's look, by name.")
@click.option("--voice", default="alder", show_default=True, help="The narrator's voice.")
@click.option(
    "--music",
    type=click.Choice([*MOODS, "auto", "none"]),
    default="auto",
    show_default=True,
    help="A mood.",
)
@click.option(
    "--every", type=click.FloatRange(1, 300), help="A picture about every so many seconds."
)
@click.option("--shots", type=click.IntRange(1, 20_000), help="Exactly so many shots.")
@click.option(
    "--captions", type=click.Choice(["burn", "file", "off"]), default="burn", show_default=True
)
@click.option("--seed", type=click.IntRange(0, 999_999), default=4127, show_default=True)
@click.option(
    "--data",
    type=click.Path(path_type=Path),
    help="Keep everything made in this folder, for the next time.",
)
@click.option("--json", "as_json", is_flag=True, help="One JSON report on standard output.")
def make(
    story: Path,
    out: Path,
    aspect: str,
    size: str,
    fps: str,
    look: str,
    voice: str,
    music: str,
    every: float | None,
    shots: int | None,
    captions: str,
    seed: int,
    data: Path | None,
    as_json: bool,
) -> None:
    """Make a whole film of STORY, with no browser.

    STORY is plain text, Markdown, Fountain, subtitles (SubRip, WebVTT, SubStation
    Alpha, TTML), CSV or TSV; rows and subtitles become
    shots unless --every or --shots says otherwise.
    """
    with told():
        if every is not None and shots is not None:
            raise BadInput("Give --every or --shots, not both.")
        script = _story(story)
        target = _target(out)
        settings = Settings(
            aspect=aspect,
            fps=fps,
            look=look_named(look).name,
            seed=seed,
            narrator=voice,
            music=music,
            captions=captions,
            pace=every or 6.0,
            cut_by="every" if every else "pace",
        )
        wish = Wish("exactly", count=shots) if shots else Wish("every", every) if every else None
        report = _make(script, story.stem, settings, wish, target, size, captions, data)
        if as_json:
            click.echo(json.dumps(report))


@main.command()
@click.argument("story", type=click.Path(path_type=Path))
@click.option(
    "--kind",
    type=click.Choice(list(KINDS)),
    default="story",
    show_default=True,
    help="What kind of film it is; its pace follows.",
)
@click.option("--aspect", type=click.Choice(get_args(Aspect)), default="16:9", show_default=True)
@click.option("--look", default="cut-paper", show_default=True, help="The film's look, by name.")
@click.option("--shots", type=click.IntRange(1, 20_000), help="Exactly so many shots.")
@click.option("--json", "format", flag_value="json", help="JSON on standard output.")
@click.option("--csv", "format", flag_value="csv", help="CSV, one row a shot.")
@click.option("--md", "format", flag_value="md", default=True, help="Markdown, to read.")
def plan(
    story: Path, kind: FilmKind, aspect: str, look: str, shots: int | None, format: str
) -> None:
    """Print the plan of a film of STORY: cast, places, shots, prompts, times and cost.

    Nothing is made and nothing is paid.
    """
    with told():
        script = _story(story)
        settings = Settings(
            aspect=aspect, look=look_named(look).name, kind=kind, pace=KINDS[kind].seconds
        )
        wish = Wish("exactly", count=shots) if shots else None
        click.echo(_planned(script, story.stem, settings, wish, format), nl=False)


def _planned(
    story: ReadStory, title: str, settings: Settings, wish: Wish | None, format: str
) -> str:
    from cutreel.making import estimate
    from cutreel.running.temporary import temporary

    document, edges, parses = _document(story, title, settings, wish)
    with temporary(workers=0) as running:
        shop = running.shop
        shop.parses.put(parses)
        film = shop.films.add(document, edges)
        assembled = shop.assembled(film)
        told = estimate(shop, film, "delivery", {}, assembled)
        return written_plan(plan_of(assembled, float(told.cost), told.seconds), format)


def _document(
    story: ReadStory, title: str, settings: Settings, wish: Wish | None
) -> tuple[FilmDocument, list[str], Parses]:
    """A film of a story, read whole; what states its shots gives them, unless something else is wished."""
    given = (
        []
        if wish
        else [GivenShot(offset=s.offset, own=Overrides.model_validate(s.own)) for s in story.opens]
    )
    texts = wanted_texts(clean_text(story.text))
    parses = dict(zip(texts, parse(texts), strict=True))
    document, edges = new_film(
        story.title or title, story.text, settings, wish, given, parses=parses
    )
    return document, edges, parses


def _story(path: Path) -> ReadStory:
    if not path.is_file():
        raise BadInput(f"There is no file {path}.", "Name a file with the story.")
    text = text_of(path.read_bytes())
    if not text.strip():
        raise BadInput(f"{path.name} is empty.", "Give a story of at least one sentence.")
    story = read_story(text, path.name)
    for sentence in story.bad:
        _say(sentence)
    return story


def _target(out: Path) -> Path:
    """The film's path; raises before anything is made when it could not be written."""
    folder = out.parent if str(out.parent) else Path()
    if out.is_dir() or not out.name:
        raise BadInput(f"{out} is a folder.", "Name a film file, such as film.mp4.")
    if not folder.is_dir():
        raise BadInput(f"There is no folder {folder}.", "Make it first, or name another.")
    probe = folder / f".{out.name}.{os.getpid()}.part"
    try:
        probe.touch()
        probe.unlink()
    except OSError as error:
        raise BadInput(
            f"{out} cannot be written: {error.strerror}.", "Name another place."
        ) from error
    if out.exists() and not os.access(out, os.W_OK):
        raise BadInput(f"{out} cannot be written: it is protected.", "Name another place.")
    return out


def _make(
    story: ReadStory,
    title: str,
    settings: Settings,
    wish: Wish | None,
    target: Path,
    size: str,
    captions: str,
    data: Path | None,
) -> dict[str, object]:
    from cutreel.making import start_run
    from cutreel.running.temporary import temporary

    document, edges, parses = _document(story, title, settings, wish)
    _say("starting")
    with temporary(data) as running:
        shop = running.shop
        voices = [v.name for o in shop.offers() for v in o.voices]
        if settings.narrator not in voices:
            raise BadInput(
                f"There is no voice “{settings.narrator}”.",
                "Choose one of: " + ", ".join(voices) + ".",
            )
        shop.parses.put(parses)
        film = shop.films.add(document, edges)
        run = start_run(shop, film, "delivery", {"size": size, "captions": captions})
        shown = ""
        while (view := shop.runs.view(run)).state == "going":
            left = f", about {view.left:.0f} s left" if view.left else ""
            line = f"{_STAGES.get(view.stage, 'making')}: {view.done} of {view.total}, {view.share:.0%}{left}"
            if line != shown:
                _say(line)
                shown = line
            dead = [n for n, p in running.processes.items() if p.poll() is not None]
            if dead:
                raise CutReelError(f"{dead[0]} stopped.", "See its message above.")
            time.sleep(0.25)
        if view.state != "done":
            raise CutReelError("The film could not be made.", view.message)
        report: dict[str, object] = json.loads(shop.media.get(view.outcome["report"]))
        _put(target, lambda part: shop.media.copy(view.outcome["film"], part))
        if captions != "off":
            _put(
                target.with_suffix(".srt"), lambda part: shop.media.copy(view.outcome["srt"], part)
            )
        told = json.dumps(report, indent=1)
        _put(target.with_suffix(".json"), lambda part: part.write_text(told))
        _say(f"wrote {target} ({report['frames']} frames, {report['seconds']} s)")
        return report


_STAGES = {0: "pictures, voices and sounds", 1: "music", 2: "mixing", 3: "rendering", 4: "joining"}


def _put(path: Path, write: Callable[[Path], object]) -> None:
    """Let a file be what is written beside it first."""
    part = path.with_name(f".{path.name}.{os.getpid()}.part")
    try:
        write(part)
        part.replace(path)
    finally:
        part.unlink(missing_ok=True)


def _say(line: str) -> None:
    width = shutil.get_terminal_size().columns
    if sys.stderr.isatty():
        sys.stderr.write(
            "\r" + line[: width - 1].ljust(width - 1) + ("\n" if line.startswith("wrote") else "")
        )
        sys.stderr.flush()
    else:
        click.echo(line, err=True)


if __name__ == "__main__":
    main()
