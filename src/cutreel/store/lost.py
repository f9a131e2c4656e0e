"""Media files that are gone or damaged: found by looking at those that something tells of, in turn."""

import json
import time
from collections.abc import Callable
from typing import Any

from sqlalchemy import delete, select, text
from sqlalchemy.dialects.postgresql import insert

from .database import Database
from .events import announce
from .tables import Film, LostMedia, ResultRow, Take

KNOWN_FOR = 5.0
"""Seconds for which what is lost is taken as known."""
# What tells of media: takes with their layers, and results.
_TOLD_OF = """
SELECT DISTINCT name FROM (
  SELECT media AS name FROM takes UNION ALL SELECT thumb FROM takes
  UNION ALL SELECT layer ->> 0 FROM takes, jsonb_array_elements(layers) AS layer
  UNION ALL SELECT media FROM results WHERE media IS NOT NULL
) told WHERE name > :after ORDER BY name LIMIT :most
"""


class LostStore:
    """Keeps the names of what is lost. A take whose file is lost says so; a result is none as long as its file is
    lost, so that it is made again when it is wanted."""

    def __init__(self, database: Database) -> None:
        self.database = database
        self._at, self._names = -1e9, frozenset[str]()

    def names(self) -> frozenset[str]:
        """What is lost, as known a moment ago."""
        if time.monotonic() - self._at > KNOWN_FOR:
            with self.database.transaction() as session:
                self._names = frozenset(session.scalars(select(LostMedia.name)))
            self._at = time.monotonic()
        return self._names

    def look_again(self) -> None:
        """Take nothing as known any more: what is done now depends on it."""
        self._at = -1e9

    def told_of(self, after: str, most: int) -> list[str]:
        """Names of media files that something tells of, in order, behind a name."""
        with self.database.transaction() as session:
            found = session.execute(text(_TOLD_OF), {"after": after, "most": most})
            return [str(name) for (name,) in found]

    def lose(self, name: str, how: str) -> bool:
        """Write down that a file is lost, `how` in a word; False where that was known."""
        new = insert(LostMedia).values(name=name, how=how).on_conflict_do_nothing()
        with self.database.transaction() as session:
            if not session.execute(new.returning(LostMedia.name)).first():
                return False
            self._mark(session, name, lambda about: {**about, "lost": how})
        self.look_again()
        return True

    def regain(self, name: str) -> None:
        """Write down that a file is there again."""
        with self.database.transaction() as session:
            session.execute(delete(LostMedia).where(LostMedia.name == name))
            self._mark(session, name, lambda about: {k: v for k, v in about.items() if k != "lost"})
        self.look_again()

    def without_lost(self, results: dict[str, Any]) -> dict[str, Any]:
        """Those of some results whose files are there."""
        lost = self.names()
        if not lost:
            return results
        return {k: r for k, r in results.items() if not _tells_of(r.media, r.data, lost)}

    def _mark(
        self, session: Any, name: str, marked: Callable[[dict[str, Any]], dict[str, Any]]
    ) -> None:
        tells = (Take.media == name) | (Take.thumb == name) | Take.layers.contains([[name]])
        for take in session.scalars(select(Take).where(tells).with_for_update()):
            take.about = marked(take.about)
            announce(session, take.film, "take made", shot=take.shot, take=take.id)
        if session.scalar(select(ResultRow.key).where(ResultRow.media == name).limit(1)):
            # A line, a sound, a mix: which films it is of is read from them anew.
            for film in session.scalars(select(Film.id).where(Film.removed.is_(None))):
                announce(session, film, "run")


def _tells_of(media: str | None, data: dict[str, Any], lost: frozenset[str]) -> bool:
    if media in lost:
        return True
    told = json.dumps(data)
    return any(name in told for name in lost)
