"""Files from outside are opened in a process of their own: what breaks, hangs or blows up there
harms nothing here."""

import atexit
import resource
import threading
from collections.abc import Callable
from concurrent.futures import CancelledError, Future
from multiprocessing import get_context
from pathlib import Path
from typing import Any, TypeVar

from pebble import ProcessExpired, ProcessPool

from cutreel.core.errors import BadInput, CutReelError

T = TypeVar("T")
SECONDS = 60
BEGINS = 300
"""Seconds that a process may take to begin, with all that it loads, on a machine that is busy with something else."""
PICTURE, SCRIPT, CLIP, LEXICON, SOUND = "picture", "script", "clip", "lexicon", "recording"
OWN = "sound"
NARRATION = "recording of the story"
SSML = "script in SSML"
TABLE = "table of a translation"
FACE = "face"
_ADVICE = {
    PICTURE: "Bring PNG, JPEG, WebP, AVIF, SVG or OpenRaster.",
    CLIP: "Bring MP4, WebM, MOV or an animated GIF of at most a minute.",
    OWN: "Bring WAV, FLAC, MP3, M4A, Ogg or MIDI of at most fifteen minutes.",
    SOUND: "Bring WAV, FLAC, MP3, M4A or Ogg of at most three minutes.",
    NARRATION: "Bring WAV, FLAC, MP3, M4A or Ogg of at most three hours.",
    SSML: "Bring an SSML file (XML, by W3C).",
    TABLE: "Bring the table that was taken out here, filled in: CSV, TSV or XLIFF 2.0.",
    FACE: "Bring a TTF or OTF file.",
    LEXICON: "Bring a PLS file (XML, by W3C).",
    SCRIPT: "Bring plain text, Markdown, Fountain, subtitles (SubRip, WebVTT, SubStation Alpha, TTML), CSV or TSV.",
}
GIGABYTES = {
    PICTURE: 2.0,
    CLIP: 2.5,
    OWN: 2.0,
    SOUND: 2.0,
    NARRATION: 5.5,
    SSML: 1.0,
    LEXICON: 1.0,
    TABLE: 1.0,
    FACE: 1.0,
    SCRIPT: 4.0,
}
"""How much memory a file may take to be opened, beyond what the process takes anyway."""

AT_ONCE = 2
"""Files that are opened beside each other, so that a long one keeps nobody else waiting."""


class Reader:
    """One process that opens files, begun when the first comes and again whenever it died or was
    too slow."""

    def __init__(self, begin: Callable[[], None], seconds: int = SECONDS) -> None:
        self.seconds = seconds
        self._begin = begin
        """What the process loads before its first file, so that nobody waits for it."""
        self._lock = threading.Lock()
        self._pool: Any = None
        self._open: set[Future[Any]] = set()
        """What is being read: a pool that is stopped answers none of it by itself."""

    def read(
        self,
        work: Callable[..., T],
        data: bytes,
        *more: Any,
        what: str = PICTURE,
        seconds: int | None = None,
    ) -> T:
        """What `work` makes of a file, which is to be `what`, in so many `seconds` (None: as usual). Raises BadInput
        in words the maker can act on, whatever went wrong."""
        seconds = seconds or self.seconds
        with self._lock:
            if self._pool is None:
                self._pool = ProcessPool(
                    max_workers=1,
                    context=get_context("spawn"),
                    initializer=_begun,
                    initargs=(self._begin,),
                )
                atexit.register(self.close)
            most = round(GIGABYTES[what] * 2**30)
            future = self._pool.schedule(_within, args=(most, work, data, *more), timeout=seconds)
            self._open.add(future)
        try:
            found: T = future.result()
        except BadInput:
            raise
        except CancelledError:
            raise CutReelError("Cut Reel is stopping.", "Start it again, then try again.") from None
        except TimeoutError as error:
            raise BadInput(
                f"That file could not be read within {seconds} seconds.", _ADVICE[what]
            ) from error
        except MemoryError as error:
            raise BadInput(
                f"That file takes more than {GIGABYTES[what]:g} gigabytes to be opened.",
                "It is too large, or made to be. " + _ADVICE[what],
            ) from error
        except ProcessExpired as error:
            raise BadInput(
                f"That file could not be opened as a {what}: what opens it gave up.",
                "It is too large, or damaged. " + _ADVICE[what],
            ) from error
        except Exception as error:
            raise BadInput(
                f"That file is not a {what}, or it is damaged.", _ADVICE[what]
            ) from error
        finally:
            self._open.discard(future)
        return found

    @property
    def busy(self) -> int:
        """How many files it has in hand."""
        return len(self._open)

    def warm(self) -> None:
        """Begin the process before somebody waits for it."""
        self.read(_nothing, b"", seconds=BEGINS)

    def close(self) -> None:
        """End the process."""
        with self._lock:
            if self._pool is not None:
                self._pool.stop()
                for future in tuple(self._open):
                    future.cancel()
                self._pool.join()
                self._pool = None


class Readers:
    """Several readers as one: a file goes to who has least to do, and another process is begun only when all that there
    are have something to do."""

    def __init__(self, begin: Callable[[], None], at_once: int) -> None:
        self._readers = [Reader(begin) for _ in range(at_once)]

    def read(self, work: Callable[..., T], data: bytes, *more: Any, what: str = PICTURE) -> T:
        """See Reader."""
        return self._free().read(work, data, *more, what=what)

    def warm(self) -> None:
        """Begin the first process before somebody waits for it."""
        self._readers[0].warm()

    def close(self) -> None:
        """End the processes."""
        for each in self._readers:
            each.close()

    def _free(self) -> Reader:
        return min(self._readers, key=lambda r: r.busy)


def _opening() -> None:
    from . import stories  # noqa: F401
    from .pictures import measuring  # noqa: F401


def _begun(begin: Callable[[], None]) -> None:
    begin()


def _within(most: int, work: Callable[..., T], *given: Any) -> T:
    """Open a file with so many bytes of memory beyond what the process takes now."""
    before = resource.getrlimit(resource.RLIMIT_AS)
    resource.setrlimit(resource.RLIMIT_AS, (_taken() + most, before[1]))
    try:
        return work(*given)
    finally:
        resource.setrlimit(resource.RLIMIT_AS, before)


def _taken() -> int:
    """The bytes of address space that this process has."""
    pages = int(Path("/proc/self/statm").read_text().split()[0])
    return pages * resource.getpagesize()


def _nothing(data: bytes) -> None:
    return None


reader = Readers(_opening, AT_ONCE)
