"""Everything that a job works with, in one place."""

import os
import threading
import time
from collections.abc import Sequence
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from cutreel.bridge import Maker, Makers, Secrets
from cutreel.core.errors import CutReelError
from cutreel.core.film import FilmDocument
from cutreel.core.sound import Kept
from cutreel.protocol import Offer
from cutreel.services import ServiceDown, services_from_environment
from cutreel.store import (
    Assembled,
    BatchStore,
    CallbackStore,
    CompanyStore,
    Database,
    FilmStore,
    HandStore,
    LinkStore,
    LostStore,
    MediaStore,
    OfferStore,
    ParseStore,
    ResultStore,
    RunStore,
    ServiceJobs,
    ServiceStore,
    SlotStore,
    SpendStore,
    StyleStore,
    TakeStore,
    ToldStore,
    WholeStore,
    assembled_film,
    beneath_of,
    database_from_environment,
    kept_from_environment,
    media_from_environment,
)

from .parsing import parses_of
from .plugging import Sockets
from .queue import Queue
from .registry import Registry, offer_for

OFFERS_FOR = 3.0
"""Seconds for which offers are taken as known."""
ASKED_FOR = 2.0
"""Seconds for which somebody waits for offers that are older; after that they have those seen last."""
A_MOMENT = 0.5
"""Seconds for which nobody asks again for an offer that nobody knew."""
USUAL_SECRETS = Path("data/keys/services")


def _known() -> Registry:
    from .known import REGISTRY  # here, since every kind knows the workshop

    return REGISTRY


def _in_memory() -> Kept:
    kept: dict[str, bytes] = {}
    return kept


