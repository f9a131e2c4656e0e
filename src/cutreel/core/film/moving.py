"""What a shot's picture is made of as it moves: its parts from back to front, with what its figures do, its water, and
where its light trembles."""

import re
from collections.abc import Collection, Mapping, Sequence
from typing import Any

from cutreel.core.continuity import OwnRegion
from cutreel.core.motion import (
    Acting,
    CameraPath,
    Flame,
    Ground,
    OwnPath,
    Walked,
    Water,
    path_for,
    path_told,
)
from cutreel.core.timeline import Footage, FrameRate, Region, SecondAngle, Span, Strip, Timing
from cutreel.protocol import Mouth

from .acting import FigureTold, acts_in_time, acts_planned, figures_in, mouth_of, named
from .air import air_planned
from .cropping import aim_of
from .document import Settings
from .made import Result, TakeRow, is_fresh
from .reading import ReadFilm, ReadShot

INWARD = 0.22
"""How far inside the side of somebody's box they are reached for: there a hand is or a shoulder, not the air beside."""
CHEST, BACK = 0.42, 0.3
"""How far down somebody is reached for, in shares of their height: where hands meet, and an animal's back."""


def targets_in(take: TakeRow) -> dict[str, tuple[float, float]]:
    """What is known in a take by name, in small letters, with its middle; of somebody, where the face is."""
    out: dict[str, tuple[float, float]] = {}
    for region in take.about.get("regions", []):
        left, top, right, bottom = region["box"]
        out[str(region["name"]).lower()] = ((left + right) / 2, top + (bottom - top) * 0.3)
    for x, y, _ in take.about.get("flames", [])[:1]:
        for word in ("lantern", "lamp", "light", "fire", "candle"):
            out.setdefault(word, (min(1.0, max(0.0, x)), min(1.0, max(0.0, y))))
    return out


def reached_in(take: TakeRow, figures: Sequence[FigureTold]) -> dict[str, tuple[float, float]]:
    """Where each figure of a take is reached for, in the pixels of its pins: at half its height, at the side that is
    nearer to the others; of an animal, its back."""
    regions = {str(r["name"]).lower(): r["box"] for r in take.about.get("regions", [])}
    parts = take.about.get("strips", [])
    boxes = {f.name: regions[f.name.lower()] for f in figures if f.name.lower() in regions}
    middles = {name: (box[0] + box[2]) / 2 for name, box in boxes.items()}
    out = {}
    for figure in figures:
        size = parts[figure.strip].get("size")
        if figure.name not in boxes or size is None:
            continue
        left, top, right, bottom = boxes[figure.name]
        others = [m for name, m in middles.items() if name != figure.name]
        towards = sum(others) / len(others) if others else 0.5
        x = (
            right - INWARD * (right - left)
            if towards > middles[figure.name]
            else left + INWARD * (right - left)
        )
        y = top + (BACK if figure.animal else CHEST) * (bottom - top)
        out[figure.name] = (round(x * size[0], 1), round(y * size[1], 1))
    return out


def path_of(shot: ReadShot, take: TakeRow) -> OwnPath | None:
    """The path that the maker drew, or said in the motion prompt with something of the picture in it; None: the shot's
    move."""
    own = shot.shot.own
    if own.path is not None:
        return own.path
    if own.move is not None or not own.motion:
        return None
    targets, words = targets_in(take), own.motion.lower()
    if "then" not in words and not any(re.search(rf"\b{re.escape(t)}\b", words) for t in targets):
        return None  # one plain move, as all films have them
    return path_told(words, targets)


def camera_of(shot: ReadShot, take: TakeRow, seconds: float) -> CameraPath | Walked:
    """The camera's path over a shot of so many `seconds`."""
    own = path_of(shot, take)
    still = footage_of(shot, take) is not None and shot.shot.own.move is None
    if own is not None:
        return Walked(own, seconds)
    return path_for("still" if still else shot.move, seconds, aim_of(shot, take))


