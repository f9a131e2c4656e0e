"""What came from a maker that is plugged in, made into what we keep: opened apart, since it is as much a stranger's
file as one that is uploaded."""

import hashlib
import io

from PIL import Image

from cutreel.core.errors import CutReelError
from cutreel.protocol import Result
from cutreel.services import Delivered, ServiceRefused

from .apart import CLIP, OWN, PICTURE, reader
from .own_sounds import opened_sound
from .pictures.clips import opened_clip
from .pictures.opening import opened


def received(done: Delivered, kind: str, who: str) -> Delivered:
    """The first file of a delivery as PNG, as FLAC, or as a clip that opens; the rest as it is. Raises
    ServiceRefused for what cannot be opened."""
    if not done.files:
        raise ServiceRefused(f"“{who}” returned nothing.", "Try again.")
    told, data = done.files[0]
    try:
        if kind in ("picture", "enlarge"):
            return _with(done, _told(told, reader.read(as_png, data, what=PICTURE), "image/png"))
        if kind in ("speech", "sound", "music"):
            flac = reader.read(as_flac, data, what=OWN)
            return _with(done, _told(told, flac, "audio/flac"))
        if kind == "clip":
            reader.read(clip_opens, data, what=CLIP)
    except CutReelError as error:
        raise ServiceRefused(
            f"“{who}” returned something that cannot be used: {error.message}",
            "See its last jobs under Services.",
        ) from error
    return done


def as_png(data: bytes) -> bytes:
    """A picture as PNG. What is PNG without transparency is left as it is, byte for byte."""
    picture = opened(data)
    with Image.open(io.BytesIO(data)) as source:
        if source.format == "PNG" and source.mode == "RGB":
            return data
    out = io.BytesIO()
    picture.save(out, "PNG")
    return out.getvalue()


def as_flac(data: bytes) -> bytes:
    """A sound as FLAC. What is FLAC is left as it is, when it can be decoded."""
    opened_as = opened_sound(data)
    return data if data.startswith(b"fLaC") else opened_as.flac


def clip_opens(data: bytes) -> None:
    """Raises BadInput for a clip that cannot be opened."""
    opened_clip(data)


def _told(told: Result, data: bytes, media_type: str) -> tuple[Result, bytes]:
    about = {
        "media_type": media_type,
        "sha256": hashlib.sha256(data).hexdigest(),
        "size": len(data),
    }
    return told.model_copy(update=about), data


def _with(done: Delivered, first: tuple[Result, bytes]) -> Delivered:
    return Delivered([first, *done.files[1:]], done.cost, done.unused_words, done.offer)
