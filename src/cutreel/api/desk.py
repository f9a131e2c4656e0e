"""Films as they are served: the last states of each, so that a page that knows one is told only what changed."""

import gc
import secrets
from collections import Counter
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field
from decimal import Decimal
from functools import partial
from itertools import count
from threading import RLock
from typing import Any

from cachetools import FIFOCache, LRUCache

from cutreel.core.errors import Clash
from cutreel.core.film import ReadingMemory, ReadShot, assemble, has_plate, is_fresh, read_film
from cutreel.core.publishing import ReportFigure, amiss
from cutreel.core.reading import Parses
from cutreel.making import (
    AT_ONCE,
    PreviewDesk,
    Workshop,
    parses_of,
    picture_spec,
    report_now,
    wish_reading,
)
from cutreel.protocol import Offer
from cutreel.store import (
    Assembled,
    FilmRow,
    Result,
    TakeRow,
    beneath_of,
    last_of,
    offered,
    shots_told,
)

from .film_state import FilmState, delta, next_state
from .schemas import Card, FilmDelta, MissingCost
from .views import card

MOST_STATES = 24
"""States of a film that a page may still know; a page that knows an older one opens the film again."""
MOST_FILMS = 12
AGED = 30.0
"""Seconds for which offers will do for a film to be shown: nobody who cuts waits for services."""
MOST_REPORTS = 400


@dataclass
class _Film:
    """What is remembered of one film."""

    lock: RLock = field(default_factory=RLock)
    states: FIFOCache[str, FilmState] = field(default_factory=lambda: FIFOCache(MOST_STATES))
    last: FilmState | None = None
    at: tuple[object, ...] = ()
    reading: ReadingMemory = field(default_factory=ReadingMemory)
    takes: dict[int, Sequence[TakeRow]] = field(default_factory=dict)
    takes_at: int = -1
    keys: dict[int, tuple[object, str]] = field(default_factory=dict)
    paid: set[str] = field(default_factory=set)
    absent: set[str] = field(default_factory=set)
    """Keys under which nothing was made when they were last looked up; forgotten when a run tells of something."""
    absent_at: int = -1


