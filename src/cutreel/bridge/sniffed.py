"""What a file is, by how it begins: a name or a header is a claim, bytes are not."""

import re

from cutreel.services import MOST_BYTES, ServiceRefused

_FAMILY = {
    "picture": "image/",
    "enlarge": "image/",
    "clip": "video/",
    "speech": "audio/",
    "sound": "audio/",
    "music": "audio/",
}


_BEGINS = (
    (re.compile(rb"\x89PNG\r\n\x1a\n"), "image/png"),
    (re.compile(rb"\xff\xd8\xff"), "image/jpeg"),
    (re.compile(rb"RIFF....WEBP", re.DOTALL), "image/webp"),
    (re.compile(rb"RIFF....WAVE", re.DOTALL), "audio/wav"),
    (re.compile(rb"....ftypavif", re.DOTALL), "image/avif"),
    (re.compile(rb"....ftypM4A ", re.DOTALL), "audio/mp4"),
    (re.compile(rb"....ftyp", re.DOTALL), "video/mp4"),
    (re.compile(rb"\x1aE\xdf\xa3"), "video/webm"),
    (re.compile(rb"GIF8[79]a"), "image/gif"),
    (re.compile(rb"fLaC"), "audio/flac"),
    (re.compile(rb"OggS"), "audio/ogg"),
    (re.compile(rb"ID3|\xff[\xe2\xe3\xf2\xf3\xfa\xfb]"), "audio/mpeg"),
)
"""Signatures of the formats' specifications: PNG 5.2, JFIF, RIFF, ISO/IEC 14496-12 4.3, Matroska (EBML), GIF89a,
RFC 9639, RFC 3533, ID3v2 and the frame header of MPEG layer III."""


def media_type(data: bytes) -> str:
    """The media type of a file; empty where it is none that is known here."""
    return next((kind for begins, kind in _BEGINS if begins.match(data)), "")


def checked(kind: str, data: bytes, who: str) -> str:
    """The media type of what came back for a job of a kind. Raises ServiceRefused for what was not asked for."""
    if len(data) > MOST_BYTES:
        raise ServiceRefused(
            f"“{who}” returned more than {MOST_BYTES // 1_000_000} megabytes.",
            "Ask for something smaller.",
        )
    found = media_type(data)
    family = _FAMILY[kind]
    if not found.startswith(family) and not (kind == "clip" and found == "image/gif"):
        raise ServiceRefused(
            f"“{who}” returned {_said(data, found)} where {_WANTED[kind]} was asked for.",
            "See what it was sent and what it answered, under Services.",
        )
    return found


_WANTED = {
    "picture": "a picture",
    "enlarge": "a picture",
    "clip": "a film",
    "speech": "a sound",
    "sound": "a sound",
    "music": "a sound",
}


def _said(data: bytes, found: str) -> str:
    if found:
        return found
    if not data:
        return "nothing"
    return "text" if data[:200].isascii() else "a file of no known kind"
