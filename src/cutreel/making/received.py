"""What came from a maker, made into what we keep: opened apart, since it is as much a stranger's file as one that is
uploaded."""

import hashlib
import io
from collections.abc import Sequence

import numpy as np
import soundfile
from PIL import Image

from cutreel.core.errors import BadInput, CutReelError
from cutreel.core.sound import BLOCK
from cutreel.protocol import Result
from cutreel.services import Delivered, ServiceRefused

from .apart import CLIP, OWN, PICTURE, reader
from .own_sounds import FAINTEST, opened_sound
from .pictures.clips import clip_opens
from .pictures.opening import opened


def received(done: Delivered, kind: str, who: str) -> Delivered:
    """The first file of a delivery as PNG, as FLAC, or as a clip that opens; the rest as it is. Raises
    ServiceRefused for what cannot be opened."""
    if not done.files:
        raise ServiceRefused(f"“{who}” returned nothing.", "Try again.")
    told, data = done.files[0]
    try:
        if kind in ("picture", "enlarge"):
            layers = [d for r, d in done.files[1:] if r.media_type == "image/png"]
            png = reader.read(as_png_with, data, layers, what=PICTURE)
            return _with(done, _told(told, png, "image/png"))
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


def as_png_with(data: bytes, layers: Sequence[bytes]) -> bytes:
    """A picture as `as_png`, when its layers, which are PNG, can be decoded too."""
    for layer in layers:
        opened(layer, clear=True)
    return as_png(data)


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
    if not data.startswith(b"fLaC"):
        return opened_sound(data).flac
    with soundfile.SoundFile(io.BytesIO(data)) as sound:
        loudest = max(
            (float(np.abs(b).max()) for b in sound.blocks(BLOCK, dtype="float32")), default=0.0
        )
    if loudest < FAINTEST:
        raise BadInput("Nothing is heard in that file.", "Ask again, or ask for something else.")
    return data


def _told(told: Result, data: bytes, media_type: str) -> tuple[Result, bytes]:
    about = {
        "media_type": media_type,
        "sha256": hashlib.sha256(data).hexdigest(),
        "size": len(data),
    }
    return told.model_copy(update=about), data


def _with(done: Delivered, first: tuple[Result, bytes]) -> Delivered:
    return Delivered([first, *done.files[1:]], done.cost, done.unused_words, done.offer)