@dataclass(eq=False)
class Workshop:
    """Stores and services; `first` are those that are there without being plugged in, `kept` is what was measured of
    sound, `secrets` what seals the keys of services."""

    database: Database
    media: MediaStore
    first: Maker
    registry: Registry = field(default_factory=_known, repr=False)
    kept: Kept = field(default_factory=_in_memory, repr=False)
    secrets: Secrets = field(default_factory=lambda: Secrets(USUAL_SECRETS), repr=False)
    _offers: tuple[float, list[Offer]] = field(default=(-1e9, []), repr=False)

    def __post_init__(self) -> None:
        self.films = FilmStore(self.database)
        self.lost = LostStore(self.database)
        self.results = ResultStore(self.database, self.lost)
        self.takes = TakeStore(self.database)
        self.runs = RunStore(self.database)
        self.spending = SpendStore(self.database)
        self.company = CompanyStore(self.database)
        self.styles = StyleStore(self.database)
        self.whole = WholeStore(self.database, self.films)
        self.parses = ParseStore(self.database)
        self.kept_offers = OfferStore(self.database)
        self.slots = SlotStore(self.database)
        self.plugged = ServiceStore(self.database)
        self.jobs = ServiceJobs(self.database)
        self.hand = HandStore(self.database)
        self.links = LinkStore(self.database)
        self.calls = CallbackStore(self.database)
        self.told = ToldStore(self.database)
        self.batches = BatchStore(self.database)
        self.sockets = Sockets(
            self.plugged, self.spending, self.hand, self.media, self.secrets, self.calls
        )
        self.services = Makers(self.first, self.sockets.all)
        self._asking: tuple[float, threading.Thread | None] = (-1e9, None)
        self._not_before = -1e9
        self._ask_lock = threading.Lock()
        self.queue = Queue(self.database.address)

    def offers(self, since: float | None = None, aged: float = OFFERS_FOR) -> list[Offer]:
        """Offers now, who is chosen for a kind first; or as seen last when the services do not answer soon. One thread
        asks for all: a service that hangs holds nobody up for longer than a moment, and once. With `since`, as they
        were asked for after that moment (of the monotonic clock). Where offers `aged` by so many seconds will do, they
        are asked for anew and not waited for."""
        at, offers = self._offers
        oldest = time.monotonic() - OFFERS_FOR if since is None else since
        oldest = max(oldest, self._not_before)
        if at >= oldest:
            return offers
        with self._ask_lock:
            began, asking = self._asking
            begun = (
                asking is None or not asking.is_alive() or began < max(self._not_before, since or 0)
            )
            if asking is None or begun:
                began = time.monotonic()
                asking = threading.Thread(target=self._ask_offers, args=[began], daemon=True)
                self._asking = (began, asking)
                asking.start()
        will_do = offers and at >= max(self._not_before, time.monotonic() - aged)
        if since is not None or (not will_do and (begun or not offers)):
            asking.join(ASKED_FOR)
        at, offers = self._offers
        return offers if offers and at >= self._not_before else self._as_far_as_known()

    def offer_named(self, kind: str, name: str) -> Offer | None:
        """The offer of that name and kind. Who is not known is asked for anew: it may have been plugged in by another
        process a moment ago."""
        found = _named(self.offers(), kind, name)
        if found is None and name:
            found = _named(self.offers(since=time.monotonic() - A_MOMENT), kind, name)
        return found

    def is_plugged_in(self, name: str) -> bool:
        """Whether an offer is of a service that is plugged in, also while that does not answer."""
        return any(i.plugged.id == name.split("/", maxsplit=1)[0] for i in self.sockets.all())

    def ask_again(self) -> None:
        """Forget what is known of offers: something was plugged in, or chosen. An answer that is under way may not know
        of it."""
        self._not_before = time.monotonic()

    def _as_far_as_known(self) -> list[Offer]:
        """Offers while those who are asked did not answer since something was plugged in: as seen last, with what is
        known here of who was plugged in."""
        here = self.services.at_hand()
        known = {o.name for o in here}
        seen = self._offers[1] or self.kept_offers.get()
        return self._chosen([*(o for o in seen if o.name not in known), *here])

    def _ask_offers(self, began: float) -> None:
        try:
            offers = self.services.offers()
            offers += self._of_silent(offers)
            self.kept_offers.put(offers, self.services.silent())
        except CutReelError:
            offers = self._offers[1] or self.kept_offers.get()
        chosen = self._chosen(offers)
        with self._ask_lock:
            if began >= max(self._not_before, self._offers[0]):
                self._offers = (began, chosen)

    def _of_silent(self, offers: Sequence[Offer]) -> list[Offer]:
        """Offers, as seen last, of who did not answer since this process began: what they make waits for them, and
        nobody else makes it."""
        silent = self.services.silent()
        known = {o.name for o in offers}
        if not silent:
            return []
        return [o for o in self.kept_offers.get() if o.name not in known and _whose(o) in silent]

    def _chosen(self, offers: Sequence[Offer]) -> list[Offer]:
        """Offers with those that were chosen for their kind before the others."""
        choices: dict[str, Any] = self.plugged.choices()
        return sorted(offers, key=lambda o: choices.get(o.kind, {}).get("first") != o.name)

    def offer_of(self, kind: str, name: str = "") -> Offer:
        """The offer of a kind of work that was chosen by `name`, else the first. Raises ServiceDown while one that is
        plugged in does not answer, CutReelError when there is none."""
        chosen = self.offer_named(kind, name)
        if chosen is None and name and self.is_plugged_in(name):
            raise ServiceDown(f"“{name}” does not answer.", "What is asked for waits.")
        found = chosen or offer_for(kind, self.offers())
        if found is None:
            raise CutReelError(f"No service offers {kind}.", "See that the services run.")
        return found

    def assembled(self, film: str) -> Assembled:
        """The film as it stands."""
        document = self.films.get(film).document
        return self.laid_out(film, document)

    def laid_out(self, film: str, document: FilmDocument, read_on: bool = True) -> Assembled:
        """A film as `document` has it, read whole; without `read_on` as far as it is read already."""
        parses, _ = parses_of(document, self.parses, None if read_on else 0)
        beneath = beneath_of(film, document, self.films, self.whole)
        return assembled_film(
            film, document, self.offers(), self.results, self.takes, parses, beneath
        )


def _whose(offer: Offer) -> str:
    """The id of what is plugged in that an offer is of; empty for the stand-ins."""
    return offer.name.split("/", maxsplit=1)[0] if offer.service else ""


def _named(offers: Sequence[Offer], kind: str, name: str) -> Offer | None:
    return next((o for o in offers if o.name == name and o.kind == kind), None)


def workshop_from_environment() -> Workshop:
    """The workshop that the environment names."""
    return Workshop(
        database_from_environment(),
        media_from_environment(),
        services_from_environment(),
        kept=kept_from_environment(),
        secrets=Secrets(Path(os.environ.get("CUTREEL_SECRETS", USUAL_SECRETS))),
    )
