"""Media on their way to a browser: whole or a part, and never held whole."""

import re
from collections.abc import Iterator, Mapping
from pathlib import Path

from fastapi.responses import FileResponse, Response, StreamingResponse

from cutreel.core.errors import NotFound
from cutreel.store import MediaStore

_RANGE = re.compile(r"bytes=(\d+)-(\d*)")
PIECE = 1 << 20


def sent(
    media: MediaStore, name: str, kind: str, headers: Mapping[str, str], asked: str = ""
) -> Response:
    """The media file `name`, of media type `kind`, or the part that the Range header `asked` for (RFC 9110, 14; one
    range from its beginning). Raises NotFound."""
    if not media.has(name):
        raise NotFound("There is no such media file.")
    path = Path(media.path(name))
    if path.exists():
        return FileResponse(path, media_type=kind, headers=dict(headers))
    size = media.size(name)
    part = _RANGE.fullmatch(asked)
    start = int(part[1]) if part else 0
    end = min(size, int(part[2]) + 1) if part and part[2] else size
    if part and start >= end:
        return Response(status_code=416, headers={"Content-Range": f"bytes */{size}"})
    more = {"Accept-Ranges": "bytes", "Content-Length": str(end - start)}
    if part:
        more["Content-Range"] = f"bytes {start}-{end - 1}/{size}"
    pieces = _pieces(media, name, start, end)
    status = 206 if part else 200
    return StreamingResponse(pieces, status, {**headers, **more}, media_type=kind)


def _pieces(media: MediaStore, name: str, start: int, end: int) -> Iterator[bytes]:
    for at in range(start, end, PIECE):
        yield media.part(name, at, min(end, at + PIECE))
