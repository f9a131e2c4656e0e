"""A timeline that comes back from another program: which shots it has, in which order, and how long they are there."""

import re
from typing import NamedTuple

import opentimelineio as otio

from cutreel.core.errors import BadInput

MOST_CLIPS = 20_000


class BackShot(NamedTuple):
    """A shot as it came back: its edge number, and its seconds."""

    edge: str
    seconds: float


def shots_back(text: str, rate: float) -> list[BackShot]:
    """The shots of a timeline (.otio) or an edit list (.edl, at `rate` frames a second), in its order. Raises BadInput
    where it is neither, or knows no shot of ours."""
    timeline = _read(text, rate)
    tracks = [t for t in timeline.tracks if t.kind == otio.schema.TrackKind.Video]
    out: list[BackShot] = []
    try:
        for track in tracks[:1]:
            out = _shots_of(track)
    except (ValueError, otio.exceptions.OTIOError) as error:
        raise BadInput("That timeline has times that cannot be.", str(error)) from error
    if not out:
        raise BadInput(
            "No shot of this film is in that timeline.",
            "Hand the film over, change it there, and bring that timeline back.",
        )
    return out


def _shots_of(track: otio.schema.Track) -> list[BackShot]:
    """The shots of a track. A cut is in the middle of its join, wherever the other program says that the join is: in an
    edit list a dissolve begins at the cut."""
    out: list[BackShot] = []
    late = 0.0
    for child in list(track)[:MOST_CLIPS]:
        if isinstance(child, otio.schema.Transition):
            late = (child.out_offset.to_seconds() - child.in_offset.to_seconds()) / 2
            if out:
                out[-1] = out[-1]._replace(seconds=out[-1].seconds + late)
            continue
        edge = _edge_of(child) if isinstance(child, otio.schema.Clip) else None
        if edge is not None:
            seconds = child.trimmed_range().duration.to_seconds() - late
            out.append(BackShot(edge, seconds))
        late = 0.0
    return out


def _read(text: str, rate: float) -> otio.schema.Timeline:
    adapter = "otio_json" if text.lstrip().startswith("{") else "cmx_3600"
    more = {} if adapter == "otio_json" else {"rate": rate, "ignore_timecode_mismatch": True}
    try:
        found = otio.adapters.read_from_string(text, adapter, **more)
    except Exception as error:  # whatever an adapter raises for a file of somebody else's
        raise BadInput(
            "That is no timeline that is understood.",
            "OpenTimelineIO (.otio) and CMX 3600 edit lists (.edl) are.",
        ) from error
    if isinstance(found, otio.schema.SerializableCollection):
        found = next((t for t in found if isinstance(t, otio.schema.Timeline)), None)
    if not isinstance(found, otio.schema.Timeline):
        raise BadInput("There is no timeline in that file.")
    return found


def _edge_of(clip: otio.schema.Clip) -> str | None:
    told = clip.metadata.get("cut_reel", {}).get("edge") if clip.metadata else None
    if isinstance(told, str):
        return told
    named = re.fullmatch(r"shot (\w{1,8})", clip.name or "")
    return named[1] if named else None
