"""A story read: what is not parsed yet is parsed, portion by portion, and what was read is shown as it comes."""

from typing import ClassVar

from cutreel.core.continuity import propose_cast, propose_places
from cutreel.core.errors import CutReelError
from cutreel.core.film import Change, FilmDocument
from cutreel.core.film.commands import TakeCast
from cutreel.core.keys import key
from cutreel.core.manuscript import read
from cutreel.store import ItemSpec

from ..parsing import batches, parsed_apart, parses_of
from ..registry import COMPUTING, Beginning, Kind, Made, Spec, item
from ..work import Work
from ..workshop import Workshop

SPEED = 1_500.0
"""Words that are parsed in a second, about."""


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
        # A page and a run may both wait for it: who comes second waits for the first, and finds it read.
        with shop.slots.one_of(f"reading {spec.key}", 1, work.dropped) as free:
            if not free:
                return None
            document = shop.films.get(spec.film).document
            _, missing = parses_of(document, shop.parses, 0)
            whole = batches(missing) if missing else []
            for i, batch in enumerate(whole):
                parsed_apart(batch, shop.parses)
                shop.films.tell(spec.film, "read")
                work.progress((i + 1) / len(whole))
            _propose(shop, spec.film)
        return Made(None)


def reading_spec(film: str, text: str) -> ReadingSpec:
    """The reading of a film's text."""
    return ReadingSpec(film=film, text=key("text", 1, text=text))


def unread(film: str, document: FilmDocument, shop: Workshop) -> list[ItemSpec]:
    """The reading of a film that is not read yet. Everything waits for it: pictures that are asked for before would
    show what simpler rules had guessed, and be paid for twice."""
    _, missing = parses_of(document, shop.parses, 0)
    if not missing:
        return []
    words = sum(text.count(" ") + 1 for text in missing)
    return [item(reading_spec(film, document.text), "read the story", weight=words / SPEED)]


READING = Beginning("reading", unread)


def wish_reading(shop: Workshop, film: str, text: str) -> None:
    """Have a film's text read by a worker, once for each text."""
    shop.queue.put_waited(reading_spec(film, text))


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