class FilmDesk:
    """Serves films."""

    def __init__(self, shop: Workshop, preview: PreviewDesk) -> None:
        self.shop, self.preview = shop, preview
        self._films: LRUCache[str, _Film] = LRUCache(MOST_FILMS)
        self._amiss: LRUCache[str, tuple[list[int], list[ReportFigure]]] = LRUCache(MOST_REPORTS)
        self._lock = RLock()
        self._offers: tuple[Sequence[Offer], list[dict[str, Any]]] | None = None
        self._boot, self._count = secrets.token_hex(3), count(1)

    def now(self, film: str) -> FilmState:
        """The film as it stands. Raises NotFound."""
        known = self._film(film)
        with known.lock:
            row = self.shop.films.get(film)
            offers = self.shop.offers(aged=AGED)
            with self.shop.database.transaction() as session:
                takes_at, made_at, read_at = last_of(session, film, "take made", "run", "read")
            beneath = beneath_of(film, row.document, self.shop.films, self.shop.whole)
            at = (
                row.revision,
                beneath[2:] if beneath else None,
                takes_at,
                made_at,
                read_at,
                self._asked(offers),
            )
            if known.last is not None and known.at == at:
                return known.last
            self._renew_takes(known, film, takes_at)
            if known.absent_at != made_at:
                known.absent, known.absent_at = set(), made_at
            before = known.last
            offer = offered(offers, row.document.settings.offer)
            read = read_film(row.document, offer, known.reading, self._parses(film, row))
            assembled = assemble(
                film,
                read,
                known.takes,
                partial(self._made, known),
                before.film if before else None,
                beneath,
            )
            state = next_state(
                f"{self._boot}-{next(self._count)}",
                row,
                assembled,
                self.preview.version(assembled),
                self._missing(known, assembled, offers),
                before,
            )
            known.last, known.at = state, at
            known.states[state.token] = state
            if before is None:
                _settle()
            return state

    def _asked(self, offers: Sequence[Offer]) -> list[dict[str, Any]]:
        """What services offer, without what is left of their quotas. They are asked anew once in a while only."""
        if self._offers is None or self._offers[0] is not offers:
            self._offers = (offers, [o.model_dump(exclude={"quota"}) for o in offers])
        return self._offers[1]

    def _parses(self, film: str, row: FilmRow) -> Parses:
        """What is parsed of the film; a little that is missing is parsed at once, much of it by a worker."""
        parses, missing = parses_of(row.document, self.shop.parses, AT_ONCE)
        if missing:
            wish_reading(self.shop, film, row.document.text)
        return parses

    def state(self, film: str, token: str) -> FilmState:
        """A state that a page was told of. Raises Clash when it is not known any more."""
        found = self._film(film).states.get(token)
        if found is None:
            raise Clash("The film changed while it was opened.", "Open it again.")
        return found

    def revision_at(self, film: str, token: str) -> int | None:
        """The revision of a state that a page was told of; None where that is not known any more."""
        found = self._film(film).states.get(token)
        return None if found is None else found.row.revision

    def since(self, film: str, token: str) -> FilmDelta:
        """What became of the film since a state."""
        new = self.now(film)
        old = self._film(film).states.get(token)
        if old is None:
            return FilmDelta(since=token, state=new.token, reopen=True)
        return delta(old, new)

    def cards(self) -> list[Card]:
        """All films as cards, last changed first, from what is kept of each; only one of which something became since
        is looked at."""
        return [self._card(film, at, kept) for film, at, kept in self.shop.films.summaries()]

    def amiss(self, films: Collection[str]) -> Mapping[str, list[ReportFigure]]:
        """The figures of films' reports that are not as aimed at; only a film of which something became since is looked
        at, and no film that a page has open makes way for it."""
        out = {}
        for film, at, _ in self.shop.films.summaries():
            if film not in films:
                continue
            known = self._amiss.get(film)
            if known is None or known[0] != at:
                known = (at, amiss(report_now(self.shop, self.shop.assembled(film))))
                self._amiss[film] = known
            out[film] = known[1]
        return out

    def _card(self, film: str, at: list[int], kept: Mapping[str, object] | None) -> Card:
        if kept is not None and kept.get("at") == at:
            return Card.model_validate(kept["card"])
        state = self.now(film)
        made = card(state.row, state.film)
        self.shop.films.summarise(film, {"at": at, "card": made.model_dump(mode="json")})
        return made

    def _film(self, film: str) -> _Film:
        with self._lock:
            return self._films.setdefault(film, _Film())

    def _made(self, known: _Film, keys: Collection[str]) -> Mapping[str, Result]:
        """The results there are among some keys; where there was none, none is looked for until something was made."""
        found = self.shop.results.many([k for k in keys if k not in known.absent])
        known.absent.update(k for k in keys if k not in found)
        return found

    def _renew_takes(self, known: _Film, film: str, at: int) -> None:
        """Look up the takes of the shots of which something was told since."""
        if known.takes_at < 0:
            known.takes = dict(self.shop.takes.of_film(film))
        elif at > known.takes_at:
            with self.shop.database.transaction() as session:
                shots = shots_told(session, film, "take made", known.takes_at)
            fresh = {shot: self.shop.takes.of_shot(film, shot) for shot in shots}
            known.takes = {**known.takes, **fresh}
        known.takes_at = at

    def _missing(self, known: _Film, film: Assembled, offers: Sequence[Offer]) -> MissingCost:
        """Pictures that are missing or stale, and what they would cost now: what was made for another reason is not
        paid again."""
        price = {o.name: o.price.amount for o in offers if o.kind == "picture"}
        lacking = [
            shot
            for shot, takes in zip(film.read.shots, film.takes, strict=True)
            if shot.picture_of == shot.shot.id
            and not has_plate(shot.shot)
            and not _has_fresh(shot, takes)
        ]
        by = {self._key_of(known, shot): shot.offer for shot in lacking}
        # What is not paid yet may be paid by the time it is asked for; then it costs less than was said.
        unsure = by.keys() - known.paid - known.absent
        known.paid |= self.shop.results.known(unsure)
        known.absent |= unsure - known.paid
        unpaid = Counter(offer for name, offer in by.items() if name not in known.paid)
        cost = sum((price.get(o, Decimal(0)) * n for o, n in unpaid.items()), Decimal(0))
        return MissingCost(pictures=len(lacking), cost=float(cost))

    def _key_of(self, known: _Film, shot: ReadShot) -> str:
        token, name = known.keys.get(shot.shot.id, (None, ""))
        if token is not shot.token:
            name = picture_spec(shot).key
            known.keys[shot.shot.id] = (shot.token, name)
        return name


def _settle() -> None:
    """Let what was read of a film that was opened be looked through for garbage no more: it is hundreds of thousands
    of objects, and whoever changes a word would wait for that."""
    gc.collect()
    gc.freeze()


def _has_fresh(shot: ReadShot, takes: Sequence[TakeRow]) -> bool:
    return any(is_fresh(shot, t) and t.id not in shot.shot.rejected for t in takes)
