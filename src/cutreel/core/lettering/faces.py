"""Faces at a size: those that ship with Cut Reel, those that were brought, and for scripts that one has no letters for
those of Debian."""

import io
from collections import OrderedDict
from functools import lru_cache
from importlib.resources import files
from pathlib import Path
from threading import Lock

from fontTools.ttLib import TTFont, TTLibError
from fontTools.unicodedata import script, script_horizontal_direction, script_name
from PIL import ImageFont

from .names import Face, is_own

_FILES = {
    "plain": "InstrumentSans-Bold.ttf",
    "book": "Literata-Regular.ttf",
    "hand": "Caveat-Bold.ttf",
    "typed": "CourierPrime-Regular.ttf",
    "tall": "Oswald-SemiBold.ttf",
    "old": "IMFellEnglish-Regular.ttf",
}
_DEBIAN = Path("/usr/share/fonts/truetype")
_EAST = _DEBIAN / "droid" / "DroidSansFallbackFull.ttf"
"""Chinese and Japanese letters."""
_KOREAN = _DEBIAN / "nanum" / "NanumGothicBold.ttf"
_EASTERN = frozenset(("Hani", "Hira", "Kana", "Bopo"))
_NO_SCRIPT = frozenset(("Zyyy", "Zinh", "Zzzz"))
MOST_HELD = 12
"""Faces that were brought and are held at once."""


class _Brought:
    """The files of faces that were brought, as far as this process needed them."""

    def __init__(self) -> None:
        self._files: OrderedDict[str, bytes] = OrderedDict()
        self._lock = Lock()

    def put(self, name: str, data: bytes) -> None:
        with self._lock:
            self._files[name] = data
            self._files.move_to_end(name)
            while len(self._files) > MOST_HELD:
                self._files.popitem(last=False)

    def get(self, name: str) -> bytes | None:
        with self._lock:
            return self._files.get(name)


_brought = _Brought()


def bring_face(name: Face, data: bytes) -> None:
    """Let a face that was brought be set from here on, in this process."""
    _brought.put(name, data)


def face_file(name: Face) -> str:
    """Where a face that ships lies."""
    return str(files("cutreel.core.lettering") / "fonts" / _FILES[name])


def face(name: Face, size: int) -> ImageFont.FreeTypeFont:
    """A face, so many pixels high; the plain one where one was brought that is not here."""
    if is_own(name):
        data = _brought.get(name)
        return _of_file(face_file("plain"), size) if data is None else _of_data(name, data, size)
    return _of_file(face_file(name), size)


def face_for(name: Face, size: int, text: str) -> ImageFont.FreeTypeFont:
    """The face that a text is set in: as is wanted, or, where that has no letters for it, one that has. Where there is
    none, as is wanted."""
    if not lacking(name, text):
        return face(name, size)
    for other in ("book", "plain"):
        if not lacking(other, text):
            return face(other, size)
    for path in _for_scripts(text):
        return _of_file(str(path), size)
    return face(name, size)


def lacking(name: Face, text: str) -> str:
    """The letters of a text that a face has not, each once."""
    there = _letters_of(name)
    return "".join(dict.fromkeys(c for c in text if not c.isspace() and ord(c) not in there))


def runs_leftwards(text: str) -> bool:
    """Whether a line is written from the right, by its first letter that has a direction."""
    for c in text:
        code = script(c)
        if code not in _NO_SCRIPT:
            return bool(script_horizontal_direction(code, "LTR") == "RTL")
    return False


@lru_cache(maxsize=256)
def _of_file(path: str, size: int) -> ImageFont.FreeTypeFont:
    return ImageFont.truetype(path, size)


@lru_cache(maxsize=64)
def _of_data(name: str, data: bytes, size: int) -> ImageFont.FreeTypeFont:
    return ImageFont.truetype(io.BytesIO(data), size)


def _letters_of(name: Face) -> frozenset[int]:
    if is_own(name):
        data = _brought.get(name)
        return _letters_in("plain", None) if data is None else _letters_in(name, data)
    return _letters_in(name, None)


@lru_cache(maxsize=32)
def _letters_in(name: str, data: bytes | None) -> frozenset[int]:
    where = face_file(name) if data is None else io.BytesIO(data)
    try:
        with TTFont(where, lazy=True) as font:
            return frozenset(font.getBestCmap() or ())
    except TTLibError:
        return frozenset()


def _for_scripts(text: str) -> list[Path]:
    """Faces of Debian for the first script in a text that has one."""
    for c in text:
        code = script(c)
        if code in _NO_SCRIPT:
            continue
        if code in _EASTERN:
            # Korean has Chinese letters too, and then its own beside them.
            korean = any(script(other) == "Hang" for other in text)
            return [p for p in (_KOREAN if korean else _EAST,) if p.exists()]
        if code == "Hang":
            return [p for p in (_KOREAN,) if p.exists()]
        name = script_name(code, default="").replace("_", "")
        found = [_DEBIAN / "noto" / f"NotoSans{n}-Bold.ttf" for n in (name, "")]
        found = [p for p in found if p.exists()]
        if found and code != "Latn":
            return found
    return []


def width_of(text: str, name: Face, size: float) -> float:
    """How wide a line is at a size."""
    return float(face(name, 100).getlength(text)) * size / 100


def wrapped(text: str, name: Face, size: float, room: float) -> list[str]:
    """A text in lines that find room; a word that is wider has a line of its own."""
    out: list[str] = []
    for paragraph in text.splitlines() or [""]:
        line = ""
        for word in paragraph.split():
            longer = f"{line} {word}".strip()
            if line and width_of(longer, name, size) > room:
                out.append(line)
                longer = word
            line = longer
        out.append(line)
    return out
