"""What a shot's picture is made of as it moves: its parts from back to front, with what its figures do, its water, and
where its light trembles."""

from collections.abc import Mapping, Sequence

from cutreel.core.motion import Acting, Flame, Water
from cutreel.core.timeline import FrameRate, Span, Strip, Timing

from .acting import FigureTold, acts_in_time, acts_planned, figures_in, mouth_of, named
from .air import air_planned
from .made import Result, TakeRow
from .reading import ReadFilm, ReadShot


def flames_of(read: ReadFilm, take: TakeRow) -> tuple[Flame, ...]:
    """Where light trembles in a take."""
    if read.document.settings.movement != "all":
        return ()
    return tuple(Flame(x=x, y=y, reach=r) for x, y, r in take.about.get("flames", []))


def strips_of(
    read: ReadFilm,
    shot: ReadShot,
    take: TakeRow,
    span: Span,
    rate: FrameRate,
    timing: Timing,
    spoken: Mapping[int, Result],
) -> tuple[Strip, ...]:
    """What a take's picture is made of, from back to front; nothing where it is not known, or where only the camera is
    to move. Weather that was drawn is left out where it falls in the film."""
    parts = take.about.get("strips", [])
    if not parts or read.document.settings.movement != "all":
        return ()
    falls = any(
        a.kind in ("rain", "snow", "mist", "leaves")
        for a in air_planned(shot, read.document.settings)
    )
    actors = _acting(read, shot, figures_in(take), span, rate, timing, spoken)
    by_layer: dict[int, list[Strip]] = {}
    for i, part in enumerate(parts):
        moves = part.get("moves", {})
        in_layer = by_layer.setdefault(part["layer"], [])
        if moves.get("kind") == "weather" and falls:
            continue
        in_layer.append(
            Strip(
                media=part["media"],
                depth=take.layers[part["layer"]][1],
                figure=part["figure"] if i in actors else None,
                acting=actors.get(i),
                water=Water(top=moves["top"], bottom=moves["bottom"])
                if moves.get("kind") == "water"
                else None,
            )
        )
    return tuple(
        strip
        for n, (media, depth) in enumerate(take.layers)
        for strip in by_layer.get(n, [Strip(media=media, depth=depth)])
    )


def _acting(
    read: ReadFilm,
    shot: ReadShot,
    figures: Sequence[FigureTold],
    span: Span,
    rate: FrameRate,
    timing: Timing,
    spoken: Mapping[int, Result],
) -> dict[int, Acting]:
    """What each figure does, by the index of its strip."""
    begin, seconds = rate.seconds(span.start), rate.seconds(span.end - span.start)
    planned = acts_planned(read, shot, figures)
    who = named(shot.people, figures)
    wide = shot.facts.framing in ("wide", "extreme wide")
    return {
        figure.strip: Acting(
            acts=acts_in_time(
                [p for p in planned if p.figure == figure.name], timing, begin, seconds, wide
            ),
            mouth=mouth_of(read, shot, who.get(figure.name), timing, begin, seconds, spoken),
            seed=shot.seed * 7 + figure.strip,
        )
        for figure in figures
    }
