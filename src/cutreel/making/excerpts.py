"""Pictures of the film as it is seen, for places that take no film: a stretch that moves, a still per shot."""

import io
import tempfile
import zipfile
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any, Literal, NamedTuple

from PIL import Image

from cutreel.core.film import shot_name
from cutreel.store import Assembled

from .moving import seen_at, stills_of
from .taken import keep_file, taken_file
from .workshop import Workshop

MovingForm = Literal["gif", "webp"]
LONGEST = 30.0
"""Seconds of a stretch: longer ones are films, and far smaller as such."""
RATES: dict[MovingForm, float] = {"gif": 12.5, "webp": 25.0}
"""Pictures a second. A GIF counts in hundredths of a second: eight of them each."""
QUALITY = 80


def frames_shown(first: int, end: int, fps: float, rate: float) -> list[int]:
    """The film's frames (at `fps`) that a picture of `rate` shows of those from `first` to before `end`."""
    count = max(1, round((end - first) / fps * rate))
    return [min(end - 1, first + int(n * fps / rate)) for n in range(count)]


class Stretch(NamedTuple):
    """Frames of a film from `first` to before `end`, and how they are shown: `high` pixels at the shorter side, with
    the film's `captions` burned in or without."""

    first: int
    end: int
    form: MovingForm
    high: int
    captions: bool


def write_moving(
    shop: Workshop,
    film: Assembled,
    told: Stretch,
    progress: Callable[[float], None],
    dropped: Callable[[], bool],
) -> dict[str, Any] | None:
    """Keep a stretch of the film as a picture that moves, over and over. Returns what the outcome tells, or None when
    nobody wants it any more."""
    form, rate = told.form, RATES[told.form]
    frames = frames_shown(told.first, told.end, float(film.rate.fraction), rate)

    def pictures() -> Iterator[Image.Image]:
        for done, seen in enumerate(seen_at(shop, film, frames, told.high, told.captions, dropped)):
            yield _in_colours(seen) if form == "gif" else seen
            progress((done + 1) / len(frames))

    each = pictures()
    start = next(each, None)
    if start is None:
        return None
    out = io.BytesIO()
    how: dict[str, Any] = (
        {"quality": QUALITY, "method": 2} if form == "webp" else {"optimize": False}
    )
    start.save(
        out,
        form.upper(),
        save_all=True,
        append_images=each,
        duration=round(1000 / rate),
        loop=0,
        **how,
    )
    if dropped():
        return None
    data = out.getvalue()
    what = f"{start.width} × {start.height}, {len(frames) / rate:.1f} s, {rate:g} pictures a second"
    name = f"stretch.{form}"
    return {"files": [taken_file(name, shop.media.put(data, form), len(data), what)]}


def _in_colours(seen: Image.Image) -> Image.Image:
    """A picture in 256 colours of its own, mixed where there are more."""
    return seen.quantize(256, method=Image.Quantize.MEDIANCUT, dither=Image.Dither.FLOYDSTEINBERG)


def write_stills(
    shop: Workshop,
    film: Assembled,
    high: int,
    progress: Callable[[float], None],
    dropped: Callable[[], bool],
) -> dict[str, Any] | None:
    """Keep each shot as it is seen as a picture, named by its place and edge, in one zip. Returns what the outcome
    tells, or None when nobody wants them any more."""
    with tempfile.TemporaryDirectory(prefix="cutreel-stills-") as folder:
        path = Path(folder) / "stills.zip"
        with zipfile.ZipFile(path, "w", zipfile.ZIP_STORED) as out:
            for at, seen in enumerate(stills_of(shop, film, high, dropped)):
                picture = io.BytesIO()
                seen.save(picture, "PNG", compress_level=3)
                out.writestr(f"{shot_name(film, at)}.png", picture.getvalue())
                progress((at + 1) / len(film.spans))
        if dropped():
            return None
        return {"files": [keep_file(shop.media, path, f"{len(film.spans)} shots as they are seen")]}
