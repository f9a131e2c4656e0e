"""What one picture is asked for with, and the key under which it is kept."""

from typing import Any

from cutreel.core.film import FilmDocument, ReadShot
from cutreel.core.film.reading import PICTURE_VERSION, picture_size
from cutreel.core.keys import key


def picture_spec(document: FilmDocument, shot: ReadShot, nth: int = 0) -> dict[str, Any]:
    """The spec of the `nth` take of a shot's picture: each has the next seed."""
    width, height = picture_size(document.settings)
    spec: dict[str, Any] = {
        "made_from": shot.picture_key,
        "prompt": shot.prompt.text,
        "negative": shot.sent_negative,
        "seed": shot.seed + nth,
        "width": width,
        "height": height,
        "offer": document.settings.offer,
    }
    if shot.references:
        spec["references"] = [[r.media, r.strength, r.name] for r in shot.references]
    if shot.lighter:
        spec["lighter"] = list(shot.lighter)
    return spec


def take_key(spec: dict[str, Any]) -> str:
    """The key of the picture that a spec asks for: whoever asks for the same is given the same, and
    nobody pays twice."""
    more = {
        name: spec[name]
        for name in ("references", "lighter", "vary", "guide", "poses")
        if spec.get(name)
    }
    return key(
        "take",
        PICTURE_VERSION,
        prompt=spec["prompt"],
        negative=spec["negative"],
        seed=spec["seed"],
        size=[spec["width"], spec["height"]],
        offer=spec["offer"],
        **more,
    )
