"""A story read: what is not parsed yet is parsed, portion by portion, and what was read is shown as it comes."""

from typing import ClassVar

from cutreel.core.continuity import propose_cast, propose_places
from cutreel.core.errors import CutReelError
from cutreel.core.film import Change
from cutreel.core.film.commands import TakeCast
from cutreel.core.keys import key
from cutreel.core.manuscript import read

from ..parsing import batches, parsed_apart, parses_of
from ..registry import COMPUTING, Kind, Made, Spec
from ..work import Work
from ..workshop import Workshop


class ReadingSpec(Spec):
    """A film whose text, by its key, is to be read."""

    kind: ClassVar[str] = "reading"
    film: str
    text: str


class ReadingKind(Kind[ReadingSpec]):
    spec = ReadingSpec
    queue = COMPUTING

    def make(self, spec: ReadingSpec, work: Work) -> Made | None:
        shop = work.shop
        document = shop.films.get(spec.film).document
        parses, missing = parses_of(document, shop.parses, 0)
        for batch in batches(missing) if missing else ():
            parses = {**parses, **parsed_apart(batch, shop.parses)}
            shop.films.tell(spec.film, "read")
        _propose(shop, spec.film)
        return Made(None)


def wish_reading(shop: Workshop, film: str, text: str) -> None:
    """Have a film's text read by a worker, once for each text."""
    shop.queue.put_waited(ReadingSpec(film=film, text=key("text", 1, text=text)))


def _propose(shop: Workshop, film: str) -> None:
    """Put what the reading found of the cast in place of what simpler rules had guessed; what the maker set stays."""
    row = shop.films.get(film)
    parses, _ = parses_of(row.document, shop.parses, 0)
    script = read(row.document.text)
    cast = propose_cast(script, parses, row.document.word_ids)
    taken = TakeCast(cast=cast, places=propose_places(script, parses, cast))
    try:
        shop.films.amend(film, Change(revision=row.revision, command=taken))
    except CutReelError:
        # The maker was faster: what they set is worth more than another guess.
        return
