"""The preview as HLS."""

from fastapi import APIRouter
from fastapi.responses import Response

from cutreel.core.errors import NotFound
from cutreel.making import PreviewSound

from .door import Films, Preview

router = APIRouter(prefix="/api/films/{film}/preview")
PLAYLIST = "application/vnd.apple.mpegurl"
"""The media type of HLS playlists (RFC 8216)."""


@router.get("/{version}/film.m3u8")
def master(film: str, version: str) -> Response:
    """Picture and sound as two renditions, so that one can change without the other."""
    text = (
        '#EXTM3U\n#EXT-X-VERSION:7\n#EXT-X-MEDIA:TYPE=AUDIO,GROUP-ID="sound",NAME="mix",DEFAULT=YES,AUTOSELECT=YES,URI="audio.m3u8"\n'
        '#EXT-X-STREAM-INF:BANDWIDTH=900000,CODECS="avc1.64001e,mp4a.40.2",AUDIO="sound"\nvideo.m3u8\n'
    )
    return Response(text, media_type=PLAYLIST)


@router.get("/{version}/sound")
def sound(film: str, version: str, films: Films, preview: Preview) -> PreviewSound:
    """Whether the sound is mixed; if not, a worker begins, and about how long that takes."""
    return preview.sound(films.now(film).film)


@router.get("/{version}/moments")
def moments(film: str, version: str, films: Films) -> list[int]:
    """The frame at which each word is said, spoken or estimated; and one more: where the last of them ends."""
    assembled = films.now(film).film
    times = assembled.timing.words
    if not len(times):
        return []
    return [assembled.rate.frames(float(t)) for t in (*times[:, 0], times[-1, 1])]


@router.get("/{version}/{kind}.m3u8")
def playlist(film: str, version: str, kind: str, films: Films, preview: Preview) -> Response:
    found = preview.playlists(films.now(film).film)
    if kind not in ("video", "audio"):
        raise NotFound("There is no such playlist.")
    return Response(
        found.video if kind == "video" else found.audio,
        media_type=PLAYLIST,
        headers={"Cache-Control": "no-store"},
    )


@router.get("/{version}/segments/{name}/{part}")
def segment(film: str, version: str, name: str, part: str, preview: Preview) -> Response:
    """A segment at its place in the film, or what a player needs before the first."""
    stem = part.rsplit(".", 1)[0]
    if part != "init.mp4" and not (part.endswith(".m4s") and stem.isdigit()):
        raise NotFound("There is no such part.")
    return Response(
        preview.part(film, name, part),
        media_type="video/mp4",
        headers={"Cache-Control": "public, max-age=86400"},
    )
