"""Paragraphs as parsed, by their text: each is parsed once, by whoever needs it first."""

from collections.abc import Iterable, Mapping

from cachetools import LRUCache
from sqlalchemy import String, any_, cast, select
from sqlalchemy.dialects.postgresql import ARRAY, insert

from cutreel.core.reading import Parsed, packed, parse_key, unpacked

from .database import Database
from .tables import ParseRow

MOST_KEPT = 6_000
"""Paragraphs kept ready: those of a few long films."""


class ParseStore:
    """Keeps parses. What was parsed never changes, so what was looked up once is kept ready."""

    def __init__(self, database: Database) -> None:
        self.database = database
        self._kept: LRUCache[str, Parsed] = LRUCache(MOST_KEPT)

    def many(self, texts: Iterable[str]) -> dict[str, Parsed]:
        """The parses there are of some paragraphs, by their text."""
        wanted = dict.fromkeys(texts)
        found = {text: kept for text in wanted if (kept := self._kept.get(text)) is not None}
        missing = {parse_key(text): text for text in wanted if text not in found}
        if missing:
            with self.database.transaction() as session:
                among = ParseRow.key == any_(cast(list(missing), ARRAY(String)))
                rows = session.execute(select(ParseRow.key, ParseRow.data).where(among)).all()
            for key, data in rows:
                found[missing[key]] = self._kept[missing[key]] = unpacked(data)
        return found

    def put(self, parses: Mapping[str, Parsed]) -> None:
        """Keep parses; when two parsed the same, the first stays."""
        if not parses:
            return
        rows = [{"key": parse_key(text), "data": packed(p)} for text, p in parses.items()]
        with self.database.transaction() as session:
            session.execute(insert(ParseRow).values(rows).on_conflict_do_nothing())
        for text, parsed in parses.items():
            self._kept.setdefault(text, parsed)