def footage_of(
    shot: ReadShot, take: TakeRow, takes: Sequence[TakeRow] = (), rejected: Collection[str] = ()
) -> Footage | None:
    """The clip that a take is, with how it fills its shot. Of the shot's other `takes` the newest fresh clip is its
    second angle; without one that is the same clip, seen nearer, where the maker wants a second angle."""
    if "clip" not in take.about:
        return None
    own = shot.shot.own
    then = None
    if own.fit in (None, "second angle"):
        others = [
            t
            for t in takes
            if t.id != take.id and t.id not in rejected and "clip" in t.about and is_fresh(shot, t)
        ]
        if others:
            then = SecondAngle(**_told(others[-1]))
        elif own.fit == "second angle":
            then = SecondAngle(**_told(take), around=aim_of(shot, take))
    smooth = own.fit != "steps"
    sound = take.about["clip"].get("sound")
    slid = own.slide or 0.0
    return Footage(**_told(take), how=own.fit, slid=slid, then=then, smooth=smooth, sound=sound)


def _told(take: TakeRow) -> dict[str, Any]:
    return {name: take.about["clip"][name] for name in ("media", "frames", "rate")}


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
    actors = _acting(read, shot, take, span, rate, timing, spoken)
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
                size=part.get("size") if i in actors else None,
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


def fits_take(region: OwnRegion, take: TakeRow) -> bool:
    """Whether a region was marked on a take, or on the one that it is enlarged from; what was marked on no take in
    particular is on all."""
    return region.take in (None, take.number, take.about.get("enlarged", {}).get("from"))


def ground_of(shot: ReadShot, settings: Settings) -> Ground | None:
    """Where a flat picture has ground, as the maker said."""
    horizon = shot.shot.own.horizon
    if horizon is None or settings.movement != "all":
        return None
    return Ground(horizon=horizon)


def regions_of(
    read: ReadFilm,
    shot: ReadShot,
    take: TakeRow,
    span: Span,
    rate: FrameRate,
    timing: Timing,
    spoken: Mapping[int, Result],
) -> tuple[Region, ...]:
    """What the maker marked in a shot's picture, that moves by itself. What speaks does so with the voice of whom it
    is; of whom nobody said, with that of the first on screen who has a line."""
    if read.document.settings.movement != "all":
        return ()
    begin, seconds = rate.seconds(span.start), rate.seconds(span.end - span.start)
    out = []
    for own in shot.shot.own.regions or ():
        if not fits_take(own, take):
            continue
        mouth: list[tuple[float, Mouth]] = []
        if own.move.way == "speak":
            whose = [p for p in read.document.cast if p.id == own.who] or shot.people
            said = (mouth_of(read, shot, p, timing, begin, seconds, spoken) for p in whose)
            mouth = next((m for m in said if m), [])
        out.append(Region(mask=own.mask, move=own.move, mouth=mouth, seed=shot.seed * 7 + own.id))
    return tuple(out)


def _acting(
    read: ReadFilm,
    shot: ReadShot,
    take: TakeRow,
    span: Span,
    rate: FrameRate,
    timing: Timing,
    spoken: Mapping[int, Result],
) -> dict[int, Acting]:
    """What each figure does, by the index of its strip."""
    figures = figures_in(take)
    begin, seconds = rate.seconds(span.start), rate.seconds(span.end - span.start)
    planned = acts_planned(read, shot, figures)
    who = named(shot.people, figures)
    wide = shot.facts.framing in ("wide", "extreme wide")
    places = reached_in(take, figures)
    return {
        figure.strip: Acting(
            acts=acts_in_time(
                [p for p in planned if p.figure == figure.name],
                timing,
                begin,
                seconds,
                wide,
                places,
            ),
            mouth=mouth_of(read, shot, who.get(figure.name), timing, begin, seconds, spoken),
            seed=shot.seed * 7 + figure.strip,
        )
        for figure in figures
    }
